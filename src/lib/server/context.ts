import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Build } from '../core/model';
import { BuildStore } from './builds';
import { projectFolder, readCatalogue } from './catalogue';
import { dataFolder, openDatabase } from './database';

let store: Promise<BuildStore> | null = null;

/** The one store of this process, opened at the first call. */
export function builds(): Promise<BuildStore> {
  store ??= open();
  return store;
}

async function open(): Promise<BuildStore> {
  const db = await openDatabase(dataFolder());
  const made = new BuildStore(db, readCatalogue());
  if (process.env.YJ_DEMO === '1') await loadDemo(made);
  return made;
}

/** Puts the demo machines in; those already there are left as they are. */
export async function loadDemo(target: BuildStore, folder = join(projectFolder(), 'demo')): Promise<void> {
  const machines = JSON.parse(readFileSync(join(folder, 'builds.json'), 'utf8')) as unknown[];
  const there = new Set((await target.list()).map((b) => b.id));
  for (const machine of machines) {
    const build = Build.parse(machine);
    if (!there.has(build.id)) await target.create(build, 'demo');
  }
}
