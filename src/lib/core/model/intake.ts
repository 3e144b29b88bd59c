import { z } from 'zod';
import { atMost } from './flaw';

/** Where an answer comes from. `not-seen`: it could not be looked at, which is not the same as absent. */
export const INTAKE_SOURCES = ['seen', 'read', 'told', 'guess', 'not-seen'] as const;
export const IntakeSource = z.enum(INTAKE_SOURCES);

/** One answer, by whom and where from. Two that differ are both kept. */
export const IntakeAnswer = z.strictObject({
  at: z.iso.datetime(),
  source: IntakeSource,
  by: z.string().trim().max(80).optional(),
  text: z.string().trim().max(600).optional(),
  /** There is a photograph of it. */
  photo: z.boolean().optional()
});

/** What was written down before anything was touched. */
export const Intake = z.strictObject({
  answers: z
    .record(z.string().max(40), z.array(IntakeAnswer).max(40))
    .refine(...atMost(80))
    .default({}),
  /** Taken as found: from then on an answer is added with a note, and none is taken away. */
  frozen: z.strictObject({ at: z.iso.datetime(), sha256: z.string().max(64).optional() }).optional()
});

export type IntakeSource = z.output<typeof IntakeSource>;
export type IntakeAnswer = z.output<typeof IntakeAnswer>;
export type Intake = z.output<typeof Intake>;
