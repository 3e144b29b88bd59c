import { readFileSync } from 'node:fs';
import { Build, partSet } from '../../src/lib/core/model';
import { readCatalogue } from '../../src/lib/server/catalogue';

export const parts = partSet(readCatalogue(new URL('../../catalogue', import.meta.url).pathname));
const machines = JSON.parse(
  readFileSync(new URL('../../demo/builds.json', import.meta.url), 'utf8')
) as unknown[];

/** A demo machine by id. */
export function demo(id: string): Build {
  return Build.parse(machines.find((m) => (m as { id: string }).id === id));
}
