import type { FaultSet, Posterior } from './sets';

/** Results of a test with their chances, if exactly these are wrong. They add up to 1. */
export type Outcomes = ReadonlyMap<string, number>;

/** Bits in a distribution; shares of 0 count nothing. */
export const entropy = (shares: Iterable<number>): number => {
  let bits = 0;
  for (const p of shares) if (p > 0) bits -= p * Math.log2(p);
  return bits;
};

const add = <K>(map: Map<K, number>, key: K, p: number): void => {
  map.set(key, (map.get(key) ?? 0) + p);
};

/**
 * Bits that a test is expected to tell about what the decision needs.
 * @param outcome results of the test for a set of faults
 * @param need sets with the same word need the same first repair and are one; left out: every set for itself
 */
export function gain(
  post: Posterior,
  outcome: (faults: FaultSet) => Outcomes,
  need: (faults: FaultSet) => string = (faults) => faults.join()
): number {
  const before = new Map<string, number>();
  const after = new Map<string, Map<string, number>>();
  for (const { faults, p } of post.sets) {
    const word = need(faults);
    add(before, word, p);
    for (const [result, q] of outcome(faults)) {
      if (q <= 0) continue;
      let own = after.get(result);
      if (!own) after.set(result, (own = new Map()));
      add(own, word, p * q);
    }
  }
  let left = 0;
  for (const own of after.values()) {
    let total = 0;
    for (const p of own.values()) total += p;
    left += total * entropy([...own.values()].map((p) => p / total));
  }
  return entropy(before.values()) - left;
}

/** One distribution with chance `a`, else the other. */
export function mixed(a: number, x: Outcomes, y: Outcomes): Outcomes {
  const out = new Map<string, number>();
  for (const [k, p] of x) add(out, k, a * p);
  for (const [k, p] of y) add(out, k, (1 - a) * p);
  return out;
}
