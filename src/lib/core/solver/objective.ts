import { TooLarge } from './problem';
import { BLOCK_KINDS, type Block, type State } from '../model';

/** The levels of the objective, most important first. */
export const LEVELS = ['off', 'shares', 'hardNeeds', 'wishes', 'moves', 'distance'] as const;
export type Level = (typeof LEVELS)[number];

/** Each level's figure; compared level by level. */
export type Objective = Record<Level, number>;

export const zero = (): Objective => ({
  off: 0,
  shares: 0,
  hardNeeds: 0,
  wishes: 0,
  moves: 0,
  distance: 0
});

export const add = (a: Objective, b: Objective): Objective => {
  const sum = zero();
  for (const level of LEVELS) sum[level] = a[level] + b[level];
  return sum;
};

export function compare(a: Objective, b: Objective): number {
  for (const level of LEVELS) if (a[level] !== b[level]) return a[level] - b[level];
  return 0;
}

/**
 * Packs an objective into one exact integer so that the search compares plain numbers. `most` is
 * the largest figure that each level can reach in this machine.
 * @throws TooLarge when the machine is so large that the levels do not fit into 53 bits.
 */
export class Packing {
  private readonly unit: Objective;

  constructor(most: Objective) {
    const unit = zero();
    let size = 1;
    for (const level of [...LEVELS].reverse()) {
      unit[level] = size;
      size *= most[level] + 1;
    }
    if (size > Number.MAX_SAFE_INTEGER) throw new TooLarge();
    this.unit = unit;
  }

  pack(objective: Objective): number {
    return LEVELS.reduce((sum, level) => sum + objective[level] * this.unit[level], 0);
  }

  of(level: Level): number {
    return this.unit[level];
  }

  unpack(packed: number): Objective {
    const objective = zero();
    let rest = packed;
    for (const level of LEVELS) {
      objective[level] = Math.floor(rest / this.unit[level]);
      rest -= objective[level] * this.unit[level];
    }
    return objective;
  }
}

/**
 * Cost of moving a setting from one physical state to another: 3 for each cap moved, added or
 * taken off, 2 for each lever or rotary switch, 1 for a program. What the start-up chooses is free.
 */
export function moveCost(block: Block | undefined, from: State | undefined, to: State | undefined): number {
  if (!block) return 0;
  const { cost } = BLOCK_KINDS[block.kind];
  if (block.kind === 'header') {
    const { lift, press } = capMoves(from, to);
    return cost * Math.max(1, Math.max(lift.length, press.length));
  }
  if (block.kind === 'dip') return cost * Math.max(1, leverMoves(from, to).length);
  return cost;
}

const samePins = (a: readonly number[], b: readonly number[]) =>
  Math.min(...a) === Math.min(...b) && Math.max(...a) === Math.max(...b);

/** Caps to lift and caps to press between two states of a header. */
export function capMoves(
  from: State | undefined,
  to: State | undefined
): { lift: [number, number][]; press: [number, number][] } {
  const a = from && 'caps' in from ? from.caps : [];
  const b = to && 'caps' in to ? to.caps : [];
  return {
    lift: a.filter((x) => !b.some((y) => samePins(x, y))),
    press: b.filter((y) => !a.some((x) => samePins(x, y)))
  };
}

/** Levers that change between two states of a DIP block, in number order. */
export function leverMoves(
  from: State | undefined,
  to: State | undefined
): { lever: number; to: 'on' | 'off' }[] {
  const a: Record<string, 'on' | 'off'> = from && 'switches' in from ? from.switches : {};
  const b: Record<string, 'on' | 'off'> = to && 'switches' in to ? to.switches : {};
  return Object.entries(b)
    .filter(([lever, side]) => a[lever] !== side)
    .map(([lever, side]) => ({ lever: Number(lever), to: side }))
    .sort((x, y) => x.lever - y.lever);
}
