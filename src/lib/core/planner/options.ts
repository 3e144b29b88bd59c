import {
  there,
  type Brief,
  type Part,
  type PartFunction,
  type PartOf,
  type PartWith,
  type Profile
} from '../model';
import {
  families,
  fillings,
  fpuSuits,
  ratedFactor,
  freeBase,
  settingsFor,
  shownMemory,
  socketTakes,
  tooFast,
  speedIndex,
  type Filling
} from '../boards';
import { slowDownsOf, suitsSystem, systemOf, unmet, type Area, type Offer } from '../software';
import { tally, weighSides, type Pool } from './pool';

/** Programs of the brief that a choice leaves possible, one bit each. */
export type Mask = bigint;

/** One way to fill a role of the machine. */
export interface Option<P extends Part = Part> {
  parts: { part: P; count: number; place?: string }[];
  /** Programs whose wants in this role are met. */
  mask: Mask;
  /** Programs that will run, but not as meant, because of this choice. */
  soft: Mask;
  /** What it adds to the score. */
  weight: number;
}

/** How many parts that serve the same programs are looked at in a role. */
export const ALIKE = 3;

const blank: Offer = {
  cpu: null,
  speed: null,
  fpu: false,
  memory: null,
  pictures: null,
  abilities: new Set(),
  functions: new Set(),
  diskMiB: null,
  cdrom: false,
  floppies: [],
  dos: null,
  windows: null
};

/** Programs that an offer satisfies in some areas, and those that it leaves with something to wish for. */
export function masksOf(
  profiles: readonly Profile[],
  offer: Partial<Offer>,
  areas: readonly Area[]
): { mask: Mask; soft: Mask } {
  let [mask, soft] = [0n, 0n];
  profiles.forEach((profile, i) => {
    const found = unmet(profile, { ...blank, ...offer }, areas);
    if (found.every((u) => !u.hard)) mask |= 1n << BigInt(i);
    if (found.some((u) => !u.hard)) soft |= 1n << BigInt(i);
  });
  return { mask, soft };
}

export const bits = (mask: Mask): number => {
  let n = 0;
  for (let m = mask; m; m &= m - 1n) n++;
  return n;
};

/** The best of those that serve the same: `ALIKE` of each group, fixed ones always. Lightest first. */
export function narrowed<T extends Option>(
  pool: Pool,
  options: readonly T[],
  group: (option: T) => string
): T[] {
  const taken = new Map<string, number>();
  return lightestFirst(options).filter((option) => {
    const key = group(option);
    const before = taken.get(key) ?? 0;
    const isKept = before < ALIKE || option.parts.some((p) => pool.fixed.has(p.part.id));
    if (isKept) taken.set(key, before + 1);
    return isKept;
  });
}

/** Lightest first; of equal ones that with fewer parts, then by name, so that the order of the parts changes nothing. */
function lightestFirst<T extends Option>(options: readonly T[]): T[] {
  const named = options.map((option) => ({
    option,
    count: option.parts.reduce((n, p) => n + p.count, 0),
    name: option.parts.map((p) => `${p.part.id} ${p.count} ${p.place ?? ''}`).join(' ')
  }));
  named.sort((a, b) => a.option.weight - b.option.weight || a.count - b.count || (a.name < b.name ? -1 : 1));
  return named.map(({ option }) => option);
}

/** Only options that hold every fixed part of a sort, when there is one. */
export function withFixed<T extends Option>(
  pool: Pool,
  options: T[],
  isOfRole: (part: Part) => boolean
): T[] {
  const fixed = [...pool.fixed].filter((id) => {
    const part = pool.get(id);
    return part && isOfRole(part);
  });
  return fixed.length
    ? options.filter((o) => fixed.every((id) => o.parts.some((p) => p.part.id === id)))
    : options;
}

export interface Base extends Option {
  board: PartOf<'board'>;
  cpu: PartOf<'cpu'> | null;
  /** Positions of the board that suit the CPU. */
  settings: Record<string, string>;
}

