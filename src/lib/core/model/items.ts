import type { Build, Item, PartSet } from './build';
import type { Part, Slot } from './part';

/** An id for a new item: the part's kind of function, or a number behind it when that is taken. */
export function newItemId(build: Build, part: Part): string {
  const taken = new Set([...build.items, ...build.shelf].map((i) => i.id));
  const base = part.functions[0]?.kind ?? part.kind;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id) && !['board', 'system', 'pnp'].includes(id)) return id;
  }
}

const fitting: Record<string, readonly Slot['bus'][]> = {
  isa8: ['isa8', 'isa16', 'vlb'],
  isa16: ['isa16', 'vlb', 'isa8'],
  vlb: ['vlb'],
  pci: ['pci'],
  agp: ['agp']
};

/** The first free slot that suits a card best, or none. */
export function firstSlot(build: Build, parts: PartSet, part: Part): string | undefined {
  const taken = new Set(build.items.map((i) => i.slot));
  const free = (parts.get(build.board.part)?.board?.slots ?? []).filter((s) => !taken.has(s.id));
  for (const bus of fitting[part.card?.bus ?? ''] ?? []) {
    const slot = free.find((s) => s.bus === bus);
    if (slot) return slot.id;
  }
  return undefined;
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
