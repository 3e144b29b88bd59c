import {
  FAMILIES,
  firstPower,
  orderOf,
  readBeeps,
  readScreen,
  soundIn,
  type Era,
  type Family
} from '../../src/lib/core/diagnosis';
import {
  bytesOf,
  displayMemory,
  keyboardKind,
  plugsLike,
  readDriveLabel,
  readMode
} from '../../src/lib/core/identify';
import type { StageId } from '../../src/lib/core/model';
import { channelTimes, floppyCounts, readStatus, seriesOf } from '../../src/lib/core/rescue';
import { spanWords } from '../../src/lib/words';

const fail = (text: string): never => {
  throw new Error(`not understood: "${text}"`);
};
const familyOf = (text: string): Family => FAMILIES.find((f) => f === text) ?? fail(text);
const numbers = (text: string): number[] => text.match(/\d+/g)?.map(Number) ?? fail(text);

/** Questions about a machine that does not start, its disk, and things that are looked at. */
export const startKinds: Record<string, (question: string) => string> = {
  /** `A: 3`: what a beep says in a family, by its stage. */
  beeps: (q) => {
    const [family, pattern] = q.split(':').map((s) => s.trim()) as [string, string];
    const read = readBeeps(pattern);
    return read ? soundIn(familyOf(family), read) : fail(pattern);
  },
  /** `B III: summary, roms`: which of two stages comes first. */
  'first of': (q) => {
    const [who, stages] = q.split(':') as [string, string];
    const [family, era] = who.trim().split(/\s+/) as [string, Era];
    const [a, b] = stages.split(',').map((s) => s.trim()) as [StageId, StageId];
    const order = orderOf(familyOf(family), era);
    return order.indexOf(a) < order.indexOf(b) ? a : b;
  },
  'on the screen': (q) => readScreen(q).join(' or ') || 'nothing known',
  /** Answers of the seven questions, in their order. */
  'first power': (q) => {
    const keys = ['made', 'idle', 'stored', 'tantalum', 'cell', 'supply', 'hands'];
    const answers = q.split(',').map((s) => s.trim());
    const { score, level } = firstPower(Object.fromEntries(keys.map((k, i) => [k, answers[i] ?? ''])));
    return `${score}, level ${level}`;
  },
  'read status': (q) => readStatus(q)?.means ?? 'not known',
  /** `serial-9600 42519040`. */
  'time for': (q) => {
    const [id, bytes] = q.split(/\s+/) as [string, string];
    const { f360, f1440 } = floppyCounts(Number(bytes));
    if (id === '360') return String(f360);
    if (id === '1440') return String(f1440);
    const channel = channelTimes(Number(bytes)).find((c) => c.id === id);
    return channel ? spanWords(channel.seconds) : fail(q);
  },
  /** `1 of 6`. */
  'one more start': (q) => {
    const [k, n] = numbers(q) as [number, number];
    const at = '2026-01-01T00:00:00Z';
    const { again } = seriesOf({ starts: Array.from({ length: n }, (_, i) => ({ at, ready: i < k })) });
    return again === null ? 'only counts' : again.toFixed(3);
  },
  'bytes of a mode': (q) => {
    const mode = readMode(q);
    return mode ? String(bytesOf(mode)) : fail(q);
  },
  /** `640x480x256 / 1024x768x256`: shown and refused. */
  'display memory': (q) => {
    const [shown = '', refused = ''] = q.split('/');
    const list = (text: string) =>
      text
        .split(';')
        .filter((s) => s.trim())
        .map((s) => readMode(s) ?? fail(s));
    return displayMemory(list(shown), list(refused)).sizes.join(' ');
  },
  /** `d 9 pins`. */
  plug: (q) => {
    const [shape, pins, gender] = q.split(/\s+/) as ['d', string, 'pins' | undefined];
    return plugsLike({ shape, pins: Number(pins), ...(gender ? { gender } : {}) })
      .plugs.map((p) => p.id)
      .join(' ');
  },
  /** What is printed on a drive → the buses that it may be for. */
  'drive label': (q) => readDriveLabel(q).buses.join(' ') || 'not said',
  /** `keys 83, lights no`. */
  'keyboard speaks': (q) => {
    const told = new Map(q.split(',').map((s) => s.trim().split(/\s+/) as [string, string]));
    const flag = (key: string) => (told.has(key) ? told.get(key) === 'yes' : undefined);
    const seen = {
      keys: told.has('keys') ? Number(told.get('keys')) : undefined,
      hasLights: flag('lights'),
      flashes: flag('flash'),
      hasSwitch: flag('switch'),
      plug: told.get('plug') as 'din5' | undefined
    };
    return keyboardKind(Object.fromEntries(Object.entries(seen).filter(([, v]) => v !== undefined))).kind;
  }
};
