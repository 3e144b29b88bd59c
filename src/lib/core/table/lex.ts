import { there } from '../model';
/** Side of a switch or of a two-pin jumper: on is closed, off is open; any is "does not matter". */
export type Side = 'on' | 'off' | 'any';
export type BlockSort = 'jumper' | 'switch';

/** How two numbers were joined: `1-4` may be a range of switches, `1 & 4` is two of them. */
type Joint = 'dash' | 'and';

export type Token =
  | { sort: 'ref'; block: string; of: BlockSort; n?: number }
  | { sort: 'pins'; pair: [number, number]; joint: Joint; text: string }
  | { sort: 'side'; side: Side; text: string }
  | { sort: 'mark'; text: string }
  | { sort: 'sep'; text: string }
  | { sort: 'default'; text: string }
  | { sort: 'text'; text: string };

/** Names that jumpers, switch blocks and links carry in print, before their number. */
const SWITCH_NAMES = ['DIPSW', 'DSW', 'DIP', 'SW', 'S'];
const JUMPER_NAMES = ['JMP', 'JP', 'LNK', 'LK', 'SB', 'ST', 'TB', 'J', 'W', 'E', 'K', 'P', 'R'];
const names = (list: readonly string[]) => list.join('|');
// One letter and up to two digits, several letters and up to three: E000 and C800 are addresses.
const named = (list: readonly string[]): string =>
  `(?:(?:${names(list.filter((n) => n.length > 1))})[ -]?\\d{1,3}|(?:${names(list.filter((n) => n.length === 1))})\\d{1,2})[A-D]?`;
/** The printed name of a jumper, or of a switch block, as the source of an expression. */
export const JUMPER_NAME = named(JUMPER_NAMES);
export const SWITCH_NAME = named(SWITCH_NAMES);
const NAME = named([...SWITCH_NAMES, ...JUMPER_NAMES]);
const END = '(?![0-9A-Za-z])';

const SIDES: readonly [RegExp, Side][] = [
  [
    /^(?:not (?:jumpered|installed|fitted|shorted|strapped)|no jumper|no cap|unjumpered|uncapped|un-?shorted|off|open(?:ed)?|removed|absent|out|none(?=\s*[=:]))(?![0-9A-Za-z]|-[A-Za-z])/i,
    'off'
  ],
  [
    /^(?:on|closed?|short(?:ed)?|jumpered|capped|installed|fitted|strapped|inserted|in|jumper (?:on|installed|in place))(?![0-9A-Za-z]|-[A-Za-z])/i,
    'on'
  ],
  [/^(?:don'?t care|doesn'?t matter|does not matter|any|either)(?![0-9A-Za-z])/i, 'any']
];

const DEFAULT =
  /^(?:\*+|[([<{]\s*(?:factory[ -]?)?(?:default|def\.?|factory|standard|std\.?|preset|as shipped|shipped|set|\*)(?:[ -]?(?:settings?|set))?\s*[)\]>}]|(?:factory[ -])?default(?:[ -]settings?)?(?![0-9A-Za-z])|as shipped(?![0-9A-Za-z])|factory(?:[ -]setting)?(?![0-9A-Za-z])|←)/i;

/** A row of switches as bits, where x does not matter: `0110`, `x11`. */
export const isBits = (text: string): boolean => /^[01x]{2,}$/i.test(text) && /[01]/.test(text);

const canonical = (name: string) => name.replace(/[ -]/g, '').toUpperCase();
const sortOf = (name: string): BlockSort =>
  SWITCH_NAMES.includes(name.replace(/\d.*$/, '')) ? 'switch' : 'jumper';

/** Plain punctuation: dashes, arrows, leaders and bullets become what the grammar knows. */
export const plain = (line: string): string =>
  line
    .replace(/[\u00a0\u2007\u202f]/g, ' ')
    .replace(/[‐-―−]/g, '-')
    .replace(/[“”]/g, '"')
    .replace(/’/g, "'")
    .replace(/[✓✔■█●]/g, 'X')
    .replace(/[□○◯]/g, '-')
    .replace(/→|⇒|={1,2}>|-{1,3}>|\.{3,}|…+|—{2,}/g, ' = ')
    .replace(/(?<=\d-\d{1,2})\.\s*$/, '')
    // `5-6 3.2V, none 3.3V`: no jumper at all.
    .replace(/(?<=\d-\d.*[,;]\s*)none\s+(?=[0-9A-Z])/g, 'open ')
    .replace(/^\s*[•·]\s*/, '')
    // `1. JP7: …`, `b) JP8 …`: items of a list.
    .replace(new RegExp(`^(\\s*)(?:\\d{1,2}|[a-h])[.)]\\s+(?=(?:${NAME})(?![0-9A-Za-z]))`, 'i'), '$1')
    // A blank to be filled in, and a lever that is down.
    .replace(/(?<=^|\s)_{2,}(?=\s|$)/g, '-')
    .replace(/(?<=^|\s)dn(?=\s|$)/gi, 'down')
    // `JP3+JP4 = DMA 1`: both of them.
    .replace(new RegExp(`(?<![0-9A-Za-z])(${NAME})\\s*\\+\\s*(?=${NAME}(?![0-9A-Za-z]))`, 'gi'), '$1 & ')
    .replace(/"([^"]*)"/g, '$1')
    // `1234   Address`: the switches of a block without blanks between them.
    .replace(
      /^(\s*)(1234(?:5(?:6(?:7(?:8)?)?)?)?)(?=\s)/,
      (_, blank: string, run: string) => blank + [...run].join(' ')
    )
    .replace(/\s+\/\s+/g, ' ; ')
    // `across 1-2 of J3`: the name goes first.
    .replace(
      new RegExp(`(?<![0-9A-Za-z-])(\\d{1,2}-\\d{1,2})\\s+of\\s+(${NAME})(?![0-9A-Za-z])`, 'gi'),
      '$2 $1'
    )
    .replace(
      new RegExp(`(?:pins?|across)\\s+(\\d{1,2}-\\d{1,2})\\s+on\\s+(${NAME})(?![0-9A-Za-z])`, 'gi'),
      '$2 $1'
    );

