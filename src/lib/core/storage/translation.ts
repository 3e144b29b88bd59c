import { GeometryError, checkGeometry, sectorsOf, type Geometry } from './geometry';

/**
 * How a BIOS turns the physical geometry into the one of INT 13h. `bit-shift-128` halves only while the result
 * is above 1,024 and stops at 128 heads; `revised` first turns 16 heads into 15 above 8,192 cylinders,
 * `revised-always` at any size; `lba-by-cylinders` keeps the smaller head count slightly past a boundary. `scsi` is
 * what the ROMs of host adapters make of a number of blocks: 64 × 32 up to 1 GiB, 255 × 63 beyond. The last three are
 * those of two families of BIOSes that were measured: `lba-rounded` takes its heads from whole numbers, so that a drive
 * just past a boundary keeps the smaller count; `large` doubles heads until the cylinders fit or the heads exceed 127,
 * and looks after doubling; `automatic` takes none, large or LBA by the size of the drive.
 */
export const biosTranslations = [
  'none',
  'bit-shift',
  'bit-shift-128',
  'revised',
  'revised-always',
  'lba',
  'lba-by-cylinders',
  'lba-rounded',
  'large',
  'automatic'
] as const;
export const translations = [...biosTranslations, 'scsi'] as const;
export type Translation = (typeof translations)[number];

export interface Logical {
  geometry: Geometry;
  /** Sectors that INT 13h reaches; never more than the drive has. */
  usable: number;
}

/** Largest of INT 13h: 1,024 cylinders of 256 heads and 63 sectors. */
export const INT13 = { cylinders: 1024, heads: 256, sectors: 63 } as const;

const shiftBy = (cylinders: number): number => {
  let k = 1;
  while (k < 16 && cylinders > 1024 * k) k *= 2;
  return k;
};

function shift({ cylinders, heads, sectors }: Geometry): Geometry {
  const k = shiftBy(cylinders);
  return { cylinders: Math.min(1024, Math.floor(cylinders / k)), heads: Math.min(256, heads * k), sectors };
}

function halve({ cylinders, heads, sectors }: Geometry): Geometry {
  let [c, h] = [cylinders, heads];
  while (c > 1024 && h * 2 <= 128) [c, h] = [Math.floor(c / 2), h * 2];
  return { cylinders: Math.min(1024, c), heads: h, sectors };
}

const fifteen = ({ cylinders, heads, sectors }: Geometry): Geometry =>
  heads === 16
    ? { cylinders: Math.floor((cylinders * 16) / 15), heads: 15, sectors }
    : { cylinders, heads, sectors };

/** Heads by total size, 63 sectors a track: 16 up to 504 MiB, doubling to 128 at 4,032, then 255. */
function lbaHeads(total: number): number {
  for (const heads of [16, 32, 64, 128]) if (total <= 1024 * heads * 63) return heads;
  return 255;
}

/** The same from whole tracks and cylinders, as a BIOS that divides first does. */
function roundedHeads(total: number): number {
  const cylinders = Math.floor(Math.floor(total / 63) / 1024);
  for (const heads of [16, 32, 64, 128]) if (cylinders <= heads) return heads;
  return 255;
}

function large({ cylinders, heads, sectors }: Geometry): Geometry {
  let [c, h] = [cylinders, heads];
  while (c > 1024 && h <= 127) [c, h] = [Math.floor(c / 2), h * 2];
  return { cylinders: Math.min(1024, c), heads: h, sectors };
}

/** Above so many cylinders times heads a BIOS that chooses by itself takes LBA. */
const MOST_LARGE = 131_072;

const byTotal = (total: number, heads: number, sectors = 63): Geometry => ({
  cylinders: Math.max(1, Math.min(1024, Math.floor(total / (heads * sectors)))),
  heads,
  sectors
});

const rules: Record<Translation, (physical: Geometry, total: number) => Geometry> = {
  none: (p) => ({ ...p, cylinders: Math.min(1024, p.cylinders) }),
  'bit-shift': shift,
  'bit-shift-128': halve,
  revised: (p) => shift(p.cylinders > 8192 ? fifteen(p) : p),
  'revised-always': (p) => shift(fifteen(p)),
  lba: (_, total) => byTotal(total, lbaHeads(total)),
  'lba-by-cylinders': (p, total) => {
    const k = shiftBy(p.cylinders);
    return byTotal(total, k === 16 ? 255 : 16 * k);
  },
  'lba-rounded': (_, total) => byTotal(total, roundedHeads(total)),
  large,
  automatic: (p, total) =>
    p.cylinders <= 1024 && p.heads <= 16 && p.sectors <= 63
      ? p
      : p.cylinders * p.heads <= MOST_LARGE
        ? large(p)
        : byTotal(total, roundedHeads(total)),
  scsi: (_, total) => (total <= 1024 * 64 * 32 ? byTotal(total, 64, 32) : byTotal(total, 255))
};

/**
 * What INT 13h offers of a drive.
 * @param physical as the drive reports it: at most 65,536 cylinders, 16 heads, 255 sectors
 * @param total sectors of the drive, where the geometry does not tell (16,383 cylinders); default its product
 * @param keepsLast the BIOS keeps the last cylinder for diagnostics: 614 are offered of 615
 * @throws GeometryError outside those ranges
 */
export function translate(
  physical: Geometry,
  kind: Translation,
  total = sectorsOf(physical),
  keepsLast = false
): Logical {
  checkGeometry(physical);
  if (physical.heads > 16)
    throw new GeometryError({ is: 'outside', what: 'drive heads', n: physical.heads, low: 1, high: 16 });
  if (!Number.isInteger(total) || total < 1 || total > 2 ** 48)
    throw new GeometryError({ is: 'outside', what: 'total', n: total, low: 1, high: 2 ** 48 });
  const made = rules[kind](physical, total);
  // INT 13h has six bits for the sector; a drive with more is used to 63 of each track.
  const geometry = {
    ...made,
    cylinders: keepsLast ? Math.max(1, made.cylinders - 1) : made.cylinders,
    sectors: Math.min(63, made.sectors)
  };
  return { geometry, usable: Math.min(sectorsOf(geometry), total) };
}

/** Whether a drive is used by sector number, so that the geometry of INT 13h is no limit. */
export const usesExtensions = (facts: { extensions?: boolean }, dos: number | null): boolean =>
  facts.extensions === true && dos !== null && dos >= 7;
