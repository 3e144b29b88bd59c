import { lastOf, there } from '../model';
import {
  cellsOf,
  habitsOf,
  isRule,
  spotsFor,
  splitsOf,
  statesIn,
  type Habit,
  type Legend,
  type Split,
  type State
} from './cells';
import { lex, textOf, type BlockSort, type Token } from './lex';
import { wordsOf } from './groups';
import type { Context, Field, Spot } from './spots';

/** What a row of a table says, with a value for each column of words. */
export interface TableRow {
  line: number;
  spots: Spot[];
  values: { text: string; heading: string }[];
  isDefault: boolean;
  /** Lines that say more of it, beside its own. */
  also?: readonly number[];
  /** Words between the heading of the table and its rows: what these rows are about. */
  section?: string;
}

export interface ColumnTable {
  rows: TableRow[];
  /** Lines of the heading, of rules, and of everything that was read. */
  lines: number[];
  /** Words above rows that say what those are about. */
  sections: number[];
  /** Rows that fit the heading in part only. */
  odd: number[];
  context: Context;
  /** Marks were read as sides without a key. */
  marks: Habit[];
}

type Column = { fields: Field[] } | { heading: string };

/** Numbers that count up by one: the switches of a block, written above their columns. */
function isCount(numbers: readonly string[]): boolean {
  return (
    numbers.length >= 2 &&
    numbers.every((n, i) => /^\d{1,2}$/.test(n) && Number(n) === Number(numbers[0]) + i) &&
    Number(numbers[0]) >= 1 &&
    Number(numbers.at(-1)) <= 16
  );
}

/** A heading cell that is only names, or names with numbers of their switches: `SW1`, `JP1 JP2`, `S1-1`. */
function fieldsOf(tokens: readonly Token[], context: Context): Field[] | null {
  const solid = tokens.filter((t) => !(t.sort === 'sep' && /[,:|]/.test(t.text)));
  if (!solid.length) return null;
  const head = there(solid[0]);
  const numbers = solid.slice(1).map((t) => (t.sort === 'text' ? t.text : ''));
  if (head.sort === 'ref' && head.of === 'switch' && numbers.length) {
    const block = { block: head.block || context.block?.block || 'SW', of: head.of };
    const all = head.n === undefined ? numbers : [String(head.n), ...numbers];
    if (isCount(all)) return all.map((n) => ({ ...block, n: Number(n) }));
  }
  if (!solid.every((t) => t.sort === 'ref')) return null;
  return solid.flatMap((t) =>
    t.sort === 'ref'
      ? [
          {
            block: t.block || context.block?.block || 'SW',
            of: t.of,
            ...(t.n === undefined ? {} : { n: t.n })
          }
        ]
      : []
  );
}

interface Head {
  columns: Column[];
  split: Split;
}

const countOf = (columns: readonly Column[]): number =>
  columns.reduce((n, c) => n + ('fields' in c ? c.fields.length : 0), 0);

/** Reads a line as the heading of a table whose columns are jumpers or switches. */
function headOf(line: string, context: Context): Head | null {
  const tokens = lex(line);
  if (tokens.some((t) => t.sort === 'side' || t.sort === 'pins' || (t.sort === 'sep' && t.text === '=')))
    return null;
  const switchBlock = context.block?.of === 'switch' ? context.block : { block: 'SW', of: 'switch' as const };
  for (const split of splitsOf(line)) {
    const cells = cellsOf(line, split);
    if (cells.length < 2) continue;
    const columns = cells.map((cell): Column => {
      const fields = fieldsOf(lex(cell), context);
      return fields ? { fields } : { heading: cell };
    });
    const numbers = cells.filter((c) => /^\d{1,2}$/.test(c));
    const [lone] = columns.flatMap((c) => ('fields' in c ? c.fields : []));
    // `S1   1   2   3   IRQ`: the numbers are switches of the block before them.
    const before = countOf(columns) === 1 && lone?.of === 'switch' && lone.n === undefined ? lone : null;
    if ((countOf(columns) === 0 || before) && isCount(numbers))
      return {
        split,
        columns: cells.map((cell, i) =>
          /^\d{1,2}$/.test(cell)
            ? { fields: [{ ...(before ?? switchBlock), n: Number(cell) }] }
            : { heading: 'fields' in there(columns[i]) ? '' : cell }
        )
      };
    // One cell may hold the whole count: `1 2 3 4    Address`.
    if (countOf(columns) === 0)
      for (const [i, cell] of cells.entries()) {
        const words = cell.split(/\s+/);
        if (isCount(words)) columns[i] = { fields: words.map((n) => ({ ...switchBlock, n: Number(n) })) };
      }
    // One name alone is a heading only beside words: `JP1   IRQ`.
    const worded = columns.some((c) => 'heading' in c && /[A-Za-z]/.test(c.heading));
    if (countOf(columns) > 1 || (countOf(columns) === 1 && worded)) return { columns, split };
  }
  return wordHead(tokens, context, switchBlock);
}

