import { withDigits, type StageId } from '../model';

/** Families of BIOS by how they beep: originals, counts, long and short, groups. */
export type Family = 'P' | 'A' | 'B' | 'C';
export const FAMILIES: readonly Family[] = ['P', 'A', 'B', 'C'];

/** Classes of machine by age: first PCs, XT clones and AT, 386 and 486 clones, PCI and plug and play. */
export type Era = 'I' | 'II' | 'III' | 'IV';

/** What a beep says: the stage that it is about, a normal start, silence, or nothing known. */
export type Sound = 'none' | 'normal' | 'unknown' | StageId;

/** How likely a family is where nobody knows which it is. Estimates. */
export const familyPriors: Record<Era, Record<Family, number>> = {
  I: { P: 0.9, A: 0.07, B: 0.02, C: 0.01 },
  II: { P: 0.45, A: 0.3, B: 0.1, C: 0.15 },
  III: { P: 0.05, A: 0.45, B: 0.35, C: 0.15 },
  IV: { P: 0.01, A: 0.34, B: 0.5, C: 0.15 }
};

/**
 * What each family sounds like when a stage stops it, with chances. A stage that is left out is silent: the machine
 * stands before anything could beep, or the family has no beep for it.
 */
export const sounds: Record<Family, Partial<Record<StageId, Partial<Record<Sound, number>>>>> = {
  P: {
    rails: { none: 0.8, rails: 0.2 },
    timer: { none: 0.5, timer: 0.5 },
    memory: { none: 0.8, rails: 0.2 },
    controllers: { timer: 0.7, none: 0.3 },
    display: { display: 0.95, none: 0.05 }
  },
  A: {
    rom: { rom: 0.9, none: 0.1 },
    timer: { timer: 0.9, none: 0.1 },
    memory: { memory: 0.97, none: 0.03 },
    controllers: { controllers: 0.9, none: 0.1 },
    display: { display: 0.97, none: 0.03 },
    count: { count: 0.4, none: 0.6 }
  },
  B: {
    memory: { memory: 0.9, none: 0.1 },
    display: { display: 0.95, none: 0.05 }
  },
  C: {
    rom: { rom: 0.9, none: 0.1 },
    timer: { timer: 0.9, none: 0.1 },
    memory: { memory: 0.95, none: 0.05 },
    controllers: { controllers: 0.9, none: 0.1 },
    display: { display: 0.95, none: 0.05 }
  }
};

/** How many sounds a family tells apart: what the ear takes for another one is spread over them. */
export const soundsOf = (family: Family): readonly Sound[] => TOLD_APART[family];

const toldApart = (family: Family): readonly Sound[] => [
  'none',
  'normal',
  'unknown',
  ...new Set(
    Object.values(sounds[family])
      .flatMap((s) => Object.keys(s) as Sound[])
      .filter((s) => s !== 'none')
  ),
  // Two short beeps of the originals: there is something to read.
  ...(family === 'P' ? (['summary'] as const) : [])
];
const TOLD_APART: Record<Family, readonly Sound[]> = {
  P: toldApart('P'),
  A: toldApart('A'),
  B: toldApart('B'),
  C: toldApart('C')
};

/** A pattern of beeps as it was written down: `none`, a count, long and short, groups, or repeated. */
export type Pattern =
  | { kind: 'none' }
  | { kind: 'count'; n: number }
  | { kind: 'long-short'; long: number; short: number }
  | { kind: 'groups'; groups: number[] }
  | { kind: 'repeated'; long: boolean };

/** `long short short`, `long, 2 short beeps`: a word for each beep, or a number before several alike. */
function spelledOut(plain: string): Pattern | null {
  const words = plain.split(/[\s,;+]+|\band\b/).filter((w) => w && w !== 'a' && !/^beeps?$/.test(w));
  // `long` alone may be one, or how all of them were.
  if (plain === 'long' || plain === 'short') return null;
  let long = 0;
  let short = 0;
  let n = 1;
  for (const word of words) {
    if (/^\d{1,2}$/.test(word)) {
      n = Number(word);
      continue;
    }
    if (word !== 'long' && word !== 'short') return null;
    // A short beep before a long one is another rhythm than the tables have.
    if (word === 'long' && short) return null;
    if (word === 'long') long += n;
    else short += n;
    n = 1;
  }
  if (!words.length || /^\d/.test(words.at(-1) ?? '')) return null;
  return long ? { kind: 'long-short', long, short } : short ? { kind: 'count', n: short } : null;
}

