import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { Kysely, SqliteDialect, sql, type Generated } from 'kysely';
import { migrations } from './migrations';

export interface Tables {
  builds: { id: string; name: string; head: number; created: string; updated: string };
  revisions: {
    id: Generated<number>;
    build: string;
    parent: number | null;
    document: string;
    note: string;
    at: string;
  };
  parts: { id: string; document: string; at: string };
}

export type Db = Kysely<Tables>;

/** Folder of the user's data: YJ_DATA, else a folder in the home folder. */
export function dataFolder(): string {
  return process.env.YJ_DATA ?? join(homedir(), '.yellow-jumper');
}

/**
 * Opens the database and brings it up to date, with a copy beside it before a migration.
 * synchronous=FULL: an edit that was acknowledged has to survive a power cut at the bench, and one
 * person's edits are few.
 */
export async function openDatabase(folder: string): Promise<Db> {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'yellow-jumper.db');
  const existed = existsSync(file);
  const database = new Database(file);
  for (const pragma of [
    'journal_mode = WAL',
    'foreign_keys = ON',
    'busy_timeout = 5000',
    'synchronous = FULL'
  ])
    database.exec(`PRAGMA ${pragma}`);
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database }) });
  const version = await userVersion(db);
  if (version > migrations.length)
    throw new Error(
      `The data in ${folder} was written by a newer release (schema ${version}, this one knows ${migrations.length}). Start that release, or set YJ_DATA to another folder. Nothing was changed.`
    );
  if (version < migrations.length) {
    if (existed && version > 0) {
      database.exec('PRAGMA wal_checkpoint(TRUNCATE)');
      copyFileSync(file, `${file}.before-${migrations.length}`);
    }
    await migrate(db, version);
  }
  return db;
}

async function userVersion(db: Db): Promise<number> {
  const { rows } = await sql<{ user_version: number }>`PRAGMA user_version`.execute(db);
  return Number(rows[0]?.user_version ?? 0);
}

/** Applies the migrations from a version on, each in a transaction of its own. */
export async function migrate(db: Db, from: number, to = migrations.length): Promise<void> {
  for (let i = from; i < to; i++)
    await db.transaction().execute(async (trx) => {
      await migrations[i](trx);
      await sql.raw(`PRAGMA user_version = ${i + 1}`).execute(trx);
    });
}
