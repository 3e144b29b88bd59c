import { expect } from 'chai';
import fc from 'fast-check';
import { Budget, attempt, branch, quickXplain, stop, type Branch } from '../../src/lib/core/kernel';
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

describe('branches of a search', () => {
  /** A tree of choices with what each costs; a leaf is an empty list. */
  interface Tree extends Branch {
    cost: number;
    next: Tree[];
  }
  const least = ({ cost, next }: Tree): number =>
    cost + (next.length ? Math.min(...next.map((t) => least(t))) : 0);
  /** A tree whose bounds are below what comes, by chance far below; `isSorted`: the most hopeful first. */
  const grown = (r: Seeded, depth: number, isSorted: boolean): Tree => {
    const next = depth ? Array.from({ length: 1 + r.int(4) }, () => grown(r, depth - 1, isSorted)) : [];
    const tree = { cost: r.int(9), next, hope: 0, behind: -Infinity };
    tree.hope = least(tree) - r.int(6);
    if (isSorted) {
      next.sort((a, b) => a.hope - b.hope);
      for (const t of next) t.behind = t.hope;
    }
    return tree;
  };

  it('the best is found wherever bounds hold, whether or not the branches are in order', () => {
    for (let seed = 1; seed <= torture(3000, 400); seed++) {
      const r = new Seeded(seed);
      const tree = grown(r, 4, seed % 2 === 0);
      let best = Infinity;
      let visited = 0;
      const walk = (t: Tree, before: number): void => {
        visited++;
        const here = before + t.cost;
        if (!t.next.length) best = Math.min(best, here);
        else
          branch(
            t.next,
            () => best - here,
            (one) => (walk(one, here), false)
          );
      };
      walk(tree, 0);
      expect(best, `seed ${seed}`).to.equal(least(tree));
      const count = (t: Tree): number => 1 + t.next.reduce((n, one) => n + count(one), 0);
      expect(visited).to.be.at.most(count(tree));
    }
  });
  it('tells the least that was passed over: with what was found it is a bound of all', () => {
    for (let seed = 1; seed <= torture(3000, 400); seed++) {
      const r = new Seeded(seed);
      const { next } = grown(r, 1, seed % 2 === 0);
      const room = r.int(12);
      let found = Infinity;
      const into = (t: Tree) => ((found = Math.min(found, least(t))), false);
      const passed = branch(next, () => Math.min(room, found), into);
      const true_ = Math.min(...next.map(least));
      expect(Math.min(found, passed), `seed ${seed}`).to.be.at.most(true_);
      if (found < room) expect(found, `seed ${seed}: below the room it is exact`).to.equal(true_);
      if (passed === Infinity) expect(found).to.equal(true_);
    }
  });
  it('ends where it is told that nothing better can come, and makes no branch after it', () => {
    let made = 0;
    const all = function* () {
      for (const hope of [1, 2, 3]) yield (made++, { hope, behind: hope });
    };
    expect(
      branch(
        all(),
        () => 10,
        ({ hope }) => hope === 2
      )
    ).to.equal(Infinity);
    expect(made).to.equal(2);
    expect(
      branch(
        all(),
        () => 0,
        () => expect.fail('nothing is gone into')
      )
    ).to.equal(1);
  });
});

describe('quickXplain', () => {
  it('finds a minimal set for any family of impossible sets', () => {
    fc.assert(
      fc.property(
        fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 11 }), { minLength: 1, maxLength: 5 }), {
          minLength: 1,
          maxLength: 5
        }),
        (family) => {
          const impossible = (kept: Set<number>) => family.some((set) => set.every((x) => kept.has(x)));
          const core = quickXplain([...Array(12).keys()], impossible);
          expect(impossible(new Set(core))).to.equal(true);
          for (const x of core) expect(impossible(new Set(core.filter((y) => y !== x)))).to.equal(false);
        }
      )
    );
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
      const bounds = { of: scoreOf, room: () => best };
      const roles = rolesOf(
        last,
        names.map((role, i): Omit<Role, 'rest'> => ({
          role,
          options: () => lists[i]!,
          reach: i ? reachOf(lists[i]!) : null
        }))
      );
      let looked = 0;
      choose(roles, { base: {} as never }, start, bounds, (chosen, w) => {
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
      { of: () => 0, room: () => Infinity },
      (c) => void seen.push([c.memory, c.display])
    );
    expect(seen).to.deep.equal([
      [a, b],
      [b, a]
    ]);
  });
});
