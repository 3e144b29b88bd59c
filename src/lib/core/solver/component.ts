import { Budget, attempt, isStopped } from '../kernel';
import { entryOf, sure, there } from '../model';
import { leastAssignment } from './assignment';
import { COUNTED, binsOf } from './bins';
import { disjoint, emptyBits, hasBit, setBit } from './bits';
import { findAnswer } from './dive';
import type { Compiled } from './problem';
import { compatible, linked, type Domain, type Node } from './reduce';
import { BranchAndBound, type ExtraBound, type Found, type State } from './search';

const start = (size: number): State => ({ ruled: emptyBits(size), tolerated: new Int16Array(size) });

/** Which resource a domain mostly competes for; domains of one kind are bounded together. */
function kindOf(compiled: Compiled, domain: Domain): string {
  const resources = new Set<string>();
  for (const node of domain.nodes)
    for (const c of node.classes) {
      const line = there(compiled.classes[c]).line;
      if (!line) continue;
      if (hasBit(node.takes, c)) resources.add(line.resource);
    }
  return ['irq', 'dma', 'memory', 'io'].find((r) => resources.has(r)) ?? 'choice';
}

/** Domains that are bounded together at the most; more cost too much to solve at every step. */
const CLUSTER = { few: 7, lines: 12 };

/**
 * Parts a group into clusters whose members stand in each other's way most: a cluster starts with
 * the domain that is most in the way and takes in whoever costs its members most.
 */
function clusters(group: readonly Domain[]): Domain[][] {
  const size = group.length <= CLUSTER.lines ? CLUSTER.lines : CLUSTER.few;
  if (group.length <= size) return [[...group]];
  const index = new Map(group.map((d, i) => [d, i]));
  const strain = group.map((a) => group.map((b) => (a === b ? 0 : strainOf(a, b))));
  const total = (d: Domain, others: Iterable<Domain>) =>
    [...others].reduce((sum, e) => sum + there(there(strain[entryOf(index, d)])[entryOf(index, e)]), 0);
  const left = new Set(group);
  const out: Domain[][] = [];
  while (left.size) {
    const cluster: Domain[] = [];
    while (cluster.length < size && left.size) {
      const near = cluster.length ? cluster : [...left];
      const next = [...left].reduce((a, b) => (total(b, near) > total(a, near) ? b : a));
      cluster.push(next);
      left.delete(next);
    }
    out.push(cluster);
  }
  return out;
}

/** What two domains cost together above what each costs alone, plus a little for being tied. */
function strainOf(a: Domain, b: Domain): number {
  const least = (d: Domain) => Math.min(...d.nodes.map((n) => n.cost));
  let together = Infinity;
  let tied = 0;
  for (const x of a.nodes)
    for (const y of b.nodes)
      if (compatible(x, y)) together = Math.min(together, x.cost + y.cost);
      else tied++;
  return (together === Infinity ? 1e12 : together - least(a) - least(b)) + tied * 1e-3;
}

/** Orders domains so that each next one is tied to those before it; small ones first. */
function ordered(domains: readonly Domain[]): Domain[] {
  const left = [...domains];
  const ties = new Map(left.map((d) => [d, new Set(left.filter((e) => e !== d && linked(d, e)))]));
  const out: Domain[] = [];
  while (left.length) {
    const score = (d: Domain) => out.filter((e) => entryOf(ties, d).has(e)).length;
    left.sort(
      (a, b) =>
        score(b) - score(a) ||
        a.nodes.length - b.nodes.length ||
        entryOf(ties, b).size - entryOf(ties, a).size ||
        a.variable - b.variable
    );
    out.push(...left.splice(0, 1));
  }
  return out;
}

/**
 * Solves one component exactly: domains of one resource form a group that is solved by itself, and
 * the sum of the groups bounds the whole. Where nothing couples the groups the bound is the answer.
 */
