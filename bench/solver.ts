import { spawnSync } from 'node:child_process';
import { resolve, type Resolution } from '../src/lib/core/solver';
import type { Build, PartSet } from '../src/lib/core/model';
import { benchMachine, type BenchKind } from '../tests/support/bench-machines';
import { solveMilp } from '../tests/support/milp';

import { at, ascending, ms, print } from './figures';
import { LARGE, MOST_NODES, ROWS, machineOfRow } from './solver-rows';

/** The heap in which the large machines are solved once more. */
const HEAP_MB = 96;

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

/**
 * Times `resolve` on seeded machines, so many in each row; the general solver gets some of them as well. Each machine is
 * solved three times (once from 20 cards on) and the fastest counts, since other work on the computer only ever adds.
 * Impossible rows include the core and up to six relaxations.
 */
export async function benchSolver(PER_ROW = 60, GENERAL = 4): Promise<void> {
  for (let seed = 1; seed < 40; seed++)
    time(...benchMachine(seed, 8, seed % 2 === 0 ? 'adversarial' : 'plain'), 1);
  const rows: Row[] = [];
  for (const of of ROWS) {
    const [cards, kind] = of;
    const row: Row = { cards, kind, solved: [], impossible: [], stopped: 0, sample: [] };
    const large = LARGE.includes(of);
    for (let seed = 1; seed <= (large ? PER_ROW / 3 : PER_ROW); seed++) {
      const [build, parts] = machineOfRow(cards, kind, seed);
      const { took, result } = time(build, parts, large ? 1 : 3);
      if (result.status === 'stopped' || (result.status === 'solved' && !result.optimal)) row.stopped++;
      if (result.status !== 'stopped') row[result.status].push(took);
      if (result.status === 'solved' && result.optimal && row.sample.length < GENERAL)
        row.sample.push({ build, parts, took });
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
  const flags = [`--max-old-space-size=${HEAP_MB}`, '--max-semi-space-size=4'];
  const memory = spawnSync(process.execPath, [...flags, '--import', 'tsx', 'bench/memory.ts'], {
    encoding: 'utf8'
  });
  console.log(
    `the large machines in a heap of ${HEAP_MB} MB: ${memory.status ? 'not enough' : `${memory.stdout.trim()} MB resident at most`}`
  );
}
