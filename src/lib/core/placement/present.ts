import { there } from '../model';
import { needOf, type Line } from './line';
import type { PlacedLine } from './orders';
import type { Placement } from './place';

/** How lines lie at present: their order, and the region that each is put into; what is not named is new. */
export type Present = readonly PlacedLine[];

const MOST = 200_000;

/** Lines of a plan that differ from how they lie now: another region, or not there yet. */
export const changedLines = (order: readonly PlacedLine[], present: Present): number => {
  const now = new Map(present.map((p) => [p.name, p.region]));
  return order.filter(({ name, region }) => now.get(name) !== region).length;
};

/** The order of a list as it is at present: lines that are new stand where the plan has them, behind their neighbour. */
function presentOrder(order: readonly PlacedLine[], present: Present): string[] {
  const known = present.map((p) => p.name).filter((name) => order.some((o) => o.name === name));
  const out = [...known];
  order.forEach(({ name }, i) => {
    if (known.includes(name)) return;
    const before = order[i - 1]?.name;
    out.splice(before === undefined ? 0 : out.indexOf(before) + 1, 0, name);
  });
  return out;
}

const isLegal = (order: readonly Line[]): boolean =>
  order.every(
    (l, i) =>
      (i === 0 || there(order[i - 1]).stage <= l.stage) &&
      l.after.every((name) => !order.slice(i).some((later) => later.name === name))
  );

/**
 * Of all ways to leave as little low as a placement does, one that changes few lines against how they lie at present:
 * the fewest for the order of today where that order is as good, else the fewest for the order of the placement.
 */
export function keepPresent(
  lines: readonly Line[],
  regions: readonly number[],
  found: Placement,
  present: Present
): Placement {
  if (!found.order.length || !present.length) return found;
  const byName = new Map(lines.map((l) => [l.name, l]));
  const orders = [presentOrder(found.order, present), found.order.map((o) => o.name)].map((names) =>
    names.flatMap((name) => byName.get(name) ?? [])
  );
  for (const order of orders) {
    if (!isLegal(order)) continue;
    const best = fewestChanges(order, regions, found.low, present);
    if (best) return { ...found, ...best };
  }
  return found;
}

/** Regions for lines in one order that leave no more low than `low`, with the fewest changes; null: none do. */
function fewestChanges(
  order: readonly Line[],
  regions: readonly number[],
  low: number,
  present: Present
): { order: PlacedLine[]; free: number[] } | null {
  const now = new Map(present.map((p) => [p.name, p.region]));
  let best: { order: PlacedLine[]; free: number[]; changes: number } | null = null;
  let nodes = 0;
  const seen = new Set<string>();
  const trail: PlacedLine[] = [];
  const go = (i: number, free: number[], spent: number, changes: number): void => {
    if (spent > low || (best && changes >= best.changes) || ++nodes > MOST) return;
    const line = order[i];
    if (!line) {
      best = { order: [...trail], free: [...free], changes };
      return;
    }
    const key = `${i} ${changes} ${spent} ${free.join()}`;
    if (seen.has(key)) return;
    seen.add(key);
    const is = now.get(line.name);
    const open = free.flatMap((f, r) => (line.high && needOf(line) <= f ? [r + 1] : []));
    // As it is first; low last.
    for (const region of [...open, 0].sort((a, b) => Number(b === is) - Number(a === is))) {
      trail.push({ name: line.name, region });
      if (region) free[region - 1] = there(free[region - 1]) - line.stay;
      go(i + 1, free, spent + (region ? 0 : line.stay), changes + (region === is ? 0 : 1));
      if (region) free[region - 1] = there(free[region - 1]) + line.stay;
      trail.pop();
    }
  };
  go(0, [...regions], 0, 0);
  const found = best as { order: PlacedLine[]; free: number[] } | null;
  return found && { order: found.order, free: found.free };
}
