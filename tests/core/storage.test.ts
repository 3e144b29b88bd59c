import { refused } from '../support/refused';
import { barrierWords } from '../../src/lib/words';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  barriers,
  driveTypes,
  fatPlan,
  fitTypes,
  setupChoices,
  interleaveRate,
  largestPartition,
  sectorsOf,
  sizeWords,
  toChs,
  toLba,
  translate,
  translations,
  type Setup,
  type Translation,
  biosTakes,
  floppyFormats,
  floppyRate,
  mediaOf
} from '../../src/lib/core/storage';

const geo = (cylinders: number, heads = 16, sectors = 63) => ({ cylinders, heads, sectors });
const drive = fc.record({
  cylinders: fc.integer({ min: 1, max: 65_535 }),
  heads: fc.integer({ min: 1, max: 16 }),
  sectors: fc.integer({ min: 1, max: 63 })
});
const logical = (cylinders: number, kind: Translation) => {
  const { geometry } = translate(geo(cylinders), kind);
  return [geometry.cylinders, geometry.heads, geometry.sectors];
};

describe('geometry', () => {
  it('CHS to LBA and back is the same address', () => {
    fc.assert(
      fc.property(drive, fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }), (g, share) => {
        const lba = Math.floor(share * sectorsOf(g));
        expect(toLba(toChs(lba, g), g)).to.equal(lba);
      })
    );
    expect(toChs(0, geo(10))).to.deep.equal({ c: 0, h: 0, s: 1 });
    expect(toLba({ c: 1, h: 0, s: 1 }, geo(10))).to.equal(1008);
  });
  it('says what is outside, and where it ends', () => {
    for (const [work, says] of [
      [() => toChs(sectorsOf(geo(10)), geo(10)), 'sector number 10080 is outside 0 to 10079'],
      [() => toLba({ c: 0, h: 0, s: 0 }, geo(10)), 'sector 0 is outside 1 to 63'],
      [() => sectorsOf(geo(0)), 'cylinders 0 is outside 1 to 65536'],
      [() => sectorsOf(geo(1, 257)), 'heads 257 is outside 1 to 256'],
      [() => translate(geo(100, 17), 'none'), 'heads of a drive 17 is outside 1 to 16']
    ] as const)
      expect(refused(work)).to.equal(says);
  });
  it('sizes in both ways of counting, and the interleave', () => {
    expect(sizeWords(1_032_192)).to.equal('528.48 MB (504 MiB)');
    expect([1, 3, 6].map((n) => Math.round(interleaveRate(3600, 17, n) / 1000))).to.deep.equal([
      522, 174, 87
    ]);
  });
});

