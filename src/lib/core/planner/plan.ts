import { partSet, type Brief, there } from '../model';
import { quickXplain } from '../kernel';
import type { Bench } from './leaf';
import { barred, fixedParts, scoreOf } from './pool';
import { benchFor, search } from './search';
import {
  middleWeights,
  sides,
  type Bar,
  type Reason,
  type Criteria,
  type Limits,
  type Plan,
  type PlanRequest,
  type Progress,
  type Search,
  type Weights
} from './types';

export interface Front {
  /** Plans that differ in kind, best by the wished weights first; none is worse than another in every side. */
  plans: Plan[];
  /** The first is proved the best by the wished weights, within what the planner looks at. */
  exact: boolean;
  /** Machines worked out to the end. */
  machines: number;
  /** When nothing fits: what stood against it, most frequent first, and smallest sets of wishes to drop. */
  reasons: Reason[];
  drops: Drop[];
}

/** Something that the brief asks and that can be let go. */
export interface Demand {
  id: string;
  /** Words for it, by kind, for the interface. */
  kind: 'wish' | 'strict' | 'shelf' | 'budget' | 'fixed';
  /** Index of the wish, or part that is fixed. */
  wish?: number;
  part?: string;
}
export interface Drop {
  demands: Demand[];
}

export const MOST_PLANS = 6;
const OTHER_BOARDS = 2;
const OTHER_LEAVES = 30;
const SIDE_LEAVES = 60;
const SIDE_STEPS = 20_000;
/** A weight of the cost beside which no other side counts. */
const CHEAPEST = 1000;

/** How the same wish looks from other sides: each finds another end of the front. */
const views: Partial<Weights>[] = [
  { cost: 10 },
  { period: 10 },
  { shelf: 10 },
  { profiles: 10, speed: 10 },
  { slots: 10 }
];

/** Up to six machines for a brief, or why there is none and what to drop. */
export function plan(request: PlanRequest, limits: Limits = {}): Front {
  const weights = request.weights ?? middleWeights;
  const rounds = 1 + views.length;
  let round = 0;
  const told = (p: Progress) => limits.progress?.({ ...p, done: (round + p.done) / rounds });
  const within = { ...limits, progress: told };
  // The other ends of the front are looked for with less patience.
  const aside: Limits = {
    ...limits,
    progress: undefined,
    maxLeaves: SIDE_LEAVES,
    maxSteps: SIDE_STEPS,
    hasty: true
  };
  // From every side the same machines are met.
  const bench = benchFor(request);
  let first = search(request, within, { bench });
  if (!first.best && request.brief.budget !== undefined)
    first = affordable(request, weights, first, within, bench);
  if (!first.best) {
    // A search that was cut proves nothing: nothing is said to have to go.
    const drops = first.exact ? whatToDrop(request, limits) : [];
    return { plans: [], exact: first.exact, machines: first.machines, reasons: first.reasons, drops };
  }
  const found: Plan[] = [first.best];
  const passed: Plan[] = [...first.sound];
  let machines = first.machines;
  // Ends of the front, then machines of another kind: without the boards that were proposed already.
  const requests: PlanRequest[] = views.map((view) => ({ ...request, weights: { ...weights, ...view } }));
  for (const next of requests) {
    round++;
    if (limits.shouldStop?.()) break;
    // What is known already, seen from this side, is to be beaten.
    const beat = Math.min(...found.map((p) => scoreFor(p.criteria, next)));
    const got = search(next, { ...aside, progress: told }, { beat, bench });
    machines += got.machines;
    if (got.best) found.push(got.best);
    passed.push(...got.sound);
  }
  for (let n = 0; n < OTHER_BOARDS && kinds(found).size < MOST_PLANS; n++) {
    if (limits.shouldStop?.()) break;
    const boards = [...new Set(found.map((p) => p.build.board.part))].filter(
      (b) => !fixedParts(request).has(b)
    );
    const others = { ...request, excluded: [...(request.excluded ?? []), ...boards] };
    const got = search(others, { ...aside, maxLeaves: OTHER_LEAVES }, { few: true, bench });
    machines += got.machines;
    if (!got.best) break;
    found.push(got.best);
    passed.push(...got.sound);
  }
  const rated = (plans: readonly Plan[]) =>
    plans.map((p) => ({ ...p, score: scoreFor(p.criteria, request) }));
  // What was passed on the way fills up what the ends of the front leave open, unless it runs fewer programs.
  const { missed } = first.best.criteria;
  const ways = rated(passed.filter((p) => p.criteria.missed <= missed)).sort((a, b) => a.score - b.score);
  const all = [...rated(found), ...ways];
  // What the first search passed by, cut off or not looking at every part of a sort, another view may come upon.
  const best = all.reduce((a, b) => (b.score < a.score - 1e-9 ? b : a));
  const plans = front([best, ...all.filter((p) => p !== best)]);
  return { plans, exact: first.exact && best === all[0], machines, reasons: [], drops: [] };
}

