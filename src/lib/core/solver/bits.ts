/** Sets of small integers as words of 32 bits. */
export type Bits = Uint32Array;

export const emptyBits = (size: number): Bits => new Uint32Array((size + 31) >>> 5);

export function bitsOf(list: readonly number[], size: number): Bits {
  const bits = emptyBits(size);
  for (const i of list) setBit(bits, i);
  return bits;
}

export function setBit(bits: Bits, i: number): void {
  bits[i >>> 5] |= 1 << (i & 31);
}

export function orInto(target: Bits, other: Bits): void {
  for (let w = 0; w < target.length; w++) target[w] |= other[w];
}

export function disjoint(a: Bits, b: Bits): boolean {
  for (let w = 0; w < a.length; w++) if (a[w] & b[w]) return false;
  return true;
}

/** Whether `big` holds everything that `small` holds. */
export function covers(big: Bits, small: Bits): boolean {
  for (let w = 0; w < small.length; w++) if (small[w] & ~big[w]) return false;
  return true;
}

export function union(a: Bits, b: Bits): Bits {
  const out = a.slice();
  orInto(out, b);
  return out;
}
