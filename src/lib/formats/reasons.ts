import Papa from 'papaparse';
import { z } from 'zod';
import { reasonFlaw } from '../words';
import type { Improbable } from '../core/catalogue';

const Reason = z.strictObject({
  part: z.string().min(1),
  fact: z.string().min(1),
  reason: z.string().min(10)
});
export type Reason = z.output<typeof Reason>;

/**
 * Reads why improbable facts of the catalogue are right all the same: CSV with the columns part, fact, reason.
 * @throws Error naming the row that cannot be read
 */
export function readReasons(text: string): Reason[] {
  const { data } = Papa.parse<unknown>(text, { header: true, skipEmptyLines: true });
  return data.map((row, i) => {
    const reason = Reason.safeParse(row);
    if (!reason.success) throw new Error(reasonFlaw(i + 2));
    return reason.data;
  });
}

/** What stands out without a reason, and reasons for what does not stand out (any more). */
export function unreasoned(found: readonly Improbable[], reasons: readonly Reason[]) {
  const key = (x: { part: string; fact: string }) => `${x.part} ${x.fact}`;
  const known = new Set(reasons.map(key));
  const standing = new Set(found.map(key));
  return {
    open: found.filter((f) => !known.has(key(f))),
    stale: reasons.filter((r) => !standing.has(key(r)))
  };
}
