import { there } from '../model';
import type { Build, FunctionRef, Item } from '../model';

/**
 * A build as single facts, each under a key: what can be compared, merged and told one by one. Keys:
 * `field/NAME`, `brief/NAME`, `profile/ID`, `pair/…`, `acknowledged/…`, `done/…`, `teardown/ID`, `starts/ID`, `pins/ID`, and for each item
 * `item/ID` (fitted or lying ready), `item/ID/field/NAME`, `item/ID/asFound/SETTING`,
 * `…/chosen/SETTING`, `…/locked/SETTING`, `…/seen/BLOCK`, `…/pictures/BLOCK` and the lists that name its functions.
 */
export type Units = Map<string, unknown>;

/** Lists of a build that name one function of one item, with where they are kept. */
const lists = {
  mustBeOn: (build: Build) => build.brief.mustBeOn,
  mayBeOff: (build: Build) => build.brief.mayBeOff,
  resident: (build: Build) => build.resident
} as const;
type ListName = keyof typeof lists;
const listNames = Object.keys(lists) as ListName[];

/** All facts of a build; lists that are sets lose their order and repetitions. */
export function unitsOf(build: Build): Units {
  const units: Units = new Map();
  const { board, items, shelf, brief, neverTogether, resident: _r, acknowledged, ...rest } = build;
  const { done, teardown, starts, pins, ...fields } = rest;
  for (const [name, value] of Object.entries(fields)) units.set(`field/${name}`, value);
  for (const [name, entries] of Object.entries({ done, teardown, starts, pins }))
    for (const [key, value] of Object.entries(entries ?? {})) units.set(`${name}/${key}`, value);
  const { profiles, mustBeOn: _on, mayBeOff: _off, ...facts } = brief;
  for (const [name, value] of Object.entries(facts)) units.set(`brief/${name}`, value);
  profiles.forEach((profile) => {
    let key = `profile/${profile.id}`;
    while (units.has(key)) key += '+';
    units.set(key, profile);
  });
  addItem(units, board, 'board');
  items.forEach((item) => addItem(units, item, 'fitted'));
  shelf.forEach((item) => addItem(units, item, 'ready'));
  for (const name of listNames)
    lists[name](build).forEach((ref) => units.set(`item/${ref.item}/${name}/${ref.function}`, ref));
  for (const [a, b] of neverTogether) {
    const pair = refKey(a) < refKey(b) ? [a, b] : [b, a];
    units.set(`pair/${pair.map(refKey).join('/')}`, pair);
  }
  acknowledged.forEach((finding) => units.set(`acknowledged/${finding}`, true));
  return present(units);
}

export type Place = 'board' | 'fitted' | 'ready';

function addItem(units: Units, item: Item, place: Place): void {
  const key = `item/${item.id}`;
  units.set(key, place);
  const { id: _id, asFound, chosen, locked, seen, pictures, ...fields } = item;
  for (const [name, value] of Object.entries(fields)) units.set(`${key}/field/${name}`, value);
  for (const [setting, position] of Object.entries(asFound)) units.set(`${key}/asFound/${setting}`, position);
  for (const [setting, position] of Object.entries(chosen)) units.set(`${key}/chosen/${setting}`, position);
  for (const [sort, of] of Object.entries({ seen, pictures }))
    for (const [block, value] of Object.entries(of ?? {})) units.set(`${key}/${sort}/${block}`, value);
  locked.forEach((setting) => units.set(`${key}/locked/${setting}`, true));
}

const refKey = (ref: FunctionRef) => `${ref.item}/${ref.function}`;
const present = (units: Units): Units => new Map([...units].filter(([, value]) => value !== undefined));

/** Item that a key is about, if it is about one. */
export const itemOfKey = (key: string): string | undefined =>
  key.startsWith('item/') ? key.split('/')[1] : undefined;

/** Puts a build together again. What belongs to an item that is not there is left out. */
export function buildOf(units: Units): Build {
  const items = new Map<string, Item>();
  const places: Record<Place, Item[]> = { board: [], fitted: [], ready: [] };
  for (const [key, value] of units) {
    const parts = key.split('/');
    if (parts[0] !== 'item' || parts.length !== 2) continue;
    const item = { id: parts[1], asFound: {}, chosen: {}, locked: [] } as unknown as Item;
    items.set(item.id, item);
    places[value as Place].push(item);
  }
  const root: Record<string, unknown> = {};
  const brief: Record<string, unknown> = {};
  const build = {
    profiles: [] as unknown[],
    neverTogether: [] as unknown[],
    acknowledged: [] as string[],
    mustBeOn: [] as unknown[],
    mayBeOff: [] as unknown[],
    resident: [] as unknown[]
  };
  for (const [key, value] of units) {
    const [kind, ...rest] = key.split('/');
    const name = rest.join('/');
    if (kind === 'field') give(root, name, value);
    else if (kind === 'brief') give(brief, name, value);
    else if (kind === 'done' || kind === 'teardown' || kind === 'starts' || kind === 'pins')
      giveUnder(root, kind, name, value);
    else if (kind === 'profile') build.profiles.push(value);
    else if (kind === 'acknowledged') build.acknowledged.push(name);
    else if (kind === 'pair') {
      if ((value as FunctionRef[]).every((ref) => items.has(ref.item))) build.neverTogether.push(value);
    } else if (rest.length > 1) {
      const item = items.get(there(rest[0]));
      if (item) addFact(item, there(rest[1]), rest.slice(2).join('/'), value, build);
    }
  }
  return {
    ...root,
    brief: { ...brief, profiles: build.profiles, mustBeOn: build.mustBeOn, mayBeOff: build.mayBeOff },
    board: places.board[0],
    items: places.fitted,
    shelf: places.ready,
    neverTogether: build.neverTogether,
    resident: build.resident,
    acknowledged: build.acknowledged
  } as unknown as Build;
}

function addFact(
  item: Item,
  kind: string,
  name: string,
  value: unknown,
  refs: Record<ListName, unknown[]>
): void {
  if (kind === 'field') give(item, name, value);
  else if (kind === 'asFound' || kind === 'chosen') item[kind][name] = value as string;
  else if (kind === 'locked') item.locked.push(name);
  else if (kind === 'seen' || kind === 'pictures') giveUnder(item, kind, name, value);
  else refs[kind as ListName].push(value);
}

/** Sets an entry of a record that is there only when it holds one. */
function giveUnder(object: object, record: string, name: string, value: unknown): void {
  if (!Object.hasOwn(object, record)) give(object, record, {});
  give(there((object as Record<string, object>)[record]), name, value);
}

/** Sets a field of any name, `__proto__` too. */
const give = (object: object, name: string, value: unknown) =>
  Object.defineProperty(object, name, { value, enumerable: true, writable: true, configurable: true });
