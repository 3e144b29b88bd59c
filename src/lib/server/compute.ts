import { check, isClean } from '../core/check';
import type { Build, Finding, PartSet } from '../core/model';
import { resolve, type Resolution, type ResolveOptions } from '../core/solver';

/** Longest that one request may compute, in milliseconds; others wait for that long at the most. */
const MAX_MS = 3000;

interface Checked {
  status: 'clean' | 'clash';
  findings: Finding[];
}

/** What a state was found to be, as long as the state and the parts are at hand. */
const known = new WeakMap<Build, { parts: PartSet; result: Checked }>();

export function checked(build: Build, parts: PartSet): Checked {
  const before = known.get(build);
  if (before?.parts === parts) return before.result;
  const findings = check(build, parts);
  const result: Checked = { status: isClean(findings) ? 'clean' : 'clash', findings };
  known.set(build, { parts, result });
  return result;
}

/** Resolves within the time limit; when it is reached the answer says that the search was stopped. */
export function resolved(build: Build, parts: PartSet, options: ResolveOptions): Resolution {
  const end = performance.now() + MAX_MS;
  return resolve(build, parts, { ...options, shouldStop: () => performance.now() > end });
}
