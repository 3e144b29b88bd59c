import { entryOf, there } from '../model';
import { placeBest, type Layout, type Placed } from './best';
import type { Line } from './line';
import type { Placement } from './place';

/** A memory manager, with what is free when nothing else is loaded. */
export interface Manager {
  id: string;
  /** Bytes of conventional memory that a program gets. */
  freeBytes: number;
  /** Bytes of each upper region. */
  regions: readonly number[];
  xmsKiB: number;
  emsKiB: number;
  /** XMS and EMS come out of one pool. */
  onePool: boolean;
  /** The CPU runs in its virtual 8086 mode under it. */
  v86: boolean;
  /** Lines that it needs itself. */
  lines: number;
  /** Managers of one family differ in how upper memory is laid out alone: only the best of them is looked at. */
  family?: string;
}

/** Something that may be loaded or left out: CD, mouse, network, cache. */
export interface Optional {
  id: string;
  lines: readonly Line[];
  /** Extended memory that it takes, in KiB. */
  takesKiB: number;
  /** It works only where there is XMS. */
  wantsXms: boolean;
  /** It works only where the CPU runs in its virtual mode. */
  wantsV86?: boolean;
}

export interface Program {
  id: string;
  /** Conventional memory that it asks for, in KiB. */
  baseKiB: number;
  emsKiB: number;
  xmsKiB: number;
  /** More XMS than this makes it fail; null: none is too much. */
  mostXmsKiB: number | null;
  needs: readonly string[];
  v86: 'any' | 'off' | 'needed';
}

export interface Configuration {
  id: string;
  manager: string;
  on: string[];
  baseKiB: number;
  /** What it may reach: more than `baseKiB` only where the placing was cut off. */
  mostKiB: number;
  xmsKiB: number;
  emsKiB: number;
  onePool: boolean;
  v86: boolean;
  lines: number;
  placement: Placement;
  /** Programs that run in it. */
  serves: string[];
}

/** What a program lacks in a configuration; all zero and empty: it runs. */
export interface Shortfall {
  configuration: string;
  baseKiB: number;
  emsKiB: number;
  xmsKiB: number;
  tooMuchXmsKiB: number;
  missing: string[];
  v86: boolean;
}

export interface StartsAnswer {
  configurations: Configuration[];
  /** The fewest that serve every program that can be served; proved. */
  chosen: Configuration[];
  /** How many there must be at least: so many programs of which no two share a configuration. */
  clique: string[];
  /** How many sets of that size there are, before the fewest lines decide. */
  answers: number;
  /** Programs that no configuration serves, with the nearest one and what is short. */
  unserved: { program: string; nearest: Shortfall }[];
  /** A placement was cut off that could serve a program more, so there may be a better answer. */
  isCut: boolean;
}

export const STARTS_LIMITS = { optional: 8, managers: 8, programs: 24 } as const;

const subsets = <T>(list: readonly T[]): T[][] =>
  list.reduce<T[][]>((all, x) => [...all, ...all.map((s) => [...s, x])], [[]]);

/** How lines are placed into the layout that is best for them; null: they have no legal order. */
export type Placing = (lines: readonly Line[], layouts: readonly Layout[]) => Placed | null;

/** Managers by their family, in their order. */
const families = (managers: readonly Manager[]): Manager[][] => {
  const out = new Map<string, Manager[]>();
  for (const m of managers) {
    const key = m.family ?? `only ${m.id}`;
    out.set(key, [...(out.get(key) ?? []), m]);
  }
  return [...out.values()];
};

/**
 * Every configuration: each manager with each choice of the optional lines, with its numbers by exact placing.
 * @param placing may be cut off early: a configuration that could serve one of `programs` more than it is found to is
 * placed again by `well`
 */
export function configurations(
  managers: readonly Manager[],
  optional: readonly Optional[],
  always: readonly Line[],
  placing: Placing = placeBest,
  programs: readonly Program[] = [],
  well: Placing = placing
): Configuration[] {
  return families(managers).flatMap((family) =>
    subsets(optional).flatMap((on): Configuration[] => {
      const [like] = family;
      if (!like || on.some((o) => (o.wantsXms && like.xmsKiB === 0) || (o.wantsV86 && !like.v86))) return [];
      const lines = [...always, ...on.flatMap((o) => [...o.lines])];
      const first = configuration(family, on, lines, placing(lines, family));
      if (!first) return [];
      const again = mayServeMore(first, programs)
        ? configuration(family, on, lines, well(lines, family))
        : null;
      return [again && again.baseKiB >= first.baseKiB ? again : first];
    })
  );
}

/** A manager, out of a family, with optional lines, as they were placed. */
function configuration(
  family: readonly Manager[],
  on: readonly Optional[],
  lines: readonly Line[],
  found: Placed | null
): Configuration | null {
  const m = found && family[found.at];
  if (!m) return null;
  const takes = on.reduce((s, o) => s + o.takesKiB, 0);
  return {
    id: [m.id, ...on.map((o) => o.id)].join('+'),
    manager: m.id,
    on: on.map((o) => o.id),
    baseKiB: (m.freeBytes - found.placement.low) / 1024,
    mostKiB: found.most / 1024,
    xmsKiB: Math.max(0, m.xmsKiB - takes),
    emsKiB: Math.max(0, m.emsKiB - (m.onePool ? takes : 0)),
    onePool: m.onePool,
    v86: m.v86,
    lines: lines.length + m.lines,
    placement: found.placement,
    serves: []
  };
}

