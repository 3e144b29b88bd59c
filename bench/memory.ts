import { resolve } from '../src/lib/core/solver';
import { LARGE, MOST_NODES, machineOfRow } from './solver-rows';

/**
 * Solves the large machines of the solver's bench and prints the most memory this process had, in megabytes. To be run
 * with a small heap: how much garbage lies about is up to the engine, and how much is needed is asked here.
 */
let peak = 0;
for (const [cards, kind] of LARGE)
  for (let seed = 1; seed <= 20; seed++) {
    const [build, parts] = machineOfRow(cards, kind, seed);
    resolve(build, parts, { alternatives: 0, maxNodes: MOST_NODES });
    peak = Math.max(peak, process.memoryUsage().rss);
  }
console.log(Math.round(peak / 2 ** 20));
