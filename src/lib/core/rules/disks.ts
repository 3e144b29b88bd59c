import { choicesFor, disksOf, standing } from '../disks';
import { thingOf, type FunctionKind } from '../model';
import { isOn } from '../resources';
import type { Barrier } from '../storage';
import type { Case } from './finding';
import type { Rule, Situation } from './rule';

/** Hard disks that the BIOS of the board runs: no ROM of a card takes over. */
const biosDisks = (s: Situation) =>
  disksOf(s.kit).flatMap((d) =>
    d.controller !== null && d.facts?.isRom !== true ? [{ ...d, controller: d.controller }] : []
  );

/** Without hard-disk code in the BIOS a controller needs a ROM of its own. */
const diskRom: Rule = (s) => {
  const bios = s.kit.firmware;
  const disk = bios?.firmware.disk;
  if (!disk || (disk.translation !== 'rom' && disk.types > 0)) return [];
  return biosDisks(s).map(({ drive, controller }): Case => ({
    rule: 'disk.rom',
    about: [drive.item.id, controller.item],
    facts: { drive: thingOf(drive), bios: bios.name }
  }));
};

const needsRom: readonly FunctionKind[] = ['hard-disk', 'scsi', 'floppy', 'rom', 'network'];

/** The first BIOSes look for no ROM on cards: what needs one is dead, a display included. */
const unscanned: Rule = (s) => {
  const bios = s.kit.firmware;
  if (bios?.firmware.scansRoms !== false) return [];
  return s.m.fitted.flatMap((f): Case[] => {
    if (!f.slot) return [];
    const dead = f.part.functions.filter(
      (fn) =>
        isOn(f, fn, s.at) &&
        (needsRom.includes(fn.kind) || fn.kind === 'display') &&
        fn.claims.some((c) => c.resource === 'memory' && c.use === 'rom')
    );
    return dead.length
      ? [
          {
            rule: 'rom.unscanned',
            about: dead.map((fn) => ({ item: f.item.id, function: fn.id })),
            facts: { card: thingOf(f), bios: bios.name }
          }
        ]
      : [];
  });
};

/** The BIOS starts from its own disks before those of a ROM on a card. */
const bootOrder: Rule = (s) => {
  const hard = disksOf(s.kit).filter(
    (d) => d.controller !== null && ['hard', 'flash'].includes(d.drive.part.drive.medium)
  );
  const scsi = hard.find((d) => d.drive.part.drive.interface === 'scsi');
  const ata = hard.find((d) => d.drive.part.drive.interface === 'ata' && d.facts?.isRom !== true);
  return scsi && ata
    ? [
        {
          rule: 'disk.boot',
          about: [scsi.drive.item.id, ata.drive.item.id],
          facts: { scsi: thingOf(scsi.drive), ata: thingOf(ata.drive) }
        }
      ]
    : [];
};

/** Barriers that another rule tells, or that only change what is displayed. */
const toldElsewhere = new Set<Barrier['id']>(['reports-16383', 'one-partition', 'tool-64g']);

/** Each layer sees only so much of a drive. */
const diskLimit: Rule = (s) =>
  disksOf(s.kit).flatMap((disk): Case[] => {
    const [barrier] = standing(disk).filter((b) => !toldElsewhere.has(b.id));
    if (!disk.controller || !barrier) return [];
    const { drive } = disk;
    const best = choicesFor(disk).find((c) => c.works && c.geometry);
    const geometry = best?.geometry;
    const type = best?.id === 'type' && (best.usable ?? Infinity) < barrier.sectors ? best : null;
    return [
      {
        rule: 'disk.limit',
        key: barrier.id,
        severity: barrier.id === 'heads-256' ? 'clash' : 'caution',
        about: [drive.item.id],
        facts: {
          drive: thingOf(drive),
          barrier,
          usable: type?.usable ?? barrier.sectors,
          type: type?.type ?? null
        },
        fixes:
          best && geometry
            ? [
                {
                  label:
                    best.type === 'user'
                      ? { kind: 'geometry', cylinders: geometry.cylinders }
                      : { kind: 'drive-type', type: best.type },
                  fix: {
                    action: 'declare',
                    item: drive.item.id,
                    setup: { ...geometry, type: best.type }
                  }
                }
              ]
            : []
      }
    ];
  });

/** The oldest setups have a table of types and none to fill in. */
const diskType: Rule = (s) => {
  const bios = s.kit.firmware;
  const disk = bios?.firmware.disk;
  if (!disk || disk.user || disk.translation === 'rom' || disk.types === 0) return [];
  return biosDisks(s).flatMap((d): Case[] => {
    const best = d.drive.item.disk?.setup ? undefined : choicesFor(d).find((c) => c.id === 'type');
    return best?.geometry && best.usable !== null
      ? [
          {
            rule: 'disk.type',
            about: [d.drive.item.id],
            facts: {
              drive: thingOf(d.drive),
              bios: bios.name,
              types: disk.types,
              best: best.type,
              geometry: best.geometry,
              usable: best.usable,
              lost: best.lost
            }
          }
        ]
      : [];
  });
};

/** Geometry belongs to a medium and a host: what is typed must be what it was made under. */
const setup: Rule = (s) =>
  disksOf(s.kit).flatMap(({ drive, verdicts }) =>
    verdicts.flatMap((verdict): Case[] =>
      verdict.grade === 'stop' || verdict.grade === 'caution'
        ? [
            {
              rule: 'disk.setup',
              severity: verdict.grade === 'stop' ? 'clash' : 'caution',
              about: [drive.item.id],
              facts: { drive: thingOf(drive), verdict }
            }
          ]
        : []
    )
  );

export const diskRules: readonly Rule[] = [diskRom, unscanned, bootOrder, diskLimit, diskType, setup];
