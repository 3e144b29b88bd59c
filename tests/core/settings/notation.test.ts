import { expect } from 'chai';
import { refused } from '../../support/refused';
import fc from 'fast-check';
import type { Block, State } from '../../../src/lib/core/model';
import { NotationError, readRow, writeRow } from '../../../src/lib/core/settings';

const dip = (switches: number, extra: object = {}): Block => ({
  id: 'sw1',
  label: 'SW1',
  kind: 'dip',
  switches,
  printed: 'ON',
  flipped: false,
  ...extra
});
const header = (rows: number, columns: number): Block => ({
  id: 'jp4',
  label: 'JP4',
  kind: 'header',
  rows,
  columns,
  pin1: 'top-left'
});
const levers = (text: string, block = dip(8)) => (readRow(text, block) as { switches: object }).switches;

describe('a typed row', () => {
  it('is read in every way of writing', () => {
    const all = { 1: 'on', 2: 'off', 3: 'on', 4: 'off' };
    for (const text of [
      'on off on off',
      'ON, OFF, ON, OFF',
      '1 0 1 0',
      '1010',
      'closed open closed open',
      '1:on 2:off 3:on 4:off',
      '4=off 1=on 3=on 2=off',
      '1 on, 2 off, 3 on, 4 off',
      'SW1 on off on off',
      'sw1: 1010',
      'up down up down'
    ])
      expect(levers(text, dip(4)), text).to.deep.equal(all);
    expect(levers('down up down up', dip(4, { flipped: true }))).to.deep.equal(all);
  });
  it('leaves out what was not looked at', () => {
    expect(levers('1:on 5:off')).to.deep.equal({ 1: 'on', 5: 'off' });
    expect(levers('on ? off')).to.deep.equal({ 1: 'on', 3: 'off' });
    expect(levers('1-3:on 8:off')).to.deep.equal({ 1: 'on', 2: 'on', 3: 'on', 8: 'off' });
    expect(levers('10??10?1')).to.deep.equal({ 1: 'on', 2: 'off', 5: 'on', 6: 'off', 8: 'on' });
  });
  it('reads caps, steps and bridges', () => {
    expect(readRow('JP4 2-3', header(1, 3))).to.deep.equal({ caps: [[2, 3]] });
    expect(readRow('1–2 5-6', header(2, 4))).to.deep.equal({ caps: [[1, 2], [5, 6]] }); // oxfmt-ignore
    expect(readRow('none', header(2, 2))).to.deep.equal({ caps: [] });
    expect(readRow('A', { id: 'r', kind: 'rotary', steps: 16 })).to.deep.equal({ step: 10 });
    expect(readRow('10', { id: 'r', kind: 'rotary', steps: 16 })).to.deep.equal({ step: 10 });
    expect(readRow('1 3', { id: 's', kind: 'solder', bridges: 3 })).to.deep.equal({ bridges: [1, 3] });
  });
  it('says what is wrong', () => {
    for (const [text, block, message] of [
      ['', dip(8), /nothing/],
      ['on maybe', dip(8), /"maybe"/],
      ['9:on', dip(8), /no switch 9/],
      ['0101', dip(8), /4 switches typed; the block has 8/],
      ['on off on', dip(2), /3 switches typed/],
      ['5-3:on', dip(8), /backwards/],
      ['1:on off', dip(8), /no switch number/],
      ['2', header(1, 3), /pair of pins/],
      ['3-4', header(1, 3), /no pin 4/],
      ['2-2', header(1, 3), /one pin/],
      ['Z', { id: 'r', kind: 'rotary', steps: 10 } as Block, /not a place/],
      ['7', { id: 's', kind: 'solder', bridges: 3 } as Block, /not a bridge/]
    ] as [string, Block, RegExp][])
      expect(
        refused(() => readRow(text, block)),
        text
      ).to.match(message);
  });
  it('reads back what it writes, for every block and state', () => {
    const pair = fc.integer({ min: 1, max: 7 }).map((a): [number, number] => [a, a + 1]);
    const cases: fc.Arbitrary<[Block, State]> = fc.oneof(
      fc
        .integer({ min: 1, max: 16 })
        .chain((n) =>
          fc
            .array(fc.constantFrom('on', 'off', null), { minLength: n, maxLength: n })
            .map((list): [Block, State] => [
              dip(n),
              { switches: Object.fromEntries(list.flatMap((s, i) => (s ? [[i + 1, s]] : []))) as never }
            ])
        ),
      fc
        .uniqueArray(pair, { maxLength: 5, selector: String })
        .map((caps): [Block, State] => [header(2, 4), { caps }]),
      fc
        .integer({ min: 0, max: 31 })
        .map((step): [Block, State] => [{ id: 'r', kind: 'rotary', steps: 32 }, { step }])
    );
    fc.assert(
      fc.property(cases, ([block, state]) => {
        expect(readRow(writeRow(block, state), block)).to.deep.equal(state);
      }),
      { numRuns: 500 }
    );
  });
  it('no text crashes it: a state or a clear error', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), fc.constantFrom(dip(8), header(2, 3)), (text, block) => {
        try {
          readRow(text, block);
        } catch (error) {
          expect(error).to.be.instanceOf(NotationError);
        }
      }),
      { numRuns: 1000 }
    );
  });
});
