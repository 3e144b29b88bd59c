import {
  blockOf,
  forbidden,
  keyOf,
  type Constraint,
  type PartFunction,
  type Setting,
  entryOf,
  there
} from '../model';
import { claimSettings, type Fitted, type Machine, type Positions } from '../resources';

export interface CompileOptions {
  /** Wanted functions may be switched off, at the highest cost. */
  allowOff: boolean;
  /** Positions that are forced, by `item/setting`. */
  forced?: ReadonlyMap<string, string>;
}

export interface Choice {
  item: string;
  setting: Setting;
  domain: string[];
}

/** Settings of an item that the solver may not move: the user's word, unknown ones, ROM builds. */
export function isFixed(fitted: Fitted, setting: Setting): boolean {
  const block = blockOf(fitted.part, setting);
  return !setting.known || block?.kind === 'firmware' || fitted.item.locked.includes(setting.id);
}

/** Settings, as `item/setting`, that some line, function or constraint hangs on; no other is the solver's to decide. */
export function lineSettings(m: Machine): Set<string> {
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
  return relevant;
}

/** Positions of a setting, less those of a 16-bit bus in a slot of 8 bits. */
function reachable({ part, seat }: Fitted, setting: Setting): string[] {
  const all = setting.positions.map((p) => p.id);
  const width = part.means?.find((m) => m.fact === 'bus-width' && m.setting === setting.id);
  if (!width || seat !== 'isa8') return all;
  const good = all.filter((p) => width.values[p] !== 16);
  return good.length ? good : all;
}

export function collectChoices(m: Machine, options: CompileOptions, now: Positions): Map<string, Choice> {
  const relevant = lineSettings(m);
  const choices = new Map<string, Choice>();
  for (const fitted of m.fitted)
    for (const setting of fitted.part.settings) {
      const key = keyOf(fitted.item.id, setting.id);
      const position = now(fitted.item.id, setting.id);
      const forced = options.forced?.get(key);
      const all = reachable(fitted, setting);
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

export const offSettings = (fitted: Fitted, fn: PartFunction): string[] => [
  ...new Set(fn.off.flatMap((match) => Object.keys(match).map((s) => keyOf(fitted.item.id, s))))
];

export const free = (
  choices: ReadonlyMap<string, Choice>,
  keys: readonly { item: string; setting: string }[] | readonly string[]
) => [
  ...new Set(
    keys
      .map((k) => (typeof k === 'string' ? k : keyOf(k.item, k.setting)))
      .filter((k) => (choices.get(k)?.domain.length ?? 0) > 1)
  )
];

/** The maximal sets of free settings that some claim, function or constraint rests on. */
export function collectScopes(m: Machine, choices: Map<string, Choice>): Set<string>[] {
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
export function enumerate(
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
    for (const setting of m.get(item).part.settings) {
      const domain = entryOf(choices, keyOf(item, setting.id)).domain;
      if (domain.length === 1) chosen[setting.id] = there(domain[0]);
    }
    partial.set(item, chosen);
  }
  const legal = (item: string) => !forbidden(m.get(item).part, entryOf(partial, item));
  if (![...items].every(legal)) return;
  const chosen = new Map<string, string>();
  const walk = (i: number): void => {
    if (i === scoped.length) return found(chosen);
    const { item, setting, domain } = there(scoped[i]);
    for (const position of domain) {
      chosen.set(there(keys[i]), position);
      entryOf(partial, item)[setting.id] = position;
      if (legal(item)) walk(i + 1);
      delete entryOf(partial, item)[setting.id];
    }
  };
  walk(0);
}
