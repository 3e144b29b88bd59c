import type { Seeded } from './random';

/** Test pictures of blocks, drawn apart from how they are read: every pixel asks what lies under it. */

type Rgb = readonly [number, number, number];
export interface Picture {
  width: number;
  height: number;
  rgb: Uint8ClampedArray;
  /** Corners as a person would tap them: top left of the block, then clockwise. */
  corners: [P, P, P, P];
}
type P = { x: number; y: number };

export interface Look {
  name: string;
  body: Rgb;
  recess: Rgb;
  slider: Rgb;
}
export const dipLooks: readonly Look[] = [
  { name: 'red', body: [178, 32, 30], recess: [40, 18, 18], slider: [236, 232, 222] },
  { name: 'blue', body: [38, 70, 160], recess: [20, 24, 44], slider: [232, 232, 232] },
  { name: 'black', body: [36, 36, 38], recess: [14, 14, 16], slider: [224, 220, 210] },
  { name: 'grey', body: [120, 122, 120], recess: [60, 60, 58], slider: [240, 240, 236] }
];
export const headerLooks: readonly { name: string; base: Rgb; pin: Rgb; jumper: Rgb }[] = [
  { name: 'black jumper', base: [26, 26, 28], pin: [214, 186, 110], jumper: [34, 34, 36] },
  { name: 'blue jumper', base: [26, 26, 28], pin: [210, 208, 200], jumper: [34, 70, 170] },
  { name: 'yellow jumper', base: [30, 30, 30], pin: [214, 190, 120], jumper: [238, 200, 30] }
];

type Scene = (u: number, v: number) => Rgb;

/** A DIP switch of n; `up` says where each slider is. Numbers stand below, the word ON above. */
export const dipScene =
  (look: Look, up: readonly boolean[], half: number): Scene =>
  (u, v) => {
    const n = up.length;
    const i = Math.min(n - 1, Math.floor(u * n));
    const x = u * n - i;
    const inSlot = x > 0.24 && x < 0.76 && v > 0.5 - half && v < 0.5 + half;
    if (inSlot) return up[i] === v < 0.5 ? look.slider : look.recess;
    // A number below each slot, a word above the first.
    const isInk =
      (v > 0.86 && v < 0.94 && x > 0.42 && x < 0.56) || (v > 0.06 && v < 0.13 && u < 0.9 / n && x > 0.2);
    return isInk ? [230, 230, 226] : look.body;
  };

/** A header: pins on a base; a jumper covers both pins of a column, or two neighbours in one row. */
export const headerScene =
  (look: (typeof headerLooks)[number], rows: 1 | 2, columns: number, on: readonly boolean[]): Scene =>
  (u, v) => {
    const [x, y] = [u * columns, v * rows];
    const covered =
      rows === 2
        ? on[Math.min(columns - 1, Math.floor(x))] && Math.abs((x % 1) - 0.5) < 0.44
        : on.some((is, i) => is && x > i + 0.1 && x < i + 1.9 && y > 0.1 && y < 0.9);
    if (covered) return look.jumper;
    const isPin = Math.abs((x % 1) - 0.5) < 0.17 && Math.abs((y % 1) - 0.5) < 0.17;
    return isPin ? look.pin : look.base;
  };

/** Solves the eight numbers of a perspective from four pairs of points. */
function perspective(from: readonly P[], to: readonly P[]): number[] {
  const rows = from.flatMap((p, i) => {
    const q = to[i]!;
    return [
      [p.x, p.y, 1, 0, 0, 0, -p.x * q.x, -p.y * q.x, q.x],
      [0, 0, 0, p.x, p.y, 1, -p.x * q.y, -p.y * q.y, q.y]
    ];
  });
  for (let c = 0; c < 8; c++) {
    const best = rows.slice(c).reduce((b, r, k) => (Math.abs(r[c]!) > Math.abs(rows[b]![c]!) ? c + k : b), c);
    [rows[c], rows[best]] = [rows[best]!, rows[c]!];
    for (let r = 0; r < 8; r++)
      if (r !== c) {
        const f = rows[r]![c]! / rows[c]![c]!;
        for (let k = c; k < 9; k++) rows[r]![k]! -= f * rows[c]![k]!;
      }
  }
  return rows.map((r, i) => r[8]! / r[i]!);
}

