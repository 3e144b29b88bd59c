/** Takes the entry out of a map that has been in it longest. */
export function dropOldest(map: Map<unknown, unknown>): void {
  for (const key of map.keys()) {
    map.delete(key);
    return;
  }
}
