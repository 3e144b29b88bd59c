import { writeFileSync } from 'node:fs';
import { writeFiles } from '../src/lib/core/boot';
import { planBeside } from '../src/lib/core/boot-files';
import { kitOf } from '../src/lib/core/kit';
import {
  FloppyImageError,
  bootCheckReport,
  bootReport,
  memoryMapReport,
  readBuildFile,
  startFloppy
} from '../src/lib/formats';
import { noPlanWords, startLabel } from '../src/lib/words';
import { bootUsage, commandRefusals as refusals, pathRefusals } from '../src/lib/words/command-line';
import { FLAG, TEXT, readArgs } from './args';
import { Usage, bytesOf, textOf } from './io';

const text = (file: string | undefined): string => textOf(file, `${refusals.nameBuild}\n\n${bootUsage}`);
/** DOS writes its files in a code page of bytes; nothing of a line may be lost on the way. */
const dosText = (file: string | undefined): string => {
  if (file === undefined) throw new Usage(`${refusals.nameFiles}\n\n${bootUsage}`);
  return file === '-' ? '' : bytesOf(file).toString('latin1');
};
/** Writes the image of a start floppy, never over a file that is there. */
function writeFloppy(file: string | undefined, size: string, target?: string, drive?: string): object {
  if (!target || (drive !== undefined && !/^[C-Z]:$/i.test(drive)))
    throw new Usage(`${refusals.nameImage}\n\n${bootUsage}`);
  const { build, parts } = readBuildFile(text(file));
  const kit = kitOf(build, parts);
  const plan = planBeside(kit);
  if (typeof plan === 'string') return { plan: null, why: plan, words: noPlanWords[plan] };
  const files = writeFiles(kit, plan, startLabel);
  try {
    const image = startFloppy(files, plan.dos, Number(size), 'C:\\DRIVERS', drive?.toUpperCase() ?? null);
    writeFileSync(target, image, { flag: 'wx' });
    return { image: target, bytes: image.length, files: [...files.files.map((f) => f.name), 'READ.ME'] };
  } catch (error) {
    if (error instanceof FloppyImageError) throw new Usage(`${error.message}\n`);
    throw new Usage(`${target}: ${pathRefusals.unwritten((error as NodeJS.ErrnoException).code)}\n`);
  }
}

export const bootCommands: Record<string, (args: readonly string[]) => object | string> = {
  'memory-map': (args) => {
    const { words } = readArgs(args, {}, 1, bootUsage);
    return memoryMapReport(readBuildFile(text(words[0])));
  },
  boot: (args) => {
    const options = { text: FLAG, floppy: TEXT, 'go-on': TEXT };
    const { words, told } = readArgs(args, options, 2, bootUsage);
    const [file, target] = words;
    if (told.floppy !== undefined) return writeFloppy(file, told.floppy, target, told['go-on']);
    if (target !== undefined || told['go-on'] !== undefined)
      throw new Usage(`${refusals.withoutFloppy}\n\n${bootUsage}`);
    const report = bootReport(readBuildFile(text(file)));
    if (!told.text || !('files' in report)) return report;
    return (report.files as { name: string; text: string }[])
      .map((f) => `--- ${f.name}\n${f.text}`)
      .join('\n');
  },
  'boot-check': (args) => {
    const [build, config, autoexec] = readArgs(args, {}, 3, bootUsage).words;
    return bootCheckReport(readBuildFile(text(build)), dosText(config), dosText(autoexec));
  }
};
