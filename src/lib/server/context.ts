import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Build } from '../core/model';
import { BuildStore } from './builds';
import { projectFolder, readCatalogue } from './catalogue';
import { dataFolder, openDatabase } from './database';
import { Gate, isShared, passphraseHash } from './gate';
import { StoreTrouble } from './trouble';

export interface Services {
  store: BuildStore;
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
  if (isShared() && !(await passphraseHash(db)))
    throw new StoreTrouble(
      'A shared server needs a passphrase. Set one first: npm run --silent yj -- passphrase',
      'PASSPHRASE'
    );
  const store = new BuildStore(db, readCatalogue(), { release: process.env.YJ_RELEASE });
  if (process.env.YJ_DEMO === '1') await loadDemo(store);
  return { store, gate: new Gate(db) };
}

/** Puts the demo machines in; those already there, in the bin too, are left as they are. */
export async function loadDemo(target: BuildStore, folder = join(projectFolder(), 'demo')): Promise<void> {
  const machines = JSON.parse(readFileSync(join(folder, 'builds.json'), 'utf8')) as unknown[];
  const there = new Set([...(await target.list()), ...(await target.list('bin'))].map((b) => b.id));
  for (const machine of machines) {
    const build = Build.parse(machine);
    if (!there.has(build.id)) await target.create(build, 'demo');
  }
}
