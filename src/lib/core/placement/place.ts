import { Budget, attempt } from '../kernel';
import { there } from '../model';
import { Fills } from './fills';
import { blockedLine, needOf, peakOf, predecessors, type Line } from './line';
import { Orders, type Found, type PlacedLine } from './orders';
import { PACK_LINES, Packs, type Packing } from './packs';

export interface Placement {
  /**
   * `optimal`: proved; `best-found`: the search was cut off; `no-order`: no order keeps every rule; `not-below`: nothing
   * leaves less low than was asked for.
   */
  status: 'optimal' | 'best-found' | 'no-order' | 'not-below';
  /** Bytes that lie in conventional memory. */
  low: number;
  /** No plan can leave fewer there. */
  bound: number;
  order: PlacedLine[];
  /** Bytes left in each region. */
  free: number[];
  nodes: number;
}

export const PLACE_LIMITS = { lines: 24, regions: 12, nodes: 1_000_000 } as const;

const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/** Lines in an order that is legal, as near to the given one as that is. */
function legalOrder(lines: readonly Line[]): Line[] {
  const left = [...lines];
  const out: Line[] = [];
  while (left.length) {
    const isOpen = (l: Line) =>
      !l.after.some((name) => left.some((x) => x.name === name)) &&
      (l.stage === 0 || !left.some((x) => x.stage === 0));
    const i = left.findIndex(isOpen);
    if (i < 0) return out;
    out.push(...left.splice(i, 1));
  }
  return out;
}

/** What is worked out once for lines, whatever the regions: prices that were found before are a good beginning. */
interface Shared {
  fills: Fills;
  /** Where there are too many lines, or no order: null. */
  packs: Packs | null;
}

export const sharedFor = (lines: readonly Line[]): Shared => ({
  fills: new Fills(lines),
  packs: lines.length <= PACK_LINES && blockedLine(lines) === null ? new Packs(lines) : null
});

/** A packing as a plan; null where the regions wait for each other. */
function inOrder(
  of: Packs,
  packing: Packing,
  lines: readonly Line[],
  regions: readonly number[]
): Found | null {
  const order = of.orderOf(packing, regions);
  return (
    order && {
      low: sum(lines.map((l) => l.stay)) - packing.stay,
      order: order.map((i) => ({
        name: there(lines[i]).name,
        region: packing.sets.findIndex((set) => set & (1 << i)) + 1
      })),
      free: regions.map((f, r) => f - of.stayOf(there(packing.sets[r])))
    }
  );
}

/**
 * Places lines so that conventional memory keeps as much as it can: order and region of each.
 * @param lines more than `PLACE_LIMITS.lines` are placed one after the other, and never called optimal
 * @param regions free bytes of each upper region, at most `PLACE_LIMITS.regions`
 * @param mostNodes where the search is cut off; its answer is then never called optimal
 * @param below only plans that leave fewer bytes low than this are looked for
 * @param shared of the same lines, where other regions were looked at before
 */
export function place(
  lines: readonly Line[],
  regions: readonly number[],
  mostNodes: number = PLACE_LIMITS.nodes,
  below = Infinity,
  shared: Shared = sharedFor(lines)
): Placement {
  const total = sum(lines.map((l) => l.stay));
  let bound = leastLow(lines, regions);
  if (blockedLine(lines) !== null)
    return { status: 'no-order', low: total, bound, order: [], free: [...regions], nodes: 0 };
  if (lines.length > PLACE_LIMITS.lines) {
    const found = placeByDos(legalOrder(lines), regions);
    return { ...found, status: found.low === bound ? 'optimal' : 'best-found', bound, nodes: 0 };
  }
  const pre = predecessors(lines);
  const rank = lines
    .map((_, i) => i)
    .sort((a, b) => peakOf(there(lines[b])) - peakOf(there(lines[a])) || a - b);
  const none: Found = { low: Math.min(total + 1, below), order: [], free: [] };
  let best = none;
  let nodes = 0;
  const notBelow = (): Placement => ({
    status: 'not-below',
    low: total,
    bound: none.low,
    order: [],
    free: [...regions],
    nodes
  });
  const { fills, packs } = shared;
  const can = openLines(lines, regions);
  // A hasty search is not worth the prices either: they take longer than it does.
  const isPriced = !packs && mostNodes > HASTY_NODES;
  if (isPriced && below < Infinity) {
    fills.improve(can.set, regions, can.low + can.rest - below);
    if (rootBound(can, regions, fills) >= below) return notBelow();
  }
  const first = beam(lines, regions, rank, pre, isPriced ? BEAM : HASTY_BEAM);
  if (first && first.low < best.low) best = first;
  if (packs && best.low > bound) {
    const packed = packs.fill(regions, total - best.low + 1, mostNodes);
    nodes += packed.nodes;
    if (packed.status === 'none') bound = best.low;
    else if (packed.packing) {
      bound = Math.max(bound, total - packed.packing.stay);
      best = inOrder(packs, packed.packing, lines, regions) ?? best;
    }
  }
  let cut = false;
  if (best.low > bound) {
    if (isPriced) fills.improve(can.set, regions, can.low + can.rest - best.low);
    const budget = new Budget(mostNodes, undefined, nodes);
    const orders = new Orders(lines, rank, pre, fills, bound, budget, best);
    cut = attempt(
      () => (orders.go(0, -1, [...regions], 0), false),
      () => true
    );
    ({ best } = orders);
    ({ nodes } = budget);
  }
  if (best === none && !cut) return notBelow();
  return {
    status: cut && best.low > bound ? 'best-found' : 'optimal',
    low: best.low,
    bound: cut ? Math.max(bound, rootBound(can, regions, fills)) : best.low,
    order: best.order,
    free: best.free,
    nodes
  };
}