/** Every name in `JP1-JP3`, `SW1-1 to SW1-4`. */
function refRange(text: string): { length: number; refs: Token[] } | null {
  const m = new RegExp(
    `^(${NAME})(?:[-.:/](\\d{1,2}))?\\s*(?:-|\\.\\.|to|through|thru)\\s*(${NAME})(?:[-.:/](\\d{1,2}))?${END}`,
    'i'
  ).exec(text);
  if (!m) return null;
  const [from, to] = [canonical(there(m[1])), canonical(there(m[3]))];
  const [a, b] = [/^([A-Z]+)(\d+)/.exec(from)!, /^([A-Z]+)(\d+)/.exec(to)!];
  if (a[1] !== b[1]) return null;
  const of = sortOf(from);
  if (m[2] && m[4] && from === to) {
    const [lo, hi] = [Number(m[2]), Number(m[4])];
    if (lo > hi || hi > 16) return null;
    return {
      length: m[0].length,
      refs: Array.from({ length: hi - lo + 1 }, (_, i) => ({ sort: 'ref', block: from, of, n: lo + i }))
    };
  }
  const [lo, hi] = [Number(a[2]), Number(b[2])];
  if (m[2] || m[4] || lo >= hi || hi - lo > 15) return null;
  return {
    length: m[0].length,
    refs: Array.from({ length: hi - lo + 1 }, (_, i) => ({ sort: 'ref', block: `${a[1]}${lo + i}`, of }))
  };
}

/** Switches are counted from 1, and no block of the time has more than 16. */
export const isSwitchNumber = (n: number): boolean => n >= 1 && n <= 16;

function refAt(text: string): { length: number; refs: Token[] } | null {
  const range = refRange(text);
  if (range) return range;
  // `Switches 3 and 4`, `switches 3-4`: the numbers are read as those of a range.
  const several =
    /^(?:dip[ -]?)?(?:switch(?:es)?|sw|positions?|pos\.?)\s+(?=\d{1,2}\s*(?:-|&|\+|,|and)\s*\d)/i.exec(text);
  if (several) {
    const refs: Token[] = [{ sort: 'ref', block: '', of: 'switch' }];
    // `switches 6-7 drives: off off`: behind the word a range is always one of switches.
    const run = /^(\d{1,2})\s*-\s*(\d{1,2})(?![0-9])/.exec(text.slice(several[0].length));
    if (!run) return { length: several[0].length, refs };
    const pair: [number, number] = [Number(run[1]), Number(run[2])];
    return {
      length: several[0].length + run[0].length,
      refs: [...refs, { sort: 'pins', pair, joint: 'dash', text: run[0] }]
    };
  }
  const worded =
    /^(?:(jumper|link|strap)(?:\s+(?:block|no\.?|number))?\s*#?\s*(\d{1,2})|(?:dip[ -]?)?(switch|sw|pos(?:ition)?)\s*(?:no\.?|number|#)?\s*(\d{1,2})|(?:dip[ -]?)?switch (?:block|bank)\s*#?\s*(\d))(?![0-9A-Za-z])/i.exec(
      text
    );
  const m = new RegExp(
    `^(${NAME})(?:(?:[-.:/#]|\\s#|\\()\\s?(\\d{1,2})\\)?(?!\\s*[-&+]\\s*\\d|\\d|\\s*[,&]?\\s*\\d*\\s*(?:MHz|[KM]B?\\b))|\\s*(?:switch|position|pos\\.?)\\s*(\\d{1,2}))?${END}`,
    'i'
  ).exec(text);
  if (m) {
    const block = canonical(there(m[1]));
    const of = sortOf(block);
    const n = m[2] ?? m[3];
    if (of === 'switch' && !isSwitchNumber(Number(n ?? 1))) return null;
    // JP1-2 is the name of a jumper, not its second pin; `JP1:` is handled by what follows.
    if (n !== undefined && of === 'jumper') {
      const bare = new RegExp(`^${NAME}${END}`, 'i').exec(text);
      const glued = /^[A-Z]+\d+[A-D]?-\d+/i.test(m[0]);
      return glued
        ? { length: m[0].length, refs: [{ sort: 'ref', block: `${block}-${n}`, of }] }
        : bare
          ? { length: bare[0].length, refs: [{ sort: 'ref', block, of }] }
          : null;
    }
    return {
      length: m[0].length,
      refs: [{ sort: 'ref', block, of, ...(n === undefined ? {} : { n: Number(n) }) }]
    };
  }
  if (!worded) return null;
  const length = worded[0].length;
  if (worded[1])
    return {
      length,
      refs: [{ sort: 'ref', block: `${worded[1].toUpperCase()} ${worded[2]}`, of: 'jumper' }]
    };
  if (worded[5]) return { length, refs: [{ sort: 'ref', block: `SW${worded[5]}`, of: 'switch' }] };
  return isSwitchNumber(Number(worded[4]))
    ? { length, refs: [{ sort: 'ref', block: '', of: 'switch', n: Number(worded[4]) }] }
    : null;
}

