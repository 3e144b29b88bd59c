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
  transact,
  userVersion,
  type Db
} from './database';
import { migrations } from './migrations';
import { readKept } from './summaries';
import { StoreTrouble, storeTrouble } from './trouble';

/** What a backup holds; the passphrase and who is signed in stay with the machine. */
const kept = ['builds', 'revisions', 'marks', 'parts', 'shelf', 'photos', 'sightings', 'notebooks'] as const;

const assertThere = (folder: string): void => {
  if (!existsSync(databaseFile(folder)))
    throw new StoreTrouble(`There is no data in ${folder} yet. Set YJ_DATA to the folder you mean.`, 'NONE');
};

/**
 * Writes a consistent copy of the data to a new file, also while the program runs.
 * @returns the file
 */
export async function backup(folder: string, wanted?: string, now = new Date()): Promise<string> {
  assertThere(folder);
  const stamp = now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
  const file = wanted ? resolve(wanted) : join(folder, 'backups', `yellow-jumper-${stamp}.db`);
  if (existsSync(file))
    throw new StoreTrouble(
      `${file} is there already; a backup never writes over a file. Name another.`,
      'EXISTS'
    );
  try {
    mkdirSync(dirname(file), { recursive: true });
    const { db } = await openFile(databaseFile(folder));
    await copyTo(db, file).finally(() => db.destroy());
  } catch (error) {
    throw storeTrouble(error, file) ?? error;
  }
  return file;
}

/**
 * Brings back what a backup holds, in one transaction, also while the program runs. What was there
 * before is copied to a file beside the database first; a damaged database is put aside under another name.
 */
export async function restoreBackup(
  folder: string,
  source: string
): Promise<{ builds: number; before: string }> {
  const from = resolve(source);
  if (!existsSync(from) || statSync(from).isDirectory())
    throw new StoreTrouble(`There is no backup ${from}.`, 'NONE');
  const scratch = mkdtempSync(join(tmpdir(), 'yj-restore-'));
  const copy = join(scratch, 'backup.db');
  let db: Db | null = null;
  try {
    const opened = await openFile(from);
    await copyTo(opened.db, copy).finally(() => opened.db.destroy());
    const older = await openFile(copy);
    if (older.version < migrations.length) await migrate(older.db, older.version);
    await older.db.destroy();
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
    throw storeTrouble(error, from) ?? error;
  } finally {
    await db?.destroy();
    rmSync(scratch, { recursive: true, force: true });
  }
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
  const headless = await db
    .selectFrom('builds')
    .leftJoin('revisions', 'revisions.id', 'builds.head')
    .select('builds.id')
    .where('revisions.id', 'is', null)
    .execute();
  for (const { id } of headless) problems.push(`build "${id}" has lost its present state`);
  if (deep) problems.push(...(await unreadable(db)));
  const { revisions } = await db
    .selectFrom('revisions')
    .select((e) => e.fn.countAll<number>().as('revisions'))
    .executeTakeFirstOrThrow();
  const builds = await db.selectFrom('builds').select(['id', 'deleted']).execute();
  const parts = await db.selectFrom('parts').select('id').execute();
  return {
    file,
    bytes: statSync(file).size,
    schema: await userVersion(db),
    builds: builds.filter((b) => b.deleted === null).length,
    inBin: builds.filter((b) => b.deleted !== null).length,
    revisions: Number(revisions),
    parts: parts.length,
    problems
  };
}

async function unreadable(db: Db): Promise<string[]> {
  const rows = await db.selectFrom('revisions').select(['id', 'build', 'document']).execute();
  return rows.flatMap(({ id, build, document }) => {
    try {
      readKept(document);
      return [];
    } catch {
      return [`revision ${id} of "${build}" cannot be read`];
    }
  });
}
