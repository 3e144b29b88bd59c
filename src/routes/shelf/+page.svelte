<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { Listing } from '$lib/ui/listing.svelte';
  import { Live } from '$lib/ui/record/live.svelte';
  import { ask, problemLines } from '$lib/ui/record/send';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import TakeTable from '$lib/ui/shelf/TakeTable.svelte';
  import type { ShelfView } from '$lib/core/model';
  import { text } from '$lib/words/en/screens';
  import { builds as buildsText } from '$lib/words/en/screens/builds';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';

  let { data } = $props();
  const words = shelfText;
  // svelte-ignore state_referenced_locally
  const use = new Listing<ShelfView>('/shelf', 'items', { rows: data.use.items, total: data.use.total });
  // svelte-ignore state_referenced_locally
  const bin = new Listing<ShelfView>('/shelf?from=bin', 'items', {
    rows: data.bin.items,
    total: data.bin.total
  });
  const live = new Live(() => void reload());
  let notice = $state<{ lines: string[]; bad: boolean; undo?: () => void } | null>(null);
  const reload = () => Promise.all([use.load(), bin.load()]);
  onMount(() => live.start());

  async function act(method: string, path: string, done?: { line: string; undo: () => void }) {
    const reply = await ask(method, path);
    notice = reply.ok
      ? done
        ? { lines: [done.line], bad: false, undo: done.undo }
        : null
      : { lines: 'away' in reply ? [text.serverGone] : problemLines(reply.problem), bad: true };
    await reload();
  }
  const putBack = (id: string) => act('POST', `/shelf/${id}/put-back`);
  const toBin = (v: ShelfView) =>
    act('DELETE', `/shelf/${v.item.id}`, {
      line: words.binned(v.title),
      undo: () => void putBack(v.item.id)
    });
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main>
  {#if [...data.use.unreadable, ...data.bin.unreadable].length}<p class="damaged" role="alert">
      {text.damagedRows([...data.use.unreadable, ...data.bin.unreadable])}
    </p>{/if}
  <div class="head">
    <div class="title">
      <h1>{words.title}</h1>
      <p>{words.lead}</p>
    </div>
    <Button class="act" href="/api/v1/shelf/table" data-sveltekit-reload>{words.saveTable}</Button>
    <TakeTable
      done={(lines) => {
        notice = { lines, bad: false };
        void reload();
      }}
      trouble={(lines) => (notice = { lines, bad: true })}
    />
    <Button class="act main" href="/catalogue">{words.add}</Button>
  </div>
  {#if live.away || use.away}<p class="notice bad" role="alert">{text.serverGone}</p>{/if}
  {#if notice}
    <div class="notice" class:bad={notice.bad} role={notice.bad ? 'alert' : 'status'}>
      {#each notice.lines as line, i (i)}<span>{line}</span>{/each}
      {#if notice.undo}<Button class="act" onclick={notice.undo}>{words.undo}</Button>{/if}
      <Button class="act" onclick={() => (notice = null)}>{text.hide}</Button>
    </div>
  {/if}
  <Label for="shelf-query" class="sr-only">{words.findLabel}</Label>
  <Input
    id="shelf-query"
    bind:value={use.query}
    oninput={() => use.typed()}
    placeholder={words.find}
    autocomplete="off"
  />
  <p class="count" aria-live="polite">{words.shown(use.rows.length, use.total)}</p>
  <ul>
    {#each use.rows as v (v.item.id)}
      <li>
        <a class="what" href="/shelf/{v.item.id}"
          ><b>{v.title}</b> <span>{[v.maker, v.summary].filter(Boolean).join(' · ')}</span></a
        >
        <span class="cond {v.item.condition}">{words.conditions[v.item.condition]}</span>
        <span class="place"
          >{#if v.lentTo}<b class="lent">{words.lentTo(v.lentTo)}</b>{:else}{v.item.place ?? ''}{/if}</span
        >
        <span class="used">
          {#each v.usedIn as u (u.build)}<a href="/builds/{u.build}/fit"
              >{u.borrowed ? words.onLoanTo(u.name) : u.name}</a
            >{:else}{words.nowhere}{/each}
        </span>
        <Button class="act" onclick={() => toBin(v)} aria-label="{words.toBin}: {v.title}">×</Button>
      </li>
    {:else}<li class="none">{use.query ? words.none : words.empty}</li>{/each}
  </ul>
  {#if use.total > use.rows.length}<Button class="act" onclick={() => use.more()}
      >{buildsText.more(use.total - use.rows.length)}</Button
    >{/if}
  {#if bin.rows.length}
    <details>
      <summary>{words.bin(bin.total)}</summary>
      {#each bin.rows as v (v.item.id)}
        <p class="binned">
          {v.title}
          <Button class="act" onclick={() => putBack(v.item.id)} aria-label={words.putBackLabel(v.title)}
            >{words.putBack}</Button
          >
        </p>
      {/each}
    </details>
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
    padding: 1.4rem 1rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: end;
    margin-bottom: 0.8rem;
  }
  h1 {
    font-size: 1.9rem;
  }
  .title p,
  .count {
    color: var(--quiet);
  }
  .count {
    margin: 0.4rem 0;
  }
  .notice {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin: 0.5rem 0;
    padding: 0.5rem 1rem;
    border-left: 8px solid var(--ink);
    background: var(--sheet);
  }
  .bad {
    border-left-color: var(--stop);
  }
  ul {
    margin: 0 0 1rem;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 8rem 12rem 9rem auto;
    gap: 0.8rem;
    align-items: center;
    padding: 0.35rem 0.2rem;
    border-bottom: 1px solid var(--rule);
  }
  li > :global(.act) {
    justify-self: end;
  }
  .none {
    grid-template-columns: 1fr;
  }
  .what {
    color: var(--quiet);
    text-decoration: none;
  }
  .what b {
    color: var(--ink);
    font-size: 1.08rem;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .cond.faulty,
  .cond.partly {
    font-weight: 700;
  }
  .cond.faulty,
  .lent {
    color: var(--stop);
  }
  .place,
  .used {
    color: var(--quiet);
  }
  .used a {
    display: inline-block;
    padding: 0.3rem 0;
    margin-right: 0.5rem;
    color: var(--ink);
    font-weight: 650;
    text-decoration: underline;
  }
  .binned {
    display: flex;
    gap: 0.8rem;
    align-items: center;
    margin: 0.2rem 0;
  }
  @media (max-width: 760px) {
    li {
      grid-template-columns: 1fr auto;
      gap: 0.1rem 0.8rem;
    }
    .what {
      grid-column: 1 / -1;
    }
  }
</style>
