import { closeSync, fsyncSync, ftruncateSync, openSync, unlinkSync, writeSync } from 'node:fs';
import {
  SECTOR,
  dosVersions,
  partition,
  proposeSizes,
  sizeWords,
  type Geometry
} from '../src/lib/core/storage';
import { diskImage } from '../src/lib/formats/disk';
import { FLAG, TEXT, readArgs } from './args';
import { chsOf, dosOf } from './disk';
import { Usage } from './io';

export const WRITE_USAGE = `  write FILE --chs C/H/S [--os dosN] [--cylinders N,N] [--label NAME] [--no-format]
                                a sparse raw image with a partition table and empty file systems; only a new
                                file, never a device
`;

/**
 * `yj write`: a partition plan as a sparse image, for a flash card that is prepared on a modern machine. The file must
 * not be there yet, so a device is never written to.
 */
export function writeImage(args: readonly string[]): object {
  const options = { chs: TEXT, os: TEXT, cylinders: TEXT, label: TEXT, 'no-format': FLAG };
  const { words, told } = readArgs(args, options, 1, WRITE_USAGE);
  const [file] = words;
  const geometry = chsOf(told.chs);
  if (!file || !geometry)
    throw new Usage(`write wants a file and --chs C/H/S, as INT 13h gives it\n\n${WRITE_USAGE}`);
  const dos = dosOf(told.os) ?? 6.22;
  refuseImpossible(file, geometry, dos);
  if (told.cylinders !== undefined && !/^\d+(,\d+)*$/.test(told.cylinders))
    throw new Usage(`--cylinders wants numbers such as 400,624, not "${told.cylinders}"\n`);
  const sizes = told.cylinders?.split(',').map(Number) ?? proposeSizes(geometry, dos);
  const plan = partition(geometry, dos, sizes);
  const format = !told['no-format'];
  const image = diskImage(plan, { dos, format, ...(told.label ? { label: told.label } : {}) });
  const fd = created(file);
  try {
    ftruncateSync(fd, image.size);
    for (const { offset, bytes } of image.chunks) writeSync(fd, bytes, 0, bytes.length, offset);
    fsyncSync(fd);
  } catch (error) {
    closeSync(fd);
    unlinkSync(file);
    throw new Usage(`${file}: cannot be written (${(error as NodeJS.ErrnoException).code})\n`);
  }
  closeSync(fd);
  return {
    file,
    bytes: image.size,
    written: image.chunks.reduce((n, c) => n + c.bytes.length, 0),
    geometry,
    partitions: plan.partitions.map((p) => ({
      kind: p.kind,
      cylinders: `${p.from}-${p.to}`,
      lba: p.lba,
      sectors: p.sectors,
      size: sizeWords(p.sectors),
      fat: p.fat.kind,
      clusterBytes: p.fat.clusterBytes
    })),
    sectorBytes: SECTOR
  };
}

/** Plans that no machine of the time can use: a table written for them would be broken. */
function refuseImpossible(file: string, { cylinders, heads, sectors }: Geometry, dos: number): void {
  const refuse = (why: string): never => {
    throw new Usage(`${why}\n\n${WRITE_USAGE}`);
  };
  if (file === '-') refuse('write makes a file; it does not write to the standard output');
  if (!cylinders || !heads || !sectors) refuse('cylinders, heads and sectors are at least 1');
  if (sectors > 63) refuse(`${sectors} sectors a track: INT 13h and the partition table have 1 to 63`);
  if (heads > 255) refuse(`${heads} heads: DOS takes 255 at most`);
  if (!(dosVersions as readonly number[]).includes(dos))
    refuse(`there is no DOS ${dos} that partitions hard disks here: ${dosVersions.join(', ')}`);
  if (cylinders > 1024 && dos < 7)
    refuse(
      `${cylinders} cylinders: DOS ${dos} reaches 1,024 by INT 13h. Give the geometry as INT 13h has it, or DOS 7 or later`
    );
}

function created(file: string): number {
  try {
    return openSync(file, 'wx');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why: Record<string, string> = {
      EEXIST: 'is there already, and is left as it is',
      ENOENT: 'its folder is not there'
    };
    throw new Usage(`${file}: ${why[code ?? ''] ?? `cannot be made (${code})`}\n`);
  }
}
