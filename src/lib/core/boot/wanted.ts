import { runs } from '../boards';
import type { Kit } from '../kit';
import type { BootRecord, CpuFamily, OwnDriver } from '../model';
import { choices } from './choices';
import { span, type Span } from './dos';
import { DRIVER_CLASSES, type Driver } from './drivers';
import type { Expectation } from './expect';

/** Why a line is in the plan. */
export type Because =
  | { kind: 'part'; name: string }
  | { kind: 'programs'; names: string[] }
  | { kind: 'wish' };

/** Groups of lines that a start has or leaves out. */
export const GROUPS = ['cd', 'mouse', 'network', 'cache', 'ram-disk', 'emulation'] as const;
/** What a line is for. */
export type Group = 'always' | (typeof GROUPS)[number];

/** A driver that this machine needs, with its sizes: as MEM showed them, else what is typical. Bytes. */
export interface Wanted {
  driver: Driver;
  group: Group;
  because: Because;
  load: Span;
  stay: Span;
  isMeasured: boolean;
  /** Bytes that it takes while it starts, where somebody measured them. */
  exactLoad: number | null;
}

/** A driver that would be needed and cannot be had on this machine. */
export interface Refused {
  driver: Driver;
  group: Group;
  because: Because;
  why:
    | { kind: 'cpu'; needs: CpuFamily; has: CpuFamily }
    | { kind: 'dos'; needs: number; has: number }
    /**
     * Letters of a code page are drawn by an EGA or better; there is no sound card to work with; no manager of this
     * machine gives extended memory, or keeps the CPU in its virtual mode.
     */
    | { kind: 'display' | 'sound' | 'xms' | 'manager' };
}

const K = 1024;
/** A measured size stands for the file of that name. */
export const baseOf = (file: string): string => file.replace(/\.[^.]*$/, '').toUpperCase();

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
    isMeasured: measured !== undefined,
    exactLoad: measured?.load ?? null
  };
}

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
  for (const { driver, group, because, lacks } of choices(kit, ex)) {
    if (lacks) refused.push({ driver, group, because, why: { kind: lacks } });
    else if (ex.cpu && !runs(ex.cpu, driver.cpu))
      refused.push({ driver, group, because, why: { kind: 'cpu', needs: driver.cpu, has: ex.cpu } });
    else if (ex.dos !== null && ex.dos < driver.dos)
      refused.push({ driver, group, because, why: { kind: 'dos', needs: driver.dos, has: ex.dos } });
    else wanted.push(sized(driver, group, because, record));
  }
  // A chain that lacks a link serves nobody: its other links are left out too.
  const broken = new Set(refused.map((r) => r.group));
  wanted = wanted.filter((w) => w.group === 'always' || !broken.has(w.group));
  (record?.own ?? []).forEach((own, n) =>
    wanted.push({
      ...sized(ownDriver(own, n), 'always', { kind: 'wish' }, record),
      exactLoad: Math.max(own.load, own.stay)
    })
  );
  const order = (w: Wanted) => DRIVER_CLASSES.indexOf(w.driver.class);
  const stage = (w: Wanted) => (w.driver.where === 'config' ? 0 : 1);
  wanted.sort((a, b) => stage(a) - stage(b) || order(a) - order(b));
  return { wanted, refused };
}
