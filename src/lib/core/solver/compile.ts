import { forbidden, keyOf, type Constraint, type Item, type PartFunction, type Setting } from '../model';
import {
  claimSettings,
  claimValue,
  foundPosition,
  isHome,
  isOn,
  lineOf,
  positionOf,
  relate,
  sharingContext,
  standing,
  unreachable,
  type Fitted,
  type Machine,
  type Positions
} from '../resources';
import { compileNeeds } from './needs';
import { LEVELS, MOVE_COST, Packing, add, moveCost, zero, type Objective } from './objective';
import type { Class, Compiled, FunctionNode, Value, Variable } from './problem';

export interface CompileOptions {
  /** Wanted functions may be switched off, at the highest cost. */
  allowOff: boolean;
  /** Positions that are forced, by `item/setting`. */
  forced?: ReadonlyMap<string, string>;
}

interface Choice {
  item: string;
  setting: Setting;
  domain: string[];
}

/** Settings of an item that the solver may not move: the user's word, unknown ones, ROM builds. */
export function isFixed(fitted: Fitted, setting: Setting): boolean {
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
  return !setting.known || block?.kind === 'firmware' || fitted.item.locked.includes(setting.id);
}

/**
 * Compiles a machine into variables and classes. Settings that decide a claim together form one
 * variable; variables that share a setting are held together by classes for its positions.
 */
export function compile(m: Machine, options: CompileOptions): Compiled {
  const now = standing(m);
  const choices = collectChoices(m, options, now);
  const scopes = collectScopes(m, choices);
  const functions: FunctionNode[] = [];
  const functionIndex = new Map<string, number>();
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      functionIndex.set(keyOf(fitted.item.id, fn.id), functions.length);
      functions.push({ item: fitted.item.id, id: fn.id, need: needOf(m, fitted, fn, now) });
    }

  const classes: Class[] = [];
  const classIds = new Map<string, number>();
  const classFor = (key: string, make: () => Class): number => {
    let id = classIds.get(key);
    if (id === undefined) {
      id = classes.length;
      classIds.set(key, id);
      classes.push(make());
    }
    return id;
  };

  const hosts = scopes.map((scope) => ({ scope, fns: [] as Hosted[], settings: [] as Choice[] }));
  const hostOf = (keys: readonly string[]) => hosts.find((h) => keys.every((k) => h.scope.has(k)))!;
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      const index = functionIndex.get(keyOf(fitted.item.id, fn.id))!;
      const off = free(choices, offSettings(fitted, fn));
      hostOf(off).fns.push({ fitted, fn, index, claim: null });
      fn.claims.forEach((_, claim) =>
        hostOf([...off, ...free(choices, claimSettings(m, fitted, fn.claims[claim]))]).fns.push({
          fitted,
          fn,
          index,
          claim
        })
      );
    }
  for (const [key, choice] of choices)
    if (choice.domain.length > 1) hosts.find((h) => h.scope.has(key))?.settings.push(choice);

  const shared = new Set(
    [...choices.keys()].filter((key) => hosts.filter((h) => h.scope.has(key)).length > 1)
  );

  const variables = hosts.map(({ scope, fns, settings }): Variable => {
    const keys = [...scope];
    const scoped = keys.map((key) => choices.get(key)!);
    const items = new Set(scoped.map((c) => c.item));
    const bound = new Set([...fns.map((h) => h.fitted.item.id), ...items]);
    const values: Value[] = [];
    const consider = (chosen: ReadonlyMap<string, string>, broken: boolean) => {
      const at: Positions = (item, setting) => {
        const key = keyOf(item, setting);
        return chosen.get(key) ?? choices.get(key)?.domain[0] ?? now(item, setting);
      };
      values.push(
        valueOf(m, fns, settings, keys, at, {
          broken,
          bound,
          shared,
          functions,
          functionIndex,
          options,
          classFor
        })
      );
    };
    enumerate(m, scoped, keys, choices, (chosen) => consider(chosen, false), bound);
    // No combination that the parts allow: keep one, marked as the fault of its functions.
    if (values.length === 0) consider(new Map(keys.map((k, i) => [k, scoped[i].domain[0]])), true);
    return { settings: scoped.map((c) => ({ item: c.item, setting: c.setting.id })), values };
  });

  compileNeeds(m, { variables, classes, classFor, functionIndex });
  const { forbids, tolerates } = relations(m, classes, classIds);
  for (const variable of variables)
    for (const value of variable.values) settleInside(value, forbids, tolerates);

  const packing = new Packing(largest(variables, classes, tolerates));
  for (const variable of variables)
    for (const value of variable.values) value.cost = packing.pack(value.objective);
  const inVariables = new Set(hosts.flatMap((h) => [...h.scope]));
  const fixed = new Map<string, string>();
  let base = zero();
  for (const [key, choice] of choices) {
    if (inVariables.has(key)) continue;
    const position = choice.domain[0];
    if (position === undefined) continue;
    fixed.set(key, position);
    base = add(base, settingCost(m, choice, position));
  }
  return { functions, variables, classes, forbids, tolerates, packing, fixed, base };
}

