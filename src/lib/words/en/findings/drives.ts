import type { Thing } from '../../../core/model';
import type { FactsOf } from '../../../core/rules';
import { and, capital } from '../language';
import { floppyName, interfaceName, ownerName, the } from '../things';
import type { WordsOf } from './told';

const bays: Record<string, string> = {
  'full-5': 'a full-height 5.25 inch bay',
  'half-5': 'a 5.25 inch bay',
  'half-3': 'a 3.5 inch bay, or a 5.25 inch bay with rails',
  'third-3': 'a 3.5 inch bay, or a 5.25 inch bay with rails'
};

/** Why a drive has no power, by where it should come from. */
const noPower = {
  slot: (controller: string) =>
    `It sits on its card and takes its power from the slot; ${controller} is in none.`,
  cable: (controller: string) =>
    `It takes its power over its data cable, and ${controller} feeds none. Use an adapter with a power lead, and match pin 1: one row off, its supply goes where it destroys the drive.`,
  'no-lead': (controller: string) =>
    `It needs a power lead of its own, and there is none in this machine: ${controller} feeds its drives over the data cable.`
} as const;

const interfaceWhy = 'Drive and controller must use the same interface, whatever their plugs look like.';

/** A way out that only an emulator has. */
const otherImage = (drive: Thing, smaller: number | null, else_: string): string =>
  smaller === null ? else_ : `Set ${drive.name} to images of ${floppyName(smaller)}.`;
/** A drive that works against what is known of its kind. */
const workedWords = (worked: FactsOf['floppy.rate']['worked']): string =>
  worked
    ? ` It was seen to work on this board${worked.last ? ` (${worked.last})` : ''}: what was tried counts, and something here is not as the catalogue has it.`
    : '';

export const drives: WordsOf<
  | 'disk.interface'
  | 'disk.coding'
  | 'disk.controller-twice'
  | 'disk.power'
  | 'bay.size'
  | 'bay.out'
  | 'bay.no-battery'
  | 'bay.rails'
  | 'floppy.rate'
  | 'drive.tried'
  | 'floppy.bios'
  | 'floppy.start'
  | 'floppy.image'
  | 'floppy.dos'
  | 'disk.boot'
  | 'disk.rom'
  | 'rom.unscanned'
