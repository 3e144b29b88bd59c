import { bothWays, crossGrid, orNone, sideBySide, valuesAlong } from './grid-shapes';
import {
  byHand,
  countedPlaces,
  crossRows,
  defaultColumn,
  defaultSide,
  driveLetters,
  firstRows,
  membersOfEach,
  movedJumper,
  namesInFront,
  numbersAlong,
  rangeInFront,
  withoutAdvice,
  withoutVerbs
} from './jumper-shapes';
import {
  blockAndNumber,
  countedColumns,
  inlineBits,
  namedInBrackets,
  numberedSides,
  slashedSides,
  subjectFirst,
  switchLines
} from './switch-shapes';

/**
 * Shapes of print that say in another way what the grammar reads: rewritten line for line, before anything is read.
 * Every rule leaves alone what it is not sure of.
 */

export interface Reshaped {
  lines: string[];
  /** Lines, from 0, whose places were counted and are taken to be pairs of pins in their order. */
  pairs: number[];
  /** Lines, from 0, in which 1 and 0 were read as closed and open. */
  bits: number[];
  /** Lines, from 0, in which a cross was read as a jumper. */
  crosses: number[];
}

/** `<- default`, `<== factory`: an arrow in front of the word; any other remark behind an arrow is none of the table. */
const arrows = (line: string): string =>
  line
    .replace(/\s*<\s*((?:factory|default)(?: setting)?)\s*>/gi, ' ($1)')
    .replace(/\s*<\s*[-=]*\s*((?:factory|default)(?: setting)?)\b/gi, ' ($1)')
    .replace(/\s+<[-=]+\s+[A-Za-z].*$/, '')
    // `… . Default W4`: a sentence of its own.
    .replace(/\.\s+(?=(?:factory|default)\b)/gi, '; ');

/** Rules that look at one line, in their order. */
const wording: readonly ((line: string) => string)[] = [
  bothWays,
  orNone,
  slashedSides,
  blockAndNumber,
  movedJumper,
  driveLetters,
  byHand,
  namesInFront,
  rangeInFront,
  membersOfEach,
  withoutVerbs,
  withoutAdvice,
  defaultSide
];

/**
 * Rewrites what the grammar does not read as it is printed.
 * @param lines lines after `plain`; as many come back
 */
export function reshape(lines: readonly string[]): Reshaped {
  const pairs: number[] = [];
  const bits: number[] = [];
  const named = switchLines(
    sideBySide(crossGrid(firstRows(lines))).map((l) =>
      countedColumns(numberedSides(namedInBrackets(arrows(l))))
    )
  );
  const crossed = crossRows(defaultColumn(named));
  const out = crossed.lines.map((line, i) => {
    const said = wording.reduce((text, rule) => rule(text), line);
    const written = inlineBits(said);
    if (written !== said) bits.push(i);
    const inline = subjectFirst(written);
    const counted = countedPlaces(inline) ?? numbersAlong(inline) ?? valuesAlong(inline);
    if (counted !== null) pairs.push(i);
    return counted ?? inline;
  });
  return { lines: out, pairs: [...pairs, ...crossed.counted], bits, crosses: crossed.rows };
}
