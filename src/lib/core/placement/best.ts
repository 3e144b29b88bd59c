import type { Line } from './line';
import { PLACE_LIMITS, leastLow, place, placeByOrder, sharedFor, type Placement } from './place';

/** One way to lay out upper memory: what is free with nothing loaded, and its regions. Bytes. */
export interface Layout {
  freeBytes: number;
  regions: readonly number[];
}

/** The layout that was chosen, with its placement. */
export interface Placed {
  at: number;
  placement: Placement;
  /** No layout leaves programs more than these bytes, looked at or not. */
  most: number;
}

/** Nodes that each layout may take in one round, before all of them are searched as far as it goes. */
const ROUNDS = [500, 20_000];
/** Nodes of all layouts together: what is not decided by then is not called optimal. */
const MOST_NODES = 200_000;

/**
 * The layout that leaves programs most, with its placement: a page frame here or there, a window more or less. A layout
 * is only searched for plans that are better than the best so far, the most promising ones first, and a little of all
 * before one to its end; of equal ones the first in the list.
 * @returns null without a layout, or where the lines have no legal order
 */
export function placeBest(
  lines: readonly Line[],
  layouts: readonly Layout[],
  mostNodes: number = PLACE_LIMITS.nodes
): Placed | null {
  let best: { at: number; placement: Placement; value: number } | null = null;
  const shared = sharedFor(lines);
  let open = layouts.map((layout, at) => ({
    layout,
    at,
    most: layout.freeBytes - leastLow(lines, layout.regions)
  }));
  /** What a layout must reach to be chosen; of equal ones the first counts. */
  const wanted = (at: number): number =>
    best === null ? -Infinity : at < best.at ? best.value : best.value + 1;
  let spent = 0;
  const total = layouts.length > 1 ? MOST_NODES : mostNodes;
  for (const nodes of [...ROUNDS.filter((n) => n < mostNodes), mostNodes]) {
    const left: typeof open = [];
    for (const { layout, at, most } of open.sort((a, b) => b.most - a.most || a.at - b.at)) {
      const least = wanted(at);
      if (most < least) continue;
      const may = Math.min(nodes, total - spent);
      if (may <= 0) {
        left.push({ layout, at, most });
        continue;
      }
      const placement = place(lines, layout.regions, may, layout.freeBytes - least + 1, shared);
      spent += placement.nodes;
      if (placement.status === 'no-order') return null;
      const value = layout.freeBytes - placement.low;
      if (placement.status === 'not-below') continue;
      if (placement.order.length === lines.length && value >= least) best = { at, placement, value };
      if (placement.status === 'best-found')
        left.push({ layout, at, most: Math.min(most, layout.freeBytes - placement.bound) });
    }
    open = left;
  }
  if (!best) return null;
  const { at, placement, value } = best;
  // What was cut off may hide a better one.
  const isOpen = open.some((o) => o.most > value || (o.most === value && o.at < at));
  return {
    at,
    placement: { ...placement, status: isOpen ? 'best-found' : 'optimal' },
    most: Math.max(value, ...open.map((o) => o.most))
  };
}

/** The best layout for a version of DOS that takes no regions: order alone. */
export function placeBestByOrder(lines: readonly Line[], layouts: readonly Layout[]): Placed | null {
  const all = layouts.map(({ freeBytes, regions }, at) => {
    const placement = placeByOrder(lines, regions);
    return { at, placement, value: freeBytes - placement.low, most: freeBytes - placement.bound };
  });
  const [best] = all
    .filter(({ placement }) => placement.status !== 'no-order')
    .sort((a, b) => b.value - a.value || a.at - b.at);
  return best ? { at: best.at, placement: best.placement, most: Math.max(...all.map((l) => l.most)) } : null;
}
