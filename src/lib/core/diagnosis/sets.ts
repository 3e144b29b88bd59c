import { there } from '../model';
/** One way in which one thing can be wrong, with the chance that it is so before anything was seen. */
export interface Mode {
  id: string;
  /** 0 < prior < 1; 1 for what is known to be so (a setting that was seen to be wrong). */
  prior: number;
}

/** Modes that are wrong together, as places in the list of modes, ascending. */
export type FaultSet = readonly number[];

/** An explanation with its share of all that is possible. */
export interface Weighed {
  faults: FaultSet;
  p: number;
}

export interface Posterior {
  /** Every explanation with a share above nothing, the likeliest first; ties in the order of the modes. */
  sets: Weighed[];
  /** Chance of what was seen, over all explanations that were looked at. */
  evidence: number;
  /** Share of the prior that the sets looked at hold; the rest was cut off. */
  covered: number;
}

/** Every set of at most so many of `n` modes, small ones first. `always` are in each of them and do not count. */
export function* faultSets(n: number, most: number, always: FaultSet = []): Generator<FaultSet> {
  const free = Array.from({ length: n }, (_, i) => i).filter((i) => !always.includes(i));
  const merged = (chosen: readonly number[]) =>
    always.length ? [...chosen, ...always].sort((a, b) => a - b) : chosen;
  function* pick(from: number, left: number, chosen: readonly number[]): Generator<FaultSet> {
    if (left === 0) {
      yield merged(chosen);
      return;
    }
    for (let i = from; i <= free.length - left; i++)
      yield* pick(i + 1, left - 1, [...chosen, there(free[i])]);
  }
  for (let size = 0; size <= Math.min(most, free.length); size++) yield* pick(0, size, []);
}

/** Chance of exactly these faults. Modes are independent. */
export function priorOf(faults: FaultSet, modes: readonly Mode[]): number {
  let p = 1;
  let at = 0;
  modes.forEach((mode, i) => {
    const isIn = faults[at] === i;
    if (isIn) at++;
    p *= isIn ? mode.prior : 1 - mode.prior;
  });
  return p;
}

/**
 * Weighs every set of faults by what was seen.
 * @param likelihood chance of what was seen if exactly these are wrong
 * @param most how many faults together at most
 */
export function posterior(
  modes: readonly Mode[],
  likelihood: (faults: FaultSet) => number,
  most = 3
): Posterior {
  const always = modes.flatMap((m, i) => (m.prior >= 1 ? [i] : []));
  const sets: Weighed[] = [];
  let evidence = 0;
  let covered = 0;
  for (const faults of faultSets(modes.length, most, always)) {
    const prior = priorOf(faults, modes);
    covered += prior;
    const p = prior * likelihood(faults);
    evidence += p;
    if (p > 0) sets.push({ faults, p });
  }
  for (const s of sets) s.p /= evidence;
  sets.sort((a, b) => b.p - a.p || order(a.faults, b.faults));
  return { sets, evidence, covered };
}

const order = (a: FaultSet, b: FaultSet): number => {
  for (let i = 0; i < Math.min(a.length, b.length); i++) if (a[i] !== b[i]) return there(a[i]) - there(b[i]);
  return a.length - b.length;
};

/** Chance that one mode is among what is wrong. */
export const marginal = (post: Posterior, mode: number): number =>
  post.sets.reduce((sum, s) => (s.faults.includes(mode) ? sum + s.p : sum), 0);

/** Chances that nothing, one thing, two, … are wrong. */
export function bySize(post: Posterior): number[] {
  const out: number[] = [];
  for (const { faults, p } of post.sets) {
    while (out.length <= faults.length) out.push(0);
    out[faults.length] = there(out[faults.length]) + p;
  }
  return out;
}
