import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { partition } from '../../src/lib/core/storage';
import { diskImage, imagePieces } from '../../src/lib/formats/disk';
import { press, sees, unfold, until, upload, useBench } from '../support/browser';

interface Disk {
  setup?: { cylinders: number };
  made?: { heads: number; sectors: number };
  tries: { cylinders: number; result: string }[];
  plan?: number[];
}

describe('disks', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const disk = async (build: string, item: string): Promise<Disk> => {
    const { build: b } = await bench.saved(build);
    return (b.items.find((i) => i.id === item) as unknown as { disk?: Disk }).disk ?? { tries: [] };
  };

  it('say what to type, write tries down, and guard the medium', async () => {
    // The card is a thing of the shelf: what is found out goes with it into the next machine.
    const shelved = await bench.api<{ item: { id: string } }>('POST', '/shelf', {
      item: { part: 'feldspar-cf4g' }
    });
    const { build, head } = await bench.saved('sanderling');
    const items = build.items.map((i) => (i.id === 'card' ? { ...i, specimen: shelved.item.id } : i));
    await bench.api('PUT', '/builds/sanderling', { build: { ...build, items }, base: head, note: 'x' });
    await bench.open('/builds/sanderling/lines');
    await page.keyboard.press('d');
    await page.waitForFunction(() => location.pathname.endsWith('/disks'));
    await sees(page, 'keeps the cylinders in a field for fewer than 4,096');
    await press(page, 'I entered this in BIOS setup');
    await until(async () => (await disk('sanderling', 'card')).setup?.cylinders === 4095);
    await page.type('input[aria-label="Cylinders typed"]', '7964');
    await page.select('select[aria-label="What happened"]', 'hung');
    await press(page, 'Write it down');
    await sees(page, 'should work by what is known of this BIOS');
    await until(async () => (await disk('sanderling', 'card')).tries?.length === 1);
    await page.type('input[aria-label="heads"]', '255');
    await page.type('input[aria-label="sectors a track"]', '63');
    await press(page, 'Write down');
    await sees(page, 'Heads or sectors changed');
    await bench.reload();
    await sees(page, 'Heads or sectors changed');
    await until(async () => {
      const { item } = await bench.api<{ item: { medium?: Disk } }>('GET', `/shelf/${shelved.item.id}`);
      return item.medium?.tries.length === 1 && item.medium.made?.heads === 255;
    });
  });

  it('plan partitions by keyboard, with their letters', async () => {
    await bench.open('/builds/sanderling/disks?view=partitions');
    await press(page, 'One more partition');
    await until(async () => (await disk('sanderling', 'card')).plan?.length === 2);
    const before = (await disk('sanderling', 'card')).plan![0];
    await page.$eval('g[role="slider"]', (e) => (e as SVGGElement).focus());
    await page.keyboard.press('ArrowLeft');
    await until(async () => (await disk('sanderling', 'card')).plan![0] === before - 1);
    await sees(page, 'D: Card 4G');
    await sees(page, 'E: CD-4');
  });

  it('look at a drive that is not there, and at another controller, and keep the build as it is', async () => {
    await bench.open('/builds/sanderling/disks');
    await sees(page, 'With what is typed');
    const before = JSON.stringify((await bench.saved('sanderling')).build);
    const pick = async (label: string, value: string) => {
      const select = await page.waitForSelector(
        `::-p-xpath(//label[starts-with(normalize-space(.), "${label}")]//select)`
      );
      await select!.select(value);
    };
    await page.waitForSelector('optgroup option');
    await pick('Drive', 'look/cairnholt-a13');
    await sees(page, 'Preview only');
    await sees(page, '16,383');
    await pick('Controller', 'rom');
    await sees(page, 'not installed');
    await sees(page, 'DOS 6.22 calls INT 13h');
    expect(JSON.stringify((await bench.saved('sanderling')).build)).to.equal(before);
  });

  it('write the image in pieces where the browser can, and only what is not zeros', async () => {
    await bench.open('/builds/sanderling/disks?view=partitions');
    // A stand-in for the dialog: a file of the browser's own.
    await page.evaluate(`
      window.put = [];
      window.showSaveFilePicker = async ({ suggestedName }) => {
        const folder = await navigator.storage.getDirectory();
        const file = await folder.getFileHandle(suggestedName, { create: true });
        const whole = await file.createWritable();
        return { createWritable: async () => ({
          truncate: (n) => whole.truncate(Math.min(n, 2 ** 26)),
          write: async (w) => {
            window.put.push(w.data.length);
            if (w.position < 2 ** 20) await whole.write(w);
          },
          close: () => whole.close()
        }) };
      };`);
    await sees(page, 'Before the disk is wiped');
    expect(await page.$$eval('button.main', ([b]) => (b as HTMLButtonElement).disabled)).to.equal(true);
    await press(page, 'Go on anyway');
    await sees(page, 'You went on anyway');
    await press(page, 'Save the image');
    await sees(page, 'card.img is written.');
    const { head, put } = (await page.evaluate(`(async () => {
      const folder = await navigator.storage.getDirectory();
      const file = await (await folder.getFileHandle('card.img')).getFile();
      const bytes = new Uint8Array(await file.slice(0, 512).arrayBuffer());
      return { head: [bytes[510], bytes[511], bytes[446]], put: window.put };
    })()`)) as { head: number[]; put: number[] };
    expect(head).to.deep.equal([0x55, 0xaa, 0x80]);
    expect(put.reduce((a, b) => a + b, 0)).to.be.below(100_000);
  });

  it('write down plugs, jumpers, terminators and the size of this very drive', async () => {
    await bench.open('/builds/plover/disks?view=interfaces');
    await sees(page, 'as it should be');
    await page.select('select[aria-label="Terminators: S210"]', 'out');
    await sees(page, 'S210 ends the bus without terminators');
    await page.select('select[aria-label="Jumpered as: S210"]', '7');
    await sees(page, 'S210 has the adapter’s ID');
    // The tray offers the way back, and takes it.
    await unfold(page, 'adapter’s ID');
    await press(page, 'Jumper S210 as 0');
    await until(async () => {
      const { build } = await bench.saved('plover');
      const disk = build.items.find((i) => i.id === 'disk') as { cable?: { unit?: string } } | undefined;
      return disk?.cable?.unit === '0';
    });
    await bench.open('/builds/sanderling/disks');
    await unfold(page, 'I entered something else');
    for (const [field, value] of [
      ['cylinders', '9,000'],
      ['heads', '16'],
      ['sectors a track', '63']
    ])
      // oxfmt-ignore
      await page.type(`input[aria-label="Typed ${field}"]`, value);
    await page.keyboard.press('Enter');
    // 9,000 × 16 heads shift to 562 × 256: whole cylinders of that are what partitions can reach.
    await sees(page, 'ends 530,546,688 bytes past the end');
    await press(page, 'nothing is typed');
    await until(async () => (await disk('sanderling', 'card')).setup === undefined);
    await unfold(page, 'another size');
    await page.type('input[aria-label="Real cylinders"]', '7,000');
    await page.type('input[aria-label="Real heads"]', '99');
    await page.type('input[aria-label="Real sectors a track"]', '63');
    await press(page, 'Write the size down');
    await sees(page, 'a whole number from 1 to 16');
    await page.$eval('input[aria-label="Real heads"]', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('input[aria-label="Real heads"]', '16');
    await press(page, 'Write the size down');
    await sees(page, '7000 × 16 × 63');
    await bench.reload();
    await sees(page, '7000 × 16 × 63');
  });

  it('read an image, name the geometry, and a hex dump that is none', async () => {
    const plan = partition({ cylinders: 40, heads: 16, sectors: 63 }, 6.22, [20, 20]);
    const file = join(mkdtempSync(join(tmpdir(), 'yj-image-')), 'card.img');
    writeFileSync(file, Buffer.concat([...imagePieces(diskImage(plan, { dos: 6.22, format: true }))]));
    await bench.open('/builds/sanderling/disks?view=read');
    await upload(page, 'input[type="file"]', file);
    await sees(page, '16 heads × 63 sectors');
    await sees(page, 'fits everything');
    await sees(page, 'second partition reads as garbage');
    await press(page, 'Write it down for this drive');
    await until(async () => (await disk('sanderling', 'card')).made?.heads === 16);
    await page.type('textarea', 'no dump');
    await press(page, 'Read the dump');
    await sees(page, 'holds no hex bytes');
  });

  it('name floppies link by link, ROMs by their bytes, and ways to replace a drive', async () => {
    await bench.open('/builds/plover/disks?view=floppies');
    await sees(page, 'Every link holds.');
    const emulator = { id: 'emulator', part: 'feldspar-femu' };
    const { build, head } = await bench.saved('dunlin');
    const items = [...build.items, emulator];
    await bench.api('PUT', '/builds/dunlin', { build: { ...build, items }, base: head, note: 'x' });
    await bench.open('/builds/dunlin/disks?view=floppies');
    await sees(page, 'nobody said; 360K is taken');
    await page.select('select[aria-label="Set to images of: Floppy emulator"]', '1440');
    await sees(page, 'Fails at the data rate');
    // Undo works from the list as well.
    await page.focus('select[aria-label="Set to images of: Floppy emulator"]');
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await sees(page, 'nobody said; 360K is taken');
    await page.select('select[aria-label="Set to images of: Floppy emulator"]', '1440');
    await press(page, 'Set to images of 360K');
    await until(async () =>
      (await bench.saved('dunlin')).build.items.some((i) => 'imageKiB' in i && i.imageKiB === 360)
    );
    await sees(page, 'Every link holds.');
    const file = join(mkdtempSync(join(tmpdir(), 'yj-rom-')), 'option.bin');
    const rom = new Uint8Array(8192);
    rom.set([0x55, 0xaa, 16, 0xcb, 1]);
    writeFileSync(file, rom);
    await bench.open('/builds/plover/disks?view=roms');
    await upload(page, 'input[type="file"]', file);
    await sees(page, 'checksum wrong');
    await sees(page, 'Windows free for it');
    await press(page, 'Rehearse: program and verify');
    await sees(page, 'No real chip was written');
    await bench.open('/builds/dunlin/disks?view=interfaces');
    await sees(page, 'low-level format belongs to this drive');
    // What destroys everything is not told before somebody said what is on the drive.
    await sees(page, 'The steps appear here once nothing on it can be lost');
    expect(await page.$eval('main', (e) => e.innerText)).not.to.match(/Start a debugger/);
    await page.click('section.asks button:last-child');
    await sees(page, 'Start a debugger');
    await press(page, 'Find a replacement');
    await page.waitForSelector('.routes li');
  });
});
