import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { caps, press, sees, until, useBench, violations } from '../support/browser';

describe('the application in a browser', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const open = (path: string) => bench.open(path);
  const saved = (id: string) => bench.saved(id);
  const capOf = (label: string) => async () => (await caps(page)).some((c) => c.includes(label));

  it('opens the demo, sees the clashes, resolves, takes the plan, undoes, and keeps it over a reload', async () => {
    await bench.throughWorker();
    await open('/');
    await press(page, 'Plover');
    await sees(page, 'IRQ 5 is used twice');
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
    await bench.reload();
    await sees(page, 'No clash');
    await press(page, 'Undo');
    await sees(page, '3 clashes');
    await bench.reload();
    await sees(page, '3 clashes');
    await press(page, 'Redo');
    await sees(page, 'No clash');
    await press(page, 'Bench sheet');
    await sees(page, 'Take HS-16 out of slot 5');
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
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.up('Shift');
    await until(capOf('bus mouse, IRQ 4'));
    await sees(page, 'IRQ 4 is used twice');
    await until(async () => (await saved('dunlin')).head > before.head);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await sees(page, 'IRQ 5 is used twice');
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
    await sees(page, 'IRQ 3 is used twice');
    expect((await saved('dunlin')).head, 'not saved while it moves').to.equal(head);
    await page.mouse.up();
    await until(
      async () => (await saved('dunlin')).build.items.find((i) => i.id === 'mouse')!.chosen.irq === '3'
    );
    await press(page, 'Undo');
    await sees(page, 'IRQ 5 is used twice');
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

  it('makes a new build: board, cards by search, positions as found', async () => {
    await open('/builds/new');
    await press(page, 'Create and add cards');
    await sees(page, 'Give the machine a name');
    await page.type('#name', 'Sanderling desk');
    await page.type('#query', '386');
    await page.click('input[value="varnoc-d33"]');
    await press(page, 'Create and add cards');
    await sees(page, 'Add a part');
    await page.keyboard.press('/');
    await page.type('#part-query', 'scsi');
    await press(page, 'Add HS-16');
    await sees(page, 'Take out');
    await page.$eval('#part-query', (e) => ((e as HTMLInputElement).value = ''));
    await page.click('#part-query');
    await page.type('#part-query', 'codec');
    await press(page, 'Add Codec 44');
    await page.select('select[aria-label="Base as found"]', '604');
    await until(async () => {
      const { build } = await saved('sanderling-desk');
      return build.items.length === 2 && build.items[1].asFound.io === '604';
    });
    await bench.reload();
    await sees(page, 'HS-16');
    expect(await violations(page)).to.deep.equal([]);
  });

  it('shows its keys and gives the focus back', async () => {
    await open('/builds/plover/lines');
    await page.keyboard.type('?');
    await sees(page, 'the fewest moves without a clash');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('dialog'));
  });
});
