import { expect } from 'chai';
import sharp from 'sharp';
import { type Part } from '../../src/lib/core/model';
import { readWorkshop } from '../../src/lib/formats';
import { NotFound, Stale } from '../../src/lib/server/errors';
import { writeParts } from '../../src/lib/formats';
import { OwnParts } from '../../src/lib/server/own-parts';
import { readPhoto } from '../../src/lib/server/photos';
import { notebookStore, sightingStore } from '../../src/lib/server/records';
import { ShelfStore } from '../../src/lib/server/shelf';
import { exportWorkshop, importWorkshop } from '../../src/lib/server/workshop';
import { demo, parts } from '../support/demo';
import { emptyFolder, fails, useShop } from '../support/store';
import { BuildStore } from '../../src/lib/server/builds';
import { openDatabase } from '../../src/lib/server/database';
import { InvalidDocument } from '../../src/lib/words';

const blank = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#805020' } });
/** A photograph with everything a telephone writes into one. */
const telling = () =>
  blank(2400, 1200)
    .withExif({
      IFD0: { Make: 'CameraMaker', Artist: 'Somebody' },
      IFD3: {
        GPSLatitudeRef: 'N',
        GPSLatitude: '51/1 30/1 0/1',
        GPSLongitudeRef: 'W',
        GPSLongitude: '0/1 7/1 0/1'
      }
    })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();

