import { readFileSync, statSync } from 'node:fs';
import { newest } from '../../scripts/common.mjs';
import {
  Build,
  hasFacts,
  lentTo,
  partSet,
  type Part,
  type PartWith,
  type ShelfItem
} from '../../src/lib/core/model';
import type { Unit } from '../../src/lib/core/planner';
import { compiledCatalogue, readCatalogue } from '../../src/lib/server/catalogue';

const root = new URL('../..', import.meta.url).pathname;

/** The catalogue as it was compiled, which is read in no time; from its files where anything is newer than that. */
function catalogue(): Part[] {
  const made = statSync(compiledCatalogue(), { throwIfNoEntry: false })?.mtimeMs ?? 0;
  const isFresh = ['src/lib', 'catalogue'].every((name) => newest(`${root}${name}`) <= made);
  return readCatalogue(isFresh ? undefined : `${root}catalogue`);
}

export const parts = partSet(catalogue());
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

/** A machine of which nobody looked at the settings of one item. */
export function unseen(build: Build, id: string): Build {
  const blind = (item: Build['board']) => (item.id === id ? { ...item, asFound: {} } : item);
  return { ...build, board: blind(build.board), items: build.items.map(blind) };
}

/** What lies on the shelf of the demo and can be used. */
export function demoShelf(): Unit[] {
  const file = new URL('../../demo/shelf.json', import.meta.url);
  const items = JSON.parse(readFileSync(file, 'utf8')) as ShelfItem[];
  return items
    .filter((i) => !lentTo({ loans: i.loans ?? [] }) && !['faulty', 'parts-only'].includes(i.condition))
    .map((i) => ({ specimen: i.id, part: i.part, asFound: i.asFound ?? {} }));
}
