import { rmSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import { BuildStore } from '../src/lib/server/builds';
import { ShelfStore } from '../src/lib/server/shelf';
import { openDatabase } from '../src/lib/server/database';
import { writeBuildFile } from '../src/lib/formats';
import { benchMachine } from '../tests/support/bench-machines';
import { Bench } from '../tests/support/browser';
import { demo, parts } from '../tests/support/demo';
import { emptyFolder } from '../tests/support/store';
import { startServer } from '../tests/support/server';
import { ascending, at, ms, print } from './figures';

/** Fills a folder with a large library: so many builds of ten items each, and as many things on the shelf. */
async function library(folder: string, builds: number): Promise<void> {
  const db = await openDatabase(folder);
  const store = new BuildStore(db, [...parts.values()]);
  const kinds = ['plover', 'dunlin', 'turnstone'].map(demo);
  for (let i = 0; i < builds; i++) {
    const build = kinds[i % kinds.length];
    const spare = Array.from({ length: Math.max(0, 9 - build.items.length) }, (_, n) => ({
      ...build.items[n % build.items.length],
      id: `spare-${n}`,
      label: `Spare ${n + 1}`
    })).map(({ slot: _slot, ...item }) => item);
    const name = `${build.name} ${String(i + 1).padStart(3, '0')}`;
    await store.create({ ...build, id: `b${i}`, name, shelf: [...build.shelf, ...spare] }, 'bench');
  }
  const rows = Array.from(
    { length: builds * 10 },
    (_, i) => `harl-n8,Thing ${String(i + 1).padStart(4, '0')}`
  );
  await new ShelfStore(store).importCsv(`part,label\n${rows.join('\n')}\n`, true);
  await db.destroy();
}

/** Milliseconds from an input to the next frame that shows what came of it, as the browser times them. */
const watch = (page: Page) =>
  page.evaluate(() => {
    const seen = ((window as unknown as { seen: number[] }).seen = []);
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { interactionId: number })[])
        if (entry.interactionId) (seen as number[]).push(entry.duration);
    }).observe({ type: 'event', durationThreshold: 16, buffered: false } as PerformanceObserverInit);
  });
const seen = (page: Page) => page.evaluate(() => (window as unknown as { seen: number[] }).seen);

/** Script of the first load of the Lines page: what is fetched before it answers, and later besides. */
async function firstLoad(bench: Bench): Promise<void> {
  const { page, server } = bench;
  await page.setCacheEnabled(false);
  await bench.open('/builds/plover/lines');
  const scripts = await page.evaluate(() =>
    performance.getEntriesByType('resource').flatMap((entry) => {
      const { name, startTime, encodedBodySize } = entry as PerformanceResourceTiming;
      return name.endsWith('.js') ? [{ name, startTime, size: encodedBodySize }] : [];
    })
  );
  const answer = await fetch(`${server.url}/builds/plover/lines`);
  // What the answer itself names is its first load; the rest comes when it is at work.
  const named = (answer.headers.get('link') ?? '') + (await answer.text());
  const first = scripts.filter((s) => named.includes(s.name.split('/').at(-1)!));
  const kB = async (list: typeof scripts) => {
    let gzip = 0;
    for (const { name } of list)
      gzip += gzipSync(Buffer.from(await (await fetch(name)).arrayBuffer())).length;
    return [list.reduce((sum, s) => sum + s.size, 0), gzip].map((n) => Math.round(n / 1000));
  };
  const [sent, gzip] = await kB(first);
  const [allSent, allGzip] = await kB(scripts);
  console.log(
    `script of the Lines page: first load ${sent} kB as sent (${gzip} kB gzip), with the solver, drawings and other stages that come after it ${allSent} kB (${allGzip} kB gzip)`
  );
}

/** Moves caps on a machine of twelve cards by keyboard, and times each to the next frame. */
async function interaction(bench: Bench): Promise<void> {
  const { page } = bench;
  const [build, own] = benchMachine(43, 12, 'adversarial');
  const { build: stored } = await bench.api<{ build: { id: string } }>(
    'POST',
    '/import',
    JSON.parse(writeBuildFile({ ...build, id: 'twelve', name: 'Twelve' }, own)) as object
  );
  await bench.open(`/builds/${stored.id}/lines`);
  // A person looks first; by then the page has loaded what it needs later.
  await new Promise((done) => setTimeout(done, 4000));
  await watch(page);
  const caps = await page.$$('g.is-cap:not(.fixed)');
  for (let round = 0; round < 3; round++)
    for (const cap of caps) {
      await cap.evaluate((e) => (e as unknown as SVGElement).focus());
      for (const key of ['ArrowRight', 'ArrowLeft'] as const) {
        await page.keyboard.down('Shift');
        await page.keyboard.press(key);
        await page.keyboard.up('Shift');
        await new Promise((done) => setTimeout(done, 60));
      }
    }
  // Faster than 16 ms is not reported by the browser.
  const durations = ascending(await seen(page));
  const total = caps.length * 3 * 2;
  console.log(
    `a jumper moved on a build of ${build.items.length} cards, to the next paint: median ${durations.length < total / 2 ? 'under 16' : ms(at(durations, 0.5))} ms, p98 ${ms(at(durations, 0.98))} ms, slowest ${ms(durations.at(-1) ?? 16)} ms, of ${total} moves`
  );
}

async function lists(): Promise<void> {
  const folder = emptyFolder();
  await library(folder, 500);
  const server = await startServer({ folder });
  const bench = new Bench();
  const table = [['500 builds, 5,000 items, 5,000 things', 'ms']];
  const time = async (name: string, work: () => Promise<unknown>) => {
    const took: number[] = [];
    for (let i = 0; i < 5; i++) {
      const start = performance.now();
      await work();
      took.push(performance.now() - start);
    }
    table.push([name, ms(at(ascending(took), 0.5))]);
  };
  try {
    const get = (path: string) => async () => (await fetch(`${server.url}/api/v1${path}`)).text();
    await time('builds', get('/builds'));
    await time('builds that match', get('/builds?q=plover 2'));
    await time('items that match', get('/items?q=digit 499'));
    await time('things that match', get('/shelf?q=thing 499'));
    await bench.startOn(server);
    await bench.begin();
    await time('the page of builds, until it is at work', () =>
      bench.page.goto(server.url, { waitUntil: 'load' })
    );
    await bench.open('/shelf');
    await watch(bench.page);
    await bench.page.focus('#shelf-query');
    const start = performance.now();
    await bench.page.keyboard.type('thing 4911');
    await bench.page.waitForFunction(() => document.querySelectorAll('main a.what').length === 1);
    table.push([
      'ten letters typed into the search of the shelf, until the one thing shows',
      ms(performance.now() - start)
    ]);
    table.push(['slowest letter to the next paint', ms(Math.max(16, ...(await seen(bench.page))))]);
    await bench.end(false);
  } finally {
    await bench.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  print(table);
}

/** What a person waits for: script to load, a move to show, a long list. */
export async function benchScreen(): Promise<void> {
  const bench = new Bench();
  await bench.start();
  try {
    await bench.begin();
    await firstLoad(bench);
    await interaction(bench);
    await bench.end(false);
  } finally {
    await bench.stop();
  }
  await lists();
}
