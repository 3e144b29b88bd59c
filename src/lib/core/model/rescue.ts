import { z } from 'zod';
import { finds } from './flaw';

/** How a hard disk behaves. */
export const RESCUE_STATES = ['silent', 'hums', 'spins', 'ready', 'errors', 'scraping', 'good'] as const;
export const RescueState = z.enum(RESCUE_STATES);

const At = z.iso.datetime();
/** SHA-256 in hex. */
const Sha256 = z
  .string()
  .trim()
  .regex(/^[0-9a-f]{64}$/i, finds('no-hash'));

/** What is known of the data on one drive, and of getting it off. What is left out nobody said. */
export const RescueDisk = z.strictObject({
  state: RescueState.optional(),
  /** Data on it of which there is no other copy. */
  unique: z.enum(['yes', 'no']).optional(),
  /** Starts of the drive, in order: it became ready or not. */
  starts: z
    .array(z.strictObject({ at: At, ready: z.boolean() }))
    .max(200)
    .optional(),
  /** Ready since then, and not switched off since. */
  readySince: At.optional(),
  /** An image that was taken: where it lies, its hash, and whether all of it could be read. */
  image: z
    .strictObject({
      at: At,
      where: z.string().trim().min(1, finds('where-image')).max(200),
      sha256: Sha256.optional(),
      partial: z.boolean().optional()
    })
    .optional(),
  /** Somebody goes on without an image, and says why. */
  wayPast: z
    .strictObject({
      at: At,
      by: z.string().trim().min(1, finds('who')).max(80),
      why: z.string().trim().min(1, finds('why')).max(300)
    })
    .optional()
});

export type RescueState = z.output<typeof RescueState>;
export type RescueDisk = z.output<typeof RescueDisk>;
