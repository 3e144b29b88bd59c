import { expect } from 'chai';
import {
  bestOrderByDos,
  blockedLine,
  changedLines,
  keepPresent,
  needOf,
  place,
  placeBest,
  placeByDos,
  type Line,
  type Present
} from '../../src/lib/core/placement';
import { Packs } from '../../src/lib/core/placement/packs';
import { line } from '../support/line';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const HEAD = 32;
const EIGHT = [
  line('cd', 0, 21400, 11600),
  line('ansi', 0, 9100, 4240),
  line('display', 0, 23000, 8300),
  line('redirector', 1, 46500, 27950, ['cd']),
  line('cache', 1, 45200, 29030, ['redirector'], true),
  line('mouse', 1, 56400, 16900),
  line('keyboard', 1, 19500, 6220, ['display']),
  line('history', 1, 5900, 4140)
];

/** Every legal order and every region, nothing pruned but what does not fit. Written apart from the search. */
function brute(lines: readonly Line[], regions: readonly number[]): number | null {
  let best: number | null = null;
  const walk = (left: readonly Line[], done: readonly Line[], free: readonly number[], low: number): void => {
    if (!left.length) {
      best = best === null ? low : Math.min(best, low);
      return;
    }
    for (const l of left) {
      if (left.some((o) => o !== l && l.after.includes(o.name))) continue;
      if (l.stage === 1 && left.some((o) => o.stage === 0)) continue;
      const rest = left.filter((o) => o !== l);
      walk(rest, [...done, l], free, low + l.stay);
      const need = l.movesItself ? l.stay : l.load;
      free.forEach((f, r) => {
        if (l.high && need <= f)
          walk(
            rest,
            [...done, l],
            free.map((x, i) => (i === r ? x - l.stay : x)),
            low
          );
      });
    }
  };
  walk(lines, [], regions, 0);
  return best;
}

describe('placing in upper memory', () => {
  it('comes out to the byte for the worked example, with every place of the page frame', () => {
    const two = [0x8000 - HEAD, 0x10000 - HEAD];
    expect(placeByDos(EIGHT, two).low).to.equal(44850);
    expect(bestOrderByDos(EIGHT, two)?.low).to.equal(44850);
    const kept = EIGHT.map((l, i) => ({ ...l, after: EIGHT.slice(0, i).map((x) => x.name) }));
    expect(place(kept, two).low).to.equal(21140);
    const best = place(EIGHT, two);
    expect([best.status, best.low]).to.deep.equal(['optimal', 16900]);
    expect(best.order.filter((p) => p.region === 0).map((p) => p.name)).to.deep.equal(['mouse']);
    const variants: [number[], number, number][] = [
      [[0x18000 - HEAD], 23120, 10360],
      [[0x8000 - HEAD, 0x18000 - HEAD], 16900, 0],
      [[0x28000 - HEAD], 0, 0],
      [[0x8000 - HEAD], 88400, 79350]
    ];
    for (const [regions, dos, exact] of variants) {
      expect(placeByDos(EIGHT, regions).low).to.equal(dos);
      expect(place(EIGHT, regions).low).to.equal(exact);
    }
  });

  const random = (r: Seeded, n: number): Line[] =>
    Array.from({ length: n }, (_, i): Line => {
      const stay = 1000 + r.int(30000);
      const earlier = Array.from({ length: i }, (_, k) => `l${k}`);
      return {
        name: `l${i}`,
        stage: r.chance(0.4) ? 0 : 1,
        load: stay + r.int(30000),
        stay,
        after: r.chance(0.35) && i ? [r.pick(earlier)] : [],
        high: r.chance(0.92),
        movesItself: r.chance(0.15)
      };
    });

  it('agrees with every order and region on 2,000 random machines', () => {
    const r = new Seeded(17);
    for (let round = 0; round < 2000; round++) {
      const lines = random(r, 1 + r.int(5));
      const regions = Array.from({ length: r.int(4) }, () => 4000 + r.int(60000));
      const own = place(lines, regions);
      const wanted = brute(lines, regions);
      if (wanted === null) {
        expect(own.status, JSON.stringify(lines)).to.equal('no-order');
        expect(blockedLine(lines)).to.not.equal(null);
        continue;
      }
      expect([own.status, own.low], JSON.stringify({ lines, regions })).to.deep.equal(['optimal', wanted]);
      // The plan is legal, and its numbers are those that it says.
      const free = [...regions];
      let low = 0;
      for (const [i, { name, region }] of own.order.entries()) {
        const l = lines.find((x) => x.name === name)!;
        expect(own.order.slice(i).some((p) => l.after.includes(p.name))).to.equal(false);
        if (region === 0) low += l.stay;
        else {
          expect(l.movesItself ? l.stay : l.load).to.be.at.most(free[region - 1]!);
          free[region - 1]! -= l.stay;
        }
      }
      expect([low, free]).to.deep.equal([own.low, own.free]);
      expect(
        placeByDos(
          own.order.map((p) => lines.find((l) => l.name === p.name)!),
          regions
        ).low
      ).to.be.at.least(own.low);
    }
  });

  it('never calls optimal what was cut off, and keeps a bound', () => {
    const r = new Seeded(3);
    const lines = random(r, 14).map((l) => ({ ...l, after: [] }));
    const room = lines.reduce((s, l) => s + l.stay, 0) * 0.95;
    const regions = [0.3, 0.2, 0.2, 0.15, 0.1, 0.05].map((f) => Math.round(f * room));
    const cut = place(lines, regions, 200);
    const whole = place(lines, regions);
    expect(whole.status).to.equal('optimal');
    if (cut.status === 'best-found') expect(cut.bound).to.be.at.most(whole.low);
    expect(cut.low).to.be.at.least(whole.low);
  });

  it('sees that two regions wait for each other, though each could hold its lines', () => {
    // Above, x must start before y and u before v; but x waits for v, and u for y.
    const lines = [
      line('x', 1, 900, 500, ['v']),
      line('y', 1, 400, 400),
      line('u', 1, 1900, 1100, ['y']),
      line('v', 1, 800, 800)
    ];
    const regions = [900, 1900];
    const packs = new Packs(lines);
    const { packing } = packs.fill(regions, 0, 1000);
    expect(packing).to.deep.equal({ stay: 2800, sets: [0b0011, 0b1100] });
    expect(packs.orderOf(packing!, regions)).to.equal(null);
    const found = place(lines, regions);
    expect([found.status, found.low]).to.deep.equal(['optimal', brute(lines, regions)]);
    expect(found.low).to.be.greaterThan(0);
  });

  it('has room for what stays, whatever is said of the start', () => {
    const lines = [line('late', 1, 100, 3000)];
    expect(place(lines, [2000]).low).to.equal(3000);
    expect(placeByDos(lines, [2000]).low).to.equal(3000);
    expect(place(lines, [3000]).low).to.equal(0);
  });

  it('says which line has no order', () => {
    const c = line('driver', 0, 10, 10, ['program']);
    const a = line('program', 1, 10, 10);
    expect(place([c, a], [100]).status).to.equal('no-order');
    expect(blockedLine([c, a])).to.equal('driver');
  });
});

