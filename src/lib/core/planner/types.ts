import type { Brief, Build, Part } from '../model';
import type { Finding } from '../rules';
import type { DriverLacks } from '../software';
import type { Sundry } from '../sundries';

/** One thing on the shelf, as the planner sees it. */
export interface Unit {
  specimen: string;
  part: string;
  asFound: Record<string, string>;
}

/** How much each side of a plan counts, 0 to 10; 3 is the middle. */
export interface Weights {
  profiles: number;
  period: number;
  shelf: number;
  cost: number;
  speed: number;
  slots: number;
}
export const middleWeights: Weights = { profiles: 3, period: 3, shelf: 3, cost: 3, speed: 3, slots: 3 };

export interface PlanRequest {
  brief: Brief;
  /** Every part that may be used. */
  parts: readonly Part[];
  shelf: readonly Unit[];
  weights?: Weights;
  /** Parts that must be in it. */
  fixed?: readonly string[];
  /** Parts that must not. */
  excluded?: readonly string[];
}

export interface Limits {
  /** Looked at in passing: when it is cut off, what was found until then will do. */
  hasty?: boolean;
  /** Machines that are worked out to the end, at most; then the best so far is given. */
  maxLeaves?: number;
  /** Partial machines that are looked at, at most. */
  maxSteps?: number;
  shouldStop?: () => boolean;
  progress?: (told: Progress) => void;
}
export interface Progress {
  /** Share of the boards with their CPUs that are settled, 0 to 1. */
  done: number;
  machines: number;
  best: number | null;
}

/** Sides of a plan; less is better in each. */
export interface Criteria {
  /** Programs that will not run. */
  missed: number;
  /** Programs that run, but too slow, too fast, or with less than they could show. */
  rough: number;
  /** Years that parts are too young or too old, added up. */
  years: number;
  /** Parts that are not on the shelf. */
  bought: number;
  /** What they cost, in the middle of their range. */
  cost: number;
  slots: number;
  cautions: number;
}
export const sides = ['missed', 'rough', 'years', 'bought', 'cost', 'slots', 'cautions'] as const;

export interface Chosen {
  part: string;
  count: number;
  /** How many of them are on the shelf. */
  onShelf: number;
  /** Price of the others in the middle of their range. */
  cost: number;
  role: Role;
}
export type Role = 'base' | 'memory' | 'display' | 'audio' | 'storage' | 'services' | 'trim';

export interface Plan {
  build: Build;
  chosen: Chosen[];
  criteria: Criteria;
  score: number;
  /** Programs by what becomes of them. */
  met: string[];
  rough: Shortfall[];
  missed: Shortfall[];
  /** Settings that must be moved from where they were found. */
  moves: number;
  /** Cables, cooler, adapters: what is on no list of parts. */
  sundries: Sundry[];
}

export interface Search {
  best: Plan | null;
  /** Every machine that was worked out on the way and holds, the best among them. */
  sound: Plan[];
  /** The whole space was searched: nothing in it is better. */
  exact: boolean;
  /** Machines worked out to the end. */
  machines: number;
  /** What stood against the machines that failed, the most frequent first. */
  reasons: Reason[];
}

/** A program that a plan does not run, or not as meant, and what it lacks. */
export interface Shortfall {
  profile: string;
  finding: Finding;
}

/** What stood against a machine. */
export type Reason =
  | { kind: 'no-slots' | 'lines' | 'enclosure' | 'budget' | 'services' | 'misfit' }
  | { kind: 'unplaced'; part: string }
  | { kind: 'finding'; finding: Finding };

/** Why the brief itself keeps a part out. */
export type Bar =
  | { why: 'no-part' | 'excluded' | 'never' | 'emulator-outside' | 'seen-in-front' | 'not-on-shelf' }
  | { why: 'driver'; lacks: DriverLacks }
  | { why: 'date'; from: number; date: string; spirit: boolean };
