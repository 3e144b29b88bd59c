<script lang="ts">
  import { Button } from 'flowbite-svelte';
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

<p class="flex flex-wrap items-center gap-y-2 gap-x-3.5" aria-live="polite">
  <progress class="flex-[1_1_8rem] max-w-64 h-3.25 accent-yellow" max="1" value={done} aria-label={what}
  ></progress>
  <span>{what}</span>
  <!-- Not read out each second. -->
  {#if seconds > 0}<span class="quiet" aria-hidden="true">{text.work.seconds(seconds, TASK_LIMIT_S)}</span
    >{/if}
  <Button class="act" onclick={onstop}>{text.tray.stop}</Button>
</p>
