import { cablesOf, speaks, type Kit, hasOwnRom } from '../kit';
import { FLOPPY_KIB, type Part } from '../model';
import { systemOf } from '../software';
import { controllerRate, floppyDos, floppyRate, mediaOf, takenBy } from '../storage';
import { PRICE, here, missing, need, type Link, type LinkNeed, type Needed } from './need';

/** What it takes until a machine reads a format. */
export type Reading = Pick<Link, 'needs' | 'cautions'>;

/** A floppy drive that is fitted, or would be. */
interface Candidate {
  drive: Part;
  isHere: boolean;
}

const isFloppy = (p: Part) => p.drive?.medium === 'floppy' && p.drive.interface === 'floppy';

/** Floppy controllers that are on, with their data rate and whether a ROM of theirs takes over. */
const controllersOf = (kit: Kit) =>
  kit.controllers
    .filter((c) => c.isOn && speaks(c, 'floppy'))
    .map((c) => ({ rate: controllerRate(c.fn.floppyKiB), hasRom: hasOwnRom(kit, c) }));

/** How well a machine takes a drive of a size on a controller. */
function takes(kit: Kit, driveKiB: number, hasRom: boolean): 'yes' | 'driver' | 'no' {
  const by = takenBy(kit.firmware?.firmware?.floppyKiB, hasRom, driveKiB);
  return by === 'driver' ? 'driver' : by === 'nothing' ? 'no' : 'yes';
}

/**
 * Formats that a machine writes so that others read them, and reads, with its drives as they hang on their
 * controllers.
 */
export function formatsOf(kit: Kit): { kib: number; drive: number; title: string }[] {
  return cablesOf(kit).flatMap(({ drive, controller }) => {
    if (!controller?.isOn || !isFloppy(drive.part)) return [];
    const size = drive.part.drive.floppyKiB ?? 0;
    if (takes(kit, size, hasOwnRom(kit, controller)) === 'no') return [];
    const rate = controllerRate(controller.fn.floppyKiB);
    return mediaOf(size)
      .reads.filter((kib) => kib >= 360 && floppyRate(kib, size) <= rate)
      .map((kib) => ({ kib, drive: size, title: drive.title }));
  });
}

/** The cheapest way for a machine to read a format: with a drive that is in it, or one of the shelf. */
export function reading(kit: Kit, shelf: readonly Part[], kib: number): Reading {
  const candidates: Candidate[] = [
    ...kit.drives.filter((d) => isFloppy(d.part)).map((d) => ({ drive: d.part, isHere: true })),
    ...shelf.filter(isFloppy).map((drive) => ({ drive, isHere: false }))
  ].filter(({ drive }) => mediaOf(drive.drive?.floppyKiB ?? 0).reads.includes(kib));
  const ways = candidates.map((c) => withDrive(kit, shelf, kib, c));
  const none: Reading = {
    needs: [need({ is: 'floppy-drive', kib }, undefined), ...dosNeed(kit, kib)],
    cautions: []
  };
  const costOf = (r: Reading) =>
    r.needs.reduce((n, x) => n + PRICE[x.where], 0) + (r.cautions.length ? 0.5 : 0);
  return ways.reduce((best, way) => (costOf(way) < costOf(best) ? way : best), ways[0] ?? none);
}

function withDrive(kit: Kit, shelf: readonly Part[], kib: number, { drive, isHere }: Candidate): Reading {
  const size = drive.drive?.floppyKiB ?? 0;
  const rate = floppyRate(kib, size);
  const there = controllersOf(kit).filter((c) => c.rate >= rate);
  const [taken] = ['yes', 'driver'].filter((t) => there.some((c) => takes(kit, size, c.hasRom) === t));
  const what: Needed = { is: 'floppy-drive', kib };
  return {
    needs: [
      isHere ? here(what) : need(what, drive),
      ...(taken ? [] : [controllerNeed(kit, shelf, rate, size)]),
      ...dosNeed(kit, kib)
    ],
    cautions: taken === 'driver' ? [{ is: 'driver-line' }] : []
  };
}

/** A controller of the shelf that is fast enough, and has a ROM where the BIOS does not know the drive. */
function controllerNeed(kit: Kit, shelf: readonly Part[], rate: number, driveKiB: number): LinkNeed {
  const needsRom = takes(kit, driveKiB, false) === 'no';
  const isXt = kit.facts.class === 'xt';
  const found = shelf.find(
    (p) =>
      p.card &&
      (!isXt || p.card.bus === 'isa8') &&
      p.functions.some((f) => f.speaks?.includes('floppy') && controllerRate(f.floppyKiB) >= rate) &&
      (!needsRom || p.functions.some((f) => f.kind === 'rom'))
  );
  return need({ is: 'floppy-controller', kbit: rate, ownRom: needsRom }, found);
}

function dosNeed(kit: Kit, kib: number): LinkNeed[] {
  const { dos } = systemOf(kit.build.brief.os);
  return dos !== null && dos < floppyDos(kib) ? [missing({ is: 'dos', version: floppyDos(kib) })] : [];
}

/** What emulators are set to as they are sold, and the largest they take. */
const USUAL_IMAGE = 1440;

/** An emulator stands in for a drive: it takes images of the largest format that controller, BIOS and DOS know. */
export function emulating(kit: Kit, shelf: readonly Part[]): Reading {
  const isThere = kit.drives.some((d) => d.part.drive.medium === 'emulator');
  const emulator = shelf.find((p) => p.drive?.medium === 'emulator');
  const there = controllersOf(kit);
  const { dos } = systemOf(kit.build.brief.os);
  const sizes = FLOPPY_KIB.filter((kib) => kib <= USUAL_IMAGE && (dos === null || floppyDos(kib) <= dos));
  const largest = sizes.findLast((kib) =>
    there.some((c) => c.rate >= floppyRate(kib) && takes(kit, kib, c.hasRom) === 'yes')
  );
  return {
    needs: [
      isThere ? here({ is: 'floppy-emulator' }) : need({ is: 'floppy-emulator' }, emulator),
      ...(there.length ? [] : [controllerNeed(kit, shelf, 250, 360)])
    ],
    cautions: largest !== undefined && largest < USUAL_IMAGE ? [{ is: 'small-images', kib: largest }] : []
  };
}
