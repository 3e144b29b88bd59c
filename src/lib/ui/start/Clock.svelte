<script lang="ts">
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

<div class="clock">
  <button type="button" class="act" onclick={() => (began === null ? start() : stop())}
    >{began === null ? words.clock.start : words.clock.stop}</button
  >
  {#if began !== null}
    <b aria-hidden="true">{words.clock.seconds(seconds)}</b>
    <span role="status">{prompt}</span>
  {/if}
</div>

<style>
  .clock {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 0.7rem;
    align-items: center;
  }
  b {
    font-family: var(--font-mono);
    font-size: 1.4rem;
  }
</style>
