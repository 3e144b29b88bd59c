import { damaged, server } from '../words/server';
import { entryOf } from '../core/model';
import { accessSync, chmodSync, constants, existsSync, mkdirSync, statfsSync, statSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { Kysely, sql, type Generated } from 'kysely';
import { migrations } from './migrations';
import { SqliteDriver, sqliteDialect } from './sqlite';
import { StoreTrouble, storeTrouble } from './trouble';

export interface Tables {
  builds: {
    id: string;
    name: string;
    head: number;
    created: string;
    updated: string;
    /** When it was put in the bin; null while it is in use. */
    deleted: string | null;
  };
  revisions: {
    id: Generated<number>;
    build: string;
    parent: number | null;
    document: string;
    note: string;
    at: string;
  };
  marks: { revision: number; name: string; at: string };
  parts: { id: string; document: string; at: string };
  /** What lists show of a build, so that they need not read it: made again when `key` or `head` differ. */
  summaries: { build: string; head: number; key: string; document: string };
  /** Things on the shelf; `deleted` is when one was put in the bin. */
  shelf: {
    id: string;
    part: string;
    document: string;
    version: number;
    created: string;
    updated: string;
    deleted: string | null;
  };
  /** Photographs of things on the shelf, always JPEG. */
  photos: {
    id: string;
    item: string;
    name: string;
    width: number;
    height: number;
    data: Uint8Array;
    at: string;
    /** Numbered marks as JSON. */
    marks: string;
  };
  /** What is being found out about boards that are documented in part. */
  notebooks: { id: string; document: string; version: number; at: string };
  /** What was seen on things that are not identified yet. */
  sightings: { id: string; document: string; version: number; at: string };
  settings: { name: string; value: string };
  sessions: { token: string; expires: string };
}

export type Db = Kysely<Tables>;

/** Folder of the user's data: YJ_DATA, else a folder in the home folder. */
export function dataFolder(): string {
  return process.env.YJ_DATA ?? join(homedir(), '.yellow-jumper');
}

export const databaseFile = (folder: string): string => join(folder, 'yellow-jumper.db');

/** Below this many free bytes the program does not start. */
const LEAST_FREE = 8 * 1024 * 1024;

export interface OpenOptions {
  /** Milliseconds to wait for another program's lock. */
  patience?: number;
  /** Free bytes on the disk of a folder. */
  freeBytes?: (folder: string) => number;
}

/**
 * Opens the database and brings it up to date, with a copy beside it before a migration.
 * synchronous=FULL: an edit that was acknowledged has to survive a power cut at the bench, and one
 * person's edits are few.
 * @throws StoreTrouble when the folder, the disk or the file cannot be used; nothing is changed then.
 */
export async function openDatabase(folder: string, options: OpenOptions = {}): Promise<Db> {
  const file = databaseFile(folder);
  let opened: Opened | null = null;
  try {
    checkFolder(folder, file, options.freeBytes ?? freeBytes);
    opened = await openFile(file, options.patience ?? 5000);
    await bringUpToDate(opened.db, file, opened.version);
    for (const pragma of ['journal_mode = WAL', 'foreign_keys = ON', 'synchronous = FULL'])
      await opened.driver.exec(`PRAGMA ${pragma}`);
    await opened.driver.settle();
    keepPrivate(file);
    return opened.db;
  } catch (error) {
    await opened?.db.destroy();
    throw storeTrouble(error, existsSync(file) ? file : folder) ?? error;
  }
}

interface Opened {
  db: Db;
  driver: SqliteDriver;
  version: number;
}

/** Opens a file and looks at it, without writing to it. */
export async function openFile(file: string, patience = 5000): Promise<Opened> {
  const existed = existsSync(file) && statSync(file).size > 0;
  const driver = new SqliteDriver(file, patience);
  const db = new Kysely<Tables>({ dialect: sqliteDialect(driver) });
  drivers.set(db, driver);
  try {
    const version = await userVersion(db);
    if (version > migrations.length)
      throw new StoreTrouble(server.newerSchema(file, version, migrations.length), 'NEWER');
    if (existed) await assertSound(db, file, version);
    return { db, driver, version };
  } catch (error) {
    await db.destroy();
    throw error;
  }
}

/** Every table of today's schema. */
export const tables = [
  'builds',
  'revisions',
  'marks',
  'parts',
  'summaries',
  'shelf',
  'photos',
  'notebooks',
  'sightings',
  'settings',
  'sessions'
] as const satisfies readonly (keyof Tables)[];

export async function tableNames(db: Db): Promise<string[]> {
  const { rows } = await sql<{ name: string }>`SELECT name FROM sqlite_master WHERE type = 'table'`.execute(
    db
  );
  return rows.map((row) => row.name);
}

async function assertSound(db: Db, file: string, version: number): Promise<void> {
  const { rows } = await sql<Record<string, string>>`PRAGMA quick_check(1)`.execute(db);
  if (Object.values(rows[0] ?? {})[0] !== 'ok') throw new StoreTrouble(damaged(file), 'SQLITE_CORRUPT');
  const names = await tableNames(db);
  const needed = version === migrations.length ? tables : (['builds', 'revisions'] as const);
  const foreign = version === 0 ? names.length > 0 : needed.some((table) => !names.includes(table));
  if (foreign) throw new StoreTrouble(damaged(file), 'SQLITE_NOTADB');
}

function checkFolder(folder: string, file: string, free: (folder: string) => number): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  accessSync(folder, constants.W_OK | constants.X_OK);
  if (existsSync(file)) accessSync(file, constants.R_OK | constants.W_OK);
  const bytes = free(folder);
  if (bytes < LEAST_FREE)
    throw new StoreTrouble(server.diskFull(folder, Math.floor(bytes / 1024), LEAST_FREE / 2 ** 20), 'ENOSPC');
}

