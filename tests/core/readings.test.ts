import { expect } from 'chai';
import { clockRows, oscillatorFor, sameClock } from '../../src/lib/core/boards';
import type { CpuFacts, Part } from '../../src/lib/core/model';
import { displayKiB, modes, picturesIn, pictureKiB } from '../../src/lib/core/video';
import { parts } from '../support/demo';

const all = [...parts.values()];
const cpu = (id: string): CpuFacts => parts.get(id)!.cpu!;
const withUnit = (id: string, clockUnit: 'bus' | 'core' | 'unknown'): Part => {
  const board = parts.get(id)!;
  return { ...board, board: { ...board.board!, clockUnit } };
};

describe('the clock table of a board', () => {
  it('a doubled 50 set as the bus is the mistake, and the right row is found by either reading', () => {
    const rows = clockRows(withUnit('varnoc-v66', 'unknown'), cpu('ashgill-486dx2-66'), null);
    expect(rows.length).to.be.greaterThan(1);
    for (const row of rows) expect(row.readings.map((r) => r.unit)).to.deep.equal(['bus', 'core']);
    const right = rows.flatMap((r) =>
      r.readings.filter((x) => x.verdict === 'right').map((x) => [r.printed, x.unit])
    );
    expect(right).to.deep.include([33.333, 'bus']);
  });
  it('each reading is bus × factor, and only what is within the rating is called so', () => {
    const boards = all.filter((p) => p.board?.busClock && !Array.isArray(p.board.busClock));
    expect(boards.length).to.be.greaterThan(3);
    for (const board of boards)
      for (const part of all.filter((p) => p.cpu && board.board!.cpuSocket?.families.includes(p.cpu.family)))
        for (const unit of ['bus', 'core', 'unknown'] as const)
          for (const row of clockRows(withUnit(board.id, unit), part.cpu!, null))
            for (const r of row.readings) {
              const told = `${board.id} ${part.id} ${row.printed} ${r.unit}`;
              expect(r.unit === 'bus' ? r.busMHz : r.coreMHz, told).to.be.closeTo(row.printed, 1e-9);
              const within = r.coreMHz <= part.cpu!.coreMHz * 1.035 && r.busMHz <= part.cpu!.busMHz * 1.035;
              if (r.verdict === 'right') expect(sameClock(r.coreMHz, part.cpu!.coreMHz), told).to.equal(true);
              if (r.verdict === 'slower') expect(within, told).to.equal(true);
              if (r.verdict === 'mistake' || r.verdict === 'too-fast')
                expect(within && r.verdict !== 'mistake', told).to.equal(false);
            }
  });
  it('a board without a table has no rows', () => {
    expect(clockRows(parts.get('ostrel-t286')!, cpu('ashgill-286-12'), null)).to.deep.equal([]);
  });
});

describe('the oscillator', () => {
  it('is three times the clock of an 8088, twice that of a 286 or 386, and the bus clock after', () => {
    expect(oscillatorFor('8088', 14.318 / 3).mhz).to.be.closeTo(14.318, 0.001);
    expect(oscillatorFor('8086', 10)).to.deep.equal({ mhz: 30, divisor: 3 });
    expect(oscillatorFor('286', 12)).to.deep.equal({ mhz: 24, divisor: 2 });
    expect(oscillatorFor('386sx', 16)).to.deep.equal({ mhz: 32, divisor: 2 });
    expect(oscillatorFor('386dx', 33.333).mhz).to.be.closeTo(66.666, 0.001);
    for (const family of ['486dx', '586', 'pentium', 'pentium2'] as const)
      expect(oscillatorFor(family, 33), family).to.deep.equal({ mhz: 33, divisor: 1 });
  });
});

describe('video memory', () => {
  it('what an amount holds: the largest picture of each depth, and no larger one', () => {
    expect(picturesIn(256)).to.deep.equal(['800 × 600 in 16 colours']);
    expect(picturesIn(512)).to.include('800 × 600 in 256 colours');
    expect(picturesIn(1024)).to.include.members(['1024 × 768 in 256 colours', '640 × 480 in true colour']);
    expect(picturesIn(4096)).to.include('1280 × 1024 in true colour');
    expect(picturesIn(16)).to.deep.equal([]);
    for (let kib = 128, before = 0; kib <= 8192; kib *= 2) {
      const now = picturesIn(kib).length;
      expect(now).to.be.at.least(before);
      before = now;
    }
  });
  it('a picture by its name takes what its numbers say; the old ones are in every card of their kind', () => {
    expect(pictureKiB('800x600x8')).to.equal(469);
    expect(pictureKiB('1024x768x8')).to.equal(768);
    for (const old of ['text', 'cga', 'ega', 'vga', '3d'] as const)
      expect(pictureKiB(old), old).to.equal(null);
    for (const mode of modes) expect(displayKiB(mode.width, mode.height, mode.bits)).to.be.at.least(0);
  });
});
