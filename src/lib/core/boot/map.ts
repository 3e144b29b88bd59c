import { there } from '../model';
import { families } from '../boards';
import type { Kit } from '../kit';
import type { Owner } from '../model';
import { isLineSeen, linesAt, ownerOfLine, unknownsOf, type Line, type Unknown } from '../resources';

const K = 1024;
const MEGABYTE = 0x100000;

/** Why something is drawn where it is: printed on the part or set there, or only taken for granted. */
export type Sure = 'known' | 'assumed';

export type Use = 'display' | 'rom' | 'ram' | 'frame' | 'bios';

/** Something that takes a window of the first megabyte. `to` is the byte behind it. */
export interface Piece {
  from: number;
  to: number;
  use: Use;
  owner: Owner;
  item: string;
  /** Of a display card. */
  isVideo: boolean;
  shadowed: boolean;
  /** Read over the ISA bus, in this width. */
  width: 8 | 16 | null;
  sure: Sure;
}

/** A window of the map that is no piece. */
export interface Run {
  from: number;
  to: number;
}

export interface MemoryMap {
  /** Top of conventional memory in bytes, as far as memory is fitted; null: nobody entered any. */
  conventional: number | null;
  pieces: Piece[];
  /** Windows that two pieces take. */
  collisions: { a: Piece; b: Piece; from: number; to: number }[];
  /** Cards of which nobody knows what they answer to: no window can be called free. */
  hidden: string[];
  /** Items with a jumper that nobody knows: it may switch something on in here. */
  doubtful: string[];
}

/** Whether the position that a window rests on was seen or chosen, and its source is more than a guess. */
function sureOf(kit: Kit, line: Line): Sure {
  const claim = kit.m.find(line.item)?.part.functions.find((f) => f.id === line.function)?.claims[line.index];
  const isGuess = claim?.evidence?.some((e) => e.source === 'guess') ?? false;
  return isLineSeen(kit.m, line) && !isGuess ? 'known' : 'assumed';
}

const pieceOf = (kit: Kit, line: Line): Piece => ({
  from: line.value,
  to: line.value + line.length,
  use: line.item === 'system' ? 'bios' : (line.use ?? 'ram'),
  owner: ownerOfLine(kit.m, line),
  item: line.item,
  isVideo: line.kind === 'display',
  shadowed: line.item !== 'system' && line.shadowed,
  width: line.decode === 'isa' ? line.width : null,
  // A board that says nothing of its BIOS is taken to have the window that is usual for its slots.
  sure: line.item === 'system' ? (kit.facts.bios ? 'known' : 'assumed') : sureOf(kit, line)
});

const itemsOf = (kit: Kit, kind: Unknown['kind']): string[] => [
  ...new Set(unknownsOf(kit.m).flatMap((u) => (u.kind === kind ? [u.item] : [])))
];

/** The first megabyte of a build as its settings stand. */
export function memoryMap(kit: Kit, totalKiB: number): MemoryMap {
  const pieces = linesAt(kit.m, kit.at)
    .filter((l) => l.resource === 'memory' && l.value < MEGABYTE)
    .map((l) => pieceOf(kit, l))
    .sort((a, b) => a.from - b.from || a.to - b.to);
  const collisions = pieces.flatMap((a, i) =>
    pieces
      .slice(i + 1)
      // Two windows of one function are two pictures of one memory.
      .filter((b) => b.from < a.to && !(a.item === b.item && a.owner.function === b.owner.function))
      .map((b) => ({ a, b, from: b.from, to: Math.min(a.to, b.to) }))
  );
  return {
    conventional: totalKiB === 0 ? null : Math.min(640, totalKiB) * K,
    pieces,
    collisions,
    hidden: itemsOf(kit, 'claims'),
    doubtful: itemsOf(kit, 'setting')
  };
}

/** Where nothing of the build answers, from one address to another. */
export function freeRuns(pieces: readonly Run[], from: number, to: number): Run[] {
  const out: Run[] = [];
  let at = from;
  for (const p of [...pieces].sort((a, b) => a.from - b.from)) {
    if (p.to <= at || p.from >= to) continue;
    if (p.from > at) out.push({ from: at, to: p.from });
    at = Math.max(at, p.to);
  }
  if (at < to) out.push({ from: at, to });
  return out;
}

/** What can give upper memory: the manager of a 386, RAM of the chipset or of a card with its driver, or nothing that is known. */
export type Provider = 'manager' | 'driver' | 'none';

/** Which way to upper memory the CPU has; null: no CPU is entered. */
export function providerOf(kit: Kit): Provider | null {
  const family = kit.seatedCpu?.cpu.family;
  if (!family) return null;
  return families[family].rank >= 2 ? 'manager' : 'driver';
}

/** A part of upper memory that is only free under a condition which has to be tried or looked at. */
export type Maybe = 'mono' | 'e-segment' | 'rom-tail';

export interface Conditional extends Run {
  why: Maybe;
}

const SEGMENT_E: Run = { from: 0xe0000, to: 0xf0000 };
const MONO: Run = { from: 0xb0000, to: 0xb8000 };

