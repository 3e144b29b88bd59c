import type { BootFiles } from './write';
import type { WrittenFile, WrittenLine } from './writer';

/** Environment for a start that goes on from a disk, in bytes. */
const ROOM = 512;

/**
 * The files for a floppy that only loads the drivers, and goes on with the disk: for a disk that this machine cannot
 * start from. COMMAND.COM on the disk must be of exactly the floppy's version.
 * @param drive letter with a colon, such as `C:`
 */
export function twoStage(files: BootFiles, dos: number, drive: string): BootFiles {
  // The room for variables can be given from 3.2 on in bytes, before in paragraphs; 2.x has no switch.
  const room = dos >= 3.2 ? ` /E:${ROOM}` : dos >= 3 ? ` /E:${ROOM / 16}` : '';
  const shell: WrittenLine = {
    text: `SHELL=${drive}\\COMMAND.COM ${drive}\\${room} /P`,
    why: { kind: 'second-stage' }
  };
  const goesOn = (f: WrittenFile): WrittenFile =>
    f.name.startsWith('CONFIG')
      ? { ...f, lines: [...f.lines.filter((l) => !l.text.startsWith('SHELL=')), shell] }
      : f;
  return { ...files, files: files.files.map(goesOn) };
}
