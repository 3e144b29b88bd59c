import { expect } from 'chai';
import fc from 'fast-check';
import '../support/runes';
import { storageOf } from '../support/storage';
import { mergeFields } from '../../src/lib/core/model';
import { KeptList, type ListWay } from '../../src/lib/ui/record/kept-list.svelte';
import { KeptRecord, type Versioned } from '../../src/lib/ui/record/kept.svelte';
import type { Reply } from '../../src/lib/ui/record/send';

interface Thing {
  name: string;
  notes?: string;
  tries: string[];
}
const away = { ok: false, away: true } as const;
const stale = { ok: false, problem: { title: 'Changed elsewhere', status: 409 } } as const;

/** A server that holds one document, refuses what stands on an older state, and can be away. */
class FakeServer {
  version = 1;
  isAway = false;
  saves = 0;
  constructor(public value: Thing) {}
  readonly way = {
    key: 'things/a',
    save: (value: Thing, version: number): Promise<Reply<Versioned<Thing>>> => {
      if (this.isAway) return Promise.resolve(away);
      if (version !== this.version) return Promise.resolve(stale);
      this.saves++;
      this.elsewhere(value);
      return this.way.load();
    },
    load: (): Promise<Reply<Versioned<Thing>>> =>
      Promise.resolve(this.isAway ? away : { ok: true, value: { value: this.value, version: this.version } })
  };
  elsewhere(value: Thing) {
    this.value = value;
    this.version++;
  }
}

describe('a document that is saved as it is changed', () => {
  const first: Thing = { name: 'a', tries: ['one'] };
  const kept = new Map<string, string>();
  let was: PropertyDescriptor | undefined;
  before(() => {
    was = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: storageOf(kept)
    });
  });
  after(() => {
    if (was) Object.defineProperty(globalThis, 'localStorage', was);
    else delete (globalThis as Record<string, unknown>).localStorage;
  });
  beforeEach(() => kept.clear());
  const opened = () => {
    const server = new FakeServer(first);
    return { server, record: new KeptRecord<Thing>(server.way, { value: first, version: 1 }) };
  };

  it('saves changes one after the other, and what changes meanwhile follows', async () => {
    const { server, record } = opened();
    const done = record.change({ ...first, notes: '1' });
    void record.change({ ...first, notes: '2' });
    void record.change({ ...first, notes: '3' });
    await done;
    expect([server.value.notes, server.saves, record.version, record.isSaved]).to.deep.equal([
      '3',
      2,
      3,
      true
    ]);
  });

  it('what waits for a server that is away outlives the page, and is sent by the next', async () => {
    const { server, record } = opened();
    const stop = record.start();
    server.isAway = true;
    await record.change({ ...first, notes: 'typed' });
    expect([record.trouble, record.now.notes, server.value.notes]).to.deep.equal([
      'away',
      'typed',
      undefined
    ]);
    stop();
    server.isAway = false;
    const next = new KeptRecord<Thing>(server.way, { value: server.value, version: server.version });
    const end = next.start();
    await next.settled();
    expect([server.value.notes, next.trouble, kept.size]).to.deep.equal(['typed', 'fine', 0]);
    end();
  });

  it('takes in what another window saved, field by field', async () => {
    const { server, record } = opened();
    server.elsewhere({ ...first, name: 'b', tries: ['one', 'theirs'] });
    await record.change({ ...first, notes: 'mine', tries: ['one', 'mine'] });
    const whole = { name: 'b', notes: 'mine', tries: ['one', 'theirs', 'mine'] };
    expect([server.value, record.now, record.both]).to.deep.equal([whole, whole, null]);
  });

  it('offers ours where both changed one field, over a reload too', async () => {
    const { server, record } = opened();
    server.elsewhere({ ...first, notes: 'theirs' });
    await record.change({ ...first, notes: 'mine', name: 'c' });
    expect([record.now, record.both]).to.deep.equal([
      { name: 'c', notes: 'theirs', tries: ['one'] },
      { notes: 'mine' }
    ]);
    const next = new KeptRecord<Thing>(server.way, { value: server.value, version: server.version });
    const end = next.start();
    await next.settled();
    expect(next.both).to.deep.equal({ notes: 'mine' });
    next.useMine();
    await next.settled();
    expect([server.value, next.both, kept.size]).to.deep.equal([
      { name: 'c', notes: 'mine', tries: ['one'] },
      null,
      0
    ]);
    end();
  });

  it('a decision that waits outlives a server that goes away, beside what was changed since', async () => {
    const { server, record } = opened();
    const stop = record.start();
    server.elsewhere({ ...first, notes: 'theirs' });
    await record.change({ ...first, notes: 'mine' });
    server.isAway = true;
    await record.change({ ...record.now, name: 'd' });
    stop();
    server.isAway = false;
    const next = new KeptRecord<Thing>(server.way, { value: server.value, version: server.version });
    const end = next.start();
    await next.settled();
    expect([server.value.name, server.value.notes, next.both]).to.deep.equal([
      'd',
      'theirs',
      { notes: 'mine' }
    ]);
    next.useTheirs();
    expect(kept.size).to.equal(0);
    end();
  });

  it('leaves what is shown when theirs is chosen', async () => {
    const { server, record } = opened();
    server.elsewhere({ ...first, notes: 'theirs' });
    await record.change({ ...first, notes: 'mine' });
    record.useTheirs();
    expect([record.now.notes, record.both, kept.size]).to.deep.equal(['theirs', null, 0]);
  });

  it('a state that the server refuses stays on the screen with what is wrong', async () => {
    const refusal = { title: 'Not saved', status: 422, problems: [{ path: 'name', message: 'too long' }] };
    const { server } = opened();
    const record = new KeptRecord<Thing>(
      { ...server.way, save: () => Promise.resolve({ ok: false, problem: refusal }) },
      { value: first, version: 1 }
    );
    await record.change({ ...first, name: 'long' });
    expect([record.now.name, record.trouble, record.lines]).to.deep.equal([
      'long',
      'refused',
      ['name: too long']
    ]);
  });
});

