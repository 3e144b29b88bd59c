import { z } from 'zod';
import { line } from './base';

/** One thing of an arrangement: `cable` `K1`. Things of one sort take each other's place. */
export const TrialThing = z.strictObject({ sort: line(24), name: line(40) });
export type TrialThing = z.output<typeof TrialThing>;

const starts = z.number().int().min(0).max(999);

/** Starts of one arrangement under one condition, and how many of them worked. */
export const TrialRow = z
  .strictObject({
    at: z.iso.datetime(),
    things: z.array(TrialThing).min(1, 'name what took part').max(12, 'at most 12 things'),
    /** What else was the same in all of these starts: clock, temperature, slot. */
    factors: z
      .record(z.string().min(1).max(24), z.string().min(1).max(40))
      .refine((all) => Object.keys(all).length <= 8, 'at most 8 conditions'),
    good: starts,
    bad: starts
  })
  .refine(({ good, bad }) => good + bad > 0, 'say how often it worked or failed');
export type TrialRow = z.output<typeof TrialRow>;
