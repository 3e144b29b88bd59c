import { spawnSync } from 'node:child_process';
import { buildApplication, installPackages, root } from './common.mjs';

/**
 * The long versions of the tests of what may not go wrong: locks, kills, a full disk, damage, hostile files, bombs.
 * `npm run torture`; figures of a run are in docs/torture.md.
 */
await installPackages();
await buildApplication();
const files = [
  'tests/server/durability.test.ts',
  'tests/server/resilience.test.ts',
  'tests/server/import.test.ts',
  'tests/http/bounds.test.ts'
];
const { status } = spawnSync('npx', ['mocha', '--reporter', 'spec', '--timeout', '1800000', ...files], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, YJ_TORTURE: '1' }
});
process.exitCode = status ?? 1;
