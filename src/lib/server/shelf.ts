import { server } from '../words/server';
import { setImmediate as othersFirst } from 'node:timers/promises';
import {
  PhotoMarks,
  ShelfItem,
  lentTo,
  oneLine,
  sameJson,
  triedIn8Bit,
  checkShelfItem,
  schemaFlaws,
  type PartSet,
  type ShelfView
} from '../core/model';
import { shelfCsv, type KeptPhoto, type ShelfRow, type Workshop } from '../formats';
import { idFrom, type BuildStore } from './builds';
import { transact, type Db } from './database';
import { NotFound, Stale, Unreadable } from './errors';
import { pool } from './heavy/pool';
import { page } from './page';
import { readPhoto, type Picture } from './photos';
import { freeName, readEach } from './rows';
import { InvalidDocument, type Problem } from '../words';

const MOST_PHOTOS = 24;
/** Rows that one statement inserts. */
const ROWS_AT_ONCE = 100;

/** Marks on a photograph; damaged ones are none. */
const marksOf = (text: string): PhotoMarks => {
  try {
    return PhotoMarks.parse(JSON.parse(text));
  } catch {
    return [];
  }
};

/** Keeps what lies on the shelf: specimens with their history and photographs. */
export class ShelfStore {
  constructor(private readonly builds: BuildStore) {}

  private get db(): Db {
    return this.builds.db;
  }

  /** Things that can be read, with the ids of those that cannot. */
  async list(
    from: 'use' | 'bin' = 'use',
    only?: string
  ): Promise<{ things: ShelfView[]; unreadable: string[] }> {
    let query = this.db
      .selectFrom('shelf')
      .selectAll()
      .where('deleted', from === 'use' ? 'is' : 'is not', null)
      .orderBy('created')
      .orderBy('id');
    let pictures = this.db
      .selectFrom('photos')
      .select(['id', 'item', 'name', 'width', 'height', 'marks'])
      .orderBy('at');
    if (only !== undefined) {
      query = query.where('id', '=', only);
      pictures = pictures.where('item', '=', only);
    }
    const rows = await query.execute();
    const parts = await this.builds.parts();
    const uses = await this.uses();
    const photos = new Map<string, ShelfView['photos']>();
    for (const { marks, item, ...photo } of await pictures.execute())
      photos.set(item, [...(photos.get(item) ?? []), { ...photo, marks: marksOf(marks) }]);
    const { good, bad } = readEach(rows, (row) => {
      const item = ShelfItem.parse(JSON.parse(row.document));
      return viewOf(item, row.version, parts, uses.get(item.id) ?? [], photos.get(item.id) ?? []);
    });
    return { things: good, unreadable: bad };
  }

  async all(from: 'use' | 'bin' = 'use'): Promise<ShelfView[]> {
    return (await this.list(from)).things;
  }

  async page(asked: { q: string; limit: number; offset: number; from: 'use' | 'bin' }) {
    const { things, unreadable } = await this.list(asked.from);
    const { rows, total } = page(things, asked, (v) => [
      v.title,
      v.maker,
      v.kind,
      v.summary,
      v.item.place ?? '',
      v.item.condition,
      v.item.notes ?? '',
      v.lentTo ? `lent ${v.lentTo}` : '',
      ...v.usedIn.map((u) => u.name)
    ]);
    return { items: rows, total, unreadable };
  }

  async get(id: string): Promise<ShelfView> {
    const { things, unreadable } = await this.list('use', id);
    if (unreadable.length) throw new Unreadable(server.shelfDamaged(id));
    if (!things.length) throw new NotFound(server.notOnShelf(id));
    return things[0];
  }

  /** In which builds each specimen sits. */
  private async uses(): Promise<Map<string, ShelfView['usedIn']>> {
    const out = new Map<string, ShelfView['usedIn']>();
    for (const row of await this.builds.list())
      for (const item of row.summary.items)
        if (item.specimen)
          out.set(item.specimen, [
            ...(out.get(item.specimen) ?? []),
            { build: row.id, name: row.name, borrowed: item.borrowed ?? false }
          ]);
    return out;
  }

  /** Puts something on the shelf under an id made from its part's name. */
  async add(data: unknown): Promise<ShelfView> {
    const item = await this.checked({ ...(data as object), id: 'new' });
    const id = await transact(this.db, (trx) => this.insert(trx, item));
    this.builds.changes.tell({ kind: 'all' });
    return this.get(id);
  }

