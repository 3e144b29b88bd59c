import { readFileSync } from 'node:fs';
import { Build, hasFacts, partSet, type Part, type PartWith } from '../../src/lib/core/model';
import { readCatalogue } from '../../src/lib/server/catalogue';

export const parts = partSet(readCatalogue(new URL('../../catalogue', import.meta.url).pathname));
const machines = JSON.parse(
  readFileSync(new URL('../../demo/builds.json', import.meta.url), 'utf8')
) as unknown[];

/** A part of the catalogue that has these facts. */
export function withFacts<K extends keyof Part>(id: string, key: K): PartWith<K> {
  const part = parts.get(id);
  if (!part || !hasFacts(part, key)) throw new Error(`${id} has no ${key}`);
  return part;
}

/** A demo machine by id. */
export function demo(id: string): Build {
  return Build.parse(machines.find((m) => (m as { id: string }).id === id));
}
