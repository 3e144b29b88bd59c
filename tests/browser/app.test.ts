import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import {
  caps,
  openPage,
  press,
  sees,
  startChromium,
  startServer,
  type Chromium,
  type Running
} from '../support/browser';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Serious findings of the accessibility checker, as `rule: place`. */
async function violations(page: Page): Promise<string[]> {
  // Injected by the debugger, so the page's own policy stays as strict as it is.
  await page.evaluate(axe);
  return page.evaluate(async () => {
    const { axe: checker } = window as unknown as {
      axe: {
        run(): Promise<{ violations: { id: string; impact: string; nodes: { target: string[] }[] }[] }>;
      };
    };
    const { violations: found } = await checker.run();
    return found
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
  });
}

describe('the application in a browser', function () {
  this.timeout(120_000);
  let server: Running;
  let chromium: Chromium;
  let page: Page;
  let complaints: string[];
  const open = async (path: string) => {
    await page.goto(server.url + path, { waitUntil: 'networkidle0' });
  };
  const saved = async (id: string) =>
    (await (await fetch(`${server.url}/api/v1/builds/${id}`)).json()) as {
      build: { items: { id: string; slot?: string; chosen: Record<string, string> }[] };
      head: number;
    };
  const until = async (what: () => Promise<boolean>) => {
    for (let i = 0; i < 80; i++) {
      if (await what()) return;
      await new Promise((done) => setTimeout(done, 100));
    }
    throw new Error('did not happen');
  };
  const capOf = (label: string) => async () => (await caps(page)).some((c) => c.includes(label));

  before(async () => {
    server = await startServer();
    chromium = await startChromium();
  });
  beforeEach(async () => {
    ({ page, complaints } = await openPage(chromium.browser));
  });
  afterEach(async () => {
    await page.close();
    expect(complaints, 'console').to.deep.equal([]);
  });
  after(async () => {
    await chromium?.close();
    await server?.stop();
    if (server) rmSync(server.folder, { recursive: true, force: true });
  });

  it('opens the demo, sees the clashes, resolves, takes the plan, undoes, and keeps it over a reload', async () => {
    await open('/');
    await press(page, 'Plover');
    await sees(page, 'IRQ 5 is driven twice');
    expect((await caps(page)).filter((c) => c.includes('clash'))).to.have.length(4);
    await page.keyboard.press('r');
    await sees(page, '3 settings to move');
    await sees(page, 'Alternative 2');
    expect(
      (await saved('plover')).build.items.every((i) => Object.keys(i.chosen).length === 0),
      'nothing taken yet'
    ).to.equal(true);
    await press(page, 'Take this plan');
    await sees(page, 'No clash');
    await until(async () =>
      (await saved('plover')).build.items.some((i) => Object.keys(i.chosen).length > 0)
    );
    await page.reload({ waitUntil: 'networkidle0' });
    await sees(page, 'No clash');
    await press(page, 'Undo');
    await sees(page, '3 clashes');
    await page.reload({ waitUntil: 'networkidle0' });
    await sees(page, '3 clashes');
    await press(page, 'Redo');
    await sees(page, 'No clash');
    await press(page, 'Bench sheet');
    await sees(page, 'Take HA-15 out of slot 5');
    await sees(page, 'Unplug the mains lead');
    expect(await violations(page)).to.deep.equal([]);
  });

  it('leaves everything as it is when a plan is not taken', async () => {
    const before = await saved('dunlin');
    await open('/builds/dunlin/lines');
    await page.keyboard.press('r');
    await sees(page, 'IRQ 7 shared');
    await page.keyboard.press('Escape');
    await sees(page, '1 clash');
    expect((await saved('dunlin')).head).to.equal(before.head);
  });

  it('moves a cap with the arrow keys, and re-checks', async () => {
    await open('/builds/dunlin/lines');
    const before = await saved('dunlin');
    await page.$eval('[data-mark="mouse/mouse/irq5"]', (e) => (e as SVGElement).focus());
    await page.keyboard.press('ArrowLeft');
    await until(capOf('bus mouse, IRQ 4'));
    await sees(page, 'IRQ 4 is driven twice');
    await until(async () => (await saved('dunlin')).head > before.head);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await sees(page, 'IRQ 5 is driven twice');
  });

  it('drags a cap, shows the check while it moves, and keeps where it is dropped', async () => {
    await open('/builds/dunlin/lines');
    const from = (await (await page.$('[data-mark="mouse/mouse/irq5"]'))!.boundingBox())!;
    const to = (await (await page.$('[data-mark="mouse/mouse/irq3"]'))!.boundingBox())!;
    const middle = (b: { x: number; y: number; width: number; height: number }): [number, number] => [
      b.x + b.width / 2,
      b.y + b.height / 2
    ];
    const head = (await saved('dunlin')).head;
    await page.mouse.move(...middle(from));
    await page.mouse.down();
    await page.mouse.move(...middle(to), { steps: 8 });
    await sees(page, 'IRQ 3 is driven twice');
    expect((await saved('dunlin')).head, 'not saved while it moves').to.equal(head);
    await page.mouse.up();
    await until(
      async () => (await saved('dunlin')).build.items.find((i) => i.id === 'mouse')!.chosen.irq === '3'
    );
    await press(page, 'Undo');
    await sees(page, 'IRQ 5 is driven twice');
  });

  it('says why a struck ring is struck', async () => {
    await open('/builds/turnstone/lines');
    await page.$eval('[data-mark="network/network/irq10"]', (e) => (e as SVGElement).focus());
    await sees(page, 'cannot be here, an 8-bit slot does not carry IRQ 10');
    await page.keyboard.press('Enter');
    await sees(page, 'Wherever the others go, it cannot');
    expect(await violations(page)).to.deep.equal([]);
  });

  it('leads an impossible machine to a solved one through a relaxation', async () => {
    await open('/builds/turnstone/lines');
    await page.keyboard.press('r');
    await sees(page, 'These cannot live together');
    await press(page, 'Move N16 to slot 5');
    await sees(page, 'to move');
    await press(page, 'Take this plan');
    await sees(page, 'No clash');
    await until(
      async () => (await saved('turnstone')).build.items.find((i) => i.id === 'network')!.slot === '5'
    );
    await press(page, 'Bench sheet');
    await sees(page, 'Seat N16 in slot 5');
  });

  it('exports a build and opens it again', async () => {
    const text = await (await fetch(`${server.url}/api/v1/builds/dunlin/export`)).text();
    const file = join(server.folder, 'dunlin-copy.json');
    writeFileSync(file, text);
    await open('/');
    const picker = await page.$('#open-file');
    await (picker as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(file);
    await sees(page, 'IRQ 5 is driven twice');
    expect(page.url()).to.match(/dunlin-2\/lines$/);
    const again = await (await fetch(`${server.url}/api/v1/builds/dunlin-2/export`)).text();
    expect(again).to.equal(text.replace('"id": "dunlin"', '"id": "dunlin-2"'));
  });

  it('says what is wrong with a broken file and stores nothing', async () => {
    const count = async () =>
      ((await (await fetch(`${server.url}/api/v1/builds`)).json()) as { builds: unknown[] }).builds.length;
    const before = await count();
    const file = join(server.folder, 'broken.json');
    writeFileSync(file, '{"format": "yellow-jumper/build", "version": 1,');
    await open('/');
    await ((await page.$('#open-file')) as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(
      file
    );
    await sees(page, 'line 1, column');
    expect(await count()).to.equal(before);
    // The refusal itself is a failed request, which the console notes.
    complaints.splice(0);
  });

  it('makes a new build: board, cards by search, positions as found', async () => {
    await open('/builds/new');
    await press(page, 'Create and add cards');
    await sees(page, 'Give the machine a name');
    await page.type('#name', 'Sanderling desk');
    await page.type('#query', '386');
    await page.click('input[value="varnoc-d33"]');
    await press(page, 'Create and add cards');
    await sees(page, 'Add a card');
    await page.keyboard.press('/');
    await page.type('#part-query', 'scsi');
    await press(page, 'Add HA-15');
    await sees(page, 'Take out');
    await page.$eval('#part-query', (e) => ((e as HTMLInputElement).value = ''));
    await page.click('#part-query');
    await page.type('#part-query', 'codec');
    await press(page, 'Add Codec 44');
    await page.select('select[aria-label="Base as found"]', '604');
    await until(async () => {
      const { build } = (await (await fetch(`${server.url}/api/v1/builds/sanderling-desk`)).json()) as {
        build: { items: { asFound: Record<string, string> }[] };
      };
      return build.items.length === 2 && build.items[1].asFound.io === '604';
    });
    await page.reload({ waitUntil: 'networkidle0' });
    await sees(page, 'HA-15');
    expect(await violations(page)).to.deep.equal([]);
  });

  it('tells the second of two windows, and overwrites nothing in silence', async () => {
    await open('/builds/dunlin/lines');
    const other = await saved('dunlin');
    await fetch(`${server.url}/api/v1/builds/dunlin`, {
      method: 'PUT',
      body: JSON.stringify({ build: { ...other.build, notes: 'from elsewhere' }, base: other.head, note: '' })
    });
    await page.$eval('[data-mark="mouse/mouse/irq5"]', (e) => (e as SVGElement).focus());
    await page.keyboard.press('ArrowLeft');
    await sees(page, 'changed in another window');
    expect(((await saved('dunlin')).build as unknown as { notes: string }).notes).to.equal('from elsewhere');
    complaints.splice(0);
  });

  it('is clean for the accessibility checker, in both themes and at 390 pixels', async () => {
    for (const dark of [false, true]) {
      await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]);
      for (const path of ['/', '/builds/new', '/builds/plover/lines', '/builds/plover/parts']) {
        await open(path);
        expect(await page.$eval('html', (e) => e.classList.contains('dark'))).to.equal(dark);
        expect(await violations(page), `${path} ${dark ? 'dark' : 'light'}`).to.deep.equal([]);
      }
    }
    await page.setViewport({ width: 390, height: 844 });
    for (const path of ['/', '/builds/plover/lines', '/builds/plover/parts', '/builds/plover/bench']) {
      await open(path);
      expect(await page.evaluate(() => document.documentElement.scrollWidth), path).to.be.at.most(390);
    }
  });

  it('shows its keys and gives the focus back', async () => {
    await open('/builds/plover/lines');
    await page.keyboard.type('?');
    await sees(page, 'the fewest moves without a clash');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('dialog'));
  });
});

