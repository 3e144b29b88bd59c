import { lastOf, there } from '../model';
import type { Build } from '../model';

/** The score before a machine is switched on for the first time: what its age, its store and its parts make likely. */

/** Questions, with what each answer adds. The last answer of a question is the worst. */
export const FIRST_POWER = {
  made: { 'from-1995': 0, '1990-94': 1, '1985-89': 2, '1981-84': 3 },
  idle: { 'under-1': 0, '1-5': 1, '6-15': 2, 'over-15': 3 },
  stored: { dry: 0, sealed: 1, loft: 2, damp: 4 },
  tantalum: { none: 0, 'on-5': 1, 'on-12-25v': 2, 'on-12-16v': 3 },
  cell: { none: 0, pack: 1, barrel: 2, leak: 4 },
  supply: { measured: 0, modern: 1, old: 2, 'old-filter': 3 },
  hands: { untouched: 0, rebuilt: 1, unknown: 2 }
} as const satisfies Record<string, Record<string, number>>;
export type PowerQuestion = keyof typeof FIRST_POWER;
export const POWER_QUESTIONS = Object.keys(FIRST_POWER) as PowerQuestion[];

/** What is at stake decides how careful to be. */
export type Stake = 'usual' | 'unique';
export type Level = 0 | 1 | 2 | 3;
export type PowerAnswers = Readonly<Partial<Record<PowerQuestion | 'stake', string>>>;

export interface PowerScore {
  score: number;
  level: Level;
  /** Questions without an answer: each counts as its second-worst. */
  open: PowerQuestion[];
  /** What the score could fall to, or rise to, once they are answered. */
  least: number;
  most: number;
  /** Levels that are possible then. */
  levels: [Level, Level];
  /** Of each open question the levels that its answers would give. */
  couldChange: { question: PowerQuestion; levels: [Level, Level] }[];
}

/** Checks of a level, each added to those of the level below; stops hold whatever the score. */
export const POWER_CHECKS: Readonly<
  Record<Level, { checks: readonly string[]; minutes: readonly [number, number] }>
> = {
  0: { checks: ['look', 'cpu'], minutes: [2, 2] },
  1: { checks: ['ohms'], minutes: [5, 5] },
  2: {
    checks: ['cell-off', 'unplug', 'supply-alone', 'bare-board', 'one-by-one', 'disks-last'],
    minutes: [25, 25]
  },
  3: { checks: ['clean', 'tantalums', 'glasses', 'limit', 'qualified', 'data-disk'], minutes: [60, 180] }
};
export const POWER_STOPS = [
  'selector',
  'voltage',
  'plugs',
  'short',
  'leak',
  'minus5',
  'look-alike',
  'mains'
] as const;

const tableOf = (q: PowerQuestion): Readonly<Record<string, number>> => FIRST_POWER[q];
const pointsOf = (q: PowerQuestion): number[] => Object.values(tableOf(q)).sort((a, b) => a - b);
const secondWorst = (q: PowerQuestion): number => pointsOf(q).at(-2) ?? 0;

function levelOf(score: number, stake: Stake): Level {
  const level = score <= 4 ? 0 : score <= 9 ? 1 : score <= 14 ? 2 : 3;
  return stake === 'unique' && score >= 5 ? (Math.min(3, level + 1) as Level) : level;
}

/** The answer of a question; anything that is none of its answers counts as none. */
const answerOf = (answers: PowerAnswers, q: PowerQuestion): number | undefined => {
  const given = answers[q];
  return given !== undefined && Object.hasOwn(tableOf(q), given) ? tableOf(q)[given] : undefined;
};

/** @param answers ids of answers by question; what is left out is not known */
export function firstPower(answers: PowerAnswers): PowerScore {
  const stake: Stake = answers.stake === 'unique' ? 'unique' : 'usual';
  const open = POWER_QUESTIONS.filter((q) => answerOf(answers, q) === undefined);
  const sum = (open_: (q: PowerQuestion) => number) =>
    POWER_QUESTIONS.reduce((s, q) => s + (answerOf(answers, q) ?? open_(q)), 0);
  const score = sum(secondWorst);
  const least = sum((q) => there(pointsOf(q)[0]));
  const most = sum((q) => lastOf(pointsOf(q)));
  return {
    score,
    level: levelOf(score, stake),
    open,
    least,
    most,
    levels: [levelOf(least, stake), levelOf(most, stake)],
    couldChange: open.map((question) => {
      const rest = score - secondWorst(question);
      const points = pointsOf(question);
      return {
        question,
        levels: [levelOf(rest + there(points[0]), stake), levelOf(rest + lastOf(points), stake)]
      };
    })
  };
}

/** The level of a machine: what the answers give, and the highest after its plugs were exchanged. */
export const levelNow = (build: Pick<Build, 'firstPower' | 'mishap'>): Level =>
  build.mishap ? 3 : firstPower(build.firstPower ?? {}).level;

/** Checks in their order up to a level. */
export const checksUpTo = (level: Level): string[] =>
  ([0, 1, 2, 3] as const).filter((l) => l <= level).flatMap((l) => [...POWER_CHECKS[l].checks]);

/** A check or a stop before the first power, and what became of it. */
export interface PowerStep {
  /** `check ohms`, `stop selector`. */
  key: string;
  id: string;
  kind: 'check' | 'stop';
  state: 'open' | 'done' | 'skipped' | 'ran-since';
  at?: string;
  by?: string;
}

/** A machine that ran to its prompt has answered these; paper capacitors, cells and tantalums it has not. */
const PROVED_BY_RUNNING: ReadonlySet<string> = new Set([
  'stop selector',
  'stop plugs',
  'stop short',
  'stop look-alike',
  'stop minus5',
  'check ohms'
]);

/**
 * Stops first, then the checks of the level in their order. A skipped one stays open in what it was for, under the name
 * of whoever skipped it.
 */
export function powerSteps(build: Pick<Build, 'firstPower' | 'powerChecks' | 'starts'>): PowerStep[] {
  const level = levelNow(build);
  const ran = Object.values(build.starts ?? {}).some((s) => s.reached === 'prompt' && !s.stays);
  const step = (kind: PowerStep['kind'], id: string): PowerStep => {
    const key = `${kind} ${id}`;
    const noted = build.powerChecks?.[key];
    const state = noted
      ? noted.done
        ? 'done'
        : 'skipped'
      : ran && PROVED_BY_RUNNING.has(key)
        ? 'ran-since'
        : 'open';
    return {
      key,
      id,
      kind,
      state,
      ...(noted ? { at: noted.at } : {}),
      ...(noted?.by ? { by: noted.by } : {})
    };
  };
  return [...POWER_STOPS.map((s) => step('stop', s)), ...checksUpTo(level).map((c) => step('check', c))];
}

/** Stops that nobody looked at, or went past: with one of these nobody is told to switch on. */
export const openStops = (steps: readonly PowerStep[]): PowerStep[] =>
  steps.filter((s) => s.kind === 'stop' && (s.state === 'open' || s.state === 'skipped'));

/** Notes what became of a step; null takes the note away. */
export function notePower(
  build: Build,
  key: string,
  told: { at: string; done: boolean; by?: string } | null
): Build {
  const { [key]: _, ...rest } = build.powerChecks ?? {};
  const next = told ? { ...rest, [key]: told } : rest;
  const { powerChecks: __, ...plain } = build;
  return Object.keys(next).length ? { ...plain, powerChecks: next } : plain;
}
