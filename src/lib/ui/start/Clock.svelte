<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onDestroy } from 'svelte';
  import { start as words } from '$lib/words/en/screens/start';

  let began: number | null = $state(null);
  let seconds = $state(0);
  let timer: ReturnType<typeof setInterval> | undefined;
  const prompt = $derived(words.clock.prompts.findLast(([from]) => seconds >= from)?.[1] ?? '');

  function stop() {
    clearInterval(timer);
    began = null;
  }
  function start() {
    began = Date.now();
    seconds = 0;
    timer = setInterval(() => (seconds = Math.floor((Date.now() - began!) / 1000)), 500);
  }
  onDestroy(() => clearInterval(timer));
</script>

<div class="clock flex flex-wrap gap-y-1.25 gap-x-2.75 items-center">
  <Button class="act" onclick={() => (began === null ? start() : stop())}
    >{began === null ? words.clock.start : words.clock.stop}</Button
  >
  {#if began !== null}
    <b class="font-mono text-big" aria-hidden="true">{words.clock.seconds(seconds)}</b>
    <span role="status">{prompt}</span>
  {/if}
</div>
