import { there } from '../model';
import { isRule, type Legend } from './cells';
import { readColumns } from './columns';
import { lex, plain, type Side, type Token } from './lex';
import { meant, subjectOf } from './meanings';
import { reshape } from './shapes/reshape';
import { readSideways } from './sideways';
import { readSentence, wordsOf } from './sentence';
import type { Context, Field, Spot } from './spots';

/** How a line was taken. `note`: words that say nothing of a setting; they are kept. */
export type LineAs =
  'blank' | 'rule' | 'title' | 'heading' | 'rows' | 'legend' | 'rest' | 'note' | 'not-understood';

export interface ReadLine {
  /** Counted from 1. */
  n: number;
  text: string;
  as: LineAs;
}

/** One statement of the text, from whatever shape it stood in. */
export interface RawRow {
  lines: number[];
  spots: Spot[];
  values: { text: string; heading: string }[];
  heading: string;
  isDefault: boolean;
  declares?: boolean;
}

/** `all other settings: reserved`. */
export interface RestRow {
  line: number;
  value: string;
  heading: string;
  /** Fields of the rows above it. */
  fields: readonly Field[];
}

export interface Lines {
  lines: ReadLine[];
  rows: RawRow[];
  rest: RestRow[];
  /** Blocks that a heading names, with what it says of them. */
  named: { line: number; block: string; of: 'jumper' | 'switch'; heading: string; size: number | null }[];
  title: string | null;
  /** 1 and 0, or crosses, were read as sides. */
  marks: ('bits' | 'crosses')[];
  legend: Legend;
  /** Lines, from 0, whose places are taken to be pairs of pins in their order. */
  pairs: number[];
}

export const TABLE_LIMITS = { characters: 100_000, lines: 2_000, width: 400 } as const;

/** Columns are told by two blanks or more; hundreds of them keep every rule busy that looks for the next word. */
const BLANKS = / {9,}/g;
const GAP = ' '.repeat(8);
const STAR_LEGEND = /^\W*\*\s*[=:-]?\s*.*\bdefault|\bdefault\w*\b.*(?:\bmarked\b|\basterisk\b|\*)/i;
const REST =
  /^\W*(?:all |any )?(?:the )?others?\b(?:\s+(?:settings?|combinations?|positions?|values?))?\s*[:=-]?\s*(?:are\s+|is\s+)?(.*)$/i;
const SYMBOL = /^(?:[01xoc.-])$/i;

/** `1 = ON, 0 = OFF`; `X = jumper installed`; `ON = closed, OFF = open`. Null: the line is no legend. */
function legendOf(tokens: readonly Token[]): [string, Side][] | null {
  const out: [string, Side][] = [];
  let symbol: string | null = null;
  let words = 0;
  for (const t of tokens) {
    if (t.sort === 'sep') continue;
    if (t.sort === 'side') {
      // ON = closed says nothing new; it is a legend all the same.
      if (symbol !== null) {
        out.push([symbol, t.side]);
        symbol = null;
      } else if (!out.length && words === 0) symbol = `side:${t.side}`;
      else symbol = `side:${t.side}`;
    } else if ((t.sort === 'mark' || t.sort === 'text') && SYMBOL.test(t.text) && symbol === null)
      symbol = t.text.toLowerCase();
    else if (
      t.sort === 'text' &&
      /^(?:means?|is|jumpers?|switch(?:es)?|cap|and|note|key|legend|the)$/i.test(t.text)
    )
      words++;
    else return null;
  }
  const named = out.filter(([s]) => !s.startsWith('side:'));
  // A lone `1 = ON` may be the first switch of a row.
  const sure = named.some(([s]) => s !== '1') || out.some(([s]) => s.startsWith('side:'));
  return out.length && sure && symbol === null ? out : null;
}

/** `(8 switches)`, `3-pin`, `2x6 pins`: how large a block is said to be. */
export function sizeIn(text: string): number | null {
  const grid = /\b(\d)\s*[x×]\s*(\d{1,2})\b/i.exec(text);
  if (grid) return Number(grid[1]) * Number(grid[2]);
  const m = /\b(\d{1,2})[- ]?(?:pins?|positions?|switch(?:es)?|way)\b/i.exec(text);
  return m ? Number(m[1]) : null;
}

/**
 * Reads a text line by line. No line is lost: what says nothing of a setting is a note, what looks as if it should
 * and could not be read is `not-understood`.
 * @param text at most `TABLE_LIMITS.characters` characters
 */
