import { check, isClean } from '../core/check';
import type { Build, PartSet } from '../core/model';
import { resolve, type Resolution, type ResolveOptions } from '../core/solver';

/** Longest that one request may compute, in milliseconds; others wait for that long at the most. */
const MAX_MS = 3000;

export function checked(build: Build, parts: PartSet) {
  const findings = check(build, parts);
  return { status: isClean(findings) ? 'clean' : 'clash', findings };
}

/** Resolves within the time limit; when it is reached the answer says that the search was stopped. */
export function resolved(build: Build, parts: PartSet, options: ResolveOptions): Resolution {
  const end = performance.now() + MAX_MS;
  return resolve(build, parts, { ...options, shouldStop: () => performance.now() > end });
}
