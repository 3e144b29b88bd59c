import type { Finding } from './finding';
import { registry, type FitView, type Place, type Stage } from './registry';

/** What is looked at of a finding to say where and how it is open. */
type Open = Pick<Finding, 'rule' | 'severity'>;

/** Where a finding is open. */
export const placeOf = ({ rule }: Pick<Finding, 'rule'>): Place => registry[rule].place;

/** Whether something is open: notes are only told. */
const isOpen = (f: Open): boolean => f.severity !== 'note';

/** How many findings are open in each stage. Their sum is the number of findings that are no notes. */
export function openByStage(findings: readonly Open[]): Record<Stage, number> {
  const count: Record<Stage, number> = { brief: 0, parts: 0, fit: 0, switches: 0, lines: 0, disks: 0 };
  for (const f of findings.filter(isOpen)) count[placeOf(f).stage]++;
  return count;
}

/** How many findings are open in each view of Fit. Their sum is the number of that stage. */
export function openByView(findings: readonly Open[]): Record<FitView, number> {
  const count: Record<FitView, number> = { slots: 0, memory: 0, picture: 0, drives: 0, power: 0, time: 0 };
  for (const f of findings.filter(isOpen)) {
    const place = placeOf(f);
    if (place.stage === 'fit') count[place.view]++;
  }
  return count;
}

/** Whether a finding says that something was not checked, or rests on what nobody saw. */
export const hidesSomething = ({ rule }: Pick<Finding, 'rule'>): boolean =>
  registry[rule].hides !== undefined;
