import { entryOf, there } from '../model';
import { COUNTED, type Bins } from './bins';
import { disjoint, hasBit } from './bits';
import type { Domain, Node } from './reduce';
import type { State } from './search';

/** A node, the bins that it takes, and what they cost together. */
interface Priced {
  node: Node;
  bins: readonly number[];
  price: number;
}

/** The nodes of each domain with their prices. */
export type Rows = readonly (readonly Priced[])[];

/** What a node adds in a state. */
type Step = (node: Node, state: State) => number;

/** Rounds of looking for better prices. */
const ROUNDS = 250;
/** Rounds without a better bound after which steps are halved, and the smallest that are made. */
const PATIENCE = 12;
const LEAST_SCALE = 0.005;
/** Prices are no whole numbers, and sums of them not exact: so much for each, and for what is summed up. */
const TOLERANCE = 1e-6;
const INEXACT = 1e-13;

/**
 * A price for each bin, so that who takes one pays for standing in the way of others. When each domain then takes what is
 * cheapest for it alone, what they pay less the prices of all bins is a bound on what they cost together: a Lagrangian
 * relaxation of the rule that a bin is taken once at the most.
 */
export class Prices {
  private readonly of: Float64Array;
  private readonly seen: Int32Array;
  private round = 0;
  /** Parallel to the domains. */
  readonly rows: Rows;

  /**
   * @param domains of one component, renumbered or not
   * @param component the same domains with their classes as they are numbered in the whole machine
   */
  constructor(
    domains: readonly Domain[],
    component: readonly Domain[],
    { of, count }: Bins,
    private readonly step: Step
  ) {
    const offsets = count.map((_, r) => count.slice(0, r).reduce((a, b) => a + b, 0));
    const binsOf = (node: Node) => [
      ...new Set(
        node.classes
          .filter((c) => hasBit(node.takes, c))
          .flatMap((c) => COUNTED.flatMap((_, r) => there(there(of[r])[c]).map((b) => b + there(offsets[r]))))
      )
    ];
    this.rows = domains.map(({ nodes }, d) => {
      const taken = new Map(there(component[d]).nodes.map((n) => [n.source, binsOf(n)]));
      return nodes.map((node) => ({ node, bins: entryOf(taken, node.source), price: 0 }));
    });
    const total = count.reduce((a, b) => a + b, 0);
    this.of = new Float64Array(total);
    this.seen = new Int32Array(total);
  }

  /**
   * Raises the prices of what is wanted more than once and lowers those of what nobody wants, by ever smaller steps.
   * @param target the cost of the best answer that is known
   */
  improve(state: State, target: number): void {
    const { of } = this;
    const wanted = new Float64Array(of.length);
    let best = -Infinity;
    let kept = of.slice();
    let scale = 1;
    let idle = 0;
    for (let n = 0; n < ROUNDS && scale > LEAST_SCALE; n++) {
      this.setPrices();
      const bound = this.count(state, wanted);
      if (bound > best + TOLERANCE) {
        best = bound;
        kept = of.slice();
        idle = 0;
      } else if (++idle > PATIENCE) {
        scale /= 2;
        idle = 0;
        of.set(kept);
        continue;
      }
      let length = 0;
      for (let b = 0; b < of.length; b++)
        if (there(wanted[b]) > 0 || there(of[b]) > 0) length += there(wanted[b]) ** 2;
      // Each is taken once, or costs nothing: there are no better prices.
      if (!length) break;
      const by = (scale * Math.max(target - bound, 1)) / length;
      for (let b = 0; b < of.length; b++) of[b] = Math.max(0, there(of[b]) + by * there(wanted[b]));
    }
    of.set(kept);
    this.setPrices();
  }

  /** The bound with these prices. @param wanted is set to how often each bin is wanted, less the once that it is there */
  private count(state: State, wanted: Float64Array): number {
    wanted.fill(-1);
    let bound = 0;
    for (const price of this.of) bound -= price;
    for (const row of this.rows) {
      let cheapest = there(row[0]);
      let least = Infinity;
      for (const option of row) {
        const cost = this.step(option.node, state) + option.price;
        if (cost >= least) continue;
        least = cost;
        cheapest = option;
      }
      bound += least;
      for (const b of cheapest.bins) wanted[b] = there(wanted[b]) + 1;
    }
    return bound;
  }

  private setPrices(): void {
    for (const row of this.rows)
      for (const option of row) {
        let price = 0;
        for (const b of option.bins) price += there(this.of[b]);
        option.price = price;
      }
  }

  /**
   * What the rows from `from` on cost at the least in this state, but for one that may be left out; a bin that none of
   * them can take any more was paid by whoever did. Infinity: one of them has nothing left.
   */
  bound(rows: Rows, from: number, state: State, without = -1): number {
    const { of, seen } = this;
    const round = ++this.round;
    let costs = 0;
    let paid = 0;
    for (let i = from; i < rows.length; i++) {
      if (i === without) continue;
      let least = Infinity;
      for (const { node, bins, price } of there(rows[i])) {
        if (!disjoint(node.takes, state.ruled)) continue;
        const cost = this.step(node, state) + price;
        if (cost < least) least = cost;
        for (const b of bins) {
          if (seen[b] === round) continue;
          seen[b] = round;
          paid += there(of[b]);
        }
      }
      if (least === Infinity) return Infinity;
      costs += least;
    }
    return Math.ceil(costs - paid - TOLERANCE - (costs + paid) * INEXACT);
  }
}
