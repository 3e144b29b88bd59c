import { expect } from 'chai';
import { kitOf, placeDrives } from '../../src/lib/core/kit';
import { powerOf } from '../../src/lib/core/power';
import { machine, severity, type Case } from '../support/cases';

describe('power', () => {
  it('rails, start current, leads, −5 V, plugs', () => {
    const x63 = (n: number): Case => ({
      board: 'skerrin-px8',
      items: [{ part: 'ampstead-x63' }, ...Array.from({ length: n }, () => ({ part: 'cairnholt-h72' }))]
    });
    expect(severity(x63(0), 'power.rail')).to.equal(null);
    expect(severity(x63(1), 'power.rail')).to.equal('clash');
    const start: Case = {
      board: 'skerrin-px8',
      items: [{ part: 'ampstead-x135' }, { part: 'cairnholt-h72' }]
    };
    expect(severity(start, 'power.start')).to.equal('caution');
    expect(severity(x63(3), 'power.plugs')).to.equal('clash');
    const burn: Case = { board: 'skerrin-px5', items: [{ part: 'ampstead-t350n' }] };
    expect(severity(burn, 'power.minus5-dram')).to.equal('stop');
    expect(severity({ board: 'ostrel-s7a', items: [{ part: 'ampstead-a200' }] }, 'power.form')).to.equal(
      'clash'
    );
  });
  it('five slots of an inch meet the openings of a case made for them only', () => {
    const inCase = (board: string, chassis: string) =>
      severity({ board, items: [{ part: chassis }] }, 'bay.board');
    expect(inCase('skerrin-px5', 'tinhallow-x8')).to.equal('clash');
    expect(inCase('skerrin-px5', 'tinhallow-x5')).to.equal(null);
    expect(inCase('skerrin-px8', 'tinhallow-x8')).to.equal(null);
    expect(inCase('skerrin-px8', 'tinhallow-x5')).to.equal('clash');
    expect(inCase('skerrin-px5', 'tinhallow-mt')).to.equal('clash');
  });
  it('the sum of the shares is the load, and drives at most add to it', () => {
    const { build, parts } = machine({
      board: 'varnoc-d33',
      items: [
        { part: 'cairnholt-a120' },
        { part: 'dornfleet-f1440' },
        { part: 'pendrum-s30-1m-70', count: 4, place: '0' }
      ]
    });
    const use = powerOf(kitOf(build, parts));
    for (const rail of use.rails)
      expect(rail.amps).to.be.closeTo(
        rail.shares.reduce((n, s) => n + s.amps, 0),
        0.011
      );
    expect(use.start12).to.be.at.least(use.rails.find((r) => r.rail === 'v12')!.amps);
  });
});

describe('bays', () => {
  it('each place is given once, a full-height bay to two of half height, rails are counted', () => {
    const placed = (...items: string[]) => {
      const { build, parts } = machine({ board: 'varnoc-d33', items: items.map((part) => ({ part })) });
      return placeDrives(kitOf(build, parts));
    };
    const two = placed('tinhallow-x8', 'dornfleet-f360', 'dornfleet-f360', 'cairnholt-h72');
    expect(two.map((p) => p.bay?.kind)).to.deep.equal(['full5', 'full5', 'full5']);
    expect(new Set(two.map((p) => `${p.bay!.n}`)).size).to.equal(2);
    expect(placed('tinhallow-x8', 'cairnholt-h72', 'cairnholt-h72', 'dornfleet-f360').at(-1)!.bay).to.equal(
      null
    );
    const slim = placed('tinhallow-x8', 'dornfleet-f1440', 'dornfleet-f720', 'feldspar-rails');
    expect(slim.map((p) => p.rails).sort()).to.deep.equal(['missing', 'there']);
    expect(placed('dornfleet-f1440')).to.deep.equal([]);
  });
});
