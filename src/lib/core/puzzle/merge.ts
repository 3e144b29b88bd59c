import { lastOf, there } from '../model';
import type { BoardTry, Fragment, Notebook, State } from '../model';

export type CellKind = 'confirmed' | 'single' | 'conflicting' | 'missing' | 'refuted';

export interface Said {
  source: Fragment['source'];
  title: string;
  value: string;
}

/** One row of the merged table: a state of a block and all that is said of it. */
export interface Cell {
  block: string;
  state: State;
  said: Said[];
  /** Numbers of the tries, from 1, that showed a value here. */
  tried: { n: number; value: string }[];
  kind: CellKind;
  /** The value that stands: tried, else that of most sources, else of the one trusted most; null when missing. */
  value: string | null;
}

export interface MergedTable {
  subject: string;
  cells: Cell[];
}

const trust: Fragment['source'][] = ['tried', 'measured', 'silkscreen', 'manual', 'listing', 'guess'];
const plain = (value: string) => value.trim().toLowerCase().replace(/\s+/g, ' ');

/** A state as a key; the order in which switches or caps were typed does not matter. */
export function stateKey(state: State): string {
  if ('switches' in state)
    return Object.entries(state.switches)
      .sort(([a], [b]) => Number(a) - Number(b))
      .map(([n, s]) => `${n}${s}`)
      .join(' ');
  if ('caps' in state)
    return state.caps
      .map(([a, b]) => `${Math.min(a, b)}-${Math.max(a, b)}`)
      .sort()
      .join(' ');
  return JSON.stringify(state);
}

/** Whether a whole state of a block shows the part of it that a row speaks about. */
export function shows(whole: State | undefined, part: State): boolean {
  if (!whole) return false;
  if ('switches' in whole && 'switches' in part)
    return Object.entries(part.switches).every(([n, side]) => whole.switches[n] === side);
  return stateKey(whole) === stateKey(part);
}

/**
 * Lays the rows of all documents and tries into one table for each fact. Rows of one fact are brought to the
 * same switches; a combination that no document has is a missing cell.
 */
export function mergeFragments(notebook: Notebook): MergedTable[] {
  const subjects = new Map<string, Map<string, Cell>>();
  for (const { source, title, rows } of notebook.fragments)
    for (const { block, state, subject, value } of rows) {
      const cells = subjects.get(subject) ?? new Map<string, Cell>();
      subjects.set(subject, cells);
      const key = `${block} ${stateKey(state)}`;
      const cell = cells.get(key) ?? {
        block,
        state,
        said: [],
        tried: [],
        kind: 'missing' as const,
        value: null
      };
      cell.said.push({ source, title, value });
      cells.set(key, cell);
    }
  return [...subjects].map(([subject, cells]) => {
    for (const missing of missingCells([...cells.values()]))
      cells.set(`${missing.block} ${stateKey(missing.state)}`, missing);
    const list = [...cells.values()].map((cell) => judged(cell, subject, notebook.tries));
    return { subject, cells: list.sort((a, b) => (stateKey(a.state) < stateKey(b.state) ? -1 : 1)) };
  });
}

const MOST_MISSING = 64;

/** Combinations of the switches in use that no row has. */
function missingCells(cells: readonly Cell[]): Cell[] {
  const blocks = new Set(cells.map((c) => c.block));
  return [...blocks].flatMap((block) => {
    const states = cells.filter((c) => c.block === block).map((c) => c.state);
    const used = [...new Set(states.flatMap((s) => ('switches' in s ? Object.keys(s.switches) : [])))].sort(
      (a, b) => Number(a) - Number(b)
    );
    if (!used.length || 2 ** used.length > MOST_MISSING) return [];
    return Array.from({ length: 2 ** used.length }, (_, bits): State => ({
      switches: Object.fromEntries(used.map((n, i) => [n, bits & (1 << i) ? 'off' : 'on']))
    }))
      .filter((whole) => !states.some((part) => shows(whole, part)))
      .map((state) => ({ block, state, said: [], tried: [], kind: 'missing' as const, value: null }));
  });
}

function judged(cell: Cell, subject: string, tries: readonly BoardTry[]): Cell {
  const tried = tries.flatMap((t, i) => {
    const value = t.saw[subject];
    return value !== undefined && shows(t.states[cell.block], cell.state) ? [{ n: i + 1, value }] : [];
  });
  const values = new Map<string, Said[]>();
  for (const said of cell.said)
    values.set(plain(said.value), [...(values.get(plain(said.value)) ?? []), said]);
  const seen = new Set(tried.map((t) => plain(t.value)));
  const ranked = [...values.values()].sort(
    (a, b) => b.length - a.length || best(a) - best(b) || (there(a[0]).value < there(b[0]).value ? -1 : 1)
  );
  const told = ranked[0]?.[0]?.value ?? null;
  const kind: CellKind =
    seen.size > 1
      ? 'conflicting'
      : seen.size === 1
        ? values.size === 0 || values.has(there([...seen][0]))
          ? 'confirmed'
          : 'refuted'
        : values.size > 1
          ? 'conflicting'
          : values.size === 0
            ? 'missing'
            : there(ranked[0]).length > 1
              ? 'confirmed'
              : 'single';
  return { ...cell, tried, kind, value: tried.at(-1)?.value ?? told };
}

const best = (list: readonly Said[]) => Math.min(...list.map((s) => trust.indexOf(s.source)));

/** How each document fared against the tries: rows that a try confirmed, and those that one refuted. */
export function standing(
  notebook: Notebook
): { id: string; title: string; confirmed: number; refuted: number; open: number }[] {
  return notebook.fragments.map((fragment) => {
    let [confirmed, refuted] = [0, 0];
    for (const row of fragment.rows) {
      const seen = notebook.tries.filter(
        (t) => t.saw[row.subject] !== undefined && shows(t.states[row.block], row.state)
      );
      if (!seen.length) continue;
      if (plain(there(lastOf(seen).saw[row.subject])) === plain(row.value)) confirmed++;
      else refuted++;
    }
    return {
      id: fragment.id,
      title: fragment.title,
      confirmed,
      refuted,
      open: fragment.rows.length - confirmed - refuted
    };
  });
}
