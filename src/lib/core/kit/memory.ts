import { fittedKiB } from '../boards';
import type { PartFunction } from '../model';
import { isIn, isOn, type Fitted } from '../resources';
import type { Kit } from './kit';

/** Where memory on cards can go: below the display memory. */
const CONVENTIONAL_KIB = 640;

/** Memory on a card as its switches place it: its own, or expanded memory that fills conventional memory up. */
export interface CardMemory {
  card: Fitted;
  fn: PartFunction;
  kib: number;
  /** Where it begins; null: nothing says, and it is taken to go on where the memory before it ends. */
  startKiB: number | null;
  /** Expanded memory: what is filled up from it is lost to programs as expanded memory. */
  isBackfill: boolean;
  /** Somebody looked at the setting, or chose it. */
  isSeen: boolean;
}

/** Memory of cards, in the order of where it begins. */
export const cardMemories = ({ m, at }: Kit): CardMemory[] =>
  m.fitted
    .flatMap((card) =>
      card.part.functions.flatMap((fn): CardMemory[] => {
        const isBackfill = fn.kind === 'ems' && fn.startKiB !== undefined;
        if (
          !card.slot ||
          !isIn(card) ||
          !(fn.kind === 'memory' || isBackfill) ||
          !fn.memoryKiB ||
          !isOn(card, fn, at)
        )
          return [];
        const setting = fn.startKiB?.setting;
        const position = setting === undefined ? undefined : at(card.item.id, setting);
        const startKiB = position === undefined ? null : (fn.startKiB?.values[position] ?? null);
        const isSeen = setting !== undefined && (setting in card.item.asFound || setting in card.item.chosen);
        if (!isBackfill) return [{ card, fn, kib: fn.memoryKiB, startKiB, isBackfill, isSeen }];
        // Of which nobody knows how it stands, nothing can be counted on.
        const from = startKiB ?? CONVENTIONAL_KIB;
        const kib = Math.min(fn.memoryKiB, Math.max(0, CONVENTIONAL_KIB - from));
        return [{ card, fn, kib, startKiB: from, isBackfill, isSeen }];
      })
    )
    .sort((a, b) => (a.startKiB ?? Infinity) - (b.startKiB ?? Infinity));

/** KiB of expanded memory on cards, less what fills conventional memory up. */
export const expandedKiB = (kit: Kit): number => {
  const filled = cardMemories(kit).reduce((sum, c) => sum + (c.isBackfill ? c.kib : 0), 0);
  const all = kit.m.fitted.flatMap((f) =>
    f.part.functions.filter((fn) => fn.kind === 'ems' && !f.misfit && isOn(f, fn, kit.at))
  );
  return all.reduce((sum, fn) => sum + (fn.memoryKiB ?? 0), 0) - filled;
};

/** KiB on the board: soldered and in banks that are full. */
export const boardKiB = (kit: Kit): number =>
  kit.memory
    ? fittedKiB(
        kit.memory,
        [...kit.banks].flatMap(([bank, list]) =>
          list.map(({ placed, count }) => ({ bank, module: placed.part.module, count }))
        )
      )
    : 0;

/** A card against what lies before it. */
export interface CardStep extends CardMemory {
  /** KiB at which the memory before it ends. */
  endsKiB: number;
  /** `unfilled`: a card that could fill conventional memory up is not set to. */
  fits: 'behind' | 'gap' | 'overlap' | 'unfilled';
}

function fitOf({ isBackfill, kib }: CardMemory, from: number, endKiB: number): CardStep['fits'] {
  if (isBackfill && kib === 0) return endKiB < CONVENTIONAL_KIB ? 'unfilled' : 'behind';
  return from > endKiB ? 'gap' : from < endKiB ? 'overlap' : 'behind';
}

function stepsOf(kit: Kit): { steps: CardStep[]; endKiB: number } {
  let endKiB = boardKiB(kit);
  const steps = cardMemories(kit).map((c): CardStep => {
    const from = c.startKiB ?? endKiB;
    const step: CardStep = { ...c, endsKiB: endKiB, fits: fitOf(c, from, endKiB) };
    // POST counts upward and stops at the first hole.
    if (step.fits !== 'gap' && c.kib > 0) endKiB = Math.max(endKiB, Math.min(CONVENTIONAL_KIB, from + c.kib));
    return step;
  });
  return { steps, endKiB };
}

/** Each card with memory, from the lowest up. */
export const cardSteps = (kit: Kit): CardStep[] => stepsOf(kit).steps;

/**
 * KiB that are fitted as POST can count them: on the board, and on cards as far as they go on where the memory before
 * them ends, below 640 KiB. The very first BIOS counts no further than 544 KiB.
 */
export const totalKiB = (kit: Kit): number =>
  Math.min(stepsOf(kit).endKiB, kit.firmware?.firmware?.mostBaseKiB ?? Infinity);
