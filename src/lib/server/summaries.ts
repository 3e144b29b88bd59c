import { server } from '../words/server';
import type { LastStart } from '../formats';
import type { Status } from '../core/rules';
import { buildSchema, type Build, type PartSet } from '../core/model';
import { transact, type Db } from './database';
import { Unreadable } from './errors';

/** How the state of a build stands: what a check came to, that none was made yet, or why none can be made. */
export type Verdict = Status | 'unchecked' | 'too-large' | 'unreadable';

/** What lists show of one build. */
export interface Summary {
  board: string;
  date: string | null;
  role: string | null;
  /** Things that are fitted, beside the board. */
  parts: number;
  stops: number;
  clashes: number;
  cautions: number;
  verdict: Verdict;
  /** Why there is no verdict. */
  trouble: string | null;
  /** What was seen of the last start; null: none is noted, or it is not read yet. */
  lastStart: LastStart | null;
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
  /** On loan from another machine. */
  borrowed?: boolean;
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

/**
 * Reads a kept state.
 * @throws Unreadable when it is damaged, or is no build any more
 */
export function readKept(document: string): Build {
  try {
    const data: unknown = JSON.parse(document);
    return buildSchema(data).parse(data);
  } catch {
    throw new Unreadable(server.stateDamaged);
  }
}

type Loose = Record<string, unknown>;
const isObject = (x: unknown): x is Loose => typeof x === 'object' && x !== null && !Array.isArray(x);
const textOr = <T>(x: unknown, other: T): string | T => (typeof x === 'string' ? x : other);

/**
 * What a list shows of a state without checking it: read loosely, so that it costs little and a damaged state is
 * shown as one.
 */
export function looseSummary(document: string, parts: PartSet): Summary {
  let data: unknown;
  try {
    data = JSON.parse(document);
  } catch {
    data = null;
  }
  const build = isObject(data) ? data : {};
  const brief = isObject(build.brief) ? build.brief : {};
  const row =
    (where: ItemRow['where']) =>
    (item: unknown): ItemRow[] => {
      if (!isObject(item) || typeof item.part !== 'string') return [];
      const part = parts.get(item.part);
      return [
        {
          id: textOr(item.id, ''),
          part: item.part,
          kind: part?.kind ?? 'card',
          title: textOr(item.label, part?.name ?? item.part),
          maker: part?.maker ?? '',
          where,
          slot: textOr(item.slot, null),
          ...(typeof item.specimen === 'string' ? { specimen: item.specimen } : {}),
          ...(isObject(item.borrowed) ? { borrowed: true } : {})
        }
      ];
    };
  const list = (x: unknown) => (Array.isArray(x) ? (x as unknown[]) : []);
  const items = list(build.items);
  const boardId = isObject(build.board) ? textOr(build.board.part, '') : '';
  const isWhole = boardId !== '';
  return {
    board: parts.get(boardId)?.summary ?? boardId,
    date: textOr(brief.date, null),
    role: textOr(brief.role, null),
    parts: items.length,
    stops: 0,
    clashes: 0,
    cautions: 0,
    verdict: isWhole ? 'unchecked' : 'unreadable',
    lastStart: null,
    trouble: isWhole ? null : server.stateDamaged,
    items: [
      ...row('board')(build.board),
      ...items.flatMap(row('fitted')),
      ...list(build.shelf).flatMap(row('ready'))
    ]
  };
}

/** A build in a list, with the text of its present state where its summary has to be made anew. */
type Listed = { row: Omit<Row, 'summary'> } & ({ summary: Summary } | { summary: null; document: string });

/** All builds with what is kept of their summaries. `key` names the rules and parts by which those were made. */
async function listed(db: Db, key: string): Promise<Listed[]> {
  const rows = await db
    .selectFrom('builds')
    .leftJoin('summaries', 'summaries.build', 'builds.id')
    .selectAll('builds')
    .select(['summaries.head as made', 'summaries.key', 'summaries.document'])
    .orderBy('builds.created')
    .orderBy('builds.id')
    .execute();
  const out: Listed[] = [];
  for (const { made, key: by, document, ...row } of rows) {
    const kept = made === row.head && by === key ? readSummary(document) : null;
    const state = kept
      ? null
      : await db.selectFrom('revisions').select('document').where('id', '=', row.head).executeTakeFirst();
    out.push(kept ? { row, summary: kept } : { row, summary: null, document: state?.document ?? '' });
  }
  return out;
}

function readSummary(document: string | null): Summary | null {
  try {
    const data: unknown = JSON.parse(document ?? 'null');
    return isObject(data) &&
      'verdict' in data &&
      'lastStart' in data &&
      'parts' in data &&
      Array.isArray(data.items)
      ? (data as unknown as Summary)
      : null;
  } catch {
    return null;
  }
}

/** A state that is to be checked for lists. */
export interface Unchecked {
  build: string;
  head: number;
  document: string;
  summary: Summary;
}

/**
 * All builds with their summaries. One made by other rules, or of an older state, is told from the text of the state
 * alone, and is among `unchecked`: a list never checks by itself.
 */
export async function summaries(
  db: Db,
  parts: PartSet,
  key: string
): Promise<{ rows: Row[]; unchecked: Unchecked[] }> {
  const unchecked: Unchecked[] = [];
  const rows = (await listed(db, key)).map((listed): Row => {
    const { row } = listed;
    if (listed.summary) return { ...row, summary: listed.summary };
    const { document } = listed;
    const loose = looseSummary(document, parts);
    if (loose.verdict === 'unchecked')
      unchecked.push({ build: row.id, head: row.head, document, summary: loose });
    return { ...row, summary: loose };
  });
  return { rows, unchecked };
}

/** Keeps what a check of a state came to, unless the build went on since. */
export async function keepSummary(
  db: Db,
  key: string,
  { build, head }: Pick<Unchecked, 'build' | 'head'>,
  summary: Summary
): Promise<void> {
  await transact(db, async (trx) => {
    const now = await trx.selectFrom('builds').select('head').where('id', '=', build).executeTakeFirst();
    if (now?.head !== head) return;
    const values = { build, head, key, document: JSON.stringify(summary) };
    await trx
      .insertInto('summaries')
      .values(values)
      .onConflict((c) => c.column('build').doUpdateSet(values))
      .execute();
  });
}
