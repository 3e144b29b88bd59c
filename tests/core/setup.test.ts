import { costWords, guardWords } from '../../src/lib/words';
import { expect } from 'chai';
import { geometryReasonWords } from '../../src/lib/words';
import fc from 'fast-check';
import {
  barriersOf,
  guard,
  isForeign,
  nextGeometry,
  safeCylinders,
  sectorsOf,
  setupChoices,
  translations,
  type GeometryTry,
  type SetupFacts,
  type Declared
} from '../../src/lib/core/storage';

const ata = (cylinders: number, heads = 16, sectors = 63) => ({
  physical: { cylinders, heads, sectors },
  translates: true
});
const facts = (extra: Partial<SetupFacts> = {}): SetupFacts => ({
  types: 46,
  user: true,
  translation: 'bit-shift',
  ...extra
});

describe('what to type into the setup', () => {
  it('a drive under every barrier is typed as it is', () => {
    const [best] = setupChoices(ata(1000), facts(), 6.22);
    expect(best).to.deep.include({ id: 'whole', works: true, lost: 0, landing: 1000, precomp: 65_535 });
    expect(best.logical).to.deep.equal({ cylinders: 1000, heads: 16, sectors: 63 });
  });
  it('10,400 cylinders under bit-shift: 8,192 is the last that works, and the reasons have prices', () => {
    const choices = setupChoices(ata(10_400), facts(), 6.22);
    expect(choices[0]).to.deep.include({ id: 'fewer', works: true });
    expect(choices[0].geometry!.cylinders).to.equal(8192);
    expect(choices[0].logical).to.deep.equal({ cylinders: 1024, heads: 128, sectors: 63 });
    expect(choices.find((c) => c.id === 'whole')!.works).to.equal(false);
    expect(choices.map((c) => c.id)).to.include.members(['type', 'rom', 'overlay', 'smaller']);
    for (const c of choices) expect(costWords[c.cost].length).to.be.greaterThan(3);
  });
  it('without translation 1,024; with a 12-bit field 4,095; with a BIOS that hangs 6,322', () => {
    expect(safeCylinders(ata(4000), facts({ translation: 'none' }), 6.22)).to.equal(1024);
    expect(safeCylinders(ata(5000), facts({ biosCylinders: 4096 }), 6.22)).to.equal(4095);
    expect(safeCylinders(ata(7000), facts({ hangs: ['6322'] }), 6.22)).to.equal(6322);
    expect(safeCylinders(ata(16_383), facts({ translation: 'lba' }), 6.22)).to.equal(16_383);
  });
  it('more than the setup takes is not proposed to be typed', () => {
    const small = facts({ translation: 'none', mostTyped: 1024 });
    const choices = setupChoices(ata(10_400), small, 6.22);
    expect(choices.map((c) => c.id)).to.not.include('whole');
    expect(choices[0].geometry!.cylinders).to.equal(1024);
    expect(setupChoices(ata(1024), small, 6.22)[0].id).to.equal('whole');
    expect(safeCylinders(ata(10_400), facts({ mostTyped: 2048 }), 6.22)).to.equal(2048);
  });
  it('a drive of 15 heads reaches further with 16, after what surely works, and only where that can be typed', () => {
    const drive = { physical: { cylinders: 1300, heads: 15, sectors: 63 }, translates: true };
    const plain = facts({ translation: 'none' });
    const waysOf = (d: typeof drive, f: SetupFacts) => barriersOf(d, f, 6.22).flatMap((b) => b.ways);
    const choices = setupChoices(drive, plain, 6.22);
    const other = choices.find((c) => c.id === 'recast')!;
    expect(other).to.deep.include({ cost: 'if-taken', usable: 1024 * 16 * 63, works: true });
    expect(other.geometry).to.deep.equal({ cylinders: 1024, heads: 16, sectors: 63 });
    expect(choices[0].id).to.not.equal('recast');
    expect(choices.map((c) => c.geometry && isForeign(drive, c.geometry))).to.include.members([false, true]);
    expect(waysOf(drive, plain)).to.include('another geometry');
    // Nearly all of a drive of long thin cylinders.
    const thin = { physical: { cylinders: 1400, heads: 8, sectors: 39 }, translates: true };
    expect(setupChoices(thin, plain, 6.22).find((c) => c.id === 'recast')!.lost).to.be.lessThan(1008);
    for (const [d, f] of [
      [{ ...drive, translates: false }, plain],
      [drive, facts({ translation: 'none', user: false })],
      [drive, facts({ translation: 'bit-shift' })],
      [ata(4000), plain],
      [{ physical: { cylinders: 1000, heads: 15, sectors: 63 }, translates: true }, plain]
    ] as const) {
      expect(setupChoices(d, f, 6.22).map((c) => c.id)).to.not.include('recast');
      expect(waysOf(d, f)).to.not.include('another geometry');
    }
  });
  it('an old setup without a user type takes the best of its table, and an MFM drive no larger one', () => {
    const mfm = { physical: { cylinders: 820, heads: 6, sectors: 17 }, translates: false };
    const [best] = setupChoices(mfm, facts({ user: false, translation: 'none' }), 3.3);
    expect([best.id, best.type, best.lost]).to.deep.equal(['type', '40', 0]);
    const few = setupChoices(mfm, facts({ user: false, types: 23, translation: 'none' }), 3.3)[0];
    expect(few.geometry!.cylinders <= 820 && few.geometry!.heads <= 6).to.equal(true);
  });
  it('what is proposed and works never has 256 heads, more than the drive, or more than INT 13h', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 65_535 }),
        fc.integer({ min: 1, max: 16 }),
        fc.integer({ min: 1, max: 63 }),
        fc.constantFrom(...translations),
        fc.constantFrom(undefined, 4096),
        (cylinders, heads, sectors, translation, biosCylinders) => {
          const drive = { physical: { cylinders, heads, sectors }, translates: true };
          for (const c of setupChoices(
            drive,
            facts({ translation, ...(biosCylinders ? { biosCylinders } : {}) }),
            6.22
          )) {
            if (!c.geometry || !c.works) continue;
            expect(sectorsOf(c.geometry)).to.be.at.most(sectorsOf(drive.physical));
            expect(c.usable).to.be.at.most(sectorsOf(drive.physical));
            expect(c.logical!.heads).to.be.at.most(255);
            expect(c.logical!.cylinders).to.be.at.most(1024);
          }
        }
      ),
      { numRuns: 400 }
    );
  });
});

