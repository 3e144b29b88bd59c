import type { DriveInterface } from '../model';
import { cablesOf, placeDrives, speaks, type Cabled, type Controller, type Placed } from '../kit';
import { barriers, fitTypes, sizeWords } from '../storage';
import { systemOf } from '../software';
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
  usb: 'USB'
};
/** Interfaces whose plugs are taken for each other. */
const alike: readonly (readonly DriveInterface[])[] = [
  ['st506', 'rll', 'esdi'],
  ['xta', 'ata', 'cd-panel']
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

const hasRom = (s: Situation, c: Controller) =>
  s.m
    .find(c.item)
    ?.part.functions.some((fn) => fn.claims.some((k) => k.resource === 'memory' && k.use === 'rom')) ?? false;

/** Hard disks that the BIOS of the board runs: no ROM of a card takes over. */
function biosDisks(s: Situation): { drive: Placed; controller: Controller }[] {
  return cablesOf(s.kit).flatMap(({ drive, controller }) => {
    const { medium, interface: kind } = drive.part.drive!;
    const own = controller && ['hard', 'flash'].includes(medium) && kind !== 'scsi';
    return own && !(hasRom(s, controller) && !controller.onBoard) ? [{ drive, controller }] : [];
  });
}

const diskRom = rule(
  'disk.rom',
  'Without hard-disk code in the BIOS a controller needs a ROM of its own.',
  (s) => {
    const disk = s.kit.firmware?.firmware?.disk;
    if (!disk || (disk.translation !== 'rom' && disk.types > 0)) return [];
    return biosDisks(s).map(({ drive, controller }) => ({
      severity: 'clash' as const,
      about: [drive.item.id, controller.item],
      title: `Nothing starts ${drive.title}`,
      sentence: `${s.kit.firmware!.name} knows no hard disks: the controller needs a ROM of its own.`
    }));
  }
);

const diskLimit = rule('disk.limit', 'Each layer sees only so much of a drive.', (s) => {
  const disk = s.kit.firmware?.firmware?.disk;
  if (!disk || disk.translation === 'rom' || disk.types === 0) return [];
  const { translation, cylinders } = disk;
  const { dos } = systemOf(s.kit.build.brief.os);
  return biosDisks(s).flatMap(({ drive }): Said[] => {
    const { geometry, sectors } = drive.part.drive!;
    if (!geometry) return [];
    const [nearest] = barriers({
      physical: geometry,
      ...(sectors ? { total: sectors } : {}),
      translation,
      dos,
      // A field of 12 bits; wider ones end beyond what such a BIOS translates.
      ...(cylinders === 4096 ? { biosCylinders: cylinders } : {})
    });
    if (!nearest || nearest.id === 'reports-16383') return [];
    return [
      {
        rule: `disk.limit.${nearest.id}`,
        severity: nearest.id === 'heads-256' ? 'clash' : 'caution',
        about: [drive.item.id],
        title: `${drive.title} is larger than the ${nearest.who} sees`,
        sentence: `Expect ${nearest.symptom}. All is well up to ${sizeWords(nearest.sectors)}. Ways past it: ${nearest.ways.join(', ')}.`,
        why: `${nearest.cause.charAt(0).toUpperCase()}${nearest.cause.slice(1)}.`
      }
    ];
  });
});

const diskType = rule('disk.type', 'The oldest setups have a table of types and none to fill in.', (s) => {
  const disk = s.kit.firmware?.firmware?.disk;
  if (!disk || disk.user || disk.translation === 'rom' || disk.types === 0) return [];
  return biosDisks(s).flatMap(({ drive }): Said[] => {
    const { geometry, interface: kind } = drive.part.drive!;
    const best = geometry && fitTypes(geometry, kind === 'ata', disk.types)[0];
    return best
      ? [
          {
            severity: 'note',
            about: [drive.item.id],
            title: `${drive.title}: type ${best.type.type}`,
            sentence: `${s.kit.firmware!.name} has ${disk.types} types and none to fill in. Type ${best.type.type} (${best.type.cylinders} × ${best.type.heads} × ${best.type.sectors}) uses most: ${sizeWords(best.used)}, ${sizeWords(best.lost)} stay unused.`
          }
        ]
      : [];
  });
});

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

const floppyName: Record<number, string> = {
  360: '360K',
  720: '720K',
  1200: '1.2M',
  1440: '1.44M',
  2880: '2.88M'
};
const floppyDos: Record<number, number> = { 360: 2, 720: 3.2, 1200: 3, 1440: 3.3, 2880: 5 };
const floppies = (s: Situation) =>
  cablesOf(s.kit).filter((c) => c.drive.part.drive!.interface === 'floppy' && c.drive.part.drive!.floppyKiB);
const kib = (c: Cabled) => c.drive.part.drive!.floppyKiB!;

const floppyRate = rule('floppy.rate', 'The controller must have the data rate of the drive.', (s) =>
  floppies(s)
    .filter((c) => c.controller && kib(c) > (c.controller.fn.floppyKiB ?? 2880))
    .map((c) => ({
      severity: 'clash' as const,
      about: [c.drive.item.id, c.controller!.item],
      title: `${c.controller!.title} is too slow for ${floppyName[kib(c)]}`,
      sentence: `Its fastest is ${floppyName[c.controller!.fn.floppyKiB!]}: ${c.drive.title} will not read its own floppies, or only the smaller kind.`
    }))
);

const floppyBios = rule('floppy.bios', 'The BIOS must know the kind of floppy drive.', (s) => {
  const known = s.kit.firmware?.firmware?.floppyKiB;
  if (!known) return [];
  return floppies(s)
    .filter((c) => kib(c) > known && c.controller && !(hasRom(s, c.controller) && !c.controller.onBoard))
    .map((c): Said => {
      const helped = kib(c) === 720 || (kib(c) === 1440 && known >= 1200);
      return {
        severity: helped ? 'caution' : 'clash',
        about: [c.drive.item.id],
        title: `The BIOS does not know ${floppyName[kib(c)]}`,
        sentence: helped
          ? `${s.kit.firmware!.name} knows up to ${floppyName[known]}; a driver line (DRIVER.SYS or DRIVPARM) mostly makes it work, but not for starting from it.`
          : `${s.kit.firmware!.name} knows up to ${floppyName[known]}: use a controller with its own ROM, or another drive.`
      };
    });
});

const floppyDosRule = rule('floppy.dos', 'Each floppy format came with a version of DOS.', (s) => {
  const { dos } = systemOf(s.kit.build.brief.os);
  if (dos === null) return [];
  return floppies(s)
    .filter((c) => floppyDos[kib(c)] > dos)
    .map((c) => ({
      severity: 'clash' as const,
      about: [c.drive.item.id],
      title: `DOS ${dos} does not know ${floppyName[kib(c)]}`,
      sentence: `It wants DOS ${floppyDos[kib(c)]} or later: the drive is used as a smaller one or not at all.`
    }));
});

const units = rule('drive.unit', 'Two drives on one cable need different numbers.', (s) => {
  const groups = new Map<string, Cabled[]>();
  for (const c of cablesOf(s.kit))
    if (c.controller && c.unit) {
      const key = `${c.controller.item}/${c.controller.fn.id}`;
      groups.set(key, [...(groups.get(key) ?? []), c]);
    }
  return [...groups.values()].flatMap((list): Said[] => {
    const kind = list[0].drive.part.drive!.interface;
    const id =
      kind === 'scsi'
        ? 'scsi.id'
        : kind === 'ata'
          ? 'ata.select'
          : kind === 'floppy'
            ? 'floppy.cable'
            : 'st506.select';
    const seen = new Map<string, Cabled>();
    const out: Said[] = [];
    for (const c of list) {
      const other = seen.get(c.unit!);
      if (other)
        out.push({
          rule: id,
          severity: 'clash',
          about: [c.drive.item.id, other.drive.item.id],
          title: `${c.drive.title} and ${other.drive.title} are both ${c.unit}`,
          sentence: 'Neither is found, or both answer at once. Give one of them another number.'
        });
      seen.set(c.unit!, c);
      if (kind === 'scsi' && c.unit === '7')
        out.push({
          rule: id,
          severity: 'clash',
          about: [c.drive.item.id, c.controller!.item],
          title: `${c.drive.title} has the adapter’s number`,
          sentence: 'The host adapter is usually 7: give the drive a number from 0 to 6.'
        });
    }
    if (kind === 'ata' && list.length === 1 && list[0].unit === 'slave')
      out.push({
        rule: id,
        severity: 'caution',
        about: [list[0].drive.item.id],
        title: `${list[0].drive.title} is a lone slave`,
        sentence: 'Old hosts do not find it: set it to master or single.'
      });
    return out;
  });
});

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
  diskRom,
  diskLimit,
  diskType,
  twice,
  floppyRate,
  floppyBios,
  floppyDosRule,
  units,
  bays
];
