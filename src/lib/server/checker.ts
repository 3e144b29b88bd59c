import { type PartSet, entryOf } from '../core/model';
import type { Db } from './database';
import { Refused } from './errors';
import type { Changes } from './events';
import { pool } from './heavy/pool';
import { keepSummary, type Summary, type Unchecked } from './summaries';
import { InvalidDocument } from '../words';

/**
 * Checks for lists, one state after the other, beside everything else. What it finds is kept and told to open pages;
 * a state that cannot be checked is kept as such, so that it is not tried at each look.
 */
export class Checker {
  private readonly queue = new Map<string, Unchecked>();
  private working: Promise<void> | null = null;

  constructor(
    private readonly db: Db,
    private readonly changes: Changes,
    private readonly key: string
  ) {}

  /** Takes states up that are not waiting yet. */
  check(states: readonly Unchecked[], parts: PartSet): void {
    for (const state of states) this.queue.set(`${state.build} ${state.head}`, state);
    if (this.queue.size) this.working ??= this.work(parts).finally(() => (this.working = null));
  }

  /** When all that waits is checked. */
  async settled(): Promise<void> {
    while (this.working) await this.working;
  }

  private async work(parts: PartSet): Promise<void> {
    for (const [name, state] of this.queue) {
      try {
        await keepSummary(this.db, this.key, state, await this.summaryOf(state, parts));
        this.changes.tell({ kind: 'build', id: state.build, head: state.head });
      } catch {
        // The store is away, or too many wait: it is tried at the next look.
      }
      this.queue.delete(name);
    }
  }

  private async summaryOf({ document, summary }: Unchecked, parts: PartSet): Promise<Summary> {
    try {
      const { status, findings, lastStart } = await pool.run('summary', {
        document,
        parts: used(summary, parts)
      });
      const count = (severity: string) => findings.filter((f) => f.severity === severity).length;
      return {
        ...summary,
        verdict: status,
        lastStart,
        stops: count('stop'),
        clashes: count('clash'),
        cautions: count('caution')
      };
    } catch (error) {
      if (error instanceof InvalidDocument)
        return {
          ...summary,
          verdict: 'unreadable',
          trouble: error.problems
            .slice(0, 3)
            .map((p) => `${p.path}: ${p.message}`)
            .join('; ')
        };
      if (error instanceof Refused && error.status === 422)
        return { ...summary, verdict: 'too-large', trouble: error.message };
      throw error;
    }
  }
}

/** The parts of a state, and those that its board needs besides. */
function used(summary: Summary, parts: PartSet): PartSet {
  const ids = new Set(summary.items.map((i) => i.part));
  for (const id of [...ids]) {
    const board = parts.get(id)?.board;
    for (const more of [board?.firmware, board?.cpuSocket?.soldered]) if (more) ids.add(more);
  }
  return new Map([...ids].flatMap((id) => (parts.has(id) ? [[id, entryOf(parts, id)] as const] : [])));
}
