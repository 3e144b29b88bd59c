import { strToU8, unzipSync, zipSync } from 'fflate';
import { z } from 'zod';
import {
  Build,
  InvalidDocument,
  Notebook,
  PhotoMarks,
  ShelfItem,
  Sighting,
  buildSchema,
  checkBuild,
  partSet,
  zodProblems,
  type PartSet,
  type Problem
} from '../core/model';
import { parseJson, readBuildFile, writeBuildFile } from './build-file';
import { readPart } from './part-file';

/** Largest archive that is read, packed and unpacked, in bytes, and most files in it. */
export const MAX_ARCHIVE = 64 * 1024 * 1024;
const MAX_UNPACKED = 256 * 1024 * 1024;
const MAX_ENTRIES = 20_000;
const NAME = 'yellow-jumper/workshop';

/** One state in the history of a build. `parent` is the number of the state it was made from. */
export interface KeptRevision {
  n: number;
  parent: number | null;
  at: string;
  note: string;
  mark?: string;
  build: Build;
}

export interface KeptBuild {
  /** Which of the revisions is the present state. */
  head: number;
  /** When it was put in the bin, if it is there. */
  deleted?: string;
  revisions: KeptRevision[];
}

/** A photograph of a thing on the shelf, as JPEG. */
export interface KeptPhoto {
  item: string;
  name: string;
  data: Uint8Array;
  /** Numbered marks on it. */
  marks: PhotoMarks;
}

export interface Workshop {
  builds: KeptBuild[];
  parts: PartSet;
  shelf: ShelfItem[];
  photos: KeptPhoto[];
  sightings: Sighting[];
  notebooks: Notebook[];
}

const Revision = z.object({
  n: z.number().int().min(0),
  parent: z.number().int().min(0).nullable(),
  at: z.string().max(40),
  note: z.string().max(200),
  mark: z.string().max(120).optional(),
  build: z.unknown()
});
const History = z.object({
  head: z.number().int().min(0),
  deleted: z.string().max(40).optional(),
  revisions: z.array(Revision).min(1).max(100_000)
});
const Shelf = z.object({
  items: z.array(ShelfItem).max(20_000),
  sightings: z.array(Sighting).max(5000).default([]),
  notebooks: z.array(Notebook).max(5000).default([]),
  photos: z
    .array(
      z.object({
        item: z.string().max(64),
        name: z.string().max(120),
        file: z.string().max(80),
        marks: PhotoMarks.default([])
      })
    )
    .max(20_000)
});
const Manifest = z.object({ format: z.literal(NAME), version: z.literal(1) });

/**
 * The whole workshop as a ZIP file: `workshop.json` says what it is; `builds/ID.json` is a build file
 * that opens on its own; `history/ID.json` holds every state; `parts/` the parts that old states and the shelf
 * use; `shelf.json` the things on the shelf, `photos/` their photographs.
 */
export function writeWorkshop({ builds, parts, shelf, photos, sightings, notebooks }: Workshop): Uint8Array {
  const files: Record<string, Uint8Array> = {};
  const put = (name: string, data: unknown) => (files[name] = strToU8(JSON.stringify(data)));
  put('workshop.json', { format: NAME, version: 1, builds: builds.length });
  const used = new Set<string>();
  for (const { head, deleted, revisions } of builds) {
    const now = revisions.find((r) => r.n === head)!.build;
    files[`builds/${now.id}.json`] = strToU8(writeBuildFile(now, parts));
    put(`history/${now.id}.json`, { head, deleted, revisions });
    for (const { build } of revisions)
      for (const item of [build.board, ...build.items, ...build.shelf]) used.add(item.part);
  }
  for (const item of shelf) used.add(item.part);
  if (shelf.length || sightings.length || notebooks.length)
    put('shelf.json', {
      items: shelf,
      sightings,
      notebooks,
      photos: photos.map(({ item, name, marks }, i) => ({ item, name, marks, file: `photos/${i + 1}.jpg` }))
    });
  photos.forEach(({ data }, i) => (files[`photos/${i + 1}.jpg`] = data));
  const kept = [...used].flatMap((id) => parts.get(id) ?? []);
  // Parts of old states travel in a build file's `parts`, so that one reader checks them all.
  for (const part of kept) put(`parts/${part.id}.json`, part);
  return zipSync(files, { level: 6 });
}

/** Lets others have their turn: reading a large archive takes seconds. */
const breathe = () => new Promise((done) => setTimeout(done, 0));

/**
 * Reads an archive whole; nothing is taken from one with anything wrong in it.
 * @throws InvalidDocument with the file in the archive and the place in it.
 */
