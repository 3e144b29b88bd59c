import { lastOf, there } from '../model';
import type { MemoryFacts, Part } from '../model';
import { moduleFits, walkFillings, type Filling, type ModulePart } from './fillings';
import { shownMemory, type Shown } from './memory';
import type { SizeRange } from './sizes';

/** A filling as a person weighs it. */
export interface PlannedFilling extends Filling {
  shown: Shown;
  /** Price of the modules that are not on the shelf. */
  cost: number;
  fromShelf: number;
  toBuy: number;
  /** Slowest of its modules, in ns, and whether that is too slow for the board. */
  ns: number;
  isSlow: boolean;
}

export interface MemoryQuestion {
  /** KiB that the start-up must count at least. */
  targetKiB: number;
  /** Modules on the shelf by part. */
  stock: ReadonlyMap<string, number>;
  from: 'shelf' | 'any';
  price: (part: ModulePart) => number;
}

/** Most fillings that are visited, and that are answered. */
const MOST_VISITS = 60_000;
export const MOST_FILLINGS = 60;

/**
 * All fillings of a board whose start-up count reaches a target, cheapest first, then the smaller ones, then those
 * with more from the shelf. `whole` is false when there were too many to look at every one. `under`: the smallest
 * one that holds as much and counts less, since part of it stays under the ROMs; null: there is none.
 */
export function fillingsFor(
  facts: MemoryFacts,
  modules: readonly ModulePart[],
  asked: MemoryQuestion
): { fillings: PlannedFilling[]; whole: boolean; under: PlannedFilling | null } {
  const usable = asked.from === 'shelf' ? modules.filter((m) => (asked.stock.get(m.id) ?? 0) > 0) : modules;
  const choices = facts.banks.map((bank) => usable.filter((m) => moduleFits(facts, bank, m)));
  const out: PlannedFilling[] = [];
  let under: PlannedFilling | null = null;
  const seen = new Set<string>();
  let visits = 0;
  walkFillings(facts, choices, facts.maxKiB, (filling) => {
    if (++visits > MOST_VISITS) return false;
    // The same modules in other banks of the same sizes are the same filling to a person.
    const key = alikeOf(filling);
    if (seen.has(key)) return true;
    seen.add(key);
    const planned = weigh(facts, filling, asked);
    if (asked.from === 'shelf' && planned.toBuy > 0) return false;
    if (planned.shown.count >= asked.targetKiB) out.push(planned);
    else if (planned.kib >= asked.targetKiB && !(under && under.kib <= planned.kib)) under = planned;
    return true;
  });
  out.sort(
    (a, b) =>
      Number(a.isSlow) - Number(b.isSlow) ||
      a.cost - b.cost ||
      a.kib - b.kib ||
      b.fromShelf - a.fromShelf ||
      (idOf(a) < idOf(b) ? -1 : 1)
  );
  return { fillings: out.slice(0, MOST_FILLINGS), whole: visits <= MOST_VISITS, under };
}

const alikeOf = (f: Filling) =>
  `${f.banks.map((b) => `${b.bank}:${b.part.module.kib}`).join(' ')} ${f.banks
    .map((b) => b.part.id)
    .sort()
    .join(' ')}`;
const idOf = (f: Filling) => f.banks.map((b) => `${b.bank}:${b.part.id}`).join(' ');

function weigh(facts: MemoryFacts, filling: Filling, asked: MemoryQuestion): PlannedFilling {
  let [cost, fromShelf, toBuy] = [0, 0, 0];
  for (const { part, count } of modulesOf(filling)) {
    const have = Math.min(count, asked.stock.get(part.id) ?? 0);
    fromShelf += have;
    toBuy += count - have;
    cost += (count - have) * asked.price(part);
  }
  const ns = Math.max(0, ...filling.banks.map((b) => b.part.module.ns));
  return {
    ...filling,
    shown: shownMemory(filling.kib, facts),
    cost,
    fromShelf,
    toBuy,
    ns,
    isSlow: ns > facts.ns
  };
}

/** A filling by sizes alone, with the shadowing under which the count comes out: from, and up to. */
export interface Explained {
  kib: number;
  /** KiB of one module in each bank; 0 for an empty one. */
  sizes: number[];
  /** Modules that sit in a bank without filling it and are not counted: bank and how many. */
  idle: { bank: string; count: number }[];
  shadowKiB: number;
  mostShadowKiB: number;
}

