import { PLUGS, type Build, type PlugId, type RailReadings, there } from '../model';

/** What is on a pin. */
export type Rail =
  | '+5'
  | '+12'
  | '-12'
  | '-5'
  | '+3.3'
  | 'standby'
  | 'power-good'
  | 'switch-on'
  | 'ground'
  | 'none';

export interface Pin {
  n: number;
  rail: Rail;
}

const row = (...rails: Rail[]): Pin[] => rails.map((rail, i) => ({ n: i + 1, rail }));

/** Pins of each plug, by number. Of the slot only those of row B that carry power. */
export const plugPins: Readonly<Record<PlugId, readonly Pin[]>> = {
  at: row('power-good', '+5', '+12', '-12', 'ground', 'ground', 'ground', 'ground', '-5', '+5', '+5', '+5'),
  atx20: row(
    '+3.3',
    '+3.3',
    'ground',
    '+5',
    'ground',
    '+5',
    'ground',
    'power-good',
    'standby',
    '+12',
    '+3.3',
    '-12',
    'ground',
    'switch-on',
    'ground',
    'ground',
    'ground',
    '-5',
    '+5',
    '+5'
  ),
  drive: row('+12', 'ground', 'ground', '+5'),
  // The order is the other way round than on the big plug.
  floppy: row('+5', 'ground', 'ground', '+12'),
  slot: [
    { n: 1, rail: 'ground' },
    { n: 3, rail: '+5' },
    { n: 5, rail: '-5' },
    { n: 7, rail: '-12' },
    { n: 9, rail: '+12' },
    { n: 10, rail: 'ground' },
    { n: 29, rail: '+5' },
    { n: 31, rail: 'ground' }
  ]
};

/**
 * Pins that are read at a plug. In a live slot only +5 against the ground beside it: a slip at B9 joins +12 V to ground
 * or to logic.
 */
export const pinsFor = (plug: PlugId, kind: 'ohms' | 'volts'): readonly Pin[] =>
  plug === 'slot' && kind === 'volts' ? plugPins.slot.filter((p) => p.n === 29) : plugPins[plug];

/** Rails that every such plug has: the pin of −5 V is often missing from the long one. */
const isOptional = (plug: PlugId, rail: Rail): boolean => plug === 'atx20' && rail === '-5';

/** A typed reading; climbing or falling values are not steady. */
export interface ReadValue {
  value: number;
  isSteady: boolean;
}

const PREFIX: Readonly<Record<string, number>> = { '': 1, m: 1e-3, k: 1e3, K: 1e3, M: 1e6 };

/** Reads `0.6`, `1,2k`, `4k7`, `open`, `OL`, `30 climbing`. @returns null: not understood */
export function readOhms(text: string): ReadValue | null {
  const said = text.trim();
  if (/^(open|ol|o\.l\.?|inf(inite)?|∞)$/i.test(said)) return { value: Infinity, isSteady: true };
  const m =
    /^(\d+(?:[.,]\d+)?)\s*([kKmM]?)(\d?)\s*(?:Ω|ohms?|r)?\s*(climbing|rising|falling|moving|↑|↓)?$/i.exec(
      said
    );
  if (!m) return null;
  // `4k7` is 4.7 kΩ; a digit behind it has no fraction before it.
  if (m[3] && (/[.,]/.test(there(m[1])) || !m[2])) return null;
  const number = Number(`${there(m[1]).replace(',', '.')}${m[3] ? `.${m[3]}` : ''}`);
  return { value: number * there(PREFIX[there(m[2])]), isSteady: m[4] === undefined };
}

/** Reads `4.98`, `-11,9 V`, `0`. @returns null: not understood */
export function readVolts(text: string): ReadValue | null {
  const m = /^([+\-−]?)\s*(\d{1,2}(?:[.,]\d{1,3})?)\s*V?\s*(climbing|rising|falling|moving|↑|↓)?$/i.exec(
    text.trim()
  );
  if (!m) return null;
  const sign = m[1] === '-' || m[1] === '−' ? -1 : 1;
  return { value: sign * Number(there(m[2]).replace(',', '.')), isSteady: m[3] === undefined };
}

