import { thingOf, type DriveFacts, type DriveInterface, type OfferedFix } from '../model';
import { chainsOf, faultsOf } from '../cabling';
import {
  cablesOf,
  carries,
  hasOwnRom,
  imageOf,
  placeDrives,
  speaks,
  type Cabled,
  type Controller,
  type ImageFormat
} from '../kit';
import { meet, triedOnBoard, unlookedBehind, type TriedHere } from '../resources';
import { systemOf } from '../software';
import { controllerRate, floppyDos, floppyRate, isQuickEnough, startsFrom, takenBy } from '../storage';
import type { Case } from './finding';
import { driveOut, noBattery } from './module-bays';
import { waitingFor, type Rule, type Situation } from './rule';

/** Interfaces whose plugs are taken for each other. */
const alike: readonly (readonly DriveInterface[])[] = [
  ['st506', 'rll', 'esdi'],
  ['xta', 'ata', 'cd-panel', 'one-cable']
];
const looksLike = (a: DriveInterface, b: DriveInterface) =>
  a !== b && alike.some((group) => group.includes(a) && group.includes(b));

/** Drive and controller must speak the same, whatever their plugs look like. */
const diskInterface: Rule = (s) =>
  cablesOf(s.kit).flatMap(({ drive, controller, told }): Case[] => {
    const needs = drive.part.drive.interface;
    const it = thingOf(drive);
    const out = controller ? null : driveOut(s, drive);
    if (out) return [out];
    if (controller && carries(controller, needs) && !controller.isOn)
      return [
        {
          rule: 'disk.interface',
          about: [drive.item.id, { item: controller.item, function: controller.fn.id }],
          facts: { drive: it, needs, why: 'off', controller: controller.owner }
        }
      ];
    if (controller && speaks(controller, needs)) return [];
    // MFM and RLL are two codings of one interface: it runs, at another capacity or without a promise.
    if (controller && carries(controller, needs))
      return [
        {
          rule: 'disk.coding',
          about: [drive.item.id, { item: controller.item, function: controller.fn.id }],
          facts: {
            drive: it,
            controller: controller.owner,
            drives: needs === 'rll' ? 'rll' : 'mfm'
          }
        }
      ];
    const about = [drive.item.id, ...(controller && told ? [controller.item] : [])];
    const isElsewhere = controller !== null && told;
    if (!isElsewhere && s.kit.controllers.some((c) => c.isOn && carries(c, needs)))
      return [{ rule: 'disk.interface', about, facts: { drive: it, needs, why: 'full' } }];
    const [twin] = s.kit.controllers.flatMap(({ owner, fn }) => {
      const speaks = fn.speaks?.find((x) => looksLike(x, needs));
      return speaks ? [{ owner, speaks }] : [];
    });
    return [
      {
        rule: 'disk.interface',
        about,
        facts: {
          drive: it,
          needs,
          why: 'other',
          controller: controller && controller.owner,
          waiting: waitingFor(s, (card) => card.functions.some((fn) => fn.speaks?.includes(needs))),
          trap: twin ? { controller: twin.owner, speaks: twin.speaks } : null
        }
      }
    ];
  });

/** Two controllers at one address hide each other; one that was given other ports is beside the point. */
const twice: Rule = (s) => {
  const on = s.kit.controllers.filter((c) => c.isOn && c.fn.kind === 'floppy');
  const own = on.find((c) => c.onBoard);
  if (!own) return [];
  const portsOf = (c: Controller) =>
    s.lines.filter((l) => l.item === c.item && l.function === c.fn.id && l.resource === 'io');
  const meets = (c: Controller) => portsOf(c).some((a) => portsOf(own).some((b) => meet(a, b)));
  // Of which nobody looked at the switch, or no port is known, it may be any.
  const unlooked = (c: Controller) => (meets(c) ? [] : unlookedBehind(s.m, ...portsOf(c)));
  const rivals = on.filter((c) => c !== own && (meets(c) || !portsOf(c).length || unlooked(c).length));
  return rivals.length
    ? [
        {
          rule: 'disk.controller-twice',
          about: [own, ...rivals].map((c) => ({ item: c.item, function: c.fn.id })),
          facts: {
            controllers: [own, ...rivals].map((c) => c.owner),
            unlooked: rivals.flatMap(unlooked).map(({ setting, of }) => `${setting} of ${of}`)
          }
        }
      ]
    : [];
};

