import { checked as checkWhole, type Checked } from '../core/check';
import type { Brief, Build, PartSet } from '../core/model';
import { plan, type Front } from '../core/planner';
import { resolve, type Resolution, type ResolveOptions } from '../core/solver';

/** Longest that one request may compute, in milliseconds; others wait for that long at the most. */
const MAX_MS = 3000;

/** What a state was found to be, as long as the state and the parts are at hand. */
const known = new WeakMap<Build, { parts: PartSet; result: Checked }>();

export function checked(build: Build, parts: PartSet): Checked {
  const before = known.get(build);
  if (before?.parts === parts) return before.result;
  const result = checkWhole(build, parts);
  known.set(build, { parts, result });
  return result;
}

/** Resolves within the time limit; when it is reached the answer says that the search was stopped. */
export function resolved(build: Build, parts: PartSet, options: ResolveOptions): Resolution {
  const end = performance.now() + MAX_MS;
  return resolve(build, parts, { ...options, shouldStop: () => performance.now() > end });
}

/** Longest that planning may take on the server, where it also keeps others waiting. */
const MAX_PLAN_MS = 8000;

/** Plans within the time limit; a plan that was stopped says that it is not proved the best. */
export function planned(
  asked: { brief: Brief; fixed: string[]; excluded: string[] },
  parts: PartSet,
  shelf: readonly {
    item: { id: string; part: string; asFound: Record<string, string> };
    lentTo: string | null;
  }[]
): Front {
  const end = performance.now() + MAX_PLAN_MS;
  const units = shelf
    .filter((v) => v.lentTo === null)
    .map(({ item }) => ({ specimen: item.id, part: item.part, asFound: item.asFound }));
  return plan(
    { ...asked, parts: [...parts.values()], shelf: units },
    { shouldStop: () => performance.now() > end }
  );
}
