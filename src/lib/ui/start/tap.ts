import { lastOf } from '../../core/model';
/** A press of the tap button, in milliseconds. */
export interface Tap {
  down: number;
  up: number;
}

/** From this length on a press is a long beep. */
const LONG_MS = 350;
/** A pause this much longer than the others parts groups. */
const GROUP_MS = 700;

/** Presses as the beeps they stand for: `3`, `1 long 2 short`, `1-3-3`. */
export function tapped(taps: readonly Tap[]): string {
  if (!taps.length) return '';
  const long = taps.filter((t) => t.up - t.down >= LONG_MS).length;
  if (long) return `${long} long${taps.length > long ? ` ${taps.length - long} short` : ''}`;
  const groups = taps.reduce<number[]>((out, tap, i) => {
    const before = taps[i - 1];
    if (before && tap.down - before.up < GROUP_MS) return [...out.slice(0, -1), lastOf(out) + 1];
    return [...out, 1];
  }, []);
  return groups.length >= 2 && groups.length <= 4 ? groups.join('-') : String(taps.length);
}
