import { expect } from 'chai';
import { drawerOf, drawers, indexed, readQuery, searchParts } from '../../src/lib/core/catalogue';
import { Brief, type Part } from '../../src/lib/core/model';
import { barred, fixedParts, poolOf, tally } from '../../src/lib/core/planner/pool';
import { middleWeights, type PlanRequest } from '../../src/lib/core/planner/types';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';

const all = [...parts.values()];
const index = all.map(indexed);
const found = (q: string, more: object = {}) => searchParts(index, { q, ...more }).found.map((p) => p.id);

/** Every number that a part can be set to, read from its document without the index. */
function canTake(part: Part, resource: string, value: number): boolean {
  const numbers = (node: unknown): number[] =>
    typeof node === 'number'
      ? [node]
      : typeof node === 'object' && node
        ? Object.values(node).flatMap(numbers)
        : [];
  return part.functions.some((f) =>
    f.claims.some((c) => {
      if (c.resource !== resource) return false;
      if (c.value !== undefined) return c.value === value;
      if (!c.from) return false;
      return 'setting' in c.from
        ? numbers(c.from.values).includes(value)
        : c.from.rows.some((row) => row.value === value);
    })
  );
}

describe('searching the catalogue', () => {
  it('a line finds exactly the parts that can be set to it', () => {
    for (const [resource, values] of [
      ['irq', [3, 5, 7, 10, 11, 15]],
      ['dma', [1, 3, 5]]
    ] as const)
      for (const value of values)
        expect(found(`${resource} ${value}`), `${resource} ${value}`).to.deep.equal(
          all.filter((p) => canTake(p, resource, value)).map((p) => p.id)
        );
    for (const port of [0x220, 0x300, 0x3f8])
      expect(found(`io ${port.toString(16)}h`)).to.deep.equal(
        all.filter((p) => canTake(p, 'io', port)).map((p) => p.id)
      );
  });
  it('words, lines and a year must all be true', () => {
    const both = new Set(found('irq 5 in 1991'));
    for (const p of all) {
      const isSold = !p.sold || (p.sold.from <= 1991 && (p.sold.to ?? 9999) >= 1991);
      expect(both.has(p.id), p.id).to.equal(canTake(p, 'irq', 5) && isSold);
    }
    expect(found('no such thing anywhere')).to.deep.equal([]);
    expect(found('').length).to.equal(all.length);
  });
  it('is read however it is typed', () => {
    const line = (q: string) => readQuery(q).lines;
    for (const q of ['irq 10', 'IRQ10', 'irq:10', 'irq=10'])
      expect(line(q), q).to.deep.equal([{ resource: 'irq', value: 10 }]);
    for (const q of ['io 220', 'port 220h', 'IO 0x220'])
      expect(line(q), q).to.deep.equal([{ resource: 'io', value: 0x220 }]);
    expect(line('rom d0000')).to.deep.equal([{ resource: 'memory', value: 0xd0000 }]);
    expect(readQuery('network in 1991')).to.deep.include({ words: ['network'], year: 1991 });
    expect(readQuery('in 1850').year, 'no year of ours').to.equal(null);
  });
  it('each part is in one drawer, and the drawers count what they would hold', () => {
    for (const p of all) expect(drawers as readonly string[], p.id).to.include(drawerOf(p));
    const { facets } = searchParts(index, { q: 'irq 5' });
    for (const drawer of drawers)
      expect(facets.drawer[drawer] ?? 0, drawer).to.equal(found('irq 5', { drawer }).length);
    for (const [bus, count] of Object.entries(facets.bus))
      expect(count, bus).to.equal(found('irq 5', { bus }).length);
  });
});

describe('which parts a plan may use', () => {
  const request = (brief: object, more: Partial<PlanRequest> = {}): PlanRequest => ({
    brief: Brief.parse(brief),
    parts: all,
    shelf: [],
    ...more
  });
  const sold = all.filter((p) => p.sold);

  it('a date keeps out what came later: to the year, with two to spare, or not at all', () => {
    for (const part of sold) {
      const late = (strictness: string) =>
        barred(part, request({ date: '1990-06', strictness }))?.why === 'date';
      expect(late('exact'), part.id).to.equal(part.sold!.from > 1990);
      expect(late('spirit'), part.id).to.equal(part.sold!.from > 1992);
      expect(late('convenient'), part.id).to.equal(false);
    }
  });
  it('what is fixed is in whatever the date says, but not what was excluded or is never wanted', () => {
    const young = sold.find((p) => p.sold!.from > 1996)!;
    const brief = { date: '1986-01', strictness: 'exact' };
    expect(barred(young, request(brief))?.why).to.equal('date');
    expect(barred(young, request(brief, { fixed: [young.id] }))).to.equal(null);
    const keep = { ...brief, wishes: [{ kind: 'keep', part: young.id }] };
    expect(barred(young, request(keep))).to.equal(null);
    expect([...fixedParts(request(keep, { fixed: ['x'] }))].sort()).to.deep.equal(['x', young.id].sort());
    expect(barred(young, request(keep, { excluded: [young.id] }))?.why).to.equal('excluded');
    const never = { ...keep, wishes: [...keep.wishes, { kind: 'never', part: young.id }] };
    expect(barred(young, request(never))?.why).to.equal('never');
  });
  it('from the shelf alone there is what lies on it, and nothing else', () => {
    const r = new Seeded(3);
    const some = r.some(all, 12);
    const shelf = some.map((p, i) => ({ part: p.id, specimen: `s${i}`, asFound: {} }));
    const pool = poolOf(request({ source: 'shelf', strictness: 'convenient' }, { shelf }), middleWeights);
    expect(pool.parts.every((p) => some.includes(p))).to.equal(true);
    for (const p of pool.parts) expect(pool.price(p, 1)).to.deep.equal({ bought: 0, cost: 0 });
  });
  it('a second one of a thing that lies there once is bought', () => {
    const part = all.find((p) => p.price && p.kind === 'memory')!;
    const shelf = [{ part: part.id, specimen: 's', asFound: {} }];
    const pool = poolOf(request({}, { shelf }), middleWeights);
    const middle = Math.round((part.price!.low + part.price!.high) / 2);
    expect(pool.price(part, 1)).to.deep.equal({ bought: 0, cost: 0 });
    expect(pool.price(part, 3)).to.deep.equal({ bought: 2, cost: 2 * middle });
    expect(pool.weigh(part, 3)).to.be.greaterThan(pool.weigh(part, 2));
    expect(pool.choose(part, 3, 'memory')).to.deep.include({ count: 3, onShelf: 1, cost: 2 * middle });
  });
  it('years count on both sides: too young, and long out of use', () => {
    const pool = poolOf(request({ date: '1992-01', strictness: 'convenient' }), middleWeights);
    for (const part of sold.filter((p) => p.kind !== 'bios')) {
      const years = pool.years(part);
      if (part.sold!.from > 1992) expect(years, part.id).to.be.at.least(part.sold!.from - 1992);
      else if (part.sold!.to === undefined || part.sold!.to >= 1992) expect(years, part.id).to.equal(0);
    }
  });
  it('one thing that is named twice is one thing with a count', () => {
    const [a, b] = all;
    const list = [
      { part: a!, count: 1 },
      { part: b!, count: 2 },
      { part: a!, count: 3 }
    ];
    expect(tally(list).map((t) => [t.part.id, t.count])).to.deep.equal([
      [a!.id, 4],
      [b!.id, 2]
    ]);
  });
});
