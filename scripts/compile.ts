import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { compiledCatalogue, readCatalogue } from '../src/lib/server/catalogue';

/** Reads and checks the catalogue once, so that neither server nor command line does it at each start. */
const parts = readCatalogue(new URL('../catalogue', import.meta.url).pathname);
mkdirSync(dirname(compiledCatalogue()), { recursive: true });
writeFileSync(compiledCatalogue(), JSON.stringify(parts));
