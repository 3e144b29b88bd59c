import type { Kit } from '../kit';
import { isLegacy, isLineSeen, isPnp, linesAt, type Line } from '../resources';

/** Lines that a configuration manager or a BIOS cannot see: those of cards set by hand. */
export interface Reserved {
  irqs: { value: number; owner: string; isSeen: boolean }[];
  dmas: { value: number; owner: string; isSeen: boolean }[];
  ports: { from: number; length: number; owner: string; isSeen: boolean }[];
}

/** Ports of plug-and-play itself; the read port is chosen at start. */
const OWN_PORTS: readonly number[] = [0x279, 0xa79];

/**
 * What must stand in the reserved list before plug and play configures a card for the first time.
 * @returns null where no card is configured so
 */
export function reservedList(kit: Kit): Reserved | null {
  if (!kit.m.fitted.some((f) => isPnp(f.part))) return null;
  const lines = linesAt(kit.m, kit.at, kit.m.fitted.filter(isLegacy));
  const title = (l: Line) => kit.m.find(l.item)?.title ?? l.item;
  const of = (resource: Line['resource']) =>
    lines
      .filter((l) => l.resource === resource)
      .sort((a, b) => a.value - b.value)
      .map((l) => ({ value: l.value, length: l.length, owner: title(l), isSeen: isLineSeen(kit.m, l) }));
  return {
    irqs: of('irq'),
    dmas: of('dma'),
    ports: [
      ...of('io').map(({ value, ...rest }) => ({ from: value, ...rest })),
      ...OWN_PORTS.map((from) => ({ from, length: 1, owner: '', isSeen: true }))
    ]
  };
}
