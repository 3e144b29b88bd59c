import { there } from '../model';
import { isRule, type Legend } from './cells';
import { readColumns } from './columns';
import { lex, plain, type Side, type Token } from './lex';
import { meant, subjectOf } from './meanings';
import { reshape } from './shapes/reshape';
import { readSideways } from './sideways';
import { wordsOf } from './groups';
import { readSentence } from './sentence';
import type { Context, Field, Spot } from './spots';

/** How a line was taken. `note`: words that say nothing of a setting; they are kept. */
export type LineAs =
  | 'blank'
  | 'rule'
  | 'title'
  | 'heading'
  | 'rows'
  | 'legend'
  | 'rest'
  | 'note'
  | 'not-understood';

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

/** Takes the keys to marks out of the lines: in brackets, behind a title, or on lines of their own. */
function takeLegends(lines: string[]): { legend: Map<string, Side>; legends: Set<number> } {
  const legend = new Map<string, Side>();
  const legends = new Set<number>();
  const keyIn = (text: string | undefined) => {
    const key = text?.trim() ? legendOf(lex(text)) : null;
    for (const [symbol, side] of key ?? []) if (!symbol.startsWith('side:')) legend.set(symbol, side);
    return key !== null;
  };
  lines.forEach((line, i) => {
    // `settings (1 = ON, 0 = OFF)`: the key to the marks in brackets.
    for (const bracket of line.matchAll(/\(([^()]*)\)/g))
      if (keyIn(bracket[1])) lines[i] = line.replace(bracket[0], '');
    // `Switch settings, 1 = on 0 = off`: the key behind a title.
    const tail = /^(.*[A-Za-z].*?),\s*([^,=]{1,3}=.*)$/.exec(there(lines[i]));
    if (keyIn(tail?.[2])) lines[i] = there(tail?.[1]);
    if (keyIn(line)) legends.add(i);
  });
  return { legend, legends };
}

/** Reads line after line, each in the light of those above it. */
class Reader {
  readonly as: LineAs[];
  readonly rows: RawRow[] = [];
  readonly rest: RestRow[] = [];
  readonly named: Lines['named'] = [];
  readonly legend: Map<string, Side>;
  title: string | null = null;
  private readonly legends: Set<number>;
  private context: Context = { block: null, fields: [] };
  private heading = '';
  /** A heading that is itself a value: `640K:` above the switches that make it. */
  private value: string | null = null;
  private afterHeading = false;

  constructor(
    private readonly lines: string[],
    readonly marks: Set<'bits' | 'crosses'>
  ) {
    this.as = lines.map(() => 'not-understood');
    ({ legend: this.legend, legends: this.legends } = takeLegends(lines));
    for (let i = 0; i < lines.length; i++) i = this.read(i);
  }

  /** @returns the last line that was read with this one */
  private read(i: number): number {
    const line = there(this.lines[i]);
    const plain = this.plainly(line);
    if (plain) {
      this.as[i] = plain;
      return i;
    }
    const tokens = lex(line);
    if (legendOf(tokens) || STAR_LEGEND.test(line)) {
      this.as[i] = 'legend';
      return i;
    }
    const other = REST.exec(line)?.[1];
    if (other && this.context.fields.length && !tokens.some((t) => t.sort === 'ref')) {
      this.rest.push({ line: i, value: other.trim(), heading: this.heading, fields: this.context.fields });
      this.as[i] = 'rest';
      return i;
    }
    const last = this.table(i);
    if (last !== null) return last;
    // `see figure 2`, `refer to JP9`: no statement, whatever it names.
    this.as[i] =
      /^\W*(?:see|refer|note)\b/i.test(line) && !tokens.some((t) => t.sort === 'side' || t.sort === 'pins')
        ? 'note'
        : this.sentence(i, line, tokens);
    return i;
  }

  private plainly(line: string): LineAs | null {
    if (!line.trim()) return 'blank';
    return isRule(line) ? 'rule' : null;
  }