export interface CountReading {
  explanations: Explained[];
  /** What all of them have in common, in words; empty when there is none. */
  common: CommonMemory[];
}

/** What can be withheld for copies of ROMs: blocks of 16 KiB between A0000h and FFFFFh. */
const shadowings = Array.from({ length: 25 }, (_, n) => n * 16);

/**
 * Works backwards from an observed count: which fillings, under which shadowing, show just that.
 * @param counted as the start-up showed it, in KiB (base and extended together), as exactly as it was read
 */
export function fillingsShowing(facts: MemoryFacts, counted: SizeRange): CountReading {
  const known = [...new Set([...(facts.remap === 'no' ? [0] : shadowings), facts.shadowKiB])].sort(
    (a, b) => a - b
  );
  const explanations: Explained[] = [];
  const sizesOf = (forms: MemoryFacts['banks'][number]['forms']): number[] =>
    facts.sizesKiB.length
      ? facts.sizesKiB
      : forms.includes('chips')
        ? [64, 256]
        : [256, 1024, 4096, 8192, 16384];
  const choices = facts.banks.map((bank) =>
    sizesOf(bank.forms).map((kib): ModulePart => sizePart(facts, there(bank.forms[0]), kib))
  );
  let visits = 0;
  const look = (kib: number, sizes: number[]) => {
    const agree = known.filter((shadowKiB) => {
      const { count } = shownMemory(kib, facts, shadowKiB);
      return count >= counted.least && count <= counted.most;
    });
    if (agree.length)
      explanations.push({
        kib,
        sizes,
        idle: [],
        shadowKiB: there(agree[0]),
        mostShadowKiB: lastOf(agree)
      });
  };
  if (facts.onboardKiB)
    look(
      facts.onboardKiB,
      facts.banks.map(() => 0)
    );
  walkFillings(
    facts,
    choices,
    facts.maxKiB,
    (filling) => {
      if (++visits > MOST_VISITS) return false;
      if (!filling.banks.length) return true;
      const sizes = facts.banks.map((b) => filling.banks.find((f) => f.bank === b.id)?.part.module.kib ?? 0);
      look(filling.kib, sizes);
      return true;
    },
    { mixed: true }
  );
  return { explanations, common: commonOf(facts, explanations) };
}

/** A module of a size, for walking fillings by size alone. */
function sizePart(
  { types }: MemoryFacts,
  form: NonNullable<Part['module']>['form'],
  kib: number
): ModulePart {
  const module = { form, kib, ns: 60, parity: true, type: types[0] ?? 'dram', sides: 1 as const };
  return { id: `${form}-${kib}`, kind: 'memory', module } as ModulePart;
}

/** What all explanations agree in; sizes in KiB. */
export type CommonMemory =
  | { is: 'total' | 'withheld'; kib: number }
  | { is: 'empty'; bank: string }
  | { is: 'full'; bank: string; moduleKiB: number };

function commonOf(facts: MemoryFacts, list: readonly Explained[]): CommonMemory[] {
  if (!list.length) return [];
  const out: CommonMemory[] = [];
  const same = <T>(of: (e: Explained) => T): T | undefined =>
    list.every((e) => of(e) === of(there(list[0]))) ? of(there(list[0])) : undefined;
  const total = same((e) => e.kib);
  if (total !== undefined) out.push({ is: 'total', kib: total });
  facts.banks.forEach((bank, i) => {
    const kib = same((e) => e.sizes[i]);
    const name = bank.label ?? bank.id;
    if (kib === 0) out.push({ is: 'empty', bank: name });
    else if (kib !== undefined) out.push({ is: 'full', bank: name, moduleKiB: kib });
  });
  const shadow = same((e) => e.shadowKiB);
  if (shadow && same((e) => e.mostShadowKiB) === shadow) out.push({ is: 'withheld', kib: shadow });
  return out;
}

/** The modules of a filling, each kind once: four of one in bank 0 and four in bank 1 are eight to a person. */
export function modulesOf({ banks }: Filling): { part: ModulePart; count: number }[] {
  const counts = new Map<ModulePart, number>();
  for (const { part, count } of banks) counts.set(part, (counts.get(part) ?? 0) + count);
  return [...counts].map(([part, count]) => ({ part, count }));
}
