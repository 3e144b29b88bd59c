import { entryWords, imageWords, madeUnderWords, mismatchWords, witnessWords } from '../../words';
import { inferGeometry, mismatch, type Candidate, type Geometry, type Witness } from '../../core/storage';
import { SECTOR } from './bytes';
import type { DiskImage, Remark } from './read';

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
      { name: entryWords(e), of: 'start', chs: e.start, lba: e.lba },
      { name: entryWords(e), of: 'end', chs: e.end, lba: e.lba + e.sectors - 1 }
    ]);
  const boots = image.boots
    // Whether a block of other sectors counts those or sectors of 512 a track differs from maker to maker.
    .filter((b) => b.faults.length === 0 && b.bytesPerSector === SECTOR)
    .map((b): Witness => {
      const entry = image.entries.find((e) => e.lba === b.lba && e.kind !== 'extended');
      return {
        name: entry ? entryWords(entry) : imageWords.wholeDisk,
        of: 'boot',
        heads: b.heads,
        sectors: b.sectorsPerTrack
      };
    });
  return [...entries, ...boots];
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
      text: madeUnderWords.none(best, best.disagree.map(witnessWords))
    });
  if (fits.length > 1 && !made)
    remarks.push({
      grade: 'note',
      text: madeUnderWords.several(fits)
    });
  if (!best && hasEntries && !image.gpt)
    remarks.push({
      grade: 'note',
      text: madeUnderWords.untold
    });
  const matches = setup && fits.some((f) => f.heads === setup.heads && f.sectors === setup.sectors);
  if (setup && fits.length && !matches) {
    const differs = mismatch(made ?? fits[0], setup);
    const told = differs && mismatchWords(differs);
    remarks.push({
      grade: 'stop',
      text: made ? told! : madeUnderWords.notOfSetup(setup)
    });
  }
  return { candidates, made, fitting: fits.length, remarks };
}
