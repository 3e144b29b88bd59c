import { there } from '../model';
import { Room, type Bins } from './bins';
import { disjoint, dropAll, emptyBits, hasBit, setBit, type Bits } from './bits';
import type { Budget } from '../kernel';
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
  component.forEach((d, i) => (from[i + 1] = there(from[i]) + d.nodes.length));
  const against = nodes.map(() => emptyBits(nodes.length));
  const takes = component.map((d) => reachOf(d).takes);
  component.forEach((_, d) => {
    for (let i = there(from[d]); i < there(from[d + 1]); i++) {
      for (let j = there(from[d]); j < there(from[d + 1]); j++) if (j !== i) setBit(there(against[i]), j);
      for (let e = d + 1; e < component.length; e++) {
        if (disjoint(there(nodes[i]).rules, there(takes[e]))) continue;
        for (let j = there(from[e]); j < there(from[e + 1]); j++)
          if (!compatible(there(nodes[i]), there(nodes[j]))) {
            setBit(there(against[i]), j);
            setBit(there(against[j]), i);
          }
      }
    }
  });
  return { from, against, room: new Room(bins, nodes, from) };
}

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
    if (hasBit(left, i)) {
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
  const total = there(from[size]);
  const failed = new Set<string>();
  // Domains that were left with nothing before are looked at early.
  const weight = new Float64Array(size).fill(1);
  const settled = (left: Bits): 'dead' | { next: number } | 'done' => {
    for (;;) {
      let next = -1;
      let fewest = Infinity;
      let forced = false;
      for (let d = 0; d < size; d++) {
        const { count, first } = leftOf(left, there(from[d]), there(from[d + 1]));
        if (count === 0) {
          weight[d] = there(weight[d]) + 1;
          return 'dead';
        }
        if (count > 1) {
          const rank = count / there(weight[d]);
          if (rank < fewest) {
            fewest = rank;
            next = d;
          }
          continue;
        }
        if (disjoint(left, there(against[first]))) continue;
        dropAll(left, there(against[first]));
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
    for (let i = there(from[state.next]); i < there(from[state.next + 1]); i++) {
      if (!hasBit(left, i)) continue;
      const rest = left.slice();
      dropAll(rest, there(against[i]));
      const found = walk(rest);
      if (found) return found;
    }
    return fail();
  };
  const all = emptyBits(total);
  for (let i = 0; i < total; i++) setBit(all, i);
  const answer = walk(all);
  return answer && component.map(({ nodes }, d) => nodes.find((_, i) => hasBit(answer, there(from[d]) + i))!);
}
