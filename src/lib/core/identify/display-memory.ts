import { lastOf } from '../model';
/** A screen mode: so many points of so many colours. */
export interface ScreenMode {
  width: number;
  height: number;
  colours: number;
}

/** Sizes in which memory was fitted on such cards, in KiB. */
export const DISPLAY_SIZES = [64, 128, 256, 512, 1024, 2048, 4096, 8192] as const;

const COLOURS: Readonly<Record<string, number>> = {
  '2': 2,
  mono: 2,
  '4': 4,
  '16': 16,
  '256': 256,
  '32k': 32_768,
  '32768': 32_768,
  '32.8k': 32_768,
  '64k': 65_536,
  '65k': 65_536,
  '65.5k': 65_536,
  '65536': 65_536,
  high: 65_536,
  '16m': 16_777_216,
  '16.7m': 16_777_216,
  '16.8m': 16_777_216,
  '16777216': 16_777_216,
  true: 16_777_216
};
/** Colours by the bits of a point; only where somebody says bits: `×8` alone may be either. */
const BITS: Readonly<Record<string, number>> = {
  '1': 2,
  '2': 4,
  '4': 16,
  '8': 256,
  '15': 32_768,
  '16': 65_536,
  '24': 16_777_216
};

/** Other ways to write a number of colours, as the table has it. */
const plainColours = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s,](?=\d{3}(?:\D|$))/g, '')
    .replace(/\s*million/, 'm')
    .replace(/^(true|high|hi)[ -]?colou?rs?$/, (_, word: string) => (word === 'true' ? 'true' : 'high'))
    .replace(/\s*(?:colou?rs?|cols?|c)$/, '')
    .replace(/\s+/g, '');

/**
 * Reads a mode as it is written: `640x480x256`, `800 x 600, 16 colours`, `1024*768 64k`, `640 by 480, 24 bit`,
 * `800x600@60 256`.
 * @returns null when it is none
 */
export function readMode(text: string): ScreenMode | null {
  const m =
    /^\s*(?:s?vga\s+|mode\s+)?(\d{3,4})\s*(?:[x×*]|by)\s*(\d{3,4})\s*(?:@\s*\d{2,3}\s*(?:hz)?\b)?\s*(?:[x×*,;/]|\b(?:at|with|in)\b)?\s*(\S.*?)\s*$/i.exec(
      text
    );
  if (!m) return null;
  const [, across, down, told = ''] = m;
  const bits = /^(\d{1,2})[ -]?(?:bits?|bpp|bits? per pixel)$/i.exec(told)?.[1];
  const colours = bits === undefined ? COLOURS[plainColours(told)] : BITS[bits];
  const [width, height] = [Number(across), Number(down)];
  return colours && width >= 160 && height >= 100 ? { width, height, colours } : null;
}

/** Bits of one point: 32,768 colours take 16, 16.7 million take 24. */
const bitsOf = (colours: number): number =>
  colours > 65_536 ? 24 : colours > 256 ? 16 : Math.ceil(Math.log2(colours));

/** Bytes of one picture: width × height × bits ÷ 8. */
export const bytesOf = ({ width, height, colours }: ScreenMode): number =>
  Math.ceil((width * height * bitsOf(colours)) / 8);

export interface DisplayMemory {
  /** Sizes that show all that was shown, and not what was refused, in KiB. */
  sizes: number[];
  /** KiB that what was shown needs at least. */
  leastKiB: number;
  /** A mode was refused that the least size would hold: it was not memory that refused it. */
  contradicts: ScreenMode[];
  /** Modes that would tell the sizes apart, the one that halves them first. */
  tries: ScreenMode[];
}

const COMMON: readonly ScreenMode[] = [
  { width: 640, height: 480, colours: 256 },
  { width: 800, height: 600, colours: 16 },
  { width: 800, height: 600, colours: 256 },
  { width: 1024, height: 768, colours: 16 },
  { width: 1024, height: 768, colours: 256 },
  { width: 640, height: 480, colours: 16_777_216 },
  { width: 800, height: 600, colours: 65_536 },
  { width: 1024, height: 768, colours: 65_536 },
  { width: 1280, height: 1024, colours: 256 },
  { width: 1024, height: 768, colours: 16_777_216 },
  { width: 1600, height: 1200, colours: 65_536 },
  { width: 1600, height: 1200, colours: 16_777_216 }
];

/**
 * How much memory a display card has, from the modes it showed and those it refused. A refusal counts only where the
 * monitor and the driver are known to take the mode: else it is about them.
 */
export function displayMemory(shown: readonly ScreenMode[], refused: readonly ScreenMode[]): DisplayMemory {
  const needs = shown.map(bytesOf);
  const least = Math.max(0, ...needs);
  const holds = (kib: number, mode: ScreenMode) => bytesOf(mode) <= kib * 1024;
  const able = DISPLAY_SIZES.filter((kib) => shown.every((m) => holds(kib, m)));
  const floor = able[0] ?? lastOf(DISPLAY_SIZES);
  const contradicts = refused.filter((m) => bytesOf(m) <= least || holds(floor, m));
  const sizes = able.filter((kib) => refused.every((m) => contradicts.includes(m) || !holds(kib, m)));
  const told = (m: ScreenMode) =>
    [...shown, ...refused].some(
      (x) => x.width === m.width && x.height === m.height && x.colours === m.colours
    );
  const tries = COMMON.filter((m) => !told(m))
    .map((m) => ({ m, n: sizes.filter((kib) => holds(kib, m)).length }))
    .filter(({ n }) => n > 0 && n < sizes.length)
    .sort((a, b) => Math.abs(2 * a.n - sizes.length) - Math.abs(2 * b.n - sizes.length))
    .map(({ m }) => m)
    .slice(0, 3);
  return { sizes, leastKiB: Math.ceil(least / 1024), contradicts, tries };
}
