import { STAGES, type MessageId, type StageId, type Start, entryOf, there } from '../model';
import { FAMILIES, familyPriors, type Era, type Family } from './families';
import { testOf } from './bench-tests';
import { pathsOf, stepsOf, type Path, type Step } from './episode';
import { likelihoodOf, type Observed } from './likelihood';
import type { FaultMode } from './modes';
import { bySize, faultSets, type Posterior, type Weighed } from './sets';
import { orderOf, traces } from './trace';

/** Storage is a cause that all parts share: it moves the odds of everything but the cell, which is flat anyhow. */
const GRADES = [
  { p: 0.5, odds: 0.55 },
  { p: 0.35, odds: 1.1 },
  { p: 0.15, odds: 2.3 }
] as const;
const FREE_OF_GRADE = new Set(['cell']);

export type Verdict =
  /** What was seen speaks for it. */
  | 'implicated'
  /** What was seen speaks against it. */
  | 'cleared'
  /** The start did not come to where it would show. Nothing is known of it. */
  | 'untested'
  | 'open';

export interface ComponentVerdict {
  component: string;
  item?: string;
  /** One of its modes, for its words. */
  mode: FaultMode;
  prior: number;
  posterior: number;
  verdict: Verdict;
  modes: { id: string; prior: number; posterior: number }[];
}

export interface Diagnosis {
  modes: readonly FaultMode[];
  /** Which BIOS it may be, the likeliest first. */
  families: { family: Family; p: number }[];
  post: Posterior;
  /** What is still wrong, after what was done between the starts; without that the same as `post`. */
  now: Posterior;
  components: ComponentVerdict[];
  /** Chances that nothing, one, two, three things are wrong, of what the start came to. */
  sizes: number[];
  /** Share of what is possible that sets of three cover. */
  covered: number;
  /** Messages that were read at the last start. */
  said: readonly MessageId[];
  /** The screen stayed dark then. */
  isDark: boolean;
  /** Where the start stood, with chances; null: it came to the prompt. */
  stops: { stage: StageId | null; p: number }[];
}

/** Prior of a mode when everything was stored so. */
function gradedPrior({ id, prior }: FaultMode, factor: number): number {
  if (prior >= 1 || FREE_OF_GRADE.has(id)) return prior;
  const o = (prior / (1 - prior)) * factor;
  return o / (1 + o);
}

/** The first stage whose messages are on a screen. */
const FIRST_READ: StageId = 'count';

/**
 * The stage from which on a fault matters: one that pulls a rail down does from the first, one that only leaves a
 * message as soon as there is a screen to read it on.
 */
function firstStage({ effect }: FaultMode): StageId {
  if (effect.power) return 'rails';
  const isMessage = effect.stops === 0 && !effect.dark;
  return isMessage && STAGES.indexOf(effect.at) < STAGES.indexOf(FIRST_READ) ? FIRST_READ : effect.at;
}

interface Grade {
  p: number;
  priors: number[];
  odds: number[];
  /** Chance that no mode up to a stage of the order is there, by the place of the stage. */
  none: number[];
}

/** A family of BIOS with what its order of stages makes of the modes. */
interface Frame {
  family: Family;
  p: number;
  /** Place of a stop in the order; the prompt is behind the last stage. */
  place: (stop: StageId | null) => number;
  /** From which place on a mode matters. */
  places: number[];
  /** Place at which a mode surely stops the start. */
  ends: number[];
  grades: Grade[];
}

const STAGE_COUNT = STAGES.length;

function gradesOf(modes: readonly FaultMode[], places: readonly number[]): Grade[] {
  return GRADES.map(({ p, odds: factor }) => {
    const priors = modes.map((m) => gradedPrior(m, factor));
    const none = Array.from({ length: STAGE_COUNT + 1 }, (_, s) =>
      modes.reduce((q, m, i) => (m.prior < 1 && there(places[i]) <= s ? q * (1 - there(priors[i])) : q), 1)
    );
    return { p, priors, odds: priors.map((q) => (q < 1 ? q / (1 - q) : 1)), none };
  });
}