interface Highs {
  solve(problem: string, options?: Record<string, unknown>): { Status: string; ObjectiveValue: number };
}

/** The placing as a 0/1 program: which region, which of two lines comes first, and what lies there when one starts. */
function milpText(lines: readonly Line[], regions: readonly number[]): string {
  const rows: string[] = [];
  const names: string[] = [];
  const name = (n: string) => (names.push(n), n);
  const x = lines.map((_, i) => regions.map((_, r) => name(`x${i}_${r}`)));
  const o = lines.map((_, i) => lines.map((__, j) => (i === j ? '' : name(`o${i}_${j}`))));
  lines.forEach((l, i) => {
    rows.push(`${x[i]!.join(' + ')} <= ${l.high ? 1 : 0}`);
    lines.forEach((m, j) => {
      if (i === j) return;
      if (i < j) rows.push(`${o[i]![j]} + ${o[j]![i]} = 1`);
      if (m.after.includes(l.name) || (l.stage === 0 && m.stage === 1)) rows.push(`${o[i]![j]} = 1`);
      lines.forEach((_, k) => {
        if (k !== i && k !== j && i < j && i < k) rows.push(`${o[i]![j]} + ${o[j]![k]} + ${o[k]![i]} <= 2`);
      });
    });
    regions.forEach((c, r) => {
      const lying = lines.flatMap((m, j) => {
        if (i === j) return [];
        const z = name(`z${j}_${i}_${r}`);
        rows.push(`${z} - ${x[j]![r]} - ${x[i]![r]} - ${o[j]![i]} >= -2`);
        return [`${m.stay} ${z}`];
      });
      rows.push(`${l.movesItself ? l.stay : l.load} ${x[i]![r]} + ${lying.join(' + ')} <= ${c}`);
    });
  });
  const high = lines.flatMap((l, i) => x[i]!.map((v) => `${l.stay} ${v}`));
  return [
    'Maximize',
    ` obj: ${high.join(' + ')}`,
    'Subject To',
    ...rows.map((row, i) => ` r${i}: ${row}`),
    'Binary',
    ...names.map((v) => ` ${v}`),
    'End'
  ].join('\n');
}

