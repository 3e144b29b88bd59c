import { STAGES, type StageId, type Start } from '../model';
import { FAMILIES, familyPriors, type Era, type Family } from './families';
import { likelihoodOf, observed, type Observed } from './likelihood';
import type { FaultMode } from './modes';
import { bySize, faultSets, type Posterior, type Weighed } from './sets';
import { orderOf, traces, type Trace } from './trace';

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
  components: ComponentVerdict[];
  /** Chances that nothing, one, two, three things are wrong, of what the start came to. */
  sizes: number[];
  /** No single fault explains what was seen. */
  isTwo: boolean;
  /** Share of what is possible that sets of three cover. */
  covered: number;
  /** Where the start stood, with chances; null: it came to the prompt. */
  stops: { stage: StageId | null; p: number }[];
}

/** Prior of a mode when everything was stored so. */
function gradedPrior({ id, prior }: FaultMode, factor: number): number {
  if (prior >= 1 || FREE_OF_GRADE.has(id)) return prior;
  const o = (prior / (1 - prior)) * factor;
  return o / (1 + o);
}

/** The stage from which on a fault matters: one that pulls a rail down does from the first. */
const firstStage = ({ effect }: FaultMode): StageId => (effect.power ? 'rails' : effect.at);

interface Grade {
  p: number;
  priors: number[];
  /** Chance that no mode up to a stage of the order is there, by the place of the stage. */
  none: number[];
}

function gradesOf(modes: readonly FaultMode[], places: readonly number[], stages: number): Grade[] {
  return GRADES.map(({ p, odds: factor }) => {
    const priors = modes.map((m) => gradedPrior(m, factor));
    const none = Array.from({ length: stages + 1 }, (_, s) =>
      modes.reduce((q, m, i) => (m.prior < 1 && places[i]! <= s ? q * (1 - priors[i]!) : q), 1)
    );
    return { p, priors, none };
  });
}

/**
 * What faults of one start and its ways explain, by the furthest stage that all starts came to. A fault behind it
 * changes nothing and is in no explanation: it is as likely as it was.
 * @returns for each place of the order the chance of what was seen with exactly that as the furthest stop
 */
