import type { Part } from '../model';

/** Something that can be seen on a board or card: whether it is there, how many, or which of some. */
export interface Feature {
  id: string;
  group: Group;
  kind: 'there' | 'count' | 'which';
  /** What is printed on it; `words` names a feature that has no mark of its own. */
  label?: string;
}
export const groups = ['slots', 'sockets', 'chips', 'headers', 'connectors', 'marks'] as const;
export type Group = (typeof groups)[number];
export type Value = boolean | number | string;

const slotBuses = ['isa8', 'isa16', 'vlb', 'pci', 'agp', 'memory-board'] as const;
const moduleForms = ['simm30', 'sipp30', 'simm72', 'dimm168'] as const;

/** Everything that is known to be visible on a part: feature id to value. What is not documented is left out. */
export function featuresOf(part: Part): Map<string, { feature: Feature; value: Value }> {
  const out = new Map<string, { feature: Feature; value: Value }>();
  const add = (feature: Feature, value: Value) => out.set(feature.id, { feature, value });
  const board = part.board;
  if (board) {
    for (const bus of slotBuses)
      add(
        { id: `slots.${bus}`, group: 'slots', kind: 'count' },
        board.slots.filter((s) => s.bus === bus).length
      );
    add({ id: 'slot-order', group: 'slots', kind: 'which' }, board.slots.map((s) => short[s.bus]).join(' '));
    for (const form of moduleForms)
      add(
        { id: `sockets.${form}`, group: 'sockets', kind: 'count' },
        (board.memory?.banks ?? []).filter((b) => b.forms.includes(form)).reduce((n, b) => n + b.sockets, 0)
      );
    if (board.cpuSocket)
      add(
        { id: 'cpu-socket', group: 'sockets', kind: 'which' },
        board.cpuSocket.soldered ? 'soldered' : board.cpuSocket.accepts.join(' or ')
      );
    add({ id: 'fpu-socket', group: 'sockets', kind: 'there' }, (board.fpuSockets ?? []).length > 0);
    if (board.battery) add({ id: 'battery', group: 'marks', kind: 'which' }, board.battery);
    if (board.form) add({ id: 'form', group: 'marks', kind: 'which' }, board.form);
  }
  if (part.card) add({ id: 'bus', group: 'slots', kind: 'which' }, part.card.bus);
  const physical = part.blocks.filter((b) => b.kind === 'header' || b.kind === 'dip');
  add({ id: 'headers', group: 'headers', kind: 'count' }, physical.filter((b) => b.kind === 'header').length);
  add({ id: 'dips', group: 'headers', kind: 'count' }, physical.filter((b) => b.kind === 'dip').length);
  for (const block of physical) {
    const name = block.label ?? block.id;
    add({ id: `named.${name.toLowerCase()}`, group: 'headers', kind: 'there', label: name }, true);
  }
  for (const chip of part.look?.chips ?? [])
    add({ id: `chip.${chip}`, group: 'chips', kind: 'there', label: chip }, true);
  for (const connector of part.look?.connectors ?? [])
    add({ id: `connector.${connector}`, group: 'connectors', kind: 'there', label: connector }, true);
  if (part.look?.etched) add({ id: 'etched', group: 'marks', kind: 'which' }, part.look.etched.toLowerCase());
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