  /** Puts a whole item on the shelf under its own id, or a free one behind it. */
  async put(item: ShelfItem, trx: Db = this.db): Promise<string> {
    const problems = checkShelfItem(item, await this.builds.parts());
    if (problems.length) throw new InvalidDocument(problems, server.what.itemOf(item.id));
    return this.insert(trx, item);
  }

  private async insert(trx: Db, item: ShelfItem): Promise<string> {
    return (await this.insertAll(trx, [item]))[0];
  }

  /** Puts many things on the shelf with one look at the ids that are taken. @returns their ids */
  private async insertAll(trx: Db, items: readonly ShelfItem[]): Promise<string[]> {
    const at = this.builds.now();
    const rows = await trx.selectFrom('shelf').select('id').execute();
    const taken = new Set(rows.map((r) => r.id));
    const ids: string[] = [];
    for (let from = 0; from < items.length; from += ROWS_AT_ONCE) {
      const values = items.slice(from, from + ROWS_AT_ONCE).map((item) => {
        const id = freeName(item.id === 'new' ? idFrom(item.label ?? item.part) : item.id, taken);
        taken.add(id);
        ids.push(id);
        const document = JSON.stringify({ ...item, id });
        return { id, part: item.part, document, version: 1, created: at, updated: at, deleted: null };
      });
      await trx.insertInto('shelf').values(values).execute();
      await othersFirst();
    }
    return ids;
  }

  /** @throws Stale when somebody saved it in between */
  async save(id: string, data: unknown, version: number): Promise<ShelfView> {
    const item = await this.checked({ ...(data as object), id });
    const { numUpdatedRows } = await this.db
      .updateTable('shelf')
      .set({
        part: item.part,
        document: JSON.stringify(item),
        version: version + 1,
        updated: this.builds.now()
      })
      .where('id', '=', id)
      .where('version', '=', version)
      .where('deleted', 'is', null)
      .executeTakeFirst();
    const now = await this.get(id);
    if (!numUpdatedRows) throw new Stale(server.stale(now.title));
    this.builds.changes.tell({ kind: 'all' });
    return now;
  }

  async bin(id: string, way: 'in' | 'out'): Promise<void> {
    const { numUpdatedRows } = await this.db
      .updateTable('shelf')
      .set({ deleted: way === 'in' ? this.builds.now() : null })
      .where('id', '=', id)
      .executeTakeFirst();
    if (!numUpdatedRows) throw new NotFound(server.notOnShelf(id));
    this.builds.changes.tell({ kind: 'all' });
  }

