import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, renameSync, rmSync, statSync, unlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { sql } from 'kysely';
import { Build } from '../../src/lib/core/model';
import { readWorkshop, writeBuildFile } from '../../src/lib/formats';
import { BuildStore } from '../../src/lib/server/builds';
import { databaseFile, openDatabase } from '../../src/lib/server/database';
import { NotFound, Unreadable } from '../../src/lib/server/errors';
import { mark, restore, revisions } from '../../src/lib/server/history';
import { backup, health, restoreBackup } from '../../src/lib/server/keep';
import { notebookStore, sightingStore } from '../../src/lib/server/records';
import { ShelfStore } from '../../src/lib/server/shelf';
import { StoreTrouble, storeTrouble } from '../../src/lib/server/trouble';
import { exportWorkshop, importWorkshop } from '../../src/lib/server/workshop';
import { demo, parts } from '../support/demo';
import { edited } from '../support/edits';
import { Seeded } from '../support/random';
import { Shop, emptyFolder, fails, useShop } from '../support/store';
import { torture } from '../support/torture';
import { InvalidDocument } from '../../src/lib/words';

const root = new URL('../..', import.meta.url).pathname;
const yj = (folder: string, ...args: string[]) =>
  spawnSync(process.execPath, ['scripts/yj.mjs', ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, YJ_DATA: folder }
  });

