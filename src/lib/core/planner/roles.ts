import type { Choice } from './assemble';
import type { Mask, Option } from './options';

/** What choices weigh together, which programs they meet, and which of them roughly. */
export type Weight = Pick<Option, 'weight' | 'mask' | 'soft'>;

export const together = (a: Weight, b: Weight): Weight => ({
  weight: a.weight + b.weight,
  mask: a.mask & b.mask,
  soft: a.soft | b.soft
});

export interface Reach {
  least: number;
  any: Mask;
}

/** The least that one of some options weighs, and every program that one of them meets. */
export const reachOf = (list: readonly Option[]): Reach => ({
  least: list.length ? Math.min(...list.map((o) => o.weight)) : Infinity,
  any: list.reduce((m, o) => m | o.mask, 0n)
});

/** What is chosen so far on a board. */
export type Choosing = Pick<Choice, 'base'> & Partial<Choice>;

/** Something that is chosen for a board. */
export interface Role {
  role: keyof Choice;
  options: (chosen: Choosing) => Iterable<Option>;
  /** What the best of its options can do; null: they do not come lightest first, and each is looked at. */
  reach: Reach | null;
  /** The same of what is chosen after it. */
  rest: Reach;
  admits?: (chosen: Choosing) => boolean;
}

/** Some roles, each with what those behind it do at best. @param last what comes after all of them */
export function rolesOf(last: Reach, roles: readonly Omit<Role, 'rest'>[]): Role[] {
  const out: Role[] = [];
  let rest = last;
  for (const role of [...roles].reverse()) {
    out.unshift({ ...role, rest });
    const { reach } = role;
    if (reach) rest = { least: rest.least + reach.least, any: rest.any & reach.any };
  }
  return out;
}

/**
 * Chooses for the first of some roles, and for each choice that can still be worth it for those behind it.
 * @param before what was chosen already
 * @param isWorth whether something can be better than the best that was found
 * @param then what is done with everything that was chosen
 */
export function choose(
  [first, ...behind]: readonly Role[],
  chosen: Choosing,
  before: Weight,
  isWorth: (weight: Weight) => boolean,
  then: (chosen: Choosing, weight: Weight) => void
): void {
  if (!first) return then(chosen, before);
  const { role, options, reach, rest, admits } = first;
  for (const option of options(chosen)) {
    const now = together(before, option);
    const weight = now.weight + rest.least;
    // Options come lightest first: when one is too heavy even if it met everything, so are those behind it.
    if (reach && !isWorth({ weight, mask: before.mask & reach.any & rest.any, soft: before.soft })) break;
    if (!isWorth({ weight, mask: now.mask & rest.any, soft: now.soft })) continue;
    const next = { ...chosen, [role]: option };
    if (admits?.(next) ?? true) choose(behind, next, now, isWorth, then);
  }
}