/**
 * A machine within a budget, where the usual search found none: weighed as usual the dear ones come first, and of each sort
 * of part only the lightest are looked at. Looks at the cheapest first, then at what would be proposed without a budget.
 * Where neither has one, the usual answer stands.
 */
function affordable(
  request: PlanRequest,
  weights: Weights,
  none: Search,
  limits: Limits,
  bench: Bench
): Search {
  const { budget = Infinity, ...brief } = request.brief;
  const cheapest: PlanRequest = { ...request, weights: { ...weights, cost: CHEAPEST } };
  const cheap = search(cheapest, limits, { bench });
  const aside: Limits = { ...limits, progress: undefined, maxLeaves: SIDE_LEAVES, maxSteps: SIDE_STEPS };
  const free = benchFor({ ...request, brief });
  const found = cheap.best
    ? cheap.sound
    : [request, cheapest, { ...request, weights: { ...weights, cost: 10 } }].flatMap(
        (r) => search({ ...r, brief }, aside, { bench: free }).sound
      );
  const [best] = found
    .filter((p) => p.criteria.cost <= budget)
    .map((p) => ({ ...p, score: scoreFor(p.criteria, request) }))
    .sort((a, b) => a.score - b.score);
  if (best) return { ...cheap, best, sound: found.filter((p) => p.criteria.cost <= budget), exact: false };
  return cheap.exact ? cheap : none;
}

/** The score of what was found under one set of weights, under another. */
const scoreFor = (criteria: Criteria, { brief, weights }: PlanRequest): number =>
  scoreOf(criteria, brief, weights ?? middleWeights);

/** What makes two plans different in kind: their board, display and sound. */
const kindOf = (p: Plan) =>
  p.chosen
    .filter((c) => c.role === 'base' || c.role === 'display' || c.role === 'audio')
    .map((c) => c.part)
    .join(' ');
const kinds = (plans: readonly Plan[]) => new Set(plans.map(kindOf));

const dominates = (a: Criteria, b: Criteria) =>
  sides.every((s) => a[s] <= b[s]) && sides.some((s) => a[s] < b[s]);

/** Plans on one board that are proposed beside each other, at most: a front, not neighbours. */
const ON_ONE_BOARD = 2;

/**
 * Those that no other beats in every side, one of each kind and few on one board: the first, which is the best,
 * then as many as there is room for in the order given; told with the best score first.
 */
export function front(plans: readonly Plan[]): Plan[] {
  const [best] = plans;
  const chosen: Plan[] = [];
  const taken = new Set<string>();
  const onBoard = new Map<string, number>();
  for (const p of plans) {
    if (chosen.length === MOST_PLANS) break;
    const board = p.build.board.part;
    const here = onBoard.get(board) ?? 0;
    if (taken.has(kindOf(p)) || here === ON_ONE_BOARD) continue;
    if (p !== best && plans.some((q) => dominates(q.criteria, p.criteria))) continue;
    chosen.push(p);
    taken.add(kindOf(p));
    onBoard.set(board, here + 1);
  }
  return chosen.sort((a, b) => (a === best ? -1 : b === best ? 1 : a.score - b.score));
}

/** Everything of a brief that could be let go. */
export function demands(request: PlanRequest): Demand[] {
  const { brief } = request;
  return [
    ...(brief.wishes ?? []).map((_, wish): Demand => ({ id: `wish-${wish}`, kind: 'wish', wish })),
    ...((brief.strictness ?? 'spirit') !== 'convenient' && brief.date
      ? [{ id: 'strict', kind: 'strict' as const }]
      : []),
    ...(brief.source === 'shelf' ? [{ id: 'shelf', kind: 'shelf' as const }] : []),
    ...(brief.budget !== undefined ? [{ id: 'budget', kind: 'budget' as const }] : []),
    ...(request.fixed ?? []).map((part): Demand => ({ id: `fixed-${part}`, kind: 'fixed', part }))
  ];
}

