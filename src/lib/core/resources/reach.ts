import { hex } from '../model';
import type { Fitted, Machine } from './machine';
import type { Line } from './lines';
import type { Misfit } from './seating';

/** Lines that reach the slots. IRQ 2 of an AT arrives as 9 on the same pin. */
const slotLines = {
  xt: { irq: { isa8: [2, 3, 4, 5, 6, 7] }, dma: { isa8: [1, 2, 3] } },
  at: {
    irq: {
      isa8: [3, 4, 5, 6, 7, 9],
      isa16: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15],
      pci: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15],
      'pc-card': [3, 4, 5, 7, 9, 10, 11, 12, 14, 15]
    },
    dma: { isa8: [1, 2, 3], isa16: [0, 1, 2, 3, 5, 6, 7], 'pc-card': [] }
  }
} as const;

const busMasterChannels = [0, 5, 6, 7];

/** Why a line cannot work from where the card sits. */
export type Unreachable =
  | { why: 'misfit'; misfit: Misfit }
  /** The slots of an XT-class board read nothing below 200h. */
  | { why: 'xt-ports'; port: string }
  /** An XT-class board ends at IRQ 7 and DMA 3. */
  | { why: 'xt-top'; resource: 'irq' | 'dma'; top: number }
  | { why: 'master-slot' }
  | { why: 'master-channel'; channel: number }
  | { why: 'narrow-card' | 'narrow-slot' | 'no-slot'; resource: 'irq' | 'dma'; number: number }
  | { why: 'addresses'; seat: 'isa8' | 'isa16' | 'xt'; mib: number }
  | { why: 'alignment'; lengthKiB: number; stepKiB: number; base: string };

/**
 * Why a line cannot work from where the card sits, or null. Facts: 8-bit slots carry no IRQ above
 * 9 and no DMA 0 or 5–7; an XT has no IRQ above 7 and no DMA above 3, channel 0 is its refresh; its
 * slots read nothing below 200h; ROM windows start on a multiple of their size; a slot for PC cards carries no DMA, and
 * its controller passes every line on but 6, the floppy's.
 */
export function unreachable(m: Machine, fitted: Fitted, line: Line): Unreachable | null {
  if (fitted.misfit) return { why: 'misfit', misfit: fitted.misfit };
  switch (line.resource) {
    case 'irq':
    case 'dma':
      return lineReach(m, fitted, line, line.resource);
    case 'io':
      return m.class === 'xt' &&
        fitted.seat !== 'board' &&
        line.access !== 'write' &&
        (line.value & 0x200) === 0
        ? { why: 'xt-ports', port: hex(line.value) }
        : null;
    case 'memory':
      return memoryReach(m, fitted, line);
  }
}

function lineReach(m: Machine, fitted: Fitted, line: Line, resource: 'irq' | 'dma'): Unreachable | null {
  const top = resource === 'irq' ? 7 : 3;
  const number = line.value;
  if (m.class === 'xt' && number > top) return { why: 'xt-top', resource, top };
  if (fitted.seat === 'board') return null;
  const narrow = m.class === 'xt' || fitted.seat === 'isa8';
  const seat = m.class === 'xt' ? 'isa8' : fitted.seat;
  const reach: readonly number[] =
    (slotLines[m.class][resource] as Partial<Record<string, readonly number[]>>)[seat] ?? [];
  if (line.resource === 'dma' && line.busMaster) {
    if (narrow) return { why: 'master-slot' };
    if (!busMasterChannels.includes(number)) return { why: 'master-channel', channel: number };
  }
  if (reach.includes(number)) return null;
  const wide: readonly number[] = slotLines.at[resource].isa16;
  const isNarrow = m.class === 'at' && fitted.seat === 'isa8' && wide.includes(number);
  return {
    why: !isNarrow ? 'no-slot' : fitted.part.card?.bus === 'isa8' ? 'narrow-card' : 'narrow-slot',
    resource,
    number
  };
}

const KIB = 1024;
const MIB = KIB * KIB;

function memoryReach(m: Machine, fitted: Fitted, line: Line): Unreachable | null {
  const end = line.value + line.length;
  if (fitted.seat === 'isa8' && end > MIB) return { why: 'addresses', seat: 'isa8', mib: 1 };
  if (fitted.seat === 'isa16' && end > 16 * MIB) return { why: 'addresses', seat: 'isa16', mib: 16 };
  if (m.class === 'xt' && end > MIB) return { why: 'addresses', seat: 'xt', mib: 1 };
  if (fitted.seat === 'board' || fitted.seat === 'pci') return null;
  const step = line.use === 'rom' ? line.length : line.use === 'frame' ? 16 * KIB : 1;
  return line.value % step === 0
    ? null
    : { why: 'alignment', lengthKiB: line.length / KIB, stepKiB: step / KIB, base: hex(line.value, 5) };
}
