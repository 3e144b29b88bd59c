import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { readCatalogueFiles, readProfiles } from '../formats';
import type { Part, Profile } from '../core/model';

/** Folder of the project, in which catalogue/ and demo/ lie. */
export const projectFolder = (): string => process.env.YJ_ROOT ?? process.cwd();

export const catalogueFolder = (): string => join(projectFolder(), 'catalogue');
const built = (name: string): string => join(projectFolder(), 'build', 'heavy', name);
/** The parts, and the programs, as they were read and checked when the application was built. */
export const compiledCatalogue = (): string => built('catalogue.json');
export const compiledSoftware = (): string => built('software.json');
const SOFTWARE = 'software.yaml';

const partFiles = (folder: string): string[] =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.yaml') && name !== SOFTWARE)
    .sort();

/** What was made of some files of the catalogue; null where it is not there, or one of them is newer. */
function ifFresh<T>(compiled: string, names: readonly string[]): T | null {
  if (!existsSync(compiled)) return null;
  const made = statSync(compiled).mtimeMs;
  return names.every((name) => statSync(join(catalogueFolder(), name)).mtimeMs <= made)
    ? (JSON.parse(readFileSync(compiled, 'utf8')) as T)
    : null;
}

/**
 * Reads the parts that ship with the application: those of a folder from its files, else as they were compiled when
 * no file is newer than that.
 */
export function readCatalogue(folder?: string): Part[] {
  const from = folder ?? catalogueFolder();
  const names = partFiles(from);
  return (
    (folder === undefined ? ifFresh<Part[]>(compiledCatalogue(), names) : null) ??
    readCatalogueFiles(names.map((name) => ({ name, text: readFileSync(join(from, name), 'utf8') })))
  );
}

/** Functions that many parts have; the files of every folder may refer to them. */
const COMMON = 'common.yaml';

const PLAIN = 'plain';
/** Reads the parts without a maker that one's own part can start from. They are in no list and no plan. */
export function readPlainParts(folder = catalogueFolder()): Part[] {
  const names = [COMMON, ...partFiles(join(folder, PLAIN)).map((name) => join(PLAIN, name))];
  return readCatalogueFiles(names.map((name) => ({ name, text: readFileSync(join(folder, name), 'utf8') })));
}

/** Reads the programs that ship with the application, from a folder or as they were compiled, like the parts. */
export function readSoftware(folder?: string): Profile[] {
  const from = folder ?? catalogueFolder();
  return (
    (folder === undefined ? ifFresh<Profile[]>(compiledSoftware(), [SOFTWARE]) : null) ??
    readProfiles(readFileSync(join(from, SOFTWARE), 'utf8'), SOFTWARE)
  );
}
