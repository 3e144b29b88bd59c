import { fittedKiB } from '../boards';
import type { PartFunction } from '../model';
import { isOn, type Fitted } from '../resources';
import type { Kit } from './kit';

/** Where memory on cards can go: below the display memory. */
const CONVENTIONAL_KIB = 640;

/** Memory on a card as its switches place it. */
export interface CardMemory {
  card: Fitted;
  fn: PartFunction;
  kib: number;
  /** Where it begins; null: nothing says, and it is taken to go on where the memory before it ends. */
  startKiB: number | null;
  /** Somebody looked at the setting, or chose it. */
  isSeen: boolean;
}

/** Memory of cards, in the order of where it begins. */
export const cardMemories = ({ m, at }: Kit): CardMemory[] =>
  m.fitted
    .flatMap((card) =>
      card.part.functions.flatMap((fn): CardMemory[] => {
        if (!card.slot || fn.kind !== 'memory' || !fn.memoryKiB || !isOn(card, fn, at)) return [];
        const setting = fn.startKiB?.setting;
        const position = setting === undefined ? undefined : at(card.item.id, setting);
        return [
          {
            card,
            fn,
            kib: fn.memoryKiB,
            startKiB: position === undefined ? null : (fn.startKiB!.values[position] ?? null),
            isSeen: setting !== undefined && (setting in card.item.asFound || setting in card.item.chosen)
          }
        ];
      })
    )
    .sort((a, b) => (a.startKiB ?? Infinity) - (b.startKiB ?? Infinity));

/** KiB on the board: soldered and in banks that are full. */
export const boardKiB = (kit: Kit): number =>
  kit.memory
    ? fittedKiB(
        kit.memory,
        [...kit.banks].flatMap(([bank, list]) =>
          list.map(({ placed, count }) => ({ bank, module: placed.part.module!, count }))
        )
      )
    : 0;

/** A card against what lies before it. */
export interface CardStep extends CardMemory {
  /** KiB at which the memory before it ends. */
  endsKiB: number;
  fits: 'behind' | 'gap' | 'overlap';
}

function stepsOf(kit: Kit): { steps: CardStep[]; endKiB: number } {
  let endKiB = boardKiB(kit);
  const steps = cardMemories(kit).map((c): CardStep => {
    const from = c.startKiB ?? endKiB;
    const step: CardStep = {
      ...c,
      endsKiB: endKiB,
      fits: from > endKiB ? 'gap' : from < endKiB ? 'overlap' : 'behind'
    };
    // POST counts upward and stops at the first hole.
    if (step.fits !== 'gap') endKiB = Math.max(endKiB, Math.min(CONVENTIONAL_KIB, from + c.kib));
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
