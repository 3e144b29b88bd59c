import { families } from '../boards';
import { totalKiB, type Kit } from '../kit';
import type { Profile } from '../model';
import {
  configurations,
  fewestStarts,
  place,
  placeByDos,
  placeByOrder,
  shortfall,
  type Configuration,
  type Line,
  type Manager,
  type Optional,
  type Program,
  type Shortfall,
  type StartsAnswer
} from '../placement';
import { systemOf } from '../software';
import type { Span } from './dos';
import { expectationOf } from './expect';
import { managersOf, type MachineManager } from './managers';
import { asks, wantedDrivers, type Refused, type Wanted } from './wanted';

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
  /** KiB of the largest program, from the least to the most that the sizes allow. */
  free: Span;
  /** KiB that DOS by itself, without regions, would leave; null where it makes no difference. */
  byDosKiB: number | null;
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

/** Plans how a build starts. @returns why there is no plan where something it rests on is not entered */
export function bootPlan(kit: Kit): BootPlan | NoPlan {
  const ex = expectationOf(kit);
  const { dos } = ex;
  if (dos === null) return 'no-dos';
  if (!ex.cpu) return 'no-cpu';
  if (!kit.memory || totalKiB(kit) === 0) return 'no-memory';
  if (dos >= 7 && families[ex.cpu].rank < 2) return 'dos-too-new';
  const { wanted, refused } = wantedDrivers(kit, ex);
  const managers = managersOf(kit, ex, dos);
  const groups = (['cd', 'mouse', 'network', 'cache'] as const).filter((g) =>
    wanted.some((w) => w.group === g)
  );
  const ofGroup = (g: string) => wanted.filter((w) => w.group === g);
  const lines = (list: readonly Wanted[], pick: (s: Span) => number) =>
    list.map((w) => lineOf(w, list, pick));
  const placing = dos >= 6 ? place : placeByOrder;
  const asManager = (m: MachineManager): Manager => ({
    id: m.id,
    freeBytes: m.free[0],
    regions: m.regions,
    xmsKiB: m.xmsKiB,
    emsKiB: m.emsKiB,
    onePool: m.kind === 'ems',
    v86: m.kind === 'noems' || m.kind === 'ems',
    lines: { none: 0, xms: 2, noems: 3, ems: 3 }[m.kind]
  });
  const optional: Optional[] = groups.map((g) => ({
    id: g,
    lines: lines(ofGroup(g), most),
    takesKiB: g === 'cache' ? 1024 : 0,
    wantsXms: g === 'cache'
  }));
  const always = wanted.filter((w) => w.group === 'always');
  // Whatever is fitted works in one start at least, with DOS high where that can be had: it costs nothing.
  const fitted: Program = {
    id: FITTED,
    baseKiB: 0,
    emsKiB: 0,
    xmsKiB: managers.length > 1 ? 1 : 0,
    mostXmsKiB: null,
    needs: [...groups],
    v86: 'any'
  };
  const ofDos = kit.build.brief.profiles.filter((p) => !isForWindows(kit, p));
  const programs: Program[] = ofDos.map((p) => ({
    id: p.id,
    baseKiB: p.wants?.memory?.baseKiB ?? 0,
    emsKiB: p.wants?.memory?.expandedKiB ?? 0,
    xmsKiB: p.wants?.memory?.extendedKiB ?? (p.wants?.windows ? 256 : 0),
    mostXmsKiB: null,
    needs: needsOf(p),
    v86: p.wants?.v86 ?? 'any'
  }));
  const all = configurations(managers.map(asManager), optional, lines(always, most), placing);
  const asked = programs.map((p) => within(p, all));
  const answer = fewestStarts(all, [...asked, fitted]);
  const starts = answer.chosen.map((c): PlannedStart => {
    const manager = managers.find((m) => m.id === c.manager)!;
    const own = [...always, ...groups.filter((g) => c.on.includes(g)).flatMap(ofGroup)];
    // The least is what the largest sizes leave, and the other way round.
    const freeAt = (pick: (s: Span) => number, freeBytes: number) =>
      (freeBytes - placing(lines(own, pick), manager.regions).low) / K;
    const typical = lines(own, most);
    const byDos = placeByDos(typical, manager.regions).low;
    return {
      configuration: c,
      manager,
      wanted: own,
      free: [freeAt(most, manager.free[0]), freeAt(least, manager.free[1])],
      byDosKiB: byDos === c.placement.low ? null : (manager.free[0] - byDos) / K
    };
  });
  const without = (id: string) =>
    fewestStarts(all, [...asked.filter((p) => p.id !== id), fitted]).chosen.length < starts.length;
  const droppable = starts.length > 1 ? asked.flatMap((p) => (without(p.id) ? [p.id] : [])) : [];
  return {
    dos,
    managers,
    wanted,
    refused,
    answer,
    starts,
    programs: verdicts(kit, starts, answer),
    droppable
  };
}

/** Stands for what is fitted, beside the programs. */
const FITTED = ' fitted';

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
