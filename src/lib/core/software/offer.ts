import type { Ability, CpuFamily, FunctionKind, Picture } from '../model';
import { pictures as everyPicture } from '../model';
import { clocksOf, families, freeBase, shownMemory, speedIndex } from '../boards';
import { cablesOf, expandedKiB, imageOf, totalKiB, type Kit } from '../kit';
import { powerState } from '../resources';
import { mediaOf } from '../storage';
import { gives, hookedMonitors, type Hooked } from '../video';
import { slowDowns, type SlowDown } from './slowing';
import { systemOf } from './systems';

/** What a machine has to give to a program. Null means that nobody entered it yet. */
export interface Offer {
  cpu: CpuFamily | null;
  /** Speed index; see the CPU table. */
  speed: number | null;
  /** Means to slow the machine down. */
  slow?: readonly SlowDown[];
  fpu: boolean;
  /** KiB; null while no memory is entered. */
  memory: { base: number; extended: number; expanded: number } | null;
  /** Null while there is no monitor. */
  pictures: ReadonlySet<Picture> | null;
  /** Those of them that some monitor shows in colours. */
  coloured?: ReadonlySet<Picture>;
  /** Pictures that there would be with more memory on the card; worked out when asked. */
  roomier?: () => ReadonlySet<Picture>;
  /** Memory of the largest display card that is on, in KiB. */
  videoKiB?: number;
  abilities: ReadonlySet<Ability>;
  functions: ReadonlySet<FunctionKind>;
  /** MiB of the largest hard disk or flash; null without one. */
  diskMiB: number | null;
  cdrom: boolean;
  /** Floppies that can be read, in KiB. */
  floppies: readonly number[];
  dos: number | null;
  windows: number | null;
}

export function offerOf(kit: Kit): Offer {
  const cpu = kit.seatedCpu?.cpu ?? null;
  const { core } = clocksOf(kit.board, kit.seatedCpu, kit.at, () => true);
  const { dos, windows } = systemOf(kit.build.brief.os);
  const cabled = cablesOf(kit).filter((c) => c.controller?.isOn);
  const on = kit.m.fitted.filter((f) => !f.misfit);
  const functions = new Set(
    on.flatMap((f) =>
      f.part.functions
        // What may be off is not promised to a program.
        .filter((fn) => powerState(f, fn, kit.at) === 'on')
        .map((fn) => fn.kind)
    )
  );
  const abilities = new Set(
    [...on.map((f) => f.part), ...kit.adapters.map((a) => a.part)].flatMap((p) => p.audio?.abilities ?? [])
  );
  const disks = cabled.filter(({ drive }) => ['hard', 'flash'].includes(drive.part.drive.medium));
  return {
    cpu: cpu?.family ?? null,
    speed: cpu && core !== null ? speedIndex(cpu, core) : null,
    slow: slowDowns(kit),
    fpu: (cpu?.fpu ?? false) || kit.fpu !== null,
    memory: memoryOf(kit, dos ?? 6),
    pictures: picturesOf(kit),
    coloured: picturesOf(kit, (h) => h.monitor.part.monitor.colour) ?? new Set(),
    roomier: () => withMoreMemory(kit),
    videoKiB: Math.max(0, ...kit.displays.filter((d) => d.isOn).map((d) => d.facts.memoryKiB)),
    abilities,
    functions,
    diskMiB: disks.length
      ? Math.max(...disks.map(({ drive }) => Math.floor((drive.part.drive.sectors ?? 0) / 2048)))
      : null,
    cdrom: cabled.some(({ drive }) => drive.part.drive.medium === 'optical'),
    floppies: [
      ...new Set(
        cabled.flatMap((c) => imageOf(kit, c, dos)?.works ?? mediaOf(c.drive.part.drive.floppyKiB ?? 0).reads)
      )
    ].filter(Boolean),
    dos,
    windows
  };
}

function memoryOf(kit: Kit, dos: number): Offer['memory'] {
  if (!kit.memory) return null;
  const total = totalKiB(kit);
  if (total === 0) return null;
  const shown = shownMemory(total, kit.memory);
  const family = kit.seatedCpu?.cpu.family;
  const fromDriver = family && families[family].rank >= 2 ? shown.extended : 0;
  return {
    base: freeBase(shown, dos, kit.facts.class === 'at'),
    extended: shown.extended,
    expanded: Math.max(expandedKiB(kit), fromDriver)
  };
}

/** Pictures that chain and monitor would show if the card had all the memory in the world. */
function withMoreMemory(kit: Kit): ReadonlySet<Picture> {
  const roomy = kit.displays.map((d) => ({ ...d, facts: { ...d.facts, memoryKiB: 1024 * 1024 } }));
  return picturesOf({ ...kit, displays: roomy }) ?? new Set();
}

/** What some of the monitors show; null while there is none. */
function picturesOf(kit: Kit, counts: (h: Hooked) => boolean = () => true): Offer['pictures'] {
  const hooked = hookedMonitors(kit).filter(counts);
  if (!hooked.length) return null;
  const pictures = new Set<Picture>();
  const only3d = kit.displays.some((d) => d.facts.standard === '3d-only');
  for (const { display, checks } of hooked) {
    if (!display) continue;
    const shown = checks.filter((c) => c.verdict === 'shown').map((c) => c.mode);
    for (const picture of everyPicture) if (gives(display.facts, shown, picture)) pictures.add(picture);
    if (only3d && shown.some((m) => m.signal === 'analogue')) pictures.add('3d');
  }
  return pictures;
}
