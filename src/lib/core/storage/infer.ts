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
  agree: string[];
  disagree: string[];
  /** Agrees with everything that says something. */
  fits: boolean;
}

const PAST = new Set([254, 239, 255]);
/** A cylinder, head, sector triple that only says "past what INT 13h reaches". */
export const isPastChs = ({ c, h, s }: Chs): boolean => c >= 1023 && s === 63 && PAST.has(h);

const says = (w: Witness): string =>
  w.of === 'boot' ? `${w.name}, boot sector` : `${w.name}, ${w.of === 'start' ? 'first' : 'last'} sector`;

/** Whether a witness agrees with heads and sectors a track; null: it says nothing. */
function agrees(w: Witness, heads: number, sectors: number): boolean | null {
  if (w.of === 'boot')
    return w.heads === undefined || w.sectors === undefined
      ? null
      : w.heads === heads && w.sectors === sectors;
  if (!w.chs || w.lba === undefined || isPastChs(w.chs) || w.chs.s < 1) return null;
  // Cylinders have ten bits: beyond them an entry says its cylinder modulo 1,024, or the last.
  const told = (w.chs.c * heads + w.chs.h) * sectors + w.chs.s - 1;
  if (w.chs.h >= heads || w.chs.s > sectors) return false;
  return (
    told === w.lba || (w.lba >= 1024 * heads * sectors && (w.lba - told) % (1024 * heads * sectors) === 0)
  );
}

/**
 * The heads and sectors a track under which a disk was partitioned. Ends of partitions that stand on a cylinder
 * give the candidates (last head + 1, last sector), and so do parameter blocks; each is checked against all.
 */
export function inferGeometry(witnesses: readonly Witness[]): Candidate[] {
  const pairs = new Map<string, { heads: number; sectors: number }>();
  const add = (heads: number, sectors: number) => {
    if (heads >= 1 && heads <= 256 && sectors >= 1 && sectors <= 63)
      pairs.set(`${heads} ${sectors}`, { heads, sectors });
  };
  for (const w of witnesses) {
    if (w.of === 'end' && w.chs && !isPastChs(w.chs)) add(w.chs.h + 1, w.chs.s);
    if (w.of === 'end' && w.chs && isPastChs(w.chs) && w.chs.h !== 255) add(w.chs.h + 1, 63);
    if (w.of === 'boot' && w.heads && w.sectors) add(w.heads, w.sectors);
    // A start beyond the first track gives the heads where the sectors are known.
    if (w.of === 'start' && w.chs && w.lba !== undefined && w.chs.c > 0 && !isPastChs(w.chs))
      for (const sectors of [17, 25, 26, 32, 34, 35, 36, 63]) {
        const rest = w.lba - (w.chs.s - 1) - w.chs.h * sectors;
        if (rest > 0 && rest % (w.chs.c * sectors) === 0) add(rest / (w.chs.c * sectors), sectors);
      }
  }
  return [...pairs.values()]
    .map(({ heads, sectors }): Candidate => {
      const judged = witnesses.flatMap((w) => {
        const verdict = agrees(w, heads, sectors);
        return verdict === null ? [] : [{ w, verdict }];
      });
      const agree = judged.filter((j) => j.verdict).map((j) => says(j.w));
      const disagree = judged.filter((j) => !j.verdict).map((j) => says(j.w));
      return { heads, sectors, agree, disagree, fits: agree.length > 0 && disagree.length === 0 };
    })
    .filter((c) => c.agree.length > 0)
    .sort(
      (a, b) =>
        Number(b.fits) - Number(a.fits) ||
        b.agree.length - b.disagree.length - (a.agree.length - a.disagree.length) ||
        b.heads - a.heads ||
        b.sectors - a.sectors
    );
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

/** What becomes of a disk that was made under one geometry in a machine that has another. */
export function mismatch(
  made: Pick<Geometry, 'heads' | 'sectors'>,
  setup: Pick<Geometry, 'heads' | 'sectors'>
): string | null {
  if (made.heads === setup.heads && made.sectors === setup.sectors) return null;
  const told = `Made with ${made.heads} heads of ${made.sectors} sectors, and this setup says ${setup.heads} of ${setup.sectors}`;
  return made.sectors === setup.sectors
    ? `${told}: what starts within the first cylinders may still be found, the second partition reads as garbage. Do not start from it and do not write to it.`
    : `${told}: nothing is where it was written. Do not start from it and do not write to it.`;
}
