import { checked } from '../../core/rules';
import {
  partSet,
  sameJson,
  withItem,
  type Build,
  type Fix,
  type Item,
  type Part,
  type Severity,
  entryOf,
  lastOf
} from '../../core/model';
import { relatedParts } from '../../core/kit';
import { machine } from '../../core/resources';
import { applyFix, loom } from '../../core/solver';
import { tell, type ToldFinding } from '../../words';
import { text } from '../../words/en/screens';
import { Live, type Told } from './live.svelte';
import { PendingStore, lastSaved, type Change, type Pending, type SavedState } from './pending';
import { ask, problemLines, type Saved } from './send';
import type { Collision, Trouble } from './trouble';

const RETRY_MS = 2000;

/**
 * One open build: what is on the screen, and its way to the server. Every change is sent at once, one
 * after the other; while the server is away changes wait in the browser and are sent when it is back.
 */
export class Session {
  build: Build = $state.raw()!;
  canUndo = $state(false);
  canRedo = $state(false);
  trouble: Trouble = $state.raw({ kind: 'fine' });
  collision: Collision | null = $state.raw(null);
  private isColliding = false;
  /** Another window saved a state and it is shown now. */
  followed = $state(false);
  /** Changes that wait for the server. */
  waiting = $state(0);
  /** Number of the saved state that the server has last acknowledged. */
  head = $state(0);
  /** A build that is looked at but not taken: a drag, a preview of a solution. */
  trial: Build | null = $state.raw(null);
  /** Selected item of the tray. */
  selected = $state('');

  partList: Part[] = $state.raw([]);
  readonly parts = $derived.by(() => partSet(this.partList));
  readonly shown = $derived.by(() => this.trial ?? this.build);
  readonly checked = $derived.by(() => checked(this.shown, this.parts));
  readonly findings: ToldFinding[] = $derived.by(() => this.checked.findings.map(tell));
  readonly machine = $derived.by(() => machine(this.shown, this.parts));
  readonly groups = $derived.by(() => loom(this.machine));

  private saved: SavedState;
  private queue: Change[] = [];
  private flushing: Promise<void> | null = null;
  private recheck = false;
  /** What an earlier page left, while parts of it are still fetched. */
  private taking: Pending | null = null;
  private readonly pending: PendingStore;
  private readonly live = new Live((what) => this.hear(what));
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(record: Saved, parts: Part[]) {
    this.partList = parts;
    this.saved = record;
    this.pending = new PendingStore(record.build.id);
    this.show(record);
    this.selected = this.build.items[0]?.id ?? 'board';
  }

  /** Takes up what an earlier page left, and follows the server. @returns how to stop */
  start(): () => void {
    this.resume();
    const stop = this.live.start();
    const keep = () => this.keep();
    addEventListener('pagehide', keep);
    return () => {
      stop();
      keep();
      clearTimeout(this.timer);
      removeEventListener('pagehide', keep);
    };
  }

  get isAway(): boolean {
    return this.trouble.kind === 'away' || this.live.away;
  }

  count(severity: Severity): number {
    return this.findings.filter((f) => f.severity === severity).length;
  }

  /** Changes the build and saves it. */
  change(build: Build, note: string): void {
    this.trial = null;
    this.followed = false;
    this.build = build;
    // Names of many cards can be long; the record takes 200 characters.
    this.queue.push({ build, note: note.slice(0, 200) });
    this.waiting = this.queue.length;
    if (this.trouble.kind !== 'fine') this.keep();
    // The screen first, then the record.
    setTimeout(() => void this.flush());
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
    if (this.queue.length) {
      if (way === 'undo' && !this.collision) this.dropLast();
      return;
    }
    const reply = await ask<Saved>('POST', `/builds/${this.build.id}/${way}`);
    if (reply.ok && (await this.knowParts(reply.value.build))) this.accept(reply.value);
    else if ('away' in reply) this.leave();
  }

  /** Takes the last change back that the server has not seen. */
  private dropLast(): void {
    this.queue.pop();
    this.build = this.queue.at(-1)?.build ?? this.saved.build;
    this.waiting = this.queue.length;
    this.canUndo = true;
    this.keep();
  }

  /**
   * Sends what waits, in its order, until all is acknowledged or something is in the way. Whoever asks while it
   * is under way waits for the same end.
   */
  flush(): Promise<void> {
    if (this.collision || this.isColliding) return Promise.resolve();
    this.flushing ??= this.sendAll()
      .finally(() => (this.flushing = null))
      .then((isThrough) => {
        if (isThrough && this.recheck) void this.look();
        else if (isThrough && !this.collision) this.resume();
      });
    return this.flushing;
  }

