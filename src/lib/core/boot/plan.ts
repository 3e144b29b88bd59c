import { byId } from '../model';
import { families } from '../boards';
import { totalKiB, type Kit } from '../kit';
import type { Profile } from '../model';
import {
  configurations,
  fewestStarts,
  HASTY_NODES,
  keepPresent,
  placeBest,
  placeBestByOrder,
  placeByDos,
  shortfall,
  type Configuration,
  type Line,
  type Manager,
  type Optional,
  type Placing,
  type Present,
  type Program,
  type Shortfall,
  type StartsAnswer
} from '../placement';
import { systemOf } from '../software';
import type { Span } from './dos';
import { driverOf, type Driver } from './drivers';
import { expectationOf, type Expectation } from './expect';
import { managersOf, type MachineManager } from './managers';
import { asks } from './choices';
import { tablesBytes, tablesOf } from './tables';
import { GROUPS, baseOf, wantedDrivers, type Group, type Refused, type Wanted } from './wanted';

const K = 1024;

/** Why there is no plan. */
export type NoPlan = 'no-dos' | 'no-cpu' | 'no-memory' | 'dos-too-new';

export interface ProgramVerdict {
  id: string;
  name: string;
  /** The start that it runs in; null: in none. */
  start: string | null;
  /** `windows`: it is none of DOS's; `unsaid`: nobody says how much conventional memory it wants. */
  verdict: 'fits' | 'try' | 'no' | 'unsaid' | 'windows';
  /** KiB that it asks for, and the span that this start leaves. */
  baseKiB: number;
  free: Span | null;
  /** What the nearest start lacks besides conventional memory. */
  lacks: Shortfall | null;
}

export interface BootPlan {
  dos: number;
  managers: MachineManager[];
  wanted: Wanted[];
  refused: Refused[];
  answer: StartsAnswer;
  /** The starts to write. What is fitted works in one of them at least. */
  starts: PlannedStart[];
  programs: ProgramVerdict[];
  /** Programs without any one of which a start fewer would do. */
  droppable: string[];
}

export interface PlannedStart {
  configuration: Configuration;
  manager: MachineManager;
  wanted: Wanted[];
  /** The driver of the expanded memory card, where this start uses it. */
  card: Driver[];
  /** KiB of the largest program, from the least to the most that the sizes allow. */
  free: Span;
  /** KiB that DOS by itself, without regions, would leave; null where it makes no difference. */
  byDosKiB: number | null;
}

/** The driver of the expanded memory card, where a start takes its expanded memory from one. */
const cardDriver = ({ manager }: Pick<PlannedStart, 'manager'>, ex: Expectation): Driver[] =>
  ex.emsCards.length && manager.kind !== 'ems' && manager.emsKiB > 0 ? [driverOf(ex.emsDriver)] : [];

/** Drivers of a plan that come with a part, not with DOS, each once. */
export function driversToCopy(plan: BootPlan): Driver[] {
  const all = plan.starts.flatMap((s) => [...s.wanted.map((w) => w.driver), ...s.card]);
  return [...new Map(all.filter((d) => !d.ofDos).map((d) => [d.id, d])).values()];
}

/** A driver as a line to be placed, by one end of its sizes or the middle. */
function lineOf(w: Wanted, all: readonly Wanted[], pick: (s: Span) => number): Line {
  const before = all.filter((x) => w.driver.after.includes(x.driver.class)).map((x) => x.driver.id);
  return {
    name: w.driver.id,
    stage: w.driver.where === 'config' ? 0 : 1,
    load: Math.ceil(pick(w.load)),
    stay: Math.ceil(pick(w.stay)),
    after: before,
    high: w.driver.high === 'yes' || w.driver.high === 'self',
    movesItself: w.driver.high === 'self'
  };
}

const isV86 = (m: MachineManager): boolean => m.kind === 'noems' || m.kind === 'ems';
const wantsXms = (list: readonly Wanted[]): boolean => list.some((w) => w.driver.needs.includes('xms'));
const wantsV86 = (list: readonly Wanted[]): boolean => list.some((w) => w.driver.v86 === 'needs');

/** Groups that some manager of this machine carries; the others are refused, with what they lack. */
function carried(
  { wanted, refused }: { wanted: Wanted[]; refused: Refused[] },
  managers: readonly MachineManager[]
): { wanted: Wanted[]; refused: Refused[] } {
  const lacks = (group: Group): 'xms' | 'manager' | null => {
    const own = wanted.filter((w) => w.group === group);
    if (wantsV86(own) && !managers.some(isV86)) return 'manager';
    return wantsXms(own) && !managers.some((m) => m.xmsKiB > 0) ? 'xms' : null;
  };
  return {
    wanted: wanted.filter((w) => lacks(w.group) === null),
    refused: [
      ...refused,
      ...wanted.flatMap(({ driver, group, because }): Refused[] => {
        const kind = lacks(group);
        return kind && (driver.needs.length || driver.v86 === 'needs')
          ? [{ driver, group, because, why: { kind } }]
          : [];
      })
    ]
  };
}

