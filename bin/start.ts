import { diagnoseReport, readBuildFile, rehearseReport } from '../src/lib/formats';
import { FLAG, readArgs } from './args';
import { textOf } from './io';

export const START_USAGE = `  rehearse FILE [--planned]     the start of a build, settings as found or as planned: stages, where it stops and why
  diagnose FILE [START]         what is wrong, from the last start in the build or from a small text with lines such as
                                "power: runs", "beeps: 3", "screen: dark", "reached: count", "messages: settings",
                                "text: Keyboard error"; after a line "---" the next one: "after: reseat-memory"
                                or "after: without ITEM" (only that card was out), or a reading "read: ohms no"
`;

const text = (file: string | undefined): string => textOf(file, `name a build file\n\n${START_USAGE}`);
export const startCommands: Record<string, (args: readonly string[]) => object> = {
  rehearse: (args) => {
    const { words, told } = readArgs(args, { planned: FLAG }, 1, START_USAGE);
    return rehearseReport(readBuildFile(text(words[0])), told.planned ? 'chosen' : 'found');
  },
  diagnose: (args) => {
    const [file, startFile] = readArgs(args, {}, 2, START_USAGE).words;
    return diagnoseReport(readBuildFile(text(file)), startFile === undefined ? undefined : text(startFile));
  }
};
