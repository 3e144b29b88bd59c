import { server } from '../words/server';
import { Part, checkBuild, checkPart, freeIdOf, schemaFlaws, type PartSet, entryOf } from '../core/model';
import { incoming, withPartIds, type Choice, type Incoming } from '../core/own';
import type { ReadParts } from '../formats';
import type { BuildStore } from './builds';
import { transact } from './database';
import { NotFound } from './errors';
import { pool } from './heavy/pool';
import { InvalidDocument, type Problem, problemsOf } from '../words';

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
    if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), server.what.part);
    const part = parsed.data;
    const problems = [
      ...(part.id === id ? [] : [{ path: 'id', message: server.mustBe(id) }]),
      ...checkPart(part)
    ];
    const known = await this.builds.parts();
    const own = await this.ids();
    if (known.has(id) && !own.has(id)) problems.push({ path: 'id', message: server.ofCatalogue });
    if (!problems.length && known.has(id)) problems.push(...(await this.broken(part, known)));
    if (problems.length) throw new InvalidDocument(problems, server.what.part);
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
      for (const p of problemsOf(checkBuild(build, after)))
        out.push({ path: p.path, message: server.usedBy(row.name, p.message) });
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
    return { ...part, id: entryOf(names, part.id) };
  }

  /** Parts of one's own, in the order of their ids. */
  async all(): Promise<Part[]> {
    const [own, known] = [await this.ids(), await this.builds.parts()];
    return [...own].sort().flatMap((id) => known.get(id) ?? []);
  }

  /** What a collection holds, each part against those that are known. Nothing is kept. */
  async preview(
    text: string,
    signal?: AbortSignal
  ): Promise<{ rows: Incoming[]; refused: ReadParts['refused'] }> {
    const { parts, refused } = await pool.run('readParts', { text, name: server.theFile }, signal);
    return { rows: incoming(parts, await this.builds.parts(), await this.ids()), refused };
  }

  /**
   * Takes a collection in as chosen, all of it or nothing. What nobody chose for is left where it is.
   * @throws InvalidDocument when a choice does not fit its part, or a build would break
   */
  async takeIn(
    text: string,
    choices: Readonly<Record<string, Choice>>,
    signal?: AbortSignal
  ): Promise<{ taken: number }> {
    const { rows } = await this.preview(text, signal);
    const chosen = rows.map((r) => ({ ...r, choice: choices[r.part.id] ?? 'leave' }));
    const problems: Problem[] = chosen.flatMap(({ part, choice, choices: may }) =>
      may.includes(choice) ? [] : [{ path: part.id, message: server.choiceGone(may.join(' or ')) }]
    );
    const known = await this.builds.parts();
    const replaced = chosen.filter((r) => r.choice === 'replace').map((r) => r.part);
    for (const part of replaced) problems.push(...(await this.broken(part, known)));
    if (problems.length) throw new InvalidDocument(problems, server.what.collection);
    const names = idsFor(chosen, known);
    const at = this.builds.now();
    const going = chosen.filter((r) => r.choice !== 'leave');
    await transact(this.builds.db, async (trx) => {
      for (const { part } of going) {
        const id = entryOf(names, part.id);
        const values = { id, document: JSON.stringify({ ...withPartIds(part, names), id }), at };
        await trx
          .insertInto('parts')
          .values(values)
          .onConflict((c) => c.column('id').doUpdateSet(values))
          .execute();
      }
    });
    if (going.length) {
      this.builds.forget();
      this.builds.changes.tell({ kind: 'all' });
    }
    return { taken: going.length };
  }

  async remove(id: string): Promise<void> {
    if (!(await this.ids()).has(id)) throw new NotFound(server.noOwnPart(id));
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
        [{ path: 'id', message: server.usedIn(uses[0]?.build ?? server.theShelf) }],
        server.what.part
      );
    await this.builds.db.deleteFrom('parts').where('id', '=', id).execute();
    this.builds.forget();
    this.builds.changes.tell({ kind: 'all' });
  }
}

/** Room for a number behind it. */
const MOST_ID = 58;

/** Under which id each part that comes in is kept: its own, or the first free one of a copy. */
function idsFor(chosen: readonly { part: Part; choice: Choice }[], known: PartSet): Map<string, string> {
  const taken = new Set([...known.keys(), ...chosen.map((r) => r.part.id)]);
  return new Map(
    chosen
      .filter((r) => r.choice !== 'leave')
      .map(({ part, choice }) => {
        if (choice !== 'copy') return [part.id, part.id];
        const id = freeIdOf(part.id.slice(0, MOST_ID), taken);
        taken.add(id);
        return [part.id, id];
      })
  );
}
