import type { Part } from '../model';

/** What a mark on a photograph can be tied to. */
export interface MarkPlace {
  /** `block/sw1`, `pin/jp1`, `slot/3`, `row/speaker`, `cable/com1`. */
  id: string;
  kind: 'block' | 'pin' | 'slot' | 'row' | 'cable';
  label: string;
}

/** Functions with a plug for a cable that comes off when a card is taken out. */
const PLUGGED = new Set<Part['functions'][number]['kind']>([
  'serial',
  'parallel',
  'hard-disk',
  'floppy',
  'audio',
  'midi',
  'game',
  'cdrom',
  'network',
  'scsi',
  'mouse',
  'modem',
  'scanner',
  'usb',
  'keyboard',
  'display'
]);

/** Places of a part in the order of its description: blocks, their first pins, slots, rows of pins, cables. */
export function markPlaces(part: Part): MarkPlace[] {
  const place = (kind: MarkPlace['kind'], id: string, label: string): MarkPlace => ({
    id: `${kind}/${id}`.slice(0, 120),
    kind,
    label
  });
  const physical = part.blocks.filter((b) => !['firmware', 'software', 'pnp', 'startup'].includes(b.kind));
  return [
    ...physical.map((b) => place('block', b.id, b.label ?? b.id)),
    ...physical.filter((b) => b.kind === 'header').map((b) => place('pin', b.id, b.label ?? b.id)),
    ...(part.board?.slots ?? []).map((s) => place('slot', s.id, s.label ?? s.id)),
    ...(part.board?.headers ?? []).map((h) => place('row', h.id, h.label)),
    ...part.functions.filter((f) => PLUGGED.has(f.kind)).map((f) => place('cable', f.id, f.label))
  ];
}
