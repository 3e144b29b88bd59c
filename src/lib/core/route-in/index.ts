import { runs } from '../boards';
import { expectationOf, isInHand, packetDriver } from '../boot';
import type { Part } from '../model';
import { speaks, type Kit } from '../kit';
import { systemOf } from '../software';
import { floppyName } from '../storage';
import { emulating, formatsOf, reading } from './floppies';
import { PRICE, need, type LinkNeed } from './need';

export type { LinkNeed, Where } from './need';

export interface Link {
  /** What to do, for a person. */
  text: string;
  needs: LinkNeed[];
  caution?: string;
}
export interface Route {
  id: string;
  links: Link[];
  /** Lower is shorter: one for each link, more for what must be fitted or bought. */
  cost: number;
  missing: string[];
}

const cautionOf = (all: readonly string[]): { caution?: string } => {
  const caution = all.filter(Boolean).join(' ');
  return caution ? { caution } : {};
};

/** Another machine that stands ready and has drives. */
export interface Helper {
  name: string;
  kit: Kit;
}

const wide = (kib: number) => kib === 360 || kib === 1200;

interface Edge extends Link {
  from: string;
  to: string;
}

/**
 * How the first file gets onto a machine: chains from today's computer over what is on the shelf and in other
 * machines, the shortest first. A drive that is fitted counts as here, one on the shelf must be fitted first.
 */
export function routesIn(kit: Kit, shelf: readonly Part[], helpers: readonly Helper[]): Route[] {
  const edges = [...fromToday(shelf), ...helpers.flatMap((h) => overHelper(h)), ...intoMachine(kit, shelf)];
  const routes: Route[] = [];
  const walk = (at: string, path: Edge[]): void => {
    if (at === 'machine') {
      routes.push(routeOf(path));
      return;
    }
    if (path.length > 4) return;
    for (const edge of edges)
      if (edge.from === at && !path.some((e) => e.from === edge.to) && edge.to !== 'today')
        walk(edge.to, [...path, edge]);
  };
  walk('today', []);
  const seen = new Set<string>();
  return routes
    .sort((a, b) => a.cost - b.cost || (a.id < b.id ? -1 : 1))
    .filter((r) => {
      // The same way over another helper is no other way.
      const kind = r.id.replace(/helper:[^>]+/g, 'helper');
      return !seen.has(kind) && seen.add(kind);
    })
    .slice(0, 5);
}

function routeOf(path: readonly Edge[]): Route {
  const needs = path.flatMap((e) => e.needs);
  return {
    id: ['today', ...path.map((e) => e.to)].join('>'),
    links: path.map(({ text, needs: own, caution }) => ({
      text,
      needs: own,
      ...(caution ? { caution } : {})
    })),
    cost: path.length + needs.reduce((n, x) => n + PRICE[x.where], 0),
    missing: [...new Set(needs.filter((n) => n.where === 'missing').map((n) => n.what))]
  };
}

const find = (parts: readonly Part[], test: (p: Part) => boolean) => parts.find(test);
/** Things that only lie beside today's computer need no fitting. */
const beside = (what: string, part: Part | undefined): LinkNeed =>
  need(what, part, part ? 'here' : 'missing');
const adapter = (shelf: readonly Part[], from: string, to: string) =>
  find(shelf, (p) => p.adapter?.from === from && p.adapter.to === to);

function fromToday(shelf: readonly Part[]): Edge[] {
  const usb = find(shelf, (p) => p.drive?.interface === 'usb' && p.drive.medium === 'floppy');
  const reader = adapter(shelf, 'usb', 'flash card');
  return [
    ...[720, 1440].map((kib): Edge => ({
      from: 'today',
      to: `floppy-${kib}`,
      text: `Write the files to a ${floppyName(kib)} floppy on today’s computer.`,
      needs: [beside('a USB floppy drive', usb)],
      ...(kib === 720 ? { caution: 'Use a real 720K floppy, without the second hole.' } : {})
    })),
    {
      from: 'today',
      to: 'card',
      text: 'Copy the files to the flash card in a reader.',
      needs: [beside('a card reader', reader)]
    },
    { from: 'today', to: 'stick', text: 'Put floppy images on a USB stick.', needs: [] }
  ];
}

function overHelper({ name, kit }: Helper): Edge[] {
  const all = formatsOf(kit);
  const node = `helper:${kit.build.id}`;
  const reads: Edge[] = all.map((f) => ({
    from: `floppy-${f.kib}`,
    to: node,
    text: `Read the ${floppyName(f.kib)} floppy on ${name}.`,
    needs: []
  }));
  const writes: Edge[] = all
    .filter((f) => wide(f.kib))
    .map((f) => ({
      from: node,
      to: `floppy-${f.kib}`,
      text: `Write a ${floppyName(f.kib)} floppy on ${name} (${f.title}).`,
      needs: [],
      ...(f.kib === 360 && f.drive === 1200
        ? {
            caution:
              'Format an unused floppy there: a 1.2M drive writes narrow tracks, and an old wide one may stay readable beneath.'
          }
        : {})
    }));
  return [...reads, ...writes];
}

