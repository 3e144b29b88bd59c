import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumArgs, chromiumPath } from '../../scripts/chromium.mjs';
import { expect } from 'chai';
import puppeteer, { type Browser, type CDPSession, type Page } from 'puppeteer-core';
import { startServer, type Running } from './server';

interface Chromium {
  browser: Browser;
  close(): Promise<void>;
}

/** Headless Chromium from the system's packages, with a profile of its own. */
async function startChromium(): Promise<Chromium> {
  const path = chromiumPath();
  if (!path)
    throw new Error('Chromium is missing: install the package chromium, or set CHROMIUM to its path.');
  const profile = mkdtempSync(join(tmpdir(), 'yj-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: path,
    userDataDir: profile,
    headless: true,
    args: chromiumArgs
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      // The browser may still be writing when it says that it is closed.
      rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 100 });
    }
  };
}

/**
 * One browser for all suites of a process, which start it with a profile that knows the application: what a first
 * visit costs is paid once. It ends with the last suite.
 */
let shared: Promise<Chromium> | null = null;
if (typeof after === 'function') after(async () => (await shared)?.close());

/** A picture on its own: the page that nothing goes on in, of the same process as any other of the address. */
const QUIET = '/mark.svg';

/** What the pages of an address kept in the browser is forgotten: the next suite starts as a newcomer. */
async function forget({ browser }: Chromium, origin: string): Promise<void> {
  const page = await browser.newPage();
  const session = await withoutIcon(page);
  await page.goto(origin + QUIET);
  await page.evaluate(async () => {
    const kept = (await caches.keys()).filter((name) => name.startsWith('yj-pages'));
    for (const name of kept) await caches.delete(name);
  });
  await session.send('Storage.clearDataForOrigin', {
    origin,
    storageTypes: 'local_storage,cookies,indexeddb'
  });
  await page.close();
}

/** The browser looks for an icon to a picture on its own, which the server would note as not there. */
async function withoutIcon(page: Page): Promise<CDPSession> {
  const session = await page.createCDPSession();
  await session.send('Network.enable');
  await session.send('Network.setBlockedURLs', { urls: ['*/favicon.ico'] });
  return session;
}

/** How long a page may take to show something, in ms: far above what it needs, for machines with other work. */
const PATIENCE = 120_000;

/** How often a page is asked for what is waited for, in ms. */
const POLLING = 120;

/** The session of a page for what is set beside it. */
const sessions = new WeakMap<Page, CDPSession>();

/** A page that keeps what its console complains about. */
async function openPage(browser: Browser, complaints: string[], worker: boolean): Promise<Page> {
  const page = await browser.newPage();
  sessions.set(page, await withoutIcon(page));
  page.setDefaultTimeout(PATIENCE);
  await asNew(page, worker);
  // Without this a page is looked through, and laid out for it, at every frame.
  const wait = page.waitForFunction.bind(page);
  page.waitForFunction = (what, options, ...rest) => wait(what, { polling: POLLING, ...options }, ...rest);
  page.on('console', (message) => {
    const said = message.text();
    // On a busy machine the browser notes that a file came before it was wanted; nothing is wrong with the page.
    if (/was preloaded using link preload but not used/.test(said)) return;
    // A page that is left while it sends, and the next one that sends the same again, which is refused as known: a
    // collision that matters shows on the page.
    if (/status of 409 \(Conflict\)/.test(said)) return;
    if (message.type() === 'error' || message.type() === 'warn') complaints.push(said);
  });
  page.on('pageerror', (error) => complaints.push(String(error)));
  return page;
}

/**
 * A page as every test finds it: of 1280 × 800, on a screen, with a network, at rest.
 * @param worker whether it loads as for everybody
 */
async function asNew(page: Page, worker: boolean): Promise<void> {
  await page.setViewport({ width: 1280, height: 800 });
  await page.emulateMediaType('screen');
  // Motion is drawn frame by frame, without a graphics card; one test looks at it.
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  await page.setOfflineMode(false);
  await loads(page, worker);
}

/**
 * How a page loads: as for everybody, through the service worker and with the stages that have to open without the server
 * fetched beforehand, or without both, which together take a third of what opening a page costs.
 */
async function loads(page: Page, worker: boolean): Promise<void> {
  await page.setBypassServiceWorker(!worker);
  const override = worker ? {} : { dataSaverEnabled: true };
  await sessions.get(page)!.send('Emulation.setDataSaverOverride', override);
}

/** Presses the button or link whose text or label holds these words, as soon as there is one. */
export async function press(page: Page, words: string): Promise<void> {
  await page.waitForFunction(
    (w) => {
      const found = [...document.querySelectorAll<HTMLElement>('button, a')].find(
        (b) =>
          (b.textContent?.includes(w) || b.getAttribute('aria-label')?.includes(w)) &&
          !(b as HTMLButtonElement).disabled
      );
      found?.click();
      return found !== undefined;
    },
    { timeout: PATIENCE },
    words
  );
}

/** Unfolds what is folded under these words, or the first that is, wherever the page moves meanwhile. */
export async function unfold(page: Page, words = ''): Promise<void> {
  await page.waitForFunction(
    (w) => {
      const found = [...document.querySelectorAll<HTMLElement>('.fold > * > button')].find((x) =>
        x.textContent?.includes(w)
      );
      if (found?.ariaExpanded === 'false') found.click();
      return found?.ariaExpanded === 'true';
    },
    { timeout: PATIENCE },
    words
  );
}

/** Waits until the page shows these words. */
export const sees = (page: Page, words: string) =>
  page.waitForFunction((w) => document.body.innerText.includes(w), { timeout: PATIENCE }, words);

