import { sectorsOf, type Geometry } from './geometry';
import type { PartitionPlan } from './partition';
import { INT13 } from './translation';

type Shape = Pick<Geometry, 'heads' | 'sectors'>;

/** A partition of a plan that ends past the end of the medium: its number from 1, and by how many sectors. */
export interface Overrun {
  number: number;
  sectors: number;
}

/** What a declared geometry means for a medium; lengths in sectors. */
export type Verdict =
  /** Partitions are addressed in another geometry than they were made in. */
  | { grade: 'stop'; why: 'shape'; made: Shape; gives: Shape }
  /** Whole cylinders of the setup lie past the end of the medium. */
  | { grade: 'stop'; why: 'past'; sectors: number }
  /** Partitions that were planned run past the end of the medium. */
  | { grade: 'stop'; why: 'plan-past'; overruns: Overrun[] }
  /** The partitions planned end before the end of the medium, the last cylinder of the setup does not. */
  | { grade: 'caution'; why: 'plan-ends-before'; sectors: number }
  /** More is declared than there is, by less than a cylinder: partitions end on whole cylinders, before it. */
  | { grade: 'note'; why: 'rounding'; sectors: number }
  | { grade: 'note'; why: 'unused'; sectors: number }
  | { grade: 'fine'; why: 'exact' };

/** The partitions of a plan that end past a medium of so many sectors. */
export const overrunsOf = (plan: PartitionPlan, sectors: number): Overrun[] =>
  plan.partitions.flatMap((p, i) => {
    const past = p.lba + p.sectors - sectors;
    return past > 0 ? [{ number: i + 1, sectors: past }] : [];
  });

export interface Declared {
  /** As typed into the setup. */
  geometry: Geometry;
  /** What INT 13h makes of it: partitions are addressed in it, and end on its cylinders. */
  logical: Geometry;
  /** Sectors that INT 13h gives; fewer than the geometry where a cylinder is kept for diagnostics. */
  usable: number;
}

/**
 * What a declared geometry means for a medium: against its real size, and against the geometry in force when it
 * was partitioned. Past the end lies what partitions can reach: whole cylinders of INT 13h, 1,024 at most.
 * @param real sectors of the medium; null: the BIOS asks the drive itself, so that nothing lies past its end
 * @param plan the partitions written down for it, null when there are none
 */
export function guard(
  { geometry, logical, usable }: Declared,
  real: number | null,
  made: Shape | null,
  plan: PartitionPlan | null = null
): Verdict[] {
  const out: Verdict[] = [];
  if (made && (made.heads !== logical.heads || made.sectors !== logical.sectors))
    out.push({
      grade: 'stop',
      why: 'shape',
      made: { heads: made.heads, sectors: made.sectors },
      gives: { heads: logical.heads, sectors: logical.sectors }
    });
  if (real !== null) out.push(...reachOf(geometry, logical, usable, real, plan));
  return out.length ? out : [{ grade: 'fine', why: 'exact' }];
}

function reachOf(
  geometry: Geometry,
  logical: Geometry,
  usable: number,
  real: number,
  plan: PartitionPlan | null
): Verdict[] {
  const typed = sectorsOf(geometry);
  if (typed < real) return [{ grade: 'note', why: 'unused', sectors: real - typed }];
  const cylinder = logical.heads * logical.sectors;
  const cylinders = Math.min(logical.cylinders, INT13.cylinders, Math.floor(usable / cylinder));
  const past = cylinders * cylinder - real;
  if (past <= 0) return typed > real ? [{ grade: 'note', why: 'rounding', sectors: typed - real }] : [];
  if (!plan) return [{ grade: 'stop', why: 'past', sectors: past }];
  const overruns = overrunsOf(plan, real);
  return overruns.length
    ? [{ grade: 'stop', why: 'plan-past', overruns }]
    : [{ grade: 'caution', why: 'plan-ends-before', sectors: past }];
}
