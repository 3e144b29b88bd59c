import type { Legend } from '../cells';
import { JUMPER_NAME } from '../lex';

/** Shapes in which jumpers are printed, rewritten as the grammar reads them. */

const REF = JUMPER_NAME;
const JUMPER = new RegExp(`(?<![0-9A-Za-z])${REF}(?![0-9A-Za-z])`, 'i');

/** `short pins 1&2 for colour`: the verb says what pins in a table always mean. */
export const withoutVerbs = (line: string): string =>
  line.replace(
    /(?<![A-Za-z])(?:short(?:ing)?|connect(?:ing)?|bridg(?:e|ing)|join(?:ing)?|strap(?:ping)?|link(?:ing)?|(?:install|fit|place|put)(?:ing)?\s+(?:a\s+|the\s+)?(?:jumper|shunt|cap)s?)\s+(?:across\s+|over\s+|on\s+|onto\s+|between\s+)?(?:the\s+)?(?=pins?\s*\d|\d{1,2}\s*(?:-|&|and\s|to\s|\+)\s*\d)/gi,
    ''
  );

/** `position 1-2` of a jumper: its pins. */
export const withoutPosition = (line: string): string =>
  line.replace(/(?<![A-Za-z])positions?\s+(?=\d{1,2}\s*-\s*\d)/gi, '');

/** `J2 SETTING   PINS SHORTED`: the heading of a column, and not how the jumper stands. */
export const withoutPinsHead = (line: string): string =>
  JUMPER.test(line) && !/\d\s*-\s*\d/.test(line)
    ? line.replace(/(?<=\s{2,})(?:pins?|jumpers?)\s+(?:shorted|jumpered|closed|installed|capped)\s*$/i, '')
    : line;

/** `Set JP1 to position 1-2`, `J9 as follows: …`. */
export const namedPosition = (line: string): string =>
  JUMPER.test(line)
    ? withoutPosition(line).replace(/^(\s*)(?:set\s+)?(.{2,20}?)\s+as follows\s*:/i, '$1$2:')
    : line;

/** `1-2 A:  2-3 B:`: a letter of a drive keeps no colon, which elsewhere stands in front of what follows. */
export const driveLetters = (line: string): string =>
  line.replace(/(\d\s*-\s*\d{1,2}\s*[=:]?\s*|[=]\s*)([A-F]):(?=[\s,;)]|$)/g, '$1drive $2');

/** A row of a table is no longer than this. */
const MOST_IN_ROW = 160;
const GAPS = /\s{2,}/g;
const FIRST_ROW = new RegExp(
  String.raw`^(\s*${REF})(?![0-9A-Za-z])\s*:?\s+(\D[^=|\t]*?|\d+\s*[A-Za-z][^=|\t]*?)\s*:?\s+(\d{1,2}\s*-\s*\d{1,2})(\s*\*?)\s*$`,
  'i'
);
const NEXT_ROW = /^\s{2,}(\D[^=|\t]*?|\d+\s*[A-Za-z][^=|\t]*?)\s*:?\s+(\d{1,2}\s*-\s*\d{1,2})\s*\*?\s*$/;

/**
 * `JP1  Mono    1-2` with `     Colour  2-3` below it: the first meaning stands in the line of the name, where a heading
 * would. A row that follows of the same form tells that it is none.
 */
export const firstRows = (lines: readonly string[]): string[] =>
  lines.map((line, i) => {
    const below = lines[i + 1] ?? '';
    if (line.length > MOST_IN_ROW || below.length > MOST_IN_ROW) return line;
    // Wide gaps are no more than gaps, and keep the patterns busy.
    const [m, next] = [FIRST_ROW.exec(line.replace(GAPS, '  ')), NEXT_ROW.exec(below.replace(GAPS, '  '))];
    if (!m || !next) return line;
    const [, name = '', label = '', pair = '', star = ''] = m;
    const plain = (text: string) => !JUMPER.test(text) && !/\d\s*-\s*\d|[()]/.test(text);
    const indent = (text: string) => text.search(/\S/);
    if (indent(line) >= indent(below) || !plain(label) || !plain(next[1] ?? '') || next[2] === pair)
      return line;
    return `${name}: ${pair} = ${label}${star}`;
  });

