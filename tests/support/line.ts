import type { Line } from '../../src/lib/core/placement';

/** A line of a start that may go into upper memory. Bytes. */
export const line = (
  name: string,
  stage: 0 | 1,
  load: number,
  stay: number,
  after: string[] = [],
  movesItself = false
): Line => ({ name, stage, load, stay, after, high: true, movesItself });
