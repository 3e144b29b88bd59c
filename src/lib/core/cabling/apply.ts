import { cablesOf, kitOf } from '../kit';
import { withItem, type Build, type Fix, type Item, type PartSet, type Ribbon, type Select } from '../model';
import { familyOf } from './chains';

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
export function withJumper(
  build: Build,
  parts: PartSet,
  id: string,
  { unit, terminated, plug }: Jumpered
): Build {
  const cabled =
    unit !== undefined || plug !== undefined
      ? cablesOf(kitOf(build, parts)).find((c) => c.drive.item.id === id)
      : undefined;
  const isFloppy = cabled ? familyOf(cabled.drive.part.drive!.interface) === 'floppy' : false;
  return withItem(build, id, (item) => {
    const out: Item = { ...item };
    if (terminated === null) delete out.terminated;
    else if (terminated !== undefined) out.terminated = terminated;
    if (cabled?.controller) {
      const { unit: oldUnit, select: oldSelect, ...rest } = item.cable ?? {};
      const { item: to, fn } = cabled.controller;
      const keptUnit = isFloppy || unit === undefined ? oldUnit : (unit ?? undefined);
      const keptSelect = !isFloppy || unit === undefined ? oldSelect : ((unit ?? undefined) as Select);
      out.cable = {
        ...rest,
        to,
        function: fn.id,
        ...(keptUnit === undefined ? {} : { unit: keptUnit }),
        ...(keptSelect === undefined ? {} : { select: keptSelect }),
        ...(plug === undefined ? {} : { plug })
      };
    }
    return out;
  });
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
