import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { expect } from 'chai';
import Database from 'libsql';
import { Kysely, SqliteDialect, sql } from 'kysely';
import { migrations } from '../../src/lib/server/migrations';
import { BuildStore } from '../../src/lib/server/builds';
import { databaseFile, migrate, openDatabase, type Tables } from '../../src/lib/server/database';
import { backup, health, restoreBackup } from '../../src/lib/server/keep';
import { StoreTrouble, storeTrouble } from '../../src/lib/server/trouble';
import type { Build } from '../../src/lib/core/model';
import { demo, parts } from '../support/demo';
import { killedSaver, makeProgram, program, programOutput, type Acknowledged } from '../support/programs';
import { Seeded } from '../support/random';
import { emptyFolder, fails, useShop } from '../support/store';
import { isTorture, torture } from '../support/torture';

/** The driver lets a file go only when its statements have been collected. */
async function collectGarbage(): Promise<void> {
  setFlagsFromString('--expose_gc');
  for (let i = 0; i < 2; i++) {
    await new Promise((done) => setTimeout(done, 20));
    (runInNewContext('gc') as () => void)();
  }
}

/** Every state that was acknowledged is on disk as it was said, and is behind the present state of its build. */
async function assertKept(folder: string, acknowledged: readonly Acknowledged[]): Promise<void> {
  const db = await openDatabase(folder);
  const rows = await db.selectFrom('revisions').select(['id', 'build', 'document']).execute();
  const kept = new Map(rows.map((r) => [r.id, `${r.build} ${(JSON.parse(r.document) as Build).notes}`]));
  for (const { build, revision, notes } of acknowledged)
    expect(kept.get(revision), `revision ${revision}`).to.equal(`${build} ${notes}`);
  const store = new BuildStore(db, [...parts.values()]);
  for (const id of new Set(acknowledged.map((a) => a.build))) {
    const last = Math.max(...acknowledged.filter((a) => a.build === id).map((a) => a.revision));
    expect((await store.get(id)).head, id).to.be.at.least(last);
  }
  await db.destroy();
  expect((await health(folder)).problems).to.deep.equal([]);
}

