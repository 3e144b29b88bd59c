import { STAGES, type Start } from '../model';
import { readBeeps, soundIn, soundsOf, type Family, type Pattern, type Sound } from './families';
import type { Trace } from './trace';

/** Chances of mishearing, overlooking and chance itself. Estimates; nothing is ever impossible. */
export const MISSES = {
  floor: 0.003,
  ear: 0.14,
  film: 0.02,
  /** A dark screen by one look, before a minute was over, on a monitor that nobody tried elsewhere. */
  darkByOneLook: 0.25,
  darkSure: 0.003,
  monitorKnownGood: 0.05,
  /** A message that waits for a key is seldom overlooked. */
  message: 0.04,
  furtherNotSeen: 0.12
} as const;

/** Chance that one sound is heard when another was made. All that a family tells apart add up to 1. */
export function heardAs(heard: Sound, made: Sound, family: Family, filmed: boolean): number {
  const all = soundsOf(family);
  const wrong = filmed ? MISSES.film : MISSES.ear;
  const n = all.length;
  if (!all.includes(heard)) return MISSES.floor;
  // A speaker that is missing makes silence the likeliest mistake.
  const rest = made === 'none' ? wrong / 4 : wrong;
  if (heard === made) return (1 - rest) * (1 - n * MISSES.floor) + MISSES.floor;
  const share = made === 'none' ? 1 / (n - 1) : heard === 'none' ? 0.5 : 0.5 / Math.max(1, n - 2);
  return rest * share * (1 - n * MISSES.floor) + MISSES.floor;
}

/** A start with its beeps read. */
export interface Observed {
  start: Start;
  beeps: Pattern | null;
}
export const observed = (start: Start): Observed => ({
  start,
  beeps: start.beeps ? readBeeps(start.beeps) : null
});

/** Chance of what was seen, if the start went so. What was not looked at counts 1. */
export function likelihoodOf({ start, beeps }: Observed, trace: Trace, family: Family): number {
  let p = 1;
  if (start.power) p *= start.power === trace.power ? 1 - 3 * MISSES.floor : MISSES.floor;
  if (beeps) p *= heardAs(soundIn(family, beeps), trace.sound, family, start.filmed ?? false);
  if (start.screen)
    p *=
      start.screen === 'text'
        ? trace.screen === 'text'
          ? 1 - (start.darkSure ? MISSES.darkSure : MISSES.darkByOneLook)
          : MISSES.floor
        : trace.screen === 'dark'
          ? 1 - MISSES.floor
          : start.darkSure
            ? MISSES.darkSure
            : MISSES.darkByOneLook;
  // A monitor that showed a picture elsewhere is seldom what keeps the screen dark.
  if (start.screen === 'dark' && start.darkSure && trace.isHidden) p *= MISSES.monitorKnownGood;
  if (start.reached) {
    const seen = STAGES.indexOf(start.reached);
    const stop = trace.stop === null ? STAGES.length : STAGES.indexOf(trace.stop);
    if (stop < seen) p *= MISSES.floor;
    else if (start.stays) {
      const far = stop - seen;
      // It stands in the stage that was seen last, or in one behind it of which nothing is to be seen.
      p *= far <= 1 ? 0.6 : far <= 3 ? 0.25 : MISSES.furtherNotSeen;
    }
  }
  if (start.messages && trace.screen === 'text') {
    for (const said of new Set([...start.messages, ...trace.messages])) {
      const [isRead, isThere] = [start.messages.includes(said), trace.messages.includes(said)];
      p *= isRead ? (isThere ? 1 - MISSES.message : MISSES.floor) : MISSES.message;
    }
    // A message is read on a screen that shows text: where none was to come, each of them speaks against it.
  } else if (start.messages?.length)
    p *= MISSES.floor ** (start.messages.length + (start.screen === undefined ? 1 : 0));
  return p;
}
