import { Notebook } from '../core/model';
import type { BuildStore } from './builds';
import type { Db } from './database';
import { NotFound, Stale } from './errors';

export interface KeptNotebook {
  notebook: Notebook;
  version: number;
}

/** Keeps what is being found out about boards that are documented in part. */
export class NotebookStore {
  constructor(private readonly builds: BuildStore) {}

  async all(trx: Db = this.builds.db): Promise<KeptNotebook[]> {
    const rows = await trx.selectFrom('notebooks').selectAll().orderBy('at').orderBy('id').execute();
    return rows.map(({ document, version }) => ({ notebook: Notebook.parse(JSON.parse(document)), version }));
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
