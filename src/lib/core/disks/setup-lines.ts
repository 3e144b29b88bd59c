import type { Kit } from '../kit';
import type { Geometry } from '../storage';
import { choicesFor, disksOf, firmwareFacts, sameShape, typedOf, type KitDisk } from './disks';
import { floppyChains } from './floppies';

/** One entry of a setup, with the drive that it is for. */
export type SetupLine =
  | { is: 'floppy'; letter: string; kib: number; title: string }
  | { is: 'rom'; title: string }
  /** As it was typed, where no choice is known for it. */
  | { is: 'typed'; title: string; geometry: Geometry }
  | { is: 'type'; title: string; type: string; geometry: Geometry }
  /** `precomp` null: none. `mode` null: the setup asks for none. */
  | {
      is: 'user';
      title: string;
      geometry: Geometry;
      precomp: number | null;
      landing: number | null;
      mode: string | null;
    };

/**
 * What to enter in the setup for the drives of a build: each floppy by its letter, each hard disk as it was typed or
 * is best typed. Nothing on machines without a setup.
 */
export function setupLines(kit: Kit): SetupLine[] {
  const firmware = kit.firmware?.firmware;
  if (!firmware || firmware.setup === 'none') return [];
  const floppies = floppyChains(kit)
    .flatMap(({ letter, kib, title }) => (letter === null ? [] : [{ letter, kib, title }]))
    .sort((a, b) => (a.letter < b.letter ? -1 : 1))
    .map((c): SetupLine => ({ is: 'floppy', ...c, kib: Math.min(c.kib, firmware.floppyKiB) }));
  const knowsDisks = firmwareFacts(firmware.disk) !== null;
  const disks = knowsDisks ? disksOf(kit).flatMap((d) => diskLine(d) ?? []) : [];
  return [...floppies, ...disks];
}

function diskLine(disk: KitDisk): SetupLine | null {
  const { title } = disk.drive;
  if (disk.facts?.isRom) return { is: 'rom', title };
  const typed = typedOf(disk)?.physical;
  const choices = choicesFor(disk);
  const best =
    choices.find(({ geometry }) => typed && geometry && sameShape(geometry, typed)) ??
    (typed ? undefined : choices.find((c) => c.works && c.geometry));
  if (!best?.geometry) return typed ? { is: 'typed', title, geometry: typed } : null;
  const { geometry, landing, mode } = best;
  if (best.id === 'type') return { is: 'type', title, type: best.type, geometry };
  return {
    is: 'user',
    title,
    geometry,
    precomp: best.precomp === 65_535 ? null : best.precomp,
    landing,
    mode: mode === 'none' ? null : mode
  };
}
