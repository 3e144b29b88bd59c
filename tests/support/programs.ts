import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { build } from 'vite';

const root = new URL('../..', import.meta.url).pathname;
const folder = join(root, 'build', 'tests');
const command = (args: readonly string[]) => [join(folder, 'saver.js'), ...args];

/** Makes one file of `saver.ts`: from its sources it takes seconds to start, and it is started a dozen times. */
export const makeProgram = (): Promise<unknown> =>
  build({
    root,
    configFile: false,
    publicDir: false,
    logLevel: 'error',
    ssr: { noExternal: true, external: ['libsql'] },
    build: {
      ssr: 'tests/support/saver.ts',
      outDir: folder,
      minify: false,
      // Beside each other, two folders below the project: what they read lies beside their sources otherwise.
      rolldownOptions: { output: { chunkFileNames: '[name].js' } }
    }
  });

/** A state that was acknowledged: of which build, its number, and what it says. */
export interface Acknowledged {
  build: string;
  revision: number;
  notes: string;
}

/** Starts the program of `saver.ts` beside the test. */
export const program = (args: readonly string[]): ChildProcess =>
  spawn(process.execPath, command(args), { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] });

/** Runs the program of `saver.ts` to its end. @returns what it printed */
export const programOutput = (args: readonly string[]): string =>
  spawnSync(process.execPath, command(args), { cwd: root, encoding: 'utf8' }).stdout;

/** Saves in a program of its own, and kills that some milliseconds after the first acknowledgement. */
export function killedSaver(
  folder: string,
  afterMs: number,
  { clients = 1, patience = 5000 } = {}
): Promise<{ acknowledged: Acknowledged[]; busy: number }> {
  return new Promise((done) => {
    const child = program(['save', folder, '100000', String(clients), String(patience)]);
    let out = '';
    child.stdout!.on('data', (chunk: Buffer) => {
      if (!out) setTimeout(() => child.kill('SIGKILL'), afterMs);
      out += chunk;
    });
    child.on('close', () => {
      // The last line may have been cut by the kill.
      const lines = out.split('\n').slice(0, -1);
      done({
        busy: lines.filter((l) => l === 'busy').length,
        acknowledged: lines.flatMap((line) => {
          const m = /^(\S+) (\d+) (.*)$/.exec(line);
          return m ? [{ build: m[1], revision: Number(m[2]), notes: m[3] }] : [];
        })
      });
    });
  });
}

export interface Ended {
  status: number | null;
  stdout: string;
  stderr: string;
}

/**
 * Runs a command to its end, without holding this process up: a connection that a server closed meanwhile would be
 * used again otherwise.
 */
export function ended(
  file: string,
  args: readonly string[],
  {
    input = '',
    env = {},
    timeout = 60_000
  }: { input?: string; env?: Record<string, string>; timeout?: number } = {}
): Promise<Ended> {
  return new Promise((done) => {
    const child = spawn(file, args, { cwd: root, env: { ...process.env, ...env }, timeout });
    let stdout = '';
    let stderr = '';
    child.stdout.on('data', (chunk: Buffer) => (stdout += chunk));
    child.stderr.on('data', (chunk: Buffer) => (stderr += chunk));
    child.on('close', (status) => done({ status, stdout, stderr }));
    child.stdin.end(input);
  });
}