/** Every board with every CPU that it takes, with and without an FPU where one is asked for. */
export function bases(pool: Pool, brief: Brief): Base[] {
  const mustFpu = (brief.wishes ?? []).some((w) => w.kind === 'have' && w.what === 'fpu');
  const wantsFpu =
    mustFpu ||
    brief.profiles.some((p) => p.wants?.fpu) ||
    [...pool.fixed].some((id) => pool.get(id)?.kind === 'fpu');
  const out: Base[] = [];
  const known = new Map<string, ReturnType<typeof masksOf>>();
  const masks = (offer: Pick<Offer, 'cpu' | 'speed' | 'slow' | 'fpu'>) => {
    const key = JSON.stringify(offer);
    const found = known.get(key) ?? masksOf(brief.profiles, offer, ['cpu']);
    known.set(key, found);
    return found;
  };
  const sorts = new Map<string, number>();
  /** Boards of one sort have one number. */
  const sortOf = ({ board }: Base): number => {
    const sort = sortOfBoard(board);
    const number = sorts.get(sort) ?? sorts.size;
    sorts.set(sort, number);
    return number;
  };
  const make = (
    board: PartOf<'board'>,
    cpu: PartOf<'cpu'> | null,
    fpu: Part | null,
    settings: Record<string, string>
  ) => {
    const facts = (cpu ?? pool.cpuOf(board))?.cpu;
    if (!suitsSystem(brief.os, { cpu: facts?.family })) return;
    const core = facts ? coreOf(board, facts, settings) : null;
    const parts = [board, ...(cpu ? [cpu] : []), ...(fpu ? [fpu] : [])].map((part) => ({ part, count: 1 }));
    out.push({
      board,
      cpu,
      settings,
      parts,
      weight:
        parts.reduce((n, p) => n + pool.weigh(p.part), 0) +
        // Known before anything else is chosen: its battery is one thing to watch.
        weighSides({ cautions: board.board.battery === 'barrel' ? 1 : 0 }, pool.weights),
      ...masks({
        cpu: facts?.family ?? null,
        speed: facts && core !== null ? speedIndex(facts, core) : null,
        slow: facts ? slowDownsOf(board, facts.family) : [],
        fpu: facts?.fpu || fpu !== null
      })
    });
  };
  // A machine that is sold as one is taken as it is, not planned.
  for (const board of pool.of('board').filter((b) => !b.board?.closed)) {
    const soldered = board.board?.cpuSocket?.soldered;
    const cpus: (PartOf<'cpu'> | null)[] = soldered
      ? [null]
      : pool.of('cpu').filter((cpu) => socketTakes(board, cpu));
    for (const cpu of cpus) {
      const own = cpu ?? pool.cpuOf(board);
      const settings = own ? settingsFor(board, own) : {};
      if (!settings) continue;
      if (!mustFpu || own?.cpu.fpu) make(board, cpu, null, settings);
      if (!wantsFpu || !own || own.cpu.fpu) continue;
      for (const fpu of pool.of('fpu').filter((f) => takesFpu(board, own, f, settings)))
        make(board, cpu, fpu, withFpuSwitch(board, settings));
    }
  }
  const ofRole = (p: Part) => p.kind === 'board' || p.kind === 'cpu' || p.kind === 'fpu';
  return narrowed(pool, withFixed(pool, out, ofRole), (o) => `${sortOf(o)} ${o.mask} ${o.soft}`);
}

const boardSorts = new WeakMap<Part, string>();

/** Everything by which another choice can tell two boards apart: they are of one sort when it is the same. */
function sortOfBoard(board: PartOf<'board'>): string {
  const known = boardSorts.get(board);
  if (known !== undefined) return known;
  const { slots, memory, keyboard, form, powerPlug, firmware, battery, class: cls } = board.board;
  const facts = [cls, slots, memory, keyboard, form, powerPlug, firmware, battery];
  const sort = JSON.stringify([facts, board.video, board.functions, board.power]);
  boardSorts.set(board, sort);
  return sort;
}

/** Whether a board with a CPU takes an FPU, at the clock that the CPU runs at. */
function takesFpu(
  board: PartOf<'board'>,
  { cpu }: PartWith<'cpu'>,
  { fpu: { kind, mhz } }: PartOf<'fpu'>,
  settings: Record<string, string>
): boolean {
  const core = coreOf(board, cpu, settings) ?? cpu.coreMHz;
  const needed = kind === '287' ? (core * 2) / 3 : core;
  return (board.board.fpuSockets ?? []).includes(kind) && fpuSuits(kind, cpu.family) && !tooFast(needed, mhz);
}

const withFpuSwitch = (board: PartOf<'board'>, settings: Record<string, string>) => {
  const told = board.board.fpuSwitch;
  return told ? { ...settings, [told.setting]: told.fitted } : settings;
};

function coreOf(
  board: PartOf<'board'>,
  cpu: NonNullable<Part['cpu']>,
  settings: Record<string, string>
): number | null {
  const { busClock } = board.board;
  const bus = !busClock
    ? null
    : Array.isArray(busClock)
      ? busClock.length === 1
        ? there(busClock[0])
        : null
      : (busClock.values[settings[busClock.setting] ?? ''] ?? null);
  // settingsFor chose the factor that the CPU is rated for.
  return bus === null ? null : bus * ratedFactor(cpu);
}

