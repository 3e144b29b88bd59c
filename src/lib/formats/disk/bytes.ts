import { hexDumpRefusals as refusals } from '../../words';

/** Reads sectors of an image; slices only, never the whole. */
export interface SectorSource {
  /** Bytes of the whole medium; null while only its first sectors are at hand. */
  bytes: number | null;
  /** Bytes from an offset; fewer come back where the source ends. */
  read(offset: number, length: number): Promise<Uint8Array>;
}

export const SECTOR = 512;

/** A source over bytes that are at hand. */
export const bytesSource = (data: Uint8Array, isWhole = true): SectorSource => ({
  bytes: isWhole ? data.length : null,
  read: (offset, length) =>
    Promise.resolve(data.subarray(Math.min(offset, data.length), Math.min(offset + length, data.length)))
});

/** A source over a file of the browser. */
export const blobSource = (blob: Blob): SectorSource => ({
  bytes: blob.size,
  read: async (offset, length) => new Uint8Array(await blob.slice(offset, offset + length).arrayBuffer())
});

export const u16 = (b: Uint8Array, at: number): number => (b[at] ?? 0) | ((b[at + 1] ?? 0) << 8);
export const u32 = (b: Uint8Array, at: number): number =>
  ((b[at] ?? 0) | ((b[at + 1] ?? 0) << 8) | ((b[at + 2] ?? 0) << 16)) + (b[at + 3] ?? 0) * 2 ** 24;

export function put16(b: Uint8Array, at: number, n: number): void {
  b[at] = n & 0xff;
  b[at + 1] = (n >>> 8) & 0xff;
}
export function put32(b: Uint8Array, at: number, n: number): void {
  put16(b, at, n & 0xffff);
  put16(b, at + 2, Math.floor(n / 65_536) & 0xffff);
}

/** What was pasted is no hex dump. */
export class HexDumpError extends Error {}
const MOST_DUMP = 4 * 1024 * 1024;
/** Bytes in a row of a dump. */
const MOST_ROW = 32;

/** A row of a dump: its bytes, and its address as it was printed; `*`: rows like the one before are left out. */
type DumpRow = { line: number; address: string | null; bytes: number[] } | '*';

/**
 * Reads a hex dump as programs of the time print it: an address at the start of a line (with or without a colon
 * or a segment), pairs of hex digits, and text at the right that is passed over. Words of four digits are taken
 * byte by byte as they stand. A line `*` repeats the line before up to the next address. Addresses may be hex, octal
 * or decimal; where they say that something is missing between two lines, nothing is read at a place where it is not.
 * @throws HexDumpError naming the line
 */
export function readHexDump(text: string): Uint8Array {
  if (text.length > MOST_DUMP) throw new HexDumpError(refusals.tooLong(MOST_DUMP / 1024 / 1024));
  const rows = text.split(/\r?\n/).flatMap((raw, i): DumpRow[] => {
    const line = raw.trim();
    if (!line) return [];
    if (line === '*') return ['*'];
    // Text at the right stands behind a gap.
    const words = line.replace(/^(\S+\s+\S.*?) {3,}.*/, '$1').split(/[\s-]+/);
    const isAddress = addressLike(words[0], words[1]);
    const bytes = hexBytes(isAddress ? words.slice(1) : words);
    if (!bytes.length && !isAddress) throw new HexDumpError(refusals.noBytes(i + 1, line.slice(0, 40)));
    if (bytes.length > MOST_ROW) throw new HexDumpError(refusals.longRow(i + 1, MOST_ROW));
    const address = isAddress ? words[0].replace(/^[0-9a-f]{4}:(?=.)/i, '').replace(/:$/, '') : null;
    return [{ line: i + 1, address, bytes }];
  });
  const inHex = laidOut(rows, 16);
  // One program prints seven digits, octal or decimal.
  const isOther = rows.every((row) => row === '*' || row.address?.length === 7);
  const all = isOther ? [inHex, laidOut(rows, 8), laidOut(rows, 10)] : [inHex];
  const read = all.find((r) => r instanceof Uint8Array);
  if (read) return read;
  throw inHex;
}

/** The bytes of rows whose addresses count in some base, or why they do not follow one another. */
function laidOut(rows: readonly DumpRow[], radix: number): Uint8Array | HexDumpError {
  const out: number[] = [];
  let base: number | null = null;
  let last: number[] = [];
  let repeat = false;
  /** Bytes of a row, once the address of the second one tells it: none is longer than the first. */
  let width: number | null = null;
  for (const row of rows) {
    if (row === '*') {
      repeat = true;
      continue;
    }
    const { line, bytes } = row;
    const address = row.address === null ? null : parseInt(row.address, radix);
    base ??= address ?? 0;
    if (address !== null) {
      const until = Math.max(0, Math.min(address - base, MOST_DUMP));
      while (repeat && last.length && out.length < until) out.push(...last);
      // Text at the right that reads as hex: the address after it tells where the bytes ended.
      const more = out.length - (address - base);
      if (more > 0 && more < last.length) out.length -= more;
      width ??= out.length || null;
      if (out.length !== address - base)
        return new HexDumpError(refusals.gap(line, row.address ?? '', base + out.length));
    }
    repeat = false;
    last = bytes.slice(0, width ?? MOST_ROW);
    out.push(...last);
  }
  return out.length ? Uint8Array.from(out) : new HexDumpError(refusals.empty);
}

/** Whether the first word of a row is its address: `00000000`, `0010:`, `1A2F:0100`, or four digits before pairs. */
const addressLike = (word: string, next: string | undefined): boolean =>
  /^(?:[0-9a-f]{4}:[0-9a-f]{4}:?|[0-9a-f]{3,8}:|[0-9a-f]{6,8})$/i.test(word) ||
  (/^[0-9a-f]{4}$/i.test(word) && /^[0-9a-f]{2}$/i.test(next ?? ''));

/** Bytes at the start of a row, up to what is not a pair of hex digits or is more than a row. */
function hexBytes(words: readonly string[]): number[] {
  const out: number[] = [];
  for (const word of words) {
    if (!/^([0-9a-f]{2}){1,2}$/i.test(word) || out.length > MOST_ROW) break;
    for (let i = 0; i < word.length; i += 2) out.push(parseInt(word.slice(i, i + 2), 16));
  }
  return out;
}
