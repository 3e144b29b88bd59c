import { mkdirSync, writeFileSync } from 'node:fs';
import { schemas } from '../src/lib/formats';

/** Writes the published JSON Schemas: `npm run schema`. */
const folder = new URL('../docs/schema/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const [name, schema] of Object.entries(schemas()))
  writeFileSync(new URL(`${name}.schema.json`, folder), JSON.stringify(schema, null, 2) + '\n');
