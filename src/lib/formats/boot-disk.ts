import { fileText, type BootFiles } from '../core/boot';
import { floppyList } from '../words';
import { floppyImage } from './boot-floppy';

/** The image of a start floppy: the files of a plan, and a list of what is still to be put on it. */
export function startFloppy(files: BootFiles, dos: number, kib: number, drivers: string): Uint8Array {
  const list = floppyList(
    dos,
    files.kind,
    files.toCopy.map((d) => d.file),
    drivers
  );
  return floppyImage(kib, [
    ...files.files.map((f) => ({ name: f.name, text: fileText(f) })),
    { name: 'READ.ME', text: list }
  ]);
}