/** Labels of the caps on the loom, as a screen reader hears them. */
export const caps = (page: Page): Promise<string[]> =>
  page.$$eval('g.is-cap', (marks) => marks.map((mark) => mark.getAttribute('aria-label') ?? ''));

export interface Saved {
  build: {
    name: string;
    notes?: string;
    items: { id: string; slot?: string; asFound: Record<string, string>; chosen: Record<string, string> }[];
  };
  head: number;
}

/** What a test of the application works with: a server with the demo, and a page for each test. */
export class Bench {
  server!: Running;
  page!: Page;
  complaints: string[] = [];
  private chromium!: Chromium;
  private others: Page[] = [];

  /**
   * @param own whether with a browser of its own, which knows nothing of the application
   * @param worker whether pages load as they do for everybody
   */
  constructor(
    private readonly own = true,
    private readonly worker = true
  ) {}

  async start(options: Parameters<typeof startServer>[0] = {}): Promise<void> {
    await this.startOn(await startServer(options));
  }
  /** Works with a server that runs already. */
  async startOn(server: Running): Promise<void> {
    this.server = server;
    this.chromium = await (this.own ? startChromium() : (shared ??= startChromium()));
  }
  /** Starts a test, in the page of the one before: a new one takes a process of its own, and twice what opening a path takes. */
  async begin(): Promise<void> {
    this.complaints.splice(0);
    if (this.page && !this.page.isClosed()) await asNew(this.page, this.worker);
    else this.page = await this.openPage();
  }
  /** Another window of the same browser. */
  async window(): Promise<Page> {
    const page = await this.openPage();
    this.others.push(page);
    return page;
  }
  private openPage(): Promise<Page> {
    return openPage(this.chromium.browser, this.complaints, this.worker);
  }
  /** The page loads as for everybody until the test ends: what goes on without the server needs it. */
  throughWorker(): Promise<void> {
    return loads(this.page, true);
  }
  /** Ends a test; the console must not have complained, unless the test expects it to. */
  async end(didPass: boolean): Promise<void> {
    for (const page of this.others.splice(0)) await page.close();
    // Whatever it had open ends; a page whose server is gone is not gone on with.
    await this.page.goto(this.server.url + QUIET).catch(() => this.page.close());
    if (didPass) expect(this.complaints.join('\n'), 'console').to.equal('');
  }
  async stop(): Promise<void> {
    try {
      await this.page?.close();
      if (this.own) await this.chromium?.close();
      else if (this.server) await forget(this.chromium, this.server.url);
    } finally {
      await this.server?.stop();
    }
    if (this.server) rmSync(this.server.folder, { recursive: true, force: true });
  }
  /** Opens a path and waits until the page is at work; its stream of changes stays open. */
  async open(path: string, page = this.page): Promise<void> {
    await page.goto(this.server.url + path, { waitUntil: 'networkidle2' });
  }
  /** Goes to a path as a link of the application does: the page stays, and only what differs is drawn. */
  async go(path: string, page = this.page): Promise<void> {
    await page.evaluate((href) => {
      const link = Object.assign(document.createElement('a'), { href });
      document.body.append(link);
      link.click();
      link.remove();
    }, path);
    await page.waitForFunction((href) => location.pathname + location.search === href, {}, path);
    await page.waitForNetworkIdle({ concurrency: 2 });
  }
  reload(page = this.page) {
    return page.reload({ waitUntil: 'networkidle2' });
  }
  async api<T>(method: string, path: string, body?: object): Promise<T> {
    const response = await fetch(`${this.server.url}/api/v1${path}`, {
      method,
      ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {})
    });
    return (await response.json()) as T;
  }
  saved(id: string): Promise<Saved> {
    return this.api<Saved>('GET', `/builds/${id}`);
  }
}

/** A bench for the tests of a suite; its pages load past the service worker. */
export function useBench(options: Parameters<typeof startServer>[0] = {}): Bench {
  const bench = new Bench(false, false);
  before(() => bench.start(options));
  beforeEach(() => bench.begin());
  afterEach(function () {
    return bench.end(this.currentTest?.state === 'passed');
  });
  after(() => bench.stop());
  return bench;
}

/** Waits until something has become true. */
export async function until(what: () => Promise<boolean>): Promise<void> {
  for (let waited = 0; waited < PATIENCE; waited += 100) {
    if (await what()) return;
    await new Promise((done) => setTimeout(done, 100));
  }
  throw new Error('did not happen');
}

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * Serious findings of the accessibility checker, as `rule: place`.
 * @param rules the only ones that are run, or those that are left out
 */
export async function violations(
  page: Page,
  rules: { only?: string[]; without?: string[] } = {}
): Promise<string[]> {
  // Injected by the debugger, so the page's own policy stays as strict as it is.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
  return page.evaluate(async ({ only, without = [] }) => {
    const { axe: checker } = window as unknown as {
      axe: {
        run(options: object): Promise<{
          violations: { id: string; impact: string; nodes: { target: string[] }[] }[];
        }>;
      };
    };
    const { violations: found } = await checker.run({
      resultTypes: ['violations'],
      ...(only ? { runOnly: only } : {}),
      rules: Object.fromEntries(without.map((rule) => [rule, { enabled: false }]))
    });
    return found
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
  }, rules);
}

/** Gives a file to a picker. */
export async function upload(page: Page, selector: string, file: string): Promise<void> {
  const picker = (await page.$(selector)) as unknown as { uploadFile(path: string): Promise<void> };
  await picker.uploadFile(file);
}
