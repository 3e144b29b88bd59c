import { cablesOf, kitOf, type Kit } from '../kit';
import { withItem, type Build, type Fix, type Item, type PartSet, type Ribbon, type Select } from '../model';
import { chainsOf, familyOf } from './chains';

/** What can be written down of a drive on its cable. */
export interface Jumpered {
  unit?: string | null;
  terminated?: boolean | null;
  plug?: number;
}

/**
 * Writes down how a drive is jumpered, where it hangs, or how a host adapter is terminated. A drive whose cable was
 * only assumed keeps to that controller from then on. Null forgets.
 */
export function withJumper(build: Build, parts: PartSet, id: string, told: Jumpered): Build {
  const { unit, terminated, plug } = told;
  const kit = kitOf(build, parts);
  const cabled = cablesOf(kit).find((c) => c.drive.item.id === id);
  const moved = plug === undefined ? build : swapped(build, kit, id, plug);
  const isFloppy = cabled !== undefined && familyOf(cabled.drive.part.drive.interface) === 'floppy';
  return withItem(moved, id, (item) => {
    const out: Item = { ...item };
    if (terminated === null) delete out.terminated;
    else if (terminated !== undefined) out.terminated = terminated;
    if (!cabled?.controller || (unit === undefined && plug === undefined)) return out;
    const { unit: oldUnit, select: oldSelect, ...rest } = item.cable ?? {};
    const keptUnit = isFloppy || unit === undefined ? oldUnit : (unit ?? undefined);
    const keptSelect = !isFloppy || unit === undefined ? oldSelect : ((unit ?? undefined) as Select);
    out.cable = {
      ...rest,
      to: cabled.controller.item,
      function: cabled.controller.fn.id,
      ...(keptUnit === undefined ? {} : { unit: keptUnit }),
      ...(keptSelect === undefined ? {} : { select: keptSelect }),
      ...(plug === undefined ? {} : { plug })
    };
    return out;
  });
}

/** Whatever hangs on the plug that a drive is moved to gets the plug that it leaves. */
function swapped(build: Build, kit: Kit, id: string, plug: number): Build {
  const chain = chainsOf(kit).find((c) => c.drives.some((p) => p.drive.item.id === id));
  const own = chain?.drives.find((p) => p.drive.item.id === id);
  const other = chain?.drives.find((p) => p.plug === plug && p !== own && p.isOutside === own?.isOutside);
  if (!chain || !own || !other) return build;
  const { item: to, fn } = chain.controller;
  return withItem(build, other.drive.item.id, (item) => ({
    ...item,
    cable: { ...item.cable, to, function: fn.id, plug: own.plug }
  }));
}

/** Writes down which cable hangs on a function of a card or of the board. Null: not known. */
export const withRibbon = (build: Build, id: string, fn: string, ribbon: Ribbon | null): Build =>
  withItem(build, id, ({ ribbons, ...item }) => {
    const { [fn]: _old, ...others } = ribbons ?? {};
    const next = ribbon === null ? others : { ...others, [fn]: ribbon };
    return { ...item, ...(Object.keys(next).length ? { ribbons: next } : {}) };
  });

/** Types a geometry into the setup for a drive. */
export const withSetup = (build: Build, fix: Extract<Fix, { action: 'declare' }>): Build =>
  withItem(build, fix.item, (item) => ({
    ...item,
    disk: { tries: [], ...item.disk, setup: fix.setup }
  }));
