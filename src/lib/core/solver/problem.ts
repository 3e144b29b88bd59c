import type { Line } from '../resources';
import type { Bits } from './bits';
import type { Objective, Packing } from './objective';

/** Most joint choices and most classes of a machine: more is beyond any hardware and beyond the memory of a page. */
export const MOST_VALUES = 250_000;
export const MOST_CLASSES = 10_000;

/** A machine whose parts have more choices than can be worked out. */
export class TooLarge extends Error {
  override readonly name = 'TooLarge';
}

/** A function of the machine as the solver sees it. */
export interface FunctionNode {
  item: string;
  id: string;
  /** Whether it has to be on, is wanted, or may be off. */
  need: 'must' | 'want' | 'free';
}

/**
 * A class is one thing that a value takes: a line of one claim, a position of a setting that
 * several variables share, or a mark of a software need. Values clash through their classes.
 */
export interface Class {
  /** Index of the function it belongs to; -1: always there. */
  fn: number;
  line?: Line;
  /** The line cannot work from where its card sits. */
  dead?: boolean;
  /** The line is not among the usual ones of its function. */
  away?: boolean;
}

/** One joint choice of the settings of a variable. */
export interface Value {
  /** Positions parallel to the variable's settings. */
  positions: string[];
  classes: number[];
  /** Functions that this value makes impossible (out of reach, off though wanted). */
  violations: number[];
  /** Pairs of classes that clash within this value. */
  internal: [number, number][];
  objective: Objective;
  /** The objective packed, filled in when the packing is known. */
  cost: number;
}

/** Settings that are decided together because some claim rests on all of them. */
export interface Variable {
  settings: { item: string; setting: string }[];
  values: Value[];
}

/** A machine compiled for the search: variables, classes, and which classes clash. */
export interface Compiled {
  functions: FunctionNode[];
  variables: Variable[];
  classes: Class[];
  /** Classes that cannot stand beside each class. */
  forbids: number[][];
  /** The same as sets of bits. */
  forbidBits: Bits[];
  /** Classes that it shares a line with, tolerated at the cost of one share. */
  tolerates: number[][];
  packing: Packing;
  /** Positions of the settings on which no line rests and of those that are fixed. */
  fixed: Map<string, string>;
  /** Cost of what is fixed. */
  base: Objective;
}
