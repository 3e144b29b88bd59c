import { guardWords, setupLineWords } from '../../src/lib/words';
import { expect } from 'chai';
import {
  choicesFor,
  diskOfPart,
  disksOf,
  floppyChains,
  freeWindows,
  geometryOf,
  interfaceNotes,
  interleaves,
  setupLines,
  standing,
  typedOf
} from '../../src/lib/core/disks';
import { check } from '../support/make';
import { kitOf } from '../../src/lib/core/kit';
import { Build, type Item } from '../../src/lib/core/model';
import { replacementRoutes } from '../../src/lib/core/replace';
import { applyFix } from '../../src/lib/core/solver';
import { mediaOf } from '../../src/lib/core/storage';
import { linesAt } from '../../src/lib/core/resources';
import { demo, parts } from '../support/demo';

const kit = (b: Build) => kitOf(b, parts);
const with_ = (b: Build, id: string, to: (i: Item) => Item): Build => ({
  ...b,
  items: b.items.map((i) => (i.id === id ? to(i) : i))
});

describe('the disks of the demo', () => {
  it('Sanderling: the card over the barrier, 4,095 cylinders to type', () => {
    const [card] = disksOf(kit(demo('sanderling')));
    const [best] = choicesFor(card);
    expect(best).to.deep.include({ id: 'fewer', works: true });
    expect(best.geometry!.cylinders).to.equal(4095);
  });
  it('Turnstone: an MFM drive, and a table without a user type', () => {
    const [drive] = disksOf(kit(demo('turnstone')));
    const choices = choicesFor(drive);
    expect(choices.map((c) => c.id)).to.not.include('whole');
    // One cylinder of 6 × 17 sectors is kept for diagnostics.
    expect(choices[0]).to.deep.include({ id: 'type', type: '40', lost: 102 });
    expect(choices[0].cost).to.equal('kept');
    expect(interfaceNotes(kit(demo('turnstone')), 'hard-disk').map((n) => n.is)).to.include('low-level-pair');
  });
  it('Plover and Dunlin: a ROM takes over, and the setup says nothing', () => {
    for (const id of ['plover', 'dunlin']) {
      const [disk] = disksOf(kit(demo(id)));
      expect(disk.facts, id).to.include({ isRom: true });
      expect(
        choicesFor(disk).map((c) => c.type),
        id
      ).to.deep.equal(['not installed']);
    }
  });
  it('a setup that is not what the medium was made under is a finding', () => {
    const wrong = with_(demo('sanderling'), 'card', (i) => ({
      ...i,
      disk: {
        tries: [],
        setup: { cylinders: 4095, heads: 16, sectors: 63 },
        made: { heads: 255, sectors: 63 }
      }
    }));
    expect(Build.safeParse(wrong).success).to.equal(true);
    const found = check(wrong, parts).find((f) => f.rule === 'disk.setup')!;
    expect([found.severity, /255/.test(found.sentence)]).to.deep.equal(['clash', true]);
    // 4,095 × 16 shift to 1,023 × 64: a card that was made with 64 heads goes with what is typed.
    const right = with_(wrong, 'card', (i) => ({
      ...i,
      disk: { ...i.disk!, made: { heads: 64, sectors: 63 } }
    }));
    expect(check(right, parts).some((f) => f.rule === 'disk.setup')).to.equal(false);
    expect(check(demo('sanderling'), parts).some((f) => f.rule === 'disk.setup')).to.equal(false);
  });
});

