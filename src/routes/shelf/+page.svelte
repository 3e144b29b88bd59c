<script lang="ts">
  import Fold from '$lib/ui/kit/Fold.svelte';
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
<main class="mx-auto py-5.5 px-4 max-w-[1240px]">
  {#if [...data.use.unreadable, ...data.bin.unreadable].length}<p class="damaged" role="alert">
      {text.damagedRows([...data.use.unreadable, ...data.bin.unreadable])}
    </p>{/if}
  <div class="head gap-2.5 flex flex-wrap items-end mb-3.25">
    <div class="title flex-1 min-w-64">
      <h1 class="text-huge">{words.title}</h1>
      <p class="text-quiet">{words.lead}</p>
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
  {#if live.away || use.away}<p
      class="notice bad my-2 mx-0 py-2 px-4 gap-2.5 border-l-8 border-l-ink flex flex-wrap items-center bg-sheet"
      role="alert"
    >
      {text.serverGone}
    </p>{/if}
  {#if notice}
    <div
      class="notice my-2 py-2 px-4 gap-2.5 border-l-8 border-l-ink flex flex-wrap items-center bg-sheet"
      class:bad={notice.bad}
      role={notice.bad ? 'alert' : 'status'}
    >
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
  <p class="count my-1.5 text-quiet" aria-live="polite">{words.shown(use.rows.length, use.total)}</p>
  <ul class="border-t-2 border-t-ink mb-4">
    {#each use.rows as v (v.item.id)}
      <li
        class="py-1.5 px-0.75 gap-3.25 border-b border-b-rule grid grid-cols-[minmax(0,1fr)_8rem_12rem_9rem_auto] items-center max-md:grid-cols-[1fr_auto] max-md:gap-y-0.5 max-md:gap-x-3.25"
      >
        <a class="what text-quiet no-underline max-md:col-span-full" href="/shelf/{v.item.id}"
          ><b class="text-ink text-large underline underline-offset-[3px]">{v.title}</b>
          <span>{[v.maker, v.summary].filter(Boolean).join(' · ')}</span></a
        >
        <span class="cond {v.item.condition}">{words.conditions[v.item.condition]}</span>
        <span class="place text-quiet"
          >{#if v.lentTo}<b class="lent">{words.lentTo(v.lentTo)}</b>{:else}{v.item.place ?? ''}{/if}</span
        >
        <span class="text-quiet">
          {#each v.usedIn as u (u.build)}<a
              class="py-1.25 inline-block mr-2 text-ink font-[650] underline"
              href="/builds/{u.build}/fit">{u.borrowed ? words.onLoanTo(u.name) : u.name}</a
            >{:else}{words.nowhere}{/each}
        </span>
        <Button class="act" onclick={() => toBin(v)} aria-label="{words.toBin}: {v.title}">×</Button>
      </li>
    {:else}<li
        class="none py-1.5 px-0.75 gap-3.25 border-b border-b-rule grid items-center grid-cols-[1fr] max-md:gap-y-0.5 max-md:gap-x-3.25"
      >
        {use.query ? words.none : words.empty}
      </li>{/each}
  </ul>
  {#if use.total > use.rows.length}<Button class="act" onclick={() => use.more()}
      >{buildsText.more(use.total - use.rows.length)}</Button
    >{/if}
  {#if bin.rows.length}
    <Fold title={words.bin(bin.total)}>
      {#each bin.rows as v (v.item.id)}
        <p class="my-0.75 gap-3.25 flex items-center">
          {v.title}
          <Button class="act" onclick={() => putBack(v.item.id)} aria-label={words.putBackLabel(v.title)}
            >{words.putBack}</Button
          >
        </p>
      {/each}
    </Fold>
  {/if}
</main>

<style>
  .bad {
    border-left-color: var(--stop);
  }

  li > :global(.act) {
    justify-self: end;
  }

  .cond.faulty,
  .cond.partly {
    font-weight: 700;
  }
  .cond.faulty,
  .lent {
    color: var(--stop);
  }
</style>
