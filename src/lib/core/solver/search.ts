import { disjoint, emptyBits, orInto, setBit, union, type Bits } from './bits';
import type { Compiled } from './problem';
import { compatible, linked, type Domain, type Node } from './reduce';

/** Thrown inside the search when its limit is reached or the user stops it. */
export class Stopped extends Error {}

/** One for all: making a new one costs more than a search node. */
const STOPPED = new Stopped('the search was stopped');

/** Counts the nodes of one run and stops it. */
export class Budget {
  nodes = 0;
  constructor(
    private readonly limit: number,
    private readonly shouldStop: () => boolean = () => false
  ) {}

  spend(): void {
    this.nodes++;
    if (this.nodes > this.limit || (this.nodes % 512 === 0 && this.shouldStop())) throw STOPPED;
  }
}

export interface Found {
  /** Chosen node of each domain, parallel to the component. Null: none was found. */
  nodes: Node[] | null;
  cost: number;
  /** No answer costs less than this. */
  bound: number;
  optimal: boolean;
}

interface State {
  /** Classes that may no longer be taken. */
  ruled: Bits;
  /** How often each class is tolerated so far, for classes that can be. */
  tolerated: Int16Array;
}

/** A better bound for what is left, exact work only as far as `limit` asks for it. */
type ExtraBound = (depth: number, state: State, limit: number) => number;

interface Entry {
  bound: number;
  exact: boolean;
}

/** How many entries the tables of one search keep before they start over. */
const TABLE_LIMIT = 400_000;

/**
 * Depth-first branch and bound over domains in a fixed order, with a table of what is known about
 * each state. Two partial choices that rule out the same for what follows are one state, so
 * machines in which many cards compete for few lines need few states.
 */
class BranchAndBound {
  private readonly tables: Map<string, Entry>[];
  private entries = 0;
  private readonly sharing: boolean;
  private readonly future: Bits[];
  private readonly futureTolerant: number[][];

  constructor(
    readonly domains: readonly Domain[],
    size: number,
    private readonly shareCost: number,
    private readonly tolerantWith: readonly number[][],
    private readonly budget: Budget,
    private readonly extraBound?: ExtraBound
  ) {
    this.sharing = tolerantWith.some((list) => list.length > 0);
    this.tables = domains.map(() => new Map());
    this.future = domains.map(() => emptyBits(size));
    this.futureTolerant = domains.map(() => []);
    const ahead = emptyBits(size);
    const tolerant = new Set<number>();
    for (let i = domains.length - 1; i >= 0; i--) {
      for (const node of domains[i].nodes) {
        orInto(ahead, node.takes);
        for (const c of node.classes) if (tolerantWith[c].length) tolerant.add(c);
      }
      this.future[i] = ahead.slice();
      this.futureTolerant[i] = [...tolerant].sort((a, b) => a - b);
    }
  }

  private key(depth: number, { ruled, tolerated }: State): string {
    const future = this.future[depth];
    let key = '';
    for (let w = 0; w < future.length; w++)
      if (future[w]) key += String.fromCharCode((ruled[w] & future[w]) >>> 16, ruled[w] & future[w] & 0xffff);
    for (const c of this.futureTolerant[depth]) if (tolerated[c]) key += `,${c}:${tolerated[c]}`;
    return key;
  }

  /** What a node adds in this state. */
  step(node: Node, state: State): number {
    if (!this.sharing) return node.cost;
    let shares = 0;
    for (const c of node.classes) shares += state.tolerated[c];
    return node.cost + shares * this.shareCost;
  }

  after(node: Node, state: State): State {
    if (node.tolerated.length === 0)
      return { ruled: union(state.ruled, node.rules), tolerated: state.tolerated };
    const tolerated = state.tolerated.slice();
    for (const c of node.classes) for (const d of this.tolerantWith[c]) tolerated[d]++;
    return { ruled: union(state.ruled, node.rules), tolerated };
  }

  /**
   * The least cost from `depth` on. Below `limit` the answer is exact; from `limit` on it is a
   * lower bound. Infinity: there is no completion.
   */
  best(depth: number, state: State, limit: number): number {
    if (depth === this.domains.length) return 0;
    const table = this.tables[depth];
    const key = this.key(depth, state);
    const known = table.get(key);
    if (known && (known.exact || known.bound >= limit)) return known.bound;
    this.budget.spend();
    const ahead = this.lookAhead(depth, state);
    if (ahead.exact || ahead.bound >= limit) return this.keep(table, key, ahead.bound, ahead.exact);
    let bound = ahead.bound;
    if (this.extraBound) {
      bound = Math.max(bound, this.extraBound(depth, state, limit));
      if (bound === Infinity) return this.keep(table, key, Infinity, true);
      if (bound >= limit) return this.keep(table, key, bound, false);
    }
    let least = Infinity;
    for (const { node, cost, hope } of this.branches(depth, state, limit)) {
      const room = Math.min(limit, least);
      if (hope >= room) {
        least = Math.min(least, hope);
        break;
      }
      least = Math.min(least, cost + this.best(depth + 1, this.after(node, state), room - cost));
      if (least === bound) break;
    }
    return least === Infinity
      ? this.keep(table, key, Infinity, true)
      : this.keep(table, key, least, least < limit);
  }

