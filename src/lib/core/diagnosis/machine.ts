import { there } from '../model';
import { kitOf, type Kit } from '../kit';
import type { Build, PartSet, StageId, Start } from '../model';
import { checked, type Finding, type MissingKind } from '../rules';
import { diagnose, type Diagnosis } from './diagnose';
import type { Era, Family } from './families';
import { effectAt } from './effect';
import { episodeOf, stepsOf } from './episode';
import { eraOf, modesOf, type FaultMode } from './modes';
import { nextTests, type Valued } from './next-test';
import type { FaultSet } from './sets';
import { shownBy, type NoShow } from './shown';
import { orderOf } from './trace';
import { asItStands, unseenModes } from './unseen';

/** Starts that were written down, the oldest first. */
export const startsOf = (build: Build): [string, Start][] =>
  Object.entries(build.starts ?? {}).sort(([, a], [, b]) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));

/** What each part of a build is called: by its owner's label, else by its model. */
export function titlesOf(build: Build, parts: PartSet): (item: string) => string | null {
  const all = new Map([build.board, ...build.items].map((i) => [i.id, i]));
  return (id) => {
    const item = all.get(id);
    return item ? (item.label ?? parts.get(item.part)?.name ?? null) : null;
  };
}

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

/** A machine as it stands: what was found of it counts, what is only planned does not. */
interface Standing {
  kit: Kit;
  findings: Finding[];
  era: Era;
  /** From the catalogue; null: nobody knows how this BIOS beeps. */
  family: Family | null;
}

function standingOf(build: Build, parts: PartSet): Standing {
  const kit = kitOf(build, parts);
  return {
    kit,
    findings: checked(build, parts).findings,
    era: eraOf(kit),
    family: kit.firmware?.firmware?.beeps ?? null
  };
}

export interface MachineDiagnosis {
  era: Era;
  /** From the catalogue; null: nobody knows how this BIOS beeps. */
  family: Family | null;
  diagnosis: Diagnosis;
  /** How many of the last starts and readings it rests on. */
  episode: number;
  tests: Valued[];
}

/** What was seen must be so many times likelier with a fault than without it, for the fault to be told. */
const LIFTED = 2;

/** Shares of explanations by their faults. */
const sharesOf = (d: Diagnosis): ReadonlyMap<string, number> =>
  new Map(d.post.sets.map(({ faults, p }) => [faults.join(), p]));

/**
 * The faults of an explanation that are worth saying: of what the checks know to be wrong what accounts for the stop
 * or a message, and of the rest only those without which what was seen would be less likely. A fault that a dark screen
 * hides, or that lies behind the stop, is as likely as it was: nothing that was seen speaks for it.
 */
export function toldFaults(d: Diagnosis, faults: FaultSet, shares = sharesOf(d)): FaultSet {
  const stop = d.stops[0]?.stage ?? null;
  const accounts = ({ effect }: FaultMode): boolean =>
    (stop !== null && effectAt(effect, stop) !== null) ||
    [effect.says, effect.then?.says].some((m) => m !== undefined && d.said.includes(m)) ||
    (effect.dark === true && d.isDark);
  const isCertain = (i: number): boolean => there(d.modes[i]).prior >= 1;
  let told = faults;
  for (const i of faults) {
    const { prior } = there(d.modes[i]);
    const less = told.filter((x) => x !== i);
    const [have, without] = [shares.get(told.join()) ?? 0, shares.get(less.join()) ?? 0];
    if (!isCertain(i) && have <= (LIFTED * without * prior) / (1 - prior)) told = less;
  }
  return told.filter((i) => !isCertain(i) || accounts(there(d.modes[i])));
}

export interface Explained {
  faults: FaultSet;
  p: number;
}

