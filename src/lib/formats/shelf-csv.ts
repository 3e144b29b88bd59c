import Papa from 'papaparse';
import { Condition, ShelfItem, schemaFlaws, type PartSet } from '../core/model';
import { csv } from './tables';
import { problemsOf, shelfTableFlaws as flaws, type Problem } from '../words';

/** Columns of the shelf as a table; reading accepts them in any order and ignores others. */
const columns = [
  'part',
  'label',
  'condition',
  'place',
  'cost',
  'bought',
  'lent to',
  'notes',
  'settings'
] as const;
export const MAX_CSV = 2 * 1024 * 1024;
const MOST_ROWS = 5000;

export interface ShelfRow {
  /** Line of the file, from 2 on: the first holds the names of the columns. */
  line: number;
  /** What the row says, for showing. */
  text: string;
  item: ShelfItem | null;
  problems: Problem[];
}

/** Words that look guarded already get one more apostrophe, so that reading takes off just the one of writing. */
const guarded = (text: string): string => (/^'+[=+\-@]/.test(text) ? `'${text}` : text);

/** The shelf as CSV; settings as found are written `setting=position; …`. */
export function shelfCsv(items: readonly ShelfItem[], parts: PartSet): string {
  const rows = items.map((item) => [
    item.part,
    guarded(item.label ?? parts.get(item.part)?.name ?? ''),
    item.condition,
    guarded(item.place ?? ''),
    item.cost ?? '',
    item.bought ?? '',
    guarded(item.loans.findLast((l) => l.back === undefined)?.to ?? ''),
    guarded(item.notes ?? ''),
    Object.entries(item.asFound)
      .map(([s, p]) => `${s}=${p}`)
      .join('; ')
  ]);
  return csv([...columns], rows);
}

/** What separates the cells: the mark found most in the first line, whose cells are the names of columns. */
function delimiterOf(text: string): string {
  const head = text.slice(0, 2000).split(/[\r\n]/, 1)[0];
  const count = (mark: string): number => head.split(mark).length;
  return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

/**
 * Reads a table of things: the part by its id, or by maker and name as the catalogue prints them. Each row stands
 * for itself: what is wrong in one is said beside it and takes nothing from the others.
 */
export function readShelfCsv(text: string, parts: PartSet): ShelfRow[] {
  const plain = text.replace(/^\uFEFF/, '');
  const parsed = Papa.parse<Record<string, string>>(plain, {
    header: true,
    delimiter: delimiterOf(plain),
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase()
  });
  const named = new Map<string, string>();
  for (const part of parts.values()) named.set(`${part.maker} ${part.name}`.toLowerCase(), part.id);
  const known = parsed.meta.fields ?? [];
  if (!known.includes('part'))
    return [
      {
        line: 1,
        text: known.join(', ').slice(0, 200),
        item: null,
        problems: [{ path: 'part', message: flaws.noColumn }]
      }
    ];
  const rows = parsed.data.slice(0, MOST_ROWS).map((row, i) => readRow(row, i + 2, parts, named));
  if (parsed.data.length > MOST_ROWS)
    rows.push({
      line: MOST_ROWS + 2,
      text: '',
      item: null,
      problems: [{ path: '', message: flaws.tooMany(MOST_ROWS) }]
    });
  return rows;
}

function readRow(
  row: Record<string, string>,
  line: number,
  parts: PartSet,
  named: ReadonlyMap<string, string>
): ShelfRow {
  // A leading apostrophe keeps a spreadsheet from taking a cell for a formula.
  const cell = (name: string): string => (row[name] ?? '').trim().replace(/^'(?='*[=+\-@])/, '');
  const problems: Problem[] = [];
  const told = cell('part');
  const id = parts.has(told) ? told : named.get(told.toLowerCase());
  if (!id)
    problems.push({
      path: 'part',
      message: told ? flaws.unknown(told) : flaws.empty
    });
  const condition = cell('condition').toLowerCase() || 'untested';
  if (!Condition.safeParse(condition).success)
    problems.push({
      path: 'condition',
      message: flaws.noneOf(condition, Condition.options)
    });
  const cost = cell('cost').replace(',', '.');
  if (cost && !Number.isFinite(Number(cost))) problems.push({ path: 'cost', message: flaws.noNumber(cost) });
  const part = id ? parts.get(id) : undefined;
  const asFound: Record<string, string> = {};
  for (const pair of cell('settings')
    .split(/[;,]/)
    .filter((p) => p.trim())) {
    const [setting, position] = pair.split('=').map((x) => x.trim());
    const found = part?.settings.find((s) => s.id === setting);
    if (part && !found?.positions.some((p) => p.id === position))
      problems.push({
        path: 'settings',
        message: flaws.noPosition(pair.trim(), part.name)
      });
    else asFound[setting] = position;
  }
  const text = [told, cell('label'), cell('place')].filter(Boolean).join(', ');
  if (problems.length) return { line, text, item: null, problems };
  const lent = cell('lent to');
  const item = ShelfItem.safeParse({
    id: 'new',
    part: id,
    ...(cell('label') && cell('label') !== part?.name ? { label: cell('label') } : {}),
    condition,
    asFound,
    ...(cell('place') ? { place: cell('place') } : {}),
    ...(cost ? { cost: Number(cost) } : {}),
    ...(cell('bought') ? { bought: cell('bought') } : {}),
    ...(cell('notes') ? { notes: cell('notes') } : {}),
    loans: lent ? [{ to: lent }] : []
  });
  return item.success
    ? { line, text, item: item.data, problems: [] }
    : { line, text, item: null, problems: problemsOf(schemaFlaws(item.error)) };
}
