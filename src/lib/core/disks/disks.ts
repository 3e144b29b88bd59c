import { cablesOf, speaks, type Controller, type Kit, type PlacedDrive, hasOwnRom } from '../kit';
import type { DiskRecord, DriveInterface, FirmwareFacts, Part, PartWith } from '../model';
import { systemOf } from '../software';
import {
  GeometryError,
  barriersOf,
  guard,
  offered,
  partition,
  sectorsOf,
  setupChoices,
  translate,
  usesExtensions,
  type Barrier,
  type DriveSize,
  type Geometry,
  type PartitionPlan,
  type SetupChoice,
  type SetupFacts,
  type Verdict
} from '../storage';

/** A hard disk or card of a build with what runs it and what the setup takes. */
export interface KitDisk {
  drive: PlacedDrive;
  controller: Controller | null;
  size: DriveSize | null;
  /**
   * What is offered to the drive: the setup of the board, or the ROM of its controller (`isRom`), where the setup
   * says "not installed". Null: nothing is known of it, or nothing knows hard disks.
   */
  facts: SetupFacts | null;
  dos: number | null;
  /** What the declared geometry means for this medium. */
  verdicts: Verdict[];
}

/** What the setup of a BIOS offers for hard disks; null when it knows none. */
export function firmwareFacts(disk: FirmwareFacts['disk']): SetupFacts | null {
  if (disk.translation === 'rom' || (disk.types === 0 && !disk.user)) return null;
  return {
    types: disk.types,
    user: disk.user,
    translation: disk.translation,
    // A field of 12 bits takes more than it keeps; others take what they keep.
    ...(disk.cylinders === 4096
      ? { biosCylinders: 4096 }
      : disk.cylinders
        ? { mostTyped: disk.cylinders }
        : {}),
    ...(disk.hangs ? { hangs: disk.hangs } : {}),
    ...(disk.table ? { table: disk.table } : {}),
    ...(disk.keepsLast ? { keepsLast: true } : {}),
    ...(disk.extensions ? { extensions: true } : {})
  };
}

/** What the ROM of a controller makes of a drive: SCSI of blocks, ATA of numbers, the older ones nothing. */
const romFacts = (kind: DriveInterface): SetupFacts => ({
  types: 0,
  user: false,
  isRom: true,
  translation: kind === 'scsi' ? 'scsi' : kind === 'ata' ? 'lba' : 'none'
});

/** Size of a drive: of this very specimen where it is known, else of its model. Null: not described. */
export function sizeOf({ drive: facts }: Part, record?: DiskRecord): DriveSize | null {
  if (!facts) return null;
  const translates = facts.interface === 'ata';
  const { precomp, landing } = facts;
  const mechanics = {
    ...(precomp === undefined ? {} : { precomp }),
    ...(landing === undefined ? {} : { landing })
  };
  if (record?.real) {
    const { total, ...physical } = record.real;
    const byNumber = facts.interface === 'scsi';
    return {
      physical,
      ...(total ? { total } : {}),
      translates,
      ...(byNumber ? { byNumber } : {}),
      ...mechanics
    };
  }
  const { geometry, sectors } = facts;
  if (geometry)
    return { physical: geometry, ...(sectors ? { total: sectors } : {}), translates, ...mechanics };
  if (facts.interface !== 'scsi' || !sectors) return null;
  const physical = { cylinders: Math.min(65_536, Math.ceil(sectors / 1008)), heads: 16, sectors: 63 };
  return { physical, total: sectors, translates, byNumber: true };
}

/** Another BIOS, version of DOS or ROM than those of the build, to see what it would change. */
export interface WhatIf {
  bios?: FirmwareFacts['disk'];
  dos?: number;
  /** As if a controller with a ROM of its own ran it. */
  byRom?: boolean;
}

const isDisk = (part: Part): part is PartWith<'drive'> =>
  part.drive?.medium === 'hard' || part.drive?.medium === 'flash';

/** Every hard disk and flash card of a build, in the order of its items. */
export const disksOf = (kit: Kit, whatIf: WhatIf = {}): KitDisk[] =>
  cablesOf(kit)
    .filter(({ drive }) => isDisk(drive.part))
    .map(({ drive, controller }) => diskOf(kit, drive, controller, whatIf));

/** A drive that is not in the build, as if it hung on the first controller that speaks its language. */
export function diskOfPart(kit: Kit, part: Part, whatIf: WhatIf = {}): KitDisk | null {
  if (!isDisk(part)) return null;
  const item = { id: '', part: part.id, asFound: {}, chosen: {}, locked: [] };
  const controller = kit.controllers.find((c) => c.isOn && speaks(c, part.drive.interface)) ?? null;
  return diskOf(kit, { item, part, title: part.name }, controller, whatIf);
}

