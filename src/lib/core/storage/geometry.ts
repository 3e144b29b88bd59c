import { Refusal } from '../refusal';
/** Drive geometry in exact integers. One sector is 512 bytes; sectors count from 1, the rest from 0. */

export const SECTOR = 512;

export interface Geometry {
  cylinders: number;
  heads: number;
  sectors: number;
}
export interface Chs {
  c: number;
  h: number;
  s: number;
}

/** What a number of a geometry is. */
export type GeometryNumber =
  | 'cylinders'
  | 'heads'
  | 'drive heads'
  | 'sectors a track'
  | 'cylinder'
  | 'head'
  | 'sector'
  | 'sector number'
  | 'total'
  | 'percent'
  | 'turns a minute'
  | 'interleave'
  | 'minutes';

/** Why a geometry or a partition cannot be. */
export type GeometryFlaw =
  | { is: 'outside'; what: GeometryNumber; n: number; low: number; high: number }
  | { is: 'partitions'; n: number; most: number }
  | { is: 'one-partition' | 'no-cylinder'; dos: number }
  | { is: 'no-size'; n: number }
  | { is: 'past-end'; partition: number; cylinder: number; last: number }
  | { is: 'too-small'; sectors: number }
  | { is: 'too-large'; dos: number; sectors: number; most: number };

export class GeometryError extends Refusal<GeometryFlaw> {}

const whole = (n: number, low: number, high: number, what: GeometryNumber): void => {
  if (!Number.isInteger(n) || n < low || n > high)
    throw new GeometryError({ is: 'outside', what, n, low, high });
};

/** The widest ranges of BIOS calls and ATA registers together: 65,536 cylinders, 256 heads, 255 sectors. */
export function checkGeometry({ cylinders, heads, sectors }: Geometry): void {
  whole(cylinders, 1, 65_536, 'cylinders');
  whole(heads, 1, 256, 'heads');
  whole(sectors, 1, 255, 'sectors a track');
}

/** Sectors of a geometry in all. @throws GeometryError outside the ranges above */
export function sectorsOf(geometry: Geometry): number {
  checkGeometry(geometry);
  return geometry.cylinders * geometry.heads * geometry.sectors;
}

/**
 * LBA = (c × heads + h) × sectors + s − 1.
 * @throws GeometryError when the address is outside the geometry
 */
export function toLba({ c, h, s }: Chs, geometry: Geometry): number {
  checkGeometry(geometry);
  whole(c, 0, geometry.cylinders - 1, 'cylinder');
  whole(h, 0, geometry.heads - 1, 'head');
  whole(s, 1, geometry.sectors, 'sector');
  return (c * geometry.heads + h) * geometry.sectors + s - 1;
}

/** The address of a sector. @throws GeometryError when it lies past the last */
export function toChs(lba: number, geometry: Geometry): Chs {
  whole(lba, 0, sectorsOf(geometry) - 1, 'sector number');
  const { heads, sectors } = geometry;
  return {
    c: Math.floor(lba / (heads * sectors)),
    h: Math.floor(lba / sectors) % heads,
    s: (lba % sectors) + 1
  };
}

/** Bytes in both ways of counting: drives are labelled in MB of 10^6, BIOS screens print MiB as "MB". */
export function sizeWords(sectors: number): string {
  const bytes = sectors * SECTOR;
  const unit = (n: number, per: number) => (n / per).toLocaleString('en', { maximumFractionDigits: 2 });
  return bytes >= 1e9
    ? `${unit(bytes, 1e9)} GB (${unit(bytes, 2 ** 30)} GiB)`
    : `${unit(bytes, 1e6)} MB (${unit(bytes, 2 ** 20)} MiB)`;
}

/** Bytes a second that an interleave lets through when the controller keeps up: a turn for each step. */
export function interleaveRate(rpm: number, sectorsATrack: number, interleave: number): number {
  whole(rpm, 1, 20_000, 'turns a minute');
  whole(sectorsATrack, 1, 255, 'sectors a track');
  whole(interleave, 1, sectorsATrack, 'interleave');
  return (rpm / 60) * ((sectorsATrack * SECTOR) / interleave);
}