/** Lines that may go into one of the regions by themselves, as bits, with what they and all others leave. Bytes. */
function openLines(
  lines: readonly Line[],
  regions: readonly number[]
): { set: number; rest: number; low: number } {
  const most = Math.max(0, ...regions);
  const can = lines.map((l) => l.high && needOf(l) <= most);
  return {
    set: can.reduce((bits, yes, i) => (yes ? bits | (1 << i) : bits), 0),
    rest: sum(lines.filter((_, i) => can[i]).map((l) => l.stay)),
    low: lowest(lines, regions)
  };
}

/** What must stay low whatever is done: what cannot go high, and what the regions together cannot hold. */
const rootBound = (
  { set, rest, low }: ReturnType<typeof openLines>,
  regions: readonly number[],
  fills: Fills
): number => low + Math.max(0, Math.ceil(rest - fills.most(set, regions)));

/** A search of so many nodes only looks whether the first good plan can be bettered. */
export const HASTY_NODES = 1000;
/** Plans that are carried along while a first good one is looked for. */
const BEAM = 300;
const HASTY_BEAM = 20;

/** A good plan, found quickly: lines in their best order, of each number of lines placed only the best plans kept. */
function beam(
  lines: readonly Line[],
  regions: readonly number[],
  rank: readonly number[],
  pre: readonly number[],
  width: number
): { low: number; order: PlacedLine[]; free: number[] } | null {
  let plans = [{ low: 0, order: [] as PlacedLine[], free: [...regions] }];
  let done = 0;
  for (let k = 0; k < lines.length; k++) {
    const i = rank.find((x) => !(done & (1 << x)) && !(there(pre[x]) & ~done));
    if (i === undefined) return null;
    const line = there(lines[i]);
    done |= 1 << i;
    const next = new Map<string, (typeof plans)[number]>();
    const put = (low: number, region: number, free: number[], from: (typeof plans)[number]) => {
      const key = [...free].sort((a, b) => a - b).join();
      if (!next.has(key)) next.set(key, { low, order: [...from.order, { name: line.name, region }], free });
    };
    for (const plan of plans) {
      plan.free.forEach((f, r) => {
        if (!line.high || needOf(line) > f) return;
        const free = [...plan.free];
        free[r] = f - line.stay;
        put(plan.low, r + 1, free, plan);
      });
      put(plan.low + line.stay, 0, plan.free, plan);
    }
    plans = [...next.values()].sort((a, b) => a.low - b.low).slice(0, width);
  }
  return plans[0] ?? null;
}

/** What cannot go high at all. */
const lowest = (lines: readonly Line[], regions: readonly number[]): number => {
  const most = Math.max(0, ...regions);
  return sum(lines.filter((l) => !l.high || needOf(l) > most).map((l) => l.stay));
};

/** Bytes that lie low whatever is done, by size alone: what fits nowhere, and what all regions together cannot hold. */
export const leastLow = (lines: readonly Line[], regions: readonly number[]): number =>
  Math.max(lowest(lines, regions), sum(lines.map((l) => l.stay)) - sum(regions), 0);

/** What DOS does by itself when no region is named: the largest free block, else low without a word. */
export function placeByDos(
  lines: readonly Line[],
  regions: readonly number[]
): Pick<Placement, 'low' | 'order' | 'free'> {
  const free = [...regions];
  let low = 0;
  const order = lines.map((line): PlacedLine => {
    const largest = free.length ? free.indexOf(Math.max(...free)) : -1;
    if (line.high && largest >= 0 && needOf(line) <= there(free[largest])) {
      free[largest] = there(free[largest]) - line.stay;
      return { name: line.name, region: largest + 1 };
    }
    low += line.stay;
    return { name: line.name, region: 0 };
  });
  return { low, order, free };
}

/** The best that changing the order alone can do, regions left to DOS. Null: too many lines to look through, or no order. */
export function bestOrderByDos(
  lines: readonly Line[],
  regions: readonly number[]
): Pick<Placement, 'low' | 'order' | 'free'> | null {
  const MOST = 12;
  if (lines.length > MOST || blockedLine(lines) !== null) return null;
  const pre = predecessors(lines);
  const seen = new Map<string, number>();
  let best: { low: number; order: number[] } | null = null;
  const go = (done: number, free: readonly number[], low: number, order: readonly number[]): void => {
    if (best && low >= best.low) return;
    if (order.length === lines.length) {
      best = { low, order: [...order] };
      return;
    }
    const key = `${done} ${free.join()}`;
    const known = seen.get(key);
    if (known !== undefined && known <= low) return;
    seen.set(key, low);
    lines.forEach((line, i) => {
      const bit = 1 << i;
      if (done & bit || there(pre[i]) & ~done) return;
      const step = placeByDos([line], free);
      go(done | bit, step.free, low + step.low, [...order, i]);
    });
  };
  go(0, regions, 0, []);
  const found = best as { low: number; order: number[] } | null;
  return (
    found &&
    placeByDos(
      found.order.map((i) => there(lines[i])),
      regions
    )
  );
}

/** The best order for a version of DOS that takes no regions: the answer of `bestOrderByDos` as a placement. */
export function placeByOrder(lines: readonly Line[], regions: readonly number[]): Placement {
  const total = sum(lines.map((l) => l.stay));
  const bound = leastLow(lines, regions);
  if (blockedLine(lines) !== null)
    return { status: 'no-order', low: total, bound, order: [], free: [...regions], nodes: 0 };
  const best = bestOrderByDos(lines, regions);
  const found = best ?? placeByDos(lines, regions);
  const isProved = best !== null || found.low === bound;
  return {
    ...found,
    status: isProved ? 'optimal' : 'best-found',
    bound: isProved ? found.low : bound,
    nodes: 0
  };
}