/** @param isRead modes that were looked for: these count however far the starts came */
function frameOf(
  modes: readonly FaultMode[],
  [family, p]: readonly [Family, number],
  era: Era,
  isRead: (m: FaultMode) => boolean
): Frame {
  const order = new Map(orderOf(family, era).map((stage, i) => [stage, i]));
  const places = modes.map((m) => (isRead(m) ? 0 : entryOf(order, firstStage(m))));
  return {
    family,
    p,
    place: (stop) => (stop === null ? STAGE_COUNT : entryOf(order, stop)),
    places,
    ends: modes.map((m) =>
      m.effect.stops >= 1 && m.effect.shows === undefined ? entryOf(order, m.effect.at) : Infinity
    ),
    grades: gradesOf(modes, places)
  };
}

/** The ways in which one start can go, with the chance of each and of what was seen in it, and where each stops. */
interface Going {
  place: number;
  p: number;
}

/**
 * What faults explain of all starts, by the furthest stage that these came to. A fault behind it changes nothing and
 * is in no explanation: it is as likely as it was.
 * @param starts for each start the ways in which it can have gone
 * @returns for each place of the order the chance of what was seen with exactly that as the furthest stop
 */
function explained(starts: readonly (readonly Going[])[]): number[] {
  const upTo = Array.from({ length: STAGE_COUNT + 1 }, () => 0);
  if (!starts.length) return [1, ...upTo.slice(1)];
  const places = new Set(starts.flatMap((ways) => ways.map((w) => w.place)));
  let before = 0;
  for (let s = 0; s <= STAGE_COUNT; s++) {
    if (!places.has(s)) continue;
    const now = starts.reduce(
      (p, ways) => p * ways.reduce((sum, w) => (w.place <= s ? sum + w.p : sum), 0),
      1
    );
    upTo[s] = Math.max(0, now - before);
    before = now;
  }
  return upTo;
}

/** An explanation is a set of faults with how far the start came. */
interface Weighing {
  sets: Weighed[];
  /** What is still wrong, after what was done between the starts. */
  now: Map<string, Weighed>;
  families: Map<Family, number>;
  /** By the place of the stop, and by grade of storage. */
  stops: number[][];
  marginals: number[];
  /** Chance that something is wrong with a component. */
  any: Map<string, number>;
  covered: number;
}

/** Weight by family, place of the stop and grade of storage. */
type Weights = number[][][];
const emptyWeights = (frames: readonly Frame[]): Weights =>
  frames.map((f) => Array.from({ length: STAGE_COUNT + 1 }, () => f.grades.map(() => 0)));

/** Every cell of some weights that holds any: by family, place of the stop and grade of storage. */
function* cellsOf(weights: Weights): Generator<[frame: number, place: number, grade: number, w: number]> {
  for (const [n, byPlace] of weights.entries())
    for (const [s, byGrade] of byPlace.entries())
      for (const [k, w] of byGrade.entries()) if (w > 0) yield [n, s, k, w];
}

function addTo(weights: Weights, n: number, s: number, k: number, w: number): void {
  const cells = there(there(weights[n])[s]);
  cells[k] = there(cells[k]) + w;
}

/**
 * What a set of faults left by a path explains of the starts that were seen, in one family.
 * @param last the place of the last fault of the set: no start of it stops before
 * @param odds of the set, by grade of storage
 * @param add what is found, by place of the stop and grade
 * @returns all of it
 */
function explainedBy(
  modes: readonly FaultMode[],
  path: Path,
  seen: readonly Observed[],
  frame: Frame,
  era: Era,
  last: number,
  odds: readonly number[],
  add: (place: number, grade: number, w: number) => void
): number {
  // What lies behind a sure stop of every start is in no explanation.
  if (path.left.length && path.left.every((left) => left.some((i) => there(frame.ends[i]) < last))) return 0;
  const starts = path.left.map((left, k) =>
    traces(modes, left, frame.family, era).map((t) => ({
      place: frame.place(t.stop),
      p: t.p * likelihoodOf(there(seen[k]), t, frame.family)
    }))
  );
  let here = 0;
  explained(starts).forEach((q, s) => {
    if (q <= 0 || s < last) return;
    frame.grades.forEach((g, k) => {
      const w = g.p * there(g.none[s]) * there(odds[k]) * frame.p * path.p * q;
      here += w;
      add(s, k, w);
    });
  });
  return here;
}

