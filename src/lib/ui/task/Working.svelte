<script lang="ts">
  import { Button, Progressbar, Spinner } from 'flowbite-svelte';
  import { text } from '$lib/words/en/screens';
  import { TASK_LIMIT_S } from './task.svelte';

  interface Props {
    /** What is being worked out, in a few words. */
    what: string;
    seconds: number;
    /** From 0 to 1, where it is known how much is left. */
    done?: number;
    onstop: () => void;
  }
  let { what, seconds, done, onstop }: Props = $props();
</script>

<div class="flex flex-wrap items-center gap-y-2 gap-x-3.5" aria-live="polite">
  {#if done === undefined}<Spinner size="6" aria-hidden="true" />
  {:else}
    <Progressbar
      class="flex-[1_1_8rem] max-w-64"
      size="h-3.25"
      progress={100 * done}
      role="progressbar"
      aria-label={what}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(100 * done)}
    />
  {/if}
  <span>{what}</span>
  <!-- Not read out each second. -->
  {#if seconds > 0}<span class="quiet" aria-hidden="true">{text.work.seconds(seconds, TASK_LIMIT_S)}</span
    >{/if}
  <Button class="act" onclick={onstop}>{text.tray.stop}</Button>
</div>