const needsOf = (p: Profile): string[] => (['cd', 'mouse', 'network'] as const).filter((g) => asks[g](p));

/** Sizes are planned at their most, so that what is said to fit does; `least` is what may be. */
const most = ([, high]: Span): number => high;
const least = ([low]: Span): number => low;

/**
 * A program that lacks only conventional memory everywhere is put where it comes nearest: sizes are typical, and it may
 * fit after all.
 */
function within(p: Program, all: readonly Configuration[]): Program {
  const others = all.filter((c) => {
    const { baseKiB: _, ...rest } = shortfall(p, c);
    return !rest.emsKiB && !rest.xmsKiB && !rest.tooMuchXmsKiB && !rest.missing.length && !rest.v86;
  });
  const best = Math.max(0, ...others.map((c) => c.baseKiB));
  return others.length && best < p.baseKiB ? { ...p, baseKiB: best } : p;
}

/** From so many lines on a configuration is looked at hastily first, and well where that may serve a program more. */
const MANY_LINES = 12;
const WELL_NODES = 8000;

const placingOf =
  (dos: number, nodes: number | undefined): Placing =>
  (list, layouts) =>
    dos >= 6 ? placeBest(list, layouts, nodes) : placeBestByOrder(list, layouts);

/** A start of the machine's own files: whether it loads a manager, and how its lines lie, by the file without ending. */
export interface OwnStart {
  hasManager: boolean;
  lines: Present;
}

/** Own files as lines of a plan: the start that has the same manager, and most of the drivers. */
function presentFor(wanted: readonly Wanted[], isManaged: boolean, own: readonly OwnStart[]): Present {
  const named = own
    .filter((o) => o.hasManager === isManaged)
    .map((o) =>
      o.lines.flatMap(({ name, region }) => {
        const w = wanted.find((x) => baseOf(x.driver.file) === name);
        return w ? [{ name: w.driver.id, region }] : [];
      })
    );
  return named.sort((a, b) => b.length - a.length)[0] ?? [];
}

const linesOf = (list: readonly Wanted[], pick: (s: Span) => number): Line[] =>
  list.map((w) => lineOf(w, list, pick));

const asManager = (m: MachineManager): Manager => ({
  id: m.id,
  freeBytes: m.free[0],
  regions: m.regions,
  xmsKiB: m.xmsKiB,
  emsKiB: m.emsKiB,
  onePool: m.kind === 'ems',
  v86: isV86(m),
  lines: { none: 0, xms: 2, noems: 3, ems: 3 }[m.kind],
  // A frame can stand in several places, and one of them leaves most.
  family: m.kind
});

const asOptional = (id: Group, wanted: readonly Wanted[]): Optional => ({
  id,
  lines: linesOf(wanted, most),
  takesKiB: id === 'cache' || id === 'ram-disk' ? 1024 : 0,
  wantsXms: wantsXms(wanted),
  wantsV86: wantsV86(wanted)
});

const asProgram = (p: Profile): Program => ({
  id: p.id,
  baseKiB: p.wants?.memory?.baseKiB ?? 0,
  emsKiB: p.wants?.memory?.expandedKiB ?? 0,
  xmsKiB: p.wants?.memory?.extendedKiB ?? (p.wants?.windows ? 256 : 0),
  mostXmsKiB: null,
  needs: needsOf(p),
  v86: p.wants?.v86 ?? 'any'
});

/**
 * Whatever is fitted works in one start at least, and each wish in one, with DOS high where that can be had: it costs
 * nothing.
 */
function standInsFor(groups: readonly Group[], isWish: (g: Group) => boolean, isHigh: boolean): Program[] {
  const standIn = (id: string, needs: Group[]): Program => ({
    id: `${STANDS_IN}${id}`,
    baseKiB: 0,
    emsKiB: 0,
    xmsKiB: isHigh ? 1 : 0,
    mostXmsKiB: null,
    needs,
    v86: 'any'
  });
  return [
    standIn(
      'fitted',
      groups.filter((g) => !isWish(g))
    ),
    ...groups.filter(isWish).map((g) => standIn(g, [g]))
  ];
}

/** A configuration with its lines in their places, as few of them changed as may be. */
function startOf(
  c: Configuration,
  manager: MachineManager,
  used: Wanted[],
  ex: Expectation,
  own: readonly OwnStart[],
  placing: Placing
): PlannedStart {
  const { regions } = manager;
  const largest = linesOf(used, most);
  const placed = (list: Line[], freeBytes: number) => placing(list, [{ freeBytes, regions }])?.placement;
  const well = placed(largest, manager.free[0]);
  const placement = keepPresent(
    largest,
    regions,
    well && well.low < c.placement.low ? well : c.placement,
    presentFor(used, isV86(manager), own)
  );
  const byDos = placeByDos(largest, regions).low;
  const smallest = placed(linesOf(used, least), manager.free[1]);
  return {
    configuration: { ...c, placement, serves: c.serves.filter(isProgram) },
    manager,
    wanted: used,
    card: cardDriver({ manager }, ex),
    // The least is what the largest sizes leave, and the other way round.
    free: [(manager.free[0] - placement.low) / K, smallest ? (manager.free[1] - smallest.low) / K : 0],
    byDosKiB: byDos === placement.low ? null : (manager.free[0] - byDos) / K
  };
}

