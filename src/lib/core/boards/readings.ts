import type { CpuFacts, Part } from '../model';
import { factorOn, offers } from './cpu';
import { asRated, sameClock, tooFast } from './tolerances';

/** What a row of a clock table gives with a CPU, when the number means the bus or the core. */
export interface ClockReading {
  unit: 'bus' | 'core';
  busMHz: number;
  coreMHz: number;
  verdict: 'right' | 'too-fast' | 'slower' | 'mistake';
}

export interface ClockRow {
  position: string;
  label: string;
  printed: number;
  readings: ClockReading[];
}

/** What a bus clock does to a CPU: within the rounding of clock names, above its rating, or below. */
function verdict(cpu: CpuFacts, busMHz: number, coreMHz: number): ClockReading['verdict'] {
  if (asRated(busMHz, cpu.busMHz) && asRated(coreMHz, cpu.coreMHz)) return 'right';
  if (!tooFast(coreMHz, cpu.coreMHz) && !tooFast(busMHz, cpu.busMHz)) return 'slower';
  return sameClock(busMHz, cpu.coreMHz) && !sameClock(cpu.coreMHz, cpu.busMHz) ? 'mistake' : 'too-fast';
}

/**
 * The clock table of a board with what each row gives for a CPU. Where nobody knows which clock the table
 * prints, both readings of each row.
 * @param code multiplier code on the board, null where it has none
 */
export function clockRows(board: Part, cpu: CpuFacts, code: number | null): ClockRow[] {
  const told = board.board?.busClock;
  if (!told || Array.isArray(told)) return [];
  const unit = board.board?.clockUnit ?? 'bus';
  const setting = board.settings.find((s) => s.id === told.setting);
  const factor = factorOn(cpu, code);
  return offers(told).flatMap(({ value, position }) => {
    if (position === null) return [];
    const read = (as: ClockReading['unit']): ClockReading => {
      const busMHz = as === 'bus' ? value : value / factor;
      const coreMHz = busMHz * factor;
      return { unit: as, busMHz, coreMHz, verdict: verdict(cpu, busMHz, coreMHz) };
    };
    return {
      position,
      label: setting?.positions.find((p) => p.id === position)?.label ?? position,
      printed: value,
      readings: unit === 'unknown' ? [read('bus'), read('core')] : [read(unit)]
    };
  });
}
