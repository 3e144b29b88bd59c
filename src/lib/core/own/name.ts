/** A name as an id; empty where nothing of it can be one. */
export const idFrom = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9.]+/g, '-')
    .replace(/^[-.]+|[-.]+$/g, '')
    .slice(0, 50);

/** An id that is not taken: `harbour-386`, `harbour-386-2`. */
export function freeId(name: string, taken: ReadonlySet<string>, otherwise = 'my-part'): string {
  const wanted = idFrom(name) || otherwise;
  let id = wanted;
  for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`;
  return id;
}