const PINS =
  /^(?:(?:pins?|across)\s*)?\(?(\d{1,2})\s*(-|&|\+|and(?=\s))\s*(\d{1,2})\)?(?![0-9A-Za-z.]|\s*(?:MHz|[KM]i?B?\b|bits?\b|ns\b|V\b|wait|(?:drive|bank)(?:s\b|\b(?!\s+(?:[A-F]|\d)\b))|h\b|-bit))/i;
/** No header of the time has more pins in a row. */
const MOST_PINS = 40;
const PINS_PREFIX = /^(?:pins?|across)\s+(?=\d)/i;

/**
 * Cuts a line into tokens. What is no name, pair of pins, side or mark is text, one word each.
 * @param line one line after `plain`
 */
export function lex(line: string): Token[] {
  const out: Token[] = [];
  let rest = line.trim();
  while (rest) {
    const space = /^\s+/.exec(rest);
    if (space) {
      rest = rest.slice(space[0].length);
      continue;
    }
    const take = (length: number, ...tokens: Token[]) => {
      out.push(...tokens);
      rest = rest.slice(length);
    };
    const refs = refAt(rest);
    if (refs) {
      take(refs.length, ...refs.refs);
      continue;
    }
    const def = DEFAULT.exec(rest);
    if (def) {
      take(def[0].length, { sort: 'default', text: def[0] });
      continue;
    }
    const pins = PINS.exec(rest);
    if (
      pins &&
      Math.max(Number(pins[1]), Number(pins[3])) <= MOST_PINS &&
      Number(pins[1]) >= 1 &&
      Number(pins[1]) !== Number(pins[3]) &&
      Number(pins[3]) >= 1
    ) {
      take(pins[0].length, {
        sort: 'pins',
        pair: [Number(pins[1]), Number(pins[3])],
        joint: pins[2] === '-' ? 'dash' : 'and',
        text: pins[0]
      });
      continue;
    }
    const prefix = PINS_PREFIX.exec(rest);
    if (prefix) {
      rest = rest.slice(prefix[0].length);
      continue;
    }
    const side = SIDES.map(([re, s]) => ({ m: re.exec(rest), s })).find((x) => x.m);
    if (side?.m) {
      take(side.m[0].length, { sort: 'side', side: side.s, text: side.m[0] });
      continue;
    }
    const sep = /^[=:;,|()[\]]/.exec(rest);
    if (sep) {
      take(1, { sort: 'sep', text: sep[0] });
      continue;
    }
    const mark =
      /^(?:[01]{2,16}|(?!0x)(?=[01x]*[01])(?=[01]*x)[01x]{3,16}|-{2,3}|[xXoO.-])(?![0-9A-Za-z.-])/i.exec(
        rest
      );
    if (mark) {
      take(mark[0].length, { sort: 'mark', text: mark[0].replace(/^-+$/, '-') });
      continue;
    }
    const word = /^[^\s=:;,|()[\]*]+/.exec(rest)?.[0] ?? rest.slice(0, 1);
    take(word.length, { sort: 'text', text: word });
  }
  return out;
}

export const textOf = (tokens: readonly Token[]): string =>
  tokens
    .map((t) =>
      t.sort === 'ref'
        ? t.n === undefined
          ? t.block
          : t.block
            ? `${t.block}-${t.n}`
            : `switch ${t.n}`
        : t.text
    )
    .join(' ')
    .replace(/\s+([,;:)\]])/g, '$1')
    .replace(/([([])\s+/g, '$1')
    .replace(/^[\s,;:=|-]+|[\s,;:=|-]+$/g, '')
    .trim();
