import { there } from './sure';
import { FORMAT_NAME, FORMAT_VERSION } from './build';
import type { Flaw, FlawAt } from './flaw';

type Json = Record<string, unknown>;

/**
 * Steps from one version of the file format to the next. Version 0 was the draft format: `cards`
 * for what is now `items`, and `found` for `asFound`.
 */
const steps: Record<number, (file: Json) => Json> = {
  0: (file) => {
    const build = { ...(file.build as Json) };
    if ('cards' in build) {
      build.items = build.cards;
      delete build.cards;
    }
    const rename = (item: unknown): unknown => {
      if (!isObject(item) || !('found' in item)) return item;
      const { found, ...rest } = item;
      return { ...rest, asFound: found };
    };
    build.board = rename(build.board);
    if (Array.isArray(build.items)) build.items = build.items.map(rename);
    if (Array.isArray(build.shelf)) build.shelf = build.shelf.map(rename);
    return { ...file, version: 1, build };
  }
};

const isObject = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Brings a file of an older version up to the present one. @returns what is wrong when it is no such file, or newer */
export function upgrade(data: unknown): { file: Json } | { wrong: FlawAt } {
  const wrong = (path: string, flaw: Flaw) => ({ wrong: { path, flaw } });
  if (!isObject(data)) return wrong('', { is: 'not-object' });
  if (data.format !== FORMAT_NAME) return wrong('format', { is: 'format', name: FORMAT_NAME });
  let file = data;
  while (file.version !== FORMAT_VERSION) {
    const version = file.version;
    if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
      return wrong('version', { is: 'version' });
    if (version > FORMAT_VERSION) return wrong('version', { is: 'newer', version, reads: FORMAT_VERSION });
    if (!isObject(file.build)) return wrong('build', { is: 'no-build' });
    file = there(steps[version])(file);
  }
  return { file };
}
