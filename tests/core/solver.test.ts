import { expect } from 'chai';
import fc from 'fast-check';
import { LEVELS, TooLarge, applyFix, choose, explain, resolve } from '../../src/lib/core/solver';
import { moveList } from '../../src/lib/core/moves';
import { readBuildFile } from '../../src/lib/formats';
import { benchMachine } from '../support/bench-machines';
import { explainWords, actionWords } from '../../src/lib/words';
import { bombs } from '../support/bombs';
import { board, card, jumper, jumpered, machineOf, checkKnown, type ClaimIn } from '../support/make';
import { randomMachine } from '../support/machines';
import { solveMilp } from '../support/milp';
import { torture } from '../support/torture';

const vector = (objective: Record<string, number>) => LEVELS.map((level) => objective[level]);

describe('resolve', () => {
  it('moves as little as possible and says what it moves', () => {
    const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), [
      jumpered('p', { irq: [5, 7] }),
      jumpered('q', { irq: [5, 10] })
    ]);
    const solved = resolve(build, parts);
    if (solved.status !== 'solved') throw new Error(solved.status);
    expect(solved.optimal).to.equal(true);
    expect(solved.moves).to.have.length(1);
    expect(solved.objective.moves).to.equal(3);
    expect(solved.alternatives.map((a) => a.moves[0].item)).to.not.include(solved.moves[0].item);
  });

  it('refuses a machine with more choices than any hardware before it fills the memory', () => {
    const bomb = bombs.find((b) => b.path === '/resolve')!;
    const { build, parts } = readBuildFile(bomb.body);
    expect(() => resolve(build, parts)).to.throw(TooLarge);
  });

  it('names changes for several conflicts that have nothing to do with each other', () => {
    const fixed = (id: string, claim: ClaimIn) => card(id, [claim]);
    const irq = (value: number): ClaimIn => ({ resource: 'irq', value });
    const dma = (value: number): ClaimIn => ({ resource: 'dma', value });
    const { build, parts } = machineOf(board('at', Array<string>(6).fill('isa16')), [
      fixed('p', irq(5)),
      fixed('q', irq(5)),
      fixed('r', irq(10)),
      fixed('s', irq(10)),
      fixed('t', dma(1)),
      fixed('u', dma(1))
    ]);
    const none = resolve(build, parts);
    if (none.status !== 'impossible') throw new Error(none.status);
    expect(none.relaxations).to.not.deep.equal([]);
    for (const { fixes } of none.relaxations) {
      expect(fixes).to.have.length(3);
      const changed = fixes.reduce((b, fix) => applyFix(b, fix, parts), build);
      expect(resolve(changed, parts).status).to.equal('solved');
    }
  });

  it('keeps what the user locked', () => {
    const { build, parts } = machineOf(
      board('at', ['isa16', 'isa16']),
      [jumpered('p', { irq: [5, 7] }), jumpered('q', { irq: [5, 10] })],
      { items: [{ locked: ['irq'], chosen: { irq: '5' } }] }
    );
    const solved = resolve(build, parts);
    if (solved.status !== 'solved') throw new Error(solved.status);
    expect(solved.positions.a.irq).to.equal('5');
    expect(solved.positions.b.irq).to.equal('a');
  });

  it('never moves an unknown setting or a ROM build', () => {
    const base = jumper('base', [0x300, 0x320]);
    const part = card('rom', [{ resource: 'io', length: 16, from: base.from }], {
      blocks: [base.block, { id: 'chip', kind: 'firmware' }],
      settings: [
        base.setting,
        {
          id: 'build',
          label: 'ROM build',
          block: 'chip',
          positions: [
            { id: 'for-300', label: '300' },
            { id: 'for-320', label: '320' }
          ],
          default: 'for-300'
        }
      ],
      constraints: [
        {
          allow: {
            settings: ['base', 'build'],
            rows: [
              ['300', 'for-300'],
              ['320', 'for-320']
            ]
          },
          why: 'built for one base'
        }
      ]
    });
    const other = card('net', [{ resource: 'io', value: 0x300, length: 32 }]);
    const { build, parts } = machineOf(board('at', ['isa8', 'isa8']), [part, other], {
      items: [{ asFound: { base: '320', build: 'for-300' } }]
    });
    expect(checkKnown(build, parts).map((f) => f.rule)).to.include('part.constraint');
    const got = resolve(build, parts);
    expect(got.status).to.equal('impossible');
    if (got.status === 'impossible') expect(got.core.map((c) => c.item).sort()).to.deep.equal(['a', 'b']);
  });

  it('switches a wanted function off only when allowed', () => {
    const line = jumper('irq', [5]);
    const enable = jumper('enable', [1, 0]);
    const off = card('off', [{ resource: 'irq', value: 5 }], {
      blocks: [line.block, enable.block],
      settings: [enable.setting],
      fn: { off: [{ enable: ['0'] }] }
    });
    const { build, parts } = machineOf(board('at', ['isa16', 'isa16']), [
      off,
      card('p', [{ resource: 'irq', value: 5 }])
    ]);
    const strict = resolve(build, parts);
    expect(strict.status).to.equal('impossible');
    if (strict.status === 'impossible')
      expect(strict.relaxations[0].fixes).to.deep.equal([{ action: 'switch-off', item: 'a', function: 'f' }]);
    const loose = resolve(build, parts, { allowOff: true });
    if (loose.status !== 'solved') throw new Error(loose.status);
    expect(loose.objective.off).to.equal(1);
    expect(loose.off).to.deep.equal([{ item: 'a', function: 'f' }]);
  });

  it('proposes the wide slot for a card that cannot reach its line', () => {
    const wide = card('wide', [{ resource: 'irq', value: 11 }]);
    const { build, parts } = machineOf(board('at', ['isa8', 'isa16']), [wide]);
    const got = resolve(build, parts);
    if (got.status !== 'impossible') throw new Error(got.status);
    expect(got.core.map((c) => `${c.item}/${c.function}`)).to.deep.equal(['a/f']);
    expect(got.relaxations[0].fixes).to.deep.equal([{ action: 'move-slot', item: 'a', slot: 's2' }]);
    expect(checkKnown(applyFix(build, got.relaxations[0].fixes[0], parts), parts)).to.deep.equal([]);
  });

  it('meets hard needs before wishes before moves', () => {
    const audio = jumpered('audio', { irq: [5, 7, 10] }, { fn: { kind: 'audio' } });
    const needs = (irq: number, weight: 'hard' | number) => ({ kind: 'audio', irq: [irq], weight });
    const solve = (list: ReturnType<typeof needs>[]) => {
      const { build, parts } = machineOf(board('at', ['isa16']), [audio], {
        items: [{ asFound: { irq: '5' } }],
        brief: { profiles: [{ id: 'p', name: 'P', needs: list }] }
      });
      const got = resolve(build, parts);
      if (got.status !== 'solved') throw new Error(got.status);
      return [got.positions.a.irq, ...vector(got.objective).slice(2, 5)];
    };
    expect(solve([needs(7, 1)])).to.deep.equal(['7', 0, 0, 3]);
    expect(solve([needs(7, 'hard'), needs(10, 100)])).to.deep.equal(['7', 0, 100, 3]);
  });

  it('stops at its limit with a bound', () => {
    const [build, parts] = benchMachine(144, 20, 'plain');
    const full = resolve(build, parts, { alternatives: 0 });
    const cut = resolve(build, parts, { alternatives: 0, maxNodes: 5 });
    expect(full.status).to.not.equal('stopped');
    if (cut.status === 'impossible' || full.status !== 'solved')
      throw new Error(`${cut.status} ${full.status}`);
    if (cut.status === 'solved') {
      expect(vector(cut.objective) >= vector(full.objective)).to.equal(true);
      expect(cut.optimal).to.equal(false);
    }
    const lower = vector(cut.bound);
    const best = vector(full.objective);
    const first = lower.findIndex((x, i) => x !== best[i]);
    expect(first < 0 || lower[first] < best[first], 'the bound lies below the optimum').to.equal(true);
    let asked = 0;
    const stopped = resolve(build, parts, { alternatives: 0, shouldStop: () => ++asked > 0 });
    expect(['solved', 'stopped']).to.include(stopped.status);
  });
});

