import { there } from '../model';
import type { AdapterFacts, CpuFacts, CpuFamily, CpuSocket, Offered, Part, PartWith } from '../model';
import type { Positions } from '../resources';
import { ISA, VOLTS, sameClock, tooFast } from './tolerances';

/**
 * CPU families in order of what they understand, with what one clock does against an 8088 (memory waits
 * and cache at their usual) and the memory that they reach in KiB. From the usual rules of thumb:
 * 8088 : 286 : 386DX : 486 : Pentium = 1 : 3 : 3.5 : 8 : 16.
 */
export const families: Record<CpuFamily, { rank: number; perMHz: number; reachKiB: number; banks: number }> =
  {
    '8088': { rank: 0, perMHz: 1, reachKiB: 1024, banks: 8 },
    '8086': { rank: 0, perMHz: 1.4, reachKiB: 1024, banks: 16 },
    '286': { rank: 1, perMHz: 3, reachKiB: 16 * 1024, banks: 16 },
    '386sx': { rank: 2, perMHz: 2.9, reachKiB: 16 * 1024, banks: 16 },
    '386dx': { rank: 2, perMHz: 3.5, reachKiB: 4096 * 1024, banks: 32 },
    '486sx': { rank: 3, perMHz: 8, reachKiB: 4096 * 1024, banks: 32 },
    '486dx': { rank: 3, perMHz: 8, reachKiB: 4096 * 1024, banks: 32 },
    '586': { rank: 3, perMHz: 9, reachKiB: 4096 * 1024, banks: 32 },
    pentium: { rank: 4, perMHz: 16, reachKiB: 4096 * 1024, banks: 64 },
    pentium2: { rank: 5, perMHz: 20, reachKiB: 4096 * 1024, banks: 64 }
  };

/** Whether a CPU of one family runs what was written for another. */
export const runs = (has: CpuFamily, wants: CpuFamily): boolean =>
  // A DX is asked for its FPU, which is its own question.
  families[has].rank >= families[wants].rank;

/** The position that a setting stands in, and the number it gives; a list of one is fixed. */
export interface Reading {
  value: number | null;
  /** Setting on the board, when there is one. */
  setting: string | null;
  /** Nobody looked, and nothing was chosen. */
  unseen: boolean;
}

export function readOffered(
  offered: Offered | undefined,
  at: Positions,
  seen: (setting: string) => boolean
): Reading {
  if (!offered) return { value: null, setting: null, unseen: false };
  if (Array.isArray(offered))
    return { value: offered.length === 1 ? there(offered[0]) : null, setting: null, unseen: false };
  const position = at('board', offered.setting);
  return {
    value: position === undefined ? null : (offered.values[position] ?? null),
    setting: offered.setting,
    unseen: !seen(offered.setting)
  };
}

/** Every number that is offered, with the position that gives it. */
export function offers(offered: Offered | undefined): { value: number; position: string | null }[] {
  if (!offered) return [];
  if (Array.isArray(offered)) return offered.map((value) => ({ value, position: null }));
  return Object.entries(offered.values).map(([position, value]) => ({ value, position }));
}

/** The factor that a CPU is rated for, to two decimals: clocks of thirds are written with three. */
export const ratedFactor = ({ coreMHz, busMHz }: CpuFacts): number =>
  Math.round((coreMHz / busMHz) * 100) / 100;

/** Whether the multiplier of a CPU is chosen by its pins; the doubled ones before the DX4 have it built in. */
export const hasMultiplierPins = (cpu: CpuFacts): boolean =>
  cpu.family === 'pentium' || cpu.family === 'pentium2' || cpu.family === '586' || ratedFactor(cpu) > 2.5;

/**
 * What the multiplier code of a board means on a CPU.
 * @param code null: the board has no such jumper, and the pins of the CPU stay open
 */
export function factorOn(cpu: CpuFacts, code: number | null): number {
  const rated = ratedFactor(cpu);
  if (!hasMultiplierPins(cpu)) return rated;
  return code === null ? (cpu.openFactor ?? rated) : (cpu.reads[String(code)] ?? code);
}

/** FPUs that work with a CPU family. A 387 works with a 386 only, a 487 is a whole 486. */
const fpuFamilies: Record<NonNullable<Part['fpu']>['kind'], readonly CpuFamily[]> = {
  '8087': ['8088', '8086'],
  '287': ['286', '386dx'],
  '387sx': ['386sx'],
  '387dx': ['386dx'],
  '487': ['486sx']
};

/** Whether an FPU and a CPU work together, wherever they sit. */
export const fpuSuits = (kind: NonNullable<Part['fpu']>['kind'], family: CpuFamily): boolean =>
  fpuFamilies[kind].includes(family);

export interface Clocks {
  bus: Reading;
  /** Code on the board. */
  code: Reading;
  volts: Reading;
  /** What the code means on this CPU. */
  factor: number | null;
  /** Core clock in MHz: bus × factor. */
  core: number | null;
}

