import type { CpuFamily } from '../model';

export interface Waits {
  /** Wait states needed, from 0 to 7; null where no estimate holds. */
  needed: number | null;
  /** Nanoseconds left for the memory with no wait state. */
  available: number | null;
  /** On what the estimate rests: ns of a clock, and ns that the logic takes; null where no estimate holds. */
  rests: { cycleNs: number; overheadNs: number; leavesNs: number } | null;
}

/**
 * Cycle time of a memory chip, access and precharge together, in ns, by its access time: from data sheets of the
 * time. A board that does not interleave its banks has to wait for it.
 */
const cycleTimes: readonly (readonly [access: number, cycle: number])[] = [
  [60, 110],
  [70, 130],
  [80, 160],
  [100, 190],
  [120, 220],
  [150, 260],
  [200, 330]
];

/** Cycle time for an access time; between two entries the slower one counts. */
const cycleTimeOf = (ns: number): number => (cycleTimes.find(([access]) => access >= ns) ?? [0, ns * 1.7])[1];

/**
 * Wait states that memory of an access time needs at a clock, an estimate: time available = (cycle clocks +
 * wait states) ÷ bus clock − overhead. Two clocks of a cycle can be used; overhead is about 60 ns with logic
 * of the 286 class and 30 ns with a later chipset. The cycle of the chip, access and precharge, must fit into the
 * same clocks. It holds without cache, interleave and page mode: from the
 * 386 on wait states mostly concern page hits, and only the board's own table says which memory will do.
 * @param busMHz above 0, @param ns access time as marked, 5 to 300
 */
export function waitStates(family: CpuFamily, busMHz: number, ns: number, overheadNs = 60): Waits {
  const early = family === '8088' || family === '8086' || family === '286';
  if (!early) return { needed: null, available: null, rests: null };
  const cycle = 1000 / busMHz;
  const available = 2 * cycle - overheadNs;
  const byAccess = Math.ceil((ns - available) / cycle);
  const byCycle = Math.ceil((cycleTimeOf(ns) - 2 * cycle) / cycle);
  const needed = Math.min(7, Math.max(0, byAccess, family === '286' ? byCycle : 0));
  return {
    needed,
    available: Math.round(available),
    rests: { cycleNs: Math.round(cycle), overheadNs, leavesNs: Math.round(available) }
  };
}
