import {
  sizeWords,
  type Barrier,
  type Geometry,
  type Overrun,
  type Verdict,
  type Way
} from '../../core/storage';
import { and } from './language';

const n = (x: number): string => x.toLocaleString('en');
const bytes = (sectors: number): string => `${n(sectors * 512)} bytes`;
const shape = ({ cylinders, heads, sectors }: Geometry): string => `${cylinders} × ${heads} × ${sectors}`;

/** What a person sees beyond a barrier, and why; both without a full stop. */
export function barrierWords(b: Barrier): { symptom: string; cause: string } {
  switch (b.id) {
    case 'bios-cylinders':
      return {
        symptom:
          b.cylinders === b.most
            ? 'a drive of no cylinders at all, or a hang'
            : 'the drive too small, or a hang',
        cause: `the BIOS keeps the cylinders in a field for fewer than ${n(b.most)}, and the drive has ${n(b.cylinders)}`
      };
    case 'bios-6322':
      return {
        symptom: 'a hang at detection',
        cause: `this BIOS hangs above 6,322 cylinders, and the drive has ${n(b.cylinders)}`
      };
    case 'bios-65535':
      return {
        symptom: 'a hang at detection',
        cause: 'this BIOS divides by 16 × 63 and keeps 16 bits of cylinders'
      };
    case 'heads-256':
      return {
        symptom: 'a hang as the operating system starts',
        cause: `${n(b.cylinders)} cylinders × ${b.heads} heads shift to ${b.shifted} × 256, and DOS cannot take 256 heads`
      };
    case 'int13':
    case 'int13-ata':
      return {
        symptom: 'the drive too small, the rest out of reach',
        cause: `INT 13h offers ${shape(b.offers)}`
      };
    case 'one-partition':
      return {
        symptom: 'one partition, and the rest of the disk unused',
        cause: `DOS ${b.dos} makes a single partition of at most ${sizeWords(b.most)}; several come with DOS 3.3`
      };
    case 'dos-int13':
      return {
        symptom: 'the drive too small, the rest not there',
        cause: `DOS ${b.dos} calls INT 13h with cylinder, head and sector only`
      };
    case 'tool-64g':
      return {
        symptom: `a size of ${n(b.shownMiB)} MiB in the partition tool; the partition itself is right`,
        cause: 'the DOS-mode partition tool of the late 1990s shows the size modulo 65,536 MiB'
      };
    case 'reports-16383':
      return {
        symptom: 'the geometry no longer tells the size; typed into an old setup it usually hangs',
        cause: 'every larger ATA drive reports 16,383 × 16 × 63'
      };
    case 'lba-28':
      return {
        symptom: 'data past it can wrap round and overwrite the start',
        cause: '28 bits of sector number'
      };
    case 'table-32':
      return {
        symptom: 'the rest cannot be put into the partition table',
        cause: 'its fields for start and length have 32 bits'
      };
  }
}

/** Partitions of a plan that run past the end: `partition 2 by 34,816 bytes`. */
export const overrunWords = (overruns: readonly Overrun[]): string =>
  and(overruns.map((o) => `partition ${o.number} by ${bytes(o.sectors)}`));

/** What a declared geometry means for a medium, in whole sentences. */
export function guardWords(v: Verdict): string {
  switch (v.why) {
    case 'shape':
      return `Heads or sectors changed: made with ${v.made.heads} × ${v.made.sectors}, and this setup gives ${v.gives.heads} × ${v.gives.sectors}. Do not start from it, do not write to it.`;
    case 'past':
      return `The last cylinder of this setup ends ${bytes(v.sectors)} past the end of the medium. A partition that reaches there loses data, and stays quiet until then.`;
    case 'plan-past':
      return `Planned past the end of the medium: ${overrunWords(v.overruns)}. It stays quiet until data gets there.`;
    case 'plan-ends-before':
      return `The partitions planned here end on the medium, but a partition made up to the last cylinder of this setup would run ${bytes(v.sectors)} past its end.`;
    case 'rounding':
      return `${bytes(v.sectors)} more than the medium has, but partitions end on whole cylinders, before its end.`;
    case 'unused':
      return `Safe, but ${bytes(v.sectors)} are not used.`;
    case 'exact':
      return 'Declared just as it is.';
  }
}

const ways: Record<Way, string> = {
  'smaller drive': 'smaller drive',
  'fewer cylinders': 'fewer cylinders',
  'another geometry': 'another geometry of the same drive',
  'option ROM': 'option ROM',
  'another BIOS': 'another BIOS',
  overlay: 'overlay',
  'clip jumper': 'clip jumper',
  'later DOS': 'Windows 95 or later (with the INT 13h extensions in the BIOS)'
};
/** Ways past a barrier, one after the other. */
export const waysWords = (list: readonly Way[]): string => list.map((way) => ways[way]).join(', ');
