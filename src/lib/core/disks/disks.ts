import { cablesOf, type Controller, type Kit, type Placed } from '../kit';
import type { DiskRecord, FirmwareFacts } from '../model';
import { systemOf } from '../software';
import {
  guard,
  sectorsOf,
  translate,
  setupChoices,
  type DriveSize,
  type SetupChoice,
  type SetupFacts,
  type Verdict
} from '../storage';

/** A hard disk or card of a build with what runs it and what the setup takes. */
export interface KitDisk {
  drive: Placed;
  controller: Controller | null;
  size: DriveSize | null;
  /** null: a ROM of the controller runs it, and the setup says "not installed". */
  facts: SetupFacts | null;
  dos: number | null;
  choices: SetupChoice[];
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
    ...(disk.cylinders === 4096 ? { biosCylinders: 4096 } : {}),
    ...(disk.hangs ? { hangs: disk.hangs } : {})
  };
}

/** Setup facts of the board's BIOS; null while none is known or it knows no hard disks. */
export const setupFactsOf = (kit: Kit): SetupFacts | null =>
  kit.firmware?.firmware ? firmwareFacts(kit.firmware.firmware.disk) : null;

/** Whether a card's own ROM runs what hangs on a controller. */
const hasRom = (kit: Kit, c: Controller): boolean =>
  !c.onBoard &&
  (kit.parts.get(kit.build.items.find((i) => i.id === c.item)?.part ?? '')?.functions ?? []).some((fn) =>
    fn.claims.some((k) => k.resource === 'memory' && k.use === 'rom')
  );

/** Another BIOS or version of DOS than those of the build, to see what it would change. */
export interface WhatIf {
  bios?: FirmwareFacts['disk'];
  dos?: number;
}

/** Every hard disk and flash card of a build, in the order of its items. */
export function disksOf(kit: Kit, whatIf: WhatIf = {}): KitDisk[] {
  const dos = whatIf.dos ?? systemOf(kit.build.brief.os).dos;
  const bios = whatIf.bios ? firmwareFacts(whatIf.bios) : setupFactsOf(kit);
  return cablesOf(kit).flatMap(({ drive, controller }): KitDisk[] => {
    const d = drive.part.drive!;
    if (d.medium !== 'hard' && d.medium !== 'flash') return [];
    const size: DriveSize | null = d.geometry
      ? {
          physical: d.geometry,
          ...(d.sectors ? { total: d.sectors } : {}),
          translates: d.interface === 'ata'
        }
      : null;
    const byRom = d.interface === 'scsi' || (controller !== null && hasRom(kit, controller));
    const facts = byRom ? null : bios;
    const record = drive.item.disk;
    return [
      {
        drive,
        controller,
        size,
        facts,
        dos,
        choices: size && facts ? setupChoices(size, facts, dos) : [],
        verdicts: size && record ? verdictsOf(size, record, facts) : []
      }
    ];
  });
}

/** What is typed for a medium, against its size and how it was made. */
function verdictsOf(size: DriveSize, { setup, made }: DiskRecord, facts: SetupFacts | null): Verdict[] {
  if (!setup) return [];
  const { cylinders, heads, sectors } = setup;
  const declared = { cylinders, heads, sectors };
  // A geometry of more than 16 heads is one that a BIOS made already.
  const logical = facts && heads <= 16 ? translate(declared, facts.translation).geometry : declared;
  return guard(declared, { sectors: size.total ?? sectorsOf(size.physical) }, made ?? null, logical);
}
