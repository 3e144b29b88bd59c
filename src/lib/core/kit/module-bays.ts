import { forbidden, type Part, type PartFunction, type Setting } from '../model';
import { positionOf } from '../resources';
import type { Kit } from './kit';

/** A bay of a portable that takes one of several modules: a setting of the board, made by changing the module. */
export interface ModuleBay {
  setting: Setting;
  /** Id of the position that it is in: the module. */
  holds: string;
  /** Label of that module. */
  module: string;
  /** Somebody looked, or chose it. */
  isSeen: boolean;
}

/** One module in each bay, as the machine allows it. */
export interface Layout {
  /** Position by setting. */
  holds: Readonly<Record<string, string>>;
  /** Functions that depend on the bays and are there, by id. */
  there: readonly string[];
}

/** A layout that has what is wished. */
export interface Serving extends Layout {
  /** The bays are like that. */
  isNow: boolean;
  /** The machine has a battery module, and it is in none of the bays. */
  lacksBattery: boolean;
}

/** What a set of wished functions comes to. */
export interface Together {
  /** Layouts with all of them, those that change fewest bays first. */
  layouts: Serving[];
  /** Smallest sets of them that no layout has together; empty where there is one for all. */
  cannot: string[][];
}

/** Of more wishes than this one smallest set that cannot be is named, not every one. */
const MOST_WISHES = 10;

const baySettings = (board: Part): Setting[] => {
  const bays = new Set(board.blocks.flatMap((b) => (b.kind === 'bay' ? [b.id] : [])));
  return board.settings.filter((s) => s.known && s.block !== undefined && bays.has(s.block));
};

/** Functions that a module brings: those that are off while a bay holds another one. */
export function moduleFunctions(board: Part): PartFunction[] {
  const bays = new Set(baySettings(board).map((s) => s.id));
  return board.functions.filter((fn) =>
    fn.off.some((match) => Object.keys(match).some((id) => bays.has(id)))
  );
}

/** The bays of a build's machine, with what they hold. */
export function moduleBays({ m, build }: Kit): ModuleBay[] {
  return baySettings(m.board.part).flatMap((setting): ModuleBay[] => {
    const holds = positionOf(m.board.item, setting);
    const position = setting.positions.find((p) => p.id === holds);
    if (!position) return [];
    const isSeen = setting.id in build.board.asFound || setting.id in build.board.chosen;
    return [{ setting, holds: position.id, module: position.label, isSeen }];
  });
}

/** Positions of the bays as they stand, by setting. */
export const holdsNow = (bays: readonly ModuleBay[]): Record<string, string> =>
  Object.fromEntries(bays.map((b) => [b.setting.id, b.holds]));

/** Every layout that a machine allows; `checkPart` bounds how many there are. */
export function layoutsOf(board: Part): Layout[] {
  const settings = baySettings(board);
  if (!settings.length) return [];
  const functions = moduleFunctions(board);
  let all: Record<string, string>[] = [{}];
  for (const s of settings)
    all = all
      .flatMap((holds) => s.positions.map((p) => ({ ...holds, [s.id]: p.id })))
      .filter((holds) => !forbidden(board, holds));
  const isOff = (fn: PartFunction, holds: Record<string, string>) =>
    fn.off.some((match) =>
      Object.entries(match).every(([id, positions]) => {
        const held = holds[id];
        return held !== undefined && positions.includes(held);
      })
    );
  return all.map((holds) => ({
    holds,
    there: functions.filter((fn) => !isOff(fn, holds)).map((fn) => fn.id)
  }));
}

/**
 * Which layouts have all of what is wished, and what cannot be there together.
 * @param now positions as they stand, by setting: of layouts that serve, the one that changes fewest bays comes first
 */
export function together(
  board: Part,
  wished: readonly string[],
  now: Readonly<Record<string, string>> = {}
): Together {
  const all = layoutsOf(board);
  const has = (set: readonly string[]) => all.filter((l) => set.every((fn) => l.there.includes(fn)));
  const changes = (l: Layout) => Object.entries(l.holds).filter(([id, p]) => now[id] !== p).length;
  const batteries = moduleFunctions(board).flatMap((fn) => (fn.kind === 'battery' ? [fn.id] : []));
  const layouts = has(wished)
    .map((layout, i) => ({ layout, i, changes: changes(layout) }))
    .sort((a, b) => a.changes - b.changes || a.i - b.i)
    .map(({ layout, changes }) => ({
      ...layout,
      isNow: changes === 0,
      lacksBattery: batteries.length > 0 && !batteries.some((id) => layout.there.includes(id))
    }));
  const cannot: string[][] = [];
  if (!layouts.length && wished.length > MOST_WISHES)
    cannot.push(
      wished.reduce(
        (core, fn) => (has(core.filter((x) => x !== fn)).length ? core : core.filter((x) => x !== fn)),
        [...wished]
      )
    );
  else if (!layouts.length)
    for (const set of bySize(wished))
      if (!cannot.some((core) => core.every((fn) => set.includes(fn))) && !has(set).length) cannot.push(set);
  return { layouts, cannot };
}

/** Every part of a set, the smallest first. */
const bySize = (list: readonly string[]): string[][] =>
  list
    .reduce<string[][]>((sets, x) => [...sets, ...sets.map((s) => [...s, x])], [[]])
    .filter((s) => s.length > 0)
    .sort((a, b) => a.length - b.length);
