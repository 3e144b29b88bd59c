import { actionWords, commandWords } from '../../src/lib/words';
import { expect } from 'chai';
import { Part, checkBuild, newItemId, seatItem, type Fix } from '../../src/lib/core/model';
import { moveList } from '../../src/lib/core/moves';
import { firstSlot, machine } from '../../src/lib/core/resources';
import { applyFix, loom } from '../../src/lib/core/solver';
import { demo, parts } from '../support/demo';
import { board, card, jumper, jumpered, machineOf } from '../support/make';

describe('fixes', () => {
  const build = demo('turnstone');
  const apply = (fix: Fix) => applyFix(build, fix, parts);
  const item = (b: typeof build, id: string) => b.items.find((i) => i.id === id);

  it('leave the build they are applied to as it was, and stay whole', () => {
    const before = JSON.stringify(build);
    const fixes: Fix[] = [
      { action: 'set', item: 'network', setting: 'irq', position: '9' },
      { action: 'move-slot', item: 'network', slot: '5' },
      { action: 'move-slot', item: 'network', slot: '2', swapWith: 'video' },
      { action: 'unlock', item: 'scanner', setting: 'pair' },
      { action: 'switch-off', item: 'io', function: 'com-b' },
      { action: 'exchange', item: 'network', with: 'spare-net' },
      { action: 'take-out', item: 'network' },
      { action: 'never-together', a: { item: 'io', function: 'com-a' }, b: { item: 'io', function: 'com-b' } }
    ];
    for (const fix of fixes) {
      const changed = apply(fix);
      expect(changed, fix.action).to.not.deep.equal(build);
      expect(checkBuild(changed, parts), fix.action).to.deep.equal([]);
    }
    expect(JSON.stringify(build)).to.equal(before);
  });
  it('swap two cards and remember where they were found', () => {
    const swapped = apply({ action: 'move-slot', item: 'network', slot: '2', swapWith: 'mfm' });
    expect([item(swapped, 'network')?.slot, item(swapped, 'mfm')?.slot]).to.deep.equal(['2', '4']);
    expect([item(swapped, 'network')?.slotAsFound, item(swapped, 'mfm')?.slotAsFound]).to.deep.equal([
      '4',
      '2'
    ]);
  });
  it('hand the wishes for a card on to the one it is exchanged for', () => {
    const changed = apply({ action: 'exchange', item: 'network', with: 'spare-net' });
    expect(changed.brief.mustBeOn).to.deep.equal([{ item: 'spare-net', function: 'network' }]);
    expect(item(changed, 'spare-net')?.slot).to.equal('4');
    expect(changed.shelf.map((i) => i.id))
      .to.include('network')
      .and.not.include('spare-net');
  });
  it('drop what was said of a card that is taken out', () => {
    const changed = apply({ action: 'take-out', item: 'network' });
    expect(changed.brief.mustBeOn).to.deep.equal([]);
    expect(changed.shelf.find((i) => i.id === 'network')?.slot).to.equal(undefined);
  });
});

describe('items', () => {
  it('get ids that are free', () => {
    const build = demo('plover');
    const part = parts.get('harl-n8')!;
    expect(newItemId(build, part)).to.equal('network-2');
    expect(newItemId({ ...build, items: [] }, part)).to.equal('network');
  });
  it('go into the first slot that suits them', () => {
    const build = demo('turnstone');
    expect(firstSlot(build, parts, parts.get('harl-n8')!), 'an 8-bit slot for an 8-bit card').to.equal('8');
    expect(firstSlot(build, parts, parts.get('harl-n16')!), 'the wide slot that is left').to.equal('5');
    expect(firstSlot(build, parts, parts.get('brim-pc2')!), 'no PCI here').to.equal(undefined);
  });
  it('remember the slot they were found in until they are back', () => {
    const build = demo('turnstone');
    const moved = seatItem(build, 'network', '5');
    expect(moved.items.find((i) => i.id === 'network')).to.include({ slot: '5', slotAsFound: '4' });
    expect(seatItem(moved, 'network', '4').items.find((i) => i.id === 'network')).to.not.have.property(
      'slotAsFound'
    );
    expect(seatItem(build, 'network', undefined).items.find((i) => i.id === 'network')).to.not.have.property(
      'slot'
    );
  });
});

