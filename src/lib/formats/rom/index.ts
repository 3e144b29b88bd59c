import { romRefusals, romWords as words } from '../../words';
import {
  headerOf,
  hex,
  pciImages,
  pnpOf,
  printable,
  systemOf,
  type PciImage,
  type PnpHeader,
  type RomHeader,
  type SystemRom
} from './headers';
import { halfOf, type Half } from './pairs';

export type { PciImage, PnpHeader, RomHeader, SystemRom } from './headers';
export { joinPair, splitPair, type Half } from './pairs';

/** What is found in a binary ROM. */
export interface RomReport {
  bytes: number;
  /** Chip that holds just this, or null when no chip has that size. */
  chip: string | null;
  header: RomHeader | null;
  pnp: PnpHeader | null;
  /** Images for PCI that it holds, one behind the other. */
  pci: PciImage[];
  /** What tells a system ROM at its end. */
  system: SystemRom | null;
  /** One chip of a pair for a 16-bit bus, by what stands at the places of its bytes. */
  half: Half | null;
  strings: string[];
  crc32: string;
  sha256: string;
  remarks: string[];
}

/** Largest dump that is read: 4 MiB. */
export const MAX_ROM = 4 * 1024 * 1024;
const chips: Record<number, string> = {
  2048: '2716',
  4096: '2732',
  8192: '2764',
  16_384: '27128',
  32_768: '27256',
  65_536: '27512',
  131_072: '27010',
  262_144: '27020',
  524_288: '27040',
  1_048_576: '27080'
};

/** Reads a ROM: option-ROM header, checksum, plug-and-play header, strings, and what identifies it. */
export async function readRom(data: Uint8Array): Promise<RomReport> {
  const remarks: string[] = [];
  if (!data.length) remarks.push(words.empty);
  const chip = chips[data.length] ?? null;
  if (data.length && !chip) remarks.push(words.noChip(data.length));
  const isEmpty = data.length > 0 && data.every((b) => b === data[0]);
  if (isEmpty) remarks.push(words.oneByte(data[0]));
  const middle = data.length / 2;
  if (
    data.length > 1 &&
    Number.isInteger(middle) &&
    data.subarray(0, middle).every((b, i) => b === data[middle + i])
  )
    remarks.push(words.twice);
  const header = headerOf(data);
  if (header) {
    if (header.length > data.length) remarks.push(words.cutOff(header.length, data.length));
    else if (header.sum !== 0) remarks.push(words.sum(header.sum));
    if (header.length === 0) remarks.push(words.noLength);
  }
  const system = header ? null : systemOf(data);
  const half = header || system || isEmpty ? null : halfOf(data);
  if (half) remarks.push(words.half(half.chip, half.of));
  else if (!header && !system && data.length && !isEmpty) remarks.push(words.unlike);
  const pci = header ? pciImages(data) : [];
  for (const image of pci.filter((i) => i.at + i.length > data.length))
    remarks.push(words.imagePastEnd(image.at, image.length));
  const pnp = header ? pnpOf(data) : null;
  if (pnp && pnp.sum !== 0) remarks.push(words.pnpSum);
  return {
    bytes: data.length,
    chip,
    header,
    pnp,
    pci,
    system,
    half,
    strings: stringsOf(data),
    crc32: hex(crc32(data), 8),
    sha256: await sha256(data),
    remarks
  };
}

const MOST_STRINGS = 200;
function stringsOf(b: Uint8Array): string[] {
  const out: string[] = [];
  let from = 0;
  for (let i = 0; i <= b.length && out.length < MOST_STRINGS; i++) {
    const c = b[i];
    if (i < b.length && c >= 0x20 && c < 0x7f) continue;
    if (i - from >= 6) out.push(printable(b.subarray(from, Math.min(i, from + 120))));
    from = i + 1;
  }
  return out;
}

const table = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});
/** CRC-32 as archives use it. */
export function crc32(data: Uint8Array): number {
  let c = 0xffffffff;
  for (const b of data) c = table[(c ^ b) & 255] ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
async function sha256(data: Uint8Array): Promise<string> {
  const digest = await globalThis.crypto.subtle.digest('SHA-256', data as BufferSource);
  return [...new Uint8Array(digest)].map((b) => hex(b, 2)).join('');
}

export interface RomDifference {
  same: boolean;
  /** Offset of the first byte that differs; null when none does within the shorter one. */
  first: number | null;
  count: number;
  /** 64 parts of the longer one: how many bytes differ in each. */
  map: number[];
  lengths: [number, number];
}

/** Compares two dumps byte by byte. What only the longer one has counts as different. */
export function compareRoms(a: Uint8Array, b: Uint8Array): RomDifference {
  const length = Math.max(a.length, b.length);
  const map = Array.from({ length: 64 }, () => 0);
  let [first, count]: [number | null, number] = [null, 0];
  for (let i = 0; i < length; i++) {
    if (i < a.length && i < b.length && a[i] === b[i]) continue;
    first ??= i;
    count++;
    map[Math.min(63, Math.floor((i * 64) / length))]++;
  }
  return { same: count === 0, first, count, map, lengths: [a.length, b.length] };
}

/**
 * An option ROM with its last byte changed so that its sum is 0 again.
 * @throws RangeError when it is no option ROM, its header asks for more than there is, or the last byte is used
 */
export function fixChecksum(data: Uint8Array): Uint8Array {
  const header = headerOf(data);
  if (!header) throw new RangeError(romRefusals.noOption);
  if (!header.length || header.length > data.length)
    throw new RangeError(romRefusals.length(header.length, data.length));
  const out = data.slice();
  const last = header.length - 1;
  out[last] = (out[last] - header.sum) & 255;
  return out;
}
