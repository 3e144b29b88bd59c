import {
  endChs,
  fatSectors,
  sectorsOf,
  toChs,
  type Geometry,
  type PartitionPlan,
  type Planned
} from '../../core/storage';
import { SECTOR, put16, put32 } from './bytes';

/** A piece of an image that is not empty, and where it goes. All else is zeros. */
export interface Chunk {
  offset: number;
  bytes: Uint8Array;
}

export interface SparseImage {
  /** Bytes of the whole image. */
  size: number;
  chunks: Chunk[];
}

export interface WriteOptions {
  dos: number;
  /** Whether the partitions get empty file systems. */
  format: boolean;
  /** Volume label of the first partition; up to 11 letters. */
  label?: string;
  /** Serial numbers, so that the same plan gives the same bytes. */
  serial?: number;
}

/**
 * A raw image of a whole disk: its partition table, extended records and, on wish, empty file systems, in the
 * geometry of the plan. No program is written into the first sector: the disk starts after the partition tool
 * wrote its code (/MBR) and SYS put the system on it.
 */
export function diskImage(plan: PartitionPlan, options: WriteOptions): SparseImage {
  const { geometry, partitions, extended } = plan;
  const chunks: Chunk[] = [];
  const first = new Uint8Array(SECTOR);
  const put = (sector: number, bytes: Uint8Array) => chunks.push({ offset: sector * SECTOR, bytes });
  sign(first);
  const [primary] = partitions.filter((p) => p.kind === 'primary');
  if (primary)
    entry(first, 0, geometry, typeOf(primary, geometry, options.dos), primary.lba, primary.sectors, 0, true);
  if (extended) {
    const beyond = isBeyond(extended.lba + extended.sectors, geometry);
    entry(
      first,
      1,
      geometry,
      options.dos >= 7 && beyond ? 0x0f : 0x05,
      extended.lba,
      extended.sectors,
      0,
      false
    );
  }
  put(0, first);
  const logical = partitions.filter((p) => p.kind === 'logical');
  logical.forEach((p, i) => {
    const record = new Uint8Array(SECTOR);
    sign(record);
    entry(record, 0, geometry, typeOf(p, geometry, options.dos), p.lba, p.sectors, p.record, false);
    const next = logical[i + 1];
    if (next && extended) {
      const size = next.lba + next.sectors - next.record;
      entry(record, 1, geometry, 0x05, next.record, size, extended.lba, false);
    }
    put(p.record, record);
  });
  if (options.format)
    partitions.forEach((p, i) =>
      chunks.push(
        ...fileSystem(p, geometry, options, i).map((c) => ({ ...c, offset: c.offset + p.lba * SECTOR }))
      )
    );
  return { size: sectorsOf(geometry) * SECTOR, chunks };
}

const sign = (b: Uint8Array) => {
  b[510] = 0x55;
  b[511] = 0xaa;
};
const isBeyond = (end: number, { heads, sectors }: Geometry) => end > 1024 * heads * sectors;
/** From DOS 7 on what ends beyond cylinder 1,023 is addressed by number. */
const typeOf = (p: Planned, geometry: Geometry, dos: number): number =>
  dos >= 7 && isBeyond(p.lba + p.sectors, geometry) && (p.fat.type === 0x06 || p.fat.type === 0x0b)
    ? p.fat.type === 0x06
      ? 0x0e
      : 0x0c
    : p.fat.type;

/** One of the four entries. @param base sector from which its start counts */
function entry(
  b: Uint8Array,
  slot: number,
  geometry: Geometry,
  type: number,
  lba: number,
  sectors: number,
  base: number,
  active: boolean
): void {
  const row = 446 + slot * 16;
  const start = lba < 1024 * geometry.heads * geometry.sectors ? toChs(lba, geometry) : endChs(lba, geometry);
  const end = endChs(lba + sectors - 1, geometry);
  b[row] = active ? 0x80 : 0;
  [start, end].forEach(({ c, h, s }, i) => {
    const at = row + 1 + i * 4;
    b[at] = h;
    b[at + 1] = (s & 63) | ((c >> 2) & 0xc0);
    b[at + 2] = c & 0xff;
  });
  b[row + 4] = type;
  put32(b, row + 8, lba - base);
  put32(b, row + 12, sectors);
}

