import { STAGES, type StageId, entryOf, there } from '../model';
import type { Era, Family } from './families';
import type { FaultMode } from './modes';
import { orderOf } from './trace';

/** Storage is a cause that all parts share: it moves the odds of everything but the cell, which is flat anyhow. */
const GRADES = [
  { p: 0.5, odds: 0.55 },
  { p: 0.35, odds: 1.1 },
  { p: 0.15, odds: 2.3 }
] as const;
const FREE_OF_GRADE = new Set(['cell']);

/** Prior of a mode when everything was stored so. */
function gradedPrior({ id, prior }: FaultMode, factor: number): number {
  if (prior >= 1 || FREE_OF_GRADE.has(id)) return prior;
  const o = (prior / (1 - prior)) * factor;
  return o / (1 + o);
}

/** Prior of a mode over all grades of storage. */
export const priorOf = (mode: FaultMode): number =>
  GRADES.reduce((sum, g) => sum + g.p * gradedPrior(mode, g.odds), 0);

/** The first stage whose messages are on a screen. */
const FIRST_READ: StageId = 'count';

/**
 * The stage from which on a fault matters: one that pulls a rail down does from the first, one that only leaves a
 * message as soon as there is a screen to read it on.
 */
export function firstStage({ effect }: FaultMode): StageId {
  if (effect.power) return 'rails';
  const isMessage = effect.stops === 0 && !effect.dark;
  return isMessage && STAGES.indexOf(effect.at) < STAGES.indexOf(FIRST_READ) ? FIRST_READ : effect.at;
}

export interface Grade {
  p: number;
  priors: number[];
  odds: number[];
  /** Chance that no mode up to a stage of the order is there, by the place of the stage. */
  none: number[];
}

/** A family of BIOS with what its order of stages makes of the modes. */
export interface Frame {
  family: Family;
  p: number;
  /** Place of a stop in the order; the prompt is behind the last stage. */
  place: (stop: StageId | null) => number;
  /** From which place on a mode matters. */
  places: number[];
  /** Place at which a mode surely stops the start. */
  ends: number[];
  grades: Grade[];
}

export const STAGE_COUNT = STAGES.length;

function gradesOf(modes: readonly FaultMode[], places: readonly number[]): Grade[] {
  return GRADES.map(({ p, odds: factor }) => {
    const priors = modes.map((m) => gradedPrior(m, factor));
    const none = Array.from({ length: STAGE_COUNT + 1 }, (_, s) =>
      modes.reduce((q, m, i) => (m.prior < 1 && there(places[i]) <= s ? q * (1 - there(priors[i])) : q), 1)
    );
    return { p, priors, odds: priors.map((q) => (q < 1 ? q / (1 - q) : 1)), none };
  });
}

/** @param isRead modes that were looked for: these count however far the starts came */
export function frameOf(
  modes: readonly FaultMode[],
  [family, p]: readonly [Family, number],
  era: Era,
  isRead: (m: FaultMode) => boolean
): Frame {
  const order = new Map(orderOf(family, era).map((stage, i) => [stage, i]));
  const places = modes.map((m) => (isRead(m) ? 0 : entryOf(order, firstStage(m))));
  return {
    family,
    p,
    place: (stop) => (stop === null ? STAGE_COUNT : entryOf(order, stop)),
    places,
    ends: modes.map((m) =>
      m.effect.stops >= 1 && m.effect.shows === undefined ? entryOf(order, m.effect.at) : Infinity
    ),
    grades: gradesOf(modes, places)
  };
}
