import { PNP_ITEM, SYSTEM_ITEM, entryOf } from '../model';
import type { Compiled } from './problem';
import { feasible, ofQuestion, type Limits } from './solve';

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

interface Asked {
  /** Whether these functions cannot live together, some claims left out. */
  impossible: (active: readonly boolean[], muted?: ReadonlySet<string>) => boolean;
  /** The functions marked active, with those of the board itself. */
  marks: (kept: Iterable<number>) => boolean[];
  functions: number[];
  minimal: () => boolean;
}

/** The functions of a core; what else is needed to find its claims comes along. */
function asked(compiled: Compiled, limits: Limits): Asked {
  let minimal = true;
  const impossible: Asked['impossible'] = (active, muted) => {
    const answer = feasible(compiled, ofQuestion(limits), { active, muted });
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
  // By name and not by place: the same machine names the same core in whatever order its cards were entered.
  const name = (i: number) => `${compiled.functions[i].item}/${compiled.functions[i].id}`;
  const order = [...compiled.functions.keys()]
    .filter((i) => !system.includes(i))
    .sort((a, b) => late(a) - late(b) || (name(a) < name(b) ? -1 : 1));
  const functions = quickXplain(order, (kept) => impossible(marks(kept))).sort((a, b) => a - b);
  return { impossible, marks, functions, minimal: () => minimal };
}

/** A minimal set of functions that cannot live together, though any proper subset can. */
export function coreFunctions(compiled: Compiled, limits: Limits): Pick<Core, 'functions' | 'minimal'> {
  const { functions, minimal } = asked(compiled, limits);
  return { functions, minimal: minimal() };
}

/** A core with the claims that take part in it: leaves out in halves, and keeps those that are needed. */
export function findCore(compiled: Compiled, limits: Limits): Core {
  const { impossible, marks, functions, minimal } = asked(compiled, limits);
  const active = marks(functions);
  const names = new Map<string, { fn: number; claim: number }>();
  for (const { fn, line } of compiled.classes)
    if (line && active[fn]) names.set(`${fn} ${line.index}`, { fn, claim: line.index });
  const own = new Set(functions);
  const keys = [...names.keys()].sort(
    (a, b) => Number(!own.has(entryOf(names, a).fn)) - Number(!own.has(entryOf(names, b).fn))
  );
  const claims = quickXplain(
    keys.map((_, i) => i),
    (kept) => impossible(active, new Set(keys.filter((_, i) => !kept.has(i))))
  );
  return {
    functions,
    claims: claims.sort((a, b) => a - b).map((i) => entryOf(names, keys[i])),
    minimal: minimal()
  };
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
