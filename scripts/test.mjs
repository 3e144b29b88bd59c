import { spawn, spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath, hasHeadless, headlessPackage } from './chromium.mjs';
import { buildForTests, installPackages, patient, root } from './common.mjs';

/**
 * The whole check of the project: packages, types, lint, unit tests, browser tests. Ends with the
 * line `N passed, N failed`, in which types, lint and formatting count as one each.
 */
let passed = 0;
let failed = 0;

/** The type checker is a program of its own, and takes a quarter more in all where it shares its work among threads. */
const alone = { ...process.env, GOMAXPROCS: '1', GOGC: 'off' };

/** Runs steps beside each other; what each prints comes out in one piece. */
async function steps(list) {
  const run = ([name, command, args]) =>
    new Promise((done) => {
      const child = spawn(command, args, { cwd: root, env: alone, stdio: ['ignore', 'pipe', 'pipe'] });
      let out = '';
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (out += chunk));
      child.on('error', (error) => done({ name, status: 1, out: error.message }));
      child.on('close', (status) => done({ name, status, out }));
    });
  for (const { name, status, out } of await Promise.all(list.map(run))) {
    console.log(`\n== ${name}`);
    if (status === 0) passed++;
    else failed++;
    if (status !== 0 || name.startsWith('Types')) console.log(out.trim());
  }
}

/** Runs one group of test files. @returns what it printed, so that groups beside each other do not mix */
function runGroup(args) {
  return new Promise((done) => {
    const options = `--node-option=${patient.map((flag) => flag.slice(2)).join()}`;
    const how = [options, '--no-config', '--timeout', '600000', '--reporter', 'json-stream'];
    const child = spawn(bin('mocha'), [...how, ...args], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit']
    });
    let out = '';
    child.stdout.setEncoding('utf8').on('data', (text) => (out += text));
    child.on('close', () => done(out));
  });
}

/** Runs groups of test files, some at a time, in their order; each file belongs to one. */
async function mocha(groups) {
  const waiting = [...groups];
  const runner = async () => {
    for (let group = waiting.shift(); group; group = waiting.shift()) {
      const [name, args] = group;
      tell(name, await runGroup(args));
    }
  };
  // More than cores: browsers, servers and programs that are started mostly wait.
  await Promise.all(Array.from({ length: 5 }, runner));
}

/** Prints what a group came to, its failures and whatever its tests said. */
function tell(name, out) {
  console.log(`\n== ${name}`);
  let end = null;
  for (const line of out.split('\n')) {
    let event;
    try {
      event = JSON.parse(line);
    } catch {
      if (line.trim()) console.log(line);
      continue;
    }
    if (event[0] === 'fail')
      console.log(`FAILED ${event[1].fullTitle}\n${event[1].err}\n${event[1].stack ?? ''}`);
    if (event[0] === 'end') end = event[1];
  }
  if (!end) {
    console.log(`${name}: the runner ended early`);
    failed++;
    return;
  }
  console.log(`${end.passes} passed, ${end.failures} failed in ${Math.round(end.duration / 1000)} s`);
  passed += end.passes;
  failed += end.failures;
}

/** Real partition and file-system tools, with which what we write is compared; without them those tests fail. */
const hasDiskTools = () =>
  spawnSync(
    'sh',
    ['-c', 'PATH=$PATH:/sbin:/usr/sbin; command -v sfdisk && command -v fsck.fat && command -v mdir'],
    { stdio: 'ignore' }
  ).status === 0;

/**
 * What the tests use of the system's packages, installed where it is missing and may be; in one go, since looking for
 * packages takes as long as installing them. It goes on beside everything that needs none of them.
 * @returns whether there is a browser; without one the browser tests count as one failure
 */
async function ensureSystemPackages() {
  const missing = (browser) => [
    ...(hasDiskTools() ? [] : ['fdisk', 'dosfstools', 'mtools']),
    ...(hasHeadless() ? [] : [browser])
  ];
  const names = missing(headlessPackage);
  if (names.length && process.getuid?.() === 0) {
    console.log(`Installing from the system packages: ${names.join(', ')} …`);
    await install(names);
    // Where there is no such package, none of them was installed.
    if (!chromiumPath()) await install(missing('chromium'));
  }
  if (!hasDiskTools())
    console.log('sfdisk, fsck.fat or mtools are missing: the tests that compare with them will fail.');
  if (!chromiumPath())
    console.log(
      'Chromium is missing. Install the package chromium, or set CHROMIUM to its path, and run again.'
    );
  return Boolean(chromiumPath());
}

