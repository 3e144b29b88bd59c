import './root';
import { checked, type Status } from '../src/lib/core/rules';
import { tell, InvalidDocument } from '../src/lib/words';
import { choose, resolve } from '../src/lib/core/solver';
import { Refusal } from '../src/lib/core/refusal';
import { errorWords } from '../src/lib/words/errors';
import {
  MAX_FILE,
  exported,
  readBuildFile,
  resolveReport,
  sheetOf,
  sheetText,
  type ExportKind
} from '../src/lib/formats';
import { StoreTrouble } from '../src/lib/server/trouble';
import { BATCH_USAGE, batch, takesBatch } from './batch';
import { BOOT_USAGE, bootCommands } from './boot';
import { dataCommands } from './data';
import { DISK_USAGE, diskReport, imageReport, romReport } from './disk';
import { Usage, bytesOf, io } from './io';
import { PHOTO_USAGE, photoReport } from './photo';
import { PLACEMENT_USAGE, placementCommands } from './placement';
import { START_USAGE, startCommands } from './start';
import { TABLE_USAGE, tableCommands } from './table';
import { WRITE_USAGE, writeImage } from './write';
import { SETTINGS_USAGE, movesReport, settingCommands } from './settings';

const USAGE = `usage: yj COMMAND FILE          FILE may be - for standard input

  check FILE                    the findings of the positions as they stand, as JSON
  resolve FILE [--allow-off] [--alternatives N] [--max-nodes N]
                                the solution, or the core and its relaxations, as JSON
  sheet FILE [--resolve]        the bench sheet of the chosen positions as plain text; with
                                --resolve, of the best solution
  claims FILE, moves FILE       the claims as they stand, or what is to be moved, as CSV
  moves FILE --json             what differs from where it should be, why, and what happens if it is left
  markdown FILE                 the bench sheet as Markdown
${SETTINGS_USAGE}${TABLE_USAGE}${PHOTO_USAGE}${START_USAGE}${BOOT_USAGE}${PLACEMENT_USAGE}${DISK_USAGE}${WRITE_USAGE}${BATCH_USAGE}  backup [FILE]                 a consistent copy of the data, also while the program runs
  restore FILE [--anyway]       looks a backup through and brings it back; what was there before is kept beside
                                it; --anyway: also one with damaged rows
  health                        looks through the data, as JSON
  passphrase                    sets the passphrase of a shared server, from standard input

The data is in the folder that YJ_DATA names, else in .yellow-jumper in the home folder.
exit 0: clean or solved; 1: a clash, or impossible, or stopped, or an image that must not be used;
     2: bad input;
     3: nothing found, but something was not checked or is only assumed
`;

interface Args {
  command: string;
  file: string;
  allowOff: boolean;
  resolve: boolean;
  json: boolean;
  alternatives?: number;
  maxNodes?: number;
}

/** Commands that only write a build out in another form. */
const printed: Record<string, ExportKind> = {
  claims: 'claims.csv',
  moves: 'moves.csv',
  markdown: 'sheet.md'
};

function parseArgs(argv: readonly string[]): Args {
  const [command, file, ...rest] = argv;
  if (
    !command ||
    !file ||
    !(Object.hasOwn(printed, command) || ['check', 'resolve', 'sheet'].includes(command))
  )
    throw new Usage(USAGE);
  const args: Args = { command, file, allowOff: false, resolve: false, json: false };
  const number = (name: string, text: string | undefined, most: number): number => {
    const value = Number(text);
    if (text === undefined || !Number.isInteger(value) || value < 0 || value > most)
      throw new Usage(`${name} wants a whole number from 0 to ${most}\n\n${USAGE}`);
    return value;
  };
  for (let i = 0; i < rest.length; i++) {
    if (command === 'sheet' && rest[i] === '--resolve') {
      args.resolve = true;
      continue;
    }
    if (command === 'moves' && rest[i] === '--json') {
      args.json = true;
      continue;
    }
    if (command !== 'resolve') throw new Usage(`${command} takes no ${rest[i]}\n\n${USAGE}`);
    if (rest[i] === '--allow-off') args.allowOff = true;
    else if (rest[i] === '--alternatives') args.alternatives = number('--alternatives', rest[++i], 8);
    else if (rest[i] === '--max-nodes') args.maxNodes = number('--max-nodes', rest[++i], 1e9);
    else throw new Usage(`there is no option ${rest[i]}\n\n${USAGE}`);
  }
  return args;
}

