import { Part, type SlotBus } from '../model';
import type { Seen } from './rank';

const buses: Record<string, SlotBus> = {
  '8': 'isa8',
  '16': 'isa16',
  L: 'vlb',
  P: 'pci',
  A: 'agp',
  M: 'memory-board'
};

/** A part described by no more than what was seen: where "none of these" goes on in the part editor. */
export function draftFrom(kind: 'board' | 'card', seen: readonly Seen[], id: string): Part {
  const value = (feature: string) => seen.find((s) => s.feature === feature)?.value;
  const there = (prefix: string) =>
    seen
      .filter((s) => s.feature.startsWith(prefix) && s.value === true)
      .map((s) => s.feature.slice(prefix.length));
  const order = String(value('slot-order') ?? '');
  const counted = Object.values(buses).flatMap((bus) =>
    Array.from({ length: Math.min(12, Number(value(`slots.${bus}`) ?? 0)) }, () => bus)
  );
  const slots = (order ? order.split(' ').flatMap((c) => buses[c] ?? []) : counted).map((bus, i) => ({
    id: String(i + 1),
    bus
  }));
  const names = there('named.').map((n) => n.toUpperCase());
  const blocks = names.map((label, i) => ({
    id:
      label
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '') || `b${i}`,
    label,
    ...(/^s/i.test(label)
      ? { kind: 'dip' as const, switches: 8 }
      : { kind: 'header' as const, rows: 1, columns: 3 }),
    at: { x: 6 + (i % 5) * 19, y: 15 + Math.floor(i / 5) * 28 }
  }));
  const etched = value('etched');
  return Part.parse({
    id,
    kind,
    maker: 'unknown',
    name: etched ? String(etched).toUpperCase() : 'Unknown',
    ...(kind === 'board'
      ? {
          board: {
            class: slots.some((s) => s.bus !== 'isa8') ? 'at' : 'xt',
            slots,
            ...(typeof value('battery') === 'string' ? { battery: value('battery') } : {}),
            ...(typeof value('form') === 'string' ? { form: value('form') } : {})
          }
        }
      : { card: { bus: value('bus') ?? 'isa8' } }),
    look: {
      chips: there('chip.'),
      connectors: there('connector.'),
      ...(etched ? { etched: String(etched) } : {})
    },
    blocks,
    settings: blocks.map((b) => ({ id: b.id, label: b.label, block: b.id, known: false, positions: [] }))
  });
}
