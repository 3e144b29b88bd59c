import { server } from '../words/server';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Build, Notebook, ShelfItem, Sighting, type Profile } from '../core/model';
import { BuildStore } from './builds';
import { projectFolder, readCatalogue, readSoftware } from './catalogue';
import { dataFolder, openDatabase } from './database';
import { Gate, isShared, passphraseHash } from './gate';
import { notebookStore, sightingStore, type RecordStore } from './records';
import { OwnParts } from './own-parts';
import { ShelfStore } from './shelf';
import { StoreTrouble } from './trouble';

export interface Services {
  store: BuildStore;
  shelf: ShelfStore;
  own: OwnParts;
  notebooks: RecordStore<Notebook>;
  sightings: RecordStore<Sighting>;
  profiles: Profile[];
  gate: Gate;
}

let opened: Promise<Services> | null = null;

/** The store and the door of this process, opened at the first call. */
export function services(): Promise<Services> {
  opened ??= open();
  return opened;
}

export const builds = async (): Promise<BuildStore> => (await services()).store;

async function open(): Promise<Services> {
  const db = await openDatabase(dataFolder());
  if (isShared() && !(await passphraseHash(db))) throw new StoreTrouble(server.needsPassphrase, 'PASSPHRASE');
  const store = new BuildStore(db, readCatalogue(), { release: process.env.YJ_RELEASE });
  const shelf = new ShelfStore(store);
  const notebooks = notebookStore(store);
  const sightings = sightingStore(store);
  if (process.env.YJ_DEMO === '1') await loadDemo(store, shelf);
  // Whatever is not checked by these rules yet is checked beside the first requests.
  await store.list();
  return {
    store,
    shelf,
    notebooks,
    sightings,
    own: new OwnParts(store),
    profiles: readSoftware(),
    gate: new Gate(db)
  };
}

/** Puts the demo machines and the demo shelf in; what is there already, in the bin too, is left as it is. */
export async function loadDemo(
  target: BuildStore,
  shelf: ShelfStore,
  folder = join(projectFolder(), 'demo')
): Promise<void> {
  const read = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as unknown[];
  const things = new Set([...(await shelf.all()), ...(await shelf.all('bin'))].map((v) => v.item.id));
  for (const thing of read('shelf.json')) {
    const item = ShelfItem.parse(thing);
    if (!things.has(item.id)) await shelf.put(item);
  }
  await putMissing(
    sightingStore(target),
    read('sightings.json').map((s) => Sighting.parse(s))
  );
  await putMissing(
    notebookStore(target),
    read('notebooks.json').map((n) => Notebook.parse(n))
  );
  const there = new Set([...(await target.list()), ...(await target.list('bin'))].map((b) => b.id));
  for (const machine of read('builds.json')) {
    const build = Build.parse(machine);
    if (!there.has(build.id)) await target.create(build, 'demo');
  }
}

/** Saves documents of which none is kept under their id, readable or not. */
async function putMissing<T extends { id: string; name: string }>(
  store: RecordStore<T>,
  documents: readonly T[]
): Promise<void> {
  const { kept, unreadable } = await store.list();
  const there = new Set([...kept.map((k) => k.value.id), ...unreadable]);
  for (const document of documents) if (!there.has(document.id)) await store.save(document, 0);
}
