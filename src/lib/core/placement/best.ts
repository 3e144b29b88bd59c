import { Fills } from './fills';
import { leastLow, place, placeByOrder, type Line, type Placement } from './place';

/** One way to lay out upper memory: what is free with nothing loaded, and its regions. Bytes. */
export interface Layout {
  freeBytes: number;
  regions: readonly number[];
}

/**
 * The layout that leaves programs most, with its placement: a page frame here or there, a window more or less. A layout
 * is only searched for plans that are better than the best so far, the most promising ones first; of equal ones the
 * first in the list.
 * @returns null without a layout, or where the lines have no legal order
 */
export function placeBest(
  lines: readonly Line[],
  layouts: readonly Layout[],
  mostNodes?: number
): { at: number; placement: Placement } | null {
  const promise = ({ freeBytes, regions }: Layout) => freeBytes - leastLow(lines, regions);
  const order = layouts
    .map((layout, at) => ({ layout, at, most: promise(layout) }))
    .sort((a, b) => b.most - a.most || a.at - b.at);
  let best: { at: number; placement: Placement; value: number } | null = null;
  let isCut = false;
  const fills = new Fills(lines);
  for (const { layout, at, most } of order) {
    const value: number = best?.value ?? -Infinity;
    // Of equal layouts the first counts, so one that stands before the best has to be as good only.
    const enough = best !== null && at < best.at ? value - 1 : value;
    if (most <= enough) continue;
    const placement = place(lines, layout.regions, mostNodes, layout.freeBytes - enough, fills);
    if (placement.status === 'no-order') return null;
    if (placement.status === 'best-found') isCut = true;
    if (placement.status === 'not-below' || placement.low > layout.freeBytes - enough - 1) continue;
    best = { at, placement, value: layout.freeBytes - placement.low };
  }
  // What was cut off anywhere may hide a better layout.
  if (best && isCut) best.placement = { ...best.placement, status: 'best-found' };
  return best && { at: best.at, placement: best.placement };
}

/** The best layout for a version of DOS that takes no regions: order alone. */
export function placeBestByOrder(
  lines: readonly Line[],
  layouts: readonly Layout[]
): { at: number; placement: Placement } | null {
  const all = layouts.map(({ freeBytes, regions }, at) => {
    const placement = placeByOrder(lines, regions);
    return { at, placement, value: freeBytes - placement.low };
  });
  const [best] = all
    .filter(({ placement }) => placement.status !== 'no-order')
    .sort((a, b) => b.value - a.value || a.at - b.at);
  return best ? { at: best.at, placement: best.placement } : null;
}