describe('translation', () => {
  it('as two families of BIOSes were measured: rounded LBA, large, and the one that chooses', () => {
    const of = (kind: Translation, c: number, h: number, s: number) => {
      const { geometry: g } = translate({ cylinders: c, heads: h, sectors: s }, kind);
      return `${g.cylinders}/${g.heads}/${g.sectors}`;
    };
    expect(of('large', 13_328, 15, 63)).to.equal('833/240/63');
    expect(of('large', 9000, 16, 63), 'never 256 heads').to.equal('1024/128/63');
    // A little past 504 MiB the whole number is still 16.
    expect(of('lba-rounded', 1025, 16, 63)).to.equal('1024/16/63');
    expect(of('lba', 1025, 16, 63)).to.equal('512/32/63');
    expect(of('lba-rounded', 1100, 16, 63)).to.equal('550/32/63');
    expect(of('automatic', 1024, 16, 63)).to.equal('1024/16/63');
    expect(of('automatic', 2048, 16, 63)).to.equal('1024/32/63');
    expect(of('automatic', 8192, 16, 63)).to.equal('1024/128/63');
    expect(of('automatic', 8193, 16, 63), 'LBA, with the smaller head count').to.equal('1024/128/63');
    expect(of('automatic', 8300, 16, 63)).to.equal('520/255/63');
  });
  it('with extensions and DOS 7 a drive is used whole, and with neither it is not', () => {
    const drive = { cylinders: 16_383, heads: 16, sectors: 63 };
    const ids = (dos: number, extensions: boolean) =>
      barriers({ physical: drive, total: 26_712_000, translation: 'lba', dos, extensions }).map((b) => b.id);
    expect(ids(7.1, true)).to.not.include('int13');
    expect(ids(7.1, false)).to.include('int13');
    expect(ids(6.22, true), 'whatever the BIOS offers').to.deep.equal(['dos-int13']);
    expect(ids(6.22, false)).to.deep.equal(['dos-int13', 'reports-16383']);
  });
  it('where DOS is what stops it, no BIOS, ROM or overlay is a way past', () => {
    const drive = { cylinders: 16_383, heads: 16, sectors: 63 };
    const found = barriers({
      physical: drive,
      total: 39_070_080,
      translation: 'lba',
      dos: 6.22,
      extensions: true
    });
    expect(found.flatMap((b) => b.ways)).to.deep.equal(['later DOS', 'smaller drive']);
  });

  it('the barriers of the books', () => {
    expect(translate(geo(4000), 'none').usable).to.equal(1_032_192);
    expect(translate(geo(8192), 'bit-shift').usable).to.equal(8_257_536);
    expect(logical(8192, 'bit-shift')).to.deep.equal([1024, 128, 63]);
    expect(logical(8193, 'bit-shift'), 'the trap').to.deep.equal([512, 256, 63]);
    expect(logical(10_400, 'bit-shift')).to.deep.equal([650, 256, 63]);
    expect(logical(2049, 'bit-shift')).to.deep.equal([512, 64, 63]);
    expect(logical(2049, 'bit-shift-128')).to.deep.equal([1024, 32, 63]);
    expect(translate(geo(16_383), 'revised').usable).to.equal(1024 * 240 * 63);
    expect(sectorsOf({ cylinders: 1024, heads: 240, sectors: 63 })).to.equal(15_482_880);
  });
  it('LBA-assisted: heads by total size', () => {
    const heads = (total: number) => translate(geo(16_383), 'lba', total).geometry.heads;
    expect([1_032_192, 1_032_193, 2_064_384, 4_128_768, 8_257_536, 8_257_537].map(heads)).to.deep.equal([
      16, 32, 32, 64, 128, 255
    ]);
    expect(translate(geo(16_383), 'lba', 2 ** 30).usable).to.equal(16_450_560);
  });
  it('SCSI adapters: 64 × 32 up to 1 GiB, 255 × 63 beyond; a cylinder kept for diagnostics', () => {
    const scsi = (total: number) => translate(geo(16_384), 'scsi', total).geometry;
    expect(scsi(411_000)).to.deep.equal({ cylinders: 200, heads: 64, sectors: 32 });
    expect(scsi(2 ** 21)).to.deep.equal({ cylinders: 1024, heads: 64, sectors: 32 });
    expect(scsi(2 ** 21 + 1)).to.deep.equal({ cylinders: 130, heads: 255, sectors: 63 });
    const mfm = { cylinders: 615, heads: 4, sectors: 17 };
    expect(translate(mfm, 'none', undefined, true).geometry.cylinders).to.equal(614);
  });
  it('usable is never more than the drive has, nor than INT 13h offers, and every result is one it can name', () => {
    fc.assert(
      fc.property(drive, fc.constantFrom(...translations), (g, kind) => {
        const { geometry, usable } = translate(g, kind);
        expect(usable).to.be.within(1, sectorsOf(g));
        expect(geometry.cylinders).to.be.within(1, 1024);
        expect(geometry.heads).to.be.within(1, 256);
        expect(geometry.sectors).to.be.within(1, 63);
        // Those by the total round a drive smaller than one of their cylinders up to it.
        if (!['lba', 'lba-by-cylinders', 'lba-rounded', 'automatic', 'scsi'].includes(kind))
          expect(sectorsOf(geometry)).to.be.at.most(sectorsOf(g));
      })
    );
  });
  it('a larger drive of the same tracks is never less usable, but for the rounding of a shift', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 65_000 }), fc.constantFrom(...translations), (c, kind) => {
        const [small, large] = [translate(geo(c), kind).usable, translate(geo(c + 1), kind).usable];
        // One step of a shift rounds away at most fifteen cylinders.
        expect(large + 16 * 16 * 63).to.be.at.least(small);
      })
    );
  });
});

