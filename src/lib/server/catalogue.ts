import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readCatalogueFiles, readProfiles } from '../formats';
import type { Part, Profile } from '../core/model';

/** Folder of the project, in which catalogue/ and demo/ lie. */
export const projectFolder = (): string => process.env.YJ_ROOT ?? process.cwd();

const catalogueFolder = (): string => join(projectFolder(), 'catalogue');
const SOFTWARE = 'software.yaml';

/** Reads the parts that ship with the application. */
export function readCatalogue(folder = catalogueFolder()): Part[] {
  const names = readdirSync(folder).filter((name) => name.endsWith('.yaml') && name !== SOFTWARE);
  return readCatalogueFiles(
    names.sort().map((name) => ({ name, text: readFileSync(join(folder, name), 'utf8') }))
  );
}

/** Reads the software profiles that ship with the application. */
export function readSoftware(folder = catalogueFolder()): Profile[] {
  return readProfiles(readFileSync(join(folder, SOFTWARE), 'utf8'), SOFTWARE);
}
