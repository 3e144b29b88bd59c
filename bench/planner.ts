import { indexed, searchParts } from '../src/lib/core/catalogue';
import { Brief, type Part, type Profile } from '../src/lib/core/model';
import { plan, search } from '../src/lib/core/planner';
import { readCatalogue, readSoftware } from '../src/lib/server/catalogue';
import { demoShelf } from '../tests/support/demo';
import { at, ascending, ms, print } from './figures';

const briefs: [string, string, string[], Brief['wishes']?][] = [
  ['1986-05', 'DOS 3.2', ['berth-ledger', 'quayword', 'lantern-keep']],
  ['1989-05', 'DOS 3.3', ['saltmarsh', 'kestrel-one', 'column-nine']],
  ['1991-06', 'DOS 5', ['petrel', 'night-ferry', 'ostler'], [{ kind: 'have', what: 'network' }]],
  ['1993-10', 'DOS 6.22', ['tern', 'wavebound', 'ebbsong'], [{ kind: 'have', what: 'scsi' }]],
  ['1994-05', 'DOS 6.22', ['deep-cellar-2', 'cliff-rescue', 'notestand']],
  ['1998-05', 'Windows 98', ['skuas-3d', 'storm-petrel-3', 'ember-halls']]
];

/** The catalogue made larger: the same parts again under other names, prices and years. */
function grown(parts: readonly Part[], most: number): Part[] {
  const out = [...parts];
  for (let n = 2; out.length < most; n++)
    for (const part of parts) {
      if (out.length >= most) break;
      const price = part.price && { low: part.price.low + n, high: part.price.high + 2 * n };
      const sold = part.sold && { ...part.sold, from: part.sold.from + (n % 2) };
      out.push({
        ...part,
        id: `${part.id.slice(0, 58)}-v${n}`,
        name: `${part.name} ${n}`,
        ...(price ? { price } : {}),
        ...(sold ? { sold } : {})
      });
    }
  return out;
}

/** Times plans for six briefs at several sizes of the catalogue, and a search typed into a large one. */
export async function benchPlanner(): Promise<void> {
  const [parts, software] = [readCatalogue(), readSoftware()];
  const briefOf = ([date, os, ids, wishes]: (typeof briefs)[number]) =>
    Brief.parse({
      date,
      os,
      wishes,
      profiles: ids.map((id) => software.find((p) => p.id === id)!) satisfies Profile[]
    });
  const table = [['parts', 'shelf', 'brief', 'best ms', 'all plans ms', 'plans', 'machines', 'proved']];
  for (const [size, shelf] of [
    [parts.length, []],
    [parts.length, demoShelf()],
    [2000, []]
  ] as const) {
    const all = grown(parts, size);
    for (const told of briefs) {
      const request = { brief: briefOf(told), parts: all, shelf };
      const start = performance.now();
      const best = search(request);
      const middle = performance.now();
      const front = plan(request);
      table.push([
        String(size),
        String(shelf.length),
        `${told[0]} ${told[1]}`,
        ms(middle - start),
        ms(performance.now() - middle),
        String(front.plans.length),
        String(front.machines),
        best.exact ? 'yes' : 'stopped'
      ]);
    }
  }
  print(table);
  const large = grown(parts, 5000).map(indexed);
  const times = ['sound', 'irq 10', 'irq 10 dma 3 in 1993', 'brimwell vga', 'nothing of it'].flatMap((q) =>
    Array.from({ length: 40 }, () => {
      const start = performance.now();
      searchParts(large, { q });
      return performance.now() - start;
    })
  );
  const sorted = ascending(times);
  console.log(`search in 5,000 parts: median ${ms(at(sorted, 0.5))} ms, p99 ${ms(at(sorted, 0.99))} ms`);
}
