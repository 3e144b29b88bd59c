import { JUMPER_NAME, SWITCH_NAME } from '../lex';

/** Shapes in which several jumpers share a grid or a line, rewritten as the grammar reads them. */

const REF = JUMPER_NAME;
const VALUE = String.raw`[0-9A-F]{1,5}h?`;
const MOST_IN_LINE = 240;

const cellsOf = (line: string): string[] =>
  line
    .replace(/^\s*\||\|\s*$/g, '')
    .split('|')
    .map((c) => c.trim());
const isRef = (text: string): boolean => new RegExp(`^${REF}$`, 'i').test(text);

/** `IRQ | 3 | 4` above `J1 | x |` and `J2 | | x`: each jumper stands for the value over its cross. */
export function crossGrid(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((line, i) => {
    const [what = '', ...values] = cellsOf(line);
    if (!line.includes('|') || values.length < 2 || isRef(what) || values.some((v) => !v)) return;
    const rows: string[] = [];
    for (let k = i + 1; k < lines.length; k++) {
      const [ref = '', ...marks] = cellsOf(lines[k] ?? '');
      const crossed = marks.flatMap((mark, n) => (/^[x*]$/i.test(mark) ? [n] : []));
      const isRow = isRef(ref) && marks.length <= values.length && marks.every((m) => /^[x*]?$/i.test(m));
      if (!isRow || crossed.length !== 1) break;
      rows.push(`${ref} closed = ${what} ${values[crossed[0] ?? 0] ?? ''}`);
    }
    if (rows.length < 2) return;
    out[i] = '';
    rows.forEach((row, n) => (out[i + 1 + n] = row));
  });
  return out;
}

const ON_SIDE = /^(?:on|closed?|short(?:ed)?|in|jumpered)$/i;
const OFF_SIDE = /^(?:off|open|out|not jumpered)$/i;
/** The cells of a line: between bars, or where wide gaps or tabs are. */
export const apart = (line: string): string[] =>
  line.includes('|') ? cellsOf(line) : line.trim().split(/\s{2,}|\t+/);

