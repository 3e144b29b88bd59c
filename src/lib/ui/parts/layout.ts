import type { Block } from '../../core/model';
import { printedMark } from './printed';

export const CELL = 15;
const LETTER = 6.6;

/** Width of a column of pins: as wide as the label above it. */
export const pitchOf = (block: Block, cell = CELL): number =>
  block.kind === 'header'
    ? Math.max(cell, ...(block.columnLabels ?? []).map((l) => l.length * LETTER + 4))
    : cell;

/** Room above a block for its name, and for the labels of its columns. */
export const headOf = (block: Block): number => (block.kind === 'header' && block.columnLabels ? 17 : 6);

/** Size of a drawn block without its name. */
function sizeOf(block: Block): { width: number; height: number } {
  switch (block.kind) {
    case 'header':
      return { width: block.columns * pitchOf(block), height: block.rows * CELL };
    case 'dip':
      return { width: block.switches * CELL + 8 + printedMark(block).length * LETTER, height: 34 };
    case 'rotary':
      return { width: 28, height: 28 };
    case 'slide':
      return { width: block.steps * 12 + 6, height: 14 };
    case 'solder':
      return { width: block.bridges * 16, height: 10 };
    case 'resistor':
      return { width: block.packs * 34, height: 12 };
    default:
      return { width: 0, height: 0 };
  }
}

export interface Spot {
  block: Block;
  x: number;
  y: number;
}

/**
 * Where blocks are drawn on a card of a width: where they sit, moved down past those above them and in from the edge
 * where they would lie on each other.
 * @returns the spots, and the size that they need
 */
export function layOut(
  blocks: readonly Block[],
  width: number,
  height: number
): { spots: Spot[]; width: number; height: number } {
  const GAP = 8;
  const placed: (Spot & { left: number; top: number; right: number; bottom: number })[] = [];
  const wanted = blocks
    .map((block) => ({ block, x: ((block.at?.x ?? 10) * width) / 100, y: (block.at?.y ?? 30) * 1.75 + 30 }))
    .sort((a, b) => a.y - b.y || a.x - b.x);
  for (const { block, x: wantedX, y: wantedY } of wanted) {
    const size = sizeOf(block);
    const name = (block.label ?? block.id).length * LETTER;
    const wide = Math.max(size.width, name);
    const x = Math.max(8, Math.min(wantedX, width - wide - 10));
    const above = headOf(block) + 10;
    const at = (y: number) => ({
      left: x,
      right: x + wide + GAP,
      top: y - above,
      bottom: y + size.height + GAP
    });
    let y = Math.max(wantedY, above + 4);
    for (;;) {
      const box = at(y);
      const hit = placed.find(
        (p) => box.left < p.right && box.right > p.left && box.top < p.bottom && box.bottom > p.top
      );
      if (!hit) break;
      y = hit.bottom + above;
    }
    placed.push({ block, x, y, ...at(y) });
  }
  return {
    spots: placed,
    width: Math.max(width, ...placed.map((p) => p.right + 4)),
    height: Math.max(height, ...placed.map((p) => p.bottom + 12))
  };
}
