import { there } from '../model';
/** A size of memory as somebody told it, in KiB: exact when both ends are the same. */
export interface SizeRange {
  least: number;
  most: number;
}

/** Digits in groups of three: 3,712 and 3 712 are one number, not a fraction. */
const GROUPED = String.raw`\d{1,3}(?:[.,\s]\d{3})+`;
const UNIT = String.raw`k(?:ib?|b|[ -]?bytes?|ilobytes?)?|m(?:ib?|b|egs?|[ -]?bytes?|egabytes?)?`;
const NUMBER = String.raw`(${GROUPED}(?!\d)|\d+(?:[.,]\d+)?)\s*(${UNIT})?`;
const ONE = new RegExp(`^${NUMBER}$`, 'i');
/** `4096 ± 64`. */
const GIVE_OR_TAKE = new RegExp(String.raw`^${NUMBER}\s*(?:±|\+\s*[-/]+\s*|give or take)\s*${NUMBER}$`, 'i');
/** `640 + 3072`, `640K base, 3072K extended`: as a BIOS that shows both has it. */
const SUM = new RegExp(
  String.raw`^(?:base|conventional|low)?[\s:=]*${NUMBER}\s*(?:base|conventional|low)?\s*(?:\+|,|and|&|/|\s)\s*(?:extended|xms|high|ext\.?)?[\s:=]*${NUMBER}\s*(?:extended|xms|high|ext\.?)?$`,
  'i'
);
const SAYS_SUM = /\+|extended|xms|\bext\b/i;
/** Words around a count that say nothing of its size. */
const AROUND: readonly RegExp[] = [
  /^(?:exactly|precisely|just|it (?:counted|counts|says|shows|stopped at|stops at)|count(?:ed|s)?(?: to)?|shows?|says|post(?: says)?|stopp?(?:ed|s)? at|hangs? at|hung at|freezes at|froze at)\s*:?\s*(?=\d)/i,
  /\s*(?:exactly|ok|okay|good|passed|pass|tested|total|in all|memory|of memory|ram|counted|found)\.?$/i
];
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
  [
    /^(?:almost|nearly|just under|not quite)\s*/i,
    (kib) => ({ least: Math.floor(kib * (1 - ABOUT)), most: kib - 1 })
  ],
  [
    /^(?:just over|just above|a (?:bit|little) (?:over|more than))\s*/i,
    (kib) => ({ least: kib + 1, most: Math.ceil(kib * (1 + ABOUT)) })
  ],
  [
    /^(?:at least|at the least|no less than|not less than|min(?:imum|\.)?(?: of)?|>=|≥)\s*/i,
    (kib) => ({ least: kib, most: Infinity })
  ],
  [/^(?:more than|over|above|>)\s*/i, (kib) => ({ least: kib + 1, most: Infinity })],
  [
    /^(?:at (?:the )?most|up to|no more than|not more than|not over|max(?:imum|\.)?(?: of)?|<=|≤)\s*/i,
    (kib) => ({ least: 0, most: kib })
  ],
  [/^(?:less than|under|below|<)\s*/i, (kib) => ({ least: 0, most: kib - 1 })]
];

/** Hedges behind the number, as those in front say it. */
const BEHIND: readonly [RegExp, string][] = [
  [/\s*(?:or so|or thereabouts|roughly|-ish|ish|\?)$/i, 'about'],
  [/\s*(?:or more|or over|and up|at least|\+)$/i, 'at least'],
  [/\s*(?:or less|or under|at most|max(?:imum)?)$/i, 'at most']
];

/**
 * Reads `3712`, `3712 KB OK`, `4 MiB`, `about 3700`, `more than 640`, `stopped at 3328`, `3500–3800`, `3 to 4 meg`,
 * `4096 ± 64`, `8 MB or more`, `640K base, 3072K extended`.
 * @param bare what a number without a unit is: KiB as a start-up counts, or MiB when it is small, as people wish
 * @returns null when it is not understood
 */
export function readSize(told: string, bare: 'KiB' | 'small is MiB' = 'KiB'): SizeRange | null {
  const text = AROUND.reduce((t, words) => t.replace(words, ''), told.trim()).trim();
  const kib = (number: string, unit: string | undefined): number => {
    const isGrouped = new RegExp(`^${GROUPED}$`).test(number);
    const n = Number(isGrouped ? number.replace(/\D/g, '') : number.replace(',', '.'));
    const isMega = unit ? /^m/i.test(unit) : bare === 'small is MiB' && n <= SMALL;
    return Math.round(isMega ? n * 1024 : n);
  };
  const two = TWO.exec(text);
  if (two) {
    const ends = [kib(there(two[1]), two[2] ?? two[4]), kib(there(two[3]), two[4] ?? two[2])];
    return { least: Math.min(...ends), most: Math.max(...ends) };
  }
  const around = GIVE_OR_TAKE.exec(text);
  if (around) {
    const middle = kib(there(around[1]), around[2] ?? around[4]);
    // `4 MB ± 64` is KiB, `16 MB ± 1` is MiB: nobody is unsure of more than there is.
    const asSaid = kib(there(around[3]), around[4] ?? around[2]);
    const more = asSaid < middle ? asSaid : kib(there(around[3]), around[4] ?? 'K');
    return { least: Math.max(0, middle - more), most: middle + more };
  }
  const sum = SAYS_SUM.test(text) ? SUM.exec(text) : null;
  if (sum) {
    const all = kib(there(sum[1]), sum[2]) + kib(there(sum[3]), sum[4]);
    return { least: all, most: all };
  }
  // `4 MB or so`, `8 MB or more`: the hedge stands behind.
  const behind = BEHIND.find(([words]) => words.test(text));
  const hedge = behind ? null : HEDGES.find(([sign]) => sign.test(text));
  const bareText = behind ? text.replace(behind[0], '') : hedge ? text.replace(hedge[0], '') : text;
  const one = ONE.exec(bareText.trim());
  if (!one) return null;
  if (behind) return readSize(`${behind[1]} ${bareText.trim()}`, bare);
  const exact = kib(there(one[1]), one[2]);
  return hedge ? hedge[1](exact) : { least: exact, most: exact };
}
