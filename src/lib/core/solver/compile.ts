import {
  BLOCK_KINDS,
  blockOf,
  forbidden,
  keyOf,
  type Item,
  type PartFunction,
  type Setting,
  entryOf,
  sure,
  there
} from '../model';
import {
  claimSettings,
  claimValue,
  foundPosition,
  isHome,
  isOn,
  lacksInterrupt,
  lineOf,
  positionOf,
  standing,
  unreachable,
  type Fitted,
  type Machine,
  type Positions
} from '../resources';
import { bitsOf } from './bits';
import { compileNeeds } from './needs';
import { Packing, add, moveCost, zero, type Objective } from './objective';
import {
  MOST_CLASSES,
  MOST_VALUES,
  TooLarge,
  type Class,
  type Compiled,
  type FunctionNode,
  type Value,
  type Variable
} from './problem';
import { largest, relations, settleInside } from './relations';
import {
  collectChoices,
  collectScopes,
  enumerate,
  free,
  offSettings,
  type Choice,
  type CompileOptions
} from './scopes';

/**
 * Compiles a machine into variables and classes. Settings that decide a claim together form one
 * variable; variables that share a setting are held together by classes for its positions.
 * @throws TooLarge when the parts have more choices than any hardware
 */
export function compile(m: Machine, options: CompileOptions): Compiled {
  const now = standing(m);
  const choices = collectChoices(m, options, now);
  const scopes = collectScopes(m, choices);
  const { functions, functionIndex } = functionsOf(m, now);
  const classes: Class[] = [];
  const classIds = new Map<string, number>();
  const classFor = (key: string, make: () => Class): number => {
    let id = classIds.get(key);
    if (id === undefined) {
      id = classes.length;
      if (id >= MOST_CLASSES) throw new TooLarge();
      classIds.set(key, id);
      classes.push(make());
    }
    return id;
  };

  const hosts = hostsOf(m, scopes, choices, functionIndex);
  const shared = new Set(
    [...choices.keys()].filter((key) => hosts.filter((h) => h.scope.has(key)).length > 1)
  );

  const needy = m.build.brief.profiles.some((profile) => profile.needs.length > 0);
  let valueCount = 0;
  const costs = new Map<string, Objective>();
  const costOf = (choice: Choice, position: string): Objective => {
    const key = `${choice.item}/${choice.setting.id} ${position}`;
    let cost = costs.get(key);
    if (!cost) costs.set(key, (cost = settingCost(m, choice, position)));
    return cost;
  };

  const variables = hosts.map(({ scope, fns, settings }): Variable => {
    const keys = [...scope];
    const scoped = keys.map((key) => entryOf(choices, key));
    const items = new Set(scoped.map((c) => c.item));
    const bound = new Set([...fns.map((h) => h.fitted.item.id), ...items]);
    const values: Value[] = [];
    const consider = (chosen: ReadonlyMap<string, string>, broken: boolean) => {
      const at: Positions = (item, setting) => {
        const key = keyOf(item, setting);
        return chosen.get(key) ?? choices.get(key)?.domain[0] ?? now(item, setting);
      };
      if (++valueCount > MOST_VALUES) throw new TooLarge();
      values.push(
        valueOf(m, fns, settings, keys, at, {
          broken,
          bound,
          shared,
          functions,
          classes,
          needy,
          costOf,
          functionIndex,
          options,
          classFor
        })
      );
    };
    enumerate(m, scoped, keys, choices, (chosen) => consider(chosen, false), bound);
    // No combination that the parts allow: keep one, marked as the fault of its functions.
    if (values.length === 0)
      consider(new Map(keys.map((k, i) => [k, there(there(scoped[i]).domain[0])])), true);
    return { settings: scoped.map((c) => ({ item: c.item, setting: c.setting.id })), values };
  });

  compileNeeds(m, { variables, classes, classFor, functionIndex });
  const { forbids, tolerates } = relations(m, classes, classIds);
  for (const variable of variables)
    for (const value of variable.values) settleInside(value, forbids, tolerates);

  const packing = new Packing(largest(variables, classes, tolerates));
  for (const variable of variables)
    for (const value of variable.values) value.cost = packing.pack(value.objective);
  const { fixed, base } = fixedOf(choices, new Set(hosts.flatMap((h) => [...h.scope])), costOf);
  const forbidBits = forbids.map((list) => bitsOf(list, classes.length));
  return { functions, variables, classes, forbids, forbidBits, tolerates, packing, fixed, base };
}

/** Every function of a machine, and its place by its key. */
function functionsOf(m: Machine, now: Positions) {
  const functions: FunctionNode[] = [];
  const functionIndex = new Map<string, number>();
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      functionIndex.set(keyOf(fitted.item.id, fn.id), functions.length);
      functions.push({ item: fitted.item.id, id: fn.id, need: needOf(m, fitted, fn, now) });
    }
  return { functions, functionIndex };
}

interface Host {
  /** Keys of settings that form one variable. */
  scope: ReadonlySet<string>;
  fns: Hosted[];
  settings: Choice[];
}

