/** What whoever put the data together saw to: it is there. @throws {Error} that names what is missing */
export function sure<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new Error(`${what} is missing`);
  return value;
}

/** The entry of a key that was put into the map before. @throws {Error} when it was not */
export function entryOf<K, V>(map: { get(key: K): V | undefined }, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new Error(`no entry for ${String(key)}`);
  return value;
}

/** The last of a list that is not empty. @throws {Error} when it is */
export function lastOf<T>(list: readonly T[]): T {
  if (!list.length) throw new Error('empty list');
  return there(list[list.length - 1]);
}

/** The one with this id, which whoever wrote it down took from this list. @throws {Error} when there is none */
export function byId<T extends { readonly id: string }>(list: readonly T[], id: string): T {
  return sure(
    list.find((x) => x.id === id),
    id
  );
}

/** What stands at a place that was counted before. @throws {Error} when nothing stands there */
export function there<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('nothing there');
  return value;
}
