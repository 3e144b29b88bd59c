<script lang="ts">
  import { boot as words } from '$lib/words/en/screens/boot';
  import Working from '../task/Working.svelte';
  import type { BootPlanner } from './planner.svelte';

  let { planner }: { planner: BootPlanner } = $props();
</script>

<!-- While the starts are worked out beside the page, and when they could not be. -->
{#if planner.task.isRunning}
  <Working what={words.planning} seconds={planner.task.seconds} onstop={() => planner.stop()} />
{/if}
{#if planner.trouble}<p class="bad" role="alert">{words.planTrouble[planner.trouble]}</p>{/if}
