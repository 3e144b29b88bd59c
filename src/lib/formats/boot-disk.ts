import { fileText, twoStage, type BootFiles } from '../core/boot';
import { floppyList } from '../words';
import { floppyImage } from './boot-floppy';

/**
 * The image of a start floppy: the files of a plan, and a list of what is still to be put on it.
 * @param goesOn the drive with which the start goes on once the drivers are loaded; null: it stays on the floppy's files
 */
export function startFloppy(
  planned: BootFiles,
  dos: number,
  kib: number,
  drivers: string,
  goesOn: string | null = null
): Uint8Array {
  const files = goesOn ? twoStage(planned, dos, goesOn) : planned;
  const list = floppyList(
    dos,
    files.kind,
    files.toCopy.map((d) => d.file),
    drivers,
    goesOn
  );
  return floppyImage(kib, [
    ...files.files.map((f) => ({ name: f.name, text: fileText(f) })),
    { name: 'READ.ME', text: list }
  ]);
}
