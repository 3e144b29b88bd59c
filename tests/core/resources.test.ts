import { expect } from 'chai';
import { Part } from '../../src/lib/core/model';
import { pnpPart, systemPart } from '../../src/lib/core/resources';
import { resolve } from '../../src/lib/core/solver';
import { board, card, jumpered, machineOf, type ClaimIn, checkKnown } from '../support/make';

const irq = (value: number, extra = {}): ClaimIn => ({ resource: 'irq', value, ...extra }) as ClaimIn;
const dma = (value: number, extra = {}): ClaimIn => ({ resource: 'dma', value, ...extra }) as ClaimIn;
const io = (value: number, length: number, extra = {}): ClaimIn =>
  ({ resource: 'io', value, length, ...extra }) as ClaimIn;
const memory = (value: number, length: number, extra = {}): ClaimIn =>
  ({ resource: 'memory', value, length, ...extra }) as ClaimIn;

type Side = { claims: ClaimIn[]; bus?: string; kind?: string; slot?: string; resident?: boolean };
const side = (claim: ClaimIn, extra: Partial<Side> = {}): Side => ({ claims: [claim], ...extra });

/** Rules of the findings that two cards give together on a class of board, notes left out. */
function findings(cls: 'xt' | 'at', a: Side, b: Side, extra: Parameters<typeof machineOf>[2] = {}): string[] {
  const made = [a, b].map((s, i) =>
    card(`card-${i}`, s.claims, {
      bus: s.bus ?? 'isa16',
      fn: { kind: (s.kind ?? 'other') as 'other', resident: s.resident ?? false }
    })
  );
  const { build, parts } = machineOf(board(cls, [a.slot ?? 'isa16', b.slot ?? 'isa16']), made, extra);
  return checkKnown(build, parts)
    .filter((f) => f.severity !== 'note')
    .map((f) => f.rule);
}
const none: Side = { claims: [] };

describe('interrupt lines', () => {
  it('two ISA cards cannot drive one line', () => {
    expect(findings('at', side(irq(5)), side(irq(5)))).to.deep.equal(['line.irq']);
    expect(findings('at', side(irq(5)), side(irq(7)))).to.deep.equal([]);
  });
  it('2 is 9 on AT class, and nothing is 9 on XT class', () => {
    expect(findings('at', side(irq(2)), side(irq(9)))).to.deep.equal(['line.irq']);
    expect(findings('xt', side(irq(2), { slot: 'isa8' }), { ...none, slot: 'isa8' })).to.deep.equal([]);
    expect(findings('xt', side(irq(9), { slot: 'isa8' }), { ...none, slot: 'isa8' })).to.include(
      'slot.reach'
    );
  });
  it('an 8-bit slot or card reaches 3 to 7 and 9 (2) only', () => {
    for (const line of [10, 11, 12, 14, 15]) {
      expect(findings('at', side(irq(line), { slot: 'isa8' }), none), `slot ${line}`).to.include(
        'slot.reach'
      );
      expect(findings('at', side(irq(line), { bus: 'isa8' }), none), `card ${line}`).to.include('slot.reach');
      expect(findings('at', side(irq(line)), none), `wide ${line}`).to.deep.equal([]);
    }
    for (const line of [2, 3, 4, 5, 6, 7, 9])
      expect(findings('at', side(irq(line), { bus: 'isa8' }), none), `low ${line}`).to.deep.equal([]);
  });
  it('0, 1, 8 and 13 never reach a slot', () => {
    for (const line of [0, 1, 8, 13])
      expect(findings('at', side(irq(line)), none), String(line)).to.include('slot.reach');
  });
  it('6 and 14 belong to the cards that provide them, and are free without', () => {
    expect(findings('at', side(irq(6)), side(irq(14)))).to.deep.equal([]);
  });
  it('gated ports share only when the user says never together, and never a resident one', () => {
    const idle = (resident = false) => side(irq(4, { sharing: 'idle' }), { kind: 'serial', resident });
    const pair = {
      neverTogether: [
        [
          { item: 'a', function: 'f' },
          { item: 'b', function: 'f' }
        ]
      ] as never
    };
    expect(findings('at', idle(), idle())).to.deep.equal(['line.irq']);
    expect(findings('at', idle(), idle(), pair)).to.deep.equal(['line.share-idle']);
    expect(findings('at', idle(true), idle(), pair)).to.deep.equal(['line.irq']);
    expect(
      findings('at', idle(), idle(), { ...pair, resident: [{ item: 'b', function: 'f' }] })
    ).to.deep.equal(['line.irq']);
    expect(findings('at', idle(), side(irq(4)), pair), 'the other drives always').to.deep.equal(['line.irq']);
  });
  it('an unused printer line is tolerated with a warning', () => {
    expect(findings('at', side(irq(7, { sharing: 'unused' })), side(irq(7)))).to.deep.equal([
      'line.share-unused'
    ]);
  });
  it('PCI shares with PCI, never with ISA', () => {
    const pin = { resource: 'irq', pin: 'A', sharing: 'level' } as ClaimIn;
    const inputs = [1, 2].map((n) => ({
      id: `int-${n}`,
      label: `input ${n}`,
      block: 'start',
      positions: [10, 11].map((v) => ({ id: `irq${v}`, label: `IRQ ${v}` })),
      default: 'irq10'
    }));
    const pciBoard = {
      ...board('at', []),
      blocks: [{ id: 'start', kind: 'startup' as const }],
      settings: inputs,
      board: {
        class: 'at' as const,
        slots: [
          { id: 's1', bus: 'pci' as const, routing: { A: 'int-1' } },
          { id: 's2', bus: 'pci' as const, routing: { A: 'int-1' } },
          { id: 's3', bus: 'isa16' as const }
        ]
      }
    };
    const pci = (id: string) => card(id, [pin], { bus: 'pci' });
    const two = machineOf(pciBoard, [pci('p'), pci('q')]);
    expect(checkKnown(two.build, two.parts)).to.deep.equal([]);
    for (const found of ['irq10', 'irq11']) {
      const build = { ...two.build, board: { ...two.build.board, asFound: { 'int-1': found } } };
      const same = resolve(build, two.parts);
      expect(same.status === 'solved' && same.moves, 'what nothing is in the way of stays').to.deep.equal([]);
    }
    const mixed = machineOf(pciBoard, [pci('p'), pci('q'), card('old', [irq(10)])]);
    expect(checkKnown(mixed.build, mixed.parts).map((f) => f.rule)).to.deep.equal(['line.irq', 'line.irq']);
    const solved = resolve(mixed.build, mixed.parts);
    if (solved.status !== 'solved') throw new Error(solved.status);
    expect(solved.positions.board['int-1']).to.equal('irq11');
    expect(solved.objective.moves, 'the start-up assigns for nothing').to.equal(0);
    expect(solved.shares.map((s) => s.kind)).to.deep.equal(['level']);
  });
  it('one card may put its own functions on one line, unless the part says no', () => {
    const own = card('own', [irq(5)]);
    own.functions!.push({ id: 'g', label: 'g', kind: 'midi', claims: [irq(5)] });
    const { build, parts } = machineOf(board('at', ['isa16']), [own]);
    expect(checkKnown(build, parts)).to.deep.equal([]);
    const strict = machineOf(board('at', ['isa16']), [
      { ...own, constraints: [{ apart: ['f', 'g'], why: 'not alike' }] }
    ]);
    expect(checkKnown(strict.build, strict.parts).map((f) => f.rule)).to.deep.equal(['line.irq']);
  });
});

