import { choose, type Explanation, type Resolution, type Solution } from '../core/solver';
import type { SolveReply, SolveRequest } from '../workers/solve';
import type { Session } from './record/session.svelte';
import { text } from '../words/en/screens';
import { TASK_LIMIT_S, Task } from './task/task.svelte';

/** Runs the solver in a worker and keeps what it found until it is taken or left. */
export class Planner {
  state = $state<'idle' | 'working' | 'plan' | 'why'>('idle');
  result: Resolution | null = $state.raw(null);
  why: Explanation | null = $state.raw(null);
  /** Index of the solution that is shown: 0 the best, then the alternatives. */
  shown = $state(0);
  allowOff = $state(false);
  trouble = $state('');
  readonly task = new Task<SolveRequest, SolveReply>({
    make: () => new Worker(new URL('../workers/solve.ts', import.meta.url), { type: 'module' })
  });

  constructor(private readonly session: Session) {}

  get solutions(): Solution[] {
    return this.result?.status === 'solved' ? [this.result, ...this.result.alternatives] : [];
  }

  /** Loads the solver ahead. @returns how to let it go */
  warm(): () => void {
    // When the page has been drawn and has nothing better to do.
    const timer = setTimeout(() => this.task.warm(), 1500);
    return () => {
      clearTimeout(timer);
      this.stop();
      this.task.close();
    };
  }

  resolve(): void {
    this.session.trial = null;
    this.run({
      kind: 'resolve',
      build: this.session.build,
      parts: this.session.partList,
      options: { allowOff: this.allowOff, alternatives: 2 }
    });
  }

  explain(item: string, setting: string, position: string): void {
    this.run({
      kind: 'explain',
      build: this.session.build,
      parts: this.session.partList,
      item,
      setting,
      position
    });
  }

  private run(request: SolveRequest): void {
    this.stop();
    this.state = 'working';
    this.trouble = '';
    this.task.run(
      request,
      (reply) => {
        if (reply.kind === 'error') this.fail(reply.message);
        else if (reply.kind === 'explain') {
          this.why = reply.result;
          this.state = 'why';
        } else {
          this.result = reply.result;
          this.state = 'plan';
          this.show(0);
        }
        return false;
      },
      (why) => this.fail(text.work.ended[why](TASK_LIMIT_S))
    );
  }

  private fail(trouble: string): void {
    this.state = 'idle';
    this.trouble = trouble;
  }

  /** Shows one of the solutions on the loom without taking it. */
  show(index: number): void {
    this.shown = index;
    const solution = this.solutions[index];
    if (solution) this.session.trial = choose(this.session.build, solution);
  }

  take(): void {
    const solution = this.solutions[this.shown];
    if (solution) this.session.change(choose(this.session.build, solution), text.log.did.resolved);
    this.close();
  }

  /** Drops what is shown and stops what is running. */
  close(): void {
    this.stop();
    this.session.trial = null;
    this.result = null;
    this.why = null;
    this.state = 'idle';
  }

  stop(): void {
    this.task.stop();
    if (this.state === 'working') this.state = 'idle';
  }
}
