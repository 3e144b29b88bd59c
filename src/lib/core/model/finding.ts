import type { FloppyKiB } from './floppy-sizes';
import type { DiskRecord, Ribbon } from './medium';

/** stop: do not power on · clash: will not work · caution · note. */
export type Severity = 'stop' | 'clash' | 'caution' | 'note';

/** What a finding is about, so that a click goes there. */
export interface Subject {
  item: string;
  function?: string;
  setting?: string;
  slot?: string;
}

/** An action that the application can apply to a build. */
export type Fix =
  | { action: 'set'; item: string; setting: string; position: string }
  | { action: 'move-slot'; item: string; slot: string; swapWith?: string }
  | { action: 'unlock'; item: string; setting: string }
  | { action: 'switch-off'; item: string; function: string }
  | { action: 'exchange'; item: string; with: string }
  | { action: 'take-out'; item: string }
  /** How a drive is jumpered on its cable, or whether a drive or an adapter is terminated. */
  | { action: 'jumper'; item: string; unit?: string; terminated?: boolean }
  /** Format of the images that a floppy emulator is set to. */
  | { action: 'image'; item: string; kib: FloppyKiB }
  | { action: 'ribbon'; item: string; function: string; ribbon: Ribbon }
  /** A geometry typed into the setup. */
  | { action: 'declare'; item: string; setup: NonNullable<DiskRecord['setup']> }
  /** The user knows and has seen to it; a stop or a clash cannot be acknowledged. */
  | { action: 'acknowledge'; finding: string }
  | {
      action: 'never-together';
      a: { item: string; function: string };
      b: { item: string; function: string };
    };

/** What a fix is called, as data. */
export type FixLabel =
  | { kind: 'position'; setting: string; position: string }
  | { kind: 'line'; function: string; line: string }
  | { kind: 'slot'; slot: string }
  | { kind: 'jumper'; drive: string; unit: string }
  | { kind: 'terminators'; device: string; fitted: boolean }
  | { kind: 'image'; kib: FloppyKiB }
  | { kind: 'cable'; twist: 'disk' | 'floppy' }
  | { kind: 'geometry'; cylinders: number }
  | { kind: 'drive-type'; type: string }
  | { kind: 'never-together' }
  | { kind: 'battery-off' }
  | { kind: 'out'; part: string };

/** A change that the application can make, and how to call it. */
export interface OfferedFix {
  fix: Fix;
  label: FixLabel;
}

const order: Record<Severity, number> = { stop: 0, clash: 1, caution: 2, note: 3 };

/** Worst first; equal ones keep their order. */
export function worstFirst<T extends { severity: Severity }>(findings: readonly T[]): T[] {
  return [...findings].sort((a, b) => order[a.severity] - order[b.severity]);
}