export function readLines(text: string): Lines {
  const source = text.replace(/\r\n?/g, '\n').split('\n').slice(0, TABLE_LIMITS.lines);
  const shaped = reshape(source.map((l) => plain(l.slice(0, TABLE_LIMITS.width).replace(BLANKS, GAP))));
  const { lines } = shaped;
  const as: LineAs[] = lines.map(() => 'not-understood');
  const rows: RawRow[] = [];
  const rest: RestRow[] = [];
  const named: Lines['named'] = [];
  const marks = new Set<'bits' | 'crosses'>();
  if (shaped.bits.length) marks.add('bits');
  if (shaped.crosses.length) marks.add('crosses');
  const legend = new Map<string, Side>();
  let context: Context = { block: null, fields: [] };
  let heading = '';
  /** A heading that is itself a value: `640K:` above the switches that make it. */
  let value: string | null = null;
  let title: string | null = null;
  let afterHeading = false;
  const legends = new Set<number>();

  lines.forEach((line, i) => {
    // `settings (1 = ON, 0 = OFF)`: the key to the marks in brackets.
    for (const bracket of line.matchAll(/\(([^()]*)\)/g)) {
      const key = legendOf(lex(there(bracket[1])));
      if (!key) continue;
      for (const [symbol, side] of key) if (!symbol.startsWith('side:')) legend.set(symbol, side);
      lines[i] = line.replace(bracket[0], '');
    }
    // `Switch settings, 1 = on 0 = off`: the key behind a title.
    const tail = /^(.*[A-Za-z].*?),\s*([^,=]{1,3}=.*)$/.exec(there(lines[i]));
    const behind = tail ? legendOf(lex(there(tail[2]))) : null;
    if (tail && behind) {
      for (const [symbol, side] of behind) if (!symbol.startsWith('side:')) legend.set(symbol, side);
      lines[i] = there(tail[1]);
    }
    const found = line.trim() ? legendOf(lex(line)) : null;
    for (const [symbol, side] of found ?? []) if (!symbol.startsWith('side:')) legend.set(symbol, side);
    if (found) legends.add(i);
  });

  for (let i = 0; i < lines.length; i++) {
    const line = there(lines[i]);
    if (!line.trim()) {
      as[i] = 'blank';
      continue;
    }
    if (isRule(line)) {
      as[i] = 'rule';
      continue;
    }
    const tokens = lex(line);
    if (legendOf(tokens) || STAR_LEGEND.test(line)) {
      as[i] = 'legend';
      continue;
    }
    const other = REST.exec(line);
    if (other?.[1] && context.fields.length && !tokens.some((t) => t.sort === 'ref')) {
      rest.push({ line: i, value: other[1].trim(), heading, fields: context.fields });
      as[i] = 'rest';
      continue;
    }
    const table = readSideways(lines, i, context, legend) ?? readColumns(lines, i, context, legend, legends);
    if (table) {
      for (const n of table.lines)
        as[n] = legends.has(n)
          ? 'legend'
          : isRule(there(lines[n]))
            ? 'rule'
            : there(lines[n]).trim()
              ? 'rows'
              : 'blank';
      if (!table.rows.some((r) => r.line === i)) as[i] = 'heading';
      for (const n of table.odd) as[n] = 'not-understood';
      for (const row of table.rows)
        rows.push({
          lines: [row.line],
          spots: row.spots,
          values: row.values,
          heading: row.section ?? heading,
          isDefault: row.isDefault
        });
      table.marks.forEach((m) => marks.add(m));
      context = table.context;
      i = Math.max(...table.lines);
      afterHeading = false;
      value = null;
      continue;
    }
    // `see figure 2`, `refer to JP9`: no statement, whatever it names.
    if (
      /^\W*(?:see|refer|note)\b/i.test(line) &&
      !tokens.some((t) => t.sort === 'side' || t.sort === 'pins')
    ) {
      as[i] = 'note';
      continue;
    }
    const read = readSentence(tokens, context, heading);
    if (read?.kind === 'statements') {
      context = read.context;
      const own = read.heading ?? heading;
      if (read.heading !== null && (subjectOf(read.heading).subject || !heading)) heading = read.heading;
      for (const s of read.statements) {
        const words = s.value || (s.isDefault ? '' : (value ?? ''));
        rows.push({
          lines: [i],
          spots: s.spots,
          values: words ? [{ text: words, heading: '' }] : [],
          heading: own,
          isDefault: s.isDefault,
          ...(s.declares ? { declares: true } : {})
        });
      }
      as[i] = read.statements.length ? 'rows' : 'not-understood';
      afterHeading = false;
      continue;
    }
    if (read?.kind === 'heading') {
      context = { ...read.context, fields: read.context.fields.filter((f) => f.n !== undefined) };
      if (read.heading || !afterHeading) heading = read.heading;
      value = null;
      if (context.block) named.push({ line: i, ...context.block, heading, size: sizeIn(line) });
      as[i] = 'heading';
      afterHeading = true;
      continue;
    }
    if (read?.kind === 'mismatch') {
      as[i] = 'not-understood';
      continue;
    }
    const words = wordsOf(tokens);
    const about = subjectOf(words);
    const isProse = line.trim().length > 90 || (/[.!]$/.test(line.trim()) && words.split(' ').length > 5);
    const told = meant(words, heading).told.filter((t) => t.kind !== 'switched' && t.kind !== 'reserved');
    // `A = IRQ 3`: a statement whose state nobody can read.
    if (told.length && tokens.some((t) => t.sort === 'sep' && t.text === '=')) as[i] = 'not-understood';
    else if (isProse) as[i] = 'note';
    else if (told.length && /[:=]\s*$/.test(line)) {
      value = words;
      as[i] = 'heading';
      afterHeading = true;
    } else if (about.subject || about.functions.length || /:\s*$/.test(line)) {
      // Of a title only the functions matter: it is no heading of what follows.
      if (title === null && i < 3 && !/:\s*$/.test(line) && !about.subject) {
        title = words;
        as[i] = 'title';
        continue;
      }
      heading = words;
      value = null;
      as[i] = 'heading';
      afterHeading = true;
    } else if (title === null && rows.length === 0) {
      title = words;
      as[i] = 'title';
    } else as[i] = tokens.some((t) => t.sort === 'side' || t.sort === 'pins') ? 'not-understood' : 'note';
  }
  return {
    lines: source.map((t, i) => ({ n: i + 1, text: t, as: there(as[i]) })),
    rows,
    rest,
    named,
    title,
    marks: [...marks],
    legend,
    pairs: shaped.pairs
  };
}
