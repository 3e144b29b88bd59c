import { there } from '../model';
import { disksOf } from '../disks';
import type { Kit } from '../kit';
import type { Finding } from '../rules';
import type { Effect } from './effect';
import type { Era } from './families';
import type { Mode } from './sets';
import { shownBy } from './shown';

/** What can be wrong with one thing of the machine. */
export interface FaultMode extends Mode {
  /** The thing: a part of the build by its id, or what every machine has. */
  component: string;
  /** The way of failing, for its words. */
  way: string;
  item?: string;
  /** What the checks say of it; of a setting that nobody looked at, what they would say. */
  finding?: Finding;
  /** Nobody looked at this setting; it may stand at this position. */
  unseen?: { item: string; setting: string; position: string; label: string; positionLabel: string };
  effect: Effect;
  /** What makes it good: contacts, an exchange, a setting. */
  cure: 'reseat' | 'exchange' | 'setting' | 'clean' | 'enter';
}

type ByEra = readonly [number, number, number, number];
const ERAS: readonly Era[] = ['I', 'II', 'III', 'IV'];

/** Priors of an untested machine that was stored, by its age, with what the fault does. Estimates, good to a factor of 3. */
interface Estimate {
  id: string;
  component: string;
  prior: ByEra;
  effect: Effect;
  cure: FaultMode['cure'];
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
  }
];

interface PartEstimate extends Omit<Estimate, 'component' | 'has'> {
  medium: 'floppy' | 'hard';
}

/** What each drive of the machine can have, by its kind. A disk behind a ROM of its own is looked for as that ROM runs. */
const driveEstimates: readonly PartEstimate[] = [
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
  }
];

/** Drives that a start waits for: the first hard disk and the first two floppies; nothing is seen of the others. */
function driveModes(kit: Kit, at: number): FaultMode[] {
  const behindRom = new Set(disksOf(kit).flatMap((d) => (d.facts?.isRom ? [d.drive.item.id] : [])));
  return (['floppy', 'hard'] as const).flatMap((medium) =>
    kit.drives
      .filter((d) => d.part.drive?.medium === medium)
      .slice(0, medium === 'hard' ? 1 : 2)
      .flatMap((d) =>
        driveEstimates
          .filter((e) => e.medium === medium)
          .map(({ id, prior, effect, cure }): FaultMode => ({
            id: `${id} ${d.item.id}`,
            way: id,
            component: d.item.id,
            item: d.item.id,
            prior: there(prior[at]),
            effect: effect.at === 'disk' && behindRom.has(d.item.id) ? { ...effect, at: 'roms' } : effect,
            cure
          }))
      )
  );
}

/** Age of a machine by what is in it: the kind of board decides. */
export function eraOf(kit: Kit): Era {
  if (kit.facts.slots.some((s) => s.bus === 'pci' || s.bus === 'agp')) return 'IV';
  const families = kit.facts.cpuSocket?.families ?? [];
  if (families.some((f) => /^(?:386|486|586|pentium)/.test(f))) return 'III';
  if (kit.facts.class === 'at') return 'II';
  return (kit.firmware?.firmware?.year ?? 1985) < 1985 ? 'I' : 'II';
}

/** What the checks found and a start shows: it is so. */
const foundModes = (kit: Kit, era: Era, findings: readonly Finding[]): FaultMode[] =>
  findings.flatMap((finding): FaultMode[] => {
    const effect = shownBy(finding, kit, era);
    if (typeof effect === 'string') return [];
    const item = finding.subjects[0]?.item;
    const component = `finding ${finding.id}`;
    return [
      {
        id: component,
        way: 'finding',
        component,
        ...(item ? { item } : {}),
        finding,
        prior: 1,
        effect,
        cure: 'setting'
      }
    ];
  });

/**
 * After the plugs were exchanged under power ground has +5 V: memory chips go first, and the board's own logic. How many
 * times the odds are then, an estimate; serial chips go too, and no start shows them.
 */
const AFTER_MISHAP: Readonly<Record<string, number>> = {
  'memory-chip': 8,
  'memory-high': 8,
  'board-logic': 3,
  'keyboard-controller': 3
};

/** A prior whose odds are so many times as high. */
const raised = (prior: number, factor = 1): number => (prior * factor) / (1 - prior + prior * factor);

/**
 * Everything that may be wrong with a machine: what its age makes likely, its drives, a card that pulls the bus for
 * each card, and what the checks of the build found, which is certain.
 * @param findings findings that are open
 */
export function modesOf(kit: Kit, era: Era, findings: readonly Finding[]): FaultMode[] {
  const at = ERAS.indexOf(era);
  const display = kit.m.fitted.find((f) => f.part.video);
  return [
    ...estimates
      .filter((e) => there(e.prior[at]) > 0 && (e.has?.(kit) ?? true))
      .map(({ id, component, prior, effect, cure }): FaultMode => ({
        id,
        way: id,
        component,
        prior: kit.build.mishap ? raised(there(prior[at]), AFTER_MISHAP[id]) : there(prior[at]),
        effect,
        cure
      })),
    ...driveModes(kit, at),
    ...kit.m.fitted
      .filter((f) => f.part.card && f.slot && f !== display)
      .map((f): FaultMode => ({
        id: `card-${f.item.id}`,
        way: 'card',
        component: f.item.id,
        item: f.item.id,
        prior: 0.03,
        effect: { at: 'fetch', stops: 0.5, power: { runs: 0.7, twitch: 0.3 } },
        cure: 'exchange'
      })),
    ...foundModes(kit, era, findings)
  ];
}
