import type { CpuFamily } from '../model';

export interface Waits {
  /** Wait states needed, from 0 to 7; null where no estimate holds. */
  needed: number | null;
  /** Nanoseconds left for the memory with no wait state. */
  available: number | null;
  /** On what the estimate rests, in words. */
  assumes: string;
}

/**
 * Wait states that memory of an access time needs at a clock, an estimate: time available = (cycle clocks +
 * wait states) ÷ bus clock − overhead. Two clocks of a cycle can be used; overhead is about 60 ns with logic
 * of the 286 class and 30 ns with a later chipset. It holds without cache, interleave and page mode: from the
 * 386 on wait states mostly concern page hits, and only the board's own table says which memory will do.
 * @param busMHz above 0, @param ns access time as marked, 5 to 300
 */
export function waitStates(family: CpuFamily, busMHz: number, ns: number, overheadNs = 60): Waits {
  const early = family === '8088' || family === '8086' || family === '286';
  if (!early)
    return {
      needed: null,
      available: null,
      assumes: 'From the 386 on page mode and cache decide; compare with the table of the board.'
    };
  const cycle = 1000 / busMHz;
  const available = 2 * cycle - overheadNs;
  const needed = Math.min(7, Math.max(0, Math.ceil((ns - available) / cycle)));
  return {
    needed,
    available: Math.round(available),
    assumes: `2 clocks of ${Math.round(cycle)} ns less ${overheadNs} ns for the logic leave ${Math.round(available)} ns; an estimate without cache, interleave and page mode`
  };
}
