import { STAGES, type MessageId, type Power, type StageId, there } from '../model';
import { sounds, type Era, type Family, type Sound } from './families';
import { effectAt, type StageEffect } from './effect';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';

/** One way in which a start can go, with its chance. */
export interface Trace {
  p: number;
  power: Power;
  /** Stage at which it stands; null: it comes to the prompt. */
  stop: StageId | null;
  sound: Sound;
  screen: 'dark' | 'text';
  /** Dark though there is a picture: the monitor, its lead or its settings. */
  isHidden?: true;
  messages: MessageId[];
}

const FIRST_ORDER: readonly StageId[] = STAGES.flatMap((s) =>
  s === 'floppy' ? (['roms', 'disk', 'floppy'] as const) : s === 'roms' || s === 'disk' ? [] : [s]
);

/** B shows its summary before it runs the ROMs of cards. */
const SUMMARY_FIRST: readonly StageId[] = STAGES.flatMap((s) =>
  s === 'roms' ? (['summary', 'roms'] as const) : s === 'summary' ? [] : [s]
);

/** The order of the late stages differs by family, and was another one at first. */
export function orderOf(family: Family, era: Era): readonly StageId[] {
  // The first ROMs ran the ROMs of cards before they looked for floppies, and had no hard disk but by such a ROM.
  if (family === 'P' && era === 'I') return FIRST_ORDER;
  return family === 'B' ? SUMMARY_FIRST : STAGES;
}

const isAfter = (order: readonly StageId[], a: StageId, b: StageId): boolean =>
  order.indexOf(a) > order.indexOf(b);

/** Ways that add up to chance 1, from what can happen at each stage. */
export function traces(modes: readonly FaultMode[], faults: FaultSet, family: Family, era: Era): Trace[] {
  const order = orderOf(family, era);
  const out: Trace[] = [];
  for (const { shown, p: chance } of atOneStart(faults.map((i) => there(modes[i]))))
    for (const [power, q] of powerOf(shown)) {
      const p = chance * q;
      if (power !== 'runs')
        out.push({ p, power, stop: 'rails', sound: 'none', screen: 'dark', messages: [] });
      else walk(shown, order, family, p, out);
    }
  return out;
}

/** Which faults show at one start: those that come and go do or do not. */
function atOneStart(own: readonly FaultMode[]): { shown: FaultMode[]; p: number }[] {
  let all: { shown: FaultMode[]; p: number }[] = [{ shown: [], p: 1 }];
  for (const m of own) {
    const { shows } = m.effect;
    all =
      shows === undefined
        ? all.map((x) => ({ ...x, shown: [...x.shown, m] }))
        : all.flatMap((x) => [
            { shown: [...x.shown, m], p: x.p * shows },
            { shown: x.shown, p: x.p * (1 - shows) }
          ]);
  }
  return all;
}

function powerOf(own: readonly FaultMode[]): [Power, number][] {
  const told = own.flatMap((m) => (m.effect.power ? [m.effect.power] : []));
  if (!told.length) return [['runs', 1]];
  // The one that leaves least of a running machine decides.
  const worst = told.reduce((a, b) => ((b.runs ?? 0) < (a.runs ?? 0) ? b : a));
  return Object.entries(worst) as [Power, number][];
}

/** Here a message means that it goes no further: a start from a floppy instead says nothing. */
const SAYS_AS_IT_STOPS: ReadonlySet<StageId> = new Set(['boot', 'partition', 'system', 'prompt']);

const NOTHING: readonly StageEffect[] = [];

/** What faults do at a stage. Asked of every set of faults at every stage, of which few are touched: no list for those. */
function effectsAt(own: readonly FaultMode[], stage: StageId): readonly StageEffect[] {
  let out = NOTHING;
  for (const { effect } of own) {
    const here = effect.dark ? null : effectAt(effect, stage);
    if (here) out = [...out, here];
  }
  return out;
}

function walk(
  own: readonly FaultMode[],
  order: readonly StageId[],
  family: Family,
  chance: number,
  out: Trace[]
): void {
  let left = chance;
  const messages: MessageId[] = [];
  const dark = own.some((m) => m.effect.dark);
  for (const stage of order) {
    const here = effectsAt(own, stage);
    if (!here.length) continue;
    const goesOn = here.reduce((p, e) => p * (1 - e.stops), 1);
    const says = here.flatMap((e) => e.says ?? []);
    if (goesOn < 1) {
      const p = left * (1 - goesOn);
      const hasPicture = isAfter(order, stage, 'display');
      const isSeen = hasPicture && !dark;
      for (const [sound, q] of soundsAt(stage, family, order, messages.length > 0))
        out.push({
          p: p * q,
          power: 'runs',
          stop: stage,
          sound,
          screen: isSeen ? 'text' : 'dark',
          ...(hasPicture && dark ? { isHidden: true as const } : {}),
          messages: isSeen ? [...messages, ...says] : []
        });
    }
    left *= goesOn;
    if (!SAYS_AS_IT_STOPS.has(stage)) messages.push(...says);
    if (left <= 0) return;
  }
  const sound: Sound = messages.length && family === 'P' ? 'summary' : 'normal';
  out.push({
    p: left,
    power: 'runs',
    stop: null,
    sound,
    screen: dark ? 'dark' : 'text',
    ...(dark ? { isHidden: true as const } : {}),
    messages: dark ? [] : messages
  });
}

function soundsAt(
  stage: StageId,
  family: Family,
  order: readonly StageId[],
  hasMessage: boolean
): [Sound, number][] {
  const told = sounds[family][stage];
  if (told) return Object.entries(told) as [Sound, number][];
  if (!isAfter(order, stage, 'display')) return [['none', 1]];
  if (hasMessage && family === 'P')
    return [
      ['summary', 0.8],
      ['none', 0.2]
    ];
  // The short beep of a good test comes before the disks are read.
  return isAfter(order, stage, 'summary')
    ? [
        ['normal', 0.9],
        ['none', 0.1]
      ]
    : [
        ['none', 0.6],
        ['normal', 0.4]
      ];
}
