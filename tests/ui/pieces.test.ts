import { expect } from 'chai';
import type { Block } from '../../src/lib/core/model';
import { upSide } from '../../src/lib/core/settings';
import { pinAt, printedMark } from '../../src/lib/ui/parts/printed';
import { matches } from '../../src/lib/ui/search';
import { placesOf, shapeOf, stateOf } from '../../src/lib/ui/switches/photo';
import { dayText, timeText, today } from '../../src/lib/ui/time';
import {
  amps,
  and,
  capital,
  counted,
  kib,
  mhz,
  or,
  sentence,
  times,
  voltRange
} from '../../src/lib/words/en/language';
import { parts } from '../support/demo';

type Dip = Extract<Block, { kind: 'dip' }>;
type Header = Extract<Block, { kind: 'header' }>;
const dip = (more: Partial<Dip>): Dip =>
  ({ id: 'sw1', kind: 'dip', switches: 4, printed: 'ON', ...more }) as Dip;
const header = (more: Partial<Header>): Header =>
  ({ id: 'jp1', kind: 'header', rows: 2, columns: 3, pin1: 'top-left', ...more }) as Header;

describe('a switch block as it is printed', () => {
  it('the arrow of a side points to where that side is', () => {
    for (const printed of ['ON', 'CLOSED', '0/1', 'arrow'] as const) {
      const block = dip({ printed });
      const closedIsUp = upSide(block) === 'on';
      expect(printedMark(block).startsWith('↑'), printed).to.equal(closedIsUp);
    }
  });
  it('a block that is mounted upside down has its ON below', () => {
    const upright = dip({ printed: 'ON' });
    const flipped = dip({ printed: 'ON', flipped: true });
    expect([upSide(upright), upSide(flipped)]).to.deep.equal(['on', 'off']);
    expect([printedMark(upright), printedMark(flipped)]).to.deep.equal(['↑ ON', '↓ ON']);
    // OPEN is printed where a switch is off: on a flipped block that is up.
    expect([
      printedMark(dip({ printed: 'OPEN' })),
      printedMark(dip({ printed: 'OPEN', flipped: true }))
    ]).to.deep.equal(['↓ OPEN', '↑ OPEN']);
  });
  it('OPEN stands on the other side than ON: a switch towards it is off', () => {
    const block = dip({ printed: 'OPEN' });
    const arrow = upSide(block) === 'on' ? '↓' : '↑';
    expect(printedMark(block)).to.equal(`${arrow} OPEN`);
  });
  it('a photograph is recorded by the side that closes, and what is doubtful is not recorded', () => {
    for (const block of [dip({}), dip({ printed: 'OPEN' }), dip({ flipped: true })]) {
      const { printed } = block;
      const seen = {
        kind: 'dip' as const,
        switches: [
          { n: 1, side: 'up' as const, isDoubtful: false },
          { n: 2, side: 'down' as const, isDoubtful: false },
          { n: 3, side: 'up' as const, isDoubtful: true }
        ]
      };
      const places = placesOf(block, seen as never);
      const up = upSide(block);
      const down = up === 'on' ? 'off' : 'on';
      expect(stateOf(block, places), printed).to.deep.equal({ switches: { 1: up, 2: down } });
    }
    expect(stateOf(dip({}), [{ name: '1', isOn: true, isDoubtful: true }])).to.equal(null);
  });
});

describe('pins of a header', () => {
  it('are counted down each column from the corner that holds pin 1, and each has its place', () => {
    const places = (block: Header) =>
      Array.from({ length: block.rows * block.columns }, (_, i) => pinAt(block, i + 1).join());
    for (const pin1 of ['top-left', 'top-right', 'bottom-left', 'bottom-right'] as const) {
      const block = header({ pin1 });
      expect(new Set(places(block)).size, pin1).to.equal(6);
      const [column, row] = pinAt(block, 1);
      expect(column === 0, pin1).to.equal(pin1.endsWith('left'));
      expect(row === 0, pin1).to.equal(pin1.startsWith('top'));
      const [next, below] = pinAt(block, 2);
      expect([next, Math.abs(below - row)], `${pin1}: pin 2 is in the same column`).to.deep.equal([
        column,
        1
      ]);
    }
  });
  it('only rows that a picture can be read of have a shape', () => {
    expect(shapeOf(header({}))).to.deep.equal({ kind: 'header', rows: 2, columns: 3 });
    expect(shapeOf(header({ rows: 1, columns: 1 }))).to.equal(null);
    expect(shapeOf(header({ rows: 3 } as never))).to.equal(null);
    expect(shapeOf({ id: 'p', kind: 'software', program: 'SET' } as never)).to.equal(null);
  });
});

describe('small pieces of English', () => {
  it('lists have their last word with and, or with or', () => {
    expect([and(['A']), and(['A', 'B']), or(['A', 'B', 'C'])]).to.deep.equal(['A', 'A and B', 'A, B, or C']);
    expect(and([])).to.equal('');
  });
  it('a sentence has one full stop, whatever it was given', () => {
    for (const text of ['set it', 'set it.', ' set it. ']) expect(sentence(text)).to.equal('Set it.');
    expect(capital('')).to.equal('');
  });
  it('numbers have their units, and no more digits than a person reads', () => {
    expect([
      mhz(33.333),
      mhz(8),
      amps(0.25),
      times(1.5),
      voltRange(3.3, 3.3),
      voltRange(2.8, 3.3)
    ]).to.deep.equal(['33.3 MHz', '8 MHz', '0.3 A', '1.5', '3.3 V', '2.8–3.3 V']);
    expect([640, 1024, 1000, 16384].map(kib)).to.deep.equal(['640 KiB', '1 MiB', '1000 KiB', '16 MiB']);
    expect([0, 1, 2].map(counted('clash', 'clashes'))).to.deep.equal(['0 clashes', '1 clash', '2 clashes']);
  });
});

describe('times and days', () => {
  const now = new Date(2026, 10, 29, 20, 5);
  const at = (...date: [number, number, number, number, number]) => new Date(...date).toISOString();
  it('say as much as is needed: the clock of today, the day of this year, the year of another', () => {
    expect(timeText(at(2026, 10, 29, 9, 7), now)).to.equal('09:07');
    expect(timeText(at(2026, 2, 4, 20, 5), now)).to.equal('4 Mar 20:05');
    expect(timeText(at(2025, 2, 4, 20, 5), now)).to.equal('4 Mar 2025 20:05');
  });
  it('a day is kept so that it sorts, and told so that it reads', () => {
    expect(today(new Date(2026, 0, 3))).to.equal('2026-01-03');
    expect(dayText('1991-06-30')).to.equal('30 June 1991');
  });
});

describe('a part that is looked for by words', () => {
  it('is found by any of them in any case, and only when all are there', () => {
    const part = parts.get('velmar-one')!;
    for (const query of ['velmar', 'ONE velmar', 'isa8', ''])
      expect(matches(part, query), query).to.equal(true);
    for (const query of ['velmar three', 'pci']) expect(matches(part, query), query).to.equal(false);
  });
});
