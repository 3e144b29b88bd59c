import type { Legend } from '../cells';
import { JUMPER_NAME, SWITCH_NAME } from '../lex';

/** Shapes in which switches of a block are printed, rewritten as the grammar reads them. */

const NUMBERS = String.raw`\d{1,2}(?:\s*(?:,|-|&|and|\+|\/)\s*\d{1,2})*`;
const SWITCH_LINE = new RegExp(
  String.raw`^(\s*)(?:sw|switch(?:es)?|bits?|levers?|#)\.?\s*#?\s*(${NUMBERS})(?=\s*[:.=)]|\s+[A-Za-z(])`,
  'i'
);
const SWITCH_LIST = /^\s*(?:sw|switch(?:es)?|bits?|levers?|#)\.?\s*#?\s*\d{1,2}\s*(?:,|&|and|\+|\/)\s*\d/i;
const SWITCH_BLOCK = new RegExp(String.raw`\b${SWITCH_NAME}\b|\bdip[ -]?switch|\bswitch (?:block|bank)`, 'i');
/** The first number of a line that begins with the number of a switch. */
const firstNumber = (line: string): number | null => {
  const m = SWITCH_LINE.exec(line);
  return m ? Number(/\d+/.exec(m[2] ?? '')?.[0]) : null;
};

/** `DIP switch 1 (SW1)`: the name in brackets is the name. */
export const namedInBrackets = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^(\W*)dip[ -]?switch(?:es)?(?:\s+(?:block|bank))?\s*#?\s*\d?\s*\((${SWITCH_NAME})\)`,
      'i'
    ),
    '$1$2'
  );

/**
 * `Sw 1: …`, `Sw 3,4: …` below the name of a block are its switches, not blocks of their own. Told by a run of at least
 * two such lines that counts up, from the first switch on or with a list of numbers in it.
 */
export function switchLines(lines: readonly string[]): string[] {
  const out = [...lines];
  let hasBlock = false;
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i] ?? '';
    if (firstNumber(line) === null) {
      if (SWITCH_BLOCK.test(line)) hasBlock = true;
      continue;
    }
    let end = i;
    let last = 0;
    const run: number[] = [];
    for (; end < lines.length; end++) {
      const text = lines[end] ?? '';
      const n = firstNumber(text);
      if (n === null && (!text.trim() || /^\s+\S/.test(text)) && run.length) continue;
      if (n === null || n <= last) break;
      run.push(end);
      last = n;
    }
    // A list of numbers names switches; so does a run from the first on.
    const isSure = firstNumber(line) === 1 || run.some((k) => SWITCH_LIST.test(lines[k] ?? ''));
    if (hasBlock && run.length > 1 && isSure)
      for (const k of run)
        out[k] = (lines[k] ?? '').replace(
          SWITCH_LINE,
          (_, blank: string, numbers: string) => blank + switchesWord(numbers)
        );
    i = Math.max(i, run.at(-1) ?? i);
  }
  return out;
}

/** `Up = 8 MHz, Down = 4.77 MHz`: levers, where both stand in the line. Null: there are none. */
export function levers(line: string, legend: Legend): string | null {
  const sides = /(?<![A-Za-z])(up|down)(?=\s*[=:])/gi;
  const found = new Set([...line.matchAll(sides)].map((m) => m[1]?.toLowerCase()));
  if (found.size < 2) return null;
  return line.replace(sides, (lever) => {
    const side = legend.get(lever.toLowerCase());
    return side === 'on' || side === 'off' ? side : /up/i.test(lever) ? 'on' : 'off';
  });
}

/** `SW1-3,4: …`: the numbers behind the comma are switches, too. */
export const listedSwitches = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`(?<![0-9A-Za-z])(${SWITCH_NAME})-(\d{1,2})((?:\s*[,&]\s*\d{1,2})+)(?=\s*[:=.)]|\s+[A-Za-z(])`,
      'i'
    ),
    (_, name: string, first: string, more: string) =>
      `${name} ${switchesWord(first + more).replace(/^switch(?:es)? /, '')}`
  );

const SIDE = String.raw`(?:on|off|open|closed?|in|out|up|down)`;

