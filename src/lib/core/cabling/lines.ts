import type { Ribbon, Select } from '../model';

/**
 * The lines of the two 34-pin cables, by number. A twist turns a stretch of the cable round, so that behind it the
 * drive reads other lines than the controller drives; which drive answers is computed from that.
 */

const selects: readonly Select[] = ['first', 'second', 'third', 'fourth'];

/** What a floppy controller drives on lines 10 to 16: a motor and a select for each of two drives. */
const floppyHost: Record<number, string> = { 10: 'motor A', 12: 'select B', 14: 'select A', 16: 'motor B' };
/** Where a floppy drive listens: its select on 10, 12, 14 (the fourth on 6), its motor on 16. */
const floppySelectLine: Record<Select, number> = { first: 10, second: 12, third: 14, fourth: 6 };
const FLOPPY_MOTOR = 16;
/** Where a hard disk of the ST-506 family listens for its select. */
const diskSelectLine: Record<Select, number> = { first: 26, second: 28, third: 30, fourth: 32 };

const turned = (line: number, from: number, to: number): number =>
  line >= from && line <= to ? from + to - line : line;

/**
 * The letter that a floppy drive answers to, or null when it answers to none: its select and its motor must come
 * from the same drive's lines.
 * @param behind it hangs behind the twist
 */
export function floppyLetter(ribbon: Ribbon, behind: boolean, select: Select): 'A' | 'B' | null {
  const at = (line: number) => {
    if (!behind) return floppyHost[line];
    if (ribbon === 'floppy-twist') return floppyHost[turned(line, 10, 16)];
    // The other twist turns lines that carry data and step here: no drive answers as it should.
    return ribbon === 'disk-twist' ? undefined : floppyHost[line];
  };
  const [select_, motor] = [at(floppySelectLine[select]), at(FLOPPY_MOTOR)];
  for (const letter of ['A', 'B'] as const)
    if (select_ === `select ${letter}` && motor === `motor ${letter}`) return letter;
  return null;
}

/**
 * Number of the hard disk, from 1, that a drive answers as; null when none is asked for on its line.
 * @param behind it hangs behind the twist
 */
export function diskNumber(ribbon: Ribbon, behind: boolean, select: Select): 1 | 2 | null {
  if (behind && ribbon === 'floppy-twist') return null;
  const line = diskSelectLine[select];
  const asked = behind && ribbon === 'disk-twist' ? turned(line, 25, 29) : line;
  return asked === diskSelectLine.first ? 1 : asked === diskSelectLine.second ? 2 : null;
}

/** The select jumper that makes a drive the wanted one, or null when none does. */
export const selectFor = <T>(wanted: T, answers: (select: Select) => T | null): Select | null =>
  selects.find((s) => answers(s) === wanted) ?? null;
