import { FLOPPY_KIB, withItem, type Build, type FloppyKiB } from '../model';
import { floppyDos, isQuickEnough, takenBy } from '../storage';
import { hasOwnRom, type Cabled } from './cables';
import type { Kit } from './kit';

/** What a floppy emulator is set to: it takes one format of images at a time. */
export interface ImageFormat {
  /** Format of the images, in KiB. */
  kib: FloppyKiB;
  /** Somebody said so; otherwise it is the largest that works. */
  told: boolean;
  /** Formats that it can be set to, in KiB, the smallest first. */
  all: FloppyKiB[];
  /** Those of them that controller, BIOS and DOS take. */
  works: FloppyKiB[];
}

/**
 * The format that a floppy emulator works with. Null: it is a drive of its own format.
 * @param dos version of the brief; null: no DOS was chosen
 */
export function imageOf(
  kit: Kit,
  { drive, controller }: Pick<Cabled, 'drive' | 'controller'>,
  dos: number | null
): ImageFormat | null {
  const { medium, floppyKiB } = drive.part.drive;
  if (medium !== 'emulator' || floppyKiB === undefined) return null;
  const knows = kit.firmware?.firmware?.floppyKiB;
  const hasRom = controller !== null && hasOwnRom(kit, controller);
  const all = FLOPPY_KIB.filter((kib) => kib <= floppyKiB);
  const works = all.filter(
    (kib) =>
      isQuickEnough(controller?.fn.floppyKiB, kib) &&
      ['bios', 'rom', 'unknown'].includes(takenBy(knows, hasRom, kib)) &&
      (dos === null || floppyDos(kib) <= dos)
  );
  const told = drive.item.imageKiB;
  return { kib: told ?? works.at(-1) ?? floppyKiB, told: told !== undefined, all, works };
}

/** Writes down what a floppy emulator is set to. Null forgets. */
export const withImage = (build: Build, id: string, kib: FloppyKiB | null): Build =>
  withItem(build, id, ({ imageKiB: _old, ...item }) => (kib === null ? item : { ...item, imageKiB: kib }));