describe('DMA channels', () => {
  it('0 is refresh on XT class and 4 the cascade on AT class', () => {
    expect(findings('xt', side(dma(0), { slot: 'isa8' }), none)).to.include('slot.reach');
    expect(findings('at', side(dma(4)), none)).to.include('slot.reach');
    expect(findings('at', side(dma(0)), none)).to.deep.equal([]);
  });
  it('8-bit slots carry 1, 2 and 3 only', () => {
    for (const channel of [0, 5, 6, 7])
      expect(findings('at', side(dma(channel), { slot: 'isa8' }), none), String(channel)).to.include(
        'slot.reach'
      );
    for (const channel of [1, 2, 3])
      expect(findings('at', side(dma(channel), { slot: 'isa8' }), none)).to.deep.equal([]);
  });
  it('a bus master wants 0, 5, 6 or 7 in a 16-bit slot of AT class', () => {
    const master = (n: number) => dma(n, { busMaster: true, width: 16 });
    for (const n of [0, 5, 6, 7]) expect(findings('at', side(master(n)), none)).to.deep.equal([]);
    expect(findings('at', side(master(3)), none)).to.include('slot.reach');
    expect(findings('at', side(master(5), { slot: 'isa8' }), none)).to.include('slot.reach');
  });
  it('a channel is not shared', () => {
    expect(findings('at', side(dma(1)), side(dma(1)))).to.deep.equal(['line.dma']);
  });
  it('one low channel for 8- and 16-bit transfers of one card is legal', () => {
    expect(findings('at', { claims: [dma(1), dma(1, { width: 16 })] }, none)).to.deep.equal([]);
  });
});