/**
 * Chance that something is wrong with a component: with one of its modes, seen or behind the stop.
 * @param own weights of the sets that it is in
 * @param isOwn whether a mode is one of its
 */
function anyWrong(
  modes: readonly FaultMode[],
  frames: readonly Frame[],
  weights: Weights,
  own: Weights,
  isOwn: (mode: number) => boolean
): number {
  let p = 0;
  for (const [n, s, k, w] of cellsOf(weights)) {
    const { places, grades } = there(frames[n]);
    const { priors } = there(grades[k]);
    const has = there(there(there(own[n])[s])[k]);
    const none = modes.reduce(
      (q, m, i) => (isOwn(i) && m.prior < 1 && there(places[i]) > s ? q * (1 - there(priors[i])) : q),
      1
    );
    p += has + (w - has) * (1 - none);
  }
  return p;
}

/** Weighs all sets of at most three faults, over families, grades of storage and how far the start came. */
function weigh(
  modes: readonly FaultMode[],
  steps: readonly Step[],
  families: readonly [Family, number][],
  era: Era,
  most: number
): Weighing {
  const frames = families.map((f) =>
    frameOf(modes, f, era, (m) => steps.some((x) => x.kind === 'read' && testOf(x.test)?.reads?.finds(m)))
  );
  const seen = steps.flatMap((x): Observed[] => (x.kind === 'start' ? [x.seen] : []));
  const always = modes.flatMap((m, i) => (m.prior >= 1 ? [i] : []));
  const now = new Map<string, Weighed>();
  const sets: Weighed[] = [];
  const weights = emptyWeights(frames);
  const components = [...new Set(modes.map((m) => m.component))];
  const componentOf = modes.map((m) => components.indexOf(m.component));
  /** The same, of the sets that a component is in. */
  const own = components.map(() => emptyWeights(frames));
  const marginals = modes.map(() => 0);
  let covered = 0;
  for (const faults of faultSets(modes.length, most, always)) {
    const free = faults.filter((i) => there(modes[i]).prior < 1);
    const inSet = [...new Set(free.map((i) => there(own[there(componentOf[i])])))];
    const paths = pathsOf(modes, faults, steps);
    const oddsIn = (g: Grade) => free.reduce((q, i) => q * there(g.odds[i]), 1);
    covered += there(frames[0]).grades.reduce(
      (sum, g) => sum + g.p * there(g.none[STAGE_COUNT]) * oddsIn(g),
      0
    );
    let all = 0;
    frames.forEach((frame, n) => {
      const last = Math.max(-1, ...free.map((i) => there(frame.places[i])));
      const odds = frame.grades.map(oddsIn);
      for (const path of paths) {
        const here = explainedBy(modes, path, seen, frame, era, last, odds, (s, k, w) => {
          addTo(weights, n, s, k, w);
          for (const cells of inSet) addTo(cells, n, s, k, w);
        });
        if (here <= 0) continue;
        all += here;
        const { wrong } = path;
        const key = wrong.join();
        now.set(key, { faults: wrong, p: (now.get(key)?.p ?? 0) + here });
      }
    });
    if (all <= 0) continue;
    for (const i of faults) marginals[i] = there(marginals[i]) + all;
    sets.push({ faults, p: all });
  }
  const total = sets.reduce((sum, s) => sum + s.p, 0);
  for (const s of [...sets, ...now.values()]) s.p /= total;
  // A fault behind the stop is as likely as it was.
  for (const [n, s, k, w] of cellsOf(weights)) {
    const { places, grades } = there(frames[n]);
    const { priors } = there(grades[k]);
    modes.forEach((m, i) => {
      if (m.prior < 1 && there(places[i]) > s) marginals[i] = there(marginals[i]) + w * there(priors[i]);
    });
  }
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
  return {
    sets: sets.sort((a, b) => b.p - a.p),
    now,
    families: new Map(frames.map((f, n) => [f.family, sum(there(weights[n]).map(sum)) / total])),
    stops: there(weights[0]).map((byGrade, s) =>
      byGrade.map((_, k) => sum(weights.map((w) => there(there(w[s])[k]))) / total)
    ),
    marginals: marginals.map((w) => w / total),
    any: new Map(
      components.map((component, c) => [
        component,
        anyWrong(modes, frames, weights, there(own[c]), (i) => componentOf[i] === c) / total
      ])
    ),
    covered
  };
}

