const ACCENTS = /[\u0300-\u036f]/g;
const MOST = 50;

/**
 * A name as an id: `Tide desk, 2nd!` becomes `tide-desk-2nd`. Dots stay: a part is called `dx2-2.5v`.
 * @param otherwise where nothing of the name can be one
 */
export const slugOf = (name: string, otherwise = ''): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(ACCENTS, '')
    .replace(/[^a-z0-9.]+/g, '-')
    .replace(/^[-.]+|[-.]+$/g, '')
    .slice(0, MOST) || otherwise;

/** The id itself, or the first behind it that is not taken: `harbour-386`, `harbour-386-2`. */
export function freeIdOf(wanted: string, taken: ReadonlySet<string>): string {
  let id = wanted;
  for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`;
  return id;
}
