import type { DriveInterface } from '../model';
import { chainsOf, faultsOf, type Fault } from '../cabling';
import { hasOwnRom } from '../disks';
import { cablesOf, placeDrives, speaks, type Cabled } from '../kit';
import { systemOf } from '../software';
import { biosTakes, controllerRate, floppyDos, floppyName, floppyRate } from '../storage';
import { rule, type Rule, type Said, type Situation } from './rule';

const named: Record<DriveInterface, string> = {
  st506: 'MFM (34 and 20 pins)',
  rll: 'RLL (34 and 20 pins)',
  esdi: 'ESDI (34 and 20 pins)',
  xta: '8-bit IDE (40 pins)',
  ata: 'ATA (40 pins)',
  scsi: 'SCSI',
  floppy: 'floppy (34 pins)',
  'cd-panel': 'a CD-ROM panel interface',
  'one-cable': 'the one cable of a certain system board, power inside',
  usb: 'USB'
};
/** Interfaces whose plugs are taken for each other. */
const alike: readonly (readonly DriveInterface[])[] = [
  ['st506', 'rll', 'esdi'],
  ['xta', 'ata', 'cd-panel', 'one-cable']
];
const looksLike = (a: DriveInterface, b: DriveInterface) =>
  a !== b && alike.some((group) => group.includes(a) && group.includes(b));

const diskInterface = rule(
  'disk.interface',
  'Drive and controller must speak the same, whatever their plugs look like.',
  (s) =>
    cablesOf(s.kit).flatMap(({ drive, controller, told }): Said[] => {
      const wanted = drive.part.drive!.interface;
      if (controller && speaks(controller, wanted)) {
        return controller.isOn
          ? []
          : [
              {
                severity: 'clash',
                about: [drive.item.id, { item: controller.item, function: controller.fn.id }],
                title: `${drive.title} hangs on something switched off`,
                sentence: `${controller.title} is switched off: the drive will not be found.`
              }
            ];
      }
      const twin = s.kit.controllers.find((c) => (c.fn.speaks ?? []).some((x) => looksLike(x, wanted)));
      const trap = twin
        ? ` ${twin.title} has a plug that looks the same and speaks ${named[twin.fn.speaks!.find((x) => looksLike(x, wanted))!]}: not compatible.`
        : '';
      const full = s.kit.controllers.some((c) => c.isOn && speaks(c, wanted));
      return [
        {
          severity: 'clash',
          about: [drive.item.id, ...(controller && told ? [controller.item] : [])],
          title: `Nothing runs ${drive.title}`,
          sentence: full
            ? `Every controller for ${named[wanted]} has its drives already.`
            : `It speaks ${named[wanted]}, and ${controller ? `${controller.title} does not` : 'nothing in the machine does'}.${trap}`
        }
      ];
    })
);

const twice = rule('disk.controller-twice', 'Two controllers at one address hide each other.', (s) => {
  const disks = s.kit.controllers.filter((c) => c.isOn && c.fn.kind === 'floppy');
  return disks.length > 1 && disks.some((c) => c.onBoard)
    ? [
        {
          severity: 'caution',
          about: disks.map((c) => ({ item: c.item, function: c.fn.id })),
          title: 'Two floppy controllers are on',
          sentence:
            'Switch the one of the board off, or the one of the card, unless you gave the second its own addresses.'
        }
      ]
    : [];
});

const floppies = (s: Situation) =>
  cablesOf(s.kit).filter((c) => c.drive.part.drive!.interface === 'floppy' && c.drive.part.drive!.floppyKiB);
const kib = (c: Cabled) => c.drive.part.drive!.floppyKiB!;

const floppyRates = rule('floppy.rate', 'The controller must have the data rate of the drive.', (s) =>
  floppies(s)
    .filter((c) => c.controller && floppyRate(kib(c)) > controllerRate(c.controller.fn.floppyKiB))
    .map((c) => ({
      severity: 'clash' as const,
      about: [c.drive.item.id, c.controller!.item],
      title: `${c.controller!.title} is too slow for ${floppyName(kib(c))}`,
      sentence: `It ends at ${controllerRate(c.controller!.fn.floppyKiB)} kbit/s, and ${floppyName(kib(c))} takes ${floppyRate(kib(c))}: ${c.drive.title} will not read its own floppies, or only the smaller kind.`
    }))
);

