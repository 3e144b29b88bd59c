import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumArgs, chromiumPath } from '../../scripts/chromium.mjs';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

const root = new URL('../..', import.meta.url).pathname;

export interface Running {
  url: string;
  folder: string;
  /** Ends the server and waits; resolves to its exit code. */
  stop(): Promise<number | null>;
  /** Starts the same server with the same data again. */
  restart(): Promise<void>;
}

/** Starts the built server with the demo data in a fresh folder. */
export async function startServer(): Promise<Running> {
  const folder = mkdtempSync(join(tmpdir(), 'yj-browser-'));
  const port = await freePort();
  let child: ChildProcess;
  const start = async () => {
    child = spawn('node', ['scripts/demo.mjs'], {
      cwd: root,
      env: { ...process.env, PORT: String(port), YJ_DATA: folder },
      stdio: ['ignore', 'ignore', 'inherit']
    });
    await reachable(`http://127.0.0.1:${port}/api/v1/builds`);
  };
  const stop = () =>
    new Promise<number | null>((done) => {
      if (child.exitCode !== null) return done(child.exitCode);
      child.once('exit', (code) => done(code));
      child.kill('SIGTERM');
    });
  await start();
  return {
    url: `http://127.0.0.1:${port}`,
    folder,
    stop,
    restart: async () => {
      await stop();
      await start();
    }
  };
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });
}

async function reachable(url: string): Promise<void> {
  for (let i = 0; i < 120; i++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch {
      // Not up yet.
    }
    await new Promise((done) => setTimeout(done, 250));
  }
  throw new Error(`no server at ${url}`);
}

export interface Chromium {
  browser: Browser;
  close(): Promise<void>;
}

/** Headless Chromium from the system's packages, with a profile of its own. */
export async function startChromium(): Promise<Chromium> {
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
      rmSync(profile, { recursive: true, force: true });
    }
  };
}

/** A page of 1280 × 800 that keeps what its console complains about. */
export async function openPage(browser: Browser): Promise<{ page: Page; complaints: string[] }> {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  const complaints: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error' || message.type() === 'warn') complaints.push(message.text());
  });
  page.on('pageerror', (error) => complaints.push(String(error)));
  return { page, complaints };
}

/** Presses the button or link whose text or label holds these words. */
export async function press(page: Page, words: string): Promise<void> {
  await page.waitForFunction(
    (w) =>
      [...document.querySelectorAll('button, a')].some(
        (b) =>
          (b.textContent?.includes(w) || b.getAttribute('aria-label')?.includes(w)) &&
          !(b as HTMLButtonElement).disabled
      ),
    { timeout: 20_000 },
    words
  );
  await page.evaluate((w) => {
    const all = [...document.querySelectorAll<HTMLElement>('button, a')];
    all.find((b) => b.textContent?.includes(w) || b.getAttribute('aria-label')?.includes(w))!.click();
  }, words);
}

/** Waits until the page shows these words. */
export const sees = (page: Page, words: string) =>
  page.waitForFunction((w) => document.body.innerText.includes(w), { timeout: 20_000 }, words);

/** Labels of the caps on the loom, as a screen reader hears them. */
export const caps = (page: Page): Promise<string[]> =>
  page.$$eval('g.is-cap', (marks) => marks.map((mark) => mark.getAttribute('aria-label') ?? ''));
