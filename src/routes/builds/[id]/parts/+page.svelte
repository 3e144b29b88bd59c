<script lang="ts">
  import { entryOf, byId } from '$lib/core/model';
  import { Button, Input, Label } from 'flowbite-svelte';
  import type { Part } from '$lib/core/model';
  import { firstSlot } from '$lib/core/resources';
  import { busName } from '$lib/words';
  import { getBench } from '$lib/ui/context';
  import { addPart, seat, takeOut } from '$lib/ui/fit/edit';
  import { Listing } from '$lib/ui/listing.svelte';
  import { text } from '$lib/words/en/screens';
  import { fit as fitText } from '$lib/words/en/screens/fit';

  let { data } = $props();
  const { session } = getBench();
  // svelte-ignore state_referenced_locally
  const found = new Listing<Part>('/parts', 'parts', { rows: data.parts, total: data.total });
  const slots = $derived(entryOf(session.parts, session.build.board.part).board!.slots);
  const holders = $derived(
    slots.map((slot) => ({ slot, items: session.build.items.filter((i) => i.slot === slot.id) }))
  );
  const isCard = (id: string) => session.parts.get(id)?.card !== undefined;
  const loose = $derived(session.build.items.filter((i) => !i.slot && isCard(i.part)));
  const others = $derived(session.build.items.filter((i) => !isCard(i.part)));
  const back = (id: string) => {
    const item = byId(session.build.shelf, id);
    const slot = firstSlot(session.build, session.parts, entryOf(session.parts, item.part));
    session.change(
      {
        ...session.build,
        shelf: session.build.shelf.filter((i) => i !== item),
        items: [...session.build.items, { ...item, ...(slot ? { slot } : {}) }]
      },
      text.log.did.fitted
    );
  };
</script>

{#snippet row(id: string, slotId: string)}
  {@const item = byId(session.build.items, id)}
  {@const part = entryOf(session.parts, item.part)}
  <button class="card" class:on={session.selected === id} onclick={() => (session.selected = id)}>
    <b>{item.label ?? part.name}</b> <span>{part.summary}</span>
  </button>
  <label class="sr-only" for="slot-{id}">{text.parts.slotOf(part.name)}</label>
  <select
    id="slot-{id}"
    value={slotId}
    onchange={(e) => seat(session, id, e.currentTarget.value || undefined)}
  >
    <option value="">{text.parts.noSlot}</option>
    {#each slots as slot (slot.id)}<option value={slot.id}
        >{text.parts.slot(slot.label ?? slot.id, busName[slot.bus])}</option
      >{/each}
  </select>
  <Button class="act" onclick={() => takeOut(session, id)} aria-label={text.parts.takeOutLabel(part.name)}
    >{text.parts.takeOut}</Button
  >
{/snippet}

<h1>{text.parts.title}</h1>
<p class="lead">{text.parts.lead}</p>

<ol class="slots">
  {#each holders as { slot, items } (slot.id)}
    <li>
      <span class="slot {slot.bus}"><b>{slot.label ?? slot.id}</b> {busName[slot.bus]}</span>
      <div class="cards">
        {#each items as item (item.id)}<div class="row">{@render row(item.id, slot.id)}</div>{:else}<span
            class="free">{text.parts.free}</span
          >{/each}
      </div>
    </li>
  {/each}
</ol>
{#if loose.length}
  <h2>{text.parts.notSeated}</h2>
  {#each loose as item (item.id)}<div class="row">{@render row(item.id, '')}</div>{/each}
{/if}
{#if others.length}
  <h2>{fitText.otherKinds}</h2>
  {#each others as item (item.id)}
    {@const part = entryOf(session.parts, item.part)}
    <div class="row">
      <button
        class="card"
        class:on={session.selected === item.id}
        onclick={() => (session.selected = item.id)}
      >
        <b>{item.count ? `${item.count} × ` : ''}{item.label ?? part.name}</b>
        <span>{part.summary ?? part.maker}</span>
      </button>
      <Button
        class="act"
        onclick={() => takeOut(session, item.id)}
        aria-label={text.parts.takeOutLabel(part.name)}>{text.parts.takeOut}</Button
      >
    </div>
  {/each}
{/if}
{#if session.build.shelf.length}
  <h2>{text.parts.ready}</h2>
  {#each session.build.shelf as item (item.id)}
    <div class="row">
      <span class="card"
        ><b>{item.label ?? session.parts.get(item.part)?.name}</b>
        <span>{session.parts.get(item.part)?.summary}</span></span
      ><Button class="act" onclick={() => back(item.id)}>{text.parts.fit}</Button>
    </div>
  {/each}
{/if}

<h2>{text.parts.addTitle}</h2>
<Label for="part-query" class="sr-only">{text.parts.find}</Label>
<Input
  id="part-query"
  bind:value={found.query}
  oninput={() => found.typed()}
  placeholder={text.parts.findHint}
  autocomplete="off"
/>
<ul class="found">
  {#each found.rows.slice(0, 60) as part (part.id)}
    <li>
      <span class="what"><b>{part.maker} {part.name}</b> {part.summary ?? ''}</span>
      <span class="years">{part.sold?.from ?? ''}–{part.sold?.to ?? ''}</span>
      <Button class="act" onclick={() => addPart(session, part)} aria-label={text.parts.addLabel(part.name)}
        >{text.parts.add}</Button
      >
    </li>
  {:else}<li>{text.parts.none(found.query)}</li>{/each}
</ul>

<style>
  h2 {
    margin: 1.4rem 0 0.5rem;
    font-size: 1.15rem;
  }
  .lead {
    margin: 0 0 0.6rem;
    color: var(--quiet);
  }
  ol,
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .slots > li {
    display: grid;
    grid-template-columns: 9.5rem 1fr;
    gap: 0.8rem;
    align-items: center;
    padding: 0.35rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .slot {
    padding-left: 0.6rem;
    border-left: 10px solid var(--ink);
    color: var(--quiet);
  }
  .slot.isa8 {
    border-left-style: double;
  }
  .slot b {
    font-family: var(--font-mono);
    font-size: 1.15rem;
    color: var(--ink);
  }
  .free {
    color: var(--quiet);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    padding: 0.2rem 0;
  }
  .card {
    flex: 1 1 14rem;
    min-width: 0;
    padding: 0.3rem 0.4rem;
    border: 0;
    background: none;
    color: var(--ink);
    text-align: left;
  }
  button.card {
    cursor: pointer;
  }
  .card.on {
    background: var(--sheet);
    box-shadow: inset 5px 0 0 var(--ink);
    padding-left: 0.8rem;
  }
  .card b {
    font-size: 1.05rem;
  }
  .card span {
    color: var(--quiet);
  }
  select {
    width: 11.5rem;
    padding: 0.35rem;
    background: var(--sheet);
    color: var(--ink);
    border: 1px solid var(--ink);
    font-size: 0.9rem;
  }
  .found li {
    display: flex;
    gap: 0.8rem;
    align-items: center;
    padding: 0.4rem 0.2rem;
    border-bottom: 1px solid var(--rule);
  }
  .what {
    flex: 1;
    color: var(--quiet);
  }
  .what b {
    color: var(--ink);
  }
  .years {
    font-family: var(--font-mono);
    font-size: 0.85rem;
    color: var(--quiet);
  }
  @media (max-width: 600px) {
    .slots > li {
      grid-template-columns: 1fr;
      gap: 0.1rem;
    }
    .years {
      display: none;
    }
  }
</style>
