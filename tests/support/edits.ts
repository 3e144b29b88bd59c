import type { Build, Item, PartSet } from '../../src/lib/core/model';
import type { Seeded } from './random';

const functionsOf = (build: Build, parts: PartSet) =>
  [build.board, ...build.items].flatMap((item) =>
    parts.get(item.part)!.functions.map((fn) => ({ item: item.id, function: fn.id }))
  );
const settingOf = (item: Item, parts: PartSet, r: Seeded) => {
  const all = parts.get(item.part)!.settings.filter((s) => s.positions.length);
  return all.length ? r.pick(all) : undefined;
};
const withItem = (build: Build, id: string, to: (item: Item) => Item): Build => ({
  ...build,
  board: build.board.id === id ? to(build.board) : build.board,
  items: build.items.map((item) => (item.id === id ? to(item) : item))
});
const toggled = <T>(list: readonly T[], value: T): T[] =>
  list.includes(value) ? list.filter((x) => x !== value) : [...list, value];

type Edit = (build: Build, parts: PartSet, r: Seeded) => Build;

const inSetting =
  (where: 'asFound' | 'chosen'): Edit =>
  (build, parts, r) => {
    const item = r.pick([build.board, ...build.items]);
    const setting = settingOf(item, parts, r);
    if (!setting) return build;
    const { [setting.id]: _, ...rest } = item[where];
    const next = r.chance(0.2) ? rest : { ...rest, [setting.id]: r.pick(setting.positions).id };
    return withItem(build, item.id, (i) => ({ ...i, [where]: next }));
  };

/** What a person can do to a build, one at a time. */
export const edits: Record<string, Edit> = {
  chosen: inSetting('chosen'),
  asFound: inSetting('asFound'),
  picture: (build, parts, r) => {
    const item = r.pick([build.board, ...build.items]);
    const block = parts.get(item.part)!.blocks[0];
    if (!block) return build;
    const picture = {
      at: '2026-11-28',
      state: { switches: { 1: r.pick(['on', 'off'] as const) } },
      told: 0,
      image: 'data:image/png;base64,AAAA'
    };
    return withItem(build, item.id, (i) => ({ ...i, pictures: { ...i.pictures, [block.id]: picture } }));
  },
  lock: (build, parts, r) => {
    const item = r.pick([build.board, ...build.items]);
    const setting = settingOf(item, parts, r);
    return setting
      ? withItem(build, item.id, (i) => ({ ...i, locked: toggled(i.locked, setting.id) }))
      : build;
  },
  seat: (build, parts, r) => {
    if (!build.items.length) return build;
    const slot = r.pick(parts.get(build.board.part)!.board!.slots).id;
    return withItem(build, r.pick(build.items).id, ({ slot: old, ...rest }) => ({
      ...rest,
      ...(r.chance(0.9) ? { slot } : {}),
      ...(old ? { slotAsFound: old } : {})
    }));
  },
  takeOut: (build, _parts, r) => {
    if (!build.items.length) return build;
    const gone = r.pick(build.items);
    const keep = (ref: { item: string }) => ref.item !== gone.id;
    return {
      ...build,
      items: build.items.filter((i) => i !== gone),
      shelf: r.chance(0.5) ? [...build.shelf, gone] : build.shelf,
      brief: {
        ...build.brief,
        mustBeOn: build.brief.mustBeOn.filter(keep),
        mayBeOff: build.brief.mayBeOff.filter(keep)
      },
      resident: build.resident.filter(keep),
      neverTogether: build.neverTogether.filter((pair) => pair.every(keep))
    };
  },
  add: (build, parts, r) => {
    const cards = [...parts.values()].filter((p) => p.card);
    const part = r.pick(cards);
    let n = 1;
    const taken = new Set([...build.items, ...build.shelf].map((i) => i.id));
    while (taken.has(`new-${n}`)) n++;
    return {
      ...build,
      items: [...build.items, { id: `new-${n}`, part: part.id, asFound: {}, chosen: {}, locked: [] }]
    };
  },
  name: (build, _parts, r) => ({ ...build, name: `Name ${r.int(9)}` }),
  notes: (build, _parts, r) => {
    const { notes: _, ...rest } = build;
    return r.chance(0.3) ? rest : { ...rest, notes: `note ${r.int(9)}` };
  },
  date: (build, _parts, r) => ({ ...build, brief: { ...build.brief, date: String(1985 + r.int(9)) } }),
  mustBeOn: (build, parts, r) => {
    const all = functionsOf(build, parts);
    if (!all.length) return build;
    const ref = r.pick(all);
    const same = (x: { item: string; function: string }) =>
      x.item === ref.item && x.function === ref.function;
    const { mustBeOn } = build.brief;
    return {
      ...build,
      brief: {
        ...build.brief,
        mustBeOn: mustBeOn.some(same) ? mustBeOn.filter((x) => !same(x)) : [...mustBeOn, ref]
      }
    };
  },
  resident: (build, parts, r) => {
    const all = functionsOf(build, parts);
    if (!all.length) return build;
    const ref = r.pick(all);
    const rest = build.resident.filter((x) => x.item !== ref.item || x.function !== ref.function);
    return { ...build, resident: rest.length < build.resident.length ? rest : [...rest, ref] };
  },
  apart: (build, parts, r) => {
    const [a, b] = r.some(functionsOf(build, parts), 2);
    return b ? { ...build, neverTogether: [...build.neverTogether, [a, b]] } : build;
  },
  acknowledge: (build, _parts, r) => ({
    ...build,
    acknowledged: toggled(build.acknowledged, `line.irq/${r.int(4)}`)
  })
};

/** A build after some random edits. */
export function edited(build: Build, parts: PartSet, r: Seeded, count: number): Build {
  let out = build;
  for (let i = 0; i < count; i++) out = r.pick(Object.values(edits))(out, parts, r);
  return out;
}