/** Numbers of a FAT file system on a partition, its tables as small as they can be. */
export function fatLayout(p: Pick<Planned, 'sectors' | 'fat'>) {
  const { kind, clusterBytes, clusters } = p.fat;
  const perCluster = clusterBytes / SECTOR;
  return {
    perCluster,
    reserved: kind === 'FAT32' ? 32 : 1,
    rootEntries: kind === 'FAT32' ? 0 : 512,
    perFat: fatSectors(p.sectors, kind, perCluster),
    clusters
  };
}

function fileSystem(p: Planned, geometry: Geometry, options: WriteOptions, index: number): Chunk[] {
  const { perCluster, reserved, rootEntries, perFat, clusters } = fatLayout(p);
  const { kind } = p.fat;
  const is32 = kind === 'FAT32';
  const b = new Uint8Array(SECTOR);
  // A jump over the parameter block to a program that stops.
  b.set([0xeb, is32 ? 0x58 : 0x3c, 0x90]);
  ascii(b, 3, 'YJDISK  ');
  put16(b, 11, SECTOR);
  b[13] = perCluster;
  put16(b, 14, reserved);
  b[16] = 2;
  put16(b, 17, rootEntries);
  const isSmall = p.sectors < 65_536 && !is32;
  if (isSmall) put16(b, 19, p.sectors);
  else put32(b, 32, p.sectors);
  b[21] = 0xf8;
  if (!is32) put16(b, 22, perFat);
  put16(b, 24, geometry.sectors);
  put16(b, 26, geometry.heads);
  // Sectors before it: from the table that names it.
  const hidden = p.kind === 'logical' ? p.lba - p.record : p.lba;
  if (options.dos < 4) put16(b, 28, hidden);
  else put32(b, 28, hidden);
  const at = is32 ? 64 : 36;
  // A DOS before 4 passes over what comes with the later block; other systems look for it.
  b[at] = 0x80;
  b[at + 2] = 0x29;
  put32(b, at + 3, ((options.serial ?? 0x19940501) + index) >>> 0);
  ascii(b, at + 7, (index === 0 && options.label ? clean(options.label) : 'NO NAME').padEnd(11));
  ascii(b, at + 18, kind.padEnd(8));
  b.set([0xeb, 0xfe], is32 ? 90 : 62);
  sign(b);
  const chunks: Chunk[] = [];
  const put = (sector: number, bytes: Uint8Array) => chunks.push({ offset: sector * SECTOR, bytes });
  if (is32) {
    put32(b, 36, perFat);
    put32(b, 44, 2);
    put16(b, 48, 1);
    put16(b, 50, 6);
    const info = new Uint8Array(SECTOR);
    put32(info, 0, 0x41615252);
    put32(info, 484, 0x61417272);
    put32(info, 488, clusters - 1);
    put32(info, 492, 3);
    sign(info);
    put(1, info);
    put(6, b);
    put(7, info);
  }
  put(0, b);
  const fat = new Uint8Array(SECTOR);
  if (kind === 'FAT12') fat.set([0xf8, 0xff, 0xff]);
  else if (kind === 'FAT16') fat.set([0xf8, 0xff, 0xff, 0xff]);
  else fat.set([0xf8, 0xff, 0xff, 0x0f, 0xff, 0xff, 0xff, 0x0f, 0xff, 0xff, 0xff, 0x0f]);
  put(reserved, fat);
  put(reserved + perFat, fat);
  if (index === 0 && options.label) {
    // The label stands in the root directory too.
    const root = new Uint8Array(SECTOR);
    ascii(root, 0, clean(options.label).padEnd(11));
    root[11] = 0x08;
    put16(root, 24, 0x1ca1);
    put(reserved + 2 * perFat, root);
  }
  return chunks;
}

const clean = (label: string) =>
  label
    .toUpperCase()
    .replace(/[^A-Z0-9 _-]/g, '')
    .slice(0, 11);
const ascii = (b: Uint8Array, at: number, text: string) =>
  [...text].forEach((letter, i) => (b[at + i] = letter.charCodeAt(0)));

const ZEROS = new Uint8Array(1024 * 1024);

/** The image as pieces one after the other, for a file of the browser: the gaps are one piece of zeros again and again. */
export function* imagePieces({ size, chunks }: SparseImage): Generator<Uint8Array> {
  let at = 0;
  for (const { offset, bytes } of [...chunks].sort((a, b) => a.offset - b.offset)) {
    yield* zeros(offset - at);
    yield bytes;
    at = offset + bytes.length;
  }
  yield* zeros(size - at);
}

function* zeros(length: number): Generator<Uint8Array> {
  for (let left = length; left > 0; left -= ZEROS.length)
    yield left >= ZEROS.length ? ZEROS : ZEROS.subarray(0, left);
}
