import { spawnSync } from 'node:child_process';
import { buildApplication, installPackages, root } from './common.mjs';

/**
 * The long versions of the tests of what may not go wrong: locks, kills, a full disk, damage, hostile files, bombs;
 * and of those that compare with brute force and other solvers.
 * `npm run torture`; figures of a run are in docs/torture.md.
 */
await installPackages();
await buildApplication();
const files = [
  'tests/server/durability.test.ts',
  'tests/server/resilience.test.ts',
  'tests/server/import.test.ts',
  'tests/http/bounds.test.ts',
  'tests/core/brute-force.test.ts',
  'tests/core/planner.test.ts',
  'tests/core/boot-files.test.ts',
  'tests/core/placement.test.ts',
  'tests/core/photo.test.ts',
  'tests/formats/archive.test.ts',
  'tests/formats/build-file.test.ts',
  'tests/formats/disk.test.ts'
];
const { status } = spawnSync('npx', ['mocha', '--reporter', 'spec', '--timeout', '1800000', ...files], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, YJ_TORTURE: '1' }
});
process.exitCode = status ?? 1;
