import { keyOf } from '../model';
import { add, type Objective } from './objective';
import { binsOf, type Bins } from './bins';
import { hasAnswer } from './dive';
import type { Compiled } from './problem';
import { reduce, type Reduced, type ReduceOptions } from './reduce';
import { solveComponent } from './component';
import { Budget, Stopped } from './search';

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
  if (!reduced) return { kind: 'impossible', nodes: budget.nodes };
  const positions = new Map(compiled.fixed);
  let cost = 0;
  let bound = 0;
  let optimal = true;
  let missing = false;
  const note = (variable: number, source: number) => {
    const { settings, values } = compiled.variables[variable];
    settings.forEach((s, i) => positions.set(keyOf(s.item, s.setting), values[source].positions[i]));
  };
  // Whether there is an answer at all is far cheaper to know than which is best.
  try {
    if (!answerable(reduced, binsOf(compiled), budget)) return { kind: 'impossible', nodes: budget.nodes };
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
  }
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
      component.forEach((domain, i) => note(domain.variable, nodes[i].source));
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

/**
 * Whether the functions marked active can live together, some of their claims left out if wished.
 * Null: the limit came first.
 */
export function feasible(
  compiled: Compiled,
  limits: Limits,
  only: Pick<ReduceOptions, 'active' | 'muted'> = {}
): boolean | null {
  const reduced = reduce(compiled, { ...only, feasibility: true });
  if (!reduced) return false;
  const budget = new Budget(limits.maxNodes, limits.shouldStop);
  try {
    return answerable(reduced, binsOf(compiled), budget);
  } catch (error) {
    if (error instanceof Stopped) return null;
    throw error;
  }
}

/** Whether every component has an answer, small ones first. */
const answerable = ({ components }: Reduced, bins: Bins, budget: Budget): boolean =>
  [...components]
    .sort((a, b) => a.length - b.length)
    .every((component) => hasAnswer(component, bins, budget));
