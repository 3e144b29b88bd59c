import { chainsOf, faultsOf } from '../cabling';
import { cablesOf, type Kit } from '../kit';
import { systemOf } from '../software';
import { biosTakes, controllerRate, floppyDos, floppyName, floppyRate, mediaOf } from '../storage';
import { hasOwnRom } from './disks';

/** A link between a floppy and a program: whether it holds, and what it is. */
export interface Link {
  what: 'controller' | 'data rate' | 'BIOS' | 'DOS' | 'cable';
  ok: boolean;
  text: string;
}

export interface FloppyChain {
  item: string;
  title: string;
  kib: number;
  /** Letter that follows from its place on the cable. */
  letter: 'A' | 'B' | null;
  links: Link[];
  /** The first link that fails; null: all hold. */
  failing: Link | null;
  /** How it is jumpered and where on the cable it hangs. */
  select: string;
  reads: string[];
  writes: string[];
  /** What else is to be known of this drive here. */
  notes: string[];
}

/**
 * Every floppy drive of a build with the links that must hold, in order: drive, controller rate, BIOS type, DOS,
 * cable.
 */
export function floppyChains(kit: Kit): FloppyChain[] {
  const { dos } = systemOf(kit.build.brief.os);
  const known = kit.firmware?.firmware?.floppyKiB;
  const all = cablesOf(kit).filter((c) => c.drive.part.drive!.interface === 'floppy');
  const cables = chainsOf(kit).filter((c) => c.family === 'floppy');
  return all.map(({ drive, controller }): FloppyChain => {
    const kib = drive.part.drive!.floppyKiB ?? 1440;
    const name = floppyName(kib);
    const most = controllerRate(controller?.fn.floppyKiB);
    const rate = floppyRate(kib);
    const ownRom = controller !== null && hasOwnRom(kit, controller);
    const cable = cables.find((c) => c.drives.some((p) => p.drive.item.id === drive.item.id));
    const plugged = cable?.drives.find((p) => p.drive.item.id === drive.item.id);
    const letter = (plugged?.answers ?? null) as FloppyChain['letter'];
    const fault = cable && faultsOf(cable).find((f) => f.about.includes(drive.item.id));
    const links: Link[] = [
      {
        what: 'controller',
        ok: controller !== null && controller.isOn,
        text: controller
          ? controller.isOn
            ? `hangs on ${controller.title}`
            : `${controller.title} is switched off`
          : 'no floppy controller has a place left'
      },
      {
        what: 'data rate',
        ok: most >= rate,
        text:
          most >= rate
            ? `the controller has the ${rate} kbit/s of ${name}`
            : `${name} takes ${rate} kbit/s, and the controller ends at ${most}`
      },
      {
        what: 'BIOS',
        ok: known === undefined || known >= kib || ownRom,
        text:
          known === undefined
            ? 'what the BIOS knows is not described'
            : known >= kib
              ? `the BIOS knows ${name}`
              : ownRom
                ? `the ROM of the controller knows ${name}`
                : biosTakes(known, kib) === 'driver'
                  ? `the BIOS ends at ${floppyName(known)}; a driver line makes it work after the start`
                  : `the BIOS ends at ${floppyName(known)}`
      },
      {
        what: 'DOS',
        ok: dos === null || dos >= floppyDos(kib),
        text:
          dos === null ? 'no DOS is chosen' : `${name} came with DOS ${floppyDos(kib)}; the brief has ${dos}`
      },
      {
        what: 'cable',
        ok: plugged !== undefined && (!fault || fault.severity === 'note'),
        text:
          plugged === undefined
            ? 'a cable carries two drives'
            : (fault?.sentence ??
              `on plug ${plugged.plug}${cable!.ribbon === 'floppy-twist' && plugged.plug === 2 ? ', behind the twist' : ''}`)
      }
    ];
    const { reads, writes, note } = mediaOf(kib);
    const notes = [
      ...(note ? [note] : []),
      ...(ownRom
        ? [
            'This controller has its own ROM: tell the board that there are no floppy drives, give the ROM a window, and leave IRQ 6, DMA 2 and 3F0h to one controller.'
          ]
        : []),
      ...(drive.part.drive!.medium === 'emulator'
        ? [
            'An emulator is one more drive: set its select jumper as for any drive, and use one image format at a time.'
          ]
        : []),
      ...(kib >= 1440
        ? ['A disk of high density formatted as 720K without its hole covered fails in other drives.']
        : [])
    ];
    return {
      item: drive.item.id,
      title: drive.title,
      kib,
      letter,
      links,
      failing: links.find((l) => !l.ok) ?? null,
      select: `jumpered as the ${plugged?.want.unit ?? 'second'} select, whichever letter it gets`,
      reads: reads.map((n) => floppyName(n)),
      writes: writes.map((n) => floppyName(n)),
      notes
    };
  });
}
