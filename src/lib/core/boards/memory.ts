import { there } from '../model';
import type { MemoryFacts, ModuleFacts } from '../model';
import { UNDER_ROMS, counted } from './counts';

/** What sits in one bank: how many modules of one kind. */
export interface BankFill {
  bank: string;
  module: ModuleFacts;
  count: number;
}

type Bank = MemoryFacts['banks'][number];

/**
 * Why a bank does not count a module; null: it does. EDO works as fast-page memory on most boards from the 486 on, which
 * is told elsewhere. Of a board for 168-pin modules of which only the types of older ones are told, nobody told them.
 */
export function moduleMisfit(
  { sizesKiB, types }: Pick<MemoryFacts, 'sizesKiB' | 'types'>,
  bank: Pick<Bank, 'forms'>,
  module: ModuleFacts
): 'form' | 'size' | 'type' | null {
  if (!bank.forms.includes(module.form)) return 'form';
  if (sizesKiB.length && !sizesKiB.includes(module.kib)) return 'size';
  const isTold = module.form !== 'dimm168' || types.some((t) => t === 'sdram' || t === 'edo');
  return !isTold || types.includes(module.type) || module.type === 'edo' ? null : 'type';
}

/** KiB in all: soldered and in banks that are full. Part-full banks do not count, nor what a bank does not take. */
export function fittedKiB(facts: MemoryFacts, fills: readonly BankFill[]): number {
  return facts.banks.reduce((sum, bank) => sum + bankKiB(facts, bank, fills), facts.onboardKiB);
}

function bankKiB(facts: MemoryFacts, bank: Bank, fills: readonly BankFill[]): number {
  const own = fills.filter((f) => f.bank === bank.id);
  const count = own.reduce((n, f) => n + f.count, 0);
  const sizes = new Set(own.map((f) => f.module.kib));
  const isCounted =
    count === bank.sockets && sizes.size === 1 && own.every((f) => !moduleMisfit(facts, bank, f.module));
  return isCounted ? there(own[0]).module.kib * bank.sockets : 0;
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
  const remaps = facts.remap === 'yes' || (facts.remap === 'without-shadow' && shadowKiB === 0);
  const { count, base, extended } = counted(total, remaps ? 'moves-rest' : 'none', {
    shadowKiB,
    withheldKiB: Math.max(0, shadowKiB - UNDER_ROMS)
  });
  return { count, base, extended };
}

/**
 * KiB below 640 that a program finds free, an estimate: DOS takes about 60; from DOS 5 on a 286 with memory
 * above 1 MiB most of it moves there.
 */
export function freeBase(shown: Shown, dos: number, isAt: boolean): number {
  const taken = dos >= 5 && isAt && shown.extended >= 64 ? 24 : 60;
  return Math.max(0, shown.base - taken);
}
