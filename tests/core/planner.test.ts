import { expect } from 'chai';
import { check } from '../support/make';
import { Brief, Build, Part, checkBuild, partSet, type Profile } from '../../src/lib/core/model';
import {
  adopt,
  benchFor,
  front,
  keeping,
  middleWeights,
  plan,
  search,
  sides,
  whyNot,
  type Plan,
  type PlanRequest,
  type Unit,
  type Weights
} from '../../src/lib/core/planner';
import { readSoftware } from '../../src/lib/server/catalogue';
import { barWords } from '../../src/lib/words';
import { demo, demoShelf, parts } from '../support/demo';
import { bruteBest } from '../support/brute-plan';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const all = [...parts.values()];
/** The best machine and the plans for a brief on the whole catalogue, with nothing on the shelf; worked out once. */
const known = new Map<Brief, { best?: Plan; plans?: ReturnType<typeof plan> }>();
const of = (b: Brief) => known.get(b) ?? known.set(b, {}).get(b)!;
const whole = (b: Brief): PlanRequest => ({ brief: b, parts: all, shelf: [] });
const bestOf = (b: Brief): Plan => (of(b).best ??= search(whole(b)).best!);
const plansOf = (b: Brief) => (of(b).plans ??= plan(whole(b)));
const software = readSoftware(new URL('../../catalogue', import.meta.url).pathname);
const programs = (...ids: string[]): Profile[] => ids.map((id) => software.find((p) => p.id === id)!);
const brief = (extra: Partial<Brief>): Brief => Brief.parse({ ...extra });
const shelf = (...ids: string[]): Unit[] => ids.map((part, i) => ({ specimen: `s${i}`, part, asFound: {} }));
const against = (p: Plan) =>
  check(p.build, parts).filter(
    (f) => (f.severity === 'stop' || f.severity === 'clash') && !/^(software|audio\.profile)/.test(f.rule)
  );

/** A catalogue small enough for brute force: a few parts of each sort, drawn at random. */
function small(seed: number): PlanRequest {
  const r = new Seeded(seed);
  const draw = (test: (p: Part) => unknown, n: number): Part[] => {
    const left = all.filter(test);
    const out: Part[] = [];
    while (out.length < n && left.length) out.push(left.splice(r.int(left.length), 1)[0]);
    return out;
  };
  const year = 1985 + r.int(12);
  const sold = (p: Part) => p.sold!.from <= year + 1 && (p.sold!.to ?? 2010) >= year - 3;
  const boards = draw((p) => p.board && sold(p), 2);
  const cards = (test: (p: Part) => boolean, n: number) => draw((p) => p.card && sold(p) && test(p), n);
  const does = (p: Part, ...kinds: string[]) => p.functions.some((f) => kinds.includes(f.kind));
  const fits = (p: Part) => p.cpu && boards.some((b) => b.board!.cpuSocket?.accepts.includes(p.cpu!.socket));
  const modules = (p: Part) =>
    p.module && boards.some((b) => b.board!.memory?.banks.some((k) => k.forms.includes(p.module!.form)));
  const list = [
    ...boards,
    ...boards.flatMap((b) =>
      all.filter((p) => p.id === b.board!.cpuSocket?.soldered || p.id === b.board!.firmware)
    ),
    ...draw(fits, 2),
    ...draw(modules, 2),
    ...cards((p) => p.video !== undefined, 2),
    ...draw((p) => p.monitor, 1),
    // With these something mostly fits.
    ...all.filter((p) =>
      ['glimmerby-ms14', 'tinhallow-a8', 'tinhallow-tx', 'ampstead-a300', 'clatterley-101x'].includes(p.id)
    ),
    ...cards((p) => p.audio !== undefined, 1),
    ...draw((p) => p.drive?.medium === 'hard' && sold(p), 1),
    ...draw((p) => p.drive?.interface === 'floppy' && p.drive.medium === 'floppy', 1),
    ...cards((p) => does(p, 'floppy') && does(p, 'hard-disk'), 1),
    ...cards((p) => !p.video && !p.audio && does(p, 'floppy', 'hard-disk', 'serial', 'network'), 2),
    ...draw((p) => p.keyboard, 1),
    ...draw((p) => p.supply, 1),
    ...draw((p) => p.chassis, 1)
  ];
  const wanted = software.filter((p) => Math.abs((p.year ?? year) - year) < 4);
  const pick = (n: number) => Array.from({ length: n }, () => wanted[r.int(wanted.length)]);
  return {
    parts: [...new Map(list.map((p) => [p.id, p])).values()],
    shelf: list.filter(() => r.chance(0.3)).map((p, i) => ({ specimen: `s${i}`, part: p.id, asFound: {} })),
    brief: brief({
      date: String(year),
      os: r.chance(0.5) ? 'DOS 6.22' : 'DOS 3.3',
      strictness: 'convenient',
      profiles: [...new Map(pick(1 + r.int(3)).map((p) => [p.id, p])).values()],
      wishes: r.chance(0.3) ? [{ kind: 'have', what: 'network' }] : []
    })
  };
}

