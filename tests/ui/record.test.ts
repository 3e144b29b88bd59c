import { expect } from 'chai';
import '../support/runes';
import type { Build } from '../../src/lib/core/model';
import type { Saved } from '../../src/lib/ui/record/send';
import { demo, parts } from '../support/demo';
import { FakeEvents, FakePage, saved, turns } from '../support/page';

const plover = demo('plover');
const withIrq = (build: Build, irq: string): Build => ({
  ...build,
  items: build.items.map((i) => (i.id === 'audio' ? { ...i, chosen: { ...i.chosen, irq } } : i))
});

describe('the record of a build on its way to the server', () => {
  const page = new FakePage();
  const { kept } = page;
  let Session: typeof import('../../src/lib/ui/record/session.svelte').Session;
  before(async () => {
    ({ Session } = await import('../../src/lib/ui/record/session.svelte'));
  });
  const open = () => new Session(saved(1, plover), [...parts.values()]);
  const conflict = (current: Saved) => ({ title: 'Changed elsewhere', status: 409, current });
  const next = () => page.next();

  it('sends changes one after the other, each on the state before it', async () => {
    const session = open();
    session.change(withIrq(plover, '7'), 'first');
    session.change({ ...withIrq(plover, '7'), notes: 'second' }, 'second');
    await turns();
    expect(page.asked).to.have.length(1);
    const first = next();
    expect([first.method, first.body?.base]).to.deep.equal(['PUT', 1]);
    await first.answer(200, saved(2, first.body!.build));
    const second = next();
    expect([second.body?.base, second.body?.build.notes]).to.deep.equal([2, 'second']);
    await second.answer(200, saved(3, second.body!.build));
    expect([session.waiting, session.head, page.asked.length]).to.deep.equal([0, 3, 0]);
    expect(page.pending).to.deep.equal([]);
  });

  it('keeps what waits while the server is away, and sends it when it is heard again', async () => {
    const session = open();
    const stop = session.start();
    session.change(withIrq(plover, '7'), 'kept');
    await turns();
    await next().answer(0, null);
    expect([session.isAway, session.waiting]).to.deep.equal([true, 1]);
    expect(page.pending).to.have.length(1);
    FakeEvents.last.tell('all');
    await turns();
    const again = next();
    expect(again.body?.build.items.find((i) => i.id === 'audio')?.chosen.irq).to.equal('7');
    await again.answer(200, saved(2, again.body!.build));
    expect([session.isAway, session.waiting]).to.deep.equal([false, 0]);
    stop();
  });

  it('takes up what an earlier page left, and does not send twice what had arrived', async () => {
    const left = { base: saved(1, plover), queue: [{ build: withIrq(plover, '7'), note: 'left' }] };
    kept.set('yj-pending:plover:other', JSON.stringify(left));
    const session = new Session(saved(2, withIrq(plover, '7')), [...parts.values()]);
    const stop = session.start();
    await turns();
    const put = next();
    expect([put.method, put.body?.base]).to.deep.equal(['PUT', 1]);
    await put.answer(409, conflict(saved(2, withIrq(plover, '7'))));
    expect([session.waiting, session.collision, session.head]).to.deep.equal([0, null, 2]);
    stop();
  });

  it('asks for a decision where both changed one fact, and sends nothing until then', async () => {
    const session = open();
    const theirs = withIrq(plover, '10');
    session.change(withIrq(plover, '7'), 'mine');
    await turns();
    await next().answer(409, conflict(saved(2, theirs)));
    // What tells two states apart is loaded first.
    for (let i = 0; i < 500 && !session.collision; i++) await turns();
    expect(session.collision?.theirs.head).to.equal(2);
    await session.flush();
    expect(page.asked).to.have.length(0);
    session.settle(withIrq(plover, '7'));
    await turns();
    const decided = next();
    expect([decided.body?.base, session.collision]).to.deep.equal([2, null]);
    await decided.answer(200, saved(3, decided.body!.build));
    expect(session.head).to.equal(3);
  });

  it('a refusal that is answered late, after the decision, changes nothing of it', async () => {
    const session = open();
    const stop = session.start();
    const theirs = saved(2, { ...withIrq(plover, '10'), notes: 'from elsewhere' });
    session.change(withIrq(plover, '7'), 'mine');
    await turns();
    const [slow] = page.asked.splice(0, 1);
    // The decision comes before the answer: the page had asked twice, as it does when it hears of a change meanwhile.
    session.collision = { base: plover, mine: session.build, theirs };
    session.settle(withIrq(plover, '7'));
    await turns();
    await slow.answer(409, conflict(theirs));
    for (let i = 0; i < 20 && !page.asked.length; i++) await turns();
    expect(session.collision, 'it is not asked again').to.equal(null);
    const decided = next();
    expect([decided.method, decided.body?.base]).to.deep.equal(['PUT', 2]);
    await decided.answer(200, saved(3, decided.body!.build));
    expect([session.head, session.waiting]).to.deep.equal([3, 0]);
    expect(session.build.items.find((i) => i.id === 'audio')?.chosen.irq).to.equal('7');
    stop();
  });

  it('an older state that is answered late is not shown over a newer one', async () => {
    const session = open();
    const stop = session.start();
    FakeEvents.last.tell('all');
    await turns();
    const look = next();
    session.change(withIrq(plover, '7'), 'mine');
    await turns();
    const put = next();
    await put.answer(200, saved(3, put.body!.build));
    await look.answer(200, saved(1, plover));
    expect([session.head, session.build.items.find((i) => i.id === 'audio')?.chosen.irq]).to.deep.equal([
      3,
      '7'
    ]);
    stop();
  });

  it('a state that was undone elsewhere does not come back when the server goes away', async () => {
    // Saved by an earlier page of this browser, and undone on another machine since.
    const undone = withIrq(plover, '10');
    kept.set('yj-last:plover', JSON.stringify(saved(3, undone)));
    const session = open();
    const stop = session.start();
    FakeEvents.last.tell('all');
    await turns();
    await next().answer(200, saved(1, plover, '2026-11-04'));
    FakeEvents.last.tell('all');
    await turns();
    await next().answer(0, null);
    expect([session.isAway, session.head]).to.deep.equal([true, 1]);
    expect(session.build).to.deep.equal(plover);
    stop();
    // Nor in the next page, which the browser may have kept from before.
    const later = open();
    const end = later.start();
    FakeEvents.last.tell('all');
    await turns();
    await next().answer(0, null);
    expect(later.head).to.equal(1);
    end();
  });

  it('nor when the page was opened after it, and the server goes away before the first look', async () => {
    kept.set('yj-last:plover', JSON.stringify(saved(3, withIrq(plover, '10'))));
    const session = new Session(saved(1, plover, '2026-11-04'), [...parts.values()]);
    const stop = session.start();
    FakeEvents.last.tell('all');
    await turns();
    await next().answer(0, null);
    expect([session.isAway, session.head, session.build]).to.deep.equal([true, 1, plover]);
    stop();
  });

  it('a page that was kept from earlier takes up what this browser saved since', async () => {
    kept.set('yj-last:plover', JSON.stringify(saved(3, withIrq(plover, '10'))));
    const session = open();
    const stop = session.start();
    FakeEvents.last.tell('all');
    await turns();
    await next().answer(0, null);
    expect([session.head, session.build]).to.deep.equal([3, withIrq(plover, '10')]);
    stop();
  });

  it('what an earlier page left is not lost when this one closes before it is taken up', async () => {
    const queue = [{ build: withIrq(plover, '7'), note: 'left' }];
    kept.set('yj-pending:plover:other', JSON.stringify({ base: saved(1, plover), queue }));
    // A part that this page does not know yet has to be fetched first.
    const session = new Session(
      saved(1, plover),
      [...parts.values()].filter((part) => part.id !== plover.items[0]!.part)
    );
    const stop = session.start();
    await turns();
    expect(next().path).to.equal(`/parts/${plover.items[0]!.part}`);
    stop();
    const left = [...kept].filter(([key]) => key.startsWith('yj-pending:plover:'));
    expect(left.map(([, text]) => (JSON.parse(text) as { queue: unknown }).queue)).to.deep.equal([queue]);
  });
});
