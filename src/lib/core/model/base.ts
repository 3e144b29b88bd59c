import { z } from 'zod';

/** Lower-case words joined by hyphens; also used for positions, so digits may lead. */
export const Id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[a-z0-9][a-z0-9.-]*$/, 'use lower-case letters, digits, hyphens and dots');

export const Text = z.string().max(2000);
export const Label = z.string().min(1).max(120);
