import { barriers, type Barrier, type Setup, type Way } from './barriers';
import { sectorsOf, type Geometry } from './geometry';
import { INT13, translate, usesExtensions, type Logical, type Translation } from './translation';
import { fitTypes, type DriveType, type TypeFit } from './types';

/** What a setup program of a board offers for a hard disk. */
export interface SetupFacts {
  /** Entries of its type table; 0: none. */
  types: number;
  user: boolean;
  translation: Translation;
  /** Most cylinders that can be typed. */
  mostTyped?: number;
  biosCylinders?: number;
  hangs?: Setup['hangs'];
  /** Entries of its table that are not those of the common one. */
  table?: readonly DriveType[];
  /** It keeps the last cylinder for diagnostics. */
  keepsLast?: boolean;
  /** It has the INT 13h extensions: DOS 7.0 and later reach a drive by sector number, past what the geometry tells. */
  extensions?: boolean;
  /** A ROM of the controller runs the drive: the setup says "not installed". */
  isRom?: boolean;
}

export interface DriveSize {
  physical: Geometry;
  /** Sectors in all, where the geometry does not tell. */
  total?: number;
  /** Addressed by number alone (SCSI): the geometry is made up and shown nowhere. */
  byNumber?: boolean;
  /** What an MFM or RLL drive wants for precompensation and landing zone; others take care of it themselves. */
  precomp?: number;
  landing?: number;
  /** ATA and flash take any geometry that is no larger in all; MFM, RLL and ESDI do not. */
  translates: boolean;
}

/**
 * What a way costs: `kept`: a cylinder that the BIOS keeps for diagnostics; `part`, `rest`: of the drive, unused;
 * `if-taken`: only where the drive takes it.
 */
export type Cost =
  | 'nothing'
  | 'if-taken'
  | 'kept'
  | 'part'
  | 'rest'
  | 'hangs'
  | 'adapter-card'
  | 'another-rom'
  | 'unreadable-without'
  | 'another-drive'
  | 'jumper-hides';

/** One way to fill the setup in: exactly what to type, what is usable then, and what it costs. */
export interface SetupChoice {
  id: 'whole' | 'fewer' | 'recast' | 'type' | 'by-rom' | 'rom' | 'overlay' | 'smaller' | 'bios' | 'clip';
  /** Type number, `user`, or `not installed`. */
  type: string;
  geometry: Geometry | null;
  precomp: number | null;
  landing: number | null;
  mode: Translation | null;
  /** Geometry that INT 13h gives then, and its sectors. */
  logical: Geometry | null;
  usable: number | null;
  lost: number;
  /** Nothing hangs and nothing is garbled. */
  works: boolean;
  cost: Cost;
}

const NO_PRECOMP = 65_535;

/** Cylinders of a drive that can be typed without a barrier that hangs: the most that still works. */
export function safeCylinders(drive: DriveSize, facts: SetupFacts, dos: number | null): number {
  const { physical } = drive;
  const caps = [
    physical.cylinders,
    facts.mostTyped ?? Infinity,
    facts.biosCylinders === undefined ? Infinity : facts.biosCylinders - 1,
    facts.hangs?.includes('6322') ? 6322 : Infinity
  ];
  let most = Math.min(...caps);
  // Bit-shift reaches 256 heads above 8,192 cylinders of 16 heads, which DOS cannot take.
  while (most > 1024 && translate({ ...physical, cylinders: most }, facts.translation).geometry.heads === 256)
    most = most > 8192 ? 8192 : most - 1;
  if (facts.translation === 'none') most = Math.min(most, INT13.cylinders);
  return dos === null || most > 0 ? most : 1;
}

/**
 * The geometry with the most heads and sectors that a BIOS without translation has room for: a drive of fewer, and of
 * more cylinders than INT 13h counts, is reached further with it. ATA drives take any that is no larger in all, but for
 * some early ones. Null: it gains nothing, or cannot be typed.
 */