/** `image`: of a floppy emulator what it is set to. */
type Floppy = Cabled & { kib: number; image: ImageFormat | null };
const floppies = (s: Situation): Floppy[] =>
  cablesOf(s.kit).flatMap((c) => {
    const { interface: speaks, floppyKiB } = c.drive.part.drive;
    const image = imageOf(s.kit, c, systemOf(s.kit.build.brief.os).dos);
    return speaks === 'floppy' && floppyKiB ? [{ ...c, kib: image?.kib ?? floppyKiB, image }] : [];
  });

/** What every finding of a floppy drive says, and the fix where it is an emulator that is set to something else. */
const floppyFacts = ({ drive, kib, image }: Floppy) => {
  const smaller = image?.works.at(-1) ?? null;
  return { drive: thingOf(drive), kib, smaller };
};
const imageFixes = ({ drive, image }: Floppy): OfferedFix[] => {
  const kib = image?.works.at(-1);
  return kib === undefined
    ? []
    : [{ label: { kind: 'image', kib }, fix: { action: 'image', item: drive.item.id, kib } }];
};

/** What was tried with this very drive on this board, where it worked. */
const worked = (s: Situation, { drive }: Cabled): TriedHere | null => {
  const tries = triedOnBoard(drive.item, s.kit.build.board.part);
  return tries.works ? tries : null;
};

/** A drive that was tried on this board and never worked there. */
const triedInVain: Rule = (s) =>
  s.kit.drives.flatMap((drive): Case[] => {
    const { works, not, last } = triedOnBoard(drive.item, s.kit.build.board.part);
    return not && !works
      ? [{ rule: 'drive.tried', about: [drive.item.id], facts: { drive: thingOf(drive), not, last } }]
      : [];
  });

/** The controller must have the data rate of the drive. */
const floppyRates: Rule = (s) =>
  floppies(s).flatMap((c): Case[] => {
    const { controller, kib } = c;
    if (!controller || isQuickEnough(controller.fn.floppyKiB, kib)) return [];
    return [
      {
        rule: 'floppy.rate',
        severity: worked(s, c) ? 'caution' : 'clash',
        about: [c.drive.item.id, controller.item],
        fixes: imageFixes(c),
        facts: {
          ...floppyFacts(c),
          controller: controller.owner,
          rate: controllerRate(controller.fn.floppyKiB),
          needed: floppyRate(kib),
          worked: worked(s, c)
        }
      }
    ];
  });

/** The BIOS must know the kind of floppy drive. */
const floppyBios: Rule = (s) => {
  const bios = s.kit.firmware;
  const knows = bios?.firmware?.floppyKiB;
  if (!bios || !knows) return [];
  return floppies(s).flatMap((c): Case[] => {
    const by = takenBy(knows, c.controller !== null && hasOwnRom(s.kit, c.controller), c.kib);
    if (!c.controller || (by !== 'driver' && by !== 'nothing')) return [];
    const driverHelps = by === 'driver';
    return [
      {
        rule: 'floppy.bios',
        severity: driverHelps || worked(s, c) ? 'caution' : 'clash',
        about: [c.drive.item.id],
        fixes: imageFixes(c),
        facts: {
          ...floppyFacts(c),
          bios: bios.name,
          knows,
          driverHelps,
          worked: worked(s, c)
        }
      }
    ];
  });
};

/** A drive that wants a driver line starts nothing, unless its controller has a ROM or it was seen to. */
const nothingStarts: Rule = (s) => {
  const bios = s.kit.firmware;
  const knows = bios?.firmware?.floppyKiB;
  const floppy = floppies(s).filter((c) => c.controller);
  if (!bios || !knows || !floppy.length) return [];
  const { dos } = systemOf(s.kit.build.brief.os);
  const run = cablesOf(s.kit).flatMap((c): Pick<DriveFacts, 'medium' | 'floppyKiB'>[] => {
    if (!c.controller) return [];
    const { medium, floppyKiB } = c.drive.part.drive;
    // An emulator starts with what it is set to, as a drive of that format does.
    const image = imageOf(s.kit, c, dos);
    return image ? [{ medium: 'floppy', floppyKiB: image.kib }] : [{ medium, floppyKiB }];
  });
  const helped = floppy.some((c) => worked(s, c) || (c.controller && hasOwnRom(s.kit, c.controller)));
  return helped || startsFrom(run, knows)
    ? []
    : [
        {
          rule: 'floppy.start',
          about: floppy.map((c) => c.drive.item.id),
          facts: { drives: floppy.map((c) => thingOf(c.drive)), bios: bios.name, knows }
        }
      ];
};