describe('more lines than are searched', () => {
  it('are placed legally one after the other, and never called optimal for that', () => {
    const lines = Array.from({ length: 40 }, (_, i) =>
      line(`l${i}`, i < 20 ? 0 : 1, 3000, 2000, i % 5 === 4 ? [`l${i - 1}`] : [])
    );
    const found = place([...lines].reverse(), [30_000, 20_000]);
    expect(found.status).to.equal('best-found');
    expect(found.order.map((o) => o.name).sort()).to.deep.equal(lines.map((l) => l.name).sort());
    const at = (name: string) => found.order.findIndex((o) => o.name === name);
    for (const l of lines) for (const a of l.after) expect(at(a)).to.be.lessThan(at(l.name));
    for (const [r, size] of [30_000, 20_000].entries())
      expect(found.order.filter((o) => o.region === r + 1).length * 2000).to.be.at.most(size);
    const waiting = [...lines.slice(0, 38), line('a', 0, 1, 1, ['b']), line('b', 0, 1, 1, ['a'])];
    expect(blockedLine(waiting), 'two that wait for each other').to.not.equal(null);
    expect(place(waiting, [1000]).status).to.equal('no-order');
    expect(placeBest(lines, [{ freeBytes: 600_000, regions: [90_000] }])!.placement.low).to.equal(0);
  });
});

describe('the best layout of upper memory', () => {
  it('is the best of all, the first of equal ones, whatever is left out of the search', () => {
    for (let seed = 1; seed <= torture(300, 18); seed++) {
      const r = new Seeded(500 + seed);
      const lines = Array.from({ length: 4 + r.int(9) }, (_, i): Line => {
        const stay = 500 + r.int(9000);
        return line(`l${i}`, r.chance(0.5) ? 0 : 1, stay + r.int(9000), stay, [], r.chance(0.2));
      });
      const layouts = Array.from({ length: 1 + r.int(8) }, () => ({
        freeBytes: 600_000 + r.int(3) * 1000,
        regions: Array.from({ length: 1 + r.int(4) }, () => 2000 + r.int(16_000))
      }));
      const values = layouts.map((l) => l.freeBytes - place(lines, l.regions).low);
      const best = placeBest(lines, layouts)!;
      expect(layouts[best.at]!.freeBytes - best.placement.low, `case ${seed}`).to.equal(Math.max(...values));
      expect(best.at, `case ${seed}`).to.equal(values.indexOf(Math.max(...values)));
      expect(best.placement.status).to.equal('optimal');
    }
  });
  it('is never called optimal where the search was cut off', () => {
    const cut = Array.from({ length: 12 }, (_, seed) => {
      const r = new Seeded(seed);
      const lines = Array.from({ length: 13 }, (__, i): Line => {
        const stay = 1000 + r.int(30_000);
        return line(`l${i}`, i < 7 ? 0 : 1, stay + r.int(30_000), stay, i % 4 === 3 ? [`l${i - 1}`] : []);
      });
      const room = lines.reduce((n, l) => n + l.stay, 0) * 0.95;
      const layouts = [0.6, 0.5].map((part) => ({
        freeBytes: 600_000,
        regions: [room * part, room * (1 - part)].map(Math.floor)
      }));
      return {
        alone: layouts.map((l) => place(lines, l.regions, 1).status),
        best: placeBest(lines, layouts, 1)!.placement.status
      };
    }).filter(({ alone }) => alone.every((s) => s === 'best-found'));
    expect(cut.length).to.be.greaterThan(0);
    for (const { best } of cut) expect(best).to.equal('best-found');
  });
  it('is proved for a hundred crowded layouts of fourteen lines in six regions', () => {
    for (const seed of [30, 40]) {
      const r = new Seeded(seed);
      const lines = Array.from({ length: 14 }, (_, i): Line => {
        const stay = 1000 + r.int(30_000);
        const after = i % 4 === 3 ? [`l${i - 1}`] : [];
        return line(`l${i}`, i < 7 ? 0 : 1, stay + r.int(30_000), stay, after, r.chance(0.12));
      });
      const room = lines.reduce((n, l) => n + l.stay, 0) * 0.95;
      const layouts = Array.from({ length: 100 }, () => {
        const shares = Array.from({ length: 6 }, () => 30 + r.int(100));
        const all = shares.reduce((a, b) => a + b, 0);
        return { freeBytes: 614_400, regions: shares.map((s) => Math.floor((room * s) / all)) };
      });
      const best = placeBest(lines, layouts)!;
      expect(best.placement.status).to.equal('optimal');
      expect(best.most).to.equal(614_400 - best.placement.low);
    }
  });
  it('has nothing below what was asked for, and says so', () => {
    const lines = [line('a', 0, 900, 900), line('b', 1, 800, 800)];
    expect(place(lines, [1000]).low).to.equal(800);
    expect(place(lines, [1000], undefined, 800).status).to.equal('not-below');
    expect(place(lines, [1000], undefined, 801).low).to.equal(800);
  });
});

