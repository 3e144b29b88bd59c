import { expect } from 'chai';
import '../support/runes';
import { isOfKind, type Build, type Part, type ShelfView } from '../../src/lib/core/model';
import { firstSlot } from '../../src/lib/core/resources';
import { FakePage, saved, turns } from '../support/page';
import { demo, parts } from '../support/demo';

const plover = demo('plover');
const all = [...parts.values()];
const itemOf = (build: Build, id: string) => build.items.find((i) => i.id === id);

describe('changes that the screens of a machine make', () => {
  const page = new FakePage();
  let edit: typeof import('../../src/lib/ui/fit/edit');
  let Session: typeof import('../../src/lib/ui/record/session.svelte').Session;
  before(async () => {
    edit = await import('../../src/lib/ui/fit/edit');
    ({ Session } = await import('../../src/lib/ui/record/session.svelte'));
  });
  const open = (build = plover) => new Session(saved(1, build), all);
  const cardFor = (build: Build, free: boolean): Part =>
    all.find((p) => isOfKind(p, 'card') && (firstSlot(build, parts, p) !== undefined) === free)!;
  /** A thing of the shelf as the server lists it. */
  const thingOf = (part: Part, more: object = {}): ShelfView =>
    ({
      item: { id: 's-1', part: part.id, asFound: {}, trials: [], condition: 'untested', ...more },
      kind: part.kind,
      usedIn: [],
      version: 3
    }) as unknown as ShelfView;

  it('a card goes into the first slot that takes it, nothing is said of how it is set, and it is selected', () => {
    const session = open();
    const card = cardFor(plover, true);
    const id = edit.addPart(session, card);
    const item = itemOf(session.build, id)!;
    expect([item.slot, session.selected]).to.deep.equal([firstSlot(plover, parts, card), id]);
    expect([item.asFound, item.chosen, item.locked]).to.deep.equal([{}, {}, []]);
    expect(session.build.items).to.have.length(plover.items.length + 1);
  });
  it('a second one of a part has an id of its own', () => {
    const session = open();
    const card = cardFor(plover, true);
    const [one, two] = [edit.addPart(session, card), edit.addPart(session, card)];
    expect(one).to.not.equal(two);
    expect(new Set(session.build.items.map((i) => i.id)).size).to.equal(session.build.items.length);
  });
  it('a card that no slot takes is in the machine without one', () => {
    const session = open();
    const card = cardFor(plover, false);
    const id = edit.addPart(session, card);
    expect(itemOf(session.build, id)).to.not.have.property('slot');
  });
  it('the one supply is exchanged and forgets what was known of the old one; where there is none it is added', () => {
    const [old, other] = all.filter((p) => isOfKind(p, 'supply'));
    const without = { ...plover, items: plover.items.filter((i) => parts.get(i.part)?.kind !== 'supply') };
    const session = open(without);
    edit.setOne(session, 'supply', old!);
    const suppliesOf = (build: Build) => build.items.filter((i) => parts.get(i.part)?.kind === 'supply');
    expect(suppliesOf(session.build).map((i) => i.part)).to.deep.equal([old!.id]);
    const [first] = suppliesOf(session.build);
    session.item(first!.id, (i) => ({ ...i, label: 'loud', specimen: 's-9' }), 'label');
    edit.setOne(session, 'supply', other!);
    expect(suppliesOf(session.build)).to.deep.equal([
      { id: first!.id, part: other!.id, asFound: {}, chosen: {}, locked: [] }
    ]);
  });
  it('a card that is seated where another is changes places with it', () => {
    const seated = plover.items.filter((i) => i.slot !== undefined);
    const [a, b] = seated;
    const session = open();
    edit.seat(session, a!.id, b!.slot);
    expect([itemOf(session.build, a!.id)?.slot, itemOf(session.build, b!.id)?.slot]).to.deep.equal([
      b!.slot,
      a!.slot
    ]);
    edit.seat(session, a!.id, undefined);
    expect(itemOf(session.build, a!.id)?.slot).to.equal(undefined);
    expect(itemOf(session.build, b!.id)?.slot, 'the other stays').to.equal(a!.slot);
  });
  it('what is taken out lies ready, with everything that was known of it', () => {
    const session = open();
    const audio = itemOf(plover, 'audio')!;
    edit.takeOut(session, 'audio');
    expect(itemOf(session.build, 'audio')).to.equal(undefined);
    const ready = session.build.shelf.find((i) => i.id === 'audio');
    if (ready) expect(ready.asFound).to.deep.equal(audio.asFound);
    else expect(session.build.items.some((i) => i.part === audio.part)).to.equal(false);
  });
  it('a drive is hung on a controller and keeps its number; without a controller it keeps what it had', () => {
    const session = open();
    const drive = plover.items.find((i) => parts.get(i.part)?.kind === 'drive' && i.cable)!;
    edit.hangOn(session, drive.id, { to: 'board', function: 'x' });
    expect(itemOf(session.build, drive.id)?.cable).to.deep.equal({
      ...drive.cable,
      to: 'board',
      function: 'x'
    });
    edit.hangOn(session, drive.id, null);
    expect(itemOf(session.build, drive.id)).to.not.have.property('cable');
  });

  describe('a thing of the shelf', () => {
    it('brings its settings as found, its tries and its label, and says when it is bad or another machine’s', async () => {
      const session = open();
      const card = cardFor(plover, true);
      const trial = { result: 'works' as const };
      const thing = {
        ...thingOf(card, { asFound: {}, trials: [trial], condition: 'faulty', label: 'scratched' }),
        usedIn: [{ build: 'dunlin', name: 'Dunlin', borrowed: false }]
      } as unknown as ShelfView;
      const fitted = edit.fitSpecimen(session, thing);
      await turns();
      const asked = page.next();
      expect(asked.path).to.equal(`/parts/${card.id}`);
      await asked.answer(200, card);
      expect(await fitted).to.equal(true);
      const item = session.build.items.find((i) => i.specimen === 's-1')!;
      expect([item.label, item.tried]).to.deep.equal(['scratched', [trial]]);
      expect([item.foundBad?.by, item.borrowed?.from]).to.deep.equal(['shelf', 'dunlin']);
    });
    it('that the server does not give changes nothing', async () => {
      const session = open();
      const fitted = edit.fitSpecimen(session, thingOf(cardFor(plover, true)));
      await turns();
      await page.next().answer(0, null);
      expect([await fitted, session.build]).to.deep.equal([false, plover]);
    });
    it('found bad is written in the build at once, and on the shelf where it is a thing of it', async () => {
      const session = open();
      expect(await edit.noteBad(session, 'audio', 'no sound'), 'no thing of the shelf').to.equal(null);
      expect(itemOf(session.build, 'audio')?.foundBad).to.deep.include({ by: 'start', why: 'no sound' });
      session.item('audio', (i) => ({ ...i, specimen: 's-1' }), 'thing');
      for (const request of page.asked.splice(0)) void request.answer(200, saved(2, session.build));
      await turns();
      page.asked.splice(0);
      const noted = edit.noteBad(session, 'audio', 'crackles');
      await turns();
      const look = page.asked.find((a) => a.path === '/shelf/s-1')!;
      expect(look.method).to.equal('GET');
      await look.answer(200, thingOf(cardFor(plover, true), { notes: 'from the loft' }));
      const put = page.asked.find((a) => a.method === 'PUT' && a.path === '/shelf/s-1')!;
      const { item, version } = put.body as unknown as {
        item: { condition: string; notes: string };
        version: number;
      };
      expect([item.condition, version]).to.deep.equal(['faulty', 3]);
      expect(item.notes).to.match(/^from the loft\n.*crackles/s);
      await put.answer(200, {});
      expect(await noted).to.equal(true);
      expect(await edit.noteBad(session, 'audio', null), 'taken back in the build alone').to.equal(null);
      expect(itemOf(session.build, 'audio')).to.not.have.property('foundBad');
    });
    it('a try is kept with the card, sixty at the most, and the shelf’s own are taken over once', async () => {
      const session = open();
      for (let n = 0; n < 70; n++) await edit.noteTry(session, 'audio', { result: 'works', note: String(n) });
      const tried = itemOf(session.build, 'audio')!.tried!;
      expect([tried.length, tried.at(-1)?.note]).to.deep.equal([60, '69']);
      const shelf = thingOf(cardFor(plover, true), {
        trials: [
          { result: 'works', note: '69' },
          { result: 'does-not', note: 'elsewhere' }
        ]
      });
      const untold = edit.untoldTries(itemOf(session.build, 'audio')!, shelf);
      expect(untold.map((t) => t.note)).to.deep.equal(['elsewhere']);
      edit.takeTries(session, 'audio', untold);
      expect(edit.untoldTries(itemOf(session.build, 'audio')!, shelf)).to.deep.equal([]);
      expect(edit.untoldTries(itemOf(session.build, 'audio')!, undefined)).to.deep.equal([]);
    });
  });

  it('sizes are told in the unit that comes out whole', () => {
    expect([640, 1024, 1536, 4096].map((kib) => edit.sizeText(kib))).to.deep.equal([
      '640 KiB',
      '1 MiB',
      '1536 KiB',
      '4 MiB'
    ]);
  });

  describe('a list that the server searches', () => {
    const rows = (n: number, from = 0) => Array.from({ length: n }, (_, i) => ({ id: `r${from + i}` }));
    const listing = async () => {
      const { Listing } = await import('../../src/lib/ui/listing.svelte');
      return new Listing('/shelf', 'things', { rows: rows(100), total: 250 });
    };
    it('brings a hundred more behind what is shown', async () => {
      const list = await listing();
      void list.more();
      const asked = page.next();
      expect(asked.path).to.equal('/shelf?q=&limit=100&offset=100');
      await asked.answer(200, { things: rows(100, 100), total: 250 });
      expect([list.rows.length, list.rows[150]?.id]).to.deep.equal([200, 'r150']);
    });
    it('looks again at as many as are shown', async () => {
      const list = await listing();
      void list.more();
      await page.next().answer(200, { things: rows(100, 100), total: 250 });
      void list.load();
      expect(page.next().path).to.equal('/shelf?q=&limit=200&offset=0');
    });
    it('an answer that comes late does not undo a later one', async () => {
      const list = await listing();
      list.query = 'vg';
      void list.load();
      list.query = 'vga';
      void list.load();
      const [slow, quick] = page.asked.splice(0);
      await quick!.answer(200, { things: rows(1), total: 1 });
      await slow!.answer(200, { things: rows(40), total: 40 });
      expect([list.rows.length, list.total]).to.deep.equal([1, 1]);
    });
    it('a server that is away leaves what is shown, and that is said', async () => {
      const list = await listing();
      void list.load();
      await page.next().answer(0, null);
      expect([list.away, list.rows.length]).to.deep.equal([true, 100]);
      void list.load();
      await page.next().answer(200, { things: [], total: 0 });
      expect([list.away, list.rows.length]).to.deep.equal([false, 0]);
    });
  });

  describe('the saved states of a build', () => {
    const state = (id: number, more: object = {}) => ({
      id,
      parent: id - 1,
      at: '2026-11-01T10:00:00.000Z',
      note: '',
      mark: null,
      isHead: false,
      changes: [],
      ...more
    });
    const opened = async () => {
      const { History } = await import('../../src/lib/ui/log/history.svelte');
      const session = open();
      return { session, history: new History(session) };
    };
    it('come newest first, and older ones behind the last that is shown', async () => {
      const { history } = await opened();
      void history.load();
      const first = page.next();
      expect(first.path).to.equal('/builds/plover/revisions?limit=50&marked=false');
      await first.answer(200, { revisions: [state(9), state(8)], more: true });
      void history.older();
      const older = page.next();
      expect(older.path).to.match(/before=8/);
      await older.answer(200, { revisions: [state(7)], more: false });
      expect([history.states.map((s) => s.id), history.more]).to.deep.equal([[9, 8, 7], false]);
    });
    it('one is brought back only when nothing waits, and on the state that is shown', async () => {
      const { session, history } = await opened();
      const back = history.restore(7);
      await turns();
      const asked = page.next();
      expect([asked.path, asked.body?.base]).to.deep.equal(['/builds/plover/revisions/7/restore', 1]);
      await asked.answer(200, saved(10, { ...plover, notes: 'as it was' }));
      expect([await back, session.build.notes, session.head]).to.deep.equal([true, 'as it was', 10]);
      session.change({ ...plover, notes: 'new' }, 'note');
      await turns();
      for (const request of page.asked.splice(0)) await request.answer(0, null);
      const again = history.restore(7);
      await turns();
      for (const request of page.asked.splice(0)) await request.answer(0, null);
      expect(await again).to.equal(false);
      expect(history.trouble).to.not.equal('');
    });
    it('is compared with now, and the comparison goes when it is asked for again', async () => {
      const { history } = await opened();
      void history.compare(7);
      await page.next().answer(200, { changes: [{ id: 'a' }] });
      expect(history.compared?.id).to.equal(7);
      await history.compare(7);
      expect([history.compared, page.asked]).to.deep.equal([null, []]);
    });
    it('is named, and an empty name takes the name away', async () => {
      const { history } = await opened();
      void history.mark(7, '  worked ');
      const named = page.next();
      expect([named.method, named.path, (named.body as unknown as { name: string }).name]).to.deep.equal([
        'PUT',
        '/builds/plover/revisions/7/mark',
        'worked'
      ]);
      await named.answer(200, {});
      page.asked.splice(0);
      void history.mark(7, '  ');
      expect(page.next().method).to.equal('DELETE');
    });
    it('what the server refuses is said, and what is shown stays', async () => {
      const { history } = await opened();
      void history.load();
      await page.next().answer(200, { revisions: [state(9)], more: false });
      void history.load();
      await page.next().answer(500, { title: 'The disk is full', status: 500 });
      expect([history.trouble, history.states.length]).to.deep.equal(['The disk is full', 1]);
    });
  });
});
