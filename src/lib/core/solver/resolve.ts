import { keyOf, type Build, type PartSet, byId, there } from '../model';
import {
  foundPosition,
  isOn,
  lacksInterrupt,
  lineText,
  linesAt,
  machine,
  relate,
  sharingContext,
  unknownsOf,
  unreachable,
  type Line,
  type Machine,
  type Positions,
  type Relation,
  type Unknown
} from '../resources';
import { compile } from './compile';
import { findCore, type Core } from './core';
import { compare, type Objective } from './objective';
import { findRelaxations, type Relaxation } from './relax';
import { isFixed, lineSettings } from './scopes';
import { solve, type Limits, type Outcome } from './solve';
import type { Compiled } from './problem';

export interface ResolveOptions {
  /** Wanted functions may be switched off, at the highest cost. Default false. */
  allowOff?: boolean;
  /** How many alternatives to look for besides the best answer, 0 to 8. Default 2. */
  alternatives?: number;
  /** How many relaxations to look for when the machine is impossible, 0 to 20. Default 6. */
  relaxations?: number;
  /** Search nodes before the best found so far is returned. Default 2,000,000. */
  maxNodes?: number;
  /** Asked now and then; true ends the search. */
  shouldStop?: () => boolean;
}

/** One line taken in a solution, with its owner. */
export interface ClaimRow {
  item: string;
  function: string;
  claim: string;
  resource: Line['resource'];
  value: number;
  length: number;
  text: string;
}

export interface Move {
  item: string;
  setting: string;
  /** Where it was seen; null: nobody looked, and it is only assumed to be elsewhere than `to`. */
  from: string | null;
  to: string;
}

export interface Share {
  a: { item: string; function: string };
  b: { item: string; function: string };
  line: string;
  kind: Exclude<Relation['kind'], 'never' | 'apart'>;
  /** True when it is tolerated only with a warning, and counts in the objective. */
  tolerated: boolean;
}

export interface Solution {
  /** Position of every setting, item by item. */
  positions: Record<string, Record<string, string>>;
  claims: ClaimRow[];
  /** Settings to move from where they were found. */
  moves: Move[];
  shares: Share[];
  /** Wanted functions that are switched off. */
  off: { item: string; function: string }[];
  objective: Objective;
}

export interface CoreMember {
  item: string;
  function: string;
  /**
   * The claims that take part, each with every line that it can reach (or offers, when it reaches
   * none), in words.
   */
  claims: { claim: string; resource: Line['resource']; could: string[] }[];
}

export type Resolution =
  | ({
      status: 'solved';
      optimal: boolean;
      bound: Objective;
      alternatives: Solution[];
      /** What the answer does not cover, since nobody knows it. */
      unknown: Unknown[];
      nodes: number;
    } & Solution)
  | { status: 'impossible'; core: CoreMember[]; minimal: boolean; relaxations: Relaxation[]; nodes: number }
  | { status: 'stopped'; bound: Objective; nodes: number };

export const DEFAULT_NODES = 2_000_000;

/**
 * Finds positions of all settings that are neither locked nor unknown so that no two lines clash,
 * best by the objective; or shows a minimal core and changes that help. Deterministic.
 */
export function resolve(build: Build, parts: PartSet, options: ResolveOptions = {}): Resolution {
  const m = machine(build, parts);
  const allowOff = options.allowOff ?? false;
  const limits: Limits = { maxNodes: options.maxNodes ?? DEFAULT_NODES, shouldStop: options.shouldStop };
  const compiled = compile(m, { allowOff });
  const outcome = solve(compiled, limits);
  if (outcome.kind === 'stopped') return { status: 'stopped', bound: outcome.bound, nodes: outcome.nodes };
  if (outcome.kind === 'impossible') {
    const core = findCore(compiled, limits);
    const members = core.functions.map((i) => there(compiled.functions[i]));
    return {
      status: 'impossible',
      core: coreFunctions(core).map((i) => coreMember(m, compiled, core, i)),
      minimal: core.minimal,
      relaxations: findRelaxations(build, parts, members, {
        allowOff,
        most: options.relaxations ?? 6,
        limits
      }),
      nodes: outcome.nodes
    };
  }
  const best = solutionOf(m, outcome.answer.positions, outcome.answer.objective);
  return {
    status: 'solved',
    optimal: outcome.optimal,
    bound: outcome.bound,
    ...best,
    alternatives: alternatives(m, best, options.alternatives ?? 2, allowOff, limits),
    unknown: unknownsOf(m),
    nodes: outcome.nodes
  };
}

