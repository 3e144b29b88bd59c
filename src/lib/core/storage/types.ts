import { sectorsOf, type Geometry } from './geometry';

export interface DriveType extends Geometry {
  type: number;
  /** Cylinder from which writing is precompensated; 65535 none, 0 the whole disk. */
  precomp: number;
  landing: number;
}

const NONE = 65_535;
/** Cylinders, heads, precompensation, landing zone; all have 17 sectors. Entries from 24 on differ by BIOS maker. */
const rows: readonly (readonly [number, number, number, number, number])[] = [
  [1, 306, 4, 128, 305],
  [2, 615, 4, 300, 615],
  [3, 615, 6, 300, 615],
  [4, 940, 8, 512, 940],
  [5, 940, 6, 512, 940],
  [6, 615, 4, NONE, 615],
  [7, 462, 8, 256, 511],
  [8, 733, 5, NONE, 733],
  [9, 900, 15, NONE, 901],
  [10, 820, 3, NONE, 820],
  [11, 855, 5, NONE, 855],
  [12, 855, 7, NONE, 855],
  [13, 306, 8, 128, 319],
  [14, 733, 7, NONE, 733],
  [16, 612, 4, 0, 663],
  [17, 977, 5, 300, 977],
  [18, 977, 7, NONE, 977],
  [19, 1024, 7, 512, 1023],
  [20, 733, 5, 300, 732],
  [21, 733, 7, 300, 732],
  [22, 733, 5, 300, 733],
  [23, 306, 4, 0, 336],
  [24, 925, 7, 0, 925],
  [25, 925, 9, NONE, 925],
  [26, 754, 7, 754, 754],
  [27, 754, 11, NONE, 754],
  [28, 699, 7, 256, 699],
  [29, 823, 10, NONE, 823],
  [30, 918, 7, 918, 918],
  [31, 1024, 11, NONE, 1024],
  [32, 1024, 15, NONE, 1024],
  [33, 1024, 5, 1024, 1024],
  [34, 612, 2, 128, 612],
  [35, 1024, 9, NONE, 1024],
  [36, 1024, 8, 512, 1024],
  [37, 615, 8, 128, 615],
  [38, 987, 3, 987, 987],
  [39, 987, 7, 987, 987],
  [40, 820, 6, 820, 820],
  [41, 977, 5, 977, 977],
  [42, 981, 5, 981, 981],
  [43, 830, 7, 512, 830],
  [44, 830, 10, NONE, 830],
  [45, 917, 15, NONE, 918],
  [46, 1224, 15, NONE, 1223]
];

/** The common table; 15 is reserved. */
export const driveTypes: readonly DriveType[] = rows.map(([type, cylinders, heads, precomp, landing]) => ({
  type,
  cylinders,
  heads,
  sectors: 17,
  precomp,
  landing
}));

export interface TypeFit {
  type: DriveType;
  /** Sectors used and lost; INT 13h reaches 1,024 cylinders of a larger entry. */
  used: number;
  lost: number;
}

/**
 * Types that a drive can be set to, the most capacity first. One that does not translate needs cylinders, heads
 * and sectors each within its own; one that does (ATA) takes any that is no larger in all.
 * @param known how many types the BIOS has: 14, 23 or 46
 * @param own entries of its table that are not those of the common one
 * @param reach sectors that INT 13h gives of a geometry that is typed; without translation 1,024 cylinders of it
 * @param total sectors of the drive, where its geometry does not tell
 */
export function fitTypes(
  drive: Geometry,
  translates: boolean,
  known = 46,
  own: readonly DriveType[] = [],
  reach: (typed: Geometry) => number = (t) => Math.min(1024, t.cylinders) * t.heads * t.sectors,
  total = sectorsOf(drive)
): TypeFit[] {
  return [...driveTypes.filter((t) => own.every((o) => o.type !== t.type)), ...own]
    .filter((t) => t.type <= known || own.includes(t))
    .filter((t) =>
      translates
        ? sectorsOf(t) <= total
        : t.cylinders <= drive.cylinders && t.heads <= drive.heads && t.sectors <= drive.sectors
    )
    .map((type) => {
      const used = Math.min(total, reach(type));
      return { type, used, lost: total - used };
    })
    .sort((a, b) => b.used - a.used || a.type.type - b.type.type);
}
