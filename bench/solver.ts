import { resolve, type Resolution } from '../src/lib/core/solver';
import type { Build, PartSet } from '../src/lib/core/model';
import { benchMachine } from '../tests/support/bench-machines';
import { solveMilp } from '../tests/support/milp';

import { at, ascending, ms, print } from './figures';

interface Row {
  cards: number;
  adversarial: boolean;
  solved: number[];
  impossible: number[];
  stopped: number;
  /** Machines that the general solver gets, with our time. */
  sample: { build: Build; parts: PartSet; took: number }[];
}

function time(build: Build, parts: PartSet, runs: number): { took: number; result: Resolution } {
  let took = Infinity;
  let result: Resolution;
  for (let i = 0; i < runs; i++) {
    const start = performance.now();
    result = resolve(build, parts, { alternatives: 0 });
    took = Math.min(took, performance.now() - start);
  }
  return { took, result: result! };
}

/**
 * Times `resolve` on seeded machines, so many in each row; the general solver gets some of them as
 * well (none at 20 cards, where it takes minutes). Each machine is solved three times (once at 20
 * cards) and the fastest counts, since other work on the computer only ever adds. Impossible rows
 * include the core and up to six relaxations.
 */
export async function benchSolver(PER_ROW = 60, GENERAL = 4): Promise<void> {
  for (let seed = 1; seed < 40; seed++) time(...benchMachine(seed, 8, seed % 2 === 0), 1);
  let peak = 0;
  const rows: Row[] = [];
  for (const adversarial of [false, true])
    for (const cards of [4, 8, 12, 20]) {
      const row: Row = { cards, adversarial, solved: [], impossible: [], stopped: 0, sample: [] };
      const large = cards > 12;
      for (let seed = 1; seed <= (large ? PER_ROW / 3 : PER_ROW); seed++) {
        const [build, parts] = benchMachine(seed * 31 + cards, cards, adversarial);
        const { took, result } = time(build, parts, large ? 1 : 3);
        if (result.status === 'stopped') row.stopped++;
        else row[result.status].push(took);
        if (result.status === 'solved' && !large && row.sample.length < GENERAL)
          row.sample.push({ build, parts, took });
        peak = Math.max(peak, process.memoryUsage().rss);
      }
      rows.push(row);
      process.stderr.write(`${cards} cards${adversarial ? ', adversarial' : ''}: done\n`);
    }

  const table = [['machine', 'answer', 'n', 'median ms', 'p99 ms', 'general solver', 'stopped']];
  for (const row of rows) {
    const ratios: number[] = [];
    for (const { build, parts, took } of row.sample) {
      const start = performance.now();
      await solveMilp(build, parts, false);
      ratios.push((performance.now() - start) / took);
    }
    for (const kind of ['solved', 'impossible'] as const) {
      const sorted = ascending(row[kind]);
      table.push([
        `${row.cards} cards${row.adversarial ? ', adversarial' : ''}`,
        kind,
        String(sorted.length),
        ms(at(sorted, 0.5)),
        ms(at(sorted, 0.99)),
        kind === 'solved' && ratios.length ? `${Math.round(at(ascending(ratios), 0.5))}× slower` : '',
        row.stopped ? String(row.stopped) : ''
      ]);
    }
  }
  print(table);
  console.log(`peak memory of our own runs: ${Math.round(peak / 2 ** 20)} MB resident`);
}
