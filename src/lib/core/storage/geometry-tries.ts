import { there } from '../model';
/** One try of a geometry in a machine: cylinders typed, and what happened. */
export interface GeometryTry {
  cylinders: number;
  result: 'started' | 'hung' | 'too-small' | 'not-found';
}

/** A cylinder count at which setups of the time stop; `words` says what stops there. */
export const BOUNDARIES = [1024, 4095, 6322, 8192, 15_360, 16_383] as const;
export type Boundary = (typeof BOUNDARIES)[number];

/** Why a count comes next, or why none does. `low` started (0: nothing did), `high` did not (null: nothing failed). */
export type GeometryReason =
  | { is: 'bios' | 'as-reported' }
  | { is: 'contradiction'; low: number; high: number }
  | { is: 'all' | 'most'; low: number }
  | { is: 'boundary'; low: number; high: number | null; at: Boundary }
  | { is: 'boundary-reached'; at: Boundary }
  | { is: 'halfway'; low: number; high: number };

export interface NextGeometry {
  /** Cylinders to try next; null when it is found. */
  cylinders: number | null;
  why: GeometryReason;
}

/**
 * The next cylinder count to try: the known boundary between what started and what hung, else the middle.
 * @param most cylinders of the drive
 * @param expected cylinders that should work by what is known of the BIOS
 */
export function nextGeometry(tries: readonly GeometryTry[], most: number, expected = most): NextGeometry {
  const low = Math.max(0, ...tries.filter((t) => t.result === 'started').map((t) => t.cylinders));
  const high = Math.min(most + 1, ...tries.filter((t) => t.result !== 'started').map((t) => t.cylinders));
  const next = (cylinders: number | null, why: GeometryReason): NextGeometry => ({ cylinders, why });
  if (!tries.length)
    return expected < most ? next(expected, { is: 'bios' }) : next(most, { is: 'as-reported' });
  if (low >= high) return next(null, { is: 'contradiction', low, high });
  if (low === most) return next(null, { is: 'all', low });
  if (low + 1 >= high) return next(null, { is: 'most', low });
  // What is known of the BIOS is tried before what is known of BIOSes in general.
  if (expected > low && expected < Math.min(high, most)) return next(expected, { is: 'bios' });
  const between = BOUNDARIES.filter((n) => n > low && n < high);
  if (between.length) {
    const at = there(between[between.length >> 1]);
    return next(at, { is: 'boundary', low, high: high <= most ? high : null, at });
  }
  const known = BOUNDARIES.find((n) => n === low);
  if (known !== undefined && high <= most) return next(null, { is: 'boundary-reached', at: known });
  return next(Math.floor((low + high) / 2), { is: 'halfway', low, high });
}
