import { expect } from 'chai';
import { clockReasonWords, readingWords } from '../../src/lib/words';
import fc from 'fast-check';
import { Notebook, checkPart, type Block, type State } from '../../src/lib/core/model';
import {
  clockPlan,
  printedNumber,
  voltagePlan,
  elementsOf,
  guessesFor,
  mergeFragments,
  nextTries,
  partFrom,
  predicted,
  remaining,
  standing,
  stateKey,
  templatesOf
} from '../../src/lib/core/puzzle';
import { decode, readRow } from '../../src/lib/core/settings';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const sw1: Block = { id: 'sw1', label: 'SW1', kind: 'dip', switches: 8, printed: 'ON', flipped: false };
const jp: Block = { id: 'jp1', label: 'JP1', kind: 'header', rows: 2, columns: 4, pin1: 'top-left' };
const row = (text: string, block = sw1): State => readRow(text, block);
const notebook = (extra: object): Notebook =>
  Notebook.parse({ id: 'n', name: 'Board from the attic', blocks: [sw1], ...extra });
const templates = templatesOf(parts.values());

describe('a board that is half documented', () => {
  it('templates are the tables of the catalogue, each once', () => {
    expect(new Set(templates.map((t) => t.subject))).to.include.members([
      'display',
      'banks',
      'floppies',
      'fpu'
    ]);
    expect(new Set(templates.map((t) => JSON.stringify([t.subject, t.sizes, t.rows]))).size).to.equal(
      templates.length
    );
  });
  it('the truth is never ruled out, and trying what is proposed ends with it', () => {
    // The common XT block is the truth; the bench answers as it would.
    const px8 = parts.get('skerrin-px8')!;
    const subjects = ['banks', 'display', 'floppies', 'fpu'];
    const answer = (states: Record<string, State>): Record<string, string> => {
      const told = decode(px8, { sw1: states.sw1 });
      const value = (setting: string, map: Record<string, string>) =>
        map[told.find((r) => r.setting.id === setting)!.position!];
      return {
        banks: value('banks', { one: '1', two: '2', three: '3', four: '4' }),
        display: value('display', {
          mono: 'mono',
          colour80: 'colour',
          colour40: 'colour',
          'own-bios': 'own-bios'
        }),
        floppies: value('floppies', { one: '1', two: '2', three: '3', four: '4' }),
        fpu: value('fpu', { no: '0', yes: '1' })
      };
    };
    let book = notebook({ subjects });
    const elements = elementsOf(book);
    const guesses = guessesFor(book, templates);
    const start = { sw1: row('off on off off off off off on') };
    book = { ...book, tries: [{ states: start, saw: answer(start), happened: 'not-noted' }] };
    let rounds = 0;
    for (; rounds < 40; rounds++) {
      const { best } = nextTries(book, remaining(guesses, elements, book.tries));
      if (!best) break;
      const last = book.tries.at(-1)!.states.sw1 as { switches: Record<string, string> };
      const now = best.states.sw1 as { switches: Record<string, string> };
      const changed = Object.keys(now.switches).filter((n) => now.switches[n] !== last.switches[n]);
      expect(changed, 'one change for each start').to.have.length(1);
      book = {
        ...book,
        tries: [...book.tries, { states: best.states, saw: answer(best.states), happened: 'ran' }]
      };
    }
    const left = remaining(guesses, elements, book.tries);
    expect(rounds).to.be.lessThan(30);
    for (const subject of subjects) {
      const own = left.filter((g) => g.subject === subject);
      expect(own.length, subject).to.be.greaterThan(0);
      // Whatever is left says the same of every state that was tried.
      for (const t of book.tries)
        for (const g of own)
          if (g.elements.length) expect(predicted(g, elements, t.states)).to.equal(t.saw[subject]);
    }
    const fpu = left.filter((g) => g.subject === 'fpu' && g.elements.length);
    expect(fpu.map((g) => g.elements)).to.deep.equal([[1]]);
  });
  it('what may set a voltage or a clock is left alone, and said to be', () => {
    const book = notebook({
      blocks: [jp, { ...jp, id: 'jp2', label: 'JP2', columns: 3 }],
      subjects: ['volts', 'display'],
      tries: [{ states: { jp1: { caps: [[1, 2]] }, jp2: { caps: [[1, 2]] } } }]
    });
    const left = remaining(guessesFor(book, templates), elementsOf(book), book.tries);
    const { barred, best } = nextTries(book, left);
    expect(barred.map((b) => b.element.name)).to.include('JP2');
    expect(best === null || best.element !== 1).to.equal(true);
  });
  it('nothing to go on yet is said, and so is that nothing is left', () => {
    expect(nextTries(notebook({ subjects: ['fpu'] }), []).done).to.equal('no-start');
    const book = notebook({
      subjects: ['fpu'],
      tries: [{ states: { sw1: row('10101010') }, saw: { fpu: '1' } }]
    });
    expect(nextTries(book, []).done).to.equal('nothing-open');
  });
});