export function solveComponent(compiled: Compiled, component: readonly Domain[], budget: Budget): Found {
  if (component.length === 1 && there(component[0]).nodes.every((n) => n.tolerated.length === 0))
    return cheapest(there(component[0]));
  const shareCost = compiled.packing.of('shares');
  const kinds = component.map((domain) => kindOf(compiled, domain));
  const { domains, size, tolerantWith } = compact(compiled, component);
  const groups = new Map<string, Domain[]>();
  domains.forEach((domain, i) =>
    groups.set(there(kinds[i]), [...(groups.get(there(kinds[i])) ?? []), domain])
  );
  const parted = ['choice', 'irq', 'dma', 'memory', 'io'].flatMap((kind) =>
    groups.has(kind) ? clusters(entryOf(groups, kind)).map((c) => ({ kind, domains: ordered(c) })) : []
  );
  const order = parted.map((p) => p.domains);
  const make = (domains: readonly Domain[], spend: Budget, bound?: ExtraBound) =>
    new BranchAndBound(domains, size, shareCost, tolerantWith, spend, bound);
  const flat = order.flat();
  // Of a resource that went into several clusters all domains are bounded together as well.
  const torn = COUNTED.filter((kind) => parted.filter((p) => p.kind === kind).length > 1);
  const rows = torn.map((kind) => rowsOf(compiled, component, flat, entryOf(groups, kind), kind));
  const bound =
    order.length > 1
      ? groupBound(
          order,
          make,
          budget,
          parted.map((p) => torn.indexOf(p.kind as (typeof torn)[number])),
          rows
        )
      : undefined;
  const search = make(flat, budget, bound);
  const state = start(size);
  let lower = search.plainBound(0, state);
  const inOrder = (nodes: Node[]) => domains.map((d) => there(nodes[flat.indexOf(d)]));
  // Any answer is a limit for the rest, and what is left when the search has to stop.
  const first = firstAnswer(compiled, component, search, state, domains);
  return attempt(
    (): Found => {
      if (bound) lower = Math.max(lower, bound(0, state, Infinity));
      const cost = search.best(0, state, first ? first.cost + 1 : Infinity);
      const nodes = cost === Infinity ? null : inOrder(search.trace(state, cost));
      return { nodes, cost, bound: cost, optimal: true };
    },
    (): Found => {
      const dive = search.dive(state, 20_000);
      if (first && (!dive || first.cost <= dive.cost))
        return { nodes: first.nodes, cost: first.cost, bound: lower, optimal: first.cost === lower };
      return {
        nodes: dive && inOrder(dive.nodes),
        cost: dive?.cost ?? Infinity,
        bound: lower,
        optimal: dive !== null && dive.cost === lower
      };
    }
  );
}

/** How many nodes the search for a first answer may take. */
const FIRST_NODES = 4000;

/** An answer, cheap values first; null: none was met in short time. */
function firstAnswer(
  compiled: Compiled,
  component: readonly Domain[],
  search: BranchAndBound,
  start: State,
  domains: readonly Domain[]
): { nodes: Node[]; cost: number } | null {
  const cheapFirst = component.map(({ variable, by, nodes }) => ({
    variable,
    by,
    nodes: [...nodes].sort((a, b) => a.cost - b.cost || a.source - b.source)
  }));
  const found = attempt(
    () => findAnswer(cheapFirst, binsOf(compiled), new Budget(FIRST_NODES)),
    () => null
  );
  if (!found) return null;
  const nodes = domains.map((d, i) => nodeOf(d, there(found[i]).source));
  let state = start;
  let cost = 0;
  for (const domain of search.domains) {
    const node = there(nodes[domains.indexOf(domain)]);
    cost += search.step(node, state);
    state = search.after(node, state);
  }
  return { nodes, cost };
}

function cheapest({ nodes }: Domain): Found {
  const best = nodes.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { nodes: [best], cost: best.cost, bound: best.cost, optimal: true };
}

/** The component with only the classes that still matter in it, numbered anew from 0. */
function compact(compiled: Compiled, component: readonly Domain[]) {
  const names = new Map<number, number>();
  const tolerant = new Set(component.flatMap((d) => d.nodes.flatMap((n) => n.tolerated)));
  for (const { nodes } of component)
    for (const node of nodes)
      for (const c of node.classes)
        if (!names.has(c) && (hasBit(node.takes, c) || tolerant.has(c))) names.set(c, names.size);
  const size = names.size;
  const domains = component.map(({ variable, by, nodes }): Domain => ({
    variable,
    by,
    nodes: nodes
      .map((node): Node => {
        const takes = emptyBits(size);
        const rules = emptyBits(size);
        for (const [c, id] of names) {
          if (hasBit(node.takes, c)) setBit(takes, id);
          if (hasBit(node.rules, c)) setBit(rules, id);
        }
        const rename = (list: readonly number[]) => list.flatMap((c) => names.get(c) ?? []);
        return {
          ...node,
          takes,
          rules,
          classes: rename(node.classes).filter((c, i, all) => all.indexOf(c) === i),
          tolerated: rename(node.tolerated)
        };
      })
      .sort((a, b) => a.cost - b.cost || a.source - b.source)
  }));
  const tolerantWith: number[][] = Array.from({ length: size }, () => []);
  for (const [c, id] of names)
    if (tolerant.has(c)) tolerantWith[id] = there(compiled.tolerates[c]).flatMap((d) => names.get(d) ?? []);
  return { domains, size, tolerantWith };
}

type Make = (domains: readonly Domain[], spend: Budget) => BranchAndBound;

/** How many nodes one group may spend on its bounds before the plain bound serves. */
const GROUP_NODES = 400_000;

