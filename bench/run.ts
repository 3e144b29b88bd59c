import { buildApplication } from '../scripts/common.mjs';
import { benchBoot } from './boot';
import { benchDiagnosis } from './diagnosis';
import { benchDisks } from './disks';
import { benchPlanner } from './planner';
import { benchScreen } from './screen';
import { benchServer } from './server';
import { benchSolver } from './solver';
import { benchSwitches } from './switches';

/**
 * `npm run bench` prints all figures. `npm run bench -- solver [MACHINES] [GENERAL]`, `-- planner`,
 * `-- switches`, `-- boot`, `-- diagnosis [FAULTS]`, `-- disks`, `-- screen` and `-- server [SECONDS]` print some of them: machines per row and how many of them the general solver
 * gets as well; how long the server is kept under load.
 */
const [what, ...numbers] = process.argv.slice(2);
const benches: Record<string, (...numbers: number[]) => Promise<void>> = {
  boot: benchBoot,
  diagnosis: benchDiagnosis,
  disks: benchDisks,
  planner: benchPlanner,
  screen: benchScreen,
  server: benchServer,
  solver: benchSolver,
  switches: benchSwitches
};
if (what && !(what in benches)) {
  console.error(`There is no bench "${what}": ${Object.keys(benches).join(', ')}.`);
  process.exit(2);
}
if (!what || what === 'screen' || what === 'server') await buildApplication();
for (const [name, bench] of Object.entries(benches))
  if (!what || what === name) {
    console.log(`\n${name}`);
    await bench(...numbers.map(Number));
  }
process.exit(0);
