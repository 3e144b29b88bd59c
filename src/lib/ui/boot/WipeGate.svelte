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

<section class:signed={gate.wentOn !== null}>
  <h3>{gate.isUnknown ? words.unknown : words.title(names.length)}</h3>
  <ul>
    {#each names as name (name)}<li>{name}</li>{/each}
  </ul>
  <p>{words.why} <a href="/builds/{session.build.id}/boot">{words.where}</a></p>
  {#if gate.wentOn}
    <p>
      {words.signed(timeText(gate.wentOn))}
      <Button class="act" onclick={() => goOn(undefined)}>{words.back}</Button>
    </p>
  {:else}
    <Button class="act" onclick={() => goOn(new Date().toISOString())}>{words.goOn}</Button>
  {/if}
</section>

<style>
  section {
    margin: 0.8rem 0;
    padding: 0.5rem 0.8rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
  }
  .signed {
    border-left-color: var(--ink);
  }
  h3 {
    font-weight: 700;
  }
  ul {
    margin: 0.3rem 0;
    padding-left: 1.2rem;
    list-style: disc;
  }
  p {
    margin: 0.3rem 0;
  }
  a {
    display: inline-block;
    padding: 0.3rem 0;
  }
</style>
