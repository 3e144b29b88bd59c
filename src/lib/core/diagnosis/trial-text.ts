import { there } from '../model';
import type { TrialRow } from '../model';

/** A typed trial, or the pieces that were not understood. */
export type ReadTrial =
  | { row: Omit<TrialRow, 'at'> }
  | { wrong: string[]; why: 'words' | 'things' | 'result' | 'twice' };

const GOOD = /^(?:ok|good|works?|worked|runs?|ran)$/i;
const BAD = /^(?:fails?|failed|bad|dead|dark|hangs?|hung|stops?|crash(?:es|ed)?)$/i;
/** Conditions that are known by how they are written. */
const FACTORS: readonly [RegExp, (m: RegExpExecArray) => [name: string, value: string]][] = [
  [/^(\d+(?:[.,]\d+)?)\s*MHz$/i, (m) => ['clock', `${there(m[1]).replace(',', '.')} MHz`]],
  [/^(cold|warm|hot)$/i, (m) => ['temperature', there(m[1]).toLowerCase()]],
  [/^slot\s+(\w+)$/i, (m) => ['slot', there(m[1])]],
  [/^(\d+)\s*(?:wait states?|WS)$/i, (m) => ['wait states', there(m[1])]],
  [/^(8|16)[- ]bit$/i, (m) => ['width', `${m[1]} bit`]],
  [/^([A-Za-z][\w ]{0,22})\s*=\s*(\S.{0,39})$/, (m) => [there(m[1]).trim(), there(m[2]).trim()]]
];

/** `works`, `fails`, `3 of 11`, `3 good 8 bad`, `fails x 3`. @returns null: not understood */
export function readResult(text: string): { good: number; bad: number } | null {
  const said = text.trim();
  const of = /^(\d{1,3})\s*(?:of|\/|out of)\s*(\d{1,3})$/i.exec(said);
  if (of) return Number(of[1]) <= Number(of[2]) ? result(Number(of[1]), Number(of[2]) - Number(of[1])) : null;
  const both = /^(\d{1,3})\s*(\w+)[\s,]+(\d{1,3})\s*(\w+)$/.exec(said);
  if (both) {
    const [n, a, m, b] = [Number(both[1]), there(both[2]), Number(both[3]), there(both[4])];
    if (GOOD.test(a) && BAD.test(b)) return result(n, m);
    return BAD.test(a) && GOOD.test(b) ? result(m, n) : null;
  }
  const times = /^(\w+)(?:\s*[x×]\s*(\d{1,3})|\s+(\d{1,3})\s+times)?$/i.exec(said);
  if (!times) return null;
  const n = Number(times[2] ?? times[3] ?? 1);
  return GOOD.test(there(times[1])) ? result(n, 0) : BAD.test(there(times[1])) ? result(0, n) : null;
}
const result = (good: number, bad: number) => (good + bad > 0 ? { good, bad } : null);

/** `K1` is the first of sort K; `cable old` is the old one of sort cable. */
function readThing(text: string): { sort: string; name: string } | null {
  const worded = /^([A-Za-z][A-Za-z-]{0,23})\s+(\S.{0,39})$/.exec(text);
  if (worded)
    return { sort: there(worded[1]).toLowerCase(), name: `${there(worded[1]).toLowerCase()} ${worded[2]}` };
  const short = /^([A-Za-z]+)-?(\d\w*)$/.exec(text);
  return short
    ? { sort: there(short[1]).toUpperCase(), name: `${there(short[1]).toUpperCase()}${short[2]}` }
    : null;
}

/**
 * Reads a trial as it is said at the bench: `H1 K1 T2 D1: fails`, `adapter old, cable grey [cold, 12.5 MHz]: 3 of 11`.
 * Things stand before the colon, with commas between them where a name has several words; conditions in brackets.
 */
export function readTrial(text: string): ReadTrial {
  const m = /^([^[\]:]*)(?:\[([^\]]*)\])?\s*:\s*(.+)$/.exec(text.trim());
  if (!m) return { wrong: [text.trim()], why: 'words' };
  const said = (m[1] ?? '').trim();
  const pieces = said.split(said.includes(',') ? /\s*,\s*/ : /\s+/).filter(Boolean);
  // One piece of two words, without commas: `cable grey`.
  const whole = !said.includes(',') && pieces.length === 2 ? readThing(said) : null;
  const isWorded = whole !== null && pieces.some((p) => !/\d/.test(p));
  const parts = isWorded ? [said] : pieces;
  const odd = parts.filter((p) => readThing(p) === null);
  const things = parts.flatMap((p) => readThing(p) ?? []);
  if (!parts.length || odd.length) return { wrong: odd.length ? odd : [said], why: 'things' };
  const sorts = things.map((t) => t.sort);
  const twice = sorts.filter((s, i) => sorts.indexOf(s) !== i);
  if (twice.length) return { wrong: twice, why: 'twice' };
  const factors: Record<string, string> = {};
  for (const piece of (m[2] ?? '')
    // A comma inside a number is none between conditions.
    .split(/,\s+|;/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const [found] = FACTORS.flatMap(([pattern, read]) => {
      const hit = pattern.exec(piece);
      return hit ? [read(hit)] : [];
    });
    if (!found) return { wrong: [piece], why: 'words' };
    const [name, value] = found;
    factors[name] = value;
  }
  const counted = readResult(there(m[3]));
  if (!counted) return { wrong: [there(m[3]).trim()], why: 'result' };
  return { row: { things, factors, ...counted } };
}
