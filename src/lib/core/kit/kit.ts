import { clocksOf, isaClockOf, opensTo, readOffered, withCarrier, withOscillator } from '../boards';
import {
  hasFacts,
  isOfKind,
  type Build,
  type Item,
  type MemoryFacts,
  type Owner,
  type Part,
  type PartFunction,
  type PartOf,
  type PartSet,
  type PartWith,
  type VideoFacts,
  entryOf
} from '../model';
import { isIn, isOn, machine, ownerOf, standing, type Machine, type Positions } from '../resources';

/** An item with its part. */
export interface Placed<P extends Part = Part> {
  item: Item;
  part: P;
  title: string;
}
export type PlacedDrive = Placed<PartWith<'drive'>>;
export type PlacedMonitor = Placed<PartWith<'monitor'>>;
export type PlacedModule = Placed<PartWith<'module'>>;

/** A function that runs drives: a channel of the board or of a card. */
export interface Controller {
  item: string;
  owner: Owner;
  title: string;
  fn: PartFunction;
  isOn: boolean;
  /** On the board itself. */
  onBoard: boolean;
}

export interface Display {
  item: string;
  title: string;
  facts: VideoFacts;
  isOn: boolean;
}

/** A build seen as a machine: what is in it by kind, whatever its settings say about lines. */
export interface Kit {
  build: Build;
  parts: PartSet;
  m: Machine;
  at: Positions;
  /** Year of the brief, or null. */
  year: number | null;
  board: PartWith<'board'>;
  facts: NonNullable<Part['board']>;
  cpu: PartWith<'cpu'> | null;
  /** The one that runs: where its pins do not go into the board, what is soldered in, or none. */
  seatedCpu: PartWith<'cpu'> | null;
  fpu: Placed<PartWith<'fpu'>> | null;
  /** What the CPU sits on instead of the board's own socket. `board` and `facts` are as the CPU meets them there. */
  carrier: Placed<PartWith<'adapter'>> | null;
  /** What was put into the socket of the board's oscillator; `board` and `facts` are clocked by it. */
  oscillator: Placed<PartWith<'oscillator'>> | null;
  /** Memory modules by the bank they sit in; `''` holds those without one. */
  banks: Map<string, { placed: PlacedModule; count: number }[]>;
  memory: MemoryFacts | null;
  displays: Display[];
  monitors: PlacedMonitor[];
  drives: PlacedDrive[];
  controllers: Controller[];
  supply: Placed<PartWith<'supply'>> | null;
  keyboard: Placed<PartWith<'keyboard'>> | null;
  chassis: Placed<PartWith<'chassis'>> | null;
  adapters: Placed<PartWith<'adapter'>>[];
  firmware: Machine['firmware'];
}

/** Sorts what a build holds. Parts that are missing throw, as in `machine`. */
export function kitOf(build: Build, parts: PartSet, m: Machine = machine(build, parts)): Kit {
  const at = standing(m);
  const placed = build.items.map((item): Placed => {
    const part = entryOf(parts, item.part);
    return { item, part, title: item.label ?? part.name };
  });
  const ofKind = <K extends Part['kind']>(kind: K) =>
    placed.filter((p): p is Placed<PartOf<K>> => isOfKind(p.part, kind));
  const known = <K extends keyof Part>(id: string | undefined, key: K): PartWith<K> | null => {
    const part = id === undefined ? undefined : parts.get(id);
    return part && hasFacts(part, key) ? part : null;
  };
  const adapters = ofKind('adapter');
  const carrier = adapters.find((p) => p.part.adapter.cpu) ?? null;
  const soldered = known(m.board.part.board?.cpuSocket?.soldered, 'cpu');
  const loose = ofKind('cpu')[0]?.part ?? null;
  const cpu = loose ?? soldered;
  const carried = withCarrier(m.board.part, carrier?.part.adapter.cpu);
  const socket = carried.board.cpuSocket;
  const seatedCpu = loose && (!socket || opensTo(socket, [loose.cpu.socket])) ? loose : soldered;
  const oscillator = ofKind('oscillator')[0] ?? null;
  const board = withOscillator(carried, oscillator?.part.oscillator.mhz, seatedCpu?.cpu.family ?? null);
  const facts = board.board;
  const banks: Kit['banks'] = new Map();
  for (const p of ofKind('memory')) {
    const bank = p.item.place ?? '';
    banks.set(bank, [...(banks.get(bank) ?? []), { placed: p, count: p.item.count ?? 1 }]);
  }
  const year = Number(build.brief.date?.slice(0, 4) ?? NaN);
  return {
    build,
    parts,
    m,
    at,
    year: Number.isNaN(year) ? null : year,
    board,
    facts,
    cpu,
    seatedCpu,
    fpu: ofKind('fpu')[0] ?? null,
    carrier,
    oscillator,
    banks,
    memory: facts.memory ?? null,
    displays: displaysOf(m, at),
    // A machine that is sold as one brings its own.
    monitors: [...builtIn(m), ...ofKind('monitor')],
    drives: ofKind('drive'),
    controllers: controllersOf(m, at),
    supply: ofKind('supply')[0] ?? null,
    keyboard: ofKind('keyboard')[0] ?? null,
    chassis: ofKind('case')[0] ?? null,
    adapters,
    firmware: m.firmware
  };
}

const builtIn = ({ board: { item, part, title } }: Machine): PlacedMonitor[] =>
  hasFacts(part, 'monitor') ? [{ item, part, title }] : [];

function displaysOf(m: Machine, at: Positions): Display[] {
  return m.fitted.filter(isIn).flatMap((f) => {
    if (!f.part.video) return [];
    const fn = f.part.functions.find((x) => x.kind === 'display');
    return [
      { item: f.item.id, title: f.title, facts: f.part.video, isOn: fn === undefined || isOn(f, fn, at) }
    ];
  });
}

function controllersOf(m: Machine, at: Positions): Controller[] {
  return m.fitted.filter(isIn).flatMap((f) =>
    f.part.functions
      .filter((fn) => fn.speaks)
      .map((fn) => ({
        item: f.item.id,
        owner: ownerOf(m, f.item.id, fn.id),
        title: f.item.id === m.board.item.id ? `${fn.label} of the board` : `${fn.label} of ${f.title}`,
        fn,
        isOn: isOn(f, fn, at),
        onBoard: f.item.id === m.board.item.id
      }))
  );
}

/** Parts that a build needs to be understood though no item is one: the BIOS, a CPU that is soldered in. */
export function relatedParts(board: Part): string[] {
  return [board.board?.firmware, board.board?.cpuSocket?.soldered].filter(
    (id): id is string => id !== undefined
  );
}

/** Every part that a build uses: those of its items, fitted or ready, and those that its board needs besides. */
export function usedParts(build: Build, parts: PartSet): Part[] {
  const ids = new Set([build.board, ...build.items, ...build.shelf].map((item) => item.part));
  const board = parts.get(build.board.part);
  for (const id of board ? relatedParts(board) : []) ids.add(id);
  return [...ids].flatMap((id) => parts.get(id) ?? []);
}

/** ISA clock in MHz, where it is fixed or somebody looked; null: taken for granted, and so no clock at which a card was tried. */
export function knownIsaClock({ board, facts, cpu, at, build }: Kit): number | null {
  const isSeen = (setting: string) => setting in build.board.asFound || setting in build.board.chosen;
  const { bus } = clocksOf(board, cpu, at, isSeen);
  if (bus.unseen || readOffered(facts.busDivisor, at, isSeen).unseen) return null;
  return isaClockOf(board, bus.value, at, isSeen);
}
