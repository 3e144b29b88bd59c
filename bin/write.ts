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
import { pathRefusals, writeRefusals as refusals, writeUsage } from '../src/lib/words/command-line';
import { FLAG, TEXT, readArgs } from './args';
import { chsOf, dosOf } from './disk';
import { Usage } from './io';

/**
 * `yj write`: a partition plan as a sparse image, for a flash card that is prepared on a modern machine. The file must
 * not be there yet, so a device is never written to.
 */
export function writeImage(args: readonly string[]): object {
  const options = { chs: TEXT, os: TEXT, cylinders: TEXT, label: TEXT, 'no-format': FLAG };
  const { words, told } = readArgs(args, options, 1, writeUsage);
  const [file] = words;
  const geometry = chsOf(told.chs);
  if (!file || !geometry) throw new Usage(`${refusals.what}\n\n${writeUsage}`);
  const dos = dosOf(told.os) ?? 6.22;
  refuseImpossible(file, geometry, dos);
  if (told.cylinders !== undefined && !/^\d+(,\d+)*$/.test(told.cylinders))
    throw new Usage(`${refusals.cylinders(told.cylinders)}\n`);
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
    throw new Usage(`${file}: ${pathRefusals.unwritten((error as NodeJS.ErrnoException).code)}\n`);
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
    throw new Usage(`${why}\n\n${writeUsage}`);
  };
  if (file === '-') refuse(refusals.standardOutput);
  if (!cylinders || !heads || !sectors) refuse(refusals.zero);
  if (sectors > 63) refuse(refusals.sectors(sectors));
  if (heads > 255) refuse(refusals.heads(heads));
  if (!(dosVersions as readonly number[]).includes(dos)) refuse(refusals.dos(dos, dosVersions));
  if (cylinders > 1024 && dos < 7) refuse(refusals.beyond(cylinders, dos));
}

function created(file: string): number {
  try {
    return openSync(file, 'wx');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why: Record<string, string> = {
      EEXIST: pathRefusals.there,
      ENOENT: pathRefusals.noFolder
    };
    throw new Usage(`${file}: ${why[code ?? ''] ?? pathRefusals.unmade(code)}\n`);
  }
}
