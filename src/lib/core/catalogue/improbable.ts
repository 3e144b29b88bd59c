import { groupBy, there } from '../model';
import type { Part } from '../model';

/** A fact of a part that lies far from what comparable parts of its years have. */
export interface Improbable {
  part: string;
  fact: string;
  value: number;
  /** Middle of the neighbours. */
  usual: number;
  neighbours: string[];
}

interface Fact {
  id: string;
  /** The number, or nothing where the part has no such fact. */
  of: (part: Part) => number | undefined;
  /** Parts are compared within one group. */
  group: (part: Part) => string;
  /** Years are compared by difference, everything else by ratio. */
  by: 'ratio' | 'years';
  /** How far off is still unremarkable: a factor, or years. */
  allows: number;
}

const cardGroup = (p: Part): string => `${p.card?.bus ?? ''} ${p.functions[0]?.kind ?? ''}`;
/** What a part is compared with: its like. */
const like = (p: Part): string => {
  if (p.card) return `card ${cardGroup(p)}`;
  if (p.cpu) return `cpu ${p.cpu.family}`;
  if (p.module) return `memory ${p.module.form}`;
  if (p.drive) return `drive ${p.drive.medium}`;
  if (p.board) return `board ${p.board.class}`;
  return p.kind;
};
/** Boards by the CPU that they take: the years of a class are twenty, those of a CPU five. */
const generation = (p: Part): string =>
  p.board ? `board ${p.board.cpuSocket?.families[0] ?? p.board.class}` : like(p);
const kind = (p: Part): string => (p.drive ? `drive ${p.drive.medium}` : p.kind);

/** Watts that a part draws from +3.3, +5 and +12 V together. */
const watts = (p: Part): number | undefined => {
  const draw = p.power ? p.power.v5 * 5 + p.power.v12 * 12 + p.power.v3 * 3.3 : 0;
  return draw > 0 ? draw : undefined;
};

const FACTS: readonly Fact[] = [
  { id: 'first year', of: (p) => p.sold?.from, group: generation, by: 'years', allows: 5 },
  {
    id: 'years on sale',
    of: (p) => (p.sold?.to === undefined ? undefined : p.sold.to - p.sold.from + 1),
    group: kind,
    by: 'ratio',
    allows: 3
  },
  {
    id: 'price, middle',
    of: (p) => (p.price ? (p.price.low + p.price.high) / 2 || undefined : undefined),
    group: like,
    by: 'ratio',
    allows: 4
  },
  {
    id: 'price, high to low',
    of: (p) => (p.price && p.price.low > 0 ? p.price.high / p.price.low : undefined),
    group: kind,
    by: 'ratio',
    allows: 2.5
  },
  { id: 'watts drawn', of: watts, group: like, by: 'ratio', allows: 3 },
  { id: 'core clock, MHz', of: (p) => p.cpu?.coreMHz, group: kind, by: 'ratio', allows: 3 },
  { id: 'bus clock, MHz', of: (p) => p.cpu?.busMHz, group: kind, by: 'ratio', allows: 3 },
  { id: 'FPU clock, MHz', of: (p) => p.fpu?.mhz, group: kind, by: 'ratio', allows: 2.5 },
  { id: 'expansion bus, MHz', of: (p) => p.board?.busMHz, group: like, by: 'ratio', allows: 1.8 },
  { id: 'module, KiB', of: (p) => p.module?.kib, group: like, by: 'ratio', allows: 8 },
  { id: 'module, ns', of: (p) => p.module?.ns, group: like, by: 'ratio', allows: 2 },
  { id: 'most memory, KiB', of: (p) => p.board?.memory?.maxKiB, group: like, by: 'ratio', allows: 8 },
  { id: 'cache, KiB', of: (p) => p.board?.cacheKiB || undefined, group: kind, by: 'ratio', allows: 4 },
  { id: 'slots', of: (p) => p.board?.slots.length, group: kind, by: 'ratio', allows: 2.2 },
  { id: 'video memory, KiB', of: (p) => p.video?.memoryKiB, group: kind, by: 'ratio', allows: 8 },
  { id: 'sectors', of: (p) => p.drive?.sectors, group: kind, by: 'ratio', allows: 12 },
  { id: 'supply, watts', of: (p) => p.supply?.watts, group: kind, by: 'ratio', allows: 2.5 },
  { id: 'length, mm', of: (p) => p.card?.lengthMm, group: like, by: 'ratio', allows: 2.2 }
];

/** Neighbours in time that a part is held against, and how many there must be for a word to be said. */
const NEAREST = 8;
const FEWEST = 4;
/** Spread of the neighbours beyond which a value stands out, in robust standard deviations. */
const SPREAD = 3.5;
const MAD_TO_SIGMA = 1.4826;

/**
 * Holds every number of every part against its like of the nearest years, and lists what stands out: slips of the
 * hand, and the rare part that is really so.
 */
export function improbable(parts: readonly Part[]): Improbable[] {
  return FACTS.flatMap((fact) => {
    const having = parts.flatMap((part): Valued[] => {
      const value = fact.of(part);
      return value === undefined ? [] : [{ part, value }];
    });
    const near = groupBy(having, (v) => fact.group(v.part));
    const far = groupBy(having, (v) => kind(v.part));
    return having.flatMap((one) => {
      const own = near.get(fact.group(one.part)) ?? [];
      // Where a part has hardly any like, everything of its kind is better than nothing.
      return standsOut(fact, one, own.length > FEWEST ? own : (far.get(kind(one.part)) ?? []));
    });
  });
}

interface Valued {
  part: Part;
  value: number;
}

function standsOut(fact: Fact, one: Valued, group: readonly Valued[]): Improbable[] {
  const year = (p: Part) => p.sold?.from ?? 0;
  const others = group
    .filter((o) => o !== one)
    .sort(
      (a, b) =>
        Math.abs(year(a.part) - year(one.part)) - Math.abs(year(b.part) - year(one.part)) ||
        (a.part.id < b.part.id ? -1 : 1)
    )
    .slice(0, fact.by === 'years' ? undefined : NEAREST);
  if (others.length < FEWEST) return [];
  const scale = fact.by === 'years' ? (n: number) => n : Math.log;
  const middle = median(others.map((o) => scale(o.value)));
  const spread = median(others.map((o) => Math.abs(scale(o.value) - middle)));
  const allowed = Math.max(scale(fact.allows), SPREAD * MAD_TO_SIGMA * spread);
  if (Math.abs(scale(one.value) - middle) <= allowed) return [];
  return [
    {
      part: one.part.id,
      fact: fact.id,
      value: one.value,
      usual: fact.by === 'years' ? middle : Math.exp(middle),
      neighbours: others.slice(0, NEAREST).map((o) => o.part.id)
    }
  ];
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? there(sorted[half]) : (there(sorted[half - 1]) + there(sorted[half])) / 2;
}
