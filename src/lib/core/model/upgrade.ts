import { FORMAT_NAME, FORMAT_VERSION } from './build';
import { InvalidDocument } from './problem';

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

/**
 * Brings a file of an older version up to the present one.
 * @throws InvalidDocument when it is not such a file, or newer than this release.
 */
export function upgrade(data: unknown): Json {
  if (!isObject(data)) throw new InvalidDocument([{ path: '', message: 'is not a JSON object' }], 'The file');
  if (data.format !== FORMAT_NAME)
    throw new InvalidDocument(
      [{ path: 'format', message: `must be "${FORMAT_NAME}"; this is some other kind of file` }],
      'The file'
    );
  let file = data;
  while (file.version !== FORMAT_VERSION) {
    const version = file.version;
    if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
      throw new InvalidDocument([{ path: 'version', message: 'must be a whole number' }], 'The file');
    if (version > FORMAT_VERSION)
      throw new InvalidDocument(
        [
          {
            path: 'version',
            message: `is ${version}, and this release reads up to ${FORMAT_VERSION}; open it with a newer release`
          }
        ],
        'The file'
      );
    if (!isObject(file.build))
      throw new InvalidDocument([{ path: 'build', message: 'is missing' }], 'The file');
    file = steps[version](file);
  }
  return file;
}
