import { entriesOf } from '../model';
import type { Part } from '../model';

/** Something that can be seen on a board or card: whether it is there, how many, or which of some. */
export type Feature =
  | { id: string; group: Group; kind: 'there'; label: string }
  | { id: string; group: Group; kind: 'count'; label: string }
  | { id: string; group: Group; kind: 'which'; label: string };
export const groups = ['slots', 'sockets', 'chips', 'headers', 'connectors', 'marks'] as const;
export type Group = (typeof groups)[number];
export type Value = boolean | number | string;

const slotName: Record<string, string> = {
  isa8: '8-bit slots',
  isa16: '16-bit slots',
  vlb: 'local-bus slots',
  pci: 'PCI slots',
  agp: 'AGP slots',
  'memory-board': 'memory-board slots'
};
const socketName = {
  simm30: '30-pin module sockets',
  sipp30: '30-pin sockets for legs',
  simm72: '72-pin module sockets',
  dimm168: 'DIMM sockets'
};

/** Everything that is known to be visible on a part: feature id to value. What is not documented is left out. */
export function featuresOf(part: Part): Map<string, { feature: Feature; value: Value }> {
  const out = new Map<string, { feature: Feature; value: Value }>();
  const add = (feature: Feature, value: Value) => out.set(feature.id, { feature, value });
  const board = part.board;
  if (board) {
    for (const [bus, label] of Object.entries(slotName))
      add(
        { id: `slots.${bus}`, group: 'slots', kind: 'count', label },
        board.slots.filter((s) => s.bus === bus).length
      );
    add(
      { id: 'slot-order', group: 'slots', kind: 'which', label: 'Slots from the left' },
      board.slots.map((s) => short[s.bus]).join(' ')
    );
    for (const [form, label] of entriesOf(socketName))
      add(
        { id: `sockets.${form}`, group: 'sockets', kind: 'count', label },
        (board.memory?.banks ?? []).filter((b) => b.forms.includes(form)).reduce((n, b) => n + b.sockets, 0)
      );
    if (board.cpuSocket)
      add(
        { id: 'cpu-socket', group: 'sockets', kind: 'which', label: 'CPU' },
        board.cpuSocket.soldered ? 'soldered' : board.cpuSocket.accepts.join(' or ')
      );
    add(
      { id: 'fpu-socket', group: 'sockets', kind: 'there', label: 'A socket for an FPU' },
      (board.fpuSockets ?? []).length > 0
    );
    if (board.battery) add({ id: 'battery', group: 'marks', kind: 'which', label: 'Battery' }, board.battery);
    if (board.form)
      add({ id: 'form', group: 'marks', kind: 'which', label: 'Size of the board' }, board.form);
  }
  if (part.card) add({ id: 'bus', group: 'slots', kind: 'which', label: 'Edge connector' }, part.card.bus);
  const physical = part.blocks.filter((b) => b.kind === 'header' || b.kind === 'dip');
  add(
    { id: 'headers', group: 'headers', kind: 'count', label: 'Jumper fields' },
    physical.filter((b) => b.kind === 'header').length
  );
  add(
    { id: 'dips', group: 'headers', kind: 'count', label: 'Switch blocks' },
    physical.filter((b) => b.kind === 'dip').length
  );
  for (const block of physical) {
    const name = block.label ?? block.id;
    add({ id: `named.${name.toLowerCase()}`, group: 'headers', kind: 'there', label: name }, true);
  }
  for (const chip of part.look?.chips ?? [])
    add({ id: `chip.${chip}`, group: 'chips', kind: 'there', label: chip }, true);
  for (const connector of part.look?.connectors ?? [])
    add({ id: `connector.${connector}`, group: 'connectors', kind: 'there', label: connector }, true);
  if (part.look?.etched)
    add(
      { id: 'etched', group: 'marks', kind: 'which', label: 'Number etched on it' },
      part.look.etched.toLowerCase()
    );
  return out;
}

const short: Record<string, string> = {
  isa8: '8',
  isa16: '16',
  vlb: 'L',
  pci: 'P',
  agp: 'A',
  'memory-board': 'M'
};

/** Year of a date code: YYWW, such as 9315 for week 15 of 1993. @returns null when it is none */
export function dateCode(text: string): { year: number; week: number } | null {
  const found = /^(\d\d)(\d\d)$/.exec(text.trim());
  if (!found) return null;
  const [yy, week] = [Number(found[1]), Number(found[2])];
  if (week < 1 || week > 53) return null;
  const year = yy < 70 ? 2000 + yy : 1900 + yy;
  return { year, week };
}
