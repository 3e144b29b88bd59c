import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { dipLooks, dipScene, draw } from '../support/blocks';
import { press, sees, until, upload, useBench } from '../support/browser';
import { Seeded } from '../support/random';

interface Build {
  build: {
    board: { asFound: Record<string, string>; chosen: Record<string, string> };
    done?: Record<string, { at: string; text: string }>;
    teardown?: Record<string, { what: string; back?: string }>;
    pins?: Record<string, string>;
    items: { id: string; part: string; place?: string; count?: number }[];
  };
}

describe('switches and the bench', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const saved = (id: string) => bench.api<Build>('GET', `/builds/${id}`);
  const board = async (id: string) => (await saved(id)).build.board;
  const fill = async (selector: string, words: string) => {
    await page.waitForSelector(selector);
    await page.$eval(selector, (e) => ((e as HTMLInputElement).value = ''));
    await page.type(selector, words);
  };
  const within = (region: string) => `[aria-label="${region}"]`;

  it('records a block by its levers, by a typed row, and takes it back', async () => {
    await bench.open('/builds/dunlin/switches');
    await sees(page, 'Record these before touching them');
    const sw2 = within('PX8 SW2');
    await fill(`${sw2} input`, 'on off sideways');
    await page.keyboard.press('Enter');
    await sees(page, '"sideways" is not a side of a switch');
    expect(await page.$eval(`${sw2} input`, (e) => (e as HTMLInputElement).value)).to.equal(
      'on off sideways'
    );
    await fill(`${sw2} input`, 'on off on on off off off off');
    await page.keyboard.press('Enter');
    await sees(page, 'Every block is written down.');
    await until(async () => (await board('dunlin')).asFound.total === '640');
    // From the keyboard: one lever to the other side, and it reads otherwise.
    await page.$eval(`${sw2} g[role="button"][aria-label^="switch 2"]`, (e) => (e as SVGGElement).focus());
    await page.keyboard.press('Enter');
    await sees(page, 'not looked at');
    await page.keyboard.press('Enter');
    await sees(page, '576 KiB');
    await until(async () => (await board('dunlin')).asFound.total === '576');
    await bench.reload();
    await sees(page, '576 KiB');
    await press(page, 'Forget what was recorded of SW2');
    await until(async () => (await board('dunlin')).asFound.total === undefined);
    await press(page, 'Undo');
    await until(async () => (await board('dunlin')).asFound.total === '576');
  });

  it('lists what differs, worst first, and a tick makes it the new as found', async () => {
    await bench.open('/builds/dunlin/switches?view=moves');
    await sees(page, 'Floppy drives');
    await sees(page, 'it takes up a drive letter');
    await press(page, 'as asked');
    await until(async () => (await board('dunlin')).chosen.floppies === 'one');
    await page.click('input[aria-label^="Done: PX8 Floppy drives"]');
    await until(async () => (await board('dunlin')).asFound.floppies === 'one');
    const { build } = await saved('dunlin');
    expect(Date.now() - Date.parse(build.done!['board/floppies'].at)).to.be.lessThan(60_000);
    await press(page, 'Take back');
    await until(async () => (await board('dunlin')).asFound.floppies === 'two');
    await sees(page, 'change together: SW1, SW2');
  });

  it('shows bus, multiplier and core, and what each row of the table would do', async () => {
    await bench.open('/builds/sanderling/switches?view=clock');
    await sees(page, 'right for this CPU');
    await sees(page, 'too fast: it freezes');
    await sees(page, '33.3 MHz ÷ 4');
  });

  it('decodes and encodes a board without a build, over a reload', async () => {
    await bench.open('/decode?part=skerrin-px8');
    await sees(page, 'Nothing is set yet');
    await fill('input[aria-label="Row of SW1"]', '1:off 2:on 5:off 6:off');
    await page.keyboard.press('Tab');
    await sees(page, 'First display: monochrome');
    await page.select('select[aria-label="Meaning of Memory in all"]', '640');
    await sees(page, 'Memory in all: 640 KiB');
    expect(await page.$eval('input[aria-label="Row of SW2"]', (e) => (e as HTMLInputElement).value)).to.equal(
      'on off on on off off off off'
    );
    await bench.reload();
    await sees(page, 'Memory in all: 640 KiB');
    await fill('input[aria-label="Row of SW1"]', '9:on');
    await page.keyboard.press('Tab');
    await sees(page, 'there is no switch 9');
    await sees(page, 'First display: monochrome');
  });

  it('works out a board that is half documented, and makes a part of it', async () => {
    await bench.open('/notebook?id=slipway-486');
    await sees(page, 'sources disagree');
    // Nothing is proposed before somebody read the chip.
    await sees(page, 'Read the clock off the CPU first');
    await page.type('.rating input', '40');
    await sees(page, 'Read the clock off the CPU first');
    await page.select('.rating select', 'core');
    await sees(page, 'A core clock alone is not enough');
    await page.select('.rating select', 'bus');
    await sees(page, 'The next higher: no source puts it above 40');
    await bench.open('/notebook?id=loft-xt');
    await sees(page, 'The next safe try');
    const before = await page.$eval('.next .change b', (e) => e.textContent);
    await press(page, 'Copy this setting below');
    await page.select('fieldset select', '2');
    await press(page, 'Write down this start');
    await page.waitForFunction(
      (b) => document.querySelector('.next .change b')?.textContent !== b,
      {},
      before
    );
    await until(async () => {
      const { notebooks } = await bench.api<{ notebooks: { notebook: { id: string; tries: object[] } }[] }>(
        'GET',
        '/notebooks'
      );
      return notebooks.find((n) => n.notebook.id === 'loft-xt')!.notebook.tries.length === 2;
    });
    await press(page, 'Open it as a part');
    await page.waitForFunction(() => location.pathname === '/catalogue/edit');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('input')].some((i) => i.value.includes('Loft XT'))
    );
    await bench.open('/notebook');
    await press(page, 'Start a new one');
    await fill('input[aria-label="Name of the block"]', 'SW9');
    await press(page, 'Add a block');
    await sees(page, 'SW9');
    await bench.reload();
    await page.select(
      '.bar select',
      (await page.$$eval('.bar option', (all) => all.map((o) => o.value))).at(-1)!
    );
    await sees(page, 'SW9');
  });

  it('plans memory to a count, from the shelf, and back from a count', async () => {
    await bench.open('/builds/plover/fit?view=memory');
    await fill('section input', '4 MiB');
    await sees(page, 'counts 7808 KiB');
    await press(page, 'Use this layout: 8 MiB');
    await until(async () => (await saved('plover')).build.items.filter((i) => i.place).length === 2);
    await fill('section input', 'much');
    await sees(page, '"much" is not understood');
    await page.evaluate(() =>
      [...document.querySelectorAll('section')]
        .find((s) => s.innerText.includes('What does the count tell'))!
        .querySelector('input')!
        .focus()
    );
    await page.keyboard.type('3712');
    await sees(page, '4 MiB fitted');
    await page.type('input[placeholder^="9 ×"]', '8 × 256K');
    await sees(page, 'The marking does not say the width');
  });

  it('ticks the sheet, writes down cables and taking apart', async () => {
    await bench.open('/builds/sanderling/bench');
    await sees(page, 'A leaked battery is caustic');
    const box = '.steps .body input[type="checkbox"]';
    await page.click(box);
    await page.waitForSelector('.steps li.struck');
    await until(async () => Object.keys((await saved('sanderling')).build.done ?? {}).length === 1);
    await page.click(`${box}:checked`);
    await until(async () => (await saved('sanderling')).build.done === undefined);
    await press(page, 'Cables');
    await fill('input[aria-label="What is on JP5"]', 'green and white, green at 1');
    await page.keyboard.press('Tab');
    await until(async () => (await saved('sanderling')).build.pins?.jp5 === 'green and white, green at 1');
    await press(page, 'Taking apart');
    for (const what of ['cover', 'ribbon of the card']) {
      await fill('#apart-what', what);
      await page.keyboard.press('Enter');
      await sees(page, `Still off`);
    }
    const order = await page.$$eval('section:last-child ol label', (all) =>
      all.map((l) => l.textContent?.trim())
    );
    expect(order.map((o) => /ribbon|cover/.exec(o!)?.[0])).to.deep.equal(['ribbon', 'cover']);
    await page.click('input[aria-label="ribbon of the card is back on"]');
    await until(async () =>
      Object.values((await saved('sanderling')).build.teardown ?? {}).some((s) => s.back !== undefined)
    );
  });

  it('goes on with the server gone: the page opens again, ticks are kept and sent when it is back', async () => {
    await bench.throughWorker();
    await bench.open('/builds/dunlin/bench');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await page.waitForFunction(
      async () =>
        (await Promise.all(
          ['bench', 'memory', 'boot', 'start'].map((stage) => caches.match(`/builds/dunlin/${stage}`))
        ).then((kept) => kept.every((page) => page !== undefined))) &&
        navigator.serviceWorker.controller !== null
    );
    // Saved while the server is there, and after the page was kept.
    await page.evaluate(() => document.querySelector<HTMLInputElement>('.steps > li > input')!.click());
    await until(async () => Object.keys((await saved('dunlin')).build.done ?? {}).length === 1);
    await bench.server.stop('SIGKILL');
    await page.goto(`${bench.server.url}/builds/dunlin/bench`);
    await sees(page, 'The server does not answer');
    await page.waitForFunction(() => document.querySelectorAll('.steps input:checked').length === 1);
    await page.evaluate(() =>
      document.querySelectorAll<HTMLInputElement>('.steps input:not(:checked)')[0].click()
    );
    await page.waitForFunction(() => document.querySelectorAll('.steps input:checked').length === 2);
    await page.goto(`${bench.server.url}/builds/dunlin/bench`);
    await page.waitForFunction(() => document.querySelectorAll('.steps input:checked').length === 2);
    for (const stage of ['memory', 'boot', 'start']) {
      await page.goto(`${bench.server.url}/builds/dunlin/${stage}`);
      await sees(page, 'The server does not answer');
      await page.waitForFunction(() => document.querySelector('main')!.innerText.length > 400);
    }
    await bench.server.restart();
    await until(async () => Object.keys((await saved('dunlin')).build.done ?? {}).length === 2);
    bench.complaints.splice(0);
  });

  it('reads a block from a photograph: corners by tap, doubtful ones by hand, the rest as found', async () => {
    const { default: sharp } = await import('sharp');
    const up = [true, false, true, true, false, false, true, false];
    const trouble = { turn: 4, tilt: 0.08, blur: 1, noise: 3, shadow: false, glare: false, miss: 0 };
    const { width, height, rgb, corners } = draw(
      dipScene(dipLooks[0]!, up, 0.28),
      8 / 2.6,
      trouble,
      new Seeded(9)
    );
    const image = join(mkdtempSync(join(tmpdir(), 'yj-photo-')), 'block.png');
    await sharp(Buffer.from(rgb), { raw: { width, height, channels: 3 } })
      .png()
      .toFile(image);
    await bench.open('/builds/dunlin/switches');
    await upload(page, '#board-sw1 input[type="file"]', image);
    await sees(page, 'Tap the top left corner of the block');
    await page.$eval('#board-sw1 .picture', (e) => e.scrollIntoView({ block: 'center' }));
    const box = (await page.$eval('#board-sw1 canvas', (e) => {
      const { left, top, width: w } = e.getBoundingClientRect();
      return { left, top, scale: w / (e as HTMLCanvasElement).width };
    })) as { left: number; top: number; scale: number };
    for (const p of corners) await page.mouse.click(box.left + p.x * box.scale, box.top + p.y * box.scale);
    await sees(page, 'Record this reading');
    await press(page, 'Record this reading');
    const saved = async () =>
      (
        (await bench.saved('dunlin')).build as unknown as {
          board: { seen?: Record<string, { switches?: Record<string, string> }> };
        }
      ).board.seen?.sw1?.switches ?? {};
    await until(async () => Object.keys(await saved()).length >= 6);
    for (const [n, state] of Object.entries(await saved()))
      expect(state, `switch ${n}`).to.equal(up[Number(n) - 1] ? 'on' : 'off');
    // The block stays with its reading, cut out, and comes again with the page.
    await bench.reload();
    await sees(page, 'Read from a photograph on');
    await page.waitForFunction(() => {
      const cut = document.querySelector<HTMLImageElement>('#board-sw1 figure img');
      return cut !== null && cut.naturalWidth > 100 && cut.naturalHeight > 20;
    });
  });
});
