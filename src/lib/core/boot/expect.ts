import { cablesOf, totalKiB, type Kit } from '../kit';
import type { CpuFamily } from '../model';
import { isEntered, isLineSeen, isOn, linesAt, type Line } from '../resources';
import { systemOf } from '../software';
import { readListing, type Listing } from './listing';
import { memoryMap, type MemoryMap } from './map';

/** A number that a card is set to, and whether anybody looked or only the catalogue says so. */
export interface Found {
  value: number;
  isSeen: boolean;
}

/** A sound card as `SET BLASTER` describes it. */
export interface SoundCard {
  item: string;
  title: string;
  port: Found | null;
  irq: Found | null;
  dma: Found | null;
  dma16: Found | null;
  midi: Found | null;
  /** The type that its maker's line says; null: no line of its own. */
  type: string | null;
}

export interface NetCard {
  item: string;
  title: string;
  port: Found | null;
  irq: Found | null;
}

/** What a build lets a pair of files expect. */
export interface Expectation {
  dos: number | null;
  cpu: CpuFamily | null;
  /** AT class: line 2 leads to the second controller, and comes in as 9. */
  isAt: boolean;
  map: MemoryMap;
  sound: SoundCard[];
  network: NetCard[];
  optical: { title: string; interface: string }[];
  hardDisks: number;
  floppies: number;
  /** ISA bus masters, whose transfers go past the memory manager. */
  masters: string[];
  emsCards: string[];
  /** Which driver they take: only that of version 4.0 knows memory which fills up conventional memory. */
  emsDriver: 'ems-32' | 'ems-40';
  hasMouse: boolean;
  serials: number;
  /** Files of the disk, where somebody listed them. */
  listing: Listing | null;
  /** Programs of the brief that refuse to run under a memory manager. */
  refusers: string[];
}

const foundOf = (kit: Kit, line: Line): Found => ({ value: line.printed, isSeen: isLineSeen(kit.m, line) });

/** What a build has, as CONFIG.SYS and AUTOEXEC.BAT must know it. */
export function expectationOf(kit: Kit): Expectation {
  const lines = linesAt(kit.m, kit.at);
  const on = kit.m.fitted.filter((f) => !f.misfit && isEntered(f));
  const ofKind = (kind: string) =>
    on.flatMap((f) =>
      f.part.functions.filter((fn) => fn.kind === kind && isOn(f, fn, kit.at)).map((fn) => ({ f, fn }))
    );
  const first = (item: string, fn: string, test: (l: Line) => boolean): Found | null => {
    const line = lines.find((l) => l.item === item && l.function === fn && test(l));
    return line ? foundOf(kit, line) : null;
  };
  const io = (l: Line) => l.resource === 'io';
  const irq = (l: Line) => l.resource === 'irq';
  const drives = cablesOf(kit);
  return {
    dos: systemOf(kit.build.brief.os).dos,
    cpu: kit.seatedCpu?.cpu.family ?? null,
    isAt: kit.m.class === 'at',
    map: memoryMap(kit, totalKiB(kit)),
    sound: ofKind('audio').map(({ f, fn }): SoundCard => {
      const midi = f.part.functions.find((x) => x.kind === 'midi' && isOn(f, x, kit.at));
      const typed = f.part.startup.map((s) => /\bT(\d)\b/.exec(s.text)?.[1]).find((t) => t !== undefined);
      const id = f.item.id;
      return {
        item: id,
        title: f.title,
        port: first(id, fn.id, io),
        irq: first(id, fn.id, irq),
        dma: first(id, fn.id, (l) => l.resource === 'dma' && l.width === 8),
        dma16: first(id, fn.id, (l) => l.resource === 'dma' && l.width === 16),
        midi: midi ? first(id, midi.id, io) : null,
        type: typed ?? null
      };
    }),
    network: ofKind('network').map(({ f, fn }) => ({
      item: f.item.id,
      title: f.title,
      port: first(f.item.id, fn.id, io),
      irq: first(f.item.id, fn.id, irq)
    })),
    optical: drives
      .filter(({ drive }) => drive.part.drive?.medium === 'optical')
      .map(({ drive }) => ({ title: drive.title, interface: drive.part.drive.interface })),
    hardDisks: drives.filter(({ drive }) => ['hard', 'flash'].includes(drive.part.drive?.medium ?? ''))
      .length,
    floppies: drives.filter(({ drive }) => drive.part.drive?.interface === 'floppy').length,
    masters: kit.m.fitted
      .filter((f) =>
        f.part.functions.some((fn) => fn.claims.some((c) => c.resource === 'dma' && c.busMaster))
      )
      .map((f) => f.title),
    emsCards: ofKind('ems').map(({ f }) => f.title),
    emsDriver: ofKind('ems').some(({ fn }) => fn.startKiB) ? 'ems-40' : 'ems-32',
    hasMouse: ofKind('mouse').length > 0,
    serials: ofKind('serial').length,
    listing: readListing(kit.build.boot?.listing ?? ''),
    refusers: kit.build.brief.profiles.filter((p) => p.wants?.v86 === 'off').map((p) => p.name)
  };
}
