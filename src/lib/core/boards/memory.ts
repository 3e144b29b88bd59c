import type { MemoryFacts, ModuleFacts } from '../model';

/** What sits in one bank: how many modules of one kind. */
export interface BankFill {
  bank: string;
  module: ModuleFacts;
  count: number;
}

/** KiB in all: soldered and in banks that are full. Part-full banks do not count. */
export function fittedKiB(facts: MemoryFacts, fills: readonly BankFill[]): number {
  return facts.banks.reduce((sum, bank) => sum + bankKiB(bank.id, bank.sockets, fills), facts.onboardKiB);
}

function bankKiB(id: string, sockets: number, fills: readonly BankFill[]): number {
  const own = fills.filter((f) => f.bank === id);
  const count = own.reduce((n, f) => n + f.count, 0);
  const sizes = new Set(own.map((f) => f.module.kib));
  return count === sockets && sizes.size === 1 ? own[0].module.kib * sockets : 0;
}

export interface Shown {
  /** KiB that the start-up counts. */
  count: number;
  /** KiB below 640. */
  base: number;
  /** KiB above 1 MiB. */
  extended: number;
}

/**
 * What the start-up shows of the fitted memory. Below 1 MiB it is what is there; the 384 KiB under the
 * ROMs come back above 1 MiB only when the chipset remaps them, less what shadowing withholds; what is withheld
 * beyond them (memory of a display on the board) goes off the top.
 */
export function shownMemory(
  total: number,
  facts: Pick<MemoryFacts, 'remap' | 'shadowKiB'>,
  shadowKiB = facts.shadowKiB
): Shown {
  if (total < 1024) {
    const base = Math.min(640, total);
    return { count: base, base, extended: 0 };
  }
  const remaps = facts.remap === 'yes' || (facts.remap === 'without-shadow' && shadowKiB === 0);
  const back = remaps ? 384 - shadowKiB : Math.min(0, 384 - shadowKiB);
  const extended = Math.max(0, total - 1024 + back);
  return { count: 640 + extended, base: 640, extended };
}

/**
 * KiB below 640 that a program finds free, an estimate: DOS takes about 60; from DOS 5 on a 286 with memory
 * above 1 MiB most of it moves there.
 */
export function freeBase(shown: Shown, dos: number, isAt: boolean): number {
  const taken = dos >= 5 && isAt && shown.extended >= 64 ? 24 : 60;
  return Math.max(0, shown.base - taken);
}
