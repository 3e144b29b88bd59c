import {
  hasFacts,
  isOfKind,
  withToldFields,
  type Brief,
  type Part,
  type PartOf,
  type PartWith
} from '../model';
import { STILL_IN_USE, inherentCautions, showsNew } from '../rules';
import { driverLacks } from '../software';
import type { Bar, Chosen, Criteria, PlanRequest, Role, Unit, Weights } from './types';

/** Years that a part may be younger than the date, by how strict the brief is. */
const YOUNGER: Record<NonNullable<Brief['strictness']>, number> = { exact: 0, spirit: 2, convenient: 100 };

/** Parts that may be used, with what each costs a plan. */
export interface Pool {
  year: number | null;
  parts: Part[];
  of<K extends Part['kind']>(kind: K): readonly PartOf<K>[];
  get(id: string): Part | undefined;
  /** The CPU that is soldered to a board; null: it has a socket, or nobody knows the CPU. */
  cpuOf(board: PartWith<'board'>): PartWith<'cpu'> | null;
  fixed: ReadonlySet<string>;
  weights: Weights;
  /** Units of a part on the shelf. */
  units(part: string): readonly Unit[];
  years(part: Part): number;
  price(part: Part, count: number): { bought: number; cost: number };
  /** What taking so many of a part adds to the score. */
  weigh(part: Part, count?: number): number;
  choose(part: Part, count: number, role: Role): Chosen;
}

/** Each part once with how many of it: the same module in two banks is bought, or lies on the shelf, twice. */
export function tally<T extends { id: string }>(
  list: readonly { part: T; count: number }[]
): { part: T; count: number }[] {
  const by = new Map<string, { part: T; count: number }>();
  for (const { part, count } of list) by.set(part.id, { part, count: count + (by.get(part.id)?.count ?? 0) });
  return [...by.values()];
}

export const middlePrice = (part: Part): number =>
  part.price ? Math.round((part.price.low + part.price.high) / 2) : 0;

/** Why a part may not be used at all; null when it may. */
export function barred(part: Part, request: PlanRequest): Bar | null {
  const { brief } = request;
  const fixed = fixedParts(request);
  if ((request.excluded ?? []).includes(part.id)) return { why: 'excluded' };
  for (const wish of brief.wishes ?? []) {
    if (wish.kind === 'never' && wish.part === part.id) return { why: 'never' };
    if (wish.kind === 'emulator-outside' && part.drive?.medium === 'emulator' && part.drive.bay !== 'outside')
      return { why: 'emulator-outside' };
    if (wish.kind === 'original-look' && showsNew(part)) return { why: 'seen-in-front' };
  }
  if (fixed.has(part.id)) return null;
  const lacks = part.driver && driverLacks(part.driver, brief.os);
  if (lacks) return { why: 'driver', lacks };
  const year = yearOf(brief);
  const allowed = YOUNGER[brief.strictness ?? 'spirit'];
  if (year !== null && brief.date && part.sold && part.sold.from > year + allowed)
    return { why: 'date', from: part.sold.from, date: brief.date, spirit: allowed > 0 };
  if (brief.source === 'shelf' && !request.shelf.some((u) => u.part === part.id))
    return { why: 'not-on-shelf' };
  return null;
}

export const yearOf = (brief: Brief): number | null => (brief.date ? Number(brief.date.slice(0, 4)) : null);

/** Parts that must be in: those chosen and those that a wish keeps. */
export function fixedParts(request: PlanRequest): Set<string> {
  const kept = (request.brief.wishes ?? []).flatMap((w) => (w.kind === 'keep' ? [w.part] : []));
  return new Set([...(request.fixed ?? []), ...kept]);
}

export function poolOf(request: PlanRequest, weights: Weights): Pool {
  const year = yearOf(request.brief);
  const byPart = new Map<string, Unit[]>();
  // In a fixed order, so that the order of the shelf changes nothing.
  const shelf = [...request.shelf].sort((a, b) => (a.specimen < b.specimen ? -1 : 1));
  for (const unit of shelf) byPart.set(unit.part, [...(byPart.get(unit.part) ?? []), unit]);
  const known = request.parts.map(withToldFields);
  const parts = known.filter((p) => barred(p, request) === null);
  const byId = new Map(known.map((p) => [p.id, p]));
  const byKind = new Map<Part['kind'], Part[]>();
  const of = <K extends Part['kind']>(kind: K): readonly PartOf<K>[] => {
    const known = byKind.get(kind) ?? parts.filter((p) => isOfKind(p, kind));
    byKind.set(kind, known);
    return known as PartOf<K>[];
  };
  const units = (id: string) => byPart.get(id) ?? [];
  const strict = strictYears(request.brief);
  const weighed = new Map<Part, Map<number, number>>();

  const years = (part: Part): number => {
    if (year === null || !part.sold || part.kind === 'bios') return 0;
    const young = Math.max(0, part.sold.from - year);
    const old = part.sold.to === undefined ? 0 : Math.max(0, year - part.sold.to - STILL_IN_USE);
    return young + old;
  };
  const price = (part: Part, count: number) => {
    const bought = Math.max(0, count - units(part.id).length);
    return { bought, cost: bought * middlePrice(part) };
  };
  return {
    year,
    parts,
    of,
    get: (id) => byId.get(id),
    cpuOf: ({ board }) => {
      const cpu = byId.get(board.cpuSocket?.soldered ?? '');
      return cpu && hasFacts(cpu, 'cpu') ? cpu : null;
    },
    fixed: fixedParts(request),
    weights,
    units,
    years,
    price,
    weigh: (part, count = 1) => {
      const known = weighed.get(part) ?? new Map<number, number>();
      const before = known.get(count);
      if (before !== undefined) return before;
      const { bought, cost } = price(part, count);
      const sides = {
        years: years(part) * strict,
        bought,
        cost,
        slots: part.card ? 1 : 0,
        cautions: inherentCautions(part)
      };
      const weight = weighSides(sides, weights);
      weighed.set(part, known.set(count, weight));
      return weight;
    },
    choose: (part, count, role) => ({
      part: part.id,
      count,
      onShelf: Math.min(count, units(part.id).length),
      cost: price(part, count).cost,
      role
    })
  };
}

/** How much a year counts that a part is too young or too old. */
const strictYears = (brief: Brief): number => (brief.strictness === 'convenient' ? 0.2 : 1);

/** What a machine with these sides scores for a brief; less is better. */
export const scoreOf = (criteria: Criteria, brief: Brief, weights: Weights): number =>
  weighSides({ ...criteria, years: criteria.years * strictYears(brief) }, weights);

/** Points of each side of a plan at weight 1. */
const POINTS = { missed: 40, rough: 12, years: 2, bought: 1, cost: 0.12, slots: 0.4, cautions: 0.5 } as const;

export function weighSides(sides: Partial<Record<keyof typeof POINTS, number>>, w: Weights): number {
  const by = {
    missed: w.profiles,
    rough: w.speed,
    years: w.period,
    bought: w.shelf,
    cost: w.cost,
    slots: w.slots,
    cautions: 1
  };
  return (Object.keys(sides) as (keyof typeof POINTS)[]).reduce(
    (sum, side) => sum + (sides[side] ?? 0) * POINTS[side] * by[side],
    0
  );
}
