import { unzipSync } from 'fflate';
import { z } from 'zod';
import {
  Notebook,
  ShelfItem,
  Sighting,
  buildSchema,
  schemaFlaws,
  type Build,
  type Part,
  type PartSet
} from '../../core/model';
import { WRAPPING, parseJson, readBuildFile } from '../build-file';
import { readPart } from '../part-file';
import {
  History,
  MAX_ARCHIVE,
  MAX_ENTRIES,
  MAX_UNPACKED,
  Manifest,
  Photo,
  Revision,
  Shelf,
  type KeptBuild,
  type KeptPhoto,
  type KeptRevision,
  type ReadWorkshop
} from './layout';
import { InvalidDocument, archiveFlaws as flaws, documentNames, problemsOf, type Problem } from '../../words';

/**
 * Reads an archive. One document that is wrong is left out and named, and takes nothing from the others; a build
 * whose history is wrong comes with its present state.
 * @throws InvalidDocument when it is no archive of ours, or when nothing in it can be taken
 */
export function readWorkshop(bytes: Uint8Array): ReadWorkshop {
  const files = unpack(bytes);
  const archive = new Archive(files);
  if (!files['workshop.json']) fail('', flaws.other);
  parse('workshop.json', Manifest, archive.json('workshop.json'));
  const builds: KeptBuild[] = [];
  const parts = new Map<string, Part>();
  for (const name of archive.names(/^builds\/[^/]+\.json$/))
    archive.attempt(() => {
      const one = readOne(archive, name);
      builds.push(one.build);
      for (const [id, part] of one.parts) parts.set(id, part);
    });
  const wanted = new Set(
    builds.flatMap((b) => b.revisions.flatMap(({ build }) => itemsOf(build).map((item) => item.part)))
  );
  const shelf = readShelf(archive);
  for (const item of shelf.items) wanted.add(item.part);
  for (const id of wanted) {
    const name = `parts/${id}.json`;
    if (!parts.has(id) && files[name])
      archive.attempt(() =>
        parts.set(
          id,
          inFile(name, () => readPart(archive.text(name), name))
        )
      );
  }
  const items = shelf.items.filter((item) => {
    if (parts.has(item.part)) return true;
    archive.left.push({
      path: `shelf.json: ${item.id}`,
      message: flaws.noPart(item.part)
    });
    return false;
  });
  const { left } = archive;
  const { sightings, notebooks } = shelf;
  if (left.length && !builds.length && !items.length && !sightings.length && !notebooks.length)
    throw new InvalidDocument(left.slice(0, 50), documentNames.archive);
  const there = new Set(items.map((i) => i.id));
  const photos = shelf.photos.filter((p) => there.has(p.item));
  return { builds, parts, shelf: items, photos, sightings, notebooks, left };
}

const itemsOf = (build: Build) => [build.board, ...build.items, ...build.shelf];

/** The files of an archive, and what of them had to be left out. */
class Archive {
  readonly left: Problem[] = [];

  constructor(private readonly files: Record<string, Uint8Array>) {}

  names(pattern: RegExp): string[] {
    return Object.keys(this.files).filter((n) => pattern.test(n));
  }
  has(name: string): boolean {
    return Object.hasOwn(this.files, name);
  }
  bytes(name: string): Uint8Array | undefined {
    return this.has(name) ? this.files[name] : undefined;
  }
  text(name: string): string {
    return new TextDecoder('utf-8').decode(this.files[name]);
  }
  json(name: string): unknown {
    return inFile(name, () => parseJson(this.text(name), WRAPPING.history));
  }
  /** Does something, or writes down why it could not be done. */
  attempt(work: () => unknown): void {
    try {
      work();
    } catch (error) {
      if (!(error instanceof InvalidDocument)) throw error;
      this.left.push(...error.problems.slice(0, 5));
    }
  }
}

function readOne(archive: Archive, name: string): { build: KeptBuild; parts: PartSet } {
  const { build, parts } = inFile(name, () => readBuildFile(archive.text(name)));
  const present: KeptBuild = {
    head: 0,
    revisions: [{ n: 0, parent: null, at: '1970-01-01T00:00:00.000Z', note: '', build }]
  };
  const historyName = name.replace('builds/', 'history/');
  if (!archive.has(historyName)) return { build: present, parts };
  let kept = present;
  archive.attempt(() => {
    kept = readHistory(archive, historyName, build);
  });
  return { build: kept, parts };
}

