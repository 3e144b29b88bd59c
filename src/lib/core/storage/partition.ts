import { lastOf } from '../model';
import { fatPlan, largestPartition, type FatPlan } from './fat';
import { GeometryError, SECTOR, sectorsOf, toChs, type Chs, type Geometry } from './geometry';

/** A partition of a plan, in sectors of the logical disk. */
export interface Planned {
  kind: 'primary' | 'logical';
  /** First sector of the file system, and how many. */
  lba: number;
  sectors: number;
  /** Cylinders that it takes, first and last. */
  from: number;
  to: number;
  fat: FatPlan;
  /** First sector that its extended record stands in; the partition's own for a primary one. */
  record: number;
}

export interface PartitionPlan {
  geometry: Geometry;
  partitions: Planned[];
  /** The extended partition, when there is one. */
  extended: { lba: number; sectors: number; from: number; to: number } | null;
  /** Sectors at the end that no partition takes. */
  left: number;
}

/** Whether a version of DOS makes an extended partition, and how many logical drives it gives letters. */
export const makesExtended = (dos: number): boolean => dos >= 3.3;
const MOST_DRIVES = 23;

/**
 * Cuts a disk into partitions as the partition tool of a version of DOS does: on whole cylinders, a primary one
 * that starts on the second track, and from DOS 3.3 on one extended partition with logical drives.
 * @param geometry as INT 13h offers it, at most 1,024 cylinders
 * @param sizes cylinders of each partition in order; what is left over stays free
 * @throws GeometryError when a size is none, larger than this DOS can use, or there is no room
 */
export function partition(geometry: Geometry, dos: number, sizes: readonly number[]): PartitionPlan {
  const total = sectorsOf(geometry);
  const { heads, sectors, cylinders } = geometry;
  if (sizes.length > MOST_DRIVES)
    throw new GeometryError({ is: 'partitions', n: sizes.length, most: MOST_DRIVES });
  if (sizes.length > 1 && !makesExtended(dos)) throw new GeometryError({ is: 'one-partition', dos });
  const cylinder = heads * sectors;
  let next = 0;
  const partitions = sizes.map((size, i): Planned => {
    if (!Number.isInteger(size) || size < 1) throw new GeometryError({ is: 'no-size', n: size });
    if (next + size > cylinders)
      throw new GeometryError({
        is: 'past-end',
        partition: i + 1,
        cylinder: next + size - 1,
        last: cylinders - 1
      });
    const record = next * cylinder;
    const lba = record + sectors;
    const length = size * cylinder - sectors;
    const made: Planned = {
      kind: i === 0 ? 'primary' : 'logical',
      lba,
      sectors: length,
      from: next,
      to: next + size - 1,
      fat: fatPlan(length, dos),
      record
    };
    next += size;
    return made;
  });
  const logical = partitions.filter((p) => p.kind === 'logical');
  const from = logical[0]?.from ?? 0;
  return {
    geometry,
    partitions,
    extended: logical.length
      ? { lba: from * cylinder, sectors: (next - from) * cylinder, from, to: next - 1 }
      : null,
    left: total - next * cylinder
  };
}

/** Most cylinders that a partition may take under a version of DOS. */
export const mostCylinders = (geometry: Geometry, dos: number): number =>
  Math.min(
    geometry.cylinders,
    Math.floor((largestPartition(dos) + geometry.sectors) / (geometry.heads * geometry.sectors))
  );

/** The fewest partitions that use a whole disk, as even as DOS allows: the proposal of a fresh disk. */
export function proposeSizes(geometry: Geometry, dos: number): number[] {
  const most = mostCylinders(geometry, dos);
  if (most < 1) throw new GeometryError({ is: 'no-cylinder', dos });
  if (!makesExtended(dos)) return [Math.min(most, geometry.cylinders)];
  const out: number[] = [];
  for (let left = geometry.cylinders; left > 0 && out.length < MOST_DRIVES;) {
    const size = Math.min(most, left);
    out.push(size);
    left -= size;
  }
  // A tail too small for a file system goes to nobody.
  const last = lastOf(out);
  return last * geometry.heads * geometry.sectors - geometry.sectors < 64 && out.length > 1
    ? out.slice(0, -1)
    : out;
}

/** An end in a table: by cylinder, head and sector, or the last that fits there when it lies beyond. */
export function endChs(lba: number, geometry: Geometry): Chs {
  const at = toChs(Math.min(lba, sectorsOf(geometry) - 1), geometry);
  return at.c > 1023 ? { c: 1023, h: geometry.heads - 1, s: geometry.sectors } : at;
}

/** Minutes until a format is done, from how far it came in how long. */
export function formatMinutesLeft(percent: number, minutes: number): number {
  const outside = (what: 'percent' | 'minutes', n: number, low: number, high: number) =>
    new GeometryError({ is: 'outside', what, n, low, high });
  if (!(percent > 0 && percent <= 100)) throw outside('percent', percent, 1, 100);
  if (!(minutes > 0)) throw outside('minutes', minutes, 0, Infinity);
  return (minutes * (100 - percent)) / percent;
}

/** What the partition tool of the late 1990s shows of a disk: MiB modulo 65,536. The partition itself is right. */
export function toolDisplay(sectors: number): { mib: number; shown: number } {
  const mib = Math.floor((sectors * SECTOR) / 2 ** 20);
  return { mib, shown: mib % 65_536 };
}
