import { expect } from 'chai';
import {
  configurations,
  fewestStarts,
  placeBest,
  type Configuration,
  type Line,
  type Manager,
  type Optional,
  type Placing,
  type Program
} from '../../src/lib/core/placement';
import { line } from '../support/line';
import { Seeded } from '../support/random';

const program = (id: string, baseKiB: number, more: Partial<Program> = {}): Program => ({
  id,
  baseKiB,
  emsKiB: 0,
  xmsKiB: 0,
  mostXmsKiB: null,
  needs: [],
  v86: 'any',
  ...more
});

/** What each upper region loses to the header of its chain. */
const HEAD = 32;
const manager = (id: string, freeBytes: number): Manager => ({
  id,
  freeBytes,
  regions: [],
  xmsKiB: 4000,
  emsKiB: 0,
  onePool: false,
  v86: false,
  lines: 2
});

describe('the fewest starts', () => {
  const managers: Manager[] = [
    { ...manager('none', 579_000), xmsKiB: 0, lines: 0 },
    { ...manager('xms', 632_500), xmsKiB: 7104, lines: 1 },
    { ...manager('noems', 628_400), regions: [0x28000 - HEAD], xmsKiB: 6924, v86: true },
    {
      ...manager('ems', 628_400),
      regions: [0x8000 - HEAD, 0x10000 - HEAD],
      xmsKiB: 6908,
      emsKiB: 6908,
      onePool: true,
      v86: true
    }
  ];
  const optional: Optional[] = [
    {
      id: 'cd',
      lines: [line('cd', 0, 21400, 11600), line('redirector', 1, 46500, 27950, ['cd'])],
      takesKiB: 0,
      wantsXms: false
    },
    { id: 'mouse', lines: [line('mouse', 1, 56400, 16900)], takesKiB: 0, wantsXms: false },
    {
      id: 'net',
      lines: [line('packet', 1, 12000, 6100), line('client', 1, 61000, 47500, ['packet'])],
      takesKiB: 0,
      wantsXms: false
    },
    {
      id: 'cache',
      lines: [line('cache', 1, 45200, 29030, ['redirector'], true)],
      takesKiB: 1024,
      wantsXms: true
    }
  ];
  const programs = [
    program('A', 590, { emsKiB: 1024, needs: ['mouse'] }),
    program('B', 600, { needs: ['cd', 'mouse'] }),
    program('C', 560, { xmsKiB: 2048, needs: ['cd', 'mouse'] }),
    program('D', 540, { xmsKiB: 3072, needs: ['cd'], v86: 'off' }),
    program('E', 500, { xmsKiB: 6500 }),
    program('F', 480, { needs: ['net'] }),
    program('G', 400, { mostXmsKiB: 0 }),
    program('H', 610, { emsKiB: 512 })
  ];
  const always = [line('keyboard', 1, 19500, 6220)];

  it('are three for the worked example, proved by three programs that share none', () => {
    const all = configurations(managers, optional, always);
    expect(all).to.have.length(56);
    const answer = fewestStarts(all, programs);
    expect(answer.chosen.map((c) => c.id).sort()).to.deep.equal(['ems+cd+mouse', 'none+net', 'xms+cd']);
    expect(answer.answers).to.equal(6);
    expect(answer.clique).to.have.length(3);
    expect(answer.unserved).to.deep.equal([]);
    const ems = answer.configurations.find((c) => c.id === 'ems+cd+mouse+net')!;
    expect([Math.round(ems.baseKiB * 10) / 10, ems.placement.low, ems.serves.join('')]).to.deep.equal([
      569.9,
      44850,
      'CEF'
    ]);
  });

  it('say of a program that runs nowhere what is short, and where', () => {
    const answer = fewestStarts(configurations(managers, optional, always), [
      program('X', 615),
      programs[5]!
    ]);
    expect(answer.chosen).to.have.length(1);
    expect(answer.unserved[0]?.program).to.equal('X');
    expect(answer.unserved[0]?.nearest.baseKiB).to.be.within(1, 2);
  });
});

describe('a shelf of many programs', () => {
  it('is served to the last one: forty programs, of which one alone needs another start', () => {
    const managers: Manager[] = [
      manager('xms', 620_000),
      { ...manager('ems', 600_000), xmsKiB: 3000, emsKiB: 3000, onePool: true, v86: true, lines: 3 }
    ];
    for (const odd of [0, 31, 32, 39]) {
      const programs = Array.from({ length: 40 }, (_, i) =>
        program(`p${i}`, i === odd ? 500 : 600, { emsKiB: i === odd ? 1024 : 0 })
      );
      const { chosen, clique } = fewestStarts(configurations(managers, [], []), programs);
      expect(chosen.map((c) => c.id).sort(), `p${odd}`).to.deep.equal(['ems', 'xms']);
      expect(clique, `p${odd}`).to.include(`p${odd}`);
    }
  });
});

describe('configurations that were first placed hastily', () => {
  /** Twelve lines for two managers, sized so that a search of one node often misses the best. */
  const hard = (seed: number) => {
    const r = new Seeded(9000 + seed);
    const lines = Array.from({ length: 12 }, (_, i): Line => {
      const stay = 1000 + r.int(30_000);
      return line(`l${i}`, i < 6 ? 0 : 1, stay + r.int(30_000), stay);
    });
    const room = lines.reduce((n, l) => n + l.stay, 0) * 0.9;
    const managers: Manager[] = [0.6, 0.5].map((share, i) => ({
      ...manager(`m${i}`, 640_000),
      regions: [room * share, room * (1 - share)].map(Math.floor)
    }));
    return { lines, managers, r };
  };
  const hasty: Placing = (list, layouts) => placeBest(list, layouts, 1);

  it('serve what exact placing serves, and are only called cut where they may serve more', () => {
    let again = 0;
    for (let seed = 1; seed <= 25; seed++) {
      const { lines, managers, r } = hard(seed);
      const exact = configurations(managers, [], lines);
      const programs = Array.from({ length: 4 }, (_, i) =>
        program(`p${i}`, exact[r.int(exact.length)]!.baseKiB - r.int(3))
      );
      const placed = configurations(managers, [], lines, hasty, programs, placeBest);
      const serves = (all: Configuration[]) =>
        fewestStarts(all, programs).configurations.map((c) => c.serves);
      expect(serves(placed), `case ${seed}`).to.deep.equal(serves(exact));
      expect(fewestStarts(placed, programs).isCut, `case ${seed}`).to.equal(false);
      const first = fewestStarts(configurations(managers, [], lines, hasty), programs);
      if (first.isCut) again++;
      else
        expect(
          first.configurations.map((c) => c.serves),
          `case ${seed}`
        ).to.deep.equal(serves(exact));
    }
    expect(again, 'cases in which haste alone would not do').to.be.greaterThan(5);
  });
});
