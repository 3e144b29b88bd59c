import { there } from '../model';
import type { MemoryFacts, ModuleForm, PartWith } from '../model';
import { fittedKiB, moduleMisfit, type BankFill } from './memory';

/** A module of memory. */
export type ModulePart = PartWith<'module'>;

/** One way to fill the banks of a board. */
export interface Filling {
  kib: number;
  banks: { bank: string; part: ModulePart; count: number }[];
}

type Bank = MemoryFacts['banks'][number];

/**
 * Whether modules of two forms are kept apart: those of 168 pins are made for 3.3 V, the others work at 5 V, and on the
 * same data lines the former may not survive it. Manuals of boards with sockets for both say: one kind or the other.
 */
export const keptApart = (a: ModuleForm, b: ModuleForm): boolean => (a === 'dimm168') !== (b === 'dimm168');

/**
 * The bank from which a board without a table cannot do: the first of a form of socket of which a later one is filled.
 * Banks of another form may stay empty: a board with sockets of 72 and of 168 pins begins in either.
 * @returns it when it is empty, else null
 */
export const emptyFirst = (banks: readonly Bank[], isFilled: (bank: Bank) => boolean): Bank | null =>
  banks.find((b) => isFirst(banks, b) && !isFilled(b) && banks.some((x) => alike(x, b) && isFilled(x))) ??
  null;

/** Whether a bank is the first of its form of socket. */
export const isFirst = (banks: readonly Bank[], bank: Bank): boolean =>
  banks.find((b) => alike(b, bank)) === bank;
const alike = (a: Bank, b: Bank): boolean => a.forms[0] === b.forms[0];

/**
 * The empty bank that is filled next, beside what is in: one whose modules may be in with those that are, and that
 * leaves none of its form empty before it.
 */
export const nextBank = (banks: readonly Bank[], isFilled: (bank: Bank) => boolean): Bank | null =>
  banks.find(
    (b) => !isFilled(b) && !banks.some((x) => isFilled(x) && keptApart(there(x.forms[0]), there(b.forms[0])))
  ) ?? null;

/** Whether a module is proposed for a bank: it is counted there, as what the board promises, with the parity it wants. */
export function moduleFits(
  facts: MemoryFacts,
  bank: MemoryFacts['banks'][number],
  part: ModulePart
): boolean {
  const module = part.module;
  return (
    !moduleMisfit(facts, bank, module) &&
    facts.types.includes(module.type) &&
    (facts.parity !== 'required' || module.parity)
  );
}

/** The banks that a person may fill with a module. Parity that is missing is told and does not bar it. */
export const banksFor = (facts: MemoryFacts, part: ModulePart): string[] =>
  facts.banks.filter((b) => moduleFits({ ...facts, parity: 'optional' }, b, part)).map((b) => b.id);

/** Whether the sizes bank by bank are a filling that the board knows. */
export function knownFilling(facts: MemoryFacts, sizes: readonly number[]): boolean {
  return (
    facts.fillings === undefined ||
    facts.fillings.some((row) => facts.banks.every((_, i) => (row[i] ?? 0) === (sizes[i] ?? 0)))
  );
}

const PER_SIZE = 2;

/**
 * Visits every filling of the banks that the board knows, each bank empty or filled with one of its choices.
 * Where the board has no table, banks of each form are filled from the first on, no module larger comes before a
 * smaller one, and what is kept apart is not in together.
 * @param visit told each filling with what it holds; returns whether to go on below it
 * @param mixed also what is kept apart: it may be in a machine, though nobody proposes it
 */
export function walkFillings(
  facts: MemoryFacts,
  choices: readonly (readonly ModulePart[])[],
  most: number,
  visit: (filling: Filling) => boolean,
  { mixed = false } = {}
): void {
  const walk = (i: number, banks: Filling['banks'], sizes: number[]): void => {
    const fills: BankFill[] = banks.map((b) => ({ bank: b.bank, module: b.part.module, count: b.count }));
    const kib = fittedKiB(facts, fills);
    if (kib > most || kib > facts.maxKiB) return;
    // An empty bank at the end is the same filling, visited once: when its last module went in.
    const isNew = sizes.length === 0 || there(sizes[sizes.length - 1]) > 0;
    if (kib > 0 && isNew && knownFilling(facts, sizes) && !visit({ kib, banks })) return;
    if (i === facts.banks.length) return;
    const bank = there(facts.banks[i]);
    const isListed = facts.fillings !== undefined;
    const hasGap = !isListed && facts.banks.some((b, j) => j < i && alike(b, bank) && sizes[j] === 0);
    for (const part of hasGap ? [] : there(choices[i])) {
      const { kib: size, form } = part.module;
      if (!isListed && !mixed && banks.some((b) => keptApart(b.part.module.form, form))) continue;
      // Without a table of its own a board wants the larger modules first; of what is kept apart nobody says an order.
      const before = mixed ? banks.filter((b) => !keptApart(b.part.module.form, form)) : banks;
      const last = before.at(-1)?.part.module.kib ?? Infinity;
      if (!isListed && size > last) continue;
      walk(i + 1, [...banks, { bank: bank.id, part, count: bank.sockets }], [...sizes, size]);
    }
    // A table may leave a bank out; without one it may stay empty when one of another form comes later.
    const later = facts.banks.slice(i + 1);
    const isLeftOut = facts.fillings
      ? facts.fillings.some((row) => (row[i] ?? 0) === 0 && row.slice(i + 1).some((x) => x > 0))
      : later.some((b) => !alike(b, bank));
    if (isLeftOut) walk(i + 1, banks, [...sizes, 0]);
  };
  walk(0, [], []);
}

/**
 * Fillings of a board from a list of modules, by capacity: for each capacity the cheapest by `cost`.
 * @param most stops looking at fillings above so many KiB
 */
export function fillings(
  facts: MemoryFacts,
  modules: readonly ModulePart[],
  cost: (part: ModulePart, count: number) => number,
  most = facts.maxKiB
): Filling[] {
  const best = new Map<number, { filling: Filling; cost: number }>();
  const choices = facts.banks.map((bank) => cheapestBySize(modules, facts, bank, cost));
  walkFillings(facts, choices, most, (filling) => {
    const sum = filling.banks.reduce((n, b) => n + cost(b.part, b.count), 0);
    const known = best.get(filling.kib);
    if (!known || sum < known.cost) best.set(filling.kib, { filling, cost: sum });
    return true;
  });
  return [...best.values()].map((b) => b.filling).sort((a, b) => a.kib - b.kib);
}

function cheapestBySize(
  modules: readonly ModulePart[],
  facts: MemoryFacts,
  bank: MemoryFacts['banks'][number],
  cost: (part: ModulePart, count: number) => number
): ModulePart[] {
  const bySize = new Map<number, ModulePart[]>();
  for (const part of modules)
    if (moduleFits(facts, bank, part)) {
      const { kib } = part.module;
      bySize.set(kib, [...(bySize.get(kib) ?? []), part]);
    }
  return [...bySize.values()].flatMap((list) =>
    [...list]
      .sort(
        (a, b) =>
          Number(a.module.ns > facts.ns) - Number(b.module.ns > facts.ns) ||
          cost(a, bank.sockets) - cost(b, bank.sockets) ||
          (a.id < b.id ? -1 : 1)
      )
      .slice(0, PER_SIZE)
  );
}
