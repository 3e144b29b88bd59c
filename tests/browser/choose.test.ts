import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import type { Page } from 'puppeteer-core';
import { press, sees, unfold, until, upload, useBench } from '../support/browser';

describe('choosing a machine', () => {
  const bench = useBench();
  let page: Page;
  beforeEach(() => {
    page = bench.page;
  });
  const type = async (selector: string, words: string) => {
    await page.waitForSelector(selector);
    await page.$eval(selector, (e) => ((e as HTMLInputElement).value = ''));
    await page.type(selector, words);
  };
  const told = async (selector: string, words: string) => {
    await type(selector, words);
    await page.keyboard.press('Tab');
  };
  const api = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${bench.server.url}/api/v1${path}`)).json()) as T;
  const visible = (words: string) => page.evaluate((w) => document.body.innerText.includes(w), words);

  it('plans a machine from a brief and makes a build of it', async () => {
    await bench.open('/plan');
    await told('#plan-name', 'Oystercatcher');
    await told('#brief-date', 'soon');
    await sees(page, 'Write a year');
    await told('#brief-date', '1991-06');
    await page.select('#brief-os', 'DOS 5');
    await type('#program-query', 'flight expanded');
    await press(page, 'Add Petrel');
    await page.select('#wish-what', 'network');
    await press(page, 'Add a wish');
    await sees(page, 'must have: network card');
    await bench.reload();
    await sees(page, 'Petrel');
    await press(page, 'Propose machines');
    await sees(page, 'Best by your weights');
    await sees(page, 'runs 1 of 1');
    await sees(page, 'Also needed:');
    await type('#why-part', 'Digit 16');
    await press(page, 'Add Digit 16');
    await page.waitForSelector('.answer');
    await press(page, 'Make this build');
    await page.waitForFunction(() => location.pathname === '/builds/oystercatcher/fit');
    await sees(page, 'CPU and FPU');
    const { findings } = await api<{ findings: { severity: string }[] }>('/builds/oystercatcher/check');
    expect(findings.filter((f) => f.severity === 'clash' || f.severity === 'stop')).to.deep.equal([]);
    await bench.open('/builds/oystercatcher/bench?view=cables');
    await sees(page, 'Have at hand');
    await sees(page, 'Floppy cable, 34 wires');
  });

  it('says what to drop from an impossible brief, and goes on when it is dropped', async () => {
    await bench.open('/builds/whimbrel/brief');
    await page.click('input[name="keep"][value="nothing"]');
    await press(page, 'Propose machines');
    await sees(page, 'Nothing fits this brief');
    expect(await visible('Drop and propose again')).to.equal(true);
    const before = (await bench.saved('whimbrel')) as unknown as { build: { brief: { wishes?: unknown[] } } };
    await press(page, 'Drop and propose again');
    await sees(page, 'Best by your weights');
    await press(page, 'Take this machine');
    await until(async () => (await bench.saved('whimbrel')).build.items.length > 5);
    const after = (await bench.saved('whimbrel')) as unknown as { build: { brief: object } };
    expect(after.build.brief).to.not.deep.equal(before.build.brief);
    await press(page, 'Undo');
    await until(async () => (await bench.saved('whimbrel')).build.items.length === 0);
  });

  it('fits cards, memory and a monitor', async () => {
    await bench.open('/builds/sanderling/fit');
    await page.select('#seat-audio', '1');
    await until(
      async () => (await bench.saved('sanderling')).build.items.find((i) => i.id === 'audio')!.slot === '1'
    );
    // A card that is dropped on a taken slot changes places with what is there.
    await page.evaluate(() => {
      const card = document.querySelector('[aria-label="Digit 16"][draggable]')!;
      const slot = [...document.querySelectorAll('.slots li')].find((li) =>
        li.textContent!.includes('local bus')
      )!;
      const data = new DataTransfer();
      card.dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer: data }));
      slot.dispatchEvent(new DragEvent('dragover', { bubbles: true, cancelable: true, dataTransfer: data }));
      slot.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data }));
    });
    await until(async () => {
      const { items } = (await bench.saved('sanderling')).build;
      const at = (id: string) => items.find((i) => i.id === id)!.slot;
      return at('audio') === '4' && at('io') === '1';
    });
    await press(page, 'Undo');
    await until(
      async () => (await bench.saved('sanderling')).build.items.find((i) => i.id === 'audio')!.slot === '1'
    );

    await bench.open('/builds/sanderling/fit?view=memory');
    await sees(page, 'POST counts');
    const counted = () => page.$eval('.count b', (e) => e.textContent);
    const before = await counted();
    await press(page, 'Bank 1');
    await page.waitForFunction((b) => document.querySelector('.count b')!.textContent !== b, {}, before);
    await press(page, 'Bank 1');
    await page.waitForFunction((b) => document.querySelector('.count b')!.textContent === b, {}, before);

    await bench.open('/builds/dunlin/fit?view=picture');
    await sees(page, 'shown');
    await type('#pick-monitor', 'C13');
    await press(page, 'Add C13 colour');
    await press(page, 'Take out M12 green');
    await sees(page, 'DANGER');
    await sees(page, 'Stop: do not power on');
    await sees(page, '1 stop: do not power on');
    await press(page, 'Undo');
    await press(page, 'Undo');

    for (const [view, words] of [
      ['drives', 'Run by'],
      ['power', 'Power leads wanted'],
      ['time', 'target date'],
      ['first', 'Way 1']
    ] as const) {
      await bench.open(`/builds/plover/fit?view=${view}`);
      if (view === 'drives') await page.waitForSelector('#pick-drive');
      else if (view === 'time') await page.waitForSelector('svg .now');
      else await sees(page, words);
    }
  });

  it('searches the catalogue by lines, and puts a part on the shelf', async () => {
    await bench.open('/catalogue');
    await type('#catalogue-query', 'irq 10');
    await press(page, 'network');
    await sees(page, 'N16J');
    expect(await visible('8-bit network card, jumpers.')).to.equal(false);
    await press(page, 'N16J');
    await sees(page, 'Lines it can take');
    const { total } = await api<{ total: number }>('/shelf');
    await press(page, 'Put on the shelf');
    await sees(page, 'is on the shelf');
    expect((await api<{ total: number }>('/shelf')).total).to.equal(total + 1);
  });

  it('describes an unknown card in a few steps, and keeps what was typed over a reload', async () => {
    await bench.open('/catalogue/edit');
    await told('#p-name', 'Pilot card');
    await press(page, 'Add a jumper field');
    await bench.reload();
    await page.waitForFunction(
      () => (document.querySelector('#p-name') as HTMLInputElement)?.value === 'Pilot card'
    );
    await page.waitForSelector('section section');
    const fill = (label: string, words: string) =>
      page.evaluate(
        (l, w) => {
          const input = [...document.querySelectorAll('label')]
            .find((x) => x.textContent!.trim().startsWith(l))!
            .querySelector('input')!;
          input.value = w;
          input.dispatchEvent(new Event('input', { bubbles: true }));
        },
        label,
        words
      );
    await fill('What JP1 sets', 'Interrupt');
    await press(page, 'Name a setting');
    for (const [a, b, name] of [
      ['1', '2', 'IRQ 5'],
      ['3', '4', 'IRQ 7']
    ]) {
      for (const pin of [a, b])
        await page.$eval(`svg[role="group"] [aria-label^="pin ${pin}"]`, (e) =>
          e.dispatchEvent(new MouseEvent('click', { bubbles: true }))
        );
      await fill('Called', name);
      await press(page, 'Add the position drawn');
      await sees(page, name);
    }
    await press(page, 'Add a function');
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find((b) => b.textContent!.trim() === 'IRQ')!.click()
    );
    await page.waitForSelector('.claim select');
    await page.evaluate(() => {
      const select = [...document.querySelectorAll<HTMLSelectElement>('.claim select')][0];
      select.value = [...select.options].find((o) => o.textContent === 'Interrupt')!.value;
      select.dispatchEvent(new Event('change', { bubbles: true }));
    });
    await page.waitForFunction(() => document.querySelectorAll('.claim input').length === 2);
    await page.evaluate(() => {
      const [five, seven] = [...document.querySelectorAll<HTMLInputElement>('.claim input')];
      five.value = '5';
      five.dispatchEvent(new Event('change', { bubbles: true }));
      setTimeout(() => {
        const again = [...document.querySelectorAll<HTMLInputElement>('.claim input')][1] ?? seven;
        again.value = '7';
        again.dispatchEvent(new Event('change', { bubbles: true }));
      }, 50);
    });
    await new Promise((done) => setTimeout(done, 300));
    await press(page, 'Save the part');
    await sees(page, 'Saved.');
    const part = await api<{
      functions: { claims: { from: { values: object } }[] }[];
      settings: { positions: object[] }[];
    }>('/parts/pilot-card');
    expect(part.settings[0].positions).to.have.length(2);
    expect(Object.values(part.functions[0].claims[0].from.values)).to.deep.equal([5, 7]);
    const found = await api<{ parts: { id: string }[] }>('/parts?q=irq%207%20pilot');
    expect(found.parts.map((p) => p.id)).to.deep.equal(['pilot-card']);
  });

  it('identifies the board from the attic, or goes on to describe it', async () => {
    await bench.open('/identify');
    await sees(page, 'Tick something that you see');
    await page.select('.bar select', 'attic-board');
    await sees(page, 'Board from the attic');
    await sees(page, 'Not before week 11 of 1989');
    await sees(page, 'Look at this next');
    const first = await page.$eval('.next b', (e) => e.textContent);
    await page.click('.next .answers button');
    await page.waitForFunction((f) => document.querySelector('.next b')?.textContent !== f, {}, first);
    await bench.reload();
    expect(await page.$eval('.bar select', (e) => (e as HTMLSelectElement).value)).to.equal('attic-board');
    await press(page, 'Delete Board from the attic');
    await sees(page, 'pilot house was deleted');
    await press(page, 'Bring it back');
    await page.waitForFunction(() => location.search === '?seen=attic-board');
    await sees(page, 'None of these');
    await press(page, 'Describe it');
    await page.waitForFunction(() => location.pathname === '/catalogue/edit');
    await page.waitForFunction(() =>
      (document.querySelector('#p-slots') as HTMLInputElement)?.value.includes('16')
    );
    await bench.open('/identify?seen=attic-board');
    await press(page, 'It is this one');
    await page.waitForFunction(() => location.pathname.startsWith('/shelf/'));
    await sees(page, 'Board from the attic');
  });

  it('a board that is in no book: describe it from the new build, and build with it', async () => {
    await bench.open('/builds/new');
    await page.type('#name', 'Oyster bed');
    await page.type('#query', 'QX-77');
    await sees(page, 'No board in the catalogue matches');
    await press(page, 'Take “QX-77” as a board I have');
    await press(page, '386SX');
    for (const slot of ['+ 8-bit', '+ 16-bit', '+ 16-bit']) await press(page, slot);
    // The way back finds what was typed and pressed.
    await page.click('a[href="/plan"]');
    await page.waitForFunction(() => location.pathname === '/plan');
    await page.goBack();
    await page.waitForFunction(
      () => (document.querySelector('#own-name') as HTMLInputElement)?.value === 'QX-77'
    );
    await sees(page, '3 16-bit');
    await sees(page, 'Not known, and so not checked');
    await press(page, 'Create and add cards');
    await page.waitForFunction(() => location.pathname === '/builds/oyster-bed/parts');
    const { findings } = await api<{ findings: { rule: string }[] }>('/builds/oyster-bed/check');
    expect(findings.map((f) => f.rule)).to.include('unknown.board');
    const { parts } = await api<{ parts: { id: string }[] }>('/parts?q=qx-77');
    expect(parts.map((p) => p.id)).to.deep.equal(['qx-77']);
  });

  it('a laptop of one’s own: bays as they are said, what cannot be in together, and a layout to use', async () => {
    await bench.open('/builds/new');
    await page.type('#name', 'Ferry house');
    await press(page, 'A board I have');
    await page.type('#own-name', 'Grey notebook');
    await press(page, 'a laptop');
    await press(page, '486');
    await page.type('#own-bays', 'left floppy');
    await sees(page, 'was not understood');
    await press(page, 'Create and add cards');
    await sees(page, 'name the bay, a colon');
    await page.$eval('#own-bays', (e) => ((e as HTMLTextAreaElement).value = ''));
    await page.type('#own-bays', 'left: floppy, CD-ROM\nright: battery, floppy');
    await press(page, 'Create and add cards');
    await page.waitForFunction(() => location.pathname === '/builds/ferry-house/parts');
    await bench.open('/builds/ferry-house/fit');
    await sees(page, 'left bay (assumed)');
    const tick = (module: string) =>
      page.evaluate((m) => {
        const all = [...document.querySelectorAll<HTMLElement>('fieldset label')];
        all.find((l) => l.textContent?.trim() === m)?.click();
      }, module);
    for (const module of ['floppy', 'CD-ROM', 'battery']) await tick(module);
    await sees(page, 'Cannot be in it together: floppy, CD-ROM and battery.');
    await tick('battery');
    await sees(page, 'No battery in this layout');
    await press(page, 'Use this layout');
    await sees(page, 'set like that');
    await until(async () => {
      const { findings } = await api<{ findings: { rule: string }[] }>('/builds/ferry-house/check');
      return findings.some((f) => f.rule === 'bay.no-battery');
    });
    await page.reload();
    await page.waitForSelector('#bay-bay-1');
    expect(await page.$eval('#bay-bay-1', (e) => (e as HTMLSelectElement).value)).to.equal('cd-rom');
  });

  it('takes a card of eight headers from its pasted table in no more than eight actions', async () => {
    const table = [
      'Multi I/O card for the pilot house',
      'JP1  Floppy controller    1-2 Enable*  2-3 Disable',
      'JP2  Hard disk            1-2 Enable*  2-3 Disable',
      'JP3  Serial port 1 address   1-2 3F8h*  3-4 3E8h  none: Disable',
      'JP4  Serial port 1 IRQ    1-2 IRQ 4*  2-3 IRQ 3',
      'JP5  Serial port 2 address   1-2 2F8h*  3-4 2E8h  none: Disable',
      'JP6  Printer port         1-2 378h*  2-3 278h',
      'JP7  Printer IRQ          1-2 IRQ 7*  2-3 IRQ 5',
      'JP8  Game port            ON Enable*  OFF Disable'
    ].join('\n');
    await bench.open('/catalogue?');
    let actions = 0;
    const act = async (what: () => Promise<unknown>) => {
      actions++;
      await what();
    };
    await act(() => page.type('#catalogue-query', 'XQ-1100'));
    await act(() => press(page, 'Describe “XQ-1100” yourself'));
    await page.waitForSelector('#paste-text');
    await act(() =>
      page.$eval(
        '#paste-text',
        (e, text) => {
          (e as HTMLTextAreaElement).value = text;
          e.dispatchEvent(new Event('input', { bubbles: true }));
        },
        table
      )
    );
    await sees(page, '8 settings read');
    await act(() => press(page, 'Take this into the part'));
    await act(() => press(page, 'Save the part'));
    await sees(page, 'Saved.');
    expect(actions).to.be.at.most(8);
    const part = await api<{ blocks: object[]; functions: { kind: string }[] }>('/parts/xq-1100');
    expect(part.blocks).to.have.length(8);
    expect(part.functions.map((f) => f.kind)).to.include.members([
      'floppy',
      'hard-disk',
      'serial',
      'parallel',
      'game'
    ]);
    await press(page, 'Undo');
    await sees(page, 'Redo');
  });

  it('takes a card of eight headers by hand, with the keyboard, in no more than forty actions', async () => {
    const rows: [sets: string, positions: string][] = [
      ['Floppy controller', 'on* off'],
      ['Hard disk', 'on* off'],
      ['Serial port 1 address', '3F8* 3E8 off'],
      ['Serial port 1 IRQ', '4* 3'],
      ['Serial port 2 address', '2F8* 2E8 off'],
      ['Printer port', '378* 278'],
      ['Printer IRQ', '7* 5'],
      ['Game port', 'on* off']
    ];
    await bench.open('/catalogue/edit?name=XQ-2200');
    await page.waitForSelector('#paste-text');
    let actions = 0;
    const act = async (what: () => Promise<unknown>) => {
      actions++;
      await what();
    };
    for (const [i, [sets, positions]] of rows.entries()) {
      await act(() => press(page, 'Add a jumper field'));
      await page.waitForFunction((id) => document.activeElement?.id === id, {}, `sets-jp${i + 1}`);
      await act(() => page.keyboard.type(sets));
      await act(async () => {
        await page.keyboard.press('Tab');
        await page.keyboard.type(positions);
        await page.keyboard.press('Enter');
      });
    }
    await act(() => press(page, 'Save the part'));
    await sees(page, 'Saved.');
    expect(actions).to.be.at.most(40);
    const part = await api<{
      blocks: object[];
      settings: { positions: object[]; known: boolean }[];
      functions: { kind: string; claims: object[]; off: object[] }[];
    }>('/parts/xq-2200');
    expect(part.blocks).to.have.length(8);
    expect(part.settings.flatMap((s) => s.positions).length).to.be.at.least(18);
    expect(part.settings.every((s) => s.known)).to.equal(true);
    const kinds = part.functions.map((f) => f.kind);
    expect(kinds).to.include.members(['floppy', 'hard-disk', 'serial', 'parallel', 'game']);
    expect(part.functions.find((f) => f.kind === 'game')!.off).to.have.length(1);
    // What it would meet is told before it lies in any build.
    await page.select('aside select', 'plover');
    await page.waitForFunction(() => document.querySelector('aside ul li b') !== null);
  });

  it('takes a board of two switch blocks by hand in no more than forty actions, and knows it as well as its own', async () => {
    const blocks: [block: string, rows: [sets: string, positions: string][]][] = [
      [
        'sw1',
        [
          ['FPU', '2: off = fitted, on = not fitted*'],
          ['Banks', '3-4: on on = 1, off on = 2, on off = 3, off off = 4*'],
          ['Display', '5-6: off off = mono, on off = colour*'],
          ['Floppy drives', '7-8: on on = 1*, off on = 2, on off = 3, off off = 4']
        ]
      ],
      [
        'sw2',
        [
          [
            'Total memory',
            '1-4: on on on on = 256K, off on on on = 512K, on off on on = 576K, off off on on = 640K*'
          ],
          ['Parity', '5: on = on*, off = off']
        ]
      ]
    ];
    await bench.open('/catalogue/edit?name=QX-88');
    await page.waitForSelector('#paste-text');
    let actions = 0;
    const act = async (what: () => Promise<unknown>) => {
      actions++;
      await what();
    };
    await act(() => page.select('#p-kind', 'board'));
    await act(() => page.select('#p-class', 'xt'));
    await act(async () => {
      await page.focus('#p-slots');
      await page.keyboard.type('8 8 8 8');
    });
    for (const [block, rows] of blocks) {
      await act(() => press(page, 'Add a switch block'));
      await page.waitForFunction((id) => document.activeElement?.id === id, {}, `sets-${block}`);
      for (const [sets, positions] of rows) {
        await act(() => page.keyboard.type(sets));
        await act(async () => {
          await page.keyboard.press('Tab');
          await page.keyboard.type(positions);
          await page.keyboard.press('Enter');
        });
        await act(async () => {
          await page.keyboard.down('Shift');
          await page.keyboard.press('Tab');
          await page.keyboard.up('Shift');
        });
      }
    }
    await act(() => press(page, 'Save the part'));
    await sees(page, 'Saved.');
    expect(actions).to.be.at.most(40);
    const part = await api<{ settings: { positions: object[] }[] }>('/parts/qx-88');
    expect(part.settings.flatMap((s) => s.positions).length).to.equal(18);
    // A setting goes onto the other block by copy and paste.
    await press(page, 'Copy Parity');
    await press(page, 'Paste Parity here');
    await sees(page, 'Undo');

    await bench.api('POST', '/builds', { name: 'Whinchat', board: 'qx-88' });
    await bench.open('/builds/whinchat/switches');
    const row = 'section[aria-label$=" SW1"] input';
    await page.waitForSelector(row);
    await page.type(row, 'off on off off on off off on');
    await page.keyboard.press('Enter');
    const board = async () =>
      (await bench.saved('whinchat')).build as unknown as { board: { asFound: object } };
    await until(async () => Object.keys((await board()).board.asFound).length >= 3);
    expect((await board()).board.asFound).to.deep.include({ fpu: 'not-fitted', banks: '4' });
    expect((await board()).board.asFound).to.include({ 'floppy-drives': '2' });
    // No drive is there where two are set, and a mono card where the switch says colour.
    const build = (await bench.saved('whinchat')).build as unknown as { items: object[] } & Record<
      string,
      unknown
    >;
    const mono = { id: 'mono', part: 'oddmere-mono', slot: '1', asFound: {}, chosen: {}, locked: [] };
    const { head } = await bench.saved('whinchat');
    await bench.api('PUT', '/builds/whinchat', { build: { ...build, items: [mono] }, base: head });
    const { findings } = await api<{ findings: { rule: string; facts?: { fact: string } }[] }>(
      '/builds/whinchat/check'
    );
    expect(findings.map((f) => f.rule)).to.include('video.switch');
    expect(findings.find((f) => f.rule === 'switch')?.facts?.fact).to.equal('floppies');
  });

  it('a card that was tried in its slot counts as it was seen, in the build and on the shelf', async () => {
    await bench.open('/builds/dunlin/fit');
    await unfold(page, 'From the shelf');
    await press(page, 'Fit V16');
    await press(page, 'It does not work here: V16 in this slot');
    const width = async () =>
      (await api<{ findings: { rule: string; severity: string }[] }>('/builds/dunlin/check')).findings
        .filter((f) => f.rule === 'slot.width')
        .map((f) => f.severity);
    await until(async () => (await width()).includes('clash'));
    const thing = async () =>
      (await api<{ item: { trials: { board?: string; result: string }[] } }>('/shelf/vga-16')).item.trials;
    await until(async () => (await thing()).length === 3);
    expect((await thing()).at(-1)).to.deep.include({ board: 'skerrin-px8', result: 'does-not' });
    await press(page, 'Undo');
    await until(async () => !(await width()).includes('clash'));
    await bench.reload();
    await sees(page, 'Take over a try from the shelf');
  });

  it('tells a drive by its label, and a habit of makers as no more than that', async () => {
    await bench.open('/identify');
    await page.type('#drive-label', 'QD-1080S ID0 ID1 ID2');
    await sees(page, 'By its label perhaps: SCSI, 50 pins');
    await sees(page, 'Do not plug it on this alone');
  });

  it('keeps a thing on the shelf: tries, a loan, a photograph, a table', async () => {
    await bench.open('/shelf/mono');
    await told('#f-place', 'loft77');
    await page.type('#trial-machine', 'the green desk');
    await page.type('#trial-slot', '3');
    await press(page, 'Write down a try');
    await sees(page, 'the green desk');
    await page.type('#f-lend', 'the lighthouse');
    await press(page, 'Lend it');
    await sees(page, 'lent to the lighthouse');
    const folder = mkdtempSync(join(tmpdir(), 'yj-photo-'));
    const file = join(folder, 'front.png');
    await sharp({ create: { width: 60, height: 40, channels: 3, background: '#705020' } })
      .png()
      .toFile(file);
    await upload(page, 'input[type="file"]', file);
    await sees(page, 'front.png');
    await page.waitForFunction(
      () => (document.querySelector('figure img') as HTMLImageElement)?.naturalWidth === 60
    );
    const { item } = await api<{ item: { place: string; trials: object[] } }>('/shelf/mono');
    expect([item.place, item.trials.length]).to.deep.equal(['loft77', 1]);
    await press(page, 'It is back');
    await sees(page, 'back 20');

    await bench.open('/shelf');
    await type('#shelf-query', 'loft77');
    await sees(page, '1 of 1');
    const table = join(folder, 'table.csv');
    writeFileSync(table, 'part,place\nbrim-v16,box\nnobody,box\n');
    await upload(page, 'input[type="file"]', table);
    await sees(page, '1 row can be taken in, 1 cannot');
    await sees(page, 'is not in the catalogue');
    await press(page, 'Take in 1 row');
    await sees(page, '1 thing added to the shelf');
  });

  it('writes down whether a drive works on this board', async () => {
    await bench.open('/builds/plover/fit?view=drives');
    await sees(page, 'nobody has tried it on this board');
    await press(page, 'It works here: S210 on this board');
    await sees(page, 'tried on this board: works 1, does not 0');
    await press(page, 'It does not work here: F1440 on this board');
    await sees(page, 'F1440 did not work on this board');
    const results = async () => {
      const { items } = (await bench.saved('plover')).build as { items: { tried?: { result: string }[] }[] };
      return items.flatMap((i) => i.tried ?? []).map((t) => t.result);
    };
    await until(async () => (await results()).length === 2);
    expect((await results()).sort()).to.deep.equal(['does-not', 'works']);
  });

  it('compares machines side by side', async () => {
    await bench.open('/compare');
    const selects = () => page.$$('.pick select');
    await (await selects())[0].select('plover');
    await page.waitForFunction(() => location.search.includes('plover'));
    await (await selects())[1].select('curlew');
    await page.waitForFunction(() => document.querySelectorAll('thead a').length === 2);
    await sees(page, '386DX-33');
    await sees(page, '3 clashes');
  });

  it('works from the keyboard: a slot, a bank, a proposal', async () => {
    await bench.open('/builds/plover/lines');
    await page.keyboard.press('f');
    await page.waitForFunction(() => location.pathname.endsWith('/fit'));
    await page.focus('#seat-network');
    await page.keyboard.press('ArrowUp');
    await until(
      async () => (await bench.saved('plover')).build.items.find((i) => i.id === 'network')!.slot === '7'
    );
    await page.keyboard.down('Control');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await until(
      async () => (await bench.saved('plover')).build.items.find((i) => i.id === 'network')!.slot === '8'
    );
    await page.evaluate(() => document.body.focus());
    await page.keyboard.press('b');
    await page.waitForFunction(() => location.pathname.endsWith('/brief'));
    const reached = async (words: string) => {
      for (let n = 0; n < 80; n++) {
        await page.keyboard.press('Tab');
        if (await page.evaluate((w) => document.activeElement?.textContent?.includes(w), words)) return true;
      }
      return false;
    };
    expect(await reached('Propose machines')).to.equal(true);
    await page.keyboard.press('Enter');
    await sees(page, 'Best by your weights');
    expect(await reached('Take this machine')).to.equal(true);
  });
});
