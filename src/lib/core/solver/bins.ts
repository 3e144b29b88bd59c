import { there } from '../model';
import { covers, disjoint, dropBit, emptyBits, hasBit, keepEither, orInto, setBit, type Bits } from './bits';
import type { Compiled } from './problem';
import type { Node } from './reduce';

/** Resources whose lines are counted against those who want them. */
export const COUNTED = ['irq', 'dma', 'io', 'memory'] as const;

/**
 * Lines gathered into bins: of one bin no two variables can hold a line each. A whole line is a bin; of windows each
 * place where one begins is a bin, with every window that covers it. A long window lies in several.
 */
export interface Bins {
  /** For each resource, the bins of each class. */
  of: readonly (readonly number[])[][];
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
  // No two of what one variable may take are held at once.
  const mates = variables.map(() => emptyBits(classes.length));
  owner.forEach((v, c) => v >= 0 && setBit(there(mates[v]), c));
  const of: number[][][] = [];
  const count: number[] = [];
  for (const resource of COUNTED) {
    const list = classes
      .flatMap(({ line }, id) =>
        line?.resource === resource && there(owner[id]) >= 0
          ? [{ id, from: line.value, to: line.value + line.length }]
          : []
      )
      .sort((a, b) => a.from - b.from || a.id - b.id);
    let bins: { ids: number[]; bits: Bits }[] = [];
    for (const at of new Set(list.map((c) => c.from))) {
      // Those that cover the place first, then whatever meets all of them, as an alias does.
      const here = list.filter((c) => c.from <= at && at < c.to);
      const ids: number[] = [];
      const bits = emptyBits(classes.length);
      const common = emptyBits(classes.length).fill(-1);
      for (const { id } of [...here, ...list]) {
        if (!hasBit(common, id)) continue;
        ids.push(id);
        setBit(bits, id);
        keepEither(common, there(forbidBits[id]), there(mates[there(owner[id])]));
        dropBit(common, id);
      }
      if (bins.some((other) => covers(other.bits, bits))) continue;
      bins = [...bins.filter((other) => !covers(bits, other.bits)), { ids, bits }];
    }
    const own: number[][] = classes.map(() => []);
    bins.forEach(({ ids }, n) => {
      for (const c of ids) there(own[c]).push(n);
    });
    of.push(own);
    count.push(bins.length);
  }
  return { of, count };
}

/** The bins of one resource that a node takes, as bits, and how many they are. */
interface Want {
  bits: Bits;
  count: number;
}

function wantOf(bins: readonly (readonly number[])[], count: number, node: Node): Want {
  const bits = emptyBits(Math.max(1, count));
  let n = 0;
  for (const c of node.classes) {
    if (!hasBit(node.takes, c)) continue;
    for (const b of there(bins[c])) {
      if (hasBit(bits, b)) continue;
      setBit(bits, b);
      n++;
    }
  }
  return { bits, count: n };
}

/**
 * Counts the lines against those who want them: domains that must have one each of fewer lines cannot live together,
 * however the rest is chosen. Such a surplus is found by matching, which no search by cases finds in short time.
 */
export class Room {
  /** For each resource that several domains cannot do without: what each node takes of it. */
  private readonly wants: { count: number; of: Want[]; domains: number[] }[];
  private readonly holder: Int32Array;
  /** The bin of each seat. */
  private readonly seatOf: Int32Array;

  /**
   * @param nodes of all domains, one domain behind the other
   * @param from first node of each domain, and behind the last one the number of nodes
   */
  constructor(
    { of, count }: Bins,
    nodes: readonly Node[],
    private readonly from: Int32Array
  ) {
    this.wants = of.flatMap((bin, r) => {
      if (!count[r]) return [];
      const wants = nodes.map((node) => wantOf(bin, there(count[r]), node));
      // A domain of which no node takes any never will.
      const domains: number[] = [];
      for (let d = 0; d + 1 < from.length; d++)
        if (wants.slice(from[d], from[d + 1]).some((w) => w.count)) domains.push(d);
      return domains.length > 1 ? [{ count: count[r], of: wants, domains }] : [];
    });
    this.holder = new Int32Array(Math.max(1, ...count));
    this.seatOf = new Int32Array(Math.max(1, ...count));
  }

  /**
   * Strikes the nodes beside which some domain would be left without bins of its own; what is left over after a full
   * matching decides. Null: the domains cannot all have theirs. Otherwise whether anything was struck.
   */
  strike(left: Bits): boolean | null {
    let struck = false;
    for (const resource of this.wants) {
      const done = this.strikeIn(resource, left);
      if (done === null) return null;
      struck ||= done;
    }
    return struck;
  }