describe('barriers', () => {
  const at = (cylinders: number, extra: Partial<Setup> = {}) =>
    barriers({ physical: geo(cylinders), translation: 'bit-shift', dos: 6.22, ...extra }).map((b) => b.id);
  it('are found by their cause', () => {
    expect(at(1000, { translation: 'none' })).to.deep.equal([]);
    expect(at(1050, { translation: 'none' })).to.deep.equal(['int13-ata']);
    expect(at(8192)).to.deep.equal([]);
    expect(at(10_400)).to.deep.equal(['heads-256']);
    expect(at(4096, { biosCylinders: 4096 })).to.deep.equal(['bios-cylinders']);
    expect(at(4095, { biosCylinders: 4096 })).to.deep.equal([]);
    expect(at(7000, { hangs: ['6322'] })).to.deep.equal(['bios-6322']);
    expect(at(16_383, { translation: 'lba', total: 60_000_000 })).to.deep.equal([
      'dos-int13',
      'reports-16383'
    ]);
    expect(
      at(16_383, { translation: 'lba', total: 300_000_000, dos: 7.1, hangs: ['65535'] })
    ).to.include.members(['bios-65535', 'lba-28']);
  });
  it('the partition tool of the late 1990s, one partition before DOS 3.3, and the end of the table', () => {
    const found = (dos: number, total: number) =>
      barriers({ physical: geo(16_383), total, translation: 'lba', dos }).map((b) => b.id);
    const gib = (n: number) => n * 2 ** 21;
    expect(found(7.1, gib(64) + 1)).to.include('tool-64g');
    expect(found(7.1, gib(64))).to.not.include('tool-64g');
    expect(found(6.22, gib(80)), 'only the tool of that time').to.not.include('tool-64g');
    expect(found(3.2, gib(1))[0]).to.equal('one-partition');
    expect(found(3.3, gib(1))).to.not.include('one-partition');
    expect(found(7.1, 2 ** 32 + 1)).to.include('table-32');
    expect(found(7.1, 2 ** 32)).to.not.include('table-32');
    const tool = barriers({ physical: geo(16_383), total: gib(80), translation: 'lba', dos: 7.1 }).find(
      (b) => b.id === 'tool-64g'
    )!;
    expect(barrierWords(tool).symptom).to.match(/16,384 MiB/);
  });
  it('lie below the drive, the nearest first, and a smaller drive never meets more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 65_000 }), fc.constantFrom(...translations), (c, translation) => {
        const of = (cylinders: number) =>
          barriers({ physical: geo(cylinders), translation, dos: 6.22, biosCylinders: 4096 });
        const here = of(c);
        for (const b of here) {
          expect(b.sectors).to.be.below(sectorsOf(geo(c)));
          expect(b.ways.length).to.be.greaterThan(0);
        }
        expect([...here].sort((a, b) => a.sectors - b.sectors)).to.deep.equal(here);
        if (c !== 16_384) expect(of(c - 1).length).to.be.at.most(here.length + 1);
      })
    );
  });
});

