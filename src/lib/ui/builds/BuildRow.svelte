<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { text } from '$lib/words/en/screens';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  interface Row {
    id: string;
    name: string;
    role: string | null;
    board: string;
    date: string | null;
    cards: number;
    stops: number;
    clashes: number;
    cautions: number;
    verdict: 'clean' | 'unknown' | 'clash' | 'unchecked' | 'too-large' | 'unreadable';
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

<li>
  <a href="/builds/{row.id}/lines">
    <span class="name">{row.name}</span>
    <span class="what">
      {#if row.role}<b>{row.role}</b>{/if}
      <span>{row.board}</span>
      {#if row.lastStart && !row.lastStart.isGood}
        <span class="start"
          >{words.lastStart(row.lastStart.said)}
          {#if row.lastStart.suspects.length}<b>{words.suspects(row.lastStart.suspects.join(', '))}</b
            >{/if}</span
        >
      {/if}
      {#if waits}<span class="waits">{words.waits}</span>{/if}
    </span>
    <span class="figure"><b>{row.date?.slice(0, 4) ?? '–'}</b> {words.standsFor}</span>
    <span class="figure"><b>{row.cards}</b> {words.card(row.cards)}</span>
    <span class="state" class:bad={bad > 0 || isBroken} title={row.trouble ?? undefined}>
      {#if bad}<b>{bad}</b> {words.clash(bad)}
      {:else}{#if row.verdict === 'clean'}<span class="cap" aria-hidden="true"></span>{/if}
        {words.verdicts[row.verdict]}{/if}
      {#if row.cautions}<span class="also">{text.cautions(row.cautions)}</span>{/if}
    </span>
  </a>
  <span class="acts">
    <Button class="act" onclick={copy} aria-label={words.copyLabel(row.name)}>{words.copy}</Button>
    <Button class="act" onclick={bin} aria-label={words.toBinLabel(row.name)}>{words.toBin}</Button>
  </span>
</li>

<style>
  li {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    border-bottom: 1px solid var(--rule);
  }
  li:hover {
    background: var(--sheet);
  }
  a {
    flex: 1;
    min-width: 0;
    display: grid;
    grid-template-columns: 11rem 1fr 6.5rem 4.2rem 8.5rem;
    gap: 1rem;
    align-items: center;
    padding: 1rem 0.4rem;
    color: var(--ink);
    text-decoration: none;
  }
  .start {
    display: block;
  }
  .acts {
    display: flex;
    gap: 0.4rem;
  }
  .name {
    font-size: 1.6rem;
    font-weight: 800;
    font-stretch: 85%;
    overflow-wrap: anywhere;
  }
  .what b {
    display: block;
  }
  .what span {
    color: var(--quiet);
  }
  .what .waits {
    display: block;
    font-weight: 650;
    color: var(--stop);
  }
  .figure {
    color: var(--quiet);
  }
  .figure b {
    display: block;
    font-family: var(--font-mono);
    font-size: 1.2rem;
    color: var(--ink);
  }
  .state {
    border-left: 8px solid transparent;
    padding-left: 0.7rem;
    font-weight: 600;
  }
  .state.bad {
    border-left-color: var(--stop);
    color: var(--stop);
  }
  .state b {
    font-size: 1.4rem;
  }
  .also {
    display: block;
    font-weight: 400;
    color: var(--quiet);
  }
  .cap {
    display: inline-block;
    width: 26px;
    height: 15px;
    background: var(--yellow);
    border: 1.5px solid var(--ink);
    vertical-align: -2px;
  }
  @media (max-width: 860px) {
    li {
      flex-wrap: wrap;
      padding-bottom: 0.6rem;
    }
    a {
      flex-basis: 100%;
      grid-template-columns: 1fr auto;
      gap: 0.3rem 1rem;
      padding-bottom: 0.3rem;
    }
    .what {
      grid-column: 1 / -1;
      grid-row: 2;
    }
    .figure {
      display: none;
    }
  }
</style>