describe('fragments of documents', () => {
  const book = notebook({
    fragments: [
      {
        id: 'a',
        source: 'silkscreen',
        title: 'beside the block',
        rows: [
          { block: 'sw1', state: { switches: { 5: 'off', 6: 'off' } }, subject: 'display', value: 'Mono' },
          { block: 'sw1', state: { switches: { 5: 'on', 6: 'off' } }, subject: 'display', value: 'colour' }
        ]
      },
      {
        id: 'b',
        source: 'manual',
        title: 'page 4',
        rows: [
          { block: 'sw1', state: { switches: { 6: 'off', 5: 'off' } }, subject: 'display', value: 'mono' },
          { block: 'sw1', state: { switches: { 5: 'on', 6: 'off' } }, subject: 'display', value: 'own-bios' }
        ]
      }
    ],
    tries: [{ states: { sw1: row('off on off off on off off on') }, saw: { display: 'colour' } }]
  });
  const cells = (b: Notebook) =>
    Object.fromEntries(mergeFragments(b)[0].cells.map((c) => [stateKey(c.state), c]));
  it('agree, disagree and leave gaps; a try decides', () => {
    const without = cells({ ...book, tries: [] });
    expect(without['5off 6off'].kind).to.equal('confirmed');
    expect(without['5on 6off'].kind).to.equal('conflicting');
    expect([without['5on 6on'].kind, without['5off 6on'].kind]).to.deep.equal(['missing', 'missing']);
    const tried = cells(book)['5on 6off'];
    expect([tried.kind, tried.value, tried.tried]).to.deep.equal([
      'confirmed',
      'colour',
      [{ n: 1, value: 'colour' }]
    ]);
    const refuted = cells({ ...book, tries: [{ ...book.tries[0], saw: { display: 'nothing' } }] })[
      '5on 6off'
    ];
    expect([refuted.kind, refuted.value]).to.deep.equal(['refuted', 'nothing']);
  });
  it('each document is told how it fared', () => {
    expect(standing(book).map((s) => [s.confirmed, s.refuted, s.open])).to.deep.equal([
      [1, 0, 1],
      [0, 1, 1]
    ]);
  });
  it('the corrected table is a part that the checks accept and that reads back', () => {
    const part = partFrom(book, parts.get('skerrin-px8')!, 'attic-board', 'found out');
    expect(checkPart(part)).to.deep.equal([]);
    const setting = part.settings.find((s) => s.id === 'display')!;
    expect(setting.positions.map((p) => p.label)).to.have.members(['Mono', 'colour']);
    const evidence = setting.positions.find((p) => p.label === 'colour')!.evidence!;
    expect(evidence.filter((e) => e.held).map((e) => e.source)).to.deep.equal(['silkscreen', 'tried']);
    expect(readingWords(decode(part, { sw1: row('off on off off on off off on') })[0])).to.equal('colour');
    expect(part.means).to.deep.equal([
      { fact: 'display', setting: 'display', values: { mono: 'mono', colour: 'colour' } }
    ]);
  });
  it('every merged notebook gives a part that the checks accept', () => {
    const subject = fc.constantFrom('display', 'volts', 'the fan', 'Größe?');
    const rows = fc.array(
      fc.record({
        block: fc.constant('sw1'),
        state: fc
          .dictionary(fc.constantFrom('1', '2', '3'), fc.constantFrom('on' as const, 'off' as const), {
            minKeys: 1
          })
          .map((switches) => ({ switches })),
        subject,
        value: fc.constantFrom('1', '2', 'x y', '…')
      }),
      { maxLength: 8 }
    );
    fc.assert(
      fc.property(fc.array(rows, { maxLength: 3 }), (documents) => {
        const made = notebook({
          fragments: documents.map((list, i) => ({
            id: `f${i}`,
            source: 'manual',
            title: `page ${i}`,
            rows: list
          }))
        });
        for (const board of ['skerrin-px8', 'varnoc-v66', 'brackwell-tx'])
          expect(checkPart(partFrom(made, parts.get(board)!, 'made', 'found out'))).to.deep.equal([]);
      }),
      { numRuns: 100 }
    );
  });
});

