import { GeometryError, SECTOR } from './geometry';

/** Versions of DOS that differ in what they do with disks; 7 and 7.1 come with Windows. */
export const dosVersions = [2.1, 3.2, 3.3, 4, 5, 6.22, 7, 7.1] as const;

export type FatKind = 'FAT12' | 'FAT16' | 'FAT32';
export interface FatPlan {
  kind: FatKind;
  /** Partition type byte. */
  type: number;
  clusterBytes: number;
  clusters: number;
  /** Bytes that a number of files wastes on average: half a cluster each. */
  wasteOf(files: number): number;
}

const MIB = 2048;
const KIB = 1024;
const GIB = 1024 * MIB;
/** FAT16 cluster as DOS formats it, up to so many MiB. */
const fat16: readonly (readonly [number, number])[] = [
  [127, 2 * KIB],
  [255, 4 * KIB],
  [511, 8 * KIB],
  [1023, 16 * KIB],
  [2047, 32 * KIB]
];
const fat32: readonly (readonly [number, number])[] = [
  [8 * GIB, 4 * KIB],
  [16 * GIB, 8 * KIB],
  [32 * GIB, 16 * KIB]
];

/** Largest partition that a version of DOS makes, in sectors. */
export function largestPartition(dos: number): number {
  if (dos < 3) return 32_680;
  if (dos < 4) return 65_535;
  return dos >= 7.1 ? 2 ** 32 - 1 : 2047 * MIB;
}

/**
 * The file system that DOS makes on a partition: FAT12 up to 15 MiB, FAT16 to 2,047 MiB, FAT32 from 7.1 on above
 * 512 MiB or where FAT16 ends.
 * @throws GeometryError when this version cannot use so large a partition, or it is too small for anything
 */
export function fatPlan(sectors: number, dos: number): FatPlan {
  if (!Number.isInteger(sectors) || sectors < 64)
    throw new GeometryError(`a partition of ${sectors} sectors holds no file system`);
  if (sectors > largestPartition(dos))
    throw new GeometryError(
      `DOS ${dos} makes partitions of at most ${largestPartition(dos).toLocaleString('en')} sectors, and this has ${sectors.toLocaleString('en')}`
    );
  const mib = sectors / MIB;
  const make = (kind: FatKind, type: number, clusterBytes: number): FatPlan => ({
    kind,
    type,
    clusterBytes,
    clusters: Math.floor((sectors * SECTOR) / clusterBytes),
    wasteOf: (files) => (files * clusterBytes) / 2
  });
  if (dos >= 7.1 && mib > 512)
    return make('FAT32', 0x0b, (fat32.find(([most]) => sectors <= most) ?? [0, 32 * KIB])[1]);
  if (mib <= 15 || dos < 3) return make('FAT12', 0x01, 4 * KIB);
  const cluster = fat16.find(([most]) => mib <= most)![1];
  return make('FAT16', sectors < 65_536 ? 0x04 : 0x06, cluster);
}