describe('moves of other mechanisms', () => {
  const listed = (block: object, from: object, to: object) => {
    const part = card('p', [], {
      blocks: [{ id: 'b', label: 'B1', ...block } as never],
      settings: [
        {
          id: 's',
          label: 'Base',
          block: 'b',
          positions: [
            { id: 'x', label: '220h', state: from as never },
            { id: 'y', label: '240h', state: to as never }
          ],
          default: 'x'
        }
      ]
    });
    const { build, parts: own } = machineOf(board('at', ['isa16']), [part], {
      items: [{ asFound: { s: 'x' }, chosen: { s: 'y' } }]
    });
    const { jobs, commands } = moveList(build, own);
    return [...jobs.flatMap((j) => j.actions.map(actionWords)), ...commands.map((c) => commandWords(c.what))];
  };
  it('are said in words', () => {
    const header = { kind: 'header', rows: 2, columns: 3 };
    expect(listed(header, { caps: [[1, 2]] }, { caps: [] })).to.deep.equal([
      'B1: remove the jumper from pins 1-2; park it on one pin. (Base: 240h)'
    ]);
    expect(listed(header, { caps: [] }, { caps: [[4, 3]] })).to.deep.equal([
      'B1: fit a jumper on pins 3-4. (Base: 240h)'
    ]);
    expect(listed({ kind: 'rotary', steps: 16 }, { step: 2 }, { step: 10 })).to.deep.equal([
      'B1: turn to A. (Base: 240h)'
    ]);
    expect(listed({ kind: 'software', program: 'SETCARD' }, { value: '/A' }, { value: '/B' })).to.deep.equal([
      'SETCARD /B'
    ]);
    expect(
      listed(
        { kind: 'dip', switches: 2, printed: '0/1' },
        { switches: { 1: 'off' } },
        { switches: { 1: 'on' } }
      )
    ).to.deep.equal(['B1: switch 1 to 1. (Base: 240h)']);
    expect(listed({ kind: 'solder', bridges: 2 }, { bridges: [1] }, { bridges: [2] })[0]).to.match(/solder/);
  });
});