  /** @returns whether nothing stood in the way */
  private async sendAll(): Promise<boolean> {
    clearTimeout(this.timer);
    while (this.queue.length && !this.collision) if (!(await this.sendFirst())) return false;
    return true;
  }

  private get sending(): boolean {
    return this.flushing !== null;
  }

  private async sendFirst(): Promise<boolean> {
    const [change] = this.queue;
    const { head } = this.saved;
    const reply = await ask<Saved>('PUT', `/builds/${this.build.id}`, {
      ...change,
      base: head
    });
    // Answered after something else was decided: the answer is about a state that is no longer in question.
    if (this.queue[0] !== change || this.saved.head !== head) return !this.collision;
    if (!reply.ok) return this.stopped(reply);
    this.acknowledge(1, reply.value);
    return true;
  }

  /** The first changes of the queue are saved, as the state of this record. */
  private acknowledge(count: number, { head, updated, canUndo, canRedo }: Saved): void {
    const done = this.queue.splice(0, count);
    this.saved = { head, updated, build: lastOf(done).build };
    this.waiting = this.queue.length;
    this.head = head;
    this.canUndo = canUndo;
    this.canRedo = canRedo;
    this.trouble = { kind: 'fine' };
    lastSaved.keep(this.saved);
    if (!this.queue.length) this.keep();
  }

  /** What to do about a save that did not go through. @returns whether to go on */
  private stopped(reply: Extract<Awaited<ReturnType<typeof ask<Saved>>>, { ok: false }>): boolean {
    if ('away' in reply) this.leave();
    else if (reply.problem.status === 409 && reply.problem.current) {
      // A page that was closed may have sent some of these changes before this one took them over.
      const { current } = reply.problem;
      const sent = this.queue.findIndex((change) => sameJson(change.build, current.build));
      if (sent >= 0) {
        this.acknowledge(sent + 1, current);
        return true;
      }
      this.collide(current);
    } else if (reply.problem.status === 410) this.trouble = { kind: 'binned' };
    else if (reply.problem.status === 404) this.trouble = { kind: 'gone' };
    else if (reply.problem.status === 401)
      this.trouble = { kind: 'locked', lines: problemLines(reply.problem) };
    else {
      this.trouble = { kind: 'refused', lines: problemLines(reply.problem) };
      // A state that is not whole stays on the screen; the next one may be. A full disk may have room again.
      if (reply.problem.status >= 500) this.again();
      else this.queue = [];
      this.waiting = this.queue.length;
    }
    this.keep();
    return false;
  }

  private leave(): void {
    const last = lastSaved.of(this.build.id);
    const isLater = last !== null && last.updated > this.saved.updated && !this.queue.length;
    if (isLater && itemsOf(last.build).every((i) => this.parts.has(i.part))) {
      this.saved = last;
      this.build = last.build;
      this.head = last.head;
    }
    this.trouble = { kind: 'away' };
    this.keep();
    this.again();
  }

