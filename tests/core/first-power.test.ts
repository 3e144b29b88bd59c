import { expect } from 'chai';
import { FIRST_POWER, POWER_QUESTIONS, checksUpTo, firstPower } from '../../src/lib/core/diagnosis';

const loft = {
  made: '1985-89',
  idle: 'over-15',
  stored: 'loft',
  tantalum: 'on-5',
  cell: 'barrel',
  supply: 'old',
  hands: 'untouched'
};

describe('the score before first power', () => {
  it('gives the machines of the worked example their scores and levels', () => {
    const office = {
      made: 'from-1995',
      idle: '1-5',
      stored: 'dry',
      tantalum: 'none',
      cell: 'none',
      supply: 'modern',
      hands: 'untouched'
    };
    expect([firstPower(office).score, firstPower(office).level]).to.deep.equal([2, 0]);
    expect([firstPower(loft).score, firstPower(loft).level]).to.deep.equal([12, 2]);
    expect(firstPower({ ...loft, stake: 'unique' }).level).to.equal(3);
    const year = firstPower({ made: '1981-84' });
    expect([year.score, year.level, year.open.length, year.least, year.most]).to.deep.equal([
      14, 2, 6, 3, 22
    ]);
  });

  it('counts what is not answered as its second-worst, and says what an answer could change', () => {
    expect(firstPower({}).score).to.be.greaterThan(firstPower(loft).score - 1);
    expect(firstPower({ made: 'last week' }).open).to.deep.equal(POWER_QUESTIONS);
    const { couldChange } = firstPower({ ...loft, stored: undefined } as never);
    expect(couldChange).to.deep.equal([{ question: 'stored', levels: [2, 2] }]);
    const worst = Object.fromEntries(POWER_QUESTIONS.map((q) => [q, Object.keys(FIRST_POWER[q]).at(-1)]));
    expect(firstPower(worst).score).to.equal(22);
  });

  it('adds the checks of each level to those below', () => {
    for (const level of [1, 2, 3] as const)
      expect(checksUpTo(level).slice(0, checksUpTo((level - 1) as 0).length)).to.deep.equal(
        checksUpTo((level - 1) as 0)
      );
    expect(checksUpTo(0)).to.include('look');
    expect(checksUpTo(3)).to.include('qualified');
  });
});