describe('a store in trouble', function () {
  this.timeout(torture(1_800_000, 600_000));
  const shop = useShop();
  const shelf = () => new ShelfStore(shop.store);
  const saveOne = async (note = 'more') => {
    const { build, head } = await shop.store.get('plover');
    return shop.store.save('plover', { ...build, notes: note }, head, '');
  };

  describe('its file', () => {
    beforeEach(() => shop.store.create(demo('plover'), ''));
    const file = () => databaseFile(shop.folder);

    for (const [what, change] of [
      ['deleted', () => unlinkSync(file())],
      ['moved away', () => renameSync(file(), `${file()}.old`)],
      [
        'exchanged for another',
        () => {
          copyFileSync(file(), `${file()}.copy`);
          renameSync(`${file()}.copy`, file());
        }
      ],
      ['without the log of what was saved last', () => unlinkSync(`${file()}-wal`)]
    ] as const)
      it(`${what}: the next save is refused with a sentence`, async () => {
        await saveOne();
        change();
        const said = await fails(saveOne(), StoreTrouble, /was deleted, moved or exchanged/);
        expect(said.message).to.match(/Your changes are kept on this page/);
      });
    it('is for its owner only, with its log and its copies', async () => {
      await saveOne();
      const copy = await backup(shop.folder);
      for (const one of [file(), `${file()}-wal`, copy])
        expect((statSync(one).mode & 0o777).toString(8), one).to.equal('600');
    });
  });

  it('on a full disk says so in the promised sentence, keeps what was saved, and goes on when there is room', async function () {
    const folder = emptyFolder();
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=9m', 'tmpfs', folder]).status === 0;
    if (!mounted) this.skip();
    try {
      const db = await openDatabase(folder);
      const store = new BuildStore(db, [...parts.values()]);
      let { build, head } = await store.create(demo('plover'), '');
      writeFileSync(join(folder, 'filler'), Buffer.alloc(64 * 1024));
      let trouble: StoreTrouble | null = null;
      for (let i = 0; i < 3000 && !trouble; i++)
        try {
          ({ build, head } = await store.save('plover', { ...build, notes: `${i}`.repeat(2000) }, head, ''));
        } catch (error) {
          trouble = storeTrouble(error, folder);
          if (!trouble) throw error;
        }
      expect([trouble!.code, trouble!.message]).to.satisfy(
        ([code, said]: string[]) => code === 'SQLITE_FULL' && /disk .* is full. Make room.*is safe/.test(said)
      );
      expect((await store.get('plover')).head).to.equal(head);
      rmSync(join(folder, 'filler'));
      expect((await store.save('plover', { ...build, notes: 'room' }, head, '')).build.notes).to.equal(
        'room'
      );
      await db.destroy();
    } finally {
      spawnSync('umount', ['-l', folder]);
    }
  });

  describe('one damaged document takes nothing from the others', () => {
    const flip = async (
      table: 'revisions' | 'shelf' | 'parts' | 'notebooks' | 'sightings',
      id: string | number
    ) => {
      const { rows } = await sql<{
        document: string;
      }>`SELECT document FROM ${sql.table(table)} WHERE id = ${id}`.execute(shop.db);
      const bytes = Buffer.from(rows[0].document);
      bytes[3] ^= 0x41;
      await sql`UPDATE ${sql.table(table)} SET document = ${bytes.toString('latin1')} WHERE id = ${id}`.execute(
        shop.db
      );
      shop.store.forget();
    };

    it('a present state: the list shows it as such, it can be saved as it is kept, brought back from an older state, and binned', async () => {
      const first = await shop.store.create(demo('plover'), '');
      await shop.store.create(demo('dunlin'), '');
      const { head } = await saveOne();
      await flip('revisions', head);
      await shop.store.list();
      await shop.store.checker.settled();
      const rows = await shop.store.list();
      expect(rows.map((r) => [r.id, r.summary.verdict])).to.deep.equal([
        ['plover', 'unreadable'],
        ['dunlin', 'clash']
      ]);
      expect(rows[0].summary.trouble).to.match(/damaged|Invalid|is missing/);
      await fails(shop.store.get('plover'), Unreadable, /damaged/);
      expect((await shop.store.present('plover')).document).to.have.length.greaterThan(1000);
      const log = await revisions(shop.store, 'plover');
      expect(log.revisions.map((r) => r.unreadable)).to.deep.equal([true, false]);
      expect((await restore(shop.store, 'plover', first.head, head)).build.name).to.equal('Plover');
      await shop.store.bin('plover', 'in');
      expect((await health(shop.folder)).problems).to.deep.equal([
        `revision ${head} of "plover" cannot be read`
      ]);
    });
    it('things, parts, notebooks, what was seen: the rest is there, and health names each', async () => {
      const s = shelf();
      const good = await s.add({ part: 'brim-v16' });
      const bad = await s.add({ part: 'harl-n8' });
      await notebookStore(shop.store).save(
        { id: 'b', name: 'Loft', blocks: [], subjects: [], fragments: [], tries: [] },
        0
      );
      await sightingStore(shop.store).save(
        { id: 'seen', name: 'attic', kind: 'board', seen: [], dates: [] },
        0
      );
      await shop.store.importFile(
        JSON.stringify({
          ...JSON.parse(writeBuildFile(demo('plover'), parts)),
          parts: JSON.parse(writeBuildFile(demo('plover'), parts)).parts.map(
            (p: { id: string; name: string }) => (p.id === 'harl-n8' ? { ...p, name: 'N8 rev C' } : p)
          )
        })
      );
      await flip('shelf', bad.item.id);
      await flip('notebooks', 'b');
      await flip('sightings', 'seen');
      await flip('parts', 'harl-n8-2');
      expect((await s.all()).map((v) => v.item.id)).to.deep.equal([good.item.id]);
      expect((await s.page({ q: '', limit: 9, offset: 0, from: 'use' })).unreadable).to.deep.equal([
        bad.item.id
      ]);
      await fails(s.get(bad.item.id), Unreadable);
      await fails(s.get('nowhere'), NotFound);
      expect(await sightingStore(shop.store).list()).to.deep.equal({ kept: [], unreadable: ['seen'] });
      expect(await notebookStore(shop.store).list()).to.deep.equal({ kept: [], unreadable: ['b'] });
      expect((await shop.store.parts()).size).to.equal(parts.size);
      await shop.store.list();
      await shop.store.checker.settled();
      const [row] = await shop.store.list();
      expect([row.summary.verdict, row.summary.trouble]).to.satisfy(
        ([v, t]: string[]) => v === 'unreadable' && /no part "harl-n8-2"/.test(t)
      );
      expect((await health(shop.folder)).problems).to.have.length(4);
      const { bytes, unreadable } = await exportWorkshop(shop.store, s);
      expect(unreadable).to.equal(3);
      expect(readWorkshop(bytes).shelf.map((i) => i.id)).to.deep.equal([good.item.id]);
      expect((await s.exportCsv()).split('\r\n').filter(Boolean)).to.have.length(2);
    });
  });

  describe('files that would take the application away', () => {
    const file = (change: (part: Record<string, unknown>) => void) => {
      const whole = JSON.parse(writeBuildFile(demo('plover'), parts)) as { parts: Record<string, unknown>[] };
      whole.parts.forEach(change);
      return JSON.stringify(whole);
    };
    it('a drive, a CPU or a monitor without its facts is not taken', async () => {
      for (const fact of ['drive', 'cpu', 'monitor', 'supply', 'module', 'keyboard']) {
        const text = file((p) => delete p[fact]);
        const has = JSON.parse(writeBuildFile(demo('plover'), parts)).parts.some((p: object) => fact in p);
        if (!has) continue;
        await fails(shop.store.importFile(text), InvalidDocument, /needs its .* facts/);
      }
      expect(await shop.store.list()).to.deep.equal([]);
    });
    it('cards of more claims than any card has, and tables of more positions than can be walked through, are refused at once', async () => {
      const many = Array.from({ length: 16 }, (_, f) => ({
        id: `f${f}`,
        label: 'x',
        kind: 'other',
        claims: Array.from({ length: 16 }, (_, k) => ({ id: `k${k}`, resource: 'irq', value: 5 }))
      }));
      const wide = Array.from({ length: 6 }, (_, s) => ({
        id: `w${s}`,
        label: 'w',
        positions: Array.from({ length: 256 }, (_, p) => ({ id: `p${p}`, label: 'p' })),
        default: 'p0'
      }));
      const onAll = { settings: wide.map((s) => s.id), rows: [{ when: {}, value: 5 }] };
      const cases = [
        file((p) => {
          if (p.id === 'harl-n8') p.functions = many;
        }),
        file((p) => {
          if (p.id !== 'harl-n8') return;
          p.settings = wide;
          p.constraints = [];
          p.functions = [
            { id: 'f', label: 'x', kind: 'network', claims: [{ resource: 'irq', from: onAll }] }
          ];
        })
      ];
      const began = performance.now();
      for (const text of cases)
        await fails(
          shop.store.importFile(text),
          InvalidDocument,
          /no part has more than|no part needs more than/
        );
      expect(performance.now() - began, 'milliseconds').to.be.lessThan(120_000);
    });
    it('a state that lies in the store already and cannot be used is listed, opened as such, and binned', async () => {
      const { head } = await shop.store.create(demo('plover'), '');
      const broken = { ...demo('plover'), items: [{ ...demo('plover').items[0], part: 'gone' }] };
      await shop.db
        .updateTable('revisions')
        .set({ document: JSON.stringify(broken) })
        .where('id', '=', head)
        .execute();
      await shop.store.list();
      await shop.store.checker.settled();
      const [row] = await shop.store.list();
      expect(row.summary.verdict).to.equal('unreadable');
      expect(row.summary.trouble).to.match(/no part "gone"/);
      await shop.store.bin('plover', 'in');
      expect(await shop.store.list()).to.deep.equal([]);
    });
    it('what is accepted is small and flat enough to be written and read again', async () => {
      const { build, head } = await shop.store.create(demo('plover'), '');
      const deep = (n: number): unknown => (n ? { a: deep(n - 1) } : 1);
      const newer = (value: unknown) => ({ ...build, newer: { minor: 99, fields: { value } } });
      await fails(shop.store.save('plover', newer(deep(70)), head, ''), InvalidDocument, /nested more than/);
      await fails(
        shop.store.save('plover', newer('x'.repeat(3e6)), head, ''),
        InvalidDocument,
        /no build needs more/
      );
      const kept = await shop.store.save('plover', newer(deep(50)), head, '');
      const { bytes } = await exportWorkshop(shop.store, shelf());
      const { builds, left } = readWorkshop(bytes);
      expect(left).to.deep.equal([]);
      expect(builds[0].revisions.at(-1)!.build).to.deep.equal(kept.build);
    });
  });

  it('archives of random histories come back with every state, mark and binned build', async () => {
    const rounds = torture(60, 4);
    for (let seed = 0; seed < rounds; seed++) {
      const from = new Shop();
      from.folder = emptyFolder();
      const store = await from.open();
      const r = new Seeded(seed + 500);
      for (const id of ['plover', 'dunlin', 'curlew']) {
        let { build, head } = await store.create(demo(id), '');
        for (let n = 1 + r.int(12); n > 0; n--) {
          const next: Build = edited(build, parts, r, 1 + r.int(4));
          ({ build, head } = await store
            .save(id, { ...next, id, name: r.pick([next.name, 'Ünï\tcode \u200b', 'a"b<c>']) }, head, '')
            .catch(() => ({ build, head })));
          if (r.chance(0.2)) await mark(store, id, head, `state ${n}`);
          if (r.chance(0.2)) ({ build, head } = await store.step(id, 'undo'));
        }
        if (r.chance(0.3)) await store.bin(id, 'in');
      }
      const all = (s: BuildStore) =>
        s.db
          .selectFrom('revisions')
          .leftJoin('marks', 'marks.revision', 'revisions.id')
          .select(['build', 'document', 'note', 'revisions.at', 'marks.name'])
          .orderBy('revisions.id')
          .execute()
          .then((rows) => rows.map((row) => JSON.stringify(row)).sort());
      const { bytes, leftOut } = await exportWorkshop(store, new ShelfStore(store));
      expect(leftOut).to.deep.equal({ states: 0, photos: 0 });
      const to = new Shop();
      to.folder = emptyFolder();
      const other = await to.open();
      const { left } = await importWorkshop(other, new ShelfStore(other), bytes);
      expect([left, await all(other)], `seed ${seed}`).to.deep.equal([[], await all(store)]);
      await from.close();
      await to.close();
      for (const folder of [from.folder, to.folder]) rmSync(folder, { recursive: true });
    }
  });

  describe('backups', () => {
    it('that are empty, lost a present state, cannot be read or lack a table are named, and nothing is changed', async () => {
      await shop.store.create(demo('plover'), '');
      const { head } = await shop.store.create(demo('dunlin'), '');
      const place = join(shop.folder, 'copies');
      mkdirSync(place);
      const spoilt = async (name: string, change: string) => {
        const file = await backup(shop.folder, join(place, name));
        const copy = await openDatabase(place).catch(() => null);
        await copy?.destroy();
        const script = `const D=require('libsql');const d=new D(${JSON.stringify(file)});d.exec(${JSON.stringify(change)});d.close();`;
        expect(spawnSync(process.execPath, ['-e', script], { cwd: root }).status).to.equal(0);
        return file;
      };
      const empty = join(place, 'empty.db');
      writeFileSync(empty, '');
      const cases: [string, RegExp][] = [
        [empty, /is empty: it is not a backup/],
        [
          await spoilt('headless.db', `DELETE FROM revisions WHERE id = ${head}`),
          /"dunlin" has lost its present state/
        ],
        [
          await spoilt('unread.db', `UPDATE revisions SET document = 'x' WHERE id = ${head}`),
          /revision \d+ of "dunlin" cannot be read.*--anyway/
        ],
        [await spoilt('table.db', 'DROP TABLE photos'), /damaged, or not a Yellow Jumper database/]
      ];
      for (const [file, pattern] of cases) {
        const said = (await fails(restoreBackup(shop.folder, file), StoreTrouble, pattern)).message;
        expect(said)
          .to.include(file)
          .and.not.match(/yj restore FILE \(this file/);
      }
      expect((await shop.store.list()).map((b) => b.id)).to.deep.equal(['plover', 'dunlin']);
      const { builds } = await restoreBackup(shop.folder, cases[2][0], { anyway: true });
      expect(builds).to.equal(2);
      expect((await shop.store.get('plover')).build.name).to.equal('Plover');
    });
    it('brought back by the command line beside the running program: saves go on', async () => {
      await shop.store.create(demo('plover'), '');
      const file = await backup(shop.folder);
      await saveOne('late');
      for (let round = 0; round < 2; round++) {
        const done = yj(shop.folder, 'restore', file);
        expect([done.status, done.stdout], done.stderr).to.satisfy(
          ([code, out]: [number, string]) => code === 0 && /1 build brought back/.test(out)
        );
        expect((await shop.store.get('plover')).build.notes).to.equal(demo('plover').notes);
        const saved = await saveOne(`after ${round}`);
        const other = await openDatabase(shop.folder);
        expect((await new BuildStore(other, [...parts.values()]).get('plover')).build.notes).to.equal(
          saved.build.notes
        );
        await other.destroy();
      }
    });
  });
});
