/** What is found in a binary ROM. */
export interface RomReport {
  bytes: number;
  /** Chip that holds just this, or null when no chip has that size. */
  chip: string | null;
  header: RomHeader | null;
  pnp: PnpHeader | null;
  strings: string[];
  crc32: string;
  sha256: string;
  remarks: string[];
}

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
  524_288: '27040'
};

const sumOf = (b: Uint8Array, from: number, to: number): number => {
  let sum = 0;
  for (let i = from; i < to; i++) sum = (sum + (b[i] ?? 0)) & 255;
  return sum;
};
const u16 = (b: Uint8Array, at: number) => (b[at] ?? 0) | ((b[at + 1] ?? 0) << 8);

/** Reads a ROM: option-ROM header, checksum, plug-and-play header, strings, and what identifies it. */
export async function readRom(data: Uint8Array): Promise<RomReport> {
  const remarks: string[] = [];
  if (!data.length) remarks.push('The file is empty.');
  const chip = chips[data.length] ?? null;
  if (data.length && !chip)
    remarks.push(
      `${data.length.toLocaleString('en')} bytes: no ROM chip has just that size; the reading may be cut off or too long.`
    );
  if (data.length && data.every((b) => b === data[0]))
    remarks.push(`Every byte is ${hex(data[0], 2)}: an empty chip, or it was not seated in the programmer.`);
  const half = data.length / 2;
  if (
    data.length > 1 &&
    Number.isInteger(half) &&
    data.subarray(0, half).every((b, i) => b === data[half + i])
  )
    remarks.push('Both halves are the same: a smaller chip read as a larger one.');
  const header = headerOf(data);
  if (header) {
    if (header.length > data.length)
      remarks.push(
        `The header says ${header.length.toLocaleString('en')} bytes and there are ${data.length.toLocaleString('en')}: half of an odd and even pair, or cut off.`
      );
    else if (header.sum !== 0)
      remarks.push(`The checksum is wrong (sum ${hex(header.sum, 2)}): the BIOS passes this ROM over.`);
    if (header.length === 0) remarks.push('The header says a length of 0.');
  } else if (data.length)
    remarks.push('It does not begin with 55 AA: a system ROM, half of a pair, or no ROM.');
  const pnp = header ? pnpOf(data) : null;
  if (pnp && pnp.sum !== 0) remarks.push('The checksum of the plug-and-play header is wrong.');
  return {
    bytes: data.length,
    chip,
    header,
    pnp,
    strings: stringsOf(data),
    crc32: hex(crc32(data), 8),
    sha256: await sha256(data),
    remarks
  };
}

function headerOf(b: Uint8Array): RomHeader | null {
  if (b[0] !== 0x55 || b[1] !== 0xaa || b.length < 4) return null;
  const length = b[2] * 512;
  return { length, entry: 3, sum: sumOf(b, 0, Math.min(length, b.length)) };
}

/** `$PnP` where the word at 1Ah points. */
function pnpOf(b: Uint8Array): PnpHeader | null {
  const at = u16(b, 0x1a);
  if (at < 4 || at + 32 > b.length || String.fromCharCode(...b.subarray(at, at + 4)) !== '$PnP') return null;
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

const MOST_STRINGS = 200;
const printable = (b: Uint8Array) =>
  String.fromCharCode(...b)
    .replace(/[^\x20-\x7e]/g, ' ')
    .trim();
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
const hex = (n: number, digits: number) => n.toString(16).toUpperCase().padStart(digits, '0');

/** Splits a ROM of a 16-bit bus into its even and its odd chip. @throws RangeError when it has an odd length */
export function splitPair(data: Uint8Array): { even: Uint8Array; odd: Uint8Array } {
  if (data.length % 2)
    throw new RangeError(`${data.length} bytes cannot be split into an even and an odd chip`);
  return { even: data.filter((_, i) => i % 2 === 0), odd: data.filter((_, i) => i % 2 === 1) };
}

/** Joins an even and an odd chip. @throws RangeError when they differ in length */
export function joinPair(even: Uint8Array, odd: Uint8Array): Uint8Array {
  if (even.length !== odd.length)
    throw new RangeError(`one chip has ${even.length} bytes and the other ${odd.length}`);
  const out = new Uint8Array(even.length * 2);
  even.forEach((b, i) => (out[i * 2] = b));
  odd.forEach((b, i) => (out[i * 2 + 1] = b));
  return out;
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
  if (!header) throw new RangeError('it does not begin with 55 AA; only an option ROM has this checksum');
  if (!header.length || header.length > data.length)
    throw new RangeError(`its header says ${header.length} bytes and there are ${data.length}`);
  const out = data.slice();
  const last = header.length - 1;
  out[last] = (out[last] - header.sum) & 255;
  return out;
}
