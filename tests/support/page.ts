import type { Build } from '../../src/lib/core/model';
import type { Saved } from '../../src/lib/ui/record/send';
import { storageOf } from './storage';

/** One request of the page, answered when and as the test says. */
export interface Asked {
  method: string;
  path: string;
  body: { base: number; build: Build } | null;
  answer(status: number, value: unknown): Promise<void>;
}

/** What a page hears of changes, told by the test. */
export class FakeEvents {
  static CLOSED = 2;
  static last: FakeEvents;
  readyState = 0;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
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

/** Two of the page's own timers, which it sets to 0. */
export const turns = async () => {
  for (let i = 0; i < 2; i++) await new Promise((done) => setTimeout(done, 5));
};

/** A state with the number `head`; a higher number was saved later, unless the test says otherwise. */
export const saved = (head: number, build: Build, updated = `2026-11-0${head}`): Saved => ({
  head,
  build,
  updated,
  canUndo: true,
  canRedo: false
});

/** What a browser has and these tests answer for: requests, storage, what is heard. For all tests of a suite. */
export class FakePage {
  asked: Asked[] = [];
  readonly kept = new Map<string, string>();
  /** The test that is under way: what a page of an earlier one would try again for ever ends with that one. */
  private turn = 0;
  private readonly replaced = new Map<string, PropertyDescriptor | undefined>();

  constructor() {
    before(() => {
      for (const [name, value] of Object.entries(this.fakes())) {
        this.replaced.set(name, Object.getOwnPropertyDescriptor(globalThis, name));
        Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
      }
    });
    after(() => {
      this.turn++;
      for (const [name, was] of this.replaced)
        if (was) Object.defineProperty(globalThis, name, was);
        else delete (globalThis as Record<string, unknown>)[name];
    });
    beforeEach(() => {
      this.turn++;
      this.asked = [];
      this.kept.clear();
    });
  }

  /** The request that came first of those that wait. */
  next(): Asked {
    const one = this.asked.shift();
    if (!one) throw new Error('nothing was asked');
    return one;
  }

  /** Keys of changes that wait in the browser. */
  get pending(): string[] {
    return [...this.kept.keys()].filter((key) => key.includes('pending'));
  }

  private fakes(): Record<string, unknown> {
    const later = globalThis.setTimeout;
    return {
      setTimeout: (work: () => void, ms?: number) => {
        const { turn } = this;
        return later(() => turn === this.turn && work(), ms);
      },
      localStorage: storageOf(this.kept),
      EventSource: FakeEvents,
      document: { hidden: false, addEventListener() {}, removeEventListener() {} },
      addEventListener() {},
      removeEventListener() {},
      fetch: (url: string, { method, body }: { method: string; body?: string }) =>
        new Promise((done, fail) => {
          this.asked.push({
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
  }
}
