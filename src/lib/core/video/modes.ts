import type { Picture, Signal, VideoFacts, VideoStandard } from '../model';

/** A display mode: what the card sends and what the monitor must follow. */
export interface Mode {
  id: string;
  /** As a person says it. */
  label: string;
  signal: Signal;
  /** Line frequency in kHz and picture frequency in Hz; of interlaced modes the field frequency. */
  horizontal: number;
  vertical: number;
  width: number;
  height: number;
  /** Bits for each pixel that it needs at least; 0 for text. */
  bits: number;
  /** Standards whose cards have it; left out: only cards that list it. */
  standards?: readonly VideoStandard[];
}

const ttl = { mono: { horizontal: 18.43, vertical: 50 }, low: { horizontal: 15.75, vertical: 60 } };
const vga60 = { signal: 'analogue', horizontal: 31.5, vertical: 60 } as const;
const vga70 = { signal: 'analogue', horizontal: 31.5, vertical: 70 } as const;

/** Frequencies of the standards as their sheets give them. */
export const modes: readonly Mode[] = [
  {
    id: 'mono-text',
    label: 'text, monochrome',
    signal: 'mono',
    ...ttl.mono,
    width: 720,
    height: 350,
    bits: 0,
    standards: ['mono']
  },
  {
    id: 'mono-graphics',
    label: '720 × 348 monochrome',
    signal: 'mono',
    ...ttl.mono,
    width: 720,
    height: 348,
    bits: 1
  },
  {
    id: 'cga-text',
    label: 'text, colour, 200 lines',
    signal: 'rgbi',
    ...ttl.low,
    width: 640,
    height: 200,
    bits: 0,
    standards: ['cga', 'ega']
  },
  {
    id: 'cga-graphics',
    label: '320 × 200 in 4 colours',
    signal: 'rgbi',
    ...ttl.low,
    width: 320,
    height: 200,
    bits: 2,
    standards: ['cga', 'ega']
  },
  {
    id: 'ega-200',
    label: '320 × 200 in 16 colours',
    signal: 'rgbi',
    ...ttl.low,
    width: 320,
    height: 200,
    bits: 4,
    standards: ['ega']
  },
  {
    id: 'ega-350',
    label: '640 × 350 in 16 colours',
    signal: 'ega',
    horizontal: 21.85,
    vertical: 60,
    width: 640,
    height: 350,
    bits: 4,
    standards: ['ega']
  },
  {
    id: 'ega-350-4',
    label: '640 × 350 in 4 colours',
    signal: 'ega',
    horizontal: 21.85,
    vertical: 60,
    width: 640,
    height: 350,
    bits: 2,
    standards: ['ega']
  },
  {
    id: 'vga-text',
    label: 'text, 400 lines',
    ...vga70,
    width: 720,
    height: 400,
    bits: 0,
    standards: ['mcga', 'vga']
  },
  {
    id: '320x200x8',
    label: '320 × 200 in 256 colours',
    ...vga70,
    width: 320,
    height: 200,
    bits: 8,
    standards: ['mcga', 'vga']
  },
  {
    id: '640x480',
    label: '640 × 480',
    ...vga60,
    width: 640,
    height: 480,
    bits: 1,
    standards: ['mcga', 'vga']
  },
  { id: '640x480@60', label: '640 × 480, 3D', ...vga60, width: 640, height: 480, bits: 16 },
  {
    id: '800x600@56',
    label: '800 × 600 at 56 Hz',
    signal: 'analogue',
    horizontal: 35.2,
    vertical: 56,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: '800x600@60',
    label: '800 × 600 at 60 Hz',
    signal: 'analogue',
    horizontal: 37.9,
    vertical: 60,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: '800x600@72',
    label: '800 × 600 at 72 Hz',
    signal: 'analogue',
    horizontal: 48.1,
    vertical: 72,
    width: 800,
    height: 600,
    bits: 4
  },
  {
    id: '1024x768@87i',
    label: '1024 × 768 interlaced',
    signal: 'analogue',
    horizontal: 35.5,
    vertical: 87,
    width: 1024,
    height: 768,
    bits: 4
  },
  {
    id: '1024x768@60',
    label: '1024 × 768 at 60 Hz',
    signal: 'analogue',
    horizontal: 48.4,
    vertical: 60,
    width: 1024,
    height: 768,
    bits: 4
  },
  {
    id: '1024x768@70',
    label: '1024 × 768 at 70 Hz',
    signal: 'analogue',
    horizontal: 56.5,
    vertical: 70,
    width: 1024,
    height: 768,
    bits: 4
  }
];

