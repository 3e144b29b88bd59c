import { server } from '../words/server';
import { dropOldest } from './drop-oldest';
import { sql } from 'kysely';
import {
  Name,
  buildSchema,
  checkBuild,
  partSet,
  sameJson,
  slugOf,
  schemaFlaws,
  type Build,
  type Part,
  type PartSet
} from '../core/model';
import { indexed, type Indexed } from '../core/catalogue';
import { writeBuildFile } from '../formats';
import { sizeProblems, usablePart } from './accepted';
import { dataVersion, transact, type Db } from './database';
import { Conflict, InBin, NotFound, Unreadable } from './errors';
import { Changes } from './events';
import { Checker } from './checker';
import { pool } from './heavy/pool';
import { teachMediums } from './mediums';
import { readEach } from './rows';
import { readKept, summaries, type ItemRow, type Row } from './summaries';
import { InvalidDocument } from '../words';

export interface BuildRecord {
  build: Build;
  /** Number of the revision; a save names the one it started from. */
  head: number;
  /** When it became the present state; heads go back by undoing, this does not. */
  updated: string;
  canUndo: boolean;
  canRedo: boolean;
}

/** States that are kept at hand. */
const MOST_READ = 64;

export interface StoreOptions {
  now?: () => string;
  /** Names the rules and parts by which summaries are made. */
  release?: string;
}

/** Keeps builds, their revisions, and parts that came with imported files. */
export class BuildStore {
  readonly changes: Changes;
  readonly checker: Checker;
  readonly now: () => string;
  private readonly release: string;
  private known: { version: number; parts: PartSet } | null = null;
  private indexedParts: { parts: PartSet; index: readonly Indexed[] } | null = null;
  /** States read lately, by their document. */
  private readonly read = new Map<string, Build>();

  constructor(
    readonly db: Db,
    private readonly catalogue: readonly Part[],
    options: StoreOptions = {}
  ) {
    this.changes = new Changes(db);
    this.now = options.now ?? (() => new Date().toISOString());
    this.release = options.release ?? `${process.pid} ${Date.now()}`;
    this.checker = new Checker(db, this.changes, this.release);
  }

  /** Every part known: the catalogue's and those imported. */
  async parts(): Promise<PartSet> {
    const version = await dataVersion(this.db);
    if (this.known?.version !== version) {
      const rows = await this.db.selectFrom('parts').select(['id', 'document']).execute();
      const { good } = readEach(rows, (row) => usablePart(row.document));
      this.known = { version, parts: partSet([...this.catalogue, ...good]) };
    }
    return this.known.parts;
  }

  /** Parts were changed: they are read anew. */
  forget(): void {
    this.known = null;
    this.indexedParts = null;
  }

  /** The parts as they are searched. */
  async index(): Promise<readonly Indexed[]> {
    const parts = await this.parts();
    if (this.indexedParts?.parts !== parts)
      this.indexedParts = { parts, index: [...parts.values()].map(indexed) };
    return this.indexedParts.index;
  }

  /**
   * Builds in use, or those in the bin, in the order in which they were made. One that changed since it was checked
   * last is listed as not checked; its check is begun.
   */
  async list(from: 'use' | 'bin' = 'use'): Promise<Row[]> {
    const parts = await this.parts();
    const { rows, unchecked } = await summaries(this.db, parts, this.release);
    this.checker.check(unchecked, parts);
    return rows.filter((row) => (row.deleted === null) === (from === 'use'));
  }

  /** Every specimen in every build that is in use, with where it is. */
  async items(): Promise<(ItemRow & { build: string; buildName: string })[]> {
    return (await this.list()).flatMap((row) =>
      row.summary.items.map((item) => ({ ...item, build: row.id, buildName: row.name }))
    );
  }

  /**
   * @throws NotFound, InBin, or Unreadable when the present state cannot be read
   */
  async get(id: string): Promise<BuildRecord> {
    const row = await this.present(id);
    const child = await this.childOf(id, row.head);
    return {
      build: this.kept(row.document),
      head: row.head,
      updated: row.updated,
      canUndo: row.parent !== null,
      canRedo: child !== undefined
    };
  }

  /** The present state of a build in use, as it is kept. */
  async present(
    id: string
  ): Promise<{ head: number; parent: number | null; document: string; name: string; updated: string }> {
    const row = await this.db
      .selectFrom('builds')
      .leftJoin('revisions', 'revisions.id', 'builds.head')
      .select(['builds.name', 'builds.head', 'builds.deleted', 'builds.updated'])
      .select(['revisions.parent', 'revisions.document'])
      .where('builds.id', '=', id)
      .executeTakeFirst();
    if (!row) throw new NotFound(server.noBuild(id));
    if (row.deleted !== null) throw new InBin(id);
    if (row.document === null) throw new Unreadable(server.stateLost);
    const { head, parent, document, name, updated } = row;
    return { head, parent, document, name, updated };
  }

