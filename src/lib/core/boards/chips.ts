import { withDigits, there } from '../model';
import { readMarking } from './markings';
import { Refusal } from '../refusal';

/** A row of memory chips: how many, and the organisation that their marking says. */
export interface Chips {
  count: number;
  /** Depth in K: 256 for 256K. */
  depthK: number;
  /** Bits of one chip; null when the marking does not say the width. */
  width: number | null;
}

/** Why a list of chips cannot be read; `typed` is the entry. */
export type ChipsFlaw = { is: 'empty' } | { is: 'unread' | 'range' | 'width'; typed: string };

/** What was typed is no list of chips. */
export class ChipsError extends Refusal<ChipsFlaw> {}

/**
 * Reads `9 × 256K×1`, `8 of 256K x 4`, `2 × 256K×4 + 1 × 256K×1`, `24 1M×1`, `8 × 256K` (width not said).
 * @throws ChipsError with what cannot be read
 */
export function readChips(text: string): Chips[] {
  const entries = text
    .split(/[+,;\n]|\band\b/i)
    .map((t) => t.trim())
    .filter(Boolean);
  if (!entries.length) throw new ChipsError({ is: 'empty' });
  return entries.map((typed) => {
    const entry = plainEntry(typed);
    const marked = markedChips(entry);
    if (marked) return marked;
    const m =
      /^(\d{1,3})\s*(?:x|×|\*|of|chips? of)?\s+?(\d{1,5})\s*([km])\s*(?:(?:x|×|\*|by)\s*(\d{1,2}))?$/i.exec(
        entry.replace(/^(\d+)\s*[x×*]\s*/, '$1 ')
      );
    if (!m) throw new ChipsError({ is: 'unread', typed });
    const [count, depth] = [Number(m[1]), Number(m[2]) * (there(m[3]).toLowerCase() === 'm' ? 1024 : 1)];
    const width = m[4] === undefined ? null : Number(m[4]);
    if (count < 1 || depth < 1 || depth > 65536) throw new ChipsError({ is: 'range', typed: entry });
    if (width !== null && ![1, 2, 4, 8, 9, 16].includes(width))
      throw new ChipsError({ is: 'width', typed: entry });
    return { count, depthK: depth, width };
  });
}

/** `8 pcs 44256`, `41256-15 x9`, `two 44256`, `256K×1-12`: as the others are written. */
const plainEntry = (entry: string): string =>
  withDigits(entry)
    .replace(/^(\d{1,3})\s*(?:pcs?\.?|pieces?|off)\s+(?:of\s+)?/i, '$1 × ')
    .replace(/^(\S+)\s+[x×*]\s*(\d{1,3})$/i, '$2 × $1')
    // The speed of an organisation that is written out says nothing of its size.
    .replace(/([km](?:\s*(?:x|×|\*|by)\s*\d{1,2})?)\s*(?:-\s*\d{2,3}|\s\d{2,3}\s*ns)$/i, '$1')
    .replace(/^(\d{1,5}[km]\s*(?:x|×|\*|by)\s*\d{1,2})$/i, '1 × $1');

/** `9 × 41256-12`, `41464-10`: a count and the number printed on each chip. Null: it is no memory number. */
function markedChips(entry: string): Chips | null {
  const m =
    /^(?:(\d{1,3})\s*(?:x|×|\*|of|chips? of)?\s+|(\d{1,3})\s*[x×*]\s*)?([A-Z]{0,6}\d{4,7}[A-Z0-9-]*|\d{2}C\d{2,4}[A-Z0-9-]*)$/i.exec(
      entry
    );
  const marking = m && readMarking(there(m[3]));
  if (!m || !marking) return null;
  const count = Number(m[1] ?? m[2] ?? 1);
  return count < 1 ? null : { count, depthK: marking.depthK, width: marking.width };
}

export interface ChipReading {
  /** KiB of data, parity left out. */
  kib: number;
  parity: boolean;
  /** Widths taken where the marking gave none. */
  widths: (number | null)[];
  /** Groups of chips, each so many bits wide, with parity apart, and so deep in K. */
  groups: { dataBits: number; parityBits: number; depthK: number }[];
}

/**
 * Capacity of a set of chips in every reading that its marking leaves open. All chips of a set are as deep;
 * bits that make nines and no eights are bytes with parity. A width that is not said is tried as 1, 4 and 8.
 * @returns nothing when no reading makes whole bytes: a chip is missing, or was counted twice
 */
export function chipCapacity(chips: readonly Chips[]): ChipReading[] {
  if (!chips.length) return [];
  const open = chips.map((c) => (c.width === null ? [1, 4, 8] : [c.width]));
  const combos = open.reduce<number[][]>(
    (all, widths) => all.flatMap((a) => widths.map((w) => [...a, w])),
    [[]]
  );
  return combos.flatMap((widths) => readingsOf(chips, widths));
}

function readingsOf(chips: readonly Chips[], widths: readonly number[]): ChipReading[] {
  const depths = [...new Set(chips.map((c) => c.depthK))];
  const told = chips.map((c, i) => (c.width === null ? there(widths[i]) : null));
  // Rows of other depths stand beside each other, each by itself.
  if (depths.length > 1) {
    const each = depths.flatMap((d) => {
      const own = chips.flatMap((c, i) => (c.depthK === d ? [{ c, w: there(widths[i]) }] : []));
      return readingsOf(
        own.map((o) => o.c),
        own.map((o) => o.w)
      ).slice(0, 1);
    });
    if (each.length < depths.length) return [];
    return [
      {
        kib: each.reduce((n, e) => n + e.kib, 0),
        parity: each.some((e) => e.parity),
        widths: told,
        groups: each.flatMap((e) => e.groups)
      }
    ];
  }
  const bits = chips.reduce((n, c, i) => n + c.count * there(widths[i]), 0);
  const depth = there(depths[0]);
  const make = (dataBits: number, parity: boolean): ChipReading => ({
    kib: (dataBits * depth) / 8,
    parity,
    widths: told,
    groups: [{ dataBits, parityBits: parity ? bits - dataBits : 0, depthK: depth }]
  });
  const out: ChipReading[] = [];
  // One-bit chips beside wider ones hold the parity: the wide ones must make the whole bytes by themselves.
  const singles = chips.reduce((n, c, i) => n + (widths[i] === 1 ? c.count : 0), 0);
  const isMixed = singles > 0 && singles < chips.reduce((n, c) => n + c.count, 0);
  const nines = bits % 9 === 0 && (!isMixed || singles * 9 === bits);
  const eights = bits % 8 === 0 && !isMixed;
  // Seventy-two bits can be nine plain bytes; with the small banks of the time that is no bank width.
  if (nines) out.push(make((bits / 9) * 8, true));
  if (eights && (!nines || bits % 72 === 0)) out.push(make(bits, false));
  return out;
}