/** KiB of display memory that a picture takes. */
export const displayKiB = (width: number, height: number, bits: number): number =>
  (width * height * bits) / 8 / 1024;

/** Modes that a card can send. */
export function modesOf(card: VideoFacts): Mode[] {
  return modes.filter((mode) => {
    if (mode.id === 'mono-graphics') return card.monoGraphics;
    if (card.standard === '3d-only') return card.modes.includes(mode.id);
    const fits = displayKiB(mode.width, mode.height, mode.bits) <= card.memoryKiB;
    if (mode.standards) return mode.standards.includes(card.standard) && fits;
    return card.modes.includes(mode.id) && fits;
  });
}

/** Whether a mode has one depth on every card, which its name tells. */
export const isOneDepth = (mode: Mode): boolean => mode.signal !== 'analogue' || mode.id === '320x200x8';

/** Most bits for each pixel that a card can show in a mode: by what it knows and by its memory. */
export function depthIn(card: VideoFacts, mode: Mode): number {
  if (mode.bits === 0 || isOneDepth(mode)) return mode.bits;
  const known = card.depths.length ? card.depths : card.standard === 'mcga' ? [1] : [4];
  const fit = known.filter((bits) => displayKiB(mode.width, mode.height, bits) <= card.memoryKiB);
  return Math.max(0, ...fit);
}

const size = /^(\d+)x(\d+)x(\d+)$/;

/** KiB of video memory that a picture takes, rounded up; null for the ones every card of their kind shows. */
export function pictureKiB(picture: Picture): number | null {
  const [w, h, bits] = size.exec(picture)?.slice(1).map(Number) ?? [];
  return w && h && bits ? Math.ceil(displayKiB(w, h, bits)) : null;
}

/**
 * Whether a picture that a program asks for can be had of a card in a list of modes. A card of a later
 * standard also shows the pictures of the earlier colour ones.
 */
export function gives(card: VideoFacts, shown: readonly Mode[], picture: Picture): boolean {
  const has = (id: string) => shown.some((m) => m.id === id);
  switch (picture) {
    case 'text':
      return shown.some((m) => m.bits === 0);
    case 'mono-graphics':
      return has('mono-graphics');
    case 'cga':
      return has('cga-graphics') || has('320x200x8');
    case 'ega':
      return has('ega-350') || (card.standard === 'vga' && has('640x480'));
    case 'mcga':
      return has('320x200x8');
    case 'vga':
      return card.standard === 'vga' && has('640x480');
    case '3d':
      return (
        (card.accelerated === '3d' || card.standard === '3d-only') &&
        shown.some((m) => m.signal === 'analogue')
      );
    default: {
      const [w, h, bits = 0] = size.exec(picture)!.slice(1).map(Number);
      return shown.some((m) => m.width === w && m.height === h && depthIn(card, m) >= bits);
    }
  }
}

/**
 * The largest pictures that an amount of video memory holds, one for each number of colours: `1024 × 768 in 16`.
 * @param kib as a whole; text needs next to none
 */
export function picturesIn(kib: number): string[] {
  const sizes: [number, number][] = [
    [640, 480],
    [800, 600],
    [1024, 768],
    [1280, 1024]
  ];
  const depths: [number, string][] = [
    [4, '16 colours'],
    [8, '256 colours'],
    [16, '65,536 colours'],
    [24, 'true colour']
  ];
  return depths.flatMap(([bits, name]) => {
    const best = sizes.findLast(([w, h]) => displayKiB(w, h, bits) <= kib);
    return best ? [`${best[0]} × ${best[1]} in ${name}`] : [];
  });
}