/** The request with only some of its demands. */
export function keeping(request: PlanRequest, kept: readonly Demand[]): PlanRequest {
  const has = (id: string) => kept.some((d) => d.id === id);
  const { brief } = request;
  const { budget, ...rest } = brief;
  const made: Brief = {
    ...rest,
    ...(budget !== undefined && has('budget') ? { budget } : {}),
    wishes: (brief.wishes ?? []).filter((_, i) => has(`wish-${i}`)),
    strictness: has('strict') ? brief.strictness : 'convenient',
    source: brief.source === 'shelf' && !has('shelf') ? 'prefer-shelf' : brief.source
  };
  return { ...request, brief: made, fixed: (request.fixed ?? []).filter((p) => has(`fixed-${p}`)) };
}

const MOST_DROPS = 3;

/**
 * Smallest sets of demands without which a machine exists: conflicts are found one at a time, each as small as
 * can be, and sets that meet all of them are tried by size. Each set given was proved to suffice; that a smaller
 * one does not was looked for within a bound.
 */
export function whatToDrop(request: PlanRequest, limits: Limits = {}): Drop[] {
  const all = demands(request);
  const known = new Map<string, boolean>();
  const feasible = (kept: readonly Demand[]): boolean => {
    if (limits.shouldStop?.()) return false;
    const name = kept
      .map((d) => d.id)
      .sort()
      .join(' ');
    const within = { ...limits, progress: undefined, maxLeaves: 60, maxSteps: 30_000 };
    const answer = known.get(name) ?? search(keeping(request, kept), within, { any: true }).best !== null;
    known.set(name, answer);
    return answer;
  };
  if (!feasible([])) return [];
  const conflicts: number[][] = [];
  const drops: number[][] = [];
  const indices = all.map((_, i) => i);
  const conflictIn = (kept: readonly number[]) =>
    quickXplain(kept, (set) => !feasible([...set].map((i) => there(all[i]))));
  for (let tries = 0; tries < 40 && drops.length < MOST_DROPS; tries++) {
    const next = smallestHitting(indices, conflicts, drops);
    if (!next) break;
    if (drops.length && next.length > there(drops[0]).length) break;
    const kept = indices.filter((i) => !next.includes(i));
    if (feasible(kept.map((i) => there(all[i])))) drops.push(next);
    else {
      if (limits.shouldStop?.()) break;
      conflicts.push(conflictIn(kept));
    }
  }
  return drops.map((set) => ({ demands: set.map((i) => there(all[i])) }));
}

/** The smallest set that meets every conflict and holds none of those given already. */
function smallestHitting(
  indices: readonly number[],
  conflicts: readonly number[][],
  given: readonly number[][]
): number[] | null {
  let level: number[][] = [[]];
  for (let size = 0; size <= indices.length; size++) {
    for (const set of level)
      if (
        conflicts.every((c) => c.some((i) => set.includes(i))) &&
        !given.some((g) => g.every((i) => set.includes(i)))
      )
        return set;
    level = level.flatMap((set) => indices.filter((i) => i > (set.at(-1) ?? -1)).map((i) => [...set, i]));
  }
  return null;
}

export interface WhyNot {
  part: string;
  /** Kept out by the brief itself. */
  barred: Bar | null;
  /** The best machine with it, when there is one. */
  with: Plan | null;
  /** What it would cost: sides that get worse, with both values. */
  worse: { side: (typeof sides)[number]; from: number; to: number }[];
  better: { side: (typeof sides)[number]; from: number; to: number }[];
  /** When no machine with it works: what stood against it. */
  reasons: Reason[];
}

/** Why a part is not in a plan: barred, worse by so much, or impossible and by what. */
export function whyNot(request: PlanRequest, current: Plan, part: string, limits: Limits = {}): WhyNot {
  const known = partSet(request.parts).get(part);
  const none = { part, with: null, worse: [], better: [], reasons: [] };
  if (!known) return { ...none, barred: { why: 'no-part' } };
  const reason = barred(known, request);
  if (reason) return { ...none, barred: reason };
  const got = search({ ...request, fixed: [...(request.fixed ?? []), part] }, limits);
  const { best } = got;
  if (!best) {
    const unplaced: Reason = { kind: 'unplaced', part: known.name };
    return { ...none, barred: null, reasons: got.reasons.length ? got.reasons : [unplaced] };
  }
  const compare = sides.map((side) => ({ side, from: current.criteria[side], to: best.criteria[side] }));
  return {
    part,
    barred: null,
    with: best,
    worse: compare.filter((c) => c.to > c.from),
    better: compare.filter((c) => c.to < c.from),
    reasons: []
  };
}