  private again(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void (this.queue.length ? this.flush() : this.look()), RETRY_MS);
  }

  private keep(): void {
    const { base, queue } = this.taking ?? { base: this.saved, queue: [] };
    this.pending.keep({ base, queue: [...queue, ...this.queue] });
  }

  /** Takes over changes that an earlier page of this build could not send. */
  private resume(): void {
    if (this.queue.length || this.sending || this.trouble.kind !== 'fine') return;
    const left = this.taking ?? this.pending.adopt();
    if (left) void this.take(left);
  }

  private async take(left: Pending): Promise<void> {
    this.taking = left;
    const { build } = lastOf(left.queue);
    if (!(await this.knowParts(build))) {
      this.timer = setTimeout(() => void this.take(left), RETRY_MS);
      return;
    }
    if (this.taking !== left) return;
    this.taking = null;
    this.saved = left.base;
    this.queue = [...left.queue, ...this.queue];
    this.waiting = this.queue.length;
    this.build = lastOf(this.queue).build;
    void this.flush();
  }

  private hear(what: Told): void {
    if (
      what !== 'all' &&
      (what.id !== this.build.id || (what.head === this.saved.head && !this.queue.length))
    )
      return;
    if (this.sending) this.recheck = true;
    else if (this.queue.length) void this.flush();
    else void this.look();
  }

  /** Looks whether the server has another state, and shows it unless something here waits. */
  private async look(): Promise<void> {
    this.recheck = false;
    const { head } = this.saved;
    const reply = await ask<Saved>('GET', `/builds/${this.build.id}`);
    if (this.queue.length || this.sending || this.collision || this.saved.head !== head) return;
    if (!reply.ok) {
      if ('away' in reply) return this.leave();
      if (reply.problem.status === 410) this.trouble = { kind: 'binned' };
      else if (reply.problem.status === 404) this.trouble = { kind: 'gone' };
      else if (reply.problem.status === 401)
        this.trouble = { kind: 'locked', lines: problemLines(reply.problem) };
      return;
    }
    if (this.trouble.kind === 'refused') return;
    this.trouble = { kind: 'fine' };
    this.canUndo = reply.value.canUndo;
    this.canRedo = reply.value.canRedo;
    if (reply.value.head === head) {
      // The same state as before, maybe for the second time: what was saved between is undone.
      this.saved = reply.value;
      lastSaved.keep(reply.value);
      return;
    }
    if (!(await this.knowParts(reply.value.build))) return this.leave();
    if (this.queue.length || this.sending) return;
    this.accept(reply.value);
    this.followed = true;
  }

  /** Fetches the parts of a state that came from elsewhere. @returns whether all are known now */
  private async knowParts(build: Build): Promise<boolean> {
    const fetched = await this.fetchParts(itemsOf(build).map((i) => i.part));
    return fetched && this.fetchParts(relatedParts(entryOf(this.parts, build.board.part)));
  }

  private async fetchParts(ids: readonly string[]): Promise<boolean> {
    for (const id of new Set(ids.filter((p) => !this.parts.has(p)))) {
      const reply = await ask<Part>('GET', `/parts/${id}`);
      if (!reply.ok) return false;
      this.know(reply.value);
    }
    return true;
  }

  private async collideNow(theirs: Saved): Promise<void> {
    if (!(await this.knowParts(theirs.build))) return this.leave();
    // Two states that differ are rare: what tells them apart is loaded then.
    const { merge } = await import('../../core/revision');
    const base = this.saved.build;
    const mine = this.build;
    if (sameJson(mine, theirs.build) || !merge(base, mine, theirs.build).lines.length) this.accept(theirs);
    else this.collision = { base, mine, theirs };
  }

  private collide(theirs: Saved): void {
    this.trial = null;
    this.trouble = { kind: 'fine' };
    // One at a time: a second one would take away what is being decided. What comes meanwhile is met at the next save.
    if (this.isColliding || this.collision) return;
    this.isColliding = true;
    void this.collideNow(theirs).finally(() => (this.isColliding = false));
  }

  /** Shows a state that was made on the server at this page's wish. */
  async follow(record: Saved): Promise<void> {
    if (await this.knowParts(record.build)) this.accept(record);
    else this.leave();
  }

  /** Ends a collision with a state that stands on the one saved elsewhere. */
  settle(build: Build): void {
    const { theirs } = this.collision!;
    this.collision = null;
    this.queue = [];
    this.show(theirs);
    this.saved = theirs;
    if (sameJson(build, theirs.build)) this.accept(theirs);
    else this.change(build, text.log.did.merged);
  }

  /** Keeps the state on the screen as a build of its own. @returns its id, or null with the trouble said */
  async keepCopy(name: string): Promise<string | null> {
    const { writeBuildFile } = await import('../../formats');
    const file = writeBuildFile({ ...this.build, name }, this.parts);
    const reply = await ask<Saved>('POST', '/import', file);
    if (!reply.ok) {
      if ('away' in reply) this.leave();
      else this.trouble = { kind: 'refused', lines: problemLines(reply.problem) };
      return null;
    }
    if (this.collision) this.settle(this.collision.theirs.build);
    else if (this.trouble.kind === 'gone') {
      this.queue = [];
      this.waiting = 0;
      this.pending.forget();
    }
    return reply.value.build.id;
  }

  async putBack(): Promise<void> {
    const reply = await ask('POST', `/builds/${this.build.id}/put-back`);
    if (!reply.ok) return;
    this.trouble = { kind: 'fine' };
    if (this.queue.length) void this.flush();
    else void this.look();
  }

  /** Back to the last saved state. */
  revert(): void {
    this.queue = [];
    this.taking = null;
    this.waiting = 0;
    this.pending.forget();
    this.build = this.saved.build;
    this.trouble = { kind: 'fine' };
    void this.look();
  }

  /** Shows a state that the server has. */
  accept(record: Saved): void {
    this.trial = null;
    this.saved = record;
    this.queue = [];
    this.waiting = 0;
    this.keep();
    this.trouble = { kind: 'fine' };
    lastSaved.keep(record);
    this.show(record);
  }

  private show(record: Saved): void {
    this.build = record.build;
    this.head = record.head;
    this.canUndo = record.canUndo;
    this.canRedo = record.canRedo;
  }
}

const itemsOf = ({ board, items, shelf }: Build): Item[] => [board, ...items, ...shelf];