> = {
  'disk.interface': (f) => {
    const needs = interfaceName[f.needs] ?? f.needs;
    if (f.why === 'off')
      return {
        title: `${f.drive.name} is connected to something switched off`,
        sentence: `${capital(ownerName(f.controller))} is switched off: the drive will not be found.`,
        why: interfaceWhy
      };
    if (f.why === 'full')
      return {
        title: `Nothing runs ${f.drive.name}`,
        sentence: `Every controller for ${needs} has all the drives it can take.`,
        why: interfaceWhy
      };
    const trap = f.trap
      ? ` The plug of ${ownerName(f.trap.controller)} looks the same but is ${interfaceName[f.trap.speaks] ?? f.trap.speaks}: not compatible.`
      : '';
    return {
      title: `Nothing runs ${f.drive.name}`,
      sentence: `Its interface is ${needs}; ${
        f.waiting
          ? `${the(f.waiting)} supports it, but is in no slot that takes it. Choose one for it`
          : f.controller
            ? `${ownerName(f.controller)} cannot run it`
            : 'no controller in the machine supports it'
      }.${trap}`,
      why: interfaceWhy
    };
  },
  'disk.coding': ({ drive, controller, drives: coding }) => ({
    title:
      coding === 'rll'
        ? `${drive.name} loses a third on an MFM controller`
        : `${drive.name} is not promised to work with RLL`,
    sentence:
      coding === 'rll'
        ? `${capital(ownerName(controller))} writes 17 sectors a track where RLL has 26. The drive works after a new low-level format.`
        : `${capital(ownerName(controller))} writes 26 sectors a track on a drive made for 17. It often formats; data may fade after weeks. Only drives sold for RLL are sure.`,
    why: 'MFM and RLL use the same cables and write differently; each needs a low-level format of its own.'
  }),
  'disk.controller-twice': ({ controllers, unlooked }) => ({
    title: `${unlooked.length ? 'Perhaps ' : ''}${controllers.length} floppy controllers at one address`,
    sentence: `${capital(and(controllers.map(ownerName)))}: switch all but one of them off, or give a second one addresses of its own.${unlooked.length ? ` Nobody looked at ${and([...new Set(unlooked)])}.` : ''}`,
    why: 'Two controllers at one address hide each other.'
  }),
  'disk.power': (f) =>
    f.why === 'adapter'
      ? {
          title: `${f.drive.name} needs a power adapter`,
          sentence: `${the(f.supply)} has large connectors only: use an adapter from large to small, and match the bevelled corners.`,
          why: 'A drive has a power lead of its own, or sits on a card in a slot.'
        }
      : {
          title: `${f.drive.name} gets no power`,
          sentence: noPower[f.why](ownerName(f.controller)),
          why: 'A drive has a power lead of its own, takes its power over its data cable, or sits on a card in a slot.'
        },
  'bay.out': ({ drive, bay, holds, isSeen }) => ({
    title: `${drive.name} is not in the machine now`,
    sentence: `${capital(bay)} ${isSeen ? 'holds' : 'is taken to hold'}: ${holds}. The drive is there only while its module is in the bay.`,
    why: 'A bay takes one module at a time.'
  }),
  'bay.no-battery': ({ machine, bays: open, isSeen }) => ({
    title: 'No battery in this layout',
    sentence: `With the modules as they ${isSeen ? 'are' : 'are taken to be'}, ${the(machine)} runs from its mains adapter only: pulling the plug switches it off.${
      open.length ? ` A battery goes into: ${open.join(', ')}.` : ''
    }`,
    why: 'Its battery shares a bay with other modules.'
  }),
  'bay.size': ({ drive, bay, chassis }) => ({
    title: `No bay for ${drive.name}`,
    sentence: `It needs ${bays[bay] ?? 'a bay'}, and ${the(chassis)} has none left.`,
    why: 'A drive needs a bay of its size, or rails.'
  }),
  'bay.rails': ({ drive }) => ({
    title: `${drive.name} needs rails`,
    sentence: 'It goes into a 5.25 inch bay: you need rails and a bezel that fits.',
    why: 'A drive needs a bay of its size, or rails.'
  }),
  'drive.tried': ({ drive, not, last }) => ({
    title: `${drive.name} did not work on this board`,
    sentence: `It was tried here ${not === 1 ? 'once' : `${not} times`}${last ? `, last on ${last}` : ''}, and did not work as it should. Find out why before you rely on it.`,
    why: 'What was tried with this very drive stands above everything that is known of its kind.'
  }),
  'floppy.rate': ({ drive, kib, smaller, controller, rate, needed, worked }) => ({
    title: `The controller is too slow for ${floppyName(kib)}`,
    sentence: `${capital(ownerName(controller))} runs at ${rate} kbit/s at most, and ${floppyName(kib)} needs ${needed}. ${otherImage(drive, smaller, `${drive.name} will not read its own disks, or only the smaller kind.`)}${workedWords(worked)}`,
    why: 'The controller must have the data rate of the drive.'
  }),
  'floppy.bios': ({ drive, kib, smaller, bios, knows, driverHelps, worked }) => ({
    title: `The BIOS does not support ${floppyName(kib)}`,
    sentence: `${bios} supports up to ${floppyName(knows)}. ${otherImage(
      drive,
      smaller,
      driverHelps
        ? 'A driver line (DRIVER.SYS or DRIVPARM) usually makes the drive work, but you cannot boot from it.'
        : 'Use a controller with its own ROM, or another drive.'
    )}${workedWords(worked)}`,
    why: 'The BIOS must know the type of floppy drive.'
  }),
  'floppy.start': ({ drives: list, bios, knows }) => ({
    title: 'Nothing that is entered starts this machine',
    sentence: `${bios} needs a driver line for ${and(list.map(the))}, and that line is read only once something has started. At best it starts from a disk formatted there as ${floppyName(knows)}. Add a drive of up to ${floppyName(knows)}, a hard disk, or a controller with its own ROM.`,
    why: 'A driver line stands in CONFIG.SYS, which DOS reads from the drive that it started from.'
  }),
  'floppy.image': ({ drive, kib }) => ({
    title: `${drive.name}: images of ${floppyName(kib)} at most`,
    sentence: `Controller, BIOS or DOS take no larger ones here. Set it to ${floppyName(kib)} images; where it is set otherwise, record that under Disks, Floppies.`,
    why: 'An emulator takes one format of images at a time, and works as a drive of that format.'
  }),
  'floppy.dos': ({ drive, kib, smaller, dos, needs }) => ({
    title: `DOS ${dos} does not support ${floppyName(kib)}`,
    sentence: `It came with DOS ${needs}. ${otherImage(drive, smaller, `With DOS ${dos} the drive works as a smaller one or not at all.`)}`,
    why: 'Each floppy format came with a version of DOS.'
  }),
  'disk.boot': ({ scsi, ata }) => ({
    title: `The machine boots from ${ata.name}, not from ${scsi.name}`,
    sentence: `${the(ata)} is run by the BIOS and gets C:; ${the(scsi)} comes after it, whatever its ID. Some later setups have "SCSI first"; else leave the ATA disk out of the setup.`,
    why: 'A BIOS boots from its own disks before those that a ROM on a card runs.'
  }),
  'disk.rom': ({ drive, bios }) => ({
    title: `Nothing boots ${drive.name}`,
    sentence: `${bios} has no hard-disk code: the controller needs a ROM of its own.`,
    why: 'Without hard-disk code in the BIOS a controller needs its own ROM.'
  }),
  'rom.unscanned': ({ card, bios }) => ({
    title: `The ROM of ${card.name} is never called`,
    sentence: `${bios} does not look for ROMs on cards: ${the(card)} stays dead. Fit a later BIOS.`,
    why: 'The very first BIOS has no search for ROMs on cards; the next version has.'
  })
};