  /** Name and number of the present state of a build in use, whether or not it can be read. */
  async named(id: string): Promise<{ name: string; head: number }> {
    const row = await this.db
      .selectFrom('builds')
      .select(['name', 'head', 'deleted'])
      .where('id', '=', id)
      .executeTakeFirst();
    if (!row) throw new NotFound(server.noBuild(id));
    if (row.deleted !== null) throw new InBin(id);
    return { name: row.name, head: row.head };
  }

  async head(id: string): Promise<number> {
    return (await this.named(id)).head;
  }

  private kept(document: string): Build {
    const state = this.read.get(document) ?? readKept(document);
    this.read.set(document, state);
    if (this.read.size > MOST_READ) dropOldest(this.read);
    return state;
  }

  /** Stores a new build under an id made from its name. */
  async create(build: Build, note: string): Promise<BuildRecord> {
    await this.assertWhole(build);
    const { id, head } = await transact(this.db, (trx) => this.insert(trx, build, note));
    this.changes.tell({ kind: 'build', id, head });
    return this.get(id);
  }

  private async insert(trx: Db, build: Build, note: string): Promise<{ id: string; head: number }> {
    const at = this.now();
    const id = await freeId(trx, build.id);
    const head = await addRevision(trx, { ...build, id }, null, note, at);
    await trx
      .insertInto('builds')
      .values({ id, name: build.name, head, created: at, updated: at, deleted: null })
      .execute();
    return { id, head };
  }