const floppyBios = rule('floppy.bios', 'The BIOS must know the kind of floppy drive.', (s) => {
  const known = s.kit.firmware?.firmware?.floppyKiB;
  if (!known) return [];
  return floppies(s)
    .filter((c) => kib(c) > known && c.controller && !hasOwnRom(s.kit, c.controller))
    .map((c): Said => {
      const helped = biosTakes(known, kib(c)) === 'driver';
      return {
        severity: helped ? 'caution' : 'clash',
        about: [c.drive.item.id],
        title: `The BIOS does not know ${floppyName(kib(c))}`,
        sentence: helped
          ? `${s.kit.firmware!.name} knows up to ${floppyName(known)}; a driver line (DRIVER.SYS or DRIVPARM) mostly makes it work, but not for starting from it.`
          : `${s.kit.firmware!.name} knows up to ${floppyName(known)}: use a controller with its own ROM, or another drive.`
      };
    });
});

const floppyDosRule = rule('floppy.dos', 'Each floppy format came with a version of DOS.', (s) => {
  const { dos } = systemOf(s.kit.build.brief.os);
  if (dos === null) return [];
  return floppies(s)
    .filter((c) => floppyDos(kib(c)) > dos)
    .map((c) => ({
      severity: 'clash' as const,
      about: [c.drive.item.id],
      title: `DOS ${dos} does not know ${floppyName(kib(c))}`,
      sentence: `It wants DOS ${floppyDos(kib(c))} or later: the drive is used as a smaller one or not at all.`
    }));
});

const cabling = rule('drive.cabling', 'Drives on one cable are told apart by their jumpers.', (s) =>
  chainsOf(s.kit).flatMap((chain): Said[] =>
    faultsOf(chain).map((fault) => ({ ...fault, why: cablingWhy[fault.rule] }))
  )
);
const cablingWhy: Record<Fault['rule'], string> = {
  'ata.select': 'An ATA cable has one master, or a single, and one slave; or both by cable select.',
  'st506.select':
    'The controller selects by a line of the cable; the twist in lines 25 to 29 exchanges two of them.',
  'scsi.id': 'Each device on a SCSI bus has a number of its own, 0 to 7, the adapter usually 7.',
  'scsi.termination': 'A SCSI bus is terminated at exactly its two physical ends.',
  'floppy.cable':
    'A floppy controller has a select and a motor line for each drive; the twist in lines 10 to 16 exchanges them.'
};

const power = rule('disk.power', 'A drive has a power lead of its own, or sits on a card in a slot.', (s) =>
  cablesOf(s.kit).flatMap(({ drive, controller }): Said[] => {
    const { plug } = drive.part.drive!;
    const leads = s.kit.supply?.part.supply?.plugs;
    if (plug === 'slot' && controller && (controller.onBoard || !s.m.find(controller.item)?.slot))
      return [
        {
          severity: 'clash',
          about: [drive.item.id, controller.item],
          title: `${drive.title} gets no power`,
          sentence: `It sits on its card and takes its power from the slot; ${controller.title} is in none.`
        }
      ];
    if (plug === 'small' && leads && leads.small === 0 && leads.large > 0)
      return [
        {
          severity: 'note',
          about: [drive.item.id],
          title: `${drive.title} needs an adapter for its power`,
          sentence: `${s.kit.supply!.title} has large leads only: an adapter from large to small, notch to notch.`
        }
      ];
    return [];
  })
);

const needText = {
  'full-5': 'a full-height bay of 5.25 inch',
  'half-5': 'a bay of 5.25 inch',
  'half-3': 'a bay of 3.5 inch, or of 5.25 inch with rails',
  'third-3': 'a bay of 3.5 inch, or of 5.25 inch with rails'
} as const;

const bays = rule('bay.size', 'A drive needs a bay of its size, or rails.', (s) =>
  placeDrives(s.kit).flatMap(({ drive, bay, rails }): Said[] => {
    if (bay === null)
      return [
        {
          severity: 'clash',
          about: [drive.item.id, s.kit.chassis!.item.id],
          title: `No bay for ${drive.title}`,
          sentence: `It wants ${needText[drive.part.drive!.bay as 'half-5']}, and ${s.kit.chassis!.title} has none left.`
        }
      ];
    return rails === 'missing'
      ? [
          {
            severity: 'note',
            about: [drive.item.id],
            title: `${drive.title} needs rails`,
            sentence: 'It sits in a 5.25 inch bay: rails and a bezel that fits.'
          }
        ]
      : [];
  })
);

export const driveRules: readonly Rule[] = [
  diskInterface,
  twice,
  floppyRates,
  floppyBios,
  floppyDosRule,
  cabling,
  power,
  bays
];
