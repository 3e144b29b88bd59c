import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { chromiumArgs, chromiumPath } from './chromium.mjs';
import { buildApplication, installPackages, root } from './common.mjs';

/** Renews docs/screenshots from the demo data, in a fresh database: `npm run shots`. */
installPackages();
buildApplication();
const folder = mkdtempSync(join(tmpdir(), 'yj-shots-'));
const out = join(root, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
const port = 5170;
const url = `http://127.0.0.1:${port}`;
const server = spawn('node', ['scripts/demo.mjs'], {
  cwd: root,
  env: { ...process.env, PORT: String(port), YJ_DATA: join(folder, 'data') },
  stdio: 'ignore'
});
const wait = (ms) => new Promise((done) => setTimeout(done, ms));
for (let i = 0; i < 100; i++) {
  if (
    await fetch(url).then(
      (r) => r.ok,
      () => false
    )
  )
    break;
  await wait(200);
}
const executablePath = chromiumPath();
if (!executablePath)
  throw new Error('Chromium is missing: install the package chromium, or set CHROMIUM to its path.');
const browser = await puppeteer.launch({
  executablePath,
  userDataDir: join(folder, 'profile'),
  args: chromiumArgs
});
const page = await browser.newPage();
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
const size = (width, height) => page.setViewport({ width, height });
const open = (path) => page.goto(url + path, { waitUntil: 'networkidle2' });
const shot = async (name, options = {}) => {
  await wait(200);
  await page.screenshot({ path: join(out, `${name}.png`), ...options });
  console.log(name);
};
const press = (words) =>
  page.evaluate(
    (w) => [...document.querySelectorAll('button')].find((b) => b.textContent.includes(w)).click(),
    words
  );
const see = (words) => page.waitForFunction((w) => document.body.innerText.includes(w), {}, words);

await size(1280, 800);
await open('/');
await shot('builds');
await open('/builds/plover/brief');
await press('Propose machines');
await see('Best by your weights');
await page.evaluate(() => document.querySelector('.plans').previousElementSibling.scrollIntoView());
await shot('machines');
await open('/builds/whimbrel/brief');
await press('Propose machines');
await see('Nothing fits this brief');
await page.evaluate(() => document.querySelector('.bar').scrollIntoView());
await shot('impossible-brief');
await open('/builds/plover/fit');
await shot('fit');
await open('/builds/dunlin/fit?view=memory');
await shot('fit-memory');
await open('/catalogue');
await page.type('#catalogue-query', 'irq 10');
await see('23 parts').catch(() => wait(500));
await press('Digit 16X');
await shot('catalogue');
await open('/catalogue/edit?like=tollmark-8');
await shot('editor');
await open('/identify');
await shot('identify');
await open('/shelf');
await shot('shelf');
await open('/compare?ids=plover,sanderling,curlew');
await shot('compare');
await open('/builds/plover/lines');
await page.select('#selected', 'audio');
await shot('lines-clashes');
await page.evaluate(() => document.activeElement.blur());
await page.keyboard.press('r');
await see('settings to move');
await shot('lines-plan');
await press('Take this plan');
await see('No clash');
await page.select('#selected', 'scsi');
await shot('lines-resolved');
await open('/builds/plover/bench');
await shot('bench-sheet', { fullPage: true });
await page.evaluate(() => localStorage.setItem('yj-theme', 'dark'));
await open('/builds/turnstone/lines');
await page.keyboard.press('r');
await see('These cannot live together');
await shot('lines-impossible-dark');
await page.evaluate(() => localStorage.setItem('yj-theme', 'light'));

// A history: the resolved Plover, named, and then something more.
await open('/builds/plover/log');
await press('Name it');
await page.waitForSelector('[id^="mark-"]');
await page.keyboard.type('worked, 12 May');
await page.keyboard.press('Enter');
await see('Rename');
await page.focus('#build-notes');
await page.keyboard.press('End');
await page.keyboard.type(' The tape drive needs a new belt.');
await page.keyboard.press('Tab');
await see('name or notes');
await page.evaluate(() =>
  [...document.querySelectorAll('button')]
    .filter((b) => b.textContent.includes('Against now'))
    .at(-1)
    .click()
);
await see('From this state to now');
await shot('log');

// Two windows: one was offline while the other saved.
const other = async (method, path, body) =>
  (
    await fetch(`${url}/api/v1${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body ? { body: JSON.stringify(body) } : {})
    })
  ).json();
await open('/builds/dunlin/lines');
await page.setOfflineMode(true);
for (const ring of ['mouse/mouse/irq3', 'io/lpt1/irq5']) {
  const mark = await page.$(`[data-mark="${ring}"].is-ring`);
  await mark?.evaluate((e) => e.focus());
  if (mark) await page.keyboard.press('Enter');
  await wait(200);
}
await see('The server does not answer');
await shot('away');
const { build, head } = await other('GET', '/builds/dunlin');
await other('PUT', '/builds/dunlin', {
  base: head,
  note: 'elsewhere',
  build: {
    ...build,
    notes: `${build.notes} The mouse lives in the drawer.`,
    items: build.items.map((i) => (i.id === 'mouse' ? { ...i, chosen: { ...i.chosen, irq: '2' } } : i))
  }
});
await page.setOfflineMode(false);
await see('Changed in two places');
await shot('merge');

await size(390, 844);
await open('/builds/plover/fit');
await shot('fit-390');

await browser.close();
server.kill('SIGTERM');
await new Promise((done) => server.once('exit', done));
rmSync(folder, { recursive: true, force: true });