export async function readWorkshop(bytes: Uint8Array): Promise<Workshop> {
  const files = unpack(bytes);
  const text = (name: string): string => new TextDecoder('utf-8').decode(files[name]);
  const json = (name: string): unknown => inFile(name, () => parseJson(text(name)));
  if (!files['workshop.json']) fail('', 'holds no workshop.json; it is some other archive');
  check('workshop.json', Manifest, json('workshop.json'));
  const names = Object.keys(files);
  const partDocuments = names.filter((n) => /^parts\/[^/]+\.json$/.test(n)).map((n) => [n, json(n)] as const);
  const builds: { build: KeptBuild; parts: PartSet }[] = [];
  for (const name of names.filter((n) => /^builds\/[^/]+\.json$/.test(n))) {
    builds.push(await readOne(name, files, text, json, partDocuments));
    await breathe();
  }
  const known = partSet(builds.flatMap((b) => [...b.parts.values()]));
  if (!files['shelf.json'])
    return {
      builds: builds.map((b) => b.build),
      parts: known,
      shelf: [],
      photos: [],
      sightings: [],
      notebooks: []
    };
  const { items, photos, sightings, notebooks } = check('shelf.json', Shelf, json('shelf.json'));
  const parts = new Map(known);
  for (const [name, document] of partDocuments) {
    const id = name.slice('parts/'.length, -'.json'.length);
    if (!parts.has(id) && items.some((i) => i.part === id))
      parts.set(
        id,
        inFile(name, () => readPart(JSON.stringify(document), name))
      );
  }
  items.forEach((item, i) => {
    if (!parts.has(item.part))
      fail('shelf.json', `items[${i}].part: the archive holds no part "${item.part}"`);
  });
  return {
    builds: builds.map((b) => b.build),
    parts,
    shelf: items,
    sightings,
    notebooks,
    photos: photos.flatMap(({ item, name, file, marks }) =>
      files[file]
        ? [{ item, name, marks, data: files[file] }]
        : fail('shelf.json', `names ${file}, which is not there`)
    )
  };
}

async function readOne(
  name: string,
  files: Record<string, Uint8Array>,
  text: (name: string) => string,
  json: (name: string) => unknown,
  partDocuments: readonly (readonly [string, unknown])[]
): Promise<{ build: KeptBuild; parts: PartSet }> {
  const { build, parts } = inFile(name, () => readBuildFile(text(name)));
  const historyName = name.replace('builds/', 'history/');
  if (!files[historyName]) {
    const at = '1970-01-01T00:00:00.000Z';
    return { build: { head: 0, revisions: [{ n: 0, parent: null, at, note: '', build }] }, parts };
  }
  const history = check(historyName, History, json(historyName));
  const wanted = new Set<string>();
  const revisions: KeptRevision[] = [];
  for (const [i, revision] of history.revisions.entries()) {
    if (i % 20 === 0) await breathe();
    const parsed = buildSchema(revision.build).safeParse(revision.build);
    if (!parsed.success)
      throw new InvalidDocument(
        zodProblems(parsed.error).map((p) => at(historyName, `revisions[${i}].build.${p.path}`, p)),
        'The archive'
      );
    for (const item of [parsed.data.board, ...parsed.data.items, ...parsed.data.shelf]) wanted.add(item.part);
    revisions.push({ ...revision, build: parsed.data });
  }
  const numbers = new Set(revisions.map((r) => r.n));
  if (numbers.size !== revisions.length) fail(historyName, 'names two revisions by one number');
  if (!numbers.has(history.head)) fail(historyName, `has no revision ${history.head}, its head`);
  for (const r of revisions)
    if (r.parent !== null && !(numbers.has(r.parent) && r.parent < r.n))
      fail(historyName, `revision ${r.n} comes from ${r.parent}, which is not an earlier one`);
  const all = readParts(build, parts, wanted, partDocuments);
  revisions.forEach((r, i) => {
    const problems = checkBuild(r.build, all);
    if (problems.length)
      throw new InvalidDocument(
        problems.map((p) => at(historyName, `revisions[${i}].build.${p.path}`, p)),
        'The archive'
      );
  });
  const { head, deleted } = history;
  return { build: { head, revisions, ...(deleted === undefined ? {} : { deleted }) }, parts: all };
}

/** Parts that old states use are checked by putting them into the file of the build. */
function readParts(
  build: Build,
  parts: PartSet,
  wanted: ReadonlySet<string>,
  documents: readonly (readonly [string, unknown])[]
): PartSet {
  const extra = documents.filter(([name]) => {
    const id = name.slice('parts/'.length, -'.json'.length);
    return wanted.has(id) && !parts.has(id);
  });
  if (!extra.length) return parts;
  const file = JSON.parse(writeBuildFile(build, parts)) as { parts: unknown[] };
  file.parts.push(...extra.map(([, document]) => document));
  return inFile(extra.map(([name]) => name).join(', '), () => readBuildFile(JSON.stringify(file)).parts);
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  if (bytes.length > MAX_ARCHIVE) fail('', `is larger than ${MAX_ARCHIVE / 1024 / 1024} MiB`);
  let total = 0;
  let entries = 0;
  try {
    return unzipSync(bytes, {
      filter: (entry) => {
        total += entry.originalSize;
        if (++entries > MAX_ENTRIES) fail('', `holds more than ${MAX_ENTRIES} files`);
        if (total > MAX_UNPACKED) fail('', `unpacks to more than ${MAX_UNPACKED / 1024 / 1024} MiB`);
        return !entry.name.endsWith('/');
      }
    });
  } catch (error) {
    if (error instanceof InvalidDocument) throw error;
    return fail('', 'is not a ZIP file, or is cut off');
  }
}

function fail(path: string, message: string): never {
  throw new InvalidDocument([{ path, message }], 'The archive');
}

const at = (file: string, path: string, problem: Problem): Problem => ({
  path: `${file}: ${path}`,
  message: problem.message
});

/** Runs a reader and says in which file of the archive it failed. */
function inFile<T>(file: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof InvalidDocument)) throw error;
    throw new InvalidDocument(
      error.problems.map((p) => at(file, p.path, p)),
      'The archive'
    );
  }
}

function check<T>(file: string, schema: z.ZodType<T>, data: unknown): T {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data;
  throw new InvalidDocument(
    zodProblems(parsed.error).map((p) => at(file, p.path, p)),
    'The archive'
  );
}