describe('plans that are equally good', () => {
  /** Fewest changes of all placements in one order that leave so much low, by looking at every one. */
  function fewest(order: readonly Line[], regions: readonly number[], low: number, present: Present): number {
    let best = Infinity;
    const go = (i: number, free: number[], spent: number, trail: { name: string; region: number }[]) => {
      if (spent > low) return;
      if (i === order.length) {
        best = Math.min(best, changedLines(trail, present));
        return;
      }
      const l = order[i]!;
      go(i + 1, free, spent + l.stay, [...trail, { name: l.name, region: 0 }]);
      free.forEach((f, r) => {
        if (!l.high || needOf(l) > f) return;
        const left = free.map((x, k) => (k === r ? x - l.stay : x));
        go(i + 1, left, spent, [...trail, { name: l.name, region: r + 1 }]);
      });
    };
    go(0, [...regions], 0, []);
    return best;
  }
  it('leave as little low as before, and change the fewest lines that the order allows', () => {
    let fewer = 0;
    for (let seed = 1; seed <= torture(400, 24); seed++) {
      const r = new Seeded(900 + seed);
      const lines = Array.from({ length: 3 + r.int(4) }, (_, i): Line => {
        const stay = 500 + r.int(6000);
        return line(`l${i}`, i < 2 ? 0 : 1, stay + r.int(3000), stay, [], r.chance(0.2));
      });
      const regions = Array.from({ length: 1 + r.int(3) }, () => 3000 + r.int(12_000));
      const present = lines.map((l) => ({ name: l.name, region: r.int(regions.length + 1) }));
      const found = place(lines, regions);
      const kept = keepPresent(lines, regions, found, present);
      const low = kept.order
        .filter((o) => o.region === 0)
        .map((o) => lines.find((l) => l.name === o.name)!.stay);
      expect(
        low.reduce((a, b) => a + b, 0),
        `case ${seed}`
      ).to.equal(found.low);
      const order = kept.order.map((o) => lines.find((l) => l.name === o.name)!);
      expect(changedLines(kept.order, present), `case ${seed}`).to.equal(
        fewest(order, regions, found.low, present)
      );
      if (changedLines(kept.order, present) < changedLines(found.order, present)) fewer++;
    }
    expect(fewer).to.be.greaterThan(torture(10, 2));
  });
  it('stay as they are where what is there already is as good', () => {
    const lines = [line('a', 0, 900, 900), line('b', 0, 900, 900), line('c', 1, 900, 900)];
    const present = [
      { name: 'b', region: 2 },
      { name: 'a', region: 1 },
      { name: 'c', region: 2 }
    ];
    const kept = keepPresent(lines, [1000, 2000], place(lines, [1000, 2000]), present);
    expect(kept.order).to.deep.equal(present);
  });
});

describe('placing against a general MILP solver', () => {
  it('agrees on larger cases, with peaks, predecessors and lines that move themselves', async () => {
    const { default: load } = (await import('highs')) as unknown as { default: () => Promise<Highs> };
    const highs = await load();
    for (let seed = 1; seed <= torture(12, 2); seed++) {
      const r = new Seeded(7000 + seed);
      const n = 7 + (seed % 4);
      const lines = Array.from({ length: n }, (_, i): Line => {
        const stay = 1000 + r.int(24_000);
        const after = i % 3 === 2 ? [`l${i - 1}`] : [];
        return {
          ...line(`l${i}`, i < n / 2 ? 0 : 1, stay + r.int(16_000), stay, after, r.chance(0.15)),
          high: !r.chance(0.1)
        };
      });
      const room = lines.reduce((s, l) => s + l.stay, 0) * 0.8;
      const regions = [0.5, 0.3, 0.2].slice(0, 2 + (seed % 2)).map((share) => Math.floor(room * share));
      const found = place(lines, regions);
      const general = highs.solve(milpText(lines, regions), { output_flag: false });
      expect(general.Status).to.equal('Optimal');
      const total = lines.reduce((s, l) => s + l.stay, 0);
      expect([found.status, found.low], `case ${seed}`).to.deep.equal([
        'optimal',
        total - Math.round(general.ObjectiveValue)
      ]);
    }
  });
});