interface Hosted {
  fitted: Fitted;
  fn: PartFunction;
  index: number;
  /** Index of the claim, or null for the function's being on or off. */
  claim: number | null;
}

function needOf(m: Machine, fitted: Fitted, fn: PartFunction, now: Positions): FunctionNode['need'] {
  const named = (list: readonly { item: string; function: string }[]) =>
    list.some((r) => r.item === fitted.item.id && r.function === fn.id);
  if (named(m.build.brief.mustBeOn)) return 'must';
  if (named(m.build.brief.mayBeOff)) return 'free';
  // A function that the user has switched off is not asked for.
  return isOn(fitted, fn, now) ? 'want' : 'free';
}

function collectChoices(m: Machine, options: CompileOptions, now: Positions): Map<string, Choice> {
  const relevant = new Set<string>();
  for (const fitted of m.fitted) {
    const add = (setting: string) => relevant.add(keyOf(fitted.item.id, setting));
    for (const fn of fitted.part.functions) {
      offSettings(fitted, fn).forEach((k) => relevant.add(k));
      for (const claim of fn.claims)
        claimSettings(m, fitted, claim).forEach((s) => relevant.add(keyOf(s.item, s.setting)));
    }
    fitted.part.constraints.forEach((c) => constraintSettings(c).forEach(add));
  }
  const choices = new Map<string, Choice>();
  for (const fitted of m.fitted)
    for (const setting of fitted.part.settings) {
      const key = keyOf(fitted.item.id, setting.id);
      const position = now(fitted.item.id, setting.id);
      const forced = options.forced?.get(key);
      const all = setting.positions.map((p) => p.id);
      const only = position === undefined ? [] : [position];
      const domain =
        forced !== undefined ? [forced] : isFixed(fitted, setting) || !relevant.has(key) ? only : all;
      choices.set(key, { item: fitted.item.id, setting, domain });
    }
  return choices;
}

function constraintSettings(constraint: Constraint): string[] {
  if ('allow' in constraint) return constraint.allow.settings;
  return 'forbid' in constraint ? Object.keys(constraint.forbid) : [];
}

const offSettings = (fitted: Fitted, fn: PartFunction): string[] => [
  ...new Set(fn.off.flatMap((match) => Object.keys(match).map((s) => keyOf(fitted.item.id, s))))
];

const free = (
  choices: Map<string, Choice>,
  keys: readonly { item: string; setting: string }[] | readonly string[]
) => [
  ...new Set(
    keys
      .map((k) => (typeof k === 'string' ? k : keyOf(k.item, k.setting)))
      .filter((k) => (choices.get(k)?.domain.length ?? 0) > 1)
  )
];

/** The maximal sets of free settings that some claim, function or constraint rests on. */
function collectScopes(m: Machine, choices: Map<string, Choice>): Set<string>[] {
  const found = new Map<string, string[]>();
  const put = (keys: string[]) => found.set([...keys].sort().join(' '), keys);
  for (const fitted of m.fitted) {
    for (const fn of fitted.part.functions) {
      const off = free(choices, offSettings(fitted, fn));
      put(off);
      for (const claim of fn.claims)
        put([...new Set([...off, ...free(choices, claimSettings(m, fitted, claim))])]);
    }
    for (const constraint of fitted.part.constraints)
      put(
        free(
          choices,
          constraintSettings(constraint).map((s) => keyOf(fitted.item.id, s))
        )
      );
  }
  const bySize = [...found.values()].map((keys) => new Set(keys)).sort((a, b) => b.size - a.size);
  // What rests on no free setting has a variable of its own, with one value.
  const maximal: Set<string>[] = [new Set()];
  for (const scope of bySize)
    if (scope.size && !maximal.some((big) => [...scope].every((k) => big.has(k)))) maximal.push(scope);
  return maximal;
}

