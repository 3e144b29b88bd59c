import { floppyFlaws as flaws } from '../words';
import { SECTOR, put16, put32 } from './disk/bytes';

/** Layouts of FAT12 floppies by capacity in KiB: the parameter blocks that FORMAT writes. */
const layouts: Readonly<
  Record<
    number,
    { heads: number; sectors: number; cluster: number; perFat: number; root: number; media: number }
  >
> = {
  360: { heads: 2, sectors: 9, cluster: 2, perFat: 2, root: 112, media: 0xfd },
  720: { heads: 2, sectors: 9, cluster: 2, perFat: 3, root: 112, media: 0xf9 },
  1200: { heads: 2, sectors: 15, cluster: 1, perFat: 7, root: 224, media: 0xf9 },
  1440: { heads: 2, sectors: 18, cluster: 1, perFat: 9, root: 224, media: 0xf0 },
  2880: { heads: 2, sectors: 36, cluster: 2, perFat: 9, root: 240, media: 0xf0 }
};
export const FLOPPY_IMAGES: readonly number[] = Object.keys(layouts).map(Number);

export interface FloppyFile {
  /** 8.3, in capitals. */
  name: string;
  text: string;
}

/** What cannot be put on a floppy. */
export class FloppyImageError extends Error {}

/** A date and a time as a directory keeps them: 1 January 1994, noon, so that the same files give the same bytes. */
const DATE = ((1994 - 1980) << 9) | (1 << 5) | 1;
const TIME = 12 << 11;

/** Text of DOS is bytes; a letter beyond its code pages becomes a question mark. */
const bytesOf = (text: string): Uint8Array =>
  Uint8Array.from([...text].map((c) => (c.charCodeAt(0) < 256 ? c.charCodeAt(0) : 0x3f)));

const ascii = (b: Uint8Array, at: number, text: string): void => b.set(bytesOf(text), at);

function shortName(name: string): string {
  const m = /^([A-Z0-9_$~!#%&@'{}()-]{1,8})(?:\.([A-Z0-9_$~!#%&@'{}()-]{1,3}))?$/.exec(name);
  if (!m) throw new FloppyImageError(flaws.name(name));
  return m[1].padEnd(8) + (m[2] ?? '').padEnd(3);
}

/**
 * A floppy image with files on it, in a FAT12 file system. It holds no system: SYS puts that on it, which from 5.0 on
 * may be done after the files are there; for older versions FORMAT /S comes first and the files are copied.
 * @throws FloppyImageError where the size is not known or the files do not fit
 */
export function floppyImage(kib: number, files: readonly FloppyFile[], label = 'START'): Uint8Array {
  const l = layouts[kib];
  if (!l) throw new FloppyImageError(flaws.size(kib, FLOPPY_IMAGES));
  const image = new Uint8Array(kib * 1024);
  const b = image.subarray(0, SECTOR);
  b.set([0xeb, 0x3c, 0x90]);
  ascii(b, 3, 'YJDISK  ');
  put16(b, 11, SECTOR);
  b[13] = l.cluster;
  put16(b, 14, 1);
  b[16] = 2;
  put16(b, 17, l.root);
  put16(b, 19, kib * 2);
  b[21] = l.media;
  put16(b, 22, l.perFat);
  put16(b, 24, l.sectors);
  put16(b, 26, l.heads);
  b[38] = 0x29;
  put32(b, 39, 0x19940101);
  ascii(b, 43, label.slice(0, 11).toUpperCase().padEnd(11));
  ascii(b, 54, 'FAT12   ');
  // Whoever starts from it before SYS was run gets a stop, not what happens to lie in memory.
  b.set([0xeb, 0xfe], 62);
  b[510] = 0x55;
  b[511] = 0xaa;
  const rootAt = (1 + 2 * l.perFat) * SECTOR;
  const dataAt = rootAt + l.root * 32;
  const clusterBytes = l.cluster * SECTOR;
  const clusters = Math.floor((image.length - dataAt) / clusterBytes);
  const fat = new Uint8Array(l.perFat * SECTOR);
  const put12 = (n: number, value: number) => {
    const at = n + (n >> 1);
    const pair = (fat[at] ?? 0) | ((fat[at + 1] ?? 0) << 8);
    put16(fat, at, n & 1 ? (pair & 0x000f) | (value << 4) : (pair & 0xf000) | value);
  };
  put12(0, 0xf00 | l.media);
  put12(1, 0xfff);
  let row = 0;
  const entry = (name: string, attribute: number, first: number, size: number) => {
    if (row >= l.root) throw new FloppyImageError(flaws.full);
    const at = rootAt + row++ * 32;
    ascii(image, at, name);
    image[at + 11] = attribute;
    put16(image, at + 22, TIME);
    put16(image, at + 24, DATE);
    put16(image, at + 26, first);
    put32(image, at + 28, size);
  };
  entry(label.slice(0, 11).toUpperCase().padEnd(11), 0x08, 0, 0);
  let next = 2;
  const names = new Set<string>();
  for (const file of files) {
    const name = shortName(file.name);
    if (names.has(name)) throw new FloppyImageError(flaws.twice(file.name));
    names.add(name);
    const data = bytesOf(file.text);
    const count = Math.ceil(data.length / clusterBytes);
    if (next + count > clusters + 2) throw new FloppyImageError(flaws.tooLarge);
    entry(name, 0x20, count ? next : 0, data.length);
    image.set(data, dataAt + (next - 2) * clusterBytes);
    for (let i = 0; i < count; i++) put12(next + i, i === count - 1 ? 0xfff : next + i + 1);
    next += count;
  }
  image.set(fat, SECTOR);
  image.set(fat, SECTOR * (1 + l.perFat));
  return image;
}
