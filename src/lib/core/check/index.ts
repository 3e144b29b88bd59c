import { worstFirst, type Build, type Finding, type PartSet } from '../model';
import { kitOf } from '../kit';
import { linesAt, machine, standing } from '../resources';
import { offerOf } from '../software';
import { briefRules } from './brief';
import { cpuRules } from './cpu';
import { diskRules } from './disks';
import { driveRules } from './drives';
import { fitRules } from './fit';
import { lineRules } from './lines';
import { memoryRules } from './memory';
import { powerRules } from './power';
import { seatRules } from './seat';
import { switchRules } from './switches';
import { videoRules } from './video';

/** Every rule that `check` applies, by subject; adding one is adding it to one of the tables. */
export const rules = [
  ...cpuRules,
  ...videoRules,
  ...powerRules,
  ...lineRules,
  ...fitRules,
  ...seatRules,
  ...memoryRules,
  ...driveRules,
  ...diskRules,
  ...switchRules,
  ...briefRules
];

/** Findings about the positions as they stand, worst first, with no solving. */
export function check(build: Build, parts: PartSet): Finding[] {
  const m = machine(build, parts);
  const at = standing(m);
  const kit = kitOf(build, parts, m);
  const situation = { m, parts, at, lines: linesAt(m, at), kit, offer: offerOf(kit) };
  const known = new Set(build.acknowledged);
  const findings = rules.flatMap((rule) => rule.find(situation));
  return worstFirst(
    findings.filter((f) => !known.has(f.id) || f.severity === 'stop' || f.severity === 'clash')
  );
}

/** Whether the machine can be expected to work: no stop and no clash. */
export const isClean = (findings: readonly Finding[]): boolean =>
  findings.every((f) => f.severity !== 'stop' && f.severity !== 'clash');

export { STILL_IN_USE, floppySizes, showsNew, wishUnmet } from './brief';