describe('the planner', () => {
  it('finds what brute force finds on small catalogues', () => {
    let found = 0;
    for (let seed = 1; seed <= torture(24, 1); seed++) {
      const request = small(seed);
      const wanted = bruteBest(request);
      const got = search(request);
      expect(got.exact, `seed ${seed}`).to.equal(true);
      if (wanted === null) expect(got.best, `seed ${seed}: nothing fits`).to.equal(null);
      else {
        found++;
        expect(got.best, `seed ${seed}`).to.not.equal(null);
        expect(got.best!.score, `seed ${seed}`).to.be.closeTo(wanted, 1e-6);
      }
    }
    expect(found).to.be.greaterThan(0);
  });

  const briefs: Brief[] = [
    brief({ date: '1986-05', os: 'DOS 3.2', profiles: programs('berth-ledger', 'quayword', 'lantern-keep') }),
    brief({
      date: '1991-06',
      os: 'DOS 5',
      profiles: programs('petrel', 'night-ferry'),
      wishes: [{ kind: 'have', what: 'network' }]
    }),
    brief({ date: '1994-05', os: 'DOS 6.22', profiles: programs('deep-cellar-2', 'cliff-rescue') }),
    brief({ date: '1998-05', os: 'Windows 98', profiles: programs('skuas-3d', 'ember-halls') })
  ];
  for (const b of briefs)
    it(`proposes whole machines for ${b.date}: clean, jumpered, different in kind`, () => {
      const { plans, exact } = plansOf(b);
      expect(exact).to.equal(true);
      expect(plans.length).to.be.within(2, 6);
      for (const p of plans) {
        expect(checkBuild({ ...p.build, id: 'plan' }, parts)).to.deep.equal([]);
        expect(against(p).map((f) => f.title)).to.deep.equal([]);
        expect(p.missed, 'these briefs can be met').to.have.length(p.criteria.missed);
        expect(p.build.items.some((i) => parts.get(i.part)!.kind === 'supply')).to.equal(true);
      }
      expect(plans[0].missed).to.deep.equal([]);
      const dominated = plans.some((p) =>
        plans.some(
          (q) =>
            q !== p &&
            sides.every((s) => q.criteria[s] <= p.criteria[s]) &&
            sides.some((s) => q.criteria[s] < p.criteria[s])
        )
      );
      expect(dominated, 'a front, no plan worse in everything').to.equal(false);
      const kinds = plans.map((p) =>
        p.chosen
          .filter((c) => ['base', 'display', 'audio'].includes(c.role))
          .map((c) => c.part)
          .join(' ')
      );
      expect(new Set(kinds).size).to.equal(plans.length);
    });

  it('is the same every time, and the order of the parts changes nothing', () => {
    const request = whole(briefs[1]);
    const a = bestOf(briefs[1]);
    const b = search({ ...request, parts: [...all].reverse() }).best!;
    expect(b.score).to.equal(a.score);
    expect(search(request).best!.chosen).to.deep.equal(a.chosen);
  });

  it('each wish is met by what is proposed, with what lies on the shelf of the demo, in any order', () => {
    const things = demoShelf();
    const games = demo('sanderling').brief;
    const wishes: NonNullable<Brief['wishes']> = [
      ...(
        ['network', 'scsi', 'cdrom', 'midi', 'game', 'modem', 'mouse', 'floppy-5', 'floppy-3', 'fpu'] as const
      ).map((what) => ({ kind: 'have' as const, what })),
      { kind: 'real-disk' },
      { kind: 'colour' },
      { kind: 'quiet' },
      { kind: 'spare-slots', count: 3 },
      { kind: 'original-look' },
      { kind: 'emulator-outside' }
    ];
    for (const [n, wish] of wishes.entries()) {
      // A search takes half a second: every second wish tells, and the other half in the long version.
      if (n % torture(1, 2)) continue;
      const request = { brief: { ...games, wishes: [wish] }, parts: all, shelf: things };
      const { best, exact } = search(request);
      const told = 'what' in wish ? wish.what : wish.kind;
      expect(best, told).to.not.equal(null);
      expect(
        check(best!.build, parts).filter((f) => f.rule.startsWith('brief.wish')),
        told
      ).to.deep.equal([]);
      expect(exact, told).to.equal(true);
      // Whatever the wish is, the order is the same matter: some tell.
      if (n % torture(1, 8)) continue;
      const turned = search({ ...request, parts: [...all].reverse(), shelf: [...things].reverse() });
      expect(turned.best!.score, told).to.be.closeTo(best!.score, 1e-6);
    }
  });
  it('answers the same whether its machines were met from another side before or not', () => {
    const request = { brief: demo('sanderling').brief, parts: all, shelf: demoShelf() };
    const bench = benchFor(request);
    for (const weights of [{}, { cost: 10 }, { slots: 10 }]) {
      const side = { ...request, weights: { ...middleWeights, ...weights } };
      const [before, fresh] = [search(side, {}, { bench }), search(side)];
      expect(before.best).to.deep.equal(fresh.best);
      expect(before.machines).to.equal(fresh.machines);
    }
  });
  it('a part that has to be in and has no driver for the system ends the search, proved and with its reason', () => {
    const old = brief({ os: 'DOS 3.3', strictness: 'convenient' });
    const found = search({ brief: old, parts: all, shelf: [], fixed: ['harl-pci'] });
    expect([found.best, found.exact, found.machines]).to.deep.equal([null, true, 1]);
    expect(found.reasons.map((r) => (r.kind === 'finding' ? r.finding.rule : r.kind))).to.deep.equal([
      'os.driver'
    ]);
  });
  it('the same module in two banks counts twice: on the shelf, in what is to buy, in the list', () => {
    const module = 'pendrum-s72-16m';
    const fixed = ['varnoc-v66', 'ashgill-486dx2-66'];
    const wants = {
      profiles: [{ id: 'big', name: 'Big', needs: [], wants: { memory: { extendedKiB: 20_000 } } }]
    };
    const only = all.filter((p) => p.kind !== 'memory' || p.id === module);
    const have = [0, 1, 2].map(
      (n) =>
        search({ brief: brief(wants), parts: only, fixed, shelf: shelf(...Array<string>(n).fill(module)) })
          .best!
    );
    for (const n of [0, 1, 2]) {
      const memory = have[n].chosen.filter((c) => c.role === 'memory');
      expect(
        memory.map((c) => [c.part, c.count, c.onShelf]),
        `${n} on the shelf`
      ).to.deep.equal([[module, 2, n]]);
    }
    expect(have[1].criteria.bought).to.equal(have[2].criteria.bought + 1);
    expect(have[0].criteria.cost).to.be.greaterThan(have[1].criteria.cost);
  });
  it('a sound card that is heavier stays when it brings what the brief wants', () => {
    // An early machine: only one 8-bit card of its time has a MIDI interface, only another a place for a CD-ROM drive.
    for (const what of ['midi', 'cdrom'] as const) {
      const request = {
        brief: { ...demo('dunlin').brief, wishes: [{ kind: 'have' as const, what }] },
        parts: all,
        shelf: demoShelf()
      };
      expect(search(request).best, what).to.not.equal(null);
    }
  });
  it('weights turn it: a heavier cost never makes it dearer', () => {
    const at = (weights: Partial<Weights>) =>
      search({ brief: briefs[2], parts: all, shelf: [], weights: { ...middleWeights, ...weights } }).best!;
    const middle = bestOf(briefs[2]).criteria;
    expect(at({ cost: 10 }).criteria.cost).to.be.at.most(middle.cost);
    expect(at({ period: 10 }).criteria.years).to.be.at.most(middle.years);
  });

  it('uses the shelf, and from the shelf only when told so', () => {
    const first = bestOf(briefs[1]);
    const owned = shelf(...first.chosen.flatMap((c) => Array.from({ length: c.count }, () => c.part)));
    const again = search({ brief: { ...briefs[1], source: 'shelf' }, parts: all, shelf: owned }).best!;
    expect(again.criteria.bought).to.equal(0);
    expect(again.criteria.cost).to.equal(0);
    expect(again.build.items.every((i) => i.specimen)).to.equal(true);
    expect(
      search({ brief: { ...briefs[1], source: 'shelf' }, parts: all, shelf: owned.slice(3) }).best
    ).to.equal(null);
  });

  it('completes from fixed choices', () => {
    const fixed = ['ostrel-t286', 'oddmere-e256', 'harl-n8'];
    const { best } = search({
      brief: brief({ date: '1990', os: 'DOS 3.3', profiles: programs('broadsheet') }),
      parts: all,
      shelf: [],
      fixed
    });
    const used = best!.chosen.map((c) => c.part);
    expect(used).to.include.members(fixed);
    expect(against(best!)).to.deep.equal([]);
  });

  it('a case whose openings do not meet the slots of the board is never proposed', () => {
    const caseOf = (...there: string[]) => {
      const { best } = search({
        brief: brief({ date: '1983', os: 'DOS 2.0' }),
        parts: all.filter((p) => !p.chassis || there.includes(p.id)),
        shelf: [],
        fixed: ['skerrin-px5']
      });
      return best?.chosen.find((c) => parts.get(c.part)!.chassis)?.part;
    };
    expect(caseOf('tinhallow-x8', 'tinhallow-x5')).to.equal('tinhallow-x5');
    expect(caseOf('tinhallow-x8')).to.equal(undefined);
  });

  it('a drive that is fed over its cable is only tried where a cable feeds it', () => {
    const request: PlanRequest = {
      brief: brief({
        date: '1994-05',
        os: 'DOS 6.22',
        profiles: programs('deep-cellar-2', 'cliff-rescue', 'notestand')
      }),
      parts: all,
      shelf: []
    };
    expect(all.some((p) => p.drive?.plug === 'cable' && p.sold!.from <= 1994)).to.equal(true);
    const found = search(request);
    expect(found.reasons.flatMap((r) => (r.kind === 'finding' ? [r.finding.rule] : []))).to.not.include(
      'disk.power'
    );
    // Machines that fail late are counted, and too many of them leave the others unlooked at.
    for (const p of plan(request).plans) expect(p.score).to.be.lessThan(2 * found.best!.score);
  });

  it('says why not: barred, worse, or impossible', () => {
    const request: PlanRequest = { brief: { ...briefs[1], strictness: 'exact' }, parts: all, shelf: [] };
    const best = search(request).best!;
    expect(barWords(whyNot(request, best, 'harl-pci').barred!)).to.match(/first sold in 1996/);
    const worse = whyNot(request, best, 'brim-v8');
    expect(worse.with!.score).to.be.at.least(best.score);
    expect(worse.worse.length + worse.better.length).to.be.greaterThan(0);
    expect(barWords(whyNot(request, best, 'no-such').barred!)).to.match(/not in the catalogue/);
    const vlb = whyNot({ ...request, fixed: ['skerrin-px8'] }, best, 'brim-v16');
    expect(vlb.barred === null && (vlb.with !== null || vlb.reasons.length > 0)).to.equal(true);
  });

  it('what a driver or the front of the case forbids is barred, and said so', () => {
    const old = {
      brief: brief({ os: 'DOS 3.3', wishes: [{ kind: 'original-look' }] }),
      parts: all,
      shelf: []
    };
    const { best } = search(old);
    const barredBy = (part: string) => whyNot(old, best!, part).barred;
    expect(barredBy('wexmoor-cd24')).to.deep.equal({
      why: 'driver',
      lacks: { why: 'dos', needs: 5, dos: 3.3 }
    });
    expect(barredBy('harl-usb')).to.deep.equal({ why: 'driver', lacks: { why: 'windows', needs: 4 } });
    expect(barWords(barredBy('harl-usb')!)).to.match(/Windows 95 or later only/);
    expect(barredBy('feldspar-femu')).to.deep.equal({ why: 'seen-in-front' });
    expect(barredBy('wexmoor-cd2s')).to.equal(null);
  });
  it('when nothing fits, each set to drop suffices and no part of it does', () => {
    const request: PlanRequest = { brief: demo('whimbrel').brief, parts: all, shelf: shelf('grevane-t8') };
    const { plans, drops } = plan(request);
    expect(plans).to.deep.equal([]);
    expect(drops.length).to.be.greaterThan(0);
    const { demands } = drops[0];
    expect(drops.map((d) => d.demands.length)).to.deep.equal(drops.map(() => demands.length));
    const others = (left: typeof demands) => {
      const kept = allDemands(request).filter((d) => !left.some((x) => x.id === d.id));
      return search(keeping(request, kept), { maxLeaves: 60, maxSteps: 30_000 }, { any: true }).best;
    };
    expect(others(demands)).to.not.equal(null);
    for (const one of demands)
      expect(
        others(demands.filter((d) => d !== one)),
        `without ${one.id} of ${demands.map((d) => d.id).join()}`
      ).to.equal(null);
  });
  const allDemands = (request: PlanRequest) => {
    const { demands } = drops(request);
    return demands;
  };
  function drops(request: PlanRequest) {
    const wishes = (request.brief.wishes ?? []).map((_, wish) => ({
      id: `wish-${wish}`,
      kind: 'wish' as const,
      wish
    }));
    return {
      demands: [
        ...wishes,
        { id: 'strict', kind: 'strict' as const },
        { id: 'shelf', kind: 'shelf' as const },
        { id: 'budget', kind: 'budget' as const }
      ]
    };
  }

  it('can be stopped, and says so', () => {
    const got = search({ brief: briefs[3], parts: all, shelf: [] }, { maxLeaves: 1 });
    expect(got.exact).to.equal(false);
    let asked = 0;
    const stopped = search({ brief: briefs[3], parts: all, shelf: [] }, { shouldStop: () => ++asked > 2 });
    expect(stopped.exact).to.equal(false);
  });

  it('a plan is taken over what was there, and nothing recorded is lost', () => {
    const build = demo('plover');
    const { best } = search({
      brief: build.brief,
      parts: all,
      shelf: [],
      fixed: [build.board.part, 'tollmark-16']
    });
    const after = adopt(build, best!);
    expect(checkBuild(after, parts)).to.deep.equal([]);
    expect(Build.parse(after)).to.deep.equal(after);
    expect(after.items.find((i) => i.part === 'tollmark-16')!.asFound).to.deep.equal(
      build.items.find((i) => i.part === 'tollmark-16')!.asFound
    );
    const before = build.items.map((i) => i.id);
    const now = [...after.items, ...after.shelf].map((i) => i.id);
    expect(now).to.include.members(before);
    expect(new Set(now).size).to.equal(now.length);
  });

  it('the front keeps the best first and drops what is beaten in everything', () => {
    const best = bestOf(briefs[0]);
    const worse: Plan = {
      ...best,
      criteria: { ...best.criteria, cost: best.criteria.cost + 50 },
      score: best.score + 5
    };
    expect(front([best, worse])).to.deep.equal([best]);
    expect(partSet(all).size).to.equal(all.length);
  });

  it('the front holds at most two machines on one board', () => {
    const { plans } = plansOf(briefs[1]);
    const boards = plans.map((p) => p.build.board.part);
    expect(plans.length).to.be.greaterThan(3);
    for (const b of boards) expect(boards.filter((x) => x === b).length, b).to.be.at.most(2);
    expect(plans.map((p) => p.score)).to.deep.equal([...plans.map((p) => p.score)].sort((a, b) => a - b));
  });

  it('a budget that a proposed machine keeps is never said to be too small', () => {
    for (const [date, os] of [
      ['1986-05', 'DOS 3.2'],
      ['1992-06', 'DOS 5'],
      ['1990-03', 'DOS 4.0']
    ] as const) {
      const free = plan({ brief: brief({ date, os }), parts: all, shelf: [] });
      const least = Math.min(...free.plans.map((p) => p.criteria.cost));
      const within = plan({ brief: brief({ date, os, budget: Math.ceil(least) }), parts: all, shelf: [] });
      expect(within.plans.length, date).to.be.greaterThan(0);
      for (const p of within.plans) expect(p.criteria.cost, date).to.be.at.most(Math.ceil(least));
      const none = plan({ brief: brief({ date, os, budget: Math.floor(least / 3) }), parts: all, shelf: [] });
      expect([none.plans.length, none.drops.map((d) => d.demands.map((x) => x.id))], date).to.deep.equal([
        0,
        [['budget']]
      ]);
    }
  });
});
