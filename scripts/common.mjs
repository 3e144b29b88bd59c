import { spawn, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync
} from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/**
 * For programs that run for a minute and go many ways through the same code: compiled as soon as usual, what was compiled
 * is thrown away again soon, and of the short-lived things that they make a third of the time goes into collecting them.
 * Where there are more of them than cores, threads that compile and collect beside each cost a tenth more in all.
 */
export const patient = ['--interrupt-budget=1500000', '--max-semi-space-size=64', '--single-threaded'];

/** Runs a command in the project and ends this script with its code when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error) throw result.error;
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/**
 * One line for one step: what is done, a dot every two seconds, how long it took. What the commands print is kept
 * back and shown only when one fails.
 * @returns whether all of them succeeded
 */
async function step(words, commands, mayFail = false, env = {}) {
  const began = Date.now();
  process.stdout.write(`${words} `);
  const dots = setInterval(() => process.stdout.write('.'), 2000);
  let out = '';
  let status = 0;
  for (const [command, args] of commands) {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env }
    });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (out += chunk));
    status = await new Promise((done) => {
      child.on('error', (error) => {
        out += `${error.message}\n`;
        done(1);
      });
      child.on('close', (code) => done(code ?? 1));
    });
    if (status !== 0) break;
  }
  clearInterval(dots);
  process.stdout.write(status === 0 ? ` ${Math.round((Date.now() - began) / 1000)} s\n` : ' failed\n');
  if (status !== 0 && !mayFail) {
    process.stderr.write(out);
    process.exit(status);
  }
  return status === 0;
}

/**
 * The lock file carries no download addresses, and to find one npm reads everything that a registry knows of a package,
 * for each of them. Where a registry keeps what it hands out is the same everywhere: told so, npm takes half the time.
 * It is told in a folder beside, since the lock file itself stays as it is.
 * @returns whether the packages are there now; false where this registry keeps them elsewhere
 */