/** Calls back for each combination of positions that the constraints of the parts allow. */
function enumerate(
  m: Machine,
  scoped: readonly Choice[],
  keys: readonly string[],
  choices: Map<string, Choice>,
  found: (chosen: ReadonlyMap<string, string>) => void,
  items: ReadonlySet<string>
): void {
  const partial = new Map<string, Record<string, string>>();
  for (const item of items) {
    const chosen: Record<string, string> = {};
    for (const setting of m.find(item)!.part.settings) {
      const domain = choices.get(keyOf(item, setting.id))!.domain;
      if (domain.length === 1) chosen[setting.id] = domain[0];
    }
    partial.set(item, chosen);
  }
  const legal = (item: string) => !forbidden(m.find(item)!.part, partial.get(item)!);
  if (![...items].every(legal)) return;
  const chosen = new Map<string, string>();
  const walk = (i: number): void => {
    if (i === scoped.length) return found(chosen);
    const { item, setting, domain } = scoped[i];
    for (const position of domain) {
      chosen.set(keys[i], position);
      partial.get(item)![setting.id] = position;
      if (legal(item)) walk(i + 1);
      delete partial.get(item)![setting.id];
    }
  };
  walk(0);
}

function settingCost(m: Machine, choice: Choice, position: string): Objective {
  const cost = zero();
  const fitted = m.find(choice.item)!;
  const { setting } = choice;
  const found = foundPosition(fitted.item, setting);
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
  const state = (id: string | undefined) => setting.positions.find((p) => p.id === id)?.state;
  if (found !== position && block) cost.moves = moveCost(block, state(found), state(position));
  else if (found !== position) cost.moves = MOVE_COST.software;
  // What the start-up chooses has no home of its own.
  const chosenAtStart = block?.kind === 'startup' || block?.kind === 'pnp';
  if (setting.default !== undefined && setting.default !== position && !chosenAtStart) cost.distance = 1;
  return cost;
}

interface ValueContext {
  broken: boolean;
  bound: ReadonlySet<string>;
  shared: ReadonlySet<string>;
  functions: readonly FunctionNode[];
  functionIndex: ReadonlyMap<string, number>;
  options: CompileOptions;
  classFor: (key: string, make: () => Class) => number;
}

function valueOf(
  m: Machine,
  fns: readonly Hosted[],
  settings: readonly Choice[],
  keys: readonly string[],
  at: Positions,
  context: ValueContext
): Value {
  const { broken, bound, functions, options, classFor } = context;
  const objective = settings
    .map((choice) => settingCost(m, choice, at(choice.item, choice.setting.id)!))
    .reduce(add, zero());
  const classes: number[] = [];
  const violations = new Set<number>();
  if (broken)
    for (const item of bound)
      if (forbidden(m.find(item)!.part, positionsOf(m.find(item)!.item, m.find(item)!.part.settings, at)))
        for (const fn of m.find(item)!.part.functions)
          violations.add(context.functionIndex.get(keyOf(item, fn.id))!);
  for (const { fitted, fn, index, claim } of fns) {
    const on = isOn(fitted, fn, at);
    if (claim === null) {
      const need = functions[index].need;
      if (on && fitted.misfit) violations.add(index);
      if (!on && (need === 'must' || (need === 'want' && !options.allowOff))) violations.add(index);
      if (!on && need === 'want') objective.off += 1;
      if (on) classes.push(classFor(`on ${keyOf(fitted.item.id, fn.id)}`, () => ({ fn: -1 })));
      continue;
    }
    const value = on ? claimValue(m, fitted, fn.claims[claim], at) : null;
    if (value === null) continue;
    const line = lineOf(m, fitted, fn, claim, value);
    if (unreachable(m, fitted, line)) violations.add(index);
    if (!isHome(fn, line.resource, line.value) && !isHome(fn, line.resource, line.printed))
      objective.distance += 1;
    classes.push(classFor(`${keyOf(line.item, fn.id)} ${claim} ${value}`, () => ({ fn: index, line })));
  }
  keys.forEach((key) => {
    if (context.shared.has(key)) {
      const [item, setting] = key.split('/');
      classes.push(classFor(`set ${key} ${at(item, setting)}`, () => ({ fn: -1 })));
    }
  });
  return {
    positions: keys.map((key) => at(...(key.split('/') as [string, string]))!),
    classes,
    violations: [...violations],
    internal: [],
    objective,
    cost: 0
  };
}