/** Windows that may be free besides those that are, with what must be tried or looked at first. */
export function conditionalRuns(map: MemoryMap): Conditional[] {
  const isTaken = (run: Run) => map.pieces.some((p) => p.from < run.to && run.from < p.to);
  const hasGraphics = map.pieces.some((p) => p.isVideo && p.from >= 0xa0000 && p.from < 0xb0000);
  const videoRom = map.pieces.find((p) => p.isVideo && p.use === 'rom');
  return [
    // A graphics window of 128 KiB would cover it; a claim says so then.
    ...(hasGraphics && !isTaken(MONO) ? [{ ...MONO, why: 'mono' as const }] : []),
    // The last 8 KiB behind a ROM of 24 are often decoded anyway.
    ...(videoRom && videoRom.to === 0xc6000 && !isTaken({ from: 0xc6000, to: 0xc8000 })
      ? [{ from: 0xc6000, to: 0xc8000, why: 'rom-tail' as const }]
      : []),
    // Managers leave it out unless they are told, and a BIOS of 128 KiB lives there.
    ...(!isTaken(SEGMENT_E) ? [{ ...SEGMENT_E, why: 'e-segment' as const }] : [])
  ];
}

export interface UpperPlan {
  /** Windows that the manager fills, in address order: regions 1 and up. */
  regions: Run[];
  frame: Run | null;
  /** `X=`: what does not answer, or answers something else, when the manager looks. */
  exclude: (Run & { piece: Piece })[];
  /** `I=`: what the manager leaves out unless it is told. */
  include: Conditional[];
}

export interface UpperWish {
  /** Address of the page frame, `best`, or none. */
  frame: number | 'best' | null;
  /** Conditional windows that are to be used. */
  use: readonly Maybe[];
  /** Step of the one who maps: 4 KiB for a manager, 16 or more for a chipset. */
  step?: number;
  /** More windows to leave alone. */
  leave?: readonly Run[];
}

export const FRAME_BYTES = 0x10000;
const FRAME_STEP = 0x4000;
const MANAGER_STEP = 0x1000;
/** Where a frame may begin. */
export const frameStarts: readonly number[] = Array.from({ length: 9 }, (_, i) => 0xc0000 + i * FRAME_STEP);

/** What is taken, rounded outward to the step in which memory is mapped. */
const outward = ({ from, to }: Run, step: number): Run => ({
  from: Math.floor(from / step) * step,
  to: Math.ceil(to / step) * step
});

/**
 * Upper memory of a map under a manager of a 386: regions, frame, and what the line must say. Nothing is counted
 * that nobody said may be: a conditional window only where the wish names it.
 * @returns null when the wished frame is in the way of something
 */
export function upperPlan(map: MemoryMap, wish: UpperWish): UpperPlan | null {
  const step = wish.step ?? MANAGER_STEP;
  const conditional = conditionalRuns(map);
  const left = conditional.filter((c) => !wish.use.includes(c.why));
  const taken = [
    ...map.pieces,
    ...left,
    ...(wish.leave ?? []),
    // Below C0000 is the display's; only the monochrome window is ever asked for.
    { from: 0xa0000, to: wish.use.includes('mono') ? MONO.from : 0xc0000 },
    { from: MONO.to, to: 0xc0000 }
  ].map((run) => outward(run, step));
  const free = freeRuns(taken, 0xa0000, 0xf0000);
  const fits = (at: number) => free.some((r) => r.from <= at && at + FRAME_BYTES <= r.to);
  const cut = (at: number | null): Run[] =>
    at === null ? free : freeRuns([...taken, { from: at, to: at + FRAME_BYTES }], 0xa0000, 0xf0000);
  let frame: number | null = null;
  if (wish.frame === 'best') {
    // The frame that leaves the longest pieces; of equal ones the highest.
    const places = frameStarts.filter(fits).map((at) => ({
      at,
      sizes: cut(at)
        .map((r) => r.to - r.from)
        .sort((a, b) => b - a)
    }));
    places.sort((a, b) => {
      const i = a.sizes.findIndex((s, k) => s !== (b.sizes[k] ?? 0));
      return i < 0 ? b.at - a.at : (b.sizes[i] ?? 0) - there(a.sizes[i]);
    });
    const [best] = places;
    if (!best) return null;
    frame = best.at;
  } else if (wish.frame !== null) {
    if (!fits(wish.frame) || wish.frame % FRAME_STEP) return null;
    frame = wish.frame;
  }
  const used = (run: Run) => cut(frame).some((r) => r.from < run.to && run.from < r.to);
  const inFrame = (run: Run) => frame !== null && run.from < frame + FRAME_BYTES && frame < run.to;
  return {
    regions: cut(frame),
    frame: frame === null ? null : { from: frame, to: frame + FRAME_BYTES },
    exclude: map.pieces
      .filter((p) => p.from >= 0xc0000 && (p.use === 'ram' || p.use === 'frame'))
      .map((piece) => ({ ...outward(piece, step), piece })),
    include: conditional.filter((c) => wish.use.includes(c.why) && (used(c) || inFrame(c)))
  };
}

/** Bytes of each region, less the headers that a manager keeps in it. */
export const regionBytes = ({ regions }: Pick<UpperPlan, 'regions'>, header = 32): number[] =>
  regions.map((r) => r.to - r.from - header);

/** A window as a manager's line names it, in paragraphs: `D000-D3FF`. */
export const paragraphRange = ({ from, to }: Run): string => {
  const hex = (n: number) => n.toString(16).toUpperCase().padStart(4, '0');
  return `${hex(from / 16)}-${hex((to - 1) >> 4)}`;
};
