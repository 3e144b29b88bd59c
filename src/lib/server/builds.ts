import { z } from 'zod';
import { check } from '../core/check';
import { Build, InvalidDocument, Part, checkBuild, partSet, zodProblems, type PartSet } from '../core/model';
import { readBuildFile, writeBuildFile } from '../formats';
import type { Db } from './database';

export class NotFound extends Error {}

/** Somebody saved in between: what they saved comes along. */
export class Conflict extends Error {
  constructor(readonly current: BuildRecord) {
    super('This build was changed elsewhere since it was opened here.');
  }
}

export interface BuildRecord {
  build: Build;
  /** Number of the revision; a save names the one it started from. */
  head: number;
  canUndo: boolean;
  canRedo: boolean;
}

export interface BuildSummary {
  id: string;
  name: string;
  board: string;
  date: string | null;
  role: string | null;
  cards: number;
  stops: number;
  clashes: number;
  cautions: number;
  updated: string;
}

/** Keeps builds, their revisions, and parts that came with imported files. */
export class BuildStore {
  private imported: Part[] | null = null;

  constructor(
    private readonly db: Db,
    private readonly catalogue: readonly Part[],
    private readonly now: () => string = () => new Date().toISOString()
  ) {}

  /** Every part known: the catalogue's and those imported. */
  async parts(): Promise<PartSet> {
    if (!this.imported) {
      const rows = await this.db.selectFrom('parts').select('document').execute();
      this.imported = rows.map((row) => Part.parse(JSON.parse(row.document)));
    }
    return partSet([...this.catalogue, ...this.imported]);
  }

  async list(): Promise<BuildSummary[]> {
    const parts = await this.parts();
    const rows = await this.db
      .selectFrom('builds')
      .innerJoin('revisions', 'revisions.id', 'builds.head')
      .select(['builds.id', 'builds.updated', 'revisions.document'])
      .orderBy('builds.created')
      .execute();
    return rows.map((row) => {
      const build = Build.parse(JSON.parse(row.document));
      const findings = check(build, parts);
      const count = (severity: string) => findings.filter((f) => f.severity === severity).length;
      return {
        id: build.id,
        name: build.name,
        board: parts.get(build.board.part)?.summary ?? build.board.part,
        date: build.brief.date ?? null,
        role: build.brief.role ?? null,
        cards: build.items.length,
        stops: count('stop'),
        clashes: count('clash'),
        cautions: count('caution'),
        updated: row.updated
      };
    });
  }

  async get(id: string): Promise<BuildRecord> {
    const row = await this.db
      .selectFrom('builds')
      .innerJoin('revisions', 'revisions.id', 'builds.head')
      .select(['builds.head', 'revisions.parent', 'revisions.document'])
      .where('builds.id', '=', id)
      .executeTakeFirst();
    if (!row) throw new NotFound(`There is no build "${id}".`);
    const child = await this.childOf(id, row.head);
    return {
      build: Build.parse(JSON.parse(row.document)),
      head: row.head,
      canUndo: row.parent !== null,
      canRedo: child !== undefined
    };
  }

  /** Stores a new build under an id made from its name. */
  async create(build: Build, note: string): Promise<BuildRecord> {
    await this.assertWhole(build);
    const id = await this.freeId(build.id);
    const named = { ...build, id };
    await this.db.transaction().execute(async (trx) => {
      const at = this.now();
      const { id: revision } = await trx
        .insertInto('revisions')
        .values({ build: id, parent: null, document: JSON.stringify(named), note, at })
        .returning('id')
        .executeTakeFirstOrThrow();
      await trx
        .insertInto('builds')
        .values({ id, name: named.name, head: revision, created: at, updated: at })
        .execute();
    });
    return this.get(id);
  }

