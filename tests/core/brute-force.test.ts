import { expect } from 'chai';
import { LEVELS, applyFix, resolve } from '../../src/lib/core/solver';
import { check } from '../support/make';
import { Brute } from '../support/brute';
import { randomMachine } from '../support/machines';
import { torture } from '../support/torture';

const MACHINES = Number(process.env.YJ_MACHINES ?? torture(2000, 24));

describe('resolve against brute force', () => {
  it(`agrees on ${MACHINES} random small machines`, function () {
    const tally = { solved: 0, impossible: 0, relaxations: 0 };
    for (let seed = 1; seed <= MACHINES; seed++) {
      const { build, parts } = randomMachine(seed, {
        cards: 2 + (seed % 4),
        combinations: 700,
        tight: (seed % 10) / 10
      });
      const allowOff = seed % 5 === 0;
      const brute = new Brute(build, parts);
      const expected = brute.best({ allowOff });
      const got = resolve(build, parts, {
        allowOff,
        alternatives: seed % 8 === 0 ? 2 : 0,
        relaxations: seed % 4 === 0 ? 3 : 0
      });
      const name = `machine ${seed}`;
      if (got.status === 'solved') {
        tally.solved++;
        expect(got.optimal, name).to.equal(true);
        expect(
          LEVELS.map((l) => got.objective[l]),
          name
        ).to.deep.equal(expected);
        const taken = {
          ...build,
          items: build.items.map((i) => ({ ...i, chosen: got.positions[i.id] ?? {} }))
        };
        expect(
          check(taken, parts).filter(
            (f) => f.severity === 'clash' && f.rule !== 'slot.width' && !f.rule.startsWith('audio.profile')
          ),
          name
        ).to.deep.equal([]);
        for (const other of got.alternatives)
          expect(brute.judge(fill(build, other.positions), { allowOff }), name).to.deep.equal(
            LEVELS.map((l) => other.objective[l])
          );
        continue;
      }
      tally.impossible++;
      expect(expected, name).to.equal(null);
      if (got.status !== 'impossible') throw new Error(`${name} was stopped`);
      expect(got.minimal, name).to.equal(true);
      coreIsMinimal(
        brute,
        build,
        parts,
        got.core.map((c) => `${c.item}/${c.function}`),
        allowOff,
        name
      );
      for (const { fixes } of got.relaxations) {
        tally.relaxations++;
        const changed = fixes.reduce((b, fix) => applyFix(b, fix, parts), build);
        expect(new Brute(changed, parts).best({ allowOff }), `${name} ${JSON.stringify(fixes)}`).to.not.equal(
          null
        );
      }
    }
    expect(tally.solved).to.be.greaterThan(MACHINES / 8);
    expect(tally.impossible).to.be.greaterThan(MACHINES / 10);
    expect(tally.relaxations).to.be.greaterThan(MACHINES / 50);
  });
});

const fill = (build: Parameters<typeof resolve>[0], positions: Record<string, Record<string, string>>) =>
  Object.fromEntries(build.items.map((i) => [i.id, positions[i.id] ?? {}]));

/** Without everything else the core is impossible; without any one of its members it is not. */
function coreIsMinimal(
  brute: Brute,
  build: Parameters<typeof resolve>[0],
  parts: Parameters<typeof resolve>[1],
  core: string[],
  allowOff: boolean,
  name: string
): void {
  const all = build.items.flatMap((i) => parts.get(i.part)!.functions.map((f) => `${i.id}/${f.id}`));
  const others = all.filter((f) => !core.includes(f));
  const own = core.filter((f) => all.includes(f));
  expect(
    brute.possible({ allowOff, without: new Set(others) }),
    `${name}: ${core.join(' ')} is a core`
  ).to.equal(false);
  for (const member of own)
    expect(
      brute.possible({ allowOff, without: new Set([...others, member]) }),
      `${name}: ${core.join(' ')} without ${member}`
    ).to.equal(true);
}
