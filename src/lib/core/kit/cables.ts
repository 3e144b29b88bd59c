import { entryOf } from '../model';
import type { DriveInterface } from '../model';
import { isQuickEnough } from '../storage';
import type { Controller, Kit, PlacedDrive } from './kit';
import { moduleFunctions } from './module-bays';

export interface Cabled {
  drive: PlacedDrive;
  /** What runs it; null when nothing that speaks its interface has a place left. */
  controller: Controller | null;
  /** The user said so; otherwise it is what one would do. */
  told: boolean;
  unit: string | null;
}

/**
 * Which controller runs each drive: as the cables say, the others on the first one that suits; a floppy drive on one
 * that has its data rate, where there is one.
 */
export function cablesOf(kit: Kit): Cabled[] {
  const used = new Map<Controller, number>();
  const take = (c: Controller) => used.set(c, (used.get(c) ?? 0) + 1);
  const told = new Map<string, Controller | null>();
  for (const { item } of kit.drives) {
    if (!item.cable) continue;
    const { to, function: fn } = item.cable;
    const found = kit.controllers.find((c) => c.item === to && (fn === undefined || c.fn.id === fn));
    told.set(item.id, found ?? null);
    if (found) take(found);
  }
  // A module reaches only what its bay is wired to.
  const modules = new Set(moduleFunctions(kit.m.board.part).map((fn) => fn.id));
  const inBay = (c: Controller) => !modules.size || (c.onBoard && modules.has(c.fn.id));
  return kit.drives.map((drive): Cabled => {
    const unit = drive.item.cable?.unit ?? null;
    if (told.has(drive.item.id)) return { drive, controller: entryOf(told, drive.item.id), told: true, unit };
    const wanted = drive.part.drive?.interface;
    const isModule = drive.part.drive?.bay === 'module';
    const open = kit.controllers.filter(
      (c) => c.isOn && (used.get(c) ?? 0) < (c.fn.units ?? 2) && (!isModule || inBay(c))
    );
    const suits = open.filter((c) => speaks(c, wanted));
    const free =
      suits.find((c) => isQuickEnough(c.fn.floppyKiB, drive.part.drive.floppyKiB ?? 0)) ??
      suits[0] ??
      open.find((c) => carries(c, wanted));
    if (free) take(free);
    return { drive, controller: free ?? null, told: false, unit };
  });
}

/** MFM and RLL are two codings of one interface: a drive for one can be run with the other. */
const codings: readonly DriveInterface[] = ['st506', 'rll'];

/** Whether a drive works on a controller at all, as it was meant to or in another coding. */
export const carries = (controller: Controller, wanted: DriveInterface | undefined): boolean =>
  speaks(controller, wanted) ||
  (wanted !== undefined && codings.includes(wanted) && codings.some((c) => speaks(controller, c)));

/** Whether a controller speaks the interface of a drive. */
export const speaks = (controller: Controller, wanted: DriveInterface | undefined): boolean =>
  wanted !== undefined && (controller.fn.speaks ?? []).includes(wanted);

/** Whether a card's own ROM runs what hangs on a controller. */
export const hasOwnRom = (kit: Kit, c: Controller): boolean =>
  !c.onBoard &&
  (kit.parts.get(kit.build.items.find((i) => i.id === c.item)?.part ?? '')?.functions ?? []).some((fn) =>
    fn.claims.some((k) => k.resource === 'memory' && k.use === 'rom')
  );
