import { check } from '../core/check';
import { partSet, type Build, type Finding, type Fix, type Item, type Part } from '../core/model';
import { machine } from '../core/resources';
import { applyFix, loom } from '../core/solver';
import { text } from './text';

interface Saved {
  build: Build;
  head: number;
  canUndo: boolean;
  canRedo: boolean;
}

/**
 * One open build: what is on the screen, and its way to the server. Every change is sent at once,
 * one after the other; while the server is away changes stay here and are sent again.
 */
export class Session {
  build: Build = $state.raw()!;
  head = $state(0);
  canUndo = $state(false);
  canRedo = $state(false);
  /** What went wrong with saving; empty while all is well. */
  trouble = $state('');
  saving = $state(false);
  /** A build that is looked at but not taken: a drag, a preview of a solution. */
  trial: Build | null = $state.raw(null);
  /** Selected item of the tray. */
  selected = $state('');

  partList: Part[] = $state.raw([]);
  readonly parts = $derived.by(() => partSet(this.partList));
  private queue: { build: Build; note: string }[] = [];
  private base = 0;

  readonly shown = $derived.by(() => this.trial ?? this.build);
  readonly findings: Finding[] = $derived.by(() => check(this.shown, this.parts));
  readonly machine = $derived.by(() => machine(this.shown, this.parts));
  readonly groups = $derived.by(() => loom(this.machine));

  constructor(saved: Saved, parts: Part[]) {
    this.partList = parts;
    this.accept(saved);
    this.selected = this.build.items[0]?.id ?? 'board';
  }

  private accept(saved: Saved): void {
    this.build = saved.build;
    this.head = this.base = saved.head;
    this.canUndo = saved.canUndo;
    this.canRedo = saved.canRedo;
  }

  count(severity: Finding['severity']): number {
    return this.findings.filter((f) => f.severity === severity).length;
  }

  /** Changes the build and saves it. */
  change(build: Build, note: string): void {
    this.trial = null;
    this.build = build;
    this.queue.push({ build, note });
    void this.flush();
  }

  fix(fix: Fix, note: string): void {
    this.change(applyFix(this.build, fix, this.parts), note);
  }

  item(id: string, to: (item: Item) => Item, note: string): void {
    this.change(withItem(this.build, id, to), note);
  }

  /** Makes a part of the catalogue known, so that an item of it can be added. */
  know(part: Part): void {
    if (!this.parts.has(part.id)) this.partList = [...this.partList, part];
  }

  /** Shows a position without taking it. */
  tryPosition(item: string, setting: string, position: string): void {
    this.trial = withItem(this.build, item, (i) => ({ ...i, chosen: { ...i.chosen, [setting]: position } }));
  }

  async step(way: 'undo' | 'redo'): Promise<void> {
    this.trial = null;
    await this.flush();
    if (this.queue.length) return;
    const response = await this.send(`/api/v1/builds/${this.build.id}/${way}`, 'POST');
    if (response?.ok) this.accept((await response.json()) as Saved);
  }

  async flush(): Promise<void> {
    if (this.saving) return;
    this.saving = true;
    try {
      while (this.queue.length) {
        const [{ build, note }] = this.queue;
        const response = await this.send(`/api/v1/builds/${build.id}`, 'PUT', {
          build,
          base: this.base,
          note
        });
        if (!response) return;
        if (response.status === 409) {
          const { current } = (await response.json()) as { current: Saved };
          this.queue = [];
          this.accept(current);
          this.trouble = text.savedElsewhere;
          return;
        }
        if (!response.ok) {
          const { title } = (await response.json()) as { title: string };
          this.queue.shift();
          this.trouble = `${text.notSaved} ${title}`;
          return;
        }
        const saved = (await response.json()) as Saved;
        this.queue.shift();
        this.head = this.base = saved.head;
        this.canUndo = saved.canUndo;
        this.canRedo = saved.canRedo;
        this.trouble = '';
      }
    } finally {
      this.saving = false;
    }
  }

  private async send(url: string, method: string, body?: unknown): Promise<Response | null> {
    try {
      return await fetch(url, {
        method,
        headers: { 'content-type': 'application/json' },
        ...(body === undefined ? {} : { body: JSON.stringify(body) })
      });
    } catch {
      this.trouble = text.serverGone;
      setTimeout(() => void this.flush(), 2000);
      return null;
    }
  }
}

export function withItem(build: Build, id: string, to: (item: Item) => Item): Build {
  return {
    ...build,
    board: build.board.id === id ? to(build.board) : build.board,
    items: build.items.map((item) => (item.id === id ? to(item) : item))
  };
}