describe('a list of documents, one of them open', () => {
  interface Seen {
    id: string;
    name: string;
  }
  const kept = new Map<string, string>();
  let was: PropertyDescriptor | undefined;
  before(() => {
    was = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
    Object.defineProperty(globalThis, 'localStorage', { configurable: true, value: storageOf(kept) });
  });
  after(() => {
    if (was) Object.defineProperty(globalThis, 'localStorage', was);
    else delete (globalThis as Record<string, unknown>).localStorage;
  });
  beforeEach(() => kept.clear());
  /** A server without versions: what is saved last counts. */
  const server = () => {
    const all = new Map<string, Seen>();
    const state = { isAway: false, order: [] as string[] };
    const way: ListWay<Seen> = {
      path: '/seen',
      save: async (value) => {
        await new Promise((done) => setTimeout(done, state.order.length ? 1 : 10));
        if (state.isAway) return away;
        all.set(value.id, value);
        state.order.push(value.name);
        return { ok: true, value: { value, version: 0 } };
      },
      load: () =>
        Promise.resolve({ ok: true, value: [...all.values()].map((value) => ({ value, version: 0 })) })
    };
    return { all, state, way };
  };

  it('saves one after the other, so that a slow first save never comes last', async () => {
    const { all, state, way } = server();
    const list = new KeptList<Seen>(way, [], null, { id: 'a', name: 'fresh' });
    const done = list.change({ id: 'a', name: 'slow' });
    void list.change({ id: 'a', name: 'quick' });
    await done;
    expect([state.order, all.get('a')?.name, list.isKept]).to.deep.equal([['slow', 'quick'], 'quick', true]);
  });

  it('one that never came to the server is in the list of the next page, and is sent by it', async () => {
    const { all, state, way } = server();
    const list = new KeptList<Seen>(way, [], null, { id: 'a', name: 'fresh' });
    const stop = list.start();
    state.isAway = true;
    await list.change({ id: 'a', name: 'in the attic' });
    list.open({ id: 'b', name: 'fresh' });
    expect(list.kept.map((k) => k.value.id)).to.deep.equal(['a']);
    stop();
    state.isAway = false;
    const next = new KeptList<Seen>(way, [], 'a', { id: 'c', name: 'fresh' });
    const end = next.start();
    expect(next.now.name).to.equal('in the attic');
    await next.record.settled();
    expect([all.get('a')?.name, kept.size]).to.deep.equal(['in the attic', 0]);
    end();
  });
});

describe('merging two states field by field', () => {
  const thing = fc.record(
    { name: fc.constantFrom('a', 'b'), notes: fc.constantFrom('x', 'y'), n: fc.nat(2) },
    { requiredKeys: ['name'] }
  );
  it('what one side changed counts, whichever side it is, and nothing else is told', () => {
    fc.assert(
      fc.property(thing, thing, (base, other) => {
        expect(mergeFields(base, other, base)).to.deep.equal({ merged: other, both: [] });
        expect(mergeFields(base, base, other)).to.deep.equal({ merged: other, both: [] });
        expect(mergeFields(base, other, other)).to.deep.equal({ merged: other, both: [] });
      })
    );
  });
  it('names exactly the fields that both changed to different values', () => {
    fc.assert(
      fc.property(thing, thing, thing, (base, mine, theirs) => {
        const { merged, both } = mergeFields(base, mine, theirs);
        for (const key of ['name', 'notes', 'n'] as const) {
          const isBoth = mine[key] !== base[key] && theirs[key] !== base[key] && mine[key] !== theirs[key];
          expect(both.includes(key), key).to.equal(isBoth);
          expect(merged[key]).to.equal(mine[key] !== base[key] && !isBoth ? mine[key] : theirs[key]);
        }
      })
    );
  });
});
