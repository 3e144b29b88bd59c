import { there } from '../model';
import { isRule, type Habit, type Legend } from './cells';
import { readColumns } from './columns';
import { isBits, lex, plain, type Side, type Token } from './lex';
import { meant, subjectOf } from './meanings';
import { boxes } from './shapes/grid-shapes';
import { leads } from './shapes/leads';
import { withoutPosition } from './shapes/jumper-shapes';
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
  /** Marks that were read as sides without a key. */
  marks: Habit[];
  /** Lines, from 0, whose places are taken to be pairs of pins in their order. */
  pairs: number[];
  /** Lines, from 0, whose pins have letters and are counted from A on. */
  letters: number[];
}

export const TABLE_LIMITS = { characters: 100_000, lines: 2_000, width: 400 } as const;

/** Columns are told by two blanks or more; hundreds of them keep every rule busy that looks for the next word. */
const BLANKS = / {9,}/g;
const GAP = ' '.repeat(8);
const STAR_LEGEND = /^\W*\*\s*[=:-]?\s*.*\bdefault|\bdefault\w*\b.*(?:\bmarked\b|\basterisk\b|\*)/i;
const REST =
  /^\W*(?:all |any )?(?:the )?others?\b(?:\s+(?:settings?|combinations?|positions?|values?))?\s*[:=-]?\s*(?:are\s+|is\s+)?(.*)$/i;
const SYMBOL = /^(?:[01xoc.-]|up|down)$/i;

/**
 * `1 = ON, 0 = OFF`; `X = jumper installed`; `ON = closed, OFF = open`. Null: the words are no legend.
 * @param beside what stands beside them: rows of bits make a lone `1 = ON` one, and rows of switches an `ON = 0`
 */
function legendOf(tokens: readonly Token[], beside = { bits: false, rows: false }): [string, Side][] | null {
  const out: [string, Side][] = [];
  let symbol: string | null = null;
  /** Whether something stands between a mark and its side that says so: `=`, `means`. */
  let said = false;
  for (const t of tokens) {
    if (t.sort === 'sep') {
      said ||= /[=:]/.test(t.text);
      continue;
    }
    // `0 - closed`.
    if (t.sort === 'mark' && t.text === '-' && symbol !== null && !said) {
      said = true;
      continue;
    }
    const mark = 'text' in t && SYMBOL.test(t.text) ? t.text.toLowerCase() : null;
    if (t.sort === 'side') {
      if (symbol === null) symbol = `side:${t.side}`;
      else if (!said) return null;
      else {
        // ON = closed says nothing new; it is a legend all the same.
        out.push([symbol, t.side]);
        symbol = null;
      }
      said = false;
    } else if (mark !== null && symbol === null) {
      symbol = mark;
      said = false;
    } else if (beside.rows && said && symbol?.startsWith('side:') && mark !== null && /[01]/.test(mark)) {
      out.push([mark, symbol === 'side:on' ? 'on' : 'off']);
      symbol = null;
    } else if (
      t.sort === 'text' &&
      /^(?:means?|is|jumpers?|switch(?:es)?|cap|and|note|key|legend|the)$/i.test(t.text)
    ) {
      said ||= /^(?:means?|is)$/i.test(t.text);
    } else return null;
  }
  const named = out.filter(([s]) => !s.startsWith('side:'));
  // A lone `1 = ON` may be the first switch of a row.
  const sure = beside.bits || named.some(([s]) => s !== '1') || out.some(([s]) => s.startsWith('side:'));
  return out.length && sure && symbol === null ? out : null;
}

/** `(8 switches)`, `3-pin`, `2x6 pins`: how large a block is said to be. */
export function sizeIn(text: string): number | null {
  const grid = /\b(\d)\s*[x×]\s*(\d{1,2})\b/i.exec(text);
  if (grid) return Number(grid[1]) * Number(grid[2]);
  const m = /\b(\d{1,2})[- ]?(?:pins?|positions?|switch(?:es)?|way)\b/i.exec(text);
  return m ? Number(m[1]) : null;
}

/** A side among words that no rule took for one: `310h  on-off`. */
const SIDED = /(?<![A-Za-z])(?:on|off|open|closed?|short(?:ed)?)(?![A-Za-z])/i;
/** Pieces of a bracket in which a key may stand. */
const MOST_PIECES = 6;
/** Marks of which one stands for the other side of the other. */
const PAIRED: readonly (readonly [string, string])[] = [
  ['1', '0'],
  ['0', '1'],
  ['up', 'down'],
  ['down', 'up']
];

