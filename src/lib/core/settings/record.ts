import {
  blockOf,
  sameJson,
  type Block,
  type BlockPicture,
  type Item,
  type Part,
  type Setting,
  type State,
  there
} from '../model';
import { isHandBlock, settingsOn } from './meaning';

type Caps = [number, number][];
const pairKey = ([a, b]: readonly [number, number]) => `${Math.min(a, b)}-${Math.max(a, b)}`;

/** Pairs of pins that the settings of a header use; a cap elsewhere belongs to none of them. */
function pairsOf(setting: Setting): Set<string> {
  return new Set(
    setting.positions.flatMap((p) => (p.state && 'caps' in p.state ? p.state.caps.map(pairKey) : []))
  );
}

/**
 * The position that a state of a block shows for a setting: the only one whose physical state agrees with it.
 * @returns undefined when the state leaves it open, or is in no row of the table
 */
export function positionShown(setting: Setting, state: State): string | undefined {
  const own = pairsOf(setting);
  const fits = setting.positions.filter(({ state: told }) => {
    if (!told) return false;
    if ('switches' in told && 'switches' in state)
      return Object.entries(told.switches).every(([n, side]) => state.switches[n] === side);
    if ('caps' in told && 'caps' in state) {
      const wanted = new Set(told.caps.map(pairKey));
      const there = state.caps.map(pairKey).filter((k) => own.has(k));
      return there.length === wanted.size && there.every((k) => wanted.has(k));
    }
    if ('step' in told && 'step' in state) return told.step === state.step;
    if ('bridges' in told && 'bridges' in state)
      return (
        told.bridges.length === state.bridges.length && told.bridges.every((b) => state.bridges.includes(b))
      );
    return false;
  });
  // Two positions of one state are told apart by something else: a program, a label.
  return fits.length === 1 ? there(fits[0]).id : undefined;
}

/**
 * Writes down what a block looks like. Positions as found follow from it; a switch that is left out of the
 * state was not looked at, and a combination that is in no table is kept as it was seen.
 */
export function recordBlock(item: Item, part: Part, block: string, state: State | null): Item {
  const asFound = { ...item.asFound };
  const seen = { ...item.seen };
  const { [block]: _picture, ...pictures } = item.pictures ?? {};
  if (state === null) delete seen[block];
  else seen[block] = state;
  for (const setting of settingsOn(part, block)) {
    const shown = state === null ? undefined : positionShown(setting, state);
    if (shown === undefined) delete asFound[setting.id];
    else asFound[setting.id] = shown;
  }
  // What was forgotten has no picture; what was looked at again may stand otherwise than in it, which is told.
  const { pictures: before, ...rest } = item;
  const kept = state === null ? pictures : before;
  return withSeen(
    { ...rest, asFound, ...(kept && Object.keys(kept).length ? { pictures: kept } : {}) },
    seen
  );
}

/** Writes down what a block looks like with the photograph that it was read from. */
export const recordPicture = (item: Item, part: Part, block: string, picture: BlockPicture): Item => ({
  ...recordBlock(item, part, block, picture.state),
  pictures: { ...item.pictures, [block]: picture }
});

/** Whether what is recorded of a block now is what its photograph was read as; null: it has none. */
export function isAsPictured(part: Part, item: Item, block: string): boolean | null {
  const picture = item.pictures?.[block];
  if (!picture) return null;
  const now = foundState(part, item, block);
  return now !== null && sameState(now, picture.state);
}

function sameState(a: State, b: State): boolean {
  if ('caps' in a && 'caps' in b) return sameJson(a.caps.map(pairKey).sort(), b.caps.map(pairKey).sort());
  // A switch that the picture left open may have been looked at since.
  if ('switches' in a && 'switches' in b)
    return Object.entries(b.switches).every(([n, side]) => a.switches[n] === side);
  return sameJson(a, b);
}

/** Writes down the position of one setting; null: not looked at. What was seen of the block follows it. */
export function recordPosition(item: Item, part: Part, setting: string, position: string | null): Item {
  const told = part.settings.find((s) => s.id === setting);
  const asFound = { ...item.asFound };
  if (position === null) delete asFound[setting];
  else asFound[setting] = position;
  const next = { ...item, asFound };
  const block = told && blockOf(part, told);
  if (!block || !item.seen?.[block.id]) return next;
  const cleared = without(there(item.seen[block.id]), told);
  const now = told.positions.find((p) => p.id === position)?.state;
  return withSeen(next, { ...item.seen, [block.id]: now ? merged(cleared, now) : cleared });
}

function withSeen(item: Item, seen: NonNullable<Item['seen']>): Item {
  const { seen: _, ...rest } = item;
  return Object.keys(seen).length ? { ...rest, seen } : rest;
}

/** A state without what one setting decides about. */
function without(state: State, setting: Setting): State {
  if ('caps' in state) {
    const own = pairsOf(setting);
    return { caps: state.caps.filter((pair) => !own.has(pairKey(pair))) };
  }
  if (!('switches' in state)) return state;
  const own = new Set(
    setting.positions.flatMap((p) => (p.state && 'switches' in p.state ? Object.keys(p.state.switches) : []))
  );
  return { switches: Object.fromEntries(Object.entries(state.switches).filter(([n]) => !own.has(n))) };
}

function merged(a: State, b: State): State {
  if ('caps' in a && 'caps' in b) {
    const there = new Set(a.caps.map(pairKey));
    return { caps: [...a.caps, ...b.caps.filter((pair) => !there.has(pairKey(pair)))] as Caps };
  }
  if ('switches' in a && 'switches' in b) return { switches: { ...a.switches, ...b.switches } };
  return b;
}

/** States of positions on one block put together; null when there is none. */
export function blockState(
  part: Part,
  block: string,
  positions: Readonly<Record<string, string>>
): State | null {
  return settingsOn(part, block)
    .flatMap((s) => s.positions.find((p) => p.id === positions[s.id])?.state ?? [])
    .reduce<State | null>((all, state) => (all ? merged(all, state) : state), null);
}

/** What is known of a block as found: what was seen of it, and the positions that were recorded. */
export function foundState(part: Part, item: Item, block: string): State | null {
  const told = blockState(part, block, item.asFound);
  const seen = item.seen?.[block] ?? null;
  return seen && told ? merged(seen, told) : (seen ?? told);
}

export interface Unrecorded {
  block: Block;
  /** Settings on it of which the position is not known; empty when only spare switches are open. */
  settings: Setting[];
  /** Part of it was looked at. */
  begun: boolean;
}

/** Blocks of an item that nobody has written down yet, in part or as a whole. */
export function unrecorded(part: Part, item: Item): Unrecorded[] {
  return part.blocks.filter(isHandBlock).flatMap((block): Unrecorded[] => {
    const settings = settingsOn(part, block.id).filter((s) => item.asFound[s.id] === undefined);
    const state = foundState(part, item, block.id);
    const isWhole =
      state !== null &&
      (settings.length === 0 ||
        // A combination that no table has was looked at all the same.
        (item.seen?.[block.id] !== undefined &&
          (!('switches' in state) ||
            block.kind !== 'dip' ||
            Object.keys(state.switches).length >= block.switches)));
    return isWhole || (settings.length === 0 && settingsOn(part, block.id).length > 0)
      ? []
      : [{ block, settings, begun: state !== null }];
  });
}