/** Each floppy format came with a version of DOS. */
const floppyDosRule: Rule = (s) => {
  const { dos } = systemOf(s.kit.build.brief.os);
  if (dos === null) return [];
  return floppies(s)
    .filter((c) => floppyDos(c.kib) > dos)
    .map((c): Case => ({
      rule: 'floppy.dos',
      about: [c.drive.item.id],
      fixes: imageFixes(c),
      facts: { ...floppyFacts(c), dos, needs: floppyDos(c.kib) }
    }));
};

/** An emulator of which nobody said what it is set to, where not all that it can be set to works. */
const floppyImage: Rule = (s) =>
  floppies(s).flatMap((c): Case[] => {
    const most = c.drive.part.drive.floppyKiB;
    if (!c.image || c.image.told || !c.image.works.length || most === undefined || c.kib >= most) return [];
    const facts = { drive: thingOf(c.drive), kib: c.kib };
    return [{ rule: 'floppy.image', about: [c.drive.item.id], fixes: imageFixes(c), facts }];
  });

/** Drives on one cable are told apart by their jumpers, and a bus is terminated at its ends. */
const cabling: Rule = (s) => chainsOf(s.kit).flatMap((chain): Case[] => faultsOf(chain));

/** Adapters that bring a power lead to a drive which is fed over its data cable. */
const bringsLead = ({ kit }: Situation): boolean =>
  kit.adapters.some((a) => [a.part.adapter?.from, a.part.adapter?.to].includes('ata-44'));

function powerless(
  s: Situation,
  plug: DriveFacts['plug'],
  controller: Cabled['controller']
): 'cable' | 'no-lead' | null {
  if (plug === 'cable') return controller && !controller.fn.feeds && !bringsLead(s) ? 'cable' : null;
  const isLead = plug === 'large' || plug === 'small';
  return isLead && s.kit.facts.closed && controller?.fn.feeds ? 'no-lead' : null;
}

/** A drive has a power lead of its own, or sits on a card in a slot. */
const power: Rule = (s) =>
  cablesOf(s.kit).flatMap(({ drive, controller }): Case[] => {
    const { plug } = drive.part.drive;
    const { supply } = s.kit;
    const leads = supply?.part.supply.plugs;
    if (plug === 'slot' && controller && (controller.onBoard || !s.m.find(controller.item)?.slot))
      return [
        {
          rule: 'disk.power',
          about: [drive.item.id, controller.item],
          facts: { drive: thingOf(drive), why: 'slot', controller: controller.owner }
        }
      ];
    const none = powerless(s, plug, controller);
    if (none && controller)
      return [
        {
          rule: 'disk.power',
          about: [drive.item.id, controller.item],
          facts: { drive: thingOf(drive), why: none, controller: controller.owner }
        }
      ];
    if (plug === 'small' && supply && leads && leads.small === 0 && leads.large > 0)
      return [
        {
          rule: 'disk.power',
          severity: 'note',
          about: [drive.item.id],
          facts: { drive: thingOf(drive), why: 'adapter', supply: thingOf(supply) }
        }
      ];
    return [];
  });

/** A drive needs a bay of its size, or rails. */
const bays: Rule = (s) =>
  placeDrives(s.kit).flatMap(({ drive, bay, rails }): Case[] => {
    const { chassis } = s.kit;
    if (bay === null && chassis)
      return [
        {
          rule: 'bay.size',
          about: [drive.item.id, chassis.item.id],
          facts: {
            drive: thingOf(drive),
            bay: drive.part.drive.bay,
            chassis: thingOf(chassis)
          }
        }
      ];
    return rails === 'missing'
      ? [{ rule: 'bay.rails', about: [drive.item.id], facts: { drive: thingOf(drive) } }]
      : [];
  });

export const driveRules: readonly Rule[] = [
  diskInterface,
  twice,
  floppyRates,
  floppyImage,
  triedInVain,
  floppyBios,
  nothingStarts,
  floppyDosRule,
  cabling,
  power,
  bays,
  noBattery
];
