import { expect } from 'chai';
import { Build, type Part } from '../../src/lib/core/model';
import { kitOf, layoutsOf, moduleBays, moduleFunctions, together } from '../../src/lib/core/kit';
import { check } from '../../src/lib/core/rules';
import { excludeEachOther, firstSlot, freeSlots, obstacle } from '../../src/lib/core/resources';
import { resolve } from '../../src/lib/core/solver';
import { hookedMonitors } from '../../src/lib/core/video';
import { tell } from '../../src/lib/words';
import { parts } from '../support/demo';
import { severity, type Case } from '../support/cases';

const ferry = parts.get('tessaly-ferry75')!;
const build = (left: string, right: string, items: object[] = []) =>
  Build.parse({
    id: 'm',
    name: 'M',
    board: { id: 'board', part: 'tessaly-ferry75', asFound: { left, right } },
    items
  });
const found = (b: Build) => check(b, parts).map((f) => f.rule);

describe('a machine that is sold as one', () => {
  it('has its own display, keyboard and supply, and asks for none', () => {
    const b = build('floppy', 'battery', [{ id: 'disk', part: 'cairnholt-p340' }]);
    expect(found(b)).not.to.include.members(['kit.missing']);
    const hooked = hookedMonitors(kitOf(b, parts));
    expect(hooked.map((h) => [h.monitor.item.id, h.display?.item])).to.deep.equal([['board', 'board']]);
    expect(hooked[0]!.checks.some((c) => c.mode.id === 'vga-text' && c.verdict === 'shown')).to.equal(true);
  });
  it('feeds its small disk over the cable; on an open board that disk needs an adapter with a lead', () => {
    const open = (...more: string[]): Case => ({
      board: 'tessaly-p200',
      items: ['cairnholt-p340', ...more].map((part) => ({ part }))
    });
    expect(found(build('floppy', 'battery', [{ id: 'disk', part: 'cairnholt-p340' }]))).not.to.include(
      'disk.power'
    );
    expect(severity(open(), 'disk.power')).to.equal('clash');
    expect(severity(open('clatterley-44'), 'disk.power')).to.equal(null);
    const large = build('floppy', 'battery', [{ id: 'disk', part: 'cairnholt-a120' }]);
    const finding = check(large, parts).find((f) => f.rule === 'disk.power')!;
    expect(tell(finding).sentence).to.match(/no.*lead|there is none/);
  });
});

