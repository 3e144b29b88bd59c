import { sectorsOf, type Chs, type Geometry } from './geometry';
import { translate, translations, type Translation } from './translation';

/** A place of a disk in both ways: as a table says it by cylinder, head, sector, and by number. */
export interface Witness {
  name: string;
  /** Where the pair stands: the start or the end of an entry, or the parameter block of a boot sector. */
  of: 'start' | 'end' | 'boot';
  chs?: Chs;
  lba?: number;
  /** Heads and sectors that a boot sector says. */
  heads?: number;
  sectors?: number;
}

export interface Candidate {
  heads: number;
  sectors: number;
  agree: Witness[];
  disagree: Witness[];
  /** Agrees with everything that says something. */
  fits: boolean;
}

const PAST = new Set([254, 239, 255]);
/** A cylinder, head, sector triple that only says "past what INT 13h reaches". */
export const isPastChs = ({ c, h, s }: Chs): boolean => c >= 1023 && s === 63 && PAST.has(h);

/** Whether a witness agrees with heads and sectors a track; null: it says nothing. */
function agrees(w: Witness, heads: number, sectors: number): boolean | null {
  if (w.of === 'boot')
    return w.heads === undefined || w.sectors === undefined
      ? null
      : w.heads === heads && w.sectors === sectors;
  if (!w.chs || w.lba === undefined || w.chs.s < 1) return null;
  const most = 1024 * heads * sectors;
  // Beyond 1,024 cylinders tools write the last place that fits, whatever its heads and sectors are.
  const isLast = w.chs.c === 1023 && w.chs.h === heads - 1 && w.chs.s === sectors;
  if (isLast && w.lba >= most - 1) return true;
  if (isPastChs(w.chs)) return null;
  // Cylinders have ten bits: beyond them an entry says its cylinder modulo 1,024, or the last.
  const told = (w.chs.c * heads + w.chs.h) * sectors + w.chs.s - 1;
  if (w.chs.h >= heads || w.chs.s > sectors) return false;
  return told === w.lba || (w.lba >= most && (w.lba - told) % most === 0);
}

export interface Inference {
  /** Every geometry that agrees with all that says something, the likeliest first. */
  fits: { heads: number; sectors: number }[];
  /** The one it was made under: the only one that fits, or the only one in which every partition ends a cylinder. */
  made: Candidate | null;
  /** Those that fit, then those that agree with part of the evidence; at most a dozen. */
  candidates: Candidate[];
}

const MOST_CANDIDATES = 12;
const MOST_HEADS = 256;
const MOST_SECTORS = 63;

/** Partitions that end on the last sector of a cylinder, and boot sectors that say the geometry outright. */
const supportOf = (witnesses: readonly Witness[], heads: number, sectors: number): number =>
  witnesses.filter(
    (w) =>
      (w.of === 'boot' && w.heads === heads && w.sectors === sectors) ||
      (w.of === 'end' && w.chs && w.chs.h === heads - 1 && w.chs.s === sectors)
  ).length;

function judged(witnesses: readonly Witness[], heads: number, sectors: number): Candidate {
  const verdicts = witnesses.flatMap((w) => {
    const verdict = agrees(w, heads, sectors);
    return verdict === null ? [] : [{ w, verdict }];
  });
  const agree = verdicts.filter((v) => v.verdict).map((v) => v.w);
  const disagree = verdicts.filter((v) => !v.verdict).map((v) => v.w);
  return { heads, sectors, agree, disagree, fits: agree.length > 0 && disagree.length === 0 };
}

/**
 * Every geometry under which a place has the number that stands beside it: (cylinder × heads + head) × sectors +
 * sector − 1. On cylinder 0 the heads stay open. Beyond 1,024 cylinders the last place that fits names it.
 */
function solutionsOf(w: Witness): [heads: number, sectors: number][] {
  if (w.of === 'boot') return w.heads && w.sectors ? [[w.heads, w.sectors]] : [];
  if (!w.chs || w.lba === undefined || w.chs.s < 1) return [];
  const { c, h, s } = w.chs;
  const out: [number, number][] = w.of === 'end' || c === 1023 ? [[h + 1, s]] : [];
  for (let sectors = s; sectors <= MOST_SECTORS; sectors++) {
    if ((w.lba - s + 1) % sectors !== 0) continue;
    const tracks = (w.lba - s + 1) / sectors;
    if (c > 0 && (tracks - h) % c === 0) out.push([(tracks - h) / c, sectors]);
    else if (c === 0 && tracks === h)
      for (let heads = h + 1; heads <= MOST_HEADS; heads++) out.push([heads, sectors]);
  }
  return out;
}

/**
 * The heads and sectors a track under which a disk was partitioned: every geometry that any evidence allows, tried
 * against all of it. Each entry says its places by cylinder, head, sector and by number, and boot sectors name one.
 */
export function inferGeometry(witnesses: readonly Witness[]): Inference {
  const pairs = new Map<number, [heads: number, sectors: number]>();
  for (const w of witnesses)
    for (const [heads, sectors] of solutionsOf(w))
      if (heads >= 1 && heads <= MOST_HEADS && sectors >= 1 && sectors <= MOST_SECTORS)
        pairs.set(heads * 64 + sectors, [heads, sectors]);
  const all = [...pairs.values()].flatMap(([heads, sectors]) => {
    const candidate = judged(witnesses, heads, sectors);
    return candidate.agree.length ? [{ candidate, support: supportOf(witnesses, heads, sectors) }] : [];
  });
  all.sort(
    (a, b) =>
      Number(b.candidate.fits) - Number(a.candidate.fits) ||
      b.support - a.support ||
      b.candidate.agree.length -
        b.candidate.disagree.length -
        (a.candidate.agree.length - a.candidate.disagree.length) ||
      b.candidate.heads - a.candidate.heads ||
      b.candidate.sectors - a.candidate.sectors
  );
  const fits = all.filter((x) => x.candidate.fits);
  const [first, second] = fits;
  const isSure = first && (!second || (first.support > 0 && first.support > second.support));
  return {
    fits: fits.map(({ candidate: { heads, sectors } }) => ({ heads, sectors })),
    made: isSure ? first.candidate : null,
    candidates: all.slice(0, MOST_CANDIDATES).map((x) => x.candidate)
  };
}

/** Translations of a drive that give these heads and sectors a track. */
export function translationsGiving(
  physical: Geometry,
  heads: number,
  sectors: number,
  total = sectorsOf(physical)
): Translation[] {
  return translations.filter((kind) => {
    const { geometry } = translate(physical, kind, total);
    return geometry.heads === heads && geometry.sectors === sectors;
  });
}

/** How a setup differs from the geometry that a disk was made under; the tracks differ in length, or only in number. */
export interface Mismatch {
  made: Pick<Geometry, 'heads' | 'sectors'>;
  setup: Pick<Geometry, 'heads' | 'sectors'>;
  differs: 'heads' | 'tracks';
}

/** What becomes of a disk that was made under one geometry in a machine that has another. */
export function mismatch(made: Mismatch['made'], setup: Mismatch['setup']): Mismatch | null {
  if (made.heads === setup.heads && made.sectors === setup.sectors) return null;
  return { made, setup, differs: made.sectors === setup.sectors ? 'heads' : 'tracks' };
}