/** `(one only)`, `- set one jumper only`: how to use the header, and no part of a meaning. */
export const withoutAdvice = (line: string): string =>
  line
    .replace(
      /\s*[([]\s*(?:only one(?: on| closed| jumper)?|one only|one jumper only|select one|choose one)\s*[)\]]/gi,
      ''
    )
    .replace(
      /\s*[-,;]\s*(?:set|fit|install|use|select|choose)\s+(?:only\s+)?one\s+(?:jumper\s*)?(?:only)?(?=\s*(?:[,;.]|$))/gi,
      ''
    );

const LETTERED_CELL = /(?<=\s|^)([A-E])\s?-\s?([A-E])(?=\s|$)/g;
const LETTERED = /(?<![0-9A-Za-z-])([A-E])\s?-\s?([A-E])(?=\s*[:=)]|\s+[A-Z0-9])/g;

/** `JP2 A-B: IRQ 2, B-C: IRQ 3`: pins that have letters are counted from A on. */
export function letteredPins(line: string, above: string): string | null {
  const beside = [...line.matchAll(LETTERED)].every(
    ([, a = '', b = '']) => b.charCodeAt(0) - a.charCodeAt(0) === 1
  );
  const isNamed = new RegExp(
    String.raw`(?<![0-9A-Za-z])${REF}\s*[:=(]?\s*[A-E]\s?-\s?[A-E](?![0-9A-Za-z])`,
    'i'
  ).test(line);
  const isRow = /^\s*[A-E]\s?-\s?[A-E]\s*[:=]/.test(line);
  // Below the names of several jumpers each of them has its pair.
  const isBelow =
    (line.match(LETTERED_CELL) ?? []).length > 1 && (above.match(new RegExp(REF, 'gi')) ?? []).length > 1;
  if (!beside || (!isNamed && !isRow && !isBelow)) return null;
  const place = (letter: string) => letter.charCodeAt(0) - 64;
  return line.replace(
    isBelow ? LETTERED_CELL : LETTERED,
    (_, a: string, b: string) => `${place(a)}-${place(b)}`
  );
}

const pairOf = (place: number): string => `${2 * place - 1}-${2 * place}`;

/** `pos. 1 = IRQ 3, pos. 2 = IRQ 4` of a jumper block, or `pos. A`: places are counted, a pair of pins each. */
export function countedPlaces(line: string): string | null {
  const places = /(?<![A-Za-z])pos(?:ition)?\.?\s*#?\s*(\d{1,2}|[A-H])\s*[=:]\s*/gi;
  const placeOf = (name: string) => (/\d/.test(name) ? Number(name) : name.toUpperCase().charCodeAt(0) - 64);
  if (!JUMPER.test(line) || /\d\s*-\s*\d/.test(line)) return null;
  const all = [...line.matchAll(places)].map((m) => placeOf(m[1] ?? ''));
  if (all.length < 2 || all[0] !== 1 || all.some((n, i) => n !== i + 1)) return null;
  return line.replace(places, (_, n: string) => `${pairOf(placeOf(n))} = `);
}

/** `IRQ select: JP2 3 4 5 7 9, default 5`: the numbers are printed along the header, a pair of pins each. */
export function numbersAlong(line: string): string | null {
  const m = new RegExp(
    String.raw`^(.*?${JUMPER.source})\s*[:=]?\s*((?:[0-9A-F]{1,5}h?\s+){2,11}[0-9A-F]{1,5}h?)(?:\s*[,;.(-]*\s*(?:factory\s+)?default\s*[:=]?\s*([0-9A-F]{1,5}h?)\)?)?\s*$`,
    'i'
  ).exec(line);
  const [, head, row, chosen] = m ?? [];
  if (!head || !row) return null;
  const values = row.trim().split(/\s+/);
  const numbers = values.map((v) => parseInt(v, 16));
  // `JP1 1 2 3` are pins or jumpers, and no values.
  if (numbers.some(Number.isNaN) || numbers.every((n, i) => n === i + 1)) return null;
  if (values.some((v) => /^[01]{2,}$/.test(v)) || /[=]/.test(row)) return null;
  return `${head}: ${values
    .map(
      (v, i) =>
        `${pairOf(i + 1)} = ${v}${chosen && chosen.toLowerCase() === v.toLowerCase() ? ' (default)' : ''}`
    )
    .join(', ')}`;
}

