import { setBit, type Bits, emptyBits } from './bits';
import type { Compiled } from './problem';
import type { Node } from './reduce';

/** Resources whose lines are counted against those who want them. */
const COUNTED = ['irq', 'dma', 'io', 'memory'] as const;

/**
 * Lines gathered into bins: of one bin no two variables can hold a line each. Whole lines make the best bins, windows
 * make some where they overlap. Every class of a line is in one bin of its resource, or in none.
 */
export interface Bins {
  /** For each resource, the bin of each class; −1: in none. */
  of: readonly Int32Array[];
  /** How many bins each resource has. */
  count: readonly number[];
}

const known = new WeakMap<Compiled, Bins>();

/** The bins of a compiled machine; they hold for every part of it as well. */
export function binsOf(compiled: Compiled): Bins {
  let bins = known.get(compiled);
  if (!bins) known.set(compiled, (bins = gather(compiled)));
  return bins;
}

function gather({ variables, classes, forbidBits }: Compiled): Bins {
  // A class that several variables take is no rival of itself.
  const owner = new Int32Array(classes.length).fill(-1);
  variables.forEach(({ values }, v) => {
    for (const value of values)
      for (const c of value.classes) owner[c] = owner[c] === -1 || owner[c] === v ? v : -2;
  });
  const forbids = (a: number, b: number) => (forbidBits[a][b >>> 5] & (1 << (b & 31))) !== 0;
  const of: Int32Array[] = [];
  const count: number[] = [];
  for (const resource of COUNTED) {
    const own = new Int32Array(classes.length).fill(-1);
    const members: number[][] = [];
    const list = classes
      .map((c, i) => ({ i, value: c.line?.resource === resource ? c.line.value : -1 }))
      .filter(({ i, value }) => value >= 0 && owner[i] >= 0)
      .sort((a, b) => a.value - b.value || a.i - b.i);
    for (const { i } of list) {
      let bin = members.length - 1;
      while (bin >= 0 && !members[bin].every((m) => owner[m] === owner[i] || forbids(m, i))) bin--;
      if (bin < 0) bin = members.push([]) - 1;
      members[bin].push(i);
      own[i] = bin;
    }
    of.push(own);
    count.push(members.length);
  }
  return { of, count };
}

/** What a node takes of each resource: its bins as bits, and how many they are. */
export interface Wants {
  bits: Bits;
  count: number;
}

export function wantsOf({ of, count }: Bins, node: Node): Wants[] {
  return of.map((bin, r) => {
    const bits = emptyBits(Math.max(1, count[r]));
    let n = 0;
    for (const c of node.classes) {
      const b = bin[c];
      if (b < 0 || !(node.takes[c >>> 5] & (1 << (c & 31))) || bits[b >>> 5] & (1 << (b & 31))) continue;
      setBit(bits, b);
      n++;
    }
    return { bits, count: n };
  });
}

/** What everything that is left of a variable takes at the least: so many bins out of these. */
interface Ask {
  bits: Bits;
  least: number;
}

/**
 * Counts the lines against those who want them: variables that must have one each of fewer lines cannot live together,
 * however the rest is chosen. Such a surplus is found by matching, which no search by cases finds in short time.
 */
export class Room {
  private readonly wants = new Map<Node, Wants[]>();
  private readonly asks = new WeakMap<readonly Node[], Ask[]>();
  private readonly holder: Int32Array;

  constructor(private readonly bins: Bins) {
    this.holder = new Int32Array(Math.max(1, ...bins.count));
  }

  private ofNode(node: Node): Wants[] {
    let found = this.wants.get(node);
    if (!found) this.wants.set(node, (found = wantsOf(this.bins, node)));
    return found;
  }

  private ofNodes(nodes: readonly Node[]): Ask[] {
    const known = this.asks.get(nodes);
    if (known) return known;
    const asks = this.bins.count.map((count, r): Ask => {
      const bits = emptyBits(Math.max(1, count));
      let least = Infinity;
      for (const node of nodes) {
        const want = this.ofNode(node)[r];
        least = Math.min(least, want.count);
        if (least === 0) break;
        for (let w = 0; w < bits.length; w++) bits[w] |= want.bits[w];
      }
      return { bits, least };
    });
    this.asks.set(nodes, asks);
    return asks;
  }

  /** Whether each of the variables can have as many bins of its own as it takes at the least. */
  suffices(left: readonly (readonly Node[])[]): boolean {
    for (let r = 0; r < this.bins.count.length; r++) {
      const seats: Bits[] = [];
      for (const nodes of left) {
        const { bits, least } = this.ofNodes(nodes)[r];
        for (let k = 0; k < least; k++) seats.push(bits);
      }
      if (seats.length > 1 && !this.matches(seats, this.bins.count[r])) return false;
    }
    return true;
  }

  private matches(seats: readonly Bits[], count: number): boolean {
    if (seats.length > count) return false;
    const { holder } = this;
    holder.fill(-1, 0, count);
    const tried = emptyBits(count);
    const seat = (s: number): boolean => {
      const bits = seats[s];
      // A bin that is free is taken first.
      for (let pass = 0; pass < 2; pass++)
        for (let w = 0; w < bits.length; w++) {
          let open = bits[w] & ~tried[w];
          while (open) {
            const low = open & -open;
            open ^= low;
            const b = w * 32 + (31 - Math.clz32(low));
            if (pass === 0) {
              if (holder[b] >= 0) continue;
              holder[b] = s;
              return true;
            }
            if (tried[w] & low) continue;
            tried[w] |= low;
            if (seat(holder[b])) {
              holder[b] = s;
              return true;
            }
          }
        }
      return false;
    };
    for (let s = 0; s < seats.length; s++) {
      tried.fill(0);
      if (!seat(s)) return false;
    }
    return true;
  }
}
