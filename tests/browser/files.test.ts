import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { exportKinds } from '../../src/lib/formats';
import { press, sees, until, upload, unfold, useBench } from '../support/browser';

describe('files in a browser', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const file = (name: string, content: string | Uint8Array): string => {
    const path = join(bench.server.folder, name);
    writeFileSync(path, content);
    return path;
  };
  const total = async () => (await bench.api<{ total: number }>('GET', '/builds')).total;

  it('come in as they went out', async () => {
    const text = await (await fetch(`${bench.server.url}/api/v1/builds/dunlin/export`)).text();
    await bench.open('/');
    await upload(page, '#open-file', file('dunlin-copy.json', text));
    await sees(page, 'IRQ 5 is used twice');
    expect(page.url()).to.match(/dunlin-2\/lines$/);
    const again = await (await fetch(`${bench.server.url}/api/v1/builds/dunlin-2/export`)).text();
    expect(again).to.equal(text.replace('"id": "dunlin"', '"id": "dunlin-2"'));
  });

  it('of parts are looked through before anything comes in', async () => {
    const n8 = await bench.api<Record<string, unknown>>('GET', '/parts/harl-n8');
    const text = JSON.stringify({
      format: 'yellow-jumper/parts',
      version: 1,
      parts: [
        { ...n8, summary: 'not as the catalogue' },
        { ...n8, id: 'quay-n8', name: 'Quay N8' },
        { id: 'odd' }
      ]
    });
    await bench.open('/catalogue');
    await upload(page, '.file input', file('parts.json', text));
    await sees(page, '2 parts in this file');
    await sees(page, 'the catalogue has one under this id that says something else');
    await sees(page, 'Could not be read, and stays out');
    await press(page, 'Take 1 part in');
    await sees(page, 'One part was taken in.');
    const kept = await bench.api<{ name: string }>('GET', '/parts/quay-n8');
    expect(kept.name).to.equal('Quay N8');
    expect((await bench.api<{ summary: string }>('GET', '/parts/harl-n8')).summary).to.equal(n8.summary);
    await sees(page, 'Save my parts');
    const csv = await (await fetch(`${bench.server.url}/api/v1/collection?as=csv`)).text();
    expect(csv).to.contain('quay-n8');
  });

  it('that cannot be read are refused with what, where and what to do, and change nothing', async () => {
    const before = await total();
    const good = await (await fetch(`${bench.server.url}/api/v1/builds/plover/export`)).text();
    const cases: [string, string | Uint8Array, string][] = [
      ['broken.json', '{"format": "yellow-jumper/build", "version": 1,', 'line 1, column'],
      ['cut.json', good.slice(0, 900), 'the file may be cut off'],
      ['foreign.json', '{"title": "a recipe"}', 'format'],
      ['newer.json', good.replace('"version": 1', '"version": 9'), 'newer'],
      ['slot.json', good.replace('"slot": "4"', '"slot": "14"'), 'the board has no slot "14"'],
      ['deep.json', '['.repeat(3000) + ']'.repeat(3000), 'nested 3000 deep'],
      ['large.json', ' '.repeat(9 * 1024 * 1024), 'the largest that is read has 8 MiB'],
      ['other.zip', zipSync({ 'a.txt': strToU8('x') }), 'some other archive'],
      ['cut.zip', zipSync({ 'workshop.json': strToU8('{}') }).subarray(0, 40), 'not a ZIP file']
    ];
    for (const [name, content, words] of cases) {
      await bench.open('/');
      await upload(page, '#open-file', file(name, content));
      const notice = await page.waitForSelector('.notice.bad').catch(() => expect.fail(name));
      const said = await notice!.evaluate((e) => e.textContent);
      expect(said).to.include(`${name} was not opened; nothing was changed`).and.include(words);
    }
    expect(await total()).to.equal(before);
    // Each refusal is a failed request, which the console notes.
    bench.complaints.splice(0);
  });

  it('carry the whole workshop away and back', async () => {
    const archive = new Uint8Array(await (await fetch(`${bench.server.url}/api/v1/workshop`)).arrayBuffer());
    const path = file('workshop.zip', archive);
    const before = await total();
    await bench.open('/');
    await upload(page, '#open-file', path);
    await sees(page, '0 builds added');
    await press(page, 'To the bin: Turnstone');
    await page.waitForSelector('.fold');
    await unfold(page);
    await press(page, 'Delete for good: Turnstone');
    await press(page, 'Delete for good: Turnstone');
    await until(async () => (await total()) === before - 1);
    await upload(page, '#open-file', path);
    await sees(page, '1 build added');
    expect(await total()).to.equal(before);
  });

  it('of every kind are saved from the bench sheet, also while the server is away', async () => {
    const folder = join(bench.server.folder, 'saved');
    mkdirSync(folder);
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    await bench.open('/builds/plover/bench');
    await page.setOfflineMode(true);
    for (const [i, words] of ['Text', 'Markdown', 'Claims, CSV', 'Moves, CSV', 'Build file'].entries()) {
      await press(page, words);
      await until(async () => readdirSync(folder).filter((n) => !n.endsWith('.crdownload')).length === i + 1);
    }
    await page.setOfflineMode(false);
    expect(readdirSync(folder).sort()).to.deep.equal(
      exportKinds.map((kind) => (kind === 'json' ? 'plover.json' : `plover-${kind}`)).sort()
    );
    const stored = await (await fetch(`${bench.server.url}/api/v1/builds/plover/export`)).text();
    expect(readFileSync(join(folder, 'plover.json'), 'utf8')).to.equal(stored);
    bench.complaints.splice(0);
  });
});
