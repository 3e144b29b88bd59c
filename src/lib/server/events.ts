import { dataVersion, type Db } from './database';

/** What changed: one build, or anything at all (a backup was brought back, an archive came in). */
export type Change = { kind: 'build'; id: string; head: number | null } | { kind: 'all' };
type Listener = (change: Change) => void;

/** Tells open pages what changed, also when another program changed the file. */
export class Changes {
  private readonly listeners = new Set<Listener>();
  private timer: NodeJS.Timeout | null = null;
  private seen = 0;

  /** @param everyMs how often the file is looked at for changes of other programs, while somebody listens */
  constructor(
    private readonly db: Db,
    private readonly everyMs = 1000
  ) {}

  tell(change: Change): void {
    for (const listener of [...this.listeners]) listener(change);
  }

  /** @returns how to stop listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    if (!this.timer) void this.watch();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size || !this.timer) return;
      clearInterval(this.timer);
      this.timer = null;
    };
  }

  private async watch(): Promise<void> {
    this.timer = setInterval(() => void this.look(), this.everyMs);
    this.timer.unref();
    this.seen = await dataVersion(this.db);
  }

  private async look(): Promise<void> {
    const now = await dataVersion(this.db).catch(() => this.seen);
    if (now !== this.seen && this.seen) this.tell({ kind: 'all' });
    this.seen = now;
  }
}
