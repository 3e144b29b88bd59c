/** The entries of a table with the type of its keys, which TypeScript forgets. */
export const entriesOf = <K extends string, V>(of: Record<K, V>): [K, V][] => Object.entries(of) as [K, V][];

/** A text as a key of a table; undefined where the table has no such key. */
export const keyIn = <K extends string>(of: Record<K, unknown>, text: string): K | undefined =>
  entriesOf(of).find(([key]) => key === text)?.[0];
