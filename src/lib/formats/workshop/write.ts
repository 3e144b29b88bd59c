import { strToU8, zipSync } from 'fflate';
import { Notebook, ShelfItem, Sighting, buildSchema, type Build, entryOf, sure } from '../../core/model';
import { leftOutWords } from '../../words';
import { writeBuildFile } from '../build-file';
import { manifest, type RawBuild, type Workshop, type WrittenWorkshop } from './layout';

/** The revision of a number, which is among those that were read. */
export const revisionOf = <R extends { n: number }>(revisions: readonly R[], n: number): R =>
  sure(
    revisions.find((r) => r.n === n),
    'the revision'
  );

/** The states of a build that can be read, each hung on its nearest ancestor that can, and the texts of the others. */
function readable({ id, head, deleted, revisions }: RawBuild) {
  const read = new Map<number, Build>();
  const broken: { name: string; text: string }[] = [];
  for (const { n, document } of revisions) {
    const build = parsed(document, buildSchema);
    if (build) read.set(n, build);
    else broken.push({ name: `unreadable/${id}-${n}.json`, text: document });
  }
  const parents = new Map(revisions.map((r) => [r.n, r.parent]));
  const ancestor = (n: number | null): number | null => {
    let at = n;
    while (at !== null && !read.has(at)) at = parents.get(at) ?? null;
    return at;
  };
  const kept = revisions
    .filter((r) => read.has(r.n))
    .map(({ document: _, ...r }) => ({ ...r, parent: ancestor(r.parent), build: entryOf(read, r.n) }));
  const now = ancestor(head) ?? kept.at(-1)?.n ?? null;
  return { head: now, deleted, revisions: kept, broken };
}

function parsed<T>(
  text: string,
  schemaOf: (data: unknown) => { safeParse(data: unknown): { success: boolean; data?: T } }
): T | null {
  try {
    const data: unknown = JSON.parse(text);
    const read = schemaOf(data).safeParse(data);
    return read.success ? (read.data ?? null) : null;
  } catch {
    return null;
  }
}

/**
 * The whole workshop as a ZIP file: `workshop.json` says what it is; `builds/ID.json` is a build file
 * that opens on its own; `history/ID.json` holds every state; `parts/` the parts that old states and the shelf
 * use; `shelf.json` the things on the shelf, `photos/` their photographs; `unreadable/` what was kept and cannot be
 * read any more, as it is.
 */
export function writeWorkshop({
  builds,
  parts,
  shelf,
  photos,
  sightings,
  notebooks,
  leftOut
}: Workshop): WrittenWorkshop {
  const files: Record<string, Uint8Array> = {};
  const unreadable: string[] = [];
  const put = (name: string, data: unknown) => (files[name] = strToU8(JSON.stringify(data)));
  const putBroken = (name: string, text: string) => {
    files[name] = strToU8(text);
    unreadable.push(name);
  };
  const used = new Set<string>();
  for (const raw of builds) {
    const { head, deleted, revisions, broken } = readable(raw);
    broken.forEach(({ name, text }) => putBroken(name, text));
    if (head === null) continue;
    const now = revisionOf(revisions, head).build;
    files[`builds/${raw.id}.json`] = strToU8(writeBuildFile(now, parts, { compact: true }));
    put(`history/${raw.id}.json`, { head, deleted, revisions });
    for (const { build } of revisions)
      for (const item of [build.board, ...build.items, ...build.shelf]) used.add(item.part);
  }
  const readList = <T>(
    name: string,
    texts: readonly string[],
    schema: { safeParse(data: unknown): { success: boolean; data?: T } }
  ): T[] =>
    texts.flatMap((text, i) => {
      const one = parsed(text, () => schema);
      if (one === null) putBroken(`unreadable/${name}-${i + 1}.json`, text);
      return one === null ? [] : [one];
    });
  const items = readList('shelf', shelf, ShelfItem);
  const lists = {
    sightings: readList('sighting', sightings, Sighting),
    notebooks: readList('notebook', notebooks, Notebook)
  };
  for (const item of items) used.add(item.part);
  if (items.length || lists.sightings.length || lists.notebooks.length)
    put('shelf.json', {
      items,
      ...lists,
      photos: photos.map(({ item, name, marks }, i) => ({
        item,
        name,
        marks: JSON.parse(marks) as unknown,
        file: `photos/${i + 1}.jpg`
      }))
    });
  photos.forEach(({ data }, i) => (files[`photos/${i + 1}.jpg`] = data));
  // Parts of old states travel beside the build files.
  for (const id of used) if (parts.has(id)) put(`parts/${id}.json`, parts.get(id));
  if (leftOut?.states || leftOut?.photos)
    files['LEFT-OUT.txt'] = strToU8(leftOutWords(leftOut.states, leftOut.photos));
  put('workshop.json', manifest(builds.length, unreadable));
  return { bytes: zipSync(files, { level: 6 }), unreadable };
}