describe('sources that disagree on a clock', () => {
  const cap = (n: number): State => ({ caps: [[2 * n - 1, 2 * n]] });
  const rows = (values: (string | null)[]) =>
    values.flatMap((value, i) =>
      value ? [{ block: 'jp1', state: cap(i + 1), subject: 'bus-mhz', value }] : []
    );
  const book = (tries: object[] = []) =>
    notebook({
      blocks: [jp],
      fragments: [
        { id: 'a', source: 'silkscreen', title: 'silkscreen', rows: rows(['25', '33', '40', '50']) },
        { id: 'b', source: 'listing', title: 'a listing', rows: rows(['33 MHz', '25 MHz', '50', '40']) }
      ],
      tries
    });
  const tried = (n: number, happened: string) => ({ states: { jp1: cap(n) }, happened });
  const bus = (n: number) => ({ mhz: n, of: 'bus' as const, multiplier: null });
  it('the slowest by every source comes first, then the next, never above the rating', () => {
    const first = clockPlan(book(), bus(40));
    expect(first.next!.high).to.equal(33);
    const second = clockPlan(book([tried(1, 'ran')]), bus(40));
    expect(second.next!.state).to.deep.equal(cap(2));
    const third = clockPlan(book([tried(1, 'ran'), tried(2, 'ran')]), bus(40));
    expect([third.next, clockReasonWords(third.why)]).to.deep.equal([
      null,
      'Every state that is left may be faster than the rated 40 MHz on the bus.'
    ]);
    expect(clockPlan(book([tried(1, 'ran'), tried(2, 'ran')]), bus(50)).next!.high).to.equal(50);
  });
  it('nothing without a rating, nor with a core clock of which the multiplier is not known', () => {
    for (const rating of [null, { mhz: 66, of: 'core' as const, multiplier: null }])
      for (const tries of [[], [tried(1, 'ran')]]) expect(clockPlan(book(tries), rating).next).to.equal(null);
    expect(clockPlan(book(), { mhz: 66, of: 'core', multiplier: 2 }).next!.high).to.equal(33);
    expect(clockPlan(book([tried(1, 'ran')]), { mhz: 50, of: 'core', multiplier: 2 }).next).to.equal(null);
  });
  it('nothing that may be as fast as what froze', () => {
    const { next, why } = clockPlan(book([tried(1, 'ran'), tried(2, 'froze')]), bus(50));
    expect(next).to.equal(null);
    expect(why).to.deep.equal({ is: 'as-fast-as-failed', failed: 'froze' });
  });
  it('what is printed on a chip is read as a number or a range, or not understood', () => {
    const read = (texts: string[]) => texts.map((t) => printedNumber(t));
    expect(read(['', '33', '3,45 V', '66MHz', '3.3-3.6', '3.3 to 3.6 V'])).to.deep.equal([
      null,
      33,
      3.45,
      66,
      3.6,
      3.6
    ]);
    expect(read(['5/3.3', 'fast', '66/33', '3.6-3.3', '-5', '0'])).to.deep.equal(Array(6).fill('unclear'));
  });
  it('a voltage that no source puts low enough is not tried at all', () => {
    const volts = notebook({
      blocks: [jp],
      fragments: [
        {
          id: 'a',
          source: 'manual',
          title: 'm',
          rows: [{ block: 'jp1', state: cap(1), subject: 'volts', value: '3.3 V' }]
        },
        {
          id: 'b',
          source: 'listing',
          title: 'l',
          rows: [{ block: 'jp1', state: cap(1), subject: 'volts', value: '5 V' }]
        }
      ]
    });
    const plan = voltagePlan(volts, 3.45);
    expect([plan.next, clockReasonWords(plan.why)]).to.deep.equal([
      null,
      'Every state that is left may give more than 3.45 V. Do not try: measure at the empty socket.'
    ]);
    expect(voltagePlan(notebook({}), 5).why.is).to.equal('no-number');
  });
  it('a voltage is proposed only from what was read off the chip, and never above one that ran', () => {
    const volts = (tries: object[]) =>
      notebook({
        blocks: [jp],
        fragments: [
          {
            id: 'a',
            source: 'manual',
            title: 'm',
            rows: ['3.45 V', '5 V'].map((value, i) => ({
              block: 'jp1',
              state: cap(i + 1),
              subject: 'volts',
              value
            }))
          }
        ],
        tries
      });
    expect(voltagePlan(volts([]), null).next).to.equal(null);
    expect(voltagePlan(volts([]), 3.45).next!.high).to.equal(3.45);
    for (const rated of [null, 3.45, 5])
      expect(voltagePlan(volts([tried(1, 'ran')]), rated).next).to.equal(null);
  });
  it('no proposal is above the rating in any reading of the tables, on random notebooks', () => {
    let proposed = 0;
    for (let seed = 0; seed < torture(20_000, 1200); seed++) {
      const r = new Seeded(seed);
      const numbers = { 'bus-mhz': [16, 20, 25, 33, 40, 50, 66], volts: [2.2, 2.8, 3.3, 3.45, 5] };
      const fragment = (id: string) => ({
        id,
        source: r.pick(['manual', 'listing', 'silkscreen', 'guess']),
        title: id,
        rows: (['bus-mhz', 'volts'] as const).flatMap((subject) =>
          [1, 2, 3].flatMap((n) =>
            r.chance(0.8)
              ? [
                  {
                    block: subject === 'volts' ? 'jp2' : 'jp1',
                    state: cap(n),
                    subject,
                    value: `${r.pick(numbers[subject])}${r.chance(0.2) ? ` or ${r.pick(numbers[subject])}` : r.chance(0.1) ? ' approx' : ''}`
                  }
                ]
              : []
          )
        )
      });
      const made = notebook({
        blocks: [jp, { ...jp, id: 'jp2', label: 'JP2' }],
        subjects: r.chance(0.5) ? ['fpu', 'display'] : ['bus-mhz', 'volts', 'fpu'],
        fragments: Array.from({ length: 1 + r.int(3) }, (_, i) => fragment(`f${i}`)),
        tries: Array.from({ length: r.int(4) }, () => ({
          states: { jp1: cap(1 + r.int(3)), jp2: cap(1 + r.int(3)) },
          happened: r.pick(['ran', 'slow', 'froze', 'dead', 'not-noted'])
        }))
      });
      const multiplier = r.pick([1, 1.5, 2, 3]);
      const core = r.pick([25, 33, 50, 66, 100]);
      const ratedVolts = r.pick([2.8, 3.3, 3.45, 5]);
      const told = r.pick(['none', 'core only', 'core', 'bus'] as const);
      const rating =
        told === 'none'
          ? null
          : told === 'bus'
            ? { mhz: core / multiplier, of: 'bus' as const, multiplier: null }
            : { mhz: core, of: 'core' as const, multiplier: told === 'core' ? multiplier : null };
      const values = (subject: string, block: string, state: State) =>
        made.fragments.flatMap((f) =>
          f.rows
            .filter(
              (x) => x.subject === subject && x.block === block && stateKey(x.state) === stateKey(state)
            )
            .flatMap((x) => x.value.match(/\d+(\.\d+)?/g)!.map(Number))
        );
      const clock = clockPlan(made, rating).next;
      if (clock) {
        proposed++;
        // Read as the bus clock, and read as the core clock.
        for (const v of values('bus-mhz', clock.block, clock.state)) {
          expect(v * multiplier, `seed ${seed}`).to.be.at.most(core * 1.012);
          expect(v / multiplier, `seed ${seed}`).to.be.at.most((core / multiplier) * 1.012);
        }
      }
      const isRead = r.chance(0.6);
      const volts = voltagePlan(made, isRead ? ratedVolts : null).next;
      if (volts) {
        proposed++;
        expect(isRead, `seed ${seed}`).to.equal(true);
        for (const v of values('volts', volts.block, volts.state))
          expect(v, `seed ${seed}`).to.be.at.most(ratedVolts);
        for (const t of made.tries.filter((x) => x.happened === 'ran'))
          for (const v of values('volts', volts.block, volts.state))
            expect(v).to.be.at.most(Math.min(...values('volts', 'jp2', t.states.jp2), Infinity));
      }
      // What some source calls a clock or a voltage is not touched by the tries for other facts.
      const last = made.tries.at(-1);
      const tries = nextTries(made, remaining(guessesFor(made, templates), elementsOf(made), made.tries));
      for (const t of [tries.best, ...tries.others])
        if (t && last)
          for (const block of ['jp1', 'jp2'])
            if (made.fragments.some((f) => f.rows.some((x) => x.block === block)))
              expect(stateKey(t.states[block]), `seed ${seed} ${block}`).to.equal(
                stateKey(last.states[block])
              );
    }
    expect(proposed).to.be.greaterThan(300);
  });
});