  private async checked(data: unknown): Promise<ShelfItem> {
    const parsed = ShelfItem.safeParse(data);
    if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), server.what.item);
    const problems = checkShelfItem(parsed.data, await this.builds.parts());
    if (problems.length) throw new InvalidDocument(problems, server.what.item);
    return parsed.data;
  }

  async addPhoto(id: string, name: string, bytes: Uint8Array): Promise<ShelfView> {
    const { photos } = await this.get(id);
    if (photos.length >= MOST_PHOTOS)
      throw new InvalidDocument(
        [{ path: '', message: server.photosThere(MOST_PHOTOS) }],
        server.what.photograph
      );
    await this.insertPhoto(this.db, id, name, await readPhoto(bytes));
    this.builds.changes.tell({ kind: 'all' });
    return this.get(id);
  }

  async photo(item: string, id: string): Promise<Uint8Array> {
    const row = await this.db
      .selectFrom('photos')
      .select('data')
      .where('id', '=', id)
      .where('item', '=', item)
      .executeTakeFirst();
    if (!row) throw new NotFound(server.noPhotograph);
    return new Uint8Array(row.data);
  }

  /** Photographs of what is on the shelf, the newest first, as many as go into so many bytes. */
  async rawPhotos(most: number): Promise<{ photos: Workshop['photos']; leftOut: number }> {
    const sizes = await this.db
      .selectFrom('photos')
      .innerJoin('shelf', 'shelf.id', 'photos.item')
      .select((e) => ['photos.id', e.fn<number>('length', ['photos.data']).as('size')])
      .where('shelf.deleted', 'is', null)
      .orderBy('photos.at', 'desc')
      .execute();
    let size = 0;
    const chosen = sizes.filter((row) => (size += Number(row.size)) <= most).map((row) => row.id);
    const photos: Workshop['photos'] = [];
    for (const id of chosen.reverse()) {
      const row = await this.db
        .selectFrom('photos')
        .select(['item', 'name', 'data', 'marks'])
        .where('id', '=', id)
        .executeTakeFirst();
      if (row) photos.push({ ...row, data: new Uint8Array(row.data) });
    }
    return { photos, leftOut: sizes.length - photos.length };
  }

  /** What is kept of things on the shelf, as it is. */
  async rawDocuments(): Promise<string[]> {
    const rows = await this.db
      .selectFrom('shelf')
      .select('document')
      .where('deleted', 'is', null)
      .orderBy('created')
      .orderBy('id')
      .execute();
    return rows.map((r) => r.document);
  }

  /** Photographs of an archive, checked and written anew like any other; what is no picture is left out. */
  async readPhotos(
    photos: readonly KeptPhoto[]
  ): Promise<{ good: (KeptPhoto & Picture)[]; left: Problem[] }> {
    const good: (KeptPhoto & Picture)[] = [];
    const left: Problem[] = [];
    for (const photo of photos)
      try {
        good.push({ ...photo, ...(await readPhoto(photo.data)) });
      } catch (error) {
        if (!(error instanceof InvalidDocument)) throw error;
        left.push({ path: `photos: ${photo.name}`, message: error.problems[0].message });
      }
    return { good, left };
  }

  /** Takes things in with their photographs, in a transaction that is open. @returns how many are new */
  async takeIn(
    trx: Db,
    items: readonly ShelfItem[],
    photos: readonly (KeptPhoto & Picture)[]
  ): Promise<number> {
    const here = await trx.selectFrom('shelf').select(['id', 'document']).execute();
    const { good } = readEach(here, (h) => [h.id, JSON.parse(h.document) as unknown] as const);
    const known = new Map(good);
    const fresh = items.filter((item) => !sameJson(known.get(item.id), item));
    const ids = await this.insertAll(trx, fresh);
    for (const [i, item] of fresh.entries())
      for (const photo of photos.filter((p) => p.item === item.id))
        await this.insertPhoto(trx, ids[i], photo.name, photo, photo.marks);
    return fresh.length;
  }

  private async insertPhoto(
    trx: Db,
    item: string,
    name: string,
    picture: Picture,
    marks: PhotoMarks = []
  ): Promise<void> {
    await trx
      .insertInto('photos')
      .values({
        id: crypto.randomUUID(),
        item,
        name: oneLine(name).slice(0, 120) || 'photograph',
        width: picture.width,
        height: picture.height,
        data: picture.data,
        at: this.builds.now(),
        marks: JSON.stringify(marks)
      })
      .execute();
  }

  async markPhoto(item: string, id: string, marks: PhotoMarks): Promise<ShelfView> {
    const { numUpdatedRows } = await this.db
      .updateTable('photos')
      .set({ marks: JSON.stringify(marks) })
      .where('id', '=', id)
      .where('item', '=', item)
      .executeTakeFirst();
    if (!numUpdatedRows) throw new NotFound(server.noPhotograph);
    this.builds.changes.tell({ kind: 'all' });
    return this.get(item);
  }

  async removePhoto(item: string, id: string): Promise<void> {
    const { numDeletedRows } = await this.db
      .deleteFrom('photos')
      .where('id', '=', id)
      .where('item', '=', item)
      .executeTakeFirst();
    if (!numDeletedRows) throw new NotFound(server.noPhotograph);
    this.builds.changes.tell({ kind: 'all' });
  }

  async exportCsv(): Promise<string> {
    return shelfCsv(
      (await this.all()).map((v) => v.item),
      await this.builds.parts()
    );
  }

  /** Reads a table row by row; with `take` the rows without errors are put on the shelf, else none. */
  async importCsv(
    text: string,
    take: boolean,
    signal?: AbortSignal
  ): Promise<{ rows: ShelfRow[]; added: number }> {
    const rows = await pool.run('readShelf', { text, parts: await this.builds.parts() }, signal);
    const good = rows.flatMap((r) => (r.item && !r.problems.length ? [r.item] : []));
    if (!take || !good.length) return { rows, added: 0 };
    await transact(this.db, (trx) => this.insertAll(trx, good));
    this.builds.changes.tell({ kind: 'all' });
    return { rows, added: good.length };
  }
}

function viewOf(
  item: ShelfItem,
  version: number,
  parts: PartSet,
  usedIn: ShelfView['usedIn'],
  photos: ShelfView['photos']
): ShelfView {
  const part = parts.get(item.part);
  return {
    item,
    version,
    title: item.label ?? part?.name ?? item.part,
    maker: part?.maker ?? '',
    kind: part?.kind ?? 'card',
    summary: part?.summary ?? '',
    usedIn,
    lentTo: lentTo(item),
    tried8: triedIn8Bit(item.trials, parts),
    photos: photos.map(({ id, name, width, height, marks }) => ({ id, name, width, height, marks }))
  };
}
