import type { DriveFacts } from '../model';
/** One floppy format: its name, the data rate in kbit/s in a drive made for it, and the first DOS that knows it. */
export interface FloppyFormat {
  kib: number;
  name: string;
  rate: 250 | 500 | 1000;
  dos: number;
}

/** Formats of the PC, by capacity in KiB. */
export const floppyFormats: readonly FloppyFormat[] = [
  { kib: 160, name: '160K', rate: 250, dos: 1 },
  { kib: 180, name: '180K', rate: 250, dos: 2 },
  { kib: 320, name: '320K', rate: 250, dos: 1.1 },
  { kib: 360, name: '360K', rate: 250, dos: 2 },
  { kib: 720, name: '720K', rate: 250, dos: 3.2 },
  { kib: 1200, name: '1.2M', rate: 500, dos: 3 },
  { kib: 1440, name: '1.44M', rate: 500, dos: 3.3 },
  { kib: 2880, name: '2.88M', rate: 1000, dos: 5 }
];
const byKiB = new Map(floppyFormats.map((f) => [f.kib, f]));

export const floppyName = (kib: number): string => byKiB.get(kib)?.name ?? `${kib} KiB`;
/** First DOS that knows a format; 0 for one that is in no table. */
export const floppyDos = (kib: number): number => byKiB.get(kib)?.dos ?? 0;

/**
 * Data rate in kbit/s that a format takes in a drive. The drive for 1.2M turns faster: it takes the old formats at
 * 300, which every controller for 500 has too.
 */
export function floppyRate(kib: number, driveKiB = kib): number {
  if (driveKiB === 1200 && kib < 1200) return 300;
  return byKiB.get(kib)?.rate ?? 250;
}
/** Fastest data rate of a controller that is said to take formats up to a capacity. */
export const controllerRate = (kib: number | undefined): number =>
  kib === undefined ? 1000 : floppyRate(kib);
/** Whether a controller has the data rate of a drive; both by the largest format they are said to take. */
export const isQuickEnough = (controllerKiB: number | undefined, kib: number): boolean =>
  floppyRate(kib) <= controllerRate(controllerKiB);

/** What drives read and write, by their largest format. */
const drives: Record<number, { reads: readonly number[]; writes: readonly number[] }> = {
  360: { reads: [160, 180, 320, 360], writes: [160, 180, 320, 360] },
  720: { reads: [720], writes: [720] },
  1200: {
    reads: [160, 180, 320, 360, 1200],
    // What it writes on a 360K disk may not be read by a 360K drive: its track is narrower.
    writes: [1200]
  },
  1440: { reads: [720, 1440], writes: [720, 1440] },
  2880: { reads: [720, 1440, 2880], writes: [720, 1440, 2880] }
};
/** What a drive reads, and what it writes so that other drives read it. */
export const mediaOf = (driveKiB: number): { reads: readonly number[]; writes: readonly number[] } =>
  drives[driveKiB] ?? { reads: [driveKiB].filter(Boolean), writes: [driveKiB].filter(Boolean) };

/** What a machine starts from without its BIOS knowing a floppy format. */
const startsAnyway: readonly DriveFacts['medium'][] = ['hard', 'flash', 'removable', 'emulator'];

/**
 * Whether a machine can start from some of its drives. One that wants a driver line starts nothing: the line is read
 * once something else has started.
 * @param biosKiB the largest floppy that the BIOS takes as it is
 */
export const startsFrom = (
  drives: readonly Pick<DriveFacts, 'medium' | 'floppyKiB'>[],
  biosKiB: number
): boolean =>
  drives.some(
    ({ medium, floppyKiB }) =>
      startsAnyway.includes(medium) || (floppyKiB !== undefined && biosTakes(biosKiB, floppyKiB) !== 'driver')
  );

/** How well a BIOS of a largest format takes a drive: as it is, with a driver line after the start, or not. */
export function biosTakes(biosKiB: number, driveKiB: number): 'yes' | 'driver' | 'no' {
  if (biosKiB >= driveKiB) return 'yes';
  return driveKiB === 720 || (driveKiB === 1440 && biosKiB >= 1200) ? 'driver' : 'no';
}

/**
 * What makes a floppy format work: the BIOS as it is, the ROM of the controller, a driver line after the start, or
 * nothing. `unknown`: nobody has described what the BIOS takes.
 */
export function takenBy(
  biosKiB: number | undefined,
  hasRom: boolean,
  kib: number
): 'unknown' | 'bios' | 'rom' | 'driver' | 'nothing' {
  const taken = biosKiB === undefined ? null : biosTakes(biosKiB, kib);
  if (taken === 'yes') return 'bios';
  if (hasRom) return 'rom';
  if (taken === null) return 'unknown';
  return taken === 'driver' ? 'driver' : 'nothing';
}