/** Fillings of a base, with an expanded-memory board where programs want one and the CPU makes none itself. */
export function memories(pool: Pool, base: Base, brief: Brief): (Option & { filling: Filling | null })[] {
  const facts = base.board.board.memory;
  if (!facts) return [{ parts: [], ...masksOf(brief.profiles, {}, ['memory']), weight: 0, filling: null }];
  const cpu = base.cpu ?? pool.cpuOf(base.board);
  const family = cpu?.cpu?.family ?? null;
  const { dos } = systemOf(brief.os);
  const reach = family ? families[family].reachKiB : Infinity;
  const all = fillings(
    facts,
    pool.of('memory'),
    (part, n) => pool.weigh(part, n),
    Math.min(reach, facts.maxKiB)
  );
  const wantsEms =
    brief.profiles.some((p) => p.wants?.memory?.expandedKiB) &&
    (family === null || families[family].rank < 2);
  const boards: (Part | null)[] = [
    null,
    ...(wantsEms
      ? pool.of('card').filter((p) => p.functions.some((f) => f.kind === 'ems' && f.memoryKiB))
      : [])
  ];
  const enough = all.filter(({ kib }) =>
    suitsSystem(brief.os, { totalKiB: kib, extendedKiB: shownMemory(kib, facts).extended })
  );
  const options = enough.flatMap((filling) =>
    boards.map((ems) => {
      const shown = shownMemory(filling.kib, facts);
      const own = family && families[family].rank >= 2 ? shown.extended : 0;
      const parts = [
        ...filling.banks.map((b) => ({ part: b.part, count: b.count, place: b.bank })),
        ...(ems ? [{ part: ems, count: 1 }] : [])
      ];
      const memory = {
        base: freeBase(shown, dos ?? 6, base.board.board.class === 'at'),
        extended: shown.extended,
        expanded: Math.max(own, ems?.functions.find((f) => f.kind === 'ems')?.memoryKiB ?? 0)
      };
      return {
        filling,
        parts,
        ...masksOf(brief.profiles, { memory, cpu: family }, ['memory']),
        weight: tally(parts).reduce((n, p) => n + pool.weigh(p.part, p.count), 0)
      };
    })
  );
  const kept = withFixed(
    pool,
    options,
    (p) => p.kind === 'memory' || p.functions.some((f) => f.kind === 'ems')
  );
  return narrowed(pool, kept, (o) => `${o.mask} ${o.soft}`);
}

/** No sound, or one card of each sort, by what else it brings too; fixed ones all together. */
export function audios(pool: Pool, { profiles, wishes = [] }: Brief): Option[] {
  const cards = pool.parts.filter((p) => p.audio && (p.kind === 'card' || p.kind === 'adapter'));
  const fixed = cards.filter((p) => pool.fixed.has(p.id));
  const sets = fixed.length ? [fixed] : [[], ...cards.map((c) => [c])];
  const options = sets.map((set) => ({
    parts: set.map((part) => ({ part, count: 1 })),
    ...audioMasks(profiles, set),
    weight: set.reduce((n, p) => n + pool.weigh(p), 0)
  }));
  const asked = new Set<string>([
    ...wishes.flatMap((w) => (w.kind === 'have' ? [w.what] : [])),
    ...profiles.flatMap((p) => p.wants?.functions ?? [])
  ]);
  const wantsCd = asked.has('cdrom') || profiles.some((p) => p.wants?.cdrom);
  /** What a card brings beside sound, of what is asked: a game port, MIDI, a place for an optical drive. */
  const brings = (part: Part | undefined) =>
    (part?.functions ?? []).flatMap((f) => [
      ...(asked.has(f.kind) ? [f.kind] : []),
      ...(wantsCd ? (f.speaks ?? []) : [])
    ]);
  return narrowed(pool, options, ({ parts: [first], mask, soft }) =>
    [first?.part.card?.bus ?? '', mask, soft, ...brings(first?.part).sort()].join(' ')
  );
}

function audioMasks(profiles: readonly Profile[], set: readonly Part[]) {
  const abilities = new Set(set.flatMap((p) => p.audio?.abilities ?? []));
  const { mask, soft } = masksOf(profiles, { abilities }, ['audio']);
  return { mask: mask & needsMask(profiles, set), soft };
}

/** Programs whose fixed numbers a set of cards can be set to at all. */
function needsMask(profiles: readonly Profile[], set: readonly Part[]): Mask {
  let mask = 0n;
  profiles.forEach((profile, i) => {
    const met = profile.needs
      .filter((need) => need.weight === 'hard')
      .every((need) => {
        const fns = set.flatMap((p) => p.functions.filter((f) => f.kind === need.kind));
        return fns.length === 0 || fns.some((fn) => need.io === undefined || reaches(fn, need.io));
      });
    if (met) mask |= 1n << BigInt(i);
  });
  return mask;
}

function reaches(fn: PartFunction, bases: readonly number[]): boolean {
  const claim = fn.claims.find((c) => c.resource === 'io');
  if (!claim) return true;
  const { from } = claim;
  if (!from) return typeof claim.value === 'number' && bases.includes(claim.value);
  const values = 'setting' in from ? Object.values(from.values) : from.rows.map((r) => r.value);
  return values.some((v) => v !== null && bases.includes(v));
}
