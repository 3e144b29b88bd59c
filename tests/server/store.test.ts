import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { sql } from 'kysely';
import { Part } from '../../src/lib/core/model';
import { writeBuildFile } from '../../src/lib/formats';
import { BuildStore } from '../../src/lib/server/builds';
import { Conflict, NotFound } from '../../src/lib/server/errors';
import { loadDemo } from '../../src/lib/server/context';
import { ShelfStore } from '../../src/lib/server/shelf';
import { openDatabase } from '../../src/lib/server/database';
import { migrations } from '../../src/lib/server/migrations';
import { demo, parts } from '../support/demo';
import { emptyFolder, fails, useShop } from '../support/store';
import { InvalidDocument } from '../../src/lib/words';

describe('the store', () => {
  const shop = useShop();
  let store: BuildStore;
  beforeEach(() => {
    store = shop.store;
  });

  it('keeps every save, goes back and forward, and loses nothing', async () => {
    const first = await store.create(demo('plover'), 'new');
    const second = await store.save('plover', { ...first.build, notes: 'one' }, first.head, 'note');
    const third = await store.save('plover', { ...first.build, notes: 'two' }, second.head, 'note');
    expect([third.canUndo, third.canRedo]).to.deep.equal([true, false]);
    expect((await store.step('plover', 'undo')).build.notes).to.equal('one');
    const start = await store.step('plover', 'undo');
    expect([start.build.notes, start.canUndo, start.canRedo]).to.deep.equal([first.build.notes, false, true]);
    expect((await store.step('plover', 'undo')).head, 'nothing before the first').to.equal(first.head);
    expect((await store.step('plover', 'redo')).build.notes).to.equal('one');
    await store.save('plover', { ...first.build, notes: 'three' }, second.head, 'note');
    const rows = await shop.db.selectFrom('revisions').selectAll().execute();
    expect(rows).to.have.length(4);
  });
  it('tells when a state became the present one, later each time, whether by a save or by going back', async () => {
    let clock = 0;
    const at = () => `2026-11-29T10:00:0${(clock += 1)}.000Z`;
    const own = new BuildStore(shop.db, [...parts.values()], { now: at });
    const first = await own.create(demo('plover'), 'new');
    const second = await own.save('plover', { ...first.build, notes: 'one' }, first.head, 'note');
    expect((await own.get('plover')).updated, 'read again').to.equal(second.updated);
    const back = await own.step('plover', 'undo');
    const again = await own.step('plover', 'redo');
    const times = [first, second, back, again].map((r) => r.updated);
    expect(times).to.deep.equal([...new Set(times)].sort());
    expect([back.head, again.head]).to.deep.equal([first.head, second.head]);
  });
  it('survives being closed and opened', async () => {
    await store.create(demo('dunlin'), 'new');
    await shop.close();
    store = await shop.open();
    expect((await store.get('dunlin')).build).to.deep.equal(demo('dunlin'));
  });
  it('tells the second of two savers, and shows what the first saved', async () => {
    const { build, head } = await store.create(demo('plover'), 'new');
    await store.save('plover', { ...build, notes: 'first' }, head, '');
    const conflict = (await fails(
      store.save('plover', { ...build, notes: 'second' }, head, ''),
      Conflict,
      /changed elsewhere/
    )) as Conflict;
    expect(conflict.current.build.notes).to.equal('first');
  });
  it('refuses what is not whole and leaves the stored build as it was', async () => {
    const { build, head } = await store.create(demo('plover'), 'new');
    await fails(
      store.save('plover', { ...build, name: '' }, head, ''),
      InvalidDocument,
      /name: give it a name/
    );
    await fails(
      store.save('plover', { ...build, items: [{ ...build.items[0], slot: '99' }] }, head, ''),
      InvalidDocument,
      /no slot "99"/
    );
    await fails(store.save('plover', { ...build, id: 'other' }, head, ''), InvalidDocument);
    await fails(store.get('nothing'), NotFound, /no build "nothing"/);
    expect((await store.get('plover')).head).to.equal(head);
  });
  it('imports a file with parts of its own beside parts of the same name', async () => {
    const own = Part.parse({ ...parts.get('harl-n8')!, name: 'N8 rev B' });
    const file = writeBuildFile(demo('plover'), new Map([...parts, ['harl-n8', own]]));
    const { build } = await store.importFile(file);
    const again = await store.importFile(file);
    const part = build.items.find((i) => i.id === 'network')!.part;
    expect(part).to.equal('harl-n8-2');
    expect((await store.parts()).get(part)!.name).to.equal('N8 rev B');
    expect((await store.parts()).get('harl-n8')!.name).to.equal('N8');
    expect(again.build.id).to.equal('plover-2');
    expect(again.build.items.find((i) => i.id === 'network')!.part, 'the part is not stored twice').to.equal(
      'harl-n8-2'
    );
    expect(writeBuildFile(build, await store.parts())).to.equal(await store.exportFile('plover'));
  });
  it('loads the demo once', async () => {
    const demoFolder = new URL('../../demo', import.meta.url).pathname;
    const shelf = new ShelfStore(store);
    await loadDemo(store, shelf, demoFolder);
    await loadDemo(store, shelf, demoFolder);
    expect((await shelf.all()).length).to.be.at.least(60);
    expect((await store.list()).map((b) => b.summary.verdict)).to.deep.equal(Array(8).fill('unchecked'));
    await store.checker.settled();
    expect((await store.list()).map((b) => [b.id, b.summary.clashes])).to.deep.equal([
      ['plover', 3],
      ['dunlin', 1],
      ['turnstone', 1],
      ['sanderling', 1],
      ['curlew', 0],
      ['whimbrel', 0],
      ['godwit', 1],
      ['redshank', 0]
    ]);
  });
  it('refuses data of a newer release and changes nothing', async () => {
    await sql.raw(`PRAGMA user_version = ${migrations.length + 1}`).execute(shop.db);
    await shop.close();
    await fails(openDatabase(shop.folder), Error, /newer release/);
    expect(existsSync(join(shop.folder, 'yellow-jumper.db'))).to.equal(true);
    shop.folder = emptyFolder();
    await shop.open();
  });
});
