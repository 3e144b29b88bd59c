import { expect } from 'chai';
import { readBuildFile, writeBuildFile } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';
import { InvalidDocument } from '../../src/lib/words';

const text = writeBuildFile(demo('plover'), parts);
const problemsOf = (source: string): string[] => {
  try {
    readBuildFile(source);
    return [];
  } catch (error) {
    if (!(error instanceof InvalidDocument)) throw error;
    return error.problems.map((p) => `${p.path}: ${p.message}`);
  }
};

describe('build files', () => {
  it('come back as they went', () => {
    for (const id of ['plover', 'dunlin', 'turnstone']) {
      const source = writeBuildFile(demo(id), parts);
      const { build, parts: own } = readBuildFile(source);
      expect(build).to.deep.equal(demo(id));
      expect(writeBuildFile(build, own)).to.equal(source);
    }
  });
  it('say where a broken file is broken', () => {
    expect(problemsOf('')[0]).to.match(/empty/);
    expect(problemsOf(text.slice(0, 2000))[0]).to.match(/^line \d+, column \d+: .*cut off/);
    expect(problemsOf('{"a": 1,\n  "b": oops }')[0]).to.match(/^line 2, column 8/);
    expect(problemsOf(text.replace('"slot": "4"', '"slot": 4"'))[0]).to.match(
      new RegExp(`^line ${text.slice(0, text.indexOf('"slot": "4"')).split('\n').length}, column`)
    );
    expect(problemsOf('{"a": 1} and more')[0]).to.match(/^line 1, column 10/);
    expect(problemsOf('[1,2]')[0]).to.match(/not a JSON object/);
    expect(problemsOf('['.repeat(5000))[0]).to.match(/nested/);
    expect(problemsOf(text.replace('"slot": "4"', '"slot": "14"'))[0]).to.match(
      /^build\.items\[2\]\.slot: the board has no slot "14"/
    );
    expect(problemsOf(text.replace('"part": "tollmark-16"', '"part": "no-such"'))[0]).to.match(
      /build\.items\[2\]\.part/
    );
    expect(problemsOf(text.replace('"name": "Plover"', '"nam": "Plover"')).join()).to.match(/build/);
  });
  const MUTATIONS = torture(2000, 100);
  it(`survive ${MUTATIONS} mutations without anything but a clear error`, () => {
    const r = new Seeded(42);
    for (let i = 0; i < MUTATIONS; i++) {
      const at = r.int(text.length);
      const mutated = [
        () => text.slice(0, at) + text.slice(at + 1 + r.int(40)),
        () => text.slice(0, at) + String.fromCharCode(r.int(256)) + text.slice(at + 1),
        () => text.slice(0, at) + text.slice(r.int(text.length), r.int(text.length)) + text.slice(at),
        () =>
          text.replace(
            new RegExp(`"${r.pick(['id', 'value', 'slot', 'setting', 'kind', 'length', 'rows'])}": [^,\\n]+`),
            '"id": null'
          )
      ][i % 4]();
      for (const problem of problemsOf(mutated)) expect(problem).to.match(/\S: \S|^: \S/);
    }
  });
});
