import {
  BOARD_ITEM,
  PNP_ITEM,
  SYSTEM_ITEM,
  hasFacts,
  isOfKind,
  withToldFields,
  type Build,
  type Item,
  type Part,
  type PartFunction,
  type PartSet,
  type PartWith,
  type Setting,
  type Slot,
  entryOf
} from '../model';
import { seatOf, type Misfit, type Seat } from './seating';
import { workedHere } from './tried';
import { isPnp, pnpPart, systemPart } from './system';

/** An item of the machine with its part and what its seat gives it. */
export interface Fitted<P extends Part = Part> {
  item: Item;
  part: P;
  slot?: Slot;
  seat: Seat;
  /** Why the card cannot work where it sits, by its bus; null when it can. */
  misfit: Misfit | null;
  /** Text for people: the slot and the part's name. */
  title: string;
}

export interface Machine {
  class: 'xt' | 'at';
  build: Build;
  board: Fitted<PartWith<'board'>>;
  /** The BIOS: one that was fitted in place of the board's own stands above what the catalogue says; null: nobody knows. */
  firmware: PartWith<'firmware'> | null;
  /** System, board, then the fitted items in the build's order, then plug-and-play if needed. */
  fitted: Fitted[];
  /** The fitted item of an id. */
  find(item: string): Fitted | undefined;
  /** The same where it is known to be fitted. @throws {Error} when it is not */
  get(item: string): Fitted;
}

/**
 * Puts a build together with its parts. Items without a slot take part only when they need none
 * (drives and the like); a card without a slot is left out.
 */
export function machine(build: Build, parts: PartSet): Machine {
  const partOf = (item: Item): Part => {
    const part = parts.get(item.part);
    if (!part) throw new Error(`part "${item.part}" of item "${item.id}" is missing`);
    return withToldFields(part);
  };
  const boardPart = partOf(build.board);
  if (!hasFacts(boardPart, 'board')) throw new Error(`no board: "${boardPart.id}"`);
  const facts = boardPart.board;
  const onBoard = <P extends Part>(item: Item, part: P): Fitted<P> => ({
    item,
    part,
    seat: 'board',
    misfit: null,
    title: item.label ?? part.name
  });
  const slots = new Map(facts.slots.map((slot) => [slot.id, slot]));
  const board = onBoard(build.board, boardPart);
  const cards = build.items.flatMap((item): Fitted[] => {
    const part = partOf(item);
    const slot = item.slot === undefined ? undefined : slots.get(item.slot);
    // A second system board is no part of the machine.
    if (part.board) return [];
    if (!part.card) return part.functions.length ? [onBoard(item, part)] : [];
    if (!slot) return [];
    const { seat, misfit: told } = seatOf(part, slot);
    // What was tried stands above what the catalogue says of such cards.
    const misfit = told?.why === 'eight-bit' && workedHere(item, build.board.part, slot) ? null : told;
    return [{ item, part, slot, seat, misfit, title: item.label ?? part.name }];
  });
  const fixed = (id: string, part: Part) => onBoard(emptyItem(id, part.id), part);
  const fitted: Fitted[] = [fixed(SYSTEM_ITEM, systemPart(facts)), board, ...cards];
  if (cards.some((card) => isPnp(card.part))) fitted.push(fixed(PNP_ITEM, pnpPart()));
  const byId = new Map(fitted.map((f) => [f.item.id, f]));
  return {
    class: facts.class,
    build,
    board,
    firmware: firmwareOf(build, boardPart, parts),
    fitted,
    find: (id) => byId.get(id),
    get: (id) => entryOf(byId, id)
  };
}

function firmwareOf(build: Build, { board }: PartWith<'board'>, parts: PartSet): Machine['firmware'] {
  for (const { part: id } of build.items) {
    const part = parts.get(id);
    if (part && isOfKind(part, 'bios')) return part;
  }
  const own = board.firmware === undefined ? undefined : parts.get(board.firmware);
  return own && hasFacts(own, 'firmware') ? own : null;
}

function emptyItem(id: string, part: string): Item {
  return { id, part, asFound: {}, chosen: {}, locked: [] };
}

/** Whether a person entered it; the standard parts of its class come with every machine. */
export const isEntered = ({ item }: Pick<Fitted, 'item'>): boolean =>
  item.id !== SYSTEM_ITEM && item.id !== PNP_ITEM;

/** Whether somebody looked at a setting, or chose its position; otherwise where it stands is an assumption. */
export const isLookedAt = ({ asFound, chosen }: Pick<Item, 'asFound' | 'chosen'>, setting: string): boolean =>
  chosen[setting] !== undefined || asFound[setting] !== undefined;

/** The position in which a setting is now taken to be: chosen, else as found, else the default. */
export function positionOf(item: Item, setting: Setting): string | undefined {
  return item.chosen[setting.id] ?? item.asFound[setting.id] ?? setting.default;
}

/** The position a setting is in physically: as found, else the default is assumed. */
export function foundPosition(item: Item, setting: Setting): string | undefined {
  return item.asFound[setting.id] ?? setting.default;
}

/** Looks up positions by `item/setting`. */
export type Positions = (item: string, setting: string) => string | undefined;

/**
 * Whether a function is on in these positions. `unknown`: a setting that nobody knows the position of may switch it
 * off; whoever looks for clashes takes it to be on.
 */
export function powerState(fitted: Fitted, fn: PartFunction, at: Positions): 'on' | 'off' | 'unknown' {
  let state: 'on' | 'unknown' = 'on';
  for (const match of fn.off) {
    const known = Object.entries(match).map(([setting, positions]) => {
      const position = at(fitted.item.id, setting);
      return position === undefined ? null : positions.includes(position);
    });
    if (known.every((k) => k === true)) return 'off';
    if (known.every((k) => k !== false)) state = 'unknown';
  }
  return state;
}

/** Settings of its part that may switch a function off. */
export const offSettings = (item: string, fn: PartFunction): { item: string; setting: string }[] =>
  fn.off.flatMap((match) => Object.keys(match).map((setting) => ({ item, setting })));

/** Whether a function may be on: it is not known to be off. */
export const isOn = (fitted: Fitted, fn: PartFunction, at: Positions): boolean =>
  powerState(fitted, fn, at) !== 'off';

/** Whether a card goes into its slot at all: one of another bus is as good as in none, and takes no line. */
export const isIn = ({ seat }: Pick<Fitted, 'seat'>): boolean => seat !== 'none';

/** `item/function` of the functions that are in use the whole session. */
export function isResident(m: Machine, item: string, fn: PartFunction): boolean {
  return fn.resident || m.build.resident.some((r) => r.item === item && r.function === fn.id);
}

export { BOARD_ITEM, SYSTEM_ITEM, PNP_ITEM };
