import { readFileSync } from 'node:fs';
import { pathRefusals } from '../src/lib/words/command-line';

/** What the command reads from and writes to besides files; a test puts its own in their place. */
export const io = {
  input: (): Buffer => readFileSync(0),
  out: (text: string): void => void process.stdout.write(text),
  err: (text: string): void => void process.stderr.write(text)
};

/** The words of the command were not understood, or a file that they name is not there: exit code 2. */
export class Usage extends Error {}

/** Does something with a file. @throws Usage that says why it cannot be read */
export function reading<T>(file: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (!code) throw error;
    const why =
      code === 'ENOENT'
        ? pathRefusals.missing
        : code === 'EISDIR'
          ? pathRefusals.folder
          : pathRefusals.unreadable(code);
    throw new Usage(`${file}: ${why}\n`);
  }
}

/** The bytes of a file, or of the standard input where it is `-`. @throws Usage that says why it cannot be read */
export const bytesOf = (file: string): Buffer =>
  reading(file, () => (file === '-' ? io.input() : readFileSync(file)));

/** Its text. @param missing what is said when no file was named */
export function textOf(file: string | undefined, missing: string): string {
  if (file === undefined) throw new Usage(missing);
  return bytesOf(file).toString('utf8');
}
