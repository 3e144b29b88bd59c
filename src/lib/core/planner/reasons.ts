import type { Reason } from './types';

/** What stood against machines that were looked at; a rule with the same facts is one reason. */
export class Reasons {
  private readonly counted = new Map<string, { reason: Reason; count: number }>();

  note(reason: Reason): void {
    const key =
      reason.kind === 'finding'
        ? `${reason.finding.rule} ${JSON.stringify(reason.finding.facts)}`
        : JSON.stringify(reason);
    const known = this.counted.get(key);
    if (known) known.count++;
    else this.counted.set(key, { reason, count: 1 });
  }

  /** The most frequent first. */
  get list(): Reason[] {
    return [...this.counted.values()].sort((a, b) => b.count - a.count).map(({ reason }) => reason);
  }
}
