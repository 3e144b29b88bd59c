import { check } from '../core/check';
import { buildSchema, type Build, type PartSet } from '../core/model';
import { transact, type Db } from './database';

/** What lists show of one build. */
export interface Summary {
  board: string;
  date: string | null;
  role: string | null;
  cards: number;
  stops: number;
  clashes: number;
  cautions: number;
  items: ItemRow[];
}

/** One specimen, wherever it is. */
export interface ItemRow {
  id: string;
  part: string;
  kind: string;
  title: string;
  maker: string;
  where: 'board' | 'fitted' | 'ready';
  slot: string | null;
  /** The shelf item that it is. */
  specimen?: string;
}

export interface Row {
  id: string;
  name: string;
  head: number;
  created: string;
  updated: string;
  deleted: string | null;
  summary: Summary;
}

export const readKept = (document: string): Build => {
  const data: unknown = JSON.parse(document);
  return buildSchema(data).parse(data);
};

function summaryOf(build: Build, parts: PartSet): Summary {
  const findings = check(build, parts);
  const count = (severity: string) => findings.filter((f) => f.severity === severity).length;
  const row =
    (where: ItemRow['where']) =>
    (item: Build['board']): ItemRow => {
      const part = parts.get(item.part);
      return {
        id: item.id,
        part: item.part,
        kind: part?.kind ?? 'card',
        title: item.label ?? part?.name ?? item.part,
        maker: part?.maker ?? '',
        where,
        slot: item.slot ?? null,
        ...(item.specimen ? { specimen: item.specimen } : {})
      };
    };
  return {
    board: parts.get(build.board.part)?.summary ?? build.board.part,
    date: build.brief.date ?? null,
    role: build.brief.role ?? null,
    cards: build.items.length,
    stops: count('stop'),
    clashes: count('clash'),
    cautions: count('caution'),
    items: [row('board')(build.board), ...build.items.map(row('fitted')), ...build.shelf.map(row('ready'))]
  };
}

/**
 * All builds with their summaries. `key` names the rules and parts by which summaries were made; one
 * made by others, or of an older state, is made again and kept.
 */
export async function summaries(db: Db, parts: PartSet, key: string): Promise<Row[]> {
  const rows = await db
    .selectFrom('builds')
    .leftJoin('summaries', 'summaries.build', 'builds.id')
    .selectAll('builds')
    .select(['summaries.head as made', 'summaries.key', 'summaries.document'])
    .orderBy('builds.created')
    .orderBy('builds.id')
    .execute();
  const stale = rows.filter((row) => row.made !== row.head || row.key !== key || row.document === null);
  const fresh = new Map<string, Summary>();
  for (const row of stale) {
    const { document } = await db
      .selectFrom('revisions')
      .select('document')
      .where('id', '=', row.head)
      .executeTakeFirstOrThrow();
    fresh.set(row.id, summaryOf(readKept(document), parts));
  }
  if (stale.length)
    await transact(db, async (trx) => {
      for (const { id, head } of stale) {
        const values = { build: id, head, key, document: JSON.stringify(fresh.get(id)) };
        await trx
          .insertInto('summaries')
          .values(values)
          .onConflict((c) => c.column('build').doUpdateSet(values))
          .execute();
      }
    });
  return rows.map(({ made: _m, key: _k, document, ...row }) => ({
    ...row,
    summary: fresh.get(row.id) ?? (JSON.parse(document!) as Summary)
  }));
}
