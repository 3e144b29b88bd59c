import { fittedKiB } from '../boards';
import { isOn } from '../resources';
import type { Kit } from './kit';

/** Where memory on cards can go: below the display memory. */
const CONVENTIONAL_KIB = 640;

/** KiB on cards that fill up the memory below 640 KiB. */
export const cardKiB = ({ m, at }: Kit): number =>
  m.fitted.reduce(
    (sum, f) =>
      sum +
      f.part.functions.reduce(
        (n, fn) => n + (f.slot && fn.kind === 'memory' && isOn(f, fn, at) ? (fn.memoryKiB ?? 0) : 0),
        0
      ),
    0
  );

/** KiB on the board: soldered and in banks that are full. */
export const boardKiB = (kit: Kit): number =>
  kit.memory
    ? fittedKiB(
        kit.memory,
        [...kit.banks].flatMap(([bank, list]) =>
          list.map(({ placed, count }) => ({ bank, module: placed.part.module!, count }))
        )
      )
    : 0;

/**
 * KiB that are fitted: on the board, and on cards as far as there is room for them below 640 KiB. The very first BIOS
 * counts no further than 544 KiB.
 */
export function totalKiB(kit: Kit): number {
  const board = boardKiB(kit);
  const room = Math.max(0, CONVENTIONAL_KIB - board);
  const total = board + Math.min(room, cardKiB(kit));
  return Math.min(total, kit.firmware?.firmware?.mostBaseKiB ?? Infinity);
}