/** Sets of more faults than this are not looked at. */
const MOST_FAULTS = 3;

/**
 * What is wrong with a machine, from what was seen and heard of its starts.
 * @param starts starts and readings of one episode: nothing was changed between them but by the tests they name
 * @param family the BIOS family; null: nobody knows
 * @param most faults together at most, beside what is known to be wrong
 */
export function diagnose(
  modes: readonly FaultMode[],
  starts: readonly Start[],
  era: Era,
  family: Family | null,
  most = MOST_FAULTS
): Diagnosis {
  const families = FAMILIES.flatMap((f): [Family, number][] =>
    family === null ? [[f, familyPriors[era][f]]] : f === family ? [[f, 1]] : []
  );
  const w = weigh(modes, stepsOf(starts), families, era, most);
  const post: Posterior = { sets: w.sets, evidence: 1, covered: w.covered };
  const last = starts.findLast((s) => !s.read);
  const now = [...w.now.values()].sort((a, b) => b.p - a.p);
  const order = orderOf(there([...w.families].sort((a, b) => b[1] - a[1])[0])[0], era);
  const stops = w.stops.map((own, s) => ({
    stage: order[s] ?? null,
    p: own.reduce((a, b) => a + b, 0)
  }));
  return {
    modes,
    families: [...w.families].map(([f, p]) => ({ family: f, p })).sort((a, b) => b.p - a.p),
    post,
    now: { ...post, sets: now },
    components: verdicts(modes, w, stops, order),
    sizes: bySize(post),
    covered: w.covered,
    said: last?.messages ?? [],
    isDark: last?.screen === 'dark',
    stops: stops.filter((x) => x.p > 1e-6).sort((a, b) => b.p - a.p)
  };
}

const odds = (p: number): number => p / (1 - Math.min(p, 1 - 1e-9));

function verdicts(
  modes: readonly FaultMode[],
  w: Weighing,
  stops: readonly { stage: StageId | null; p: number }[],
  order: readonly StageId[]
): ComponentVerdict[] {
  const prior = (i: number) => GRADES.reduce((sum, g) => sum + g.p * gradedPrior(there(modes[i]), g.odds), 0);
  const oneOf = (list: readonly number[]) => 1 - list.reduce((p, q) => p * (1 - q), 1);
  /** Chance that the start stood before a stage. */
  const before = (stage: StageId) =>
    stops.reduce(
      (sum, x) => (x.stage !== null && order.indexOf(x.stage) < order.indexOf(stage) ? sum + x.p : sum),
      0
    );
  return [...new Set(modes.map((m) => m.component))].map((component): ComponentVerdict => {
    const own = modes.flatMap((m, i) => (m.component === component ? [i] : []));
    const each = own.map((i) => ({
      id: there(modes[i]).id,
      prior: prior(i),
      posterior: there(w.marginals[i])
    }));
    const isCertain = own.some((i) => there(modes[i]).prior >= 1);
    const [was, is] = [oneOf(each.map((m) => m.prior)), isCertain ? 1 : entryOf(w.any, component)];
    const mode = there(modes[there(own[0])]);
    const { item } = mode;
    const verdict: Verdict =
      was < 1 && own.every((i) => before(firstStage(there(modes[i]))) >= 0.9)
        ? 'untested'
        : (odds(is) > 3 * odds(was) || was >= 1) && is > 0.3
          ? 'implicated'
          : odds(is) < odds(was) / 3 && is < 0.05
            ? 'cleared'
            : 'open';
    return { component, ...(item ? { item } : {}), mode, prior: was, posterior: is, verdict, modes: each };
  });
}
