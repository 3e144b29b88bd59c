import type { Change } from '../../words';
import type { Session } from '../record/session.svelte';
import { ask, problemLines, type Saved } from '../record/send';
import { text } from '../../words/en/screens';

/** One saved state, as the API lists it. */
export interface State {
  id: number;
  parent: number | null;
  at: string;
  note: string;
  mark: string | null;
  isHead: boolean;
  changes: Change[] | null;
}

/** The saved states of the open build, newest first, and what can be done with one. */
export class History {
  states: State[] = $state.raw([]);
  more = $state(false);
  marked = $state(false);
  trouble = $state('');
  /** The state that is looked at, and how the present one differs from it. */
  compared: { id: number; changes: Change[] } | null = $state.raw(null);
  loaded = $state(false);
  private turn = 0;

  constructor(private readonly session: Session) {}

  private get path(): string {
    return `/builds/${this.session.build.id}/revisions`;
  }

  private async did<T>(method: string, path: string, body?: object): Promise<T | null> {
    const reply = await ask<T>(method, path, body);
    this.trouble = reply.ok ? '' : 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' ');
    return reply.ok ? reply.value : null;
  }

  /** Reads the newest states again, as many as are shown. */
  load(): Promise<void> {
    return this.fetch([], Math.min(200, Math.max(50, this.states.length)));
  }

  older(): Promise<void> {
    return this.fetch(this.states, 50);
  }

  private async fetch(before: State[], limit: number): Promise<void> {
    const turn = ++this.turn;
    const asked = new URLSearchParams({ limit: String(limit), marked: String(this.marked) });
    const last = before.at(-1);
    if (last) asked.set('before', String(last.id));
    const reply = await this.did<{ revisions: State[]; more: boolean }>('GET', `${this.path}?${asked}`);
    if (turn !== this.turn || !reply) return;
    this.states = [...before, ...reply.revisions];
    this.more = reply.more;
    this.loaded = true;
  }

  async compare(id: number): Promise<void> {
    if (this.compared?.id === id) return void (this.compared = null);
    const reply = await this.did<{ changes: Change[] }>('GET', `${this.path}/${id}`);
    if (reply) this.compared = { id, changes: reply.changes };
  }

  async restore(id: number): Promise<boolean> {
    await this.session.flush();
    if (this.session.waiting) {
      this.trouble = text.log.waiting;
      return false;
    }
    const reply = await this.did<Saved>('POST', `${this.path}/${id}/restore`, { base: this.session.head });
    this.compared = null;
    if (reply) await this.session.follow(reply);
    return reply !== null;
  }

  async mark(id: number, name: string): Promise<boolean> {
    const wish = name.trim();
    const done = wish
      ? await this.did('PUT', `${this.path}/${id}/mark`, { name: wish })
      : await this.did('DELETE', `${this.path}/${id}/mark`);
    await this.load();
    return done !== null;
  }
}
