import { expect } from 'chai';
import { stringify } from 'yaml';
import { type Part } from '../../src/lib/core/model';
import { readPart } from '../../src/lib/formats';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';
import { InvalidDocument } from '../../src/lib/words';
import { torture } from '../support/torture';

const all = [...parts.values()];

/** Every problem of a text, or none when it is read. */
function problems(text: string): string[] {
  try {
    readPart(text, 'part.yaml');
    return [];
  } catch (error) {
    if (!(error instanceof InvalidDocument)) throw error;
    return error.problems.map((p) => `${p.path} ${p.message}`);
  }
}

describe('part files', () => {
  it('every part comes back as it went, from YAML and from JSON', () => {
    // YAML takes long to write and read: of parts that are alike in kind, every third tells.
    for (const part of all.filter((_, n) => n % torture(1, 5) === 0)) {
      expect(readPart(stringify(part), 'p'), part.id).to.deep.equal(part);
      expect(readPart(JSON.stringify(part), 'p'), part.id).to.deep.equal(part);
    }
  });

  it('name the place of what is wrong', () => {
    const card = all.find((p) => p.settings.length && p.blocks.length)!;
    const broken = (change: (p: Part) => unknown) => problems(stringify(change(structuredClone(card))));
    expect(broken((p) => ({ ...p, colour: 'green' })).join()).to.match(/colour/);
    expect(broken((p) => ({ ...p, kind: 'teapot' })).join()).to.match(/kind/);
    expect(
      broken((p) => {
        p.settings[0].block = 'nowhere';
        return p;
      }).join()
    ).to.match(/nowhere/);
    expect(broken((p) => ({ ...p, lengthMm: 'long' })).join()).to.match(/lengthMm/);
    expect(problems('')).to.have.length.greaterThan(0);
    expect(problems('- a\n- list')).to.have.length.greaterThan(0);
    expect(problems('{ a: [')).to.have.length.greaterThan(0);
  });

  it('an alias that grows without end is refused', () => {
    const rows = ['a: &a [x, x, x, x, x, x, x, x, x]'];
    for (let n = 1; n < 12; n++) {
      const [name, below] = [n, n - 1].map((i) => String.fromCharCode(97 + i));
      rows.push(`${name}: &${name} [${Array.from({ length: 9 }, () => `*${below}`).join(', ')}]`);
    }
    expect(problems(rows.join('\n')).join()).to.match(/alias/i);
  });

  it('survive mutations with nothing but a clear error', () => {
    const r = new Seeded(23);
    const texts = r.some(all, 15).map((p) => stringify(p));
    let refused = 0;
    for (let n = 0; n < torture(4000, 200); n++) {
      const text = r.pick(texts);
      const at = r.int(text.length);
      const change = r.pick(['', ':', '- ', '\n', '"', '#', '{', 'ß', '9', '\u0000']);
      const found = problems(text.slice(0, at) + change + text.slice(at + r.int(4)));
      if (found.length) refused++;
      for (const message of found) expect(message).to.match(/^part\.yaml.*\S$/s);
    }
    expect(refused).to.be.greaterThan(20);
  });
});