describe('ports', () => {
  const both = (a: ClaimIn, b: ClaimIn, kinds: [string?, string?] = [], bus?: string) =>
    findings('at', side(a, { kind: kinds[0] }), {
      ...side(b, { kind: kinds[1] }),
      ...(bus ? { bus, slot: bus } : {})
    });
  it('a ten-line device answers at its aliases', () => {
    expect(both(io(0x2e8, 8), io(0x42e8, 2, { mask: 0xffff }))).to.deep.equal(['line.io']);
    expect(both(io(0x2e8, 8, { mask: 0xffff }), io(0x42e8, 2, { mask: 0xffff }))).to.deep.equal([]);
  });
  it('a PCI cycle does not reach the ISA bus', () => {
    expect(both(io(0x2e8, 8), io(0x42e8, 2), [], 'pci')).to.deep.equal([]);
    expect(both(io(0x2e8, 8), io(0x2e8, 2), [], 'pci'), 'the same real address').to.deep.equal(['line.io']);
    expect(both(io(0x200, 8), io(0x6000, 32), [], 'pci'), 'not tested against 000-0FF').to.deep.equal([]);
  });
  it('46E8h is written at start-up only and does not trouble COM4', () => {
    expect(both(io(0x2e8, 8), io(0x46e8, 1, { access: 'write', mask: 0xffff }))).to.deep.equal([]);
  });
  it('a read-only and a write-only register may share an address', () => {
    expect(both(io(0x300, 1, { access: 'read' }), io(0x300, 1, { access: 'write' }))).to.deep.equal([]);
    expect(both(io(0x300, 1, { access: 'read' }), io(0x300, 1))).to.deep.equal(['line.io']);
  });
  it('3F7h is shared on purpose by floppy and disk', () => {
    const change = io(0x3f7, 1, { sharesWith: ['hard-disk'] });
    expect(both(change, io(0x3f6, 2), ['floppy', 'hard-disk'])).to.deep.equal([]);
    expect(both(change, io(0x3f6, 2), ['floppy', 'network'])).to.deep.equal(['line.io']);
  });
  it('codec audio at 604 lies over a game port of eight ports, and may name it', () => {
    expect(both(io(0x604, 8, { mask: 0xffff }), io(0x200, 8))).to.deep.equal(['line.io']);
    expect(
      both(io(0x604, 8, { mask: 0xffff, sharesWith: ['game'] }), io(0x200, 8), ['audio', 'game'])
    ).to.deep.equal([]);
    expect(both(io(0x604, 8, { mask: 0xffff }), io(0x201, 1)), 'only at 201').to.deep.equal([]);
    expect(both(io(0xe80, 8, { mask: 0xffff }), io(0x280, 16)), 'E80 over 280').to.deep.equal(['line.io']);
    expect(both(io(0xf40, 8, { mask: 0xffff }), io(0x340, 16)), 'F40 over 340').to.deep.equal(['line.io']);
  });
  it('a network window of 32 ports at 360h covers the printer', () => {
    expect(both(io(0x360, 32), io(0x378, 3))).to.deep.equal(['line.io']);
    expect(both(io(0x300, 32), io(0x310, 4))).to.deep.equal(['line.io']);
    expect(both(io(0x300, 32), io(0x320, 4))).to.deep.equal([]);
  });
  it('an EMS board decodes sixteen lines, also at +4000h', () => {
    expect(both(io(0x208, 8, { mask: 0xffff }), io(0x4208, 8, { mask: 0xffff }))).to.deep.equal([]);
  });
  it('slots of XT class read nothing below 200h', () => {
    expect(findings('xt', side(io(0x1f0, 8), { slot: 'isa8' }), none)).to.include('slot.reach');
    expect(findings('xt', side(io(0x200, 8), { slot: 'isa8' }), none)).to.deep.equal([]);
    expect(findings('at', side(io(0x1f0, 8)), none)).to.deep.equal([]);
  });
  it('the board holds 000h to 0FFh', () => {
    expect(findings('at', side(io(0x60, 1)), none)).to.deep.equal(['line.io']);
    expect(findings('at', side(io(0x3f8, 16)), none), 'and its aliases').to.deep.equal(['line.io']);
  });
  it('plug-and-play keeps a read port free and lives with a printer at 278h', () => {
    const combos = {
      id: 'list',
      label: 'list',
      block: 'pnp',
      positions: [{ id: 'one', label: 'one' }],
      default: 'one'
    };
    const plug = card(
      'plug',
      [{ resource: 'io', length: 16, mask: 0xffff, from: { setting: 'list', values: { one: 0x220 } } }],
      {
        blocks: [{ id: 'pnp', kind: 'pnp' }],
        settings: [combos]
      }
    );
    const printer = card('printer', [io(0x278, 3)], { fn: { kind: 'parallel' } });
    const good = machineOf(board('at', ['isa16', 'isa16']), [plug, printer]);
    expect(checkKnown(good.build, good.parts).map((f) => f.rule)).to.deep.equal(['port.numbering']);
    const other = machineOf(board('at', ['isa16', 'isa16']), [plug, card('scan', [io(0x278, 8)])]);
    expect(checkKnown(other.build, other.parts).map((f) => f.rule)).to.include('line.io');
    const taken = machineOf(board('at', ['isa16', 'isa16']), [plug, card('game', [io(0x200, 8)])]);
    const solved = resolve(taken.build, taken.parts);
    if (solved.status !== 'solved') throw new Error(solved.status);
    expect(solved.positions.pnp['read-port']).to.not.equal('203h');
    expect(solved.moves).to.deep.equal([]);
  });
});