/** For each scope the functions and claims that its settings decide. */
function hostsOf(
  m: Machine,
  scopes: readonly ReadonlySet<string>[],
  choices: ReadonlyMap<string, Choice>,
  functionIndex: ReadonlyMap<string, number>
): Host[] {
  const hosts = scopes.map((scope): Host => ({ scope, fns: [], settings: [] }));
  const hostOf = (keys: readonly string[]) =>
    sure(
      hosts.find((h) => keys.every((k) => h.scope.has(k))),
      'settings scope'
    );
  for (const fitted of m.fitted)
    for (const fn of fitted.part.functions) {
      const index = entryOf(functionIndex, keyOf(fitted.item.id, fn.id));
      const off = free(choices, offSettings(fitted, fn));
      hostOf(off).fns.push({ fitted, fn, index, claim: null });
      fn.claims.forEach((of, claim) =>
        hostOf([...off, ...free(choices, claimSettings(m, fitted, of))]).fns.push({
          fitted,
          fn,
          index,
          claim
        })
      );
    }
  for (const [key, choice] of choices)
    if (choice.domain.length > 1) hosts.find((h) => h.scope.has(key))?.settings.push(choice);
  return hosts;
}

/** Positions of the settings that are in no variable, and what they cost. */
function fixedOf(
  choices: ReadonlyMap<string, Choice>,
  inVariables: ReadonlySet<string>,
  costOf: (choice: Choice, position: string) => Objective
) {
  const fixed = new Map<string, string>();
  let base = zero();
  for (const [key, choice] of choices) {
    const position = choice.domain[0];
    if (inVariables.has(key) || position === undefined) continue;
    fixed.set(key, position);
    base = add(base, costOf(choice, position));
  }
  return { fixed, base };
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

/** Where a setting stands that every value gives a position. */
const standsAt = (at: Positions, item: string, setting: string): string =>
  sure(at(item, setting), 'setting position');

function settingCost(m: Machine, choice: Choice, position: string): Objective {
  const cost = zero();
  const fitted = m.get(choice.item);
  const { setting } = choice;
  const found = foundPosition(fitted.item, setting);
  const block = blockOf(fitted.part, setting);
  const state = (id: string | undefined) => setting.positions.find((p) => p.id === id)?.state;
  if (found !== position && block) cost.moves = moveCost(block, state(found), state(position));
  else if (found !== position) cost.moves = BLOCK_KINDS.software.cost;
  // What the start-up chooses has no home of its own: it stays where it is unless something asks for more.
  const chosenAtStart = block?.kind === 'startup' || block?.kind === 'pnp';
  const home = chosenAtStart ? found : setting.default;
  if (home !== undefined && home !== position) cost.distance = 1;
  return cost;
}

/** The class of a claim at one number, judged once. */
function lineClass(
  m: Machine,
  fitted: Fitted,
  fn: PartFunction,
  index: number,
  claim: number,
  value: number
): Class {
  const line = lineOf(m, fitted, fn, claim, value);
  const of = there(fn.claims[claim]);
  // A PCI device asks the BIOS for its number: one is as usual as another.
  const handedOut = of.resource === 'irq' && of.pin !== undefined;
  const home = handedOut || [line.value, line.printed].some((n) => isHome(fn, line.resource, n));
  return { fn: index, line, dead: unreachable(m, fitted, line) !== null, away: !home };
}

interface ValueContext {
  broken: boolean;
  bound: ReadonlySet<string>;
  shared: ReadonlySet<string>;
  functions: readonly FunctionNode[];
  classes: readonly Class[];
  /** Some software profile asks whether functions are on. */
  needy: boolean;
  costOf: (choice: Choice, position: string) => Objective;
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
  const { broken, bound, functions, classes, options, classFor } = context;
  const objective = settings
    .map((choice) => context.costOf(choice, standsAt(at, choice.item, choice.setting.id)))
    .reduce(add, zero());
  const taken: number[] = [];
  const violations = new Set<number>();
  if (broken)
    for (const item of bound)
      if (forbidden(m.get(item).part, positionsOf(m.get(item).item, m.get(item).part.settings, at)))
        for (const fn of m.get(item).part.functions)
          violations.add(entryOf(context.functionIndex, keyOf(item, fn.id)));
  for (const { fitted, fn, index, claim } of fns) {
    const on = isOn(fitted, fn, at);
    if (claim === null) {
      const need = there(functions[index]).need;
      if (on && fitted.misfit) violations.add(index);
      if (!on && (need === 'must' || (need === 'want' && !options.allowOff))) violations.add(index);
      if (!on && need === 'want') objective.off += 1;
      if (on && context.needy) taken.push(classFor(`on ${keyOf(fitted.item.id, fn.id)}`, () => ({ fn: -1 })));
      continue;
    }
    const value = on ? claimValue(m, fitted, there(fn.claims[claim]), at) : null;
    if (value === null) {
      // A PCI interrupt input at off switches the function off, whatever else it has.
      const input = there(fn.claims[claim]);
      if (!on || input.resource !== 'irq' || !input.pin || !lacksInterrupt(m, fitted, fn, at)) continue;
      const need = there(functions[index]).need;
      if (need === 'must' || (need === 'want' && !options.allowOff)) violations.add(index);
      if (need === 'want') objective.off += 1;
      continue;
    }
    const id = classFor(`${index} ${claim} ${value}`, () => lineClass(m, fitted, fn, index, claim, value));
    if (there(classes[id]).dead) violations.add(index);
    if (there(classes[id]).away) objective.distance += 1;
    taken.push(id);
  }
  keys.forEach((key) => {
    if (context.shared.has(key)) {
      const [item = '', setting = ''] = key.split('/');
      taken.push(classFor(`set ${key} ${at(item, setting)}`, () => ({ fn: -1 })));
    }
  });
  return {
    positions: keys.map((key) => standsAt(at, ...(key.split('/') as [string, string]))),
    classes: taken,
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
