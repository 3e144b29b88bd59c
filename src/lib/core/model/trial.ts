import { z } from 'zod';
import { atMost, finds } from './flaw';
import { line } from './base';

/** One thing of an arrangement: `cable` `K1`. Things of one sort take each other's place. */
export const TrialThing = z.strictObject({ sort: line(24), name: line(40) });
export type TrialThing = z.output<typeof TrialThing>;

const starts = z.number().int().min(0).max(999);

/** Starts of one arrangement under one condition, and how many of them worked. */
export const TrialRow = z
  .strictObject({
    at: z.iso.datetime(),
    things: z.array(TrialThing).min(1, finds('no-thing')).max(12),
    /** What else was the same in all of these starts: clock, temperature, slot. */
    factors: z.record(z.string().min(1).max(24), z.string().min(1).max(40)).refine(...atMost(8)),
    good: starts,
    bad: starts
  })
  .refine(({ good, bad }) => good + bad > 0, finds('no-start'));
export type TrialRow = z.output<typeof TrialRow>;
