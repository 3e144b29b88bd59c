import { barrierWords } from '../../src/lib/words';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  GeometryError,
  barriers,
  biosTranslations,
  driveLetters,
  endChs,
  formatMinutesLeft,
  gates,
  largestPartition,
  layers,
  makesExtended,
  mostCylinders,
  partition,
  proposeSizes,
  sectorsOf,
  setupChoices,
  dosVersions,
  toolDisplay,
  type LetterDisk,
  type SetupFacts
} from '../../src/lib/core/storage';

const geometry = fc.record({
  cylinders: fc.integer({ min: 2, max: 1024 }),
  heads: fc.integer({ min: 1, max: 255 }),
  sectors: fc.integer({ min: 8, max: 63 })
});
const dos = fc.constantFrom(...dosVersions);

describe('a partition plan', () => {
  it('lies on whole cylinders, overlaps nowhere, and keeps to what its DOS can use', () => {
    fc.assert(
      fc.property(
        geometry,
        dos,
        fc.array(fc.integer({ min: 1, max: 200 }), { maxLength: 6 }),
        (g, v, sizes) => {
          let plan;
          try {
            plan = partition(g, v, sizes);
          } catch (error) {
            expect(error).to.be.instanceOf(GeometryError);
            return;
          }
          const cylinder = g.heads * g.sectors;
          let end = 0;
          plan.partitions.forEach((p, i) => {
            expect(p.record % cylinder, 'on a cylinder').to.equal(0);
            expect(p.record).to.equal(end);
            expect(p.lba, 'after one track').to.equal(p.record + g.sectors);
            expect(p.lba + p.sectors).to.equal((p.to + 1) * cylinder);
            expect(p.sectors).to.be.at.most(largestPartition(v));
            expect(p.kind).to.equal(i === 0 ? 'primary' : 'logical');
            expect(p.to - p.from + 1).to.equal(sizes[i]);
            end = p.lba + p.sectors;
          });
          expect(end + plan.left).to.equal(sectorsOf(g));
          if (plan.extended) {
            expect(makesExtended(v)).to.equal(true);
            expect(plan.extended.lba).to.equal(plan.partitions[1].record);
            expect(plan.extended.lba + plan.extended.sectors).to.equal(end);
          }
        }
      )
    );
  });
  it('what is proposed can be made, and leaves less than one more partition would take', () => {
    fc.assert(
      fc.property(geometry, dos, (g, v) => {
        const most = mostCylinders(g, v);
        if (most < 1) {
          expect(() => proposeSizes(g, v)).to.throw(GeometryError);
          return;
        }
        const sizes = proposeSizes(g, v);
        let plan;
        try {
          plan = partition(g, v, sizes);
        } catch (error) {
          // A disk of a few sectors holds no file system.
          expect(sectorsOf(g), String(error)).to.be.below(2 * 63 * 64);
          return;
        }
        expect(Math.max(...sizes)).to.be.at.most(most);
        const used = sizes.reduce((a, b) => a + b, 0);
        if (!makesExtended(v)) expect(sizes).to.deep.equal([Math.min(most, g.cylinders)]);
        else if (sizes.length < 23) expect((g.cylinders - used) * g.heads * g.sectors).to.be.below(64 + 63);
        expect(plan.partitions).to.have.length(sizes.length);
      })
    );
  });
  it('an end past cylinder 1,023 is written as the last that fits', () => {
    const g = { cylinders: 2000, heads: 16, sectors: 63 };
    expect(endChs(1024 * 16 * 63 - 1, g)).to.deep.equal({ c: 1023, h: 15, s: 63 });
    expect(endChs(1500 * 16 * 63, g)).to.deep.equal({ c: 1023, h: 15, s: 63 });
    expect(endChs(0, g)).to.deep.equal({ c: 0, h: 0, s: 1 });
  });
  it('the tool shows the size modulo 65,536 MiB; the time left follows from what is done', () => {
    const sectors = (mib: number) => mib * 2048;
    expect(toolDisplay(sectors(65_535))).to.deep.equal({ mib: 65_535, shown: 65_535 });
    expect(toolDisplay(sectors(65_536)).shown).to.equal(0);
    expect(toolDisplay(sectors(76_319)).shown).to.equal(10_783);
    expect(formatMinutesLeft(25, 10)).to.equal(30);
    expect(formatMinutesLeft(100, 7)).to.equal(0);
    for (const [percent, minutes] of [
      [0, 5],
      [101, 5],
      [50, 0],
      [NaN, 1]
    ])
      // oxfmt-ignore
      expect(() => formatMinutesLeft(percent, minutes)).to.throw(GeometryError);
  });
});

