import { there } from '../model';
/** A picture as numbers: rows from the top, three bytes a pixel (red, green, blue). */
export interface Raster {
  width: number;
  height: number;
  rgb: Uint8Array | Uint8ClampedArray;
}

export interface Point {
  x: number;
  y: number;
}

/** Four corners of a block: its own top left, then on clockwise as the block is read. */
export type Corners = readonly [Point, Point, Point, Point];

/** What cannot be a block: corners on a line, or crossed. */
export class CornersError extends Error {}

/** A mapping of the unit square onto four corners (perspective). */
export type Mapping = (u: number, v: number) => Point;

/** @throws CornersError when the corners are no four corners of one convex block */
export function mappingOf(corners: Corners): Mapping {
  const turns = corners.map((p, i) => {
    const q = there(corners[(i + 1) % 4]);
    const r = there(corners[(i + 2) % 4]);
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  if (!turns.every((t) => t > 1e-6) && !turns.every((t) => t < -1e-6)) throw new CornersError();
  const [a, b, c, d] = corners;
  // The square (0,0) (1,0) (1,1) (0,1) onto a, b, c, d.
  const dx1 = b.x - c.x;
  const dx2 = d.x - c.x;
  const dx3 = a.x - b.x + c.x - d.x;
  const dy1 = b.y - c.y;
  const dy2 = d.y - c.y;
  const dy3 = a.y - b.y + c.y - d.y;
  const under = dx1 * dy2 - dx2 * dy1;
  const g = (dx3 * dy2 - dx2 * dy3) / under;
  const h = (dx1 * dy3 - dx3 * dy1) / under;
  return (u, v) => {
    const w = g * u + h * v + 1;
    return {
      x: ((b.x - a.x + g * b.x) * u + (d.x - a.x + h * d.x) * v + a.x) / w,
      y: ((b.y - a.y + g * b.y) * u + (d.y - a.y + h * d.y) * v + a.y) / w
    };
  };
}

/** Samples of one cell of the straightened picture in each direction. */
const SUB = 2;

/** A straightened block as brightness and colour, row by row. */
export interface Flat {
  width: number;
  height: number;
  /** Brightness, 0 to 255. */
  grey: Float32Array;
  rgb: Float32Array;
}

/** Draws a block upright, `width` × `height` pixels. */
export function straighten(raster: Raster, corners: Corners, width: number, height: number): Flat {
  const map = mappingOf(corners);
  const grey = new Float32Array(width * height);
  const rgb = new Float32Array(width * height * 3);
  const at = (x: number, y: number, c: number): number => {
    const px = Math.min(raster.width - 1, Math.max(0, x));
    const py = Math.min(raster.height - 1, Math.max(0, y));
    return there(raster.rgb[(py * raster.width + px) * 3 + c]);
  };
  const n = SUB * SUB;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      for (let k = 0; k < n; k++) {
        const p = map(
          (x + ((k % SUB) + 0.5) / SUB) / width,
          (y + (Math.floor(k / SUB) + 0.5) / SUB) / height
        );
        const [fx, fy] = [p.x - 0.5, p.y - 0.5];
        const [x0, y0] = [Math.floor(fx), Math.floor(fy)];
        const [ax, ay] = [fx - x0, fy - y0];
        for (let c = 0; c < 3; c++) {
          const value =
            at(x0, y0, c) * (1 - ax) * (1 - ay) +
            at(x0 + 1, y0, c) * ax * (1 - ay) +
            at(x0, y0 + 1, c) * (1 - ax) * ay +
            at(x0 + 1, y0 + 1, c) * ax * ay;
          rgb[i * 3 + c] = there(rgb[i * 3 + c]) + value / n;
        }
      }
      grey[i] = 0.299 * there(rgb[i * 3]) + 0.587 * there(rgb[i * 3 + 1]) + 0.114 * there(rgb[i * 3 + 2]);
    }
  return { width, height, grey, rgb };
}

/** The longer side of a cut-out, in pixels. */
const CUT_OUT = 300;

/** The block cut out of a picture and straightened, in its own proportions: to be kept beside its reading. */
export function cutOut(raster: Raster, corners: Corners): Raster {
  const side = (i: number, k: number) =>
    Math.hypot(there(corners[i]).x - there(corners[k]).x, there(corners[i]).y - there(corners[k]).y);
  const across = side(0, 1) + side(3, 2);
  const down = side(0, 3) + side(1, 2);
  const size = (part: number) =>
    Math.max(16, Math.min(CUT_OUT, Math.round((CUT_OUT * part) / Math.max(across, down))));
  const flat = straighten(raster, corners, size(across), size(down));
  return { width: flat.width, height: flat.height, rgb: Uint8ClampedArray.from(flat.rgb) };
}

/** Mean brightness of a part of a flat picture, its ends as shares of width and height. */
export function meanOf(flat: Flat, x0: number, x1: number, y0: number, y1: number): number {
  let sum = 0;
  let n = 0;
  const [fromX, toX] = [
    Math.floor(x0 * flat.width),
    Math.max(Math.floor(x0 * flat.width) + 1, Math.ceil(x1 * flat.width))
  ];
  const [fromY, toY] = [
    Math.floor(y0 * flat.height),
    Math.max(Math.floor(y0 * flat.height) + 1, Math.ceil(y1 * flat.height))
  ];
  for (let y = Math.max(0, fromY); y < Math.min(flat.height, toY); y++)
    for (let x = Math.max(0, fromX); x < Math.min(flat.width, toX); x++) {
      sum += there(flat.grey[y * flat.width + x]);
      n++;
    }
  return n ? sum / n : 0;
}

/** Mean colour of the same. */
export function colourOf(
  flat: Flat,
  x0: number,
  x1: number,
  y0: number,
  y1: number
): [number, number, number] {
  const out: [number, number, number] = [0, 0, 0];
  let n = 0;
  for (let y = Math.floor(y0 * flat.height); y < Math.min(flat.height, Math.ceil(y1 * flat.height)); y++)
    for (let x = Math.floor(x0 * flat.width); x < Math.min(flat.width, Math.ceil(x1 * flat.width)); x++) {
      const i = (y * flat.width + x) * 3;
      for (let c = 0; c < 3; c++) out[c] = there(out[c]) + there(flat.rgb[i + c]);
      n++;
    }
  return n ? [out[0] / n, out[1] / n, out[2] / n] : out;
}

export const median = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted.length ? there(sorted[sorted.length >> 1]) : 0;
};
