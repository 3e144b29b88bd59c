import { BOARD_ITEM, sameJson, type Build, type PartSet } from '../model';
import { describe, type Facts } from './words';
import { itemOfKey, unitsOf, type Units } from './units';

/** One fact that differs: what it is about, and how it reads before and after. */
export interface Change {
  key: string;
  /** The card, the board, or the build itself. */
  subject: string;
  /** What of it: a block with its setting, the slot, the name. */
  what: string;
  from: string;
  to: string;
  /** Said, but nothing moves: a position that was as found is now chosen to be so, or the other way round. */
  isQuiet: boolean;
}

/**
 * How a build differs from an earlier state of it, fact by fact: which cap from where to where,
 * which card in which slot. Empty exactly when both say the same, the order of lists aside. What
 * moves nothing comes last.
 */
export function difference(before: Build, after: Build, parts: PartSet): Change[] {
  const from = unitsOf(before);
  const to = unitsOf(after);
  const facts: Facts = { parts, builds: [after, before] };
  const changes = shorten(changedKeys(from, to), from, to).map((key): Change => {
    const [was, is] = [inEffect(key, from), inEffect(key, to)];
    const isQuiet = key.includes('/chosen/') && sameJson(was, is);
    const words = isQuiet ? describe(key, from.get(key), to.get(key), facts) : describe(key, was, is, facts);
    return { key, ...words, isQuiet };
  });
  return [...changes.filter((c) => !c.isQuiet), ...changes.filter((c) => c.isQuiet)];
}

/** A fact as it stands; a setting for which nothing is chosen stands as it was found. */
const inEffect = (key: string, units: Units): unknown =>
  units.get(key) ??
  (itemOfKey(key) === undefined ? undefined : units.get(key.replace('/chosen/', '/asFound/')));

export function changedKeys(from: Units, to: Units): string[] {
  return [...new Set([...from.keys(), ...to.keys()])].filter((key) => !sameJson(from.get(key), to.get(key)));
}

/** An item that came or went is one change: what belonged to it goes without saying. */
function shorten(keys: readonly string[], from: Units, to: Units): string[] {
  return keys.filter((key) => {
    const item = itemOfKey(key);
    if (item === undefined || item === BOARD_ITEM || key === `item/${item}`) return true;
    return from.has(`item/${item}`) && to.has(`item/${item}`);
  });
}
