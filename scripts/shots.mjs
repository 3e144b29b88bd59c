import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { chromiumArgs, chromiumPath } from './chromium.mjs';
import { buildApplication, installPackages, root } from './common.mjs';

/** Renews docs/screenshots from the demo data, in a fresh database: `npm run shots`. */
await installPackages();
await buildApplication();
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
await open('/builds/plover/fit');
await shot('fit');
await open('/builds/sanderling/memory');
await shot('memory');
await open('/builds/sanderling/boot');
await shot('boot');
await open('/catalogue');
await page.type('#catalogue-query', 'irq 10');
await see('23 parts').catch(() => wait(500));
await press('Digit 16X');
await shot('catalogue');
await open('/catalogue/edit?like=tollmark-8');
await shot('editor');
await open('/decode?part=skerrin-px8&sw1=off+on+off+off+off+off+off+on');
await shot('decode');
await open('/notebook?id=loft-xt');
await shot('notebook');
await open('/builds/dunlin/switches');
await shot('switches');
await open('/builds/sanderling/disks');
await shot('disks');
await open('/identify?seen=attic-board');
await shot('identify');
await open('/shelf');
await shot('shelf');
await open('/builds/plover/lines');
await page.select('#selected', 'audio');
await shot('lines-clashes');
await page.evaluate(() => document.activeElement.blur());
await page.keyboard.press('r');
await see('settings to move');
await press('Take this plan');
await see('No clash');
await page.select('#selected', 'scsi');
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

await size(390, 844);
await open('/builds/turnstone/disks?view=interfaces');
await shot('cable-390');

await size(1280, 800);
await open('/builds/godwit/start?view=happened');
await see('Part by part');
await shot('start');
await browser.close();
server.kill('SIGTERM');
await new Promise((done) => server.once('exit', done));
rmSync(folder, { recursive: true, force: true });