describe('memory windows', () => {
  it('windows that overlap clash', () => {
    expect(findings('at', side(memory(0xc8000, 0x4000)), side(memory(0xca000, 0x2000)))).to.deep.equal([
      'line.memory'
    ]);
    expect(findings('at', side(memory(0xc8000, 0x4000)), side(memory(0xcc000, 0x2000)))).to.deep.equal([]);
  });
  it('a ROM starts on a multiple of its size, a page frame on 16 KiB', () => {
    expect(findings('at', side(memory(0xca000, 0x4000, { use: 'rom' })), none)).to.deep.equal(['rom.window']);
    expect(findings('at', side(memory(0xd4000, 0x10000, { use: 'frame' })), none)).to.deep.equal([]);
    expect(findings('at', side(memory(0xd2000, 0x10000, { use: 'frame' })), none)).to.deep.equal([
      'rom.window'
    ]);
  });
  it('8-bit and 16-bit ISA memory in one 128 KiB block is a caution', () => {
    const wide = memory(0xc0000, 0x8000, { width: 16 });
    const narrow = memory(0xd8000, 0x4000);
    expect(findings('at', side(wide), side(narrow))).to.deep.equal(['rom.16bit']);
    expect(findings('at', side(wide), side(memory(0xe0000, 0x4000))), 'another block').to.deep.equal([]);
    expect(
      findings('at', side({ ...wide, shadowed: true } as ClaimIn), side(narrow)),
      'shadowed'
    ).to.deep.equal([]);
    expect(
      findings('at', side({ ...wide, decode: 'pci' } as ClaimIn), side(narrow)),
      'local bus'
    ).to.deep.equal([]);
    expect(
      findings('at', side(wide, { slot: 'isa8' }), side(narrow)),
      'eight bits in an 8-bit slot'
    ).to.deep.equal([]);
  });
  it('the system BIOS is there', () => {
    expect(findings('at', side(memory(0xf0000, 0x4000)), none)).to.deep.equal(['line.memory']);
  });
  it('monochrome and colour live together, full monochrome graphics and colour do not', () => {
    const colour = side(memory(0xb8000, 0x8000));
    expect(findings('at', side(memory(0xb0000, 0x8000)), colour)).to.deep.equal([]);
    expect(findings('at', side(memory(0xb0000, 0x10000)), colour)).to.deep.equal(['line.memory']);
  });
});

describe('fit', () => {
  it('names a card in a slot of another kind', () => {
    expect(findings('at', { claims: [], bus: 'pci' }, none)).to.include('slot.kind');
    expect(findings('at', { claims: [], bus: 'vlb' }, none)).to.include('slot.kind');
    expect(findings('at', { claims: [], slot: 'memory-board' }, none)).to.include('slot.kind');
  });
  it('one slot holds one card', () => {
    const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), [card('p', []), card('q', [])], {
      items: [{ slot: 's1' }, { slot: 's1' }]
    });
    expect(checkKnown(build, parts).map((f) => f.rule)).to.deep.equal(['slot.taken']);
  });
  it('says so when a line rests on a setting that nobody knows', () => {
    const part = jumpered('p', { irq: [5, 7] });
    part.settings![0] = { ...part.settings![0], known: false };
    const { build, parts } = machineOf(board('at', ['isa16']), [part]);
    expect(checkKnown(build, parts).map((f) => [f.rule, f.severity])).to.deep.include([
      'setting.unknown',
      'caution'
    ]);
  });
  it('offers fixes that end the clash they belong to', () => {
    const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), [
      jumpered('p', { irq: [5, 7] }),
      jumpered('q', { irq: [5, 10] })
    ]);
    const [clash] = checkKnown(build, parts).filter((f) => f.severity === 'clash');
    expect(clash.fixes.map((f) => f.label)).to.deep.equal(['Move f of p to IRQ 7', 'Move f of q to IRQ 10']);
  });
});

describe('the system’s own parts', () => {
  it('are what the schemas would make of them', () => {
    for (const part of [
      systemPart({ class: 'xt', slots: [] }),
      systemPart({ class: 'at', slots: [], bios: { base: 0xe0000, length: 0x20000 } }),
      pnpPart()
    ])
      expect(Part.parse(part)).to.deep.equal(part);
  });
});
