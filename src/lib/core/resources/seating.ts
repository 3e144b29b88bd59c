import type { Build, Part, PartSet, Slot, SlotBus } from '../model';

/** Where an item's lines go: `board` (soldered on), a slot of 8 or 16 bits, PCI, or nowhere. */
export type Seat = 'board' | 'isa8' | 'isa16' | 'pci' | 'none';

/** Why a card does not work in a slot, by its bus. */
export type Misfit =
  | { why: 'no-card' }
  | { why: 'memory-board' }
  | { why: 'bus'; card: SlotBus; slot: SlotBus }
  | { why: 'local-bus' }
  | { why: 'eight-bit' }
  | { why: 'card-select' }
  | { why: 'bus-master' };

/** Why a card cannot be put into a slot: its bus, or what stands in its way. */
export type Obstacle =
  Misfit | { why: 'length'; cardMm: number; roomMm: number } | { why: 'skirt'; slot: SlotBus };

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

/** Whether another item sits in a slot, or in one that shares its bracket. */
export function isTaken(build: Build, slots: readonly Slot[], slot: Slot, except?: string): boolean {
  return build.items.some((item) => {
    if (item.id === except || item.slot === undefined) return false;
    if (item.slot === slot.id) return true;
    const held = slots.find((s) => s.id === item.slot);
    return held?.bracket !== undefined && held.bracket === slot.bracket;
  });
}

/** Slots a card is put into first: those of its own width, then wider ones, then narrower ones. */
const preferred: Partial<Record<SlotBus, readonly SlotBus[]>> = {
  isa8: ['isa8', 'isa16', 'vlb'],
  isa16: ['isa16', 'vlb', 'isa8'],
  vlb: ['vlb'],
  pci: ['pci'],
  agp: ['agp']
};

/**
 * Free slots that take a card, the best first: its own bus before others, a 16-bit slot before an 8-bit one, one in
 * which it is known to work before one that nobody has tried.
 * @param except an item whose own seat counts as free: the one that is to move
 */
export function freeSlots(build: Build, parts: PartSet, part: Part, except?: string): Slot[] {
  const slots = parts.get(build.board.part)?.board?.slots ?? [];
  const order = preferred[part.card?.bus ?? 'memory-board'] ?? [];
  const rank = (slot: Slot) =>
    order.indexOf(slot.bus) * 2 + (narrowed(part, slot) === 'untried' || untried(part, slot) ? 1 : 0);
  return slots
    .filter((slot) => obstacle(part, slot) === null && !isTaken(build, slots, slot, except))
    .sort((a, b) => rank(a) - rank(b));
}

/** The free slot that suits a card best; undefined: none is left. */
export const firstSlot = (build: Build, parts: PartSet, part: Part): string | undefined =>
  freeSlots(build, parts, part)[0]?.id;
