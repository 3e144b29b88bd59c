import { expect } from 'chai';
import fc from 'fast-check';
import type { Block } from '../../src/lib/core/model';
import { hangingRows } from '../../src/lib/ui/loom/layout';
import { layOut } from '../../src/lib/ui/parts/layout';
import { parts } from '../support/demo';

/** Blocks as boxes without their names, to see whether two lie on each other. */
const width = (b: Block) => (b.kind === 'header' ? b.columns * 15 : b.kind === 'dip' ? b.switches * 15 : 16);
const height = (b: Block) => (b.kind === 'header' ? b.rows * 15 : b.kind === 'dip' ? 34 : 10);
function overlaps(blocks: readonly Block[]): string[] {
  const { spots, height: H } = layOut(blocks, 286, 196);
  return spots.flatMap((a, i) => [
    ...(a.y < 0 || a.y + height(a.block) > H ? [`${a.block.id} outside`] : []),
    ...spots
      .slice(i + 1)
      .filter(
        (b) =>
          a.x < b.x + width(b.block) &&
          b.x < a.x + width(a.block) &&
          a.y < b.y + height(b.block) &&
          b.y < a.y + height(a.block)
      )
      .map((b) => `${a.block.id} on ${b.block.id}`)
  ]);
}

describe('drawing of a card', () => {
  it('no block of the catalogue lies on another', () => {
    for (const part of parts.values())
      expect(overlaps(part.blocks.filter((b) => b.at)), part.id).to.deep.equal([]);
  });
  it('nor do any others, wherever they are said to sit', () => {
    const block = fc.record({
      at: fc.record({ x: fc.integer({ min: 0, max: 100 }), y: fc.integer({ min: 0, max: 100 }) }),
      size: fc.integer({ min: 1, max: 16 }),
      dip: fc.boolean()
    });
    fc.assert(
      fc.property(fc.array(block, { maxLength: 12 }), (list) => {
        const blocks = list.map(({ at, size, dip }, i) =>
          dip
            ? { id: `b${i}`, kind: 'dip', switches: size, printed: 'ON', flipped: false, at }
            : { id: `b${i}`, kind: 'header', rows: 2, columns: size, at }
        ) as unknown as Block[];
        expect(overlaps(blocks)).to.deep.equal([]);
      })
    );
  });
});

describe('texts below the drawing of memory', () => {
  it('lie on no other text and under no line to one, and in the first row where there is room', () => {
    const hung = fc.array(
      fc.record({ x: fc.integer({ min: 0, max: 500 }), width: fc.integer({ min: 1, max: 150 }) }),
      { maxLength: 10 }
    );
    fc.assert(
      fc.property(hung, (list) => {
        const texts = [...list].sort((a, b) => a.x - b.x);
        const rows = hangingRows(texts);
        texts.forEach((a, i) =>
          texts.forEach((b, j) => {
            if (i === j) return;
            const lies = rows[i] === rows[j] && a.x < b.x + b.width && b.x < a.x + a.width;
            const isUnder = rows[j]! >= rows[i]! && b.x > a.x && b.x < a.x + a.width;
            expect(lies || isUnder, JSON.stringify({ texts, rows })).to.equal(false);
          })
        );
      })
    );
    expect(
      hangingRows([
        { x: 0, width: 90 },
        { x: 90, width: 50 }
      ])
    ).to.deep.equal([0, 0]);
    expect(
      hangingRows([
        { x: 0, width: 90 },
        { x: 50, width: 90 },
        { x: 100, width: 9 }
      ])
    ).to.deep.equal([2, 1, 0]);
  });
});
