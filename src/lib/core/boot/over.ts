import { families, nextBank, shownMemory } from '../boards';
import { totalKiB, type Kit } from '../kit';
import type { Profile } from '../model';
import { systemOf } from '../software';
import { seenExtended } from './managers';

const HIGH_AREA = 64;
const VIDEO_SHADOW = 32;
const CACHE = 1024;

/** A way to more extended memory, cheapest first in the domain's order. */
export type WayOver =
  | { kind: 'cache'; gainsKiB: number }
  | { kind: 'video-shadow'; gainsKiB: number }
  /** `isSlow`: BIOS calls become slow on this class. */
  | { kind: 'shadow'; gainsKiB: number; isSlow: boolean }
  | { kind: 'bank'; gainsKiB: number; bank: string; moduleKiB: number; modules: number };

/** What a program asks of memory above 1 MiB, and how it is met. */
export interface MemoryNeed {
  profile: Profile;
  needsKiB: number;
  /** KiB that XMS gives, and that the BIOS reports. */
  xmsKiB: number;
  extendedKiB: number;
  /** `xms`: under HIMEM.SYS; `bios`: only for whoever asks the BIOS, with no driver loaded; null: not met. */
  by: 'xms' | 'bios' | null;
  ways: WayOver[];
}

/** Ways to more extended memory that this build has, in the order of what they cost. */
export function waysOver(kit: Kit): WayOver[] {
  const memory = kit.memory;
  if (!memory) return [];
  const family = kit.seatedCpu?.cpu.family;
  const isSlow = family !== undefined && families[family].rank <= 2 && family !== '386dx';
  const { shadowKiB, remap } = memory;
  const out: WayOver[] = [];
  if (kit.build.boot?.cache) out.push({ kind: 'cache', gainsKiB: CACHE });
  if (remap === 'yes' && shadowKiB > VIDEO_SHADOW) out.push({ kind: 'video-shadow', gainsKiB: VIDEO_SHADOW });
  if (shadowKiB > 0 && remap !== 'no')
    out.push({ kind: 'shadow', gainsKiB: remap === 'yes' ? shadowKiB : 384, isSlow });
  const empty = nextBank(memory.banks, (b) => Boolean(kit.banks.get(b.id)?.length));
  const free = memory.maxKiB - totalKiB(kit);
  if (empty) {
    // The smallest module that the board knows and that its limit leaves room for.
    const size = [...memory.sizesKiB].sort((a, b) => a - b).find((s) => s * empty.sockets <= free);
    if (size)
      out.push({
        kind: 'bank',
        gainsKiB: size * empty.sockets,
        bank: empty.label ?? empty.id,
        moduleKiB: size,
        modules: empty.sockets
      });
  }
  return out;
}

/** Programs of the brief that ask for memory above 1 MiB; those that Windows serves are left out of DOS's measure. */
export function memoryNeeds(kit: Kit): MemoryNeed[] {
  const memory = kit.memory;
  const total = totalKiB(kit);
  if (!memory || total === 0) return [];
  const extended = seenExtended(kit, systemOf(kit.build.brief.os).dos, shownMemory(total, memory).extended);
  const xmsKiB = Math.max(0, extended - HIGH_AREA - (kit.build.boot?.cache ? CACHE : 0));
  return kit.build.brief.profiles.flatMap((profile): MemoryNeed[] => {
    const needsKiB = profile.wants?.memory?.extendedKiB ?? 0;
    if (!needsKiB) return [];
    const by = xmsKiB >= needsKiB ? 'xms' : extended >= needsKiB ? 'bios' : null;
    const short = needsKiB - xmsKiB;
    return [
      {
        profile,
        needsKiB,
        xmsKiB,
        extendedKiB: extended,
        by,
        ways: by === 'xms' ? [] : waysOver(kit).filter((w) => w.gainsKiB >= short)
      }
    ];
  });
}