/** Whether a program does not run in a configuration as it was placed, and might in a better placement. */
const mayServeMore = (c: Configuration, programs: readonly Program[]): boolean =>
  c.mostKiB > c.baseKiB &&
  programs.some((p) => !runs(shortfall(p, c)) && runs(shortfall(p, { ...c, baseKiB: c.mostKiB })));

/** What a program lacks in a configuration. */
export function shortfall(p: Program, c: Configuration): Shortfall {
  const xms = c.onePool ? Math.max(0, c.xmsKiB - p.emsKiB) : c.xmsKiB;
  return {
    configuration: c.id,
    baseKiB: Math.max(0, p.baseKiB - c.baseKiB),
    emsKiB: Math.max(0, p.emsKiB - c.emsKiB),
    xmsKiB: Math.max(0, p.xmsKiB - xms),
    tooMuchXmsKiB: p.mostXmsKiB === null ? 0 : Math.max(0, c.xmsKiB - p.mostXmsKiB),
    missing: p.needs.filter((n) => !c.on.includes(n)),
    v86: (p.v86 === 'off' && c.v86) || (p.v86 === 'needed' && !c.v86)
  };
}
const runs = (s: Shortfall): boolean =>
  !s.baseKiB && !s.emsKiB && !s.xmsKiB && !s.tooMuchXmsKiB && !s.missing.length && !s.v86;
/** How far a program is from running: lines and modes count more than any number of KiB. */
const distance = (s: Shortfall): number =>
  s.missing.length * 1e6 + (s.v86 ? 1e6 : 0) + s.baseKiB + s.emsKiB + s.xmsKiB + s.tooMuchXmsKiB;

/**
 * The fewest configurations in which every program runs. Of several sets the one with the fewest lines, then the one
 * that leaves most memory to spare, then by name.
 */
export function fewestStarts(all: readonly Configuration[], programs: readonly Program[]): StartsAnswer {
  const configs = all.map((c) => ({
    ...c,
    serves: programs.filter((p) => runs(shortfall(p, c))).map((p) => p.id)
  }));
  // A brief may hold more programs than a number has bits.
  const bit = new Map(programs.map((p, i) => [p.id, 1n << BigInt(i)]));
  const masks = configs.map((c) => c.serves.reduce((m, id) => m | entryOf(bit, id), 0n));
  const can = masks.reduce((a, b) => a | b, 0n);
  const answers: number[][] = [];
  const cover = (left: bigint, chosen: readonly number[], most: number): void => {
    if (!left) {
      const key = [...chosen].sort((a, b) => a - b);
      if (!answers.some((x) => x.join() === key.join())) answers.push(key);
      return;
    }
    if (chosen.length === most) return;
    const first = left & -left;
    masks.forEach((m, i) => {
      if (m & first && !chosen.includes(i)) cover(left & ~m, [...chosen, i], most);
    });
  };
  for (let k = 0; k <= programs.length && !answers.length; k++) cover(can, [], k);
  const spare = (i: number) =>
    Math.min(
      ...programs
        .filter((p) => there(configs[i]).serves.includes(p.id))
        .map((p) => there(configs[i]).baseKiB - p.baseKiB)
    );
  const weigh = (set: readonly number[]) => ({
    lines: set.reduce((s, i) => s + there(configs[i]).lines, 0),
    spare: set.reduce((s, i) => s + spare(i), 0),
    names: set
      .map((i) => there(configs[i]).id)
      .sort()
      .join()
  });
  const [best] = answers
    .map((set) => ({ set, w: weigh(set) }))
    .sort((a, b) => a.w.lines - b.w.lines || b.w.spare - a.w.spare || (a.w.names < b.w.names ? -1 : 1));
  return {
    configurations: configs,
    chosen: (best?.set ?? []).map((i) => there(configs[i])),
    clique: cliqueOf(programs, masks, can, bit),
    answers: answers.length,
    unserved: programs
      .filter((p) => !(entryOf(bit, p.id) & can))
      .flatMap((p) => {
        const [nearest] = configs.map((c) => shortfall(p, c)).sort((a, b) => distance(a) - distance(b));
        return nearest ? [{ program: p.id, nearest }] : [];
      }),
    isCut: configs.some((c) => mayServeMore(c, programs))
  };
}

/** The largest set of programs of which no two share a configuration. */
function cliqueOf(
  programs: readonly Program[],
  masks: readonly bigint[],
  can: bigint,
  bit: ReadonlyMap<string, bigint>
): string[] {
  const own = programs.filter((p) => entryOf(bit, p.id) & can);
  const share = (a: Program, b: Program) => {
    const both = entryOf(bit, a.id) | entryOf(bit, b.id);
    return masks.some((m) => (m & both) === both);
  };
  let best: Program[] = [];
  const grow = (chosen: readonly Program[], left: readonly Program[]): void => {
    if (chosen.length + left.length <= best.length) return;
    if (chosen.length > best.length) best = [...chosen];
    left.forEach((p, i) =>
      grow(
        [...chosen, p],
        left.slice(i + 1).filter((q) => !share(p, q))
      )
    );
  };
  grow([], own);
  return best.map((p) => p.id);
}
