/** What changed on the server: one build (head null: binned or put back) or anything. */
export type Told = { id: string; head: number | null } | 'all';

const AGAIN_MS = 5000;

/**
 * Hears what changes on the server while the page is seen. Coming back, of the page or of the server,
 * counts as a change of anything.
 */
export class Live {
  /** Whether the server answers, as far as is known. */
  away = $state(false);
  private source: EventSource | null = null;
  private isOver = false;

  constructor(private readonly told: (what: Told) => void) {}

  /** @returns how to stop */
  start(): () => void {
    const turn = () => (document.hidden ? this.close() : this.open());
    document.addEventListener('visibilitychange', turn);
    turn();
    return () => {
      this.isOver = true;
      document.removeEventListener('visibilitychange', turn);
      this.close();
    };
  }

  private open(): void {
    if (this.source) return;
    const source = new EventSource('/api/v1/events');
    this.source = source;
    source.onopen = () => {
      this.away = false;
      this.told('all');
    };
    source.onerror = () => {
      const wasAway = this.away;
      this.away = source.readyState !== EventSource.CLOSED;
      if (this.away) {
        // A page that was kept from earlier has to look how far the record had come.
        if (!wasAway) this.told('all');
        return;
      }
      // Answered, but not with changes: the passphrase may be asked for again.
      this.close();
      this.told('all');
      setTimeout(() => !document.hidden && !this.isOver && this.open(), AGAIN_MS);
    };
    source.addEventListener('build', ({ data }) => this.told(JSON.parse(data)));
    source.addEventListener('all', () => this.told('all'));
  }

  private close(): void {
    this.source?.close();
    this.source = null;
  }
}
