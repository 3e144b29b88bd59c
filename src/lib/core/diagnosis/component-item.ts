import type { Kit } from '../kit';
import { BOARD_ITEM, type Item, there } from '../model';

/** The one of several, or none: which of two it is nobody can say. */
const only = (list: readonly { item: Item }[]): Item | null =>
  list.length === 1 ? there(list[0]).item : null;

/** Which part of a build a suspect is, by its component; what every machine has is looked up in what was entered. */
const finders: Readonly<Record<string, (kit: Kit) => Item | null>> = {
  supply: (kit) => kit.supply?.item ?? null,
  keyboard: (kit) => kit.keyboard?.item ?? null,
  monitor: (kit) => only(kit.monitors.filter((m) => m.item.id !== BOARD_ITEM)),
  display: (kit) => {
    const cards = kit.displays.filter((d) => d.isOn && d.item !== BOARD_ITEM);
    return cards.length === 1 ? (kit.build.items.find((i) => i.id === there(cards[0]).item) ?? null) : null;
  },
  cpu: (kit) =>
    only(kit.build.items.filter((i) => kit.parts.get(i.part)?.kind === 'cpu').map((item) => ({ item }))),
  memory: (kit) => only([...kit.banks.values()].flat().map((m) => m.placed)),
  board: (kit) => kit.build.board
};

/** @returns null where no part of the build is meant, or more than one may be */
export function itemOfComponent(kit: Kit, component: string): Item | null {
  // An item may be called like what every machine has.
  const find = Object.hasOwn(finders, component) ? finders[component] : undefined;
  return find ? find(kit) : (kit.build.items.find((i) => i.id === component) ?? null);
}
