import { resolve, type Resolution } from '../src/lib/core/solver';
import type { Build, PartSet } from '../src/lib/core/model';
import { benchMachine, type BenchKind } from '../tests/support/bench-machines';
import { solveMilp } from '../tests/support/milp';

import { at, ascending, ms, print } from './figures';

interface Row {
  cards: number;
  kind: BenchKind;
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
    result = resolve(build, parts, { alternatives: 0, maxNodes: MOST_NODES });
    took = Math.min(took, performance.now() - start);
  }
  return { took, result: result! };
}

/** Cards and kinds of each row. */
const ROWS: readonly [cards: number, kind: BenchKind][] = [
  [4, 'plain'],
  [8, 'plain'],
  [12, 'plain'],
  [20, 'plain'],
  [4, 'adversarial'],
  [8, 'adversarial'],
  [12, 'adversarial'],
  [20, 'adversarial'],
  [30, 'adversarial'],
  [20, 'roomy'],
  [30, 'roomy'],
  [12, 'coupled'],
  [14, 'coupled']
];
/** A search ends there and says how good its answer is for certain. */
const MOST_NODES = 60_000;

/**
 * Times `resolve` on seeded machines, so many in each row; the general solver gets some of them as well. Each machine is
 * solved three times (once from 20 cards on) and the fastest counts, since other work on the computer only ever adds.
 * Impossible rows include the core and up to six relaxations.
 */
export async function benchSolver(PER_ROW = 60, GENERAL = 4): Promise<void> {
  for (let seed = 1; seed < 40; seed++)
    time(...benchMachine(seed, 8, seed % 2 === 0 ? 'adversarial' : 'plain'), 1);
  let peak = 0;
  const rows: Row[] = [];
  for (const [cards, kind] of ROWS) {
    const row: Row = { cards, kind, solved: [], impossible: [], stopped: 0, sample: [] };
    const large = cards > 14;
    for (let seed = 1; seed <= (large ? PER_ROW / 3 : PER_ROW); seed++) {
      const [build, parts] = benchMachine(seed * 31 + cards, cards, kind);
      const { took, result } = time(build, parts, large ? 1 : 3);
      if (result.status === 'stopped' || (result.status === 'solved' && !result.optimal)) row.stopped++;
      if (result.status !== 'stopped') row[result.status].push(took);
      if (result.status === 'solved' && result.optimal && row.sample.length < GENERAL)
        row.sample.push({ build, parts, took });
      peak = Math.max(peak, process.memoryUsage().rss);
    }
    rows.push(row);
    process.stderr.write(`${cards} cards, ${kind}: done\n`);
  }

  const table = [['machine', 'answer', 'n', 'median ms', 'p99 ms', 'general solver', 'not proved']];
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
        `${row.cards} cards${row.kind === 'plain' ? '' : `, ${row.kind}`}`,
        kind,
        String(sorted.length),
        ms(at(sorted, 0.5)),
        ms(at(sorted, 0.99)),
        kind === 'solved' && ratios.length
          ? `${(Math.round(at(ascending(ratios), 0.5) * 10) / 10).toLocaleString('en')}× ours`
          : '',
        row.stopped ? String(row.stopped) : ''
      ]);
    }
  }
  print(table);
  console.log(`peak memory of our own runs: ${Math.round(peak / 2 ** 20)} MB resident`);
}