export type RailVerdict = 'pass' | 'suspicious' | 'short' | 'edge' | 'fail' | 'void';
/** Why a reading says what it says, or nothing. */
export type RailWhy =
  | 'ok'
  | 'low-ohms'
  | 'short'
  | 'lead'
  | 'power-on'
  | 'moving'
  | 'side'
  | 'not-a-rail'
  | 'edge'
  | 'low'
  | 'high'
  | 'absent'
  | 'no-load'
  | 'between'
  | 'held-low'
  | 'sign';

export interface RailSays {
  verdict: RailVerdict;
  why: RailWhy;
}
const says = (verdict: RailVerdict, why: RailWhy): RailSays => ({ verdict, why });

/** Neither short, doubtful, void nor not understood. */
const isRight = (p: PinSays): boolean => p.says?.verdict === 'pass' || p.says?.verdict === 'edge';

interface Ohms {
  /** Below it is a short. */
  short: number;
  /** From it on is normal: with cards in, and of a bare board. */
  normal: number;
  bare?: number;
}
const boardOhms: Partial<Record<Rail, Ohms>> = {
  '+5': { short: 2, normal: 100 },
  '+12': { short: 5, normal: 200, bare: 1000 },
  '-12': { short: 5, normal: 200, bare: 1000 },
  '-5': { short: 5, normal: 500 },
  'power-good': { short: 10, normal: 500 },
  '+3.3': { short: 1, normal: 20 }
};
/** Load resistors of a supply: nothing below is normal. */
const SUPPLY_NORMAL = 10;
const NEAR_NOTHING = 2;

/** Ohms from a pin to ground. What was not measured as it has to be says nothing. */
export function ohmsSay(
  rail: Rail,
  read: ReadValue,
  { side, off, cards }: Pick<RailReadings, 'side' | 'off' | 'cards'>
): RailSays {
  if (!off) return says('void', 'power-on');
  if (!read.isSteady) return says('void', 'moving');
  if (rail === 'ground') return read.value < 1 ? says('pass', 'ok') : says('suspicious', 'lead');
  if (side === undefined) return says('void', 'side');
  if (side === 'supply') {
    if (rail === 'switch-on' || rail === 'none') return says('void', 'not-a-rail');
    if (read.value < NEAR_NOTHING) return says('short', 'short');
    return read.value < SUPPLY_NORMAL ? says('suspicious', 'low-ohms') : says('pass', 'ok');
  }
  const table = boardOhms[rail];
  if (!table) return says('void', 'not-a-rail');
  if (read.value < table.short) return says('short', 'short');
  const normal = cards ? table.normal : (table.bare ?? table.normal);
  return read.value < normal ? says('suspicious', 'low-ohms') : says('pass', 'ok');
}

const limits: Partial<Record<Rail, readonly [least: number, most: number]>> = {
  '+5': [4.75, 5.25],
  '+12': [11.4, 12.6],
  '-12': [10.8, 13.2],
  '-5': [4.5, 5.5],
  '+3.3': [3.14, 3.47],
  standby: [4.75, 5.25]
};
/** Share of a limit within which a reading that is inside is only just so. */
const EDGE = 0.01;
const GOOD_LOW = 0.4;
const GOOD_HIGH = 2.4;
const ABSENT = 0.1;

/** Volts of a pin against ground, with the supply on. Without a load only "there" or "not there" can be said. */
export function voltsSay(rail: Rail, read: ReadValue, { loaded }: Pick<RailReadings, 'loaded'>): RailSays {
  if (!read.isSteady) return says('void', 'moving');
  if (rail === 'power-good') {
    if (!loaded) return says('void', 'no-load');
    if (read.value < GOOD_LOW) return says('fail', 'held-low');
    return read.value < GOOD_HIGH ? says('fail', 'between') : says('pass', 'ok');
  }
  const range = limits[rail];
  if (!range) return says('void', 'not-a-rail');
  const isNegative = rail.startsWith('-');
  const value = isNegative ? -read.value : read.value;
  const [least, most] = range;
  if (Math.abs(read.value) < ABSENT * most) return says('fail', 'absent');
  if (value < 0) return says('fail', 'sign');
  if (!loaded && rail !== 'standby') return says('void', 'no-load');
  if (value < least) return says('fail', 'low');
  if (value > most) return says('fail', 'high');
  return value < least * (1 + EDGE) || value > most * (1 - EDGE) ? says('edge', 'edge') : says('pass', 'ok');
}

