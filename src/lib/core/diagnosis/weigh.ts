import { there } from '../model';
import { testOf } from './bench-tests';
import { pathsOf, type Path, type Step } from './episode';
import type { Era, Family } from './families';
import { STAGE_COUNT, frameOf, type Frame, type Grade } from './frame';
import { likelihoodOf, type Observed } from './likelihood';
import type { FaultMode } from './modes';
import { faultSets, type Weighed } from './sets';
import { traces } from './trace';

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
export interface Weighing {
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
export function weigh(
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