/** Explanations by what is worth saying of them: those that say the same are one. */
export function explanations(d: Diagnosis): Explained[] {
  const out = new Map<string, Explained>();
  const shares = sharesOf(d);
  for (const { faults, p } of d.post.sets) {
    const told = toldFaults(d, faults, shares);
    const key = told.join();
    const there = out.get(key);
    if (there) there.p += p;
    else out.set(key, { faults: told, p });
  }
  // A message was there: “nothing” explains none.
  return [...out.values()]
    .filter(({ faults }) => faults.length > 0 || !d.unexplained.length)
    .sort((a, b) => b.p - a.p);
}

/** No single fault explains what was seen, beside what the checks know. What may be wrong without a sign does not count. */
export const needsTwo = (d: Diagnosis, told: readonly Explained[]): boolean =>
  told.reduce(
    (sum, { faults, p }) => (faults.filter((i) => there(d.modes[i]).prior < 1).length > 1 ? sum + p : sum),
    0
  ) > 0.5;

/**
 * What is wrong with a machine, from its last start and what was seen and done before it that still counts. Settings
 * that are only planned are not set yet; those that nobody looked at may stand elsewhere.
 * @param starts starts and readings, the oldest first
 */
export function diagnoseMachine(build: Build, parts: PartSet, starts: readonly Start[]): MachineDiagnosis {
  const stands = asItStands(build);
  const { kit, findings, era, family } = standingOf(stands, parts);
  const episode = episodeOf(starts);
  const modes = [...modesOf(kit, era, findings, episode), ...unseenModes(stands, parts, kit, era, findings)];
  const diagnosis = diagnose(modes, episode, era, family);
  // A rail that was measured short is a stop that the checks found.
  const mayStart =
    !findings.some((f) => f.severity === 'stop') &&
    !episode.some((s) => s.read?.test === 'ohms' && s.read.found);
  return {
    era,
    family,
    diagnosis,
    episode: episode.length,
    tests: nextTests(diagnosis, era, family, stepsOf(episode), mayStart)
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
  because: { mode: FaultMode; effect: NonNullable<ReturnType<typeof effectAt>> }[];
}

export interface Rehearsal {
  era: Era;
  family: Family | null;
  stages: Rehearsed[];
  /** It must not be switched on so. */
  forbidden: Finding[];
  /** Known to be wrong, and it cannot be put together so. */
  misfits: Finding[];
  /** Known to be wrong, but a start shows nothing of it. */
  later: Finding[];
  /** Not entered: the machine may or may not have it. */
  notEntered: MissingKind[];
}

/**
 * The start of a build, before anybody switches it on: only what is known to be wrong, no hardware fault.
 * @param which `found`: with its settings as they were found; `chosen`: with what is planned set
 * @returns stages in order; where no order is known for a BIOS, the usual one
 */
export function rehearse(build: Build, parts: PartSet, which: 'found' | 'chosen'): Rehearsal {
  const { kit, findings, era, family } = standingOf(which === 'found' ? asItStands(build) : build, parts);
  const known = modesOf(kit, era, findings).filter((m) => m.prior >= 1);
  let [low, high] = [0, 0];
  const stages = orderOf(family ?? (era === 'I' || era === 'II' ? 'P' : 'A'), era).map((stage): Rehearsed => {
    const because = known.flatMap((mode) => {
      const effect = effectAt(mode.effect, stage);
      return effect ? [{ mode, effect }] : [];
    });
    const from: Seconds = [low, high];
    const [a, b] = SECONDS[stage]?.[era] ?? [0, 0.2];
    [low, high] = [low + a, high + b];
    return { stage, from, stops: 1 - because.reduce((p, b) => p * (1 - b.effect.stops), 1), because };
  });
  const shown = (how: NoShow) =>
    findings.filter((f) => f.severity === 'clash' && shownBy(f, kit, era) === how);
  return {
    era,
    family,
    stages,
    forbidden: findings.filter((f) => f.severity === 'stop'),
    misfits: shown('fit'),
    later: shown('use'),
    notEntered: findings.flatMap((f) => (f.rule === 'kit.missing' ? f.facts.missing : []))
  };
}
