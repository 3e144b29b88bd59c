import { largestPartition } from './fat';
import { sectorsOf, type Geometry } from './geometry';
import { makesExtended, toolDisplay } from './partition';
import { INT13, translate, usesExtensions, type Translation } from './translation';

export type Who = 'drive' | 'controller' | 'BIOS' | 'partition tool' | 'operating system' | 'file system';
export const ways = [
  'smaller drive',
  'fewer cylinders',
  'another geometry',
  'option ROM',
  'another BIOS',
  'overlay',
  'clip jumper',
  'later DOS'
] as const;
export type Way = (typeof ways)[number];

/** What stands between a drive and its whole size. */
export interface Setup {
  physical: Geometry;
  /** Sectors of the drive, when its geometry does not tell; default the product of the geometry. */
  total?: number;
  translation: Translation;
  /** Version of DOS; null when it does not matter. */
  dos: number | null;
  /** Most cylinders that the BIOS stores: 4,096 is a 12-bit field in which 4,096 itself becomes 0. */
  biosCylinders?: number;
  /** Some BIOSes hang above 6,322 cylinders of 16 × 63, some at 65,535. */
  hangs?: readonly ('6322' | '65535')[];
  /** The BIOS keeps the last cylinder for diagnostics. */
  keepsLast?: boolean;
  /** The BIOS has the INT 13h extensions; DOS 7.0 and later use them. */
  extensions?: boolean;
  /** Addressed by number alone, as SCSI drives are: its geometry is made up, and 28 bits are no limit. */
  byNumber?: boolean;
}

/** Which barrier it is, with the numbers from which its cause and what a person sees are told. */
export type BarrierFacts =
  /** A field for fewer than `most` cylinders. */
  | { id: 'bios-cylinders'; most: number; cylinders: number }
  | { id: 'bios-6322'; cylinders: number }
  | { id: 'bios-65535' }
  | { id: 'heads-256'; cylinders: number; heads: number; shifted: number }
  | { id: 'int13' | 'int13-ata'; offers: Geometry }
  /** The largest partition of this DOS, in sectors. */
  | { id: 'one-partition'; dos: number; most: number }
  | { id: 'dos-int13'; dos: number }
  /** MiB that the partition tool shows. */
  | { id: 'tool-64g'; shownMiB: number }
  | { id: 'reports-16383' | 'lba-28' | 'table-32' };

export type Barrier = BarrierFacts & {
  /** Sectors up to which all is well. */
  sectors: number;
  who: Who;
  ways: readonly Way[];
};

/** Whether the machine hangs on it, where others only lose a part of the drive. */
export const hangs = (b: Barrier): boolean =>
  b.id === 'heads-256' ||
  b.id === 'bios-cylinders' ||
  b.id === 'bios-6322' ||
  b.id === 'bios-65535' ||
  b.id === 'reports-16383';

const biosWays: readonly Way[] = [
  'fewer cylinders',
  'option ROM',
  'another BIOS',
  'overlay',
  'smaller drive',
  'clip jumper'
];

/**
 * Drives have a jumper for 2.1 GB and for 33.8 GB; none makes itself as small as INT 13h without translation. One of
 * fewer heads or sectors than a BIOS has room for reaches further when it is told to have more.
 */
const ataWays: readonly Way[] = [
  'fewer cylinders',
  'another geometry',
  'option ROM',
  'another BIOS',
  'overlay',
  'smaller drive'
];

/** A setup with what INT 13h makes of it. */
interface Situation extends Setup {
  total: number;
  offers: Geometry;
  usable: number;
  /** Sectors of a cylinder of the drive. */
  track: number;
}

/** Whether a DOS calls INT 13h with cylinder, head and sector only: all before 7.0. */
const usesPlaces = (dos: number | null): dos is number => dos !== null && dos < 7;

