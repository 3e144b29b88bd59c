import { z } from 'zod';
import { Id } from './base';
import { PLUGS } from './plugs';

export const PlugId = z.enum(PLUGS);
export type PlugId = z.output<typeof PlugId>;

/** Readings at one plug, as they were typed, with the conditions that they were taken under. */
export const RailReadings = z.strictObject({
  at: z.iso.datetime(),
  /** Of ohms: on which side of the pulled plug. */
  side: z.enum(['board', 'supply']).optional(),
  /** Of ohms: everything unplugged, 30 seconds after switching off. */
  off: z.boolean().optional(),
  /** Of ohms, at the board: with cards in. */
  cards: z.boolean().optional(),
  /** Of volts: at least the least load hung on the supply. */
  loaded: z.boolean().optional(),
  /** By the number of the pin. */
  pins: z.record(z.string().regex(/^\d{1,2}$/), z.string().trim().min(1).max(20))
});
export type RailReadings = z.output<typeof RailReadings>;

/** The latest readings of each plug, ohms and volts apart. */
export const Rails = z.partialRecord(
  z.enum(PLUGS.flatMap((p) => [`${p}-ohms`, `${p}-volts`] as const)),
  RailReadings
);
export type Rails = z.output<typeof Rails>;

/** A reading on the way to a short: what was taken out, and whether the rail was short all the same. */
export const ShortStep = z.strictObject({
  out: z.array(Id).max(60),
  isShort: z.boolean(),
  at: z.iso.datetime()
});
export type ShortStep = z.output<typeof ShortStep>;

/** The two plugs of an AT-class board were exchanged under power. `cased`: the case joined both grounds; left out: unknown. */
export const Mishap = z.strictObject({ at: z.iso.datetime(), cased: z.boolean().optional() });
export type Mishap = z.output<typeof Mishap>;