/** A heading of more words is a sentence. */
const MOST_WORDS = 40;

/** A heading with single blanks: words, then names or a count, then words. */
function wordHead(
  tokens: readonly Token[],
  context: Context,
  switchBlock: { block: string; of: BlockSort }
): Head | null {
  if (tokens.length > MOST_WORDS) return null;
  for (let from = 0; from < tokens.length; from++)
    for (let to = tokens.length; to > from; to--) {
      const part = tokens.slice(from, to);
      const numbers = part.map((t) => (t.sort === 'text' || t.sort === 'mark' ? t.text : ''));
      const fields =
        fieldsOf(part, context) ??
        (isCount(numbers) ? numbers.map((n) => ({ ...switchBlock, n: Number(n) })) : null);
      if (!fields || fields.length < 2) continue;
      const [before, after] = [wordsOf(tokens.slice(0, from)), wordsOf(tokens.slice(to))];
      return {
        split: 'words',
        columns: [
          ...(before ? [{ heading: before }] : []),
          { fields },
          ...(after ? [{ heading: after }] : [])
        ]
      };
    }
  return null;
}

const hasPins = (row: Cells): boolean => row.states.some((s) => 'pins' in s);

/** A line of words alone, short enough to be a heading. */
const isWords = (line: string): boolean => {
  const tokens = lex(line);
  return (
    tokens.length > 0 && tokens.length <= 6 && tokens.every((t) => t.sort === 'text' && !/^\d/.test(t.text))
  );
};

interface Cells {
  line: number;
  states: State[];
  values: { text: string; heading: string }[];
  isDefault: boolean;
}

const isMark = (t: Token): boolean =>
  t.sort === 'side' ||
  t.sort === 'pins' ||
  t.sort === 'mark' ||
  (t.sort === 'text' && /^(?:[01cyn]|none|up|down)$/i.test(t.text));

/** A row whose cells stand under those of the heading. */
function rowByCells(line: string, n: number, head: Head): Cells | null {
  if (head.split === 'words') return null;
  const cells = cellsOf(line, head.split);
  if (cells.length < head.columns.length - 1 || cells.length > head.columns.length + 1) return null;
  const states: State[] = [];
  const values: Cells['values'] = [];
  let isDefault = false;
  // A corner that nothing is printed in: the first cell is the value, and the columns begin behind it.
  const [corner, ...others] = cells;
  if (cells.length === head.columns.length + 1 && corner && !statesIn(lex(corner))?.length) {
    const words = lex(corner);
    const beside = rowByCells(others.join('\t'), n, { ...head, split: 'tab' });
    return beside && wordsOf(words)
      ? {
          ...beside,
          values: [{ text: wordsOf(words), heading: '' }, ...beside.values],
          isDefault: beside.isDefault || words.some((t) => t.sort === 'default')
        }
      : null;
  }
  for (const [i, column] of head.columns.entries()) {
    const tokens = lex(cells[i] ?? '');
    isDefault ||= tokens.some((t) => t.sort === 'default');
    if ('heading' in column) {
      if (wordsOf(tokens)) values.push({ text: wordsOf(tokens), heading: column.heading });
      continue;
    }
    const read = statesIn(tokens);
    if (!read) return null;
    const found = read.length === 0 && column.fields.length === 1 ? [{ mark: '' }] : read;
    if (found.length !== column.fields.length) return null;
    states.push(...found);
  }
  const more = lex(cells[head.columns.length] ?? '');
  if (more.some((t) => t.sort === 'default')) isDefault = true;
  if (wordsOf(more)) values.push({ text: wordsOf(more), heading: '' });
  if (states.every((s) => 'mark' in s && s.mark === '')) return null;
  return { line: n, states, values, isDefault };
}

