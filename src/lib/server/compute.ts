import type { Brief, Build, PartSet } from '../core/model';
import { usedParts } from '../core/kit';
import { partSet } from '../core/model';
import type { Front } from '../core/planner';
import type { ResolveOptions } from '../core/solver';
import type { ExportKind, ToldResolution } from '../formats';
import type { BuildStore } from './builds';
import type { CheckReply, JobInput, ToldColumn } from './heavy/jobs';
import { pool } from './heavy/pool';

/** Milliseconds after which a search answers with what it has. */
const RESOLVE_MS = 3000;
const PLAN_MS = 8000;

/** What a state was found to be, as long as the state and the parts are at hand. */
const known = new WeakMap<Build, { parts: PartSet; result: CheckReply }>();

/** Only the parts of a build: the others need not go to the worker. */
const own = (build: Build, parts: PartSet): PartSet => partSet(usedParts(build, parts));

export async function checked(build: Build, parts: PartSet, signal?: AbortSignal): Promise<CheckReply> {
  const before = known.get(build);
  if (before?.parts === parts) return before.result;
  const result = await pool.run('check', { build, parts: own(build, parts) }, signal);
  known.set(build, { parts, result });
  return result;
}

/** Checks a build file. */
export const checkedFile = (text: string, signal?: AbortSignal): Promise<CheckReply> =>
  pool.run('checkFile', text, signal);

/** Resolves within the time limit; when it is reached the answer says that the search was stopped. */
export const resolved = (
  build: Build,
  parts: PartSet,
  options: ResolveOptions,
  signal?: AbortSignal
): Promise<ToldResolution> =>
  pool.run('resolve', { build, parts: own(build, parts), options, ms: RESOLVE_MS }, signal);

/** Resolves a build file within the time limit. */
export const resolvedFile = (
  text: string,
  options: ResolveOptions,
  signal?: AbortSignal
): Promise<ToldResolution> => pool.run('resolveFile', { text, options, ms: RESOLVE_MS }, signal);

/** What a build comes to in one regard, as plain data with its words. */
export const report = <J extends 'memoryMap' | 'boot' | 'bootCheck' | 'rehearse' | 'diagnose'>(
  job: J,
  build: Build,
  parts: PartSet,
  more: Omit<JobInput<J>, 'build' | 'parts'>,
  signal?: AbortSignal
): Promise<Record<string, unknown>> =>
  pool.run(job, { ...more, build, parts: own(build, parts) }, signal) as Promise<Record<string, unknown>>;

/** A build as a file; `raw`: its present state as it is kept, also when it cannot be read any more. */
export async function exportedBuild(
  store: BuildStore,
  id: string,
  kind: ExportKind | 'raw',
  signal?: AbortSignal
): Promise<{ content: string; media: string; name: string }> {
  if (kind === 'raw') {
    const { document } = await store.present(id);
    return { content: document, media: 'application/json', name: `${id}-as-kept.json` };
  }
  const { build } = await store.get(id);
  const parts = own(build, await store.parts());
  return pool.run('export', { build, parts, kind }, signal);
}

/** A machine as a column of a comparison. */
export const column = (build: Build, parts: PartSet): Promise<ToldColumn> =>
  pool.run('column', { build, parts: own(build, parts) });

/** Plans within the time limit; a plan that was stopped says that it is not proved the best. */
export function planned(
  asked: { brief: Brief; fixed: string[]; excluded: string[] },
  parts: PartSet,
  shelf: readonly {
    item: { id: string; part: string; asFound: Record<string, string> };
    lentTo: string | null;
  }[],
  signal?: AbortSignal
): Promise<Front> {
  const units = shelf
    .filter((v) => v.lentTo === null)
    .map(({ item }) => ({ specimen: item.id, part: item.part, asFound: item.asFound }));
  const request = { ...asked, parts: [...parts.values()], shelf: units };
  return pool.run('plan', { request, ms: PLAN_MS }, signal);
}
