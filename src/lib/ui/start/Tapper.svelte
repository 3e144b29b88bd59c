<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { start as words } from '$lib/words/en/screens/start';
  import { tapped, type Tap } from './tap';

  let { heard }: { heard: (text: string) => void } = $props();
  let taps: Tap[] = $state.raw([]);
  let down: number | null = null;

  function press(event: Event) {
    if (event instanceof KeyboardEvent && (event.repeat || event.key !== ' ')) return;
    event.preventDefault();
    down = performance.now();
  }
  function release(event: Event) {
    if (down === null || (event instanceof KeyboardEvent && event.key !== ' ')) return;
    taps = [...taps, { down, up: performance.now() }];
    down = null;
    heard(tapped(taps));
  }
</script>

<div class="gap-2.5 flex flex-wrap items-center">
  <Button
    class="act big touch-none"
    onpointerdown={press}
    onpointerup={release}
    onkeydown={press}
    onkeyup={release}>{words.tap}</Button
  >
  {#if taps.length}
    <span role="status">{words.tapped(tapped(taps))}</span>
    <Button class="act" onclick={() => (taps = [])}>{words.clearTap}</Button>
  {/if}
</div>
