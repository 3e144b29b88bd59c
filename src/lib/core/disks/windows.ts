import type { Kit } from '../kit';
import { linesAt } from '../resources';

/** Where an option ROM may start: the BIOS looks every 2 KiB from C8000h to EFFFFh. */
const FIRST = 0xc8000;
const END = 0xf0000;
const STEP = 0x800;

/**
 * Windows that a ROM of a size can take in a build as it stands, by their start. Chips decode their own size, so
 * a window begins at a multiple of it.
 * @param bytes size of the ROM, rounded up to a power of two of at least 2 KiB
 */
export function freeWindows(kit: Kit, bytes: number): number[] {
  let size = STEP;
  while (size < bytes) size *= 2;
  const taken = linesAt(kit.m, kit.at).filter((l) => l.resource === 'memory');
  const out: number[] = [];
  for (let base = Math.ceil(FIRST / Math.max(size, STEP)) * size; base + size <= END; base += size)
    if (taken.every((l) => l.value + l.length <= base || l.value >= base + size)) out.push(base);
  return out;
}
