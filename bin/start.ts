import { diagnoseReport, readBuildFile, rehearseReport } from '../src/lib/formats';
import { commandRefusals as refusals, startUsage } from '../src/lib/words/command-line';
import { FLAG, readArgs } from './args';
import { textOf } from './io';

const text = (file: string | undefined): string => textOf(file, `${refusals.nameBuild}\n\n${startUsage}`);
export const startCommands: Record<string, (args: readonly string[]) => object> = {
  rehearse: (args) => {
    const { words, told } = readArgs(args, { planned: FLAG }, 1, startUsage);
    return rehearseReport(readBuildFile(text(words[0])), told.planned ? 'chosen' : 'found');
  },
  diagnose: (args) => {
    const [file, startFile] = readArgs(args, {}, 2, startUsage).words;
    return diagnoseReport(readBuildFile(text(file)), startFile === undefined ? undefined : text(startFile));
  }
};
