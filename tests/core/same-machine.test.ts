import { expect } from 'chai';
import { checked, type Finding } from '../../src/lib/core/rules';
import { resolve } from '../../src/lib/core/solver';
import { partSet, type Build, type Item, type Part, type PartSet } from '../../src/lib/core/model';
import { tell } from '../../src/lib/words';
import { anything } from '../support/anything';
import { benchMachine } from '../support/bench-machines';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

/** What is true of one machine is true of the same machine written down in another way. */
const seeds = Array.from({ length: torture(2000, 60) }, (_, i) => i + 1);

const said = (build: Build, parts: PartSet) => {
  const { status, findings } = checked(build, parts);
  return { status, all: findings.map((f) => `${f.severity} ${tell(f).title}`).sort() };
};
const shuffled = <T>(list: readonly T[], r: Seeded): T[] => r.some(list, list.length);

/** Every mention of an item under another name, wherever it stands in the document. */
function renamed(build: Build, to: (id: string) => string): Build {
  const names = new Map(build.items.map((i) => [i.id, to(i.id)]));
  const name = (id: string) => names.get(id) ?? id;
  const ref = <R extends { item: string }>(r: R): R => ({ ...r, item: name(r.item) });
  const item = (i: Item): Item => ({
    ...i,
    id: name(i.id),
    ...(i.cable ? { cable: { ...i.cable, to: name(i.cable.to) } } : {})
  });
  return {
    ...build,
    items: build.items.map(item),
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.map(ref),
      mayBeOff: build.brief.mayBeOff.map(ref)
    },
    resident: build.resident.map(ref),
    neverTogether: build.neverTogether.map(([a, b]) => [ref(a), ref(b)])
  };
}

describe('the same machine written down in another way', () => {
  it('has the same findings under other names of its items', () => {
    for (const seed of seeds) {
      const { build, parts } = anything(seed);
      // Names that sort the other way round, so that nothing hangs on their order.
      const other = renamed(build, (id) => `z${(999 - Number(id.slice(1))).toString().padStart(3, '0')}`);
      expect(said(other, parts), `seed ${seed}`).to.deep.equal(said(build, parts));
    }
  });
  it('has the same findings whatever parts are known beside its own, and in what order', () => {
    for (const seed of seeds.slice(0, Math.ceil(seeds.length / 3))) {
      const { build, parts } = anything(seed);
      const r = new Seeded(seed);
      const ids = new Set([build.board, ...build.items].map((i) => i.part));
      const related = [...parts.values()].filter(
        (p) => ids.has(p.id) || p.kind === 'bios' || p.kind === 'cpu'
      );
      expect(said(build, partSet(shuffled([...parts.values()], r))), `seed ${seed}`).to.deep.equal(
        said(build, parts)
      );
      expect(said(build, partSet(related)).all, `seed ${seed}`).to.deep.equal(said(build, parts).all);
    }
  });
  it('does not care for what lies ready, except to propose it', () => {
    for (const seed of seeds) {
      const { build, parts } = anything(seed);
      const { build: other } = anything(seed + 5000);
      const ready = other.items.slice(0, 3).map(({ id, part }, i) => ({
        id: `ready-${i}-${id}`,
        part,
        asFound: {},
        chosen: {},
        locked: []
      }));
      expect(said({ ...build, shelf: ready }, parts), `seed ${seed}`).to.deep.equal(said(build, parts));
    }
  });
  it('position names and labels mean nothing: with others the numbers clash all the same', () => {
    for (const seed of seeds.slice(0, 60)) {
      const [build, parts] = benchMachine(seed, 5, seed % 2 ? 'plain' : 'adversarial');
      const rename = (p: string) => `pos-${p}`;
      const other = partSet([...parts.values()].map((part) => withPositions(part, rename)));
      const moved: Build = {
        ...build,
        items: build.items.map((i) => ({
          ...i,
          asFound: mapped(i.asFound, rename),
          chosen: mapped(i.chosen, rename)
        }))
      };
      const count = (b: Build, p: PartSet) =>
        checked(b, p).findings.filter((f: Finding) => f.severity === 'clash').length;
      expect(count(moved, other), `seed ${seed}`).to.equal(count(build, parts));
    }
  });
  it('is solved at the same cost in any order of its cards', () => {
    for (const seed of seeds.slice(0, torture(400, 24))) {
      const r = new Seeded(seed);
      const [build, parts] = benchMachine(seed, 4 + (seed % 5), seed % 2 ? 'plain' : 'adversarial');
      const options = { alternatives: 0, relaxations: 0 };
      const one = resolve(build, parts, options);
      const two = resolve({ ...build, items: shuffled(build.items, r) }, parts, options);
      expect(two.status, `seed ${seed}`).to.equal(one.status);
      if (one.status === 'solved' && two.status === 'solved')
        expect(two.objective, `seed ${seed}`).to.deep.equal(one.objective);
    }
  });
  it('a card that claims nothing changes no answer', () => {
    const idle: Part = {
      ...[...benchMachine(1, 3, 'plain')[1].values()].find((p) => p.kind === 'card')!,
      id: 'idle',
      settings: [],
      blocks: [],
      functions: [],
      constraints: []
    };
    for (const seed of seeds.slice(0, 40)) {
      const [build, parts] = benchMachine(seed, 5, 'adversarial');
      const options = { alternatives: 0, relaxations: 0 };
      const one = resolve(build, parts, options);
      const more: Build = {
        ...build,
        items: [...build.items, { id: 'idle', part: 'idle', asFound: {}, chosen: {}, locked: [] }]
      };
      const two = resolve(more, partSet([...parts.values(), idle]), options);
      expect(two.status, `seed ${seed}`).to.equal(one.status);
      if (one.status === 'solved' && two.status === 'solved')
        expect(two.objective, `seed ${seed}`).to.deep.equal(one.objective);
    }
  });
  it('fewer cards never fit worse: what can be solved can be solved without any one of them', () => {
    for (const seed of seeds.slice(0, torture(200, 25))) {
      const [build, parts] = benchMachine(seed, 6, 'adversarial');
      const options = { alternatives: 0, relaxations: 0 };
      if (resolve(build, parts, options).status !== 'solved') continue;
      for (const out of build.items) {
        const less = resolve({ ...build, items: build.items.filter((i) => i !== out) }, parts, options);
        expect(less.status, `seed ${seed} without ${out.id}`).to.equal('solved');
      }
    }
  });
  it('what was solved has no clash left, and solving it again moves nothing', () => {
    for (const seed of seeds.slice(0, torture(300, 40))) {
      const [build, parts] = benchMachine(seed, 3 + (seed % 6), seed % 2 ? 'plain' : 'coupled');
      const options = { alternatives: 0, relaxations: 0 };
      const found = resolve(build, parts, options);
      if (found.status !== 'solved') continue;
      const set = found.positions;
      const solved: Build = {
        ...build,
        items: build.items.map((i) => ({ ...i, asFound: { ...i.asFound, ...set[i.id] }, chosen: {} }))
      };
      const again = resolve(solved, parts, options);
      expect(again.status, `seed ${seed}`).to.equal('solved');
      if (again.status === 'solved') {
        expect(again.moves, `seed ${seed}`).to.deep.equal([]);
        expect(again.objective.moves, `seed ${seed}`).to.equal(0);
      }
    }
  });
});

