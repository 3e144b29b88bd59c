import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import { bootPlan, expectationOf } from '../src/lib/core/boot';
import { checkFiles } from '../src/lib/core/boot-files';
import { diagnoseMachine } from '../src/lib/core/diagnosis';
import { kitOf } from '../src/lib/core/kit';
import { Build, partSet } from '../src/lib/core/model';
import { place, placeBest, type Line } from '../src/lib/core/placement';
import { readCatalogue } from '../src/lib/server/catalogue';
import { spread, timed } from './figures';

const root = join(import.meta.dirname, '..');

/** A number that follows from a seed: the same cases at every run. */
function seeded(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * below);
  };
}

/** Lines and regions as a crowded start has them: room for 95 % of what stays. */
function crowded(seed: number, items: number, count: number): { lines: Line[]; regions: number[] } {
  const below = seeded(seed);
  const lines = Array.from({ length: items }, (_, i): Line => {
    const stay = 1000 + below(30_000);
    return {
      name: `l${i}`,
      stage: i < items / 2 ? 0 : 1,
      load: stay + below(30_000),
      stay,
      after: i % 4 === 3 ? [`l${i - 1}`] : [],
      high: true,
      movesItself: below(8) === 0
    };
  });
  const room = lines.reduce((s, l) => s + l.stay, 0) * 0.95;
  const shares = Array.from({ length: count }, () => 0.3 + below(100) / 100);
  const all = shares.reduce((a, b) => a + b, 0);
  return { lines, regions: shares.map((s) => Math.floor((room * s) / all)) };
}

/** What Memory, Boot and Start compute while somebody looks. */
export function benchBoot(): Promise<void> {
  for (const [items, count] of [
    [8, 2],
    [12, 4],
    [14, 6]
  ] as const) {
    let cut = 0;
    const times = Array.from({ length: 60 }, (_, i) => {
      const { lines, regions } = crowded(i + 1, items, count);
      return timed(() => {
        if (place(lines, regions).status !== 'optimal') cut++;
      });
    });
    console.log(
      `place ${items} lines in ${count} regions, crowded: ${spread(times)}; cut off ${cut} of ${times.length}`
    );
  }
  let open = 0;
  const layoutTimes = Array.from({ length: 40 }, (_, i) => {
    const { lines } = crowded(i + 1, 14, 6);
    const layouts = Array.from({ length: 100 }, (__, k) => ({
      freeBytes: 600 * 1024,
      regions: crowded(i * 100 + k + 500, 14, 6).regions
    }));
    return timed(() => {
      if (placeBest(lines, layouts)?.placement.status !== 'optimal') open++;
    });
  });
  console.log(
    `the best of 100 layouts for 14 lines in 6 regions: ${spread(layoutTimes)}; not proved ${open} of ${layoutTimes.length}`
  );
  const parts = partSet(readCatalogue(join(root, 'catalogue')));
  const builds = (JSON.parse(readFileSync(join(root, 'demo', 'builds.json'), 'utf8')) as unknown[]).map((b) =>
    Build.parse(b)
  );
  for (const build of builds.slice(0, 5)) {
    const kit = kitOf(build, parts);
    const machine = expectationOf(kit);
    const files =
      'DEVICE=C:\\DOS\\HIMEM.SYS\nDEVICE=C:\\DOS\\EMM386.EXE RAM\nDOS=HIGH,UMB\nFILES=30\n'.repeat(20);
    const start = {
      at: new Date(0).toISOString(),
      power: 'runs' as const,
      beeps: '3',
      screen: 'dark' as const
    };
    const runs = <T>(work: () => T) => spread(Array.from({ length: 40 }, () => timed(work)));
    console.log(
      `${build.id.padEnd(12)} plan ${runs(() => bootPlan(kit))}; 80 lines checked ${runs(() => checkFiles(files, '', machine))}; diagnosis ${runs(() => diagnoseMachine(build, parts, [start]))}`
    );
  }
  return Promise.resolve();
}
