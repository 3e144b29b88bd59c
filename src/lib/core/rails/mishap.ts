import type { Build } from '../model';
import { plugSays, railAdvice } from './readings';

/** What has to come before the next power after the two plugs of the board were exchanged. */
export type AfterMishap =
  /** Nothing was measured since, or not all of it. */
  | 'ohms'
  /** The rails passed since: on with the checks of level 3, memory and serial chips first. */
  | 'checks';

/** Where a machine stands whose plugs were exchanged under power; null: nothing of the kind was written down. */
export function afterMishap({ mishap, rails }: Pick<Build, 'mishap' | 'rails'>): AfterMishap | null {
  if (!mishap) return null;
  const readings = rails?.['at-ohms'];
  const isSince = readings !== undefined && readings.at > mishap.at;
  const passed =
    isSince &&
    readings.side === 'board' &&
    railAdvice('at', 'ohms', plugSays('at', 'ohms', readings)).some((a) => a.what === 'fine');
  return passed ? 'checks' : 'ohms';
}