  /**
   * Saves a build as a new revision.
   * @throws Conflict when `base` is no longer the newest; InvalidDocument when it is not whole.
   */
  async save(id: string, document: unknown, base: number, note: string): Promise<BuildRecord> {
    const parsed = Build.safeParse(document);
    if (!parsed.success) throw new InvalidDocument(zodProblems(parsed.error), 'The build');
    const build = parsed.data;
    if (build.id !== id) throw new InvalidDocument([{ path: 'id', message: `must be "${id}"` }], 'The build');
    await this.assertWhole(build);
    const saved = await this.db.transaction().execute(async (trx) => {
      const row = await trx.selectFrom('builds').select('head').where('id', '=', id).executeTakeFirst();
      if (!row) throw new NotFound(`There is no build "${id}".`);
      if (row.head !== base) return false;
      const at = this.now();
      const revision = await trx
        .insertInto('revisions')
        .values({ build: id, parent: base, document: JSON.stringify(build), note, at })
        .returning('id')
        .executeTakeFirstOrThrow();
      await trx
        .updateTable('builds')
        .set({ head: revision.id, name: build.name, updated: at })
        .where('id', '=', id)
        .execute();
      return true;
    });
    const record = await this.get(id);
    if (!saved) throw new Conflict(record);
    return record;
  }

  /** Goes one revision back or forward. Nothing is deleted. */
  async step(id: string, way: 'undo' | 'redo'): Promise<BuildRecord> {
    const { head } = await this.get(id);
    const row = await this.db
      .selectFrom('revisions')
      .select(['parent'])
      .where('id', '=', head)
      .executeTakeFirstOrThrow();
    const target = way === 'undo' ? row.parent : ((await this.childOf(id, head))?.id ?? null);
    if (target !== null)
      await this.db
        .updateTable('builds')
        .set({ head: target, updated: this.now() })
        .where('id', '=', id)
        .execute();
    return this.get(id);
  }

  /** Takes in a build file; parts that are new or differ from a known one are kept under a free id. */
  async importFile(text: string): Promise<BuildRecord> {
    const { build, parts } = readBuildFile(text);
    const known = await this.parts();
    const names = new Map<string, string>();
    for (const part of parts.values()) {
      let id = part.id;
      for (let n = 2; ; n++) {
        const same = (known.get(id) ?? null) as Part | null;
        if (!same || JSON.stringify({ ...same, id: '' }) === JSON.stringify({ ...part, id: '' })) break;
        id = `${part.id}-${n}`;
      }
      names.set(part.id, id);
      if (!known.has(id))
        await this.db
          .insertInto('parts')
          .values({ id, document: JSON.stringify({ ...part, id }), at: this.now() })
          .execute();
    }
    this.imported = null;
    const rename = <T extends { part: string }>(item: T): T => ({
      ...item,
      part: names.get(item.part) ?? item.part
    });
    return this.create(
      {
        ...build,
        board: rename(build.board),
        items: build.items.map(rename),
        shelf: build.shelf.map(rename)
      },
      'imported'
    );
  }

  async exportFile(id: string): Promise<string> {
    const { build } = await this.get(id);
    return writeBuildFile(build, await this.parts());
  }

  private async assertWhole(build: Build): Promise<void> {
    const problems = checkBuild(build, await this.parts());
    if (problems.length) throw new InvalidDocument(problems, 'The build');
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

  private async freeId(wanted: string): Promise<string> {
    for (let n = 1; ; n++) {
      const id = n === 1 ? wanted : `${wanted.slice(0, 58)}-${n}`;
      const taken = await this.db.selectFrom('builds').select('id').where('id', '=', id).executeTakeFirst();
      if (!taken) return id;
    }
  }
}

/** `Tide desk, 2nd!` → `tide-desk-2nd`. */
export function idFrom(name: string): string {
  const id = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50);
  return id || 'build';
}

export const NewBuild = z.strictObject({
  name: z.string().trim().min(1, 'give the machine a name').max(120),
  board: z.string().min(1).max(64),
  date: z.string().max(10).optional()
});