const LETTERS = /^\s*(?:[A-H]\s+){1,7}[A-H]\s*$/;
/** `[1-2] [3-4] [5-6]`, `VCORE  1-2  3-4`: pairs of pins above columns of marks. */
const PAIRS =
  /^\s*(?:[A-Za-z][\w./ ]*?(?:\s{2,}|\t))?((?:[[(]?\d{1,2}-\d{1,2}[\])]?\s+){1,11}[[(]?\d{1,2}-\d{1,2}[\])]?)\s*$/;

/** A heading of pairs of pins, or of letters that stand for them, with a word before it or not. */
function pairsAbove(line: string): { pairs: string[]; isCounted: boolean } | null {
  if (LETTERS.test(line)) {
    const letters = line.trim().split(/\s+/);
    const isRun = letters.every((l, k) => l === 'ABCDEFGH'[k]);
    return isRun ? { pairs: letters.map((_, k) => pairOf(k + 1)), isCounted: true } : null;
  }
  const row = PAIRS.exec(line)?.[1];
  return row
    ? {
        pairs: row
          .trim()
          .split(/\s+/)
          .map((p) => p.replace(/[[\]()]/g, '')),
        isCounted: false
      }
    : null;
}

const MARK = String.raw`(?:on|off|open|closed?|short(?:ed)?|[xXoO.01-]|-{2,3})`;
const isThere = (mark: string, legend: Legend): boolean =>
  (legend.get(mark.toLowerCase()) ?? (/^(?:on|closed?|short|shorted|x|1)$/i.test(mark) ? 'on' : 'off')) ===
  'on';

/** Rows of marks below letters or pairs of pins: `A B C` above `x o o 320h`, `1-2 3-4` above `2.8V  OFF ON`. */
export function crossRows(
  lines: readonly string[],
  legend: Legend
): {
  lines: string[];
  /** Rows in which a cross was read as a jumper without a key. */
  rows: number[];
  /** Rows whose pairs were counted, and not printed. */
  counted: number[];
} {
  const out = [...lines];
  const rows: number[] = [];
  const counted: number[] = [];
  lines.forEach((line, i) => {
    const head = pairsAbove(line);
    const named = [line, lines[i - 1], lines[i - 2]].find((l) => l !== undefined && JUMPER.test(l));
    const name = named === undefined ? undefined : JUMPER.exec(named)?.[0];
    if (!head || !name) return;
    const n = head.pairs.length;
    const marksFirst = new RegExp(String.raw`^\s*((?:${MARK}\s+){${n}})(\S.*)$`, 'i');
    const marksLast = new RegExp(
      String.raw`^\s*(\S.*?)\s{2,}((?:${MARK}\s+){${n - 1}}${MARK})(?:\s+(\S.*))?\s*$`,
      'i'
    );
    const read = (text: string): { marks: string; value: string } | null => {
      const first = marksFirst.exec(text);
      if (first) return { marks: first[1] ?? '', value: first[2] ?? '' };
      const last = marksLast.exec(text);
      return last ? { marks: last[2] ?? '', value: `${last[1] ?? ''} ${last[3] ?? ''}`.trim() } : null;
    };
    const found: number[] = [];
    for (let k = i + 1; k < lines.length && read(lines[k] ?? ''); k++) found.push(k);
    if (found.length < 2) return;
    for (const k of found) {
      const row = read(lines[k] ?? '');
      if (!row) continue;
      const marks = row.marks.trim().split(/\s+/);
      const closed = marks.flatMap((mark, m) => (isThere(mark, legend) ? (head.pairs[m] ?? []) : []));
      out[k] = `${name} ${closed.length ? closed.join(' ') : 'open'} = ${row.value}`;
      if (marks.some((mark) => /^x$/i.test(mark)) && !legend.has('x')) rows.push(k);
    }
    out[i] = '';
    if (head.isCounted) counted.push(...found);
  });
  return { lines: out, rows, counted };
}