  private keep(table: Map<string, Entry>, key: string, bound: number, exact: boolean): number {
    if (++this.entries > TABLE_LIMIT) {
      this.tables.forEach((t) => t.clear());
      this.entries = 0;
    }
    table.set(key, { bound, exact });
    return bound;
  }

  /** The options with what each can hope for, the most hopeful first. */
  private branches(depth: number, state: State, limit: number): { node: Node; cost: number; hope: number }[] {
    const options = this.options(depth, state);
    if (!this.extraBound) return options.map((o) => ({ ...o, hope: o.cost }));
    return options
      .map((o) => ({
        ...o,
        hope: o.cost + this.hopeAfter(depth + 1, this.after(o.node, state), limit - o.cost)
      }))
      .sort((a, b) => a.hope - b.hope || a.cost - b.cost || a.node.source - b.node.source);
  }

  private hopeAfter(depth: number, state: State, limit: number): number {
    return depth === this.domains.length ? 0 : this.extraBound!(depth, state, limit);
  }

  /** Nodes that are still possible, cheapest first; equal ones in the order of the part. */
  options(depth: number, state: State): { node: Node; cost: number }[] {
    return this.domains[depth].nodes
      .filter((node) => disjoint(node.takes, state.ruled))
      .map((node) => ({ node, cost: this.step(node, state) }))
      .sort((a, b) => a.cost - b.cost || a.node.source - b.node.source);
  }

  /** Cheapest node of each domain ahead: a bound, and exact when those nodes go together. */
  private lookAhead(depth: number, state: State): Entry {
    let bound = 0;
    let together = true;
    let ruled = state.ruled;
    for (let i = depth; i < this.domains.length; i++) {
      let cheapest = Infinity;
      let fits: Node | null = null;
      for (const node of this.domains[i].nodes) {
        if (!disjoint(node.takes, state.ruled)) continue;
        const cost = this.step(node, state);
        if (cost < cheapest) {
          cheapest = cost;
          fits = null;
        }
        if (
          together &&
          cost === cheapest &&
          !fits &&
          node.tolerated.length === 0 &&
          disjoint(node.takes, ruled)
        )
          fits = node;
      }
      if (cheapest === Infinity) return { bound: Infinity, exact: true };
      bound += cheapest;
      if (together && fits) ruled = union(ruled, fits.rules);
      else together = false;
    }
    return { bound, exact: together };
  }

  /** Follows the table from the top to an answer of that cost. */
  trace(state: State, total: number): Node[] {
    const chosen: Node[] = [];
    let rest = total;
    for (let depth = 0; depth < this.domains.length; depth++) {
      let taken: Node | null = null;
      for (const { node, cost } of this.options(depth, state)) {
        if (cost > rest) break;
        const next = this.after(node, state);
        if (cost + this.best(depth + 1, next, rest - cost + 1) === rest) {
          taken = node;
          rest -= cost;
          state = next;
          break;
        }
      }
      if (!taken) throw new Error('the search lost its own answer');
      chosen.push(taken);
    }
    return chosen;
  }

  /** The first answer that a plain dive with backtracking meets within so many steps. */
  dive(state: State, steps: number): { nodes: Node[]; cost: number } | null {
    let left = steps;
    const walk = (depth: number, at: State): { nodes: Node[]; cost: number } | null => {
      if (depth === this.domains.length) return { nodes: [], cost: 0 };
      for (const { node, cost } of this.options(depth, at)) {
        if (left-- <= 0) return null;
        const rest = walk(depth + 1, this.after(node, at));
        if (rest) return { nodes: [node, ...rest.nodes], cost: cost + rest.cost };
      }
      return null;
    };
    return walk(0, state);
  }

  plainBound(depth: number, state: State): number {
    return this.lookAhead(depth, state).bound;
  }
}

const start = (size: number): State => ({ ruled: emptyBits(size), tolerated: new Int16Array(size) });

/** Which resource a domain mostly competes for; domains of one kind are bounded together. */
function kindOf(compiled: Compiled, domain: Domain): string {
  const resources = new Set<string>();
  for (const node of domain.nodes)
    for (const c of node.classes) {
      const line = compiled.classes[c].line;
      if (!line) continue;
      const bit = node.takes[c >>> 5] & (1 << (c & 31));
      if (bit) resources.add(line.resource);
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
    [...others].reduce((sum, e) => sum + strain[index.get(d)!][index.get(e)!], 0);
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
    const score = (d: Domain) => out.filter((e) => ties.get(d)!.has(e)).length;
    left.sort(
      (a, b) =>
        score(b) - score(a) ||
        a.nodes.length - b.nodes.length ||
        ties.get(b)!.size - ties.get(a)!.size ||
        a.variable - b.variable
    );
    out.push(left.shift()!);
  }
  return out;
}

