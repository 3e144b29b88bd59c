import { expect } from 'chai';
import { chipCapacity, nextLegal, readChips, readMarking, withOneLost } from '../../src/lib/core/boards';

/** Number on the chip → kind, depth, width, access times. From data sheets of the time, makers left out. */
const printed: [string, string][] = [
  ['4116-20', 'dram 16K×1 200'],
  ['4164-15', 'dram 64K×1 150'],
  ['41256-12', 'dram 256K×1 120'],
  ['AB41256P-10', 'dram 256K×1 100'],
  ['41256-8', 'dram 256K×1 80'],
  ['41464-12', 'dram 64K×4 120'],
  ['4464-10', 'dram 64K×4 100'],
  ['44256-80', 'dram 256K×4 80'],
  ['514256A-70', 'dram 256K×4 70'],
  ['511000-60', 'dram 1024K×1 60'],
  ['514100-6', 'dram 4096K×1 60'],
  ['514400J-70', 'dram 1024K×4 70'],
  ['5116400-60', 'dram 4096K×4 60'],
  ['2764-25', 'eprom 8K×8 250'],
  ['27C64-15', 'eprom 8K×8 150'],
  ['27128A-20', 'eprom 16K×8 200'],
  ['27C256-20', 'eprom 32K×8 200'],
  ['27C512-90', 'eprom 64K×8 90'],
  ['2732-45', 'eprom 4K×8 45/450'],
  ['27C010-12', 'eprom 128K×8 120'],
  ['27C1024-15', 'eprom 64K×16 150'],
  ['28C64-25', 'eeprom 8K×8 250'],
  ['29F010-90', 'flash 128K×8 90'],
  ['6116-15', 'sram 2K×8 15/150'],
  ['6264LP-10', 'sram 8K×8 10/100'],
  ['62256-70', 'sram 32K×8 70'],
  ['61256-15', 'sram 32K×8 15/150'],
  ['256K×4-80', 'dram 256K×4 80'],
  ['256K x 1 - 120', 'dram 256K×1 120'],
  ['41256', 'dram 256K×1 ?'],
  ['256-12', 'dram 256K×? 120']
];

describe('markings of memory chips', () => {
  for (const [text, told] of printed)
    it(`reads ${text}`, () => {
      const m = readMarking(text);
      expect(m && `${m.kind} ${m.depthK}K×${m.width ?? '?'} ${m.ns.join('/') || '?'}`).to.equal(told);
    });

  it('says what is missing to be sure, and nothing of what is no memory number', () => {
    expect(readMarking('256-12')?.missing).to.deep.equal(['width']);
    expect(readMarking('41256')?.missing).to.deep.equal(['speed']);
    expect(readMarking('4116-20')?.threeSupply).to.equal(true);
    for (const other of ['74LS245', '8087', '9315', '', 'hello', '12345678', '27C999'])
      expect(readMarking(other), other).to.equal(null);
  });

  it('takes markings where chips are counted', () => {
    expect(chipCapacity(readChips('9 × 41256-12')).map((r) => [r.kib, r.parity])).to.deep.equal([
      [256, true]
    ]);
    expect(
      chipCapacity(readChips('2 × 514256-80 + 1 × 41256-80')).map((r) => [r.kib, r.parity])
    ).to.deep.equal([[256, true]]);
    expect(chipCapacity(readChips('8 of 514256')).map((r) => r.kib)).to.include(1024);
  });

  it('says what a lost chip leaves, and what a bank still wants', () => {
    // Nine ×1 chips with one lost are eight: the same memory without parity.
    const [lost] = withOneLost(readChips('9 × 41256'));
    expect(lost?.readings.map((r) => [r.kib, r.parity])).to.deep.equal([[256, false]]);
    // Eight with one lost are no byte at all.
    expect(withOneLost(readChips('8 × 41256'))[0]?.readings).to.deep.equal([]);
    // Ten ×1 chips on a 16-bit bus: six more make a bank, eight more one with parity.
    expect(
      nextLegal(readChips('10 × 41256'), 16).map((s) => [s.parity, s.banks, s.kib, s.more[0]?.count])
    ).to.deep.equal([
      [false, 1, 512, 6],
      [true, 1, 512, 8]
    ]);
    expect(nextLegal(readChips('18 × 41256'), 16).map((s) => [s.parity, s.kib, s.more.length])).to.deep.equal(
      [
        [false, 1024, 1],
        [true, 512, 0]
      ]
    );
    expect(nextLegal(readChips('4 × 514256'), 16)).to.deep.equal([
      { banks: 1, parity: false, kib: 512, more: [] }
    ]);
    expect(nextLegal(readChips('8 × 256K'), 8)).to.deep.equal([]);
  });
});
