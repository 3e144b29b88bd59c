import { BOARD_ITEM, sameJson, type Build, there } from '../model';
import { changedKeys } from './difference';
import { buildOf, itemOfKey, unitsOf, type Units } from './units';

export type Side = 'mine' | 'theirs';

/** One thing that was changed on either side since both started from the same state. */
export interface MergeLine {
  id: string;
  /** Its value when both started, here, and there; undefined where it was or is not there. */
  base: unknown;
  mine: unknown;
  theirs: unknown;
  /** Who changed it; `both` is a conflict and has to be decided. */
  by: Side | 'both';
  /** The facts that go with it, the one that it is about first. */
  keys: [string, ...string[]];
}

export interface Merge {
  lines: MergeLine[];
  /** States in which the items of the lines are found, mine as it is merged first. */
  builds: Build[];
  /** The build that comes out; lines that are not decided go to the side that changed them. */
  take(choice: ReadonlyMap<string, Side>): Build;
}

/**
 * Merges two states that were made from one. A change of one side only stands unless the choice says
 * otherwise; changes of both that agree are no line. An item that one side took out or exchanged
 * while the other changed it is one conflict as a whole. Two different items that got one id are
 * both kept, mine under a new id.
 */
export function merge(base: Build, mine: Build, theirs: Build): Merge {
  const own = withFreeIds(base, mine, theirs);
  const at = { base: unitsOf(base), mine: unitsOf(own), theirs: unitsOf(theirs) };
  const lines = linesOf(at).map((line): MergeLine => {
    const [head] = line.keys;
    return { ...line, base: at.base.get(head), mine: at.mine.get(head), theirs: at.theirs.get(head) };
  });
  return {
    lines,
    builds: [own, theirs, base],
    take: (choice) => {
      // Theirs is what is stored; each line taken from here is written over it.
      const units = new Map(at.theirs);
      for (const line of lines) {
        const side = choice.get(line.id) ?? (line.by === 'both' ? 'theirs' : line.by);
        if (side === 'mine') line.keys.forEach((key) => put(units, key, at.mine.get(key)));
      }
      return buildOf(units);
    }
  };
}

type Line = Pick<MergeLine, 'id' | 'by' | 'keys'>;

function linesOf(at: { base: Units; mine: Units; theirs: Units }): Line[] {
  const changed = {
    mine: new Set(changedKeys(at.base, at.mine)),
    theirs: new Set(changedKeys(at.base, at.theirs))
  };
  const keys = [...new Set([...changed.theirs, ...changed.mine])].filter(
    (key) => !sameJson(at.mine.get(key), at.theirs.get(key))
  );
  const by = (key: string): Line['by'] =>
    changed.mine.has(key) && changed.theirs.has(key) ? 'both' : changed.mine.has(key) ? 'mine' : 'theirs';
  const whole = new Set(
    keys.flatMap((key) => {
      const item = itemOfKey(key);
      return item !== undefined && isWhole(key, item, at) ? [item] : [];
    })
  );
  const lines: Line[] = [];
  for (const item of whole) {
    const own = keys.filter((key) => itemOfKey(key) === item);
    const sides = new Set(own.map(by));
    const head = [`item/${item}`, `item/${item}/field/part`].find((key) => own.includes(key))!;
    lines.push({
      id: `item/${item}`,
      by: sides.size === 1 ? there([...sides][0]) : 'both',
      keys: [head, ...own.filter((key) => key !== head)]
    });
  }
  for (const key of keys)
    if (!whole.has(itemOfKey(key) ?? '')) lines.push({ id: key, by: by(key), keys: [key] });
  return lines;
}

/** An item that is on one side only, or another part there, is decided as a whole. */
function isWhole(key: string, item: string, at: { mine: Units; theirs: Units }): boolean {
  if (key === `item/${item}/field/part`) return true;
  return key === `item/${item}` && !(at.mine.has(key) && at.theirs.has(key));
}

const put = (units: Units, key: string, value: unknown): void => {
  if (value === undefined) units.delete(key);
  else units.set(key, value);
};

/** My build, in which items that are new on both sides but not the same have other ids than theirs. */
function withFreeIds(base: Build, mine: Build, theirs: Build): Build {
  const itemsOf = (build: Build) => new Map([...build.items, ...build.shelf].map((item) => [item.id, item]));
  const [old, ours, others] = [itemsOf(base), itemsOf(mine), itemsOf(theirs)];
  const rename = new Map<string, string>();
  for (const [id, item] of ours) {
    const other = others.get(id);
    if (old.has(id) || !other || sameJson(item, other)) continue;
    let n = 2;
    while ([old, ours, others].some((set) => set.has(`${id}-${n}`))) n++;
    rename.set(id, `${id}-${n}`);
  }
  if (!rename.size) return mine;
  const units: Units = new Map();
  const name = (id: string) => (id === BOARD_ITEM ? id : (rename.get(id) ?? id));
  const inValue = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(inValue)
      : typeof value === 'object' && value && 'item' in value && 'function' in value
        ? { ...value, item: name(String(value.item)) }
        : value;
  for (const [key, value] of unitsOf(mine)) {
    const item = itemOfKey(key);
    const isRef = key.startsWith('pair/') || (item !== undefined && key.split('/').length === 4);
    units.set(
      item === undefined ? key : key.replace(`item/${item}`, `item/${name(item)}`),
      isRef ? inValue(value) : value
    );
  }
  return buildOf(units);
}