describe('properties of resolve', () => {
  const seeds = fc.integer({ min: 10_000, max: 1_000_000 });
  it('never leaves a clash, and is deterministic', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { build, parts } = randomMachine(seed, { cards: 6, tight: 0.3 });
        const got = resolve(build, parts, { alternatives: 1, relaxations: 0 });
        expect(resolve(build, parts, { alternatives: 1, relaxations: 0 })).to.deep.equal(got);
        if (got.status !== 'solved') return;
        for (const solution of [got, ...got.alternatives])
          expect(
            checkKnown(choose(build, solution), parts).filter(
              (f) => f.severity === 'clash' && !f.rule.startsWith('audio.profile')
            )
          ).to.deep.equal([]);
      }),
      { numRuns: torture(60, 16) }
    );
  });
  it('permuting the cards changes nothing in the objective', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { build, parts } = randomMachine(seed, { cards: 5, tight: 0.4 });
        const options = { alternatives: 0, relaxations: 0 };
        const one = resolve(build, parts, options);
        const two = resolve({ ...build, items: [...build.items].reverse() }, parts, options);
        expect(two.status).to.equal(one.status);
        if (one.status === 'solved' && two.status === 'solved')
          expect(two.objective).to.deep.equal(one.objective);
      }),
      { numRuns: torture(60, 16) }
    );
  });
  it('a solved machine resolved again has nothing to move', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { build, parts } = randomMachine(seed, { cards: 4, tight: 0.2 });
        const got = resolve(build, parts, { alternatives: 0, relaxations: 0 });
        if (got.status !== 'solved') return;
        const set = {
          ...build,
          items: build.items.map((i) => ({ ...i, asFound: { ...i.asFound, ...got.positions[i.id] } }))
        };
        const again = resolve(set, parts, { alternatives: 0, relaxations: 0 });
        if (again.status !== 'solved') throw new Error(again.status);
        expect(again.objective.moves).to.equal(0);
      }),
      { numRuns: torture(60, 16) }
    );
  });
});

