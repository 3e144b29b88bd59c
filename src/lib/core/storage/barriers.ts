import { largestPartition } from './fat';
import { sectorsOf, sizeWords, type Geometry } from './geometry';
import { makesExtended, toolDisplay } from './partition';
import { translate, type Translation } from './translation';

export type Who = 'drive' | 'controller' | 'BIOS' | 'partition tool' | 'operating system' | 'file system';
export const ways = [
  'smaller drive',
  'fewer cylinders',
  'option ROM',
  'another BIOS',
  'overlay',
  'clip jumper'
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

export interface Barrier {
  id: string;
  /** Sectors up to which all is well. */
  sectors: number;
  who: Who;
  /** What a person sees beyond it. */
  symptom: string;
  /** Why, from the numbers at hand. */
  cause: string;
  ways: readonly Way[];
}

const biosWays: readonly Way[] = [
  'fewer cylinders',
  'option ROM',
  'another BIOS',
  'overlay',
  'smaller drive',
  'clip jumper'
];

/** Every barrier that lies below the drive, the nearest first. Computed from the setup, not looked up by size. */
export function barriers(setup: Setup): Barrier[] {
  const { physical, translation, dos } = setup;
  const total = setup.total ?? sectorsOf(physical);
  const { geometry, usable } = translate(physical, translation, total, setup.keepsLast);
  const track = physical.heads * physical.sectors;
  const out: Barrier[] = [];
  const add = (b: Barrier) => {
    if (b.sectors < total) out.push(b);
  };
  const most = setup.biosCylinders;
  if (most !== undefined && physical.cylinders >= most)
    add({
      id: 'bios-cylinders',
      sectors: (most - 1) * track,
      who: 'BIOS',
      symptom:
        physical.cylinders === most
          ? 'a drive of no cylinders at all, or a hang'
          : 'the drive too small, or a hang',
      cause: `the BIOS keeps the cylinders in a field for fewer than ${most.toLocaleString('en')}, and the drive has ${physical.cylinders.toLocaleString('en')}`,
      ways: biosWays
    });
  if (setup.hangs?.includes('6322') && physical.cylinders > 6322)
    add({
      id: 'bios-6322',
      sectors: 6322 * track,
      who: 'BIOS',
      symptom: 'a hang at detection',
      cause: `this BIOS hangs above 6,322 cylinders, and the drive has ${physical.cylinders.toLocaleString('en')}`,
      ways: biosWays
    });
  if (setup.hangs?.includes('65535') && total > 65_535 * 16 * 63)
    add({
      id: 'bios-65535',
      sectors: 65_535 * 16 * 63,
      who: 'BIOS',
      symptom: 'a hang at detection',
      cause: 'this BIOS divides by 16 × 63 and keeps 16 bits of cylinders',
      ways: ['clip jumper', 'option ROM', 'another BIOS', 'smaller drive']
    });
  if (geometry.heads === 256)
    add({
      id: 'heads-256',
      sectors: 8192 * track,
      who: 'operating system',
      symptom: 'a hang as the operating system starts',
      cause: `${physical.cylinders.toLocaleString('en')} cylinders × ${physical.heads} heads shift to ${geometry.cylinders} × 256, and DOS cannot take 256 heads`,
      ways: biosWays
    });
  // Less than one cylinder of INT 13h is rounding, not a barrier; nor is the one kept for diagnostics.
  else if (
    !(setup.extensions && dos !== null && dos >= 7) &&
    total - usable >= geometry.heads * geometry.sectors * (setup.keepsLast ? 2 : 1)
  )
    add({
      id: translation === 'none' ? 'int13-ata' : 'int13',
      sectors: usable,
      who: 'BIOS',
      symptom: 'the drive too small, the rest out of reach',
      cause: `INT 13h offers ${geometry.cylinders} × ${geometry.heads} × ${geometry.sectors}`,
      ways: translation === 'none' ? biosWays : ['option ROM', 'another BIOS', 'overlay', 'smaller drive']
    });
  if (dos !== null && !makesExtended(dos))
    add({
      id: 'one-partition',
      sectors: largestPartition(dos),
      who: 'operating system',
      symptom: 'one partition, and the rest of the disk unused',
      cause: `DOS ${dos} makes a single partition of at most ${sizeWords(largestPartition(dos))}; several come with DOS 3.3`,
      ways: ['smaller drive']
    });
  if (dos !== null && dos < 7)
    add({
      id: 'dos-int13',
      sectors: 1024 * 255 * 63,
      who: 'operating system',
      symptom: 'the drive too small, the rest not there',
      cause: `DOS ${dos} calls INT 13h with cylinder, head and sector only`,
      ways: ['smaller drive', 'fewer cylinders']
    });
  if (dos !== null && dos >= 7)
    add({
      id: 'tool-64g',
      sectors: 65_536 * 2048,
      who: 'partition tool',
      symptom: `a size of ${toolDisplay(total).shown.toLocaleString('en')} MiB in the partition tool; the partition itself is right`,
      cause: 'the DOS-mode partition tool of the late 1990s shows the size modulo 65,536 MiB',
      ways: []
    });
  if (physical.cylinders === 16_383 && !setup.byNumber)
    add({
      id: 'reports-16383',
      sectors: 16_383 * 16 * 63,
      who: 'drive',
      symptom: 'the geometry no longer tells the size; typed into an old setup it usually hangs',
      cause: 'every larger ATA drive reports 16,383 × 16 × 63',
      ways: ['fewer cylinders', 'option ROM', 'overlay']
    });
  if (!setup.byNumber)
    add({
      id: 'lba-28',
      sectors: 2 ** 28,
      who: 'controller',
      symptom: 'data past it can wrap round and overwrite the start',
      cause: '28 bits of sector number',
      ways: ['smaller drive', 'option ROM']
    });
  add({
    id: 'table-32',
    sectors: 2 ** 32,
    who: 'partition tool',
    symptom: 'the rest cannot be put into the partition table',
    cause: 'its fields for start and length have 32 bits',
    ways: ['smaller drive']
  });
  return out.sort((a, b) => a.sectors - b.sectors);
}