  /** A table of columns or one that lies on its side, from a line on. @returns its last line */
  private table(i: number): number | null {
    const { lines, context, legend, legends } = this;
    const table = readSideways(lines, i, context, legend) ?? readColumns(lines, i, context, legend, legends);
    if (!table) return null;
    for (const n of table.lines)
      this.as[n] = legends.has(n) ? 'legend' : (this.plainly(there(lines[n])) ?? 'rows');
    if (!table.rows.some((r) => r.line === i)) this.as[i] = 'heading';
    for (const n of table.odd) this.as[n] = 'not-understood';
    for (const row of table.rows)
      this.rows.push({
        lines: [row.line],
        spots: row.spots,
        values: row.values,
        heading: row.section ?? this.heading,
        isDefault: row.isDefault
      });
    table.marks.forEach((m) => this.marks.add(m));
    this.context = table.context;
    this.afterHeading = false;
    this.value = null;
    return Math.max(...table.lines);
  }

  private sentence(i: number, line: string, tokens: readonly Token[]): LineAs {
    const read = readSentence(tokens, this.context, this.heading);
    if (read?.kind === 'mismatch') return 'not-understood';
    if (read?.kind === 'statements') {
      this.context = read.context;
      const own = read.heading ?? this.heading;
      if (read.heading !== null && (subjectOf(read.heading).subject || !this.heading))
        this.heading = read.heading;
      for (const { value, spots, isDefault, declares } of read.statements) {
        const words = value || (isDefault ? '' : (this.value ?? ''));
        this.rows.push({
          lines: [i],
          spots,
          values: words ? [{ text: words, heading: '' }] : [],
          heading: own,
          isDefault,
          ...(declares ? { declares } : {})
        });
      }
      this.afterHeading = false;
      return read.statements.length ? 'rows' : 'not-understood';
    }
    if (read?.kind === 'heading') {
      this.context = { ...read.context, fields: read.context.fields.filter((f) => f.n !== undefined) };
      if (read.heading || !this.afterHeading) this.heading = read.heading;
      this.value = null;
      const { block } = this.context;
      if (block) this.named.push({ line: i, ...block, heading: this.heading, size: sizeIn(line) });
      this.afterHeading = true;
      return 'heading';
    }
    return this.words(i, line, tokens);
  }

  /** A line that names no jumper or switch: a heading, a value above its states, a title, or a note. */
  private words(i: number, line: string, tokens: readonly Token[]): LineAs {
    const words = wordsOf(tokens);
    const about = subjectOf(words);
    const isProse = line.trim().length > 90 || (/[.!]$/.test(line.trim()) && words.split(' ').length > 5);
    const told = meant(words, this.heading).told.filter(
      (t) => t.kind !== 'switched' && t.kind !== 'reserved'
    );
    // `A = IRQ 3`: a statement whose state nobody can read.
    if (told.length && tokens.some((t) => t.sort === 'sep' && t.text === '=')) return 'not-understood';
    if (isProse) return 'note';
    const ends = /:\s*$/.test(line);
    if (told.length && /[:=]\s*$/.test(line)) {
      this.value = words;
      this.afterHeading = true;
      return 'heading';
    }
    const isAbout = ends || about.subject !== null || about.functions.length > 0;
    const isTitle = isAbout ? i < 3 && !ends && !about.subject : !this.rows.length;
    if (this.title === null && isTitle) {
      // Of a title only the functions matter: it is no heading of what follows.
      this.title = words;
      return 'title';
    }
    if (isAbout) {
      this.heading = words;
      this.value = null;
      this.afterHeading = true;
      return 'heading';
    }
    return tokens.some((t) => t.sort === 'side' || t.sort === 'pins') ? 'not-understood' : 'note';
  }
}

/**
 * Reads a text line by line. No line is lost: what says nothing of a setting is a note, what looks as if it should
 * and could not be read is `not-understood`.
 * @param text at most `TABLE_LIMITS.characters` characters
 */
export function readLines(text: string): Lines {
  const source = text.replace(/\r\n?/g, '\n').split('\n').slice(0, TABLE_LIMITS.lines);
  const shaped = reshape(source.map((l) => plain(l.slice(0, TABLE_LIMITS.width).replace(BLANKS, GAP))));
  const marks = (['bits', 'crosses'] as const).filter((m) => shaped[m].length);
  const { as, rows, rest, named, title, legend, ...reader } = new Reader(shaped.lines, new Set(marks));
  return {
    lines: source.map((t, i) => ({ n: i + 1, text: t, as: there(as[i]) })),
    rows,
    rest,
    named,
    title,
    marks: [...reader.marks],
    legend,
    pairs: shaped.pairs
  };
}
