import type { Build, Part, PartSet, Slot, SlotBus } from '../model';

/** Where an item's lines go: `board` (soldered on), a slot of 8 or 16 bits, PCI, a slot for PC cards, or nowhere. */
export type Seat = 'board' | 'isa8' | 'isa16' | 'pci' | 'pc-card' | 'none';

/** Why a card does not work in a slot, by its bus. */
export type Misfit =
  | { why: 'no-card' }
  | { why: 'memory-board' }
  | { why: 'bus'; card: SlotBus; slot: SlotBus }
  | { why: 'local-bus' }
  | { why: 'eight-bit' }
  | { why: 'card-select' }
  | { why: 'bus-master' }
  | { why: 'thick'; card: 1 | 2 | 3; slot: 1 | 2 | 3 };

/** Why a card cannot be put into a slot: its bus, or what stands in its way. */
export type Obstacle =
  | Misfit
  | { why: 'length'; cardMm: number; roomMm: number }
  | { why: 'skirt'; slot: SlotBus };

/** What a slot gives a card, and why it cannot work there. */
export function seatOf(part: Part, slot: Slot): { seat: Seat; misfit: Misfit | null } {
  const { seat, misfit } = onBus(part, slot);
  if (misfit) return { seat, misfit };
  // It lies on the bus, and yet the slot does not serve it.
  if (slot.selected && part.card?.drivesSelect === 'no') return { seat, misfit: { why: 'card-select' } };
  return { seat, misfit: part.card?.master && slot.master === false ? { why: 'bus-master' } : null };
}

function onBus(part: Part, slot: Slot): { seat: Seat; misfit: Misfit | null } {
  const card = part.card;
  if (!card) return { seat: 'none', misfit: { why: 'no-card' } };
  if (slot.bus === 'memory-board') return { seat: 'none', misfit: { why: 'memory-board' } };
  if (card.bus === 'pc-card' && slot.bus === 'pc-card')
    return { seat: 'pc-card', misfit: tooThick(card, slot) };
  if (card.bus === 'pc-card' || slot.bus === 'pc-card')
    return { seat: 'none', misfit: { why: 'bus', card: card.bus, slot: slot.bus } };
  const wantsPci = card.bus === 'pci' || card.bus === 'agp';
  if (wantsPci || slot.bus === 'pci' || slot.bus === 'agp')
    return card.bus === slot.bus
      ? { seat: 'pci', misfit: null }
      : { seat: 'none', misfit: { why: 'bus', card: card.bus, slot: slot.bus } };
  if (card.bus === 'vlb')
    return slot.bus === 'vlb'
      ? { seat: 'isa16', misfit: null }
      : { seat: 'none', misfit: { why: 'local-bus' } };
  if (card.bus === 'isa8') return { seat: 'isa8', misfit: null };
  if (slot.bus !== 'isa8') return { seat: 'isa16', misfit: null };
  return { seat: 'isa8', misfit: card.fallback8 === 'no' ? { why: 'eight-bit' } : null };
}

/** Thickest kind of card that there is; what nobody has written down is taken to be of the usual kind, type II. */
const USUAL_TYPE = 2;

function tooThick({ type = USUAL_TYPE }: NonNullable<Part['card']>, slot: Slot): Misfit | null {
  const most = slot.type ?? USUAL_TYPE;
  return type > most && slot.over === undefined ? { why: 'thick', card: type, slot: most } : null;
}

/** Whether a card in one slot keeps another slot empty: they share a bracket, or it is too thick. */
export function fillsToo(card: Part['card'], slot: Slot, other: Slot): boolean {
  if (slot.bracket !== undefined && slot.bracket === other.bracket) return true;
  return slot.over === other.id && (card?.type ?? USUAL_TYPE) > (slot.type ?? USUAL_TYPE);
}

/** Whether two cards in two slots are in each other's way. */
export const excludeEachOther = (a: Seated, b: Seated): boolean =>
  a.slot.id === b.slot.id || fillsToo(a.part.card, a.slot, b.slot) || fillsToo(b.part.card, b.slot, a.slot);

