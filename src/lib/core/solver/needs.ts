import { keyOf, type Need, type PartFunction, entryOf, there } from '../model';
import { acceptedIn, firstClaim, type Machine } from '../resources';
import { zero } from './objective';
import type { Class, Value, Variable } from './problem';

interface Target {
  variables: Variable[];
  classes: Class[];
  classFor: (key: string, make: () => Class) => number;
  functionIndex: ReadonlyMap<string, number>;
}

const resources = ['irq', 'dma', 'io', 'memory'] as const;
const mark = (): Class => ({ fn: -1 });

/**
 * Turns each need of a software profile into one more variable: which function meets it, or none
 * at its cost. Picking a function forbids the values in which that function is off or elsewhere.
 */
export function compileNeeds(m: Machine, target: Target): void {
  const needs = m.build.brief.profiles.flatMap((profile) => profile.needs);
  needs.forEach((need, n) => {
    const met: Value[] = [];
    for (const fitted of m.fitted)
      for (const fn of fitted.part.functions) {
        const name = `${n}.${met.length}`;
        if (fn.kind === need.kind && markMisses(m, target, need, name, fitted.item.id, fn))
          met.push(bare([target.classFor(`need ${name} pick`, mark)]));
      }
    const unmet = bare([]);
    if (need.weight === 'hard') unmet.objective.hardNeeds = 1;
    else unmet.objective.wishes = need.weight;
    target.variables.push({ settings: [], values: [...met, unmet] });
  });
}

const bare = (classes: number[]): Value => ({
  positions: [],
  classes,
  violations: [],
  internal: [],
  objective: zero(),
  cost: 0
});

/**
 * Marks every value in which the function does not meet the need. False when it never could: it
 * is always off, or has no claim of a resource that the need lists. The first claim of each
 * listed resource counts.
 */
function markMisses(
  m: Machine,
  target: Target,
  need: Need,
  name: string,
  item: string,
  fn: PartFunction
): boolean {
  const index = entryOf(target.functionIndex, keyOf(item, fn.id));
  const on = target.classFor(`on ${keyOf(item, fn.id)}`, mark);
  const conditions: { holds: (value: Value) => boolean; hosted: (value: Value) => boolean }[] = [
    { hosted: (v) => v.classes.includes(on), holds: (v) => v.classes.includes(on) }
  ];
  for (const resource of resources) {
    const accepted = need[resource];
    if (!accepted) continue;
    const claim = firstClaim(fn, resource);
    const numbers = acceptedIn(m, resource, accepted);
    const lineIn = (value: Value) =>
      value.classes
        .map((c) => there(target.classes[c]))
        .find((c) => c.fn === index && c.line?.index === claim)?.line;
    conditions.push({
      hosted: (value) => lineIn(value) !== undefined,
      holds: (value) => numbers.includes(lineIn(value)?.value ?? -1)
    });
  }
  const hosts = conditions.flatMap(({ hosted }) => target.variables.find((v) => v.values.some(hosted)) ?? []);
  if (hosts.length < conditions.length) return false;
  conditions.forEach(({ holds }, i) => {
    const misses = there(hosts[i]).values.filter((value) => !holds(value));
    if (!misses.length) return;
    const miss = target.classFor(`need ${name} miss`, mark);
    for (const value of misses) if (!value.classes.includes(miss)) value.classes.push(miss);
  });
  return true;
}