describe('the server', function () {
  this.timeout(60_000);
  let server: Running;
  before(async () => {
    server = await startServer();
  });
  after(async () => {
    await server.stop();
    rmSync(server.folder, { recursive: true, force: true });
  });
  const call = (path: string, init: RequestInit = {}) => fetch(server.url + path, init);

  it('answers the same resolution as the core', async () => {
    const reply = (await (
      await call('/api/v1/builds/plover/resolve', { method: 'POST', body: '{}' })
    ).json()) as { status: string; moves: unknown[] };
    expect(reply.status).to.equal('solved');
    expect(reply.moves).to.have.length(3);
    const checked = (await (await call('/api/v1/builds/plover/check')).json()) as { status: string };
    expect(checked.status).to.equal('clash');
  });
  it('refuses bad requests with a problem document', async () => {
    const cases: [string, RequestInit, number][] = [
      ['/api/v1/builds/none', {}, 404],
      ['/api/v1/builds', { method: 'POST', body: 'not json' }, 422],
      ['/api/v1/builds', { method: 'POST', body: '{"name": ""}' }, 422],
      ['/api/v1/builds', { method: 'POST', body: '{"name": "x", "board": "no-such"}' }, 422],
      ['/api/v1/builds/plover/resolve', { method: 'POST', body: '{"maxNodes": 1e12}' }, 422],
      ['/api/v1/import', { method: 'POST', body: '{}' }, 422],
      ['/api/v1/builds/..%2f..%2fetc%2fpasswd', {}, 404]
    ];
    for (const [path, init, status] of cases) {
      const response = await call(path, { headers: { 'content-type': 'application/json' }, ...init });
      expect(response.status, `${path} ${init.body ?? ''}`).to.equal(status);
      expect(((await response.json()) as { title?: string; message?: string }).title, path).to.be.a('string');
    }
  });
  it('refuses bodies above the limit and writes from other sites', async () => {
    const big = await call('/api/v1/import', {
      method: 'POST',
      body: 'x'.repeat(10 * 1024 * 1024),
      headers: { 'content-type': 'application/json' }
    });
    expect(big.status).to.equal(413);
    const foreign = await call('/api/v1/builds', {
      method: 'POST',
      body: '{}',
      headers: { origin: 'http://elsewhere.example' }
    });
    expect(foreign.status).to.equal(403);
  });
  it('sends a strict policy and safe headers', async () => {
    const { headers } = await call('/');
    expect(headers.get('content-security-policy'))
      .to.match(/default-src 'none'/)
      .and.not.match(/unsafe-inline|unsafe-eval/);
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
  });
  it('stops cleanly on SIGTERM and starts again with its data', async () => {
    await call('/api/v1/builds/plover/resolve', { method: 'POST', body: '{}' });
    expect(await server.stop()).to.equal(0);
    await server.restart();
    expect((await call('/api/v1/builds')).status).to.equal(200);
  });
});
