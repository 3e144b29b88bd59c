<script lang="ts">
  import { Button, Input, Label } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { Listing } from '$lib/ui/listing.svelte';
  import { Live } from '$lib/ui/record/live.svelte';
  import ThemeSwitch from '$lib/ui/shell/ThemeSwitch.svelte';
  import TopBar from '$lib/ui/shell/TopBar.svelte';
  import { text } from '$lib/ui/text';

  let { data } = $props();
  const words = text.builds;
  // svelte-ignore state_referenced_locally
  const items = new Listing('/items', 'items', { rows: data.items, total: data.total });
  const live = new Live(() => void items.load());
  onMount(() => live.start());
</script>

<svelte:head><title>{words.shelf} · {text.product}</title></svelte:head>

<TopBar>
  <a class="back" href="/">{words.title}</a>
  <span class="grow"></span>
  <ThemeSwitch />
</TopBar>

<main>
  <h1>{words.shelf}</h1>
  <p class="lead">{words.shelfLead}</p>
  {#if live.away || items.away}<p class="bad" role="alert">{text.serverGone}</p>{/if}
  <Label for="item-query" class="sr-only">{words.shelfFind}</Label>
  <Input
    id="item-query"
    bind:value={items.query}
    oninput={() => items.typed()}
    placeholder={words.shelfFind}
    autocomplete="off"
  />
  <p class="count" aria-live="polite">{words.shown(items.rows.length, items.total)}</p>
  <ul>
    {#each items.rows as item (`${item.build} ${item.id}`)}
      <li>
        <span class="what"><b>{item.title}</b> {item.maker}</span>
        <span class="where"
          >{item.slot && item.where === 'fitted' ? words.inSlot(item.slot) : words.where[item.where]}</span
        >
        <a href="/builds/{item.build}/parts">{item.buildName}</a>
      </li>
    {:else}<li class="none">{items.query ? words.shelfNone : words.shelfEmpty}</li>{/each}
  </ul>
  {#if items.total > items.rows.length}
    <Button class="act" onclick={() => items.more()}>{words.more(items.total - items.rows.length)}</Button>
  {/if}
</main>

<style>
  .grow {
    flex: 1;
  }
  .back {
    color: var(--ink);
    text-decoration: underline;
  }
  main {
    max-width: 1100px;
    margin: 0 auto;
    padding: 1.6rem 1rem;
  }
  h1 {
    font-size: 2rem;
  }
  .lead,
  .count {
    margin: 0.2rem 0 0.8rem;
    color: var(--quiet);
  }
  .count {
    margin: 0.5rem 0;
  }
  .bad {
    padding: 0.5rem 1rem;
    border-left: 8px solid var(--stop);
    background: var(--sheet);
  }
  ul {
    margin: 0 0 1rem;
    padding: 0;
    list-style: none;
    border-top: 2px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: 1fr 9rem 14rem;
    gap: 1rem;
    align-items: baseline;
    padding: 0.5rem 0.3rem;
    border-bottom: 1px solid var(--rule);
  }
  .none {
    grid-template-columns: 1fr;
  }
  .what,
  .where {
    color: var(--quiet);
  }
  .what b {
    margin-right: 0.4rem;
    font-size: 1.1rem;
    color: var(--ink);
  }
  li a {
    color: var(--ink);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 3px;
    overflow-wrap: anywhere;
  }
  @media (max-width: 640px) {
    li {
      grid-template-columns: 1fr auto;
      gap: 0.2rem 0.8rem;
    }
    .what {
      grid-column: 1 / -1;
    }
  }
</style>
