import { there } from '../model';
import { needOf, peakOf, predecessors, type Line } from './line';

/** Lines up to which every set of them is looked at. */
export const PACK_LINES = 16;
/** Pairs of sets that are put together in one question before it is given up. */
const MOST_PAIRS = 40_000_000;

/** Of a set that is used: nothing is known yet, or what could follow is too little. */
const UNSEEN = -1;
const TOO_LITTLE = -2;

/** Which lines lie in which region, as bits, and how much of them stays there. */
export interface Packing {
  stay: number;
  /** By region. */
  sets: number[];
}

export interface Packed {
  /** `given-up`: more than may be looked at; then nothing is known. */
  status: 'best' | 'none' | 'given-up';
  packing: Packing | null;
  /** Sets that were looked at. */
  nodes: number;
}

/**
 * What regions can hold of lines, exactly but for one thing: that the orders of two regions may wait for each other.
 *
 * How much room a set needs in one region does not depend on the region: of the lines that no other of the set waits
 * for, the one that is least larger while it starts goes last, and so on backwards (least greatest cost under
 * precedence). So it is worked out once for all sets, and regions are filled with disjoint sets.
 */
export class Packs {
  /** Bytes that stay of each set. */
  private readonly stay: Float64Array;
  /** Room each set needs in one region, in its best order; endless where a line of it may not go high. */
  private readonly room: Float64Array;
  /** Sets that any region could hold, the largest first. */
  private readonly bySize: Int32Array;
  private readonly fitting = new Map<number, Int32Array>();
  private readonly pre: readonly number[];

  /** @param lines at most `PACK_LINES`, with a legal order */
  constructor(private readonly lines: readonly Line[]) {
    const n = lines.length;
    const pre = (this.pre = predecessors(lines));
    this.stay = new Float64Array(2 ** n);
    this.room = new Float64Array(2 ** n);
    const byPeak = lines
      .map((_, i) => i)
      .sort((a, b) => peakOf(there(lines[a])) - peakOf(there(lines[b])) || a - b);
    for (let set = 1; set < 2 ** n; set++) {
      const lowest = 31 - Math.clz32(set & -set);
      this.stay[set] = there(this.stay[set & (set - 1)]) + there(lines[lowest]).stay;
      let awaited = 0;
      for (let i = lowest; i < n; i++) if (set & (1 << i)) awaited |= there(pre[i]);
      const last = byPeak.find((i) => set & (1 << i) && !(awaited & (1 << i)))!;
      const line = there(lines[last]);
      this.room[set] = line.high
        ? Math.max(there(this.stay[set]) + peakOf(line), there(this.room[set & ~(1 << last)]))
        : Infinity;
    }
    const sets = Array.from(this.room.keys()).filter((set) => set > 0 && there(this.room[set]) < Infinity);
    this.bySize = Int32Array.from(sets.sort((a, b) => there(this.stay[b]) - there(this.stay[a])));
  }

  /** Sets that fit in a region of this size, the largest first. */
  private setsIn(size: number): Int32Array {
    const known = this.fitting.get(size);
    if (known) return known;
    const sets = this.bySize.filter((set) => there(this.room[set]) <= size);
    this.fitting.set(size, sets);
    return sets;
  }

  /** The most that stays of one of these sets without the lines that are used. */
  private mostOf(sets: Int32Array, used: number): number {
    for (let i = 0; i < sets.length; i++)
      if (!(there(sets[i]) & used)) return there(this.stay[there(sets[i])]);
    return 0;
  }

  /** Bytes that stay of a set. */
  stayOf(set: number): number {
    return there(this.stay[set]);
  }

  /**
   * The disjoint sets that together stay most in the regions.
   * @param least bytes that must stay there for an answer to be of use
   * @param mostNodes sets that may be looked at
   */
  fill(regions: readonly number[], least: number, mostNodes: number): Packed {
    const order = regions.map((_, r) => r).sort((a, b) => there(regions[a]) - there(regions[b]) || a - b);
    const fitting = order.map((r) => this.setsIn(there(regions[r])));
    /** What the regions after one can hold at most: each may take all lines that are left for itself. */
    const after = (k: number, used: number): number => {
      let most = 0;
      for (let later = k + 1; later < fitting.length; later++)
        most += this.mostOf(there(fitting[later]), used);
      return most;
    };
    /** By region: the set with which lines that are used were reached. */
    const steps: Int32Array[] = [];
    let reached = [0];
    let wanted = Math.max(least, 0);
    let nodes = 0;
    let pairs = 0;
    for (const [k, sets] of fitting.entries()) {
      const empty = after(k, 0);
      const step = new Int32Array(this.stay.length).fill(UNSEEN);
      const next: number[] = [];
      const reach = (used: number, set: number): void => {
        if (step[used] !== UNSEEN) return;
        step[used] = there(this.stay[used]) + after(k, used) < wanted ? TOO_LITTLE : set;
        if (step[used] === TOO_LITTLE) return;
        next.push(used);
        wanted = Math.max(wanted, there(this.stay[used]));
      };
      for (const used of reached) {
        if (++nodes > mostNodes || pairs > MOST_PAIRS) return { status: 'given-up', packing: null, nodes };
        reach(used, 0);
        const have = there(this.stay[used]) + empty;
        for (let i = 0; i < sets.length; i++) {
          // The sets that follow are smaller still.
          if (have + there(this.stay[there(sets[i])]) < wanted) break;
          pairs++;
          if (!(there(sets[i]) & used)) reach(used | there(sets[i]), there(sets[i]));
        }
      }
      steps.push(step);
      reached = next;
    }
    const best = reached.reduce((a, b) => (a >= 0 && there(this.stay[a]) >= there(this.stay[b]) ? a : b), -1);
    if (best < 0 || there(this.stay[best]) < least) return { status: 'none', packing: null, nodes };
    const sets = regions.map(() => 0);
    let used = best;
    for (let k = order.length - 1; k >= 0; k--) {
      sets[there(order[k])] = there(there(steps[k])[used]);
      used &= ~there(there(steps[k])[used]);
    }
    return { status: 'best', packing: { stay: there(this.stay[best]), sets }, nodes };
  }

  /**
   * An order in which all lines come into the regions that a packing gives them, as places of the lines. From the end
   * on any line will do that none left waits for and that fits as the last of its region: what could stand last can be
   * put last without harm to the others.
   * @returns null where the regions wait for each other
   */
  orderOf({ sets }: Packing, regions: readonly number[]): number[] | null {
    const regionOf = this.lines.map((_, i) => sets.findIndex((set) => set & (1 << i)));
    const held = sets.map((set) => this.stay[set]);
    let left = 2 ** this.lines.length - 1;
    const order: number[] = [];
    while (left) {
      let awaited = 0;
      for (const [i, waits] of this.pre.entries()) if (left & (1 << i)) awaited |= waits;
      const last = this.lines.findLastIndex((line, i) => {
        const r = there(regionOf[i]);
        if (!(left & (1 << i)) || awaited & (1 << i)) return false;
        return r < 0 || there(held[r]) - line.stay + needOf(line) <= there(regions[r]);
      });
      if (last < 0) return null;
      if (there(regionOf[last]) >= 0)
        held[there(regionOf[last])] = there(held[there(regionOf[last])]) - there(this.lines[last]).stay;
      left &= ~(1 << last);
      order.unshift(last);
    }
    return order;
  }
}
