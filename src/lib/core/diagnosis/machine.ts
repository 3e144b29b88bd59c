import type { Kit } from '../kit';
import type { Build, StageId, Start } from '../model';
import type { Finding } from '../rules';
import { diagnose, type Diagnosis } from './diagnose';
import type { Era, Family } from './families';
import { certainEffects, eraOf, modesOf, type FaultMode } from './modes';
import { nextTests, type Valued } from './next-test';
import type { FaultSet } from './sets';
import { orderOf } from './trace';

/** Starts that were written down, the oldest first. */
export const startsOf = (build: Build): [string, Start][] =>
  Object.entries(build.starts ?? {}).sort(([, a], [, b]) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));

/** Writes a start down under the next free number. */
export function addStart(build: Build, start: Start): Build {
  const taken = build.starts ?? {};
  let n = Object.keys(taken).length + 1;
  while (taken[`s${n}`]) n++;
  return { ...build, starts: { ...taken, [`s${n}`]: start } };
}

export function removeStart(build: Build, id: string): Build {
  const { [id]: _, ...rest } = build.starts ?? {};
  const { starts: __, ...plain } = build;
  return Object.keys(rest).length ? { ...plain, starts: rest } : plain;
}

/** Findings that a start will show: only what is known to be wrong, never a caution. */
const shown = (findings: readonly Finding[]) =>
  findings
    .filter((f) => (f.severity === 'stop' || f.severity === 'clash') && certainEffects[f.rule])
    .map((f) => ({ rule: f.rule, ...(f.subjects[0]?.item ? { item: f.subjects[0].item } : {}) }));

export interface MachineDiagnosis {
  era: Era;
  /** From the catalogue; null: nobody knows how this BIOS beeps. */
  family: Family | null;
  diagnosis: Diagnosis;
  tests: Valued[];
}

/**
 * The faults of an explanation that are worth saying: not what the checks know to be wrong anyhow, unless nothing else
 * is in it and the start came to it.
 */
export function toldFaults(d: Diagnosis, faults: FaultSet): FaultSet {
  const free = faults.filter((i) => d.modes[i]!.prior < 1);
  if (free.length) return free;
  const stop = d.stops[0]?.stage ?? null;
  return faults.filter((i) => stop === null || d.modes[i]!.effect.at === stop);
}

/**
 * What is wrong with a machine, from what was seen of one start of it.
 * @param findings what the checks found, less what was acknowledged
 */
export function diagnoseMachine(kit: Kit, findings: readonly Finding[], start: Start): MachineDiagnosis {
  const era = eraOf(kit);
  const family = kit.firmware?.firmware?.beeps ?? null;
  const diagnosis = diagnose(modesOf(kit, era, shown(findings)), [start], era, family);
  return {
    era,
    family,
    diagnosis,
    tests: nextTests(diagnosis, era, family, !findings.some((f) => f.severity === 'stop'))
  };
}

type Seconds = readonly [number, number];
/** How long a stage takes, by age. From the usual times of the class; the count grows with the memory. */
const SECONDS: Partial<Record<StageId, Record<Era, Seconds>>> = {
  rails: { I: [0.1, 0.5], II: [0.1, 0.5], III: [0.1, 0.5], IV: [0.1, 0.5] },
  reset: { I: [0.1, 0.5], II: [0.1, 0.5], III: [0.1, 0.5], IV: [0.1, 0.5] },
  memory: { I: [0.1, 3], II: [0.1, 1], III: [0.1, 1], IV: [0.2, 2] },
  display: { I: [0.3, 3], II: [0.3, 3], III: [0.3, 3], IV: [0.3, 2] },
  count: { I: [6, 100], II: [20, 60], III: [3, 20], IV: [1, 8] },
  keyboard: { I: [0.3, 2], II: [0.3, 2], III: [0.3, 2], IV: [0.3, 2] },
  floppy: { I: [1, 3], II: [1, 6], III: [1, 6], IV: [1, 3] },
  disk: { I: [1, 30], II: [1, 30], III: [1, 30], IV: [1, 30] },
  roms: { I: [0, 40], II: [0, 40], III: [0, 40], IV: [0, 40] },
  boot: { I: [1, 10], II: [1, 10], III: [1, 10], IV: [1, 10] },
  system: { I: [1, 5], II: [1, 5], III: [1, 5], IV: [1, 5] },
  config: { I: [2, 60], II: [2, 60], III: [2, 60], IV: [2, 60] }
};

/** One stage of a start before power: when it comes, and what the build itself will do to it. */
export interface Rehearsed {
  stage: StageId;
  /** Seconds from switching on until it begins. */
  from: Seconds;
  /** Chance that something which is known to be wrong stops it here. */
  stops: number;
  because: FaultMode[];
}

/**
 * The start of a build as it stands, before anybody switches it on: only what is known to be wrong, no hardware fault.
 * @returns stages in order; where no order is known for a BIOS, the usual one
 */
export function rehearse(
  kit: Kit,
  findings: readonly Finding[]
): { era: Era; family: Family | null; stages: Rehearsed[] } {
  const era = eraOf(kit);
  const family = kit.firmware?.firmware?.beeps ?? null;
  const known = modesOf(kit, era, shown(findings)).filter((m) => m.prior >= 1);
  let [low, high] = [0, 0];
  const stages = orderOf(family ?? (era === 'I' || era === 'II' ? 'P' : 'A'), era).map((stage): Rehearsed => {
    const because = known.filter((m) => m.effect.at === stage);
    const from: Seconds = [low, high];
    const [a, b] = SECONDS[stage]?.[era] ?? [0, 0.2];
    [low, high] = [low + a, high + b];
    return { stage, from, stops: 1 - because.reduce((p, m) => p * (1 - m.effect.stops), 1), because };
  });
  return { era, family, stages };
}
