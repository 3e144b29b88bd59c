import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { improbable } from '../../src/lib/core/catalogue';
import type { Part } from '../../src/lib/core/model';
import { readReasons, unreasoned } from '../../src/lib/formats/reasons';
import { parts } from '../support/demo';

const all = [...parts.values()];
/** What stands out about a part after a slip of the hand. */
const after = (id: string, slip: (part: Part) => Part): string[] =>
  improbable(all.map((p) => (p.id === id ? slip(p) : p)))
    .filter((f) => f.part === id)
    .map((f) => f.fact);

describe('improbable facts of the catalogue', () => {
  it('each has a reason, and each reason something to explain', () => {
    const reasons = readReasons(
      readFileSync(new URL('../../catalogue/reasons.csv', import.meta.url), 'utf8')
    );
    expect(unreasoned(improbable(all), reasons)).to.deep.equal({ open: [], stale: [] });
  });
  it('every part of the catalogue says where its facts come from', () => {
    expect(all.filter((p) => p.evidence.length === 0).map((p) => p.id)).to.deep.equal([]);
  });
  it('notices slips: a price, a year, a clock, a module, a draw, a length', () => {
    const board = (p: Part): Part => ({ ...p, price: { low: 4000, high: 6000 } });
    expect(after('varnoc-d33', board)).to.include('price, middle');
    expect(after('varnoc-d33', (p) => ({ ...p, sold: { from: 2003 } }))).to.include('first year');
    const cpu = all.find((p) => p.cpu?.family === '486dx')!;
    expect(after(cpu.id, (p) => ({ ...p, cpu: { ...p.cpu!, coreMHz: 660 } }))).to.include('core clock, MHz');
    const module = all.find((p) => p.module?.form === 'simm30')!;
    expect(after(module.id, (p) => ({ ...p, module: { ...p.module!, kib: 1_048_576 } }))).to.include(
      'module, KiB'
    );
    const card = all.find(
      (p) => p.card?.bus === 'isa16' && p.functions[0].kind === 'audio' && p.card.lengthMm && p.power
    )!;
    expect(after(card.id, (p) => ({ ...p, card: { ...p.card!, lengthMm: 15 } }))).to.include('length, mm');
    expect(after(card.id, (p) => ({ ...p, power: { ...p.power!, v5: p.power!.v5 * 40 } }))).to.include(
      'watts drawn'
    );
  });
  it('says nothing where there are too few to compare, and refuses a reason without words', () => {
    expect(improbable(all.slice(0, 3))).to.deep.equal([]);
    expect(() => readReasons('part,fact,reason\nx,slots,\n')).to.throw(/row 2/);
  });
});
