import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readPart } from '../formats';
import type { Part } from '../core/model';

/** Folder of the project, in which catalogue/ and demo/ lie. */
export const projectFolder = (): string => process.env.YJ_ROOT ?? process.cwd();

/** Reads the parts that ship with the application. */
export function readCatalogue(folder = join(projectFolder(), 'catalogue')): Part[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.yaml'))
    .sort()
    .map((name) => readPart(readFileSync(join(folder, name), 'utf8'), name));
}
