import type { OfferedFix, Severity, Subject } from '../model';
import type { FactsOf, RuleId } from './facts';
import { registry } from './registry';

/** The line or address that a finding is about, for drawing. */
export interface Extent {
  resource: 'irq' | 'dma' | 'io' | 'memory';
  from: number;
  to: number;
}

interface Common {
  /** Stable within one state of a build: the rule, what tells its cases apart, and the subjects. */
  id: string;
  severity: Severity;
  subjects: Subject[];
  fixes: OfferedFix[];
  line?: Extent;
}

/** What a check found, as data: `words` turns it into sentences. */
export type Finding = { [R in RuleId]: Common & { rule: R; facts: FactsOf[R] } }[RuleId];

/** What a rule sees in one case. Severity is the usual one of the rule unless it says otherwise. */
export type Case = {
  [R in RuleId]: {
    rule: R;
    facts: FactsOf[R];
    about: readonly (string | Subject)[];
    severity?: Severity;
    /** Tells cases of one rule on the same subjects apart. */
    key?: string;
    fixes?: OfferedFix[];
    line?: Extent;
  };
}[RuleId];

/** A finding whose id follows from its rule and subjects, so that it keeps its id while it lasts. */
export function findingOf({ about, severity, key, fixes = [], line, ...rest }: Case): Finding {
  const subjects = about.map((a) => (typeof a === 'string' ? { item: a } : a));
  const where = subjects.map((s: Subject) => [s.item, s.function ?? s.setting ?? s.slot ?? ''].join('/'));
  const name = key === undefined ? rest.rule : `${rest.rule}.${key}`;
  const extent = line ? ` ${line.resource} ${line.from}` : '';
  return {
    id: `${name}${extent} ${where.join(' ')}`.trim(),
    severity: severity ?? registry[rest.rule].severity[0],
    subjects,
    fixes,
    ...(line ? { line } : {}),
    ...rest
  };
}

/** A finding of one rule. */
export type FindingOf<R extends RuleId> = Extract<Finding, { rule: R }>;
