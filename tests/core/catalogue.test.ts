import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import { readPart } from '../../src/lib/formats';

const folder = new URL('../../catalogue/', import.meta.url);
const names = readdirSync(folder).filter((n) => n.endsWith('.yaml'));

describe('the catalogue', () => {
  for (const name of names)
    it(`${name} is whole`, () => {
      const part = readPart(readFileSync(new URL(name, folder), 'utf8'), name);
      expect(`${part.id}.yaml`).to.equal(name);
      for (const setting of part.settings) {
        const block = part.blocks.find((b) => b.id === setting.block);
        expect(block, `${setting.id} is on a block`).to.not.equal(undefined);
        const physical = ['header', 'dip', 'rotary', 'solder'].includes(block!.kind);
        if (physical)
          for (const p of setting.positions) expect(p.state, `${setting.id} ${p.id}`).to.not.equal(undefined);
      }
    });

  it('has the parts that the builds need', () => {
    expect(names.length).to.be.at.least(30);
  });
});
