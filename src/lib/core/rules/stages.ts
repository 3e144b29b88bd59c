import type { Machine } from '../resources';
import { isByHand } from '../settings';
import type { Finding } from './finding';
import { openByStage, placeOf } from './places';
import { registry, type Stage } from './registry';

/** How a stage stands: how many findings are open in it, and whether there was anything to check and all of it was. */
export interface StageState {
  open: number;
  checked: boolean;
}

/**
 * The stages of a machine. A stage of which nothing could be checked, or in which something is only assumed, is not
 * `checked`, also when nothing is open in it.
 * @param findings what a check found, less what was acknowledged
 * @param hiding everything that the check could not see, whether acknowledged or not
 * @param decidesLines whether a setting of an item decides a line
 */
export function stageStates(
  m: Machine,
  findings: readonly Pick<Finding, 'rule' | 'severity'>[],
  hiding: readonly Finding[],
  decidesLines: (item: string, setting: string) => boolean
): Record<Stage, StageState> {
  const open = openByStage(findings);
  const hidden = new Set(hiding.map((f) => placeOf(f).stage));
  const { date, os, profiles, wishes, mustBeOn } = m.build.brief;
  const isAsked = Boolean(date || os || profiles.length || wishes?.length || mustBeOn.length);
  const has = m.build.items.length > 0;
  // Of a board of which facts are missing nobody can say which parts are still to be entered.
  const isWhole = !hidden.has('parts') && !hiding.some((f) => registry[f.rule].partBoard);
  const hidesLines = (f: Finding): boolean =>
    registry[f.rule].hides === 'lines' &&
    f.subjects.some((s) => s.setting === undefined || decidesLines(s.item, s.setting));
  // Where nothing is set by hand there is nothing to have been checked.
  const hasSwitches = m.fitted.some(({ part }) => part.settings.some((s) => isByHand(part, s)));
  const checked: Record<Stage, boolean> = {
    brief: isAsked,
    parts: has && isWhole,
    fit: has && isWhole && !hidden.has('fit'),
    switches: hasSwitches && !hidden.has('switches'),
    lines: has && !hiding.some(hidesLines),
    disks: has && isWhole && !hidden.has('disks')
  };
  return Object.fromEntries(
    Object.entries(open).map(([stage, n]) => [stage, { open: n, checked: checked[stage as Stage] }])
  ) as Record<Stage, StageState>;
}