async function installAddressed(words, npm) {
  const aside = mkdtempSync(join(root, '.install-'));
  try {
    const { stdout, status } = spawnSync('npm', ['config', 'get', 'registry'], {
      cwd: root,
      encoding: 'utf8'
    });
    if (status !== 0) return false;
    const registry = stdout.trim().replace(/\/*$/, '/');
    const lock = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
    for (const [place, entry] of Object.entries(lock.packages)) {
      if (!place || entry.link || entry.inBundle) continue;
      const name = entry.name ?? place.split('node_modules/').pop();
      entry.resolved = `${registry}${name}/-/${name.split('/').pop()}-${entry.version}.tgz`;
    }
    writeFileSync(join(aside, 'package-lock.json'), JSON.stringify(lock));
    for (const name of ['package.json', '.npmrc']) copyFileSync(join(root, name), join(aside, name));
    if (!(await step(words, [['npm', [...npm, '--prefix', aside]]], true))) return false;
    rmSync(join(root, 'node_modules'), { recursive: true, force: true });
    renameSync(join(aside, 'node_modules'), join(root, 'node_modules'));
    return true;
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

/** Installs the packages of the lock file when they are missing or older than it. */
export async function installPackages() {
  const mark = join(root, 'node_modules', '.package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(join(root, 'package-lock.json')).mtimeMs) return;
  const quiet = ['--no-audit', '--no-fund', '--loglevel=error'];
  // `npm ci` also wants the packages of other platforms to be there; a registry may lack some.
  if (await installAddressed('Installing packages', ['ci', ...quiet])) return;
  if (await step('Installing packages by name', [['npm', ['ci', ...quiet]]], true)) return;
  await step('Installing packages another way', [['npm', ['install', '--no-save', ...quiet]]]);
}

/** When a file, or the newest file of a folder, was changed last. */
export function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** What the application is built of. */
const sources = [
  'src',
  'bin',
  'catalogue',
  'static',
  'package.json',
  'svelte.config.js',
  'vite.config.ts',
  'vite.heavy.config.ts'
];
const isOlder = (built) =>
  !existsSync(built) ||
  statSync(built).mtimeMs < Math.max(...sources.map((name) => newest(join(root, name))));

const vite = (...args) => [
  'node',
  [...patient, join(root, 'node_modules', 'vite', 'bin', 'vite.js'), 'build', ...args, '--logLevel', 'error']
];
const heavy = ['--config', 'vite.heavy.config.ts'];

/** Reads and checks the catalogue, once for every start. */
const compile = ['node', [join(root, 'build', 'heavy', 'compile.js')]];
const isApplicationOlder = () => isOlder(join(root, 'build', 'heavy', 'catalogue.json'));
const isPseudoOlder = () => isOlder(join(root, 'build', 'pseudo', 'heavy', 'worker.js'));

/** Builds the application and the worker of the server when they are missing or older than their sources. */
export async function buildApplication() {
  if (!isApplicationOlder()) return;
  await step('Building the application', [vite(), vite(...heavy), compile]);
}

/** Builds it, and beside it once more in the made-up language of the tests. */
export async function buildForTests() {
  if (isApplicationOlder()) {
    const both = ['node', [...patient, join(root, 'scripts', 'build-both.mjs')]];
    await step('Building the application, and in a made-up language', [both, compile]);
  } else if (isPseudoOlder())
    await step('Building it in a made-up language', [vite(), vite(...heavy)], false, { YJ_WORDS: 'pseudo' });
}

const isFree = (port, host) =>
  new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, host, () => probe.close(() => done(true)));
  });

/** The first free port from a wish on; a wish from outside is taken as it is. */
async function choosePort(host) {
  if (process.env.PORT) {
    if (await isFree(Number(process.env.PORT), host)) return Number(process.env.PORT);
    console.error(`Port ${process.env.PORT} is in use. Set PORT to another one.`);
    process.exit(1);
  }
  for (let port = 5180; port < 5200; port++) if (await isFree(port, host)) return port;
  console.error('Ports 5180 to 5199 are all in use. Set PORT to a free one.');
  process.exit(1);
}

const isLoopback = (host) => /^(127\.\d+\.\d+\.\d+|localhost|::1)$/.test(host);

/**
 * What a command that starts the server was told, read before anything is done. It ends at what is not understood.
 * @param more options besides `--share` and `--share=ADDRESS`
 */
export function serverOptions(more = {}) {
  // Without an address it stands for all of them.
  const args = process.argv.slice(2).map((arg) => (arg === '--share' ? '--share=' : arg));
  try {
    return parseArgs({ args, options: { share: { type: 'string' }, ...more } }).values;
  } catch (error) {
    const known = ['share', ...Object.keys(more)].map((name) => `--${name}`).join(', ');
    console.error(`${error.message.split('\n')[0]}\nThe options are ${known}; README.md tells of them.`);
    process.exit(2);
  }
}

/** The address to listen on: this computer only, unless --share opens the server to others. */
function chooseHost(share) {
  const host = share || process.env.YJ_HOST || (share === undefined ? '127.0.0.1' : '0.0.0.0');
  if (isLoopback(host) || share !== undefined) return { host, shared: !isLoopback(host) };
  console.error(
    `YJ_HOST=${host} would let other computers in. Say so with --share, and set a passphrase first: npm run --silent yj -- passphrase`
  );
  process.exit(1);
}

/** Starts the built server in this process. SIGTERM and SIGINT end it cleanly. */
export async function serve({ data, demo, share }) {
  const { host, shared } = chooseHost(share);
  const port = await choosePort(host);
  const shown = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  Object.assign(process.env, {
    HOST: host,
    PORT: String(port),
    ...(shared ? { YJ_SHARED: '1' } : { ORIGIN: shown }),
    // Each route has its own limit and answers in words.
    BODY_SIZE_LIMIT: 'Infinity',
    SHUTDOWN_TIMEOUT: '2',
    // Longer than clients keep a connection that nothing goes over: one that is closed from here may be just in use.
    KEEP_ALIVE_TIMEOUT: '65',
    YJ_ROOT: root,
    YJ_RELEASE: String(Math.max(...['build/index.js', 'catalogue'].map((n) => newest(join(root, n))))),
    ...(data ? { YJ_DATA: data } : {}),
    ...(demo ? { YJ_DEMO: '1' } : {})
  });
  process.stdout.write(demo ? 'Loading the demo machines … ' : 'Opening the data … ');
  // The server says by one line of its own that it listens: ours takes its place, so that the address comes last.
  const say = console.log;
  console.log = (...words) => {
    if (!String(words[0]).startsWith('Listening on')) return say(...words);
    console.log = say;
    say(`ready\nYellow Jumper is at ${shown}/`);
  };
  try {
    await import(join(root, 'build', process.env.YJ_WORDS ?? '', 'index.js'));
  } catch (error) {
    if (error?.name !== 'StoreTrouble') throw error;
    console.error(`\n${error.message}`);
    process.exit(1);
  }
}
