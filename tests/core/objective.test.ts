import { expect } from 'chai';
import { TooLarge } from '../../src/lib/core/solver';
import fc from 'fast-check';
import type { Block } from '../../src/lib/core/model';
import { LEVELS, capMoves, compare, leverMoves, moveCost, type Objective } from '../../src/lib/core/solver';
import { Packing, add } from '../../src/lib/core/solver/objective';

const most: Objective = { off: 9, shares: 20, hardNeeds: 5, wishes: 300, moves: 150, distance: 90 };
const objective = fc.record(
  Object.fromEntries(LEVELS.map((level) => [level, fc.integer({ min: 0, max: most[level] })])) as Record<
    keyof Objective,
    fc.Arbitrary<number>
  >
);

describe('the packed objective', () => {
  const packing = new Packing(most);
  it('comes back as it went and keeps the order', () => {
    fc.assert(
      fc.property(objective, objective, (a, b) => {
        expect(packing.unpack(packing.pack(a))).to.deep.equal(a);
        expect(Math.sign(packing.pack(a) - packing.pack(b))).to.equal(Math.sign(compare(a, b)));
      })
    );
  });
  it('adds as the levels add', () => {
    const half = fc.record(
      Object.fromEntries(
        LEVELS.map((l) => [l, fc.integer({ min: 0, max: Math.floor(most[l] / 2) })])
      ) as Record<keyof Objective, fc.Arbitrary<number>>
    );
    fc.assert(
      fc.property(half, half, (a, b) => packing.pack(a) + packing.pack(b) === packing.pack(add(a, b)))
    );
  });
  it('refuses a machine that does not fit', () => {
    expect(() => new Packing({ ...most, wishes: 1e9, moves: 1e9 })).to.throw(TooLarge);
  });
});

describe('the cost of a move', () => {
  const header: Block = { id: 'j', kind: 'header', rows: 2, columns: 6, pin1: 'top-left' };
  const dip: Block = { id: 's', kind: 'dip', switches: 8, printed: 'ON', flipped: false };
  it('is 3 a cap: moved, added or taken off', () => {
    expect(moveCost(header, { caps: [[1, 2]] }, { caps: [[3, 4]] })).to.equal(3);
    expect(moveCost(header, { caps: [] }, { caps: [[3, 4]] })).to.equal(3);
    expect(
      moveCost(
        header,
        {
          caps: [
            [1, 2],
            [5, 6]
          ]
        },
        { caps: [[5, 6]] }
      )
    ).to.equal(3);
    expect(
      moveCost(
        header,
        {
          caps: [
            [1, 2],
            [5, 6]
          ]
        },
        {
          caps: [
            [3, 4],
            [7, 8]
          ]
        }
      )
    ).to.equal(6);
  });
  it('does not count a cap that stays, however its pins are written', () => {
    expect(
      capMoves(
        {
          caps: [
            [1, 2],
            [6, 5]
          ]
        },
        {
          caps: [
            [2, 1],
            [5, 6],
            [7, 8]
          ]
        }
      )
    ).to.deep.equal({ lift: [], press: [[7, 8]] });
  });
  it('is 2 a lever, 2 a rotary switch, 1 a program, nothing at start', () => {
    expect(moveCost(dip, { switches: { 1: 'on', 2: 'on' } }, { switches: { 1: 'off', 2: 'off' } })).to.equal(
      4
    );
    expect(moveCost({ id: 'r', kind: 'rotary', steps: 16 }, { step: 1 }, { step: 9 })).to.equal(2);
    expect(moveCost({ id: 'p', kind: 'software', program: 'SET' }, { value: 'a' }, { value: 'b' })).to.equal(
      1
    );
    expect(moveCost({ id: 'n', kind: 'pnp' }, undefined, undefined)).to.equal(0);
    expect(moveCost({ id: 'b', kind: 'solder', bridges: 2 }, { bridges: [1] }, { bridges: [2] })).to.equal(
      12
    );
  });
  it('names levers in order', () => {
    expect(
      leverMoves({ switches: { 3: 'on', 1: 'on' } }, { switches: { 3: 'off', 1: 'off' } }).map((m) => m.lever)
    ).to.deep.equal([1, 3]);
  });
});
