import { largestPartition } from './fat';
import { sectorsOf, type Geometry } from './geometry';
import { barriersOf, offered, type DriveSize, type SetupFacts } from './setup';
import { INT13, type Translation } from './translation';

export interface Layer {
  who: 'drive' | 'controller' | 'BIOS' | 'ROM' | 'DOS' | 'FAT';
  /** Sectors that it sees, or that one partition takes. */
  sectors: number;
  sees:
    | { geometry: Geometry; by?: Translation }
    | { blocks: number }
    | { is: 'block-numbers' | 'lba28' | 'drive' | 'numbers' | 'int13' | 'partition' };
  /** It stops short of the drive. */
  isShort: boolean;
}

/**
 * How far each layer sees into a drive, from the drive outwards.
 * @param typed the drive as it was typed into the setup, in place of what it says of itself
 */
export function layers(
  drive: DriveSize,
  facts: SetupFacts,
  dos: number | null,
  typed: DriveSize = drive
): Layer[] {
  const { physical } = drive;
  const total = drive.total ?? sectorsOf(physical);
  const { geometry, usable } = offered(typed.physical, facts, typed.total);
  const stop = barriersOf(typed, facts, dos).find((b) => b.who === 'BIOS' || b.id === 'heads-256');
  const bios = Math.min(usable, stop?.sectors ?? Infinity);
  const made: Omit<Layer, 'isShort'>[] = [
    {
      who: 'drive',
      sectors: total,
      sees: drive.byNumber ? { blocks: total } : { geometry: physical }
    },
    {
      who: 'controller',
      sectors: drive.byNumber ? 2 ** 32 - 1 : drive.translates ? 2 ** 28 : total,
      sees: { is: drive.byNumber ? 'block-numbers' : drive.translates ? 'lba28' : 'drive' }
    },
    {
      who: facts.isRom ? 'ROM' : 'BIOS',
      sectors: bios,
      sees:
        facts.translation === 'none' || facts.translation === 'scsi'
          ? { geometry }
          : { geometry, by: facts.translation }
    },
    {
      who: 'DOS',
      sectors: dos === null || dos >= 7 ? 2 ** 32 - 1 : INT13.cylinders * 255 * 63,
      sees: { is: dos === null || dos >= 7 ? 'numbers' : 'int13' }
    },
    { who: 'FAT', sectors: largestPartition(dos ?? 6), sees: { is: 'partition' } }
  ];
  // What rounding to whole cylinders leaves, and the one kept for diagnostics, stops nobody.
  const rounding = geometry.heads * geometry.sectors * (facts.keepsLast ? 2 : 1);
  return made.map((l) => ({ ...l, isShort: total - l.sectors >= rounding && l.who !== 'FAT' }));
}