function recast({ physical, total = sectorsOf(physical), translates }: DriveSize, facts: SetupFacts) {
  const heads = 16;
  const { sectors } = INT13;
  const most = Math.min(
    INT13.cylinders,
    facts.mostTyped ?? Infinity,
    facts.biosCylinders === undefined ? Infinity : facts.biosCylinders - 1
  );
  const other = { cylinders: Math.min(most, Math.floor(total / (heads * sectors))), heads, sectors };
  const track = physical.heads * physical.sectors;
  const gains = other.cylinders * heads * sectors - Math.min(most, physical.cylinders) * track;
  const isTyped = facts.user && translates && facts.translation === 'none';
  return isTyped && gains > track ? other : null;
}

/** Whether a drive is told heads or sectors that are not its own, which most ATA drives take and some early ones do not. */
export const isForeign = ({ physical, translates }: DriveSize, told: Geometry): boolean =>
  translates && (told.heads !== physical.heads || told.sectors !== physical.sectors);

/**
 * Barriers of a drive in a machine, with its setup filled in as the drive says. Fewer cylinders are a way only where
 * cylinders are typed, another geometry only where it reaches further.
 */
export const barriersOf = (drive: DriveSize, facts: SetupFacts, dos: number | null): Barrier[] =>
  barriers({
    physical: drive.physical,
    ...(drive.total === undefined ? {} : { total: drive.total }),
    translation: facts.translation,
    dos,
    ...(facts.biosCylinders === undefined ? {} : { biosCylinders: facts.biosCylinders }),
    ...(facts.hangs ? { hangs: facts.hangs } : {}),
    ...(facts.keepsLast ? { keepsLast: true } : {}),
    ...(facts.extensions ? { extensions: true } : {}),
    ...(drive.byNumber ? { byNumber: true } : {})
  }).map((b) => ({
    ...b,
    ways: b.ways.filter(
      (way) =>
        (way !== 'fewer cylinders' || facts.user) &&
        (way !== 'another geometry' || recast(drive, facts) !== null)
    )
  }));

/** What INT 13h offers of a geometry that is typed, or of the drive as it is. */
export function offered(
  geometry: Geometry,
  facts: SetupFacts,
  total?: number,
  dos: number | null = null
): Logical {
  const logical = translate(geometry, facts.translation, total, facts.keepsLast);
  return usesExtensions(facts, dos) && total !== undefined ? { ...logical, usable: total } : logical;
}

const stopping = new Set(['bios-cylinders', 'bios-6322', 'bios-65535', 'heads-256']);

/** What a choice that needs no typing has of a drive: nothing. */
const notTyped = {
  type: 'not installed',
  geometry: null,
  precomp: null,
  landing: null,
  mode: null,
  logical: null,
  usable: null,
  lost: 0,
  works: true
};

const costOf = (unused: number, g: Geometry, facts: SetupFacts): Cost =>
  // Less than one cylinder is rounding.
  unused < g.heads * g.sectors
    ? 'nothing'
    : facts.keepsLast && unused <= g.heads * g.sectors
      ? 'kept'
      : 'part';

/** A user type. @param known what it costs, if more than what is lost */
function userType(
  id: SetupChoice['id'],
  geometry: Geometry,
  known: Cost,
  drive: DriveSize,
  facts: SetupFacts,
  dos: number | null
): SetupChoice {
  const total = drive.total ?? sectorsOf(drive.physical);
  const whole = id === 'whole' && facts.translation.startsWith('lba') ? total : sectorsOf(geometry);
  const { geometry: logical, usable } = offered(geometry, facts, whole, dos);
  const lost = Math.max(0, total - usable);
  return {
    id,
    type: 'user',
    geometry,
    precomp: drive.precomp ?? NO_PRECOMP,
    // Usually the cylinder after the last.
    landing: drive.landing ?? geometry.cylinders,
    mode: facts.translation,
    logical,
    usable,
    lost,
    works: known !== 'hangs',
    // What is lost costs, whatever else does not.
    cost: known === 'nothing' ? costOf(lost, logical, facts) : known
  };
}

/**
 * Whether a drive is told its own heads and sectors and no more than a cylinder besides the one kept for diagnostics is
 * lost: then nothing hangs on whether it takes what it is told.
 */
