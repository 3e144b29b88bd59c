import { onDestroy } from 'svelte';
import type { BootPlan, NoPlan } from '$lib/core/boot';
import type { Build, Part } from '$lib/core/model';
import type { BootMessage, BootReply } from '$lib/workers/boot';
import { Task, type TaskEnd } from '../task/task.svelte';

/** Plans of states that were planned already: going from view to view plans nothing again. */
const kept = new WeakMap<Build, BootPlan | NoPlan>();

/**
 * The starts of a build, planned beside the page. While a new plan is worked out the one before stays; it is then of
 * the state before the change. Made while a component is set up.
 */
export class BootPlanner {
  /** Null until the first plan is there. */
  plan = $state.raw<BootPlan | NoPlan | null>(null);
  trouble = $state<TaskEnd | 'stopped' | null>(null);
  readonly task = new Task<BootMessage, BootReply>({
    make: () => new Worker(new URL('../../workers/boot.ts', import.meta.url), { type: 'module' })
  });

  constructor(asked: () => { build: Build; parts: Part[] }) {
    $effect(() => {
      const { build, parts } = asked();
      const known = kept.get(build);
      if (known) {
        this.task.stop();
        this.trouble = null;
        this.plan = known;
        return;
      }
      this.trouble = null;
      this.task.run(
        JSON.parse(JSON.stringify({ build, parts })) as BootMessage,
        (reply) => {
          if (reply.kind === 'plan') {
            kept.set(build, reply.value);
            this.plan = reply.value;
          } else this.trouble = 'broken';
          return false;
        },
        (why) => (this.trouble = why)
      );
    });
    onDestroy(() => this.task.close());
  }

  stop(): void {
    this.task.stop();
    this.trouble = 'stopped';
  }
}
