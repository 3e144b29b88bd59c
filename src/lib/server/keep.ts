import { server } from '../words/server';
import { existsSync, mkdirSync, mkdtempSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { sql } from 'kysely';
import {
  copyTo,
  databaseFile,
  freeName,
  migrate,
  openDatabase,
  openFile,
  tableNames,
  tables,
  transact,
  userVersion,
  type Db
} from './database';
import { migrations } from './migrations';
import { usablePart } from './accepted';
import { Notebook, ShelfItem, Sighting } from '../core/model';
import { readKept } from './summaries';
import { StoreTrouble, storeTrouble } from './trouble';

/** What a backup holds; the passphrase and who is signed in stay with the machine. */
const kept = ['builds', 'revisions', 'marks', 'parts', 'shelf', 'photos', 'sightings', 'notebooks'] as const;

const assertThere = (folder: string): void => {
  if (!existsSync(databaseFile(folder))) throw new StoreTrouble(server.noData(folder), 'NONE');
};

/**
 * Writes a consistent copy of the data to a new file, also while the program runs.
 * @returns the file
 */
export async function backup(folder: string, wanted?: string, now = new Date()): Promise<string> {
  assertThere(folder);
  const stamp = now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
  const file = wanted ? resolve(wanted) : join(folder, 'backups', `yellow-jumper-${stamp}.db`);
  if (existsSync(file)) throw new StoreTrouble(server.backupThere(file), 'EXISTS');
  try {
    mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
    const { db } = await openFile(databaseFile(folder));
    await copyTo(db, file).finally(() => db.destroy());
  } catch (error) {
    throw storeTrouble(error, file) ?? error;
  }
  return file;
}

/**
 * Brings back what a backup holds, in one transaction, also while the program runs. The backup is looked through
 * first, as `health` does. What was there before is copied to a file beside the database; a damaged database is put
 * aside under another name.
 * @param anyway also a backup with damaged rows, of which the rest is worth having
 * @throws StoreTrouble naming what is wrong in the backup; nothing is changed then
 */
export async function restoreBackup(
  folder: string,
  source: string,
  { anyway = false } = {}
): Promise<{ builds: number; before: string }> {
  const from = resolve(source);
  if (!existsSync(from) || statSync(from).isDirectory())
    throw new StoreTrouble(server.noBackup(from), 'NONE');
  if (statSync(from).size === 0) throw new StoreTrouble(server.backupEmpty(from), 'EMPTY');
  const scratch = mkdtempSync(join(tmpdir(), 'yj-restore-'));
  const copy = join(scratch, 'backup.db');
  let db: Db | null = null;
  try {
    await copyOfBackup(from, copy, anyway);
    const aside = await putAsideDamaged(folder);
    db = await openDatabase(folder);
    const before = aside ?? freeName(databaseFile(folder), 'before-restore');
    if (!aside) await copyTo(db, before);
    await sql`ATTACH ${copy} AS source`.execute(db);
    await transact(db, async (trx) => {
      for (const table of [...kept, 'summaries'])
        await sql`DELETE FROM main.${sql.table(table)}`.execute(trx);
      for (const table of kept) {
        const columns = await sql<{ name: string }>`SELECT name FROM pragma_table_info(${table})`.execute(
          trx
        );
        const list = sql.join(columns.rows.map((c) => sql.ref(c.name)));
        await sql`INSERT INTO main.${sql.table(table)} (${list}) SELECT ${list} FROM source.${sql.table(table)}`.execute(
          trx
        );
      }
    });
    const { n } = await db
      .selectFrom('builds')
      .select((e) => e.fn.countAll<number>().as('n'))
      .executeTakeFirstOrThrow();
    return { builds: Number(n), before };
  } catch (error) {
    throw storeTrouble(error, databaseFile(folder)) ?? error;
  } finally {
    await db?.destroy();
    rmSync(scratch, { recursive: true, force: true });
  }
}

/** A copy of a backup in today's schema, looked through. @throws StoreTrouble that names the backup */
async function copyOfBackup(from: string, copy: string, anyway: boolean): Promise<void> {
  try {
    const opened = await openFile(from);
    try {
      if (opened.version === 0) throw new StoreTrouble(broken(from, [server.holdsNothing]), 'EMPTY');
      await copyTo(opened.db, copy);
    } finally {
      await opened.db.destroy();
    }
    const { db, version } = await openFile(copy);
    try {
      if (version < migrations.length) await migrate(db, version);
      const missing = await missingTables(db);
      const problems = missing.length ? missing : (await healthOf(db, copy, true)).problems;
      if (missing.length || (problems.length && !anyway))
        throw new StoreTrouble(broken(from, problems, !missing.length), 'BROKEN');
    } finally {
      await db.destroy();
    }
  } catch (error) {
    const trouble = storeTrouble(error, from);
    if (trouble?.code === 'SQLITE_CORRUPT' || trouble?.code === 'SQLITE_NOTADB')
      throw new StoreTrouble(broken(from, [server.isDamaged]), trouble.code);
    throw trouble ?? error;
  }
}

/** Why a backup is not brought back. */
const broken = (from: string, problems: readonly string[], canForce = false): string =>
  server.notBroughtBack(
    from,
    problems.slice(0, 8).join('; '),
    problems.length > 8 ? `; and ${problems.length - 8} more` : '',
    canForce ? server.anotherOrForce : server.anotherBackup
  );

/** Tables that a database lacks; without them no page works. */
async function missingTables(db: Db): Promise<string[]> {
  const there = await tableNames(db);
  return tables.filter((t) => !there.includes(t)).map((t) => server.tableMissing(t));
}

/** Renames a database that cannot be read, so that a backup can take its place. @returns its new name */
async function putAsideDamaged(folder: string): Promise<string | null> {
  const file = databaseFile(folder);
  if (!existsSync(file)) return null;
  try {
    const { db } = await openFile(file);
    await db.destroy();
    return null;
  } catch (error) {
    const trouble = storeTrouble(error, file);
    if (trouble?.code !== 'SQLITE_CORRUPT' && trouble?.code !== 'SQLITE_NOTADB') throw error;
    const aside = freeName(file, 'damaged');
    for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, aside + end);
    return aside;
  }
}

