import { Budget, attempt } from '../kernel';
import { entryOf, sure, there } from '../model';
import { binsOf, type Bins } from './bins';
import { emptyBits, hasBit, setBit } from './bits';
import { findAnswer } from './dive';
import { Prices } from './prices';
import type { Compiled } from './problem';
import { linked, type Domain, type Node } from './reduce';
import { BranchAndBound, type Found, type State } from './search';

const start = (size: number): State => ({ ruled: emptyBits(size), tolerated: new Int16Array(size) });

/** A domain, and its place in the component. */
interface Placed {
  domain: Domain;
  at: number;
}

/** Puts domains so that each next one is tied to those before it; small ones first. */
function inOrder(domains: readonly Domain[]): Placed[] {
  const left = domains.map((domain, at): Placed => ({ domain, at }));
  const ties = domains.map((d) => domains.map((e) => e !== d && linked(d, e)));
  const many = ties.map((row) => row.filter(Boolean).length);
  const out: Placed[] = [];
  while (left.length) {
    const score = ({ at }: Placed) => out.filter((e) => there(there(ties[at])[e.at])).length;
    left.sort(
      (a, b) =>
        score(b) - score(a) ||
        a.domain.nodes.length - b.domain.nodes.length ||
        there(many[b.at]) - there(many[a.at]) ||
        a.domain.variable - b.domain.variable
    );
    out.push(...left.splice(0, 1));
  }
  return out;
}

/** How often prices are looked for, each time knowing the answer that the last ones led to. */
const LOOKS = 2;

/**
 * Solves one component exactly. Every line that several domains want gets a price: prices lead to a good answer, strike
 * what cannot be in a better one, and tell the search what is left to hope for.
 */
export function solveComponent(compiled: Compiled, component: readonly Domain[], budget: Budget): Found {
  if (component.length === 1 && there(component[0]).nodes.every((n) => n.tolerated.length === 0))
    return cheapest(there(component[0]));
  const { domains, size, tolerantWith } = compact(compiled, component);
  const bins = binsOf(compiled);
  const shareCost = compiled.packing.of('shares');
  const free = new BranchAndBound(domains, size, shareCost, tolerantWith, budget);
  const state = start(size);
  const prices = new Prices(domains, component, bins, (n, s) => free.step(n, s));
  const look = () => answerByPrices(component, prices, bins, free, state);
  let first = look();
  let lower = free.plainBound(0, state);
  for (let n = 0; n < LOOKS && (!first || first.cost > lower); n++) {
    prices.improve(state, first?.cost ?? lower * 1.2);
    lower = Math.max(lower, prices.bound(prices.rows, 0, state));
    const next = look();
    if (next && (!first || next.cost < first.cost)) first = next;
  }
  const places = inOrder(first ? struck(domains, prices, free, state, first.cost) : domains);
  const rows = places.map(({ domain, at }) =>
    there(prices.rows[at]).filter(({ node }) => domain.nodes.includes(node))
  );
  const search = new BranchAndBound(
    places.map((p) => p.domain),
    size,
    shareCost,
    tolerantWith,
    budget,
    (depth, s) => prices.bound(rows, depth, s)
  );
  const back = (nodes: readonly Node[]) =>
    domains.map((_, at) => there(nodes[places.findIndex((p) => p.at === at)]));
  return attempt(
    (): Found => {
      const cost = search.best(0, state, first ? first.cost + 1 : Infinity);
      const nodes = cost === Infinity ? null : back(search.trace(state, cost));
      return { nodes, cost, bound: cost, optimal: true };
    },
    (): Found => {
      if (first) return { ...first, bound: lower, optimal: first.cost === lower };
      const dive = search.dive(state, 20_000);
      return {
        nodes: dive && back(dive.nodes),
        cost: dive?.cost ?? Infinity,
        bound: lower,
        optimal: dive !== null && dive.cost === lower
      };
    }
  );
}

/** How many nodes the search for a first answer may take. */
const FIRST_NODES = 4000;

/** An answer, values first that are cheap with their prices; null: none was met in short time. */
function answerByPrices(
  component: readonly Domain[],
  { rows }: Prices,
  bins: Bins,
  search: BranchAndBound,
  start: State
): { nodes: Node[]; cost: number } | null {
  const cheapFirst = component.map(({ variable, by, nodes }, d) => {
    const rank = new Map(there(rows[d]).map(({ node, price }) => [node.source, node.cost + price]));
    const sorted = [...nodes].sort(
      (a, b) => entryOf(rank, a.source) - entryOf(rank, b.source) || a.source - b.source
    );
    return { variable, by, nodes: sorted };
  });
  const found = attempt(
    () => findAnswer(cheapFirst, bins, new Budget(FIRST_NODES)),
    () => null
  );
  if (!found) return null;
  let state = start;
  let cost = 0;
  const nodes = search.domains.map((domain, d) => {
    const node = nodeOf(domain, there(found[d]).source);
    cost += search.step(node, state);
    state = search.after(node, state);
    return node;
  });
  return { nodes, cost };
}

/** The node of a domain that stands for a value of the problem. */
const nodeOf = (domain: Domain, source: number): Node =>
  sure(
    domain.nodes.find((n) => n.source === source),
    'domain value'
  );

/** The domains with what may be in an answer of no more than this cost. */
const struck = (
  domains: readonly Domain[],
  prices: Prices,
  search: BranchAndBound,
  state: State,
  cost: number
): Domain[] =>
  domains.map((domain, d) => ({
    ...domain,
    nodes: domain.nodes.filter(
      (n) => search.step(n, state) + prices.bound(prices.rows, 0, search.after(n, state), d) <= cost
    )
  }));

function cheapest({ nodes }: Domain): Found {
  const best = nodes.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { nodes: [best], cost: best.cost, bound: best.cost, optimal: true };
}

/** The component with only the classes that still matter in it, numbered anew from 0. */
function compact(compiled: Compiled, component: readonly Domain[]) {
  const names = new Map<number, number>();
  const tolerant = new Set(component.flatMap((d) => d.nodes.flatMap((n) => n.tolerated)));
  for (const { nodes } of component)
    for (const node of nodes)
      for (const c of node.classes)
        if (!names.has(c) && (hasBit(node.takes, c) || tolerant.has(c))) names.set(c, names.size);
  const size = names.size;
  const domains = component.map(({ variable, by, nodes }): Domain => ({
    variable,
    by,
    nodes: nodes
      .map((node): Node => {
        const takes = emptyBits(size);
        const rules = emptyBits(size);
        for (const [c, id] of names) {
          if (hasBit(node.takes, c)) setBit(takes, id);
          if (hasBit(node.rules, c)) setBit(rules, id);
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
      .sort((a, b) => a.cost - b.cost || a.source - b.source)
  }));
  const tolerantWith: number[][] = Array.from({ length: size }, () => []);
  for (const [c, id] of names)
    if (tolerant.has(c)) tolerantWith[id] = there(compiled.tolerates[c]).flatMap((d) => names.get(d) ?? []);
  return { domains, size, tolerantWith };
}
