import { romRefusals } from '../../words';

/** ROMs of a 16-bit bus lie in two chips: one holds the even bytes, the other the odd ones. */

export interface Half {
  chip: 'even' | 'odd';
  of: 'option' | 'system';
}

const SLASH = 0x2f;
const isDigit = (n: number | undefined) => n !== undefined && n >= 0x30 && n <= 0x39;

/**
 * Which chip of a pair it is. An option ROM begins 55 in the even chip and AA in the odd one; of a system ROM the jump
 * of the first instruction stands in the even one, and each has half of the date.
 */
export function halfOf(b: Uint8Array): Half | null {
  const end = b.length;
  if (end < 16) return null;
  if (b[end - 8] === 0xea && b[end - 3] === SLASH && isDigit(b[end - 5]) && isDigit(b[end - 4]))
    return { chip: 'even', of: 'system' };
  if (b[end - 5] === SLASH && isDigit(b[end - 6]) && isDigit(b[end - 4]) && isDigit(b[end - 3]))
    return { chip: 'odd', of: 'system' };
  if (b[0] === 0x55) return { chip: 'even', of: 'option' };
  return b[0] === 0xaa ? { chip: 'odd', of: 'option' } : null;
}

/** Splits a ROM of a 16-bit bus into its even and its odd chip. @throws RangeError when it has an odd length */
export function splitPair(data: Uint8Array): { even: Uint8Array; odd: Uint8Array } {
  if (data.length % 2) throw new RangeError(romRefusals.oddLength(data.length));
  return { even: data.filter((_, i) => i % 2 === 0), odd: data.filter((_, i) => i % 2 === 1) };
}

/** Joins an even and an odd chip. @throws RangeError when they differ in length */
export function joinPair(even: Uint8Array, odd: Uint8Array): Uint8Array {
  if (even.length !== odd.length) throw new RangeError(romRefusals.unlike(even.length, odd.length));
  const out = new Uint8Array(even.length * 2);
  even.forEach((b, i) => (out[i * 2] = b));
  odd.forEach((b, i) => (out[i * 2 + 1] = b));
  return out;
}
