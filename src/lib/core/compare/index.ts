import { thingOf, type Build, type Part, type PartSet, type Thing, entryOf } from '../model';
import { clocksOf, shownMemory, speedIndex } from '../boards';
import { check, type Finding } from '../rules';
import { kitOf, totalKiB } from '../kit';
import { middlePrice } from '../planner';
import { foundPosition, isLookedAt, positionOf } from '../resources';

/** One machine as a column of a comparison; null where nothing is entered. */
export interface Column {
  id: string;
  name: string;
  date: string | null;
  board: string;
  cpu: string | null;
  coreMHz: number | null;
  /** Somebody looked at the settings behind the clock; otherwise it is the usual one. */
  isClockSeen: boolean;
  speed: number | null;
  totalKiB: number | null;
  countKiB: number | null;
  displays: Thing[];
  monitors: Thing[];
  audio: Thing[];
  drives: Thing[];
  slots: { used: number; all: number };
  /** Year in which its youngest part was first sold. */
  youngest: number | null;
  cost: number;
  moves: number;
  stops: number;
  clashes: number;
  cautions: number;
  worst: Finding[];
}

/** Facts, findings, cost, period and moves of a machine. */
export function columnOf(build: Build, parts: PartSet): Column {
  const kit = kitOf(build, parts);
  const findings = check(build, parts);
  const cpu = kit.seatedCpu;
  const clocks = clocksOf(kit.board, cpu, kit.at, (s) => isLookedAt(build.board, s));
  const { core } = clocks;
  const total = totalKiB(kit);
  const items = [build.board, ...build.items];
  const own = items.map((i) => entryOf(parts, i.part));
  const titled = (test: (p: Part) => unknown) =>
    build.items
      .filter((i) => test(entryOf(parts, i.part)))
      .map((i) => thingOf({ part: entryOf(parts, i.part), title: i.label ?? entryOf(parts, i.part).name }));
  const count = (severity: Finding['severity']) => findings.filter((f) => f.severity === severity).length;
  const years = own.flatMap((p) => (p.sold ? [p.sold.from] : []));
  return {
    id: build.id,
    name: build.name,
    date: build.brief.date ?? null,
    board: `${kit.board.maker} ${kit.board.name}`,
    cpu: kit.cpu?.name ?? null,
    coreMHz: core,
    isClockSeen: !clocks.bus.unseen && !clocks.code.unseen,
    speed: cpu && core !== null ? speedIndex(cpu.cpu, core) : null,
    totalKiB: total || null,
    countKiB: total && kit.memory ? shownMemory(total, kit.memory).count : null,
    displays: titled((p) => p.video),
    monitors: titled((p) => p.monitor),
    audio: titled((p) => p.audio),
    drives: titled((p) => p.drive),
    slots: {
      used: new Set(kit.m.fitted.flatMap((f) => (f.slot ? [f.slot.id] : []))).size,
      all: kit.facts.slots.length
    },
    youngest: years.length ? Math.max(...years) : null,
    cost: items.reduce((n, i) => n + middlePrice(entryOf(parts, i.part)) * (i.count ?? 1), 0),
    moves: items.reduce((n, item) => {
      const settings = entryOf(parts, item.part).settings;
      return n + settings.filter((s) => positionOf(item, s) !== foundPosition(item, s)).length;
    }, 0),
    stops: count('stop'),
    clashes: count('clash'),
    cautions: count('caution'),
    worst: findings.filter((f) => f.severity === 'stop' || f.severity === 'clash').slice(0, 5)
  };
}
