import { Room, type Bins } from './bins';
import { disjoint, emptyBits, setBit, type Bits } from './bits';
import type { Budget } from './search';
import { compatible, reachOf, type Domain, type Node } from './reduce';

/** A component as one set of numbered nodes: the nodes of a domain lie side by side. */
interface Board {
  /** First node of each domain, and behind the last one the number of nodes. */
  from: Int32Array;
  /** Nodes that cannot stand beside each node, those of its own domain with them. */
  against: Bits[];
  room: Room;
}

function boardOf(component: readonly Domain[], bins: Bins): Board {
  const nodes = component.flatMap((d) => d.nodes);
  const from = new Int32Array(component.length + 1);
  component.forEach((d, i) => (from[i + 1] = from[i] + d.nodes.length));
  const against = nodes.map(() => emptyBits(nodes.length));
  const takes = component.map((d) => reachOf(d).takes);
  component.forEach((_, d) => {
    for (let i = from[d]; i < from[d + 1]; i++) {
      for (let j = from[d]; j < from[d + 1]; j++) if (j !== i) setBit(against[i], j);
      for (let e = d + 1; e < component.length; e++) {
        if (disjoint(nodes[i].rules, takes[e])) continue;
        for (let j = from[e]; j < from[e + 1]; j++)
          if (!compatible(nodes[i], nodes[j])) {
            setBit(against[i], j);
            setBit(against[j], i);
          }
      }
    }
  });
  return { from, against, room: new Room(bins, nodes, from) };
}

const bitAt = (bits: Bits, i: number): boolean => (bits[i >>> 5] & (1 << (i & 31))) !== 0;
const nameOf = (bits: Bits): string => {
  let name = '';
  for (const word of bits) name += String.fromCharCode(word >>> 16, word & 0xffff);
  return name;
};

/** How many nodes of a domain are left, and the first of them. */
function leftOf(left: Bits, from: number, to: number): { count: number; first: number } {
  let count = 0;
  let first = -1;
  for (let i = from; i < to; i++)
    if (bitAt(left, i)) {
      if (!count) first = i;
      count++;
    }
  return { count, first };
}

/**
 * A node of each domain that go together, those tried first that stand first; null: there are none. Takes the variable
 * with the fewest values left for how often it was left with none, strikes what its choice rules out elsewhere and
 * whatever follows from a variable that has one value left, strikes what would leave others without lines, and remembers
 * every state that failed.
 */
export function findAnswer(component: readonly Domain[], bins: Bins, budget: Budget): Node[] | null {
  const { from, against, room } = boardOf(component, bins);
  const size = component.length;
  const total = from[size];
  const failed = new Set<string>();
  // Domains that were left with nothing before are looked at early.
  const weight = new Float64Array(size).fill(1);
  const settled = (left: Bits): 'dead' | { next: number } | 'done' => {
    for (;;) {
      let next = -1;
      let fewest = Infinity;
      let forced = false;
      for (let d = 0; d < size; d++) {
        const { count, first } = leftOf(left, from[d], from[d + 1]);
        if (count === 0) {
          weight[d]++;
          return 'dead';
        }
        if (count > 1) {
          const rank = count / weight[d];
          if (rank < fewest) {
            fewest = rank;
            next = d;
          }
          continue;
        }
        if (disjoint(left, against[first])) continue;
        for (let w = 0; w < left.length; w++) left[w] &= ~against[first][w];
        forced = true;
      }
      if (!forced) return next < 0 ? 'done' : { next };
    }
  };
  const walk = (left: Bits): Bits | null => {
    let state = settled(left);
    if (state === 'done') return left;
    if (state === 'dead') return null;
    const name = nameOf(left);
    if (failed.has(name)) return null;
    budget.spend();
    const fail = () => {
      failed.add(name);
      return null;
    };
    for (;;) {
      const struck = room.strike(left);
      if (struck === null) return fail();
      if (!struck) break;
      state = settled(left);
      if (state === 'done') return left;
      if (state === 'dead') return fail();
    }
    for (let i = from[state.next]; i < from[state.next + 1]; i++) {
      if (!bitAt(left, i)) continue;
      const rest = left.slice();
      for (let w = 0; w < rest.length; w++) rest[w] &= ~against[i][w];
      const found = walk(rest);
      if (found) return found;
    }
    return fail();
  };
  const all = emptyBits(total);
  for (let i = 0; i < total; i++) setBit(all, i);
  const answer = walk(all);
  return answer && component.map(({ nodes }, d) => nodes.find((_, i) => bitAt(answer, from[d] + i))!);
}