function positionsOf(item: Item, settings: readonly Setting[], at: Positions): Record<string, string> {
  return Object.fromEntries(
    settings.flatMap((s) => {
      const position = at(item.id, s.id) ?? positionOf(item, s);
      return position === undefined ? [] : [[s.id, position]];
    })
  );
}

/** Which classes clash and which may share: lines by the resources' law, positions by identity. */
function relations(m: Machine, classes: readonly Class[], ids: ReadonlyMap<string, number>) {
  const forbids: number[][] = classes.map(() => []);
  const tolerates: number[][] = classes.map(() => []);
  const context = sharingContext(m);
  const byResource = new Map<string, number[]>();
  classes.forEach((c, i) => {
    if (c.line) byResource.set(c.line.resource, [...(byResource.get(c.line.resource) ?? []), i]);
  });
  for (const group of byResource.values())
    for (let x = 0; x < group.length; x++)
      for (let y = x + 1; y < group.length; y++) {
        const [a, b] = [group[x], group[y]];
        const [la, lb] = [classes[a].line!, classes[b].line!];
        // Two numbers of one claim are never there together.
        if (la.item === lb.item && la.function === lb.function && la.index === lb.index) continue;
        const relation = relate(la, lb, context);
        if (relation?.verdict === 'clash') {
          forbids[a].push(b);
          forbids[b].push(a);
        } else if (relation?.cost) {
          tolerates[a].push(b);
          tolerates[b].push(a);
        }
      }
  const link = (a: number, b: number) => {
    forbids[a].push(b);
    forbids[b].push(a);
  };
  const settings = new Map<string, number[]>();
  const marks = new Map<string, { pick?: number; miss?: number }>();
  for (const [key, id] of ids) {
    const [kind, name, word] = key.split(' ');
    if (kind === 'set') settings.set(name, [...(settings.get(name) ?? []), id]);
    if (kind === 'need') marks.set(name, { ...marks.get(name), [word]: id });
  }
  for (const group of settings.values())
    group.forEach((a, i) => group.slice(i + 1).forEach((b) => link(a, b)));
  for (const { pick, miss } of marks.values()) if (pick !== undefined && miss !== undefined) link(pick, miss);
  return { forbids, tolerates };
}

/** Classes that clash or share within one value are settled there, once. */
function settleInside(value: Value, forbids: readonly number[][], tolerates: readonly number[][]): void {
  const cs = value.classes;
  for (let i = 0; i < cs.length; i++)
    for (let j = i + 1; j < cs.length; j++) {
      if (forbids[cs[i]].includes(cs[j])) value.internal.push([cs[i], cs[j]]);
      if (tolerates[cs[i]].includes(cs[j])) value.objective.shares += 1;
    }
}

/** An upper bound of each level over the whole machine. */
function largest(
  variables: readonly Variable[],
  classes: readonly Class[],
  tolerates: readonly number[][]
): Objective {
  let most = zero();
  for (const { values } of variables) {
    const top = zero();
    for (const level of LEVELS) top[level] = Math.max(0, ...values.map((v) => v.objective[level]));
    most = add(most, top);
  }
  const claims = (list: Iterable<number>) =>
    new Set([...list].map((c) => `${classes[c].fn} ${classes[c].line?.index}`)).size;
  const tolerant = classes.map((_, i) => i).filter((i) => tolerates[i].length);
  most.shares += (claims(tolerant) * (claims(tolerant) + 1)) / 2;
  return most;
}
