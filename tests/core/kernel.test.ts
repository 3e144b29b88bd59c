import { expect } from 'chai';
import { Budget, attempt, stop } from '../../src/lib/core/kernel';
import { choose, reachOf, rolesOf, together, type Role, type Weight } from '../../src/lib/core/planner/roles';
import type { Option } from '../../src/lib/core/planner/options';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const isEnded = (search: () => void) =>
  attempt(
    () => (search(), false),
    () => true
  );

describe('the budget of a search', () => {
  it('ends it at the first node beyond, and counts those that were looked at before', () => {
    const budget = new Budget(10, undefined, 4);
    for (let i = 0; i < 6; i++) budget.spend();
    expect(isEnded(() => budget.spend())).to.equal(true);
    expect(budget.nodes).to.equal(11);
  });
  it('asks now and then whether somebody wants to stop, and at once where told so', () => {
    let asked = 0;
    const never = new Budget(10_000, () => ++asked < 0);
    for (let i = 0; i < 5000; i++) never.spend();
    expect(asked).to.be.within(5, 50);
    expect(isEnded(() => new Budget(10, () => true).ask())).to.equal(true);
    expect(isEnded(() => new Budget(10, () => false).ask())).to.equal(false);
  });
  it('is told from an error, which goes on', () => {
    expect(isEnded(() => stop())).to.equal(true);
    expect(() => isEnded(() => ([] as string[])[0]!.length)).to.throw(TypeError);
  });
});

describe('choosing for one role after the other', () => {
  const names = ['memory', 'display', 'audio', 'storage'] as const;
  const scoreOf = ({ weight, mask, soft }: Weight) => {
    const bits = (m: bigint) => [...m.toString(2)].filter((b) => b === '1').length;
    return weight + 10 * (4 - bits(mask & 15n)) + bits(soft & mask);
  };

  it('finds the best of all combinations, and looks at none that cannot be better', () => {
    for (let seed = 1; seed <= torture(2000, 200); seed++) {
      const r = new Seeded(seed);
      const option = (): Option => ({
        parts: [],
        weight: r.int(30),
        mask: BigInt(r.int(16)) | BigInt(r.int(16)),
        soft: BigInt(r.int(16) & r.int(16))
      });
      const lists = names.map(() =>
        Array.from({ length: 1 + r.int(4) }, option).sort((a, b) => a.weight - b.weight)
      );
      // The first is in no order: each of it is looked at.
      lists[0]!.reverse();
      const start: Weight = { weight: 0, mask: 15n, soft: 0n };
      const last = { least: 3, any: 15n };
      let best = Infinity;
      const worth = (w: Weight) => scoreOf(w) < best;
      const roles = rolesOf(
        last,
        names.map((role, i): Omit<Role, 'rest'> => ({
          role,
          options: () => lists[i]!,
          reach: i ? reachOf(lists[i]!) : null
        }))
      );
      let looked = 0;
      choose(roles, { base: {} as never }, start, worth, (chosen, w) => {
        looked++;
        expect(names.every((name) => chosen[name] !== undefined)).to.equal(true);
        const score = scoreOf({ ...w, weight: w.weight + last.least });
        expect(score, `seed ${seed}: what cannot be better is not looked at`).to.be.lessThan(best);
        best = score;
      });
      const all = lists.reduce<Weight[]>(
        (sums, list) => sums.flatMap((w) => list.map((o) => together(w, o))),
        [start]
      );
      expect(best, `seed ${seed}`).to.equal(
        Math.min(...all.map((w) => scoreOf({ ...w, weight: w.weight + last.least })))
      );
      expect(looked).to.be.at.most(all.length);
    }
  });
  it('passes over what a role does not admit beside what was chosen', () => {
    const some = (weight: number): Option => ({ parts: [], weight, mask: 15n, soft: 0n });
    const [a, b] = [some(1), some(2)];
    const roles = rolesOf({ least: 0, any: 15n }, [
      { role: 'memory', options: () => [a, b], reach: null },
      { role: 'display', options: () => [a, b], reach: null, admits: (c) => c.memory !== c.display }
    ]);
    const seen: unknown[] = [];
    choose(
      roles,
      { base: {} as never },
      some(0),
      () => true,
      (c) => void seen.push([c.memory, c.display])
    );
    expect(seen).to.deep.equal([
      [a, b],
      [b, a]
    ]);
  });
});
