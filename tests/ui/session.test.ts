import { expect } from 'chai';
import '../support/runes';
import type { Build, Item } from '../../src/lib/core/model';
import { FakeEvents, FakePage, saved, turns } from '../support/page';
import { demo, parts } from '../support/demo';

const plover = demo('plover');
const noted = (notes: string): Build => ({ ...plover, notes });
const all = [...parts.values()];

describe('what an open build does with the record', () => {
  const page = new FakePage();
  let Session: typeof import('../../src/lib/ui/record/session.svelte').Session;
  before(async () => {
    ({ Session } = await import('../../src/lib/ui/record/session.svelte'));
  });
  const open = (known = all) => new Session(saved(1, plover), known);
  const put = async (session: InstanceType<typeof Session>, notes: string) => {
    session.change(noted(notes), notes);
    await turns();
    return page.next();
  };

  describe('undo and redo', () => {
    it('are the server’s, and show what it answers', async () => {
      const session = open();
      void session.step('undo');
      await turns();
      const step = page.next();
      expect([step.method, step.path]).to.deep.equal(['POST', '/builds/plover/undo']);
      await step.answer(200, { ...saved(1, noted('before')), canUndo: false, canRedo: true });
      expect([session.build.notes, session.canUndo, session.canRedo]).to.deep.equal(['before', false, true]);
      void session.step('redo');
      await turns();
      expect(page.next().path).to.equal('/builds/plover/redo');
    });
    it('undo takes back what the server has not seen yet, without asking it', async () => {
      const session = open();
      await (await put(session, 'one')).answer(0, null);
      session.change(noted('two'), 'two');
      await turns();
      for (const request of page.asked.splice(0)) await request.answer(0, null);
      expect([session.waiting, session.build.notes]).to.deep.equal([2, 'two']);
      void session.step('undo');
      await turns();
      for (const request of page.asked.splice(0)) await request.answer(0, null);
      expect([session.waiting, session.build.notes]).to.deep.equal([1, 'one']);
      void session.step('undo');
      await turns();
      for (const request of page.asked.splice(0)) await request.answer(0, null);
      expect([session.waiting, session.build]).to.deep.equal([0, plover]);
      expect(page.pending).to.deep.equal([]);
    });
    it('redo waits for nothing that is not saved: it does nothing then', async () => {
      const session = open();
      await (await put(session, 'one')).answer(0, null);
      void session.step('redo');
      await turns();
      for (const request of page.asked.splice(0)) {
        expect(request.method).to.equal('PUT');
        await request.answer(0, null);
      }
      expect([session.waiting, session.build.notes]).to.deep.equal([1, 'one']);
    });
    it('a server that is away is said, and nothing on the screen changes', async () => {
      const session = open();
      void session.step('undo');
      await turns();
      await page.next().answer(0, null);
      expect([session.isAway, session.build]).to.deep.equal([true, plover]);
    });
  });

  describe('what the server will not take', () => {
    it('stays on the screen with what is wrong, and the next state may be right', async () => {
      const session = open();
      const problems = [{ path: 'items[0].slot', message: 'there is no slot "9"' }];
      await (await put(session, 'wrong')).answer(422, { title: 'Not whole', status: 422, problems });
      expect(session.trouble).to.deep.equal({
        kind: 'refused',
        lines: ['items[0].slot: there is no slot "9"']
      });
      expect([session.build.notes, session.waiting, page.pending]).to.deep.equal(['wrong', 0, []]);
      const right = await put(session, 'right');
      expect(right.body?.base).to.equal(1);
      await right.answer(200, saved(2, right.body!.build));
      expect([session.trouble.kind, session.head]).to.deep.equal(['fine', 2]);
    });
    it('can be left: what was saved last is shown again', async () => {
      const session = open();
      await (await put(session, 'wrong')).answer(422, { title: 'Not whole', status: 422 });
      session.revert();
      expect([session.build, session.trouble.kind]).to.deep.equal([plover, 'fine']);
      await turns();
      await page.next().answer(200, saved(1, plover));
    });
    it('a disk without room is no fault of the state: it waits', async () => {
      const session = open();
      await (await put(session, 'kept')).answer(507, { title: 'No room on the disk', status: 507 });
      expect([session.trouble.kind, session.waiting]).to.deep.equal(['refused', 1]);
      expect(page.pending).to.have.length(1);
    });
    it('without the passphrase it waits too', async () => {
      const session = open();
      await (await put(session, 'kept')).answer(401, { title: 'Sign in', status: 401 });
      expect(session.trouble).to.deep.equal({ kind: 'locked', lines: ['Sign in'] });
      expect([session.waiting, page.pending.length]).to.deep.equal([1, 1]);
    });
  });

  describe('a build that is not there any more', () => {
    it('binned: what was changed waits, and goes out once it is put back', async () => {
      const session = open();
      await (await put(session, 'late')).answer(410, { title: 'In the bin', status: 410, bin: true });
      expect([session.trouble.kind, session.waiting]).to.deep.equal(['binned', 1]);
      void session.putBack();
      await turns();
      const back = page.next();
      expect([back.method, back.path]).to.deep.equal(['POST', '/builds/plover/put-back']);
      await back.answer(200, {});
      const again = page.next();
      expect([again.method, again.body?.build.notes]).to.deep.equal(['PUT', 'late']);
      await again.answer(200, saved(2, again.body!.build));
      expect([session.trouble.kind, session.waiting]).to.deep.equal(['fine', 0]);
    });
    it('a bin that does not give it back leaves it said', async () => {
      const session = open();
      await (await put(session, 'late')).answer(410, { title: 'In the bin', status: 410 });
      void session.putBack();
      await turns();
      await page.next().answer(404, { title: 'Not there', status: 404 });
      expect([session.trouble.kind, session.waiting]).to.deep.equal(['binned', 1]);
    });
    it('gone for good: the state on the screen can be kept as a build of its own', async () => {
      const session = open();
      await (await put(session, 'late')).answer(404, { title: 'Not there', status: 404 });
      expect([session.trouble.kind, page.pending.length]).to.deep.equal(['gone', 1]);
      const kept = session.keepCopy('Plover, my copy');
      for (let i = 0; i < 200 && !page.asked.length; i++) await turns();
      const copy = page.next();
      expect([copy.method, copy.path]).to.deep.equal(['POST', '/import']);
      const file = copy.body as unknown as { build: Build };
      expect([file.build.name, file.build.notes]).to.deep.equal(['Plover, my copy', 'late']);
      await copy.answer(201, saved(9, { ...file.build, id: 'plover-2' }));
      expect(await kept).to.equal('plover-2');
      expect([session.waiting, page.pending]).to.deep.equal([0, []]);
    });
    it('a copy that is not taken is said, and nothing is lost', async () => {
      const session = open();
      await (await put(session, 'late')).answer(404, { title: 'Not there', status: 404 });
      const kept = session.keepCopy('x'.repeat(500));
      for (let i = 0; i < 200 && !page.asked.length; i++) await turns();
      await page.next().answer(422, { title: 'The name is too long', status: 422 });
      expect(await kept).to.equal(null);
      expect(session.trouble).to.deep.equal({ kind: 'refused', lines: ['The name is too long'] });
      expect([session.build.notes, page.pending.length]).to.deep.equal(['late', 1]);
    });
  });

  describe('what others do', () => {
    it('is shown at once, and said', async () => {
      const session = open();
      const stop = session.start();
      FakeEvents.last.tell('build', { id: 'plover', head: 2 });
      await turns();
      await page.next().answer(200, saved(2, noted('theirs')));
      expect([session.build.notes, session.followed, session.head]).to.deep.equal(['theirs', true, 2]);
      session.change(noted('mine'), 'mine');
      expect(session.followed, 'no more, once something is done here').to.equal(false);
      stop();
    });
    it('to another build is none of its business, and what it did itself is no news', async () => {
      const session = open();
      const stop = session.start();
      FakeEvents.last.tell('build', { id: 'dunlin', head: 9 });
      FakeEvents.last.tell('build', { id: 'plover', head: 1 });
      await turns();
      expect(page.asked).to.deep.equal([]);
      stop();
    });
    it('brings parts that are not known here: they are fetched before it is shown', async () => {
      const card = plover.items.find((i) => i.id === 'audio')!;
      const known = all.filter((p) => p.id !== card.part);
      const without = { ...plover, items: plover.items.filter((i) => i !== card) };
      const session = new Session(saved(1, without), known);
      const stop = session.start();
      FakeEvents.last.tell('all');
      await turns();
      await page.next().answer(200, saved(2, plover));
      const fetched = page.next();
      expect([fetched.path, session.build]).to.deep.equal([`/parts/${card.part}`, without]);
      await fetched.answer(200, parts.get(card.part));
      expect(session.build).to.deep.equal(plover);
      stop();
    });
    it('a part that does not come leaves the old state, and says that the server is away', async () => {
      const card = plover.items.find((i) => i.id === 'audio')!;
      const session = new Session(
        saved(1, { ...plover, items: [] }),
        all.filter((p) => p.id !== card.part)
      );
      const stop = session.start();
      FakeEvents.last.tell('all');
      await turns();
      await page.next().answer(200, saved(2, plover));
      await page.next().answer(0, null);
      expect([session.isAway, session.build.items]).to.deep.equal([true, []]);
      stop();
    });
    it('never takes away what is being typed here: what waits goes first', async () => {
      const session = open();
      const stop = session.start();
      const mine = await put(session, 'mine');
      FakeEvents.last.tell('all');
      await turns();
      expect(page.asked, 'nothing is looked at while a save is under way').to.deep.equal([]);
      await mine.answer(200, saved(2, noted('mine')));
      const look = page.next();
      expect(look.method).to.equal('GET');
      await look.answer(200, saved(3, noted('theirs')));
      expect([session.build.notes, session.head]).to.deep.equal(['theirs', 3]);
      stop();
    });
    it('two states that differ in nothing are no collision', async () => {
      const session = open();
      await (
        await put(session, 'same')
      ).answer(409, {
        title: 'Changed elsewhere',
        status: 409,
        current: saved(2, noted('same'))
      });
      expect([session.collision, session.waiting, session.head]).to.deep.equal([null, 0, 2]);
    });
  });

  describe('on the screen', () => {
    it('a trial is shown and not kept; any change ends it', async () => {
      const session = open();
      session.tryPosition('audio', 'irq', '7');
      const chosen = (build: Build) => build.items.find((i) => i.id === 'audio')?.chosen.irq;
      expect([chosen(session.trial!), chosen(session.build)]).to.deep.equal(['7', chosen(plover)]);
      expect([page.asked, session.waiting]).to.deep.equal([[], 0]);
      session.item('audio', (item: Item) => ({ ...item, label: 'mine' }), 'label');
      expect([session.trial, session.build.items.find((i) => i.id === 'audio')?.label]).to.deep.equal([
        null,
        'mine'
      ]);
    });
    it('a reason of any length is cut to what the record takes', async () => {
      const session = open();
      session.change(noted('x'), 'y'.repeat(900));
      await turns();
      const notes = page.asked.map(({ body }) => (body as unknown as { note: string }).note);
      expect(notes).to.include('y'.repeat(200));
    });
    it('findings are counted by how bad they are', () => {
      const session = open();
      const total = (['stop', 'clash', 'caution', 'note'] as const).reduce((n, s) => n + session.count(s), 0);
      expect(total).to.equal(session.findings.length);
      expect(session.count('clash')).to.be.greaterThan(0);
    });
    it('a part is known once', () => {
      const session = open();
      const before = session.partList.length;
      session.know(all[0]!);
      expect(session.partList.length).to.equal(before);
      session.know({ ...all[0]!, id: 'new-one' });
      expect(session.partList.length).to.equal(before + 1);
    });
    it('a page that closes keeps what is not acknowledged', async () => {
      const session = open();
      const stop = session.start();
      session.change(noted('closing'), 'note');
      stop();
      expect(page.pending).to.have.length(1);
      const [text] = page.pending.map((key) => page.kept.get(key)!);
      expect((JSON.parse(text!) as { queue: { build: Build }[] }).queue[0]!.build.notes).to.equal('closing');
    });
  });
});