/** Takes the keys to marks out of the lines: in brackets, behind a title, or on lines of their own. */
function takeLegends(lines: string[]): { legend: Map<string, Side>; legends: Set<number> } {
  const legend = new Map<string, Side>();
  const legends = new Set<number>();
  const read = lines.map((l) => lex(l));
  const bits = read.some((tokens) => tokens.some((t) => t.sort === 'mark' && isBits(t.text)));
  const marked =
    bits ||
    read.some((tokens) => tokens.filter((t) => t.sort === 'text' && /^[01]$/.test(t.text)).length > 1);
  const rowed = read.map((tokens) => tokens.filter((t) => t.sort === 'side').length > 1);
  const hasJumper = read.map((tokens) => tokens.some((t) => t.sort === 'ref' && t.of === 'jumper'));
  const keyIn = (text: string | undefined, rows = false) => {
    const key = text?.trim() ? legendOf(lex(text), { bits, rows }) : null;
    for (const [symbol, side] of key ?? []) if (!symbol.startsWith('side:')) legend.set(symbol, side);
    return key !== null;
  };
  lines.forEach((line, i) => {
    // `settings (1 = ON, 0 = OFF)`: the key to the marks in brackets.
    const brackets = [...line.matchAll(/\(([^()]*)\)/g)];
    const hasRows = brackets.length > 0 && !hasJumper[i] && rowed.some((r, k) => r && k !== i);
    for (const bracket of brackets) {
      // `(SW1, 1 = ON, 0 = OFF)`: what stands before the key stays.
      const pieces = there(bracket[1]).split(/[,;]/);
      const at =
        pieces.length > MOST_PIECES
          ? -1
          : pieces.findIndex((_, k) => keyIn(pieces.slice(k).join(','), hasRows));
      if (at >= 0)
        lines[i] = there(lines[i]).replace(bracket[0], at ? `(${pieces.slice(0, at).join(',').trim()})` : '');
    }
    // `Switch settings, 1 = on 0 = off`: the key behind a title.
    const tail = /^(.*[A-Za-z].*?),\s*([^,=]{1,3}=.*)$/.exec(there(lines[i]));
    if (keyIn(tail?.[2])) lines[i] = there(tail?.[1]);
    // `ON=0 OFF=1` on a line of its own, beside rows of switches.
    if (keyIn(line, marked && /^\W*(?:on\W+[01]\W+off\W+[01]|off\W+[01]\W+on\W+[01])\W*$/i.test(line)))
      legends.add(i);
  });
  for (const [a, b] of PAIRED) {
    const told = legend.get(a);
    if ((told === 'on' || told === 'off') && !legend.has(b)) legend.set(b, told === 'on' ? 'off' : 'on');
  }
  return { legend, legends };
}

/** Reads line after line, each in the light of those above it. */
class Reader {
  readonly as: LineAs[];
  readonly rows: RawRow[] = [];
  readonly rest: RestRow[] = [];
  readonly named: Lines['named'] = [];
  title: string | null = null;
  private context: Context = { block: null, fields: [] };
  private heading = '';
  /** A heading that is itself a value: `640K:` above the switches that make it. */
  private value: string | null = null;
  private afterHeading = false;

  constructor(
    private readonly lines: string[],
    readonly marks: Set<Habit>,
    private readonly legend: Legend,
    private readonly legends: ReadonlySet<number>
  ) {
    this.as = lines.map(() => 'not-understood');
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
    // Below the name of a jumper `position 1-2` is a pair of its pins, and no switches.
    const tokens = lex(this.context.block?.of === 'jumper' ? withoutPosition(line) : line);
    if (this.legends.has(i) || STAR_LEGEND.test(line)) {
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
    for (const n of table.sections) this.as[n] = 'heading';
    for (const n of table.odd) this.as[n] = 'not-understood';
    for (const row of table.rows)
      this.rows.push({
        lines: [row.line, ...(row.also ?? [])],
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
    const read = readSentence(tokens, this.context, this.heading, this.legend);
    if (read?.kind === 'mismatch') return 'not-understood';
    if (read?.kind === 'statements') {
      if (read.hasBits && !this.legend.has('1')) this.marks.add('bits');
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
    // `SW1-8 must always be off` tells no meaning, and is no heading.
    if (
      read?.kind === 'heading' &&
      /\b(?:must|always|never|do not)\b/i.test(line) &&
      tokens.some((t) => t.sort === 'side')
    )
      return 'not-understood';
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
    // `A19 A18 | Address` above `0 1 | 60000`: marks and a number, under a heading that was not understood.
    const marks = tokens.filter(
      (t) =>
        t.sort === 'mark' ||
        t.sort === 'side' ||
        t.sort === 'pins' ||
        (t.sort === 'text' && /^[01]$/.test(t.text))
    );
    const isBelow =
      /^(?:rows|not-understood)$/.test(this.as[i - 1] ?? '') && (marks.length > 0 || /\[\s*\]/.test(line));
    if ((marks.length > 1 || isBelow) && tokens.length > marks.length) return 'not-understood';
    if (told.length && !isProse && SIDED.test(line)) return 'not-understood';
    if (isProse) return 'note';
    const ends = /:\s*$/.test(line);
    if (told.length && /[:=]\s*$/.test(line)) {
      this.value = words;
      // `FPU:` may be what switches below make, and is what they are about.
      if (about.subject !== null && !/\d/.test(words)) this.heading = words;
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
    return marks.some((t) => t.sort === 'side' || t.sort === 'pins') ? 'not-understood' : 'note';
  }
}

/**
 * Reads a text line by line. No line is lost: what says nothing of a setting is a note, what looks as if it should
 * and could not be read is `not-understood`.
 * @param text at most `TABLE_LIMITS.characters` characters
 */
export function readLines(text: string): Lines {
  const source = text.replace(/\r\n?/g, '\n').split('\n').slice(0, TABLE_LIMITS.lines);
  const printed = boxes(leads(source)).map((l) => plain(l.slice(0, TABLE_LIMITS.width).replace(BLANKS, GAP)));
  const { legend, legends } = takeLegends(printed);
  const shaped = reshape(printed, legend);
  const marks = (['bits', 'levers', 'crosses'] as const).filter((m) => shaped[m].length);
  const reader = new Reader(shaped.lines, new Set<Habit>(marks), legend, legends);
  const { as, rows, rest, named, title } = reader;
  return {
    // What a shape took into the lines below it is not blank: it said what they are.
    lines: source.map((text, i) => ({
      n: i + 1,
      text,
      as: as[i] === 'blank' && text.trim() ? 'heading' : there(as[i])
    })),
    rows,
    rest,
    named,
    title,
    marks: [...reader.marks],
    pairs: shaped.pairs,
    letters: shaped.letters
  };
}
