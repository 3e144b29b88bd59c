import {
  FORMAT_MINOR,
  FORMAT_NAME,
  FORMAT_VERSION,
  Build,
  partSet,
  type BuildFile,
  type Part
} from '../model';
import { firstSlot } from '../resources';

/** The item that stands for the part that is tried. */
export const TRIED = 'tried';

/**
 * A build with a part that is not saved yet put in: a card into the first slot that takes it, a board in place of the
 * build's own with its cards where they were, anything else beside.
 * @param related what a board needs to be understood: its BIOS, a CPU that is soldered in
 */
export function triedIn(file: BuildFile, part: Part, related: readonly Part[] = []): BuildFile {
  const there = file.parts.filter((p) => p.id !== part.id);
  const parts = [...there, part, ...related.filter((r) => there.every((p) => p.id !== r.id))];
  const { build } = file;
  if (part.board) {
    const board = { ...build.board, part: part.id, asFound: {}, chosen: {}, locked: [] };
    return { ...file, parts, build: { ...build, board } };
  }
  const slot = part.card ? firstSlot(build, partSet(parts), part) : undefined;
  const item: Build['items'][number] = {
    id: TRIED,
    part: part.id,
    asFound: {},
    chosen: {},
    locked: [],
    ...(slot ? { slot } : {})
  };
  return { ...file, parts, build: { ...build, items: [...build.items.filter((i) => i.id !== TRIED), item] } };
}

/** A board of one's own with nothing on it. */
export const aloneOn = (part: Part, related: readonly Part[] = []): BuildFile => ({
  format: FORMAT_NAME,
  version: FORMAT_VERSION,
  minor: FORMAT_MINOR,
  build: Build.parse({ id: TRIED, name: part.name, board: { id: 'board', part: part.id } }),
  parts: [part, ...related]
});

/** The subjects by which findings are about the part that is tried. */
export const isAboutTried = (part: Part, items: readonly { item: string }[]): boolean =>
  items.some((s) => s.item === (part.board ? 'board' : TRIED));
