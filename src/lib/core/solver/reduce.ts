import { covers, disjoint, emptyBits, isEmpty, orInto, setBit, union, type Bits } from './bits';
import { keyOf, there } from '../model';
import type { Compiled, Variable } from './problem';

/** A value of the reduced problem: what it takes, what it rules out, what it costs. */
export interface Node {
  /** Index of the value in its compiled variable. */
  source: number;
  takes: Bits;
  rules: Bits;
  /** Classes that tolerate this value's classes at the cost of a share, with multiplicity. */
  tolerated: number[];
  classes: number[];
  cost: number;
}

export interface Domain {
  /** Index of the compiled variable. */
  variable: number;
  nodes: Node[];
  /** Variables that struck values of it, and those that struck theirs. */
  by: Bits;
}

/** Independent parts of the reduced problem; domains with one node and no neighbour stand alone. */
export interface Reduced {
  components: Domain[][];
}

/** A variable with no value left. */
export interface Emptied {
  emptied: Domain;
}

export interface ReduceOptions {
  /** Functions that take part; left out: all. Removing one removes its lines and its faults. */
  active?: readonly boolean[];
  /** Claims that are left out although their function takes part, as `function claim`. */
  muted?: ReadonlySet<string>;
  /** Ignore costs: only whether there is an answer. */
  feasibility?: boolean;
}

/**
 * Strikes what cannot be in any answer, or need not be in a best one, until nothing changes: values
 * without a partner in some other variable, and values that another one of the same variable beats
 * in cost while ruling out no more. When some variable has nothing left, there is no answer.
 */
export function reduce(compiled: Compiled, options: ReduceOptions = {}): Reduced | Emptied {
  const domains = buildDomains(compiled, options);
  const none = domains.find((d) => d.nodes.length === 0);
  if (none) return { emptied: none };
  let changed = [...domains.keys()];
  while (changed.length) {
    const emptied = arcConsistent(domains, changed);
    if (emptied) return { emptied };
    dropIrrelevant(domains, compiled.classes.length);
    changed = dominated(domains);
  }
  return { components: split(domains) };
}

function buildDomains(compiled: Compiled, { active, muted, feasibility }: ReduceOptions): Domain[] {
  const isActive = (fn: number) => fn < 0 || !active || active[fn];
  const size = compiled.classes.length;
  const takesPart = compiled.classes.map(
    ({ fn, line }) => isActive(fn) && !(line && muted?.has(`${fn} ${line.index}`))
  );
  const nodesOf = ({ values }: Variable): Node[] => {
    const seen = new Set<string>();
    return values.flatMap((value, source): Node[] => {
      if (value.violations.some(isActive)) return [];
      if (value.internal.some(([a, b]) => takesPart[a] && takesPart[b])) return [];
      const classes = value.classes.filter((c) => takesPart[c]);
      if (feasibility) {
        const name = classes.join();
        if (seen.has(name)) return [];
        seen.add(name);
      }
      const takes = emptyBits(size);
      const rules = emptyBits(size);
      const tolerated: number[] = [];
      for (const c of classes) {
        setBit(takes, c);
        orInto(rules, there(compiled.forbidBits[c]));
        if (!feasibility) tolerated.push(...there(compiled.tolerates[c]));
      }
      return [{ source, takes, rules, tolerated, classes, cost: feasibility ? 0 : value.cost }];
    });
  };
  const by = () => emptyBits(compiled.variables.length);
  return (feasibility ? byName(compiled) : [...compiled.variables.keys()]).map((variable) => ({
    variable,
    by: by(),
    nodes: nodesOf(there(compiled.variables[variable]))
  }));
}

const orders = new WeakMap<Compiled, number[]>();

/** Variables by the names of their settings, so that an answer does not hang on the order in which cards were entered. */
function byName(compiled: Compiled): number[] {
  const known = orders.get(compiled);
  if (known) return known;
  const names = compiled.variables.map(({ settings }) =>
    settings
      .map((s) => keyOf(s.item, s.setting))
      .sort()
      .join(' ')
  );
  const order = [...names.keys()].sort((a, b) =>
    there(names[a]) < there(names[b]) ? -1 : Number(there(names[a]) > there(names[b]))
  );
  orders.set(compiled, order);
  return order;
}

export const compatible = (a: Node, b: Node): boolean => disjoint(a.rules, b.takes);

function hasPartner(a: Node, others: readonly Node[]): boolean {
  for (const b of others) if (compatible(a, b)) return true;
  return false;
}

interface Reach {
  takes: Bits;
  rules: Bits;
}

/** Everything that the values of a domain take and rule out. */
export function reachOf({ nodes }: Domain): Reach {
  const takes = there(nodes[0]).takes.slice();
  const rules = there(nodes[0]).rules.slice();
  for (const node of nodes) {
    orInto(takes, node.takes);
    orInto(rules, node.rules);
  }
  return { takes, rules };
}

/**
 * Removes values that no value of some other variable goes with.
 * @param changed domains that have fewer values than when they were last looked at
 * @returns a variable that is left with none
 */