function readHistory(archive: Archive, name: string, now: Build): KeptBuild {
  const history = parse(name, History, archive.json(name));
  const read: KeptRevision[] = [];
  const parents = new Map<number, number | null>();
  history.revisions.forEach((raw, i) => {
    const shape = Revision.safeParse(raw);
    if (!shape.success) return archive.attempt(() => wrong(name, `revisions[${i}]`, shape.error));
    const { build: document, mark, ...rest } = shape.data;
    if (parents.has(rest.n)) fail(name, flaws.sameNumber);
    if (rest.parent !== null && rest.parent >= rest.n) fail(name, flaws.backwards(rest.n, rest.parent));
    parents.set(rest.n, rest.parent);
    // The present state is that of the build file, which was checked as a whole.
    const build =
      rest.n === history.head
        ? { success: true as const, data: now }
        : buildSchema(document).safeParse(document);
    if (!build.success) return archive.attempt(() => wrong(name, `revisions[${i}].build`, build.error));
    read.push({ ...rest, ...(mark === undefined ? {} : { mark }), build: build.data });
  });
  if (!read.some((r) => r.n === history.head)) fail(name, flaws.noHead(history.head));
  const there = new Set(read.map((r) => r.n));
  const ancestor = (n: number | null): number | null => {
    let at = n;
    while (at !== null && !there.has(at)) at = parents.get(at) ?? null;
    return at;
  };
  const { head, deleted } = history;
  return {
    head,
    ...(deleted === undefined ? {} : { deleted }),
    revisions: read.map((r) => ({ ...r, parent: ancestor(r.parent) }))
  };
}

interface ReadShelf {
  items: ShelfItem[];
  photos: KeptPhoto[];
  sightings: Sighting[];
  notebooks: Notebook[];
}

function readShelf(archive: Archive): ReadShelf {
  const out: ReadShelf = { items: [], photos: [], sightings: [], notebooks: [] };
  if (!archive.has('shelf.json')) return out;
  archive.attempt(() => {
    const shelf = parse('shelf.json', Shelf, archive.json('shelf.json'));
    const each = <T>(list: readonly unknown[], what: string, schema: z.ZodType<T>): T[] =>
      list.flatMap((raw, i) => {
        const one = schema.safeParse(raw);
        if (one.success) return [one.data];
        archive.attempt(() => wrong('shelf.json', `${what}[${i}]`, one.error));
        return [];
      });
    out.items = each(shelf.items, 'items', ShelfItem);
    out.sightings = each(shelf.sightings, 'sightings', Sighting);
    out.notebooks = each(shelf.notebooks, 'notebooks', Notebook);
    out.photos = each(shelf.photos, 'photos', Photo).flatMap(({ item, name, file, marks }) => {
      const data = /^photos\//.test(file) ? archive.bytes(file) : undefined;
      if (data) return [{ item, name, marks, data }];
      archive.left.push({ path: 'shelf.json: photos', message: flaws.noPhotograph(file) });
      return [];
    });
  });
  return out;
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  if (bytes.length > MAX_ARCHIVE) fail('', flaws.tooLarge(MAX_ARCHIVE / 1024 / 1024));
  let total = 0;
  let entries = 0;
  try {
    return unzipSync(bytes, {
      filter: (entry) => {
        total += entry.originalSize;
        if (++entries > MAX_ENTRIES) fail('', flaws.tooMany(MAX_ENTRIES));
        if (total > MAX_UNPACKED) fail('', flaws.unpacks(MAX_UNPACKED / 1024 / 1024));
        return !entry.name.endsWith('/') && !entry.name.startsWith('unreadable/');
      }
    });
  } catch (error) {
    if (error instanceof InvalidDocument) throw error;
    return fail('', flaws.notZip);
  }
}

function fail(path: string, message: string): never {
  throw new InvalidDocument([{ path, message }], documentNames.archive);
}

const at = (file: string, path: string, problem: Problem): Problem => ({
  path: `${file}: ${path}`,
  message: problem.message
});

function wrong(file: string, place: string, error: z.ZodError): never {
  throw new InvalidDocument(
    problemsOf(schemaFlaws(error)).map((p) => at(file, p.path ? `${place}.${p.path}` : place, p)),
    documentNames.archive
  );
}

/** Runs a reader and says in which file of the archive it failed. */
function inFile<T>(file: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof InvalidDocument)) throw error;
    throw new InvalidDocument(
      error.problems.map((p) => at(file, p.path, p)),
      documentNames.archive
    );
  }
}

function parse<T>(file: string, schema: z.ZodType<T>, data: unknown): T {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data;
  throw new InvalidDocument(
    problemsOf(schemaFlaws(parsed.error)).map((p) => at(file, p.path, p)),
    documentNames.archive
  );
}
