import { hex } from '../model';
import type { Fitted, Machine } from './machine';
import type { Line } from './lines';

/** Lines that reach the slots. IRQ 2 of an AT arrives as 9 on the same pin. */
const slotLines = {
  xt: { irq: { isa8: [2, 3, 4, 5, 6, 7] }, dma: { isa8: [1, 2, 3] } },
  at: {
    irq: {
      isa8: [3, 4, 5, 6, 7, 9],
      isa16: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15],
      pci: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15]
    },
    dma: { isa8: [1, 2, 3], isa16: [0, 1, 2, 3, 5, 6, 7] }
  }
} as const;

const busMasterChannels = [0, 5, 6, 7];

/**
 * Why a line cannot work from where the card sits, or null. Facts: 8-bit slots carry no IRQ above
 * 9 and no DMA 0 or 5–7; an XT has no IRQ above 7 and no DMA above 3, channel 0 is its refresh; its
 * slots read nothing below 200h; ROM windows start on a multiple of their size.
 */
export function unreachable(m: Machine, fitted: Fitted, line: Line): string | null {
  if (fitted.misfit) return fitted.misfit;
  switch (line.resource) {
    case 'irq':
    case 'dma':
      return lineReach(m, fitted, line, line.resource);
    case 'io':
      return m.class === 'xt' &&
        fitted.seat !== 'board' &&
        line.access !== 'write' &&
        (line.value & 0x200) === 0
        ? `the slots of an XT-class board read nothing below 200h, and this is ${hex(line.value)}`
        : null;
    case 'memory':
      return memoryReach(m, fitted, line);
  }
}

function lineReach(m: Machine, fitted: Fitted, line: Line, resource: 'irq' | 'dma'): string | null {
  const name = resource === 'irq' ? 'IRQ' : 'DMA';
  const top = resource === 'irq' ? 7 : 3;
  if (m.class === 'xt' && line.value > top) return `an XT-class board has no ${name} above ${top}`;
  if (fitted.seat === 'board') return null;
  const narrow = m.class === 'xt' || fitted.seat === 'isa8';
  const seat = m.class === 'xt' ? 'isa8' : fitted.seat;
  const reach: readonly number[] =
    (slotLines[m.class][resource] as Partial<Record<string, readonly number[]>>)[seat] ?? [];
  if (line.resource === 'dma' && line.busMaster) {
    if (narrow) return 'an ISA bus master needs a 16-bit slot of an AT-class board';
    if (!busMasterChannels.includes(line.value))
      return `a bus master uses DMA 0, 5, 6 or 7, not ${line.value}`;
  }
  if (reach.includes(line.value)) return null;
  const wide: readonly number[] = slotLines.at[resource].isa16;
  if (m.class === 'at' && fitted.seat === 'isa8' && wide.includes(line.value))
    return fitted.part.card?.bus === 'isa8'
      ? `an 8-bit card has no contact for ${name} ${line.value}`
      : `an 8-bit slot does not carry ${name} ${line.value}`;
  return `${name} ${line.value} does not reach the slots`;
}

const KIB = 1024;

function memoryReach(m: Machine, fitted: Fitted, line: Line): string | null {
  const end = line.value + line.length;
  if (fitted.seat === 'isa8' && end > KIB * KIB)
    return 'an 8-bit slot has address lines for the first 1 MiB only';
  if (fitted.seat === 'isa16' && end > 16 * KIB * KIB)
    return 'ISA has address lines for the first 16 MiB only';
  if (m.class === 'xt' && end > KIB * KIB) return 'an XT-class board has 1 MiB of addresses';
  if (fitted.seat === 'board' || fitted.seat === 'pci') return null;
  const step = line.use === 'rom' ? line.length : line.use === 'frame' ? 16 * KIB : 1;
  return line.value % step === 0
    ? null
    : `a window of ${line.length / KIB} KiB must start on a multiple of ${step / KIB} KiB, and ${hex(line.value, 5)} does not`;
}
