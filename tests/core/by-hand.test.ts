import { expect } from 'chai';
import fc from 'fast-check';
import { Block, FactId, Part, checkPart, partSet, type BuildFile } from '../../src/lib/core/model';
import { aloneOn, factOf, isAboutTried, triedIn, withTelling } from '../../src/lib/core/own';
import { linesAt, machine, standing } from '../../src/lib/core/resources';
import { checked } from '../../src/lib/core/rules';
import { meaningsOf } from '../../src/lib/core/settings';
import { takesRow, withRow } from '../../src/lib/core/table';
import { demo, parts } from '../support/demo';

const header = (id: string, rows: number, columns: number) =>
  Block.parse({ id, label: id.toUpperCase(), kind: 'header', rows, columns });
const card = (name: string, blocks: Block[]) =>
  Part.parse({ id: 'mine', kind: 'card', maker: 'unknown', name, card: { bus: 'isa16' }, blocks });
const added = (part: Part, block: number, name: string, row: string): Part => {
  const made = withRow(part, part.blocks[block]!, name, row);
  if ('why' in made) throw new Error(`${name}: ${made.why}`);
  return made;
};
const states = (part: Part, setting: string) =>
  part.settings.find((s) => s.id === setting)!.positions.map((p) => [p.label, p.state]);

describe('positions typed as a row', () => {
  it('become places in their order, with numbers as lines of one function', () => {
    let part = card('Sound card', [header('jp1', 2, 4), header('jp2', 2, 3), header('jp3', 2, 3)]);
    part = added(part, 0, 'Base address', '220 240* 260 280');
    part = added(part, 1, 'IRQ', '3 5 7* off');
    part = added(part, 2, 'DMA', '1* 3 none');
    expect(states(part, 'irq')).to.deep.equal([
      ['3', { caps: [[1, 2]] }],
      ['5', { caps: [[3, 4]] }],
      ['7', { caps: [[5, 6]] }],
      ['off', { caps: [] }]
    ]);
    expect(part.settings.map((s) => s.default)).to.deep.equal(['240', '7', '1']);
    expect(part.functions.map((f) => [f.kind, f.claims.map((c) => c.resource)])).to.deep.equal([
      ['audio', ['io', 'irq', 'dma']]
    ]);
    expect(checkPart(part)).to.deep.equal([]);
    const build = aloneOn(parts.get('varnoc-d33')!);
    const file = triedIn({ ...build, parts: [parts.get('varnoc-d33')!] }, part);
    const m = machine(file.build, partSet([...parts.values(), part]));
    const own = linesAt(m, standing(m)).filter((l) => l.item === 'tried');
    expect(own.map((l) => [l.resource, l.value])).to.deep.equal([
      ['io', 0x240],
      ['irq', 7],
      ['dma', 1]
    ]);
  });
  it('of three pins join neighbours, and off has a place of its own where there is room for it', () => {
    const part = card('x', [header('jp1', 1, 3)]);
    expect(states(added(part, 0, 'Game port', 'on off'), 'game-port').map(([, s]) => s)).to.deep.equal([
      { caps: [[1, 2]] },
      { caps: [[2, 3]] }
    ]);
    expect(states(added(part, 0, 'IRQ', '3, 4, off'), 'irq').at(-1)).to.deep.equal(['off', { caps: [] }]);
  });
  it('says what does not fit, and changes nothing then', () => {
    const part = added(card('x', [header('jp1', 1, 3)]), 0, 'Mode', 'a b');
    const why = (name: string, row: string) => {
      const made = withRow(part, part.blocks[0]!, name, row);
      return 'why' in made ? made.why : null;
    };
    expect(why('IRQ', '3 4 5 7')).to.equal('too-many');
    expect(why('', '3 4')).to.equal('empty');
    expect(why('IRQ', '3')).to.equal('empty');
    expect(why('IRQ', '3* 4*')).to.equal('defaults');
  });
  it('a block on which nothing lies yet grows with its row', () => {
    const part = added(card('x', [header('jp1', 2, 3)]), 0, 'Base', '200 220 240 260 280 2A0');
    expect(part.blocks[0]).to.deep.include({ rows: 2, columns: 6 });
  });
  it('of switches say which, how they stand and what that means; a starred one is the default', () => {
    const dip = (switches: number) =>
      Block.parse({ id: 'bank', label: 'bank switches', kind: 'dip', switches });
    let part = card('Memory card', [dip(4)]);
    part = added(part, 0, 'Start address', '1-2: off off = 256, on off = 512*, off on = 640');
    part = added(part, 0, 'Parity', '4: on = on*, off = off');
    expect(states(part, 'start-address')).to.deep.equal([
      ['256', { switches: { 1: 'off', 2: 'off' } }],
      ['512', { switches: { 1: 'on', 2: 'off' } }],
      ['640', { switches: { 1: 'off', 2: 'on' } }]
    ]);
    expect(part.settings.map((s) => [s.label, s.default, s.block])).to.deep.equal([
      ['Start address', '512', 'bank'],
      ['Parity', 'on', 'bank']
    ]);
    expect(checkPart(part)).to.deep.equal([]);
    const why = (row: string) => {
      const made = withRow(part, part.blocks[0]!, 'Mode', row);
      return 'why' in made ? made.why : null;
    };
    expect(why('640 512 256')).to.equal('switches');
    expect(why('1-2: off off = a, off off = b')).to.equal('switches');
    expect(why('5-6: off off = a, on off = b')).to.equal('too-many');
    // Without anything on it, the block grows with its row.
    const bare = added(card('x', [dip(2)]), 0, 'IRQ', '5-6: off off = 3, on off = 4, on on = 5');
    expect(bare.blocks[0]).to.deep.include({ switches: 6 });
  });
  it('any row of any block gives a sound part, with every value once', () => {
    const block = fc.oneof(
      fc
        .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 2, max: 12 }))
        .map(([r, c]) => header('b', r, c)),
      fc.integer({ min: 2, max: 16 }).map((steps) => Block.parse({ id: 'b', kind: 'rotary', steps })),
      fc.integer({ min: 2, max: 6 }).map((steps) => Block.parse({ id: 'b', kind: 'slide', steps }))
    );
    const values = fc.array(
      fc.constantFrom('220', '5', 'IRQ 7', 'D000', 'on', 'off', 'A', '330h', 'none', 'B C'),
      {
        minLength: 2,
        maxLength: 8
      }
    );
    fc.assert(
      fc.property(block, fc.constantFrom('IRQ', 'Base', 'ROM', 'Anything', '7'), values, (b, name, list) => {
        const made = withRow(card('x', [b]), b, name, list.join(', '));
        if ('why' in made) {
          // Only a slide switch is never made as long as that.
          expect([made.why, b.kind]).to.deep.equal(['too-many', 'slide']);
          return;
        }
        expect(checkPart(made)).to.deep.equal([]);
        const positions = made.settings[0]!.positions;
        expect(positions.map((p) => p.label)).to.deep.equal(list);
        expect(new Set(positions.map((p) => p.id)).size).to.equal(list.length);
        expect(new Set(positions.map((p) => JSON.stringify(p.state))).size).to.equal(list.length);
      })
    );
  });
  it('solder pads take none: what a row of them means has to be said', () => {
    expect(takesRow(Block.parse({ id: 'p', kind: 'solder', bridges: 4 }))).to.equal(false);
  });
});

