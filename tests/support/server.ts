import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { patient } from '../../scripts/common.mjs';

const root = new URL('../..', import.meta.url).pathname;
/** A server of a test lives for seconds: what it does is hardly worth optimizing. */
const calm = patient.filter((flag) => flag !== '--single-threaded');

export interface Running {
  url: string;
  port: number;
  pid(): number;
  folder: string;
  /** Ends the server and waits; resolves to its exit code. */
  stop(signal?: NodeJS.Signals): Promise<number | null>;
  /** Starts the same server with the same data again. */
  restart(): Promise<void>;
}

/**
 * A fresh folder for the data of a server. `npm test` has the demo machines read in and checked once, and what came of it
 * is copied; a test that is run alone has its server do so.
 */
function freshFolder(env: Record<string, string>): string {
  const folder = mkdtempSync(join(tmpdir(), 'yj-server-'));
  // What is kept of a check has words in it, of the language it was made in.
  const ready = env.YJ_WORDS ? undefined : process.env.YJ_DEMO_DATA;
  if (ready) cpSync(ready, folder, { recursive: true });
  return folder;
}

/** Starts the built server with the demo data in a fresh folder, or in one that is there. */
export async function startServer({
  args = [] as string[],
  env = {} as Record<string, string>,
  folder = freshFolder(env)
} = {}): Promise<Running> {
  const port = await portFor(env);
  let child: ChildProcess;
  const start = async () => {
    child = spawn('node', [...calm, 'scripts/demo.mjs', ...args], {
      cwd: root,
      env: { ...process.env, PORT: String(port), YJ_DATA: folder, ...env },
      stdio: ['ignore', 'ignore', 'inherit']
    });
    const started = child;
    const end = () => started.kill('SIGKILL');
    process.once('exit', end);
    started.once('exit', () => process.off('exit', end));
    await reachable(`http://127.0.0.1:${port}/api/v1/builds`, child);
  };
  const stop = (signal: NodeJS.Signals = 'SIGTERM') =>
    new Promise<number | null>((done) => {
      if (child.exitCode !== null || child.signalCode !== null) return done(child.exitCode);
      child.once('exit', (code) => done(code));
      child.kill(signal);
    });
  await start();
  return {
    url: `http://127.0.0.1:${port}`,
    port,
    pid: () => child.pid!,
    folder,
    stop,
    restart: async () => {
      await stop();
      await start();
    }
  };
}

/** A server with the demo data for the tests of a suite. */
export function useServer(): { readonly it: Running } {
  let server: Running;
  before(async () => {
    server = await startServer();
  });
  after(async () => {
    await server.stop();
    rmSync(server.folder, { recursive: true, force: true });
  });
  return {
    get it() {
      return server;
    }
  };
}

/** The suites of a process start one after the other, so that a kind of server keeps its address. */
const ports = new Map<string, Promise<number>>();
function portFor(env: Record<string, string>): Promise<number> {
  const kind = JSON.stringify(env);
  const port = ports.get(kind) ?? freePort();
  ports.set(kind, port);
  return port;
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });
}

/** Waits until it answers at all, having been built first where needed; a shared server answers that one has to sign in. */
async function reachable(url: string, child: ChildProcess): Promise<void> {
  for (let i = 0; i < 960; i++) {
    try {
      const reply = await fetch(url);
      const { builds = [] } = (await reply.json()) as { builds?: { verdict: string }[] };
      // The demo machines are checked beside the first requests.
      if (builds.every((b) => b.verdict !== 'unchecked')) return;
    } catch {
      if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    }
    await new Promise((done) => setTimeout(done, 125));
  }
  throw new Error(`no server at ${url}`);
}
