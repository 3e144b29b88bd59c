/**
 * Tolerances of clocks and voltages, each with its unit and its reason. Every judgement of a clock or a voltage uses
 * these; none is written anywhere else.
 */

/** Names of clocks are rounded: 66 stands for 66.67 MHz, 4.77 for 4.773. A share of the larger one. */
export const CLOCK_ROUNDING = 0.035;

/**
 * The first PCs run an 8088 for 5 MHz at 4.77, turbo boards one for 10 MHz at 9.54: that is what these parts are for,
 * and nobody loses by it. A share of the rating.
 */
export const UNDER_RATING = 0.05;

/** Core voltage, in V. */
export const VOLTS = {
  /** Differences below this are none: they come from adding decimals. */
  same: 0.001,
  /** How far below its lowest rated voltage a CPU still starts: regulators and labels are that exact. */
  below: 0.15
} as const;

/** ISA clock, in MHz. */
export const ISA = {
  /** Cards are made for 8.33 MHz; a hundredth more is rounding. */
  safe: 8.34,
  /** Up to here some cards fail, beyond it expect trouble. */
  marginal: 10,
  /** Above this most cards fail. */
  most: 12
} as const;

/** Local-bus clock, in MHz: half a megahertz above the nominal is rounding. */
export const LOCAL_BUS = {
  /** Up to here writes need no wait state and three slots work. */
  noWait: 33.5,
  /** Up to here two slots work, above it one. */
  twoCards: 40.5
} as const;

/** SDRAM follows the bus clock: 10 ns modules are mostly made for 66 MHz, at 100 MHz 8 ns are asked. */
export const SDRAM = { fastAboveMHz: 83.5, fastNs: 8 } as const;

/** Two clocks are the same when they differ by no more than the rounding of their names (66 for 66.7). */
export const sameClock = (a: number, b: number): boolean =>
  Math.abs(a - b) <= CLOCK_ROUNDING * Math.max(a, b);

/** Whether a clock is above a rating by more than rounding. */
export const tooFast = (mhz: number, rated: number): boolean => mhz > rated * (1 + CLOCK_ROUNDING);

/** Whether a clock is so far below a rating that something is lost. */
export const tooSlow = (mhz: number, rated: number): boolean => mhz < rated * (1 - UNDER_RATING);

/** Whether a clock is the one that a part is made for. */
export const asRated = (mhz: number, rated: number): boolean => !tooFast(mhz, rated) && !tooSlow(mhz, rated);