describe('what a setting tells the machine', () => {
  const board = parts.get('varnoc-d33')!;
  it('is what the rest reads from it, and can be taken back', () => {
    const setting = board.settings[0]!;
    for (const fact of FactId.options) {
      const values = Object.fromEntries(setting.positions.map((p, i) => [p.id, i + 1]));
      const told = withTelling(board, setting.id, { fact, values });
      expect(factOf(told, setting.id), fact).to.deep.equal({ fact, values });
      const own = meaningsOf(told).filter((m) => m.setting.id === setting.id && m.fact === fact);
      expect(
        own.map((m) => Object.fromEntries(m.values)),
        fact
      ).to.deep.include(values);
      expect(factOf(withTelling(told, setting.id, null), setting.id), fact).to.equal(null);
    }
  });
  it('of one setting never touches what another one tells', () => {
    const [a, b] = board.settings.slice(0, 2).map((s) => s.id);
    const values = { x: 1 };
    const both = withTelling(withTelling(board, a!, { fact: 'banks', values }), b!, {
      fact: 'volts',
      values
    });
    expect(factOf(withTelling(both, a!, null), b!)).to.deep.equal({ fact: 'volts', values });
    expect(factOf(withTelling(both, b!, null), a!)).to.deep.equal({ fact: 'banks', values });
  });
});

describe('a part that is tried before it is saved', () => {
  const plover = demo('plover');
  const file: BuildFile = {
    ...aloneOn(parts.get('varnoc-d33')!),
    build: plover,
    parts: [parts.get('varnoc-d33')!]
  };
  const clashing = Part.parse({
    id: 'mine',
    kind: 'card',
    maker: 'unknown',
    name: 'Mine',
    card: { bus: 'isa8' },
    functions: [{ id: 'f', label: 'f', kind: 'other', claims: [{ resource: 'irq', value: 6 }] }]
  });
  it('meets what is in the build, and only what is about it is told', () => {
    const { build } = triedIn(file, clashing);
    const found = checked(build, partSet([...parts.values(), clashing])).findings;
    const own = found.filter((f) => isAboutTried(clashing, f.subjects));
    expect(own.map((f) => f.rule)).to.include('line.irq');
    expect(own.length).to.be.below(found.length);
  });
  it('twice is there once', () => {
    const again = triedIn(triedIn(file, clashing), clashing);
    expect(again.build.items.filter((i) => i.part === 'mine').length).to.equal(1);
    expect(again.parts.filter((p) => p.id === 'mine').length).to.equal(1);
  });
  it('a board brings its BIOS along, so that nobody says it is not known', () => {
    const v66 = parts.get('varnoc-v66')!;
    const bios = parts.get(v66.board!.firmware!)!;
    const rules = (f: BuildFile) => checked(f.build, partSet(f.parts)).findings.map((x) => x.rule);
    expect(rules(aloneOn(v66, [bios]))).not.to.include('unknown.bios');
    expect(rules(aloneOn(v66))).to.include('unknown.bios');
    const twice = triedIn(aloneOn(v66, [bios]), { ...v66, id: 'mine' }, [bios]);
    expect(twice.parts.filter((p) => p.id === bios.id).length).to.equal(1);
  });
  it('a board takes the place of the build’s own', () => {
    const other = { ...parts.get('varnoc-v66')!, id: 'mine' };
    const { build } = triedIn(file, other);
    expect([build.board.part, build.items.length]).to.deep.equal(['mine', plover.items.length]);
  });
});
