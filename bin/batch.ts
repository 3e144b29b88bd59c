import { commandRefusals as refusals } from '../src/lib/words/command-line';
import { errorWords } from '../src/lib/words/errors';
import { readFileSync } from 'node:fs';
import { checked } from '../src/lib/core/rules';
import {
  bootCheckReport,
  bootReport,
  memoryMapReport,
  readBuildFile,
  resolveReport
} from '../src/lib/formats';
import { tell, InvalidDocument } from '../src/lib/words';
import { diskReport, imageReport } from './disk';
import { photoReport } from './photo';
import { placeReport, startsReport } from './placement';
import { movesReport } from './settings';
import { tableReport } from './table';

/** A line of a batch: a build file, or options of the command by their names. */
type Asked = Record<string, unknown>;

/** Options of a line as the command takes them: `{chs: '615/4/17'}` → `--chs=615/4/17`. */
const optionsOf = (asked: Asked, left: readonly string[] = []): string[] =>
  Object.entries(asked)
    .filter(([name]) => !left.includes(name))
    .map(([name, value]) => `--${name}=${String(value)}`);

/** The build file of a line: in a file beside, or the line itself. */
const textOf = (asked: Asked): string =>
  typeof asked.file === 'string' ? readFileSync(asked.file, 'utf8') : JSON.stringify(asked);
/** @throws InvalidDocument */
const machineOf = (asked: Asked) => readBuildFile(textOf(asked));

const commands: Record<string, (asked: Asked) => object | Promise<object>> = {
  disk: (asked) => diskReport(optionsOf(asked)),
  image: (asked) => imageReport([...optionsOf(asked, ['file']), '--', String(asked.file)]),
  'memory-map': (asked) => memoryMapReport(machineOf(asked)),
  boot: (asked) => bootReport(machineOf(asked)),
  'boot-check': ({ config, autoexec, ...asked }) =>
    bootCheckReport(machineOf(asked), String(config ?? ''), String(autoexec ?? '')),
  photo: ({ file, ...asked }) => photoReport([...optionsOf(asked), '--', String(file)]),
  place: (asked) => placeReport(JSON.stringify(asked)),
  starts: (asked) => startsReport(JSON.stringify(asked)),
  table: (asked) =>
    tableReport(typeof asked.text === 'string' ? asked.text : readFileSync(String(asked.file), 'utf8')),
  check: (asked) => {
    const { build, parts } = machineOf(asked);
    const { status, findings } = checked(build, parts);
    return { status, findings: findings.map(tell) };
  },
  resolve: (asked) => {
    return resolveReport(machineOf(asked));
  },
  moves: (asked) => {
    const { build, parts } = machineOf(asked);
    return movesReport(build, parts);
  }
};

export const takesBatch = (command: string): boolean => Object.hasOwn(commands, command);

function problemOf(error: unknown): string {
  if (error instanceof InvalidDocument)
    return error.problems.map((p) => `${p.path || refusals.top}: ${p.message}`).join('; ');
  return errorWords(error).trim().split('\n')[0];
}

/**
 * Answers every line of a file, one after the other. A line that cannot be answered takes nothing from the others.
 * @returns the exit code: 0 when every line was answered, else 2
 */
export async function batch(command: string, text: string, write: (line: string) => void): Promise<number> {
  let failed = false;
  for (const line of text.split('\n').filter((l) => l.trim())) {
    let answer: object;
    try {
      const asked: unknown = JSON.parse(line);
      if (asked === null || typeof asked !== 'object' || Array.isArray(asked)) throw new Error(refusals.line);
      answer = await commands[command](asked as Asked);
    } catch (error) {
      failed = true;
      answer = { error: problemOf(error) };
    }
    write(`${JSON.stringify(answer)}\n`);
  }
  return failed ? 2 : 0;
}
