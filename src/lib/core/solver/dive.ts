import { Room, type Bins } from './bins';
import { disjoint } from './bits';
import type { Budget } from './search';
import { compatible, type Domain, type Node } from './reduce';

/**
 * Whether a component has any answer, whatever it costs. Takes the variable with the fewest values
 * left, strikes what its choice rules out elsewhere, counts the lines that are left against those who want them, and
 * remembers every state that failed: states are alike when the same values are left.
 */
export function hasAnswer(component: readonly Domain[], bins: Bins, budget: Budget): boolean {
  const room = new Room(bins);
  const failed = new Set<string>();
  const walk = (left: readonly Node[][]): boolean => {
    if (left.length === 0) return true;
    const key = left.map(nameOf).join(' ');
    if (failed.has(key)) return false;
    budget.spend();
    if (!room.suffices(left)) {
      failed.add(key);
      return false;
    }
    const next = left.reduce((a, b) => (b.length < a.length ? b : a));
    for (const node of next) {
      const rest = strike(left, next, node);
      if (rest && walk(rest)) return true;
    }
    failed.add(key);
    return false;
  };
  const numbers = new Map<Node, string>();
  component.forEach(({ nodes }) =>
    nodes.forEach((node) => numbers.set(node, String.fromCharCode(32 + numbers.size)))
  );
  const nameOf = (nodes: readonly Node[]) => nodes.map((n) => numbers.get(n)!).join('');
  return walk(component.map(({ nodes }) => nodes));
}

/** What is left of the other variables beside a node; null when one of them is left with nothing. */
function strike(left: readonly Node[][], taken: Node[], node: Node): Node[][] | null {
  const rest: Node[][] = [];
  for (const nodes of left) {
    if (nodes === taken) continue;
    const kept = nodes.every((n) => disjoint(node.rules, n.takes))
      ? nodes
      : nodes.filter((n) => compatible(node, n));
    if (kept.length === 0) return null;
    rest.push(kept);
  }
  return rest;
}