describe('drive letters', () => {
  /** The same order written another way: every volume with a rank, then sorted. */
  function byRank(disks: readonly LetterDisk[], version: number, after: readonly string[]): string[] {
    const ranked = disks.flatMap((d, disk) => [
      ...d.primary.map((what, i) => ({ rank: i === 0 ? [0, disk, 0] : [2, disk, i], what })),
      ...d.logical.map((what, i) => ({ rank: [1, disk, i], what }))
    ]);
    after.forEach((what, i) => ranked.push({ rank: [3, 0, i], what }));
    return ranked
      .filter((v) => version >= 5 || v.rank[0] !== 2)
      .sort((a, b) => a.rank[0] - b.rank[0] || a.rank[1] - b.rank[1] || a.rank[2] - b.rank[2])
      .map((v) => v.what);
  }
  it('follow the order of DOS, whatever the disks hold', () => {
    const disk = (n: number) =>
      fc.record({
        primary: fc.integer({ min: 0, max: 3 }).map((k) => Array.from({ length: k }, (_, i) => `p${n}${i}`)),
        logical: fc.integer({ min: 0, max: 4 }).map((k) => Array.from({ length: k }, (_, i) => `l${n}${i}`))
      });
    fc.assert(
      fc.property(
        fc.tuple(disk(0), disk(1), disk(2)),
        dos,
        fc.integer({ min: 0, max: 3 }),
        (list, v, floppies) => {
          const disks = list.map((d, i) => ({ name: `disk ${i}`, ...d }));
          const got = driveLetters(disks, v, ['cd'], floppies);
          const rest = got.filter((l) => !'AB'.includes(l.letter));
          expect(rest.map((l) => l.what)).to.deep.equal(byRank(disks, v, ['cd']).slice(0, 24));
          expect(rest.map((l) => l.letter).join('')).to.equal(
            'CDEFGHIJKLMNOPQRSTUVWXYZ'.slice(0, rest.length)
          );
          expect(got.length - rest.length).to.equal(Math.max(1, Math.min(2, floppies)));
        }
      )
    );
  });
  it('a second disk with a primary partition renames the logical drives of the first', () => {
    const first = { name: '1', primary: ['system'], logical: ['work'] };
    const letterOf = (disks: LetterDisk[]) =>
      driveLetters(disks, 6.22).find((l) => l.what === 'work')!.letter;
    expect(letterOf([first])).to.equal('D');
    expect(letterOf([first, { name: '2', primary: ['other'], logical: [] }])).to.equal('E');
    expect(letterOf([first, { name: '2', primary: [], logical: ['other'] }])).to.equal('D');
  });
});

describe('how far each layer sees', () => {
  const facts = fc.record({
    types: fc.constantFrom(0, 15, 46),
    user: fc.boolean(),
    translation: fc.constantFrom(...biosTranslations),
    keepsLast: fc.boolean()
  }) as fc.Arbitrary<SetupFacts>;
  const drive = fc.record({
    cylinders: fc.integer({ min: 20, max: 16_383 }),
    heads: fc.integer({ min: 2, max: 16 }),
    sectors: fc.integer({ min: 8, max: 63 })
  });
  it('none but the drive itself is called short unless it stops before the drive ends', () => {
    fc.assert(
      fc.property(drive, facts, dos, (physical, f, v) => {
        const all = layers({ physical, translates: true }, f, v);
        expect(all.map((l) => l.who)).to.deep.equal(['drive', 'controller', 'BIOS', 'DOS', 'FAT']);
        expect(all[0]).to.include({ sectors: sectorsOf(physical), isShort: false });
        for (const l of all) if (l.isShort) expect(l.sectors, l.who).to.be.below(all[0].sectors);
      })
    );
  });
  it('no way to fill the setup in promises more than the drive has, and what is lost adds up', () => {
    fc.assert(
      fc.property(drive, facts, dos, (physical, f, v) => {
        const total = sectorsOf(physical);
        for (const c of setupChoices({ physical, translates: true }, f, v)) {
          if (c.usable === null) continue;
          expect(c.usable, c.id).to.be.within(1, total);
          if (c.id !== 'type') expect(c.usable + c.lost, c.id).to.equal(total);
          expect(c.logical!.cylinders).to.be.at.most(1024);
        }
      })
    );
  });
  it('the gates of the ruler stand in order, and each barrier has one', () => {
    const sizes = gates.map((g) => g.sectors);
    expect([...sizes].sort((a, b) => a - b)).to.deep.equal(sizes);
    const ids = gates.flatMap((g) => g.ids);
    expect(new Set(ids).size).to.equal(ids.length);
    // Only what the drive says of itself, and what lies past the end of the ruler, has none.
    const without = new Set(['reports-16383', 'table-32']);
    const seen = new Set<string>();
    fc.assert(
      fc.property(drive, fc.integer({ min: 0, max: 2 ** 33 }), facts, dos, (physical, more, f, v) => {
        const total = sectorsOf(physical) + more;
        const found = barriers({
          physical,
          total,
          translation: f.translation,
          dos: v,
          biosCylinders: 4096,
          hangs: ['6322', '65535']
        });
        for (const b of found) {
          seen.add(b.id);
          expect(ids.includes(b.id) || without.has(b.id), b.id).to.equal(true);
          expect(b.sectors, b.id).to.be.below(total);
          const { symptom, cause } = barrierWords(b);
          expect(symptom.length && cause.length, b.id).to.be.greaterThan(10);
        }
      })
    );
    expect(seen.size).to.be.at.least(8);
  });
});
