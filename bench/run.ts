import { resolve, type ResolveOptions } from '../src/lib/core/solver';
import type { Build, PartSet } from '../src/lib/core/model';
import { benchMachine } from '../tests/support/bench-machines';
import { solveMilp } from '../tests/support/milp';

/**
 * Times `resolve` on seeded machines: `npm run bench`. Options: machines per row (default 60) and
 * how many of them the general solver gets as well (default 5; it is left out at 20 cards, where it
 * takes minutes). The impossible rows include the core and up to six relaxations.
 */
const PER_ROW = Number(process.argv[2] ?? 60);
const GENERAL = Number(process.argv[3] ?? 5);

const at = (sorted: number[], q: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * q))] ?? NaN;
const ms = (x: number) => (Number.isNaN(x) ? '–' : x < 10 ? x.toFixed(2) : x.toFixed(0));

function time(build: Build, parts: PartSet, options: ResolveOptions) {
  const start = performance.now();
  const result = resolve(build, parts, options);
  return { took: performance.now() - start, result };
}

const rows: string[][] = [];
let peak = 0;
for (const adversarial of [false, true])
  for (const cards of [4, 8, 12, 20]) {
    const times = { solved: [] as number[], impossible: [] as number[] };
    const ratios: number[] = [];
    let stopped = 0;
    let general = 0;
    for (let i = 0; i < 3; i++) time(...benchMachine(1, cards, adversarial), {});
    for (let seed = 1; seed <= (cards > 12 ? PER_ROW / 3 : PER_ROW); seed++) {
      const [build, parts] = benchMachine(seed * 31 + cards, cards, adversarial);
      const { took, result } = time(build, parts, { alternatives: 0 });
      if (result.status === 'stopped') {
        stopped++;
        continue;
      }
      times[result.status].push(took);
      if (result.status === 'solved' && cards <= 12 && general < GENERAL) {
        general++;
        const start = performance.now();
        await solveMilp(build, parts, false);
        ratios.push((performance.now() - start) / took);
      }
      peak = Math.max(peak, process.memoryUsage().rss);
    }
    for (const kind of ['solved', 'impossible'] as const) {
      const sorted = times[kind].sort((a, b) => a - b);
      rows.push([
        `${cards} cards${adversarial ? ', adversarial' : ''}`,
        kind,
        String(sorted.length),
        ms(at(sorted, 0.5)),
        ms(at(sorted, 0.99)),
        kind === 'solved' && ratios.length
          ? `${Math.round(
              at(
                [...ratios].sort((a, b) => a - b),
                0.5
              )
            )}×`
          : '',
        stopped ? String(stopped) : ''
      ]);
    }
  }

const head = ['machine', 'answer', 'n', 'median ms', 'p99 ms', 'general solver', 'stopped'];
const width = head.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i].length)));
for (const row of [head, ...rows]) console.log(row.map((c, i) => c.padEnd(width[i])).join('  '));
console.log(`peak memory ${Math.round(peak / 2 ** 20)} MB (resident, with the general solver's own)`);
