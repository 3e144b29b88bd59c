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
  rehearse,
  soundsOf,
  testById,
  traces,
  type Era,
  type FaultMode,
  type Family
} from '../../src/lib/core/diagnosis';
import { kitOf } from '../../src/lib/core/kit';
import type { Build, Item, Start } from '../../src/lib/core/model';
import { checked } from '../../src/lib/core/rules';
import { choose, resolve } from '../../src/lib/core/solver';
import { readStarts } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const AT = '2026-01-01T00:00:00Z';
const start = (told: Omit<Start, 'at'>): Start => ({ at: AT, ...told });
/** A machine without what the checks find wrong in it. */
const sound = (name: string): Build => ({ ...demo(name), ...soundItems(demo(name)) });
/** Each clash of the demo machines is one of lines: the plan that resolves them is how they were found. */
function soundItems(build: Build): Pick<Build, 'board' | 'items'> {
  const got = resolve(build, parts);
  const planned = got.status === 'solved' ? choose(build, got) : build;
  const settled = (item: Item): Item => ({
    ...item,
    asFound: { ...item.asFound, ...item.chosen },
    chosen: {}
  });
  return { board: settled(planned.board), items: planned.items.map(settled) };
}
const of = (name: string, ...told: Omit<Start, 'at'>[]) =>
  diagnoseMachine(sound(name), parts, told.map(start));
function verdictOf(d: ReturnType<typeof of>, component: string) {
  const found = d.diagnosis.components.find((c) => c.component === component);
  expect(found, `${component} is weighed`).to.not.equal(undefined);
  return found!.verdict;
}

/** Shares of the grades of storage, and how each moves the odds. */
const GRADES: [number, number][] = [
  [0.5, 0.55],
  [0.35, 1.1],
  [0.15, 2.3]
];

/** Chance of all steps, by trying each cure as gone well and as not. */
function walked(
  modes: readonly FaultMode[],
  now: Set<number>,
  out: Set<number>,
  steps: readonly Start[]
): number {
  const [step, ...rest] = steps;
  if (!step) return 1;
  if (step.read) {
    const { finds, sure } = testById.get(step.read.test)!.reads!;
    const hit = [...now].some((i) => finds(modes[i]!)) ? sure : 1 - sure;
    return (step.read.found ? hit : 1 - hit) * walked(modes, now, out, rest);
  }
  const seen = (left: Set<number>) =>
    traces(
      modes,
      [...left].sort((a, b) => a - b),
      'A',
      'III'
    ).reduce((sum, t) => sum + t.p * likelihoodOf(observed(step), t, 'A'), 0);
  const test = step.after === undefined ? undefined : testById.get(step.after);
  if (test?.restores) {
    const back = new Set([...now, ...out]);
    return seen(back) * walked(modes, back, new Set(), rest);
  }
  const gone = [...now].filter((i) => test?.removes?.cures(modes[i]!));
  if (!gone.length) return seen(now) * walked(modes, now, test?.removes ? new Set() : out, rest);
  const left = new Set([...now].filter((i) => !gone.includes(i)));
  const { sure } = test!.removes!;
  const kept = new Set(gone.filter((i) => modes[i]!.cure === 'exchange'));
  return (
    sure * seen(left) * walked(modes, left, kept, rest) +
    (1 - sure) * seen(now) * walked(modes, now, new Set(), rest)
  );
}

