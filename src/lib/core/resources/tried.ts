import type { Item, Slot, Trial } from '../model';

/** What became of a card in one slot of one board. */
export interface TriedHere {
  works: number;
  not: number;
  /** Date of the last of them; null: none was written down with a date. */
  last: string | null;
}

/** A clock read off a crystal or a switch is not written down to the last digit. */
const SAME_CLOCK = 0.03;

/**
 * Tries of a card in this slot of this board. "Works partly" is no yes and no no, and counts as not working.
 * @param mhz ISA clock now; null: nobody knows it. A try counts at the same clock only
 * @returns at this clock, and those of which the clock is another one or unknown
 */
export function triedHere(
  item: Pick<Item, 'tried'>,
  board: string,
  slot: Slot,
  mhz: number | null
): { same: TriedHere; other: TriedHere } {
  const here = (item.tried ?? []).filter(
    (t) => t.board === board && t.slot !== undefined && (t.slot === slot.id || t.slot === slot.label)
  );
  const isSame = ({ clockMHz }: Trial) =>
    mhz !== null && clockMHz !== undefined && Math.abs(clockMHz - mhz) <= SAME_CLOCK * mhz;
  return { same: sum(here.filter(isSame)), other: sum(here.filter((t) => !isSame(t))) };
}

const sum = (trials: readonly Trial[]): TriedHere => ({
  works: trials.filter((t) => t.result === 'works').length,
  not: trials.filter((t) => t.result !== 'works').length,
  last:
    trials
      .flatMap((t) => t.date ?? [])
      .sort()
      .at(-1) ?? null
});

/** Tries of a drive on this board, whatever runs it there. */
export const triedOnBoard = (item: Pick<Item, 'tried'>, board: string): TriedHere =>
  sum((item.tried ?? []).filter((t) => t.board === board));

/** Whether a card was ever seen to work in this slot of this board: no catalogue bars it there any more. */
export const workedHere = (item: Pick<Item, 'tried'>, board: string, slot: Slot): boolean =>
  triedHere(item, board, slot, null).other.works > 0;
