import { Notebook, sameJson } from '../core/model';
import type { BuildStore } from './builds';
import type { Db } from './database';
import { NotFound, Stale } from './errors';
import { freeName, readEach } from './rows';

export interface KeptNotebook {
  notebook: Notebook;
  version: number;
}

/** Keeps what is being found out about boards that are documented in part. */
export class NotebookStore {
  constructor(private readonly builds: BuildStore) {}

  /** Every notebook that can be read, and the names of those that cannot. */
  async list(trx: Db = this.builds.db): Promise<{ notebooks: KeptNotebook[]; unreadable: string[] }> {
    const rows = await trx.selectFrom('notebooks').selectAll().orderBy('at').orderBy('id').execute();
    const { good, bad } = readEach(rows, ({ document, version }) => ({
      notebook: Notebook.parse(JSON.parse(document)),
      version
    }));
    return { notebooks: good, unreadable: bad };
  }

  async all(trx: Db = this.builds.db): Promise<KeptNotebook[]> {
    return (await this.list(trx)).notebooks;
  }

  /** The kept documents as they are. */
  async raw(): Promise<string[]> {
    const rows = await this.builds.db.selectFrom('notebooks').select('document').orderBy('at').execute();
    return rows.map((r) => r.document);
  }

  /** Takes notebooks in; one that differs from one here under its id comes beside it. */
  async takeIn(trx: Db, notebooks: readonly Notebook[]): Promise<void> {
    const there = new Map((await this.all(trx)).map((n) => [n.notebook.id, n.notebook]));
    const ids = new Set((await trx.selectFrom('notebooks').select('id').execute()).map((r) => r.id));
    for (const notebook of notebooks) {
      const own = there.get(notebook.id);
      if (own && sameJson(own, notebook)) continue;
      const id = freeName(notebook.id, ids);
      ids.add(id);
      await this.save({ ...notebook, id }, 0, trx);
    }
  }

  /**
   * Saves a notebook over the version that it came from; version 0 makes a new one.
   * @throws Stale when another window saved it in between
   */
  async save(notebook: Notebook, version: number, trx: Db = this.builds.db): Promise<KeptNotebook> {
    const document = JSON.stringify(notebook);
    const next = version + 1;
    const changed =
      version === 0
        ? await trx
            .insertInto('notebooks')
            .values({ id: notebook.id, document, version: next, at: this.builds.now() })
            .onConflict((c) => c.doNothing())
            .executeTakeFirst()
            .then((r) => r.numInsertedOrUpdatedRows)
        : await trx
            .updateTable('notebooks')
            .set({ document, version: next })
            .where('id', '=', notebook.id)
            .where('version', '=', version)
            .executeTakeFirst()
            .then((r) => r.numUpdatedRows);
    if (!changed)
      throw new Stale(`${notebook.name} was changed in another window in between. Look at it and try again.`);
    this.builds.changes.tell({ kind: 'all' });
    return { notebook, version: next };
  }

  async remove(id: string): Promise<void> {
    const { numDeletedRows } = await this.builds.db
      .deleteFrom('notebooks')
      .where('id', '=', id)
      .executeTakeFirst();
    if (!numDeletedRows) throw new NotFound(`There is no notebook "${id}".`);
    this.builds.changes.tell({ kind: 'all' });
  }
}
