import { mismatchWords, witnessWords } from '../../words';
import { inferGeometry, mismatch, type Candidate, type Geometry, type Witness } from '../../core/storage';
import { SECTOR } from './bytes';
import { nameOf, type DiskImage, type Remark } from './read';

export interface Diagnosis {
  candidates: Candidate[];
  /** The geometry it was made under, where the evidence leaves only one. */
  made: Candidate | null;
  /** How many geometries agree with everything. */
  fitting: number;
  remarks: Remark[];
}

/** Everything in the tables that tells a place in both ways, or heads and sectors outright. */
export function witnessesOf(image: DiskImage): Witness[] {
  const entries = image.entries
    .filter((e) => e.kind !== 'link' && e.sectors > 0)
    .flatMap((e): Witness[] => [
      { name: nameOf(e), of: 'start', chs: e.start, lba: e.lba },
      { name: nameOf(e), of: 'end', chs: e.end, lba: e.lba + e.sectors - 1 }
    ]);
  const boots = image.boots
    // Whether a block of other sectors counts those or sectors of 512 a track differs from maker to maker.
    .filter((b) => b.faults.length === 0 && b.bytesPerSector === SECTOR)
    .map((b): Witness => {
      const entry = image.entries.find((e) => e.lba === b.lba && e.kind !== 'extended');
      return {
        name: entry ? nameOf(entry) : 'Whole disk',
        of: 'boot',
        heads: b.heads,
        sectors: b.sectorsPerTrack
      };
    });
  return [...entries, ...boots];
}

/** `16 heads`, `1 to 255 heads`, for what stays open. */
function openWords(fits: readonly { heads: number; sectors: number }[]): string {
  const range = (values: number[], one: string) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    return low === high ? `${low} ${one}` : `${low} to ${high} ${one}`;
  };
  return `${range(
    fits.map((f) => f.heads),
    'heads'
  )}, ${range(
    fits.map((f) => f.sectors),
    'sectors a track'
  )}`;
}

/** The geometry a disk was made under, and how that goes with the setup of a machine. */
export function diagnose(image: DiskImage, setup: Geometry | null = null): Diagnosis {
  const { fits, made, candidates } = inferGeometry(witnessesOf(image));
  const [best] = candidates;
  const remarks = [...image.remarks];
  const hasEntries = image.entries.some((e) => e.sectors > 0 && e.kind !== 'link');
  if (best && !fits.length)
    remarks.push({
      grade: 'caution',
      text: `No geometry agrees with every entry. The best is ${best.heads} heads of ${best.sectors} sectors; it disagrees with ${best.disagree.map(witnessWords).join(', ')}.`
    });
  if (fits.length > 1 && !made)
    remarks.push({
      grade: 'note',
      text: `${fits.length.toLocaleString('en')} geometries agree with everything in the tables (${openWords(fits)}). A second partition, or the machine it was made in, would settle it.`
    });
  if (!best && hasEntries && !image.gpt)
    remarks.push({
      grade: 'note',
      text: 'The tables do not tell under which geometry it was made.'
    });
  const matches = setup && fits.some((f) => f.heads === setup.heads && f.sectors === setup.sectors);
  if (setup && fits.length && !matches) {
    const differs = mismatch(made ?? fits[0], setup);
    const told = differs && mismatchWords(differs);
    remarks.push({
      grade: 'stop',
      text: made
        ? told!
        : `No geometry that agrees with the tables is that of this setup (${setup.heads} heads of ${setup.sectors} sectors). Do not start from it and do not write to it.`
    });
  }
  return { candidates, made, fitting: fits.length, remarks };
}
