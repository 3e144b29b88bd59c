import { revisionOf } from '../formats/workshop';
import { setImmediate as othersFirst } from 'node:timers/promises';
import { sameJson, type Build, entryOf } from '../core/model';
import { MAX_ARCHIVE, MAX_UNPACKED, type KeptBuild, type RawBuild } from '../formats';
import { transact, type Db } from './database';
import { addRevision, freeId, withPartNames, type BuildStore } from './builds';
import { pool } from './heavy/pool';
import { notebookStore, sightingStore } from './records';
import type { ShelfStore } from './shelf';
import { type Problem } from '../words';

/** Bytes that photographs and states may take of an archive, so that it can be read again. */
const MOST_PHOTOS = MAX_ARCHIVE * 0.6;
const MOST_STATES = MAX_UNPACKED * 0.4;

export interface Export {
  bytes: Uint8Array;
  /** States and photographs that were left out, the oldest, since the archive would be too large to read. */
  leftOut: { states: number; photos: number };
  /** Documents that cannot be read any more; they are in it as they were kept. */
  unreadable: number;
}

/** Everything in one archive: every build, those in the bin too, with all states and marks. */
export async function exportWorkshop(
  store: BuildStore,
  shelf: ShelfStore,
  signal?: AbortSignal
): Promise<Export> {
  const states = await chosenStates(store.db);
  const photos = await shelf.rawPhotos(MOST_PHOTOS);
  const { bytes, unreadable } = await pool.run(
    'writeArchive',
    {
      builds: await rawBuilds(store.db, states.chosen),
      parts: await store.parts(),
      shelf: await shelf.rawDocuments(),
      photos: photos.photos,
      sightings: await sightingStore(store).raw(),
      notebooks: await notebookStore(store).raw(),
      leftOut: { states: states.leftOut, photos: photos.leftOut }
    },
    signal
  );
  return {
    bytes,
    leftOut: { states: states.leftOut, photos: photos.leftOut },
    unreadable: unreadable.length
  };
}

/** The states that fit: present and named ones first, then the newest. */
async function chosenStates(db: Db): Promise<{ chosen: Set<number>; leftOut: number }> {
  const rows = await db
    .selectFrom('revisions')
    .innerJoin('builds', 'builds.id', 'revisions.build')
    .leftJoin('marks', 'marks.revision', 'revisions.id')
    .select((e) => [
      'revisions.id',
      'builds.head',
      'marks.name',
      e.fn<number>('length', ['document']).as('size')
    ])
    .orderBy('revisions.id', 'desc')
    .execute();
  const isFirst = (r: (typeof rows)[number]) => r.id === r.head || r.name !== null;
  const chosen = new Set<number>();
  let size = 0;
  for (const row of [...rows.filter(isFirst), ...rows.filter((r) => !isFirst(r))]) {
    size += Number(row.size) + 200;
    if (size > MOST_STATES) break;
    chosen.add(row.id);
  }
  return { chosen, leftOut: rows.length - chosen.size };
}

async function rawBuilds(db: Db, chosen: ReadonlySet<number>): Promise<RawBuild[]> {
  const builds = await db.selectFrom('builds').selectAll().orderBy('created').orderBy('id').execute();
  const out: RawBuild[] = [];
  for (const { id, head, deleted } of builds) {
    await othersFirst();
    const rows = await db
      .selectFrom('revisions')
      .leftJoin('marks', 'marks.revision', 'revisions.id')
      .select(['revisions.id', 'parent', 'document', 'note', 'revisions.at', 'marks.name'])
      .where('build', '=', id)
      .orderBy('revisions.id')
      .execute();
    const parents = new Map(rows.map((r) => [r.id, r.parent]));
    const ancestor = (n: number | null): number | null => {
      let at = n;
      while (at !== null && !chosen.has(at)) at = parents.get(at) ?? null;
      return at;
    };
    out.push({
      id,
      head,
      ...(deleted === null ? {} : { deleted }),
      revisions: rows
        .filter((r) => chosen.has(r.id))
        .map((row) => ({
          n: row.id,
          parent: ancestor(row.parent),
          at: row.at,
          note: row.note,
          ...(row.name === null ? {} : { mark: row.name }),
          document: row.document
        }))
    });
  }
  return out;
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
  /** What could not be taken in, with its place in the archive and the reason. */
  left: Problem[];
}

/**
 * Takes in an archive. A build that is here already in the same state is left alone; one whose id is taken comes in
 * under a free id beside it. What is wrong in the archive is left out and named.
 * @throws InvalidDocument with the file in the archive and the place in it, when nothing can be taken
 */
export async function importWorkshop(
  store: BuildStore,
  shelf: ShelfStore,
  bytes: Uint8Array,
  signal?: AbortSignal
): Promise<Arrivals> {
  const {
    builds,
    parts,
    shelf: things,
    photos,
    sightings,
    notebooks,
    left
  } = await pool.run('readArchive', bytes, signal);
  const pictures = await shelf.readPhotos(photos);
  const known = await store.parts();
  const arrivals = await transact(store.db, async (trx) => {
    const names = await store.addParts(trx, parts, known);
    const present = await presentStates(trx);
    const out: Arrival[] = [];
    for (const kept of builds) out.push(await takeBuild(store, trx, kept, names, present));
    const items = await shelf.takeIn(
      trx,
      things.map((item) => ({ ...item, part: names.get(item.part) ?? item.part })),
      pictures.good
    );
    await sightingStore(store).takeIn(trx, sightings);
    await notebookStore(store).takeIn(trx, notebooks);
    return { builds: out, items, left: [...left, ...pictures.left] };
  });
  store.forget();
  store.changes.tell({ kind: 'all' });
  return arrivals;
}

/** Present states by the id of their build; one that is no JSON is like no other. */
async function presentStates(trx: Db): Promise<unknown[]> {
  const rows = await trx
    .selectFrom('builds')
    .innerJoin('revisions', 'revisions.id', 'builds.head')
    .select(['revisions.document'])
    .execute();
  return rows.map(({ document }) => {
    try {
      return JSON.parse(document) as unknown;
    } catch {
      return null;
    }
  });
}

async function takeBuild(
  store: BuildStore,
  trx: Db,
  kept: KeptBuild,
  names: ReadonlyMap<string, string>,
  present: readonly unknown[]
): Promise<Arrival> {
  const renamed = kept.revisions.map((r) => ({ ...r, build: withPartNames(r.build, names) }));
  const now = revisionOf(renamed, kept.head).build;
  const base = { from: now.id, revisions: renamed.length };
  if (present.some((build) => sameJson(build, now))) return { ...base, id: null };
  const id = await freeId(trx, now.id);
  const numbers = new Map<number, number>();
  const own = (build: Build): Build => ({ ...build, id });
  for (const [i, { n, parent, at, note, mark, build }] of [...renamed].sort((a, b) => a.n - b.n).entries()) {
    if (i % 50 === 49) await othersFirst();
    const from = parent === null ? null : entryOf(numbers, parent);
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
      head: entryOf(numbers, kept.head),
      created: at,
      updated: at,
      deleted: kept.deleted ?? null
    })
    .execute();
  return { ...base, id };
}