describe('durability', function () {
  this.timeout(torture(1_800_000, 600_000));
  before(makeProgram);

  it('loses no acknowledged save when it is killed in the middle of many', async () => {
    const folder = emptyFolder();
    const r = new Seeded(Date.now() & 0xffff);
    const acknowledged: Acknowledged[] = [];
    for (let round = 0; acknowledged.length < torture(3000, 100) && round < torture(60, 5); round++)
      acknowledged.push(...(await killedSaver(folder, 80 + r.int(500))).acknowledged);
    // How many go into the time depends on the machine; that none is lost does not.
    expect(acknowledged.length).to.be.greaterThan(20);
    await assertKept(folder, acknowledged);
    rmSync(folder, { recursive: true });
  });

  it('loses no acknowledged save of four clients while another program takes and drops locks', async () => {
    const folder = emptyFolder();
    await (await openDatabase(folder)).destroy();
    const locker = program(['lock', folder, '7']);
    const acknowledged: Acknowledged[] = [];
    let busy = 0;
    let kills = 0;
    const started = Date.now();
    // A machine with no core to spare may need longer until a save meets a lock.
    const isEnough = () =>
      Date.now() - started > torture(60_000, 2500) && busy > 0 && acknowledged.length > 10;
    while (!isEnough() && Date.now() - started < 240_000) {
      const round = await killedSaver(folder, 2000, { clients: 4, patience: 60 });
      acknowledged.push(...round.acknowledged);
      busy += round.busy;
      kills++;
    }
    locker.kill('SIGKILL');
    if (isTorture)
      console.log(`      ${acknowledged.length} saves acknowledged, ${busy} refused as busy, ${kills} kills`);
    expect(busy, 'saves that were refused').to.be.greaterThan(0);
    expect(acknowledged.length).to.be.greaterThan(10);
    await assertKept(folder, acknowledged);
    rmSync(folder, { recursive: true });
  });

  describe('trouble at start is one clear sentence, and the data stays as it was', () => {
    let folder: string;
    let file: string;
    beforeEach(async () => {
      folder = emptyFolder();
      file = databaseFile(folder);
      const db = await openDatabase(folder);
      await new BuildStore(db, [...parts.values()]).create(demo('plover'), '');
      await sql`PRAGMA wal_checkpoint(TRUNCATE)`.execute(db);
      await db.destroy();
    });
    afterEach(() => {
      chmodSync(folder, 0o755);
      rmSync(folder, { recursive: true, force: true });
    });
    const unchanged = async (work: () => Promise<unknown>) => {
      const before = readFileSync(file);
      const names = readdirSync(folder).filter((n) => !/-(wal|shm)$/.test(n));
      await work();
      expect(readFileSync(file).equals(before), 'the file').to.equal(true);
      expect(readdirSync(folder).filter((n) => !/-(wal|shm)$/.test(n))).to.deep.equal(names);
    };

    it('a full disk', () =>
      unchanged(async () => {
        const options = { freeBytes: () => 300 * 1024 };
        await fails(
          openDatabase(folder, options),
          StoreTrouble,
          /disk .* is full: 300 KiB are free.*Make room/
        );
      }));
    it('a file that is damaged in the middle, at its head, cut off, or is no database', async () => {
      const whole = readFileSync(file);
      const r = new Seeded(5);
      const noise = Buffer.from(Array.from({ length: 6000 }, () => r.int(256)));
      const damages: [string, Buffer][] = [
        ['middle', Buffer.concat([whole.subarray(0, 9000), noise, whole.subarray(15_000)])],
        ['head', Buffer.concat([noise, whole.subarray(6000)])],
        ['cut', whole.subarray(0, whole.length - 8192)],
        ['foreign', Buffer.from('name,slot\r\nplover,3\r\n'.repeat(500))]
      ];
      for (const [name, bytes] of damages) {
        writeFileSync(file, bytes);
        await unchanged(async () => {
          const said = (await fails(openDatabase(folder), StoreTrouble)).message;
          expect(said, name)
            .to.include(file)
            .and.match(/damaged|not a Yellow Jumper/)
            .and.match(/[Bb]ring back a backup/);
        });
      }
    });
    it('a database of another program', async () => {
      rmSync(file);
      const other = new Database(file);
      other.exec('CREATE TABLE recipes (name TEXT)');
      other.close();
      await unchanged(() => fails(openDatabase(folder), StoreTrouble, /not a Yellow Jumper database/));
    });
    it('a file that another program keeps locked, and one that is freed in time', async () => {
      await collectGarbage();
      const other = new Database(file);
      other.exec('PRAGMA journal_mode = DELETE');
      other.exec('BEGIN EXCLUSIVE');
      await unchanged(() =>
        fails(openDatabase(folder, { patience: 100 }), StoreTrouble, /keeps .* locked. Close it/)
      );
      other.exec('COMMIT');
      other.close();
      await (await openDatabase(folder, { patience: 100 })).destroy();
    });
    it('a folder or file that may not be written', async function () {
      if (process.getuid?.() !== 0) this.skip();
      const asNobody = () => programOutput(['as-nobody', folder]);
      chmodSync(folder, 0o755);
      await unchanged(async () => expect(asNobody()).to.match(/cannot be written by this user.*set YJ_DATA/));
      chmodSync(folder, 0o777);
      chmodSync(file, 0o644);
      await unchanged(async () =>
        expect(asNobody()).to.match(/yellow-jumper\.db cannot be written by this user/)
      );
      chmodSync(folder, 0o700);
      await unchanged(async () => expect(asNobody()).to.match(/cannot be written by this user/));
    });
    it('a file where the folder should be', async () => {
      const inTheWay = join(folder, 'data');
      writeFileSync(inTheWay, '');
      await fails(openDatabase(inTheWay), StoreTrouble, /cannot be a folder/);
    });
    it('a newer schema', async () => {
      const raw = new Database(file);
      raw.exec('PRAGMA user_version = 99');
      raw.close();
      await unchanged(() =>
        fails(openDatabase(folder), StoreTrouble, /newer release \(schema 99, this one knows \d+\)/)
      );
    });
  });

  describe('an older schema', () => {
    const older = async (folder: string) => {
      mkdirSync(folder, { recursive: true });
      const db = new Kysely<Tables>({
        dialect: new SqliteDialect({ database: new Database(databaseFile(folder)) })
      });
      await migrate(db, 0, 1);
      const at = '2026-01-02T03:04:05.000Z';
      for (const [i, id] of ['plover', 'dunlin'].entries()) {
        const document = JSON.stringify(demo(id));
        await sql`INSERT INTO revisions (id, build, parent, document, note, at) VALUES (${i * 2 + 1}, ${id}, null, ${document}, 'new', ${at})`.execute(
          db
        );
        await sql`INSERT INTO revisions (id, build, parent, document, note, at) VALUES (${i * 2 + 2}, ${id}, ${i * 2 + 1}, ${document}, 'again', ${at})`.execute(
          db
        );
        await sql`INSERT INTO builds (id, name, head, created, updated) VALUES (${id}, ${id}, ${i * 2 + 2}, ${at}, ${at})`.execute(
          db
        );
      }
      return db;
    };
    it('is brought up to date with all its builds, and a copy is made before', async () => {
      const folder = emptyFolder();
      await (await older(folder)).destroy();
      const db = await openDatabase(folder);
      const store = new BuildStore(db, [...parts.values()]);
      expect((await store.list()).map((b) => b.id)).to.deep.equal(['dunlin', 'plover']);
      expect((await store.step('plover', 'undo')).head).to.equal(1);
      await db.destroy();
      const copy = join(folder, `yellow-jumper.before-schema-${migrations.length}.db`);
      const raw = new Database(copy);
      expect(
        Number((raw.prepare('PRAGMA user_version').get() as { user_version: number }).user_version)
      ).to.equal(1);
      expect((raw.prepare('SELECT count(*) AS n FROM revisions').get() as { n: number }).n).to.equal(4);
      raw.close();
      await (await openDatabase(folder)).destroy();
      expect(
        readdirSync(folder).filter((n) => n.includes('before')),
        'one copy only'
      ).to.have.length(1);
      rmSync(folder, { recursive: true });
    });
    it('is left as it was when a step fails', async () => {
      const folder = emptyFolder();
      const old = await older(folder);
      await sql`CREATE TABLE sessions (other TEXT)`.execute(old);
      await old.destroy();
      const said = await fails(
        openDatabase(folder),
        StoreTrouble,
        new RegExp(`could not be brought from schema 1 to ${migrations.length}`)
      );
      expect(said.message).to.match(/left as it was, and a copy is in .*before-schema-\d/);
      const raw = new Database(databaseFile(folder));
      expect((raw.prepare('PRAGMA user_version').get() as { user_version: number }).user_version).to.equal(1);
      const columns = raw.prepare('SELECT name FROM pragma_table_info(?)').all('builds') as {
        name: string;
      }[];
      expect(columns.map((c) => c.name)).not.to.include('deleted');
      raw.close();
      rmSync(folder, { recursive: true });
    });
  });

  describe('while it runs', () => {
    const shop = useShop();
    it('says that the disk is full, keeps what was saved, and goes on when there is room', async () => {
      const { build, head } = await shop.store.create(demo('plover'), '');
      const { rows } = await sql<{ page_count: number }>`PRAGMA page_count`.execute(shop.db);
      await sql.raw(`PRAGMA max_page_count = ${rows[0].page_count + 2}`).execute(shop.db);
      const big = { ...build, notes: 'x'.repeat(19_000) };
      const error = await shop.store.save('plover', big, head, '').then(
        () => null,
        (e: unknown) => e
      );
      expect(storeTrouble(error, shop.folder)!.message).to.match(/disk .* is full. Make room.*is safe/);
      expect(await shop.store.get('plover')).to.deep.include({ head });
      await sql`PRAGMA max_page_count = 100000`.execute(shop.db);
      expect((await shop.store.save('plover', big, head, '')).build.notes).to.have.length(19_000);
    });
    it('is backed up whole while another program saves', async () => {
      const child = program(['save', shop.folder, '400']);
      let out = '';
      child.stdout!.on('data', (chunk: Buffer) => (out += chunk));
      const ended = new Promise((done) => child.on('close', done));
      while (out.split('\n').length < 20 && child.exitCode === null)
        await new Promise((done) => setTimeout(done, 20));
      const before = Number(out.trimEnd().split('\n').at(-1)!.split(' ')[1]);
      const file = await backup(shop.folder, join(shop.folder, 'copy.db'));
      child.kill('SIGKILL');
      await ended;
      const other = emptyFolder();
      copyFileSync(file, databaseFile(other));
      const found = await health(other);
      expect(found.problems).to.deep.equal([]);
      const db = await openDatabase(other);
      expect((await new BuildStore(db, []).get('plover')).head).to.be.at.least(before);
      await db.destroy();
      await fails(backup(shop.folder, file), StoreTrouble, /never writes over a file/);
    });
    it('takes a backup back while it runs, keeps what was there, and open pages hear of it', async () => {
      await shop.store.create(demo('plover'), '');
      const file = await backup(shop.folder);
      const later = await shop.store.create(demo('dunlin'), '');
      await shop.store.save('dunlin', { ...later.build, notes: 'late' }, later.head, '');
      const heard: string[] = [];
      const stop = shop.store.changes.listen((change) => heard.push(change.kind));
      await new Promise((done) => setTimeout(done, 100));
      const { builds, before } = await restoreBackup(shop.folder, file);
      expect(builds).to.equal(1);
      expect((await shop.store.list()).map((b) => b.id)).to.deep.equal(['plover']);
      for (let i = 0; i < 40 && !heard.includes('all'); i++)
        await new Promise((done) => setTimeout(done, 100));
      stop();
      expect(heard).to.include('all');
      expect((await restoreBackup(shop.folder, before)).builds, 'and back again').to.equal(2);
      expect((await shop.store.get('dunlin')).build.notes).to.equal('late');
    });
    it('refuses to bring back what is no backup, and changes nothing', async () => {
      await shop.store.create(demo('plover'), '');
      const wrong = join(shop.folder, 'wrong.db');
      writeFileSync(wrong, 'not a database'.repeat(100));
      await fails(restoreBackup(shop.folder, wrong), StoreTrouble, /wrong\.db is not brought back.*damaged/);
      await fails(restoreBackup(shop.folder, join(shop.folder, 'none.db')), StoreTrouble, /no backup/);
      expect((await shop.store.get('plover')).build.name).to.equal('Plover');
      expect(existsSync(wrong)).to.equal(true);
    });
    it('finds what is wrong in a file', async () => {
      const { head } = await shop.store.create(demo('plover'), '');
      await shop.store.create(demo('dunlin'), '');
      await shop.db.updateTable('revisions').set({ document: '{"id": 3}' }).where('id', '=', head).execute();
      await shop.db.updateTable('builds').set({ head: 999 }).where('id', '=', 'dunlin').execute();
      expect((await health(shop.folder)).problems).to.deep.equal([
        'build "dunlin" has lost its present state',
        `revision ${head} of "plover" cannot be read`
      ]);
    });
  });
});
