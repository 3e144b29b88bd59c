import { romModels } from '../../words';

/** What ROMs say of themselves at fixed places. */

export interface RomHeader {
  /** Length that the header says, in bytes. */
  length: number;
  /** Entry point from the start of the ROM. */
  entry: number;
  /** Sum of all bytes of that length, modulo 256; 0 is right. */
  sum: number;
}

export interface PnpHeader {
  at: number;
  revision: number;
  device: string;
  maker: string;
  product: string;
  /** Sum of its own bytes, modulo 256; 0 is right. */
  sum: number;
}

/** One image of a ROM for PCI: a card may hold one for this kind of machine and others for other kinds. */
export interface PciImage {
  /** Where it begins in the file. */
  at: number;
  /** Hexadecimal, four digits each. */
  vendor: string;
  device: string;
  /** Base class, class and interface of the device. */
  class: string;
  /** Bytes that it says it has. */
  length: number;
  /** What runs it: 0 is the code of a PC BIOS. */
  code: number;
  /** It says that no other follows. */
  isLast: boolean;
}

/** The end of a system ROM: where the CPU begins, and what the last bytes say. */
export interface SystemRom {
  /** Segment and offset of the first jump. */
  entry: string;
  /** As it stands there, mm/dd/yy; empty when no date does. */
  date: string;
  /** The model byte, two hexadecimal digits, and the class that it stands for. */
  model: string;
  class: string;
}

const sumOf = (b: Uint8Array, from: number, to: number): number => {
  let sum = 0;
  for (let i = from; i < to; i++) sum = (sum + (b[i] ?? 0)) & 255;
  return sum;
};
const u16 = (b: Uint8Array, at: number) => (b[at] ?? 0) | ((b[at + 1] ?? 0) << 8);
export const hex = (n: number, digits: number): string => n.toString(16).toUpperCase().padStart(digits, '0');
export const printable = (b: Uint8Array): string =>
  String.fromCharCode(...b)
    .replace(/[^\x20-\x7e]/g, ' ')
    .trim();
const says = (b: Uint8Array, at: number, text: string): boolean =>
  String.fromCharCode(...b.subarray(at, at + text.length)) === text;

/** The header of an option ROM: 55 AA, its length, and the sum of it all. */
export function headerOf(b: Uint8Array): RomHeader | null {
  if (b[0] !== 0x55 || b[1] !== 0xaa || b.length < 4) return null;
  const length = b[2] * 512;
  return { length, entry: 3, sum: sumOf(b, 0, Math.min(length, b.length)) };
}

/** `$PnP` where the word at 1Ah points. */
export function pnpOf(b: Uint8Array): PnpHeader | null {
  const at = u16(b, 0x1a);
  if (at < 4 || at + 32 > b.length || !says(b, at, '$PnP')) return null;
  const length = b[at + 5] * 16;
  const text = (pointer: number) => {
    if (!pointer || pointer >= b.length) return '';
    const end = b.indexOf(0, pointer);
    return printable(
      b.subarray(pointer, end < 0 ? Math.min(b.length, pointer + 80) : Math.min(end, pointer + 80))
    );
  };
  return {
    at,
    revision: b[at + 4],
    device: [...b.subarray(at + 10, at + 14)].map((x) => hex(x, 2)).join(''),
    maker: text(u16(b, at + 14)),
    product: text(u16(b, at + 16)),
    sum: sumOf(b, at, Math.min(b.length, at + length))
  };
}

const MOST_IMAGES = 8;

/** `PCIR` where the word at 18h of each image points; the next image begins where one ends. */
export function pciImages(b: Uint8Array): PciImage[] {
  const out: PciImage[] = [];
  for (let at = 0; out.length < MOST_IMAGES && b[at] === 0x55 && b[at + 1] === 0xaa;) {
    const data = at + u16(b, at + 0x18);
    if (data === at || data + 24 > b.length || !says(b, data, 'PCIR')) break;
    const image: PciImage = {
      at,
      vendor: hex(u16(b, data + 4), 4),
      device: hex(u16(b, data + 6), 4),
      class: [15, 14, 13].map((i) => hex(b[data + i], 2)).join(''),
      length: u16(b, data + 16) * 512,
      code: b[data + 20],
      isLast: (b[data + 21] & 0x80) !== 0
    };
    out.push(image);
    if (image.isLast || !image.length) break;
    at += image.length;
  }
  return out;
}

const DATE = /^\d\d\/\d\d\/\d\d$/;

/** A system ROM ends where the CPU begins: a far jump 16 bytes before the end, a date, and the model byte. */
export function systemOf(b: Uint8Array): SystemRom | null {
  const at = b.length - 16;
  if (at < 0 || b[at] !== 0xea) return null;
  const date = printable(b.subarray(at + 5, at + 13));
  const segment = u16(b, at + 3);
  if (!DATE.test(date) && segment < 0xc000) return null;
  return {
    entry: `${hex(segment, 4)}:${hex(u16(b, at + 1), 4)}`,
    date: DATE.test(date) ? date : '',
    model: hex(b[at + 14], 2),
    class: romModels[b[at + 14]] ?? ''
  };
}
