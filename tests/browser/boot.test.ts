import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import type { Build } from '../../src/lib/core/model';
import { press, sees, unfold, until, useBench } from '../support/browser';

describe('memory and boot', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  /** Types a whole file, as pasting does. */
  const paste = (id: string, text: string) =>
    page.$eval(
      `[id="${id}"]`,
      (e, t) => {
        (e as HTMLTextAreaElement).value = t;
        e.dispatchEvent(new Event('input', { bubbles: true }));
        e.dispatchEvent(new Event('change', { bubbles: true }));
      },
      text
    );
  const value = (id: string) => page.$eval(`[id="${id}"]`, (e) => (e as HTMLTextAreaElement).value);

  it('draws the first megabyte; the frame moves by keys, and a window that was tried is counted', async () => {
    await bench.open('/builds/sanderling/memory');
    await sees(page, 'Largest program');
    const frame = () => page.$eval('[role="slider"]', (e) => e.getAttribute('aria-valuetext'));
    expect(await frame()).to.equal('D000-DFFF');
    await page.$eval('[role="slider"]', (e) => (e as unknown as HTMLElement).focus());
    await page.keyboard.press('ArrowLeft');
    await until(async () => (await frame()) === 'CC00-DBFF');
    await bench.reload();
    expect(await frame(), 'it is kept').to.equal('CC00-DBFF');
    await press(page, 'Put the frame where it leaves most');
    await until(async () => (await frame()) === 'D000-DFFF');
    await sees(page, 'May be free: look or try first');
    const tick = () =>
      page.$$eval('li', (all) =>
        all
          .find((e) => e.textContent?.includes('E000'))
          ?.querySelector('input')
          ?.click()
      );
    await tick();
    await sees(page, 'Without one (NOEMS): 160 KiB');
    await tick();
    await sees(page, 'Without one (NOEMS): 96 KiB');
    await page.type('#map-count', 'lots');
    await sees(page, '“lots” was not understood');
    await page.$eval('#map-count', (e) => ((e as HTMLInputElement).value = ''));
    await page.type('#map-count', '8192');
    await sees(page, 'if this BIOS counts all that is fitted');
  });

  it('plans starts, gives every line its reason, and notes drivers that are missing', async () => {
    await bench.open('/builds/sanderling/boot');
    await sees(page, '2 starts are needed; fewer will not do.');
    await sees(page, 'MENUITEM=UMB,Upper memory + CD + mouse');
    await sees(page, 'As Digit 16 is set.');
    await page.select('[aria-label="Is Mouse driver (MOUSE.COM) in hand?"]', 'no');
    await sees(page, 'One driver is missing.');
    await bench.open('/builds/dunlin/boot');
    await sees(page, 'One start serves every program.');
    await sees(page, 'This machine has no clock');
    await bench.open('/builds/whimbrel/boot');
    await sees(page, 'No CPU that goes into the board is entered');
  });

  it('takes wishes, a listing of the disk and a program of one’s own, by their labels', async () => {
    await bench.open('/builds/plover/boot');
    await sees(page, '3 starts are needed; fewer will not do.');
    await unfold(page, 'Wishes');
    await page.select('#boot-layout', 'GR');
    await sees(page, 'KEYB.COM GR,,C:\\DOS\\KEYBOARD.SYS');
    await page.select('#boot-network', 'ndis');
    await sees(page, 'LASTDRIVE=Z');
    await bench.open('/builds/plover/boot?view=own');
    await unfold(page, 'What is on the disk');
    await paste('own-listing', 'no paths here');
    await sees(page, 'so nothing is checked by it');
    await paste('own-listing', 'C:\\DOS\\HIMEM.SYS\n');
    await paste('own-CONFIG.SYS', 'DEVICE=C:\\DOS\\HIMEM.SYS\nDEVICE=C:\\DOS\\ANSI.SYS\n');
    await sees(page, 'C:\\DOS\\ANSI.SYS is not on the disk');
    await bench.open('/builds/plover/boot?view=programs');
    await unfold(page, 'A program of your own');
    await page.type('input[placeholder="as on the box"]', 'Skerry');
    await page.type('input[placeholder^="580"]', 'lots');
    await press(page, 'Add the program');
    await sees(page, 'Not understood. Write KiB up to 640');
    await page.click('input[placeholder^="580"]', { count: 3 });
    await page.type('input[placeholder^="580"]', '500');
    await press(page, 'Add the program');
    const programs = async () => {
      const { build } = await bench.saved('plover');
      return (build as unknown as Build).brief.profiles.map((p) => p.id);
    };
    await until(async () => (await programs()).includes('own-skerry'));
    await press(page, 'Undo');
    await until(async () => (await programs()).length === 4);
  });

  it('checks own files line by line, and changes only the line that is pressed', async () => {
    await bench.open('/builds/sanderling/boot?view=own');
    await sees(page, 'Nothing to check yet.');
    const config = 'rem mine\nDEVICE=C:\\DOS\\HIMEM.SYS\nDOS=HIGH\nDEVICE=C:\\CD\\CDDRV.SYS /D:CD1\n';
    await paste('own-CONFIG.SYS', config);
    await paste('own-AUTOEXEC.BAT', '@echo off\nset BLASTER=A240 I5 D1 H5 P330 T6\nC:\\CD\\REDIR /D:CD9\n');
    await sees(page, 'BLASTER says A240, the card is at 220');
    await sees(page, 'No driver is called CD9');
    await press(page, 'Change it');
    await until(async () => (await value('own-AUTOEXEC.BAT')).includes('A220 I5 D1'));
    await press(page, 'Change it');
    await sees(page, 'No fault was found in what could be checked.');
    expect(await value('own-AUTOEXEC.BAT')).to.equal(
      '@echo off\nset BLASTER=A220 I5 D1 H5 P330 T6\nC:\\CD\\REDIR /D:CD1\n'
    );
    expect(await value('own-CONFIG.SYS')).to.equal(config);
    await press(page, 'Undo');
    await sees(page, 'No driver is called CD9');
    await bench.reload();
    await sees(page, 'No driver is called CD9');
  });

  it('keeps what MEM shows above the typical sizes', async () => {
    await bench.open('/builds/sanderling/boot?view=sizes');
    await paste('mem-text', 'nothing of it');
    await sees(page, 'No line was understood.');
    await paste('mem-text', '  CDDRV       11,600   (11K)          0    (0K)     11,600   (11K)\n');
    await press(page, 'Keep this size');
    await sees(page, 'Sizes that are kept');
    await press(page, 'Starts and files');
    await sees(page, 'as MEM showed it');
  });
});
