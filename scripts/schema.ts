import { mkdirSync, writeFileSync } from 'node:fs';
import { schemas } from '../src/lib/formats';
import { openApi } from '../src/lib/server/api/openapi';

/** Writes the published JSON Schemas and the description of the API: `npm run schema`. */
const docs = new URL('../docs/', import.meta.url);
const write = (name: string, data: unknown) =>
  writeFileSync(new URL(name, docs), JSON.stringify(data, null, 2) + '\n');
mkdirSync(new URL('schema/', docs), { recursive: true });
for (const [name, schema] of Object.entries(schemas())) write(`schema/${name}.schema.json`, schema);
write('openapi.json', openApi());