describe('resolve against a general MILP solver', () => {
  it('agrees on machines beyond brute force', async () => {
    for (let seed = 1; seed <= torture(60, 4); seed++) {
      const [build, parts] = benchMachine(seed, 6 + (seed % 5), seed % 2 === 0 ? 'adversarial' : 'plain');
      const got = resolve(build, parts, { alternatives: 0, relaxations: 0 });
      const expected = await solveMilp(build, parts, false);
      if (got.status === 'solved') expect(vector(got.objective), `bench ${seed}`).to.deep.equal(expected);
      else expect(expected, `bench ${seed}`).to.equal(null);
    }
    for (let seed = 501; seed <= torture(600, 505); seed++) {
      const { build, parts } = randomMachine(seed, { cards: 7, tight: 0.2 });
      const got = resolve(build, parts, { alternatives: 0, relaxations: 0, allowOff: true });
      const expected = await solveMilp(build, parts, true);
      if (got.status === 'solved') expect(vector(got.objective), `random ${seed}`).to.deep.equal(expected);
      else expect(expected, `random ${seed}`).to.equal(null);
    }
  });
});

describe('explain', () => {
  const cards = [
    jumpered('p', { irq: [5, 7, 10] }),
    jumpered('q', { irq: [7, 9] }),
    card('r', [{ resource: 'irq', value: 5 }])
  ];
  const make = () =>
    machineOf(board('at', ['isa8', 'isa16', 'isa16']), cards, {
      items: [{ asFound: { irq: '5' } }, { asFound: { irq: '7' } }]
    });
  it('says here, taken with a plan, and impossible with the reason', () => {
    const { build, parts } = make();
    expect(explain(build, parts, 'a', 'irq', '5').verdict).to.equal('here');
    const taken = explain(build, parts, 'a', 'irq', '7');
    expect(taken.verdict).to.equal('taken');
    expect(taken.blockers.map((b) => b.item)).to.deep.equal(['b']);
    expect(taken.moves?.map((m) => m.item).sort()).to.deep.equal(['a', 'b']);
    const not = explain(build, parts, 'a', 'irq', 'a');
    expect(not.verdict).to.equal('impossible');
    expect(explainWords(not.reasons[0])).to.match(/8-bit slot does not carry IRQ 10/);
  });
  it('refuses a position that does not exist', () => {
    const { build, parts } = make();
    expect(() => explain(build, parts, 'a', 'irq', 'zz')).to.throw(RangeError, /a\/irq\/zz/);
  });
});

describe('moves', () => {
  it('lift one cap and press it elsewhere', () => {
    const { build, parts } = machineOf(board('at', ['isa16']), [jumpered('p', { irq: [5, 7] })], {
      items: [{ asFound: { irq: '5' }, chosen: { irq: '7' } }]
    });
    const { jobs } = moveList(build, parts);
    expect(jobs).to.have.length(1);
    expect(actionWords(jobs[0].actions[0])).to.match(/move the jumper from pins 1-2 to pins 3-4/);
    expect(jobs[0].from).to.equal('slot s1');
  });
  it('name only the levers that change, by what is printed', () => {
    const part = card('dip', [], {
      blocks: [{ id: 'sw', kind: 'dip', switches: 4, printed: 'OPEN' }],
      settings: [
        {
          id: 'base',
          label: 'Base',
          block: 'sw',
          positions: [
            { id: 'x', label: 'x', state: { switches: { 1: 'on', 2: 'on' } } },
            { id: 'y', label: 'y', state: { switches: { 1: 'on', 2: 'off' } } }
          ],
          default: 'x'
        }
      ]
    });
    const { build, parts } = machineOf(board('at', ['isa16']), [part], {
      items: [{ asFound: { base: 'x' }, chosen: { base: 'y' } }]
    });
    expect(moveList(build, parts).jobs[0].actions.map(actionWords)).to.deep.equal([
      'sw: switch 2 to OPEN. (Base: y)'
    ]);
  });
});