describe('the shelf', () => {
  const shop = useShop();
  let shelf: ShelfStore;
  beforeEach(() => {
    shelf = new ShelfStore(shop.store);
  });

  it('learns of a medium in the save of the machine, takes it back with it, and keeps what others taught', async () => {
    const { item } = await shelf.add({ part: 'feldspar-cf4g' });
    const tried = (cylinders: number, where: string) => ({
      at: `2026-11-0${(cylinders % 9) + 1}T10:00:00.000Z`,
      where,
      cylinders,
      result: 'started' as const
    });
    const elsewhere = tried(1001, 'Dunlin');
    await shelf.save(item.id, { ...item, medium: { tries: [elsewhere] } }, 1);
    const build = demo('sanderling');
    const withCard = (disk?: object) => ({
      ...build,
      items: build.items.map((i) =>
        i.id === 'card' ? { ...i, specimen: item.id, ...(disk ? { disk } : {}) } : i
      )
    });
    const known = async () => (await shelf.get(item.id)).item.medium;
    let { head } = await shop.store.create(withCard() as typeof build, 'x');
    const save = async (disk?: object) => {
      head = (await shop.store.save('sanderling', withCard(disk), head, 'x')).head;
    };
    const [first, second] = [tried(1002, 'Sanderling'), tried(1003, 'Sanderling')];
    const made = { heads: 255, sectors: 63 };
    await save({ tries: [first], setup: { cylinders: 1002, heads: 16, sectors: 63 } });
    expect(await known()).to.deep.equal({ tries: [elsewhere, first] });
    await save({ tries: [first, second], made });
    expect(await known()).to.deep.equal({ tries: [elsewhere, first, second], made });
    await save({ tries: [second], made });
    expect(await known()).to.deep.equal({ tries: [elsewhere, second], made });
    head = (await shop.store.step('sanderling', 'undo')).head;
    expect((await known())!.tries).to.have.deep.members([elsewhere, first, second]);
    head = (await shop.store.step('sanderling', 'undo')).head;
    expect(await known()).to.deep.equal({ tries: [elsewhere, first] });
    // Taken out of the machine, it keeps what it learnt there.
    const without = { ...build, items: build.items.filter((i) => i.id !== 'card') };
    head = (await shop.store.save('sanderling', without, head, 'out')).head;
    expect(await known()).to.deep.equal({ tries: [elsewhere, first] });
    await shop.store.db.updateTable('shelf').set({ document: '{' }).execute();
    await save({ tries: [second] });
  });

  it('keeps things, tells where they are used, and what is lent', async () => {
    const one = await shelf.add({ part: 'brim-v16', label: 'the good one', place: 'crate 1' });
    expect([one.item.id, one.version, one.lentTo]).to.deep.equal(['the-good-one', 1, null]);
    const again = await shelf.add({ part: 'brim-v16', label: 'the good one' });
    expect(again.item.id).to.equal('the-good-one-2');
    const build = demo('plover');
    await shop.store.create(
      { ...build, items: build.items.map((i) => (i.id === 'video' ? { ...i, specimen: one.item.id } : i)) },
      'x'
    );
    expect((await shelf.get(one.item.id)).usedIn).to.deep.equal([
      { build: 'plover', name: 'Plover', borrowed: false }
    ]);
    const lent = await shelf.save(
      one.item.id,
      { ...one.item, loans: [{ to: 'the school', since: '2026-11-01' }] },
      1
    );
    expect([lent.lentTo, lent.version]).to.deep.equal(['the school', 2]);
    const home = await shelf.save(
      one.item.id,
      { ...lent.item, loans: [{ to: 'the school', back: '2026-11-20' }] },
      2
    );
    expect(home.lentTo).to.equal(null);
    expect((await shelf.page({ q: 'crate good', limit: 5, offset: 0, from: 'use' })).total).to.equal(1);
  });
  it('refuses what does not fit, and a save over a newer one', async () => {
    await fails(shelf.add({ part: 'no-such' }), InvalidDocument, /no part "no-such"/);
    await fails(
      shelf.add({ part: 'brim-v16', asFound: { width: '99' } }),
      InvalidDocument,
      /no position "99"/
    );
    await fails(shelf.add({ part: 'brim-v16', nonsense: 1 }), InvalidDocument);
    const { item } = await shelf.add({ part: 'brim-v16' });
    await shelf.save(item.id, { ...item, place: 'a' }, 1);
    await fails(shelf.save(item.id, { ...item, place: 'b' }, 1), Stale, /another window/);
    expect((await shelf.get(item.id)).item.place).to.equal('a');
  });
  it('a thing in the bin is out of the lists and can be put back', async () => {
    const { item } = await shelf.add({ part: 'harl-n8' });
    await shelf.bin(item.id, 'in');
    await fails(shelf.get(item.id), NotFound);
    expect((await shelf.page({ q: '', limit: 5, offset: 0, from: 'bin' })).total).to.equal(1);
    await shelf.bin(item.id, 'out');
    expect((await shelf.get(item.id)).item).to.deep.equal(item);
  });

  it('a photograph is made smaller, turned upright, and nothing of place or device is left', async () => {
    const raw = await telling();
    expect((await sharp(raw).metadata()).exif, 'the test file tells').to.not.equal(undefined);
    const { data, width, height } = await readPhoto(raw);
    expect([width, height], 'turned and made smaller').to.deep.equal([800, 1600]);
    const meta = await sharp(data).metadata();
    expect([meta.format, meta.exif, meta.xmp, meta.iptc, meta.icc]).to.deep.equal([
      'jpeg',
      undefined,
      undefined,
      undefined,
      undefined
    ]);
    expect(data.includes(Buffer.from('CameraMaker'))).to.equal(false);
    expect(data.includes(Buffer.from('GPS'))).to.equal(false);
  });
  it('only pictures by their contents are taken, whatever they are called', async () => {
    const svg = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'
    );
    const cut = (await telling()).subarray(0, 4000);
    const huge = await sharp({ create: { width: 16000, height: 8000, channels: 3, background: '#000' } })
      .png()
      .toBuffer();
    for (const [name, bytes] of [
      ['svg', svg],
      ['text', Buffer.from('GIF89a no')],
      ['empty', Buffer.alloc(0)],
      ['cut', cut],
      ['huge', huge]
    ] as const)
      await fails(readPhoto(bytes), InvalidDocument, /picture|pixels/).catch((e) => {
        throw new Error(`${name}: ${e}`);
      });
    const { item } = await shelf.add({ part: 'harl-n8' });
    const view = await shelf.addPhoto(item.id, '../../x<b>.jpg', await blank(40, 30).png().toBuffer());
    expect(view.photos[0]).to.include({ name: '../../x<b>.jpg', width: 40, height: 30 });
    expect((await sharp(await shelf.photo(item.id, view.photos[0].id)).metadata()).format).to.equal('jpeg');
    await shelf.removePhoto(item.id, view.photos[0].id);
    await fails(shelf.photo(item.id, view.photos[0].id), NotFound);
  });

  it('a table is shown first and taken row by row', async () => {
    const table = 'part,place\nbrim-v16,box\nnone,box\nharl-n8,bag\n';
    const shown = await shelf.importCsv(table, false);
    expect([shown.added, shown.rows.length, (await shelf.all()).length]).to.deep.equal([0, 3, 0]);
    expect((await shelf.importCsv(table, true)).added).to.equal(2);
    const back = await shelf.exportCsv();
    expect(back.split('\r\n').filter(Boolean)).to.have.length(3);
  });

  it('the whole workshop carries shelf, photographs and sightings to another machine', async () => {
    const { item } = await shelf.add({ part: 'brim-v16', label: 'shown' });
    const { photos } = await shelf.addPhoto(item.id, 'front.jpg', await blank(60, 40).jpeg().toBuffer());
    const marks = [{ x: 10, y: 90, text: 'pin 1' }];
    await shelf.markPhoto(item.id, photos[0].id, marks);
    const book = { id: 'b', name: 'Loft', blocks: [], subjects: ['fpu'], fragments: [], tries: [] };
    await notebookStore(shop.store).save(book, 0);
    await sightingStore(shop.store).save(
      { id: 'seen-1', name: 'attic', kind: 'board', seen: [], dates: ['9315'] },
      0
    );
    const { bytes: archive } = await exportWorkshop(shop.store, shelf);
    expect((await readWorkshop(archive)).shelf).to.deep.equal([item]);
    const db = await openDatabase(emptyFolder());
    const other = new BuildStore(db, [...parts.values()]);
    const there = new ShelfStore(other);
    expect((await importWorkshop(other, there, archive)).items).to.equal(1);
    expect((await importWorkshop(other, there, archive)).items, 'not twice').to.equal(0);
    const view = await there.get(item.id);
    expect([view.item, view.photos[0].name]).to.deep.equal([item, 'front.jpg']);
    expect(await sightingStore(other).all()).to.have.length(1);
    expect(view.photos[0].marks).to.deep.equal(marks);
    expect(await notebookStore(other).all()).to.deep.equal([book]);
    await notebookStore(other).save({ ...book, name: 'Other loft' }, 1);
    await importWorkshop(other, there, archive);
    expect(
      (await notebookStore(other).all()).map((n) => n.id),
      'beside it'
    ).to.deep.equal(['b', 'b-2']);
    await db.destroy();
  });

  it('a notebook is saved over the version that it came from, and no other', async () => {
    const books = notebookStore(shop.store);
    const book = { id: 'b', name: 'Loft', blocks: [], subjects: [], fragments: [], tries: [] };
    expect((await books.save(book, 0)).version).to.equal(1);
    await fails(books.save(book, 0), Stale, /another window/);
    expect((await books.save({ ...book, name: 'Attic' }, 1)).version).to.equal(2);
    await fails(books.save({ ...book, name: 'Cellar' }, 1), Stale);
    expect((await books.all())[0].name).to.equal('Attic');
    await books.remove('b');
    await fails(books.remove('b'), NotFound);
  });

  it('what was seen is saved over the version that it came from, and comes beside what differs', async () => {
    const seen = sightingStore(shop.store);
    const thing = { id: 's', name: 'attic', kind: 'card' as const, seen: [], dates: [] };
    await seen.save(thing, 0);
    await seen.save({ ...thing, dates: ['9315'] }, 1);
    await fails(seen.save({ ...thing, name: 'from before' }, 1), Stale, /another window/);
    await seen.takeIn(shop.store.db, [thing, { ...thing, dates: ['9315'] }]);
    expect((await seen.all()).map((s) => [s.id, s.dates])).to.deep.equal([
      ['s', ['9315']],
      ['s-2', []]
    ]);
    await seen.takeIn(shop.store.db, [thing]);
    expect(await seen.all(), 'beside it once').to.have.length(2);
    await seen.remove('s-2');
    await fails(seen.remove('s-2'), NotFound, /nothing seen under/);
  });

  it('parts of one’s own are kept, changed, guarded and taken away', async () => {
    const own = new OwnParts(shop.store);
    const mine: Part = { ...parts.get('harl-n8')!, id: 'my-n8', name: 'My N8' };
    await own.save('my-n8', mine);
    expect((await shop.store.parts()).get('my-n8')!.name).to.equal('My N8');
    await fails(own.save('harl-n8', parts.get('harl-n8')!), InvalidDocument, /part of the catalogue/);
    await fails(own.save('my-n8', { ...mine, settings: [{ id: 'x' }] }), InvalidDocument);
    const build = demo('plover');
    await shop.store.create(
      { ...build, items: build.items.map((i) => (i.id === 'network' ? { ...i, part: 'my-n8' } : i)) },
      'x'
    );
    await fails(
      own.save('my-n8', { ...mine, settings: [], functions: [], blocks: [] }),
      InvalidDocument,
      /Plover uses this part/
    );
    await fails(own.remove('my-n8'), InvalidDocument, /is used by/);
    const other = await own.importFile(JSON.stringify({ ...mine, id: 'loose', name: 'Loose' }), 'f');
    expect(other.id).to.equal('loose');
    await own.remove('loose');
    expect((await shop.store.parts()).has('loose')).to.equal(false);
    await fails(own.importFile('id: [', 'f'), InvalidDocument);
  });

  it('takes a collection in as chosen, all of it or nothing, and overwrites nothing unchosen', async () => {
    const own = new OwnParts(shop.store);
    const base = parts.get('harl-n8')!;
    const mine: Part = { ...base, id: 'my-n8', name: 'My N8' };
    await own.save('my-n8', mine);
    const board = [...parts.values()].find((p) => p.board?.firmware)!;
    const bios: Part = { ...parts.get(board.board!.firmware!)!, name: 'Other BIOS' };
    const text = writeParts([
      { ...mine, summary: 'said otherwise' },
      { ...base, summary: 'not as the catalogue' },
      { ...base, id: 'fresh' },
      bios,
      { ...board, id: 'my-board' }
    ]);
    const { rows } = await own.preview(text);
    expect(rows.map((r) => r.standing)).to.deep.equal(['differs', 'catalogue', 'new', 'catalogue', 'new']);
    expect((await own.takeIn(text, {})).taken).to.equal(0);
    await fails(own.takeIn(text, { [base.id]: 'replace' }), InvalidDocument);
    await fails(own.takeIn(text, { fresh: 'take', 'my-n8': 'take' }), InvalidDocument);
    expect((await shop.store.parts()).has('fresh'), 'nothing of a refused file').to.equal(false);
    await own.takeIn(text, {
      fresh: 'take',
      'my-n8': 'copy',
      [base.id]: 'leave',
      [bios.id]: 'copy',
      'my-board': 'take'
    });
    const now = await shop.store.parts();
    expect(now.get('my-n8')).to.deep.equal(mine);
    expect(now.get('my-n8-2')!.summary).to.equal('said otherwise');
    expect(now.get(base.id)).to.deep.equal(base);
    expect(now.get('my-board')!.board!.firmware, 'the board follows its BIOS').to.equal(`${bios.id}-2`);
    await own.takeIn(text, { 'my-n8': 'replace' });
    expect((await shop.store.parts()).get('my-n8')!.summary).to.equal('said otherwise');
    expect((await own.all()).map((p) => p.id)).to.include.members(['fresh', 'my-board', 'my-n8', 'my-n8-2']);
  });

  it('replaces no part that a build would break on', async () => {
    const own = new OwnParts(shop.store);
    const mine: Part = { ...parts.get('harl-n8')!, id: 'my-n8' };
    await own.save('my-n8', mine);
    const build = demo('plover');
    await shop.store.create(
      { ...build, items: build.items.map((i) => (i.id === 'network' ? { ...i, part: 'my-n8' } : i)) },
      'x'
    );
    const text = writeParts([{ ...mine, settings: [], functions: [], blocks: [] }]);
    await fails(own.takeIn(text, { 'my-n8': 'replace' }), InvalidDocument, /Plover uses this part/);
  });
});
