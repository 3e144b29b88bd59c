import type { PartSet } from './build';
import type { Part } from './part';
/** The entries of a table with the type of its keys, which TypeScript forgets. */
export const entriesOf = <K extends string, V>(of: Record<K, V>): [K, V][] => Object.entries(of) as [K, V][];

/** A text as a key of a table; undefined where the table has no such key. */
export const keyIn = <K extends string>(of: Record<K, unknown>, text: string): K | undefined =>
  entriesOf(of).find(([key]) => key === text)?.[0];

/** A list by names, the names in the order in which they first come. */
export function groupBy<T>(list: readonly T[], name: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const group = groups.get(name(one));
    if (group) group.push(one);
    else groups.set(name(one), [one]);
  }
  return groups;
}

/** Parts by their id. */
export const partSet = (parts: Iterable<Part>): PartSet => new Map([...parts].map((part) => [part.id, part]));