/** `3,4` as the grammar has it: neighbours as a range. */
function switchesWord(numbers: string): string {
  const all = (numbers.match(/\d+/g) ?? []).map(Number);
  const [from = 0, to = from] = [all[0], all.at(-1)];
  if (all.length === 1) return `switch ${from}`;
  const isRun = /-/.test(numbers) || all.every((n, i) => n === from + i);
  return `switches ${isRun ? `${from}-${to}` : all.join(' and ')}`;
}

/** `switches 3-4: memory off off = 64K`: what they are for goes before the colon. */
export const subjectFirst = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^(\s*switch(?:es)? [\d and-]+)\s*[:.=)]\s*((?:(?!${SIDE}(?![A-Za-z]))[A-Za-z][\w/-]*\s+){1,6})(?:are |is )?(?=${SIDE}\s+${SIDE}(?![A-Za-z]))`,
      'i'
    ),
    (_, head: string, words: string) => `${head} ${words.trim()}: `
  );

const SLASHED = new RegExp(String.raw`(?<![A-Za-z])${SIDE}(?:[/-]${SIDE})+(?![A-Za-z])`, 'gi');

/** `JP1-JP2-JP3: on-on-off`: names that are joined by dashes as their sides are. */
export const joinedNames = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^(\W*)(${JUMPER_NAME}(?:[-/]${JUMPER_NAME}){1,7})(?=\s*[:=]\s*${SIDE}[-/]${SIDE}(?![A-Za-z]))`,
      'i'
    ),
    (_, before: string, names: string) => before + names.replace(/[-/]/g, ' ')
  );

/** `off/off mono, off/on CGA`: sides of several switches, where more than one such row stands in the line. */
export function slashedSides(line: string): string {
  const all = line.match(SLASHED) ?? [];
  const counts = new Set(all.map((s) => s.split(/[/-]/).length));
  return all.length > 1 && counts.size === 1 ? line.replace(SLASHED, (s) => s.replace(/[/-]/g, ' ')) : line;
}

/** `00 = 64K 10 = 128K`: rows of bits within one line. */
export function inlineBits(line: string, legend: Legend): string {
  const bits = /(?<![0-9A-Za-z])([01]{2,8})\s*=\s*/g;
  const all = [...line.matchAll(bits)].map((m) => m[1]?.length);
  // `10 = 5-6, 11 = 7-8` are two interrupts on pairs of pins; a row of bits has one that begins with 0.
  const hasZero = [...line.matchAll(bits)].some((m) => m[1]?.startsWith('0'));
  if (all.length < 2 || new Set(all).size > 1 || !hasZero || /=\s*\d{1,2}-\d/.test(line)) return line;
  const sides = line.replace(
    bits,
    (_, run: string) => `, ${[...run].map((b) => legend.get(b) ?? (b === '1' ? 'on' : 'off')).join(' ')} = `
  );
  return sides.replace(/([:(])\s*,/g, '$1').replace(/,\s*,/g, ',');
}

/** `address  SW 1 2 3 4`, `SW 6 7`: a row of numbers above the columns of a block. */
export const countedColumns = (line: string): string =>
  line.replace(/(?<![0-9A-Za-z])SW((?:\s+\d{1,2}){2,16})\s*$/i, (all: string, row: string) => {
    const numbers = row.trim().split(/\s+/).map(Number);
    return numbers.every((n, i) => n === (numbers[0] ?? 0) + i) ? `switch${row}` : all;
  });

/** `6 - On: ROM enabled; Off: ROM disabled`: one switch of the block with a meaning for each side. */
export const numberedSides = (line: string): string =>
  line.replace(
    /^(\s*)(?:switch\s+)?(\d{1,2})\s*(?:-+|[.:)])\s*(on|off|open|closed)\s*[:=]\s*(.*?)\s*[;,]\s*(on|off|open|closed)\s*[:=]\s*(.*)$/i,
    '$1switch $2 $3 = $4, switch $2 $5 = $6'
  );

/** `SW 1-1 on 1-2 off`: switches of block 1, named again without the name. */
export const blockAndNumber = (line: string): string =>
  line.replace(
    /(?<![0-9A-Za-z])SW\s+(\d)-(\d{1,2})((?:\s+(?:on|off|open|closed),?\s+\d-\d{1,2})*)(?=\s+(?:on|off|open|closed))/gi,
    (_, block: string, n: string, more: string) =>
      `SW${block}-${n}${more.replace(new RegExp(`(\\s)${block}-(\\d{1,2})`, 'g'), `$1SW${block}-$2`)}`
  );
