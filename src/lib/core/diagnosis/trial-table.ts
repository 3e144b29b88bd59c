import type { Build, TrialRow } from '../model';
import { FEWEST_STARTS, failsAtMost, fisher, goodStarts, jeffreys, type Interval } from './rates';
import {
  explainTrials,
  failsUnder,
  readTrials,
  trialGain,
  type Explanation,
  type Reading,
  type Trial
} from './trials';

/** Starts of one row that are weighed: more say nothing new, and chances would fall below what can be counted with. */
const MOST_STARTS = 50;
const MOST_SET = 3;

export const trialsOf = (build: Build): readonly TrialRow[] => build.trials ?? [];

const namesOf = (row: TrialRow): string[] => row.things.map((t) => t.name);

/** Sort of every thing that took part; a thing is of the sort that it was noted with first. */
const sortsOf = (rows: readonly TrialRow[]): ReadonlyMap<string, string> => {
  const out = new Map<string, string>();
  for (const row of rows) for (const t of row.things) if (!out.has(t.name)) out.set(t.name, t.sort);
  return out;
};

/** The starts of a row: those that worked, and those that failed. */
const startsOfRow = (row: TrialRow): Trial[] => {
  const some = (n: number, isGood: boolean): Trial[] =>
    n ? [{ parts: namesOf(row), worked: isGood, times: Math.min(n, MOST_STARTS) }] : [];
  return [...some(row.good, true), ...some(row.bad, false)];
};

/**
 * The smallest sets of single parts of which every failure has one, if faults are constant: none of them was ever in
 * an arrangement that worked. Empty: single parts do not explain the failures.
 */
export function minimalSets(left: readonly (readonly string[])[]): string[][] {
  if (!left.length || left.some((l) => !l.length)) return [];
  const out: string[][] = [];
  const go = (set: readonly string[], from: readonly (readonly string[])[]): void => {
    const [open] = from.filter((l) => !l.some((p) => set.includes(p)));
    if (!open) {
      const isLeast = set.every((p) => left.some((l) => l.filter((x) => set.includes(x)).join() === p));
      const key = [...set].sort();
      if (isLeast && !out.some((o) => o.join('|') === key.join('|'))) out.push(key);
      return;
    }
    if (set.length === MOST_SET) return;
    for (const p of open) go([...set, p], from);
  };
  go([], left);
  return out.sort((a, b) => a.length - b.length || (a.join() < b.join() ? -1 : 1));
}

/** Good and bad starts under one value of a condition. */
export interface Cell {
  value: string;
  good: number;
  bad: number;
  /** Of the rate of good starts; below five starts a rate is no more than a count. */
  interval: Interval | null;
}

/** A condition of the trials: whether the result follows it. */
export interface FactorReading {
  factor: string;
  cells: Cell[];
  /**
   * `implicated`: two rows that differ in it alone differ in result by more than luck; `cleared`: such rows went alike;
   * `open`: such rows are there, with too few starts to tell; `confounded`: no two rows differ in it alone.
   */
  verdict: 'cleared' | 'implicated' | 'open' | 'confounded';
  /** What else differed wherever the result did. */
  with: string[];
  /** Chance that the difference of two values is no more than luck. */
  p: number | null;
}

const sum = (rows: readonly TrialRow[], of: 'good' | 'bad'): number => rows.reduce((n, r) => n + r[of], 0);
/** Arrangement and conditions of a row as one list of facts. */
const factsOf = (row: TrialRow): Map<string, string> =>
  new Map([...row.things.map((t) => [t.sort, t.name] as const), ...Object.entries(row.factors)]);
/** Below this chance two results are not alike by luck. */
const UNLIKELY = 0.05;
/** From this chance on, with starts enough, they are alike. */
const ALIKE = 0.3;

/** How the results of two rows compare. */
function compare(a: TrialRow, b: TrialRow): 'differ' | 'alike' | 'open' {
  const never = (r: TrialRow) => r.good === 0;
  const always = (r: TrialRow) => r.bad === 0;
  if ((always(a) && never(b)) || (never(a) && always(b))) return 'differ';
  if ((always(a) && always(b)) || (never(a) && never(b))) return 'alike';
  const p = fisher(a.good, a.bad, b.good, b.bad);
  if (p < UNLIKELY) return 'differ';
  const isEnough = [a, b].every((r) => r.good + r.bad >= FEWEST_STARTS);
  return isEnough && p >= ALIKE ? 'alike' : 'open';
}

/** In what two rows differ. */
function apart(a: TrialRow, b: TrialRow): string[] {
  const [x, y] = [factsOf(a), factsOf(b)];
  return [...new Set([...x.keys(), ...y.keys()])].filter((key) => x.get(key) !== y.get(key));
}

/** Conditions that were varied, each with its cells. */
export function factorGrid(rows: readonly TrialRow[]): FactorReading[] {
  const names = [...new Set(rows.flatMap((r) => Object.keys(r.factors)))].sort();
  return names.flatMap((factor): FactorReading[] => {
    const values = [...new Set(rows.flatMap((r) => r.factors[factor] ?? []))].sort();
    if (values.length < 2) return [];
    const cells = values.map((value): Cell => {
      const own = rows.filter((r) => r.factors[factor] === value);
      const [good, bad] = [sum(own, 'good'), sum(own, 'bad')];
      const n = good + bad;
      return { value, good, bad, interval: n >= FEWEST_STARTS ? jeffreys(good, n) : null };
    });
    const pairs = rows.flatMap((a, i) =>
      rows.slice(i + 1).flatMap((b) => {
        const d = a.factors[factor] && b.factors[factor] ? apart(a, b) : [];
        return d.includes(factor) ? [{ how: compare(a, b), d }] : [];
      })
    );
    const alone = pairs.filter((x) => x.d.length === 1);
    const verdict = alone.some((x) => x.how === 'differ')
      ? 'implicated'
      : alone.some((x) => x.how === 'open')
        ? 'open'
        : alone.length
          ? 'cleared'
          : 'confounded';
    const others = pairs.filter((x) => x.how === 'differ').map((x) => x.d.filter((f) => f !== factor));
    const [a, b] = cells;
    return [
      {
        factor,
        cells,
        verdict,
        with:
          verdict === 'confounded'
            ? (others[0] ?? []).filter((f) => others.every((o) => o.includes(f))).sort()
            : [],
        p: a && b && cells.length === 2 ? fisher(a.good, a.bad, b.good, b.bad) : null
      }
    ];
  });
}

