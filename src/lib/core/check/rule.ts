import type { Finding, PartSet, Subject } from '../model';
import type { Kit } from '../kit';
import type { Offer } from '../software';
import type { Line, Machine, Positions } from '../resources';

/** What a rule looks at: the machine, its positions and the lines that follow from them. */
export interface Situation {
  m: Machine;
  parts: PartSet;
  at: Positions;
  lines: Line[];
  /** The build by kinds of part. */
  kit: Kit;
  /** What it has to give to programs. */
  offer: Offer;
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

/** What a rule says of one case; its id and reason are the rule's unless it says otherwise. */
export interface Said {
  rule?: string;
  severity: Finding['severity'];
  about: (string | Subject)[];
  title: string;
  sentence: string;
  why?: string;
  fixes?: Finding['fixes'];
}

/** A rule from a function that says what it sees. */
export function rule(id: string, why: string, find: (s: Situation) => Said[]): Rule {
  return {
    id,
    why,
    find: (situation) =>
      find(situation).map(({ about, ...said }) =>
        finding({
          rule: id,
          why,
          fixes: [],
          ...said,
          subjects: about.map((a) => (typeof a === 'string' ? { item: a } : a))
        })
      )
  };
}

/** A fix that sets a position, with the words of that position. */
export function setFix(
  situation: Situation,
  item: string,
  setting: string,
  position: string
): Finding['fixes'][number] {
  const known = situation.m.find(item)?.part.settings.find((s) => s.id === setting);
  const label = known?.positions.find((p) => p.id === position)?.label ?? position;
  return {
    label: `${known?.label ?? setting}: ${label}`,
    fix: { action: 'set', item, setting, position }
  };
}
