import { server } from '../../words/server';
import { checked, type Status } from '../../core/rules';
import { columnOf, type Column } from '../../core/compare';
import { buildSchema, checkBuild, schemaFlaws, type Build, type Part, type PartSet } from '../../core/model';
import { plan, type Front, type PlanRequest } from '../../core/planner';
import type { ResolveOptions } from '../../core/solver';
import {
  bootCheckReport,
  bootReport,
  diagnoseReport,
  lastStartOf,
  type LastStart,
  exported,
  memoryMapReport,
  readBuildFile,
  readPart,
  readParts,
  type ReadParts,
  readShelfCsv,
  readWorkshop,
  rehearseReport,
  resolveReport,
  type ToldResolution,
  writeWorkshop,
  type ExportKind,
  type ShelfRow,
  type Workshop,
  type WrittenWorkshop,
  type ReadWorkshop
} from '../../formats';
import { tell, type ToldFinding, InvalidDocument } from '../../words';

/** A machine as a column of a comparison, its worst findings in words. */
export type ToldColumn = Omit<Column, 'worst'> & { worst: ToldFinding[] };

/** What a check comes to, for lists and for the API. */
export interface CheckReply {
  status: Status;
  findings: ToldFinding[];
}

export interface Machine {
  build: Build;
  parts: PartSet;
}

const endIn = (ms: number): (() => boolean) => {
  const end = performance.now() + ms;
  return () => performance.now() > end;
};

function check({ build, parts }: Machine): CheckReply {
  const { status, findings } = checked(build, parts);
  return { status, findings: findings.map(tell) };
}

/**
 * Everything that can take long or much memory, by name: it runs in a worker thread (`pool.ts`), never beside the
 * requests of others. What goes in and out is copied between threads, so it is plain data.
 */
/** What was seen of the last start. */
interface Seen {
  lastStart: LastStart | null;
}

export const jobs = {
  /** Reads a build file and checks it. @throws InvalidDocument */
  readBuild: (text: string): Machine => readBuildFile(text),
  readParts: ({ text, name }: { text: string; name: string }): ReadParts => readParts(text, name),
  readPart: ({ text, name }: { text: string; name: string }): Part => readPart(text, name),
  check,
  checkFile: (text: string): CheckReply => check(readBuildFile(text)),
  resolve: ({ options, ms, ...machine }: Machine & { options: ResolveOptions; ms: number }): ToldResolution =>
    resolveReport(machine, { ...options, shouldStop: endIn(ms) }),
  resolveFile: ({
    text,
    options,
    ms
  }: {
    text: string;
    options: ResolveOptions;
    ms: number;
  }): ToldResolution => resolveReport(readBuildFile(text), { ...options, shouldStop: endIn(ms) }),
  plan: ({ request, ms }: { request: PlanRequest; ms: number }): Front =>
    plan(request, { shouldStop: endIn(ms) }),
  column: ({ build, parts }: Machine): ToldColumn => {
    const column = columnOf(build, parts);
    return { ...column, worst: column.worst.map(tell) };
  },
  memoryMap: (machine: Machine): object => memoryMapReport(machine),
  boot: (machine: Machine): object => bootReport(machine),
  bootCheck: ({ config, autoexec, ...machine }: Machine & { config: string; autoexec: string }): object =>
    bootCheckReport(machine, config, autoexec),
  rehearse: ({ which, ...machine }: Machine & { which: 'found' | 'chosen' }): object =>
    rehearseReport(machine, which),
  /** @throws InvalidDocument where no start is noted, or what is told is not understood */
  diagnose: ({ told, ...machine }: Machine & { told?: string }): object => diagnoseReport(machine, told),
  export: ({ build, parts, kind }: Machine & { kind: ExportKind }) => exported(build, parts, kind),
  /** Checks a kept state by its text. @throws InvalidDocument when it cannot be used any more */
  summary: ({ document, parts }: { document: string; parts: PartSet }): CheckReply & Seen => {
    const data: unknown = JSON.parse(document);
    const read = buildSchema(data).safeParse(data);
    if (!read.success) throw new InvalidDocument(schemaFlaws(read.error), server.what.state);
    const problems = checkBuild(read.data, parts);
    if (problems.length) throw new InvalidDocument(problems, server.what.state);
    const machine = { build: read.data, parts };
    return { ...check(machine), lastStart: lastStartOf(machine) };
  },
  readShelf: ({ text, parts }: { text: string; parts: PartSet }): ShelfRow[] => readShelfCsv(text, parts),
  readArchive: (bytes: Uint8Array): ReadWorkshop => readWorkshop(bytes),
  writeArchive: (workshop: Workshop): WrittenWorkshop => writeWorkshop(workshop)
} as const;

export type Jobs = typeof jobs;
export type JobName = keyof Jobs;
export type JobInput<J extends JobName> = Parameters<Jobs[J]>[0];
export type JobOutput<J extends JobName> = Awaited<ReturnType<Jobs[J]>>;
