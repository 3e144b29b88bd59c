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

<main>
  <div class="head">
    <div class="title">
      <h1>{words.title}</h1>
      <p>{words.lead}</p>
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

  {#if live.away || use.away}<p class="notice bad" role="alert">{text.serverGone}</p>{/if}
  {#if notice}
    <div class="notice" class:bad={notice.bad} role={notice.bad ? 'alert' : 'status'}>
      <div>
        {#each notice.lines as line, i (i)}<p>{line}</p>{/each}
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
    <p class="empty">
      {#if use.query}{words.noneFound(use.query)}{:else}{words.empty}
        <a href="/builds/new">{words.newBuild}</a>{/if}
    </p>
  {/if}
  <ul>
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
  .title {
    flex: 1;
  }
  .title {
    min-width: 16rem;
  }
  main {
    max-width: 1240px;
    margin: 0 auto;
    padding: 1.6rem 1rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 0.7rem;
    margin-bottom: 1.2rem;
  }
  h1 {
    font-size: 2rem;
  }
  p {
    margin: 0.2rem 0 0;
    color: var(--quiet);
  }
  .notice {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1rem;
    align-items: center;
    margin: 0 0 1rem;
    padding: 0.7rem 1rem;
    border-left: 8px solid var(--ink);
    background: var(--sheet);
  }
  .notice.bad {
    border-left-color: var(--stop);
    color: var(--ink);
  }
  .notice p {
    color: var(--ink);
    overflow-wrap: anywhere;
  }
  .empty {
    padding: 2rem 0;
    font-size: 1.2rem;
  }
  .empty a {
    color: var(--ink);
    font-weight: 700;
    text-decoration: underline;
  }
  ul {
    margin: 0.8rem 0;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
</style>