  /**
   * Saves a build as a new revision.
   * @throws Conflict when `base` is no longer the newest; InvalidDocument when it is not whole.
   */
  async save(id: string, document: unknown, base: number, note: string): Promise<BuildRecord> {
    const parsed = buildSchema(document).safeParse(document);
    if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), server.what.build);
    const build = parsed.data;
    if (build.id !== id)
      throw new InvalidDocument([{ path: 'id', message: server.mustBe(id) }], server.what.build);
    await this.assertWhole(build);
    let isShelfChanged = false;
    const saved = await transact(this.db, async (trx) => {
      const row = await trx
        .selectFrom('builds')
        .leftJoin('revisions', 'revisions.id', 'builds.head')
        .select(['builds.head', 'builds.deleted', 'revisions.document'])
        .where('builds.id', '=', id)
        .executeTakeFirst();
      if (!row) throw new NotFound(server.noBuild(id));
      if (row.deleted !== null) throw new InBin(id);
      if (row.head !== base) return null;
      const at = this.now();
      const revision = await addRevision(trx, build, base, note, at);
      isShelfChanged = await teachMediums(trx, row.document ?? '', build, at);
      await trx
        .updateTable('builds')
        .set({ head: revision, name: build.name, updated: at })
        .where('id', '=', id)
        .execute();
      return { head: revision, updated: at };
    });
    if (saved === null) throw new Conflict(await this.get(id));
    this.changes.tell({ kind: 'build', id, head: saved.head });
    if (isShelfChanged) this.changes.tell({ kind: 'all' });
    // Not what is newest by now: somebody may have saved again in between.
    return { build, ...saved, canUndo: true, canRedo: false };
  }

  /** Goes one revision back or forward. Nothing is deleted; what the shelf learnt by it is taken back or told again. */
  async step(id: string, way: 'undo' | 'redo'): Promise<BuildRecord> {
    const { head, parent, document } = await this.present(id);
    const target = way === 'undo' ? parent : (await this.childOf(id, head))?.id;
    if (typeof target !== 'number') return this.get(id);
    let isShelfChanged = false;
    await transact(this.db, async (trx) => {
      const to = await trx
        .selectFrom('revisions')
        .select('document')
        .where('id', '=', target)
        .executeTakeFirstOrThrow();
      const at = this.now();
      const { numUpdatedRows } = await trx
        .updateTable('builds')
        .set({ head: target, updated: at, name: sql<string>`json_extract(${to.document}, '$.name')` })
        .where('id', '=', id)
        .where('head', '=', head)
        .executeTakeFirst();
      if (numUpdatedRows) isShelfChanged = await teachMediums(trx, document, this.kept(to.document), at);
    });
    this.changes.tell({ kind: 'build', id, head: target });
    if (isShelfChanged) this.changes.tell({ kind: 'all' });
    return this.get(id);
  }

  /** A second build that starts from the present state of one. */
  async duplicate(id: string, name?: string): Promise<BuildRecord> {
    const { build } = await this.get(id);
    const title = name ?? `${build.name.slice(0, 110)}, copy`;
    return this.create({ ...build, id: idFrom(title), name: title }, server.copyOf(build.name));
  }

  /** Puts a build in the bin or back. */
  async bin(id: string, way: 'in' | 'out'): Promise<void> {
    const { numUpdatedRows } = await this.db
      .updateTable('builds')
      .set({ deleted: way === 'in' ? this.now() : null })
      .where('id', '=', id)
      .executeTakeFirst();
    if (!numUpdatedRows) throw new NotFound(server.noBuild(id));
    this.changes.tell({ kind: 'build', id, head: null });
  }

  /** Takes a build out of the bin for good, with all its revisions. */
  async remove(id: string): Promise<void> {
    await transact(this.db, async (trx) => {
      const { numDeletedRows } = await trx
        .deleteFrom('builds')
        .where('id', '=', id)
        .where('deleted', 'is not', null)
        .executeTakeFirst();
      if (!numDeletedRows) throw new NotFound(server.noBuildInBin(id));
      const own = trx.selectFrom('revisions').select('id').where('build', '=', id);
      await trx.deleteFrom('marks').where('revision', 'in', own).execute();
      await trx.deleteFrom('revisions').where('build', '=', id).execute();
      await trx.deleteFrom('summaries').where('build', '=', id).execute();
    });
    this.changes.tell({ kind: 'build', id, head: null });
  }

  /** Takes in a build file; parts that are new or differ from a known one are kept under a free id. */
  async importFile(text: string, signal?: AbortSignal): Promise<BuildRecord> {
    const { build, parts } = await pool.run('readBuild', text, signal);
    const known = await this.parts();
    const { id, head } = await transact(this.db, async (trx) => {
      const names = await this.addParts(trx, parts, known);
      return this.insert(trx, withPartNames(build, names), 'imported');
    });
    this.forget();
    this.changes.tell({ kind: 'build', id, head });
    return this.get(id);
  }

  async exportFile(id: string): Promise<string> {
    const { build } = await this.get(id);
    return writeBuildFile(build, await this.parts());
  }

  /**
   * Keeps parts that are not among the known ones, in a transaction that is open.
   * @returns the id under which each is known now
   */
  async addParts(trx: Db, parts: PartSet, known: PartSet): Promise<Map<string, string>> {
    const all = new Map(known);
    const names = new Map<string, string>();
    for (const part of parts.values()) {
      let id = part.id;
      for (let n = 2; ; n++) {
        const same = all.get(id);
        if (!same || sameJson({ ...same, id: '' }, { ...part, id: '' })) break;
        id = `${part.id.slice(0, 58)}-${n}`;
      }
      names.set(part.id, id);
      if (all.has(id)) continue;
      all.set(id, { ...part, id });
      await trx
        .insertInto('parts')
        .values({ id, document: JSON.stringify({ ...part, id }), at: this.now() })
        .execute();
    }
    return names;
  }

  private async assertWhole(build: Build): Promise<void> {
    const parts = await this.parts();
    const problems = [...checkBuild(build, parts), ...sizeProblems(build, parts)];
    if (problems.length) throw new InvalidDocument(problems, server.what.build);
  }

  /** The newest revision that was made from this one: what redo goes to. */
  private childOf(build: string, head: number) {
    return this.db
      .selectFrom('revisions')
      .select('id')
      .where('build', '=', build)
      .where('parent', '=', head)
      .orderBy('id', 'desc')
      .executeTakeFirst();
  }
}

/** The wished id, or the first free one behind it. */
export async function freeId(db: Db, wanted: string): Promise<string> {
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted.slice(0, 58)}-${n}`;
    const taken = await db.selectFrom('builds').select('id').where('id', '=', id).executeTakeFirst();
    if (!taken) return id;
  }
}

/** Writes one revision and returns its number. */
export async function addRevision(
  db: Db,
  build: Build,
  parent: number | null,
  note: string,
  at: string
): Promise<number> {
  const { id } = await db
    .insertInto('revisions')
    .values({ build: build.id, parent, document: JSON.stringify(build), note, at })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

/** The build with its parts under the names by which they are known here. */
export function withPartNames(build: Build, names: ReadonlyMap<string, string>): Build {
  const rename = <T extends { part: string }>(item: T): T => ({
    ...item,
    part: names.get(item.part) ?? item.part
  });
  return {
    ...build,
    board: rename(build.board),
    items: build.items.map(rename),
    shelf: build.shelf.map(rename)
  };
}

/** An id for a build; it stands in addresses, so it has no dots. */
export const idFrom = (name: string): string => slugOf(name.replaceAll('.', ' '), 'build');

export const BuildName = Name;
