import type { Waits } from '../boards';
import type { KindOfDisplay } from '../video';
import type { FactValue, Severity } from '../model';

/** A slot by its label, or by its number. */
export interface SlotName {
  id: string;
  label?: string;
}

/** Why the build asks for a position: what is the case, as data; sentences are made of it where it is shown. */
export type Reason =
  | { is: 'fpu-fitted'; title: string }
  | { is: 'no-fpu' }
  | { is: 'banks-filled'; banks: string[]; totalKiB: number }
  | { is: 'banks-hold'; totalKiB: number }
  | { is: 'other-block-sets-banks' }
  | ({ is: 'display'; title: string; where: SlotName | null } & KindOfDisplay)
  | { is: 'own-bios-counts-as-colour' }
  | { is: 'either-display-first' }
  | { is: 'floppies'; titles: string[] }
  | { is: 'cpu-rating'; cpu: string; busMHz: number; factor: number; coreMHz: number }
  | { is: 'clock-is-outside' }
  | { is: 'code-is-read' }
  | { is: 'cpu-volts'; low: number; high: number }
  | { is: 'external-clock'; mhz: number }
  | { is: 'isa-clock'; busMHz: number; divisor: number; isaMHz: number }
  | { is: 'cache-fitted'; kib: number }
  | { is: 'local-bus-clock'; mhz: number }
  | { is: 'local-bus-waits'; mhz: number }
  | { is: 'memory-speed'; ns: number; mhz: number }
  | { is: 'waits-estimate'; rests: Waits['rests'] }
  | { is: 'battery-taken-off' }
  | { is: 'battery-on-header' }
  | { is: 'battery-fitted'; kind: 'barrel' | 'coin' }
  | { is: 'keyboard-speaks'; title: string; protocol: 'xt' | 'at' }
  | { is: 'monitor-connected'; title: string }
  | { is: 'monitor-kind-is-safe' }
  | { is: 'slot-width'; slot: SlotName; bits: 8 | 16 }
  | { is: 'eight-bits-also-work' }
  | { is: 'rom-written-while-programmed' }
  | { is: 'off-after-commissioning' }
  | { is: 'cards-do-the-same'; cards: string[] }
  | { is: 'board-goes-off' }
  | { is: 'function-in-use'; label: string }
  | { is: 'drive-needs-function'; label: string }
  | { is: 'locked-by-hand' }
  | { is: 'planned-for-lines' };

/** What happens at the machine while a setting says something else. */
export type Consequence =
  | { is: 'fpu-missing' }
  | { is: 'fpu-hidden' }
  | { is: 'memory-fewer-banks' }
  | { is: 'memory-empty-banks' }
  | { is: 'memory-counts-only'; kib: number }
  | { is: 'memory-ends-early' }
  | { is: 'display-complains' }
  | { is: 'display-dark'; complains: boolean }
  | { is: 'floppies-no-letter' }
  | { is: 'floppies-waited-for' }
  | { is: 'cpu-slower-outside'; cpu: string | null }
  | { is: 'cpu-core-clock-outside'; mhz: number }
  | { is: 'cpu-above-rating' }
  | { is: 'cpu-core-too-fast'; mhz: number }
  | { is: 'cpu-slower-inside' }
  | { is: 'volts-too-high' }
  | { is: 'volts-too-low' }
  | { is: 'isa-clock'; mhz: number; how: 'fails' | 'some-fail' | 'slower' }
  | { is: 'cache-unused' }
  | { is: 'cache-missing' }
  | { is: 'local-bus-set-slower' }
  | { is: 'local-bus-set-faster' }
  | { is: 'local-bus-no-wait' }
  | { is: 'local-bus-needless-wait' }
  | { is: 'memory-too-slow' }
  | { is: 'memory-needless-wait' }
  | { is: 'battery-cut-off' }
  | { is: 'battery-charged-wrongly' }
  | { is: 'keyboard-dead' }
  | { is: 'monitor-damaged' }
  | { is: 'monitor-wrong-picture' }
  | { is: 'rom-read-wrong' }
  | { is: 'rom-overwritten' }
  | { is: 'two-answer'; label: string; card: string | null }
  | { is: 'function-off'; label: string }
  | { is: 'volts-not-looked' }
  | { is: 'not-looked' }
  | { is: 'other-lines' };

/** How bad a wrong setting is, and what the machine does then. */
export interface Wrong {
  severity: Severity;
  consequence: Consequence;
  /** Of a number: it says more than there is, or less. */
  more?: boolean;
}

/** What the build asks of a fact, with the reasons in their order. */
export interface Want {
  /** The wanted value; several that do alike; a range of a clock. */
  value: FactValue | { either: FactValue[] } | { mhz: 'above-33' | 'up-to-33' };
  because: Reason[];
  /** Whether a value does; among those that do the lowest `rank` is best. */
  suits(value: FactValue): boolean;
  rank?(value: FactValue): number;
}
