import type { Kit } from '../kit';
import { linesAt } from '../resources';

/**
 * Where a BIOS looks for option ROMs: every 2 KiB from C8000h, on XT class up to F3FFFh, on AT class as a rule to
 * DFFFFh; what lies above belongs to the system there. The very first BIOS looks nowhere.
 */
const FIRST = 0xc8000;
const END = { xt: 0xf4000, at: 0xe0000 } as const;
const STEP = 0x800;

/**
 * Windows that a ROM of a size can take in a build as it stands, by their start. Chips decode their own size, so
 * a window begins at a multiple of it.
 * @param bytes size of the ROM, rounded up to a power of two of at least 2 KiB
 */
export function freeWindows(kit: Kit, bytes: number): number[] {
  let size = STEP;
  while (size < bytes) size *= 2;
  if (kit.firmware?.firmware?.scansRoms === false) return [];
  const end = END[kit.facts.class];
  const taken = linesAt(kit.m, kit.at).filter((l) => l.resource === 'memory');
  const out: number[] = [];
  for (let base = Math.ceil(FIRST / Math.max(size, STEP)) * size; base + size <= end; base += size)
    if (taken.every((l) => l.value + l.length <= base || l.value >= base + size)) out.push(base);
  return out;
}
