import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { readCatalogueFiles, readProfiles } from '../formats';
import type { Part, Profile } from '../core/model';

/** Folder of the project, in which catalogue/ and demo/ lie. */
export const projectFolder = (): string => process.env.YJ_ROOT ?? process.cwd();

const catalogueFolder = (): string => join(projectFolder(), 'catalogue');
/** The parts as they were read and checked when the program was built. */
export const compiledCatalogue = (): string => join(projectFolder(), 'build', 'heavy', 'catalogue.json');
const SOFTWARE = 'software.yaml';

const partFiles = (folder: string): string[] =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.yaml') && name !== SOFTWARE)
    .sort();

/**
 * Reads the parts that ship with the application: those of a folder from its files, else as they were compiled when
 * no file is newer than that.
 */
export function readCatalogue(folder?: string): Part[] {
  const from = folder ?? catalogueFolder();
  const names = partFiles(from);
  const compiled = compiledCatalogue();
  if (folder === undefined && existsSync(compiled)) {
    const made = statSync(compiled).mtimeMs;
    if (names.every((name) => statSync(join(from, name)).mtimeMs <= made))
      return JSON.parse(readFileSync(compiled, 'utf8')) as Part[];
  }
  return readCatalogueFiles(names.map((name) => ({ name, text: readFileSync(join(from, name), 'utf8') })));
}

/** Functions that many parts have; the files of every folder may refer to them. */
const COMMON = 'common.yaml';

const PLAIN = 'plain';
/** Reads the parts without a maker that one's own part can start from. They are in no list and no plan. */
export function readPlainParts(folder = catalogueFolder()): Part[] {
  const names = [COMMON, ...partFiles(join(folder, PLAIN)).map((name) => join(PLAIN, name))];
  return readCatalogueFiles(names.map((name) => ({ name, text: readFileSync(join(folder, name), 'utf8') })));
}

/** Reads the software profiles that ship with the application. */
export function readSoftware(folder = catalogueFolder()): Profile[] {
  return readProfiles(readFileSync(join(folder, SOFTWARE), 'utf8'), SOFTWARE);
}
