import './root';
import { checked, type Status } from '../src/lib/core/rules';
import { InvalidDocument, documentNames, tell } from '../src/lib/words';
import { commandRefusals as refusals, pathRefusals, usage } from '../src/lib/words/command-line';
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
import { batch, takesBatch } from './batch';
import { bootCommands } from './boot';
import { dataCommands } from './data';
import { diskReport, imageReport, romReport } from './disk';
import { FLAG, TEXT, numberOf, readArgs, type Options } from './args';
import { Usage, bytesOf, io } from './io';
import { photoReport } from './photo';
import { placementCommands } from './placement';
import { startCommands } from './start';
import { tableCommands } from './table';
import { writeImage } from './write';
import { movesReport, settingCommands } from './settings';

/** Whether what was read must not be written to, or booted from. */
const hasStop = (report: object): boolean =>
  'remarks' in report && (report.remarks as { grade: string }[]).some((r) => r.grade === 'stop');

/** Whether something that was checked is wrong. */
const hasClash = (report: object | string): boolean =>
  typeof report === 'object' &&
  'findings' in report &&
  (report.findings as { severity: string }[]).some((f) => f.severity === 'stop' || f.severity === 'clash');

const exitOf: Record<Status, number> = { clean: 0, clash: 1, caution: 3, unknown: 3 };

function read(file: string): string {
  const data = bytesOf(file);
  if (data.length > MAX_FILE)
    throw new InvalidDocument(
      [{ path: '', message: pathRefusals.largerThan(MAX_FILE / 1024 / 1024) }],
      documentNames.file
    );
  return data.toString('utf8');
}

const print = (value: unknown): void => io.out(JSON.stringify(value, null, 2) + '\n');

type BuildFile = ReturnType<typeof readBuildFile>;

/** Commands that only write a build out in another form. */
const written = (kind: ExportKind) => ({
  options: {},
  run: ({ build, parts }: BuildFile) => {
    io.out(exported(build, parts, kind).content);
    return 0;
  }
});

/** Commands on one build, each with what it takes besides the file, and the exit code it ends with. */
const buildCommands: Readonly<
  Record<string, { options: Options; run(file: BuildFile, told: Readonly<Record<string, unknown>>): number }>
> = {
  check: {
    options: {},
    run: ({ build, parts }) => {
      const { status, findings } = checked(build, parts);
      print({ status, findings: findings.map(tell) });
      return exitOf[status];
    }
  },
  resolve: {
    options: { 'allow-off': FLAG, alternatives: TEXT, 'max-nodes': TEXT },
    run: (file, told) => {
      const number = (option: string, most: number) =>
        numberOf(option, told[option] as string | undefined, most);
      const resolution = resolveReport(file, {
        allowOff: told['allow-off'] === true,
        alternatives: number('alternatives', 8),
        maxNodes: number('max-nodes', 1e9)
      });
      print(resolution);
      return resolution.status === 'solved' ? 0 : 1;
    }
  },
  sheet: {
    options: { resolve: FLAG },
    run: ({ build, parts }, told) => {
      const solution = told.resolve ? resolve(build, parts, { alternatives: 0 }) : null;
      const planned = solution?.status === 'solved' ? choose(build, solution) : build;
      io.out(sheetText(sheetOf(planned, parts)));
      return exitOf[checked(planned, parts).status];
    }
  },
  moves: {
    options: { json: FLAG },
    run: ({ build, parts }, told) => {
      if (!told.json) return written('moves.csv').run({ build, parts });
      print(movesReport(build, parts));
      return 0;
    }
  },
  claims: written('claims.csv'),
  markdown: written('sheet.md')
};

function run(name: string, args: readonly string[]): number {
  if (!Object.hasOwn(buildCommands, name)) throw new Usage(usage);
  const { options, run: act } = buildCommands[name];
  const { words, told } = readArgs(args, options, 1, usage);
  if (!words.length) throw new Usage(usage);
  return act(readBuildFile(read(words[0])), told);
}

/** Commands whose report is printed, and ends with 0. */
const reports: Readonly<Record<string, (args: readonly string[]) => object | Promise<object>>> = {
  disk: diskReport,
  write: writeImage,
  photo: photoReport,
  ...settingCommands,
  ...startCommands,
  ...placementCommands
};

async function main([name = '', ...args]: readonly string[]): Promise<number> {
  if (args.includes('--batch') && takesBatch(name)) {
    const { told } = readArgs(args, { batch: TEXT }, 0, usage);
    return batch(name, read(told.batch ?? '-'), io.out);
  }
  if (Object.hasOwn(reports, name)) {
    print(await reports[name](args));
    return 0;
  }
  if (name === 'image' || name === 'rom') {
    const report = await (name === 'image' ? imageReport : romReport)(args);
    print(report);
    return hasStop(report) ? 1 : 0;
  }
  if (Object.hasOwn(bootCommands, name)) {
    const report = bootCommands[name](args);
    if (typeof report === 'string') io.out(report);
    else print(report);
    return hasClash(report) ? 1 : 0;
  }
  if (Object.hasOwn(tableCommands, name)) {
    const report = tableCommands[name](args);
    print(report);
    return 'problems' in report && (report.problems as unknown[]).length ? 1 : 0;
  }
  if (Object.hasOwn(dataCommands, name)) return dataCommands[name](args, usage);
  return run(name, args);
}

/** Does what the words of the command say. @returns its exit code, which `usage` tells */
export async function command(argv: readonly string[]): Promise<number> {
  try {
    return await main(argv);
  } catch (error) {
    if (error instanceof InvalidDocument)
      io.err(
        `${refusals.badInput}\n${error.problems.map((p) => `  ${p.path || refusals.top}: ${p.message}`).join('\n')}\n`
      );
    else if (error instanceof Usage) io.err(error.message);
    else if (error instanceof Refusal) io.err(`${refusals.badInput}\n  ${errorWords(error)}\n`);
    else if (error instanceof StoreTrouble) io.err(`${error.message}\n`);
    else throw error;
    return 2;
  }
}
