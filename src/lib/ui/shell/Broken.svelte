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
<main class="my-8 mx-auto px-4 max-w-208">
  <h1 class="text-huge">{words.title(name)}</h1>
  <ul class="why py-2 px-3.5 border-l-7 border-l-stop mt-2.5 mb-4 bg-sheet">
    {#each why as line, i (i)}<li class="wrap-anywhere">{line}</li>{/each}
  </ul>
  <p>{words.lead}</p>
  {#each trouble as line, i (i)}<p class="bad text-stop" role="alert">{line}</p>{/each}
  <p class="gap-2.5 mt-3.25 flex">
    <Button class="act" href="/api/v1/builds/{id}/export?as=raw" data-sveltekit-reload>{words.save}</Button>
    <Button class="act" onclick={toBin}>{words.toBin}</Button>
  </p>
  <h2 class="border-b-2 border-b-ink mt-6.5 mb-1.25 text-head">{words.states}</h2>
  {#if states === null}<p>{words.looking}</p>
  {:else if !states.length}<p>{words.noStates}</p>
  {:else}
    <ol>
      {#each states as state (state.id)}
        <li
          class="py-1.5 gap-3.25 border-b border-b-rule wrap-anywhere grid grid-cols-[11rem_minmax(0,1fr)_auto] items-center"
        >
          <time class="font-normal text-small font-mono leading-[1.25]" datetime={state.at}
            >{timeText(state.at)}</time
          >
          <span>{state.mark ?? state.note}</span>
          <Button class="act" onclick={() => bringBack(state.id)}>{words.bringBack}</Button>
        </li>
      {/each}
    </ol>
  {/if}
</main>
