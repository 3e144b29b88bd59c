import type { Kit } from '../kit';
import type { MessageId, Power, StageId } from '../model';
import type { RuleId } from '../rules';
import type { Era } from './families';
import type { Mode } from './sets';

/** What a fault does to a start. */
export interface Effect {
  at: StageId;
  /** Chance that it stops the start there; else the start goes on. */
  stops: number;
  /** Message that it leaves where it does not stop, or as it stops. */
  says?: MessageId;
  /** What fan and lights do. */
  power?: Partial<Record<Power, number>>;
  /** The start goes on, and nothing is seen of it. */
  dark?: true;
}

/** What can be wrong with one thing of the machine. */
export interface FaultMode extends Mode {
  /** The thing: a part of the build by its id, or what every machine has. */
  component: string;
  item?: string;
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

const hasDrive = (medium: string) => (kit: Kit) => kit.m.fitted.some((f) => f.part.drive?.medium === medium);
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
    id: 'floppy-drive',
    component: 'floppy',
    prior: [0.35, 0.35, 0.3, 0.25],
    effect: { at: 'floppy', stops: 0.05, says: 'floppy' },
    cure: 'clean',
    has: hasDrive('floppy')
  },
  {
    id: 'disk-not-ready',
    component: 'disk',
    prior: [0.45, 0.4, 0.25, 0.12],
    effect: { at: 'disk', stops: 0.1, says: 'disk' },
    cure: 'exchange',
    has: hasDrive('hard')
  },
  {
    id: 'disk-errors',
    component: 'disk',
    prior: [0.2, 0.2, 0.12, 0.06],
    effect: { at: 'boot', stops: 0.7, says: 'no-boot' },
    cure: 'exchange',
    has: hasDrive('hard')
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

/** Findings that will be seen or heard at the start. What a stop forbids is never tried: the rails come first. */
export const certainEffects: Readonly<Partial<Record<RuleId, Effect>>> = {
  'power.minus5-dram': { at: 'memory', stops: 1 },
  'power.plugs': { at: 'rails', stops: 0.5 },
  'cpu.voltage-low': { at: 'fetch', stops: 0.7 },
  'cpu.clock': { at: 'fetch', stops: 0.5 },
  'memory.bank': { at: 'memory', stops: 0.8 },
  'memory.kind': { at: 'memory', stops: 0.8 },
  'memory.parity': { at: 'count', stops: 0.8, says: 'memory' },
  'memory.filling': { at: 'count', stops: 0, says: 'memory-size' },
  'video.switch': { at: 'display', stops: 0.9, says: 'display-type' },
  'video.two': { at: 'display', stops: 0.7 },
  'video.signal': { at: 'display', stops: 0, dark: true },
  'keyboard.protocol': { at: 'keyboard', stops: 0.1, says: 'keyboard' },
  'rom.window': { at: 'roms', stops: 0.7, says: 'rom' },
  'line.memory': { at: 'roms', stops: 0.6 },
  // Two devices on one line show when the driver or program of one of them wants it.
  'line.irq': { at: 'config', stops: 0.2 },
  'line.dma': { at: 'config', stops: 0.1 },
  'line.io': { at: 'config', stops: 0.3 },
  'disk.interface': { at: 'disk', stops: 0.1, says: 'disk' },
  'disk.power': { at: 'disk', stops: 0.1, says: 'disk' },
  'disk.setup': { at: 'system', stops: 0.6, says: 'no-system' },
  'floppy.cable': { at: 'floppy', stops: 0.05, says: 'floppy' }
};

/** Age of a machine by what is in it: the kind of board decides. */
export function eraOf(kit: Kit): Era {
  if (kit.facts.slots.some((s) => s.bus === 'pci' || s.bus === 'agp')) return 'IV';
  const families = kit.facts.cpuSocket?.families ?? [];
  if (families.some((f) => /^(?:386|486|586|pentium)/.test(f))) return 'III';
  if (kit.facts.class === 'at') return 'II';
  return (kit.firmware?.firmware?.year ?? 1985) < 1985 ? 'I' : 'II';
}

/**
 * Everything that may be wrong with a machine: what its age makes likely, a card that pulls the bus for each card, and
 * what the checks of the build found, which is certain.
 * @param findings rules of the findings that are open
 */
export function modesOf(
  kit: Kit,
  era: Era,
  findings: readonly { rule: RuleId; item?: string }[]
): FaultMode[] {
  const at = ERAS.indexOf(era);
  const out: FaultMode[] = [];
  for (const { id, component, prior, effect, cure, has } of estimates)
    if (prior[at]! > 0 && (has?.(kit) ?? true)) out.push({ id, component, prior: prior[at]!, effect, cure });
  const display = kit.m.fitted.find((f) => f.part.video);
  for (const f of kit.m.fitted)
    if (f.part.card && f.slot && f !== display)
      out.push({
        id: `card-${f.item.id}`,
        component: f.item.id,
        item: f.item.id,
        prior: 0.03,
        effect: { at: 'fetch', stops: 0.5, power: { runs: 0.7, twitch: 0.3 } },
        cure: 'exchange'
      });
  for (const { rule, item } of findings) {
    const effect = certainEffects[rule];
    if (effect && !out.some((m) => m.id === `finding-${rule}`))
      out.push({
        id: `finding-${rule}`,
        component: `finding-${rule}`,
        ...(item ? { item } : {}),
        prior: 1,
        effect,
        cure: 'setting'
      });
  }
  return out;
}