/**
 * Reads beeps as people write them: `3`, `three short`, `1 long 2 short`, `long short short`, `1L2S`, `1-3-3`,
 * `continuous`, `silent`.
 * @returns null when it cannot be read
 */
export function readBeeps(text: string): Pattern | null {
  const plain = withDigits(text)
    .toLowerCase()
    .replace(/[–—]/g, '-')
    .replace(/^(?:it )?(?:beeps?|beep code)\s*:?\s*(?=\d|long|short)/, '')
    .replace(/\s*(?:times|x)$/, '')
    .trim();
  if (/^(none|no( beeps?)?|silent|silence|nothing|0)$/.test(plain)) return { kind: 'none' };
  if (
    /\b(?:continuous(?:ly)?|repeat\w*|endless|non-?stop|constant|again and again|keeps? beeping)\b/.test(
      plain
    )
  )
    return { kind: 'repeated', long: !/\bshort\b/.test(plain) };
  const groups = /^(\d)(?:\s*-\s*(\d)){1,3}$/.exec(plain);
  if (groups) return { kind: 'groups', groups: plain.split('-').map((g) => Number(g.trim())) };
  const longShort = /^(\d+)\s*(?:long|l)\s*[,+]?\s*(?:and\s*)?(?:(\d+)\s*(?:short|s))?(?:\s*beeps?)?$/.exec(
    plain
  );
  if (longShort) return { kind: 'long-short', long: Number(longShort[1]), short: Number(longShort[2] ?? 0) };
  const count = /^(\d{1,2})\s*(?:short\s*)?(?:beeps?)?$/.exec(plain);
  return count ? { kind: 'count', n: Number(count[1]) } : spelledOut(plain);
}

/** What a pattern says in a family; `unknown`: the family has no such pattern. */
export function soundIn(family: Family, pattern: Pattern): Sound {
  if (pattern.kind === 'none') return 'none';
  if (pattern.kind === 'count' && pattern.n === 1) return family === 'C' ? 'unknown' : 'normal';
  switch (family) {
    case 'P':
      if (pattern.kind === 'repeated') return 'rails';
      if (pattern.kind === 'long-short' && pattern.long === 1)
        return pattern.short === 1
          ? 'timer'
          : pattern.short === 2 || pattern.short === 3
            ? 'display'
            : 'unknown';
      return pattern.kind === 'count' && pattern.n === 2 ? 'summary' : 'unknown';
    case 'A':
      if (pattern.kind === 'long-short' && pattern.long === 1)
        return pattern.short === 3 ? 'count' : pattern.short === 8 ? 'display' : 'unknown';
      if (pattern.kind !== 'count') return 'unknown';
      return (
        (
          {
            2: 'memory',
            3: 'memory',
            4: 'timer',
            5: 'fetch',
            6: 'controllers',
            7: 'fetch',
            8: 'display',
            9: 'rom',
            10: 'timer',
            11: 'count'
          } as Record<number, Sound>
        )[pattern.n] ?? 'unknown'
      );
    case 'B':
      if (pattern.kind === 'repeated') return 'memory';
      return pattern.kind === 'long-short' &&
        pattern.long === 1 &&
        (pattern.short === 2 || pattern.short === 3)
        ? 'display'
        : 'unknown';
    case 'C': {
      if (pattern.kind !== 'groups') return 'unknown';
      const [a, b, c] = pattern.groups as [number, number, number];
      if (a === 1 && b === 1) return c === 4 || c === 3 ? 'rom' : 'unknown';
      if ((a === 1 && b === 2) || (a === 1 && b === 3 && c === 1) || (a === 3 && b === 1)) return 'timer';
      if ((a === 1 && b === 3) || (a === 1 && b === 4) || a === 2) return 'memory';
      if (a === 3 && b === 2) return 'controllers';
      return a === 3 && (b === 3 || b === 4) ? 'display' : 'unknown';
    }
  }
}
