import { there } from '../model';
import { chipCapacity, type ChipReading, type Chips } from './chips';

/** Data bits of the buses that loose chips were put on. */
export const BUS_BITS = [8, 16, 32] as const;

/** What a set would be with one chip fewer or more. */
export interface NeighbourSet {
  chips: Chips[];
  /** How many chips of which sort go or come. */
  change: number;
  of: Chips;
  readings: ChipReading[];
}

const withCount = (chips: readonly Chips[], at: number, count: number): Chips[] =>
  chips.flatMap((c, i) => (i === at ? (count > 0 ? [{ ...c, count }] : []) : [c]));

/**
 * What is left when a chip is taken out or lost: for each sort of chip the set with one fewer, and what it makes.
 * No readings: it makes no whole bytes any more.
 */
export const withOneLost = (chips: readonly Chips[]): NeighbourSet[] =>
  chips.map((of, i) => {
    const left = withCount(chips, i, of.count - 1);
    return { chips: left, change: -1, of, readings: left.length ? chipCapacity(left) : [] };
  });

/** A step to a set that fills whole banks of a bus. */
export interface LegalSet {
  banks: number;
  parity: boolean;
  kib: number;
  /** Chips more than there are now, by sort. */
  more: { of: Chips; count: number }[];
}

/** Chips of each sort that make a bank of so many data bits; null where they cannot. */
function bankOf(chips: readonly Chips[], busBits: number, parity: boolean): Map<Chips, number> | null {
  const [widest] = [...chips].sort((a, b) => (b.width ?? 0) - (a.width ?? 0));
  const single = chips.find((c) => c.width === 1);
  if (!widest?.width || new Set(chips.map((c) => c.depthK)).size > 1 || busBits % widest.width) return null;
  const need = new Map<Chips, number>([[widest, busBits / widest.width]]);
  if (parity) {
    if (widest.width === 9) return null;
    if (!single) return null;
    need.set(single, (need.get(single) ?? 0) + busBits / 8);
  }
  return need;
}

/**
 * The smallest set of whole banks that holds these chips, with and without parity, and what is missing to it.
 * A bank is as wide as the bus; a sort of chip without a stated width has no answer.
 */
export function nextLegal(chips: readonly Chips[], busBits: number): LegalSet[] {
  return [false, true].flatMap((parity): LegalSet[] => {
    const bank = bankOf(chips, busBits, parity);
    if (!bank) return [];
    if (chips.some((c) => !bank.has(c))) return [];
    const banks = Math.max(1, ...[...bank].map(([c, n]) => Math.ceil(c.count / n)));
    const more = [...bank].flatMap(([of, n]) => {
      const count = n * banks - of.count;
      return count > 0 ? [{ of, count }] : [];
    });
    return [{ banks, parity, kib: (banks * busBits * there(chips[0]).depthK) / 8, more }];
  });
}
