import { expect } from 'chai';
import '../support/runes';
import type { Build } from '../../src/lib/core/model';
import type { Saved } from '../../src/lib/ui/record/send';
import { demo, parts } from '../support/demo';
import { storageOf } from '../support/storage';

/** One request of the page, answered when and as the test says. */
interface Asked {
  method: string;
  path: string;
  body: { base: number; build: Build } | null;
  answer(status: number, value: unknown): Promise<void>;
}

const kept = new Map<string, string>();
const localStorage = storageOf(kept);
class FakeEvents {
  static CLOSED = 2;
  readyState = 0;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  static last: FakeEvents;
  private readonly heard = new Map<string, (event: { data: string }) => void>();
  constructor() {
    FakeEvents.last = this;
  }
  addEventListener(name: string, to: (event: { data: string }) => void) {
    this.heard.set(name, to);
  }
  tell(name: string, data: unknown = null) {
    this.heard.get(name)?.({ data: JSON.stringify(data) });
  }
  close() {}
}

const plover = demo('plover');
/** A state with the number `head`; a higher number was saved later, unless the test says otherwise. */
const saved = (head: number, build: Build, updated = `2026-11-0${head}`): Saved => ({
  head,
  build,
  updated,
  canUndo: true,
  canRedo: false
});
const withIrq = (build: Build, irq: string): Build => ({
  ...build,
  items: build.items.map((i) => (i.id === 'audio' ? { ...i, chosen: { ...i.chosen, irq } } : i))
});
const turns = async () => {
  // Two of the page's own timers, which it sets to 0.
  for (let i = 0; i < 2; i++) await new Promise((done) => setTimeout(done, 5));
};

describe('the record of a build on its way to the server', () => {
  const replaced = new Map<string, PropertyDescriptor | undefined>();
  let asked: Asked[] = [];
  let Session: typeof import('../../src/lib/ui/record/session.svelte').Session;
  const fakes: Record<string, unknown> = {
    localStorage,
    EventSource: FakeEvents,
    document: { hidden: false, addEventListener() {}, removeEventListener() {} },
    addEventListener() {},
    removeEventListener() {},
    fetch: (url: string, { method, body }: { method: string; body?: string }) =>
      new Promise((done, fail) => {
        asked.push({
          method,
          path: url.replace('/api/v1', ''),
          body: body === undefined ? null : (JSON.parse(body) as Asked['body']),
          answer: (status, value) => {
            if (status === 0) fail(new Error('no server'));
            else done({ ok: status < 400, json: () => Promise.resolve(value) });
            return turns();
          }
        });
      })
  };
  before(async () => {
    for (const [name, value] of Object.entries(fakes)) {
      replaced.set(name, Object.getOwnPropertyDescriptor(globalThis, name));
      Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
    }
    ({ Session } = await import('../../src/lib/ui/record/session.svelte'));
  });
  after(() => {
    for (const [name, was] of replaced)
      if (was) Object.defineProperty(globalThis, name, was);
      else delete (globalThis as Record<string, unknown>)[name];
  });
  beforeEach(() => {
    asked = [];
    kept.clear();
  });
  const open = () => new Session(saved(1, plover), [...parts.values()]);
  const conflict = (current: Saved) => ({ title: 'Changed elsewhere', status: 409, current });
  const next = (): Asked => {
    const one = asked.shift();
    if (!one) throw new Error('nothing was asked');
    return one;
  };

  it('sends changes one after the other, each on the state before it', async () => {
    const session = open();
    session.change(withIrq(plover, '7'), 'first');
    session.change({ ...withIrq(plover, '7'), notes: 'second' }, 'second');
    await turns();
    expect(asked).to.have.length(1);
    const first = next();
    expect([first.method, first.body?.base]).to.deep.equal(['PUT', 1]);
    await first.answer(200, saved(2, first.body!.build));
    const second = next();
    expect([second.body?.base, second.body?.build.notes]).to.deep.equal([2, 'second']);
    await second.answer(200, saved(3, second.body!.build));
    expect([session.waiting, session.head, asked.length]).to.deep.equal([0, 3, 0]);
    expect([...kept.keys()].filter((k) => k.includes('pending'))).to.deep.equal([]);
  });

  it('keeps what waits while the server is away, and sends it when it is heard again', async () => {
    const session = open();
    const stop = session.start();
    session.change(withIrq(plover, '7'), 'kept');
    await turns();
    await next().answer(0, null);
    expect([session.isAway, session.waiting]).to.deep.equal([true, 1]);
    expect([...kept.keys()].filter((k) => k.includes('pending'))).to.have.length(1);
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
    expect(asked).to.have.length(0);
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
    const [slow] = asked.splice(0, 1);
    // The decision comes before the answer: the page had asked twice, as it does when it hears of a change meanwhile.
    session.collision = { base: plover, mine: session.build, theirs };
    session.settle(withIrq(plover, '7'));
    await turns();
    await slow.answer(409, conflict(theirs));
    for (let i = 0; i < 20 && !asked.length; i++) await turns();
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