/** A row in which the states stand together, whatever the blanks between them. */
function rowByWords(line: string, n: number, head: Head): Cells | null {
  const tokens = lex(line).filter((t) => !(t.sort === 'sep' && /[|,;:=]/.test(t.text)));
  const wanted = countOf(head.columns);
  // `all off  40 MHz`: every column stands so.
  const [all, every] = tokens;
  if (all?.sort === 'text' && /^all$/i.test(all.text) && every?.sort === 'side') {
    const states = Array.from({ length: wanted }, () => ({ side: every.side }));
    const text = wordsOf(tokens.slice(2));
    const at = head.columns.findIndex((c) => 'fields' in c);
    return text
      ? {
          line: n,
          states,
          values: spread(text, head.columns.slice(at), head.columns),
          isDefault: tokens.some((t) => t.sort === 'default')
        }
      : null;
  }
  const starts = tokens.map((_, from) => from);
  // `SCSI ID  J1 J2 J3` above `0 - - -`: where the value stands first, the states are the last that fit.
  if ('heading' in there(head.columns[0]) && 'fields' in lastOf(head.columns)) starts.reverse();
  for (const from of starts) {
    if (!isMark(there(tokens[from]))) continue;
    // One mark may hold several states (`0110`), never the other way round.
    const last = Math.min(tokens.length, from + wanted);
    for (let to = from + 1; to <= last && isMark(there(tokens[to - 1])); to++) {
      const states = statesIn(tokens.slice(from, to));
      if (states?.length !== wanted) continue;
      const next = tokens[to];
      // `on off on on` under three columns is a fourth state, not a meaning.
      if (next && (next.sort === 'side' || next.sort === 'pins')) break;
      const [before, after] = [tokens.slice(0, from), tokens.slice(to)];
      if ([...before, ...after].some((t) => t.sort === 'ref')) return null;
      // `0800: 1=on 2=on`: the states are named one by one, and what looks like a row of bits is a number.
      if (
        after.filter((t, k) => t.sort === 'side' && /^\d{1,2}$/.test(textOf(after.slice(k - 1, k)))).length >
        1
      )
        return null;
      const at = head.columns.findIndex((c) => 'fields' in c);
      const values = [
        ...spread(wordsOf(before), head.columns.slice(0, at), head.columns),
        ...spread(wordsOf(after), head.columns.slice(at), head.columns)
      ];
      return { line: n, states, values, isDefault: tokens.some((t) => t.sort === 'default') };
    }
  }
  return null;
}

/** Words below several headings: one each where their number agrees, else all of them below the first. */
function spread(text: string, beside: readonly Column[], all: readonly Column[]): Cells['values'] {
  if (!text) return [];
  const named = (columns: readonly Column[]) =>
    columns.flatMap((c) => ('heading' in c && c.heading ? [c.heading] : []));
  const headings = named(beside).length ? named(beside) : named(all);
  const words = text.split(/\s+/);
  if (headings.length > 1 && words.length === headings.length)
    return words.map((word, i) => ({ text: word, heading: there(headings[i]) }));
  return [{ text, heading: headings.join(' ') }];
}

/**
 * Columns that each row is about. Where some rows set one part of the columns and others another part, and none sets of
 * both, they are two choices in one table.
 */
