import { expect } from 'chai';
import { clockRows, oscillatorFor, sameClock, withOscillator } from '../../src/lib/core/boards';
import { hasFacts, type CpuFacts, type CpuFamily, type Part, type PartWith } from '../../src/lib/core/model';
import { displayKiB, modes, picturesIn, pictureKiB } from '../../src/lib/core/video';
import { check } from '../../src/lib/core/rules';
import { machine } from '../support/cases';
import { parts } from '../support/demo';

const all = [...parts.values()];
const cpu = (id: string): CpuFacts => parts.get(id)!.cpu!;
const board = (id: string): PartWith<'board'> => {
  const part = parts.get(id);
  if (!part || !hasFacts(part, 'board')) throw new Error(`${id} is no board`);
  return part;
};
const withUnit = (id: string, clockUnit: 'bus' | 'core' | 'unknown'): Part => {
  const part = board(id);
  return { ...part, board: { ...part.board, clockUnit } };
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

describe('an oscillator that was exchanged', () => {
  const on = (id: string, mhz: number, family: CpuFamily | null) =>
    withOscillator(board(id), mhz, family).board;
  it('makes the clock of a board without clock jumpers, and of an ISA bus that ran with it', () => {
    expect(on('skerrin-px8', 24, '8088')).to.deep.include({ busClock: [8] });
    // A 286 board whose bus ran at the CPU clock of 16 ÷ 2.
    const eight = on('ostrel-a8', 32, '286');
    expect([eight.busClock, eight.busMHz]).to.deep.equal([[16], 16]);
    // Another bus clock is derived from who knows what.
    expect(on('varnoc-d33', 50, '386dx')).to.deep.include({ busClock: [25] });
    expect(on('varnoc-d33', 50, '386dx')).not.to.have.property('busMHz');
  });
  it('leaves the clock open while nobody knows the CPU that divides it', () => {
    expect(on('varnoc-d33', 50, null)).not.to.have.property('busClock');
  });
  it('changes nothing where jumpers make the clock', () => {
    expect(withOscillator(board('varnoc-v66'), 50, '486dx')).to.equal(board('varnoc-v66'));
  });
  it('counts in a machine: too fast for its CPU is a clash, and the timer of a first XT is named', () => {
    const rules = (id: string, cpu: string, oscillator: string) => {
      const { build, parts: all } = machine({ board: id, items: [{ part: cpu }, { part: oscillator }] });
      return check(build, all).map((f) => f.rule);
    };
    expect(rules('varnoc-d33', 'ashgill-386dx-33', 'oddmere-osc-66-667')).not.to.include('cpu.clock');
    expect(rules('varnoc-d33', 'ashgill-386dx-25', 'oddmere-osc-66-667')).to.include('cpu.clock');
    expect(rules('varnoc-d33', 'ashgill-386dx-25', 'oddmere-osc-50-000')).not.to.include('cpu.clock');
    expect(rules('skerrin-px8', 'velloway-v8-10', 'oddmere-osc-30-000')).to.include('cpu.oscillator');
    expect(rules('skerrin-px8', 'velloway-v8-10', 'oddmere-osc-14-318')).not.to.include('cpu.oscillator');
    expect(rules('varnoc-v66', 'ashgill-486dx2-66', 'oddmere-osc-40-000')).to.include('cpu.oscillator');
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
