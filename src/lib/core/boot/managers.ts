import { there } from '../model';
import { families, shownMemory } from '../boards';
import { expandedKiB, totalKiB, type Kit } from '../kit';
import { kernelKiB, type Span } from './dos';
import { driverOf } from './drivers';
import type { Expectation } from './expect';
import {
  frameStarts,
  paragraphRange,
  regionBytes,
  upperPlan,
  type Maybe,
  type MemoryMap,
  type UpperPlan
} from './map';

const K = 1024;

/**
 * KiB above 1 MiB that a version of DOS sees: before 7 it asks the BIOS for one number, which ends at a hole that the
 * setup leaves for a card. What lies above the hole is lost to it.
 */
export function seenExtended(kit: Kit, dos: number | null, extendedKiB: number): number {
  const hole = kit.build.boot?.holeMiB;
  return hole === undefined || (dos ?? 6) >= 7 ? extendedKiB : Math.min(extendedKiB, (hole - 1) * K);
}

const HIGH_AREA = 64;
/** Extended KiB that the manager of a 386 takes for itself, before any expanded memory. */
const MANAGER_OWN = 180;
/** Bytes that the manager of 6.x itself puts into upper memory. */
const MANAGER_HIGH = 5 * K;
/** Bytes of HIMEM.SYS are in the figures of DOS=HIGH; those of the manager are not. */
const MANAGER_LOW: Span = [3 * K, 4 * K];
const MANAGER_LOW_5: Span = [8 * K, 10 * K];

/** KiB that a version of expanded memory can hand out. */
const MOST_EXPANDED = { 'ems-32': 8192, 'ems-40': 32_768 } as const;

/** Whether transfers of a bus master go through a buffer under the manager: from 6 on SMARTDRV does it, 7 by itself. */
export const wantsDoubleBuffer = (ex: Expectation, dos: number): boolean =>
  ex.masters.length > 0 && dos >= 6 && dos < 7;

export type ManagerKind = 'none' | 'xms' | 'noems' | 'ems';

/** A memory manager as this machine can have it. */
export interface MachineManager {
  /** Tells two places of a frame apart. */
  id: string;
  kind: ManagerKind;
  /** Bytes of conventional memory that a program gets with nothing else loaded. */
  free: Span;
  upper: UpperPlan | null;
  regions: number[];
  xmsKiB: number;
  emsKiB: number;
}

/**
 * Ways to lay out upper memory: without a frame, and with one at every place that leaves other regions. A place that
 * the user chose is the only one.
 */
function upperPlans(map: MemoryMap, use: readonly Maybe[], wished: number | undefined): UpperPlan[] {
  const at = (frame: number | null) => upperPlan(map, { frame, use }) ?? [];
  const wanted = wished === undefined ? [] : [at(wished)].flat();
  const framed = wanted.length ? wanted : frameStarts.flatMap(at);
  const seen = new Set<string>();
  const sizes = (p: UpperPlan) => regionBytes(p).sort((a, b) => b - a);
  const better = (a: number[], b: number[]): number => {
    const i = a.findIndex((n, k) => n !== (b[k] ?? 0));
    return i < 0 ? 0 : (b[i] ?? 0) - there(a[i]);
  };
  const others = framed
    // The one that leaves the longest pieces first; of equal ones the highest.
    .sort((a, b) => better(sizes(a), sizes(b)) || (b.frame?.from ?? 0) - (a.frame?.from ?? 0))
    .filter((p) => {
      const key = sizes(p).join();
      return seen.has(key) ? false : (seen.add(key), true);
    });
  return [at(null), others].flat();
}

/** Managers that this CPU, this memory and this DOS allow, simplest first. */
export function managersOf(kit: Kit, ex: Expectation, dos: number): MachineManager[] {
  const rank = families[ex.cpu!].rank;
  const memory = kit.memory!;
  const shown = shownMemory(totalKiB(kit), memory);
  const top = shown.base * K;
  const less = ([a, b]: Span, [c, d]: Span = [0, 0]): Span => [top - b * K - d, top - a * K - c];
  const cards = Math.min(MOST_EXPANDED[ex.emsDriver], expandedKiB(kit));
  const none: MachineManager = {
    id: 'none',
    kind: 'none',
    free: less(kernelKiB(dos, false)!),
    upper: null,
    regions: [],
    xmsKiB: 0,
    emsKiB: 0
  };
  const out = [none];
  const high = kernelKiB(dos, true);
  const xmsKiB = Math.min(seenExtended(kit, dos, shown.extended) - HIGH_AREA, dos < 7 ? 65_535 : Infinity);
  if (rank >= 1 && xmsKiB > 0 && high)
    out.push({ ...none, id: 'xms', kind: 'xms', free: less(high), xmsKiB });
  if (rank >= 2 && high && xmsKiB >= MANAGER_OWN) {
    const use: Maybe[] = kit.build.boot?.free ?? [];
    const managerLow = dos >= 6 ? MANAGER_LOW : MANAGER_LOW_5;
    const [least, most] = wantsDoubleBuffer(ex, dos) ? driverOf('double-buffer').stay : [0, 0];
    const buffer: Span = [least * K, most * K];
    for (const upper of ex.map.hidden.length ? [] : upperPlans(ex.map, use, kit.build.boot?.frame)) {
      const kind = upper.frame ? 'ems' : 'noems';
      const regions = regionBytes(upper);
      const own = dos >= 6 ? regions.findIndex((r) => r >= MANAGER_HIGH) : -1;
      if (own >= 0) regions[own] = there(regions[own]) - MANAGER_HIGH;
      out.push({
        id: upper.frame ? `ems ${paragraphRange(upper.frame)}` : kind,
        kind,
        free: less(high, [managerLow[0] + buffer[0], managerLow[1] + buffer[1]]),
        upper,
        regions,
        xmsKiB: xmsKiB - MANAGER_OWN - (kind === 'ems' ? 16 : 0),
        emsKiB: kind === 'ems' ? Math.min(MOST_EXPANDED['ems-40'], xmsKiB - MANAGER_OWN - 16) : 0
      });
    }
  }
  // A card gives expanded memory under any manager that gives none itself.
  if (!cards) return out;
  const { stay } = driverOf(ex.emsDriver);
  const withCard = ({ free: [low, high] }: MachineManager): Span => [low - stay[1] * K, high - stay[0] * K];
  return out.map((m) => (m.kind === 'ems' ? m : { ...m, emsKiB: cards, free: withCard(m) }));
}
