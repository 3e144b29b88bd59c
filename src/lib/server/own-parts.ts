import {
  InvalidDocument,
  Part,
  checkBuild,
  checkPart,
  zodProblems,
  type PartSet,
  type Problem
} from '../core/model';
import type { BuildStore } from './builds';
import { transact } from './database';
import { NotFound } from './errors';
import { pool } from './heavy/pool';

/** Parts that the user described or that came with files: they can be changed, those of the catalogue not. */
export class OwnParts {
  constructor(private readonly builds: BuildStore) {}

  async ids(): Promise<Set<string>> {
    const rows = await this.builds.db.selectFrom('parts').select('id').execute();
    return new Set(rows.map((r) => r.id));
  }

  /**
   * Saves a part, a new one or one's own.
   * @throws InvalidDocument when it is not whole, is a part of the catalogue, or a build would break
   */
  async save(id: string, data: unknown): Promise<Part> {
    const parsed = Part.safeParse(data);
    if (!parsed.success) throw new InvalidDocument(zodProblems(parsed.error), 'The part');
    const part = parsed.data;
    const problems = [
      ...(part.id === id ? [] : [{ path: 'id', message: `must be "${id}"` }]),
      ...checkPart(part)
    ];
    const known = await this.builds.parts();
    const own = await this.ids();
    if (known.has(id) && !own.has(id))
      problems.push({ path: 'id', message: 'is a part of the catalogue; save a copy under another id' });
    if (!problems.length && known.has(id)) problems.push(...(await this.broken(part, known)));
    if (problems.length) throw new InvalidDocument(problems, 'The part');
    const values = { id, document: JSON.stringify(part), at: this.builds.now() };
    await this.builds.db
      .insertInto('parts')
      .values(values)
      .onConflict((c) => c.column('id').doUpdateSet(values))
      .execute();
    this.builds.forget();
    this.builds.changes.tell({ kind: 'all' });
    return part;
  }

  /** What a changed part would break in the builds that use it. */
  private async broken(part: Part, known: PartSet): Promise<Problem[]> {
    const after = new Map(known).set(part.id, part);
    const out: Problem[] = [];
    for (const row of await this.builds.list()) {
      if (!row.summary.items.some((i) => i.part === part.id)) continue;
      const build = await this.builds.get(row.id).then(
        (record) => record.build,
        () => null
      );
      // One that cannot be read is not broken by this.
      if (!build) continue;
      for (const p of checkBuild(build, after))
        out.push({ path: p.path, message: `${row.name} uses this part: ${p.message}` });
    }
    return out.slice(0, 20);
  }

  /** Takes in a part file; a part that differs from a known one comes in under a free id. */
  async importFile(text: string, name: string, signal?: AbortSignal): Promise<Part> {
    const part = await pool.run('readPart', { text, name }, signal);
    const known = await this.builds.parts();
    const names = await transact(this.builds.db, (trx) =>
      this.builds.addParts(trx, new Map([[part.id, part]]), known)
    );
    this.builds.forget();
    this.builds.changes.tell({ kind: 'all' });
    return { ...part, id: names.get(part.id)! };
  }

  async remove(id: string): Promise<void> {
    if (!(await this.ids()).has(id)) throw new NotFound(`There is no part "${id}" of your own.`);
    const uses = await this.builds.db
      .selectFrom('revisions')
      .select('build')
      .where('document', 'like', `%"part":"${id}"%`)
      .limit(1)
      .execute();
    const shelved = await this.builds.db
      .selectFrom('shelf')
      .select('id')
      .where('part', '=', id)
      .limit(1)
      .execute();
    if (uses.length || shelved.length)
      throw new InvalidDocument(
        [{ path: 'id', message: `is used by ${uses[0]?.build ?? 'the shelf'}, perhaps in an older state` }],
        'The part'
      );
    await this.builds.db.deleteFrom('parts').where('id', '=', id).execute();
    this.builds.forget();
    this.builds.changes.tell({ kind: 'all' });
  }
}