/** What a clock is safe at, by its trials alone: every cell good and at least five starts; and where it fails. */
export interface Ceiling {
  safe: { mhz: number; starts: number; failsAtMost: number } | null;
  fails: { mhz: number; good: number; starts: number } | null;
}

/** @returns null where no clock was noted */
export function clockCeiling(rows: readonly TrialRow[]): Ceiling | null {
  const clocks = new Map<number, { good: number; bad: number }>();
  for (const row of rows) {
    const mhz = Number.parseFloat(row.factors.clock ?? '');
    if (!Number.isFinite(mhz)) continue;
    const known = clocks.get(mhz) ?? { good: 0, bad: 0 };
    clocks.set(mhz, { good: known.good + row.good, bad: known.bad + row.bad });
  }
  if (!clocks.size) return null;
  const rising = [...clocks].sort(([a], [b]) => a - b);
  const failing = rising.find(([, c]) => c.bad > 0);
  const safe = rising
    .filter(([mhz, c]) => c.bad === 0 && c.good >= FEWEST_STARTS && (!failing || mhz < failing[0]))
    .at(-1);
  return {
    safe: safe ? { mhz: safe[0], starts: safe[1].good, failsAtMost: failsAtMost(safe[1].good) } : null,
    fails: failing
      ? { mhz: failing[0], good: failing[1].good, starts: failing[1].good + failing[1].bad }
      : null
  };
}

/** An arrangement worth trying next. */
export interface NextTrial {
  things: string[];
  starts: number;
  bits: number;
  minutes: number;
}

const MINUTES = { change: 4, start: 2 } as const;
const MOST_ARRANGEMENTS = 400;
const LEAST_BITS = 0.05;

/**
 * Arrangements of the things that are there, by what they tell for their minutes. One on whose outcome all
 * explanations agree is left out.
 */
export function nextTrials(rows: readonly TrialRow[], explained: readonly Explanation[]): NextTrial[] {
  const sorts = sortsOf(rows);
  const bySort = new Map<string, string[]>();
  for (const [name, sort] of sorts) bySort.set(sort, [...(bySort.get(sort) ?? []), name]);
  const lists = [...bySort.values()];
  if (lists.reduce((n, l) => n * l.length, 1) > MOST_ARRANGEMENTS) return [];
  const all = lists.reduce<string[][]>((out, l) => out.flatMap((o) => l.map((x) => [...o, x])), [[]]);
  // The likeliest carry what is told; the rest are too rare to be worth the time.
  const top = explained.slice(0, 200);
  const share = top.reduce((n, e) => n + e.p, 0);
  const heavy = top.map((e) => ({ ...e, p: e.p / share }));
  return all
    .flatMap((things) =>
      [1, 3].map((n): NextTrial => ({
        things,
        starts: n,
        bits: trialGain(heavy, things, n),
        minutes: MINUTES.change + n * MINUTES.start
      }))
    )
    .filter((t) => t.bits >= LEAST_BITS)
    .sort((a, b) => b.bits / b.minutes - a.bits / a.minutes || (a.things.join() < b.things.join() ? -1 : 1));
}

/** A thing that works sometimes, with how many good starts would make it fixed. */
export interface Sometimes {
  things: string[];
  factors: Record<string, string>;
  good: number;
  starts: number;
  interval: Interval | null;
  /** Good starts in a row under this very condition, at the least failure rate that fits; null: too few starts. */
  untilFixed: number | null;
}

export interface TrialsRead {
  reading: Reading;
  minimal: string[][];
  explained: Explanation[];
  factors: FactorReading[];
  ceiling: Ceiling | null;
  sometimes: Sometimes[];
  next: NextTrial[];
}

/** Everything that follows from a table of trials. */
export function readTrialTable(rows: readonly TrialRow[]): TrialsRead {
  const sorts = sortsOf(rows);
  const sortOf = (name: string): string => sorts.get(name) ?? name;
  const starts = rows.flatMap(startsOfRow);
  const reading = readTrials(starts, sortOf);
  const explained = explainTrials(starts, sortOf);
  return {
    reading,
    minimal: minimalSets(reading.left.map((l) => l.parts)),
    explained,
    factors: factorGrid(rows),
    ceiling: clockCeiling(rows),
    sometimes: rows
      .filter((r) => r.good > 0 && r.bad > 0)
      .map((r): Sometimes => {
        const n = r.good + r.bad;
        const interval = n >= FEWEST_STARTS ? jeffreys(r.good, n) : null;
        return {
          things: namesOf(r),
          factors: r.factors,
          good: r.good,
          starts: n,
          interval,
          untilFixed: interval && interval.high < 1 ? goodStarts(1 - interval.high) : null
        };
      }),
    next: nextTrials(rows, explained).slice(0, 3)
  };
}

/** Chance that an arrangement fails, over all explanations. */
export const chanceOfFailure = (explained: readonly Explanation[], things: readonly string[]): number =>
  explained.reduce((n, e) => n + e.p * failsUnder(e.elements, things), 0);
