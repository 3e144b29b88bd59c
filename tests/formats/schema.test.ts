import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { resolve } from '../../src/lib/core/solver';
import { readBuildFile, schemas } from '../../src/lib/formats';

describe('the example of the format page', () => {
  it('opens and resolves', () => {
    const page = readFileSync(new URL('../../docs/format.md', import.meta.url), 'utf8');
    const { build, parts } = readBuildFile(/```json\n([\s\S]*?)```/.exec(page)![1]);
    expect(resolve(build, parts).status).to.equal('solved');
  });
});

describe('the published JSON Schemas', () => {
  for (const [name, schema] of Object.entries(schemas()))
    it(`${name} is current (npm run schema)`, () => {
      const file = new URL(`../../docs/schema/${name}.schema.json`, import.meta.url);
      expect(JSON.parse(readFileSync(file, 'utf8'))).to.deep.equal(JSON.parse(JSON.stringify(schema)));
    });
});