function explained(
  ways: readonly Trace[],
  seen: readonly Observed[],
  family: Family,
  placeOf: (stop: StageId | null) => number,
  stages: number
): number[] {
  const places = ways.map((t) => placeOf(t.stop));
  const each = seen.map((o) => ways.map((t) => t.p * likelihoodOf(o, t, family)));
  const upTo = Array.from({ length: stages + 1 }, () => 0);
  let before = 0;
  for (let s = 0; s <= stages; s++) {
    if (!places.includes(s)) continue;
    const now = each.reduce(
      (p, own) => p * own.reduce((sum, w, i) => (places[i]! <= s ? sum + w : sum), 0),
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
  families: Map<Family, number>;
  /** By the place of the stop, and by grade of storage. */
  stops: number[][];
  marginals: number[];
  covered: number;
}

/** Weighs all sets of at most three faults, over families, grades of storage and how far the start came. */
function weigh(
  modes: readonly FaultMode[],
  seen: readonly Observed[],
  families: readonly [Family, number][],
  era: Era,
  most: number
): Weighing {
  const stages = STAGES.length;
  const orders = new Map(families.map(([f]) => [f, orderOf(f, era)] as const));
  const placesIn = new Map(
    [...orders].map(([f, order]) => [f, modes.map((m) => order.indexOf(firstStage(m)))] as const)
  );
  const grades = new Map([...placesIn].map(([f, places]) => [f, gradesOf(modes, places, stages)] as const));
  const always = modes.flatMap((m, i) => (m.prior >= 1 ? [i] : []));
  const out: Weighing = {
    sets: [],
    families: new Map(),
    stops: Array.from({ length: stages + 1 }, () => GRADES.map(() => 0)),
    marginals: modes.map(() => 0),
    covered: 0
  };
  let total = 0;
  for (const faults of faultSets(modes.length, most, always)) {
    const free = faults.filter((i) => modes[i]!.prior < 1);
    let own = 0;
    for (const [family, pf] of families) {
      const order = orders.get(family)!;
      const places = placesIn.get(family)!;
      const last = Math.max(-1, ...free.map((i) => places[i]!));
      const ways = traces(modes, faults, family, era);
      const parts = explained(
        ways,
        seen,
        family,
        (stop) => (stop === null ? stages : order.indexOf(stop)),
        stages
      );
      parts.forEach((chance, s) => {
        if (chance <= 0 || s < last) return;
        grades.get(family)!.forEach((g, k) => {
          const prior = g.p * g.none[s]! * free.reduce((q, i) => (q * g.priors[i]!) / (1 - g.priors[i]!), 1);
          const w = prior * pf * chance;
          own += w;
          out.stops[s]![k]! += w;
          out.families.set(family, (out.families.get(family) ?? 0) + w);
          modes.forEach((m, i) => {
            if (m.prior < 1 && places[i]! > s) out.marginals[i]! += w * g.priors[i]!;
          });
        });
      });
    }
    out.covered += grades
      .get(families[0]![0])!
      .reduce(
        (sum, g) =>
          sum + g.p * g.none[stages]! * free.reduce((q, i) => (q * g.priors[i]!) / (1 - g.priors[i]!), 1),
        0
      );
    if (own <= 0) continue;
    faults.forEach((i) => (out.marginals[i]! += own));
    out.sets.push({ faults, p: own });
    total += own;
  }
  for (const s of out.sets) s.p /= total;
  for (const [f, w] of out.families) out.families.set(f, w / total);
  out.stops = out.stops.map((own) => own.map((w) => w / total));
  out.marginals = out.marginals.map((w) => w / total);
  out.sets.sort((a, b) => b.p - a.p);
  return out;
}

/** Sets of more faults than this are not looked at. */
const MOST_FAULTS = 3;

/**
 * What is wrong with a machine, from what was seen and heard of its starts.
 * @param starts the starts of one state of the machine: nothing was changed between them
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
  const seen = starts.map(observed);
  const families = FAMILIES.flatMap((f): [Family, number][] =>
    family === null ? [[f, familyPriors[era][f]]] : f === family ? [[f, 1]] : []
  );
  const w = weigh(modes, seen, families, era, most);
  const post: Posterior = { sets: w.sets, evidence: 1, covered: w.covered };
  const sizes = bySize(post);
  const certain = modes.filter((m) => m.prior >= 1).length;
  const order = orderOf([...w.families].sort((a, b) => b[1] - a[1])[0]![0], era);
  const stops = w.stops.map((own, s) => ({
    stage: order[s] ?? null,
    p: own.reduce((a, b) => a + b, 0)
  }));
  return {
    modes,
    families: [...w.families].map(([f, p]) => ({ family: f, p })).sort((a, b) => b.p - a.p),
    post,
    components: verdicts(modes, w, stops, order),
    sizes,
    isTwo: sizes.slice(certain + 2).reduce((a, b) => a + b, 0) > 0.5,
    covered: w.covered,
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
  const prior = (i: number) => GRADES.reduce((sum, g) => sum + g.p * gradedPrior(modes[i]!, g.odds), 0);
  const oneOf = (list: readonly number[]) => 1 - list.reduce((p, q) => p * (1 - q), 1);
  /** Chance that the start stood before a stage. */
  const before = (stage: StageId) =>
    stops.reduce(
      (sum, x) => (x.stage !== null && order.indexOf(x.stage) < order.indexOf(stage) ? sum + x.p : sum),
      0
    );
  return [...new Set(modes.map((m) => m.component))].map((component): ComponentVerdict => {
    const own = modes.flatMap((m, i) => (m.component === component ? [i] : []));
    const each = own.map((i) => ({ id: modes[i]!.id, prior: prior(i), posterior: w.marginals[i]! }));
    const [was, is] = [oneOf(each.map((m) => m.prior)), oneOf(each.map((m) => m.posterior))];
    const item = modes[own[0]!]!.item;
    const verdict: Verdict =
      was < 1 && own.every((i) => before(firstStage(modes[i]!)) >= 0.9)
        ? 'untested'
        : (odds(is) > 3 * odds(was) || was >= 1) && is > 0.3
          ? 'implicated'
          : odds(is) < odds(was) / 3 && is < 0.05
            ? 'cleared'
            : 'open';
    return { component, ...(item ? { item } : {}), prior: was, posterior: is, verdict, modes: each };
  });
}
