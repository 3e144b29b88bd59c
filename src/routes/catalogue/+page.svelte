<script lang="ts">
  import Pressed from '$lib/ui/kit/Pressed.svelte';
  import FileField from '$lib/ui/kit/FileField.svelte';
  import { goto } from '$app/navigation';
  import { Button, Input, Label } from 'flowbite-svelte';
  import { drawers, type Facets } from '$lib/core/catalogue';
  import type { Part } from '$lib/core/model';
  import type { Incoming } from '$lib/core/own';
  import Collection from '$lib/ui/catalogue/Collection.svelte';
  import PartFacts from '$lib/ui/catalogue/PartFacts.svelte';
  import { collection as shared } from '$lib/words/en/screens/collection';
  import { ask, problemLines } from '$lib/ui/record/send';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { savePart } from '$lib/ui/save-as';
  import { text } from '$lib/words/en/screens';
import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';

  let { data } = $props();
  const words = catalogueText;
  const PAUSE_MS = 120;
  let q = $state('');
  let drawer = $state('');
  let bus = $state('');
  // svelte-ignore state_referenced_locally
  let rows: Part[] = $state.raw(data.parts);
  // svelte-ignore state_referenced_locally
  let total = $state(data.total);
  // svelte-ignore state_referenced_locally
  let facets: Facets = $state.raw(data.facets);
  // svelte-ignore state_referenced_locally
  let own: string[] = $state.raw(data.own);
  let chosen: Part | null = $state.raw(null);
  let notice = $state<{ lines: string[]; bad: boolean } | null>(null);
  interface Coming {
    content: string;
    rows: Incoming[];
    refused: { name: string; problems: { path: string; message: string }[] }[];
  }
  /** A file of parts that is looked through before anything is taken in. */
  let coming: Coming | null = $state.raw(null);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let turn = 0;

  const say = (lines: string[], bad = false) => (notice = { lines, bad });
  function typed() {
    clearTimeout(timer);
    timer = setTimeout(() => void look(), PAUSE_MS);
  }
  async function look(more = false) {
    const mine = ++turn;
    const asked = new URLSearchParams({ q, limit: '100', offset: String(more ? rows.length : 0) });
    if (drawer) asked.set('drawer', drawer);
    if (bus) asked.set('bus', bus);
    const reply = await ask<{ parts: Part[]; total: number; facets: Facets; own: string[] }>('GET', `/parts?${asked}`);
    if (mine !== turn) return;
    if (!reply.ok) return void say('away' in reply ? [text.serverGone] : problemLines(reply.problem), true);
    rows = more ? [...rows, ...reply.value.parts] : reply.value.parts;
    total = reply.value.total;
    facets = reply.value.facets;
    own = reply.value.own;
  }
  function pick(which: 'drawer' | 'bus', value: string) {
    if (which === 'drawer') drawer = drawer === value ? '' : value;
    else bus = bus === value ? '' : value;
    void look();
  }
  async function toShelf(part: Part) {
    const reply = await ask('POST', '/shelf', { item: { part: part.id } });
    if (reply.ok) say([words.onShelf(part.name)]);
    else say('away' in reply ? [text.serverGone] : problemLines(reply.problem), true);
  }
  async function takeIn(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    notice = null;
    const content = await file.text();
    const reply = await ask<Omit<Coming, 'content'>>('POST', '/collection/preview', content);
    if (!reply.ok) return void say('away' in reply ? [text.serverGone] : problemLines(reply.problem), true);
    coming = { content, ...reply.value };
  }
  async function taken(n: number) {
    coming = null;
    say([shared.taken(n)]);
    await look();
  }
  const drawerNames = drawers.filter((d) => d in words.drawers);
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main class="mx-auto py-4.75 px-4 max-w-[1340px]">
  <div class="head gap-2.5 flex flex-wrap items-end mb-3.25">
    <div class="title flex-1 min-w-64">
      <h1 class="text-huge">{words.title}</h1>
      <p class="text-quiet">{words.lead}</p>
    </div>
    <Button class="act" href="/identify">{words.identify}</Button>
    <FileField words={words.takeIn} accept=".json,.yaml,.yml" onchange={takeIn} />
    {#if own.length}
      <span class="whitespace-nowrap">{shared.saveOwn}:
        {#each ['json', 'yaml', 'csv'] as as (as)}
          <a class="py-1.5 px-0.75 inline-block font-[650] underline" href="/api/v1/collection?as={as}" download>{as.toUpperCase()}</a>
        {/each}</span
      >
    {/if}
    <Button class="act main" href="/catalogue/edit">{words.describe}</Button>
  </div>
  {#if coming}
    {#key coming}<Collection {...coming} done={taken} close={() => (coming = null)} />{/key}
  {/if}
  <Label for="catalogue-query" class="sr-only">{words.findLabel}</Label>
  <Input id="catalogue-query" bind:value={q} oninput={typed} placeholder={words.find} autocomplete="off" />
  {#if notice}<p class="notice my-2 py-1.5 px-3.25 border-l-8 border-l-ink bg-sheet" class:bad={notice.bad} role={notice.bad ? 'alert' : 'status'}>{notice.lines.join(' · ')}</p>{/if}
  <div class="body gap-4.75 grid grid-cols-[11rem_minmax(0,1fr)_24rem] mt-3.25 items-start max-lg:grid-cols-1">
    <nav class="max-lg:gap-0.75 max-lg:flex max-lg:flex-wrap" aria-label={words.drawersLabel}>
      {#each drawerNames as d (d)}
        {#if facets.drawer[d] || drawer === d}
          <Pressed class={['py-1! px-2! border-l-6 border-l-transparent flex! justify-between! w-full max-lg:gap-1.5 max-lg:border max-lg:border-rule max-lg:w-auto', { on: drawer === d }]} aria-pressed={drawer === d} onclick={() => pick('drawer', d)}
            >{words.drawers[d]} <span class="font-mono text-small text-quiet">{facets.drawer[d] ?? 0}</span></Pressed
          >
        {/if}
      {/each}
      <h2 class="mt-4 mb-1.25 text-small text-quiet max-lg:hidden">{words.busLabel}</h2>
      {#each Object.entries(words.bus) as [id, name] (id)}
        {#if facets.bus[id] || bus === id}
          <Pressed class={['py-1! px-2! border-l-6 border-l-transparent flex! justify-between! w-full max-lg:gap-1.5 max-lg:border max-lg:border-rule max-lg:w-auto', { on: bus === id }]} aria-pressed={bus === id} onclick={() => pick('bus', id)}
            >{name} <span class="font-mono text-small text-quiet">{facets.bus[id] ?? 0}</span></Pressed
          >
        {/if}
      {/each}
    </nav>
    <section>
      <p class="count text-quiet" aria-live="polite">{words.found(total)}</p>
      <ul class="border-t-2 border-t-ink mt-0.75 mb-3.25">
        {#each rows as part (part.id)}
          <li class="border-b border-b-rule">
            <Pressed class={['p-1.5! flex! flex-wrap gap-y-0 gap-x-2.5 justify-start! w-full text-quiet!', { on: chosen?.id === part.id }]} onclick={() => (chosen = part)}>
              <b class="text-ink">{part.maker} {part.name}</b>{#if own.includes(part.id)}<em class="px-1.25 border border-ink not-italic text-tiny text-ink">{words.own}</em>{/if}
              <span>{part.summary ?? ''}</span>
              <span class="font-mono text-small text-quiet ml-auto">{words.sold(part.sold?.from, part.sold?.to)}</span>
            </Pressed>
          </li>
        {:else}
          <li class="none py-2.5 border-b border-b-rule">
            <p>{words.none}</p>
            <Button class="act" href="/catalogue/edit?name={encodeURIComponent(q.trim())}">{words.describeThis(q)}</Button>
          </li>
        {/each}
      </ul>
      {#if total > rows.length}<Button class="act" onclick={() => look(true)}>{words.more(total - rows.length)}</Button>{/if}
    </section>
    <aside class="py-3.25 px-4 border-[1.5px] border-ink sticky top-2 max-h-[calc(100vh_-_1rem)] overflow-y-auto bg-sheet max-lg:static max-lg:max-h-none max-lg:-order-1">
      {#if chosen}
        {@const part = chosen}
        <div class="gap-1.25 flex flex-wrap mb-2.5">
          <Button class="act" onclick={() => toShelf(part)}>{words.toShelf}</Button>
          <Button class="act" onclick={() => goto(`/catalogue/edit?like=${part.id}`)}>{words.similar}</Button>
          {#if own.includes(part.id)}<Button class="act" href="/catalogue/edit?id={part.id}">{words.edit}</Button>{/if}
          <Button class="act" onclick={() => savePart(part)}>{words.save}</Button>
        </div>
        <PartFacts {part} />
      {:else}<p class="quiet">{words.choose}</p>{/if}
    </aside>
  </div>
</main>

<style>









  .bad {
    border-left-color: var(--stop);
  }



  nav :global(button.on) {
    border-left-color: var(--yellow);
    background: var(--sheet);
    font-weight: 700;
  }




  li :global(button.on) {
    background: var(--sheet);
    border-left: 5px solid var(--ink);
  }






  @media (width < 64rem) {




    nav :global(button.on) {
      border-color: var(--ink);
      border-left: 6px solid var(--yellow);
    }

  }
</style>