export interface Health {
  file: string;
  bytes: number;
  schema: number;
  builds: number;
  inBin: number;
  revisions: number;
  parts: number;
  problems: string[];
}

/** Looks through the whole file: its structure, that every build has its state, that each state can be read. */
export async function health(folder: string): Promise<Health> {
  assertThere(folder);
  const file = databaseFile(folder);
  let db: Db;
  try {
    ({ db } = await openFile(file));
  } catch (error) {
    throw storeTrouble(error, file) ?? error;
  }
  try {
    return await healthOf(db, file, true);
  } finally {
    await db.destroy();
  }
}

/** @param deep read every state too, which takes seconds when there are many thousand */
export async function healthOf(db: Db, file: string, deep: boolean): Promise<Health> {
  const problems: string[] = [];
  const look = sql.raw<Record<string, string>>(`PRAGMA ${deep ? 'integrity' : 'quick'}_check(20)`);
  for (const row of (await look.execute(db)).rows)
    for (const said of Object.values(row)) if (said !== 'ok') problems.push(said);
  const missing = await missingTables(db);
  const base = { file, bytes: statSync(file).size, schema: await userVersion(db) };
  if (missing.length)
    return { ...base, builds: 0, inBin: 0, revisions: 0, parts: 0, problems: [...problems, ...missing] };
  const headless = await db
    .selectFrom('builds')
    .leftJoin('revisions', 'revisions.id', 'builds.head')
    .select('builds.id')
    .where('revisions.id', 'is', null)
    .execute();
  for (const { id } of headless) problems.push(server.buildHeadless(id));
  problems.push(...(await unreadable(db, deep)));
  const { revisions } = await db
    .selectFrom('revisions')
    .select((e) => e.fn.countAll<number>().as('revisions'))
    .executeTakeFirstOrThrow();
  const builds = await db.selectFrom('builds').select(['id', 'deleted']).execute();
  const parts = await db.selectFrom('parts').select('id').execute();
  return {
    ...base,
    builds: builds.filter((b) => b.deleted === null).length,
    inBin: builds.filter((b) => b.deleted !== null).length,
    revisions: Number(revisions),
    parts: parts.length,
    problems
  };
}

/** Rows that pages need and that cannot be read: present states, parts, things, notebooks; `deep`: every state. */
async function unreadable(db: Db, deep: boolean): Promise<string[]> {
  const problems: string[] = [];
  const look = <R extends { id: string | number }>(
    rows: readonly R[],
    read: (row: R) => unknown,
    words: (row: R) => string
  ) => {
    for (const row of rows)
      try {
        read(row);
      } catch {
        problems.push(words(row));
      }
  };
  let states = db.selectFrom('revisions').select(['revisions.id', 'build', 'document']);
  if (!deep) states = states.innerJoin('builds', 'builds.head', 'revisions.id');
  look(
    await states.execute(),
    ({ document }) => readKept(document),
    ({ id, build }) => server.revisionUnreadable(id, build)
  );
  look(
    await db.selectFrom('parts').select(['id', 'document']).execute(),
    ({ document }) => usablePart(document),
    ({ id }) => server.partUnusable(id)
  );
  look(
    await db.selectFrom('shelf').select(['id', 'document']).execute(),
    ({ document }) => ShelfItem.parse(JSON.parse(document)),
    ({ id }) => server.shelfUnreadable(id)
  );
  look(
    await db.selectFrom('sightings').select(['id', 'document']).execute(),
    ({ document }) => Sighting.parse(JSON.parse(document)),
    ({ id }) => server.seenUnreadable(id)
  );
  look(
    await db.selectFrom('notebooks').select(['id', 'document']).execute(),
    ({ document }) => Notebook.parse(JSON.parse(document)),
    ({ id }) => server.notebookUnreadable(id)
  );
  return problems;
}