  private strikeIn({ count, of, domains }: Room['wants'][number], left: Bits): boolean | null {
    const { from } = this;
    // Every domain takes a seat for each bin that it cannot do without.
    const seats: Bits[] = [];
    const asks: { d: number; first: number; least: number }[] = [];
    const all = emptyBits(count);
    for (const d of domains) {
      const bits = emptyBits(count);
      let least = Infinity;
      for (let i = there(from[d]); i < there(from[d + 1]); i++) {
        if (!hasBit(left, i)) continue;
        if (there(of[i]).count < least) least = there(of[i]).count;
        orInto(bits, there(of[i]).bits);
      }
      if (least === Infinity) continue;
      orInto(all, bits);
      asks.push({ d, first: seats.length, least });
      for (let k = 0; k < least; k++) seats.push(bits);
    }
    const spare = sizeOf(all) - seats.length;
    if (spare < 0) return null;
    let struck = false;
    // Whoever takes more than the least takes it from what is to spare.
    for (const { d, least } of asks)
      for (let i = there(from[d]); i < there(from[d + 1]); i++)
        if (hasBit(left, i) && there(of[i]).count - least > spare) {
          dropBit(left, i);
          struck = true;
        }
    if (seats.length < 2) return struck;
    if (!this.matches(seats, count)) return null;
    const { ends, reach } = this.reachOf(seats, count);
    for (const { d, first, least } of asks) {
      if (!least) continue;
      for (let i = there(from[d]); i < there(from[d + 1]); i++) {
        if (!hasBit(left, i) || this.canAll(there(of[i]).bits, ends, reach, first, first + least)) continue;
        dropBit(left, i);
        struck = true;
      }
    }
    return struck;
  }

  /** Whether seats of one domain can have each of these bins: one free in the end, or a way back to one of their own. */
  private canAll(bits: Bits, ends: Bits, reach: readonly Bits[], first: number, behind: number): boolean {
    for (let w = 0; w < bits.length; w++)
      for (let open = there(bits[w]) & ~there(ends[w]); open; open &= open - 1) {
        const b = w * 32 + 31 - Math.clz32(open & -open);
        let can = false;
        for (let k = first; k < behind && !can; k++) {
          const mine = there(this.seatOf[k]);
          can = mine === b || hasBit(there(reach[b]), mine);
        }
        if (!can) return false;
      }
    return true;
  }

  /** Bins that are free or can be freed, and, from each other bin, where its holder and those after it could move to. */
  private reachOf(seats: readonly Bits[], count: number): { ends: Bits; reach: Bits[] } {
    const { holder, seatOf } = this;
    const ends = emptyBits(count);
    for (let b = 0; b < count; b++)
      if (there(holder[b]) < 0) setBit(ends, b);
      else seatOf[there(holder[b])] = b;
    for (let more = true; more;) {
      more = false;
      for (let b = 0; b < count; b++) {
        if (hasBit(ends, b) || disjoint(there(seats[there(holder[b])]), ends)) continue;
        setBit(ends, b);
        more = true;
      }
    }
    const reach: Bits[] = [];
    const held: number[] = [];
    for (let b = 0; b < count; b++) {
      const isHeld = !hasBit(ends, b);
      reach.push(isHeld ? there(seats[there(holder[b])]).slice() : ends);
      if (isHeld) held.push(b);
    }
    for (const k of held)
      for (const b of held) if (hasBit(there(reach[b]), k)) orInto(there(reach[b]), there(reach[k]));
    return { ends, reach };
  }

  private matches(seats: readonly Bits[], count: number): boolean {
    if (seats.length > count) return false;
    this.holder.fill(-1, 0, count);
    for (let s = 0; s < seats.length; s++) if (!this.seat(seats, s, emptyBits(count))) return false;
    return true;
  }

  /** Seats one, moving others where it must; a bin that is free is taken first. */
  private seat(seats: readonly Bits[], s: number, tried: Bits): boolean {
    const { holder } = this;
    const bits = there(seats[s]);
    for (let w = 0; w < bits.length; w++)
      for (let open = there(bits[w]) & ~there(tried[w]); open; open &= open - 1) {
        const b = w * 32 + 31 - Math.clz32(open & -open);
        if (there(holder[b]) >= 0) continue;
        holder[b] = s;
        return true;
      }
    for (let w = 0; w < bits.length; w++)
      for (let open = there(bits[w]) & ~there(tried[w]); open; open = open & (open - 1) & ~there(tried[w])) {
        const low = open & -open;
        const b = w * 32 + 31 - Math.clz32(low);
        tried[w] = there(tried[w]) | low;
        if (!this.seat(seats, there(holder[b]), tried)) continue;
        holder[b] = s;
        return true;
      }
    return false;
  }
}

function sizeOf(bits: Bits): number {
  let n = 0;
  for (const word of bits) for (let open = word; open; open &= open - 1) n++;
  return n;
}
