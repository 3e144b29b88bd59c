import { JUMPER_NAME, SWITCH_NAME } from '../lex';
import { apart } from './grid-shapes';

/** How a line names its default apart from the row that it is, rewritten as a mark on that row. */

const OPEN = 'off|open';
const CLOSED = 'on|closed?|short(?:ed)?';
const FACTORY = String.raw`(?:factory(?:\s+(?:default|set(?:ting)?))?|default(?:\s+setting)?|standard(?:\s+setting)?|as\s+shipped)`;
const NAMED = new RegExp(
  String.raw`(?<![A-Za-z])${FACTORY}(?:s|\s+is)?\s*[:=]?\s*(?:is\s+)?([\w][\w/ -]{0,30}?)\s*[)\]]?\s*\.?\s*$`,
  'i'
);

const NAMES = new RegExp(`(?<![0-9A-Za-z])(?:${JUMPER_NAME}|${SWITCH_NAME})(?![0-9A-Za-z])`, 'i');

/** What a row is told by: the side that it begins with, its pins, or its value. */
function rowLike(named: string): RegExp {
  for (const sides of [OPEN, CLOSED])
    if (new RegExp(`^(?:${sides})$`, 'i').test(named))
      return new RegExp(String.raw`(?:^|[-:\s])(?:${sides})\s*[=:]`, 'i');
  return new RegExp(`(?<![0-9A-Za-z-])${named}(?![0-9A-Za-z-])`, 'i');
}

/**
 * `short = on, open = off (default open)`, `1-2 IRQ 3, 2-3 IRQ 5 (factory: 1-2)`: what is named as the default is one row
 * of the line.
 */
export function namedDefault(line: string): string {
  const m = NAMED.exec(line);
  const named = m?.[1];
  if (!m || named === undefined) return line;
  const rows = line
    .slice(0, m.index)
    .replace(/[\s,;.([]+$/, '')
    .split(/(?<=[,;])/);
  const like = rowLike(named);
  const own = rows.filter((row) => like.test(row));
  if (rows.length < 2 || own.length !== 1) return line;
  return rows.map((row) => (row === own[0] ? row.replace(/\s*([,;]?)\s*$/, ' *$1 ') : row)).join('');
}

const ALONE = new RegExp(
  String.raw`^\W*(?:the\s+)?${FACTORY}\s*(?:is|are|[:=])\s*([\w][\w/ -]{0,30}?)\s*\.?\s*$`,
  'i'
);

/** How far from its rows a default may be named. */
const NEAR = 16;

/** `The factory default is IRQ 5.` on a line of its own: the one row near it that has this value. */
export function defaultLines(lines: readonly string[]): string[] {
  if (lines.some((l) => l.includes('*'))) return [...lines];
  const out = [...lines];
  const rows = lines.map((l) => l.split(/(?<=[,;])/));
  lines.forEach((line, i) => {
    const named = ALONE.exec(line)?.[1];
    if (named === undefined || NAMES.test(named)) return;
    const like = rowLike(named);
    const own: { k: number; n: number }[] = [];
    for (let k = Math.max(0, i - NEAR); k < Math.min(lines.length, i + NEAR); k++)
      if (k !== i) (rows[k] ?? []).forEach((row, n) => like.test(row) && own.push({ k, n }));
    const [only] = own;
    if (!only || own.length > 1) return;
    out[only.k] = (rows[only.k] ?? [])
      .map((row, n) => (n === only.n ? row.replace(/\s*([,;]?)\s*$/, ' *$1 ') : row))
      .join('');
    out[i] = '';
  });
  return out;
}

/** A last column `Default` that repeats how the jumper stands: `JP1  1-2: COM1, 2-3: off   1-2`. */
export function defaultColumn(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((line, i) => {
    const heads = apart(line);
    if (heads.length < 3 || !/^(?:factory\s+)?(?:default|setting|preset)s?$/i.test(heads.at(-1) ?? ''))
      return;
    if (!/^(?:jumper|switch|name|header|block|link)s?$/i.test(heads[0] ?? '')) return;
    for (let k = i + 1; k < lines.length; k++) {
      const row = apart(lines[k] ?? '');
      const chosen = row.at(-1) ?? '';
      if (row.length !== heads.length || !/^(?:\d{1,2}-\d{1,2}|on|off|open|closed?|in|out)$/i.test(chosen)) {
        if (/^[\s|+-]*$/.test(lines[k] ?? '')) continue;
        break;
      }
      const parts = row
        .slice(1, -1)
        .join(' ')
        .split(/(?<=[,;])/);
      const own = parts.filter((part) =>
        new RegExp(String.raw`^\s*(?:pins?\s+)?${chosen}\s*[:=]`, 'i').test(part)
      );
      if (own.length !== 1) continue;
      const marked = parts.map((part) => (part === own[0] ? part.replace(/\s*([,;]?)\s*$/, ' *$1 ') : part));
      out[k] = `${row[0]} ${marked.join('')}`;
    }
  });
  return out;
}