/** Clock and voltage that a board gives a CPU in these positions. */
export function clocksOf(
  board: PartWith<'board'>,
  cpu: Part | null,
  at: Positions,
  seen: (s: string) => boolean
): Clocks {
  const facts = board.board;
  const bus = readOffered(facts.busClock, at, seen);
  const code = readOffered(facts.multiplier, at, seen);
  const volts = readOffered(facts.coreVolts, at, seen);
  // A multiplier jumper whose position nobody knows leaves the factor open.
  const isOpen = code.setting !== null && code.value === null;
  const factor = cpu?.cpu && !(isOpen && hasMultiplierPins(cpu.cpu)) ? factorOn(cpu.cpu, code.value) : null;
  return {
    bus,
    code,
    volts,
    factor,
    core: bus.value !== null && factor !== null ? bus.value * factor : null
  };
}

/**
 * ISA clock in MHz: external clock ÷ divisor where the board has one, else what the board says of itself.
 * @returns null when neither is known
 */
export function isaClockOf(
  board: PartWith<'board'>,
  busMHz: number | null,
  at: Positions,
  seen: (s: string) => boolean
): number | null {
  const divisor = readOffered(board.board.busDivisor, at, seen).value;
  return divisor !== null && busMHz !== null ? busMHz / divisor : (board.board.busMHz ?? null);
}

/** Speed index: core MHz × what the family does in one clock against an 8088. */
export const speedIndex = (cpu: CpuFacts, coreMHz: number): number =>
  Math.round(coreMHz * families[cpu.family].perMHz * 10) / 10;

/** Positions of a board that suit a CPU: its bus clock, factor and voltage, and the divisor for the ISA bus; null when it has none. */
export function settingsFor(
  { board: facts }: PartWith<'board'>,
  { cpu: c }: PartWith<'cpu'>
): Record<string, string> | null {
  const out: Record<string, string> = {};
  const pick = (
    offered: Offered | undefined,
    fits: (value: number) => boolean,
    better: (a: number, b: number) => number
  ): boolean => {
    const all = offers(offered);
    if (!all.length) return true;
    const good = all.filter((o) => fits(o.value)).sort((a, b) => better(a.value, b.value));
    if (!good.length) return false;
    const { position } = there(good[0]);
    if (offered && !Array.isArray(offered) && position !== null) out[offered.setting] = position;
    return true;
  };
  const nearest = (wanted: number) => (a: number, b: number) => Math.abs(a - wanted) - Math.abs(b - wanted);
  const bus = pick(
    facts.busClock,
    (v) => !tooFast(v, c.busMHz),
    (a, b) => b - a
  );
  const factor =
    !hasMultiplierPins(c) ||
    pick(facts.multiplier, (v) => sameClock(factorOn(c, v), ratedFactor(c)), nearest(1));
  const volts = pick(
    facts.coreVolts,
    (v) => v <= c.volts.high + VOLTS.same && v >= c.volts.low - VOLTS.below,
    nearest((c.volts.low + c.volts.high) / 2)
  );
  const { busClock, busDivisor } = facts;
  const clock = offers(busClock).find(
    (o) =>
      o.position === null || o.position === (busClock && !Array.isArray(busClock) && out[busClock.setting])
  );
  if (clock)
    pick(
      busDivisor,
      (v) => clock.value / v <= ISA.safe,
      (a, b) => a - b
    );
  return bus && factor && volts ? out : null;
}

/** Sockets whose holes also take the pins of another. Whether the voltage suits is another matter. */
const alsoTakes: Partial<Record<CpuSocket, readonly CpuSocket[]>> = {
  pga168: ['socket3'],
  socket3: ['pga168'],
  socket7: ['socket5']
};

/** Whether the pins of a CPU go into one of these sockets. */
export const pinsFit = (sockets: readonly CpuSocket[], cpu: CpuSocket): boolean =>
  sockets.some((s) => s === cpu || (alsoTakes[s] ?? []).includes(cpu));

/** Whether a board has a socket for a CPU and knows its family. */
export function socketTakes(board: Part, cpu: Part): boolean {
  const socket = board.board?.cpuSocket;
  if (!socket || !cpu.cpu) return false;
  return (
    socket.soldered === undefined &&
    pinsFit(socket.accepts, cpu.cpu.socket) &&
    socket.families.includes(cpu.cpu.family)
  );
}

/** Whether a carrier goes into the socket of a board. */
export const carrierFits = (board: Part, carrier: NonNullable<AdapterFacts['cpu']>): boolean =>
  opensTo(board.board?.cpuSocket, carrier.into);

/** Whether anything that goes into one of these sockets can be put into a board's. */
export const opensTo = (
  socket: NonNullable<Part['board']>['cpuSocket'],
  sockets: readonly CpuSocket[]
): boolean =>
  socket !== undefined && socket.soldered === undefined && sockets.some((s) => pinsFit(socket.accepts, s));

/**
 * A board as the CPU on a carrier meets it: the sockets of the carrier, and the voltage of its regulator in place of
 * the board's. One that does not go into the socket changes nothing.
 */
export function withCarrier(board: PartWith<'board'>, carrier: AdapterFacts['cpu']): PartWith<'board'> {
  const { coreVolts: _, cpuSocket, ...facts } = board.board;
  if (!carrier || !cpuSocket || !carrierFits(board, carrier)) return board;
  return {
    ...board,
    board: {
      ...facts,
      cpuSocket: { ...cpuSocket, accepts: [...carrier.takes] },
      ...(carrier.volts === undefined ? {} : { coreVolts: [carrier.volts] })
    }
  };
}
