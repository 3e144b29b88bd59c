import { expect } from 'chai';
import {
  bySize,
  entropy,
  explainTrials,
  failsAtMost,
  faultSets,
  fisher,
  fixedChance,
  gain,
  goodStarts,
  jeffreys,
  marginal,
  mixed,
  nextWorks,
  posterior,
  priorOf,
  readTrials,
  trialGain,
  type FaultSet,
  type Outcomes,
  type Trial
} from '../../src/lib/core/diagnosis';
import { Seeded } from '../support/random';

const near = (value: number, wanted: number, what = '') => expect(value, what).to.be.closeTo(wanted, 0.0006);

/** A 286 of BIOS family A: three beeps are heard, the screen is dark. */
const weighbridge = () => {
  const priors = {
    'rail5-low': 0.04,
    rom: 0.04,
    'cpu-clock-glue': 0.05,
    'bank0-contact': 0.1,
    'bank0-chip': 0.08,
    buffer: 0.02,
    'memory-jumper': 0.04,
    parity: 0.03,
    timer: 0.01,
    'video-contact': 0.05,
    'video-card': 0.06
  };
  const names = Object.keys(priors);
  const modes = Object.entries(priors).map(([id, prior]) => ({ id, prior }));
  const has = (f: FaultSet, ...ids: string[]) => ids.some((id) => f.includes(names.indexOf(id)));
  const sounded = (f: FaultSet): Record<number, number> => {
    if (has(f, 'rom', 'cpu-clock-glue')) return { 0: 1 };
    if (has(f, 'rail5-low')) return { 0: 0.7, 3: 0.1, 2: 0.1, 8: 0.1 };
    if (has(f, 'buffer')) return { 0: 0.4, 3: 0.6 };
    if (has(f, 'parity')) return { 2: 1 };
    if (has(f, 'bank0-contact', 'bank0-chip', 'memory-jumper')) return { 3: 1 };
    if (has(f, 'timer')) return { 4: 1 };
    if (has(f, 'video-contact', 'video-card')) return { 8: 1 };
    return { 1: 1 };
  };
  const FLOOR = 0.002;
  const heard = (h: number, s: number): number => {
    const q: Record<number, number> = s === 0 ? { 0: 1 } : { [s]: 0.86, [s + 1]: 0.06 };
    if (s !== 0) {
      q[s - 1] = (q[s - 1] ?? 0) + 0.06;
      q[0] = (q[0] ?? 0) + 0.02;
    }
    return (1 - 10 * FLOOR) * (q[h] ?? 0) + FLOOR;
  };
  const likelihood = (f: FaultSet) =>
    Object.entries(sounded(f)).reduce((sum, [s, q]) => sum + q * heard(3, Number(s)), 0);
  const after = (f: FaultSet, ...removed: string[]): Outcomes => {
    const out = new Map<string, number>();
    const left = f.filter((m) => !removed.includes(names[m]!));
    for (const [s, q] of Object.entries(sounded(left)))
      for (let h = 0; h < 10; h++) out.set(String(h), (out.get(String(h)) ?? 0) + q * heard(h, Number(s)));
    return out;
  };
  return { modes, names, likelihood, after, has };
};

