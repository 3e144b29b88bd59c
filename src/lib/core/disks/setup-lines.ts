import type { Kit } from '../kit';
import { floppyName, type Geometry } from '../storage';
import { choicesFor, disksOf, firmwareFacts, sameShape, typedOf, type KitDisk } from './disks';
import { floppyChains } from './floppies';

/**
 * What to enter in the setup for the drives of a build: each floppy by its letter, each hard disk as it was typed or
 * is best typed. Nothing on machines without a setup.
 */
export function setupLines(kit: Kit): string[] {
  const firmware = kit.firmware?.firmware;
  if (!firmware || firmware.setup === 'none') return [];
  const floppies = floppyChains(kit)
    .filter((c) => c.letter !== null)
    .sort((a, b) => ((a.letter ?? '') < (b.letter ?? '') ? -1 : 1))
    .map((c) => `Floppy ${c.letter}: ${floppyName(Math.min(c.kib, firmware.floppyKiB))} (${c.title})`);
  const knowsDisks = firmwareFacts(firmware.disk) !== null;
  const disks = knowsDisks ? disksOf(kit).flatMap((d) => diskLine(d) ?? []) : [];
  return [...floppies, ...disks];
}

const shape = ({ cylinders, heads, sectors }: Geometry): string =>
  `${cylinders} cylinders, ${heads} heads, ${sectors} sectors`;

function diskLine(disk: KitDisk): string | null {
  const { title } = disk.drive;
  if (disk.facts?.isRom) return `${title}: not installed, a ROM runs it`;
  const typed = typedOf(disk)?.physical;
  const choices = choicesFor(disk);
  const best =
    choices.find(({ geometry }) => typed && geometry && sameShape(geometry, typed)) ??
    (typed ? undefined : choices.find((c) => c.works && c.geometry));
  if (!best?.geometry) return typed ? `${title}: user type, ${shape(typed)}` : null;
  if (best.id === 'type') return `${title}: type ${best.type} (${shape(best.geometry)})`;
  const precomp = best.precomp === 65_535 ? 'none' : String(best.precomp);
  const mode = best.mode === 'none' ? '' : `, mode ${best.mode}`;
  return `${title}: user type, ${shape(best.geometry)}, precompensation ${precomp}, landing zone ${best.landing}${mode}`;
}
