<script lang="ts">
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
<main>
  <div class="head">
    <div class="title">
      <h1>{words.title}</h1>
      <p>{words.lead}</p>
    </div>
    <Button class="act" href="/identify">{words.identify}</Button>
    <label class="act file"
      >{words.takeIn}<input type="file" class="sr-only" accept=".json,.yaml,.yml" onchange={takeIn} /></label
    >
    {#if own.length}
      <span class="own">{shared.saveOwn}:
        {#each ['json', 'yaml', 'csv'] as as (as)}
          <a href="/api/v1/collection?as={as}" download>{as.toUpperCase()}</a>
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
  {#if notice}<p class="notice" class:bad={notice.bad} role={notice.bad ? 'alert' : 'status'}>{notice.lines.join(' · ')}</p>{/if}
  <div class="body">
    <nav aria-label={words.drawersLabel}>
      {#each drawerNames as d (d)}
        {#if facets.drawer[d] || drawer === d}
          <button class:on={drawer === d} aria-pressed={drawer === d} onclick={() => pick('drawer', d)}
            >{words.drawers[d]} <span>{facets.drawer[d] ?? 0}</span></button
          >
        {/if}
      {/each}
      <h2>{words.busLabel}</h2>
      {#each Object.entries(words.bus) as [id, name] (id)}
        {#if facets.bus[id] || bus === id}
          <button class:on={bus === id} aria-pressed={bus === id} onclick={() => pick('bus', id)}
            >{name} <span>{facets.bus[id] ?? 0}</span></button
          >
        {/if}
      {/each}
    </nav>
    <section>
      <p class="count" aria-live="polite">{words.found(total)}</p>
      <ul>
        {#each rows as part (part.id)}
          <li>
            <button class:on={chosen?.id === part.id} onclick={() => (chosen = part)}>
              <b>{part.maker} {part.name}</b>{#if own.includes(part.id)}<em>{words.own}</em>{/if}
              <span>{part.summary ?? ''}</span>
              <span class="years">{words.sold(part.sold?.from, part.sold?.to)}</span>
            </button>
          </li>
        {:else}
          <li class="none">
            <p>{words.none}</p>
            <Button class="act" href="/catalogue/edit?name={encodeURIComponent(q.trim())}">{words.describeThis(q)}</Button>
          </li>
        {/each}
      </ul>
      {#if total > rows.length}<Button class="act" onclick={() => look(true)}>{words.more(total - rows.length)}</Button>{/if}
    </section>
    <aside>
      {#if chosen}
        {@const part = chosen}
        <div class="acts">
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
  .own {
    white-space: nowrap;
  }
  .own a {
    display: inline-block;
    padding: 0.4rem 0.2rem;
    font-weight: 650;
    text-decoration: underline;
  }
  .title {
    flex: 1;
  }
  .title {
    min-width: 16rem;
  }
  main {
    max-width: 1340px;
    margin: 0 auto;
    padding: 1.2rem 1rem;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: end;
    margin-bottom: 0.8rem;
  }
  h1 {
    font-size: 1.8rem;
  }
  .title p,
  .count,
  .quiet {
    color: var(--quiet);
  }
  .notice {
    margin: 0.5rem 0;
    padding: 0.4rem 0.8rem;
    border-left: 8px solid var(--ink);
    background: var(--sheet);
  }
  .bad {
    border-left-color: var(--stop);
  }
  .body {
    display: grid;
    grid-template-columns: 11rem minmax(0, 1fr) 24rem;
    gap: 1.2rem;
    margin-top: 0.8rem;
    align-items: start;
  }
  nav h2 {
    margin: 0.8rem 0 0.2rem;
    font-size: 0.9rem;
    color: var(--quiet);
  }
  nav button {
    display: flex;
    justify-content: space-between;
    width: 100%;
    padding: 0.22rem 0.5rem;
    border: 0;
    border-left: 6px solid transparent;
    background: none;
    color: var(--ink);
    cursor: pointer;
    text-align: left;
  }
  nav button.on {
    border-left-color: var(--yellow);
    background: var(--sheet);
    font-weight: 700;
  }
  nav span,
  .years {
    font-family: var(--font-mono);
    font-size: 0.85rem;
    color: var(--quiet);
  }
  ul {
    margin: 0.2rem 0 0.8rem;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  li button {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.6rem;
    width: 100%;
    padding: 0.4rem;
    border: 0;
    background: none;
    color: var(--quiet);
    text-align: left;
    cursor: pointer;
  }
  li button.on {
    background: var(--sheet);
    box-shadow: inset 5px 0 0 var(--ink);
    padding-left: 0.8rem;
  }
  li b {
    color: var(--ink);
  }
  li em {
    padding: 0 0.3rem;
    border: 1px solid var(--ink);
    font-style: normal;
    font-size: 0.8rem;
    color: var(--ink);
  }
  .years {
    margin-left: auto;
  }
  .none {
    padding: 0.6rem 0;
  }
  aside {
    position: sticky;
    top: 0.5rem;
    max-height: calc(100vh - 1rem);
    overflow-y: auto;
    padding: 0.8rem 1rem;
    background: var(--sheet);
    border: 1.5px solid var(--ink);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem;
    margin-bottom: 0.6rem;
  }
  @media (max-width: 1000px) {
    .body {
      grid-template-columns: minmax(0, 1fr);
    }
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem;
    }
    nav h2 {
      display: none;
    }
    nav button {
      width: auto;
      gap: 0.4rem;
      border: 1px solid var(--rule);
    }
    nav button.on {
      border-color: var(--ink);
      border-left: 6px solid var(--yellow);
    }
    aside {
      position: static;
      max-height: none;
      order: -1;
    }
  }
</style>