describe('diagnosis', () => {
  it('weighs three beeps of a 286 as the worked example does', () => {
    const { modes, names, likelihood } = weighbridge();
    const post = posterior(modes, likelihood);
    near(post.evidence, 0.1598);
    [0.007, 0.804, 0.173, 0.016].forEach((p, i) => near(bySize(post)[i]!, p, `${i} faults`));
    near(post.sets[0]!.p, 0.3436);
    expect(post.sets.slice(0, 3).map((s) => s.faults.map((f) => names[f]))).to.deep.equal([
      ['bank0-contact'],
      ['bank0-chip'],
      ['memory-jumper']
    ]);
    const told = {
      'bank0-contact': 0.448,
      'bank0-chip': 0.358,
      'memory-jumper': 0.179,
      rom: 0,
      'video-card': 0.06
    };
    for (const [id, p] of Object.entries(told)) near(marginal(post, names.indexOf(id)), p, id);
  });

  it('values tests in bits, whole and merged by the first repair, and what a mere repeat would tell', () => {
    const { modes, names, likelihood, after, has } = weighbridge();
    const post = posterior(modes, likelihood);
    const tests: Record<string, (f: FaultSet) => Outcomes> = {
      jumper: (f) =>
        new Map(
          has(f, 'memory-jumper')
            ? [
                ['wrong', 0.95],
                ['right', 0.05]
              ]
            : [['right', 1]]
        ),
      again: (f) => after(f),
      reseat: (f) => mixed(0.9, after(f, 'bank0-contact'), after(f)),
      rail: (f) =>
        new Map(
          has(f, 'rail5-low')
            ? [
                ['low', 0.98],
                ['ok', 0.02]
              ]
            : [
                ['low', 0.01],
                ['ok', 0.99]
              ]
        ),
      chips: (f) => after(f, 'bank0-contact', 'bank0-chip'),
      display: (f) => after(f, 'video-card', 'video-contact')
    };
    const whole = { jumper: 0.607, again: 0.213, reseat: 0.914, rail: 0.114, chips: 1.091, display: 0.212 };
    for (const [id, bits] of Object.entries(whole)) near(gain(post, tests[id]!), bits, id);
    const stages = [
      'rom',
      'cpu-clock-glue',
      'rail5-low',
      'buffer',
      'parity',
      'bank0-contact',
      'bank0-chip',
      'memory-jumper',
      'timer',
      'video-contact',
      'video-card'
    ];
    const first = (f: FaultSet) => stages.find((id) => f.includes(names.indexOf(id))) ?? 'none';
    const merged = { jumper: 0.421, again: 0.213, reseat: 0.625, rail: 0.114, chips: 0.58, display: 0.212 };
    for (const [id, bits] of Object.entries(merged)) near(gain(post, tests[id]!, first), bits, id);
  });

  it('finds two faults where one explains nothing: twitch, then a memory code', () => {
    const priors = {
      'sound-card-short': 0.04,
      'drive-short': 0.01,
      'supply-weak': 0.05,
      'module-contact': 0.08,
      'module-bad': 0.03,
      rom: 0.02,
      board: 0.04,
      'cpu-setting': 0.03,
      'power-good': 0.02,
      video: 0.08
    };
    const names = Object.keys(priors);
    const modes = Object.entries(priors).map(([id, prior]) => ({ id, prior }));
    const has = (f: FaultSet, ...ids: string[]) => ids.some((id) => f.includes(names.indexOf(id)));
    const twitch = (f: FaultSet) =>
      has(f, 'sound-card-short', 'drive-short') ? 0.95 : has(f, 'supply-weak') ? 0.5 : 0.005;
    const runs = (f: FaultSet) => (has(f, 'drive-short') ? 0.05 : has(f, 'supply-weak') ? 0.85 : 0.995);
    const code = (f: FaultSet) =>
      has(f, 'power-good', 'rom', 'cpu-setting')
        ? 0.02
        : has(f, 'module-contact', 'module-bad')
          ? 0.93
          : has(f, 'board')
            ? 0.15
            : 0.003;
    const short = (f: FaultSet) => (has(f, 'sound-card-short') ? 0.97 : 0.005);
    const both = posterior(modes, (f) => twitch(f) * runs(f) * code(f), modes.length);
    [0.002, 0.08, 0.773, 0.136].forEach((p, i) => near(bySize(both)[i]!, p, `${i} faults`));
    near(both.sets[0]!.p, 0.332);
    near(marginal(both, names.indexOf('module-contact')), 0.681);
    near(marginal(both, names.indexOf('video')), 0.08, 'the display was not reached');
    const measured = posterior(modes, (f) => twitch(f) * runs(f) * code(f) * short(f), modes.length);
    near(marginal(measured, names.indexOf('sound-card-short')), 0.997);
    near(measured.sets[0]!.p, 0.555);
  });

  it('gives rates of intermittent faults their intervals, and counts the good starts that make "fixed"', () => {
    near(jeffreys(3, 11).low, 0.083);
    near(jeffreys(3, 11).high, 0.565);
    near(jeffreys(12, 13).low, 0.693);
    near(jeffreys(12, 13).high, 0.992);
    expect(jeffreys(0, 4).low).to.equal(0);
    expect(jeffreys(4, 4).high).to.equal(1);
    near(fisher(3, 8, 12, 1), 0.0022);
    expect([0.5, 0.3, 0.2, 0.1, 0.05, 0.02].map((f) => [goodStarts(f), goodStarts(f, 0.01)])).to.deep.equal([
      [5, 7],
      [9, 13],
      [14, 21],
      [29, 44],
      [59, 90],
      [149, 228]
    ]);
    expect(goodStarts(1 - jeffreys(3, 11).high)).to.equal(6);
    [
      [5, 0.451],
      [10, 0.259],
      [20, 0.139],
      [30, 0.095],
      [59, 0.05]
    ].forEach(([n, f]) => near(failsAtMost(n!), f!));
    [
      [3, 0.893],
      [7, 0.988],
      [10, 0.998]
    ].forEach(([n, p]) => near(fixedChance(0.6, 1 - jeffreys(3, 11).high, n!), p!));
    near(fixedChance(0.6, 1 / 13, 12), 0.797);
    near(fixedChance(0.6, 1 - jeffreys(12, 13).high, 12), 0.624);
    near(nextWorks(1, 6), 0.214);
    near(nextWorks(0, 5), 0.083);
  });

  const recorder: Trial[] = [
    ['H1 K1 T1 D1', false],
    ['H2 K2 T2 D2', true],
    ['H1 K2 T2 D2', true],
    ['H1 K1 T2 D1', false],
    ['H1 K2 T2 D1', true],
    ['H1 K1 T2 D2', true]
  ].map(([parts, worked]) => ({ parts: (parts as string).split(' '), worked: worked as boolean }));
  const sortOf = (part: string) => part[0]!;

  it('reads swap trials: who is exonerated, and which pair never worked', () => {
    const read = readTrials(recorder, sortOf);
    expect(read.exonerated).to.deep.equal(['D1', 'D2', 'H1', 'H2', 'K1', 'K2', 'T2']);
    expect(read.explained).to.equal(false);
    expect(read.left.map((l) => l.parts)).to.deep.equal([['T1'], []]);
    expect(read.inEveryFailure).to.deep.equal([['D1', 'K1']]);
    expect(read.contradictions).to.deep.equal([]);
    const twice = readTrials([...recorder, { parts: ['K1', 'H1', 'D1', 'T1'], worked: true }], sortOf);
    expect(twice.contradictions).to.deep.equal([{ works: 6, fails: 0 }]);
  });

  it('weighs swap trials, with parts that fail sometimes, and values the next one', () => {
    const all = explainTrials(recorder, sortOf);
    const word = (e: (typeof all)[number]) =>
      e.elements
        .map((x) => (x.kind === 'pair' ? `pair ${x.pair.join('x')}` : `${x.kind} ${x.part}`))
        .join(' + ');
    near(all[0]!.p, 0.328);
    expect(word(all[0]!)).to.equal('pair D1xK1');
    expect(all.slice(1, 3).map(word).sort()).to.deep.equal(['intermittent D1', 'intermittent K1']);
    near(all[1]!.p, 0.197);
    [0.003, 0.79, 0.207].forEach((p, n) =>
      near(
        all.filter((e) => e.elements.length === n).reduce((s, e) => s + e.p, 0),
        p,
        `${n} elements`
      )
    );
    near(trialGain(all, ['H2', 'K1', 'T2', 'D1'], 3), 0.81);
    near(trialGain(all, ['H2', 'K1', 'T2', 'D1']), 0.359);
    near(trialGain(all, ['H1', 'K2', 'T1', 'D2'], 3), 0.727);
  });

  it('agrees with a search over all subsets on 500 small models, whatever the order of the modes', () => {
    const r = new Seeded(5);
    for (let round = 0; round < 500; round++) {
      const n = 1 + r.int(6);
      const modes = Array.from({ length: n }, (_, i) => ({ id: `m${i}`, prior: 0.01 + 0.4 * r.next() }));
      const table = new Map<string, number>();
      const likelihood = (f: FaultSet) => {
        const key = f
          .map((i) => modes[i]!.id)
          .sort()
          .join();
        if (!table.has(key)) table.set(key, r.next());
        return table.get(key)!;
      };
      const post = posterior(modes, likelihood, n);
      expect([...faultSets(n, n)].length).to.equal(2 ** n);
      // By bits of a number, and by multiplying odds, apart from the enumeration.
      let total = 0;
      const each = modes.map(() => 0);
      for (let bits = 0; bits < 2 ** n; bits++) {
        const f = modes.flatMap((_, i) => (bits & (1 << i) ? [i] : []));
        const w = modes.reduce((p, m, i) => p * (bits & (1 << i) ? m.prior : 1 - m.prior), 1) * likelihood(f);
        total += w;
        f.forEach((i) => (each[i]! += w));
      }
      modes.forEach((_, i) => expect(marginal(post, i)).to.be.closeTo(each[i]! / total, 1e-9));
      expect(post.covered).to.be.closeTo(1, 1e-9);
      const turned = [...modes].reverse();
      const back = posterior(turned, (f) => likelihood(f.map((i) => n - 1 - i).sort((a, b) => a - b)), n);
      modes.forEach((_, i) => expect(marginal(back, n - 1 - i)).to.be.closeTo(marginal(post, i), 1e-9));
      // What every explanation predicts alike changes nothing.
      const same = posterior(modes, (f) => 0.37 * likelihood(f), n);
      modes.forEach((_, i) => expect(marginal(same, i)).to.be.closeTo(marginal(post, i), 1e-9));
      expect(entropy(post.sets.map((s) => s.p))).to.be.at.least(-1e-12);
    }
    expect(
      priorOf(
        [1],
        [
          { id: 'a', prior: 0.1 },
          { id: 'b', prior: 0.2 }
        ]
      )
    ).to.be.closeTo(0.18, 1e-12);
  });
});
