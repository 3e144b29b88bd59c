import { lastOf } from '../model';
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
/** Most sectors of a FAT12 partition. */
const FAT12_SECTORS = 32_680;
/** FAT16 cluster as the DOS driver chooses it, up to so many sectors of the partition. */
const fat16: readonly (readonly [number, number])[] = [
  [262_144, 2 * KIB],
  [524_288, 4 * KIB],
  [1_048_576, 8 * KIB],
  [2_097_152, 16 * KIB],
  [Infinity, 32 * KIB]
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
 * The file system that DOS makes on a partition: FAT12 up to 32,680 sectors, FAT16 to 2,047 MiB, FAT32 from 7.1 on
 * above 512 MiB or where FAT16 ends.
 * @throws GeometryError when this version cannot use so large a partition, or it is too small for anything
 */
export function fatPlan(sectors: number, dos: number): FatPlan {
  if (!Number.isInteger(sectors) || sectors < 64) throw new GeometryError({ is: 'too-small', sectors });
  if (sectors > largestPartition(dos))
    throw new GeometryError({ is: 'too-large', dos, sectors, most: largestPartition(dos) });
  const make = (kind: FatKind, type: number, clusterBytes: number): FatPlan => ({
    kind,
    type,
    clusterBytes,
    clusters: clustersOf(sectors, kind, clusterBytes / SECTOR),
    wasteOf: (files) => (files * clusterBytes) / 2
  });
  if (dos >= 7.1 && sectors > 512 * MIB)
    return make('FAT32', 0x0b, (fat32.find(([most]) => sectors <= most) ?? [0, 32 * KIB])[1]);
  if (sectors <= FAT12_SECTORS) return make('FAT12', 0x01, dos < 3 ? 8 * KIB : 4 * KIB);
  const cluster = (fat16.find(([most]) => sectors <= most) ?? lastOf(fat16))[1];
  return make('FAT16', sectors < 65_536 ? 0x04 : 0x06, cluster);
}

/** Root directory of a hard disk: 512 entries of 32 bytes; FAT32 keeps it among the files. */
const ROOT_SECTORS = (512 * 32) / SECTOR;
const reservedOf: Record<FatKind, number> = { FAT12: 1, FAT16: 1, FAT32: 32 };
const bitsOf: Record<FatKind, number> = { FAT12: 12, FAT16: 16, FAT32: 32 };

/**
 * Sectors of one allocation table: the smallest that holds an entry for every cluster that is then left, and two
 * entries more.
 * @param perCluster sectors a cluster
 */
export function fatSectors(sectors: number, kind: FatKind, perCluster: number): number {
  const room = sectors - reservedOf[kind] - (kind === 'FAT32' ? 0 : ROOT_SECTORS);
  let size = 1;
  for (;;) {
    const clusters = Math.floor((room - 2 * size) / perCluster);
    const needed = Math.ceil(((Math.max(0, clusters) + 2) * bitsOf[kind]) / 8 / SECTOR);
    if (needed <= size) return size;
    size = needed;
  }
}

/** Clusters that exist: what is left after the reserved sectors, both tables and the root directory. */
export function clustersOf(sectors: number, kind: FatKind, perCluster: number): number {
  const tables = 2 * fatSectors(sectors, kind, perCluster);
  const root = kind === 'FAT32' ? 0 : ROOT_SECTORS;
  return Math.max(0, Math.floor((sectors - reservedOf[kind] - tables - root) / perCluster));
}
