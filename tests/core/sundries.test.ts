import { expect } from 'chai';
import { kitOf } from '../../src/lib/core/kit';
import { Build } from '../../src/lib/core/model';
import { check } from '../../src/lib/core/rules';
import { sundriesOf, type Sundry } from '../../src/lib/core/sundries';
import { sundryWords } from '../../src/lib/words';
import { demo, parts } from '../support/demo';

const of = (build: Build): Sundry[] => sundriesOf(kitOf(build, parts), check(build, parts));
const withItems = (build: Build, change: (items: Build['items']) => Build['items']): Build =>
  Build.parse({ ...build, items: change(build.items) });

describe('small things that a machine needs', () => {
  it('are a cable for each chain of drives, told by its twist and its plugs', () => {
    const lines = of(demo('turnstone')).map(sundryWords);
    expect(lines.filter((l) => /^Floppy cable, 34 wires, twist in 10–16/.test(l))).to.have.length(1);
    expect(
      lines.filter((l) => /^Hard-disk cable, 34 wires, twist in 25–29, and 1 20-wire data cable/.test(l))
    ).to.have.length(1);
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew'])
      for (const line of of(demo(id)).map(sundryWords)) expect(line, id).to.match(/^[A-Z0-9].*[^.]$/);
  });

  it('follow the drives: without them there is no cable, with a second one the cable has two plugs', () => {
    const kit = kitOf(demo('turnstone'), parts);
    const drives = new Set(kit.drives.map((d) => d.item.id));
    const none = of(withItems(demo('turnstone'), (items) => items.filter((i) => !drives.has(i.id))));
    expect(none.filter((s) => s.kind === 'cable')).to.deep.equal([]);
    const floppy = kit.drives.find((d) => d.part.drive.interface === 'floppy')!.item;
    const two = of(withItems(demo('turnstone'), (items) => [...items, { ...floppy, id: 'second' }]));
    const cable = two.find((s) => s.kind === 'cable' && s.family === 'floppy');
    expect(cable?.kind === 'cable' && cable.plugs.edge + cable.plugs.pins).to.equal(2);
  });

  it('are a heat sink for a CPU that gets warm, with a fan for one that gets hot, nothing for a cool one', () => {
    const kit = kitOf(demo('sanderling'), parts);
    const amps = (v5: number) => {
      const cpu = { ...kit.cpu!, power: { v5, v12: 0, v3: 0, minus5: false } };
      return sundriesOf({ ...kit, cpu }, []).find((s) => s.kind === 'cooler');
    };
    expect(amps(0.5)).to.equal(undefined);
    expect(amps(0.8)).to.deep.include({ fan: false, watts: 4 });
    expect(amps(1.2)).to.deep.include({ fan: true, watts: 6 });
    const { power: _, ...unknown } = kit.cpu!;
    expect(
      sundriesOf({ ...kit, cpu: unknown }, []).find((s) => s.kind === 'cooler'),
      'nothing is guessed'
    ).to.equal(undefined);
  });

  it('are the adapters that the checks ask for', () => {
    const build = demo('plover');
    const told = (id: string) =>
      withItems(
        build,
        (items) =>
          [
            ...items.filter((i) => parts.get(i.part)?.kind !== 'supply'),
            { id: 'supply', part: id, asFound: {}, chosen: {}, locked: [] }
          ] as Build['items']
      );
    const atx = [...parts.values()].find((p) => p.supply?.form === 'atx')!;
    expect(of(told(atx.id)).some((s) => s.kind === 'power-adapter')).to.equal(true);
    expect(of(build).some((s) => s.kind === 'power-adapter')).to.equal(false);
  });
});