/** A domain that competes for the lines of one resource: its place in the order, and the bins of each of its nodes. */
interface Row {
  depth: number;
  nodes: { node: Node; bins: number[] }[];
}

/** The node of a domain that stands for a value of the problem. */
const nodeOf = (domain: Domain, source: number): Node =>
  sure(
    domain.nodes.find((n) => n.source === source),
    'domain value'
  );

/** The domain of a variable. */
const domainOf = (domains: readonly Domain[], variable: number): Domain =>
  sure(
    domains.find((d) => d.variable === variable),
    'variable domain'
  );

function rowsOf(
  compiled: Compiled,
  component: readonly Domain[],
  flat: readonly Domain[],
  group: readonly Domain[],
  kind: (typeof COUNTED)[number]
): Row[] {
  const bins = there(binsOf(compiled).of[COUNTED.indexOf(kind)]);
  return group.map((domain): Row => {
    const { nodes } = domainOf(component, domain.variable);
    const taken = new Map(
      nodes.map((n) => [
        n.source,
        [
          ...new Set(
            n.classes.flatMap((c) => (there(n.takes[c >>> 5]) & (1 << (c & 31)) ? there(bins[c]) : []))
          )
        ]
      ])
    );
    return {
      depth: flat.indexOf(domain),
      nodes: domain.nodes.map((node) => ({ node, bins: entryOf(taken, node.source) }))
    };
  });
}

/** What domains cost at the least when each has a bin of its own. */
function assigned(
  rows: readonly Row[],
  depth: number,
  state: State,
  step: (n: Node, s: State) => number
): number {
  const open = rows.filter((r) => r.depth >= depth);
  const columnOf = new Map<number, number>();
  for (const { nodes } of open)
    for (const { bins } of nodes) for (const b of bins) if (!columnOf.has(b)) columnOf.set(b, columnOf.size);
  // Behind the bins each row has a column of its own for what takes none.
  const columns = columnOf.size + open.length;
  const cost = new Float64Array(open.length * columns).fill(Infinity);
  open.forEach(({ nodes }, r) => {
    const least = (c: number, value: number) => {
      const at = r * columns + c;
      if (value < there(cost[at])) cost[at] = value;
    };
    for (const { node, bins } of nodes) {
      if (!disjoint(node.takes, state.ruled)) continue;
      const value = step(node, state);
      for (const b of bins) least(entryOf(columnOf, b), value);
      if (!bins.length) least(columnOf.size + r, value);
    }
  });
  return leastAssignment(cost, open.length, columns);
}

/**
 * The sum over groups of what each costs by itself, solved exactly as far as the limit asks.
 * @param tornOf for each group, the resource that it has only a part of, as an index into `rows`; −1: it has the whole
 */
function groupBound(
  order: readonly Domain[][],
  make: Make,
  budget: Budget,
  tornOf: readonly number[],
  rows: readonly Row[][]
): ExtraBound {
  let starts = 0;
  const groups = order.map((domains, i) => {
    const start = starts;
    starts += domains.length;
    const spend = new Budget(GROUP_NODES, () => {
      budget.spend();
      return false;
    });
    return { search: make(domains, spend), start, length: domains.length, torn: there(tornOf[i]) };
  });
  let tries = 0;
  let gains = 0;
  return (depth, state, limit, isRough) => {
    const open = groups.flatMap(({ search, start, length, torn }) => {
      const local = Math.max(0, depth - start);
      return local < length ? [{ search, local, torn, plain: search.plainBound(local, state) }] : [];
    });
    let sum = open.reduce((total, g) => total + g.plain, 0);
    const inAll = rows.map(() => 0);
    for (const { search, local, torn, plain } of open) {
      if (sum >= limit) return sum;
      const own = boundOf(search, local, state, limit - sum + plain, plain, budget);
      sum += own - plain;
      if (torn >= 0) inAll[torn] = there(inAll[torn]) + own;
    }
    if (isRough) return sum;
    const step = (node: Node, s: State) => there(groups[0]).search.step(node, s);
    // Where it hardly ever says more than the clusters do it is left out.
    for (let i = 0; i < rows.length && sum < limit && (tries < 60 || gains * 6 > tries); i++) {
      const more = assigned(there(rows[i]), depth, state, step) - there(inAll[i]);
      tries++;
      if (more <= 0) continue;
      gains++;
      sum += more;
    }
    return sum;
  };
}

function boundOf(
  search: BranchAndBound,
  depth: number,
  state: State,
  limit: number,
  plain: number,
  budget: Budget
): number {
  // Asked at every node: without a function made for it.
  try {
    return search.best(depth, state, limit);
  } catch (error) {
    if (!isStopped(error)) throw error;
    // The whole run may be over, and then this throws again; otherwise only the group gave up.
    budget.spend();
    return plain;
  }
}