export interface Seated {
  part: Pick<Part, 'card'>;
  slot: Slot;
  /** The item; left out: one that is yet to come. */
  item?: string;
}

/**
 * What keeps a card from a slot, whatever sits elsewhere: the one answer for adding, dragging, planning, moving,
 * replacing and checking. Null: it fits. Length and skirt are measured on the part; the drive cage of a case is
 * another matter, since no slot helps against it.
 */
export function obstacle(part: Part, slot: Slot): Obstacle | null {
  const { misfit } = seatOf(part, slot);
  if (misfit) return misfit;
  const cardMm = part.card?.lengthMm ?? 0;
  if (slot.lengthMm !== undefined && cardMm > slot.lengthMm)
    return { why: 'length', cardMm, roomMm: slot.lengthMm };
  if (part.card?.skirt && (slot.bus === 'isa16' || slot.bus === 'vlb'))
    return { why: 'skirt', slot: slot.bus };
  return null;
}

/** A 16-bit card in an 8-bit slot: nobody has tried it, or it works there at 8 bits. Null: it has its whole bus. */
export function narrowed(part: Part, slot: Slot): 'untried' | 'works' | null {
  if (slot.bus !== 'isa8' || part.card?.bus !== 'isa16' || part.card.fallback8 === 'no') return null;
  return part.card.fallback8 === 'yes' ? 'works' : 'untried';
}

/** What nobody has tried of a card in a slot: whether the slot hears it, and whether it lets it be bus master. */
export function untried(part: Part, slot: Slot): 'select' | 'master' | null {
  const { card } = part;
  if (slot.selected && (card?.drivesSelect ?? 'untried') === 'untried') return 'select';
  return card?.master && slot.bus === 'vlb' && slot.master === undefined ? 'master' : null;
}

/** Whether a slot is no more free for a card: another item sits in it, or where one of the two is in the way. */
export const isTaken = (seated: readonly Seated[], next: Seated, except?: string): boolean =>
  seated.some((s) => s.item !== except && excludeEachOther(s, next));

/** What sits in the slots of a build. */
function seatedIn(build: Build, parts: PartSet, slots: readonly Slot[]): Seated[] {
  return build.items.flatMap((item): Seated[] => {
    const slot = slots.find((s) => s.id === item.slot);
    return slot ? [{ part: { card: parts.get(item.part)?.card }, slot, item: item.id }] : [];
  });
}

/** Slots a card is put into first: those of its own width, then wider ones, then narrower ones. */
const preferred: Partial<Record<SlotBus, readonly SlotBus[]>> = {
  isa8: ['isa8', 'isa16', 'vlb'],
  isa16: ['isa16', 'vlb', 'isa8'],
  vlb: ['vlb'],
  pci: ['pci'],
  agp: ['agp'],
  'pc-card': ['pc-card']
};

/**
 * Free slots that take a card, the best first: its own bus before others, a 16-bit slot before an 8-bit one, one in
 * which it is known to work before one that nobody has tried.
 * @param except an item whose own seat counts as free: the one that is to move
 */
export function freeSlots(build: Build, parts: PartSet, part: Part, except?: string): Slot[] {
  const slots = parts.get(build.board.part)?.board?.slots ?? [];
  const seated = seatedIn(build, parts, slots);
  const order = preferred[part.card?.bus ?? 'memory-board'] ?? [];
  const rank = (slot: Slot) =>
    order.indexOf(slot.bus) * 2 + (narrowed(part, slot) === 'untried' || untried(part, slot) ? 1 : 0);
  return slots
    .filter((slot) => obstacle(part, slot) === null && !isTaken(seated, { part, slot }, except))
    .sort((a, b) => rank(a) - rank(b));
}

/** The free slot that suits a card best; undefined: none is left. */
export const firstSlot = (build: Build, parts: PartSet, part: Part): string | undefined =>
  freeSlots(build, parts, part)[0]?.id;
