import { expect } from 'chai';
import { FORMAT_MINOR, sameJson, type Build } from '../../src/lib/core/model';
import { readWorkshop, writeBuildFile } from '../../src/lib/formats';
import { InBin, NotFound, Conflict } from '../../src/lib/server/errors';
import { compare, mark, restore, revision, revisions } from '../../src/lib/server/history';
import { ShelfStore } from '../../src/lib/server/shelf';
import { exportWorkshop, importWorkshop } from '../../src/lib/server/workshop';
import { demo, parts } from '../support/demo';
import { edited } from '../support/edits';
import { Seeded } from '../support/random';
import { Shop, emptyFolder, fails, useShop } from '../support/store';

describe('the history of a build', () => {
  const shop = useShop();
  /** Stores a demo machine and saves some random edits of it. */
  const withEdits = async (id: string, count: number, seed = 1): Promise<Build[]> => {
    const r = new Seeded(seed);
    const states = [demo(id)];
    let { head } = await shop.store.create(demo(id), 'created');
    for (let i = 0; i < count; i++) {
      const before = states.at(-1)!;
      // An edit may find nothing to do; then it is none.
      let next = before;
      while (sameJson(next, before)) next = { ...edited(before, parts, r, 1), id };
      states.push(next);
      ({ head } = await shop.store.save(id, states.at(-1)!, head, `edit ${i}`));
    }
    return states;
  };

  it('keeps every state, and tells each by its difference from the one before', async () => {
    const states = await withEdits('plover', 30);
    const { revisions: rows, more } = await revisions(shop.store, 'plover', { limit: 100 });
    expect(more).to.equal(false);
    expect(rows).to.have.length(31);
    expect(rows[0].isHead).to.equal(true);
    expect(rows.at(-1)!.changes, 'the first came from nothing').to.equal(null);
    for (const [i, row] of [...rows].reverse().entries()) {
      const kept = await revision(shop.store, 'plover', row.id);
      expect(sameJson(kept, states[i]), `state ${i}`).to.equal(true);
      if (i > 0) expect(row.changes).to.deep.equal(await compare(shop.store, 'plover', row.parent!, row.id));
    }
  });
  it('comes page by page, each state once', async () => {
    await withEdits('dunlin', 25);
    const seen: number[] = [];
    for (let before: number | undefined; ;) {
      const page = await revisions(shop.store, 'dunlin', { limit: 7, ...(before ? { before } : {}) });
      seen.push(...page.revisions.map((r) => r.id));
      before = seen.at(-1);
      if (!page.more) break;
    }
    expect(seen).to.have.length(26);
    expect(seen).to.deep.equal([...new Set(seen)].sort((a, b) => b - a));
  });
  it('brings a state back as a new one, which can be undone', async () => {
    const states = await withEdits('turnstone', 6);
    const { revisions: rows } = await revisions(shop.store, 'turnstone');
    const old = rows.at(-3)!;
    await mark(shop.store, 'turnstone', old.id, 'worked, 12 May');
    const back = await restore(shop.store, 'turnstone', old.id, rows[0].id);
    expect(back.head).to.be.greaterThan(rows[0].id);
    expect(sameJson(back.build, states[2])).to.equal(true);
    expect((await revisions(shop.store, 'turnstone')).revisions[0].note).to.match(/worked, 12 May/);
    const undone = await shop.store.step('turnstone', 'undo');
    expect(sameJson(undone.build, states.at(-1))).to.equal(true);
    await fails(restore(shop.store, 'turnstone', old.id, rows[1].id), Conflict);
    await fails(restore(shop.store, 'turnstone', 99_999, undone.head), NotFound, /no revision 99999/);
  });
  it('names states, renames them, takes the name away, and finds them', async () => {
    await withEdits('plover', 5);
    const { revisions: rows } = await revisions(shop.store, 'plover');
    await mark(shop.store, 'plover', rows[2].id, 'worked');
    await mark(shop.store, 'plover', rows[2].id, 'worked, with sound');
    await mark(shop.store, 'plover', rows[4].id, 'before the network card');
    const named = async () =>
      (await revisions(shop.store, 'plover', { marked: true })).revisions.map((r) => r.mark);
    expect(await named()).to.deep.equal(['worked, with sound', 'before the network card']);
    await mark(shop.store, 'plover', rows[4].id, null);
    expect(await named()).to.deep.equal(['worked, with sound']);
    await shop.store.create(demo('dunlin'), '');
    await fails(mark(shop.store, 'dunlin', rows[2].id, 'of another build'), NotFound);
  });
  it('undoes to the first state and redoes to the last, over a restart, whatever the depth', async () => {
    const states = await withEdits('plover', 40, 9);
    for (let i = 39; i >= 0; i--) {
      if (i % 13 === 0) {
        await shop.close();
        await shop.open();
      }
      const { build } = await shop.store.step('plover', 'undo');
      expect(sameJson(build, states[i]), `undo to ${i}`).to.equal(true);
    }
    for (let i = 1; i <= 40; i++) {
      const { build } = await shop.store.step('plover', 'redo');
      expect(sameJson(build, states[i]), `redo to ${i}`).to.equal(true);
    }
  });
  it('answers a save with the state that was saved, though another save came right after', async () => {
    const { head } = await shop.store.create(demo('plover'), '');
    const mine = shop.store.save('plover', { ...demo('plover'), notes: 'mine' }, head, '');
    const theirs = mine.then((r) => shop.store.save('plover', { ...r.build, notes: 'theirs' }, r.head, ''));
    expect((await mine).build.notes).to.equal('mine');
    const later = await theirs;
    await fails(
      shop.store.save('plover', { ...demo('plover'), notes: 'again' }, (await mine).head, ''),
      Conflict
    );
    expect((await shop.store.get('plover')).head).to.equal(later.head);
  });

  describe('the bin', () => {
    it('takes a build out of sight, whole, and gives it back whole', async () => {
      await withEdits('plover', 3);
      const before = await shop.store.get('plover');
      await shop.store.bin('plover', 'in');
      expect(await shop.store.list()).to.deep.equal([]);
      expect(await shop.store.items()).to.deep.equal([]);
      expect((await shop.store.list('bin')).map((b) => b.id)).to.deep.equal(['plover']);
      await fails(shop.store.get('plover'), InBin, /Put it back/);
      await fails(shop.store.save('plover', before.build, before.head, ''), InBin);
      await shop.store.bin('plover', 'out');
      expect(await shop.store.get('plover')).to.deep.equal(before);
    });
    it('deletes for good only what lies in it, and every trace of that', async () => {
      await withEdits('plover', 3);
      await mark(shop.store, 'plover', (await shop.store.get('plover')).head, 'x');
      await shop.store.create(demo('dunlin'), '');
      await fails(shop.store.remove('plover'), NotFound, /in the bin/);
      await shop.store.bin('plover', 'in');
      await shop.store.remove('plover');
      for (const table of ['revisions', 'marks', 'summaries'] as const)
        expect(JSON.stringify(await shop.db.selectFrom(table).selectAll().execute())).not.to.include(
          'plover'
        );
      expect((await shop.store.get('dunlin')).build.name).to.equal('Dunlin');
    });
  });
  it('copies a build under a free name, which goes its own way', async () => {
    await withEdits('plover', 2);
    const { build } = await shop.store.duplicate('plover');
    const again = await shop.store.duplicate('plover');
    expect([build.id, build.name, again.build.id]).to.deep.equal([
      'plover-copy',
      'Plover, copy',
      'plover-copy-2'
    ]);
    await shop.store.save(
      'plover-copy',
      { ...build, notes: 'mine' },
      (await shop.store.get('plover-copy')).head,
      ''
    );
    expect((await shop.store.get('plover')).build.notes).not.to.equal('mine');
  });

  describe('the workshop archive', () => {
    const elsewhere = async (work: (other: Shop) => Promise<void>) => {
      const other = new Shop();
      other.folder = emptyFolder();
      await other.open();
      await work(other).finally(() => other.close());
    };
    it('carries every state, mark and binned build to another machine', async () => {
      await withEdits('plover', 12);
      await withEdits('dunlin', 4, 7);
      await shop.store.step('plover', 'undo');
      await mark(shop.store, 'plover', (await shop.store.get('plover')).head, 'worked');
      await shop.store.bin('dunlin', 'in');
      const { bytes: archive } = await exportWorkshop(shop.store, new ShelfStore(shop.store));
      await elsewhere(async (other) => {
        const arrivals = await importWorkshop(other.store, new ShelfStore(other.store), archive);
        expect(arrivals.builds.map((a) => [a.from, a.id, a.revisions])).to.deep.equal([
          ['plover', 'plover', 13],
          ['dunlin', 'dunlin', 5]
        ]);
        const record = await other.store.get('plover');
        expect([record.canUndo, record.canRedo]).to.deep.equal([true, true]);
        const [mine, theirs] = [
          await revisions(shop.store, 'plover'),
          await revisions(other.store, 'plover')
        ];
        const told = (rows: typeof mine) =>
          rows.revisions.map(({ at, note, mark, isHead, changes }) => ({ at, note, mark, isHead, changes }));
        expect(told(theirs)).to.deep.equal(told(mine));
        expect((await other.store.list('bin')).map((b) => b.id)).to.deep.equal(['dunlin']);
        const again = await exportWorkshop(other.store, new ShelfStore(other.store));
        const back = readWorkshop(again.bytes);
        expect(back.builds.map((b) => b.revisions.map((r) => r.build))).to.deep.equal(
          (await readWorkshop(archive)).builds.map((b) => b.revisions.map((r) => r.build))
        );
      });
    });
    it('comes in a second time without doubling anything, and beside a build of the same name', async () => {
      await withEdits('plover', 3);
      const { bytes: archive } = await exportWorkshop(shop.store, new ShelfStore(shop.store));
      expect(
        (await importWorkshop(shop.store, new ShelfStore(shop.store), archive)).builds[0].id,
        'the same state'
      ).to.equal(null);
      await shop.store.step('plover', 'undo');
      expect((await importWorkshop(shop.store, new ShelfStore(shop.store), archive)).builds[0].id).to.equal(
        'plover-2'
      );
      expect((await shop.store.list()).map((b) => b.id)).to.deep.equal(['plover', 'plover-2']);
    });
  });

  it('keeps what a newer minor version of the format says, through save, undo, and export', async () => {
    const file = JSON.parse(writeBuildFile(demo('plover'), parts));
    file.minor = FORMAT_MINOR + 1;
    file.workshopMood = { a: 1 };
    file.build.bench = 'the left one';
    file.build.items[0].scratches = ['deep', 3];
    const { build, head } = await shop.store.importFile(JSON.stringify(file));
    await shop.store.save(build.id, { ...build, notes: 'changed here' }, head, '');
    const out = JSON.parse(await shop.store.exportFile(build.id));
    expect([out.minor, out.workshopMood, out.build.bench, out.build.items[0].scratches]).to.deep.equal([
      FORMAT_MINOR + 1,
      { a: 1 },
      'the left one',
      ['deep', 3]
    ]);
    expect(out.build.notes).to.equal('changed here');
  });
});
