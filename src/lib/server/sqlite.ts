import { statSync } from 'node:fs';
import Database from 'libsql';
import {
  SqliteAdapter,
  SqliteIntrospector,
  SqliteQueryCompiler,
  type CompiledQuery,
  type DatabaseConnection,
  type Dialect,
  type Driver,
  type Kysely,
  type QueryResult
} from 'kysely';
import { replaced } from '../words/server';
import { StoreTrouble } from './trouble';

/**
 * SQLite for Kysely, so that what was acknowledged is on disk.
 *
 * The native driver leaves a prepared statement that ended busy "in progress" until it is collected, and no
 * later transaction of that connection commits meanwhile. Locks are therefore only ever waited for by `exec`,
 * which leaves nothing open: a transaction begins immediate, a read takes its snapshot first. Waiting is done
 * between tries, so that one lock does not hold every other request.
 *
 * Reads have a connection of their own: they go on while a writer waits.
 */
export class SqliteDriver implements Driver {
  private writer: Database.Database;
  private reader: Database.Database;
  private readonly turn = new Mutex();
  private marks: FileMarks | null = null;
  /** How the writer was set up, for one that takes its place. */
  private readonly setUp: string[] = [];

  constructor(
    readonly file: string,
    /** Milliseconds to wait for another program's lock. */
    readonly patience: number
  ) {
    this.writer = new Database(file);
    this.reader = this.writer;
  }

  /** Runs one statement that takes no values and waits for locks by itself. */
  async exec(statement: string): Promise<void> {
    await patiently(this.patience, () => this.writer.exec(statement));
    if (/^PRAGMA/.test(statement)) this.setUp.push(statement);
  }

  /** From now on the file is in daily use: reads get their own connection, and the file may not be exchanged. */
  async settle(): Promise<void> {
    this.reader = new Database(this.file);
    await patiently(this.patience, () => this.reader.exec(TAKE_SNAPSHOT));
    this.marks = marksOf(this.file);
  }

  /** A number that changes when another connection than the writer changed the file. */
  async dataVersion(): Promise<number> {
    const read = () => this.writer.prepare('PRAGMA data_version').all([]) as { data_version: number }[];
    const rows = this.writer.inTransaction
      ? read()
      : await patiently(this.patience, () => inSnapshot(this.writer, read));
    return Number(rows[0].data_version);
  }

  init(): Promise<void> {
    return Promise.resolve();
  }

  acquireConnection(): Promise<DatabaseConnection> {
    return Promise.resolve(new Connection(this));
  }

  async beginTransaction(connection: DatabaseConnection): Promise<void> {
    await this.begin();
    (connection as Connection).inTransaction = true;
  }

  commitTransaction(connection: DatabaseConnection): Promise<void> {
    this.commit();
    (connection as Connection).inTransaction = false;
    this.turn.release();
    return Promise.resolve();
  }

  rollbackTransaction(connection: DatabaseConnection): Promise<void> {
    const own = connection as Connection;
    if (!own.inTransaction) return Promise.resolve();
    own.inTransaction = false;
    this.rollback();
    this.turn.release();
    return Promise.resolve();
  }

  releaseConnection(connection: DatabaseConnection): Promise<void> {
    return this.rollbackTransaction(connection);
  }

  destroy(): Promise<void> {
    if (this.reader !== this.writer) this.reader.close();
    this.writer.close();
    return Promise.resolve();
  }

  /** One statement outside a transaction. */
  async run(query: CompiledQuery): Promise<QueryResult<never>> {
    switch (query.query.kind) {
      case 'SelectQueryNode':
        return patiently(this.patience, () => inSnapshot(this.reader, () => result(this.reader, query)));
      case 'RawNode':
        return this.runRaw(query);
      default:
        return this.runAlone(query);
    }
  }

  /** One statement inside the transaction that is open. */
  runInside(query: CompiledQuery): QueryResult<never> {
    return result(this.writer, query);
  }

  /** A single write is a transaction of its own, which is begun and committed like any other. */
  private async runAlone(query: CompiledQuery): Promise<QueryResult<never>> {
    await this.begin();
    try {
      const done = result(this.writer, query);
      this.commit();
      return done;
    } catch (error) {
      this.rollback();
      throw error;
    } finally {
      this.turn.release();
    }
  }

  /** Statements about the file itself (VACUUM, ATTACH, PRAGMA), which are not possible inside a transaction. */
  private async runRaw(query: CompiledQuery): Promise<QueryResult<never>> {
    await this.turn.take();
    try {
      await patiently(this.patience, () => this.writer.exec(TAKE_SNAPSHOT));
      return result(this.writer, query);
    } finally {
      this.turn.release();
    }
  }

