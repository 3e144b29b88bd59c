import type { Start } from '../model';
import { testById } from './bench-tests';
import { observed, type Observed } from './likelihood';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';

/** What happened to one machine in order: it was switched on, or something was measured or looked at. */
export type Step =
  { kind: 'start'; seen: Observed; after: string | null } | { kind: 'read'; test: string; found: boolean };

/**
 * The starts and readings that still tell of the machine as it is: back to the last start before which something was
 * changed that no test here knows. What was seen before that is of another machine.
 * @param starts of one machine, the oldest first
 */
export function episodeOf(starts: readonly Start[]): Start[] {
  const from = starts.findLastIndex((s) => !s.read && s.after === undefined);
  return starts.slice(Math.max(0, from));
}

export const stepsOf = (starts: readonly Start[]): Step[] =>
  starts.map((start): Step =>
    start.read
      ? { kind: 'read', ...start.read }
      : { kind: 'start', seen: observed(start), after: start.after ?? null }
  );

/** One way in which the tests between starts can have gone: its chance, and what was still wrong at each start. */
export interface Path {
  p: number;
  left: FaultSet[];
}

interface Going extends Path {
  now: FaultSet;
  /** Taken out with a part by the last exchange. */
  out: FaultSet;
}

/** Chance of a reading, if these are wrong. */
function readingOf(modes: readonly FaultMode[], now: FaultSet, test: string, found: boolean): number {
  const reads = testById.get(test)?.reads;
  if (!reads) return 1;
  const hit = now.some((i) => reads.finds(modes[i])) ? reads.sure : 1 - reads.sure;
  return found ? hit : 1 - hit;
}

function afterTest(modes: readonly FaultMode[], going: Going, id: string): Going[] {
  const test = testById.get(id);
  if (test?.restores) return [{ ...going, now: merged(going.now, going.out), out: [] }];
  if (!test?.removes) return [going];
  const { cures, sure } = test.removes;
  const gone = going.now.filter((i) => cures(modes[i]));
  if (!gone.length) return [{ ...going, out: [] }];
  const out = gone.filter((i) => modes[i].cure === 'exchange');
  return [
    { ...going, p: going.p * sure, now: going.now.filter((i) => !gone.includes(i)), out },
    { ...going, p: going.p * (1 - sure), out: [] }
  ];
}

const merged = (a: FaultSet, b: FaultSet): FaultSet =>
  b.length ? [...new Set([...a, ...b])].sort((x, y) => x - y) : a;

/** The ways in which what was done between the starts can have gone, if these were wrong at first. */
export function pathsOf(modes: readonly FaultMode[], faults: FaultSet, steps: readonly Step[]): Path[] {
  let all: Going[] = [{ p: 1, left: [], now: faults, out: [] }];
  for (const step of steps)
    all =
      step.kind === 'read'
        ? all.map((g) => ({ ...g, p: g.p * readingOf(modes, g.now, step.test, step.found) }))
        : (step.after === null ? all : all.flatMap((g) => afterTest(modes, g, step.after!))).map((g) => ({
            ...g,
            left: [...g.left, g.now]
          }));
  return all;
}
