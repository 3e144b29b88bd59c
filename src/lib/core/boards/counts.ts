import type { MemoryFacts } from '../model';

/** KiB of the first megabyte that lie under display and ROMs. */
export const UNDER_ROMS = 384;
const HIGH_AREA = 64;

/** What a chipset does with the 384 KiB under display and ROMs. Known of no chipset: a set of these. */
export type Variant = 'none' | 'moves-256' | 'moves-rest' | 'moves-all';
export const VARIANTS: readonly Variant[] = ['none', 'moves-256', 'moves-rest', 'moves-all'];

/** KiB that come back above 1 MiB. @param shadowKiB what is kept for copies of ROMs, of the variant that moves the rest */
export const movedKiB = (variant: Variant, shadowKiB = 96): number =>
  ({ none: 0, 'moves-256': 256, 'moves-rest': Math.max(0, UNDER_ROMS - shadowKiB), 'moves-all': UNDER_ROMS })[
    variant
  ];

export interface Counted {
  /** KiB below 640 that DOS gets. */
  base: number;
  /** KiB that the BIOS reports above 1 MiB. */
  extended: number;
  /** KiB that the memory count shows. */
  count: number;
  /** KiB that a driver of extended memory gives, the high area kept apart. */
  xms: number;
}

/**
 * What is counted of fitted memory. From about 1993 on many boards count what is fitted, whatever they move.
 * @param totalKiB fitted, at least 1,024 for anything to lie above
 */
export function counted(
  totalKiB: number,
  variant: Variant,
  { shadowKiB = 96, countsFitted = false, withheldKiB = 0 } = {}
): Counted {
  if (totalKiB < 1024) {
    const base = Math.min(640, totalKiB);
    return { base, extended: 0, count: base, xms: 0 };
  }
  const extended = Math.max(0, totalKiB - 1024 + movedKiB(variant, shadowKiB) - withheldKiB);
  return {
    base: 640,
    extended,
    count: countsFitted ? totalKiB : 640 + extended,
    xms: Math.max(0, extended - HIGH_AREA)
  };
}

/** The variants that a board may have, as far as the catalogue knows. */
export const variantsOf = (facts: Pick<MemoryFacts, 'remap' | 'shadowKiB'>): Variant[] =>
  facts.remap === 'yes'
    ? ['moves-rest']
    : facts.shadowKiB === 0 && facts.remap !== 'no'
      ? ['moves-all']
      : ['none'];

export interface Backwards {
  totalKiB: number;
  variant: Variant;
  /** The count was of all that is fitted. */
  countsFitted: boolean;
}

/**
 * Which fillings give an observed count: every filling with every variant and both ways of counting.
 * @param from least KiB that was seen, `to` the most
 */
export function fromCount(
  from: number,
  to: number,
  fillingsKiB: readonly number[],
  variants: readonly Variant[] = VARIANTS,
  shadowKiB = 96
): Backwards[] {
  const out: Backwards[] = [];
  for (const totalKiB of new Set(fillingsKiB))
    for (const variant of variants)
      for (const countsFitted of [false, true]) {
        const { count } = counted(totalKiB, variant, { countsFitted, shadowKiB });
        if (count < from || count > to) continue;
        // Below 1 MiB, or with nothing moved and everything counted, the variants say the same.
        if (countsFitted && (totalKiB < 1024 || variant !== variants[0])) continue;
        if (totalKiB < 1024 && variant !== variants[0]) continue;
        out.push({ totalKiB, variant, countsFitted });
      }
  return out;
}

/** How a program measures what is there. */
export const MEASURES = ['bios', 'top', 'xms', 'ems', 'count'] as const;
export type Measure = (typeof MEASURES)[number];

/** KiB that each way of asking finds. `ems` is what a manager or card gives; a BIOS answer is 0 once XMS is taken. */
export function measured(c: Counted, emsKiB: number, isXmsLoaded: boolean): Record<Measure, number> {
  return {
    bios: isXmsLoaded ? 0 : c.extended,
    top: c.base < 640 && c.extended === 0 ? c.base : 1024 + c.extended,
    xms: isXmsLoaded ? c.xms : 0,
    ems: emsKiB,
    count: c.base + c.extended
  };
}

/** Whether a machine is enough for "needs N MiB" on a box, where nobody knows how the program measures. */
export const boxVerdict = (needKiB: number, c: Counted): 'fits' | 'try' | 'no' =>
  c.base + c.extended >= needKiB ? 'fits' : 1024 + c.extended >= needKiB && c.extended > 0 ? 'try' : 'no';
