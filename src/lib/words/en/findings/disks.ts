import { sizeWords } from '../../../core/storage';
import { sentence } from '../language';
import { barrierWords, waysWords, guardWords } from '../storage';
import { the } from '../things';
import type { WordsOf } from './told';

export const disks: WordsOf<'disk.limit' | 'disk.type' | 'disk.setup'> = {
  'disk.limit': ({ drive, barrier: b, usable, type }) => ({
    title: `${drive.name} is larger than the ${b.who} can use`,
    sentence: `What you would see: ${barrierWords(b).symptom}. Up to ${sizeWords(usable)} of ${the(drive)} can be used.${b.ways.length ? ` Ways past it: ${waysWords(b.ways)}.` : ''}`,
    why: type
      ? `The setup has no user type, and type ${type} is the largest of its table that fits.`
      : sentence(barrierWords(b).cause)
  }),
  'disk.type': ({ drive, bios, types, best, geometry, usable, lost }) => ({
    title: `${drive.name}: type ${best}`,
    sentence: `${bios} has ${types} drive types and no user type. Type ${best} (${geometry.cylinders} × ${geometry.heads} × ${geometry.sectors}) gives the most of ${the(drive)}: ${sizeWords(usable)}; ${sizeWords(lost)} stay unused.`,
    why: 'The oldest setups have a table of types and no user type.'
  }),
  'disk.setup': ({ drive, verdict }) => ({
    title:
      verdict.why === 'shape'
        ? `The setup does not match how ${drive.name} was partitioned`
        : `The setup reaches past the end of ${drive.name}`,
    sentence: guardWords(verdict),
    why: 'Geometry belongs to a disk and a machine together: enter what it was partitioned with.'
  })
};
