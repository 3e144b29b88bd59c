import { there } from '../model';
import { median, meanOf, straighten, type Corners, type Flat, type Raster } from './straighten';

/** One switch as the picture shows it. */
export interface SwitchSeen {
  /** From 1 on, from the left of the upright block. */
  n: number;
  /** Where its slider is. */
  side: 'up' | 'down';
  /** 0 to 1; below `SURE` it must be looked at. */
  certainty: number;
  isDoubtful: boolean;
}

export interface DipSeen {
  switches: SwitchSeen[];
  /** Whether the slider is the lighter part of its slot, and whether the picture says so clearly. */
  slider: 'light' | 'dark';
  isSliderSure: boolean;
}

/** Above this a position is taken as read. */
export const SURE = 0.6;
const CELL = 24;
const TALL = 72;
/** Half heights of the slot that are tried, as shares of the block. */
const HALVES: readonly number[] = [0.16, 0.2, 0.24, 0.28, 0.32, 0.36];

interface Cell {
  up: number;
  down: number;
  /** How uneven the two halves are inside. */
  rough: number;
}

function cellOf(flat: Flat, n: number, i: number, half: number): Cell {
  const [x0, x1] = [(i + 0.3) / n, (i + 0.7) / n];
  // The middle of each half: edges are blurred and shaded.
  const inset = half * 0.22;
  const up = meanOf(flat, x0, x1, 0.5 - half + inset, 0.5 - inset);
  const down = meanOf(flat, x0, x1, 0.5 + inset, 0.5 + half - inset);
  const rows = [0.3, 0.5, 0.7].map((t) => t * half);
  const ups = rows.map((t) => meanOf(flat, x0, x1, 0.5 - t - 0.03, 0.5 - t + 0.03));
  const downs = rows.map((t) => meanOf(flat, x0, x1, 0.5 + t - 0.03, 0.5 + t + 0.03));
  const spread = (list: number[]) => Math.max(...list) - Math.min(...list);
  return { up, down, rough: (spread(ups) + spread(downs)) / 2 };
}

/**
 * Reads the sliders of a DIP switch. Which of the two brightnesses is the slider is told by the body: the recess is
 * nearer to it, or darker. Where that is not clear, every position is doubtful.
 * @param count switches, 1 to 16
 * @param told the slider's brightness, where somebody said it
 */
export function readDip(raster: Raster, corners: Corners, count: number, told?: 'light' | 'dark'): DipSeen {
  const flat = straighten(raster, corners, count * CELL, TALL);
  const cellsAt = (half: number) => Array.from({ length: count }, (_, i) => cellOf(flat, count, i, half));
  const contrast = (cells: readonly Cell[]) => median(cells.map((c) => Math.abs(c.up - c.down)));
  const halves = HALVES.map((h) => ({ h, c: contrast(cellsAt(h)) })).sort((a, b) => b.c - a.c);
  const cells = cellsAt(there(halves[0]).h);
  // The body shows between the slots.
  const bodies = Array.from({ length: count + 1 }, (_, i) =>
    meanOf(flat, Math.max(0.004, (i - 0.07) / count), Math.min(0.996, (i + 0.07) / count), 0.42, 0.58)
  );
  const bodyAt = (i: number) => (there(bodies[i]) + there(bodies[i + 1])) / 2;
  const usual = contrast(cells);
  const lights = cells.map((c, i) => Math.abs(Math.max(c.up, c.down) - bodyAt(i)));
  const darks = cells.map((c, i) => Math.abs(Math.min(c.up, c.down) - bodyAt(i)));
  const [far, near] = [median(lights), median(darks)];
  // A white slider in a dark recess is by far the usual thing.
  const slider = told ?? (far * 1.6 >= near ? 'light' : 'dark');
  const isSliderSure = told !== undefined || far > near * 1.15 || near > far * 2.2;
  const switches = cells.map((c, i): SwitchSeen => {
    const d = c.up - c.down;
    const isLightUp = d > 0;
    const side = (slider === 'light') === isLightUp ? 'up' : 'down';
    const strength = usual > 0 ? Math.abs(d) / usual : 0;
    const level = Math.abs(d) / 40;
    // A shadow or a glare over half of a cell makes it uneven inside.
    const calm = Math.max(0, 1 - c.rough / Math.max(12, Math.abs(d) * 1.6));
    const certainty = Math.min(1, strength * 1.1, level) * (0.35 + 0.65 * calm) * (isSliderSure ? 1 : 0.5);
    const isOdd = strength > 2.4;
    return {
      n: i + 1,
      side,
      certainty: Math.round(certainty * 100) / 100,
      isDoubtful: certainty < SURE || isOdd
    };
  });
  return { switches, slider, isSliderSure };
}
