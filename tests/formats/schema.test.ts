import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { schemas } from '../../src/lib/formats';

describe('the published JSON Schemas', () => {
  for (const [name, schema] of Object.entries(schemas()))
    it(`${name} is current (npm run schema)`, () => {
      const file = new URL(`../../docs/schema/${name}.schema.json`, import.meta.url);
      expect(JSON.parse(readFileSync(file, 'utf8'))).to.deep.equal(JSON.parse(JSON.stringify(schema)));
    });
});
