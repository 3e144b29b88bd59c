import { z } from 'zod';
import { finds } from './flaw';

/** Lower-case words joined by hyphens; also used for positions, so digits may lead. */
export const Id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^[a-z0-9][a-z0-9.-]*$/, finds('no-id'));

export const Text = z.string().max(2000);

/**
 * Text on one line as it is seen: line breaks and control characters become blanks, and what cannot be seen (blanks of
 * no width, marks that turn the direction of writing) is left out, so that two names that look alike are alike.
 */
export const oneLine = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/\s*[\p{Cc}\p{Zl}\p{Zp}]+\s*/gu, ' ')
    .replace(/\p{Cf}/gu, '');

/** A word or two on one line, of at most so many characters. */
export const line = (most: number) => z.string().overwrite(oneLine).max(most);

export const Label = line(120).min(1);
/** What a person calls a thing. */
export const Name = line(120).trim().min(1, finds('no-name'));