const freeBytes = (folder: string): number => {
  const { bavail, bsize } = statfsSync(folder);
  return bavail * bsize;
};

async function bringUpToDate(db: Db, file: string, version: number): Promise<void> {
  if (version === migrations.length) return;
  const copy = version > 0 ? freeName(file, `before-schema-${migrations.length}`) : null;
  if (copy) await copyTo(db, copy);
  try {
    await migrate(db, version);
  } catch (error) {
    throw (
      storeTrouble(error, file) ??
      new StoreTrouble(
        server.notUpgraded(
          file,
          version,
          migrations.length,
          (error as Error).message,
          copy ? server.keptCopy(copy) : ''
        ),
        'MIGRATION'
      )
    );
  }
}

/** A consistent copy of the open database, with everything that was saved, in a new file. */
export async function copyTo(db: Db, file: string): Promise<void> {
  await sql`VACUUM INTO ${file}`.execute(db);
  keepPrivate(file);
}

/** What is kept is for the user who runs the program, and for no other user of the computer. */
function keepPrivate(file: string): void {
  for (const one of [file, `${file}-wal`, `${file}-shm`])
    try {
      chmodSync(one, 0o600);
    } catch {
      // Not there, or another user's: then it is that user's to say.
    }
}

/** `yellow-jumper.NAME.db` beside a database, with a number when that is taken. */
export function freeName(file: string, name: string): string {
  for (let n = 1; ; n++) {
    const wanted = file.replace(/\.db$/, `.${name}${n > 1 ? `-${n}` : ''}.db`);
    if (!existsSync(wanted)) return wanted;
  }
}

export async function userVersion(db: Db): Promise<number> {
  const { rows } = await sql<{ user_version: number }>`PRAGMA user_version`.execute(db);
  return Number(rows[0]?.user_version ?? 0);
}

const drivers = new WeakMap<Db, SqliteDriver>();

/** A number that changes when another program changed the file. @param db as it was opened, no transaction */
export const dataVersion = (db: Db): Promise<number> => entryOf(drivers, db).dataVersion();

/** Applies the migrations from a version on, each in a transaction of its own. */
export async function migrate(db: Db, from: number, to = migrations.length): Promise<void> {
  for (let i = from; i < to; i++)
    await transact(db, async (trx) => {
      await migrations[i](trx);
      await sql.raw(`PRAGMA user_version = ${i + 1}`).execute(trx);
    });
}

/** Does all of something or nothing; the lock is taken before the first statement. */
export const transact = <T>(db: Db, work: (trx: Db) => Promise<T>): Promise<T> =>
  db.transaction().execute(work);
