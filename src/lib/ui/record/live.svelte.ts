/** What changed on the server: one build (head null: binned or put back) or anything. */
export type Told = { id: string; head: number | null } | 'all';

/**
 * Hears what changes on the server while the page is seen. Coming back, of the page or of the server,
 * counts as a change of anything.
 */
export class Live {
  /** Whether the server answers, as far as is known. */
  away = $state(false);
  private source: EventSource | null = null;

  constructor(private readonly told: (what: Told) => void) {}

  /** @returns how to stop */
  start(): () => void {
    const turn = () => (document.hidden ? this.close() : this.open());
    document.addEventListener('visibilitychange', turn);
    turn();
    return () => {
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
    source.onerror = () => (this.away = true);
    source.addEventListener('build', ({ data }) => this.told(JSON.parse(data)));
    source.addEventListener('all', () => this.told('all'));
  }

  private close(): void {
    this.source?.close();
    this.source = null;
  }
}
