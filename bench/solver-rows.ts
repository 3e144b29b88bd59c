import { benchMachine, type BenchKind } from '../tests/support/bench-machines';

/** Cards and kinds of each row. */
export const ROWS: readonly [cards: number, kind: BenchKind][] = [
  [4, 'plain'],
  [8, 'plain'],
  [12, 'plain'],
  [20, 'plain'],
  [4, 'adversarial'],
  [8, 'adversarial'],
  [12, 'adversarial'],
  [20, 'adversarial'],
  [30, 'adversarial'],
  [20, 'roomy'],
  [30, 'roomy'],
  [12, 'coupled'],
  [14, 'coupled']
];

/** Rows of which fewer machines are solved, and each of them once. */
export const LARGE = ROWS.filter(([cards]) => cards > 14);

/** The machines of a row, counted from 1. */
export const machineOfRow = (cards: number, kind: BenchKind, n: number) =>
  benchMachine(n * 31 + cards, cards, kind);

/** A search ends there and says how good its answer is for certain. */
export const MOST_NODES = 60_000;