describe('bays that take one of several modules', () => {
  it('know every layout that the constraints leave', () => {
    expect(layoutsOf(ferry).map((l) => l.there.join(' '))).to.deep.equal([
      'floppy battery',
      'cdrom battery',
      'cdrom floppy'
    ]);
    expect(moduleFunctions(ferry).map((f) => f.id)).to.deep.equal(['cdrom', 'floppy', 'battery']);
    expect(layoutsOf(parts.get('varnoc-d33')!)).to.deep.equal([]);
  });
  it('say what cannot be there together, by the smallest sets', () => {
    expect(together(ferry, ['cdrom', 'floppy', 'battery'])).to.deep.equal({
      layouts: [],
      cannot: [['cdrom', 'floppy', 'battery']]
    });
    expect(
      together(ferry, ['cdrom', 'battery'], { left: 'floppy', right: 'battery' }).layouts[0]!.holds
    ).to.deep.equal({
      left: 'cd',
      right: 'battery'
    });
  });
  it('agree with every combination looked at by hand on machines at random', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const bays = 1 + (seed % 3);
      const modules = ['a', 'b', 'c', 'd'].slice(0, 2 + (seed % 3));
      const takes = Array.from({ length: bays }, (_, i) =>
        modules.filter((__, k) => (seed >> (i + k)) % 2 === 0 || k === 0)
      );
      const board = {
        ...ferry,
        blocks: takes.map((_, i) => ({ id: `b${i}`, kind: 'bay' as const })),
        settings: takes.map((list, i) => ({
          id: `s${i}`,
          label: `bay ${i}`,
          block: `b${i}`,
          known: true,
          positions: list.map((m) => ({ id: m, label: m })),
          default: list[0]
        })),
        constraints: [],
        functions: modules.map((m) => ({
          ...ferry.functions[0]!,
          id: m,
          off: [Object.fromEntries(takes.map((list, i) => [`s${i}`, list.filter((x) => x !== m)]))].filter(
            (match) => Object.values(match).every((l) => l.length)
          )
        }))
      } as Part;
      const brute = (set: readonly string[], i = 0, held: string[] = []): boolean =>
        i === bays
          ? set.every((m) => held.includes(m))
          : takes[i]!.some((m) => brute(set, i + 1, [...held, m]));
      const movable = moduleFunctions(board).map((f) => f.id);
      for (let bits = 1; bits < 2 ** movable.length; bits++) {
        const set = movable.filter((_, i) => bits & (1 << i));
        expect(together(board, set).layouts.length > 0, `seed ${seed}: ${set.join()}`).to.equal(brute(set));
      }
    }
  });
  it('a drive whose module is out is said to be out, with the change that brings it in, and no clash', () => {
    const b = build('floppy', 'battery', [
      { id: 'cd', part: 'wexmoor-cd4m' },
      { id: 'disk', part: 'cairnholt-p340' }
    ]);
    const out = check(b, parts).find((f) => f.rule === 'bay.out')!;
    expect([out.severity, out.fixes.length, tell(out).sentence]).to.deep.equal([
      'note',
      1,
      'Left bay holds: floppy drive. The drive is there only while its module is in the bay.'
    ]);
    expect(found(build('cd', 'battery', b.items))).not.to.include.members(['bay.out', 'disk.interface']);
  });
  it('no battery in this layout is said, and where one goes', () => {
    const none = check(build('cd', 'floppy'), parts).find((f) => f.rule === 'bay.no-battery')!;
    expect(tell(none).sentence).to.match(/runs from its mains adapter only.*goes into: right bay/);
    expect(found(build('cd', 'battery'))).not.to.include('bay.no-battery');
  });
  it('are solved like any other setting: what must be on decides the modules, and too much is impossible', () => {
    const must = (...fns: string[]) => {
      const b = build('floppy', 'battery');
      return resolve(
        {
          ...b,
          brief: {
            ...b.brief,
            mustBeOn: fns.map((fn) => ({ item: 'board', function: fn })),
            mayBeOff: ['cdrom', 'floppy', 'battery']
              .filter((f) => !fns.includes(f))
              .map((fn) => ({ item: 'board', function: fn }))
          }
        },
        parts
      );
    };
    const both = must('cdrom', 'floppy');
    expect(both.status).to.equal('solved');
    expect(must('cdrom', 'floppy', 'battery').status).to.equal('impossible');
    expect(moduleBays(kitOf(build('cd', 'battery'), parts)).map((x) => x.module)).to.deep.equal([
      'CD-ROM drive',
      'battery'
    ]);
  });
});

describe('slots for PC cards', () => {
  const [lower, upper] = ferry.board!.slots;
  const network = parts.get('harl-pc2')!;
  const disk = parts.get('quillon-pc3')!;
  it('take a card of type III only below an empty slot', () => {
    expect(obstacle(disk, lower!)).to.equal(null);
    expect(obstacle(disk, upper!)).to.deep.equal({ why: 'thick', card: 3, slot: 2 });
    expect(excludeEachOther({ part: disk, slot: lower! }, { part: network, slot: upper! })).to.equal(true);
    expect(excludeEachOther({ part: network, slot: lower! }, { part: network, slot: upper! })).to.equal(
      false
    );
    const b = build('floppy', 'battery', [{ id: 'n', part: 'harl-pc2', slot: 'pc2' }]);
    expect(firstSlot(b, parts, disk)).to.equal(undefined);
    expect(freeSlots(build('floppy', 'battery'), parts, disk).map((s) => s.id)).to.deep.equal(['pc1']);
    const both = build('floppy', 'battery', [
      { id: 'd', part: 'quillon-pc3', slot: 'pc1' },
      { id: 'n', part: 'harl-pc2', slot: 'pc2' }
    ]);
    expect(found(both)).to.include('slot.shared');
  });
  it('take no other cards, and no other slot takes theirs', () => {
    expect(obstacle(parts.get('harl-n16')!, lower!)).to.deep.equal({
      why: 'bus',
      card: 'isa16',
      slot: 'pc-card'
    });
    expect(obstacle(network, parts.get('varnoc-d33')!.board!.slots[1]!)?.why).to.equal('bus');
  });
});
