import type { Build, Item } from './build';
import type { Part } from './part';

/** An id for a new item: the part's kind of function, or a number behind it when that is taken. */
export function newItemId(build: Build, part: Part): string {
  const taken = new Set([...build.items, ...build.shelf].map((i) => i.id));
  const base = part.functions[0]?.kind ?? part.kind;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id) && !['board', 'system', 'pnp'].includes(id)) return id;
  }
}

/** The build with an item seated elsewhere, or in no slot; where it was found is kept. */
export function seatItem(build: Build, id: string, slot: string | undefined): Build {
  const move = (item: Item): Item => {
    if (item.id !== id) return item;
    const { slot: old, slotAsFound, ...rest } = item;
    const found = slotAsFound ?? old;
    return { ...rest, ...(slot ? { slot } : {}), ...(found && found !== slot ? { slotAsFound: found } : {}) };
  };
  return { ...build, items: build.items.map(move) };
}

/** The build with one of its items, or its board, changed. */
export const withItem = (build: Build, id: string, to: (item: Item) => Item): Build => ({
  ...build,
  board: build.board.id === id ? to(build.board) : build.board,
  items: build.items.map((item) => (item.id === id ? to(item) : item))
});