describe('the loom', () => {
  const marks = (
    cards: Parameters<typeof machineOf>[1],
    slots: string[],
    extra: Parameters<typeof machineOf>[2] = {}
  ) => {
    const { build, parts: own } = machineOf(board('at', slots), cards, extra);
    return loom(machine(build, own)).flatMap((g) =>
      g.rows.flatMap((r) =>
        r.marks.map(
          (m) =>
            `${r.item} ${m.resource}${m.value} ${m.state}${m.clash ? ' clash' : ''}${m.found ? ' found' : ''}`
        )
      )
    );
  };
  it('draws a cap, rings, and struck rings where the seat does not reach', () => {
    expect(marks([jumpered('p', { irq: [5, 2, 10] })], ['isa8'])).to.deep.equal([
      'a irq5 cap',
      'a irq9 ring',
      'a irq10 struck'
    ]);
    expect(marks([jumpered('p', { irq: [5, 2, 10] })], ['isa16'])).to.deep.equal([
      'a irq5 cap',
      'a irq9 ring',
      'a irq10 ring'
    ]);
  });
  it('ports and windows are drawn as assumed by the same law', () => {
    const window = jumper('memory', [0xd0, 0xd4]);
    const part = jumpered('p', { irq: [5, 7], io: [0x220, 0x240] });
    const values = Object.fromEntries(window.setting.positions.map((p) => [p.id, parseInt(p.id, 16) * 4096]));
    part.functions![0]!.claims!.push({
      resource: 'memory',
      from: { setting: 'memory', values },
      length: 0x4000
    });
    part.blocks!.push(window.block);
    part.settings!.push(window.setting);
    const drawn = (looked: string[]) => {
      const { build, parts: own } = machineOf(board('at', ['isa16']), [part]);
      build.items[0]!.asFound = Object.fromEntries(
        looked.map((id) => [id, own.get('p')!.settings.find((s) => s.id === id)!.positions[0]!.id])
      );
      const row = loom(machine(build, own)).find((g) => g.item === 'a')!.rows[0]!;
      return [...row.ports, ...row.windows].map((line) => line.assumed);
    };
    expect(drawn([])).to.deep.equal([true, true]);
    expect(drawn(['irq'])).to.deep.equal([true, true]);
    expect(drawn(['io'])).to.deep.equal([false, true]);
    expect(drawn(['io', 'memory'])).to.deep.equal([false, false]);
  });
  it('tells what nobody looked at from what was seen or chosen; a fixed line is no assumption', () => {
    const assumed = (change: (b: ReturnType<typeof machineOf>['build']) => void) => {
      const { build, parts: own } = machineOf(board('at', ['isa16']), [jumpered('p', { irq: [5, 7] })]);
      change(build);
      const marks = loom(machine(build, own)).flatMap((g) => g.rows.flatMap((r) => r.marks));
      return marks.filter((m) => m.state === 'cap').map((m) => m.assumed);
    };
    const { id: setting, positions } = Part.parse(jumpered('p', { irq: [5, 7] })).settings[0];
    const [first, second] = positions.map((p) => p.id);
    expect(assumed((b) => (b.items[0].asFound = {}))).to.deep.equal([true]);
    expect(assumed((b) => (b.items[0].asFound = { [setting]: first }))).to.deep.equal([false]);
    expect(
      assumed((b) => {
        b.items[0].asFound = {};
        b.items[0].chosen = { [setting]: second };
      })
    ).to.deep.equal([false]);
    const io = loom(machine(demo('plover'), parts)).flatMap((g) => g.rows.filter((r) => r.item === 'io'));
    const floppy = io.find((r) => r.function.includes('floppy'))!;
    expect(floppy.marks.map((m) => m.assumed)).to.deep.equal(floppy.marks.map(() => false));
  });
  it('marks what clashes and where it was found', () => {
    expect(
      marks([jumpered('p', { irq: [5, 7] }), jumpered('q', { irq: [5, 7] })], ['isa16', 'isa16'], {
        items: [{ asFound: { irq: '5' }, chosen: { irq: '7' } }, { asFound: { irq: '7' } }]
      })
    ).to.deep.equal(['a irq5 ring found', 'a irq7 cap clash', 'b irq5 ring', 'b irq7 cap clash']);
  });
  it('strikes what a lock or a constraint forbids', () => {
    expect(
      marks([jumpered('p', { irq: [5, 7] })], ['isa16'], { items: [{ locked: ['irq'] }] })
    ).to.deep.equal(['a irq5 cap', 'a irq7 struck']);
    const base = jumper('base', [0x300, 0x320]);
    const irq = jumper('irq', [5, 7]);
    const part = card('c', [{ resource: 'irq', from: irq.from }], {
      blocks: [base.block, irq.block],
      settings: [base.setting, irq.setting],
      constraints: [{ forbid: { base: ['300'], irq: ['7'] }, why: 'not with 300h' }]
    });
    expect(marks([part], ['isa16'])).to.deep.equal(['a irq5 cap', 'a irq7 struck']);
  });
  it('has a cap for every interrupt and channel that the demo machines take', () => {
    for (const id of ['plover', 'dunlin', 'turnstone']) {
      const groups = loom(machine(demo(id), parts));
      for (const row of groups.flatMap((g) => g.rows)) {
        const caps = row.marks.filter((m) => m.state === 'cap');
        expect(new Set(caps.map((m) => m.claim)).size, `${id} ${row.item} ${row.function}`).to.equal(
          caps.length
        );
      }
    }
  });
});
