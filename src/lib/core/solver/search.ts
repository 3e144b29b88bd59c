import { disjoint, emptyBits, orInto, union, type Bits } from './bits';
import type { Compiled } from './problem';
import { linked, type Domain, type Node } from './reduce';

/** Thrown inside the search when its limit is reached or the user stops it. */
export class Stopped extends Error {}

/** Counts the nodes of one run and stops it. */
export class Budget {
  nodes = 0;
  constructor(
    private readonly limit: number,
    private readonly shouldStop: () => boolean = () => false
  ) {}

  spend(): void {
    this.nodes++;
    if (this.nodes > this.limit || (this.nodes % 512 === 0 && this.shouldStop())) throw new Stopped();
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
  private readonly future: Bits[];
  private readonly futureTolerant: number[][];

  constructor(
    readonly domains: readonly Domain[],
    size: number,
    private readonly shareCost: number,
    private readonly tolerantWith: readonly number[][],
    private readonly budget: Budget,
    private readonly extraBound?: (depth: number, state: State) => number
  ) {
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
    for (let w = 0; w < future.length; w++) if (future[w]) key += String.fromCharCode((ruled[w] & future[w]) >>> 16, (ruled[w] & future[w]) & 0xffff);
    for (const c of this.futureTolerant[depth]) if (tolerated[c]) key += `,${c}:${tolerated[c]}`;
    return key;
  }

  /** What a node adds in this state. */
  step(node: Node, state: State): number {
    let shares = 0;
    for (const c of node.classes) shares += state.tolerated[c];
    return node.cost + shares * this.shareCost;
  }

  after(node: Node, state: State): State {
    if (node.tolerated.length === 0) return { ruled: union(state.ruled, node.rules), tolerated: state.tolerated };
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
    const keep = (bound: number, exact: boolean): number => {
      if (++this.entries > TABLE_LIMIT) {
        this.tables.forEach((t) => t.clear());
        this.entries = 0;
      }
      table.set(key, { bound, exact });
      return bound;
    };

    const ahead = this.lookAhead(depth, state);
    if (ahead.exact || ahead.bound >= limit) return keep(ahead.bound, ahead.exact);
    let bound = ahead.bound;
    if (this.extraBound) {
      bound = Math.max(bound, this.extraBound(depth, state));
      if (bound === Infinity) return keep(Infinity, true);
      if (bound >= limit) return keep(bound, false);
    }
    let least = Infinity;
    for (const { node, cost } of this.options(depth, state)) {
      const room = Math.min(limit, least) - cost;
      if (room <= 0) {
        least = Math.min(least, Math.max(cost, bound));
        break;
      }
      least = Math.min(least, cost + this.best(depth + 1, this.after(node, state), room));
      if (least === bound) break;
    }
    return least === Infinity ? keep(Infinity, true) : keep(least, least < limit);
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
        if (together && cost === cheapest && !fits && node.tolerated.length === 0 && disjoint(node.takes, ruled))
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
  const size = compiled.classes.length;
  const shareCost = compiled.packing.of('shares');
  const tolerant = new Set(component.flatMap((d) => d.nodes.flatMap((n) => n.tolerated)));
  const tolerantWith = compiled.tolerates.map((list, c) => (tolerant.has(c) ? list : []));
  const groups = new Map<string, Domain[]>();
  for (const domain of component) {
    const kind = kindOf(compiled, domain);
    groups.set(kind, [...(groups.get(kind) ?? []), domain]);
  }
  const order = ['choice', 'irq', 'dma', 'memory', 'io'].flatMap((k) => (groups.has(k) ? [ordered(groups.get(k)!)] : []));
  const make = (domains: readonly Domain[], spend: Budget, bound?: (depth: number, state: State) => number) =>
    new BranchAndBound(domains, size, shareCost, tolerantWith, spend, bound);
  const flat = order.flat();
  const bound = order.length > 1 ? groupBound(order, make, budget) : undefined;
  const search = make(flat, budget, bound);
  const state = start(size);
  let lower = search.plainBound(0, state);
  const inOrder = (nodes: Node[]) => component.map((d) => nodes[flat.indexOf(d)]);
  try {
    if (bound) lower = Math.max(lower, bound(0, state));
    const cost = search.best(0, state, Infinity);
    if (cost === Infinity) return { nodes: null, cost, bound: cost, optimal: true };
    return { nodes: inOrder(search.trace(state, cost)), cost, bound: cost, optimal: true };
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    const dive = search.dive(state, 20_000);
    return { nodes: dive && inOrder(dive.nodes), cost: dive?.cost ?? Infinity, bound: lower, optimal: dive !== null && dive.cost === lower };
  }
}

type Make = (domains: readonly Domain[], spend: Budget) => BranchAndBound;

/** How many nodes one group may spend on one bound before the plain bound serves. */
const GROUP_NODES = 50_000;

function groupBound(order: readonly Domain[][], make: Make, budget: Budget) {
  const searches = order.map((domains) => {
    const spend = new Budget(GROUP_NODES, () => {
      budget.spend();
      return false;
    });
    return make(domains, spend);
  });
  const starts: number[] = [];
  order.reduce((at, domains) => (starts.push(at), at + domains.length), 0);
  return (depth: number, state: State): number => {
    let sum = 0;
    for (let g = 0; g < order.length; g++) {
      const local = Math.max(0, depth - starts[g]);
      if (local >= order[g].length) continue;
      sum += boundOf(searches[g], local, state, budget);
      if (sum === Infinity) return sum;
    }
    return sum;
  };
}

function boundOf(search: BranchAndBound, depth: number, state: State, budget: Budget): number {
  try {
    return search.best(depth, state, Infinity);
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    // The whole run may be over, and then this throws again; otherwise only the group gave up.
    budget.spend();
    return search.plainBound(depth, state);
  }
}
