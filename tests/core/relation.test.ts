import { expect } from 'chai';
import fc from 'fast-check';
import { portsMeet, relate, type Line } from '../../src/lib/core/resources';
import { torture } from '../support/torture';

const masks = fc.constantFrom(0x3ff, 0xffff, 0xfff, 0x3f8, 0x3f0, 0x3fe, 0x2ff, 0x7ff);
const range = fc.record({
  value: fc.integer({ min: 0x100, max: 0xfff0 }),
  length: fc.integer({ min: 1, max: 40 }),
  mask: masks,
  decode: fc.constantFrom('isa' as const, 'pci' as const)
});
type Range = { value: number; length: number; mask: number; decode: 'isa' | 'pci' };

/** Every port at which a range answers; a PCI neighbour sees only the real ones. */
function answers({ value, length, mask }: Range, aliases: boolean): Set<number> {
  const real = Array.from({ length }, (_, i) => value + i);
  if (!aliases) return new Set(real);
  const folded = new Set(real.map((port) => port & mask));
  return new Set(
    Array.from({ length: 0x10000 }, (_, port) => port).filter((port) => folded.has(port & mask))
  );
}

describe('ports that answer together', () => {
  it('are those that two explicit sets of addresses share', () => {
    fc.assert(
      fc.property(range, range, (a, b) => {
        const isa = a.decode === 'isa' && b.decode === 'isa';
        const other = answers(b, isa);
        const meet = [...answers(a, isa)].some((port) => other.has(port));
        expect(portsMeet(a, b)).to.equal(meet);
        expect(portsMeet(b, a)).to.equal(meet);
      }),
      { numRuns: torture(400, 150) }
    );
  });
  it('include every range and itself', () => {
    fc.assert(fc.property(range, (a) => portsMeet(a, a)));
  });
});

describe('relate', () => {
  const line = (extra: Partial<Line>): Line => ({
    item: 'a',
    function: 'f',
    kind: 'other',
    index: 0,
    claim: 'irq',
    resource: 'irq',
    value: 5,
    printed: 5,
    length: 1,
    mask: 0xffffffff,
    access: 'both',
    width: 8,
    busMaster: false,
    use: null,
    shadowed: false,
    decode: 'isa',
    sharing: 'never',
    sharesWith: [],
    resident: false,
    oneOnly: false,
    assigned: false,
    ...extra
  });
  const kinds = fc.record({
    sharing: fc.constantFrom('never' as const, 'idle' as const, 'unused' as const, 'level' as const),
    resident: fc.boolean(),
    sharesWith: fc.constantFrom([], ['audio'], ['f'])
  });
  it('is the same both ways round, whatever the kinds', () => {
    fc.assert(
      fc.property(kinds, kinds, fc.boolean(), (x, y, together) => {
        const context = { apart: () => false, neverTogether: () => together };
        const a = line({ ...x, item: 'a', function: 'p', kind: 'audio' });
        const b = line({ ...y, item: 'b', function: 'q', kind: 'serial' });
        expect(relate(a, b, context)).to.deep.equal(relate(b, a, context));
      })
    );
  });
  it('lets nothing but PCI and named friends share a level line', () => {
    const context = { apart: () => false, neverTogether: () => true };
    const level = line({ sharing: 'level', item: 'a' });
    for (const sharing of ['never', 'idle', 'unused'] as const)
      expect(relate(level, line({ sharing, item: 'b' }), context)?.verdict, sharing).to.equal('clash');
    expect(relate(level, line({ sharing: 'level', item: 'b' }), context)).to.include({
      verdict: 'share',
      cost: 0
    });
  });
  it('lets no PCI function share with an ISA one of its own part', () => {
    const context = { apart: () => false, neverTogether: () => true };
    const usb = line({ sharing: 'level', function: 'usb' });
    for (const sharing of ['never', 'idle', 'unused'] as const)
      expect(relate(usb, line({ sharing, function: 'port' }), context)?.verdict, sharing).to.equal('clash');
    expect(relate(usb, line({ sharing: 'level', function: 'sound' }), context)?.verdict).to.equal('share');
    expect(relate(line({}), line({ function: 'midi' }), context)?.verdict).to.equal('share');
  });
  it('lets two PCI displays have one range, since the BIOS switches one of them on', () => {
    const context = { apart: () => false, neverTogether: () => false };
    const range = (item: string, oneOnly: boolean) => line({ item, resource: 'io', value: 0x3c0, oneOnly });
    expect(relate(range('a', true), range('b', true), context)?.verdict).to.equal('share');
    expect(relate(range('a', true), range('b', false), context)?.verdict).to.equal('clash');
  });
  it('does not relate lines of two resources or two numbers', () => {
    const context = { apart: () => true, neverTogether: () => false };
    expect(relate(line({}), line({ item: 'b', resource: 'dma' }), context)).to.equal(null);
    expect(relate(line({}), line({ item: 'b', value: 7 }), context)).to.equal(null);
  });
});