  /** Waits for its turn and for the lock. @throws when the file is another one by now, or stays locked */
  private async begin(): Promise<void> {
    const until = performance.now() + this.patience;
    await this.turn.take();
    try {
      this.assertSameFile();
      // Whoever waited long for its turn is not made to wait as long again.
      await patiently(until - performance.now(), () => this.writer.exec('BEGIN IMMEDIATE'));
    } catch (error) {
      this.turn.release();
      throw error;
    }
  }

  private commit(): void {
    this.assertSameFile();
    this.writer.exec('COMMIT');
    if (this.writer.inTransaction) throw new Error('the transaction was not committed');
  }

  /** Never throws: the error that led here is the one to tell. SQLite may have ended the transaction itself. */
  private rollback(): void {
    try {
      if (this.writer.inTransaction) this.writer.exec('ROLLBACK');
    } catch {
      // Taken up below.
    }
    if (!this.writer.inTransaction) return;
    this.writer.close();
    this.writer = new Database(this.file);
    for (const statement of this.setUp) this.writer.exec(statement);
  }

  /** A file that was deleted or exchanged while it is open would take every save into nothing. */
  private assertSameFile(): void {
    if (!this.marks) return;
    const now = marksOf(this.file);
    if (now.file !== this.marks.file || now.log !== this.marks.log)
      throw new StoreTrouble(replaced(this.file), 'REPLACED');
  }
}

class Connection implements DatabaseConnection {
  inTransaction = false;

  constructor(private readonly driver: SqliteDriver) {}

  executeQuery<R>(query: CompiledQuery): Promise<QueryResult<R>> {
    if (!this.inTransaction) return this.driver.run(query);
    try {
      return Promise.resolve(this.driver.runInside(query));
    } catch (error) {
      return Promise.reject(error);
    }
  }

  // eslint-disable-next-line require-yield
  async *streamQuery<R>(): AsyncIterableIterator<QueryResult<R>> {
    throw new Error('rows are read whole here');
  }
}

/** The pieces that Kysely asks for, around one driver. */
export const sqliteDialect = (driver: SqliteDriver): Dialect => ({
  createDriver: () => driver,
  createAdapter: () => new SqliteAdapter(),
  createQueryCompiler: () => new SqliteQueryCompiler(),
  createIntrospector: (db: Kysely<unknown>) => new SqliteIntrospector(db)
});

const TAKE_SNAPSHOT = 'SELECT 1 FROM sqlite_schema LIMIT 1';

/** Reads in a transaction whose snapshot is taken by `exec`, so that no prepared statement can end busy. */
function inSnapshot<T>(database: Database.Database, read: () => T): T {
  database.exec('BEGIN');
  try {
    database.exec(TAKE_SNAPSHOT);
    return read();
  } finally {
    database.exec('ROLLBACK');
  }
}

function result(database: Database.Database, { sql, parameters }: CompiledQuery): QueryResult<never> {
  const statement = database.prepare(sql);
  if (statement.reader) return { rows: statement.all(parameters) as never[] };
  const { changes, lastInsertRowid } = statement.run(parameters);
  return { rows: [], numAffectedRows: BigInt(changes), insertId: BigInt(lastInsertRowid) };
}

const isBusy = (error: unknown): boolean =>
  /^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown })?.code));

/** Milliseconds between tries for a lock. */
const PAUSE = 10;

/** Tries until no lock is in the way, or the time is over. At least one try is made. */
async function patiently<T>(milliseconds: number, work: () => T): Promise<T> {
  const end = performance.now() + milliseconds;
  for (;;) {
    try {
      return work();
    } catch (error) {
      if (!isBusy(error) || performance.now() >= end) throw error;
    }
    await new Promise((done) => setTimeout(done, PAUSE));
  }
}

interface FileMarks {
  file: string;
  log: string;
}

/** What makes a file the one it is, and the log of what was committed last beside it; empty when there is none. */
const marksOf = (file: string): FileMarks => ({ file: mark(file), log: mark(`${file}-wal`) });

function mark(file: string): string {
  const stat = statSync(file, { throwIfNoEntry: false });
  return stat ? `${stat.dev} ${stat.ino}` : '';
}

/** One at a time, in the order of asking. */
class Mutex {
  private readonly waiting: (() => void)[] = [];
  private taken = false;

  take(): Promise<void> {
    if (this.taken) return new Promise((go) => this.waiting.push(go));
    this.taken = true;
    return Promise.resolve();
  }

  release(): void {
    const next = this.waiting.shift();
    if (next) next();
    else this.taken = false;
  }
}
