import { KeptRecord, waitingIn, type Versioned, type Way } from './kept.svelte';
import { ask, problemLines, type Reply } from './send';
import { text } from '../../words/en/screens';
import { kept as words } from '../../words/en/screens/kept';

/** How the documents of a list go to the server. */
export interface ListWay<T> {
  /** Address of the list; a document lies below it by its id. */
  path: string;
  save(value: T, version: number): Promise<Reply<Versioned<T>>>;
  load(): Promise<Reply<Versioned<T>[]>>;
}

/** Documents of one kind, as notebooks and sightings: one is open, and every change of it is saved at once. */
export class KeptList<T extends { id: string }> {
  kept: Versioned<T>[] = $state.raw([]);
  /** The one that is open. */
  record: KeptRecord<T>;
  /** What went wrong with deleting one. */
  trouble = $state('');
  /** The one that was deleted last, until it is brought back. */
  deleted: T | null = $state.raw(null);
  private stop: (() => void) | null = null;

  /** @param first the id of the one that is open first; without it, or when it is not there, `otherwise` is */
  constructor(
    private readonly way: ListWay<T>,
    kept: Versioned<T>[],
    private readonly first: string | null,
    otherwise: T
  ) {
    this.kept = kept;
    this.record = $state.raw(this.recordOf(this.find(first)?.value ?? otherwise));
  }

  get now(): T {
    return this.record.now;
  }

  get isKept(): boolean {
    return this.find(this.now.id) !== undefined;
  }

  private find(id: string | null): Versioned<T> | undefined {
    return this.kept.find((k) => k.value.id === id);
  }

  private recordOf(value: T): KeptRecord<T> {
    const known = this.find(value.id);
    return new KeptRecord<T>(this.wayOf(value.id), known ?? { value, version: 0 }, known === undefined);
  }

  /** Takes up what waits in this browser, also of one that never came to the server. @returns how to stop */
  start(): () => void {
    for (const value of waitingIn<T>(this.way.path.slice(1)))
      if (!this.find(value.id)) this.put({ value, version: 0 });
    const left = this.now.id === this.first ? undefined : this.find(this.first);
    if (left) this.record = this.recordOf(left.value);
    this.stop = this.record.start();
    return () => this.stop?.();
  }

  open(value: T): void {
    this.stop?.();
    this.record = this.recordOf(value);
    this.trouble = '';
    this.stop = this.record.start();
  }

  change(next: T): Promise<void> {
    // In the list at once: one that waits for the server can be left and opened again.
    this.put({ value: next, version: this.find(next.id)?.version ?? 0 });
    return this.record.change(next);
  }

  private wayOf(id: string): Way<T> {
    const { way } = this;
    return {
      key: `${way.path.slice(1)}/${id}`,
      save: async (value, version) => {
        const reply = await way.save(value, version);
        if (reply.ok) this.put(reply.value);
        return reply;
      },
      load: async () => {
        const reply = await way.load();
        if (!reply.ok) return reply;
        this.kept = reply.value;
        const value = this.find(id);
        return value ? { ok: true, value } : { ok: false, problem: { title: words.gone, status: 404 } };
      }
    };
  }

  private put(one: Versioned<T>): void {
    this.kept = this.find(one.value.id)
      ? this.kept.map((k) => (k.value.id === one.value.id ? one : k))
      : [...this.kept, one];
  }

  /** @returns whether it is deleted */
  async remove(id: string, next: T): Promise<boolean> {
    // A change that is still being saved would bring it back by itself.
    await this.record.settled();
    const reply = await ask('DELETE', `${this.way.path}/${id}`);
    if (!reply.ok) {
      this.trouble = 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' ');
      return false;
    }
    this.deleted = this.find(id)?.value ?? null;
    this.kept = this.kept.filter((k) => k.value.id !== id);
    if (this.now.id === id) this.open(next);
    return true;
  }

  async bringBack(value: T): Promise<void> {
    this.deleted = null;
    this.open(value);
    await this.change(value);
  }
}
