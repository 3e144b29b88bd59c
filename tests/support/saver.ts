import Database from 'libsql';
import { databaseFile, openDatabase } from '../../src/lib/server/database';
import { storeTrouble } from '../../src/lib/server/trouble';
import { Seeded } from './random';

/**
 * A program of its own for the tests of durability.
 * `save FOLDER COUNT [CLIENTS] [PATIENCE]` saves so many states with each of its clients and prints build, number and
 * notes of each when it is acknowledged;
 * `lock FOLDER SEED` takes and drops the lock of the file until it is ended;
 * `as-nobody FOLDER` opens the folder as a user without rights and prints what it is told.
 */
const [command, folder, ...rest] = process.argv.slice(2);

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function save(count: number, clients: number, patience: number): Promise<void> {
  // Only here: reading the whole catalogue takes longer than what the other two do.
  const { BuildStore } = await import('../../src/lib/server/builds');
  const { NotFound } = await import('../../src/lib/server/errors');
  const { demo, parts } = await import('./demo');
  const store = new BuildStore(await openDatabase(folder, { patience }), [...parts.values()]);
  const names = Array.from({ length: clients }, (_, i) => (i ? `plover-${i}` : 'plover'));
  const present = (id: string) =>
    store.get(id).catch((error) => {
      if (!(error instanceof NotFound)) throw error;
      return store.create({ ...demo('plover'), id }, '');
    });
  await Promise.all(
    names.map(async (id) => {
      for (let saved = 0; saved < count;) {
        try {
          const { build, head } = await present(id);
          const next = await store.save(id, { ...build, notes: `state after ${head}` }, head, '');
          // Written before the next save begins, so that what is read was acknowledged.
          process.stdout.write(`${id} ${next.head} ${next.build.notes}\n`);
          saved++;
        } catch (error) {
          if (storeTrouble(error, folder)?.code !== 'SQLITE_BUSY') throw error;
          process.stdout.write('busy\n');
        }
      }
    })
  );
}

async function lock(seed: number): Promise<void> {
  const r = new Seeded(seed);
  const other = new Database(databaseFile(folder));
  for (;;) {
    try {
      other.exec(r.int(3) ? 'BEGIN IMMEDIATE' : 'BEGIN EXCLUSIVE');
      await pause(r.int(120));
      other.exec(r.int(2) ? 'COMMIT' : 'ROLLBACK');
    } catch {
      // Somebody saves just now.
    }
    await pause(r.int(30));
  }
}

async function asNobody(): Promise<void> {
  process.setgroups!([]);
  process.setgid!(65534);
  process.setuid!(65534);
  try {
    await openDatabase(folder);
    process.stdout.write('opened');
  } catch (error) {
    process.stdout.write((error as Error).message);
  }
}

if (command === 'save') await save(Number(rest[0]), Number(rest[1] ?? 1), Number(rest[2] ?? 5000));
else if (command === 'lock') await lock(Number(rest[0]));
else await asNobody();
