import { branch, type Branch, type Budget } from '../kernel';
import { there } from '../model';
import { disjoint, emptyBits, orInto, union, type Bits } from './bits';
import type { Domain, Node } from './reduce';

export interface Found {
  /** Chosen node of each domain, parallel to the component. Null: none was found. */
  nodes: Node[] | null;
  cost: number;
  /** No answer costs less than this. */
  bound: number;
  optimal: boolean;
}

export interface State {
  /** Classes that may no longer be taken. */
  ruled: Bits;
  /** How often each class is tolerated so far, for classes that can be. */
  tolerated: Int16Array;
}

/** A better bound for what is left from a depth on. */
export type ExtraBound = (depth: number, state: State) => number;

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
export class BranchAndBound {
  private readonly tables: Map<string, Entry>[];
  private entries = 0;
  private readonly sharing: boolean;
  private readonly scratch: Bits;
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
    this.scratch = emptyBits(size);
    this.sharing = tolerantWith.some((list) => list.length > 0);
    this.tables = domains.map(() => new Map());
    this.future = domains.map(() => emptyBits(size));
    this.futureTolerant = domains.map(() => []);
    const ahead = emptyBits(size);
    const tolerant = new Set<number>();
    for (let i = domains.length - 1; i >= 0; i--) {
      for (const node of there(domains[i]).nodes) {
        orInto(ahead, node.takes);
        for (const c of node.classes) if (there(tolerantWith[c]).length) tolerant.add(c);
      }
      this.future[i] = ahead.slice();
      this.futureTolerant[i] = [...tolerant].sort((a, b) => a - b);
    }
  }

  private key(depth: number, { ruled, tolerated }: State): string {
    const future = there(this.future[depth]);
    let key = '';
    for (let w = 0; w < future.length; w++)
      if (future[w])
        key += String.fromCharCode((ruled[w]! & future[w]!) >>> 16, ruled[w]! & future[w]! & 0xffff);
    for (const c of there(this.futureTolerant[depth])) if (tolerated[c]) key += `,${c}:${tolerated[c]}`;
    return key;
  }

  /** What a node adds in this state. */
  step(node: Node, state: State): number {
    if (!this.sharing) return node.cost;
    let shares = 0;
    for (const c of node.classes) shares += there(state.tolerated[c]);
    return node.cost + shares * this.shareCost;
  }

  after(node: Node, state: State): State {
    if (node.tolerated.length === 0)
      return { ruled: union(state.ruled, node.rules), tolerated: state.tolerated };
    const tolerated = state.tolerated.slice();
    for (const c of node.classes)
      for (const d of there(this.tolerantWith[c])) tolerated[d] = there(tolerated[d]) + 1;
    return { ruled: union(state.ruled, node.rules), tolerated };
  }

  /**
   * The least cost from `depth` on. Below `limit` the answer is exact; from `limit` on it is a
   * lower bound. Infinity: there is no completion.
   */
  best(depth: number, state: State, limit: number): number {
    if (depth === this.domains.length) return 0;
    const table = there(this.tables[depth]);
    const key = this.key(depth, state);
    const known = table.get(key);
    if (known && (known.exact || known.bound >= limit)) return known.bound;
    this.budget.spend();
    const ahead = this.lookAhead(depth, state);
    if (ahead.exact || ahead.bound >= limit) return this.keep(table, key, ahead.bound, ahead.exact);
    let bound = ahead.bound;
    if (this.extraBound) {
      bound = Math.max(bound, this.extraBound(depth, state));
      if (bound === Infinity) return this.keep(table, key, Infinity, true);
      if (bound >= limit) return this.keep(table, key, bound, false);
    }
    let found = Infinity;
    const room = () => Math.min(limit, found);
    const passed = branch(this.branches(depth, state), room, ({ node, cost }) => {
      found = Math.min(found, cost + this.best(depth + 1, this.after(node, state), room() - cost));
      return found === bound;
    });
    const least = Math.min(found, passed);
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
  private branches(depth: number, state: State): (Branch & { node: Node; cost: number })[] {
    const options = this.options(depth, state);
    if (!this.extraBound) return options.map((o) => ({ ...o, hope: o.cost, behind: o.cost }));
    return options
      .map((o) => {
        const hope = o.cost + this.extraBound!(depth + 1, this.after(o.node, state));
        return { ...o, hope, behind: hope };
      })
      .sort((a, b) => a.hope - b.hope || a.cost - b.cost || a.node.source - b.node.source);
  }

  /** Nodes that are still possible, cheapest first; equal ones in the order of the part. */
  options(depth: number, state: State): { node: Node; cost: number }[] {
    return there(this.domains[depth])
      .nodes.filter((node) => disjoint(node.takes, state.ruled))
      .map((node) => ({ node, cost: this.step(node, state) }))
      .sort((a, b) => a.cost - b.cost || a.node.source - b.node.source);
  }

  /** Cheapest node of each domain ahead: a bound, and exact when those nodes go together. */
  private lookAhead(depth: number, state: State): Entry {
    let bound = 0;
    let together = true;
    const { scratch } = this;
    scratch.set(state.ruled);
    for (let i = depth; i < this.domains.length; i++) {
      let cheapest = Infinity;
      let fits: Node | null = null;
      for (const node of there(this.domains[i]).nodes) {
        // Nodes stand in the order of their own cost, and shares only add to it.
        if (node.cost > cheapest || (node.cost === cheapest && (fits || !together))) break;
        if (!disjoint(node.takes, state.ruled)) continue;
        const cost = this.step(node, state);
        if (cost > cheapest) continue;
        if (cost < cheapest) fits = null;
        cheapest = cost;
        if (together && !fits && node.tolerated.length === 0 && disjoint(node.takes, scratch)) fits = node;
      }
      if (cheapest === Infinity) return { bound: Infinity, exact: true };
      bound += cheapest;
      if (together && fits) orInto(scratch, fits.rules);
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
      if (!taken) throw new Error('answer lost');
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
