import { PNP_ITEM, SYSTEM_ITEM } from '../model';
import type { Compiled } from './problem';
import { feasible, type Limits } from './solve';

export interface Core {
  /** Indices of functions: a minimal set that cannot live together. */
  functions: number[];
  /**
   * A minimal set of their claims, as `function claim` indices, that cannot live together; empty
   * when one function alone cannot work from its seat.
   */
  claims: { fn: number; claim: number }[];
  /** False when the limit came before minimality was shown. */
  minimal: boolean;
}

/**
 * A minimal set of functions that cannot live together, though any proper subset can. Works by
 * leaving out functions in halves and keeping those that are needed, then the same for claims.
 */
export function findCore(compiled: Compiled, limits: Limits): Core {
  let minimal = true;
  const impossible = (active: readonly boolean[], muted?: ReadonlySet<string>): boolean => {
    const answer = feasible(compiled, limits, { active, muted });
    if (answer === null) minimal = false;
    return answer === false;
  };
  // The system board is always there, so it is no member; the plug-and-play ports are blamed last.
  const system = [...compiled.functions.keys()].filter((i) => compiled.functions[i].item === SYSTEM_ITEM);
  const marks = (kept: Iterable<number>) => {
    const all = new Set([...kept, ...system]);
    return compiled.functions.map((_, i) => all.has(i));
  };
  const late = (i: number) => (compiled.functions[i].item === PNP_ITEM ? 1 : 0);
  const order = [...compiled.functions.keys()]
    .filter((i) => !system.includes(i))
    .sort((a, b) => late(a) - late(b));
  const functions = quickXplain(order, (kept) => impossible(marks(kept))).sort((a, b) => a - b);

  const active = marks(functions);
  const names = new Map<string, { fn: number; claim: number }>();
  for (const { fn, line } of compiled.classes)
    if (line && active[fn]) names.set(`${fn} ${line.index}`, { fn, claim: line.index });
  const own = new Set(functions);
  const keys = [...names.keys()].sort(
    (a, b) => Number(!own.has(names.get(a)!.fn)) - Number(!own.has(names.get(b)!.fn))
  );
  const claims = quickXplain(
    keys.map((_, i) => i),
    (kept) => impossible(active, new Set(keys.filter((_, i) => !kept.has(i))))
  );
  return { functions, claims: claims.sort((a, b) => a - b).map((i) => names.get(keys[i])!), minimal };
}

/** A minimal subset for which `impossible` holds; it must hold for the whole and for supersets. */
export function quickXplain(items: readonly number[], impossible: (kept: Set<number>) => boolean): number[] {
  const explain = (background: readonly number[], delta: boolean, rest: readonly number[]): number[] => {
    if (delta && impossible(new Set(background))) return [];
    if (rest.length === 1) return [...rest];
    const half = Math.ceil(rest.length / 2);
    const [left, right] = [rest.slice(0, half), rest.slice(half)];
    const second = explain([...background, ...left], left.length > 0, right);
    const first = explain([...background, ...second], second.length > 0, left);
    return [...first, ...second];
  };
  if (items.length === 0 || impossible(new Set())) return [];
  return explain([], false, items);
}
