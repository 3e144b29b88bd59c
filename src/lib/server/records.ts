import { server } from '../words/server';
import { Notebook, Sighting, sameJson } from '../core/model';
import type { BuildStore } from './builds';
import type { Db } from './database';
import { NotFound, Stale } from './errors';
import { freeName, readEach } from './rows';

/** A document with the number of its saved state. */
export interface Kept<T> {
  value: T;
  version: number;
}

/** A kind of document that is kept under a name of its own. */
interface Kind<T> {
  table: 'notebooks' | 'sightings';
  read: (document: unknown) => T;
  missing: (id: string) => string;
}

/** Documents of one kind, each saved over the version that it came from. */
export class RecordStore<T extends { id: string; name: string }> {
  constructor(
    private readonly builds: BuildStore,
    private readonly kind: Kind<T>
  ) {}

  /** Every document that can be read, and the ids of those that cannot. */
  async list(trx: Db = this.builds.db): Promise<{ kept: Kept<T>[]; unreadable: string[] }> {
    const rows = await trx.selectFrom(this.kind.table).selectAll().orderBy('at').orderBy('id').execute();
    const { good, bad } = readEach(rows, ({ document, version }) => ({
      value: this.kind.read(JSON.parse(document)),
      version
    }));
    return { kept: good, unreadable: bad };
  }

  async all(trx: Db = this.builds.db): Promise<T[]> {
    return (await this.list(trx)).kept.map((k) => k.value);
  }

  /** The kept documents as they are. */
  async raw(): Promise<string[]> {
    const rows = await this.builds.db
      .selectFrom(this.kind.table)
      .select('document')
      .orderBy('at')
      .orderBy('id')
      .execute();
    return rows.map((r) => r.document);
  }

  /** Takes documents in; one that differs from one here under its id comes beside it, and does so once. */
  async takeIn(trx: Db, documents: readonly T[]): Promise<void> {
    const there = await this.all(trx);
    const ids = new Set((await trx.selectFrom(this.kind.table).select('id').execute()).map((r) => r.id));
    for (const document of documents) {
      const { id: name } = document;
      const isOf = (own: T) => own.id === name || own.id.startsWith(`${name}-`);
      if (there.some((own) => isOf(own) && sameJson({ ...own, id: name }, document))) continue;
      const id = freeName(name, ids);
      ids.add(id);
      await this.save({ ...document, id }, 0, trx);
    }
  }

  /**
   * Saves a document over the version that it came from; version 0 makes a new one.
   * @throws Stale when another window saved it in between
   */
  async save(value: T, version: number, trx: Db = this.builds.db): Promise<Kept<T>> {
    const { table } = this.kind;
    const document = JSON.stringify(value);
    const next = version + 1;
    const changed =
      version === 0
        ? await trx
            .insertInto(table)
            .values({ id: value.id, document, version: next, at: this.builds.now() })
            .onConflict((c) => c.doNothing())
            .executeTakeFirst()
            .then((r) => r.numInsertedOrUpdatedRows)
        : await trx
            .updateTable(table)
            .set({ document, version: next })
            .where('id', '=', value.id)
            .where('version', '=', version)
            .executeTakeFirst()
            .then((r) => r.numUpdatedRows);
    if (!changed) throw new Stale(server.stale(value.name));
    this.builds.changes.tell({ kind: 'all' });
    return { value, version: next };
  }

  async remove(id: string): Promise<void> {
    const { numDeletedRows } = await this.builds.db
      .deleteFrom(this.kind.table)
      .where('id', '=', id)
      .executeTakeFirst();
    if (!numDeletedRows) throw new NotFound(this.kind.missing(id));
    this.builds.changes.tell({ kind: 'all' });
  }
}

/** What is being found out about boards that are documented in part. */
export const notebookStore = (builds: BuildStore) =>
  new RecordStore<Notebook>(builds, {
    table: 'notebooks',
    read: (document) => Notebook.parse(document),
    missing: (id) => server.noNotebook(id)
  });

/** What was seen on things that are not identified yet. */
export const sightingStore = (builds: BuildStore) =>
  new RecordStore<Sighting>(builds, {
    table: 'sightings',
    read: (document) => Sighting.parse(document),
    missing: (id) => server.noSighting(id)
  });