describe('types, FAT', () => {
  it('the table, with its one gap and its one entry past 1,024 cylinders', () => {
    expect(driveTypes).to.have.length(45);
    expect(driveTypes.map((t) => t.type)).to.not.include(15);
    const best = fitTypes(geo(1224, 15, 17), false)[0];
    expect([best.type.type, best.used * 512]).to.deep.equal([32, 133_693_440]);
  });
  it('a drive that does not translate needs each number within its own; ATA only the total', () => {
    const own = fitTypes(geo(615, 4, 17), false);
    expect([2, 6]).to.include(own[0].type.type);
    expect(own[0].lost).to.equal(0);
    fc.assert(
      fc.property(drive, fc.boolean(), (g, translates) => {
        for (const { type, used, lost } of fitTypes(g, translates)) {
          expect(used + lost).to.equal(sectorsOf(g));
          expect(sectorsOf(type)).to.be.at.most(sectorsOf(g));
          if (!translates)
            expect([type.cylinders <= g.cylinders, type.heads <= g.heads]).to.deep.equal([true, true]);
        }
      })
    );
    expect(fitTypes(geo(977, 5, 17), true, 14).every((f) => f.type.type <= 14)).to.equal(true);
  });
  it('a type of the drive’s own heads and sectors comes before one that is some sectors larger and not its own', () => {
    const setup = { translation: 'none' as const, user: false, types: 23, keepsLast: true };
    const choices = setupChoices({ physical: geo(615, 4, 17), translates: true }, setup, 3.2);
    expect(choices[0]).to.include({ id: 'type', type: '2', cost: 'kept' });
  });
  it('the file system that DOS makes', () => {
    const kind = (mib: number, dos: number) => {
      const { kind: k, type, clusterBytes } = fatPlan(mib * 2048, dos);
      return [k, type, clusterBytes / 1024];
    };
    expect(kind(10, 3.3)).to.deep.equal(['FAT12', 1, 4]);
    expect(kind(31, 3.3)).to.deep.equal(['FAT16', 4, 2]);
    expect(kind(127, 5)).to.deep.equal(['FAT16', 6, 2]);
    expect(kind(128, 5)).to.deep.equal(['FAT16', 6, 2]);
    expect(kind(129, 5)).to.deep.equal(['FAT16', 6, 4]);
    expect(kind(2047, 6.22)).to.deep.equal(['FAT16', 6, 32]);
    expect(kind(4000, 7.1)).to.deep.equal(['FAT32', 11, 4]);
    expect(kind(20_000, 7.1)).to.deep.equal(['FAT32', 11, 16]);
    expect(refused(() => fatPlan(2048 * 2048, 6.22))).to.match(/at most/);
    expect(refused(() => fatPlan(65_536, 3.2))).to.match(/at most 65,535 sectors/);
    expect(fatPlan(2047 * 2048, 6).wasteOf(1000)).to.equal(16_384_000);
  });
  it('clusters stay within what their FAT can count', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 64, max: 2047 * 2048 }),
        fc.constantFrom(3.3, 5, 6.22),
        (sectors, dos) => {
          if (sectors > largestPartition(dos)) return;
          const { kind, clusters } = fatPlan(sectors, dos);
          expect(clusters).to.be.at.most(kind === 'FAT12' ? 4084 : 65_536);
        }
      )
    );
  });
});

describe('floppy formats', () => {
  it('size is tracks × heads × sectors, and the rate follows from a turn', () => {
    // Tracks, heads, sectors a track and turns a minute of each format.
    const shapes: Record<string, [number, number, number, number]> = {
      '160K': [40, 1, 8, 300],
      '180K': [40, 1, 9, 300],
      '320K': [40, 2, 8, 300],
      '360K': [40, 2, 9, 300],
      '720K': [80, 2, 9, 300],
      '1.2M': [80, 2, 15, 360],
      '1.44M': [80, 2, 18, 300],
      '2.88M': [80, 2, 36, 300]
    };
    expect(floppyFormats.map((f) => f.name)).to.deep.equal(Object.keys(shapes));
    for (const { name, kib, rate } of floppyFormats) {
      const [tracks, heads, sectors, rpm] = shapes[name];
      expect((tracks * heads * sectors) / 2, name).to.equal(kib);
      // The data of a turn is most of what the rate gives, the rest are marks and gaps.
      const data = (sectors * 512 * 8 * rpm) / 60 / 1000;
      expect(data / rate, name).to.be.within(0.6, 0.8);
    }
  });
  it('every drive reads what it writes, and a BIOS that knows more takes no less', () => {
    const known = [360, 720, 1200, 1440, 2880];
    const order = ['no', 'driver', 'yes'];
    for (const drive of known) {
      const { reads, writes } = mediaOf(drive);
      expect(reads).to.include.members([...writes, drive]);
      known.reduce((before, bios) => {
        const now = order.indexOf(biosTakes(bios, drive));
        expect(now, `${drive} on a BIOS of ${bios}`).to.be.at.least(before);
        return now;
      }, 0);
    }
    expect(floppyRate(360, 1200)).to.equal(300);
  });
});
