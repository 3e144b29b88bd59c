import { sameJson, type Build } from '../core/model';
import { readWorkshop, writeWorkshop, type KeptBuild } from '../formats';
import { transact } from './database';
import { addRevision, freeId, withPartNames, type BuildStore } from './builds';
import { NotebookStore } from './notebooks';
import type { ShelfStore } from './shelf';
import { readKept } from './summaries';

/** Everything in one archive: every build, those in the bin too, with all states and marks. */
export async function exportWorkshop(store: BuildStore, shelf: ShelfStore): Promise<Uint8Array> {
  const { db } = store;
  const builds = await db.selectFrom('builds').selectAll().orderBy('created').orderBy('id').execute();
  const kept: KeptBuild[] = [];
  for (const { id, head, deleted } of builds) {
    const rows = await db
      .selectFrom('revisions')
      .leftJoin('marks', 'marks.revision', 'revisions.id')
      .select(['revisions.id', 'parent', 'document', 'note', 'revisions.at', 'marks.name'])
      .where('build', '=', id)
      .orderBy('revisions.id')
      .execute();
    kept.push({
      head,
      ...(deleted === null ? {} : { deleted }),
      revisions: rows.map((row) => ({
        n: row.id,
        parent: row.parent,
        at: row.at,
        note: row.note,
        ...(row.name === null ? {} : { mark: row.name }),
        build: readKept(row.document)
      }))
    });
  }
  const things = await shelf.all();
  return writeWorkshop({
    builds: kept,
    parts: await store.parts(),
    shelf: things.map((v) => v.item),
    photos: await shelf.allPhotos(),
    sightings: await shelf.sightings(),
    notebooks: (await new NotebookStore(store).all()).map((n) => n.notebook)
  });
}

export interface Arrival {
  /** Id in the archive, and here; null when it was here already, in the same state. */
  from: string;
  id: string | null;
  revisions: number;
}
export interface Arrivals {
  builds: Arrival[];
  /** Things that came onto the shelf; those here already in the same state are left alone. */
  items: number;
}

/**
 * Takes in a whole archive, or nothing of it. A build that is here already in the same state is left
 * alone; one whose id is taken comes in under a free id beside it.
 * @throws InvalidDocument with the file in the archive and the place in it
 */
export async function importWorkshop(
  store: BuildStore,
  shelf: ShelfStore,
  bytes: Uint8Array
): Promise<Arrivals> {
  const { builds, parts, shelf: things, photos, sightings, notebooks } = await readWorkshop(bytes);
  const pictures = await shelf.readPhotos(photos);
  const known = await store.parts();
  const arrivals = await transact(store.db, async (trx) => {
    const names = await store.addParts(trx, parts, known);
    const here = await trx
      .selectFrom('builds')
      .innerJoin('revisions', 'revisions.id', 'builds.head')
      .select(['revisions.document'])
      .execute();
    const present = here.map((row) => readKept(row.document));
    const out: Arrival[] = [];
    for (const kept of builds) {
      const renamed = kept.revisions.map((r) => ({ ...r, build: withPartNames(r.build, names) }));
      const now = renamed.find((r) => r.n === kept.head)!.build;
      const base = { from: now.id, revisions: renamed.length };
      if (present.some((build) => sameJson(build, now))) {
        out.push({ ...base, id: null });
        continue;
      }
      const id = await freeId(trx, now.id);
      const numbers = new Map<number, number>();
      const own = (build: Build): Build => ({ ...build, id });
      for (const { n, parent, at, note, mark, build } of [...renamed].sort((a, b) => a.n - b.n)) {
        const from = parent === null ? null : numbers.get(parent)!;
        const number = await addRevision(trx, own(build), from, note, at);
        numbers.set(n, number);
        if (mark !== undefined)
          await trx.insertInto('marks').values({ revision: number, name: mark, at }).execute();
      }
      const at = store.now();
      await trx
        .insertInto('builds')
        .values({
          id,
          name: now.name,
          head: numbers.get(kept.head)!,
          created: at,
          updated: at,
          deleted: kept.deleted ?? null
        })
        .execute();
      out.push({ ...base, id });
    }
    const items = await shelf.takeIn(
      trx,
      things.map((item) => ({ ...item, part: names.get(item.part) ?? item.part })),
      pictures
    );
    for (const sighting of sightings) await shelf.saveSighting(sighting, trx);
    const kept = new NotebookStore(store);
    const there = new Map((await kept.all(trx)).map((n) => [n.notebook.id, n.notebook]));
    for (const notebook of notebooks) {
      const own = there.get(notebook.id);
      if (!own) await kept.save(notebook, 0, trx);
      else if (!sameJson(own, notebook))
        await kept.save({ ...notebook, id: freeName(notebook.id, there) }, 0, trx);
    }
    return { builds: out, items };
  });
  store.changes.tell({ kind: 'all' });
  return arrivals;
}

/** An id beside those that are taken. */
function freeName(id: string, taken: ReadonlyMap<string, unknown>): string {
  for (let n = 2; ; n++) {
    const name = `${id.slice(0, 58)}-${n}`;
    if (!taken.has(name)) return name;
  }
}
