import { worstFirst, type Build, type Finding, type PartSet } from '../model';
import { linesAt, machine, standing } from '../resources';
import { fitRules } from './fit';
import { lineRules } from './lines';

/** Every rule that `check` applies; adding one is adding it to one of the two tables. */
export const rules = [...lineRules, ...fitRules];

/** Findings about the positions as they stand, worst first, with no solving. */
export function check(build: Build, parts: PartSet): Finding[] {
  const m = machine(build, parts);
  const at = standing(m);
  const situation = { m, parts, at, lines: linesAt(m, at) };
  return worstFirst(rules.flatMap((rule) => rule.find(situation)));
}

/** Whether the machine can be expected to work: no stop and no clash. */
export const isClean = (findings: readonly Finding[]): boolean =>
  findings.every((f) => f.severity !== 'stop' && f.severity !== 'clash');
