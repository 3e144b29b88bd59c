/** A size of memory as somebody told it, in KiB: exact when both ends are the same. */
export interface SizeRange {
  least: number;
  most: number;
}

/** Digits in groups of three: 3,712 and 3 712 are one number, not a fraction. */
const GROUPED = String.raw`\d{1,3}(?:[.,\s]\d{3})+`;
const NUMBER = String.raw`(${GROUPED}(?!\d)|\d+(?:[.,]\d+)?)\s*(kib?|mib?|kb?|mb?)?`;
const ONE = new RegExp(`^${NUMBER}$`, 'i');
const TWO = new RegExp(String.raw`^(?:between\s+)?${NUMBER}\s*(?:-|–|to|and|\.\.\.?|…)\s*${NUMBER}$`, 'i');
/** How far "about" may be off: start-ups round, and people read while the number runs. */
const ABOUT = 0.05;
/** A bare number up to this is taken as MiB where sizes are wished for. */
const SMALL = 128;

/** Ways to say a size that is not exact, each with what it means for a number; the longer sign before the shorter. */
const HEDGES: readonly [RegExp, (kib: number) => SizeRange][] = [
  [
    /^(?:about|around|roughly|approximately|approx\.?|ca\.?|~|≈)\s*/i,
    (kib) => ({ least: Math.floor(kib * (1 - ABOUT)), most: Math.ceil(kib * (1 + ABOUT)) })
  ],
  [/^(?:at least|>=|≥)\s*/i, (kib) => ({ least: kib, most: Infinity })],
  [/^(?:more than|over|above|>)\s*/i, (kib) => ({ least: kib + 1, most: Infinity })],
  [/^(?:at most|up to|<=|≤)\s*/i, (kib) => ({ least: 0, most: kib })],
  [/^(?:less than|under|below|<)\s*/i, (kib) => ({ least: 0, most: kib - 1 })]
];

/**
 * Reads `3712`, `3712 KB`, `4 MiB`, `about 3700`, `more than 640`, `3500–3800`, `3 to 4 MB`.
 * @param bare what a number without a unit is: KiB as a start-up counts, or MiB when it is small, as people wish
 * @returns null when it is not understood
 */
export function readSize(told: string, bare: 'KiB' | 'small is MiB' = 'KiB'): SizeRange | null {
  const text = told.trim();
  const kib = (number: string, unit: string | undefined): number => {
    const isGrouped = new RegExp(`^${GROUPED}$`).test(number);
    const n = Number(isGrouped ? number.replace(/\D/g, '') : number.replace(',', '.'));
    const isMega = unit ? /^m/i.test(unit) : bare === 'small is MiB' && n <= SMALL;
    return Math.round(isMega ? n * 1024 : n);
  };
  const two = TWO.exec(text);
  if (two) {
    const ends = [kib(two[1], two[2] ?? two[4]), kib(two[3], two[4] ?? two[2])];
    return { least: Math.min(...ends), most: Math.max(...ends) };
  }
  const hedge = HEDGES.find(([sign]) => sign.test(text));
  const one = ONE.exec(hedge ? text.replace(hedge[0], '') : text);
  if (!one) return null;
  const exact = kib(one[1], one[2]);
  return hedge ? hedge[1](exact) : { least: exact, most: exact };
}
