import { expect } from 'chai';
import fc from 'fast-check';
import { HexDumpError, readHexDump } from '../../src/lib/formats/disk';

const hex = (n: number, digits: number) => n.toString(16).padStart(digits, '0');
const rowsOf = (bytes: Uint8Array, width: number): Uint8Array[] =>
  Array.from({ length: Math.ceil(bytes.length / width) }, (_, i) => bytes.slice(i * width, (i + 1) * width));
const letters = (row: Uint8Array) =>
  [...row].map((b) => (b > 32 && b < 127 ? String.fromCharCode(b) : '.')).join('');

/** Ways in which programs print sixteen bytes a row. */
const styles: Readonly<Record<string, (row: Uint8Array, at: number) => string>> = {
  'pairs and text between bars': (row, at) =>
    `${hex(at, 8)}  ${[...row].map((b) => hex(b, 2)).join(' ')}  |${letters(row)}|`,
  'a segment, and a hyphen in the middle': (row, at) =>
    `1A2F:${hex(at, 4).toUpperCase()}  ${[...row]
      .map((b) => hex(b, 2).toUpperCase())
      .join(' ')
      .replace(/^((?:\S\S ){7}\S\S) /, '$1-')}   ${letters(row)}`,
  'words of four digits': (row, at) =>
    `${hex(at, 8)}: ${rowsOf(row, 2)
      .map((two) => [...two].map((b) => hex(b, 2)).join(''))
      .join(' ')}`,
  'four digits and pairs': (row, at) => `${hex(at, 4)} ${[...row].map((b) => hex(b, 2)).join(' ')}`,
  'octal addresses': (row, at) =>
    `${at.toString(8).padStart(7, '0')} ${[...row].map((b) => hex(b, 2)).join(' ')}`,
  'decimal addresses': (row, at) =>
    `${String(at).padStart(7, '0')} ${[...row].map((b) => hex(b, 2)).join(' ')}`,
  'no address at all': (row) => [...row].map((b) => hex(b, 2)).join(' ')
};
const printed = (bytes: Uint8Array, style: keyof typeof styles, base = 0) =>
  rowsOf(bytes, 16).map((row, i) => styles[style]!(row, base + 16 * i));
const sectors = fc.uint8Array({ minLength: 1, maxLength: 700 });

describe('a hex dump that somebody pasted', () => {
  for (const style of Object.keys(styles))
    it(`is read as it was printed: ${style}`, () => {
      fc.assert(
        fc.property(sectors, (bytes) => {
          expect([...readHexDump(printed(bytes, style).join('\n'))]).to.deep.equal([...bytes]);
        }),
        { numRuns: 60 }
      );
    });

  it('may begin anywhere: what counts is how its lines follow one another', () => {
    const bytes = Uint8Array.from({ length: 512 }, (_, i) => (i * 7) & 255);
    for (const base of [0x7c00, 0x100, 0x1be])
      expect([...readHexDump(printed(bytes, 'pairs and text between bars', base).join('\n'))]).to.deep.equal([
        ...bytes
      ]);
  });

  it('lines that are left out by a star are there; lines that are just missing are not made up', () => {
    const bytes = new Uint8Array(512);
    bytes.set([0xeb, 0x3c, 0x90]);
    bytes.set([0x80, 1, 1, 0, 6], 0x1be);
    bytes.set([0x55, 0xaa], 510);
    const rows = printed(bytes, 'pairs and text between bars');
    const short = [...rows.slice(0, 2), '*', ...rows.slice(27)];
    expect([...readHexDump(short.join('\n'))]).to.deep.equal([...bytes]);
    const torn = [...rows.slice(0, 2), ...rows.slice(27)];
    expect(() => readHexDump(torn.join('\n'))).to.throw(
      HexDumpError,
      /^line 3 begins at 000001b0, and the lines before it end at 20h: something between is missing/
    );
  });

  it('a table of partitions is never looked for at another place than where it was', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 512, maxLength: 512 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 5 }),
        (bytes, from, many) => {
          const rows = printed(bytes, 'pairs and text between bars');
          rows.splice(from, many);
          if (from + many >= 32) return;
          expect(() => readHexDump(rows.join('\n'))).to.throw(HexDumpError, /something between is missing/);
        }
      ),
      { numRuns: 80 }
    );
  });

  it('two hex lines with one missing between them are not taken for octal', () => {
    const rows = printed(new Uint8Array(48), 'pairs and text between bars');
    expect(() => readHexDump([rows[0], rows[2]].join('\n'))).to.throw(HexDumpError, /^line 2 begins/);
  });

  it('a line that is there twice, or out of order, is refused and named', () => {
    const rows = printed(new Uint8Array(64), 'pairs and text between bars');
    expect(() => readHexDump([rows[0], rows[0], rows[1]].join('\n'))).to.throw(
      HexDumpError,
      /^line 2 begins/
    );
    expect(() => readHexDump([rows[0], rows[2], rows[1], rows[3]].join('\n'))).to.throw(/^line 2 begins/);
  });

  it('a line longer than is read is not cut in silence', () => {
    const wide = rowsOf(
      Uint8Array.from({ length: 128 }, (_, i) => i),
      64
    ).map((row, i) => `${hex(64 * i, 8)}  ${[...row].map((b) => hex(b, 2)).join(' ')}`);
    expect(() => readHexDump(wide.join('\n'))).to.throw(
      HexDumpError,
      /^line 1 has more bytes than the 32 of a row/
    );
  });

  it('text at the right that could be hex is told from bytes by the addresses', () => {
    const row = (at: number, text: string) =>
      `${hex(at, 4)}  ${Array.from({ length: 16 }, (_, i) => hex(at + i, 2)).join(' ')}  ${text}`;
    const rows = [row(0, 'DEAD'), row(16, 'be ef 00'), row(32, '12 34')];
    expect([...readHexDump(rows.join('\n'))]).to.deep.equal(Array.from({ length: 48 }, (_, i) => i));
  });

  it('empty lines, blanks and line ends of any kind mean nothing', () => {
    const bytes = Uint8Array.from({ length: 48 }, (_, i) => 255 - i);
    const rows = printed(bytes, 'four digits and pairs');
    for (const text of [`\n\n${rows.join('\n\n')}\n`, rows.map((r) => `   ${r}  `).join('\r\n')])
      expect([...readHexDump(text)]).to.deep.equal([...bytes]);
  });

  it('what is no dump is said to be none, with the line', () => {
    for (const [text, why] of [
      ['', /no hex bytes/],
      ['hello there', /line 1: "hello there" holds no hex bytes/],
      ['00000000  zz zz', /no hex bytes/],
      ['0000 41 42\nthe rest is on the next page', /line 2/]
    ] as const)
      expect(() => readHexDump(text), text).to.throw(HexDumpError, why);
  });
});
