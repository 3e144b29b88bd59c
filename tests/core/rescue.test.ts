import { expect } from 'chai';
import fc from 'fast-check';
import { notePower, openStops, powerSteps } from '../../src/lib/core/diagnosis';
import { answer, freeze, intakeOf, intakeText, unanswer } from '../../src/lib/core/intake';
import { kitOf } from '../../src/lib/core/kit';
import { RESCUE_STATES, RescueDisk } from '../../src/lib/core/model';
import {
  adviceOf,
  allHeld,
  channelTimes,
  floppyCounts,
  heldBack,
  mayBeWiped,
  isImaged,
  mayStop,
  readStatus,
  rescueOf,
  seriesOf,
  withRescue
} from '../../src/lib/core/rescue';
import { sheetOf, sheetText } from '../../src/lib/formats';
import { rescueNever, rescueSteps, spanWords } from '../../src/lib/words';
import { demo, parts } from '../support/demo';

const AT = '2026-01-01T00:00:00Z';
const HASH = 'a'.repeat(64);
const starts = (good: number, n: number): RescueDisk => ({
  starts: Array.from({ length: n }, (_, i) => ({ at: AT, ready: i < good }))
});

describe('rescue of a disk', () => {
  it('tells how long each way takes for 977 × 5 × 17 sectors', () => {
    const bytes = 977 * 5 * 17 * 512;
    expect(bytes).to.equal(42_519_040);
    const times = new Map(channelTimes(bytes).map((c) => [c.id, spanWords(c.seconds)]));
    expect(times.get('serial-9600')).to.equal('12.3 h');
    expect(times.get('serial-115200')).to.equal('62 min');
    expect(times.get('parallel')).to.equal('24 min');
    expect(times.get('network-8')).to.equal('12 min');
    expect(Math.round(channelTimes(bytes)[0]!.seconds)).to.equal(244);
    expect(floppyCounts(bytes)).to.deep.equal({ f360: 118, f1440: 30 });
  });

  it('tells the chance of one more start, and below five starts only counts', () => {
    const again = (k: number, n: number) => seriesOf(starts(k, n)).again;
    expect(again(1, 6)).to.be.closeTo(0.214, 5e-4);
    expect(again(0, 5)).to.be.closeTo(0.083, 5e-4);
    expect(again(5, 5)).to.be.closeTo(0.917, 5e-4);
    expect(again(1, 1)).to.equal(null);
    expect(again(0, 0)).to.equal(null);
  });

  it('lets nobody switch off a ready disk whose only data have no image', () => {
    const ready: RescueDisk = { ...starts(5, 5), readySince: AT };
    expect(mayStop({ ...ready, unique: 'yes' })).to.equal('image-first');
    expect(mayStop(ready), 'nobody said what is on it').to.equal('image-first');
    expect(mayStop({ ...ready, unique: 'no' })).to.equal('free');
    expect(mayStop({ ...starts(2, 6), readySince: AT, unique: 'no' })).to.equal('risky');
    expect(mayStop({ ...ready, unique: 'yes', image: { at: AT, where: 'NAS', sha256: HASH } })).to.equal(
      'free'
    );
  });

  it('forces no start of a disk unless somebody said that its data are not unique', () => {
    for (const unique of ['yes', undefined] as const)
      expect(adviceOf({ state: 'hums', ...(unique ? { unique } : {}) })!.ladder).to.deep.equal([
        'warm',
        'starts'
      ]);
    expect(adviceOf({ state: 'hums', unique: 'no' })!.ladder).to.include.members(['twist', 'hub', 'tap']);
    expect(adviceOf({ state: 'scraping' })!.isOff).to.equal(true);
    expect(adviceOf({})).to.equal(null);
    for (const state of RESCUE_STATES) {
      const advice = adviceOf({ state })!;
      for (const s of advice.steps) expect(rescueSteps[s], s).to.be.a('string');
      for (const n of advice.never) expect(rescueNever[n], n).to.be.a('string');
    }
  });

  it('holds writing back until a full image with its hash is noted, or somebody signs', () => {
    const noted = fc.record(
      {
        unique: fc.constantFrom('yes' as const, 'no' as const),
        image: fc.record(
          {
            at: fc.constant(AT),
            where: fc.constant('disk 2'),
            sha256: fc.constant(HASH),
            partial: fc.boolean()
          },
          { requiredKeys: ['at', 'where'] }
        ),
        wayPast: fc.record({ at: fc.constant(AT), by: fc.constant('E'), why: fc.constant('w') })
      },
      { requiredKeys: [] }
    );
    fc.assert(
      fc.property(noted, (disk) => {
        const build = withRescue(demo('turnstone'), 'hard-disk', disk);
        const held = heldBack(build, 'hard-disk');
        expect(held === null).to.equal(disk.unique !== 'yes' || isImaged(disk));
        expect(allHeld(build).length).to.equal(held ? 1 : 0);
        if (held) expect(held.wayPast !== null).to.equal(disk.wayPast !== undefined);
        // Nobody said anything: nothing that destroys is proposed.
        if (!isImaged(disk) && !disk.wayPast)
          expect(mayBeWiped(build, 'hard-disk')).to.equal(disk.unique === 'no');
        else expect(mayBeWiped(build, 'hard-disk')).to.equal(true);
        expect(rescueOf(build, 'hard-disk')).to.deep.equal(disk);
        RescueDisk.parse(rescueOf(build, 'hard-disk'));
      })
    );
    expect(
      withRescue(withRescue(demo('turnstone'), 'hard-disk', { unique: 'yes' }), 'hard-disk', {
        unique: undefined
      })
    ).to.deep.equal(demo('turnstone'));
  });

  it('keeps the installation off the bench sheet meanwhile, and says why', () => {
    const free = sheetOf(demo('curlew'), parts);
    expect(free.boot.windows).to.not.deep.equal([]);
    const build = withRescue(demo('curlew'), 'hard-disk', { unique: 'yes' });
    const held = sheetOf(build, parts);
    expect(held.boot.windows).to.deep.equal([]);
    expect(sheetText(held).replace(/\s+/g, ' ')).to.match(
      /no other copy, and there is no image of it\. Write nothing/
    );
    const signed = withRescue(build, 'hard-disk', { wayPast: { at: AT, by: 'E', why: 'copied before' } });
    expect(sheetOf(signed, parts).boot.windows).to.deep.equal(free.boot.windows);
  });

  it('reads a status as programs show it', () => {
    expect(readStatus('11h')).to.deep.equal({ code: 0x11, means: 'corrected' });
    expect(readStatus('0x80')?.means).to.equal('closing');
    expect(readStatus('AA')?.means).to.equal('closing');
    expect(readStatus('3')?.means).to.equal('must-not');
    for (const odd of ['', 'x', '99', '1234', '-1']) expect(readStatus(odd), odd).to.equal(null);
  });
});

