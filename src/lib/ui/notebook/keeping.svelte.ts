import type { Notebook } from '../../core/model';
import { KeptRecord, type Versioned, type Way } from '../record/kept.svelte';
import { ask, problemLines, type Reply } from '../record/send';
import { text } from '../text';
import { notebook as notebookText } from '../text/notebook';

export interface Kept {
  notebook: Notebook;
  version: number;
}

/** The notebooks of the workshop: one is open, and every change of it is saved at once, one after the other. */
export class Keeping {
  kept: Kept[] = $state.raw([]);
  /** The one that is open. */
  record: KeptRecord<Notebook>;
  /** What went wrong with deleting one. */
  trouble = $state('');
  /** The notebook that was deleted last, until it is brought back. */
  deleted: Notebook | null = $state.raw(null);
  private stop: (() => void) | null = null;

  constructor(kept: Kept[], fresh: Notebook, open: string | null) {
    this.kept = kept;
    const first = kept.find((k) => k.notebook.id === open) ?? kept[0];
    this.record = $state.raw(this.recordOf(first ?? { notebook: fresh, version: 0 }));
  }

  get now(): Notebook {
    return this.record.now;
  }

  private recordOf({ notebook, version }: Kept): KeptRecord<Notebook> {
    return new KeptRecord<Notebook>(this.wayOf(notebook.id), { value: notebook, version });
  }

  /** Takes up what waits of the one that is open. @returns how to stop */
  start(): () => void {
    this.stop = this.record.start();
    return () => this.stop?.();
  }

  open(notebook: Notebook): void {
    this.stop?.();
    const known = this.kept.find((k) => k.notebook.id === notebook.id);
    this.record = this.recordOf(known ?? { notebook, version: 0 });
    this.stop = this.record.start();
    this.trouble = '';
  }

  change(next: Notebook): void {
    void this.record.change(next);
  }

  private wayOf(id: string): Way<Notebook> {
    return {
      key: `notebooks/${id}`,
      save: async (notebook, version) =>
        this.told(await ask<Kept>('PUT', `/notebooks/${id}`, { notebook, version })),
      load: async () => {
        const reply = await ask<{ notebooks: Kept[] }>('GET', '/notebooks');
        if (!reply.ok) return reply;
        this.kept = reply.value.notebooks;
        const found = this.kept.find((k) => k.notebook.id === id);
        return found
          ? this.told({ ok: true, value: found })
          : { ok: false, problem: { title: notebookText.gone, status: 404 } };
      }
    };
  }

  private told(reply: Reply<Kept>): Reply<Versioned<Notebook>> {
    if (!reply.ok) return reply;
    const { notebook, version } = reply.value;
    this.put(reply.value);
    return { ok: true, value: { value: notebook, version } };
  }

  private put(one: Kept): void {
    const isThere = this.kept.some((k) => k.notebook.id === one.notebook.id);
    this.kept = isThere
      ? this.kept.map((k) => (k.notebook.id === one.notebook.id ? one : k))
      : [...this.kept, one];
  }

  async remove(id: string, fresh: Notebook): Promise<void> {
    // A change that is still being saved would bring it back by itself.
    await this.record.settled();
    const reply = await ask('DELETE', `/notebooks/${id}`);
    if (!reply.ok) {
      this.trouble = 'away' in reply ? text.serverGone : problemLines(reply.problem).join(' ');
      return;
    }
    this.deleted = this.kept.find((k) => k.notebook.id === id)?.notebook ?? null;
    this.kept = this.kept.filter((k) => k.notebook.id !== id);
    this.open(this.kept[0]?.notebook ?? fresh);
  }

  bringBack(notebook: Notebook): void {
    this.deleted = null;
    this.stop?.();
    // What was deleted has no state on the server: it begins with none.
    this.record = this.recordOf({ notebook: { ...notebook, name: '' }, version: 0 });
    this.stop = this.record.start();
    this.change(notebook);
  }
}
