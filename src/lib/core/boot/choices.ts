import { families } from '../boards';
import type { Kit } from '../kit';
import type { Extra, Profile } from '../model';
import { isPnp } from '../resources';
import { driverOf, type Driver } from './drivers';
import type { Expectation } from './expect';
import { EARLY_LAYOUTS } from './layouts';
import type { Because, Group } from './wanted';

/** A driver that would serve something of the build, before it is known whether CPU and DOS can run it. */
export interface Choice {
  driver: Driver;
  group: Group;
  because: Because;
  /** What the build lacks for it. */
  lacks?: 'display' | 'sound';
}

/** Whether a program asks for a group of lines. */
export const asks: Record<'cd' | 'mouse' | 'network', (p: Profile) => boolean> = {
  cd: (p) => p.wants?.cdrom === true,
  mouse: (p) => p.wants?.functions?.includes('mouse') === true,
  network: (p) => p.wants?.functions?.includes('network') === true
};

const byPart = (name: string): Because => ({ kind: 'part', name });
const wish: Because = { kind: 'wish' };
const choice = (id: string, group: Group, because: Because, lacks?: Choice['lacks']): Choice => ({
  driver: driverOf(id),
  group,
  because,
  ...(lacks && { lacks })
});

const rankOf = (ex: Expectation): number => (ex.cpu ? families[ex.cpu].rank : 0);

const hasPciScsi = (kit: Kit): boolean =>
  kit.m.fitted.some((f) => f.part.card?.bus === 'pci' && f.part.functions.some((fn) => fn.kind === 'scsi'));

function cdChain(kit: Kit, ex: Expectation): Choice[] {
  const drive = ex.optical[0];
  if (!drive) return [];
  const rank = rankOf(ex);
  const because = byPart(drive.title);
  const isScsi = drive.interface === 'scsi';
  const manager = rank >= 2 && hasPciScsi(kit) ? 'scsi-manager-pci' : 'scsi-manager-isa';
  return [
    ...(isScsi ? [choice(manager, 'cd', because)] : []),
    choice(isScsi ? 'cd-scsi' : drive.interface === 'ata' ? 'cd-ata' : 'cd-panel', 'cd', because),
    choice(rank === 0 ? 'redirector-small' : 'redirector', 'cd', because)
  ];
}

function mouse(kit: Kit, ex: Expectation): Choice[] {
  const names = kit.build.brief.profiles.filter(asks.mouse).map((p) => p.name);
  // A mouse hangs on its own card or on a serial port; without either no driver helps.
  if (!ex.hasMouse && !(names.length && ex.serials)) return [];
  const id = rankOf(ex) === 0 ? 'mouse-small' : (ex.dos ?? 5) < 5 ? 'mouse-old' : 'mouse-late';
  return [choice(id, 'mouse', names.length ? { kind: 'programs', names } : byPart(''))];
}

/** The packet driver that this card and this CPU take; null without a network card. */
export function packetDriver(kit: Kit, ex: Expectation): Driver | null {
  const card = ex.network[0];
  if (!card) return null;
  const bus = kit.m.find(card.item)?.part.card?.bus;
  return driverOf(
    bus === 'pci' ? 'packet-pci' : bus === 'isa8' || rankOf(ex) === 0 ? 'packet-8' : 'packet-16'
  );
}

/** Packet driver or a whole stack for the network card: never both, they exclude each other on one card. */
function network(kit: Kit, ex: Expectation): Choice[] {
  const card = ex.network[0];
  const packet = packetDriver(kit, ex);
  if (!card || !packet) return [];
  const ids = {
    packet: [packet.id],
    odi: [
      'odi-link',
      'odi-card',
      'odi-protocol',
      // The small requester lives in extended memory.
      rankOf(ex) >= 1 && (ex.dos ?? 0) >= 5 ? 'odi-requester-xms' : 'odi-requester'
    ],
    ndis: ['net-manager', 'net-card-ndis', 'net-protocol-ndis', 'helper', 'net-bind', 'redirector-full']
  }[kit.build.boot?.network ?? 'packet'];
  return ids.map((id) => choice(id, 'network', byPart(card.title)));
}

/** Displays that draw the letters of a code page by themselves. */
const drawsLetters = (kit: Kit): boolean =>
  kit.displays.some((d) => ['ega', 'vga'].includes(d.facts.standard));

function language(kit: Kit, ex: Expectation): Choice[] {
  const { layout, codePage } = kit.build.boot ?? {};
  if (!layout) return [];
  const isEarly = (ex.dos ?? 5) < 3.3 && EARLY_LAYOUTS.includes(layout);
  const keyboard = driverOf(isEarly ? 'keyb-old' : 'keyb');
  return [
    ...(codePage ? [choice('display', 'always', wish, drawsLetters(kit) ? undefined : 'display')] : []),
    {
      driver: isEarly ? { ...keyboard, file: `KEYB${layout}.COM` } : keyboard,
      group: 'always',
      because: wish
    }
  ];
}

/** What works only in some starts is a group of its own: emulations want the manager, a RAM disk extended memory. */
const groupOf = (id: Extra): Group =>
  id === 'sound-emulation' || id === 'midi-emulation'
    ? 'emulation'
    : id === 'ramdrive'
      ? 'ram-disk'
      : 'always';
const isOfSound = (id: Extra): boolean => id === 'mixer' || groupOf(id) === 'emulation';

function extras(kit: Kit, ex: Expectation): Choice[] {
  return (kit.build.boot?.extras ?? []).map((id) =>
    choice(id, groupOf(id), wish, isOfSound(id) && !ex.sound.length ? 'sound' : undefined)
  );
}

/** Which generic driver serves each thing of the build that needs one, and each wish. */
export function choices(kit: Kit, ex: Expectation): Choice[] {
  const configured = kit.m.fitted.find((f) => isPnp(f.part));
  return [
    ...cdChain(kit, ex),
    ...mouse(kit, ex),
    ...network(kit, ex),
    ...(configured && !kit.firmware?.firmware?.pnp
      ? [choice('pnp-manager', 'always', byPart(configured.title))]
      : []),
    ...(kit.build.boot?.cache ? [choice((ex.dos ?? 6) >= 6 ? 'smartdrv' : 'smartdrv-5', 'cache', wish)] : []),
    ...language(kit, ex),
    ...extras(kit, ex)
  ];
}