describe('the size and the setup of one specimen', () => {
  const real = { cylinders: 7000, heads: 16, sectors: 63 };
  const disk = (more: Item['disk']) =>
    with_(demo('sanderling'), 'card', (i) => ({ ...i, ...(more ? { disk: more } : {}) }));
  const limits = (b: Build) => check(b, parts).filter((f) => f.rule.startsWith('disk.limit'));
  it('what this one really has comes before what its model is said to have', () => {
    const [card] = disksOf(kit(disk({ tries: [], real })));
    expect(card.size!.physical).to.deep.equal(real);
    const verdicts = (cylinders: number, plan?: number[]) =>
      disksOf(
        kit(
          disk({ tries: [], real, setup: { cylinders, heads: 16, sectors: 63 }, ...(plan ? { plan } : {}) })
        )
      )[0].verdicts;
    // 7,001 × 16 shift to 875 × 128, which is 7,000 × 16: no partition can end past the medium.
    expect(verdicts(7001)).to.deep.equal([{ grade: 'note', why: 'rounding', sectors: 16 * 63 }]);
    const past = 8 * 16 * 63;
    expect(verdicts(7008)).to.deep.equal([{ grade: 'stop', why: 'past', sectors: past }]);
    expect(guardWords(verdicts(7008)[0])).to.contain((past * 512).toLocaleString('en'));
    expect(verdicts(7008, [400, 475])).to.deep.equal([
      { grade: 'caution', why: 'plan-ends-before', sectors: past }
    ]);
    expect(verdicts(7016, [400, 476, 1])).to.deep.equal([
      {
        grade: 'stop',
        why: 'plan-past',
        overruns: [
          { number: 2, sectors: past },
          { number: 3, sectors: 2 * past }
        ]
      }
    ]);
  });
  it('the fix of a limit types a geometry, and ends it', () => {
    const [limit] = limits(disk(undefined));
    const typed = applyFix(demo('sanderling'), limit.fixes[0].fix, parts);
    expect(typed.items.find((i) => i.id === 'card')!.disk!.setup).to.include({ cylinders: 4095 });
    expect(limits(typed)).to.deep.equal([]);
    expect(limits(disk({ tries: [], setup: { cylinders: 7964, heads: 16, sectors: 63 } })).length).to.equal(
      1
    );
  });
  it('a drive that is not in the build can be looked at', () => {
    const look = diskOfPart(kit(demo('sanderling')), parts.get('cairnholt-a13')!)!;
    expect(choicesFor(look)[0].works).to.equal(true);
    expect(geometryOf(look)!.cylinders).to.be.at.most(1024);
    const byRom = diskOfPart(kit(demo('sanderling')), parts.get('cairnholt-a13')!, { byRom: true })!;
    expect(choicesFor(byRom)).to.have.length(1);
    expect(standing(byRom).map((b) => b.id)).to.include('dos-int13');
    expect(diskOfPart(kit(demo('plover')), parts.get('wexmoor-cd4')!)).to.equal(null);
  });
  it('typed as it reports itself, a BIOS of sector numbers asks a large drive for its size', () => {
    const large = parts.get('cairnholt-a13')!;
    const typed = (cylinders: number) => {
      const b = with_(demo('curlew'), 'hard-disk', (i) => ({
        ...i,
        part: large.id,
        disk: { tries: [], setup: { cylinders, heads: 16, sectors: 63 } }
      }));
      return disksOf(kit(b))[0];
    };
    const whole = typed(16_383);
    expect(typedOf(whole)!.total).to.equal(large.drive!.sectors);
    expect(
      whole.verdicts.map((v) => v.grade),
      'nothing is said to be unused'
    ).to.deep.equal(['fine']);
    expect(typedOf(typed(8000))!.total).to.equal(undefined);
    expect(typed(8000).verdicts.map((v) => v.grade)).to.deep.equal(['note']);
  });
  it('a drive on a ROM: what it was made with against what the ROM gives', () => {
    const made = (heads: number, sectors: number) =>
      with_(demo('plover'), 'disk', (i) => ({ ...i, disk: { tries: [], made: { heads, sectors } } }));
    expect(check(made(64, 32), parts).some((f) => f.rule === 'disk.setup')).to.equal(false);
    expect(check(made(255, 63), parts).some((f) => f.rule === 'disk.setup')).to.equal(true);
  });
});

describe('what the setup is told of the drives', () => {
  const told = (id: string) => setupLines(kit(demo(id))).map(setupLineWords);
  it('floppies by letter, disks by type or geometry, a ROM as not installed, nothing on a machine without a setup', () => {
    expect(told('plover')).to.deep.equal([
      'Floppy A: 1.44M (F1440)',
      'Floppy B: 1.2M (F1200)',
      'S210: not installed, a ROM runs it'
    ]);
    expect(told('turnstone').at(-1)).to.match(/^H40: type 40 \(820 cylinders, 6 heads, 17 sectors\)$/);
    expect(told('sanderling').at(-1)).to.match(/4095 cylinders.*landing zone 4095, mode bit-shift$/);
    expect(told('dunlin')).to.deep.equal([]);
  });
  it('what was typed comes before what is best', () => {
    const typed = (cylinders: number) =>
      setupLines(
        kit(
          with_(demo('sanderling'), 'card', (i) => ({
            ...i,
            disk: { tries: [], setup: { cylinders, heads: 16, sectors: 63 } }
          }))
        )
      )
        .map(setupLineWords)
        .at(-1);
    expect(typed(3000)).to.equal('Card 4G: user type, 3000 cylinders, 16 heads, 63 sectors');
    expect(typed(4095)).to.match(/landing zone 4095/);
  });
});