const isOwn = ({ physical }: DriveSize, told: Geometry, lost: number): boolean =>
  told.heads === physical.heads &&
  told.sectors === physical.sectors &&
  lost <= 2 * physical.heads * physical.sectors;

/** The best entries of the type table. */
function tableTypes(drive: DriveSize, facts: SetupFacts): SetupChoice[] {
  const { physical, translates } = drive;
  const total = drive.total ?? sectorsOf(physical);
  const usableOf = (typed: Geometry) => offered(typed, facts).usable;
  // Beside a user type the best entry is enough to see what it would waste.
  const isOwnType = ({ type, lost }: TypeFit) => isOwn(drive, type, lost);
  return fitTypes(physical, translates, facts.types, facts.table, usableOf, total)
    .sort((a, b) => Number(isOwnType(b)) - Number(isOwnType(a)))
    .slice(0, facts.user ? 1 : 3)
    .map(({ type, used: usable }) => {
      const { cylinders, heads, sectors } = type;
      const geometry = { cylinders, heads, sectors };
      const lost = Math.max(0, total - usable);
      return {
        id: 'type',
        type: String(type.type),
        geometry,
        precomp: type.precomp,
        landing: type.landing,
        mode: facts.translation,
        logical: offered(geometry, facts).geometry,
        usable,
        lost,
        works: true,
        cost: costOf(lost, geometry, facts)
      };
    });
}

/** Ways past a barrier that are no numbers to type. */
const untyped: readonly [Way, Pick<SetupChoice, 'id' | 'cost'> & { type?: string }][] = [
  ['option ROM', { id: 'rom', cost: 'adapter-card' }],
  ['another BIOS', { id: 'bios', type: '', cost: 'another-rom' }],
  ['overlay', { id: 'overlay', type: 'user', cost: 'unreadable-without' }],
  ['smaller drive', { id: 'smaller', type: '', cost: 'another-drive' }],
  ['clip jumper', { id: 'clip', type: '', cost: 'jumper-hides' }]
];

/**
 * What to type into the setup, the best first: the drive as it is, fewer cylinders, the best entries of the type
 * table, another geometry, and the ways past a limit that need no typing, each with what it costs.
 */
export function setupChoices(drive: DriveSize, facts: SetupFacts, dos: number | null): SetupChoice[] {
  const { physical } = drive;
  if (facts.isRom) {
    const total = drive.total ?? sectorsOf(physical);
    const { geometry: logical, usable } = offered(physical, facts, total, dos);
    return [{ ...notTyped, id: 'by-rom', logical, usable, lost: total - usable, cost: 'nothing' }];
  }
  const found = barriersOf(drive, facts, dos);
  const out: SetupChoice[] = [];
  const hangs =
    found.some((b) => stopping.has(b.id)) ||
    (physical.cylinders === 16_383 && !facts.translation.startsWith('lba'));
  const fits = physical.cylinders <= (facts.mostTyped ?? Infinity);
  if (facts.user && fits)
    out.push(userType('whole', physical, hangs ? 'hangs' : 'nothing', drive, facts, dos));
  const most = safeCylinders(drive, facts, dos);
  if (facts.user && most < physical.cylinders)
    out.push(userType('fewer', { ...physical, cylinders: most }, 'rest', drive, facts, dos));
  const other = recast(drive, facts);
  if (other) out.push(userType('recast', other, 'if-taken', drive, facts, dos));
  out.push(...tableTypes(drive, facts));
  const ways = new Set<Way>(found.flatMap((b) => b.ways));
  for (const [way, choice] of untyped) if (ways.has(way)) out.push({ ...notTyped, ...choice });
  const owns = ({ geometry, lost }: SetupChoice) => geometry !== null && isOwn(drive, geometry, lost);
  return out.sort(
    (a, b) =>
      Number(isTyped(b)) - Number(isTyped(a)) ||
      Number(b.works) - Number(a.works) ||
      // What hangs on the drive comes after what does not.
      Number(a.cost === 'if-taken') - Number(b.cost === 'if-taken') ||
      Number(owns(b)) - Number(owns(a)) ||
      (b.usable ?? 0) - (a.usable ?? 0)
  );
}
const isTyped = (c: SetupChoice) => c.geometry !== null;