/** `Switch  Function  ON  OFF` above `1  Game port  enabled  disabled`: a meaning for each side of one switch or jumper. */
export function sidesAbove(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((line, i) => {
    const heads = line.length <= MOST_IN_LINE ? apart(line) : [];
    const at = heads.flatMap((h, n) => (ON_SIDE.test(h) || OFF_SIDE.test(h) ? [n] : []));
    const [first = 0, second = 0] = at;
    if (
      at.length !== 2 ||
      first === 0 ||
      ON_SIDE.test(heads[first] ?? '') === ON_SIDE.test(heads[second] ?? '')
    )
      return;
    const isNumbered = /^(?:(?:dip|switch|sw|pos(?:ition)?|no|bit)\b|#)/i.test(heads[0] ?? '');
    const rows: [line: number, text: string][] = [];
    for (let k = i + 1; k < lines.length; k++) {
      const cells = apart(lines[k] ?? '');
      const [name = ''] = cells;
      const isSwitch = isNumbered && /^\d{1,2}$/.test(name);
      if (
        cells.length !== heads.length ||
        !(isRef(name) || isSwitch || new RegExp(`^${SWITCH_NAME}-\\d{1,2}$`, 'i').test(name))
      ) {
        if (rows.length && (lines[k] ?? '').trim() && /^[\s|+-]*$|^\s*\|?\s*\d/.test(lines[k] ?? ''))
          continue;
        break;
      }
      const about = cells.filter((_, n) => n > 0 && !at.includes(n)).join(' ');
      const ref = isSwitch ? `switch ${name}` : name;
      rows.push([k, at.map((n) => `${ref} ${heads[n] ?? ''} = ${about} ${cells[n] ?? ''}`).join(', ')]);
    }
    if (!rows.length) return;
    out[i] = '';
    for (const [k, text] of rows) out[k] = text;
  });
  return out;
}

/** `IRQ  ADDR` above `JP1  3  -` and `JP3  -  3F8`: each jumper stands for the one number in its row. */
export function namesBeside(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((line, i) => {
    const heads = line.length <= MOST_IN_LINE ? apart(line).filter(Boolean) : [];
    if (
      heads.length < 2 ||
      heads.some((h) => !/^[A-Za-z][A-Za-z/ ]*$/.test(h) || ON_SIDE.test(h) || OFF_SIDE.test(h))
    )
      return;
    const rows: [line: number, text: string][] = [];
    for (let k = i + 1; k < lines.length; k++) {
      const [ref = '', ...values] = apart(lines[k] ?? '');
      const own = values.flatMap((v, n) => (new RegExp(`^${VALUE}$`, 'i').test(v) ? [n] : []));
      const [only] = own;
      const isRow =
        isRef(ref) && values.length === heads.length && values.every((v) => /^-+$/.test(v) || /\d/.test(v));
      if (!isRow || own.length !== 1 || only === undefined) break;
      rows.push([k, `${ref} closed = ${heads[only] ?? ''} ${values[only] ?? ''}`]);
    }
    if (rows.length < 2) return;
    out[i] = '';
    for (const [k, text] of rows) out[k] = text;
  });
  return out;
}

const TICKED = /\[\s*[xX*✓]\s*\](?=\s|$)/g;
/** `[x]` and `[ ]`: boxes that are ticked or not. Empty ones alone may be anything. */
export const boxes = (lines: readonly string[]): string[] =>
  lines.some((l) => l.search(TICKED) >= 0)
    ? lines.map((l) => l.replace(TICKED, 'X').replace(/\[\s*\](?=\s|$)/g, '-'))
    : [...lines];

const SIDE_BY_SIDE = new RegExp(
  String.raw`^\s*(${REF})\s*\(([^()]+)\)\s{2,}(${REF})\s*\(([^()]+)\)\s*$`,
  'i'
);
const TWO_ROWS = /^\s*(\d{1,2}-\d{1,2})\s+(\S+(?: \S+)*?)\s{2,}(\d{1,2}-\d{1,2})\s+(\S+(?: \S+)*?)\s*$/;

/** `JP1 (IRQ)   JP2 (I/O)` above `1-2  IRQ3   1-2  2E0`: two tables beside one another. */
export function sideBySide(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((line, i) => {
    const [, left = '', leftWhat = '', right = '', rightWhat = ''] =
      (line.length <= MOST_IN_LINE && SIDE_BY_SIDE.exec(line)) || [];
    if (!left) return;
    // A value that says its kind needs no heading.
    const named = (what: string, value: string) => (/[G-Z]/i.test(value) ? value : `${what} ${value}`);
    for (let k = i + 1; k < lines.length; k++) {
      const below = lines[k] ?? '';
      const [, pairL = '', valueL = '', pairR = '', valueR = ''] =
        (below.length <= MOST_IN_LINE && TWO_ROWS.exec(below)) || [];
      if (!pairL) break;
      out[i] = '';
      out[k] =
        `${left} ${pairL} = ${named(leftWhat, valueL)}; ${right} ${pairR} = ${named(rightWhat, valueR)}`;
    }
  });
  return out;
}

const ALONG = new RegExp(
  String.raw`^\s*(${REF})\s+([A-Za-z][A-Za-z/ ]*?)\s*[:=]?\s+(${VALUE}\s*\*?(?:\s*[/;]\s*${VALUE}\s*\*?){2,11})\s*$`,
  'i'
);
/** `W2 interrupt: 2 3 4* 5`. */
const SPACED = new RegExp(
  String.raw`^\s*(${REF})\s+([A-Za-z][A-Za-z/ ]*?)\s*:\s*(${VALUE}\*?(?:\s+${VALUE}\*?){2,11})\s*$`,
  'i'
);
/** `W1  I/O base  200 / 220 / 300* / 320`: the values of a header in their order, a pair of pins each. Null: none. */
export function valuesAlong(line: string): string | null {
  const [, ref, what, row] = (line.length <= MOST_IN_LINE && (ALONG.exec(line) ?? SPACED.exec(line))) || [];
  if (!ref || !what || !row) return null;
  return `${what}: ${ref}: ${row
    .trim()
    .split(/\s*[/;]\s*|\s+/)
    .map((value, n) => `${2 * n + 1}-${2 * n + 2} = ${value.trim()}`)
    .join(', ')}`;
}

const WAY = '(close|short|install|fit|open|remove)';
const BOTH_WAYS = new RegExp(
  String.raw`^\s*to\s+(enable|disable)\s+(?:the\s+)?(.{2,60}?),\s*${WAY}\s+(?:jumper\s+)?(${REF})\s*[.;]\s*to\s+(enable|disable)\s+(?:it|\2|the \2),\s*${WAY}\s+(?:jumper\s+)?\4\s*\.?\s*$`,
  'i'
);
const sideOf = (verb: string): string => (/^(?:open|remove)$/i.test(verb) ? 'open' : 'closed');

/** `To enable the on-board VGA, close J12. To disable it, open J12.` */
export const bothWays = (line: string): string =>
  line.replace(
    BOTH_WAYS,
    (_, first: string, what: string, way: string, ref: string, second: string, other: string) =>
      `${ref} ${what}: ${sideOf(way)} = ${first}d, ${sideOf(other)} = ${second}d`
  );

/** `…, or remove for none`: no jumper is a position as well. */
export const orNone = (line: string): string =>
  /\d\s*(?:-|and|&)\s*\d/.test(line)
    ? line.replace(
        /[,;]?\s+or\s+(?:remove(?:d)?|leave open|open)(?:\s+(?:it|the jumper))?\s+for\s+/i,
        ', open = '
      )
    : line;
