import { parseTree, type ParseError } from 'jsonc-parser';
import { usedParts } from '../core/kit';
import {
  BuildFile,
  FORMAT_MINOR,
  FORMAT_NAME,
  FORMAT_VERSION,
  checkFile,
  fileSchema,
  isNewer,
  partSet,
  upgrade,
  schemaFlaws,
  type Build,
  type PartSet
} from '../core/model';
import { InvalidDocument, documentNames, fileFlaws } from '../words';

/** Largest build file that is read, in characters. */
export const MAX_FILE = 8 * 1024 * 1024;
/** Deepest nesting of a build or a part. */
export const MAX_DEPTH = 60;
/** Levels that what a document lies in adds: the file of a build, the history of an archive. */
export const WRAPPING = { file: 2, history: 4 } as const;

/**
 * Reads a build file of this or an older version.
 * @throws InvalidDocument with the place of each problem; nothing is stored by then.
 */
export function readBuildFile(text: string): { build: Build; parts: PartSet } {
  if (text.length > MAX_FILE)
    throw new InvalidDocument(
      [{ path: '', message: fileFlaws.tooLarge(MAX_FILE / 1024 / 1024) }],
      documentNames.file
    );
  const read = upgrade(parseJson(text));
  if ('wrong' in read) throw new InvalidDocument([read.wrong], documentNames.file);
  const file = checkedFile(read.file);
  const { newer: _forged, ...build } = file.build;
  return { build: { ...build, ...newerFields(file) }, parts: partSet(file.parts) };
}

function checkedFile(data: Record<string, unknown>): BuildFile {
  const parsed = fileSchema(data).safeParse(data);
  if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), documentNames.file);
  const problems = checkFile(parsed.data);
  if (problems.length) throw new InvalidDocument(problems, documentNames.file);
  return parsed.data;
}

/** What a file of a newer minor version holds that this release does not know, beside the build. */
function newerFields(file: BuildFile): Pick<Build, 'newer'> {
  if (!isNewer(file.minor)) return {};
  const known = Object.keys(BuildFile.shape);
  const fields = Object.fromEntries(Object.entries(file).filter(([key]) => !known.includes(key)));
  return { newer: { minor: file.minor, fields } };
}

/** Parses JSON and says line and column when it is broken; refuses absurd nesting. */
export function parseJson(text: string, wrapping: number = WRAPPING.file): unknown {
  const bare = text.replace(/^\uFEFF/, '');
  let data: unknown;
  try {
    data = JSON.parse(bare);
  } catch {
    // A text may be both deep and broken, and what looks for the break goes down with it.
    assertFlat(depthOfText(bare), wrapping);
    const before = bare.slice(0, brokenAt(bare)).split('\n');
    throw new InvalidDocument(
      [
        {
          path: fileFlaws.at(before.length, before[before.length - 1].length + 1),
          message: text.trim() === '' ? fileFlaws.empty : fileFlaws.notJson
        }
      ],
      documentNames.file
    );
  }
  assertFlat(depthOf(data), wrapping);
  return data;
}

/** How deep lists and objects of a document are nested in each other. */
function assertFlat(depth: number, wrapping: number): void {
  if (depth > MAX_DEPTH + wrapping)
    throw new InvalidDocument([{ path: '', message: fileFlaws.nested(depth) }], documentNames.file);
}

const isNested = (node: unknown): node is object => typeof node === 'object' && node !== null;

/** Nesting of lists and objects, found level by level. */
export function depthOf(data: unknown): number {
  let depth = 0;
  for (let level = [data].filter(isNested); level.length; depth++) {
    const below: object[] = [];
    for (const node of level)
      for (const child of Array.isArray(node) ? node : Object.values(node))
        if (isNested(child)) below.push(child);
    level = below;
  }
  return depth;
}

/** Where a text stops being JSON; the engine's own message does not always say. */
function brokenAt(text: string): number {
  const errors: ParseError[] = [];
  parseTree(text, errors, { disallowComments: true });
  return Math.min(text.length, ...errors.map((e) => e.offset));
}

/** Deepest nesting of brackets outside strings. */
function depthOfText(text: string): number {
  let depth = 0;
  let most = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inString) {
      if (c === 92) i++;
      else if (c === 34) inString = false;
    } else if (c === 34) inString = true;
    else if (c === 91 || c === 123) most = Math.max(most, ++depth);
    else if (c === 93 || c === 125) depth--;
  }
  return most;
}

/** Writes a build with every part that it uses, fitted or on its shelf; `compact`: on one line. */
export function writeBuildFile({ newer, ...build }: Build, parts: PartSet, { compact = false } = {}): string {
  const file: BuildFile = {
    ...newer?.fields,
    format: FORMAT_NAME,
    version: FORMAT_VERSION,
    minor: newer?.minor ?? FORMAT_MINOR,
    build,
    parts: usedParts(build, parts)
  };
  const text = JSON.stringify(file, null, compact ? 0 : 2) + '\n';
  // What was accepted can be read back: blanks alone never make a file too large.
  return text.length > MAX_FILE && !compact ? JSON.stringify(file) : text;
}