export interface Trouble {
  /** Degrees. */
  turn: number;
  tilt: number;
  blur: number;
  noise: number;
  shadow: boolean;
  glare: boolean;
  /** How far a tap misses its corner, as a share of the block's width. */
  miss: number;
}

/**
 * Every value as the mean of itself and its neighbours before and behind, where one at an edge counts twice.
 * @param step how far apart neighbours stand; @param count how many stand in one line
 */
function blurred(from: Float32Array, step: number, count: number): Float32Array {
  const to = new Float32Array(from.length);
  for (let i = 0; i < from.length; i++) {
    const at = Math.floor(i / step) % count;
    to[i] = (from[at ? i - step : i]! + from[i]! + from[at < count - 1 ? i + step : i]!) / 3;
  }
  return to;
}

/** Draws a scene of a size in block units into a picture. */
export function draw(scene: Scene, aspect: number, t: Trouble, r: Seeded): Picture {
  const [width, height] = [560, 420];
  const w = 300;
  const h = w / aspect;
  const angle = (t.turn * Math.PI) / 180;
  const place = (x: number, y: number): P => {
    const [a, b] = [(x - 0.5) * w, (y - 0.5) * h];
    const depth = 1 + t.tilt * (y - 0.5) + t.tilt * 0.5 * (x - 0.5);
    return {
      x: width / 2 + (a * Math.cos(angle) - b * Math.sin(angle)) / depth,
      y: height / 2 + (a * Math.sin(angle) + b * Math.cos(angle)) / depth
    };
  };
  const unit: P[] = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 }
  ];
  const corners = unit.map((p) => place(p.x, p.y)) as [P, P, P, P];
  const m = perspective(corners, unit);
  const under = (x: number, y: number): Rgb => {
    const k = m[6]! * x + m[7]! * y + 1;
    const u = (m[0]! * x + m[1]! * y + m[2]!) / k;
    const v = (m[3]! * x + m[4]! * y + m[5]!) / k;
    return u >= 0 && u < 1 && v >= 0 && v < 1 ? scene(u, v) : [28, 92, 58];
  };
  const light = (x: number, y: number) => {
    const shade = t.shadow ? 0.55 + 0.45 / (1 + Math.exp(-(x * 0.6 + y - height * 0.62) / 14)) : 1;
    const spot = t.glare ? 150 * Math.exp(-((x - width * 0.56) ** 2 + (y - height * 0.47) ** 2) / 1800) : 0;
    return { shade, spot };
  };
  let grid: Float32Array = new Float32Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const { shade, spot } = light(x, y);
      const [a, b] = [under(x + 0.25, y + 0.25), under(x + 0.75, y + 0.75)];
      for (let k = 0; k < 3; k++) grid[(y * width + x) * 3 + k] = ((a[k]! + b[k]!) / 2) * shade + spot;
    }
  for (let pass = 0; pass < t.blur; pass++) grid = blurred(blurred(grid, 3, width), 3 * width, height);
  // As many grains as a photograph needs to look grainy; each again after some rows, at another place.
  const grains = Float32Array.from(
    { length: 4093 },
    () => (r.next() + r.next() + r.next() - 1.5) * 2 * t.noise
  );
  const rgb = new Uint8ClampedArray(grid.length);
  for (let i = 0; i < rgb.length; i++) rgb[i] = grid[i]! + grains[i % grains.length]!;
  const missed = corners.map((p) => ({
    x: p.x + (r.next() - 0.5) * 2 * t.miss * w,
    y: p.y + (r.next() - 0.5) * 2 * t.miss * w
  })) as [P, P, P, P];
  return { width, height, rgb, corners: missed };
}
