import { expect } from 'chai';
import {
  TRIAL_ESTIMATES,
  clockCeiling,
  explainTrials,
  factorGrid,
  minimalSets,
  nextTrials,
  readResult,
  readTrial,
  readTrialTable,
  type Trial
} from '../../src/lib/core/diagnosis';
import { TrialRow } from '../../src/lib/core/model';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const at = '2026-11-28T10:00:00.000Z';
const row = (text: string): TrialRow => {
  const read = readTrial(text);
  if ('wrong' in read) throw new Error(`${text}: ${read.why} ${read.wrong.join()}`);
  return TrialRow.parse({ at, ...read.row });
};
const near = (a: number, b: number) => expect(a).to.be.closeTo(b, 5e-4);
/** Random trials of up to four sorts with two or three things each. */
function randomTrials(seed: number): Trial[] {
  const r = new Seeded(seed);
  const sorts = 'HKTD'.slice(0, 2 + r.int(3)).split('');
  return Array.from({ length: 1 + r.int(7) }, () => ({
    parts: sorts.map((s) => `${s}${1 + r.int(2)}`),
    worked: r.chance(0.5)
  }));
}
const sortOf = (part: string) => part[0]!;

describe('a trial as it is typed', () => {
  it('is read with its things, conditions and result', () => {
    expect(row('H1 K1 T2 D1: fails')).to.deep.include({
      things: ['H1', 'K1', 'T2', 'D1'].map((name) => ({ sort: name[0], name })),
      factors: {},
      good: 0,
      bad: 1
    });
    expect(row('adapter old, cable grey [cold, 12,5 MHz, slot 3]: 3 of 11')).to.deep.include({
      things: [
        { sort: 'adapter', name: 'adapter old' },
        { sort: 'cable', name: 'cable grey' }
      ],
      good: 3,
      bad: 8
    });
    expect(row('K1 [wait=1, 8-bit, warm]: works x 4').factors).to.deep.equal({
      wait: '1',
      width: '8 bit',
      temperature: 'warm'
    });
    expect(row('cable grey: hangs').things).to.deep.equal([{ sort: 'cable', name: 'cable grey' }]);
  });
  it('says which piece was not understood, and takes nothing for a result that is none', () => {
    const why = (text: string) => {
      const read = readTrial(text);
      return 'wrong' in read ? [read.why, ...read.wrong] : 'read';
    };
    expect(why('H1 K1')).to.deep.equal(['words', 'H1 K1']);
    expect(why('H1 ??: fails')).to.deep.equal(['things', '??']);
    expect(why('H1 H2: fails')).to.deep.equal(['twice', 'H']);
    expect(why('H1: perhaps')).to.deep.equal(['result', 'perhaps']);
    expect(why('H1 [blue]: fails')).to.deep.equal(['words', 'blue']);
    expect(why(': fails')).to.deep.equal(['things', '']);
    expect(['12 of 11', '0 of 0', 'works x 0', '3 good 2 good', ''].map(readResult)).to.deep.equal(
      Array(5).fill(null)
    );
    expect([readResult('3/11'), readResult('2 bad, 5 good'), readResult('dead 3 times')]).to.deep.equal([
      { good: 3, bad: 8 },
      { good: 5, bad: 2 },
      { good: 0, bad: 3 }
    ]);
  });
});

