import type { Brief, Part, ShelfView } from '../../core/model';
import {
  middleWeights,
  type Front,
  type Plan,
  type PlanRequest,
  type Progress,
  type Unit,
  type Weights,
  type WhyNot
} from '../../core/planner';
import type { PlanMessage, PlanReply } from '../../workers/plan';
import { ask } from '../record/send';
import { text } from '../../words/en/screens';
import { TASK_LIMIT_S, Task } from '../task/task.svelte';

/** Proposes machines in a worker, from every part known and what lies on the shelf. */
export class Planning {
  state = $state<'idle' | 'loading' | 'working'>('idle');
  progress: Progress | null = $state.raw(null);
  front: Front | null = $state.raw(null);
  why: WhyNot | null = $state.raw(null);
  trouble = $state('');
  weights: Weights = $state({ ...middleWeights });
  parts: Part[] = $state.raw([]);
  private shelf: Unit[] = [];
  readonly task = new Task<PlanMessage, PlanReply>({
    make: () => new Worker(new URL('../../workers/plan.ts', import.meta.url), { type: 'module' })
  });
  private last: PlanRequest | null = null;

  /** Finds machines for a brief; parts that are fixed stay in. */
  async propose(brief: Brief, fixed: readonly string[], excluded: readonly string[] = []): Promise<void> {
    this.stop();
    this.front = null;
    this.why = null;
    this.trouble = '';
    this.state = 'loading';
    if (!(await this.load())) {
      this.state = 'idle';
      this.trouble = text.serverGone;
      return;
    }
    this.last = this.request(brief, fixed, excluded);
    this.run({ kind: 'plan', request: this.last });
  }

  /** Why a part is in none of the plans; compared with the first. */
  whyNot(part: string, current: Plan): void {
    if (!this.last) return;
    this.stop();
    this.why = null;
    this.run({ kind: 'why', request: this.last, current, part });
  }

  private request(brief: Brief, fixed: readonly string[], excluded: readonly string[]): PlanRequest {
    return JSON.parse(
      JSON.stringify({ brief, parts: this.parts, shelf: this.shelf, weights: this.weights, fixed, excluded })
    ) as PlanRequest;
  }

  /** Fetches the parts once, the shelf each time: it changes while one works. */
  async load(): Promise<boolean> {
    const all = async <T>(path: string, key: string): Promise<T[] | null> => {
      const rows: T[] = [];
      for (;;) {
        const reply = await ask<Record<string, unknown>>('GET', `${path}?limit=500&offset=${rows.length}`);
        if (!reply.ok) return null;
        rows.push(...(reply.value[key] as T[]));
        if (rows.length >= (reply.value.total as number)) return rows;
      }
    };
    const parts = this.parts.length ? this.parts : await all<Part>('/parts', 'parts');
    const shelf = await all<ShelfView>('/shelf', 'items');
    if (!parts || !shelf) return false;
    this.parts = parts;
    // What is lent or broken cannot be used.
    this.shelf = shelf
      .filter((v) => v.lentTo === null && !['faulty', 'parts-only'].includes(v.item.condition))
      .map(({ item }) => ({ specimen: item.id, part: item.part, asFound: item.asFound }));
    return true;
  }

  private run(message: PlanMessage): void {
    this.state = 'working';
    this.progress = null;
    this.task.run(
      message,
      (reply) => {
        if (reply.kind === 'progress') {
          this.progress = reply.progress;
          return true;
        }
        this.state = 'idle';
        if (reply.kind === 'plan') this.front = reply.front;
        else if (reply.kind === 'why') this.why = reply.why;
        else this.trouble = reply.message;
        return false;
      },
      (why) => {
        this.state = 'idle';
        this.trouble = text.work.ended[why](TASK_LIMIT_S);
      }
    );
  }

  stop(): void {
    this.task.stop();
    this.state = 'idle';
  }
}
