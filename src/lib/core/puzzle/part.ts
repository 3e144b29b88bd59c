import { FactId, slugOf, type Notebook, type Part, type Setting, there } from '../model';
import { mergeFragments, stateKey, type Cell } from './merge';

/**
 * The merged table as a part: the blocks, a setting for each fact with a position for each state that something
 * is known of, and every source on its position; the one that a try confirmed is marked as the one that held.
 * @param base the part that it looks like, whose other facts it takes over
 */
export function partFrom(notebook: Notebook, base: Part, id: string, summary: string): Part {
  const tables = mergeFragments(notebook);
  const means: NonNullable<Part['means']> = [];
  const settings = tables.flatMap(({ subject, cells }): Setting[] => {
    const told = cells.flatMap((c) => (c.value === null ? [] : [{ ...c, value: c.value }]));
    if (!told.length) return [];
    return [...new Set(told.map((c) => c.block))].map((block, i) => {
      const settingId = `${slugOf(subject, 'x')}${i ? `-${i + 1}` : ''}`;
      const own = told.filter((c) => c.block === block);
      const ids = freeIds(own);
      const fact = FactId.safeParse(subject);
      if (fact.success)
        means.push({
          fact: fact.data,
          setting: settingId,
          values: Object.fromEntries(own.map((c, n) => [there(ids[n]), valueOf(c.value)]))
        });
      return {
        id: settingId,
        label: subject,
        block,
        known: true,
        default: there(ids[0]),
        positions: own.map((cell, n) => ({
          id: there(ids[n]),
          label: cell.value,
          state: cell.state,
          evidence: evidenceOf(cell)
        }))
      };
    });
  });
  const { means: _means, ...rest } = base;
  return {
    ...rest,
    id,
    name: notebook.name,
    summary,
    blocks: notebook.blocks,
    settings,
    // Lines that hang on settings of the base would point nowhere.
    functions: rest.functions.filter(
      (fn) => fn.off.length === 0 && fn.claims.every((c) => c.from === undefined)
    ),
    constraints: [],
    startup: [],
    ...(means.length ? { means } : {}),
    ...(rest.board ? { board: withoutSettings(rest.board) } : {})
  };
}

/** The facts of a board that do not hang on settings of the base. */
function withoutSettings(board: NonNullable<Part['board']>): NonNullable<Part['board']> {
  const { displaySwitch: _d, fpuSwitch: _f, busClock, multiplier, coreVolts, busDivisor, ...rest } = board;
  const fixed = Object.entries({ busClock, multiplier, coreVolts, busDivisor }).filter(([, v]) =>
    Array.isArray(v)
  );
  return {
    ...rest,
    ...Object.fromEntries(fixed),
    slots: rest.slots.map(({ routing: _r, ...slot }) => slot)
  };
}

function freeIds(cells: readonly Cell[]): string[] {
  const used = new Map<string, number>();
  return cells.map((cell) => {
    const wanted = slugOf(cell.value ?? stateKey(cell.state), 'x');
    const n = (used.get(wanted) ?? 0) + 1;
    used.set(wanted, n);
    return n === 1 ? wanted : `${wanted}-${n}`;
  });
}

const valueOf = (text: string) =>
  /^\d+(\.\d+)?$/.test(text) ? Number(text) : text.toLowerCase().slice(0, 40);

function evidenceOf(cell: Cell): NonNullable<Setting['evidence']> {
  const tried = new Set(cell.tried.map((t) => t.value.trim().toLowerCase()));
  return [
    ...cell.said.map((s) => ({
      source: s.source,
      note: s.title,
      says: s.value,
      ...(tried.has(s.value.trim().toLowerCase()) ? { held: true } : {})
    })),
    ...cell.tried.map((t) => ({ source: 'tried' as const, note: `try ${t.n}`, says: t.value, held: true }))
  ].slice(0, 20);
}
