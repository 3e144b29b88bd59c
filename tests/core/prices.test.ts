import { expect } from 'chai';
import { Budget } from '../../src/lib/core/kernel';
import { machine } from '../../src/lib/core/resources';
import { compile } from '../../src/lib/core/solver';
import { binsOf } from '../../src/lib/core/solver/bins';
import { emptyBits } from '../../src/lib/core/solver/bits';
import { solveComponent } from '../../src/lib/core/solver/component';
import { Prices } from '../../src/lib/core/solver/prices';
import { reduce, type Domain } from '../../src/lib/core/solver/reduce';
import { BranchAndBound, type State } from '../../src/lib/core/solver/search';
import { benchMachine, type BenchKind } from '../support/bench-machines';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const KINDS: readonly BenchKind[] = ['plain', 'roomy', 'coupled', 'adversarial'];

/** Components of machines at random, each with a search that knows no prices. */
function* components(machines: number) {
  for (let seed = 1; seed <= machines; seed++) {
    const [build, parts] = benchMachine(seed * 7, 5 + (seed % 5), KINDS[seed % KINDS.length]!);
    const compiled = compile(machine(build, parts), { allowOff: seed % 3 === 0 });
    const reduced = reduce(compiled);
    if (!('components' in reduced)) continue;
    for (const component of reduced.components) {
      const domains = component.map((d): Domain => ({
        ...d,
        nodes: [...d.nodes].sort((a, b) => a.cost - b.cost || a.source - b.source)
      }));
      const { classes, tolerates, packing } = compiled;
      const search = new BranchAndBound(
        domains,
        classes.length,
        packing.of('shares'),
        tolerates,
        new Budget(1e7)
      );
      const start: State = {
        ruled: emptyBits(classes.length),
        tolerated: new Int16Array(classes.length)
      };
      yield { seed, compiled, component, domains, search, start };
    }
  }
}

describe('prices of lines', () => {
  it('never promise more than the cheapest answer costs, wherever the search stands', () => {
    let [asked, better, exact] = [0, 0, 0];
    for (const { seed, compiled, domains, search, start } of components(torture(600, 40))) {
      const r = new Seeded(seed);
      const prices = new Prices(domains, domains, binsOf(compiled), (n, s) => search.step(n, s));
      const whole = search.best(0, start, Infinity);
      // Whatever is aimed at, prices are only better or worse, not wrong.
      prices.improve(start, r.pick([0, whole === Infinity ? 1000 : whole, 1e9]));
      let state = start;
      for (let depth = 0; depth < domains.length; depth++) {
        const least = search.best(depth, state, Infinity);
        const bound = prices.bound(prices.rows, depth, state);
        const plain = search.plainBound(depth, state);
        asked++;
        if (bound > plain) better++;
        if (bound === least) exact++;
        if (bound > least) expect.fail(`seed ${seed}, ${depth} of ${domains.length}: ${bound} > ${least}`);
        const options = search.options(depth, state);
        if (!options.length) break;
        state = search.after(r.pick(options).node, state);
      }
    }
    expect(asked).to.be.greaterThan(300);
    expect(exact, 'mostly they tell it').to.be.greaterThan(asked / 2);
    expect(better, 'often more than the cheapest of each').to.be.greaterThan(asked / 20);
  });

  it('change no answer: what is found with them costs what a search without them finds', () => {
    for (const { seed, compiled, component, search, start } of components(torture(600, 50))) {
      const found = solveComponent(compiled, component, new Budget(1e7));
      const least = search.best(0, start, Infinity);
      expect([found.optimal, found.cost], `seed ${seed}`).to.deep.equal([true, least]);
      if (!found.nodes) continue;
      let state = start;
      let cost = 0;
      found.nodes.forEach(({ source }, d) => {
        const option = search.options(d, state).find((o) => o.node.source === source);
        expect(option, `seed ${seed}: ${d} goes with those before it`).to.not.equal(undefined);
        cost += option!.cost;
        state = search.after(option!.node, state);
      });
      expect(cost, `seed ${seed}`).to.equal(least);
    }
  });
});
