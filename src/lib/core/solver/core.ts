import { PNP_ITEM, SYSTEM_ITEM, entryOf, there } from '../model';
import { ABSENT, FIXED, minimalSet, type Members } from './minimal-set';
import type { Compiled } from './problem';
import { judge, ofQuestion, type Limits, type Verdict } from './solve';

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

/** Nodes of all questions about one core, beyond which each has few left. */
const CORE_NODES = 9000;
/** Nodes that a question has however many came before it. */
const LEAST_NODES = 60;

interface Asked {
  /** Whether these functions cannot live together, some claims left out. */
  ask: (active: readonly boolean[], muted?: ReadonlySet<string>) => Verdict;
  /** The functions marked active, with those of the board itself. */
  marks: (kept: Iterable<number>) => boolean[];
  functions: number[];
  minimal: () => boolean;
}

/**
 * The functions of a core; what else is needed to find its claims comes along.
 * @param known whether it is certain that there is one
 * @param without items of which none may be a member
 */
function asked(compiled: Compiled, limits: Limits, known: boolean, without?: ReadonlySet<string>): Asked {
  let minimal = true;
  let left = CORE_NODES;
  const ask: Asked['ask'] = (active, muted) => {
    const question = ofQuestion(limits);
    const maxNodes = Math.min(question.maxNodes, Math.max(LEAST_NODES, left));
    const verdict = judge(compiled, { ...question, maxNodes }, { active, muted });
    left -= verdict.nodes;
    if (verdict.possible === null) minimal = false;
    return verdict;
  };
  // The system board is always there, so it is no member; the plug-and-play ports are blamed last.
  const system = [...compiled.functions.keys()].filter(
    (i) => there(compiled.functions[i]).item === SYSTEM_ITEM
  );
  const marks = (kept: Iterable<number>) => {
    const all = new Set([...kept, ...system]);
    return compiled.functions.map((_, i) => all.has(i));
  };
  const late = (i: number) => (there(compiled.functions[i]).item === PNP_ITEM ? 1 : 0);
  // By name and not by place: the same machine names the same core in whatever order its cards were entered.
  const name = (i: number) => `${there(compiled.functions[i]).item}/${there(compiled.functions[i]).id}`;
  const order = [...compiled.functions.keys()]
    .filter((i) => !system.includes(i) && !without?.has(there(compiled.functions[i]).item))
    .sort((a, b) => late(a) - late(b) || (name(a) < name(b) ? -1 : 1));
  const isSystem = new Set(system);
  const isMember = new Set(order);
  const ofFault = (fn: number) => (fn < 0 || isSystem.has(fn) ? FIXED : isMember.has(fn) ? fn : ABSENT);
  const members: Members = {
    all: order,
    ofClass: (id) => ofFault(there(compiled.classes[id]).fn),
    ofFault,
    ask: (kept) => ask(marks(kept))
  };
  const functions = minimalSet(compiled, members, known);
  return { ask, marks, functions: functions.sort((a, b) => a - b), minimal: () => minimal };
}

/**
 * A minimal set of functions that cannot live together, though any proper subset can.
 * @param without items of which none may be a member
 * @returns indices of functions; empty when all can live together, or when that was not decided
 */
export const coreFunctions = (compiled: Compiled, limits: Limits, without?: ReadonlySet<string>): number[] =>
  asked(compiled, limits, false, without).functions;

/** A core with the claims that take part in it. */
export function findCore(compiled: Compiled, limits: Limits): Core {
  const { ask, marks, functions, minimal } = asked(compiled, limits, true);
  const active = marks(functions);
  const names = new Map<string, { fn: number; claim: number }>();
  for (const { fn, line } of compiled.classes)
    if (line && active[fn]) names.set(`${fn} ${line.index}`, { fn, claim: line.index });
  const own = new Set(functions);
  const keys = [...names.keys()].sort(
    (a, b) => Number(!own.has(entryOf(names, a).fn)) - Number(!own.has(entryOf(names, b).fn))
  );
  const without = (kept: readonly number[]) => {
    const all = new Set(kept);
    return new Set(keys.filter((_, i) => !all.has(i)));
  };
  const places = new Map(keys.map((key, i) => [key, i]));
  const ofFault = (fn: number) => (fn < 0 || active[fn] ? FIXED : ABSENT);
  const members: Members = {
    all: [...keys.keys()],
    ofClass: (id) => {
      const { fn, line } = there(compiled.classes[id]);
      return (line && places.get(`${fn} ${line.index}`)) ?? ofFault(fn);
    },
    ofFault,
    ask: (kept) => ask(active, without(kept))
  };
  const claims = minimalSet(compiled, members, true);
  return {
    functions,
    claims: claims.sort((a, b) => a - b).map((i) => entryOf(names, keys[i])),
    minimal: minimal()
  };
}
