import { BOARD_ITEM, sameJson, type Build } from '../model';
import { itemOfKey, unitsOf, type Units } from './units';

/** One fact that differs. */
export interface Fact {
  key: string;
  /** Its values; undefined where it was or is not there. */
  from: unknown;
  to: unknown;
  /** Said, but nothing moves: a position that was as found is now chosen to be so, or the other way round. */
  isQuiet: boolean;
}

/**
 * How a build differs from an earlier state of it, fact by fact: which cap from where to where,
 * which card in which slot. Empty exactly when both say the same, the order of lists aside. What
 * moves nothing comes last.
 */
export function difference(before: Build, after: Build): Fact[] {
  const from = unitsOf(before);
  const to = unitsOf(after);
  const changes = shorten(changedKeys(from, to), from, to).map((key): Fact => {
    const [was, is] = [inEffect(key, from), inEffect(key, to)];
    const isQuiet = key.includes('/chosen/') && sameJson(was, is);
    return isQuiet
      ? { key, from: from.get(key), to: to.get(key), isQuiet }
      : { key, from: was, to: is, isQuiet };
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
