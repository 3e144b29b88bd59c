import { families, runs } from '../boards';
import type { Kit } from '../kit';
import type { BootRecord, CpuFamily, OwnDriver, Profile } from '../model';
import { isPnp } from '../resources';
import { span, type Span } from './dos';
import { DRIVER_CLASSES, driverOf, type Driver } from './drivers';
import type { Expectation } from './expect';

/** Why a line is in the plan. */
export type Because =
  { kind: 'part'; name: string } | { kind: 'programs'; names: string[] } | { kind: 'wish' };

/** What a group of lines is for; a start has a group or leaves it out. */
export type Group = 'always' | 'cd' | 'mouse' | 'network' | 'cache';

/** A driver that this machine needs, with its sizes: as MEM showed them, else what is typical. Bytes. */
export interface Wanted {
  driver: Driver;
  group: Group;
  because: Because;
  load: Span;
  stay: Span;
  isMeasured: boolean;
}

/** A driver that would be needed and cannot be had on this machine. */
export interface Refused {
  driver: Driver;
  group: Group;
  because: Because;
  why: { kind: 'cpu'; needs: CpuFamily; has: CpuFamily } | { kind: 'dos'; needs: number; has: number };
}

const K = 1024;
/** A measured size stands for the file of that name. */
const baseOf = (file: string): string => file.replace(/\.[^.]*$/, '').toUpperCase();

export function sized(
  driver: Driver,
  group: Group,
  because: Because,
  record: BootRecord | undefined
): Wanted {
  const measured = record?.sizes?.[baseOf(driver.file)];
  const bytes = ([a, b]: Span): Span => [Math.round(a * K), Math.round(b * K)];
  const load = measured?.load !== undefined ? span(measured.load) : bytes(driver.load);
  const stay = measured ? span(measured.stay) : bytes(driver.stay);
  return {
    driver,
    group,
    because,
    // What stays was there while it started.
    load: [Math.max(load[0], stay[0]), Math.max(load[1], stay[1])],
    stay,
    isMeasured: measured !== undefined
  };
}

/** Whether a program asks for a group of lines. */
export const asks: Record<'cd' | 'mouse' | 'network', (p: Profile) => boolean> = {
  cd: (p) => p.wants?.cdrom === true,
  mouse: (p) => p.wants?.functions?.includes('mouse') === true,
  network: (p) => p.wants?.functions?.includes('network') === true
};

interface Choice {
  id: string;
  group: Group;
  because: Because;
}

/** Which generic driver serves each thing of the build that needs one. */
function choices(kit: Kit, ex: Expectation, record: BootRecord | undefined): Choice[] {
  const rank = ex.cpu ? families[ex.cpu].rank : 0;
  const programs = kit.build.brief.profiles;
  const asking = (group: keyof typeof asks): string[] => programs.filter(asks[group]).map((p) => p.name);
  const out: Choice[] = [];
  const put = (id: string, group: Group, because: Because) => out.push({ id, group, because });
  const byPart = (name: string): Because => ({ kind: 'part', name });
  const drive = ex.optical[0];
  if (drive) {
    if (drive.interface === 'scsi')
      put(rank >= 2 && hasPciScsi(kit) ? 'scsi-manager-pci' : 'scsi-manager-isa', 'cd', byPart(drive.title));
    put(
      drive.interface === 'scsi' ? 'cd-scsi' : drive.interface === 'ata' ? 'cd-ata' : 'cd-panel',
      'cd',
      byPart(drive.title)
    );
    put(rank === 0 ? 'redirector-small' : 'redirector', 'cd', byPart(drive.title));
  }
  const wantMouse = asking('mouse');
  // A mouse hangs on its own card or on a serial port; without either no driver helps.
  if (ex.hasMouse || (wantMouse.length && ex.serials))
    put(
      rank === 0 ? 'mouse-small' : (ex.dos ?? 5) < 5 ? 'mouse-old' : 'mouse-late',
      'mouse',
      wantMouse.length ? { kind: 'programs', names: wantMouse } : { kind: 'part', name: '' }
    );
  const card = ex.network[0];
  if (card) {
    const bus = kit.m.find(card.item)?.part.card?.bus;
    put(
      bus === 'pci' ? 'packet-pci' : bus === 'isa8' || rank === 0 ? 'packet-8' : 'packet-16',
      'network',
      byPart(card.title)
    );
  }
  const configured = kit.m.fitted.find((f) => isPnp(f.part));
  if (configured && !kit.firmware?.firmware?.pnp) put('pnp-manager', 'always', byPart(configured.title));
  if (record?.cache) put((ex.dos ?? 6) >= 6 ? 'smartdrv' : 'smartdrv-5', 'cache', { kind: 'wish' });
  return out;
}

const hasPciScsi = (kit: Kit): boolean =>
  kit.m.fitted.some((f) => f.part.card?.bus === 'pci' && f.part.functions.some((fn) => fn.kind === 'scsi'));

/** A driver of the user's own as one of the table: what is not known of it asks nothing. */
const ownDriver = (own: OwnDriver, n: number): Driver => ({
  id: `own-${n}`,
  class: 'resident',
  file: own.file.toUpperCase(),
  ofDos: false,
  where: own.where,
  cpu: '8088',
  dos: 2,
  load: [own.load / K, own.load / K],
  stay: [own.stay / K, own.stay / K],
  after: [],
  high: own.high ? 'yes' : 'no',
  v86: 'any',
  needs: [],
  args: own.args ?? ''
});

/** Drivers that this build needs, and those that its CPU or its DOS cannot run. */
export function wantedDrivers(kit: Kit, ex: Expectation): { wanted: Wanted[]; refused: Refused[] } {
  const record = kit.build.boot;
  let wanted: Wanted[] = [];
  const refused: Refused[] = [];
  for (const { id, group, because } of choices(kit, ex, record)) {
    const driver = driverOf(id);
    if (ex.cpu && !runs(ex.cpu, driver.cpu))
      refused.push({ driver, group, because, why: { kind: 'cpu', needs: driver.cpu, has: ex.cpu } });
    else if (ex.dos !== null && ex.dos < driver.dos)
      refused.push({ driver, group, because, why: { kind: 'dos', needs: driver.dos, has: ex.dos } });
    else wanted.push(sized(driver, group, because, record));
  }
  // A chain that lacks a link serves nobody: its other links are left out too.
  const broken = new Set(refused.map((r) => r.group));
  wanted = wanted.filter((w) => w.group === 'always' || !broken.has(w.group));
  (record?.own ?? []).forEach((own, n) =>
    wanted.push(sized(ownDriver(own, n), 'always', { kind: 'wish' }, record))
  );
  const order = (w: Wanted) => DRIVER_CLASSES.indexOf(w.driver.class);
  const stage = (w: Wanted) => (w.driver.where === 'config' ? 0 : 1);
  wanted.sort((a, b) => stage(a) - stage(b) || order(a) - order(b));
  return { wanted, refused };
}
