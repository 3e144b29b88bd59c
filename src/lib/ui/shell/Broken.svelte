<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { ask, problemLines } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { timeText } from '../time';
  import PlaceBar from './PlaceBar.svelte';

  interface Props {
    id: string;
    name: string;
    head: number;
    /** What is wrong with the present state. */
    why: readonly string[];
  }
  let { id, name, head, why }: Props = $props();
  const words = text.broken;

  interface State {
    id: number;
    at: string;
    note: string;
    mark: string | null;
    unreadable: boolean;
  }
  let states = $state.raw<State[] | null>(null);
  let trouble = $state.raw<string[]>([]);

  onMount(async () => {
    const reply = await ask<{ revisions: State[] }>('GET', `/builds/${id}/revisions?limit=200`);
    if (reply.ok) states = reply.value.revisions.filter((s) => !s.unreadable && s.id !== head);
    else trouble = 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  });

  async function act(method: string, path: string, body: object | undefined, then: () => Promise<unknown>) {
    const reply = await ask(method, path, body);
    if (reply.ok) await then();
    else trouble = 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  }
  const bringBack = (n: number) =>
    act('POST', `/builds/${id}/revisions/${n}/restore`, { base: head }, invalidateAll);
  const toBin = () => act('DELETE', `/builds/${id}`, undefined, () => goto('/'));
</script>

<svelte:head><title>{name} · {text.product}</title></svelte:head>
<PlaceBar />
<main>
  <h1>{words.title(name)}</h1>
  <ul class="why">
    {#each why as line, i (i)}<li>{line}</li>{/each}
  </ul>
  <p>{words.lead}</p>
  {#each trouble as line, i (i)}<p class="bad" role="alert">{line}</p>{/each}
  <p class="acts">
    <Button class="act" href="/api/v1/builds/{id}/export?as=raw" data-sveltekit-reload>{words.save}</Button>
    <Button class="act" onclick={toBin}>{words.toBin}</Button>
  </p>
  <h2>{words.states}</h2>
  {#if states === null}<p>{words.looking}</p>
  {:else if !states.length}<p>{words.noStates}</p>
  {:else}
    <ol>
      {#each states as state (state.id)}
        <li>
          <time datetime={state.at}>{timeText(state.at)}</time>
          <span>{state.mark ?? state.note}</span>
          <Button class="act" onclick={() => bringBack(state.id)}>{words.bringBack}</Button>
        </li>
      {/each}
    </ol>
  {/if}
</main>

<style>
  main {
    max-width: 52rem;
    margin: 2rem auto;
    padding: 0 1rem;
  }
  h1 {
    font-size: 2rem;
  }
  h2 {
    margin: 1.6rem 0 0.4rem;
    font-size: 1.2rem;
    border-bottom: 2px solid var(--ink);
  }
  .why {
    margin: 0.6rem 0 1rem;
    padding: 0.5rem 0.9rem;
    border-left: 7px solid var(--stop);
    background: var(--sheet);
    list-style: none;
  }
  .bad {
    color: var(--stop);
  }
  .acts {
    margin-top: 0.8rem;
    display: flex;
    gap: 0.6rem;
  }
  li {
    overflow-wrap: anywhere;
  }
  ol li {
    display: grid;
    grid-template-columns: 11rem minmax(0, 1fr) auto;
    gap: 0.8rem;
    align-items: center;
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--rule);
  }
  time {
    font: 0.9rem var(--font-mono);
  }
</style>
