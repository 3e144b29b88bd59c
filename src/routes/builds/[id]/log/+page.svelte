<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount, untrack } from 'svelte';
  import { getBench } from '$lib/ui/context';
  import { History } from '$lib/ui/log/history.svelte';
  import StateRow from '$lib/ui/log/StateRow.svelte';
  import { text } from '$lib/words/en/screens';

  const words = text.log;
  const { session } = getBench();
  const history = new History(session);
  let isBack = $state(false);

  // Every saved state, here or in another window, is another head.
  $effect(() => {
    void session.head;
    void history.marked;
    untrack(() => {
      history.compared = null;
      void history.load();
    });
  });

  /** What is typed is kept when nothing was typed for a moment, and when the field or the page is left. */
  const PAUSE_MS = 1500;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let typed: { name?: string; notes?: string } = $state({});
  const name = $derived(typed.name ?? session.build.name);
  const notes = $derived(typed.notes ?? session.build.notes ?? '');
  function type(fact: 'name' | 'notes', value: string) {
    typed = { ...typed, [fact]: value };
    clearTimeout(timer);
    timer = setTimeout(keep, PAUSE_MS);
  }
  function keep() {
    clearTimeout(timer);
    const wish = { ...typed };
    if (wish.name !== undefined && !wish.name.trim()) delete wish.name;
    typed = {};
    const { notes: old, ...rest } = session.build;
    const next = wish.notes === undefined ? old : wish.notes || undefined;
    const title = wish.name?.trim() ?? session.build.name;
    if (title === session.build.name && next === old) return;
    session.change({ ...rest, name: title, ...(next === undefined ? {} : { notes: next }) }, words.did.words);
  }
  onMount(() => {
    addEventListener('pagehide', keep);
    return () => {
      removeEventListener('pagehide', keep);
      keep();
    };
  });
</script>

<h1>{words.title}</h1>
<p class="lead">{words.lead}</p>

<div class="columns">
  <section>
    <div class="bar">
      <h2>{words.states}</h2>
      <label><input type="checkbox" bind:checked={history.marked} /> {words.named}</label>
    </div>
    {#if history.trouble}<p class="bad" role="alert">{history.trouble}</p>{/if}
    <p class="sr-only" role="status">{isBack ? words.restored : ''}</p>
    {#if isBack}<p class="back">{words.restored}</p>{/if}
    <ol>
      {#each history.states as state (state.id)}
        <StateRow {state} {history} restored={() => (isBack = true)} />
      {:else}{#if history.loaded && history.marked}<li>{words.noneNamed}</li>{/if}{/each}
    </ol>
    {#if history.more}<Button class="act" onclick={() => history.older()}>{words.older}</Button>{/if}
  </section>

  <aside>
    <label for="build-name">{words.name}</label>
    <input
      id="build-name"
      value={name}
      maxlength={120}
      autocomplete="off"
      oninput={(e) => type('name', e.currentTarget.value)}
      onchange={keep}
    />
    <label for="build-notes">{words.notes}</label>
    <textarea
      id="build-notes"
      value={notes}
      rows="14"
      maxlength={20_000}
      placeholder={words.notesHint}
      oninput={(e) => type('notes', e.currentTarget.value)}
      onchange={keep}
    ></textarea>
  </aside>
</div>

<style>
  h2 {
    font-size: 1.15rem;
  }
  .lead {
    margin: 0 0 0.8rem;
    color: var(--quiet);
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 20rem;
    gap: 1.6rem;
  }
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1.4rem;
    align-items: baseline;
    justify-content: space-between;
    padding-bottom: 0.4rem;
    border-bottom: 2px solid var(--ink);
  }
  .bar label {
    display: flex;
    gap: 0.4rem;
    align-items: center;
  }
  ol {
    margin: 0 0 1rem;
    padding: 0;
    list-style: none;
  }
  ol > li {
    padding: 1rem 0;
  }
  .bad,
  .back {
    margin: 0.5rem 0;
    padding: 0.5rem 0.8rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
  }
  .back {
    border-left-color: var(--ink);
  }
  aside label {
    display: block;
    margin-bottom: 0.2rem;
    font-weight: 650;
  }
  aside input,
  textarea {
    width: 100%;
    margin-bottom: 1rem;
    padding: 0.5rem 0.6rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    font-size: 1.05rem;
  }
  input[type='checkbox'] {
    width: 1.1rem;
    height: 1.1rem;
    accent-color: var(--ink);
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
    aside {
      order: -1;
    }
    textarea {
      height: 7rem;
    }
  }
</style>
