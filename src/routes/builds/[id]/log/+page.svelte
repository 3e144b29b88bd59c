<script lang="ts">
  import { Checkbox, Textarea, Input, Button } from 'flowbite-svelte';
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
<p class="mx-0 mt-0 mb-3.25 text-quiet">{words.lead}</p>

<div class="columns gap-6.5 grid grid-cols-[minmax(0,1fr)_20rem] max-lg:grid-cols-1">
  <section>
    <div
      class="bar border-b-2 border-b-ink flex flex-wrap gap-y-1.5 gap-x-5.5 items-baseline justify-between pb-1.5"
    >
      <h2>{words.states}</h2>
      <label class="gap-1.5 flex items-center"><Checkbox bind:checked={history.marked} /> {words.named}</label
      >
    </div>
    {#if history.trouble}<p class="bad my-2 mx-0 py-2 px-3.25 border-l-8 border-l-stop bg-sheet" role="alert">
        {history.trouble}
      </p>{/if}
    <p class="sr-only" role="status">{isBack ? words.restored : ''}</p>
    {#if isBack}<p class="back my-2 py-2 px-3.25 border-l-8 border-l-ink bg-sheet">{words.restored}</p>{/if}
    <ol class="mb-4">
      {#each history.states as state (state.id)}
        <StateRow {state} {history} restored={() => (isBack = true)} />
      {:else}{#if history.loaded && history.marked}<li class="py-4">{words.noneNamed}</li>{/if}{/each}
    </ol>
    {#if history.more}<Button class="act" onclick={() => history.older()}>{words.older}</Button>{/if}
  </section>

  <aside class="max-lg:-order-1">
    <label class="block mb-0.75 font-[650]" for="build-name">{words.name}</label>
    <Input
      id="build-name"
      class="mb-4"
      value={name}
      maxlength={120}
      autocomplete="off"
      oninput={(e) => type('name', (e.currentTarget as HTMLInputElement).value)}
      onchange={keep}
    />
    <label class="block mb-0.75 font-[650]" for="build-notes">{words.notes}</label>
    <Textarea
      class="w-full max-lg:h-28"
      id="build-notes"
      value={notes}
      rows={14}
      maxlength={20_000}
      placeholder={words.notesHint}
      oninput={(e) => type('notes', e.currentTarget.value)}
      onchange={keep}
    />
  </aside>
</div>
