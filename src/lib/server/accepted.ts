import { server } from '../words/server';
import { usedParts } from '../core/kit';
import { checkPart, keptPart, type Build, type Part, type PartSet } from '../core/model';
import { MAX_DEPTH, MAX_FILE, depthOf } from '../formats';
import { InvalidDocument, type Problem } from '../words';

/** A kept part that can be used. @throws when it is damaged, or lacks what its kind needs */
export function usablePart(document: string): Part {
  const part = keptPart(JSON.parse(document));
  const [problem] = checkPart(part);
  if (problem) throw new InvalidDocument([problem], server.what.partOf(part.id));
  return part;
}

/** Characters of a build as it is kept; what is larger could not be written into a file and read again. */
const MAX_DOCUMENT = 2 * 1024 * 1024;
const sizes = new WeakMap<Part, number>();

function sizeOf(part: Part): number {
  let size = sizes.get(part);
  if (size === undefined) sizes.set(part, (size = JSON.stringify(part).length));
  return size;
}

/** What is accepted can be written as a file and read back. */
export function sizeProblems(build: Build, parts: PartSet): Problem[] {
  const own = JSON.stringify(build).length;
  const whole = own + usedParts(build, parts).reduce((n, part) => n + sizeOf(part), 1000);
  const mib = (n: number) => `${Math.round((n / 1024 / 1024) * 10) / 10} MiB`;
  return [
    ...(own > MAX_DOCUMENT ? [{ path: '', message: server.tooLarge(mib(own), mib(MAX_DOCUMENT)) }] : []),
    ...(whole > MAX_FILE ? [{ path: '', message: server.tooLargeWithParts(mib(whole)) }] : []),
    ...(depthOf(build) > MAX_DEPTH ? [{ path: '', message: server.nested(MAX_DEPTH) }] : [])
  ];
}
