import { bootSectorWords as words } from '../../words';
import { SECTOR, u16, u32 } from './bytes';

export type Fat = 'FAT12' | 'FAT16' | 'FAT32';

/** Parameter block of a boot sector. Its sectors are of its own size; places on the disk count sectors of 512. */
export interface BootBlock {
  /** Sector of 512 bytes that it stands in. */
  lba: number;
  /** Read by the media byte, since the boot sector holds no such block: floppies of DOS 1. */
  byMedia: boolean;
  oem: string;
  bytesPerSector: number;
  sectorsPerCluster: number;
  reserved: number;
  fats: number;
  rootEntries: number;
  sectors: number;
  media: number;
  sectorsPerFat: number;
  sectorsPerTrack: number;
  heads: number;
  hidden: number;
  label: string;
  /** By its layout and the number of clusters, as DOS does; null when the fields are not sound. */
  fat: Fat | null;
  clusters: number;
  signature: boolean;
  /** What is not sound, in words. */
  faults: string[];
  /** Sound, and yet DOS does not handle it, in words. */
  unusual: string[];
}

export const textAt = (b: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...b.subarray(at, at + length))
    .replace(/[^\x20-\x7e]/g, ' ')
    .trim();
export const hasSignature = (b: Uint8Array): boolean => b[510] === 0x55 && b[511] === 0xaa;

/** Sizes of a sector that file systems of the kind are made with. */
export const SECTOR_SIZES: readonly number[] = [512, 1024, 2048, 4096];
const BITS: Record<Fat, number> = { FAT12: 12, FAT16: 16, FAT32: 32 };
const MOST_FAT12 = 4084;
const MOST_FAT16 = 65_524;

/** A boot sector that fills more than one sector of 512 has the same fields. */
export function bootBlock(b: Uint8Array, lba: number): BootBlock {
  const small = u16(b, 19);
  const fatSmall = u16(b, 22);
  const is32 = fatSmall === 0 && u16(b, 17) === 0;
  const sectors = small || u32(b, 32);
  const block = {
    lba,
    byMedia: false,
    oem: textAt(b, 3, 8),
    bytesPerSector: u16(b, 11),
    sectorsPerCluster: b[13],
    reserved: u16(b, 14),
    fats: b[16],
    rootEntries: u16(b, 17),
    sectors,
    media: b[21],
    sectorsPerFat: fatSmall || u32(b, 36),
    sectorsPerTrack: u16(b, 24),
    heads: u16(b, 26),
    // Before DOS 4 the field has 16 bits; what follows it there is no part of it.
    hidden: small ? u16(b, 28) + (b[38] === 0x29 ? u16(b, 30) * 65_536 : 0) : u32(b, 28),
    label: b[is32 ? 66 : 38] === 0x29 ? textAt(b, is32 ? 71 : 43, 11) : '',
    signature: hasSignature(b)
  };
  const size = SECTOR_SIZES.includes(block.bytesPerSector) ? block.bytesPerSector : SECTOR;
  const faults: string[] = [];
  const unusual: string[] = [];
  if (b[0] !== 0xeb && b[0] !== 0xe9) faults.push(words.noJump);
  if (size !== block.bytesPerSector) faults.push(words.sectorSize(block.bytesPerSector));
  else if (size !== SECTOR) unusual.push(words.largeSectors(size));
  if (!block.sectorsPerCluster || (block.sectorsPerCluster & (block.sectorsPerCluster - 1)) !== 0)
    faults.push(words.clusterSize(block.sectorsPerCluster));
  if (!block.reserved) faults.push(words.noReserved);
  if (block.fats < 1 || block.fats > 4) faults.push(words.tables(block.fats));
  else if (block.fats > 2) unusual.push(words.manyTables(block.fats));
  if (!block.sectorsPerFat) faults.push(words.emptyTable);
  if (block.media !== 0xf0 && block.media < 0xf8) faults.push(words.media(block.media));
  if (!is32 && block.rootEntries === 0) faults.push(words.noRoot);
  if ((block.rootEntries * 32) % size !== 0) faults.push(words.oddRoot(block.rootEntries, size / 32));
  if (small && u32(b, 32) && u32(b, 32) !== small) faults.push(words.twoTotals(small, u32(b, 32)));
  if (!sectors) faults.push(words.noTotal);
  if (!block.sectorsPerTrack || block.sectorsPerTrack > 63) faults.push(words.track(block.sectorsPerTrack));
  if (!block.heads || block.heads > 256) faults.push(words.heads(block.heads));
  const root = Math.ceil((block.rootEntries * 32) / size);
  const data = sectors - block.reserved - block.fats * block.sectorsPerFat - root;
  const clusters = block.sectorsPerCluster ? Math.floor(data / block.sectorsPerCluster) : 0;
  if (data <= 0) faults.push(words.noData);
  const fat = data <= 0 || clusters <= 0 ? null : is32 ? 'FAT32' : clusters <= MOST_FAT12 ? 'FAT12' : 'FAT16';
  if (fat) {
    if (fat === 'FAT16' && clusters > MOST_FAT16) faults.push(words.tooManyFor16(clusters, MOST_FAT16));
    if (is32 && clusters <= MOST_FAT16) unusual.push(words.small32(clusters, MOST_FAT16 + 1));
    const needed = Math.ceil(((clusters + 2) * BITS[fat]) / 8 / size);
    if (block.sectorsPerFat < needed) faults.push(words.tableSize(block.sectorsPerFat, clusters, needed));
    // Formatters round up a little; a table of several times the size is a damaged number.
    if (block.sectorsPerFat > 2 * needed + 8)
      faults.push(words.tableSize(block.sectorsPerFat, clusters, needed));
    if (is32) {
      const version = u16(b, 42);
      const rootCluster = u32(b, 44);
      const info = u16(b, 48);
      if (version !== 0) faults.push(words.version(version));
      if (rootCluster < 2 || rootCluster > clusters + 1)
        faults.push(words.rootCluster(rootCluster, clusters + 1));
      if (info !== 0xffff && (info === 0 || info >= block.reserved))
        faults.push(words.info(info, block.reserved - 1));
    }
  }
  return { ...block, clusters: Math.max(0, clusters), fat, faults, unusual };
}