/** What was seen → what a technician would say of each part. */
const truths: [string, Omit<Start, 'at'>, Record<string, string>][] = [
  [
    'sanderling',
    { power: 'twitch' },
    {
      display: 'untested',
      memory: 'untested',
      keyboard: 'untested',
      cell: 'untested',
      'floppy-a': 'untested'
    }
  ],
  [
    'dunlin',
    { power: 'runs', beeps: '1 long 2 short', screen: 'dark' },
    { display: 'implicated', keyboard: 'untested', short: 'cleared', 'hard-disk': 'untested' }
  ],
  [
    'dunlin',
    { power: 'runs', screen: 'text', messages: ['disk', 'floppy'] },
    { 'hard-disk': 'implicated', display: 'cleared', 'floppy-a': 'open' }
  ],
  [
    'turnstone',
    { power: 'runs', screen: 'text', reached: 'summary', messages: ['floppy'] },
    { 'floppy-a': 'implicated', display: 'cleared' }
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
    const nothing = (told: Omit<Start, 'at'>) => {
      const { diagnosis: d } = of('dunlin', told);
      return d.post.sets.find((x) => x.faults.every((i) => d.modes[i]!.prior >= 1))?.p ?? 0;
    };
    const once = nothing({ power: 'runs', beeps: '1', screen: 'dark' });
    const sure = nothing({ power: 'runs', beeps: '1', screen: 'dark', darkSure: true });
    expect(once).to.be.greaterThan(3 * sure);
  });

  it('agrees with all subsets walked through one by one, on random machines', () => {
    const r = new Seeded(11);
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
          way: e.id,
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
      const any = new Map<string, number>();
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
            for (const c of new Set(faults.map((i) => modes[i]!.component)))
              any.set(c, (any.get(c) ?? 0) + prior * seen);
          }
      modes.forEach((m, i) => {
        const own = d.components.flatMap((c) => c.modes).find((x) => x.id === m.id)!;
        expect(own.posterior, `${round} ${m.id}`).to.be.closeTo(each[i]! / total, 1e-9);
      });
      for (const c of d.components)
        expect(c.posterior, `${round} ${c.component}`).to.be.closeTo(any.get(c.component)! / total, 1e-9);
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

  it('rehearses the settings as found, and apart from them as planned', () => {
    const found = rehearse(demo('plover'), parts, 'found');
    expect(found.stages[0]!.stage).to.equal('rails');
    expect(found.stages.filter((s) => s.because.length).map((s) => s.stage)).to.deep.equal(['config']);
    const got = resolve(demo('plover'), parts);
    if (got.status !== 'solved') throw new Error(got.status);
    const planned = choose(demo('plover'), got);
    const at = (which: 'found' | 'chosen') =>
      rehearse(planned, parts, which).stages.flatMap((s) => s.because.map((b) => b.mode.finding!.rule));
    expect(at('found')).to.include.members(['line.irq', 'line.dma', 'line.io']);
    expect(at('chosen')).to.deep.equal([]);
    const bare = { ...demo('plover'), items: [] };
    expect(rehearse(bare, parts, 'found').notEntered).to.include.members(['cpu', 'memory', 'display']);
  });

  it('weighs a setting that nobody looked at, and does not once it was seen', () => {
    const dunlin = demo('dunlin');
    const { display: _, ...rest } = dunlin.board.asFound;
    const told = [start({ power: 'runs', beeps: '1 long 2 short', screen: 'dark' })];
    const unseen = diagnoseMachine({ ...dunlin, board: { ...dunlin.board, asFound: rest } }, parts, told);
    const of = (d: typeof unseen) =>
      d.diagnosis.components.find((c) => c.component === 'setting board display');
    expect(of(unseen)?.mode.unseen).to.include({ item: 'board', setting: 'display' });
    expect(of(unseen)!.posterior).to.be.greaterThan(of(unseen)!.prior);
    expect(of(diagnoseMachine(dunlin, parts, told))).to.equal(undefined);
  });

  it('adds up what was done between starts as all ways of it walked through one by one', () => {
    const r = new Seeded(29);
    const tests = ['reseat-memory', 'reseat-cpu', 'other-memory', 'other-display', 'nothing', 'put-back'];
    for (let round = 0; round < 120; round++) {
      const modes: FaultMode[] = r
        .some(
          estimates.filter((e) => e.prior[2]! > 0),
          2 + r.int(5)
        )
        .map((e) => ({
          id: e.id,
          way: e.id,
          component: e.component,
          prior: e.prior[2]!,
          effect: e.effect,
          cure: e.cure
        }));
      const steps: Start[] = [
        start({ power: 'runs', beeps: r.pick(['none', '3', '8']), screen: 'dark' }),
        ...(r.chance(0.5)
          ? [start({ read: { test: r.pick(['cell', 'leak', 'volts']), found: r.chance(0.5) } })]
          : []),
        start({ after: r.pick(tests), power: 'runs', beeps: r.pick(['1', '3', '8', 'none']) }),
        ...(r.chance(0.5) ? [start({ after: r.pick(tests), screen: r.pick(['dark', 'text']) })] : [])
      ];
      const d = diagnose(modes, steps, 'III', 'A', modes.length);
      const each = modes.map(() => 0);
      let total = 0;
      for (let bits = 0; bits < 2 ** modes.length; bits++)
        for (const [pg, factor] of GRADES) {
          const faults = new Set(modes.flatMap((_, i) => (bits & (1 << i) ? [i] : [])));
          const prior = modes.reduce((p, m, i) => {
            const o = (m.prior / (1 - m.prior)) * (m.id === 'cell' ? 1 : factor);
            return p * (faults.has(i) ? o / (1 + o) : 1 / (1 + o));
          }, pg);
          const p = prior * walked(modes, faults, new Set(), steps);
          total += p;
          faults.forEach((i) => (each[i]! += p));
        }
      modes.forEach((m, i) => {
        const own = d.components.flatMap((c) => c.modes).find((x) => x.id === m.id)!;
        expect(own.posterior, `${round} ${m.id}`).to.be.closeTo(each[i]! / total, 1e-9);
      });
    }
  });

  it('counts a good start after an exchange for that part, and asks to put the old one back', () => {
    const first = { power: 'runs', beeps: '3', screen: 'dark' } as const;
    const cured = of('turnstone', first, {
      after: 'other-memory',
      power: 'runs',
      screen: 'text',
      reached: 'prompt'
    });
    expect(verdictOf(cured, 'memory')).to.equal('implicated');
    expect(cured.tests.filter((t) => !t.isRefused).map((t) => t.test.id)).to.include('put-back');
    const chip = (d: ReturnType<typeof of>) =>
      d.diagnosis.components.flatMap((c) => c.modes).find((m) => m.id === 'memory-chip')!.posterior;
    const back = of(
      'turnstone',
      first,
      { after: 'other-memory', power: 'runs', screen: 'text', reached: 'prompt' },
      { after: 'put-back', ...first }
    );
    expect(chip(back)).to.be.greaterThan(0.85);
    const stayed = of(
      'turnstone',
      first,
      { after: 'other-memory', power: 'runs', screen: 'text', reached: 'prompt' },
      { after: 'put-back', power: 'runs', screen: 'text', reached: 'prompt' }
    );
    expect(chip(stayed)).to.be.lessThan(0.1);
    // Without a word of what was done the first start is of another machine.
    expect(of('turnstone', first, { power: 'runs', screen: 'text' }).episode).to.equal(1);
  });

  it('puts no suspect part into another machine before its rails were measured', () => {
    const first = { power: 'runs', beeps: '8', screen: 'dark' } as const;
    const offer = (d: ReturnType<typeof of>) => d.tests.find((t) => t.test.id === 'display-elsewhere')!;
    expect(offer(of('plover', first))).to.include({ isRefused: true, guard: 'ohms-first' });
    expect(offer(of('plover', first, { read: { test: 'ohms', found: false } })).guard).to.equal(undefined);
    const short = of('plover', first, { read: { test: 'ohms', found: true } });
    expect(short.tests.map((t) => t.test.id)).to.not.include('display-elsewhere');
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
    const stopped = demo('curlew');
    stopped.board.asFound = { ...stopped.board.asFound, volts: '3.3' };
    expect(checked(stopped, parts).findings.map((f) => f.rule)).to.include('cpu.voltage');
    const d = diagnoseMachine(stopped, parts, [start({ power: 'runs', screen: 'dark' })]);
    for (const id of ['listen', 'volts', 'strip', 'other-display', 'reseat-memory'])
      expect(d.tests.map((t) => t.test.id)).to.not.include(id);
    const short = of('turnstone', { power: 'twitch' }, { read: { test: 'ohms', found: true } });
    expect(short.tests.length).to.be.greaterThan(0);
    for (const t of short.tests) expect(testById.get(t.test.id)!.reads, t.test.id).to.not.equal(undefined);
    expect(() => readStarts('stays: perhaps', AT)).to.throw('line 1');
  });
});
