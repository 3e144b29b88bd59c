import { z } from 'zod';
import { finds } from './flaw';
import { parseHex } from './hex';

/**
 * An address or mask in a file: a JSON number is that number, a string is hexadecimal.
 * Range 0 to FFFFFFFFh.
 */
export const Address = z.union([
  z.number().int().min(0).max(0xffffffff),
  z.string().transform((text, ctx) => {
    const value = parseHex(text);
    if (value === null) {
      ctx.addIssue({ code: 'custom', message: finds('no-hex'), params: { text } });
      return z.NEVER;
    }
    return value;
  })
]);
