import { there } from '../model';
import type { Diagnosis } from './diagnose';
import type { Era, Family } from './families';
import type { FaultSet } from './sets';
import { orderOf } from './trace';

/**
 * What is repaired first of faults: the earliest that keeps the machine from going on or from being seen. What only
 * leaves a message is a repair for a machine that comes to its prompt.
 * @returns place of the mode; undefined: nothing is to be repaired
 */
export function firstRepair(
  d: Diagnosis,
  family: Family,
  era: Era
): (faults: FaultSet) => number | undefined {
  const order = orderOf(family, era);
  const isAtPrompt = d.stops[0]?.stage === null;
  return (faults) => {
    const hinders = faults.filter((i) => there(d.modes[i]).effect.stops > 0 || there(d.modes[i]).effect.dark);
    return [...(hinders.length || !isAtPrompt ? hinders : faults)].sort(
      (a, b) => order.indexOf(there(d.modes[a]).effect.at) - order.indexOf(there(d.modes[b]).effect.at)
    )[0];
  };
}
