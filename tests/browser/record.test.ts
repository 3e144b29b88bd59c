import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { press, sees, unfold, until, useBench, violations } from '../support/browser';

describe('the record in a browser', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const chosen = async (build: string, item: string) =>
    (await bench.saved(build)).build.items.find((i) => i.id === item)!.chosen;
  /** Moves the cap of a row to a line of the loom, as a keyboard does. */
  const set = async (on: Page, row: string, line: string) => {
    const ring = `[data-mark="${row}/${line}"]`;
    await on.waitForSelector(`${ring}.is-ring`);
    await on.$eval(ring, (e) => (e as SVGElement).focus());
    await on.keyboard.press('Enter');
    await on.waitForSelector(`${ring}.is-cap`);
  };
  /** Until the page knows that all is saved: a page that is left earlier leaves it to the next one, which sends it again. */
  const allKnown = () =>
    page.waitForFunction(() => !Object.keys(localStorage).some((k) => k.startsWith('yj-pending')));
  /** Failed requests are part of these tests; the console notes each. */
  const forgive = () => bench.complaints.splice(0);

  describe('history', () => {
    it('lists each state with what moved, names one, brings it back, and undoes that', async () => {
      await bench.open('/builds/dunlin/lines');
      await set(page, 'mouse/mouse', 'irq3');
      await page.keyboard.press('g');
      await sees(page, 'IRQ 3');
      await press(page, 'Name it');
      await page.waitForSelector('[id^="mark-"]');
      await page.keyboard.type('worked, 12 May');
      await page.keyboard.press('Enter');
      await sees(page, 'Rename');
      await press(page, 'Lines');
      await set(page, 'mouse/mouse', 'irq4');
      await press(page, 'Log');
      await page.waitForFunction(() => document.querySelectorAll('main ol > li').length >= 3);
      expect(await violations(page)).to.deep.equal([]);
      await page.click('input[type="checkbox"]');
      await page.waitForFunction(() => document.querySelectorAll('main ol > li').length === 1);
      await press(page, 'Against now');
      await sees(page, 'From this state to now');
      await press(page, 'Bring this state back');
      await sees(page, 'That state is back');
      await until(async () => (await chosen('dunlin', 'mouse')).irq === '3');
      await press(page, 'Undo');
      await until(async () => (await chosen('dunlin', 'mouse')).irq === '4');
    });

    it('undoes and redoes to any depth over reloads', async () => {
      await bench.open('/builds/turnstone/lines');
      const before = (await bench.saved('turnstone')).head;
      for (const line of ['irq3', 'irq4', 'irq5', 'irq3']) await set(page, 'mouse/mouse', line);
      await until(async () => (await chosen('turnstone', 'mouse')).irq === '3');
      for (let i = 0; i < 4; i++) {
        await bench.reload();
        await press(page, 'Undo');
        await page.waitForFunction(
          (left) => document.querySelectorAll('button:disabled').length >= left,
          {},
          i === 3 ? 1 : 0
        );
      }
      await until(async () => (await bench.saved('turnstone')).head === before);
      await bench.reload();
      for (const line of ['3', '4', '5', '3']) {
        await press(page, 'Redo');
        await until(async () => (await chosen('turnstone', 'mouse')).irq === line);
      }
      for (let i = 0; i < 4; i++) await press(page, 'Undo');
      await until(async () => (await bench.saved('turnstone')).head === before);
    });

    it('undoes a change that brought a part in, after a reload', async () => {
      await bench.open('/builds/turnstone/parts');
      await press(page, 'Take out Bus Mouse');
      await until(async () => !(await bench.saved('turnstone')).build.items.some((i) => i.id === 'mouse'));
      await bench.reload();
      await press(page, 'Undo');
      await sees(page, 'Bus Mouse');
      await until(async () => (await bench.saved('turnstone')).build.items.some((i) => i.id === 'mouse'));
    });

    it('keeps name and notes as they are typed', async () => {
      await bench.open('/builds/turnstone/log');
      await page.focus('#build-notes');
      await page.keyboard.press('End');
      await page.keyboard.type(' Belt is new.');
      // Left at once, without leaving the field first.
      await page.goto(`${bench.server.url}/shelf`);
      await bench.open('/builds/turnstone/log');
      await until(async () => /Belt is new\.$/.test((await bench.saved('turnstone')).build.notes ?? ''));
      await page.focus('#build-name');
      await page.keyboard.down('Control');
      await page.keyboard.press('a');
      await page.keyboard.up('Control');
      await page.keyboard.type('Turnstone <b>II</b>');
      await page.keyboard.press('Tab');
      await until(async () => (await bench.saved('turnstone')).build.name === 'Turnstone <b>II</b>');
      await bench.open('/');
      await sees(page, 'Turnstone <b>II</b>');
      // The page that was left sent its change, and the next one sent it again: refused, being the same.
      forgive();
    });

    it('bins, undoes, copies, puts back, and deletes only when asked twice', async () => {
      await bench.open('/');
      await press(page, 'Copy Plover');
      await sees(page, 'A copy of Plover is in the list');
      await press(page, 'To the bin: Plover, copy');
      await sees(page, 'Plover, copy is in the bin');
      // Both lists have been looked at again, else what follows happens to the rows of before.
      await page.waitForSelector('.fold');
      await press(page, 'Undo');
      await page.waitForFunction(() => !document.querySelector('.fold'));
      await press(page, 'To the bin: Plover, copy');
      await unfold(page);
      await press(page, 'Delete for good: Plover, copy');
      await sees(page, 'This cannot be undone');
      expect(await violations(page)).to.deep.equal([]);
      await press(page, 'Keep it');
      await press(page, 'Put back Plover, copy');
      await page.waitForFunction(() => !document.querySelector('.fold'));
      await press(page, 'To the bin: Plover, copy');
      await unfold(page);
      await press(page, 'Delete for good: Plover, copy');
      await press(page, 'Delete for good: Plover, copy');
      await page.waitForFunction(() => !document.querySelector('.fold'));
      expect(await bench.api<object>('GET', '/builds/plover-copy')).to.include({ status: 404 });
    });
  });

  describe('two windows', () => {
    it('shows in one what is done in the other, at once', async () => {
      const other = await bench.window();
      await bench.open('/builds/dunlin/lines');
      await bench.open('/builds/dunlin/lines', other);
      // One tab is in front; the other follows when it is looked at again.
      await set(other, 'mouse/mouse', 'irq2');
      await page.bringToFront();
      await page.waitForSelector('[data-mark="mouse/mouse/irq2"].is-cap');
      await sees(page, 'Changed in another window');
      await bench.api('POST', '/builds/dunlin/undo');
      await page.waitForSelector('[data-mark="mouse/mouse/irq2"].is-ring');
    });

    /** Leaves the page with a change that stands against one that was saved elsewhere. */
    const collide = async () => {
      await bench.open('/builds/plover/lines');
      await page.setOfflineMode(true);
      await set(page, 'audio/audio', 'irq7');
      await set(page, 'network/network', 'irq9');
      await sees(page, '2 changes are kept in this browser');
      const { build, head } = await bench.saved('plover');
      await bench.api('PUT', '/builds/plover', {
        base: head,
        note: 'elsewhere',
        build: {
          ...build,
          notes: 'from elsewhere',
          items: build.items.map((i) => (i.id === 'audio' ? { ...i, chosen: { ...i.chosen, irq: '10' } } : i))
        }
      });
      await page.setOfflineMode(false);
      await sees(page, 'Changed in two places');
      forgive();
      return { head, name: build.name };
    };
    /** Undoes what a test saved. */
    const back = async (head: number) => {
      await allKnown();
      while ((await bench.saved('plover')).head !== head) await bench.api('POST', '/builds/plover/undo');
    };

    it('merges fact by fact, and wants a decision where both changed one', async () => {
      const { head } = await collide();
      expect(await violations(page)).to.deep.equal([]);
      await sees(page, '1 fact to decide');
      expect((await bench.saved('plover')).build.notes, 'nothing overwritten').to.equal('from elsewhere');
      const ids = await page.$$eval('dialog input[value="mine"]', (all) =>
        all.map((e) => e.getAttribute('name'))
      );
      const index = ids.findIndex((id) => id === 'item/audio/chosen/irq');
      await (await page.$$('dialog input[value="mine"]'))[index].click();
      await press(page, 'Save what is chosen');
      await until(async () => (await chosen('plover', 'audio')).irq === '7');
      const { build } = await bench.saved('plover');
      expect(build.notes).to.equal('from elsewhere');
      expect(build.items.find((i) => i.id === 'network')!.chosen.irq).to.equal('2');
      await back(head);
      forgive();
    });

    it('outlives a reload in the middle of the decision', async () => {
      const { head } = await collide();
      await bench.reload();
      await sees(page, 'Changed in two places');
      await press(page, 'All from here');
      await press(page, 'Save what is chosen');
      await until(async () => (await bench.saved('plover')).build.notes !== 'from elsewhere');
      expect((await chosen('plover', 'audio')).irq).to.equal('7');
      await back(head);
      forgive();
    });

    it('keeps mine as a build of its own', async () => {
      const { head } = await collide();
      await press(page, 'Keep mine as a copy');
      await sees(page, 'Your state is kept as a build of its own');
      expect((await chosen('plover', 'audio')).irq).to.equal('10');
      expect((await chosen('plover-2', 'audio')).irq).to.equal('7');
      expect((await bench.saved('plover-2')).build.name).to.equal('Plover, my copy');
      await back(head);
      forgive();
    });

    it('tells a window whose build was binned, and puts it back', async () => {
      await bench.open('/builds/dunlin/lines');
      await bench.api('DELETE', '/builds/dunlin');
      await sees(page, 'put in the bin elsewhere');
      forgive();
      await press(page, 'Put it back');
      await page.waitForFunction(() => !document.body.innerText.includes('put in the bin elsewhere'));
      expect((await bench.saved('dunlin')).build.name).to.equal('Dunlin');
    });
  });

  describe('a server that went away', () => {
    beforeEach(() => bench.throughWorker());
    it('is said; changes are kept, and sent one by one when it is back', async () => {
      await bench.open('/builds/dunlin/lines');
      const before = await bench.api<{ revisions: unknown[] }>('GET', '/builds/dunlin/revisions');
      await bench.server.stop('SIGKILL');
      await sees(page, 'The server does not answer');
      await set(page, 'mouse/mouse', 'irq5');
      await set(page, 'mouse/mouse', 'irq3');
      await sees(page, '2 changes are kept in this browser');
      await press(page, 'Bench sheet');
      await sees(page, 'Unplug the mains lead');
      await press(page, 'Parts');
      await sees(page, 'That page needs the server');
      await page.keyboard.press('r');
      await sees(page, 'Take this plan');
      await page.keyboard.press('Escape');
      await bench.server.restart();
      await until(async () => (await chosen('dunlin', 'mouse')).irq === '3');
      await page.waitForFunction(() => !document.body.innerText.includes('does not answer'));
      const after = await bench.api<{ revisions: unknown[] }>('GET', '/builds/dunlin/revisions');
      expect(after.revisions.length - before.revisions.length).to.equal(2);
      forgive();
    });

    it('may have taken the first of several changes before it went: the rest follow, and nothing is asked', async () => {
      const { build, head } = await bench.saved('turnstone');
      const states = ['one', 'two'].map((notes) => ({ ...build, notes }));
      await bench.api('PUT', '/builds/turnstone', { build: states[0], base: head, note: '' });
      await bench.open('/');
      await page.evaluate(
        (pending) => localStorage.setItem('yj-pending:turnstone:gone', pending),
        JSON.stringify({ base: { head, build }, queue: states.map((state) => ({ build: state, note: '' })) })
      );
      await bench.open('/builds/turnstone/lines');
      await until(async () => (await bench.saved('turnstone')).build.notes === 'two');
      expect(await page.$('dialog')).to.equal(null);
      expect(
        await page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith('yj-pending')))
      ).to.deep.equal([]);
      const { revisions } = await bench.api<{ revisions: unknown[] }>(
        'GET',
        '/builds/turnstone/revisions?limit=3'
      );
      expect(revisions).to.have.length(3);
      forgive();
    });

    it('costs nothing when the page is closed too', async () => {
      await bench.open('/builds/dunlin/lines');
      await bench.server.stop();
      await sees(page, 'The server does not answer');
      await set(page, 'mouse/mouse', 'irq5');
      await page.goto('about:blank');
      await bench.server.restart();
      await bench.open('/');
      await sees(page, 'Changes wait in this browser');
      await press(page, 'Dunlin');
      await until(async () => (await chosen('dunlin', 'mouse')).irq === '5');
      await allKnown();
      await bench.open('/');
      expect(await page.$eval('main', (e) => (e as HTMLElement).innerText)).not.to.include('Changes wait');
      forgive();
    });
  });

  describe('a thing of the shelf', () => {
    beforeEach(() => bench.throughWorker());
    const thing = () =>
      bench.api<{ item: { place?: string; cost?: number }; version: number }>('GET', '/shelf/v66-desk');
    const type = async (place: string) => {
      await page.waitForSelector('#f-place');
      await page.click('#f-place', { count: 3 });
      await page.type('#f-place', place);
      await page.keyboard.press('Tab');
    };

    it('keeps what was typed while the server is away, and sends it when the page opens again', async () => {
      await bench.open('/shelf/v66-desk');
      await page.setOfflineMode(true);
      await type('top drawer');
      await sees(page, 'kept in this browser');
      await page.goto('about:blank');
      await page.setOfflineMode(false);
      expect((await thing()).item.place).to.not.equal('top drawer');
      await bench.open('/shelf/v66-desk');
      await until(async () => (await thing()).item.place === 'top drawer');
      forgive();
    });

    it('takes in what another window saved, and offers mine where both changed one field', async () => {
      await bench.open('/shelf/v66-desk');
      const { item, version } = await thing();
      await bench.api('PUT', '/shelf/v66-desk', { item: { ...item, place: 'attic', cost: 91 }, version });
      await type('bench');
      await sees(page, 'Changed in another window too');
      expect((await thing()).item, 'nothing is overwritten').to.deep.include({ place: 'attic', cost: 91 });
      expect(await violations(page)).to.deep.equal([]);
      await press(page, 'Use mine');
      await until(async () => (await thing()).item.place === 'bench');
      expect((await thing()).item.cost).to.equal(91);
      forgive();
    });
  });
});
