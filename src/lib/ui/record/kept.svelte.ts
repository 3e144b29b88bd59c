import { mergeFields, sameJson } from '../../core/model';
import { problemLines, type Reply } from './send';

/** A document with the number of its saved state. */
export interface Versioned<T> {
  value: T;
  version: number;
}

/** The way of a document to the server. */
export interface Way<T> {
  /** Name under which a change waits in this browser: `shelf/x`. */
  key: string;
  /** Saves a state that stands on a version; refused with 409 where another was saved first. */
  save(value: T, version: number): Promise<Reply<Versioned<T>>>;
  load(): Promise<Reply<Versioned<T>>>;
}

/** A change that waits, and the saved state it stands on. */
interface Waiting<T> {
  base: { value: T | null; version: number };
  now: T;
  /** Our values of fields that are still to be decided. */
  both: Partial<T> | null;
}

const RETRY_MS = 2000;
const PREFIX = 'yj-kept:';

/**
 * One document of the workshop that is saved as it is changed: a thing of the shelf, a notebook, a sighting. What is changed
 * while one save is under way follows it; while the server is away it waits in the browser, over a reload too. What
 * another window saved first is taken in field by field; of a field that both changed the other state is shown, and
 * ours is offered.
 */
export class KeptRecord<T extends object> {
  now: T = $state.raw()!;
  trouble: 'fine' | 'away' | 'refused' = $state('fine');
  /** What the server said against it. */
  lines: string[] = $state.raw([]);
  /** Our values of fields that another window changed too. */
  both: Partial<T> | null = $state.raw(null);
  isSaved = $state(false);
  version = $state(0);
  /** What the server has; no value: nothing yet. */
  private base: { value: T | null; version: number };
  private saving: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private isOver = false;

  constructor(
    private readonly way: Way<T>,
    base: Versioned<T>,
    isNew = false
  ) {
    this.base = isNew ? { value: null, version: 0 } : base;
    this.now = base.value;
    this.version = base.version;
  }

  /** Takes up a change that waits in this browser. @returns how to stop */
  start(): () => void {
    this.isOver = false;
    const left = waitingOf<T>(this.way.key);
    this.both = left?.both ?? null;
    // Where only a decision waits, the state of the server is the one to decide about.
    if (left && !sameJson(left.now, left.base.value)) {
      this.base = left.base;
      void this.change(left.now);
    }
    return () => {
      this.isOver = true;
      clearTimeout(this.timer);
    };
  }

  /** Shows a change at once and saves it. @returns when everything is saved, or something is in the way */
  change(next: T): Promise<void> {
    this.now = next;
    this.saving ??= this.saveAll().finally(() => (this.saving = null));
    return this.saving;
  }

  /** Our values where both changed a field. */
  useMine(): void {
    const { both } = this;
    this.both = null;
    if (both) void this.change({ ...this.now, ...both });
  }

  useTheirs(): void {
    this.both = null;
    this.keepWaiting();
  }

  /** What waits, for the next page; nothing once all is saved and decided. */
  private keepWaiting(): void {
    const { base, now, both } = this;
    if (both || !sameJson(now, base.value)) keep(this.way.key, { base, now, both });
    else forget(this.way.key);
  }

  /** Ends when nothing is under way any more. */
  async settled(): Promise<void> {
    await this.saving;
  }

  private async saveAll(): Promise<void> {
    clearTimeout(this.timer);
    while (!sameJson(this.now, this.base.value)) if (!(await this.saveOnce())) return;
  }

  /** @returns whether to go on */
  private async saveOnce(): Promise<boolean> {
    const sent = this.now;
    const reply = await this.way.save(sent, this.base.version);
    this.isSaved = reply.ok;
    if (reply.ok) {
      this.base = { value: sent, version: reply.value.version };
      this.version = reply.value.version;
      this.trouble = 'fine';
      this.keepWaiting();
      return true;
    }
    if ('away' in reply) return this.wait();
    if (reply.problem.status === 409) return this.meet();
    this.trouble = 'refused';
    this.lines = problemLines(reply.problem);
    return false;
  }

  private wait(): false {
    this.trouble = 'away';
    this.keepWaiting();
    // Of one that is left, the next page sends what waits.
    if (!this.isOver) this.timer = setTimeout(() => void this.change(this.now), RETRY_MS);
    return false;
  }

  /** Another window saved first: its state and ours become one. */
  private async meet(): Promise<boolean> {
    const reply = await this.way.load();
    if (!reply.ok) {
      if ('away' in reply) return this.wait();
      this.trouble = 'refused';
      this.lines = problemLines(reply.problem);
      return false;
    }
    const mine = this.now;
    const { merged, both } = mergeFields(this.base.value ?? ({} as T), mine, reply.value.value);
    if (both.length)
      this.both = { ...this.both, ...(Object.fromEntries(both.map((k) => [k, mine[k]])) as Partial<T>) };
    this.base = reply.value;
    this.version = reply.value.version;
    this.now = merged;
    this.trouble = 'fine';
    this.keepWaiting();
    return true;
  }
}

function keep<T>(key: string, waiting: Waiting<T>): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify(waiting));
  } catch {
    // No room, or storage is switched off: the page itself still holds it.
  }
}

function forget(key: string): void {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // Nothing was kept then.
  }
}

/** Documents below a path of which a change waits in this browser. */
export function waitingIn<T>(path: string): T[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(`${PREFIX}${path}/`))
      .flatMap((key) => waitingOf<T>(key.slice(PREFIX.length))?.now ?? []);
  } catch {
    return [];
  }
}

function waitingOf<T>(key: string): Waiting<T> | null {
  try {
    const text = localStorage.getItem(PREFIX + key);
    const waiting = text === null ? null : (JSON.parse(text) as Waiting<T>);
    return waiting?.base && waiting.now ? waiting : null;
  } catch {
    return null;
  }
}