function arcConsistent(domains: Domain[], changed: readonly number[]): Domain | null {
  const reach = domains.map(reachOf);
  const open = [...domains.keys()].filter((i) => !isEmpty(there(reach[i]).takes));
  const queue = new Set(changed);
  for (const j of queue) {
    queue.delete(j);
    if (isEmpty(there(reach[j]).rules)) continue;
    const against = there(domains[j]).nodes;
    for (const i of open) {
      if (i === j || disjoint(there(reach[i]).takes, there(reach[j]).rules)) continue;
      const { nodes } = there(domains[i]);
      const kept = nodes.filter((a) => disjoint(a.rules, there(reach[j]).takes) || hasPartner(a, against));
      if (kept.length === nodes.length) continue;
      there(domains[i]).nodes = kept;
      orInto(there(domains[i]).by, there(domains[j]).by);
      setBit(there(domains[i]).by, there(domains[j]).variable);
      if (there(domains[i]).nodes.length === 0) return there(domains[i]);
      queue.add(i);
    }
  }
  return null;
}

/** Forgets classes that meet nothing any more, so that more values become alike. */
function dropIrrelevant(domains: readonly Domain[], size: number): void {
  const reach = domains.map(reachOf);
  // What the domains before and after each one take and rule out, gathered once from either end.
  const after: Reach[] = [];
  let sum: Reach = { takes: emptyBits(size), rules: emptyBits(size) };
  for (let i = domains.length - 1; i >= 0; i--) {
    after[i] = sum;
    sum = { takes: union(sum.takes, there(reach[i]).takes), rules: union(sum.rules, there(reach[i]).rules) };
  }
  const before: Reach = { takes: emptyBits(size), rules: emptyBits(size) };
  domains.forEach(({ nodes }, i) => {
    const { takes, rules } = there(after[i]);
    for (const node of nodes)
      for (let w = 0; w < node.rules.length; w++) {
        node.rules[w] = there(node.rules[w]) & (there(takes[w]) | there(before.takes[w]));
        node.takes[w] = there(node.takes[w]) & (there(rules[w]) | there(before.rules[w]));
      }
    orInto(before.takes, there(reach[i]).takes);
    orInto(before.rules, there(reach[i]).rules);
  });
  if (domains.some(({ nodes }) => nodes.some((n) => n.tolerated.length))) dropTolerance(domains, size);
}

/** Forgets tolerated classes that no other domain takes any more. */
function dropTolerance(domains: readonly Domain[], size: number): void {
  const owners = domains.map(({ nodes }) => new Set(nodes.flatMap((n) => n.classes)));
  const takenBy = new Int32Array(size);
  for (const own of owners) for (const c of own) takenBy[c] = there(takenBy[c]) + 1;
  domains.forEach(({ nodes }, i) => {
    for (const node of nodes)
      node.tolerated = node.tolerated.filter((c) => there(takenBy[c]) > (there(owners[i]).has(c) ? 1 : 0));
  });
}

/** Removes values that another value of the variable beats. Equal ones: the first stays. @returns the domains it changed */
function dominated(domains: readonly Domain[]): number[] {
  const changed: number[] = [];
  for (const [i, domain] of domains.entries()) {
    const { nodes } = domain;
    const kept = nodes.filter(
      (b, j) => !nodes.some((a, i) => i !== j && beats(a, b) && (i < j || !beats(b, a)))
    );
    if (kept.length === nodes.length) continue;
    domain.nodes = kept;
    changed.push(i);
  }
  return changed;
}

/** Costs no more, rules out no more, and cannot add to the shares. */
const beats = (a: Node, b: Node) => a.cost <= b.cost && a.tolerated.length === 0 && covers(b.rules, a.rules);

/** Connected components by clash or tolerated share between the values that are left. */
function split(domains: readonly Domain[]): Domain[][] {
  const reach = domains.map(reachOf);
  const tolerant = domains.map(({ nodes }) => nodes.some((n) => n.tolerated.length > 0));
  const near = (i: number, j: number) =>
    (tolerant[i] && tolerant[j]) || !disjoint(there(reach[i]).rules, there(reach[j]).takes);
  const component = domains.map((_, i) => i);
  const root = (i: number): number => (component[i] === i ? i : (component[i] = root(there(component[i]))));
  for (let i = 0; i < domains.length; i++)
    for (let j = i + 1; j < domains.length; j++)
      if (root(i) !== root(j) && near(i, j) && linked(there(domains[i]), there(domains[j])))
        component[root(j)] = root(i);
  const groups = new Map<number, Domain[]>();
  domains.forEach((domain, i) => groups.set(root(i), [...(groups.get(root(i)) ?? []), domain]));
  return [...groups.values()];
}

/** Whether the choice in one domain matters to the other. */
export function linked(a: Domain, b: Domain): boolean {
  return a.nodes.some((x) =>
    b.nodes.some((y) => !compatible(x, y) || x.tolerated.some((c) => y.classes.includes(c)))
  );
}
