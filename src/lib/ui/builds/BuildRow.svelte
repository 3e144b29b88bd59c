<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Status } from '$lib/core/rules';
  import { text } from '$lib/words/en/screens';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  interface Row {
    id: string;
    name: string;
    role: string | null;
    board: string;
    date: string | null;
    parts: number;
    stops: number;
    clashes: number;
    cautions: number;
    verdict: Status | 'unchecked' | 'too-large' | 'unreadable';
    trouble: string | null;
    lastStart: { at: string; said: string; isGood: boolean; suspects: string[] } | null;
  }
  interface Props {
    row: Row;
    /** Changes of this build wait in this browser. */
    waits: boolean;
    copy: () => void;
    bin: () => void;
  }
  let { row, waits, copy, bin }: Props = $props();
  const words = buildsText;
  const bad = $derived(row.clashes + row.stops);
  const isBroken = $derived(row.verdict === 'unreadable' || row.verdict === 'too-large');
</script>

<li class="gap-2.5 border-b border-b-rule flex items-center max-lg:flex-wrap max-lg:pb-2.5 hover:bg-sheet">
  <a
    class="py-4 px-1.5 gap-4 flex-1 min-w-0 grid grid-cols-[11rem_1fr_6.5rem_4.2rem_8.5rem] items-center text-ink no-underline max-lg:basis-full max-lg:grid-cols-[1fr_auto] max-lg:gap-y-1.25 max-lg:gap-x-4 max-lg:pb-1.25"
    href="/builds/{row.id}/lines"
  >
    <span class="name text-big font-extrabold [font-stretch:85%] wrap-anywhere">{row.name}</span>
    <span class="what max-lg:col-span-full max-lg:row-2">
      {#if row.role}<b class="block">{row.role}</b>{/if}
      <span class="text-quiet">{row.board}</span>
      {#if row.lastStart && !row.lastStart.isGood}
        <span class="start block text-quiet"
          >{words.lastStart(row.lastStart.said)}
          {#if row.lastStart.suspects.length}<b class="block"
              >{words.suspects(row.lastStart.suspects.join(', '))}</b
            >{/if}</span
        >
      {/if}
      {#if waits}<span class="block font-[650] text-stop">{words.waits}</span>{/if}
    </span>
    <span class="text-quiet max-lg:hidden"
      ><b class="block font-mono text-head text-ink">{row.date?.slice(0, 4) ?? '–'}</b>
      {words.standsFor}</span
    >
    <span class="text-quiet max-lg:hidden"
      ><b class="block font-mono text-head text-ink">{row.parts}</b> {words.part(row.parts)}</span
    >
    <span
      class="state border-l-8 border-l-transparent pl-2.75 font-semibold"
      class:bad={bad > 0 || isBroken}
      title={row.trouble ?? undefined}
    >
      {#if bad}<b class="text-big">{bad}</b> {words.clash(bad)}
      {:else}{#if row.verdict === 'clean'}<span
            class="border-[1.5px] border-ink inline-block w-[26px] h-[15px] bg-yellow align-[-2px]"
            aria-hidden="true"
          ></span>{/if}
        {words.verdicts[row.verdict]}{/if}
      {#if row.cautions}<span class="block font-normal text-quiet">{text.cautions(row.cautions)}</span>{/if}
    </span>
  </a>
  <span class="gap-1.5 flex">
    <Button class="act" onclick={copy} aria-label={words.copyLabel(row.name)}>{words.copy}</Button>
    <Button class="act" onclick={bin} aria-label={words.toBinLabel(row.name)}>{words.toBin}</Button>
  </span>
</li>

<style>
  .state.bad {
    border-left-color: var(--stop);
    color: var(--stop);
  }
</style>
