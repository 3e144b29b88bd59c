import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';
import { dataFolder, openDatabase } from '../src/lib/server/database';
import { passphraseProblem, setPassphrase } from '../src/lib/server/gate';
import { dataWords } from '../src/lib/words/command-line';
import { FLAG, readArgs } from './args';
import { Usage, io } from './io';
import { backup, health, restoreBackup } from '../src/lib/server/keep';

/** Commands on the data folder, each with the exit code it ends with; what is not understood is told above the usage. */
export const dataCommands: Record<string, (args: readonly string[], usage: string) => Promise<number>> = {
  backup: async (args, usage) => {
    const { words } = readArgs(args, {}, 1, usage);
    io.out(`${await backup(dataFolder(), words[0])}\n`);
    return 0;
  },
  restore: async (args, usage) => {
    const { words, told } = readArgs(args, { anyway: FLAG }, 1, usage);
    if (!words.length) throw new Usage(usage);
    const { builds, before } = await restoreBackup(dataFolder(), words[0], { anyway: told.anyway === true });
    io.out(`${dataWords.restored(builds, before)}\n`);
    return 0;
  },
  health: async (args, usage) => {
    readArgs(args, {}, 0, usage);
    const found = await health(dataFolder());
    io.out(JSON.stringify(found, null, 2) + '\n');
    return found.problems.length ? 1 : 0;
  },
  passphrase: async (args, usage) => {
    readArgs(args, {}, 0, usage);
    const passphrase = await ask(dataWords.ask);
    const wrong = passphraseProblem(passphrase);
    if (wrong) {
      io.err(`${wrong}\n`);
      return 2;
    }
    const db = await openDatabase(dataFolder());
    await setPassphrase(db, passphrase);
    await db.destroy();
    io.out(`${dataWords.set}\n`);
    return 0;
  }
};

/** One line from standard input; on a terminal it is not shown. */
function ask(question: string): Promise<string> {
  const terminal = process.stdin.isTTY === true;
  if (terminal) io.out(question);
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: terminal ? silent : undefined, terminal });
  return new Promise((done) => {
    lines.once('line', (line) => {
      done(line);
      lines.close();
      if (terminal) io.out('\n');
    });
    lines.once('close', () => done(''));
  });
}
