import { expect } from 'chai';
import {
  FAMILIES,
  diagnose,
  diagnoseMachine,
  estimates,
  familyPriors,
  heardAs,
  likelihoodOf,
  modesOf,
  nextTests,
  observed,
  readBeeps,
  rehearse,
  soundIn,
  soundsOf,
  traces,
  type Era,
  type FaultMode,
  type Family
} from '../../src/lib/core/diagnosis';
import { kitOf } from '../../src/lib/core/kit';
import type { Start } from '../../src/lib/core/model';
import { checked } from '../../src/lib/core/rules';
import { readStart } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const AT = '2026-01-01T00:00:00Z';
const start = (told: Omit<Start, 'at'>): Start => ({ at: AT, ...told });
const of = (name: string, told: Omit<Start, 'at'>) => {
  const kit = kitOf(demo(name), parts);
  return diagnoseMachine(kit, [], start(told));
};
const verdictOf = (d: ReturnType<typeof of>, component: string) =>
  d.diagnosis.components.find((c) => c.component === component)?.verdict;

/** What was seen → what a technician would say of each part. */
const truths: [string, Omit<Start, 'at'>, Record<string, string>][] = [
  [
    'sanderling',
    { power: 'twitch' },
    { display: 'untested', memory: 'untested', keyboard: 'untested', cell: 'untested' }
  ],
  [
    'dunlin',
    { power: 'runs', beeps: '1 long 2 short', screen: 'dark' },
    { display: 'implicated', keyboard: 'untested', short: 'cleared' }
  ],
  [
    'plover',
    { power: 'runs', beeps: '1', screen: 'text', messages: ['settings'] },
    { cell: 'implicated', display: 'cleared', memory: 'cleared' }
  ],
  [
    'plover',
    { power: 'runs', screen: 'text', messages: ['keyboard'] },
    { keyboard: 'implicated', display: 'cleared' }
  ],
  [
    'curlew',
    { power: 'runs', beeps: 'repeated long', screen: 'dark' },
    { memory: 'implicated', short: 'cleared' }
  ],
  [
    'turnstone',
    { power: 'runs', screen: 'text', reached: 'boot', stays: true, messages: ['not-system'] },
    { medium: 'implicated', memory: 'cleared' }
  ]
];

