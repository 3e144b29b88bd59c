import type { Finding, PartSet } from '../model';
import type { Line, Machine, Positions } from '../resources';

/** What a rule looks at: the machine, its positions and the lines that follow from them. */
export interface Situation {
  m: Machine;
  parts: PartSet;
  at: Positions;
  lines: Line[];
}

/** A rule of the table: its id, why it exists, and what it finds. */
export interface Rule {
  id: string;
  why: string;
  find(situation: Situation): Finding[];
}

/** A finding whose id follows from its rule and subjects, so that it keeps its id while it lasts. */
export function finding(parts: Omit<Finding, 'id'>): Finding {
  const subjects = parts.subjects.map((s) => [s.item, s.function ?? s.setting ?? s.slot ?? ''].join('/'));
  const line = parts.line ? ` ${parts.line.resource} ${parts.line.from}` : '';
  return { id: `${parts.rule}${line} ${subjects.join(' ')}`.trim(), ...parts };
}
