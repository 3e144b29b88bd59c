import { branch, type Branch } from '../kernel';
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

/** What a search knows of the machines that it looks for. */
export interface Bounds {
  /** Score below which nothing can come that weighs at least so much and meets at most these programs. */
  of: (weight: Weight) => number;
  /** What is to be beaten. */
  room: () => number;
}

/**
 * Chooses for the first of some roles, and for each choice that can still be worth it for those behind it.
 * @param before what was chosen already
 * @param then what is done with everything that was chosen
 */
export function choose(
  [first, ...behind]: readonly Role[],
  chosen: Choosing,
  before: Weight,
  bounds: Bounds,
  then: (chosen: Choosing, weight: Weight) => void
): void {
  if (!first) return then(chosen, before);
  const { role, admits } = first;
  branch(branchesOf(first, chosen, before, bounds), bounds.room, ({ option, now }) => {
    const next = { ...chosen, [role]: option };
    if (admits?.(next) ?? true) choose(behind, next, now, bounds, then);
    return false;
  });
}

function* branchesOf(
  { options, reach, rest }: Role,
  chosen: Choosing,
  before: Weight,
  { of }: Bounds
): Generator<Branch & { option: Option; now: Weight }> {
  const any = reach && before.mask & reach.any & rest.any;
  for (const option of options(chosen)) {
    const now = together(before, option);
    const weight = now.weight + rest.least;
    yield {
      option,
      now,
      hope: of({ weight, mask: now.mask & rest.any, soft: now.soft }),
      // Options come lightest first: when one is too heavy even if it met everything, so are those behind it.
      behind: any === null ? -Infinity : of({ weight, mask: any, soft: before.soft })
    };
  }
}