/** Turns positions into the full account of a solution. */
export function solutionOf(
  m: Machine,
  positions: ReadonlyMap<string, string>,
  objective: Objective
): Solution {
  const at: Positions = (item, setting) => positions.get(keyOf(item, setting));
  const lines = linesAt(m, at);
  const decided = lineSettings(m);
  const byItem: Solution['positions'] = {};
  const moves: Move[] = [];
  for (const { item, part } of m.fitted) {
    for (const setting of part.settings) {
      const position = at(item.id, setting.id);
      // What no line hangs on is not decided here: banks, voltages, the first display.
      if (position === undefined || !decided.has(keyOf(item.id, setting.id))) continue;
      (byItem[item.id] ??= {})[setting.id] = position;
      if (item.id !== 'pnp' && foundPosition(item, setting) !== position)
        moves.push({
          item: item.id,
          setting: setting.id,
          from: item.asFound[setting.id] ?? null,
          to: position
        });
    }
  }
  const off = m.fitted.flatMap((fitted) =>
    fitted.part.functions
      .filter((fn) => !isOn(fitted, fn, at) || lacksInterrupt(m, fitted, fn, at))
      .map((fn) => ({ item: fitted.item.id, function: fn.id }))
  );
  return {
    positions: byItem,
    claims: lines
      .filter((l) => l.item !== 'system')
      .map(({ item, function: fn, claim, resource, value, length, printed }) => ({
        item,
        function: fn,
        claim,
        resource,
        value,
        length,
        text: lineText({ resource, value, length, printed })
      })),
    moves,
    shares: sharesOf(m, lines),
    off,
    objective
  };
}

/** Every line or address that two functions of different items use together. */
export function sharesOf(m: Machine, lines: readonly Line[]): Share[] {
  const context = sharingContext(m);
  const shares: Share[] = [];
  lines.forEach((a, i) => {
    for (const b of lines.slice(i + 1)) {
      const relation = relate(a, b, context);
      if (relation?.verdict !== 'share' || a.item === b.item) continue;
      const kind = relation.kind as Share['kind'];
      shares.push({
        a: { item: a.item, function: a.function },
        b: { item: b.item, function: b.function },
        line: lineText(a),
        kind,
        tolerated: relation.cost > 0
      });
    }
  });
  return shares;
}

/** The core's functions and, where its claims meet the board's own, those of the system. */
const coreFunctions = (core: Core) => [...new Set([...core.functions, ...core.claims.map((c) => c.fn)])];

function coreMember(m: Machine, compiled: Compiled, core: Core, index: number): CoreMember {
  const { item, id } = there(compiled.functions[index]);
  const wanted = core.claims.filter((c) => c.fn === index);
  const lines = compiled.classes.flatMap(({ fn, line }) =>
    fn === index && line && (!wanted.length || wanted.some((w) => w.claim === line.index)) ? [line] : []
  );
  const claims = [...new Set(lines.map((l) => l.claim))].map((claim) => {
    const all = lines.filter((l) => l.claim === claim);
    const reached = all.filter((l) => unreachable(m, m.get(item), l) === null);
    const own = reached.length ? reached : all;
    return { claim, resource: there(own[0]).resource, could: [...new Set(own.map(lineText))] };
  });
  return { item, function: id, claims };
}

/** Whether an answer moves everything that another one moves. */
const contains = (big: Solution, small: Solution) =>
  small.moves.every((m) => big.moves.some((n) => n.item === m.item && n.setting === m.setting));

/**
 * Answers that differ in kind: each leaves in place at least one setting that every earlier one
 * moves, or, when there are too few of those, puts some setting elsewhere. Best first.
 */
function alternatives(
  m: Machine,
  best: Solution,
  wanted: number,
  allowOff: boolean,
  limits: Limits
): Solution[] {
  if (wanted === 0) return [];
  const accepted = [best];
  const open: { forced: Map<string, string>; solution: Solution }[] = [];
  const tried = new Set<string>();
  let budget = 40;
  const expand = (solution: Solution, forced: ReadonlyMap<string, string>) => {
    for (const move of solution.moves) {
      const owner = m.get(move.item);
      const setting = byId(owner.part.settings, move.setting);
      const stood = foundPosition(owner.item, setting);
      // What is fixed where it stands is not put back to where it was found.
      if (stood === undefined || isFixed(owner, setting) || budget-- <= 0) continue;
      const next = new Map(forced).set(keyOf(move.item, move.setting), stood);
      const name = [...next].flat().sort().join(' ');
      if (tried.has(name)) continue;
      tried.add(name);
      const compiled = compile(m, { allowOff, forced: next });
      const outcome: Outcome = solve(compiled, limits);
      if (outcome.kind !== 'solved') continue;
      const { positions, objective } = outcome.answer;
      open.push({
        forced: next,
        solution: solutionOf(m, positions, objective)
      });
    }
  };
  expand(best, new Map());
  while (open.length && accepted.length <= wanted) {
    // By the figures themselves: packed costs of differently compiled machines cannot be compared.
    open.sort((a, b) => compare(a.solution.objective, b.solution.objective));
    const { solution, forced } = there(open.splice(0, 1)[0]);
    if (accepted.some((earlier) => contains(solution, earlier))) {
      if (budget > 0) expand(solution, forced);
    } else accepted.push(solution);
  }
  return accepted.slice(1).sort((a, b) => compare(a.objective, b.objective));
}
