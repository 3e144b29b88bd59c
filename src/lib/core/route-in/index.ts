import { runs } from '../boards';
import { expectationOf, isInHand, packetDriver } from '../boot';
import { sameJson, type Part } from '../model';
import { speaks, type Kit } from '../kit';
import { systemOf } from '../software';
import { emulating, formatsOf, reading } from './floppies';
import { PRICE, here, missing, need, type Link, type LinkNeed, type Needed } from './need';

export type { Link, LinkCaution, LinkNeed, Needed, Step, Where } from './need';

export interface Route {
  id: string;
  links: Link[];
  /** Lower is shorter: one for each link, more for what must be fitted or bought. */
  cost: number;
  missing: Needed[];
}

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
    links: path.map(({ step, needs: own, cautions }) => ({ step, needs: own, cautions })),
    cost: path.length + needs.reduce((n, x) => n + PRICE[x.where], 0),
    missing: needs
      .filter((n) => n.where === 'missing')
      .map((n) => n.what)
      .filter((what, i, all) => all.findIndex((other) => sameJson(other, what)) === i)
  };
}

const find = (parts: readonly Part[], test: (p: Part) => boolean) => parts.find(test);
/** Things that only lie beside today's computer need no fitting. */
const beside = (what: Needed, part: Part | undefined): LinkNeed =>
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
      step: { is: 'write-floppy', kib },
      needs: [beside({ is: 'usb-floppy' }, usb)],
      cautions: kib === 720 ? [{ is: 'real-720k' }] : []
    })),
    {
      from: 'today',
      to: 'card',
      step: { is: 'fill-card' },
      needs: [beside({ is: 'card-reader' }, reader)],
      cautions: []
    },
    { from: 'today', to: 'stick', step: { is: 'fill-stick' }, needs: [], cautions: [] }
  ];
}

function overHelper({ name, kit }: Helper): Edge[] {
  const all = formatsOf(kit);
  const node = `helper:${kit.build.id}`;
  const reads: Edge[] = all.map((f) => ({
    from: `floppy-${f.kib}`,
    to: node,
    step: { is: 'read-floppy', kib: f.kib, on: name },
    needs: [],
    cautions: []
  }));
  const writes: Edge[] = all
    .filter((f) => wide(f.kib))
    .map((f) => ({
      from: node,
      to: `floppy-${f.kib}`,
      step: { is: 'write-there', kib: f.kib, on: name, drive: f.title },
      needs: [],
      cautions: f.kib === 360 && f.drive === 1200 ? [{ is: 'narrow-tracks' }] : []
    }));
  return [...reads, ...writes];
}

/** The driver that the plan of the start has for this card and this CPU, and whether somebody has it. */
function networkDriver(kit: Kit): LinkNeed {
  const ex = expectationOf(kit);
  const driver = packetDriver(kit, ex);
  if (!driver) return missing({ is: 'unknown-driver' });
  if (ex.cpu && !runs(ex.cpu, driver.cpu)) return missing({ is: 'packet-driver-for', cpu: ex.cpu });
  const { file } = driver;
  return isInHand(kit, driver)
    ? here({ is: 'packet-driver', file, byAnotherWay: false })
    : missing({ is: 'packet-driver', file, byAnotherWay: true });
}

function intoMachine(kit: Kit, shelf: readonly Part[]): Edge[] {
  const on = kit.build.name;
  const out: Edge[] = [];
  for (const kib of [360, 720, 1200, 1440])
    out.push({
      from: `floppy-${kib}`,
      to: 'machine',
      step: { is: 'read-floppy', kib, on },
      ...reading(kit, shelf, kib)
    });
  out.push({
    from: 'stick',
    to: 'machine',
    step: { is: 'choose-image', on },
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
    step: { is: 'put-card', on },
    needs: [
      cardHere
        ? here({ is: 'flash-card' })
        : need(
            { is: 'flash-card' },
            find(shelf, (p) => p.drive?.medium === 'flash' && p.drive.interface === 'ata')
          ),
      cardHere
        ? here({ is: 'card-bracket' })
        : need({ is: 'card-bracket' }, adapter(shelf, 'flash card', 'ata')),
      ata ? here({ is: 'ata-channel' }) : need({ is: isXt ? 'xt-disk-adapter' : 'ata-controller' }, host)
    ],
    cautions: [{ is: 'partition-here' }]
  });
  const ports = kit.m.fitted.flatMap((f) => f.part.functions.filter((fn) => fn.kind === 'serial'));
  const serial = ports.length > 0;
  const isBuffered = ports.some((fn) => fn.uart === '16550');
  const { dos } = systemOf(kit.build.brief.os);
  const starts = kit.drives.length > 0;
  out.push({
    from: 'today',
    to: 'machine',
    step: { is: 'serial', on },
    needs: [
      serial
        ? here({ is: 'serial-port' })
        : need(
            { is: 'serial-port' },
            find(shelf, (p) => p.functions.some((f) => f.kind === 'serial'))
          ),
      need({ is: 'null-modem' }, adapter(shelf, 'serial', 'serial')),
      beside({ is: 'usb-serial' }, adapter(shelf, 'usb', 'serial')),
      (starts ? here : missing)({ is: 'started-system' })
    ],
    cautions: [
      // INTERSVR came with DOS 6.0, and does not talk to a computer of today.
      ...(dos !== null && dos < 6 ? [{ is: 'no-receiver' } as const] : []),
      ...(serial && !isBuffered ? [{ is: 'slow-port', isXt } as const] : [])
    ]
  });
  const network = kit.m.fitted.some((f) => f.part.functions.some((fn) => fn.kind === 'network'));
  out.push({
    from: 'today',
    to: 'machine',
    step: { is: 'network', on },
    needs: [
      network
        ? here({ is: 'network-card' })
        : need(
            { is: 'network-card' },
            find(shelf, (p) => p.functions.some((f) => f.kind === 'network'))
          ),
      networkDriver(kit)
    ],
    cautions: [{ is: 'isolated' }]
  });
  return out;
}