/** Whether what was read must not be written to, or booted from. */
const hasStop = (report: object): boolean =>
  'remarks' in report && (report.remarks as { grade: string }[]).some((r) => r.grade === 'stop');

/** Whether something that was checked is wrong. */
const hasClash = (report: object | string): boolean =>
  typeof report === 'object' &&
  'findings' in report &&
  (report.findings as { severity: string }[]).some((f) => f.severity === 'stop' || f.severity === 'clash');

const exitOf: Record<Status, number> = { clean: 0, clash: 1, unknown: 3 };

function read(file: string): string {
  const data = bytesOf(file);
  if (data.length > MAX_FILE) throw new InvalidDocument([{ path: '', message: 'is too large' }], 'The file');
  return data.toString('utf8');
}

const print = (value: unknown): void => io.out(JSON.stringify(value, null, 2) + '\n');

function run(argv: readonly string[]): number {
  const args = parseArgs(argv);
  const { build, parts } = readBuildFile(read(args.file));
  if (args.command === 'check') {
    const { status, findings } = checked(build, parts);
    print({ status, findings: findings.map(tell) });
    return exitOf[status];
  }
  if (args.json) {
    print(movesReport(build, parts));
    return 0;
  }
  if (Object.hasOwn(printed, args.command)) {
    io.out(exported(build, parts, printed[args.command]).content);
    return 0;
  }
  if (args.command === 'sheet') {
    const solution = args.resolve ? resolve(build, parts, { alternatives: 0 }) : null;
    const planned = solution?.status === 'solved' ? choose(build, solution) : build;
    io.out(sheetText(sheetOf(planned, parts)));
    return exitOf[checked(planned, parts).status];
  }
  const { allowOff, alternatives, maxNodes } = args;
  const resolution = resolveReport({ build, parts }, { allowOff, alternatives, maxNodes });
  print(resolution);
  return resolution.status === 'solved' ? 0 : 1;
}

async function main(argv: readonly string[]): Promise<number> {
  const [command, ...rest] = argv;
  if (rest[0] === '--batch' && takesBatch(command ?? '')) {
    if (rest.length !== 2) throw new Usage(USAGE);
    return batch(command, read(rest[1]), io.out);
  }
  if (command === 'disk') {
    print(diskReport(rest));
    return 0;
  }
  if (command === 'write') {
    print(writeImage(rest));
    return 0;
  }
  if (command === 'photo') {
    print(await photoReport(rest));
    return 0;
  }
  if (command === 'image' || command === 'rom') {
    const report = await (command === 'image' ? imageReport : romReport)(rest);
    print(report);
    return hasStop(report) ? 1 : 0;
  }
  const reports = { ...settingCommands, ...startCommands, ...placementCommands };
  if (Object.hasOwn(reports, command ?? '')) {
    print(reports[command](rest));
    return 0;
  }
  if (Object.hasOwn(bootCommands, command ?? '')) {
    const report = bootCommands[command](rest);
    if (typeof report === 'string') io.out(report);
    else print(report);
    return hasClash(report) ? 1 : 0;
  }
  if (Object.hasOwn(tableCommands, command ?? '')) {
    const report = tableCommands[command](rest);
    print(report);
    return 'problems' in report && (report.problems as unknown[]).length ? 1 : 0;
  }
  const data = Object.hasOwn(dataCommands, command ?? '') ? dataCommands[command] : null;
  if (!data) return run(argv);
  const most =
    command === 'restore' && rest.includes('--anyway')
      ? 2
      : command === 'backup' || command === 'restore'
        ? 1
        : 0;
  if (rest.length > most || (command === 'restore' && !rest.some((a) => a !== '--anyway')))
    throw new Usage(USAGE);
  return data(rest);
}

/** Does what the words of the command say. @returns its exit code, which `USAGE` tells */
export async function command(argv: readonly string[]): Promise<number> {
  try {
    return await main(argv);
  } catch (error) {
    if (error instanceof InvalidDocument)
      io.err(`bad input\n${error.problems.map((p) => `  ${p.path || 'top'}: ${p.message}`).join('\n')}\n`);
    else if (error instanceof Usage) io.err(error.message);
    else if (error instanceof Refusal) io.err(`bad input\n  ${errorWords(error)}\n`);
    else if (error instanceof StoreTrouble) io.err(`${error.message}\n`);
    else throw error;
    return 2;
  }
}
