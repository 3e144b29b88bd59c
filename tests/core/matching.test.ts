import { expect } from 'chai';
import fc from 'fast-check';
import { Profile } from '../../src/lib/core/model';
import { machine } from '../../src/lib/core/resources';
import { check as checkRules } from '../../src/lib/core/rules';
import { compile, resolve } from '../../src/lib/core/solver';
import { binsOf } from '../../src/lib/core/solver/bins';
import { findAnswer } from '../../src/lib/core/solver/dive';
import { compatible, reduce, type Domain, type Node } from '../../src/lib/core/solver/reduce';
import { Budget } from '../../src/lib/core/kernel';
import { benchMachine } from '../support/bench-machines';
import { board, card as plainCard, jumpered, machineOf } from '../support/make';
import { torture } from '../support/torture';

describe('bins of lines', () => {
  it('hold what no two variables can have at once, and nearly every line lies in one', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const [build, parts] = benchMachine(
        seed,
        10,
        (['plain', 'adversarial', 'roomy', 'coupled'] as const)[seed % 4]!
      );
      const compiled = compile(machine(build, parts), { allowOff: false });
      const owner = compiled.classes.map((_, c) => {
        const takers = compiled.variables.flatMap((v, i) =>
          v.values.some((value) => value.classes.includes(c)) ? [i] : []
        );
        return takers.length === 1 ? takers[0]! : -1;
      });
      const { of, count } = binsOf(compiled);
      const inSome = compiled.classes.map((_, c) => of.some((bins) => bins[c]!.length > 0));
      const own = compiled.classes.flatMap((c, i) => (c.line && owner[i]! >= 0 ? [inSome[i]] : []));
      expect(own.filter(Boolean).length / own.length, `seed ${seed}`).to.be.greaterThan(0.8);
      of.forEach((bins, r) => {
        for (let b = 0; b < count[r]!; b++) {
          const members = bins.flatMap((list, c) => (list.includes(b) ? [c] : []));
          for (const x of members)
            for (const y of members)
              if (owner[x] !== owner[y])
                expect(compiled.forbids[x], `seed ${seed}: ${x} and ${y}`).to.include(y);
        }
      });
    }
  });
});

/** Whether any choice of one node each goes together, by trying them all. */
function goesTogether(domains: readonly Domain[], taken: readonly Node[] = []): boolean {
  const next = domains[taken.length];
  if (!next) return true;
  return next.nodes.some((n) => taken.every((t) => compatible(t, n)) && goesTogether(domains, [...taken, n]));
}

describe('the search for any answer', () => {
  it('finds one where there is one, and what it finds goes together', () => {
    let [found, none] = [0, 0];
    for (let seed = 1; seed <= torture(160, 40); seed++) {
      const [build, parts] = benchMachine(seed, 5 + (seed % 4), seed % 3 ? 'adversarial' : 'coupled');
      const compiled = compile(machine(build, parts), { allowOff: false });
      const reduced = reduce(compiled, { feasibility: true });
      for (const component of 'components' in reduced ? reduced.components : []) {
        const nodes = findAnswer(component, binsOf(compiled), new Budget(1e6));
        expect(nodes !== null, `seed ${seed}`).to.equal(goesTogether(component));
        if (!nodes) {
          none++;
          continue;
        }
        found++;
        nodes.forEach((a, i) => {
          expect(component[i]!.nodes).to.include(a);
          for (const b of nodes.slice(i + 1)) expect(compatible(a, b), `seed ${seed}`).to.equal(true);
        });
      }
    }
    expect(found).to.be.greaterThan(100);
    expect(none).to.be.greaterThan(5);
  });
  it('counts eleven cards against ten interrupts at once', () => {
    const irq = [3, 4, 5, 7, 9, 10, 11, 12, 14, 15];
    const { build, parts } = machineOf(
      board('at', Array<string>(11).fill('isa16')),
      Array.from({ length: 11 }, (_, i) => jumpered(`c${i}`, { irq }))
    );
    const got = resolve(build, parts, { relaxations: 1 });
    expect(got.status).to.equal('impossible');
    expect(got.nodes).to.be.below(10);
  });
  it('names the same core in whatever order the cards were entered', () => {
    for (let seed = 1, seen = 0; seen < 12; seed++) {
      const [build, parts] = benchMachine(seed, 9, 'adversarial');
      const got = resolve(build, parts, { relaxations: 0, alternatives: 0 });
      if (got.status !== 'impossible') continue;
      seen++;
      const turned = resolve({ ...build, items: [...build.items].reverse() }, parts, {
        relaxations: 0,
        alternatives: 0
      });
      const names = (r: typeof got) => r.core.map((c) => `${c.item}/${c.function}`).sort();
      expect(turned.status === 'impossible' && names(turned), `seed ${seed}`).to.deep.equal(names(got));
    }
  });
});

describe('what programs ask of lines', () => {
  it('solver and check say the same of it, also of functions without lines and needs without numbers', () => {
    const numbers = fc.option(fc.subarray([2, 3, 5, 7, 9], { minLength: 1 }), { nil: undefined });
    const card = fc.record({
      claims: fc.subarray(['irq', 'dma'] as const),
      at: fc.constantFrom(2, 3, 5, 7, 9),
      off: fc.boolean()
    });
    const asked = fc.record({ irq: numbers, hard: fc.boolean() });
    fc.assert(
      fc.property(
        fc.constantFrom('xt' as const, 'at' as const),
        card,
        asked,
        (of, { claims, at, off }, need) => {
          const part = plainCard(
            'c',
            claims.map((resource) => ({ resource, value: resource === 'dma' ? 1 : at })),
            { fn: { kind: 'audio', ...(off ? { off: [{}] } : {}) } }
          );
          const { build, parts } = machineOf(board(of, [of === 'xt' ? 'isa8' : 'isa16']), [part]);
          const wanted = {
            ...build,
            brief: {
              ...build.brief,
              mayBeOff: [{ item: build.items[0]!.id, function: 'f' }],
              profiles: [
                Profile.parse({
                  id: 'p',
                  name: 'P',
                  needs: [
                    { kind: 'audio', weight: need.hard ? 'hard' : 3, ...(need.irq ? { irq: need.irq } : {}) }
                  ]
                })
              ]
            }
          };
          const found = checkRules(wanted, parts).some((f) => f.rule === 'audio.profile');
          const got = resolve(wanted, parts, { alternatives: 0 });
          if (got.status !== 'solved') return;
          expect(got.objective.hardNeeds + got.objective.wishes > 0).to.equal(found);
        }
      ),
      { numRuns: torture(300, 70) }
    );
  });
  it('a card that is locked into what it does not allow is blamed alone, and can be unlocked', () => {
    const guilty = {
      ...jumpered('a', { irq: [5, 7], dma: [1, 3] }),
      constraints: [{ forbid: { irq: ['5'], dma: ['1'] }, why: 'not made' }]
    };
    const { build, parts } = machineOf(
      board('at', ['isa16', 'isa16', 'isa16']),
      [guilty, jumpered('b', { irq: [3, 5] }), jumpered('c', { irq: [3, 4] })],
      { items: [{ asFound: { irq: '5', dma: '1' }, locked: ['irq', 'dma'] }, { locked: ['irq'] }] }
    );
    const got = resolve(build, parts);
    if (got.status !== 'impossible') throw new Error(got.status);
    expect(got.core.map((c) => c.item)).to.deep.equal(['a']);
    expect(got.relaxations[0]!.fixes[0]).to.deep.include({ action: 'unlock', item: 'a' });
  });
});