function diskOf(kit: Kit, drive: PlacedDrive, controller: Controller | null, whatIf: WhatIf): KitDisk {
  const kind = drive.part.drive.interface;
  const firmware = whatIf.bios ?? kit.firmware?.firmware?.disk;
  const record = drive.item.disk;
  const size = sizeOf(drive.part, record);
  const byRom = whatIf.byRom || kind === 'scsi' || (controller !== null && hasOwnRom(kit, controller));
  const facts = byRom ? romFacts(kind) : firmware ? firmwareFacts(firmware) : null;
  const dos = whatIf.dos ?? systemOf(kit.build.brief.os).dos;
  return {
    drive,
    controller,
    size,
    facts,
    dos,
    verdicts: size && record ? verdictsOf(size, record, facts, dos) : []
  };
}

/** Ways to fill the setup in for a disk, the best first. */
export const choicesFor = ({ size, facts, dos }: KitDisk): SetupChoice[] =>
  size && facts ? setupChoices(size, facts, dos) : [];

/** What INT 13h gives of a disk: of what is typed, else of the best choice. Null while its size is not known. */
export function geometryOf(disk: KitDisk): Geometry | null {
  const { size, facts } = disk;
  if (!size) return null;
  const typed = typedOf(disk);
  const total = size.total ?? sectorsOf(size.physical);
  const best = choicesFor(disk).find((c) => c.works && c.logical);
  const geometry =
    typed && facts
      ? offered(typed.physical, facts, typed.total).geometry
      : (best?.logical ?? translate(size.physical, 'lba', size.total).geometry);
  // By sector number the whole drive is reached: its cylinders go on past 1,024.
  return facts && usesExtensions(facts, disk.dos)
    ? { ...geometry, cylinders: Math.floor(total / (geometry.heads * geometry.sectors)) }
    : geometry;
}

/** A geometry as it can be typed: at most 16 heads. */
const physicalOf = ({ cylinders, heads, sectors }: Geometry): Geometry => ({
  cylinders,
  heads: Math.min(16, heads),
  sectors
});

/**
 * The drive as it was typed into the setup; null where nothing was, or a ROM does it. A BIOS that works by sector
 * numbers asks the drive itself for its size when it is typed as it reports itself.
 */
export function typedOf({ drive, size, facts }: KitDisk): DriveSize | null {
  const setup = drive.item.disk?.setup;
  if (!setup || !size || !facts || facts.isRom) return null;
  const physical = physicalOf(setup);
  const keepsTotal = asksDrive(facts) && sameShape(physical, size.physical);
  return {
    physical,
    translates: size.translates,
    ...(keepsTotal && size.total ? { total: size.total } : {})
  };
}
const asksDrive = ({ translation }: SetupFacts): boolean => translation.startsWith('lba');
export const sameShape = (a: Geometry, b: Geometry): boolean =>
  a.cylinders === b.cylinders && a.heads === b.heads && a.sectors === b.sectors;

/** Barriers that are in the way as the setup is filled in: what was typed, or the drive as it is. */
export function standing(disk: KitDisk): Barrier[] {
  const { size, facts, dos } = disk;
  return size && facts ? barriersOf(typedOf(disk) ?? size, facts, dos) : [];
}

/** What is typed for a medium, against its size, how it was made, and the partitions written down for it. */
function verdictsOf(
  size: DriveSize,
  { setup, made, plan }: DiskRecord,
  facts: SetupFacts | null,
  dos: number | null
): Verdict[] {
  const total = size.total ?? sectorsOf(size.physical);
  if (facts?.isRom) {
    if (!made) return [];
    // Nothing is typed: what the ROM makes of the drive meets how it was made.
    const { geometry, usable } = offered(size.physical, facts, size.total);
    return guard({ geometry, logical: geometry, usable }, null, made).filter((v) => v.grade === 'stop');
  }
  if (!setup) return [];
  const { cylinders, heads, sectors } = setup;
  const geometry = { cylinders, heads, sectors };
  // A geometry of more than 16 heads is one that a BIOS made already.
  const asked = facts !== null && asksDrive(facts) && sameShape(geometry, size.physical);
  const given = facts && heads <= 16 ? offered(geometry, facts, asked ? total : undefined) : null;
  const logical = given?.geometry ?? geometry;
  const declared = { geometry, logical, usable: given?.usable ?? sectorsOf(geometry) };
  return guard(declared, asked ? null : total, made ?? null, plan ? planIn(logical, plan, dos) : null);
}

/** The partitions of these sizes in cylinders; null where they do not go into the geometry. */
function planIn(geometry: Geometry, sizes: readonly number[], dos: number | null): PartitionPlan | null {
  try {
    return partition(geometry, dos ?? 6.22, sizes);
  } catch (error) {
    if (!(error instanceof GeometryError)) throw error;
    return null;
  }
}
