import { there } from '../model';
import { relate, sharingContext, type Machine } from '../resources';
import { LEVELS, add, zero, type Objective } from './objective';
import type { Class, Value, Variable } from './problem';

/** Which classes clash and which may share: lines by the resources' law, positions by identity. */
export function relations(m: Machine, classes: readonly Class[], ids: ReadonlyMap<string, number>) {
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
        const [a, b] = [there(group[x]), there(group[y])];
        const [la, lb] = [there(classes[a]).line!, there(classes[b]).line!];
        // Two numbers of one claim are never there together.
        if (la.item === lb.item && la.function === lb.function && la.index === lb.index) continue;
        const relation = relate(la, lb, context);
        if (relation?.verdict === 'clash') {
          there(forbids[a]).push(b);
          there(forbids[b]).push(a);
        } else if (relation?.cost) {
          there(tolerates[a]).push(b);
          there(tolerates[b]).push(a);
        }
      }
  const link = (a: number, b: number) => {
    there(forbids[a]).push(b);
    there(forbids[b]).push(a);
  };
  const settings = new Map<string, number[]>();
  const marks = new Map<string, { pick?: number; miss?: number }>();
  for (const [key, id] of ids) {
    const [kind, name = '', word = ''] = key.split(' ');
    if (kind === 'set') settings.set(name, [...(settings.get(name) ?? []), id]);
    if (kind === 'need') marks.set(name, { ...marks.get(name), [word]: id });
  }
  for (const group of settings.values())
    group.forEach((a, i) => group.slice(i + 1).forEach((b) => link(a, b)));
  for (const { pick, miss } of marks.values()) if (pick !== undefined && miss !== undefined) link(pick, miss);
  return { forbids, tolerates };
}

/** Classes that clash or share within one value are settled there, once. */
export function settleInside(
  value: Value,
  forbids: readonly number[][],
  tolerates: readonly number[][]
): void {
  const cs = value.classes;
  for (let i = 0; i < cs.length; i++)
    for (let j = i + 1; j < cs.length; j++) {
      if (there(forbids[there(cs[i])]).includes(there(cs[j])))
        value.internal.push([there(cs[i]), there(cs[j])]);
      if (there(tolerates[there(cs[i])]).includes(there(cs[j]))) value.objective.shares += 1;
    }
}

/** An upper bound of each level over the whole machine. */
export function largest(
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
    new Set([...list].map((c) => `${there(classes[c]).fn} ${there(classes[c]).line?.index}`)).size;
  const tolerant = classes.map((_, i) => i).filter((i) => there(tolerates[i]).length);
  most.shares += (claims(tolerant) * (claims(tolerant) + 1)) / 2;
  return most;
}
