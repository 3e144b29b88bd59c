import { expect } from 'chai';
import { check } from '../support/make';
import { checkBuild } from '../../src/lib/core/model';
import { applyFix, choose, resolve } from '../../src/lib/core/solver';
import { sheetOf, sheetText } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';

const clashes = (build: ReturnType<typeof demo>) => check(build, parts).filter((f) => f.severity === 'clash');

describe('the demo machines', () => {
  it('are whole', () => {
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew', 'whimbrel'])
      expect(checkBuild(demo(id), parts), id).to.deep.equal([]);
  });
  it('Plover has three clashes, few moves and two alternatives', () => {
    const build = demo('plover');
    expect(clashes(build).map((f) => f.rule)).to.have.members(['line.irq', 'line.dma', 'line.io']);
    const got = resolve(build, parts);
    if (got.status !== 'solved') throw new Error(got.status);
    expect(got.moves).to.have.length(3);
    expect(got.alternatives).to.have.length(2);
    expect(got.objective.hardNeeds).to.equal(0);
    expect(clashes(choose(build, got))).to.deep.equal([]);
  });
  it('Dunlin is tight and solvable on IRQ 2 to 7', () => {
    const got = resolve(demo('dunlin'), parts);
    if (got.status !== 'solved') throw new Error(got.status);
    const lines = got.claims.filter((c) => c.resource === 'irq').map((c) => c.value);
    expect(new Set(lines)).to.deep.equal(new Set([2, 3, 4, 5, 6, 7]));
    expect(got.shares.filter((s) => s.tolerated)).to.have.length(1);
  });
  it('Turnstone is impossible until the network card moves or something is exchanged', () => {
    const build = demo('turnstone');
    const got = resolve(build, parts);
    if (got.status !== 'impossible') throw new Error(got.status);
    expect(got.core.map((c) => c.item)).to.include('network');
    const actions = got.relaxations.map((r) => r.fixes[0].action);
    expect(actions).to.include.members(['move-slot', 'exchange', 'unlock', 'switch-off']);
    for (const { fixes } of got.relaxations) {
      const changed = fixes.reduce((b, fix) => applyFix(b, fix, parts), build);
      expect(checkBuild(changed, parts)).to.deep.equal([]);
      expect(resolve(changed, parts).status, JSON.stringify(fixes)).to.equal('solved');
    }
  });
  it('the sheet takes each card out once and ends with the start-up files', () => {
    const build = demo('plover');
    const got = resolve(build, parts);
    if (got.status !== 'solved') throw new Error(got.status);
    const sheet = sheetOf(choose(build, got), parts);
    const out = sheet.steps.filter((s) => s.kind === 'take-out').map((s) => s.item);
    expect(new Set(out).size).to.equal(out.length);
    const text = sheetText(sheet);
    expect(text).to.match(/SET BLASTER=A220 I5 D1 H\d P330 T6/);
    expect(text.indexOf('Unplug the mains')).to.be.lessThan(text.indexOf('[ ] 1.'));
    expect(Math.max(...text.split('\n').map((l) => l.length))).to.be.at.most(78);
  });
  it('cards that change slots all come out before any goes in', () => {
    const build = demo('turnstone');
    const swapped = applyFix(
      build,
      { action: 'move-slot', item: 'network', slot: '2', swapWith: 'video' },
      parts
    );
    const kinds = sheetOf(swapped, parts).steps.map((s) => s.kind);
    expect(kinds.lastIndexOf('take-out')).to.be.lessThan(kinds.indexOf('seat'));
    expect(kinds.filter((k) => k === 'seat')).to.have.length(2);
  });
});
