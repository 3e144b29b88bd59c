import { expect } from 'chai';
import { compile } from '../../src/lib/core/solver/compile';
import { Conflicts } from '../../src/lib/core/solver/conflicts';
import { coreFunctions, findCore } from '../../src/lib/core/solver/core';
import { applyFix } from '../../src/lib/core/solver/fix';
import { judge } from '../../src/lib/core/solver/solve';
import { resolve } from '../../src/lib/core/solver';
import { machine } from '../../src/lib/core/resources';
import type { Build } from '../../src/lib/core/model';
import { benchMachine, type BenchKind } from '../support/bench-machines';
import { Brute } from '../support/brute';
import { randomMachine } from '../support/machines';
import { board, jumpered, machineOf } from '../support/make';
import { torture } from '../support/torture';

const limits = { maxNodes: 100_000 };
const compiledOf = (build: Build, parts: Parameters<typeof machine>[1]) =>
  compile(machine(build, parts), { allowOff: false });

describe('conflicts of one machine and its changed copies', () => {
  it('what is known to fail does, by trying every position', () => {
    let known = 0;
    for (let seed = 1; seed <= torture(80, 20); seed++) {
      const { build, parts } = randomMachine(seed, {
        cards: 3 + (seed % 3),
        combinations: 300,
        tight: (seed % 10) / 10
      });
      const got = resolve(build, parts, { alternatives: 0, relaxations: 0 });
      if (got.status !== 'impossible') continue;
      const conflicts = new Conflicts(parts, { allowOff: false, limits });
      conflicts.keep(
        build,
        got.core.filter((c) => c.item !== 'system').map((c) => ({ item: c.item, id: c.function }))
      );
      for (const item of build.items) {
        const changed = [
          applyFix(build, { action: 'take-out', item: item.id }, parts),
          ...item.locked.map((setting) =>
            applyFix(build, { action: 'unlock', item: item.id, setting }, parts)
          ),
          ...parts
            .get(item.part)!
            .functions.map((fn) =>
              applyFix(build, { action: 'switch-off', item: item.id, function: fn.id }, parts)
            )
        ];
        for (const b of changed) {
          if (!conflicts.known(b)) continue;
          known++;
          expect(new Brute(b, parts).best({ allowOff: false }), `machine ${seed}`).to.equal(null);
        }
      }
    }
    expect(known).to.be.greaterThan(torture(20, 4));
  });

  it('conflicts that are apart have no item in common, and each stands alone', () => {
    for (let pairs = 1; pairs <= 5; pairs++) {
      const lines = [5, 7, 10, 11, 12].slice(0, pairs);
      const { build, parts } = machineOf(
        board('at', Array<string>(pairs * 2 + 1).fill('isa16')),
        [...lines, ...lines, 15].map((irq, i) => jumpered(`c${i}`, { irq: [irq] }))
      );
      const compiled = compiledOf(build, parts);
      const taken = new Set<string>();
      for (let n = 0; n < pairs; n++) {
        const core = coreFunctions(compiled, limits, taken).map((i) => compiled.functions[i]!.item);
        expect(core, `${pairs} pairs`).to.have.length(2);
        for (const item of core) {
          expect(taken.has(item)).to.equal(false);
          taken.add(item);
        }
      }
      expect(coreFunctions(compiled, limits, taken)).to.deep.equal([]);
      const conflicts = new Conflicts(parts, { allowOff: false, limits });
      const first = coreFunctions(compiled, limits).map((i) => compiled.functions[i]!);
      expect(conflicts.apart(build, first, 20)).to.equal(pairs);
      expect(conflicts.apart(build, first, 2)).to.equal(Math.min(2, pairs));
    }
  });

  it('the claims of a core cannot live together, and without any one of them they can', () => {
    let cores = 0;
    for (const kind of ['plain', 'adversarial', 'coupled', 'roomy'] as const satisfies BenchKind[])
      for (let seed = 1; seed <= torture(12, 6); seed++) {
        const [build, parts] = benchMachine(seed, 13, kind);
        const compiled = compiledOf(build, parts);
        if (judge(compiled, limits).possible !== false) continue;
        cores++;
        const core = findCore(compiled, limits);
        expect(core.minimal).to.equal(true);
        const active = compiled.functions.map((f, i) => f.item === 'system' || core.functions.includes(i));
        const names = new Set(
          compiled.classes.flatMap(({ fn, line }) => (line && active[fn] ? [`${fn} ${line.index}`] : []))
        );
        const own = core.claims.map(({ fn, claim }) => `${fn} ${claim}`);
        const possible = (kept: readonly string[]) =>
          judge(compiled, limits, { active, muted: new Set([...names].filter((n) => !kept.includes(n))) })
            .possible;
        expect(possible(own), `${kind} ${seed}`).to.equal(false);
        for (const one of own)
          expect(possible(own.filter((n) => n !== one)), `${kind} ${seed}`).to.equal(true);
      }
    expect(cores).to.be.greaterThan(torture(8, 4));
  });
});
