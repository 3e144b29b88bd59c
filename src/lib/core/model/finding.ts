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

export interface Finding {
  /** Stable within one state of a build: the rule and its subjects. */
  id: string;
  rule: string;
  severity: Severity;
  subjects: Subject[];
  /** A few words: what is wrong. */
  title: string;
  /** What happens at the machine. */
  sentence: string;
  /** The fact behind it. */
  why: string;
  fixes: { label: string; fix: Fix }[];
  /** The line or address concerned, for drawing. */
  line?: { resource: 'irq' | 'dma' | 'io' | 'memory'; from: number; to: number };
}

const order: Record<Severity, number> = { stop: 0, clash: 1, caution: 2, note: 3 };

/** Worst first; equal ones keep their order. */
export function worstFirst(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((a, b) => order[a.severity] - order[b.severity]);
}