describe('before the first power', () => {
  it('is open until somebody looked; skipped stays open under a name', () => {
    const build = { ...demo('dunlin'), firstPower: { made: 'from-1995', idle: 'under-1' } };
    expect(openStops(powerSteps(build)).length).to.equal(8);
    const one = notePower(build, 'stop selector', { at: AT, done: true });
    expect(openStops(powerSteps(one)).map((s) => s.id)).to.not.include('selector');
    const skipped = notePower(one, 'stop mains', { at: AT, done: false, by: 'E' });
    expect(openStops(powerSteps(skipped)).map((s) => s.id)).to.include('mains');
    expect(notePower(one, 'stop selector', null)).to.deep.equal(build);
  });

  it('takes a start to the prompt for an answer where that is one, and only there', () => {
    const ran = { ...demo('dunlin'), starts: { s1: { at: AT, reached: 'prompt' as const } } };
    const state = (key: string) => powerSteps(ran).find((s) => s.key === key)!.state;
    expect(state('stop selector')).to.equal('ran-since');
    expect(state('stop plugs')).to.equal('ran-since');
    expect(state('stop leak')).to.equal('open');
    expect(state('stop mains')).to.equal('open');
  });
});

describe('intake', () => {
  const kit = (b = demo('dunlin')) => kitOf(b, parts);
  it('asks a first PC for its switches and heads, not for setup pages', () => {
    const ids = intakeOf(kit()).map((l) => l.entry.id);
    expect(ids).to.include.members(['board-switches', 'parked', 'in-drives']);
    expect(ids).to.not.include.members(['setup-pages', 'capacitors', 'irq-table']);
    const late = intakeOf(kit(demo('curlew'))).map((l) => l.entry.id);
    expect(late).to.include.members(['setup-pages', 'capacitors', 'irq-table']);
    expect(late).to.not.include('parked');
  });

  it('fills itself from what is recorded, and stays open where only a part is', () => {
    const line = (b: ReturnType<typeof demo>) =>
      intakeOf(kit(b)).find((l) => l.entry.id === 'board-switches')!;
    const whole = line(demo('dunlin'));
    expect(whole.known).to.include({ kind: 'settings' });
    const { display: _, ...rest } = demo('dunlin').board.asFound;
    expect(line({ ...demo('dunlin'), board: { ...demo('dunlin').board, asFound: rest } }).isOpen).to.equal(
      true
    );
  });

  it('keeps two answers that differ, and once frozen every one', () => {
    let build = answer(demo('dunlin'), 'selector', { at: AT, source: 'told', text: '115 V' });
    build = answer(build, 'selector', { at: AT, source: 'read', text: '230 V' });
    build = answer(build, 'selector', { at: AT, source: 'read', text: '230 V only' });
    expect(build.intake!.answers.selector!.map((a) => a.text)).to.deep.equal(['115 V', '230 V only']);
    const text = intakeText(build);
    const frozen = freeze(build, AT, HASH);
    expect(intakeText(frozen)).to.equal(text);
    expect(unanswer(frozen, 'selector')).to.equal(frozen);
    const later = answer(frozen, 'selector', { at: AT, source: 'read', text: '115 V after all' });
    expect(later.intake!.answers.selector).to.have.length(3);
    let many = frozen;
    for (let n = 0; n < 60; n++) many = answer(many, 'selector', { at: AT, source: 'seen', text: `${n}` });
    expect(many.intake!.answers.selector!.slice(0, 2)).to.deep.equal(build.intake!.answers.selector);
    expect(intakeText(later)).to.not.equal(text);
  });
});
