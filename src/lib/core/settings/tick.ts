import { withItem, type Build, type Item, type PartSet, type Tick } from '../model';
import { kitOf } from '../kit';
import { required, settle } from './required';
import { recordPosition } from './record';

/** The build with everything chosen that follows from it: what the move list and the bench sheet work from. */
export const planned = (build: Build, parts: PartSet): Build => settle(build, required(kitOf(build, parts)));

const itemOf = (build: Build, id: string): Item | undefined =>
  [build.board, ...build.items].find((i) => i.id === id);

const NOT_LOOKED = '';
export const settingKey = (item: string, setting: string): string => `${item}/${setting}`;
export const seatKey = (item: string): string => `${item} seat`;

/**
 * Ticks the move of a setting off: it stands now where the plan has it, and that is as found from here on.
 * @param at time in ISO form
 */
export function tickSetting(
  build: Build,
  parts: PartSet,
  told: { item: string; setting: string; position: string; text: string; at: string }
): Build {
  const item = itemOf(build, told.item);
  const part = item && parts.get(item.part);
  if (!item || !part) return build;
  const from = item.asFound[told.setting] ?? NOT_LOOKED;
  const next = withItem(build, item.id, (i) => ({
    ...recordPosition(i, part, told.setting, told.position),
    chosen: { ...i.chosen, [told.setting]: told.position }
  }));
  return ticked(next, settingKey(told.item, told.setting), {
    at: told.at,
    text: told.text,
    item: told.item,
    setting: told.setting,
    from
  });
}

/** Ticks a card off as seated where the plan has it. */
export function tickSeat(build: Build, told: { item: string; text: string; at: string }): Build {
  const item = itemOf(build, told.item);
  if (!item?.slot) return build;
  const from = item.slotAsFound ?? item.slot;
  const next = withItem(build, item.id, (i) => ({ ...i, slotAsFound: i.slot }));
  return ticked(next, seatKey(told.item), { at: told.at, text: told.text, item: told.item, from });
}

/** Ticks a step off that changes nothing that is recorded: a line typed, a card taken out. */
export const tickStep = (build: Build, key: string, told: { text: string; at: string }): Build =>
  ticked(build, key.slice(0, 200), told);

const ticked = (build: Build, key: string, tick: Tick): Build => ({
  ...build,
  done: { ...build.done, [key]: { ...tick, text: tick.text.slice(0, 400) } }
});

/** Takes a tick back, and what it recorded with it. */
export function untick(build: Build, parts: PartSet, key: string): Build {
  const { [key]: tick, ...rest } = build.done ?? {};
  if (!tick) return build;
  const item = tick.item === undefined ? undefined : itemOf(build, tick.item);
  const part = item && parts.get(item.part);
  let next: Build = build;
  const { setting } = tick;
  if (item && part && setting !== undefined)
    next = withItem(build, item.id, (i) =>
      recordPosition(i, part, setting, tick.from === NOT_LOOKED ? null : (tick.from ?? null))
    );
  else if (item && tick.from !== undefined)
    next = withItem(build, item.id, (i) => ({ ...i, slotAsFound: tick.from }));
  const { done: _, ...plain } = next;
  return Object.keys(rest).length ? { ...plain, done: rest } : plain;
}

/** Takes all ticks away: a new round on the bench. What they recorded stays. */
export function clearTicks(build: Build): Build {
  const { done: _, ...rest } = build;
  return rest;
}