/** Sectors of 512 bytes that a file system counts for itself. */
export const sectorsOf512 = (block: BootBlock): number => (block.sectors * block.bytesPerSector) / SECTOR;

/** What the media byte says on a floppy of a size: from the tables of DOS. */
const byMediaByte: readonly {
  kib: number;
  media: number;
  heads: number;
  sectorsPerTrack: number;
  sectorsPerCluster: number;
  rootEntries: number;
  sectorsPerFat: number;
}[] = [
  [160, 0xfe, 1, 8, 1, 64, 1],
  [180, 0xfc, 1, 9, 1, 64, 2],
  [320, 0xff, 2, 8, 2, 112, 1],
  [360, 0xfd, 2, 9, 2, 112, 2],
  [720, 0xf9, 2, 9, 2, 112, 3],
  [1200, 0xf9, 2, 15, 1, 224, 7],
  [1440, 0xf0, 2, 18, 1, 224, 9],
  [2880, 0xf0, 2, 36, 2, 240, 9]
].map(([kib, media, heads, sectorsPerTrack, sectorsPerCluster, rootEntries, sectorsPerFat]) => ({
  kib,
  media,
  heads,
  sectorsPerTrack,
  sectorsPerCluster,
  rootEntries,
  sectorsPerFat
}));

/**
 * A floppy whose boot sector has no parameter block, as DOS 1 wrote them and some tools still do: known by its size and
 * the media byte at the start of its allocation table. Null: it is not one.
 * @param fat the first bytes of sector 1
 */
export function floppyByMedia(bytes: number | null, first: Uint8Array, fat: Uint8Array): BootBlock | null {
  const found = byMediaByte.find((f) => f.kib * 1024 === bytes && f.media === fat[0]);
  if (!found || fat[1] !== 0xff || fat[2] !== 0xff) return null;
  const sectors = found.kib * 2;
  const root = (found.rootEntries * 32) / SECTOR;
  const data = sectors - 1 - 2 * found.sectorsPerFat - root;
  const { kib: _, ...format } = found;
  return {
    lba: 0,
    byMedia: true,
    oem: '',
    bytesPerSector: SECTOR,
    reserved: 1,
    fats: 2,
    hidden: 0,
    label: '',
    ...format,
    sectors,
    fat: 'FAT12',
    clusters: Math.floor(data / format.sectorsPerCluster),
    signature: hasSignature(first),
    faults: [],
    unusual: []
  };
}
