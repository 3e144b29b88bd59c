import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { caps, press, sees, until, useBench, violations } from '../support/browser';

describe('the look of the application', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  it('follows the theme of the system, and keeps the one that was chosen', async () => {
    const isDark = () => page.$eval('html', (e) => e.classList.contains('dark'));
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
    await bench.open('/shelf');
    expect(await isDark()).to.equal(true);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }]);
    await bench.open('/');
    await press(page, 'Bench lamp');
    await bench.open('/builds/plover/lines');
    expect(await page.$eval('html', (e) => e.classList.contains('dark'))).to.equal(true);
    await press(page, 'Day');
    await bench.open('/');
    expect(await page.$eval('html', (e) => e.classList.contains('dark'))).to.equal(false);
  });

  it('fetches the stages that open without the server beforehand, unless the browser saves data', async () => {
    const session = await page.createCDPSession();
    const scripts = async (dataSaverEnabled: boolean) => {
      await session.send('Emulation.setDataSaverOverride', { dataSaverEnabled });
      await bench.open('/builds/plover/lines');
      expect(
        await page.evaluate(
          () => (navigator as unknown as { connection: { saveData: boolean } }).connection.saveData
        )
      ).to.equal(dataSaverEnabled);
      return page.evaluate(
        () => performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js')).length
      );
    };
    const few = await scripts(true);
    const all = await scripts(false);
    expect(few).to.be.greaterThan(20);
    expect(all - few, `${few} of ${all}`).to.be.greaterThan(20);
    // A stage that was not fetched opens all the same.
    await scripts(true);
    await page.click('nav a[href$="/boot"]');
    await sees(page, 'Starts and files');
  });

  it('names what is pressed by the words that stand on it', async () => {
    for (const path of [
      '/',
      '/builds/plover/fit?view=drives',
      '/builds/dunlin/switches',
      '/builds/plover/lines'
    ]) {
      await bench.open(path);
      expect(await violations(page, { only: ['label-content-name-mismatch'] }), path).to.deep.equal([]);
    }
  });

  it('names every cap of the loom by card, function, line and state', async () => {
    await bench.open('/builds/plover/lines');
    const names = await caps(page);
    expect(names).to.include('IO-16, COM1, IRQ 4: set here');
    expect(names).to.include('Digit 16, digital audio, IRQ 5: set here, clash');
    expect(names.length).to.be.greaterThan(8);
    for (const name of names)
      expect(name).to.match(/^[^,]+, .+, (IRQ|DMA) [\d→]+: set here(, (clash|locked|cannot be moved))*$/);
    const rings = await page.$$eval('g.mark:not(.is-cap)', (all) =>
      all.map((e) => e.getAttribute('aria-label')!)
    );
    for (const name of rings) expect(name).to.match(/: (could be here(, found here)?|cannot be here, .+)$/);
    expect(await page.$$eval('g.mark[tabindex="0"]', (all) => all.length), 'one stop for Tab').to.equal(1);
  });

  it('can be worked from the first page to a solved machine by keyboard alone', async () => {
    const focused = () =>
      page.evaluate(
        () =>
          document.activeElement?.textContent?.trim() ||
          document.activeElement?.getAttribute('aria-label') ||
          ''
      );
    const tabTo = async (words: string) => {
      for (let i = 0; i < 60; i++) {
        await page.keyboard.press('Tab');
        if ((await focused()).includes(words)) return;
      }
      throw new Error(`Tab does not come to ${words}`);
    };
    await bench.open('/');
    await tabTo('Turnstone');
    await page.keyboard.press('Enter');
    await sees(page, 'Ring: it could');
    await page.keyboard.type('?');
    await sees(page, 'this list');
    expect(await violations(page)).to.deep.equal([]);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('dialog'));
    const isMark = () => page.evaluate(() => document.activeElement?.getAttribute('data-mark') ?? '');
    for (let i = 0; i < 60 && !(await isMark()); i++) await page.keyboard.press('Tab');
    const first = await isMark();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowRight');
    expect(await isMark()).not.to.equal(first);
    // To the mouse's row and its cap, one line to the right, and locked there.
    for (let i = 0; i < 20 && !(await isMark()).startsWith('mouse/'); i++)
      await page.keyboard.press('ArrowDown');
    for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowLeft');
    for (
      let i = 0;
      i < 8 && !(await page.evaluate(() => document.activeElement?.classList.contains('is-cap')));
      i++
    )
      await page.keyboard.press('ArrowRight');
    const before = await isMark();
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.up('Shift');
    await page.waitForFunction(
      (was) => document.activeElement?.getAttribute('data-mark') !== was,
      {},
      before
    );
    expect(
      await page.evaluate(() => document.activeElement?.classList.contains('is-cap')),
      'the focus goes along'
    ).to.equal(true);
    await page.keyboard.press('l');
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-label')?.includes('locked'));
    await page.keyboard.press('l');
    await page.keyboard.press('r');
    await sees(page, 'These cannot live together');
    await tabTo('Move N16 to slot 5');
    await page.keyboard.press('Enter');
    await sees(page, 'Take this plan');
    await tabTo('Take this plan');
    await page.keyboard.press('Enter');
    await sees(page, 'No clash');
    await page.keyboard.press('p');
    await sees(page, 'Seat N16 in slot 5');
    await page.keyboard.press('g');
    await sees(page, 'States, newest first');
    await page.keyboard.press('/');
    await until(() => page.evaluate(() => document.activeElement?.id === 'part-query'));
  });

  it('prints black on white, without what is only for the screen', async () => {
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
    await bench.open('/builds/plover/bench');
    await page.emulateMediaType('print');
    const seen = await page.evaluate(() => {
      const colours = new Set<string>();
      for (const e of document.querySelectorAll('body, body *')) {
        if (!e.checkVisibility()) continue;
        const { color, backgroundColor, fill, stroke } = getComputedStyle(e);
        [color, backgroundColor, ...(e instanceof SVGElement ? [fill, stroke] : [])].forEach((c) =>
          colours.add(c)
        );
      }
      return { colours: [...colours], text: document.body.innerText };
    });
    const grey = (c: string) => /^(none|rgba\(0, 0, 0, 0\)|rgba?\((\d+), \2, \2.*\))$/.test(c);
    expect(seen.colours.filter((c) => !grey(c))).to.deep.equal([]);
    expect(seen.text)
      .to.include('Unplug the mains lead')
      .and.not.include('Save as')
      .and.not.include('Bench lamp');
    const pdf = await page.pdf({ format: 'A4' });
    expect(Buffer.from(pdf.subarray(0, 5)).toString()).to.equal('%PDF-');
  });

  it('moves nothing when less motion is wished', async () => {
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    for (const path of ['/', '/builds/plover/lines']) {
      await bench.open(path);
      const moving = await page.$$eval('*', (all) =>
        all
          .filter((e) => {
            const s = getComputedStyle(e);
            return (
              s.animationName !== 'none' ||
              s.transitionDuration
                .split(', ')
                .some((d) => parseFloat(d) > 0 && s.transitionProperty !== 'none')
            );
          })
          .map((e) => e.tagName)
      );
      expect(moving, path).to.deep.equal([]);
    }
  });
});
