import type { Block } from '../../core/model';
import { upSide } from '../../core/settings';

type Dip = Extract<Block, { kind: 'dip' }>;

/** What is printed on a DIP block, with an arrow to the side that it is printed beside. */
export function printedMark(block: Dip): string {
  const onArrow = upSide(block) === 'on' ? '↑' : '↓';
  const offArrow = onArrow === '↑' ? '↓' : '↑';
  const marks: Record<Dip['printed'], string> = {
    ON: `${onArrow} ON`,
    CLOSED: `${onArrow} CLOSED`,
    OPEN: `${offArrow} OPEN`,
    '0/1': `${onArrow} 1`,
    arrow: onArrow
  };
  return marks[block.printed];
}

/** Centre of a pin in cells, counted down each column from the corner that holds pin 1. */
export function pinAt(block: Extract<Block, { kind: 'header' }>, n: number): [number, number] {
  const column = Math.floor((n - 1) / block.rows);
  const row = (n - 1) % block.rows;
  return [
    block.pin1.endsWith('right') ? block.columns - 1 - column : column,
    block.pin1.startsWith('bottom') ? block.rows - 1 - row : row
  ];
}
