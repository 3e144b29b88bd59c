import { worstFirst, type Build, type PartSet } from '../model';
import { kitOf } from '../kit';
import { linesAt, machine, standing } from '../resources';
import { offerOf } from '../software';
import { briefRules } from './brief';
import { cpuRules } from './cpu';
import { diskRules } from './disks';
import { driveRules } from './drives';
import { findingOf, type Finding } from './finding';
import { fitRules } from './fit';
import { lineRules } from './lines';
import { memoryRules } from './memory';
import { hidesSomething } from './places';
import { portRules } from './ports';
import { powerRules } from './power';
import { programRules } from './programs';
import type { Rule } from './rule';
import { seatRules } from './seat';
import { specimenRules } from './specimens';
import { switchRules } from './switches';
import { unknownRules } from './unknown';
import { videoRules } from './video';

/** Every rule that `check` applies, by subject; adding one is adding it to one of the tables. */
export const rules: readonly Rule[] = [
  ...cpuRules,
  ...videoRules,
  ...powerRules,
  ...lineRules,
  ...portRules,
  ...unknownRules,
  ...fitRules,
  ...seatRules,
  ...memoryRules,
  ...driveRules,
  ...diskRules,
  ...switchRules,
  ...briefRules,
  ...programRules,
  ...specimenRules
];

/**
 * What a check comes to, best first. `clean`: nothing found, and all of it was checked. `caution`: nothing that stops the
 * machine, but a caution that nobody acknowledged. `unknown`: nothing found that stops it, but something was not checked
 * or is only assumed; the findings say what. `clash`: it will not work so, or must not be switched on.
 */
export const STATUSES = ['clean', 'caution', 'unknown', 'clash'] as const;
export type Status = (typeof STATUSES)[number];

export interface Checked {
  status: Status;
  /** Worst first, less those that were acknowledged. */
  findings: Finding[];
  /** What was not checked or is only assumed, acknowledged or not. */
  hiding: Finding[];
}

/** Checks the positions as they stand, with no solving. */
export function checked(build: Build, parts: PartSet): Checked {
  const m = machine(build, parts);
  const at = standing(m);
  const kit = kitOf(build, parts, m);
  const situation = { m, parts, at, lines: linesAt(m, at), kit, offer: offerOf(kit) };
  const known = new Set(build.acknowledged);
  const findings = named(rules.flatMap((rule) => rule(situation)).map(findingOf));
  const open = findings.filter((f) => !known.has(f.id) || isBad(f));
  const hiding = findings.filter(hidesSomething);
  return { status: statusOf(open, hiding), findings: worstFirst(open), hiding };
}

/** Each with an id of its own: of those that would share one the later ones get a number. */
function named(findings: readonly Finding[]): Finding[] {
  const seen = new Map<string, number>();
  return findings.map((f) => {
    const n = (seen.get(f.id) ?? 0) + 1;
    seen.set(f.id, n);
    return n === 1 ? f : { ...f, id: `${f.id} #${n}` };
  });
}

/** Findings about the positions as they stand, worst first. */
export const check = (build: Build, parts: PartSet): Finding[] => checked(build, parts).findings;

/** Whether a finding means that the machine will not work, or must not be switched on. */
export const isBad = (f: Pick<Finding, 'severity'>): boolean =>
  f.severity === 'stop' || f.severity === 'clash';

/** @param hiding what hides something: to acknowledge it is not to check it */
function statusOf(open: readonly Finding[], hiding: readonly Finding[]): Status {
  if (open.some(isBad)) return 'clash';
  if (hiding.length) return 'unknown';
  return open.some((f) => f.severity === 'caution') ? 'caution' : 'clean';
}

export { hidesSomething, openByStage, openByView, placeOf } from './places';
export { registry, ruleIds, type FitView, type Place, type RuleEntry, type Stage } from './registry';
export type { FactsOf, LineClash, MissingKind, OpenFact, RuleId } from './facts';
export { findingOf, type Case, type Finding, type FindingOf } from './finding';
export { inherentCautions } from './seat';
export { STILL_IN_USE, floppySizes, showsColour, showsNew, wishUnmet } from './brief';
export { stageStates, type StageState } from './stages';
