import { chainsOf, faultsOf, type Fault } from '../cabling';
import { cablesOf, hasOwnRom, imageOf, type ImageFormat, type Kit } from '../kit';
import type { Owner } from '../model';
import { systemOf } from '../software';
import { controllerRate, floppyDos, floppyName, floppyRate, mediaOf, takenBy } from '../storage';

/** A link between a floppy and a program, as data: whether it holds, and what it is. Rates in kbit/s, sizes in KiB. */
export type Link = { ok: boolean } & (
  | { what: 'controller'; controller: Owner | null; isOn: boolean }
  | { what: 'rate'; kib: number; needed: number; most: number }
  | { what: 'bios'; kib: number; knows: number | null; by: ReturnType<typeof takenBy> }
  | { what: 'dos'; kib: number; needs: number; dos: number | null }
  | { what: 'cable'; fault: Fault | null; plug: number | null; behindTwist: boolean }
);

/** What else is to be known of a floppy drive where it is. */
export type FloppyNote = 'narrow-track' | 'own-rom' | 'emulator' | 'high-density';

export interface FloppyChain {
  item: string;
  title: string;
  kib: number;
  /** A floppy emulator: what it is set to; null: a drive. */
  image: ImageFormat | null;
  /** Letter that follows from its place on the cable. */
  letter: 'A' | 'B' | null;
  links: Link[];
  /** The first link that fails; null: all hold. */
  failing: Link | null;
  /** The select that it is jumpered for, whichever letter it gets. */
  select: string;
  reads: string[];
  writes: string[];
  notes: FloppyNote[];
}

/**
 * Every floppy drive of a build with the links that must hold, in order: drive, controller rate, BIOS type, DOS,
 * cable.
 */
export function floppyChains(kit: Kit): FloppyChain[] {
  const { dos } = systemOf(kit.build.brief.os);
  const known = kit.firmware?.firmware?.floppyKiB;
  const all = cablesOf(kit).filter((c) => c.drive.part.drive.interface === 'floppy');
  const cables = chainsOf(kit).filter((c) => c.family === 'floppy');
  return all.map((cabled): FloppyChain => {
    const { drive, controller } = cabled;
    const image = imageOf(kit, cabled, dos);
    const kib = image?.kib ?? drive.part.drive.floppyKiB ?? 1440;
    const most = controllerRate(controller?.fn.floppyKiB);
    const rate = floppyRate(kib);
    const ownRom = controller !== null && hasOwnRom(kit, controller);
    const cable = cables.find((c) => c.drives.some((p) => p.drive.item.id === drive.item.id));
    const plugged = cable?.drives.find((p) => p.drive.item.id === drive.item.id);
    const letter = (plugged?.answers ?? null) as FloppyChain['letter'];
    const fault = cable && faultsOf(cable).find((f) => f.about.includes(drive.item.id));
    const by = takenBy(known, ownRom, kib);
    const links: Link[] = [
      {
        what: 'controller',
        ok: controller !== null && controller.isOn,
        controller: controller?.owner ?? null,
        isOn: controller?.isOn ?? false
      },
      { what: 'rate', ok: most >= rate, kib, needed: rate, most },
      { what: 'bios', ok: by !== 'driver' && by !== 'nothing', kib, knows: known ?? null, by },
      {
        what: 'dos',
        ok: dos === null || dos >= floppyDos(kib),
        kib,
        needs: floppyDos(kib),
        dos
      },
      {
        what: 'cable',
        ok: plugged !== undefined && (!fault || fault.severity === 'note'),
        fault: fault ?? null,
        plug: plugged?.plug ?? null,
        behindTwist: cable?.ribbon === 'floppy-twist' && plugged?.plug === 2
      }
    ];
    const { reads, writes } = image ? { reads: [kib], writes: [kib] } : mediaOf(kib);
    const notes: FloppyNote[] = [
      ...(kib === 1200 ? (['narrow-track'] as const) : []),
      ...(ownRom ? (['own-rom'] as const) : []),
      ...(image ? (['emulator'] as const) : []),
      ...(kib >= 1440 && !image ? (['high-density'] as const) : [])
    ];
    return {
      item: drive.item.id,
      title: drive.title,
      kib,
      image,
      letter,
      links,
      failing: links.find((l) => !l.ok) ?? null,
      select: plugged?.want.unit ?? 'second',
      reads: reads.map((n) => floppyName(n)),
      writes: writes.map((n) => floppyName(n)),
      notes
    };
  });
}