describe('drivers', () => {
  it('a CPU or DOS below what a driver wants is named, also in the routes that replace a drive', () => {
    const cd: Item = { id: 'cd', part: 'wexmoor-cd24', asFound: {}, chosen: {}, locked: [] };
    const add = (b: Build): Build => ({ ...b, items: [...b.items, cd] });
    const driver = (b: Build) => check(b, parts).filter((f) => f.rule === 'os.driver');
    expect(driver(add(demo('dunlin'))).length).to.be.greaterThan(0);
    expect(driver(add(demo('curlew')))).to.deep.equal([]);
  });
});

describe('floppies', () => {
  it('the first failing link is named', () => {
    const chain = (b: Build, i = 0) => floppyChains(kit(b))[i];
    expect(chain(demo('plover')).failing).to.equal(null);
    expect([chain(demo('plover')).letter, chain(demo('plover'), 1).letter]).to.deep.equal(['A', 'B']);
    const without = { ...demo('plover'), items: demo('plover').items.filter((i) => i.id !== 'io') };
    expect(chain(without).failing!.what).to.equal('controller');
    const large = with_(demo('dunlin'), 'floppy-a', (i) => ({ ...i, part: 'dornfleet-f1440' }));
    expect(chain(large).failing).to.not.equal(null);
    const old: Build = { ...demo('plover'), brief: { ...demo('plover').brief, os: 'DOS 3.2' } };
    expect(chain(old).failing!.what).to.equal('dos');
  });
  it('media: a 1.2M drive does not write 360K for good', () => {
    expect(mediaOf(1200).writes).to.deep.equal([1200]);
    expect(mediaOf(1440).reads).to.deep.equal([720, 1440]);
  });
});

describe('ROM windows', () => {
  it('that are called free meet no other memory, on every demo machine', () => {
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew']) {
      const k = kit(demo(id));
      const memory = linesAt(k.m, k.at).filter((l) => l.resource === 'memory');
      for (const bytes of [2048, 8192, 16_384, 32_768])
        for (const base of freeWindows(k, bytes)) {
          expect(base % bytes).to.equal(0);
          for (const l of memory)
            expect(l.value + l.length <= base || l.value >= base + bytes, id).to.equal(true);
        }
    }
  });
});

describe('interleave, and a dead drive', () => {
  it('throughput falls with each step: the figures of the field', () => {
    const kB = interleaves(17, true).map((s) => Math.round(s.bytesPerSecond / 1000));
    expect([kB[0], kB[2], kB[5]]).to.deep.equal([522, 174, 87]);
    expect(
      interleaves(17, true)
        .filter((s) => s.verdict === 'fits')
        .map((s) => s.step)
    ).to.deep.equal([3, 4, 5, 6]);
  });
  it('routes are whole machines: a route without problems checks clean of new stops and clashes', () => {
    const build = demo('dunlin');
    const offered = [...parts.values()].filter(
      (p) => p.drive || (p.card && p.functions.some((f) => f.speaks))
    );
    const stock = new Map([['feldspar-ata8', 1], ['feldspar-cf512', 1]]); // oxfmt-ignore
    const { routes, linesOpen } = replacementRoutes(build, parts, 'hard-disk', offered, stock);
    expect(linesOpen).to.equal(false);
    expect(replacementRoutes(demo('turnstone'), parts, 'hard-disk', offered, stock).linesOpen).to.equal(true);
    expect(routes.length).to.be.greaterThan(2);
    const good = routes.filter((r) => r.linesFit && !r.problems.length);
    expect(good.length).to.be.greaterThan(0);
    expect(routes.indexOf(good[0])).to.equal(0);
    expect(
      routes.some((r) => r.card?.id === 'feldspar-ata8'),
      'what lies on the shelf is among them'
    ).to.equal(true);
    for (const r of routes.filter((x) => x.card))
      expect(build.items.some((i) => i.slot === r.slot)).to.equal(false);
  });
});
