import type { Kit } from '../kit';
import type { Effect } from './effect';
import type { Era } from './families';

/** What makes a fault good: contacts, an exchange, a setting, dirt taken off, something typed in or put there. */
export type Cure = 'reseat' | 'exchange' | 'setting' | 'clean' | 'enter';

type ByEra = readonly [number, number, number, number];
export const ERAS: readonly Era[] = ['I', 'II', 'III', 'IV'];

/** Priors of an untested machine that was stored, by its age, with what the fault does. Estimates, good to a factor of 3. */
export interface Estimate {
  id: string;
  component: string;
  prior: ByEra;
  effect: Effect;
  cure: Cure;
  /** It shows by its message, or late in a start: it is looked for once a start asks for it. */
  isLate?: true;
  /** Whether the machine has the thing at all. */
  has?: (kit: Kit) => boolean;
}

const isAt = (kit: Kit) => kit.facts.class === 'at';

export const estimates: readonly Estimate[] = [
  {
    id: 'supply-dead',
    component: 'supply',
    prior: [0.06, 0.06, 0.05, 0.05],
    effect: { at: 'rails', stops: 1, power: { still: 0.8, twitch: 0.1, ticks: 0.1 } },
    cure: 'exchange'
  },
  {
    id: 'supply-weak',
    component: 'supply',
    prior: [0.09, 0.09, 0.07, 0.07],
    effect: { at: 'fetch', stops: 0.4, power: { runs: 0.75, twitch: 0.2, ticks: 0.05 } },
    cure: 'exchange'
  },
  {
    id: 'short',
    component: 'short',
    prior: [0.1, 0.06, 0.02, 0.01],
    effect: { at: 'rails', stops: 1, power: { twitch: 0.6, still: 0.25, ticks: 0.15 } },
    cure: 'exchange'
  },
  {
    id: 'power-good',
    component: 'supply',
    prior: [0.02, 0.02, 0.02, 0.02],
    effect: { at: 'reset', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'power-late',
    component: 'supply',
    prior: [0.03, 0.03, 0.02, 0.02],
    effect: { at: 'reset', stops: 1, shows: 0.4 },
    cure: 'exchange'
  },
  {
    id: 'cpu-contact',
    component: 'cpu',
    prior: [0.06, 0.06, 0.05, 0.03],
    effect: { at: 'fetch', stops: 1 },
    cure: 'reseat'
  },
  {
    id: 'board-logic',
    component: 'board',
    prior: [0.05, 0.06, 0.06, 0.06],
    effect: { at: 'fetch', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'rom',
    component: 'rom',
    prior: [0.02, 0.03, 0.02, 0.02],
    effect: { at: 'rom', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'board-timer',
    component: 'board',
    prior: [0.02, 0.02, 0.02, 0.02],
    effect: { at: 'timer', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'memory-contact',
    component: 'memory',
    prior: [0.1, 0.1, 0.1, 0.06],
    effect: { at: 'memory', stops: 1 },
    cure: 'reseat'
  },
  {
    id: 'memory-chip',
    component: 'memory',
    prior: [0.06, 0.04, 0.02, 0.015],
    effect: { at: 'memory', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'memory-loose',
    component: 'memory',
    prior: [0.04, 0.03, 0.03, 0.02],
    effect: { at: 'memory', stops: 1, shows: 0.4 },
    cure: 'reseat'
  },
  {
    id: 'memory-high',
    component: 'memory',
    prior: [0.06, 0.04, 0.02, 0.015],
    effect: { at: 'count', stops: 0.3, says: 'memory' },
    cure: 'exchange'
  },
  {
    id: 'memory-missing',
    component: 'memory',
    prior: [0, 0.04, 0.04, 0.03],
    effect: { at: 'count', stops: 0, says: 'memory-size' },
    cure: 'reseat',
    isLate: true,
    has: isAt
  },
  {
    id: 'size-told',
    component: 'setup',
    prior: [0, 0.05, 0.05, 0.04],
    effect: { at: 'count', stops: 0, says: 'memory-size' },
    cure: 'enter',
    isLate: true,
    has: isAt
  },
  {
    id: 'display-told',
    component: 'setup',
    prior: [0, 0.04, 0.04, 0.01],
    effect: { at: 'display', stops: 0, says: 'display-type' },
    cure: 'setting',
    isLate: true,
    has: isAt
  },
  {
    id: 'leak',
    component: 'leak',
    prior: [0, 0.2, 0.28, 0.04],
    effect: { at: 'controllers', stops: 0.4, says: 'keyboard' },
    cure: 'clean',
    has: (k) =>
      isAt(k) &&
      k.facts.battery !== 'none' &&
      k.facts.battery !== 'coin' &&
      k.facts.battery !== 'clock-module'
  },
  {
    id: 'keyboard-controller',
    component: 'board',
    prior: [0, 0.03, 0.03, 0.02],
    effect: { at: 'controllers', stops: 1 },
    cure: 'exchange',
    has: isAt
  },
  {
    id: 'cell',
    component: 'cell',
    prior: [0, 0.8, 0.8, 0.7],
    effect: { at: 'setup', stops: 0, says: 'settings' },
    cure: 'exchange',
    has: isAt
  },
  {
    id: 'display-contact',
    component: 'display',
    prior: [0.06, 0.06, 0.06, 0.05],
    effect: { at: 'display', stops: 1 },
    cure: 'reseat'
  },
  {
    id: 'display-card',
    component: 'display',
    prior: [0.06, 0.06, 0.06, 0.06],
    effect: { at: 'display', stops: 1 },
    cure: 'exchange'
  },
  {
    id: 'monitor',
    component: 'monitor',
    prior: [0.15, 0.15, 0.12, 0.08],
    effect: { at: 'display', stops: 0, dark: true },
    cure: 'exchange'
  },
  {
    id: 'keyboard',
    component: 'keyboard',
    prior: [0.25, 0.2, 0.12, 0.06],
    effect: { at: 'keyboard', stops: 0.15, says: 'keyboard' },
    cure: 'clean'
  },
  {
    id: 'lock',
    component: 'lock',
    prior: [0, 0.02, 0.02, 0.005],
    effect: { at: 'keyboard', stops: 0.1, says: 'locked' },
    cure: 'setting',
    isLate: true,
    has: isAt
  },
  {
    id: 'option-rom',
    component: 'roms',
    prior: [0.03, 0.03, 0.02, 0.01],
    effect: { at: 'roms', stops: 0.6, says: 'rom' },
    cure: 'setting'
  },
  {
    id: 'no-system',
    component: 'medium',
    prior: [0.2, 0.2, 0.2, 0.15],
    effect: { at: 'boot', stops: 1, says: 'not-system' },
    cure: 'enter'
  },
  {
    id: 'no-medium',
    component: 'medium',
    prior: [0.1, 0.08, 0.06, 0.04],
    effect: { at: 'boot', stops: 1, says: 'no-boot' },
    cure: 'enter',
    isLate: true
  },
  {
    id: 'interpreter',
    component: 'medium',
    prior: [0.04, 0.05, 0.05, 0.03],
    effect: { at: 'prompt', stops: 1, says: 'interpreter' },
    cure: 'enter',
    isLate: true
  }
];

export interface PartEstimate extends Omit<Estimate, 'component' | 'has'> {
  medium: 'floppy' | 'hard';
}

/** What each drive of the machine can have, by its kind. A disk behind a ROM of its own is looked for as that ROM runs. */
export const driveEstimates: readonly PartEstimate[] = [
  {
    id: 'floppy-drive',
    medium: 'floppy',
    prior: [0.35, 0.35, 0.3, 0.25],
    effect: { at: 'floppy', stops: 0.05, says: 'floppy' },
    cure: 'clean'
  },
  {
    id: 'floppy-cable',
    medium: 'floppy',
    prior: [0.08, 0.08, 0.08, 0.06],
    effect: { at: 'floppy', stops: 0.05, says: 'floppy' },
    cure: 'reseat'
  },
  {
    id: 'disk-not-ready',
    medium: 'hard',
    prior: [0.3, 0.27, 0.16, 0.08],
    effect: { at: 'disk', stops: 0.1, says: 'disk', then: { at: 'boot', stops: 0.6, says: 'no-boot' } },
    cure: 'exchange'
  },
  {
    id: 'disk-sticky',
    medium: 'hard',
    prior: [0.1, 0.1, 0.06, 0.03],
    effect: {
      at: 'disk',
      stops: 0.1,
      says: 'disk',
      shows: 0.5,
      then: { at: 'boot', stops: 0.6, says: 'no-boot' }
    },
    cure: 'exchange'
  },
  {
    id: 'disk-slow',
    medium: 'hard',
    prior: [0.08, 0.07, 0.05, 0.02],
    effect: {
      at: 'disk',
      stops: 0.1,
      says: 'disk',
      then: { at: 'boot', stops: 0.6, says: 'no-boot' }
    },
    cure: 'exchange'
  },
  {
    id: 'disk-cable',
    medium: 'hard',
    prior: [0.1, 0.1, 0.1, 0.08],
    effect: { at: 'disk', stops: 0.1, says: 'disk', then: { at: 'boot', stops: 0.6, says: 'no-boot' } },
    cure: 'reseat'
  },
  {
    id: 'disk-errors',
    medium: 'hard',
    prior: [0.2, 0.2, 0.12, 0.06],
    effect: { at: 'boot', stops: 0.7, says: 'no-boot' },
    cure: 'exchange'
  },
  {
    id: 'disk-table',
    medium: 'hard',
    prior: [0.03, 0.04, 0.04, 0.02],
    effect: { at: 'partition', stops: 1, says: 'no-system' },
    cure: 'enter',
    isLate: true
  },
  {
    id: 'disk-geometry',
    medium: 'hard',
    prior: [0.03, 0.07, 0.07, 0.04],
    effect: { at: 'partition', stops: 0.8, says: 'no-system' },
    cure: 'setting',
    isLate: true
  }
];
