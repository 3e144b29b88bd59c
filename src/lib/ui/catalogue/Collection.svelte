<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button} from 'flowbite-svelte';
  import type { Choice, Incoming } from '$lib/core/own';
  import { ask, problemLines } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { collection as words } from '$lib/words/en/screens/collection';

  interface Props {
    /** The file as it was read, and what is in it. */
    content: string;
    rows: Incoming[];
    refused: { name: string; problems: { path: string; message: string }[] }[];
    done: (taken: number) => void;
    close: () => void;
  }
  let { content, rows, refused, done, close }: Props = $props();
  // svelte-ignore state_referenced_locally
  let choices: Record<string, Choice> = $state(
    Object.fromEntries(rows.map((r) => [r.part.id, r.choices[0]] as const))
  );
  let trouble: string[] = $state([]);
  let busy = $state(false);
  const coming = $derived(Object.values(choices).filter((c) => c !== 'leave').length);

  async function take() {
    busy = true;
    trouble = [];
    const reply = await ask<{ taken: number }>('POST', '/collection/take', {
      text: content,
      choices: $state.snapshot(choices)
    });
    busy = false;
    if (reply.ok) done(reply.value.taken);
    else trouble = 'away' in reply ? [text.serverGone] : problemLines(reply.problem);
  }
</script>

<section class="my-3.25 py-3.25 px-4 border-2 border-ink bg-sheet" aria-labelledby="collection-title">
  <h2 class="text-head" id="collection-title">{words.title(rows.length)}</h2>
  <p>{words.lead}</p>
  <ul class="my-2">
    {#each rows as r (r.part.id)}
      <li class={r.standing}>
        <div>
          <b>{r.part.maker} {r.part.name}</b>
          <span>{words.standings[r.standing]}</span>
          {#if r.differences.length}<small class="block text-quiet">{words.differs(r.differences.join(', '))}</small>{/if}
        </div>
        {#if r.choices.length > 1}
          <OneOf aria-label={words.choiceOf(r.part.name)} items={r.choices.map((value) => ({ value, name: words.choices[value] }))} bind:value={choices[r.part.id]} />
        {/if}
      </li>
    {/each}
  </ul>
  {#if refused.length}
    <h3 class="mt-2.5">{words.refused}</h3>
    <ul class="my-2">
      {#each refused as r (r.name)}
        <li>
          <div><b>{r.name}</b> <span>{r.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}</span></div>
        </li>
      {/each}
    </ul>
  {/if}
  {#each trouble as line (line)}<p class="bad" role="alert">{line}</p>{/each}
  <p class="gap-2.5 flex">
    <Button class="act main" disabled={busy || !coming} onclick={take}>{words.take(coming)}</Button>
    <Button class="act" onclick={close}>{words.close}</Button>
  </p>
</section>

<style>




  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(10rem, 16rem);
    gap: 0.6rem;
    align-items: center;
    padding: 0.4rem 0.6rem;
    border-bottom: 1px solid var(--rule);
    border-left: 8px solid var(--rule);
  }
  .new {
    border-left-color: var(--yellow);
  }
  .differs,
  .catalogue {
    border-left-color: var(--ink);
  }


  @media (width < 48rem) {
    li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