describe('diagnosis of a machine', () => {
  for (const [name, told, verdicts] of truths)
    it(`${name}: ${JSON.stringify(told)}`, () => {
      const d = of(name, told);
      for (const [component, verdict] of Object.entries(verdicts))
        if (d.diagnosis.components.some((c) => c.component === component))
          expect(verdictOf(d, component), component).to.equal(verdict);
    });

  it('keeps what the start did not come to as likely as it was', () => {
    const d = of('sanderling', { power: 'still' });
    for (const c of d.diagnosis.components.filter((x) => x.verdict === 'untested'))
      expect(c.posterior / (1 - c.posterior), c.component).to.be.within(
        (0.6 * c.prior) / (1 - c.prior),
        (1.9 * c.prior) / (1 - c.prior)
      );
    expect(d.diagnosis.components.some((c) => c.verdict === 'untested')).to.equal(true);
  });

  it('takes one short look at a dark screen for a miss more readily than a sure one', () => {
    const nothing = (told: Omit<Start, 'at'>) =>
      of('dunlin', told).diagnosis.post.sets.find((x) => x.faults.length === 0)?.p ?? 0;
    const once = nothing({ power: 'runs', beeps: '1', screen: 'dark' });
    const sure = nothing({ power: 'runs', beeps: '1', screen: 'dark', darkSure: true });
    expect(once).to.be.greaterThan(3 * sure);
  });

  it('agrees with all subsets walked through one by one, on random machines', () => {
    const r = new Seeded(11);
    const GRADES: [number, number][] = [
      [0.5, 0.55],
      [0.35, 1.1],
      [0.15, 2.3]
    ];
    for (let round = 0; round < 60; round++) {
      const era = r.pick<Era>(['I', 'II', 'III', 'IV']);
      const at = ['I', 'II', 'III', 'IV'].indexOf(era);
      const modes: FaultMode[] = r
        .some(
          estimates.filter((e) => e.prior[at]! > 0),
          1 + r.int(7)
        )
        .map((e) => ({
          id: e.id,
          component: e.component,
          prior: e.prior[at]!,
          effect: e.effect,
          cure: e.cure
        }));
      const told = start({
        power: r.pick(['runs', 'twitch', 'still']),
        ...(r.chance(0.7) ? { beeps: r.pick(['none', '1', '3', '1 long 2 short', '1-3-3']) } : {}),
        ...(r.chance(0.7) ? { screen: r.pick(['dark', 'text']) } : {}),
        ...(r.chance(0.3) ? { messages: [r.pick(['settings', 'keyboard', 'disk'] as const)] } : {})
      });
      const family = r.chance(0.5) ? r.pick<Family>(FAMILIES) : null;
      const d = diagnose(modes, [told], era, family, modes.length);
      const each = modes.map(() => 0);
      let total = 0;
      for (let bits = 0; bits < 2 ** modes.length; bits++)
        for (const [pg, factor] of GRADES)
          for (const f of FAMILIES) {
            if (family && f !== family) continue;
            const faults = modes.flatMap((_, i) => (bits & (1 << i) ? [i] : []));
            const prior = modes.reduce(
              (p, m, i) => {
                const o = (m.prior / (1 - m.prior)) * (m.id === 'cell' ? 1 : factor);
                return p * (bits & (1 << i) ? o / (1 + o) : 1 / (1 + o));
              },
              pg * (family ? 1 : familyPriors[era][f])
            );
            const seen = traces(modes, faults, f, era).reduce(
              (sum, t) => sum + t.p * likelihoodOf(observed(told), t, f),
              0
            );
            total += prior * seen;
            faults.forEach((i) => (each[i]! += prior * seen));
          }
      modes.forEach((m, i) => {
        const own = d.components.flatMap((c) => c.modes).find((x) => x.id === m.id)!;
        expect(own.posterior, `${round} ${m.id}`).to.be.closeTo(each[i]! / total, 1e-9);
      });
    }
  });

  it('has ways that add up to 1, and ears whose hearing does', () => {
    const kit = kitOf(demo('plover'), parts);
    const modes = modesOf(kit, 'III', []);
    for (const f of FAMILIES)
      for (let i = 0; i < modes.length; i++)
        for (const faults of [[], [i], [i, (i + 3) % modes.length].sort((a, b) => a - b)])
          expect(traces(modes, [...new Set(faults)], f, 'III').reduce((s, t) => s + t.p, 0)).to.be.closeTo(
            1,
            1e-9
          );
    for (const f of FAMILIES)
      for (const made of soundsOf(f)) {
        const sum = soundsOf(f).reduce((s, heard) => s + heardAs(heard, made, f, false), 0);
        expect(sum, `${f} ${made}`).to.be.closeTo(1, 1e-9);
      }
  });

  it('reads beeps as people write them, and says when it cannot', () => {
    expect(readBeeps('three short')).to.deep.equal({ kind: 'count', n: 3 });
    expect(readBeeps('1 long, 2 short')).to.deep.equal({ kind: 'long-short', long: 1, short: 2 });
    expect(readBeeps('1L 3S')).to.deep.equal({ kind: 'long-short', long: 1, short: 3 });
    expect(readBeeps('1-3-3')).to.deep.equal({ kind: 'groups', groups: [1, 3, 3] });
    expect(readBeeps('keeps beeping')).to.deep.equal({ kind: 'repeated', long: true });
    expect(readBeeps('silent')).to.deep.equal({ kind: 'none' });
    for (const odd of ['', 'loud', '1-', 'long']) expect(readBeeps(odd), odd).to.equal(null);
    expect(soundIn('A', { kind: 'count', n: 8 })).to.equal('display');
    expect(soundIn('C', { kind: 'groups', groups: [1, 1, 4] })).to.equal('rom');
    expect(() => readStart('beeps: loud', AT)).to.throw('line 1');
    expect(readStart('power: runs\nscreen: dark sure\nmessages: none', AT)).to.deep.equal({
      at: AT,
      power: 'runs',
      screen: 'dark',
      darkSure: true,
      messages: []
    });
  });

  it('rehearses the start: what the checks call wrong stops it where it will', () => {
    const kit = kitOf(demo('dunlin'), parts);
    const clean = rehearse(kit, []);
    expect(clean.stages.every((s) => s.stops === 0)).to.equal(true);
    expect(clean.stages[0]!.stage).to.equal('rails');
    const wrong = checked(kit.build, parts).findings.filter((f) => f.rule === 'line.irq')[0];
    const finding = {
      ...(wrong ?? { subjects: [], severity: 'clash' }),
      rule: 'video.switch',
      severity: 'clash',
      subjects: []
    };
    const stopped = rehearse(kit, [finding as never]);
    expect(stopped.stages.find((s) => s.stops > 0)?.stage).to.equal('display');
    const d = diagnoseMachine(
      kit,
      [finding as never],
      start({ power: 'runs', beeps: '1 long 2 short', screen: 'dark' })
    );
    const best = d.diagnosis.post.sets[0]!.faults.map((i) => d.diagnosis.modes[i]!.id);
    expect(best).to.deep.equal(['finding-video.switch']);
  });

  it('values tests: what was not reached is refused, what decides comes early', () => {
    const d = of('turnstone', { power: 'runs', beeps: '3', screen: 'dark' });
    const refused = nextTests(d.diagnosis, d.era, d.family)
      .filter((t) => t.isRefused)
      .map((t) => t.test.id);
    expect(refused).to.include('other-keyboard');
    const useful = d.tests.filter((t) => !t.isRefused && t.test.id !== 'listen').map((t) => t.test.id);
    expect(useful).to.include('reseat-memory');
    expect(d.tests.every((t) => t.bits >= -1e-9)).to.equal(true);
  });

  it('never tells to switch on again while a rail may be short, or while the checks say stop', () => {
    for (const power of ['twitch', 'ticks'] as const) {
      const d = of('sanderling', { power });
      expect(d.tests[0]?.test.id).to.equal('ohms');
      expect(d.tests.map((t) => t.test.id)).to.not.include('listen');
    }
    const kit = kitOf(demo('sanderling'), parts);
    const stop = { rule: 'cpu.voltage', severity: 'stop', subjects: [] } as never;
    const d = diagnoseMachine(kit, [stop], start({ power: 'runs', screen: 'dark' }));
    for (const id of ['listen', 'volts', 'strip', 'other-display', 'reseat-memory'])
      expect(d.tests.map((t) => t.test.id)).to.not.include(id);
    expect(() => readStart('stays: perhaps', AT)).to.throw('line 1');
  });
});
