import { sectorsOf } from './geometry';

/** A barrier as it stands on the ruler, whether or not this machine has it. */
export interface Gate {
  ids: readonly string[];
  label: string;
  sectors: number;
}

/** The barriers of the time in order of size. Which of them stop a drive is computed, not read off here. */
export const gates: readonly Gate[] = [
  { ids: ['one-partition'], label: '32 MiB', sectors: 65_536 },
  { ids: ['int13-ata'], label: '504 MiB', sectors: sectorsOf({ cylinders: 1024, heads: 16, sectors: 63 }) },
  { ids: ['bios-cylinders'], label: '2,016 MiB', sectors: 4095 * 16 * 63 },
  { ids: ['bios-6322'], label: '3.04 GiB', sectors: 6322 * 16 * 63 },
  { ids: ['heads-256'], label: '3.94 GiB', sectors: 8192 * 16 * 63 },
  { ids: ['dos-int13', 'int13'], label: '7.84 GiB', sectors: 1024 * 255 * 63 },
  { ids: ['bios-65535'], label: '31.5 GiB', sectors: 65_535 * 16 * 63 },
  { ids: ['tool-64g'], label: '64 GiB', sectors: 65_536 * 2048 },
  { ids: ['lba-28'], label: '128 GiB', sectors: 2 ** 28 }
];
