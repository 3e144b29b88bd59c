import { expect } from 'chai';
import { machineOf, board, card, type ClaimIn } from '../support/make';
import { check } from '../support/make';

const port = (id: string, kind: 'serial' | 'parallel', base: number) =>
  card(id, [{ resource: 'io', value: base, length: 8 } as ClaimIn], { fn: { kind } });
const named = (...ports: [string, 'serial' | 'parallel', number][]) => {
  const { build, parts } = machineOf(
    board('at', Array<string>(6).fill('isa16')),
    ports.map((p) => port(...p))
  );
  return check(build, parts)
    .filter((f) => f.rule === 'port.numbering')
    .map((f) => f.sentence);
};

describe('names of ports', () => {
  it('moves the printer port at 378h down where one at 3BCh comes first', () => {
    const [told, ...more] = named(['m', 'parallel', 0x3bc], ['p', 'parallel', 0x378]);
    expect(told).to.match(/3BCh .* LPT1 and 378h .* LPT2/);
    expect(more).to.deep.equal([]);
  });
  it('closes a gap up', () => {
    expect(named(['p', 'parallel', 0x278])[0]).to.match(/278h .* LPT1/);
    expect(named(['s', 'serial', 0x2f8])[0]).to.match(/2F8h .* COM1/);
  });
  it('says nothing where each has its usual name', () => {
    expect(named(['p', 'parallel', 0x378], ['q', 'parallel', 0x278])).to.deep.equal([]);
    expect(named(['s', 'serial', 0x3f8], ['t', 'serial', 0x2f8])).to.deep.equal([]);
    expect(named(['m', 'parallel', 0x3bc])).to.deep.equal([]);
    expect(named()).to.deep.equal([]);
  });
});
