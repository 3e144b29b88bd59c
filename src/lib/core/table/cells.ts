import { isBits, type Side, type Token } from './lex';
import type { Field, Spot } from './spots';

export type Split = 'pipe' | 'tab' | 'semicolon' | 'comma' | 'blanks' | 'words';
const splitters: Record<Split, (line: string) => string[]> = {
  pipe: (l) =>
    l
      .replace(/^\s*\|/, '')
      .replace(/\|\s*$/, '')
      .split('|'),
  tab: (l) => l.split(/\t/),
  semicolon: (l) => l.split(';'),
  comma: (l) => l.split(','),
  blanks: (l) => l.trim().split(/\s{2,}|\t+/),
  words: (l) => l.trim().split(/\s+/)
};
export const cellsOf = (line: string, split: Split): string[] => splitters[split](line).map((c) => c.trim());

/** Ways in which a line may be cut into cells, the surest first. */
export function splitsOf(line: string): Split[] {
  return [
    ...(line.includes('|') ? (['pipe'] as const) : []),
    ...(line.includes('\t') ? (['tab'] as const) : []),
    ...((line.match(/;/g)?.length ?? 0) >= 2 ? (['semicolon'] as const) : []),
    ...((line.match(/,/g)?.length ?? 0) >= 2 ? (['comma'] as const) : []),
    ...(/\S\s{2,}\S/.test(line.trim()) ? (['blanks'] as const) : [])
  ];
}

export const isRule = (line: string): boolean => /^[\s|+:=_-]*$/.test(line) && /[-=_+]{2,}/.test(line);

export type State = { side: Side } | { pins: [number, number][] } | { mark: string };

/** `1-2 & 3-4`: two pairs of one cell. */
const isJoin = (t: Token): boolean => t.sort === 'text' && /^(?:\+|&|and)$/i.test(t.text);

/** The states in a cell; null where it holds anything else. */
export function statesIn(tokens: readonly Token[]): State[] | null {
  const out: State[] = [];
  let joined = false;
  for (const t of tokens) {
    const last = out.at(-1);
    if (t.sort === 'side') {
      // `1-2 closed` is one state.
      if (last && 'pins' in last && t.side === 'on') continue;
      out.push({ side: t.side });
    } else if (t.sort === 'pins') {
      if (joined && last && 'pins' in last) last.pins.push(t.pair);
      else out.push({ pins: [t.pair] });
    } else if (t.sort === 'mark') {
      if (isBits(t.text)) out.push(...[...t.text.toLowerCase()].map((mark) => ({ mark })));
      else out.push({ mark: t.text.toLowerCase() });
    } else if (t.sort === 'text' && /^(?:[01]|none|no?|y(?:es)?)$/i.test(t.text))
      out.push(/^[01]$/.test(t.text) ? { mark: t.text } : { side: /^y/i.test(t.text) ? 'on' : 'off' });
    else if (t.sort === 'text' && /^(?:up|down|c)$/i.test(t.text)) out.push({ mark: t.text.toLowerCase() });
    else if (!(t.sort === 'sep' && /[,]/.test(t.text)) && t.sort !== 'default' && !isJoin(t)) return null;
    joined = t.sort === 'sep' || isJoin(t);
  }
  return out;
}

/** How marks are read where no key says it: an assumption, and asked about. */
export type Habit = 'bits' | 'levers' | 'crosses' | 'rings' | 'any';

/** Which habits some marks of a table were read by. */
export function habitsOf(marks: ReadonlySet<string>, sides: boolean, legend: Legend): Habit[] {
  const untold = (...list: string[]) => list.some((m) => marks.has(m) && !legend.has(m));
  const cross = untold('x') ? sideOfMark('x', marks, sides, legend) : null;
  return [
    ...(untold('1', '0') ? (['bits'] as const) : []),
    ...(untold('up', 'down') ? (['levers'] as const) : []),
    ...(cross === 'on' ? (['crosses'] as const) : cross === 'any' ? (['any'] as const) : []),
    ...(untold('o') && !marks.has('x') && !marks.has('c') ? (['rings'] as const) : [])
  ];
}

/** What a mark means follows from the others in its table: beside ON and OFF an x is "does not matter". */
function sideOfMark(mark: string, all: ReadonlySet<string>, hasSides: boolean, legend: Legend): Side {
  const told = legend.get(mark);
  if (told) return told;
  if (mark === '1') return 'on';
  if (mark === '0') return 'off';
  if (mark === 'up') return 'on';
  if (mark === 'down') return 'off';
  if (mark === 'c') return 'on';
  // Beside words an empty cell says nothing; beside crosses it is a jumper that is not there.
  if (mark === '')
    return legend.get('x') === 'off' ? 'on' : hasSides || all.has('1') || all.has('0') ? 'any' : 'off';
  // Where a cross is an open jumper, what is no cross is a closed one.
  if (legend.get('x') === 'off' && /^[-.o]$/.test(mark)) return 'on';
  const hasBits = all.has('1') || all.has('0');
  if (mark === 'x') return hasSides || hasBits ? 'any' : 'on';
  if (mark === '-' || mark === '.') return (hasSides || hasBits) && mark === '-' ? 'any' : 'off';
  return mark === 'o' ? (all.has('x') || all.has('c') ? 'off' : 'on') : 'off';
}

/** What the marks of a text stand for, where a line of it says so: `1 = ON, 0 = OFF`. */
export type Legend = ReadonlyMap<string, Side>;

export function spotsFor(
  field: Field,
  state: State,
  marks: ReadonlySet<string>,
  sides: boolean,
  legend: Legend
): Spot[] {
  if ('pins' in state) {
    if (field.of === 'switch') return [{ ...field, side: 'on' }];
    return state.pins.map((pins) => ({ ...field, pins, side: 'on' as const }));
  }
  return [{ ...field, side: 'side' in state ? state.side : sideOfMark(state.mark, marks, sides, legend) }];
}