/** The driver that the plan of the start has for this card and this CPU, and whether somebody has it. */
function networkDriver(kit: Kit): LinkNeed {
  const ex = expectationOf(kit);
  const driver = packetDriver(kit, ex);
  const missing = (what: string): LinkNeed => ({ what, where: 'missing' });
  if (!driver) return missing('its driver on the machine (by another way first)');
  if (ex.cpu && !runs(ex.cpu, driver.cpu)) return missing(`a packet driver that runs on a ${ex.cpu}`);
  return isInHand(kit, driver)
    ? { what: `its packet driver (${driver.file})`, where: 'here' }
    : missing(`its packet driver (${driver.file}) on the machine, by another way first`);
}

function intoMachine(kit: Kit, shelf: readonly Part[]): Edge[] {
  const out: Edge[] = [];
  for (const kib of [360, 720, 1200, 1440])
    out.push({
      from: `floppy-${kib}`,
      to: 'machine',
      text: `Read the ${floppyName(kib)} floppy on ${kit.build.name}.`,
      ...reading(kit, shelf, kib)
    });
  out.push({
    from: 'stick',
    to: 'machine',
    text: `Choose the image on the floppy emulator of ${kit.build.name}.`,
    ...emulating(kit, shelf)
  });
  const ata = kit.controllers.some((c) => c.isOn && speaks(c, 'ata'));
  const isXt = kit.facts.class === 'xt';
  const host = find(
    shelf,
    (p) => p.functions.some((f) => f.speaks?.includes('ata')) && (!isXt || p.card?.bus === 'isa8')
  );
  const cardHere = kit.drives.some((d) => d.part.drive.medium === 'flash');
  out.push({
    from: 'card',
    to: 'machine',
    text: `Put the flash card into ${kit.build.name}, switched off.`,
    needs: [
      cardHere
        ? { what: 'a flash card', where: 'here' }
        : need(
            'a flash card',
            find(shelf, (p) => p.drive?.medium === 'flash' && p.drive.interface === 'ata')
          ),
      cardHere
        ? { what: 'a card bracket', where: 'here' }
        : need('a card bracket', adapter(shelf, 'flash card', 'ata')),
      ata
        ? { what: 'an ATA channel', where: 'here' }
        : need(isXt ? 'an 8-bit disk adapter with ROM' : 'an ATA controller', host)
    ],
    caution: 'Partition the card on this machine: made elsewhere with other heads it reads as garbage.'
  });
  const ports = kit.m.fitted.flatMap((f) => f.part.functions.filter((fn) => fn.kind === 'serial'));
  const serial = ports.length > 0;
  const isBuffered = ports.some((fn) => fn.uart === '16550');
  const { dos } = systemOf(kit.build.brief.os);
  const starts = kit.drives.length > 0;
  out.push({
    from: 'today',
    to: 'machine',
    text: `Send the files over a serial cable; ${kit.build.name} must have started DOS already.`,
    needs: [
      serial
        ? { what: 'a serial port', where: 'here' }
        : need(
            'a serial port',
            find(shelf, (p) => p.functions.some((f) => f.kind === 'serial'))
          ),
      need('a null-modem cable', adapter(shelf, 'serial', 'serial')),
      beside('a USB serial adapter for today’s computer', adapter(shelf, 'usb', 'serial')),
      { what: 'a system that starts', where: starts ? 'here' : 'missing' }
    ],
    ...cautionOf([
      // INTERSVR came with DOS 6.0, and does not talk to a computer of today.
      dos !== null && dos < 6
        ? 'Its DOS brings no receiving program: type in a short one, or send with a terminal.'
        : '',
      serial && !isBuffered
        ? `Start at 9,600 baud, six hours for 20 MB: a port that holds one character manages 38,400 at best${isXt ? ', on an 8088 often less' : ''}.`
        : ''
    ])
  });
  const network = kit.m.fitted.some((f) => f.part.functions.some((fn) => fn.kind === 'network'));
  out.push({
    from: 'today',
    to: 'machine',
    text: `Copy over the network; the driver must be on ${kit.build.name} already.`,
    needs: [
      network
        ? { what: 'a network card', where: 'here' }
        : need(
            'a network card',
            find(shelf, (p) => p.functions.some((f) => f.kind === 'network'))
          ),
      networkDriver(kit)
    ],
    caution: 'An old system gets no security updates: an isolated network only.'
  });
  return out;
}