/**
 * Plans how a build starts.
 * @param own starts of the machine's own files: of plans that are equally good, one that changes few of their lines
 * @returns why there is no plan where something it rests on is not entered
 */
export function bootPlan(kit: Kit, own: readonly OwnStart[] = []): BootPlan | NoPlan {
  const ex = expectationOf(kit);
  const { dos } = ex;
  if (dos === null) return 'no-dos';
  if (!ex.cpu) return 'no-cpu';
  if (!kit.memory || totalKiB(kit) === 0) return 'no-memory';
  if (dos >= 7 && families[ex.cpu].rank < 2) return 'dos-too-new';
  const bare = managersOf(kit, ex, dos);
  const { wanted, refused } = carried(wantedDrivers(kit, ex), bare);
  const tables = tablesBytes(dos, tablesOf(kit, dos, wanted));
  const managers = bare.map((m): MachineManager => ({
    ...m,
    free: [m.free[0] - tables, m.free[1] - tables]
  }));
  const groups = GROUPS.filter((g) => wanted.some((w) => w.group === g));
  const ofGroup = (g: string) => wanted.filter((w) => w.group === g);
  const always = ofGroup('always');
  const isMany = wanted.length > MANY_LINES;
  const placingWell = placingOf(dos, isMany ? WELL_NODES : undefined);
  const isWish = (g: Group) => ofGroup(g).every((w) => w.because.kind === 'wish');
  const standIns = standInsFor(groups, isWish, managers.length > 1);
  const programs = kit.build.brief.profiles.filter((p) => !isForWindows(kit, p)).map(asProgram);
  const all = configurations(
    managers.map(asManager),
    groups.map((g) => asOptional(g, ofGroup(g))),
    linesOf(always, most),
    placingOf(dos, isMany ? HASTY_NODES : undefined),
    programs,
    placingWell
  );
  const asked = programs.map((p) => within(p, all));
  const answer = fewestStarts(all, [...asked, ...standIns]);
  const starts = answer.chosen.map((c) =>
    startOf(
      c,
      byId(managers, c.manager),
      [...always, ...groups.filter((g) => c.on.includes(g)).flatMap(ofGroup)],
      ex,
      own,
      placingWell
    )
  );
  const without = (id: string) =>
    fewestStarts(all, [...asked.filter((p) => p.id !== id), ...standIns]).chosen.length < starts.length;
  const droppable = starts.length > 1 ? asked.flatMap((p) => (without(p.id) ? [p.id] : [])) : [];
  return {
    dos,
    managers,
    wanted,
    refused,
    answer: { ...answer, clique: answer.clique.filter(isProgram) },
    starts,
    programs: verdicts(kit, starts, answer),
    droppable
  };
}

/** Begins the names of what stands for things fitted and wished for, beside the programs. */
const STANDS_IN = ' ';
const isProgram = (id: string): boolean => !id.startsWith(STANDS_IN);

/** A program that runs in Windows 95 and later, which keeps memory by itself. */
const isForWindows = (kit: Kit, p: Profile): boolean =>
  p.wants?.windows !== undefined && (systemOf(kit.build.brief.os).windows ?? 0) >= 4;

function verdicts(kit: Kit, starts: readonly PlannedStart[], answer: StartsAnswer): ProgramVerdict[] {
  return kit.build.brief.profiles.map((p): ProgramVerdict => {
    const baseKiB = p.wants?.memory?.baseKiB ?? 0;
    if (isForWindows(kit, p))
      return { id: p.id, name: p.name, start: null, verdict: 'windows', baseKiB, free: null, lacks: null };
    const own = starts.filter((s) => s.configuration.serves.includes(p.id));
    const [start] = own.sort((a, b) => b.free[0] - a.free[0]);
    const near = answer.unserved.find((u) => u.program === p.id)?.nearest ?? null;
    const verdict = !start
      ? 'no'
      : p.wants?.memory?.baseKiB === undefined
        ? 'unsaid'
        : start.free[0] >= baseKiB
          ? 'fits'
          : start.free[1] >= baseKiB
            ? 'try'
            : 'no';
    return {
      id: p.id,
      name: p.name,
      start: start && verdict !== 'no' ? start.configuration.id : null,
      verdict,
      baseKiB,
      free: start?.free ?? null,
      lacks: near
    };
  });
}