/** What can lie in the way of a drive, each with when it does. */
const laws: readonly ((s: Situation) => Barrier | null)[] = [
  ({ physical: { cylinders }, biosCylinders: most, track }) =>
    most !== undefined && cylinders >= most
      ? { id: 'bios-cylinders', sectors: (most - 1) * track, who: 'BIOS', most, cylinders, ways: biosWays }
      : null,
  ({ physical: { cylinders }, hangs, track }) =>
    hangs?.includes('6322') && cylinders > 6322
      ? { id: 'bios-6322', sectors: 6322 * track, who: 'BIOS', cylinders, ways: biosWays }
      : null,
  ({ hangs, total }) =>
    hangs?.includes('65535') && total > 65_535 * 16 * 63
      ? {
          id: 'bios-65535',
          sectors: 65_535 * 16 * 63,
          who: 'BIOS',
          ways: ['clip jumper', 'option ROM', 'another BIOS', 'smaller drive']
        }
      : null,
  ({ offers, physical: { cylinders, heads }, track }) =>
    offers.heads === 256
      ? {
          id: 'heads-256',
          sectors: 8192 * track,
          who: 'operating system',
          cylinders,
          heads,
          shifted: offers.cylinders,
          ways: biosWays
        }
      : null,
  // Less than one cylinder of INT 13h is rounding, not a barrier; nor is the one kept for diagnostics. Where a BIOS offers
  // all that cylinder, head and sector can say to a DOS that knows nothing else, no other BIOS and no ROM reaches further.
  ({ offers, extensions, dos, total, usable, keepsLast, translation }) =>
    offers.heads !== 256 &&
    !usesExtensions({ extensions }, dos) &&
    !(offers.heads === 255 && offers.cylinders >= INT13.cylinders - 1 && usesPlaces(dos)) &&
    total - usable >= offers.heads * offers.sectors * (keepsLast ? 2 : 1)
      ? {
          id: translation === 'none' ? 'int13-ata' : 'int13',
          sectors: usable,
          who: 'BIOS',
          offers,
          ways: translation === 'none' ? ataWays : ['option ROM', 'another BIOS', 'overlay', 'smaller drive']
        }
      : null,
  ({ dos }) =>
    dos !== null && !makesExtended(dos)
      ? {
          id: 'one-partition',
          sectors: largestPartition(dos),
          who: 'operating system',
          dos,
          most: largestPartition(dos),
          ways: ['smaller drive']
        }
      : null,
  ({ dos }) =>
    usesPlaces(dos)
      ? {
          id: 'dos-int13',
          sectors: INT13.cylinders * 255 * INT13.sectors,
          who: 'operating system',
          dos,
          ways: ['later DOS', 'smaller drive']
        }
      : null,
  ({ dos, total }) =>
    dos !== null && dos >= 7
      ? {
          id: 'tool-64g',
          sectors: 65_536 * 2048,
          who: 'partition tool',
          shownMiB: toolDisplay(total).shown,
          ways: []
        }
      : null,
  // A BIOS with the extensions asks the drive for its size and not for its geometry.
  ({ physical, byNumber, extensions }) =>
    physical.cylinders === 16_383 && !byNumber && !extensions
      ? {
          id: 'reports-16383',
          sectors: 16_383 * 16 * 63,
          who: 'drive',
          ways: ['fewer cylinders', 'option ROM', 'overlay']
        }
      : null,
  ({ byNumber }) =>
    byNumber
      ? null
      : { id: 'lba-28', sectors: 2 ** 28, who: 'controller', ways: ['smaller drive', 'option ROM'] },
  () => ({ id: 'table-32', sectors: 2 ** 32, who: 'partition tool', ways: ['smaller drive'] })
];

/** Every barrier that lies below the drive, the nearest first. Computed from the setup, not looked up by size. */
export function barriers(setup: Setup): Barrier[] {
  const { physical } = setup;
  const total = setup.total ?? sectorsOf(physical);
  const { geometry, usable } = translate(physical, setup.translation, total, setup.keepsLast);
  const now = { ...setup, total, usable, offers: geometry, track: physical.heads * physical.sectors };
  return laws
    .flatMap((law) => law(now) ?? [])
    .filter((b) => b.sectors < total)
    .sort((a, b) => a.sectors - b.sectors);
}
