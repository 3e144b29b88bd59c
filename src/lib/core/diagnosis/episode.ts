import { there } from '../model';
import type { Start } from '../model';
import { isCard, outWithCards, testOf, type BenchTest } from './bench-tests';
import { observed, type Observed } from './likelihood';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';

/** What happened to one machine in order: it was switched on, or something was measured or looked at. */
export type Step =
  | { kind: 'start'; seen: Observed; after: string | null }
  | { kind: 'read'; test: string; found: boolean };

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
  /** What is wrong at the end, cards counted that lie outside. */
  wrong: FaultSet;
}

/** What is wrong at a moment, with the chance that it came to that. */
export interface Standing {
  p: number;
  now: FaultSet;
  /** Out with parts that were taken out. */
  out: FaultSet;
}
type Going = Omit<Path, 'wrong'> & Standing;

/** Chance of a reading, if these are wrong. */
function readingOf(modes: readonly FaultMode[], now: FaultSet, test: string, found: boolean): number {
  const reads = testOf(test)?.reads;
  if (!reads) return 1;
  const hit = now.some((i) => reads.finds(there(modes[i]))) ? reads.sure : 1 - reads.sure;
  return found ? hit : 1 - hit;
}

/** How a test can go: it takes away what it cures, or fails to. What went out with a part stays out, unless put back. */
export function afterTest<T extends Standing>(
  modes: readonly FaultMode[],
  going: T,
  { restores, removes }: Pick<BenchTest, 'restores' | 'removes'>
): T[] {
  if (!restores && !removes) return [going];
  const back = restores ? going.out.filter((i) => restores(there(modes[i]))) : [];
  // Cards lie outside until they are put back; another part is exchanged for good with the next test.
  const still = going.out.filter((i) => !back.includes(i) && isCard(there(modes[i])));
  const then = { ...going, now: merged(going.now, back), out: still };
  if (!removes) return [then];
  const gone = then.now.filter((i) => removes.cures(there(modes[i])));
  if (!gone.length) return [then];
  const out = [...still, ...gone.filter((i) => there(modes[i]).cure === 'exchange')];
  return [
    { ...then, p: then.p * removes.sure, now: then.now.filter((i) => !gone.includes(i)), out },
    { ...then, p: then.p * (1 - removes.sure) }
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
        : (step.after === null
            ? all
            : all.flatMap((g) => afterTest(modes, g, testOf(step.after!) ?? {}))
          ).map((g) => ({
            ...g,
            left: [...g.left, g.now]
          }));
  const isOut = outWithCards(doneIn(steps));
  return all.map(({ p, left, now, out }) => ({
    p,
    left,
    wrong: merged(
      now,
      out.filter((i) => isOut(there(modes[i])))
    )
  }));
}

/** Tests after which the machine was switched on, the oldest first. */
export const doneIn = (steps: readonly Step[]): string[] =>
  steps.flatMap((s) => (s.kind === 'start' && s.after !== null ? [s.after] : []));
