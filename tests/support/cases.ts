import { z } from 'zod';
import { check } from './make';
import { Build, checkBuild, partSet, type Part, type PartSet } from '../../src/lib/core/model';
import { applyFix } from '../../src/lib/core/solver';
import type { ToldFinding } from '../../src/lib/words';
import { expect } from 'chai';
import { parts as known } from './demo';

/** Small machines for tests of single rules. */

type ItemIn = Partial<NonNullable<z.input<typeof Build>['items']>[number]> & { part: string };

export interface Case {
  board: string;
  items?: ItemIn[];
  found?: Record<string, string>;
  brief?: z.input<typeof Build>['brief'];
  ribbons?: z.input<typeof Build>['board']['ribbons'];
  change?: (part: Part) => Part;
}
export type { ItemIn };

export function machine({ board, items = [], found = {}, brief, ribbons, change }: Case): {
  build: Build;
  parts: PartSet;
} {
  const build = Build.parse({
    id: 'm',
    name: 'M',
    brief: brief ?? {},
    board: { id: 'board', part: board, asFound: found, ...(ribbons ? { ribbons } : {}) },
    items: items.map((i, n) => ({ id: `i${n}`, ...i }))
  });
  const parts = change ? partSet([...known.values()].map(change)) : known;
  expect(checkBuild(build, parts)).to.deep.equal([]);
  return { build, parts };
}
export const find = (c: Case, rule: string): ToldFinding | undefined => {
  const { build, parts } = machine(c);
  return check(build, parts).find(
    (f) => f.rule === rule || f.id.startsWith(`${rule}.`) || f.id.startsWith(`${rule} `)
  );
};
export const severity = (c: Case, rule: string) => find(c, rule)?.severity ?? null;
/** Whether the first fix of a finding ends it. */
export function ends(c: Case, rule: string): boolean {
  const { build, parts } = machine(c);
  const [fix] = find(c, rule)!.fixes;
  return !check(applyFix(build, fix.fix, parts), parts).some((f) => f.rule === rule);
}
