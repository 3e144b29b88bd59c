import { chainsOf, faultsOf } from '../cabling';
import { cablesOf, type Kit } from '../kit';
import { systemOf } from '../software';
import { hasOwnRom } from './disks';

/** A link between a floppy and a program: whether it holds, and what it is. */
export interface Link {
  what: 'drive' | 'controller' | 'BIOS' | 'DOS' | 'cable';
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

const names: Record<number, string> = {
  160: '160K',
  180: '180K',
  320: '320K',
  360: '360K',
  720: '720K',
  1200: '1.2M',
  1440: '1.44M',
  2880: '2.88M'
};
const firstDos: Record<number, number> = {
  160: 1,
  180: 2,
  320: 1.1,
  360: 2,
  720: 3.2,
  1200: 3,
  1440: 3.3,
  2880: 5
};

/** What a drive reads and writes. A 1.2M drive writes 360K disks in a narrower track: a 360K drive may not read them. */
export function mediaOf(kib: number): { reads: number[]; writes: number[]; note?: string } {
  if (kib === 360) return { reads: [160, 180, 320, 360], writes: [160, 180, 320, 360] };
  if (kib === 1200)
    return {
      reads: [160, 180, 320, 360, 1200],
      writes: [1200],
      note: 'What it writes on a 360K disk may not be read by a 360K drive: its track is narrower.'
    };
  if (kib === 720) return { reads: [720], writes: [720] };
  if (kib === 1440) return { reads: [720, 1440], writes: [720, 1440] };
  return { reads: [720, 1440, 2880], writes: [720, 1440, 2880] };
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
    const name = names[kib];
    const rate = controller?.fn.floppyKiB ?? 2880;
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
        what: 'drive',
        ok: rate >= kib,
        text:
          rate >= kib
            ? `the controller has the rate of ${name}`
            : `the controller ends at ${names[rate] ?? rate}`
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
                : kib === 720 || (kib === 1440 && known >= 1200)
                  ? `the BIOS ends at ${names[known] ?? known}; a driver line makes it work after the start`
                  : `the BIOS ends at ${names[known] ?? known}`
      },
      {
        what: 'DOS',
        ok: dos === null || dos >= firstDos[kib],
        text:
          dos === null ? 'no DOS is chosen' : `${name} came with DOS ${firstDos[kib]}; the brief has ${dos}`
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
      reads: reads.map((n) => names[n]),
      writes: writes.map((n) => names[n]),
      notes
    };
  });
}