const mapped = (positions: Readonly<Record<string, string>>, to: (p: string) => string) =>
  Object.fromEntries(Object.entries(positions).map(([setting, p]) => [setting, to(p)]));

/** A part whose positions have other names; everything that names one follows. */
function withPositions(part: Part, to: (p: string) => string): Part {
  const keys = (values: Readonly<Record<string, number | null>>) =>
    Object.fromEntries(Object.entries(values).map(([p, value]) => [to(p), value]));
  const when = (match: Readonly<Record<string, string>>) => mapped(match, to);
  const many = (match: Readonly<Record<string, string[]>>) =>
    Object.fromEntries(Object.entries(match).map(([setting, list]) => [setting, list.map(to)]));
  return {
    ...part,
    settings: part.settings.map((s) => ({
      ...s,
      ...(s.default === undefined ? {} : { default: to(s.default) }),
      positions: s.positions.map((p) => ({ ...p, id: to(p.id), label: `call it ${p.label}` }))
    })),
    functions: part.functions.map((f) => ({
      ...f,
      off: f.off.map(many),
      claims: f.claims.map((c) => {
        if (!c.from) return c;
        const from =
          'setting' in c.from
            ? { ...c.from, values: keys(c.from.values) }
            : { ...c.from, rows: c.from.rows.map((row) => ({ ...row, when: when(row.when) })) };
        return { ...c, from } as typeof c;
      })
    })),
    constraints: part.constraints.map((c) =>
      'forbid' in c
        ? { ...c, forbid: many(c.forbid) }
        : 'allow' in c
          ? { ...c, allow: { ...c.allow, rows: c.allow.rows.map((row) => row.map(to)) } }
          : c
    )
  };
}
