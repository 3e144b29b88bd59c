import type { Legend } from '../cells';
import { defaultColumn, defaultLines, namedDefault } from './default-shapes';
import { bothWays, crossGrid, namesBeside, orNone, sideBySide, sidesAbove, valuesAlong } from './grid-shapes';
import {
  byHand,
  countedPlaces,
  crossRows,
  driveLetters,
  firstRows,
  letteredPins,
  membersOfEach,
  movedJumper,
  namedPosition,
  namesInFront,
  numbersAlong,
  rangeInFront,
  subjectBefore,
  withoutAdvice,
  withoutPinsHead,
  withoutVerbs
} from './jumper-shapes';
import { posts } from './posts';
import { clauses, withoutRemark } from './sentence-shapes';
import {
  blockAndNumber,
  countedColumns,
  inlineBits,
  joinedNames,
  levers,
  listedSwitches,
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
  /** Lines, from 0, whose pins have letters and are counted from A on. */
  letters: number[];
  /** Lines, from 0, in which up and down were read as ON and OFF without a key. */
  levers: number[];
  /** Lines, from 0, in which 1 and 0 were read as closed and open without a key. */
  bits: number[];
  /** Lines, from 0, in which a cross was read as a jumper without a key. */
  crosses: number[];
}

/** `<- default`, `<== factory`: an arrow in front of the word; any other remark behind an arrow is none of the table. */
const arrows = (line: string): string =>
  line
    .replace(/\s*<\s*((?:factory|default|as shipped|shipped)(?: setting)?)\s*>/gi, ' ($1)')
    .replace(/\s*<\s*[-=]*\s*((?:factory|default|as shipped|shipped)(?: setting)?)\b/gi, ' ($1)')
    .replace(/\s+<[-=]+\s+[A-Za-z].*$/, '')
    // `… . Default W4`: a sentence of its own.
    .replace(/\.\s+(?=(?:factory|default)\b)/gi, '; ');

/** How far below the names of jumpers a row of their pins may stand. */
const NEAR = 6;

/** Rules that look at one line, in their order. */
const wording: readonly ((line: string) => string)[] = [
  withoutRemark,
  withoutPinsHead,
  clauses,
  subjectBefore,
  namedPosition,
  listedSwitches,
  bothWays,
  orNone,
  joinedNames,
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
  namedDefault
];

/**
 * Rewrites what the grammar does not read as it is printed.
 * @param lines lines after `plain`; as many come back
 * @param legend what marks stand for
 */
export function reshape(lines: readonly string[], legend: Legend): Reshaped {
  const pairs: number[] = [];
  const bits: number[] = [];
  const letters: number[] = [];
  const up: number[] = [];
  const named = switchLines(
    sideBySide(crossGrid(sidesAbove(namesBeside(firstRows(posts(lines)))))).map((l) =>
      countedColumns(numberedSides(namedInBrackets(arrows(l))))
    )
  );
  const crossed = crossRows(defaultColumn(defaultLines(named)), legend);
  const out = crossed.lines.map((line, i) => {
    const lever = levers(line, legend);
    if (lever !== null && !legend.has('up')) up.push(i);
    const numbered = letteredPins(lever ?? line, crossed.lines.slice(Math.max(0, i - NEAR), i).join('\n'));
    if (numbered !== null) letters.push(i);
    const said = wording.reduce((text, rule) => rule(text), numbered ?? lever ?? line);
    const written = inlineBits(said, legend);
    if (written !== said && !legend.has('1')) bits.push(i);
    const inline = subjectFirst(written);
    const counted = countedPlaces(inline) ?? numbersAlong(inline) ?? valuesAlong(inline);
    if (counted !== null) pairs.push(i);
    return counted ?? inline;
  });
  return {
    lines: out,
    pairs: [...pairs, ...crossed.counted],
    letters,
    levers: up,
    bits,
    crosses: crossed.rows
  };
}
