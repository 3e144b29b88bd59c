<script lang="ts">
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { onMount } from 'svelte';
  import { Checkbox, Button, Input, Label } from 'flowbite-svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import type { Block, Notebook, Part } from '$lib/core/model';
  import Documents from '$lib/ui/notebook/Documents.svelte';
  import Merged from '$lib/ui/notebook/Merged.svelte';
  import Tries from '$lib/ui/notebook/Tries.svelte';
  import BlockShape from '$lib/ui/parts/BlockShape.svelte';
  import { KeptList } from '$lib/ui/record/kept-list.svelte';
  import { ask, mapped } from '$lib/ui/record/send';
  import KeptNotice from '$lib/ui/record/KeptNotice.svelte';
  import Deleted from '$lib/ui/shell/Deleted.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { notebook as notebookText } from '$lib/words/en/screens/notebook';

  let { data } = $props();
  const words = notebookText;
  const fresh = (): Notebook => ({
    id: `n-${Math.random().toString(36).slice(2, 10)}`,
    name: words.fresh,
    blocks: [],
    subjects: [],
    fragments: [],
    tries: []
  });
  interface Kept {
    notebook: Notebook;
    version: number;
  }
  const versioned = ({ notebook, version }: Kept) => ({ value: notebook, version });
  const keeping = new KeptList<Notebook>(
    {
      path: '/notebooks',
      save: async (notebook, version) =>
        mapped(await ask<Kept>('PUT', `/notebooks/${notebook.id}`, { notebook, version }), versioned),
      load: async () =>
        mapped(await ask<{ notebooks: Kept[] }>('GET', '/notebooks'), (r) => r.notebooks.map(versioned))
    },
    // svelte-ignore state_referenced_locally
    data.kept,
    page.url.searchParams.get('id'),
    // svelte-ignore state_referenced_locally
    data.kept[0]?.value ?? fresh()
  );
  onMount(() => keeping.start());
  const now = $derived(keeping.now);
  const change = (next: Notebook) => keeping.change(next);
  const isKept = $derived(keeping.isKept);
  const parts = $derived(data.parts as Part[]);

  /** What is open after the one that is open was deleted. */
  const nextOpen = () => keeping.kept.find((k) => k.value.id !== now.id)?.value ?? fresh();
  function open(id: string) {
    const found = keeping.kept.find((k) => k.value.id === id);
    if (!found) return;
    keeping.open(found.value);
    replaceState(`/notebook?id=${id}`, {});
  }
  let kind = $state<'dip' | 'header'>('dip');
  let called = $state('');
  let other = $state('');
  function addBlock(event: SubmitEvent) {
    event.preventDefault();
    const label = called.trim() || (kind === 'dip' ? words.blockHint : words.pinsHint);
    const id =
      label
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '') || 'b';
    if (now.blocks.some((b) => b.id === id)) return;
    const block: Block =
      kind === 'dip'
        ? { id, label, kind, switches: 8, printed: 'ON', flipped: false }
        : { id, label, kind, rows: 1, columns: 3, pin1: 'top-left' };
    change({ ...now, blocks: [...now.blocks, block] });
    called = '';
  }
  const setBlock = (block: Block, next: Block) =>
    change({ ...now, blocks: now.blocks.map((b) => (b === block ? next : b)) });
  const toggle = (subject: string) =>
    change({
      ...now,
      subjects: now.subjects.includes(subject)
        ? now.subjects.filter((s) => s !== subject)
        : [...now.subjects, subject]
    });
  function addOther(event: SubmitEvent) {
    event.preventDefault();
    const subject = other.trim().slice(0, 40);
    if (subject && !now.subjects.includes(subject)) toggle(subject);
    other = '';
  }
  const offered = $derived([...new Set([...Object.keys(words.facts), ...now.subjects])]);
</script>