/** `To use DMA 3 instead of DMA 1, move the jumper on JP3 from 1-2 to 2-3`: what it gives now, and what before. */
export const movedJumper = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^\s*to\s+(?:use|select|get|enable|have)\s+(.+?)(?:\s+instead\s+of\s+(.+?))?,?\s+move\s+(?:the\s+)?(?:jumper|shunt|cap)\s+(?:on|of|at)\s+(${REF})\s+from\s+(\d{1,2}-\d{1,2})\s+to\s+(\d{1,2}-\d{1,2})\.?\s*$`,
      'i'
    ),
    (_, now: string, before: string | undefined, ref: string, from: string, to: string) =>
      `${ref}: ${to} = ${now}${before ? `, ${from} = ${before}` : ''}`
  );

/** `Removing JP2 disables the game port.` */
export const byHand = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^\s*(remov|install|fitt|insert|clos|open)ing\s+(?:the\s+)?(?:jumper\s+)?(${REF})\s+(\S.*?)\.?\s*$`,
      'i'
    ),
    (_, verb: string, ref: string, rest: string) =>
      `${ref} ${/^(?:remov|open)/i.test(verb) ? 'open' : 'closed'} = ${rest}`
  );

/** `J1..J5 interrupt (IRQ2=J1, IRQ3=J2)`: the names in front are those in the brackets. */
export const namesInFront = (line: string): string =>
  line
    .replace(
      new RegExp(
        String.raw`^\s*${REF}\s*(?:\.\.|-|to|through)\s*${REF}\s+([^(]*?)\s*\(((?:[^()=]+=\s*${REF}\s*,?\s*){2,})\)\s*\.?`,
        'i'
      ),
      // Values that say their kind need no heading, which would stay for the lines below.
      (_, about: string, rows: string) =>
        `${/[A-Za-z]/.test(rows.split('=')[0] ?? '') ? '' : `${about}: `}${rows.trim()}; `
    )
    .replace(/(;\s*(?:factory|default)[^;]*?)\.\s*$/i, '$1');

/** `ID 0: none; ID 1: W3; ID 3: W3,W4`: which jumpers are there for each value; the others are open. */
export function membersOfEach(line: string): string {
  const parts = line.split(';').map((p) => /^\s*([^:=]+?)\s*[:=]\s*(.+?)\s*$/.exec(p));
  if (parts.length < 3) return line;
  const refs = new RegExp(REF, 'gi');
  const rows = parts.map((m) => {
    const [, value = '', told = ''] = m ?? [];
    const isDefault = /\((?:factory|default)[^)]*\)|\*/i.test(told);
    const rest = told.replace(/\((?:factory|default)[^)]*\)|\*/gi, '');
    const own = rest.match(refs) ?? [];
    const isList = /^(?:none|all open)?$/i.test(rest.replace(refs, '').replace(/[\s,&+]|and/gi, ''));
    return isList && value ? { value, own: own.map((r) => r.toUpperCase()), isDefault } : null;
  });
  if (rows.some((r) => r === null)) return line;
  const known = rows.filter((r) => r !== null);
  const all = [...new Set(known.flatMap((r) => r.own))];
  // One jumper for each value is a choice of one, which the grammar reads by itself.
  if (all.length < 2 || !known.some((r) => r.own.length > 1)) return line;
  return known
    .map(
      ({ value, own, isDefault }) =>
        `${all.map((ref) => `${ref} ${own.includes(ref) ? 'closed' : 'open'}`).join(', ')} = ${value}${isDefault ? ' *' : ''}`
    )
    .join('; ');
}

/** `ROM ADDR  C800 = JP1  D000 = JP2`: the words before the first number are what the line is about. */
export const subjectBefore = (line: string): string =>
  (line.match(new RegExp(String.raw`\S+\s*=\s*${REF}(?![0-9A-Za-z])`, 'gi')) ?? []).length > 1
    ? line.replace(
        new RegExp(String.raw`^(\s*[A-Za-z][A-Za-z/ ]*?)\s+([0-9A-F]{1,5}h?\s*=\s*${REF})`, 'i'),
        '$1: $2'
      )
    : line;

/** `JP1-JP2 base address: JP1 on JP2 on = 220`: the rows name them again. */
export const rangeInFront = (line: string): string =>
  line.replace(
    new RegExp(
      String.raw`^(\s*)${REF}\s*(?:\.\.|-|to|through|,|&|and)\s*${REF}\s+([^:=]{3,40}):\s+(?=${REF}\s+(?:on|off|open|closed))`,
      'i'
    ),
    '$1$2: '
  );