/**
 * Solves one component exactly: domains of one resource form a group that is solved by itself, and
 * the sum of the groups bounds the whole. Where nothing couples the groups the bound is the answer.
 */
export function solveComponent(compiled: Compiled, component: readonly Domain[], budget: Budget): Found {
  if (component.length === 1 && component[0].nodes.every((n) => n.tolerated.length === 0))
    return cheapest(component[0]);
  const shareCost = compiled.packing.of('shares');
  const kinds = component.map((domain) => kindOf(compiled, domain));
  const { domains, size, tolerantWith } = compact(compiled, component);
  const groups = new Map<string, Domain[]>();
  domains.forEach((domain, i) => groups.set(kinds[i], [...(groups.get(kinds[i]) ?? []), domain]));
  const order = ['choice', 'irq', 'dma', 'memory', 'io'].flatMap((k) =>
    groups.has(k) ? clusters(groups.get(k)!).map(ordered) : []
  );
  const make = (domains: readonly Domain[], spend: Budget, bound?: ExtraBound) =>
    new BranchAndBound(domains, size, shareCost, tolerantWith, spend, bound);
  const flat = order.flat();
  const bound = order.length > 1 ? groupBound(order, make, budget) : undefined;
  const search = make(flat, budget, bound);
  const state = start(size);
  let lower = search.plainBound(0, state);
  const inOrder = (nodes: Node[]) => domains.map((d) => nodes[flat.indexOf(d)]);
  try {
    if (bound) lower = Math.max(lower, bound(0, state, Infinity));
    const cost = search.best(0, state, Infinity);
    if (cost === Infinity) return { nodes: null, cost, bound: cost, optimal: true };
    return { nodes: inOrder(search.trace(state, cost)), cost, bound: cost, optimal: true };
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    const dive = search.dive(state, 20_000);
    return {
      nodes: dive && inOrder(dive.nodes),
      cost: dive?.cost ?? Infinity,
      bound: lower,
      optimal: dive !== null && dive.cost === lower
    };
  }
}

function cheapest({ nodes }: Domain): Found {
  const best = nodes.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { nodes: [best], cost: best.cost, bound: best.cost, optimal: true };
}

/** The component with only the classes that still matter in it, numbered anew from 0. */
function compact(compiled: Compiled, component: readonly Domain[]) {
  const names = new Map<number, number>();
  const tolerant = new Set(component.flatMap((d) => d.nodes.flatMap((n) => n.tolerated)));
  const has = (bits: Bits, c: number) => (bits[c >>> 5] >>> (c & 31)) & 1;
  for (const { nodes } of component)
    for (const node of nodes)
      for (const c of node.classes)
        if (!names.has(c) && (has(node.takes, c) || tolerant.has(c))) names.set(c, names.size);
  const size = names.size;
  const domains = component.map(({ variable, nodes }): Domain => ({
    variable,
    nodes: nodes.map((node): Node => {
      const takes = emptyBits(size);
      const rules = emptyBits(size);
      for (const [c, id] of names) {
        if (has(node.takes, c)) setBit(takes, id);
        if (has(node.rules, c)) setBit(rules, id);
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
  }));
  const tolerantWith: number[][] = Array.from({ length: size }, () => []);
  for (const [c, id] of names)
    if (tolerant.has(c)) tolerantWith[id] = compiled.tolerates[c].flatMap((d) => names.get(d) ?? []);
  return { domains, size, tolerantWith };
}

type Make = (domains: readonly Domain[], spend: Budget) => BranchAndBound;

/** How many nodes one group may spend on its bounds before the plain bound serves. */
const GROUP_NODES = 400_000;

/** The sum over groups of what each costs by itself, solved exactly as far as the limit asks. */
function groupBound(order: readonly Domain[][], make: Make, budget: Budget): ExtraBound {
  let starts = 0;
  const groups = order.map((domains) => {
    const start = starts;
    starts += domains.length;
    const spend = new Budget(GROUP_NODES, () => {
      budget.spend();
      return false;
    });
    return { search: make(domains, spend), start, length: domains.length };
  });
  return (depth, state, limit) => {
    const open = groups.flatMap(({ search, start, length }) => {
      const local = Math.max(0, depth - start);
      return local < length ? [{ search, local, plain: search.plainBound(local, state) }] : [];
    });
    let sum = open.reduce((total, g) => total + g.plain, 0);
    for (const { search, local, plain } of open) {
      if (sum >= limit) return sum;
      sum += boundOf(search, local, state, limit - sum + plain, plain, budget) - plain;
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
  try {
    return search.best(depth, state, limit);
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    // The whole run may be over, and then this throws again; otherwise only the group gave up.
    budget.spend();
    return plain;
  }
}
