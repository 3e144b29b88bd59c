import { expect } from 'chai';
import { board, card, machineOf, type ClaimIn, checkKnown } from '../support/make';

type Range = [base: number, length: number, extra?: object];

/** Pairs of usual owners and what becomes of them on an AT-class board. */
const cases: [string, Range, Range, boolean][] = [
  ['third disk channel and COM3: 3EEh lies in it', [0x3ee, 1], [0x3e8, 8], true],
  ['fourth disk channel and a 32-port window at 360h', [0x36e, 1], [0x360, 32], true],
  ['bus-master SCSI at 330h and a MIDI interface', [0x330, 4], [0x330, 2], true],
  ['bus-master SCSI at 334h and a MIDI interface at 330h', [0x334, 4], [0x330, 2], false],
  ['MIDI at 300h and a network card there', [0x300, 2], [0x300, 32], true],
  ['8-bit disk adapter at 300h and a network card there', [0x300, 16], [0x300, 32], true],
  ['XT disk controller and a network card at 300h', [0x320, 4], [0x300, 32], false],
  ['FM synthesiser of four ports and LPT1', [0x388, 4], [0x378, 3], false],
  ['audio at 220h and at 240h', [0x220, 16], [0x240, 16], false],
  ['audio base + 10h: CD-ROM interface and MIDI at 230h', [0x230, 4], [0x230, 2], true],
  ['bus mouse at 23Ch and audio at 230h', [0x23c, 4], [0x230, 16], true],
  ['LPT at 278h and a scanner at 270h', [0x278, 3], [0x270, 8], false],
  ['second floppy controller and the second disk channel', [0x370, 6], [0x376, 1], false],
  ['second floppy controller with 370-377 and 376h', [0x370, 8], [0x376, 1], true],
  ['first floppy controller and the first disk channel', [0x3f0, 6], [0x3f6, 1], false],
  ['monochrome adapter and its printer', [0x3b0, 12], [0x3bc, 3], false],
  ['monochrome and colour adapters', [0x3b0, 12], [0x3d0, 16], false],
  ['EGA and a colour adapter', [0x3d0, 16], [0x3d0, 16], true],
  ['ECP registers at 778h over a ten-line LPT1', [0x778, 3], [0x378, 3], true],
  ['ECP registers at 678h over a ten-line port at 278h', [0x678, 3, { mask: 0xffff }], [0x278, 3], true],
  ['EMS at 2E8h and COM4', [0x2e8, 8, { mask: 0xffff }], [0x2e8, 8], true],
  ['EMS at 258h and a network card at 240h with 32 ports', [0x258, 8, { mask: 0xffff }], [0x240, 32], true],
  ['codec audio at 530h and a ten-line device at 130h', [0x530, 8, { mask: 0xffff }], [0x130, 4], true],
  ['16-line devices a kilobyte apart', [0x530, 8, { mask: 0xffff }], [0x130, 4, { mask: 0xffff }], false]
];

describe('usual owners of ports', () => {
  for (const [name, a, b, clash] of cases)
    it(`${name}: ${clash ? 'clash' : 'no clash'}`, () => {
      const cards = [a, b].map(([value, length, extra], i) =>
        card(`card-${i}`, [{ resource: 'io', value, length, ...extra } as ClaimIn])
      );
      const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), cards);
      expect(checkKnown(build, parts).map((f) => f.rule)).to.deep.equal(clash ? ['line.io'] : []);
    });

  it('a part never clashes with itself: ECP over its own base', () => {
    const ecp = card('ecp', [
      { resource: 'io', value: 0x378, length: 3 },
      { resource: 'io', value: 0x778, length: 3 }
    ]);
    const { build, parts } = machineOf(board('at', ['isa16']), [ecp]);
    expect(checkKnown(build, parts)).to.deep.equal([]);
  });

  it('a wide VGA and an 8-bit monochrome adapter share a block: caution, until the VGA is narrow', () => {
    const mono = card('mono', [{ resource: 'memory', value: 0xb0000, length: 0x8000 }], { bus: 'isa8' });
    const vga = (width: 8 | 16) =>
      card('vga', [{ resource: 'memory', value: 0xa0000, length: 0x10000, width, use: 'display' }]);
    const rules = (width: 8 | 16) => {
      const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), [vga(width), mono]);
      return checkKnown(build, parts).map((f) => f.rule);
    };
    expect(rules(16)).to.deep.equal(['rom.16bit']);
    expect(rules(8)).to.deep.equal([]);
  });

  it('card memory above 1 MiB needs a 16-bit slot', () => {
    const linear = card('linear', [{ resource: 'memory', value: 0x200000, length: 0x100000 }]);
    for (const [slot, rules] of [
      ['isa8', ['rom.window', 'slot.width']],
      ['isa16', []]
    ] as const) {
      const { build, parts } = machineOf(board('at', [slot]), [linear]);
      expect(
        checkKnown(build, parts).map((f) => f.rule),
        slot
      ).to.deep.equal(rules);
    }
  });
});
