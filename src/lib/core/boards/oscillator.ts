import { there } from '../model';
import type { CpuFamily, Part, PartWith } from '../model';
import { sameClock } from './tolerances';

/**
 * What is printed on the oscillator for a bus clock: 8088 and 8086 divide by three, 286 and 386 by two; from
 * the 486 on the oscillator or clock chip is the bus clock.
 */
export function oscillatorFor(family: CpuFamily, busMHz: number): { mhz: number; divisor: number } {
  const divisor = family === '8088' || family === '8086' ? 3 : /^[23]86/.test(family) ? 2 : 1;
  return { mhz: Math.round(busMHz * divisor * 1000) / 1000, divisor };
}

/** Whether an oscillator makes the external clock of a board: no jumper chooses it. */
export const isClockedByOscillator = ({ busClock }: NonNullable<Part['board']>): boolean =>
  busClock === undefined || Array.isArray(busClock);

/**
 * A board with the oscillator that was put into its socket: it makes the external clock, whatever the catalogue says.
 * An ISA bus that ran at the external clock goes along; of any other nobody knows what it is derived from.
 * @param family CPU that the clock is divided for; null: unknown, and so is the clock
 */
export function withOscillator(
  board: PartWith<'board'>,
  mhz: number | undefined,
  family: CpuFamily | null
): PartWith<'board'> {
  if (mhz === undefined || !isClockedByOscillator(board.board)) return board;
  const { busClock: before, busMHz: isa, ...facts } = board.board;
  if (family === null) return { ...board, board: facts };
  const busMHz = mhz / oscillatorFor(family, 1).divisor;
  const old = Array.isArray(before) && before.length === 1 ? there(before[0]) : null;
  const follows = isa !== undefined && old !== null && sameClock(isa, old);
  return {
    ...board,
    board: { ...facts, busClock: [busMHz], ...(follows ? { busMHz } : {}) }
  };
}