/** A pin with what was read there. */
export interface PinSays extends Pin {
  text: string;
  /** Null: not understood. */
  says: RailSays | null;
}

/** Every pin of a plug that was read, with what the reading says. */
export function plugSays(plug: PlugId, kind: 'ohms' | 'volts', readings: RailReadings): PinSays[] {
  return pinsFor(plug, kind).flatMap((pin): PinSays[] => {
    const text = readings.pins[pin.n];
    if (text === undefined) return [];
    const read = kind === 'ohms' ? readOhms(text) : readVolts(text);
    const told =
      read && (kind === 'ohms' ? ohmsSay(pin.rail, read, readings) : voltsSay(pin.rail, read, readings));
    return [{ ...pin, text, says: told }];
  });
}

/** What is to be done about a plug as a whole. */
export type RailAdvice =
  | { what: 'stop'; rails: Rail[] }
  | { what: 'halve'; rails: Rail[] }
  | { what: 'leads'; rails: Rail[] }
  | { what: 'compare'; rails: Rail[] }
  | { what: 'supply' | 'again' | 'fine' | 'load' };

const unique = (list: readonly PinSays[]): Rail[] => [...new Set(list.map((p) => p.rail))];

/**
 * What follows from the readings of a plug, the most urgent first. All is only well where every rail of the plug was
 * read and none is open.
 * @param side of the pulled plug at which the ohms were read; left out: the board's
 */
export function railAdvice(
  plug: PlugId,
  kind: 'ohms' | 'volts',
  read: readonly PinSays[],
  side?: RailReadings['side']
): RailAdvice[] {
  const of = (v: RailVerdict) => read.filter((p) => p.says?.verdict === v);
  const shorts = unique(of('short'));
  const rails = pinsFor(plug, kind)
    .map((p) => p.rail)
    .filter((r) => r !== 'ground' && r !== 'switch-on' && !isOptional(plug, r));
  const passed = new Set(
    read.filter((p) => p.says && ['pass', 'edge'].includes(p.says.verdict)).map((p) => p.rail)
  );
  const failed = unique(of('fail'));
  const others = read.filter((p) => p.rail !== 'power-good' && p.rail !== 'ground');
  const goodHeld = of('fail').some((p) => p.rail === 'power-good');
  return [
    ...(shorts.length
      ? [
          { what: 'stop' as const, rails: shorts },
          // Behind a pulled plug no card hangs on the supply, only what is on its other leads.
          { what: side === 'supply' ? ('leads' as const) : ('halve' as const), rails: shorts }
        ]
      : []),
    ...(kind === 'volts' && goodHeld && others.length && others.every((p) => p.says?.verdict === 'pass')
      ? [{ what: 'supply' as const }]
      : failed.length
        ? [{ what: 'stop' as const, rails: failed }]
        : []),
    ...(of('suspicious').length ? [{ what: 'compare' as const, rails: unique(of('suspicious')) }] : []),
    ...(of('void').some((p) => p.says?.why === 'no-load') ? [{ what: 'load' as const }] : []),
    ...(of('void').some((p) => p.says?.why !== 'no-load' && p.says?.why !== 'not-a-rail')
      ? [{ what: 'again' as const }]
      : []),
    ...(read.length && rails.every((r) => passed.has(r)) && read.every(isRight)
      ? [{ what: 'fine' as const }]
      : [])
  ];
}

/** Rails that the last readings of a build call short, or too high: nothing is switched on before they are found. */
export function railStops(build: Pick<Build, 'rails'>): { plug: PlugId; rails: Rail[] }[] {
  return PLUGS.flatMap((plug) => {
    const bad = (['ohms', 'volts'] as const).flatMap((kind) => {
      const readings = build.rails?.[`${plug}-${kind}`];
      return (readings ? plugSays(plug, kind, readings) : []).filter(
        (p) => p.says?.verdict === 'short' || p.says?.why === 'high' || p.says?.why === 'sign'
      );
    });
    return bad.length ? [{ plug, rails: unique(bad) }] : [];
  });
}
