import { ask } from './record/send';

const PAUSE_MS = 150;

/** A long list that the server searches: what is shown of it, and how to get more. */
export class Listing<T> {
  rows: T[] = $state.raw([]);
  total = $state(0);
  query = $state('');
  away = $state(false);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private turn = 0;

  /** @param key field of the reply that holds the rows */
  constructor(
    private readonly path: string,
    private readonly key: string,
    first: { rows: T[]; total: number }
  ) {
    this.rows = first.rows;
    this.total = first.total;
  }

  /** Searches when nothing was typed for a moment. */
  typed(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.load(), PAUSE_MS);
  }

  /** Looks again at what is shown. */
  load(): Promise<void> {
    return this.fetch(0, Math.min(500, Math.max(100, this.rows.length)), []);
  }

  more(): Promise<void> {
    return this.fetch(this.rows.length, 100, this.rows);
  }

  private async fetch(offset: number, limit: number, before: T[]): Promise<void> {
    const turn = ++this.turn;
    const asked = new URLSearchParams({ q: this.query, limit: String(limit), offset: String(offset) });
    const path = `${this.path}${this.path.includes('?') ? '&' : '?'}${asked}`;
    const reply = await ask<Record<string, unknown>>('GET', path);
    if (turn !== this.turn) return;
    this.away = 'away' in reply;
    if (!reply.ok) return;
    this.rows = [...before, ...(reply.value[this.key] as T[])];
    this.total = reply.value.total as number;
  }
}