function partsOf(
  fields: readonly Field[],
  rows: readonly Cells[],
  sets: (row: Cells, column: number) => boolean
): Set<number>[] {
  const part = fields.map((_, i) => i);
  const join = (a: number, b: number) => {
    const [from, to] = [there(part[a]), there(part[b])];
    part.forEach((p, i) => {
      if (p === from) part[i] = to;
    });
  };
  const columns = fields.map((_, i) => i);
  const own = rows.map((r) => columns.filter((i) => sets(r, i)));
  for (const list of own) for (const i of list.slice(1)) join(there(list[0]), i);
  // A column that no row sets stays with the first of them.
  const [lead] = own.find((list) => list.length) ?? [];
  const unset = new Set(columns.filter((i) => !own.some((list) => list.includes(i))));
  return own.map((list) => {
    const first = list[0];
    if (first === undefined || lead === undefined) return new Set(columns);
    const isLead = part[first] === part[lead];
    return new Set(columns.filter((i) => part[i] === part[first] || (isLead && unset.has(i))));
  });
}

/**
 * Reads a table from its heading on: `JP1 JP2 JP3 Address`, a row for each meaning.
 * @param legends lines that say what marks stand for
 * @returns null where the line is no heading, or no row below fits it
 */
export function readColumns(
  lines: readonly string[],
  from: number,
  context: Context,
  legend: Legend,
  legends: ReadonlySet<number> = new Set()
): ColumnTable | null {
  const head = headOf(there(lines[from]), context);
  if (!head) return null;
  const found: (Cells & { section?: string })[] = [];
  const used = [from];
  const odd: number[] = [];
  const sections: number[] = [];
  let section: string | undefined;
  const rowAt = (i: number) => rowByCells(lines[i] ?? '', i, head) ?? rowByWords(lines[i] ?? '', i, head);
  for (let i = from + 1; i < lines.length; i++) {
    const line = there(lines[i]);
    if (!line.trim() || isRule(line)) {
      if (!line.trim() && found.length) break;
      used.push(i);
      continue;
    }
    // The key to the marks may stand below the table, and is no row of it.
    if (legends.has(i)) {
      used.push(i);
      continue;
    }
    const row = rowAt(i);
    // `Clock gen.` above its rows: one heading of columns for several sections.
    if (!row && isWords(line) && rowAt(i + 1)) {
      section = wordsOf(lex(line));
      sections.push(i);
      used.push(i);
      continue;
    }
    if (!row) {
      const inside = found.length > 0 && head.split === 'pipe' && line.includes('|');
      if (!inside) break;
      odd.push(i);
      used.push(i);
      continue;
    }
    used.push(i);
    // `128K  -  -  -` beside rows of pins says nothing of them.
    if (
      head.split !== 'words' &&
      row.states.every((s) => 'mark' in s && s.mark === '-') &&
      found.some(hasPins)
    ) {
      odd.push(i);
      continue;
    }
    found.push(section === undefined ? row : { ...row, section });
  }
  if (!found.length) return null;
  const fields = head.columns.flatMap((c) => ('fields' in c ? c.fields : []));
  const states = found.flatMap((r) => r.states);
  const marks = new Set(states.flatMap((s) => ('mark' in s ? [s.mark] : [])));
  const sides = states.some((s) => 'side' in s && s.side !== 'any');
  const apart = partsOf(fields, found, (r, i) => {
    const state = there(r.states[i]);
    return spotsFor(there(fields[i]), state, marks, sides, legend).some((s) => s.side !== 'any');
  });
  const rows = found.map((r, n): TableRow => ({
    line: r.line,
    values: r.values,
    isDefault: r.isDefault,
    ...(r.section === undefined ? {} : { section: r.section }),
    spots: fields.flatMap((f, i) =>
      apart[n]?.has(i) ? spotsFor(f, there(r.states[i]), marks, sides, legend) : []
    )
  }));
  const last = lastOf(fields);
  return {
    rows,
    lines: used,
    odd,
    sections,
    context: { block: { block: last.block, of: last.of }, fields },
    marks: habitsOf(marks, sides, legend)
  };
}
