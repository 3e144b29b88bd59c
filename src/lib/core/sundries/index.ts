import { chainsOf, type Family } from '../cabling';
import { cablesOf, type Kit } from '../kit';
import { thingOf, type Owner, type Ribbon, type Thing } from '../model';
import type { Finding } from '../rules';

/** A small thing that a machine needs beside its parts: nobody has it at hand when it is missing. */
export type Sundry =
  | {
      kind: 'cable';
      family: Family;
      controller: Owner;
      ribbon: Ribbon;
      /** Drives on it, by the plug that each needs: a card edge, or pins. */
      plugs: { edge: number; pins: number };
      /** One end hangs on a connector outside the case. */
      isOutside: boolean;
      /** Both ends of the bus need a terminator, and the drives there are not known to have one. */
      terminator: boolean;
    }
  /** With a fan, or a plain heat sink. */
  | { kind: 'cooler'; cpu: Thing; fan: boolean; watts: number }
  /** `pack`: leads to the header for an external one. */
  | { kind: 'battery'; of: 'coin' | 'pack' }
  | { kind: 'keyboard-adapter'; board: 'din5' | 'mini6' }
  | { kind: 'power-adapter' }
  | { kind: 'power-leads'; count: number }
  | { kind: 'rails'; drive: Thing }
  | { kind: 'cd-lead'; drive: Thing; card: Thing };

/** From these watts on a CPU needs a heat sink, and one with a fan. Rules of thumb, for a case with a fan of its own. */
const WARM_W = 3.5;
const HOT_W = 5.5;

const cooler = (kit: Kit): Sundry[] => {
  const { cpu } = kit;
  const need = cpu?.power;
  if (!cpu || !need) return [];
  const watts = 5 * need.v5 + 3.3 * need.v3;
  return watts >= WARM_W ? [{ kind: 'cooler', cpu: thingOf({ part: cpu }), fan: watts >= HOT_W, watts }] : [];
};

const cables = (kit: Kit): Sundry[] =>
  chainsOf(kit).map(({ family, controller, ribbon, drives }): Sundry => {
    const edge = drives.filter(({ drive: { part } }) => {
      const { floppyKiB, interface: speaks } = part.drive;
      return speaks === 'floppy' ? floppyKiB === 360 || floppyKiB === 1200 : family === 'st506';
    }).length;
    const ends = drives.filter((d) => d.isEnd);
    return {
      kind: 'cable',
      family,
      controller: controller.owner,
      ribbon,
      plugs: { edge, pins: drives.length - edge },
      isOutside: drives.some((d) => d.isOutside),
      terminator: family === 'scsi' && ribbon !== 'end-terminator' && ends.some((d) => d.terminated !== true)
    };
  });

const battery = ({ facts }: Kit): Sundry[] =>
  facts.battery === 'coin'
    ? [{ kind: 'battery', of: 'coin' }]
    : facts.battery === 'barrel' || facts.battery === 'pack'
      ? [{ kind: 'battery', of: 'pack' }]
      : [];

/** CD music goes by a lead of its own from the drive to the sound card. */
const cdLead = (kit: Kit): Sundry[] => {
  const card = kit.m.fitted.find((f) => !f.misfit && f.part.audio);
  return cablesOf(kit).flatMap(({ drive }) =>
    drive.part.drive.medium === 'optical' && card
      ? [{ kind: 'cd-lead' as const, drive: thingOf(drive), card: thingOf(card) }]
      : []
  );
};

const adapters = (findings: readonly Finding[]): Sundry[] =>
  findings.flatMap((f): Sundry[] => {
    switch (f.rule) {
      case 'keyboard.plug':
        return [{ kind: 'keyboard-adapter', board: f.facts.board === 'din5' ? 'din5' : 'mini6' }];
      case 'power.form':
        return f.facts.has === 'atx' ? [{ kind: 'power-adapter' }] : [];
      case 'power.plugs':
        return [{ kind: 'power-leads', count: f.facts.missing }];
      case 'bay.rails':
        return [{ kind: 'rails', drive: f.facts.drive }];
      default:
        return [];
    }
  });

/**
 * Cables, cooler, battery, adapters and leads of a machine: what is on no list of parts. What follows from parts that are
 * not entered is not in it.
 * @param findings of the same machine
 */
export const sundriesOf = (kit: Kit, findings: readonly Finding[]): Sundry[] => [
  ...cables(kit),
  ...cdLead(kit),
  ...cooler(kit),
  ...adapters(findings),
  ...battery(kit)
];
