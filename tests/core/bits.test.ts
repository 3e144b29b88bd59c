import { expect } from 'chai';
import { compile } from '../../src/lib/core/solver/compile';
import { COUNTED, binsOf } from '../../src/lib/core/solver/bins';
import {
  bitsOf,
  covers,
  disjoint,
  dropAll,
  dropBit,
  emptyBits,
  hasBit,
  isEmpty,
  keepEither,
  listOf,
  orInto,
  setBit,
  union
} from '../../src/lib/core/solver/bits';
import { machine } from '../../src/lib/core/resources';
import type { Compiled } from '../../src/lib/core/solver/problem';
import { benchMachine, type BenchKind } from '../support/bench-machines';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

/** A set of numbers below `size`, as our bits and as the language has it. */
function drawn(r: Seeded, size: number): { bits: ReturnType<typeof emptyBits>; set: Set<number> } {
  const list = Array.from({ length: r.int(size + 1) }, () => r.int(size));
  return { bits: bitsOf(list, size), set: new Set(list) };
}
const ascending = (set: Iterable<number>): number[] => [...set].sort((a, b) => a - b);

describe('sets as bits', () => {
  it('hold what the sets of the language hold, whatever is done with them', () => {
    for (let seed = 1; seed <= torture(5000, 300); seed++) {
      const r = new Seeded(seed);
      const size = 1 + r.int(140);
      const [a, b, c] = [drawn(r, size), drawn(r, size), drawn(r, size)];
      const where = `seed ${seed}`;
      expect(listOf(a.bits), where).to.deep.equal(ascending(a.set));
      expect(isEmpty(a.bits), where).to.equal(a.set.size === 0);
      for (let i = 0; i < size; i++) if (hasBit(a.bits, i) !== a.set.has(i)) expect.fail(`${where}: ${i}`);
      expect(disjoint(a.bits, b.bits), where).to.equal(![...a.set].some((x) => b.set.has(x)));
      expect(covers(a.bits, b.bits), where).to.equal([...b.set].every((x) => a.set.has(x)));
      expect(listOf(union(a.bits, b.bits)), where).to.deep.equal(ascending(new Set([...a.set, ...b.set])));
      const kept = a.bits.slice();
      keepEither(kept, b.bits, c.bits);
      expect(listOf(kept), where).to.deep.equal(
        ascending([...a.set].filter((x) => b.set.has(x) || c.set.has(x)))
      );
      const more = a.bits.slice();
      orInto(more, b.bits);
      expect(listOf(more), where).to.deep.equal(listOf(union(a.bits, b.bits)));
      dropAll(more, b.bits);
      expect(listOf(more), where).to.deep.equal(ascending([...a.set].filter((x) => !b.set.has(x))));
    }
  });
  it('one is put in and taken out at the ends of the words, and at no other place', () => {
    for (const size of [1, 31, 32, 33, 64, 65])
      for (const i of [0, 30, 31, 32, 63, 64].filter((n) => n < size)) {
        const bits = emptyBits(size);
        setBit(bits, i);
        setBit(bits, i);
        expect(listOf(bits), `${i} of ${size}`).to.deep.equal([i]);
        dropBit(bits, i);
        dropBit(bits, i);
        expect(isEmpty(bits), `${i} of ${size}`).to.equal(true);
      }
  });
});

describe('lines gathered into bins', () => {
  const kinds: BenchKind[] = ['plain', 'adversarial', 'roomy', 'coupled'];
  const machines = kinds.flatMap((kind) =>
    Array.from({ length: torture(30, 3) }, (_, i): [string, Compiled] => {
      const [build, parts] = benchMachine(i + 1, 5 + ((3 * i) % 24), kind);
      return [`${kind} ${i + 1}`, compile(machine(build, parts), { allowOff: false })];
    })
  );
  /** Variables that may take a class. */
  const takers = ({ variables }: Compiled, c: number) =>
    variables.flatMap(({ values }, v) => (values.some((x) => x.classes.includes(c)) ? [v] : []));
  const binLists = (compiled: Compiled) => {
    const { of, count } = binsOf(compiled);
    return COUNTED.map((resource, r) => ({
      resource,
      bins: Array.from({ length: count[r]! }, (_, n) =>
        of[r]!.flatMap((bins, c) => (bins.includes(n) ? [c] : []))
      )
    }));
  };

  it('no two variables can each hold a line of one bin', () => {
    for (const [name, compiled] of machines)
      for (const { resource, bins } of binLists(compiled))
        for (const bin of bins)
          for (const a of bin)
            for (const b of bin) {
              if (a === b || takers(compiled, a).join() === takers(compiled, b).join()) continue;
              if (!compiled.forbids[a]!.includes(b))
                expect.fail(`${name}, ${resource}: ${a} and ${b} go together`);
            }
  });
  it('windows of any length are counted: most lines are in a bin', () => {
    for (const [name, compiled] of machines) {
      const lists = binLists(compiled);
      const own = compiled.classes.flatMap(({ line }, c) =>
        line && lists.some((l) => l.resource === line.resource) && takers(compiled, c).length === 1
          ? [{ line, c }]
          : []
      );
      const counted = own.filter(({ line, c }) =>
        lists.find((l) => l.resource === line.resource)!.bins.some((bin) => bin.includes(c))
      );
      expect(counted.length / own.length, name).to.be.greaterThan(0.8);
    }
  });
  it('no bin is part of another one', () => {
    for (const [name, compiled] of machines)
      for (const { resource, bins } of binLists(compiled))
        bins.forEach((bin, i) =>
          bins.forEach((other, j) => {
            if (i !== j && bin.every((c) => other.includes(c)))
              expect.fail(`${name}, ${resource}: ${i} in ${j}`);
          })
        );
  });
});
