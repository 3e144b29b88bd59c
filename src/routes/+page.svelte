<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import Bin from '$lib/ui/builds/Bin.svelte';
  import BuildRow from '$lib/ui/builds/BuildRow.svelte';
  import OpenFile from '$lib/ui/builds/OpenFile.svelte';
  import { Listing } from '$lib/ui/listing.svelte';
  import { Live } from '$lib/ui/record/live.svelte';
  import { waits } from '$lib/ui/record/pending';
  import { ask, problemLines } from '$lib/ui/record/send';
  import SignOut from '$lib/ui/shell/SignOut.svelte';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { plan as planText } from '$lib/words/en/screens/brief';
  import { builds as buildsText } from '$lib/words/en/screens/builds';

  let { data } = $props();
  const words = buildsText;
  // svelte-ignore state_referenced_locally
  const use = new Listing('/builds', 'builds', { rows: data.use.builds, total: data.use.total });
  // svelte-ignore state_referenced_locally
  const bin = new Listing('/builds?from=bin', 'builds', { rows: data.bin.builds, total: data.bin.total });
  const live = new Live(() => void reload());
  let notice = $state<{ lines: string[]; bad: boolean; undo?: () => void } | null>(null);
  let seen = $state(false);

  onMount(() => {
    seen = true;
    return live.start();
  });

  const reload = () => Promise.all([use.load(), bin.load()]);

  /** Does something on the server, says what became of it, and looks again. */
  async function act(
    method: string,
    path: string,
    body?: object,
    done?: { line: string; undo?: () => void }
  ) {
    const reply = await ask(method, path, body);
    if (reply.ok) notice = done ? { lines: [done.line], bad: false, undo: done.undo } : null;
    else notice = { lines: 'away' in reply ? [text.serverGone] : problemLines(reply.problem), bad: true };
    await reload();
  }
  const putBack = (id: string) => act('POST', `/builds/${id}/put-back`);
  const toBin = (id: string, name: string) =>
    act('DELETE', `/builds/${id}`, undefined, { line: words.binned(name), undo: () => void putBack(id) });
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>

<PlaceBar
  >{#if data.shared}<SignOut />{/if}</PlaceBar
>

<main class="mx-auto py-6.5 px-4 max-w-[1240px]">
  <div class="head gap-2.75 flex flex-wrap items-end mb-4.75">
    <div class="title flex-1 min-w-64">
      <h1 class="text-huge">{words.title}</h1>
      <p class="mt-0.75 text-quiet">{words.lead}</p>
    </div>
    <Button class="act" href="/api/v1/workshop" data-sveltekit-reload aria-label={words.saveAllLabel}
      >{words.saveAll}</Button
    >
    <OpenFile
      told={(lines, bad) => {
        notice = { lines, bad };
        void reload();
      }}
    />
    <Button class="act" href="/plan">{planText.planPage}</Button>
    <Button class="act main" href="/builds/new">{words.newBuild}</Button>
  </div>

  {#if live.away || use.away}<p
      class="notice bad mx-0 py-2.75 px-4 border-l-8 border-l-ink text-quiet flex flex-wrap gap-y-2.5 gap-x-4 items-center mt-0 mb-4 bg-sheet"
      role="alert"
    >
      {text.serverGone}
    </p>{/if}
  {#if notice}
    <div
      class="notice py-2.75 px-4 border-l-8 border-l-ink flex flex-wrap gap-y-2.5 gap-x-4 items-center mb-4 bg-sheet"
      class:bad={notice.bad}
      role={notice.bad ? 'alert' : 'status'}
    >
      <div>
        {#each notice.lines as line, i (i)}<p class="mt-0.75 text-ink wrap-anywhere">{line}</p>{/each}
      </div>
      {#if notice.undo}<Button class="act" onclick={notice.undo}>{words.undo}</Button>{/if}
      <Button class="act" onclick={() => (notice = null)}>{text.hide}</Button>
    </div>
  {/if}

  {#if use.total > 8 || use.query}
    <Label for="build-query" class="sr-only">{words.find}</Label>
    <Input
      id="build-query"
      bind:value={use.query}
      oninput={() => use.typed()}
      placeholder={words.find}
      autocomplete="off"
    />
  {/if}
  {#if use.rows.length === 0}
    <p class="empty py-8 mt-0.75 text-quiet text-head">
      {#if use.query}{words.noneFound(use.query)}{:else}{words.empty}
        <a class="text-ink font-bold underline" href="/builds/new">{words.newBuild}</a>{/if}
    </p>
  {/if}
  <ul class="my-3.25 border-t-2 border-t-ink">
    {#each use.rows as row (row.id)}
      <BuildRow
        {row}
        waits={seen && waits(row.id)}
        copy={() => act('POST', `/builds/${row.id}/duplicate`, {}, { line: words.copied(row.name) })}
        bin={() => toBin(row.id, row.name)}
      />
    {/each}
  </ul>
  {#if use.total > use.rows.length}
    <Button class="act" onclick={() => use.more()}>{words.more(use.total - use.rows.length)}</Button>
  {/if}
  {#if bin.rows.length}
    <Bin builds={bin.rows} {putBack} remove={(id) => act('DELETE', `/bin/${id}`)} />
  {/if}
</main>

<style>
  .notice.bad {
    border-left-color: var(--stop);
    color: var(--ink);
  }
</style>
