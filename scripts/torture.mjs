import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { buildApplication, installPackages, root } from './common.mjs';

/**
 * The long versions of all tests that have one: of what may not go wrong (locks, kills, a full disk, damage, hostile
 * files, bombs), and of those that compare with brute force and other solvers.
 * `npm run torture`; figures of a run are in docs/torture.md.
 */
await installPackages();
await buildApplication();
const files = readdirSync(join(root, 'tests'), { recursive: true })
  .map((name) => join('tests', name))
  .filter((name) => name.endsWith('.test.ts') && /\btorture\(/.test(readFileSync(join(root, name), 'utf8')));
const { status } = spawnSync('npx', ['mocha', '--reporter', 'spec', '--timeout', '1800000', ...files], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, YJ_TORTURE: '1' }
});
process.exitCode = status ?? 1;