<svelte:head><title>{now.name} · {words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main class="py-4 px-5.5 max-lg:p-3.25">
  {#if data.unreadable.length}<p class="damaged" role="alert">{text.damagedRows(data.unreadable)}</p>{/if}
  <h1>{words.title}</h1>
  <p class="max-w-248 text-quiet">{words.lead}</p>
  <div class="bar flex flex-wrap gap-y-2 gap-x-3.5 items-center">
    {#if keeping.kept.length}
      <label
        >{words.open}
        <OneOf value={now.id} onchange={(e) => open(e.currentTarget.value)}>
          {#each keeping.kept as { value } (value.id)}<option value={value.id}>{value.name}</option>{/each}
          {#if !isKept}<option value={now.id}>{now.name}</option>{/if}
        </OneOf></label
      >
    {/if}
    <Button class="act" onclick={() => keeping.open(fresh())}>{words.start}</Button>
    {#if isKept}<Button class="act" onclick={() => keeping.remove(now.id, nextOpen())}
        >{words.remove(now.name)}</Button
      >{/if}
  </div>
  {#if keeping.deleted}{@const record = keeping.deleted}<Deleted
      name={record.name}
      bringBack={() => keeping.bringBack(record)}
    />{/if}
  {#if keeping.trouble}<p class="bad" role="alert">{keeping.trouble}</p>{/if}
  <KeptNotice record={keeping.record} names={words.fields} />
  <div
    class="body grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-y-0 gap-x-8.75 mt-3.25 max-lg:grid-cols-1"
  >
    <section>
      <div class="name flex flex-wrap gap-y-2 gap-x-3.5 items-center mb-1.5">
        <Label for="n-name">{words.name}</Label>
        <Input
          id="n-name"
          value={now.name}
          maxlength={120}
          onchange={(e) => {
            const name = e.currentTarget.value.trim();
            if (name) change({ ...now, name });
          }}
        />
        <Label for="n-like">{words.like}</Label>
        <OneOf
          id="n-like"
          value={now.like ?? ''}
          onchange={(e) => {
            const { like: _, ...rest } = now;
            change(e.currentTarget.value ? { ...rest, like: e.currentTarget.value } : rest);
          }}
        >
          <option value="">–</option>
          {#each parts as p (p.id)}<option value={p.id}>{p.maker} {p.name}</option>{/each}
        </OneOf>
      </div>
      <h2>{words.blocks}</h2>
      {#each now.blocks as block (block.id)}
        <div class="block my-1.25 flex flex-wrap gap-y-1.5 gap-x-4 items-center">
          <b class="min-w-14 font-mono">{block.label ?? block.id}</b>
          <BlockShape {block} change={(next) => setBlock(block, next)} />
          <Button
            class="cross"
            onclick={() => change({ ...now, blocks: now.blocks.filter((b) => b !== block) })}
            aria-label={words.removeBlock(block.label ?? block.id)}>×</Button
          >
        </div>
      {/each}
      <form class="flex flex-wrap gap-y-2 gap-x-3.5 items-center" onsubmit={addBlock}>
        <Input
          bind:value={called}
          aria-label={words.blockName}
          placeholder={words.blockHint}
          maxlength={20}
        />
        <OneOf bind:value={kind} aria-label={words.blocks}
          >{#each Object.entries(words.kinds) as [id, label] (id)}<option value={id}>{label}</option
            >{/each}</OneOf
        >
        <Button type="submit" class="act">{words.addBlock}</Button>
      </form>
      <h2>{words.subjects}</h2>
      <div class="flex flex-wrap gap-y-1 gap-x-4">
        {#each offered as subject (subject)}
          <label
            ><Checkbox checked={now.subjects.includes(subject)} onchange={() => toggle(subject)} />
            {words.facts[subject] ?? subject}</label
          >
        {/each}
        <form class="flex flex-wrap gap-y-2 gap-x-3.5 items-center basis-full mt-0.75" onsubmit={addOther}>
          <Input
            bind:value={other}
            aria-label={words.addSubject}
            placeholder={words.addSubject}
            maxlength={40}
          />
          <Button type="submit" class="act">{text.parts.add}</Button>
        </form>
      </div>
      <h2>{words.documents}</h2>
      <Documents notebook={now} {change} />
      <h2>{words.merged}</h2>
      <Merged notebook={now} {parts} />
    </section>
    <section>
      <h2>{words.tries}</h2>
      <Tries notebook={now} {parts} {change} />
    </section>
  </div>
</main>

<style>
  .name :global(input) {
    max-width: 18rem;
  }

  h2 {
    margin: 1rem 0 0.4rem;
    padding-bottom: 0.15rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.1rem;
  }
  section:last-child h2:first-child {
    margin-top: 0;
  }
</style>