/**
 * The demo machines, read in and checked once: every server of the tests starts from a copy.
 * @returns their folder; empty where the server did not start, which its tests will tell
 */
async function demoData() {
  const code =
    "const { startServer } = await import('./tests/support/server.ts');" +
    'const server = await startServer(); await server.stop(); console.log(server.folder);';
  const args = ['--import', 'tsx', '--input-type=module', '-e', code];
  const { out } = await ran(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'ignore'] });
  return out.trim();
}

/** Runs a program beside everything else. @returns what it wrote, where that is asked for */
function ran(command, args, options) {
  return new Promise((done) => {
    const child = spawn(command, args, options);
    let out = '';
    child.stdout?.setEncoding('utf8').on('data', (text) => (out += text));
    child.on('error', () => done({ out }));
    child.on('close', () => done({ out }));
  });
}

async function install(packages) {
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await ran('apt-get', ['update', '-qq'], { stdio: 'ignore', env });
  await ran('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env
  });
}

const system = ensureSystemPackages();
await installPackages();
const bin = (name) => join(root, 'node_modules', '.bin', name);
/** A step of a program that is written in JavaScript. */
const node = (name, command, ...args) => [name, process.execPath, [...patient, bin(command), ...args]];
await steps([node('Types of the framework', 'svelte-kit', 'sync')]);
const translated = '.svelte-kit/tests';
const files = (...folders) => folders.map((folder) => `${translated}/${folder}/**/*.test.js`);
/** Groups of files that take about as long as one another; a file that is in none goes with the last of its kind. */
const inFolder = (folder, ...names) => names.map((name) => `${translated}/${folder}/${name}.test.js`);
const planning = inFolder(
  'core',
  'planner',
  'plan-sense',
  'photo',
  'wrong-settings',
  'lived',
  'seats',
  'start'
);
const without = (list) => list.flatMap((file) => ['--ignore', file]);
/** They ask nothing of the application as it is built, and run as soon as they are translated. */
async function core() {
  const translating = ['build', '--config', 'vite.tests.config.ts', '--logLevel', 'error'];
  await steps([node('The tests in plain JavaScript', 'vite', ...translating)]);
  return { done: mocha([['Core', [...files('core', 'ui', 'truth'), ...without(planning)]]]) };
}
// Beside each other: none of them reads what another writes.
const [{ done }] = await Promise.all([
  core(),
  steps([
    node('Types of all files', 'svelte-check', '--tsgo', '--threshold', 'warning', '--output', 'human'),
    [
      'Types of the core, more strictly',
      join(root, 'node_modules/@typescript/native/bin/tsc'),
      ['-p', 'src/lib/core']
    ],
    // Together no more than 60 marks of what cannot be missing.
    ['Lint', bin('oxlint'), ['--max-warnings', '47']],
    node('Lint of components and scripts', 'eslint', '--max-warnings', '13', '.'),
    node('Formatting', 'oxfmt', '--threads=1', '--check')
  ]),
  buildForTests()
]);
const browser = await system;
if (!browser) failed++;
process.env.YJ_DEMO_DATA = await demoData();
const walks = inFolder('browser', 'look', 'screens');
const choosing = inFolder('browser', 'choose', 'disks', 'files', 'deleted');
await mocha([
  // The longest first, so that none is left alone at the end.
  ['Planner, diagnosis, photographs', planning],
  ['Server over HTTP', files('http')],
  ...(browser
    ? [
        ['Browser tests', [...files('browser'), ...without([...walks, ...choosing])]],
        ['Browser tests of parts and files', choosing],
        ['The look of every screen', walks]
      ]
    : []),
  ['Server and its data', files('server')],
  ['Command line and formats', files('formats')]
]);
await done;
if (process.env.YJ_DEMO_DATA) rmSync(process.env.YJ_DEMO_DATA, { recursive: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed ? 1 : 0;
