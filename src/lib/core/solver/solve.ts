import { Budget, attempt } from '../kernel';
import { keyOf, there } from '../model';
import { add, type Objective } from './objective';
import { binsOf, type Bins } from './bins';
import { findAnswer } from './dive';
import type { Compiled } from './problem';
import { listOf } from './bits';
import { reduce, type Domain, type Node, type Reduced, type ReduceOptions } from './reduce';
import { solveComponent } from './component';

export interface Limits {
  /** Search nodes after which the best found so far is returned. */
  maxNodes: number;
  /** Asked now and then; true ends the search. */
  shouldStop?: () => boolean;
}

export interface Answer {
  /** Position of every setting, by `item/setting`. */
  positions: Map<string, string>;
  objective: Objective;
}

export type Outcome =
  | { kind: 'solved'; optimal: boolean; answer: Answer; bound: Objective; nodes: number }
  | { kind: 'impossible'; nodes: number }
  | { kind: 'stopped'; bound: Objective; nodes: number };

/** The best answer of a compiled machine, or the certainty that there is none. */
export function solve(compiled: Compiled, limits: Limits): Outcome {
  const budget = new Budget(limits.maxNodes, limits.shouldStop);
  const reduced = reduce(compiled);
  if ('emptied' in reduced) return { kind: 'impossible', nodes: budget.nodes };
  const positions = new Map(compiled.fixed);
  let cost = 0;
  let bound = 0;
  let optimal = true;
  let missing = false;
  const note = (variable: number, source: number) => {
    const { settings, values } = there(compiled.variables[variable]);
    settings.forEach((s, i) =>
      positions.set(keyOf(s.item, s.setting), there(there(values[source]).positions[i]))
    );
  };
  // Whether there is an answer at all is far cheaper to know than which is best.
  const against = attempt(
    () => unanswerable(reduced, binsOf(compiled), budget),
    () => null
  );
  if (against) return { kind: 'impossible', nodes: budget.nodes };
  // Small components first: an impossible one is usually found there.
  for (const component of [...reduced.components].sort((a, b) => a.length - b.length)) {
    const found = solveComponent(compiled, component, budget);
    if (!found.nodes && found.optimal) return { kind: 'impossible', nodes: budget.nodes };
    bound += found.bound;
    optimal &&= found.optimal;
    const { nodes } = found;
    if (!nodes) missing = true;
    else {
      cost += found.cost;
      component.forEach((domain, i) => note(domain.variable, there(nodes[i]).source));
    }
  }
  const whole = (packed: number) => add(compiled.base, compiled.packing.unpack(packed));
  if (missing) return { kind: 'stopped', bound: whole(bound), nodes: budget.nodes };
  return {
    kind: 'solved',
    optimal,
    answer: { positions, objective: whole(cost) },
    bound: whole(bound),
    nodes: budget.nodes
  };
}

/** Nodes of one question among hundreds: whether some of the machine can live together, or the machine after a change. */
const QUESTION_NODES = 1500;

/** The limits of one question among many. */
export const ofQuestion = (limits: Limits): Limits => ({
  ...limits,
  maxNodes: Math.min(limits.maxNodes, QUESTION_NODES)
});

/** Whether some functions can live together. Null: the limit came first. */
export interface Verdict {
  possible: boolean | null;
  /** When they cannot: the variables among which it showed, as a hint where to look. */
  among: ReadonlySet<number>;
  /** When they can: for each variable the index of a value with which they do. */
  chosen: readonly number[];
  nodes: number;
}

/** Whether the functions marked active can live together, some of their claims left out if wished. */
export function judge(
  compiled: Compiled,
  limits: Limits,
  only: Pick<ReduceOptions, 'active' | 'muted'> = {}
): Verdict {
  const reduced = reduce(compiled, { ...only, feasibility: true });
  const budget = new Budget(limits.maxNodes, limits.shouldStop);
  const chosen: number[] = [];
  const verdict = (possible: boolean | null, domains: readonly Domain[] = []): Verdict => ({
    possible,
    among: involved(domains),
    chosen,
    nodes: budget.nodes
  });
  if ('emptied' in reduced) return verdict(false, [reduced.emptied]);
  const note = ({ variable }: Domain, { source }: Node) => (chosen[variable] = source);
  const against = attempt(
    () => unanswerable(reduced, binsOf(compiled), budget, note),
    () => null
  );
  if (against === null) return verdict(null);
  return against ? verdict(false, against) : verdict(true);
}

/** Whether the functions of a machine can live together. Null: the limit came first. */
export const feasible = (compiled: Compiled, limits: Limits): boolean | null =>
  judge(compiled, limits).possible;

/** The first component that has no answer, small ones first; notes the answers of those before it. */
function unanswerable(
  { components }: Reduced,
  bins: Bins,
  budget: Budget,
  note: (domain: Domain, node: Node) => void = () => {}
): Domain[] | undefined {
  return [...components]
    .sort((a, b) => a.length - b.length)
    .find((component) => {
      const answer = findAnswer(component, bins, budget);
      answer?.forEach((node, i) => note(there(component[i]), node));
      return !answer;
    });
}

/** Variables of some domains, and those that struck values of theirs. */
function involved(domains: readonly Domain[]): Set<number> {
  const all = new Set<number>();
  for (const { variable, by } of domains) {
    all.add(variable);
    for (const v of listOf(by)) all.add(v);
  }
  return all;
}
