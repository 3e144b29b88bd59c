import { sure, there } from '../model';
import type { Compiled } from './problem';
import type { Verdict } from './solve';

/** A class or a fault that is there whatever is left out. */
export const FIXED = -1;
/** A class or a fault that takes no part. */
export const ABSENT = -2;

/** What can be left out of a machine: functions, or their claims. */
export interface Members {
  /** In the order in which they are blamed: the last is left out first. */
  all: readonly number[];
  /** The member that a class belongs to, FIXED or ABSENT. */
  ofClass: (id: number) => number;
  /** The member whose fault it is when a value makes a function impossible, FIXED or ABSENT. */
  ofFault: (fn: number) => number;
  /** Whether these can live together. */
  ask: (kept: readonly number[]) => Verdict;
}

/**
 * A minimal set of members that cannot live together: leaves out one after the other, and goes on with those alone
 * among which it showed that the rest cannot live together either. Where it showed is only a hint, so that is asked as
 * well. An answer without one member mostly shows of others too that they are needed.
 * @param known whether it is certain that all of them cannot
 * @returns empty when they can, or when that was not decided
 */
export function minimalSet(compiled: Compiled, members: Members, known: boolean): number[] {
  const { all, ofClass, ofFault, ask } = members;
  const of = compiled.variables.map(
    ({ values }) => new Set(values.flatMap((v) => [...v.classes.map(ofClass), ...v.violations.map(ofFault)]))
  );
  const narrowed = (kept: readonly number[], { among }: Verdict): readonly number[] => {
    const named = new Set([...among].flatMap((v) => [...there(of[v])]));
    const next = kept.filter((i) => named.has(i));
    if (next.length === kept.length) return kept;
    const verdict = ask(next);
    return verdict.possible === false ? narrowed(next, verdict) : kept;
  };
  const whole = ask(all);
  if (whole.possible || (whole.possible === null && !known)) return [];
  let kept = whole.possible === false ? narrowed(all, whole) : all;
  const needed = new Set<number>();
  for (const one of [...kept].reverse()) {
    if (needed.has(one) || !kept.includes(one)) continue;
    const rest = kept.filter((i) => i !== one);
    const verdict = ask(rest);
    if (verdict.possible === false) kept = narrowed(rest, verdict);
    else if (verdict.possible) findNeeded(compiled, members, of, new Set(kept), one, verdict.chosen, needed);
  }
  return [...kept];
}

/**
 * Members that are needed like the one without which there is an answer: with its own values changed the answer holds
 * for all of them but one other, so that one is needed too, and so on from there.
 */
function findNeeded(
  { variables, forbids }: Compiled,
  { ofClass, ofFault }: Members,
  of: readonly ReadonlySet<number>[],
  kept: ReadonlySet<number>,
  first: number,
  chosen: readonly number[],
  needed: Set<number>
): void {
  const part = (member: number) => (member >= 0 && !kept.has(member) ? ABSENT : member);
  /** The pairs that clash with these values chosen, as members. */
  const clashes = (at: readonly number[]): [number, number][] => {
    const pairs: [number, number][] = [];
    const values = variables.map(({ values }, v) => sure(values[there(at[v])], 'a chosen value'));
    const takers = new Map<number, number>();
    values.forEach((value, v) => {
      for (const c of value.classes) if (part(ofClass(c)) !== ABSENT) takers.set(c, takers.has(c) ? -1 : v);
      for (const fn of value.violations) pairs.push([part(ofFault(fn)), FIXED]);
      for (const [a, b] of value.internal) pairs.push([part(ofClass(a)), part(ofClass(b))]);
    });
    for (const [c, v] of takers)
      for (const d of there(forbids[c])) {
        const other = takers.get(d);
        if (other !== undefined && (other !== v || v < 0)) pairs.push([part(ofClass(c)), part(ofClass(d))]);
      }
    return pairs.filter(([a, b]) => a !== ABSENT && b !== ABSENT);
  };
  const ownOf = (member: number) => [...of.keys()].filter((v) => there(of[v]).has(member));
  const open: { member: number; at: readonly number[] }[] = [{ member: first, at: chosen }];
  needed.add(first);
  for (let next = open.pop(); next; next = open.pop()) {
    for (const changed of variations(next.at, ownOf(next.member), variables)) {
      const pairs = clashes(changed);
      const blamed = (pairs[0] ?? []).filter((m) => m >= 0 && pairs.every((pair) => pair.includes(m)));
      for (const member of blamed) {
        if (needed.has(member)) continue;
        needed.add(member);
        open.push({ member, at: changed });
      }
    }
  }
}

/** Most ways to choose the values of one member that are looked at. */
const MOST_WAYS = 64;

/** An answer with other values of some variables: every combination while they are few, else one variable at a time. */
function variations(
  at: readonly number[],
  own: readonly number[],
  variables: Compiled['variables']
): (readonly number[])[] {
  const each = (ways: readonly (readonly number[])[], v: number) =>
    there(variables[v]).values.flatMap((_, source) =>
      ways.map((way) => way.map((was, i) => (i === v ? source : was)))
    );
  const ways = own.reduce((n, v) => n * there(variables[v]).values.length, 1);
  return ways > MOST_WAYS ? own.flatMap((v) => each([at], v)) : own.reduce<(readonly number[])[]>(each, [at]);
}
