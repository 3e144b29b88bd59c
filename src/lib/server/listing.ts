import { setTimeout as pause } from 'node:timers/promises';
import { searchParts, type Drawer } from '../core/catalogue';
import type { BuildStore } from './builds';
import type { Services } from './context';
import { page } from './page';

/** Words to find, and which rows of what is found. */
interface Asked {
  q: string;
  limit: number;
  offset: number;
}

/** The first page of a list as screens show it. */
export const firstPage: Asked = { q: '', limit: 100, offset: 0 };

/** Milliseconds that a list waits for checks that are under way. */
const A_MOMENT = 250;

/** Builds in use or in the bin, each with what is in its way. */
export async function buildPage(store: BuildStore, from: 'use' | 'bin', asked: Asked) {
  const listed = await store.list(from);
  // A state that was just saved is checked in a moment; whoever looks at once need not look twice.
  const isOpen = listed.some((row) => row.summary.verdict === 'unchecked');
  if (isOpen) await Promise.race([store.checker.settled(), pause(A_MOMENT)]);
  const rows = (isOpen ? await store.list(from) : listed).map(
    ({ summary: { items: _, ...summary }, ...row }) => ({
      ...row,
      ...summary
    })
  );
  const { rows: builds, total } = page(rows, asked, (row) => [
    row.name,
    row.board,
    row.role ?? '',
    row.date ?? ''
  ]);
  return { builds, total };
}

/** Specimens of all builds in use, of one part or of any. */
export async function itemPage(store: BuildStore, part: string | undefined, asked: Asked) {
  const all = (await store.items()).filter((item) => part === undefined || item.part === part);
  const { rows: items, total } = page(all, asked, (i) => [i.title, i.maker, i.kind, i.buildName, i.part]);
  return { items, total };
}

/** Parts that match, with how many there are in each drawer, and which of all are the user's own. */
export async function partPage(
  { store, own }: Services,
  asked: Asked & { kind?: string; drawer?: Drawer; bus?: string; year?: number }
) {
  const { found, facets } = searchParts(await store.index(), asked);
  const rows = asked.kind ? found.filter((p) => p.kind === asked.kind) : found;
  return {
    parts: rows.slice(asked.offset, asked.offset + asked.limit),
    total: rows.length,
    facets,
    own: [...(await own.ids())]
  };
}
