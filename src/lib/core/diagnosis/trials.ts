import { entropy } from './information';

/** Starts of one arrangement of parts that went alike, and whether they worked. */
export interface Trial {
  parts: readonly string[];
  worked: boolean;
  /** How many; left out: one. */
  times?: number;
}

/** Two parts that do not get along, though each works elsewhere. */
export type Pair = readonly [string, string];

export interface Reading {
  /** Parts that were in an arrangement that worked: without fault, if faults are constant and lie in one part. */
  exonerated: string[];
  /** What is left of each arrangement that failed. */
  left: { trial: number; parts: string[] }[];
  /** Whether parts alone can explain every failure. */
  explained: boolean;
  /** Pairs of different sorts that never worked together. */
  neverTogether: Pair[];
  /** Of them, those in every arrangement that failed. */
  inEveryFailure: Pair[];
  /** The same arrangement worked and failed: intermittent, or something changed that was not written down. */
  contradictions: { works: number; fails: number }[];
}

const pairsOf = (parts: readonly string[], sortOf: (part: string) => string): Pair[] =>
  parts.flatMap((a, i) =>
    parts.slice(i + 1).flatMap((b): Pair[] => (sortOf(a) === sortOf(b) ? [] : [[a, b]]))
  );
const holds = (parts: readonly string[], pair: Pair): boolean =>
  parts.includes(pair[0]) && parts.includes(pair[1]);

/**
 * What follows from swap trials if every fault is constant.
 * @param sortOf parts of one sort never sit together: two cables, two adapters
 */
export function readTrials(trials: readonly Trial[], sortOf: (part: string) => string): Reading {
  const parts = [...new Set(trials.flatMap((t) => t.parts))].sort();
  const good = new Set(trials.flatMap((t) => (t.worked ? t.parts : [])));
  const left = trials.flatMap((t, trial) =>
    t.worked ? [] : [{ trial, parts: t.parts.filter((p) => !good.has(p)) }]
  );
  const neverTogether = pairsOf(parts, sortOf).filter(
    (pair) => !trials.some((t) => t.worked && holds(t.parts, pair))
  );
  const failed = trials.filter((t) => !t.worked);
  const key = (t: Trial) => [...t.parts].sort().join('|');
  return {
    exonerated: [...good].sort(),
    left,
    explained: left.every((l) => l.parts.length > 0),
    neverTogether,
    inEveryFailure: failed.length ? neverTogether.filter((p) => failed.every((t) => holds(t.parts, p))) : [],
    contradictions: trials.flatMap((t, works) =>
      t.worked ? trials.flatMap((u, fails) => (!u.worked && key(u) === key(t) ? [{ works, fails }] : [])) : []
    )
  };
}

/** What can be wrong: a part always, a part sometimes, or two parts together. */
export type Element =
  | { kind: 'hard' | 'intermittent'; part: string; prior: number }
  | { kind: 'pair'; pair: Pair; prior: number };

export interface Explanation {
  elements: Element[];
  p: number;
}

/** Chances with which trials are weighed: estimates, moved by the user's own. */
export const TRIAL_ESTIMATES = {
  hard: 0.05,
  intermittent: 0.04,
  pair: 0.01,
  noise: 0.01,
  failsOften: 0.6
} as const;

/** Chance that an arrangement fails under an explanation. */
export function failsUnder(elements: readonly Element[], parts: readonly string[]): number {
  let works = 1 - TRIAL_ESTIMATES.noise;
  for (const e of elements) {
    if (e.kind === 'pair') {
      if (holds(parts, e.pair)) return 1;
    } else if (parts.includes(e.part)) {
      if (e.kind === 'hard') return 1;
      works *= 1 - TRIAL_ESTIMATES.failsOften;
    }
  }
  return 1 - works;
}

/** Explanations of none, one or two elements, weighed by all trials; the likeliest first. */
export function explainTrials(trials: readonly Trial[], sortOf: (part: string) => string): Explanation[] {
  const parts = [...new Set(trials.flatMap((t) => t.parts))].sort();
  const { hard, intermittent, pair } = TRIAL_ESTIMATES;
  const elements = [
    ...parts.map((part): Element => ({ kind: 'hard', part, prior: hard })),
    ...parts.map((part): Element => ({ kind: 'intermittent', part, prior: intermittent })),
    ...pairsOf(parts, sortOf).map((p): Element => ({ kind: 'pair', pair: p, prior: pair }))
    // What would have failed and worked is out, alone and with anything else.
  ].filter((e) => !trials.some((t) => t.worked && failsUnder([e], t.parts) === 1));
  const sets: Element[][] = [
    [],
    ...elements.map((e) => [e]),
    ...elements.flatMap((a, i) => elements.slice(i + 1).map((b) => [a, b]))
  ];
  const weighed = sets.flatMap((own): Explanation[] => {
    let p = own.reduce((w, e) => (w * e.prior) / (1 - e.prior), 1);
    for (const t of trials) {
      const fails = failsUnder(own, t.parts);
      p *= (t.worked ? 1 - fails : fails) ** (t.times ?? 1);
      if (p === 0) return [];
    }
    return [{ elements: own, p }];
  });
  const total = weighed.reduce((sum, e) => sum + e.p, 0);
  return weighed.map((e) => ({ ...e, p: e.p / total })).sort((a, b) => b.p - a.p);
}

const choose = (n: number, k: number): number => {
  let out = 1;
  for (let i = 0; i < k; i++) out = (out * (n - i)) / (i + 1);
  return out;
};

/** Bits that so many starts of one arrangement tell about the explanation. */
export function trialGain(explained: readonly Explanation[], parts: readonly string[], starts = 1): number {
  let left = 0;
  for (let failed = 0; failed <= starts; failed++) {
    const shares = explained.map(({ elements, p }) => {
      const fails = failsUnder(elements, parts);
      return p * choose(starts, failed) * fails ** failed * (1 - fails) ** (starts - failed);
    });
    const total = shares.reduce((a, b) => a + b, 0);
    if (total > 0) left += total * entropy(shares.map((s) => s / total));
  }
  return entropy(explained.map((e) => e.p)) - left;
}