describe('swap trials', () => {
  it('have the least sets that a search over all sets finds, on 1,000 random tables', () => {
    let two = 0;
    for (let seed = 1; seed <= torture(20_000, 500); seed++) {
      const trials = randomTrials(seed);
      const good = new Set(trials.flatMap((t) => (t.worked ? t.parts : [])));
      const left = trials.filter((t) => !t.worked).map((t) => t.parts.filter((p) => !good.has(p)));
      const suspects = [...new Set(left.flat())].sort();
      const hits: string[][] = [];
      for (let bits = 1; bits < 2 ** suspects.length; bits++) {
        const set = suspects.filter((_, i) => bits & (1 << i));
        if (set.length <= 3 && left.every((l) => l.some((p) => set.includes(p)))) hits.push(set);
      }
      const least = left.length
        ? hits.filter((s) => !hits.some((o) => o.length < s.length && o.every((p) => s.includes(p))))
        : [];
      const key = (sets: string[][]) => sets.map((s) => s.join()).sort();
      const found = minimalSets(left);
      expect(key(found), `table ${seed}`).to.deep.equal(key(least));
      if (found.some((s) => s.length === 2)) two++;
    }
    expect(two).to.be.greaterThan(20);
  });

  it('are weighed as one by one over all explanations of up to two, on 1,000 random tables', () => {
    const { hard, intermittent, pair, noise, failsOften } = TRIAL_ESTIMATES;
    for (let seed = 1; seed <= torture(5000, 500); seed++) {
      const trials = randomTrials(seed);
      const parts = [...new Set(trials.flatMap((t) => t.parts))].sort();
      const all = [
        ...parts.map((p) => ({ w: hard, fails: (t: Trial) => (t.parts.includes(p) ? 1 : 0) })),
        ...parts.map((p) => ({
          w: intermittent,
          fails: (t: Trial) => (t.parts.includes(p) ? failsOften : 0)
        })),
        ...parts.flatMap((p, i) =>
          parts
            .slice(i + 1)
            .flatMap((q) =>
              p[0] === q[0]
                ? []
                : [{ w: pair, fails: (t: Trial) => (t.parts.includes(p) && t.parts.includes(q) ? 1 : 0) }]
            )
        )
      ];
      let total = 0;
      let none = 0;
      for (let i = -1; i < all.length; i++)
        for (let j = i < 0 ? -1 : i; j < (i < 0 ? 0 : all.length); j++) {
          const own = i < 0 ? [] : i === j ? [all[i]!] : [all[i]!, all[j]!];
          let p = own.reduce((w, e) => (w * e.w) / (1 - e.w), 1);
          for (const t of trials) {
            const works = own.reduce((w, e) => w * (1 - e.fails(t)), 1 - noise);
            p *= t.worked ? works : 1 - works;
          }
          total += p;
          if (i < 0) none = p;
        }
      const found = explainTrials(trials, sortOf);
      expect(found.reduce((n, e) => n + e.p, 0)).to.be.closeTo(1, 1e-9);
      const nothing = found.find((e) => !e.elements.length)?.p ?? 0;
      expect(nothing, `table ${seed}`).to.be.closeTo(none / total, 1e-9);
    }
  });

  it('give the worked example of the recorder: a pair, no single part, and what to try next', () => {
    const rows = [
      'H1 K1 T1 D1: fails',
      'H2 K2 T2 D2: ok',
      'H1 K2 T2 D2: ok',
      'H1 K1 T2 D1: fails',
      'H1 K2 T2 D1: ok',
      'H1 K1 T2 D2: ok'
    ].map(row);
    const { reading, minimal, explained, next } = readTrialTable(rows);
    expect(minimal, 'no single part explains it').to.deep.equal([]);
    expect(reading.inEveryFailure).to.deep.equal([['D1', 'K1']]);
    near(explained[0]!.p, 0.328);
    expect(next[0]!.bits).to.be.greaterThan(0.3);
    expect(next.every((n) => n.things.length === 4)).to.equal(true);
  });

  it('that all agree are worth no more trials', () => {
    const rows = Array.from({ length: 12 }, () => row('K1 D1: works x 40'));
    expect(readTrialTable(rows).next).to.deep.equal([]);
    expect(nextTrials(rows, readTrialTable(rows).explained)).to.deep.equal([]);
  });

  it('many starts of one row count as many, and never break the sums', () => {
    const one = readTrialTable([row('K1 D1: fails x 3'), row('K2 D1: ok x 3')]).explained;
    const apart = explainTrials(
      [
        ...Array.from({ length: 3 }, () => ({ parts: ['K1', 'D1'], worked: false })),
        ...Array.from({ length: 3 }, () => ({ parts: ['K2', 'D1'], worked: true }))
      ],
      sortOf
    );
    expect(one.map((e) => e.p.toFixed(9))).to.deep.equal(apart.map((e) => e.p.toFixed(9)));
    const huge = readTrialTable([row('K1 D1: 400 good 500 bad')]).explained;
    expect(huge.reduce((n, e) => n + e.p, 0)).to.be.closeTo(1, 1e-9);
  });
});

describe('conditions of trials', () => {
  it('give the cinema desk: a cold fault, with how many good cold starts make it fixed', () => {
    const { sometimes, factors } = readTrialTable([row('D1 [cold]: 3 of 11'), row('D1 [warm]: 12 of 13')]);
    near(sometimes[0]!.interval!.low, 0.083);
    near(sometimes[0]!.interval!.high, 0.565);
    expect(sometimes[0]!.untilFixed).to.equal(6);
    expect(factors[0]!.factor).to.equal('temperature');
    near(factors[0]!.p!, 0.0022);
    expect(factors[0]!.verdict, 'both fail at times, and by far not alike').to.equal('implicated');
  });
  it('are implicated by two rows that differ in them alone, cleared when nothing follows, else confounded', () => {
    const verdict = (...rows: string[]) =>
      factorGrid(rows.map(row)).map((f) => [f.factor, f.verdict, f.with]);
    expect(verdict('C1 [slot 1]: ok', 'C1 [slot 2]: fails')).to.deep.equal([['slot', 'implicated', []]]);
    expect(verdict('C1 [slot 1]: ok', 'C1 [slot 2]: ok')).to.deep.equal([['slot', 'cleared', []]]);
    expect(verdict('C1 [cold]: 2 of 3', 'C1 [warm]: ok')).to.deep.equal([['temperature', 'open', []]]);
    expect(verdict('C1 [cold]: 5 of 10', 'C1 [warm]: 6 of 11')).to.deep.equal([
      ['temperature', 'cleared', []]
    ]);
    expect(verdict('C1 [slot 1]: ok', 'C2 [slot 2]: fails')).to.deep.equal([['slot', 'confounded', ['C']]]);
    expect(verdict('C1 [slot 1]: ok', 'C1: fails'), 'one value is no grid').to.deep.equal([]);
  });
  it('a clock is safe below the first failure, from five good starts on, and never promised more', () => {
    const ceiling = (...rows: string[]) => clockCeiling(rows.map(row))!;
    const c = ceiling('C1 [8 MHz]: ok x 9', 'C1 [12.5 MHz]: ok x 14', 'C1 [16 MHz]: 2 of 5');
    expect(c.safe).to.deep.include({ mhz: 12.5, starts: 14 });
    near(c.safe!.failsAtMost, 0.193);
    expect(c.fails).to.deep.equal({ mhz: 16, good: 2, starts: 5 });
    expect(ceiling('C1 [8 MHz]: ok x 4').safe, 'too few').to.equal(null);
    expect(ceiling('C1 [8 MHz]: fails', 'C1 [12 MHz]: ok x 9').safe, 'above a failure').to.equal(null);
    expect(clockCeiling([row('C1: ok')])).to.equal(null);
  });
});
