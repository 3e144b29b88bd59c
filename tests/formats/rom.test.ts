import { createHash } from 'node:crypto';
import { crc32 as zlibCrc } from 'node:zlib';
import { expect } from 'chai';
import fc from 'fast-check';
import { compareRoms, crc32, fixChecksum, joinPair, readRom, splitPair } from '../../src/lib/formats/rom';

/** An option ROM of so many 512-byte blocks with a plug-and-play header. */
function rom(blocks = 16): Uint8Array {
  const b = new Uint8Array(blocks * 512);
  b.set([0x55, 0xaa, blocks, 0xcb]);
  b[0x1a] = 0x40;
  b.set(
    [...'$PnP'].map((c) => c.charCodeAt(0)),
    0x40
  );
  b.set([1, 2], 0x44);
  b[0x40 + 14] = 0x80;
  b.set(
    [...'Osmund Quay\0'].map((c) => c.charCodeAt(0)),
    0x80
  );
  b[0x40 + 9] = (256 - b.subarray(0x40, 0x60).reduce((n, x) => n + x, 0)) & 255;
  return fixChecksum(b);
}

describe('a ROM', () => {
  it('is read: header, checksum, plug and play, strings, identity', async () => {
    const read = await readRom(rom());
    expect(read).to.deep.include({ bytes: 8192, chip: '2764', remarks: [] });
    expect(read.header).to.deep.equal({ length: 8192, entry: 3, sum: 0 });
    expect(read.pnp).to.deep.include({ at: 0x40, maker: 'Osmund Quay', sum: 0 });
    expect(read.strings).to.include('Osmund Quay');
  });
  it('what is wrong with a reading is said', async () => {
    const remarks = async (b: Uint8Array) => (await readRom(b)).remarks.join(' ');
    const bad = rom();
    bad[100] ^= 1;
    expect(await remarks(bad)).to.match(/checksum is wrong/);
    expect(await remarks(rom().subarray(0, 5000)))
      .to.match(/no ROM chip/)
      .and.match(/cut off/);
    expect(await remarks(new Uint8Array(8192).fill(255))).to.match(/Every byte is FF/);
    expect(await remarks(Uint8Array.from([...rom(8), ...rom(8)]))).to.match(/Both halves are the same/);
    expect(await remarks(splitPair(rom()).even)).to.match(/even chip of a pair of an option ROM/);
    expect(await remarks(splitPair(rom()).odd)).to.match(/odd chip of a pair of an option ROM/);
    expect(await remarks(new Uint8Array(8192).fill(0x90, 1))).to.match(/neither begins with 55 AA/);
    expect(await remarks(new Uint8Array(0))).to.match(/empty/);
  });
  it('a system ROM is known by its end, and each half of one by its own', async () => {
    const b = new Uint8Array(65_536).fill(0x90);
    b.set([0xea, 0x5b, 0xe0, 0x00, 0xf0, ...[...'04/17/86'].map((c) => c.charCodeAt(0)), 0, 0xfc, 0], 65_520);
    const read = await readRom(b);
    expect(read.system).to.deep.equal({
      entry: 'F000:E05B',
      date: '04/17/86',
      model: 'FC',
      class: 'AT class'
    });
    expect([read.half, read.remarks]).to.deep.equal([null, []]);
    const { even, odd } = splitPair(b);
    expect((await readRom(even)).half).to.deep.equal({ chip: 'even', of: 'system' });
    expect((await readRom(odd)).half).to.deep.equal({ chip: 'odd', of: 'system' });
    expect((await readRom(joinPair(even, odd))).system).to.deep.equal(read.system);
  });
  it('images for PCI are read one behind the other', async () => {
    const image = (blocks: number, code: number, isLast: boolean) => {
      const b = new Uint8Array(blocks * 512);
      b.set([0x55, 0xaa, blocks]);
      b[0x18] = 0x1c;
      b.set([...'PCIR'].map((c) => c.charCodeAt(0)), 0x1c); // oxfmt-ignore
      b.set([0x34, 0x12, 0x78, 0x56], 0x20);
      b.set([0x00, 0x00, 0x03], 0x1c + 13);
      b.set([blocks, 0, 0, 0, code, isLast ? 0x80 : 0], 0x1c + 16);
      return fixChecksum(b);
    };
    const read = await readRom(Uint8Array.from([...image(16, 0, false), ...image(16, 1, true)]));
    expect(read.pci).to.deep.equal([
      { at: 0, vendor: '1234', device: '5678', class: '030000', length: 8192, code: 0, isLast: false },
      { at: 8192, vendor: '1234', device: '5678', class: '030000', length: 8192, code: 1, isLast: true }
    ]);
    expect(read.remarks).to.deep.equal([]);
    expect((await readRom(image(16, 0, false).subarray(0, 4096))).remarks.join(' ')).to.match(
      /runs past the end/
    );
    expect((await readRom(rom())).pci).to.deep.equal([]);
  });
  it('CRC-32 and SHA-256 are those of the usual tools', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 5000 }), async (data) => {
        const read = await readRom(data);
        expect(read.sha256.toLowerCase()).to.equal(createHash('sha256').update(data).digest('hex'));
        if (typeof zlibCrc === 'function') expect(crc32(data)).to.equal(zlibCrc(data));
      }),
      { numRuns: 60 }
    );
    expect(crc32(new TextEncoder().encode('123456789')).toString(16)).to.equal('cbf43926');
  });
  it('pairs split and join, and a checksum is mended in the last byte only', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1024, maxLength: 1024 }), (data) => {
        const { even, odd } = splitPair(data);
        expect(joinPair(even, odd)).to.deep.equal(data);
        const option = data.slice();
        option.set([0x55, 0xaa, 2]);
        const fixed = fixChecksum(option);
        expect(fixed.reduce((n, b) => n + b, 0) & 255).to.equal(0);
        expect(compareRoms(option, fixed).count).to.be.at.most(1);
      })
    );
    expect(() => splitPair(new Uint8Array(3))).to.throw(RangeError, /3 bytes/);
    expect(() => joinPair(new Uint8Array(2), new Uint8Array(3))).to.throw(RangeError);
    expect(() => fixChecksum(new Uint8Array(9))).to.throw(RangeError, /55 AA/);
    expect(() => fixChecksum(Uint8Array.from([0x55, 0xaa, 9, 0]))).to.throw(RangeError, /4,608/);
  });
  it('two dumps are compared to the byte', () => {
    const a = rom();
    const b = a.slice();
    expect(compareRoms(a, b)).to.deep.include({ same: true, first: null, count: 0 });
    b[4096] ^= 1;
    b[4100] ^= 1;
    const d = compareRoms(a, b);
    expect([d.first, d.count, d.map[32], d.map.reduce((n, x) => n + x, 0)]).to.deep.equal([4096, 2, 2, 2]);
    expect(compareRoms(a, a.subarray(0, 8000)).count).to.equal(192);
  });
});
