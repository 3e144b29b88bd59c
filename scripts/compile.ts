import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import {
  catalogueFolder,
  compiledCatalogue,
  compiledSoftware,
  readCatalogue,
  readSoftware
} from '../src/lib/server/catalogue';

/** Reads and checks the catalogue once, so that neither server nor command line does it at each start. */
const folder = catalogueFolder();
mkdirSync(dirname(compiledCatalogue()), { recursive: true });
writeFileSync(compiledSoftware(), JSON.stringify(readSoftware(folder)));
// Last: by its age the build is known to be whole.
writeFileSync(compiledCatalogue(), JSON.stringify(readCatalogue(folder)));
