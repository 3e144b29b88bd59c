import { there } from '../model';

/**
 * Sets of small integers as words of 32 bits. This is the innermost of every search: marks instead of checks, each at
 * a place that its own loop counts or that the size of the set covers.
 */
export type Bits = Uint32Array;

export const emptyBits = (size: number): Bits => new Uint32Array((size + 31) >>> 5);

export function bitsOf(list: readonly number[], size: number): Bits {
  const bits = emptyBits(size);
  for (const i of list) setBit(bits, i);
  return bits;
}

export function setBit(bits: Bits, i: number): void {
  bits[i >>> 5]! |= 1 << (i & 31);
}

export const hasBit = (bits: Bits, i: number): boolean => (bits[i >>> 5]! & (1 << (i & 31))) !== 0;

export function dropBit(bits: Bits, i: number): void {
  bits[i >>> 5]! &= ~(1 << (i & 31));
}

/** The members of a set, ascending. */
export function listOf(bits: Bits): number[] {
  const list: number[] = [];
  bits.forEach((word, w) => {
    for (let open = word; open; open &= open - 1) list.push(w * 32 + 31 - Math.clz32(open & -open));
  });
  return list;
}

export function orInto(target: Bits, other: Bits): void {
  for (let w = 0; w < target.length; w++) target[w]! |= other[w]!;
}

/** Keeps the members that one of two sets holds. */
export function keepEither(target: Bits, a: Bits, b: Bits): void {
  target.forEach((word, w) => (target[w] = word & (there(a[w]) | there(b[w]))));
}

/** Takes the members of another set out. */
export function dropAll(target: Bits, other: Bits): void {
  for (let w = 0; w < target.length; w++) target[w]! &= ~other[w]!;
}

export function disjoint(a: Bits, b: Bits): boolean {
  for (let w = 0; w < a.length; w++) if (a[w]! & b[w]!) return false;
  return true;
}

export function isEmpty(bits: Bits): boolean {
  for (let w = 0; w < bits.length; w++) if (bits[w]) return false;
  return true;
}

/** Whether `big` holds everything that `small` holds. */
export function covers(big: Bits, small: Bits): boolean {
  for (let w = 0; w < small.length; w++) if (small[w]! & ~big[w]!) return false;
  return true;
}

export function union(a: Bits, b: Bits): Bits {
  const out = a.slice();
  orInto(out, b);
  return out;
}
