import { placesOf, type Block, type State, there } from '../model';
import { Refusal } from '../refusal';

/** Why a row cannot be read; `word` is what was typed. */
export type NotationFlaw =
  | { is: 'empty' }
  | { is: 'side' | 'unnumbered' | 'backwards' | 'pair' | 'one-pin'; word: string }
  | { is: 'place' | 'bridge' | 'pack'; word: string; places: number }
  | { is: 'not-by-hand'; block: string }
  | { is: 'no-switch' | 'switch-count' | 'no-pin'; n: number; places: number };

/** What was typed cannot be read as a state of the block. */
export class NotationError extends Refusal<NotationFlaw> {}

type Dip = Extract<Block, { kind: 'dip' }>;
type Side = 'on' | 'off';

/** Words for the two sides of a switch, in every way of printing; OPEN is off. */
const sides: Record<string, Side | 'unknown'> = {
  on: 'on',
  closed: 'on',
  close: 'on',
  '1': 'on',
  off: 'off',
  open: 'off',
  '0': 'off',
  '?': 'unknown',
  x: 'unknown',
  '-': 'unknown',
  '.': 'unknown'
};

/** The side of a switch that is up as the block is mounted: ON is printed above unless it is upside down. */
export const upSide = (block: Dip): Side => (block.flipped ? 'off' : 'on');
const other = (side: Side): Side => (side === 'on' ? 'off' : 'on');

function sideOf(word: string, block: Dip): Side | 'unknown' {
  const plain = word.toLowerCase();
  if (plain === 'up' || plain === 'u') return upSide(block);
  if (plain === 'down' || plain === 'd') return other(upSide(block));
  if (plain === 'arrow') return 'on';
  const side = sides[plain];
  if (side) return side;
  throw new NotationError({ is: 'side', word });
}

/**
 * Reads a row as a person types it.
 * - a DIP block: `on off on off`, `1:on 5:off`, `1=on`, `01011010`, `1-4 on, 5-8 off`; `?` is not looked at
 * - a header: `2-3`, `1-2 5-6`, `none`; a row of pins may name one cap by its first pin only in `1-2` form
 * - a rotary or slide switch: its place from 0, `A`; a row of solder pads or resistor packs: `1 3`, `none`
 * A name of the block in front (`JP4 2-3`, `SW1: on off`) is passed over.
 * @throws NotationError with the word that is wrong
 */
export function readRow(text: string, block: Block): State {
  const name = (block.label ?? block.id).toLowerCase();
  let rest = text.trim().replace(/[–—]/g, '-');
  for (const told of [name, block.id])
    if (rest.toLowerCase().startsWith(told) && /^[\s:=]/.test(rest.slice(told.length)))
      rest = rest.slice(told.length).replace(/^[\s:=]+/, '');
  if (!rest) throw new NotationError({ is: 'empty' });
  if (block.kind === 'dip') return { switches: readSwitches(rest, block) };
  if (block.kind === 'header') return { caps: readCaps(rest, block) };
  if (block.kind === 'solder' || block.kind === 'resistor')
    return { bridges: readNumbers(rest, placesOf(block), block.kind === 'solder' ? 'bridge' : 'pack') };
  if (block.kind === 'rotary' || block.kind === 'slide') {
    const step = /^[0-9a-f]{1,2}$/i.test(rest) ? parseInt(rest, rest.length === 1 ? 16 : 10) : NaN;
    if (!(step >= 0 && step < block.steps))
      throw new NotationError({ is: 'place', word: rest, places: block.steps });
    return { step };
  }
  throw new NotationError({ is: 'not-by-hand', block: block.label ?? block.id });
}

function readSwitches(text: string, block: Dip): Record<string, Side> {
  const out: Record<string, Side> = {};
  const put = (n: number, word: string) => {
    if (!(n >= 1 && n <= block.switches))
      throw new NotationError({ is: 'no-switch', n, places: block.switches });
    const side = sideOf(word, block);
    if (side !== 'unknown') out[n] = side;
  };
  const words = text.split(/[\s,;/]+/).filter(Boolean);
  // `01011010`, `1?01`: a row without spaces.
  if (
    words.length === 1 &&
    block.switches > 1 &&
    /^[01?x.]+$/i.test(there(words[0])) &&
    there(words[0]).length > 1
  ) {
    if (there(words[0]).length !== block.switches)
      throw new NotationError({ is: 'switch-count', n: there(words[0]).length, places: block.switches });
    [...there(words[0])].forEach((word, i) => put(i + 1, word));
    return out;
  }
  const named = /^(\d{1,2})(?:-(\d{1,2}))?[:=](.+)$/;
  if (words.some((w) => named.test(w)) || /^\d{1,2}(-\d{1,2})?\s+[a-z?]/i.test(text)) {
    // `1:on 5:off`, `1-4:on`, `5 on, 6 off`.
    const joined = words.join(' ').replace(/(\d{1,2}(?:-\d{1,2})?) (?=[a-z?])/gi, '$1:');
    for (const word of joined.split(' ')) {
      const m = named.exec(word);
      if (!m) throw new NotationError({ is: 'unnumbered', word });
      const [from, to] = [Number(m[1]), Number(m[2] ?? m[1])];
      if (to < from) throw new NotationError({ is: 'backwards', word });
      for (let n = from; n <= Math.min(to, 99); n++) put(n, there(m[3]));
    }
    return out;
  }
  if (words.length > block.switches)
    throw new NotationError({ is: 'switch-count', n: words.length, places: block.switches });
  words.forEach((word, i) => put(i + 1, word));
  return out;
}

const isNone = (text: string) => /^(none|no caps?|open|off)$/i.test(text.trim());

function readCaps(text: string, block: Extract<Block, { kind: 'header' }>): [number, number][] {
  if (isNone(text)) return [];
  const pins = block.rows * block.columns;
  return text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((word) => {
      const m = /^(\d{1,3})[-+:&](\d{1,3})$/.exec(word);
      if (!m) throw new NotationError({ is: 'pair', word });
      const pair: [number, number] = [Number(m[1]), Number(m[2])];
      for (const pin of pair)
        if (pin < 1 || pin > pins) throw new NotationError({ is: 'no-pin', n: pin, places: pins });
      if (pair[0] === pair[1]) throw new NotationError({ is: 'one-pin', word });
      return pair;
    });
}

function readNumbers(text: string, most: number, what: 'bridge' | 'pack'): number[] {
  if (isNone(text)) return [];
  return text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((word) => {
      const n = Number(word);
      if (!Number.isInteger(n) || n < 1 || n > most)
        throw new NotationError({ is: what, word, places: most });
      return n;
    });
}

/** A state as a row that `readRow` takes; what is not known of a switch is `?`. */
export function writeRow(block: Block, state: State): string {
  if (block.kind === 'dip' && 'switches' in state)
    return Array.from({ length: block.switches }, (_, i) => state.switches[i + 1] ?? '?').join(' ');
  if ('caps' in state) return state.caps.map(([a, b]) => `${a}-${b}`).join(' ') || 'none';
  if ('bridges' in state) return state.bridges.join(' ') || 'none';
  if ('step' in state) return state.step < 16 ? state.step.toString(16).toUpperCase() : String(state.step);
  return 'value' in state ? state.value : '';
}
