import { expect } from 'chai';
import { CornersError, blockShape, mappingOf, readBlock, type BlockSeen } from '../../src/lib/core/photo';
import {
  dipLooks,
  dipScene,
  draw,
  headerLooks,
  headerScene,
  type Picture,
  type Trouble
} from '../support/blocks';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

interface Score {
  positions: number;
  doubtful: number;
  wrong: number;
}
const troubleOf = (r: Seeded, i: number): Trouble => ({
  turn: (i % 5 === 0 ? 180 : 0) + (r.next() - 0.5) * 80,
  tilt: r.next() * 0.35,
  blur: r.int(3),
  noise: r.next() * 14,
  shadow: i % 4 === 1,
  glare: i % 7 === 3,
  miss: r.next() * 0.012
});

/** What was drawn against what was read. */
function scored(truth: readonly boolean[], seen: BlockSeen, score: Score): void {
  const read =
    seen.kind === 'dip'
      ? seen.switches.map((s) => ({ is: s.side === 'up', isDoubtful: s.isDoubtful }))
      : seen.jumpers.map((j) => ({ is: j.isOn, isDoubtful: j.isDoubtful }));
  expect(read.length).to.equal(truth.length);
  read.forEach(({ is, isDoubtful }, i) => {
    score.positions++;
    if (isDoubtful) score.doubtful++;
    else if (is !== truth[i]) score.wrong++;
  });
}
const raster = ({ width, height, rgb }: Picture) => ({ width, height, rgb });

describe('a block in a photograph', () => {
  const all: Score = { positions: 0, doubtful: 0, wrong: 0 };

  for (const look of dipLooks)
    it(`is read right or marked doubtful: ${look.name} DIP switches`, () => {
      const r = new Seeded(31 + dipLooks.indexOf(look));
      const score: Score = { positions: 0, doubtful: 0, wrong: 0 };
      for (let i = 0; i < torture(60, 4); i++) {
        const n = [4, 6, 8, 10][i % 4]!;
        const up = Array.from({ length: n }, () => r.chance(0.5));
        const picture = draw(dipScene(look, up, 0.2 + r.next() * 0.12), n / 2.6, troubleOf(r, i), r);
        scored(up, readBlock(raster(picture), picture.corners, { kind: 'dip', switches: n }), score);
      }
      for (const k of ['positions', 'doubtful', 'wrong'] as const) all[k] += score[k];
      expect(score.wrong / score.positions, JSON.stringify(score)).to.be.at.most(0.01);
      expect(score.doubtful / score.positions, JSON.stringify(score)).to.be.at.most(0.35);
    });

  for (const look of headerLooks)
    it(`is read right or marked doubtful: header with a ${look.name}`, () => {
      const r = new Seeded(91 + headerLooks.indexOf(look));
      const score: Score = { positions: 0, doubtful: 0, wrong: 0 };
      for (let i = 0; i < torture(60, 4); i++) {
        const rows = i % 3 === 0 ? 1 : 2;
        const columns = rows === 1 ? 3 : 3 + (i % 5);
        const on =
          rows === 2
            ? Array.from({ length: columns }, () => r.chance(0.4))
            : [
                [false, false],
                [true, false],
                [false, true]
              ][r.int(3)]!;
        const t = troubleOf(r, i);
        const picture = draw(headerScene(look, rows, columns, on), columns / rows, t, r);
        scored(on, readBlock(raster(picture), picture.corners, { kind: 'header', rows, columns }), score);
      }
      for (const k of ['positions', 'doubtful', 'wrong'] as const) all[k] += score[k];
      expect(score.wrong / score.positions, JSON.stringify(score)).to.be.at.most(0.01);
      expect(score.doubtful / score.positions, JSON.stringify(score)).to.be.at.most(0.35);
    });

  it('over all of them at most 0.5 % are wrong and not marked', () => {
    expect(all.positions).to.be.greaterThan(torture(1500, 100));
    expect(all.wrong / all.positions, JSON.stringify(all)).to.be.at.most(0.005);
  });

  it('that is one colour all over is doubtful everywhere', () => {
    const rgb = new Uint8ClampedArray(200 * 100 * 3).fill(128);
    const corners = [
      { x: 10, y: 10 },
      { x: 190, y: 10 },
      { x: 190, y: 90 },
      { x: 10, y: 90 }
    ] as const;
    const seen = readBlock({ width: 200, height: 100, rgb }, corners, { kind: 'dip', switches: 8 });
    expect(seen.kind === 'dip' && seen.switches.every((s) => s.isDoubtful)).to.equal(true);
  });
  it('wants corners that go round it', () => {
    const p = (x: number, y: number) => ({ x, y });
    expect(() => mappingOf([p(0, 0), p(10, 10), p(10, 0), p(0, 10)])).to.throw(CornersError);
    expect(() => mappingOf([p(0, 0), p(5, 0), p(10, 0), p(0, 10)])).to.throw(CornersError);
    const map = mappingOf([p(3, 4), p(13, 4), p(15, 24), p(1, 20)]);
    expect(
      [map(0, 0), map(1, 0), map(1, 1), map(0, 1)].map(({ x, y }) => [Math.round(x), Math.round(y)])
    ).to.deep.equal([
      [3, 4],
      [13, 4],
      [15, 24],
      [1, 20]
    ]);
  });
  it('is named by its kind and size', () => {
    expect(blockShape('dip:8')).to.deep.equal({ kind: 'dip', switches: 8 });
    expect(blockShape('header:2x6')).to.deep.equal({ kind: 'header', rows: 2, columns: 6 });
    expect(['dip:0', 'dip:17', 'header:3x4', 'header:1x1', 'rotary:4', ''].map(blockShape)).to.deep.equal(
      Array.from({ length: 6 }, () => null)
    );
  });
});
