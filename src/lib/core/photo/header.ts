import { there } from '../model';
import { colourOf, straighten, type Corners, type Flat, type Raster } from './straighten';

/** One place for a jumper, as the picture shows it. */
export interface JumperSeen {
  /** Pins that it would join, numbered down each column, then to the right. */
  pins: [number, number];
  isOn: boolean;
  certainty: number;
  isDoubtful: boolean;
}

const CELL = 28;
/** Difference of colours, 0 to 441, above which two places differ, and below which they are one thing. */
const DIFFERENT = 42;
const SAME = 20;

type Colour = [number, number, number];
const distance = (a: Colour, b: Colour): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** A small spot of the flat picture, in cells. */
const spot = (flat: Flat, columns: number, rows: number, x: number, y: number, size: number): Colour =>
  colourOf(flat, (x - size) / columns, (x + size) / columns, (y - size) / rows, (y + size) / rows);

interface Pair {
  /** How much each of two pins differs from what lies between them: a jumper covers all three. */
  out: readonly [number, number];
  /** The two pins differ from what lies between in the same way, as two pins do; light and shade do not. */
  isAlike: boolean;
  /** What lies between is far brighter than the dark parts of the block: a shine, if the pins are bare. */
  isShiny: boolean;
}

const SHINE = 80;
const ALIKE = 0.75;

function pairOf(
  flat: Flat,
  columns: number,
  rows: number,
  dark: number,
  a: readonly [number, number],
  b: readonly [number, number]
): Pair {
  const [p, q] = [a, b].map(([x, y]) => spot(flat, columns, rows, x, y, 0.1)) as [Colour, Colour];
  const between = spot(flat, columns, rows, (a[0] + b[0]) / 2, (a[1] + b[1]) / 2, 0.1);
  const out: [number, number] = [distance(p, between), distance(q, between)];
  const along = p.reduce((n, v, c) => n + (v - there(between[c])) * (there(q[c]) - there(between[c])), 0);
  return {
    out,
    isAlike: along > 0 && distance(p, q) < ALIKE * Math.max(...out),
    isShiny: (between[0] + between[1] + between[2]) / 3 - dark > SHINE
  };
}

/** Brightness of the dark parts of a block: a tenth of it is darker. */
const darkOf = (flat: Flat): number => {
  const sorted = Float32Array.from(flat.grey).sort();
  return sorted[Math.floor(sorted.length / 10)] ?? 0;
};

const MIDDLE = (DIFFERENT + SAME) / 2;
/** How sure it is that a pin stands out, or that it does not: 0 in the middle, 1 beyond both limits. */
const sureness = (out: number): number => Math.min(1, Math.abs(out - MIDDLE) / ((DIFFERENT - SAME) / 2));

function seenOf(pins: [number, number], { out: [a, b], isAlike, isShiny }: Pair): JumperSeen {
  const isOn = a < MIDDLE && b < MIDDLE;
  // One pin that stands out beside one that does not: a shine, dirt, or the jumper of a neighbour.
  const isHalf = a < MIDDLE !== b < MIDDLE;
  const isLight = !isOn && (!isAlike || isShiny);
  const certainty = isHalf || isLight ? 0 : Math.min(sureness(a), sureness(b));
  return { pins, isOn, certainty: Math.round(certainty * 100) / 100, isDoubtful: certainty < SURE };
}
const SURE = 0.75;

/**
 * Reads which jumpers sit on a header. In two rows each column is looked at; in one row each pair of neighbours.
 * @param rows 1 or 2
 */
export function readHeader(raster: Raster, corners: Corners, rows: 1 | 2, columns: number): JumperSeen[] {
  const flat = straighten(raster, corners, columns * CELL, rows * CELL);
  const dark = darkOf(flat);
  if (rows === 2)
    return Array.from({ length: columns }, (_, c) =>
      seenOf([2 * c + 1, 2 * c + 2], pairOf(flat, columns, rows, dark, [c + 0.5, 0.5], [c + 0.5, 1.5]))
    );
  const outs = Array.from({ length: columns - 1 }, (_, c) =>
    pairOf(flat, columns, rows, dark, [c + 0.5, 0.5], [c + 1.5, 0.5])
  );
  const pairs = outs.map((out, c) => seenOf([c + 1, c + 2], out));
  return pairs.map((p, i) => {
    const before = pairs[i - 1];
    const behind = pairs[i + 1];
    // A pin takes one jumper: of two neighbours that both look covered nobody can say which it is.
    if (p.isOn && (before?.isOn || behind?.isOn)) return { ...p, isDoubtful: true };
    // The neighbour's jumper covers one of its pins; the other one stands out.
    const [a, b] = there(outs[i]).out;
    const taken =
      (before?.isOn && !before.isDoubtful && b > DIFFERENT) ||
      (behind?.isOn && !behind.isDoubtful && a > DIFFERENT);
    return !p.isOn && taken ? { ...p, certainty: 1, isDoubtful: false } : p;
  });
}
