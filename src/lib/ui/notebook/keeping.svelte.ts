import type { Notebook } from '../../core/model';
import { ask, problemLines } from '../record/send';
import { text } from '../text';
import { notebook as notebookText } from '../text/notebook';

export interface Kept {
  notebook: Notebook;
  version: number;
}

/** The notebooks of the workshop: one is open, and every change of it is saved at once, one after the other. */
export class Keeping {
  kept: Kept[] = $state.raw([]);
  now: Notebook = $state.raw()!;
  trouble = $state('');
  saved = $state(false);
  /** The notebook that was deleted last, until it is brought back. */
  deleted: Notebook | null = $state.raw(null);
  private saving: Promise<void> | null = null;

  constructor(kept: Kept[], fresh: Notebook, open: string | null) {
    this.kept = kept;
    this.now = kept.find((k) => k.notebook.id === open)?.notebook ?? kept[0]?.notebook ?? fresh;
  }

  open(notebook: Notebook): void {
    this.now = notebook;
    this.trouble = '';
  }

  /** Shows a change at once and saves it; what changes while one is being saved follows it. */
  change(next: Notebook): void {
    this.now = next;
    this.saving ??= this.save().finally(() => (this.saving = null));
  }

  private async save(): Promise<void> {
    const sent = this.now;
    const version = this.kept.find((k) => k.notebook.id === sent.id)?.version ?? 0;
    const reply = await ask<Kept>('PUT', `/notebooks/${sent.id}`, { notebook: sent, version });
    this.saved = reply.ok;
    if (reply.ok) {
      this.trouble = '';
      this.put(reply.value);
      if (this.now !== sent) await this.save();
    } else if ('away' in reply) this.trouble = text.serverGone;
    else if (reply.problem.status === 409) await this.reload(sent.id);
    else this.trouble = problemLines(reply.problem).join(' ');
  }

  /** Another window saved first: its state is shown. */
  private async reload(id: string): Promise<void> {
    const reply = await ask<{ notebooks: Kept[] }>('GET', '/notebooks');
    if (!reply.ok) return;
    this.kept = reply.value.notebooks;
    this.now = this.kept.find((k) => k.notebook.id === id)?.notebook ?? this.now;
    this.trouble = notebookText.stale;
  }

  private put(one: Kept): void {
    const isThere = this.kept.some((k) => k.notebook.id === one.notebook.id);
    this.kept = isThere
      ? this.kept.map((k) => (k.notebook.id === one.notebook.id ? one : k))
      : [...this.kept, one];
  }

  async remove(id: string, fresh: Notebook): Promise<void> {
    // A change that is still being saved would bring it back by itself.
    await this.saving;
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
    this.open(notebook);
    this.change(notebook);
  }
}
