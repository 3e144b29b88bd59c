import { inferGeometry, mismatch, type Candidate, type Geometry, type Witness } from '../../core/storage';
import { nameOf, type DiskImage, type Remark } from './read';

export interface Diagnosis {
  candidates: Candidate[];
  /** The best candidate, where one agrees with everything. */
  made: Candidate | null;
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
    .filter((b) => b.faults.length === 0)
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

/** The geometry a disk was made under, and how that goes with the setup of a machine. */
export function diagnose(image: DiskImage, setup: Geometry | null = null): Diagnosis {
  const candidates = inferGeometry(witnessesOf(image));
  const best = candidates[0] ?? null;
  const made = best?.fits ? best : null;
  const remarks = [...image.remarks];
  if (best && !best.fits)
    remarks.push({
      grade: 'caution',
      text: `No geometry agrees with every entry. The best is ${best.heads} heads of ${best.sectors} sectors; it disagrees with ${best.disagree.join(', ')}.`
    });
  if (!best && image.entries.length)
    remarks.push({
      grade: 'note',
      text: 'Nothing in the tables tells under which geometry it was made: every entry lies past what cylinder, head and sector can say.'
    });
  const told = setup && best ? mismatch(best, setup) : null;
  if (told) remarks.push({ grade: 'stop', text: `${told}` });
  return { candidates, made, remarks };
}
