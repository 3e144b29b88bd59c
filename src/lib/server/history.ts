import { server } from '../words/server';
import type { Build } from '../core/model';
import { changesOf, type Change } from '../words';
import type { BuildRecord, BuildStore } from './builds';
import { NotFound } from './errors';
import { readKept } from './summaries';

/** One saved state of a build. */
export interface RevisionRow {
  id: number;
  parent: number | null;
  at: string;
  note: string;
  mark: string | null;
  isHead: boolean;
  /** How it differs from the state it was made from; null for the first, and where one of the two cannot be read. */
  changes: Change[] | null;
  /** It is damaged: it can be saved as it is kept, and not be brought back. */
  unreadable: boolean;
}

/** The saved states of a build, newest first, `limit` of them from below `before` on. */
export async function revisions(
  store: BuildStore,
  id: string,
  { before = Number.MAX_SAFE_INTEGER, limit = 50, marked = false } = {}
): Promise<{ revisions: RevisionRow[]; more: boolean }> {
  const head = await store.head(id);
  const parts = await store.parts();
  let query = store.db
    .selectFrom('revisions as r')
    .leftJoin('marks', 'marks.revision', 'r.id')
    .leftJoin('revisions as p', 'p.id', 'r.parent')
    .select(['r.id', 'r.parent', 'r.at', 'r.note', 'r.document', 'marks.name as mark', 'p.document as from'])
    .where('r.build', '=', id)
    .where('r.id', '<', before)
    .orderBy('r.id', 'desc')
    .limit(limit + 1);
  if (marked) query = query.where('marks.name', 'is not', null);
  const rows = await query.execute();
  // The state that one came from is often the next in the list.
  const states = new Map<string, Build | null>();
  const read = (document: string): Build | null => {
    let state = states.get(document);
    if (state === undefined) states.set(document, (state = readable(document)));
    return state;
  };
  return {
    more: rows.length > limit,
    revisions: rows.slice(0, limit).map(({ document, from, ...row }) => {
      const [before, now] = [from === null ? null : read(from), read(document)];
      return {
        ...row,
        isHead: row.id === head,
        unreadable: now === null,
        changes: before && now ? changesOf(before, now, parts) : null
      };
    })
  };
}

const readable = (document: string): Build | null => {
  try {
    return readKept(document);
  } catch {
    return null;
  }
};

/** A saved state of a build in use, as it is kept. */
async function kept(store: BuildStore, id: string, number: number): Promise<string> {
  await store.head(id);
  const row = await store.db
    .selectFrom('revisions')
    .select('document')
    .where('id', '=', number)
    .where('build', '=', id)
    .executeTakeFirst();
  if (!row) throw new NotFound(server.noRevision(id, number));
  return row.document;
}

export const revision = async (store: BuildStore, id: string, number: number): Promise<Build> =>
  readKept(await kept(store, id, number));

/** How one state of a build differs from another. */
export async function compare(store: BuildStore, id: string, from: number, to: number): Promise<Change[]> {
  const [before, after] = [await revision(store, id, from), await revision(store, id, to)];
  return changesOf(before, after, await store.parts());
}

/** Makes an earlier state the present one, as a new revision. */
export async function restore(
  store: BuildStore,
  id: string,
  number: number,
  base: number
): Promise<BuildRecord> {
  const build = await revision(store, id, number);
  const mark = await store.db
    .selectFrom('marks')
    .select('name')
    .where('revision', '=', number)
    .executeTakeFirst();
  return store.save(id, { ...build, id }, base, server.broughtBack(mark?.name ?? server.earlierState));
}

/** Names a state ("worked, 12 May"), or takes its name away with null. */
export async function mark(
  store: BuildStore,
  id: string,
  number: number,
  name: string | null
): Promise<void> {
  await kept(store, id, number);
  if (name === null) await store.db.deleteFrom('marks').where('revision', '=', number).execute();
  else
    await store.db
      .insertInto('marks')
      .values({ revision: number, name, at: store.now() })
      .onConflict((c) => c.column('revision').doUpdateSet({ name }))
      .execute();
  const head = await store.head(id);
  store.changes.tell({ kind: 'build', id, head });
}
