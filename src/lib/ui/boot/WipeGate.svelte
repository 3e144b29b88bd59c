<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { withBoot, type WipeGate } from '$lib/core/boot';
  import { driverTitle, installWords } from '$lib/words';
  import { getBench } from '../context';
  import { boot } from '$lib/words/en/screens/boot';
  import { timeText } from '../time';

  let { gate }: { gate: WipeGate } = $props();
  const words = boot.gate;
  const { session } = getBench();
  const names = $derived([
    ...gate.drivers.map(driverTitle),
    ...gate.windows.map((s) => installWords(s).title)
  ]);
  const goOn = (at: string | undefined) =>
    session.change(withBoot(session.build, { wentOn: at }), at ? words.went : words.wentBack);
</script>

<section class="my-3.25 py-2 px-3.25 border-l-8 border-l-stop bg-sheet" class:signed={gate.wentOn !== null}>
  <h3>{gate.isUnknown ? words.unknown : words.title(names.length)}</h3>
  <ul class="my-1.25 pl-4.75 list-disc">
    {#each names as name (name)}<li>{name}</li>{/each}
  </ul>
  <p class="my-1.25">
    {words.why} <a class="py-1.25 inline-block" href="/builds/{session.build.id}/boot">{words.where}</a>
  </p>
  {#if gate.wentOn}
    <p class="my-1.25">
      {words.signed(timeText(gate.wentOn))}
      <Button class="act" onclick={() => goOn(undefined)}>{words.back}</Button>
    </p>
  {:else}
    <Button class="act" onclick={() => goOn(new Date().toISOString())}>{words.goOn}</Button>
  {/if}
</section>

<style>
  .signed {
    border-left-color: var(--ink);
  }
</style>