describe('the next geometry to try', () => {
  const t = (cylinders: number, result: GeometryTry['result']): GeometryTry => ({ cylinders, result });
  it('heads for the boundary between what started and what hung, and names it', () => {
    const next = nextGeometry([t(7000, 'started'), t(9000, 'hung'), t(10_400, 'hung')], 10_400);
    expect(next.cylinders).to.equal(8192);
    expect(geometryReasonWords(next.why)).to.match(/heading for 8192, bit-shift/);
    const done = nextGeometry([t(7000, 'started'), t(8192, 'started'), t(9000, 'hung')], 10_400);
    expect([done.cylinders, geometryReasonWords(done.why)]).to.deep.equal([
      null,
      '8192 is probably the most that works: bit-shift: 128 heads, the last that DOS takes.'
    ]);
    expect(nextGeometry([], 5000).cylinders).to.equal(5000);
    expect(nextGeometry([t(5000, 'started')], 5000).cylinders).to.equal(null);
    expect(nextGeometry([t(4095, 'hung'), t(5000, 'started')], 6000).why.is).to.equal('contradiction');
  });
  it('tries what is known of the BIOS before the boundaries in general', () => {
    const after = (tries: GeometryTry[]) => nextGeometry(tries, 10_400, 8190).cylinders;
    expect(after([])).to.equal(8190);
    expect(after([t(10_400, 'hung')])).to.equal(8190);
    expect(after([t(10_400, 'hung'), t(1024, 'started')])).to.equal(8190);
    // What was tried stands above it, in both directions.
    expect(after([t(10_400, 'hung'), t(8190, 'hung')])).to.be.lessThan(8190);
    expect(after([t(10_400, 'hung'), t(8190, 'started')])).to.be.greaterThan(8190);
  });
  it('finds any limit in a few tries', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 20_000 }),
        fc.integer({ min: 1, max: 20_000 }),
        (most, limit) => {
          const tries: GeometryTry[] = [];
          for (let n = 0; n < 40; n++) {
            const { cylinders } = nextGeometry(tries, most);
            if (cylinders === null) break;
            expect(cylinders).to.be.within(1, most);
            tries.push(t(cylinders, cylinders <= limit ? 'started' : 'hung'));
          }
          expect(tries.length).to.be.lessThan(22);
          expect(nextGeometry(tries, most).cylinders).to.equal(null);
        }
      )
    );
  });
});

describe('the guard of a medium', () => {
  const real = 614 * 4 * 17;
  const declared = (cylinders: number, heads: number, kept = 0): Declared => {
    const geometry = { cylinders, heads, sectors: 17 };
    return { geometry, logical: geometry, usable: sectorsOf(geometry) - kept * heads * 17 };
  };
  it('past the end, wasteful, and changed heads', () => {
    const said = (c: number, h: number, made: { heads: number; sectors: number } | null) =>
      guard(declared(c, h), real, made).map((v) => [v.grade, guardWords(v)]);
    expect(said(614, 4, { heads: 4, sectors: 17 })).to.deep.equal([['fine', 'Declared just as it is.']]);
    expect(said(615, 4, null)[0]).to.deep.equal([
      'stop',
      'The last cylinder of this setup ends 34,816 bytes past the end of the medium. A partition that reaches there loses data, and stays quiet until then.'
    ]);
    expect(said(600, 4, null)[0][0]).to.equal('note');
    // Where the BIOS keeps the last cylinder for diagnostics, 615 of 614 reach no further than the medium.
    expect(guard(declared(615, 4, 1), real, null)).to.deep.equal([
      { grade: 'note', why: 'rounding', sectors: 68 }
    ]);
    expect(said(614, 5, { heads: 4, sectors: 17 })[0][1]).to.match(/Do not start from it, do not write/);
  });
});
