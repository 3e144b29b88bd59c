<script lang="ts">
  import Pressed from '$lib/ui/kit/Pressed.svelte';
  import OneOf from '$lib/ui/kit/OneOf.svelte';
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
  <Pressed
    class={['card py-1.25! px-1.5! flex-[1_1_14rem] min-w-0', { on: session.selected === id }]}
    onclick={() => (session.selected = id)}
  >
    <b>{item.label ?? part.name}</b> <span class="text-quiet">{part.summary}</span>
  </Pressed>
  <label class="sr-only" for="slot-{id}">{text.parts.slotOf(part.name)}</label>
  <OneOf
    class="w-46!"
    id="slot-{id}"
    value={slotId}
    onchange={(e) => seat(session, id, e.currentTarget.value || undefined)}
  >
    <option value="">{text.parts.noSlot}</option>
    {#each slots as slot (slot.id)}<option value={slot.id}
        >{text.parts.slot(slot.label ?? slot.id, busName[slot.bus])}</option
      >{/each}
  </OneOf>
  <Button class="act" onclick={() => takeOut(session, id)} aria-label={text.parts.takeOutLabel(part.name)}
    >{text.parts.takeOut}</Button
  >
{/snippet}

<h1>{text.parts.title}</h1>
<p class="mx-0 mt-0 mb-2.5 text-quiet">{text.parts.lead}</p>

<ol class="slots">
  {#each holders as { slot, items } (slot.id)}
    <li
      class="py-1.5 gap-3.25 border-b border-b-rule grid grid-cols-[9.5rem_1fr] items-center max-md:gap-0.5 max-md:grid-cols-[1fr]"
    >
      <span class="slot {slot.bus}"><b>{slot.label ?? slot.id}</b> {busName[slot.bus]}</span>
      <div class="cards">
        {#each items as item (item.id)}<div class="py-0.75 gap-2 flex flex-wrap items-center">
            {@render row(item.id, slot.id)}
          </div>{:else}<span class="free text-quiet">{text.parts.free}</span>{/each}
      </div>
    </li>
  {/each}
</ol>
{#if loose.length}
  <h2 class="mt-4 mb-1.25">{text.parts.notSeated}</h2>
  {#each loose as item (item.id)}<div class="py-0.75 gap-2 flex flex-wrap items-center">
      {@render row(item.id, '')}
    </div>{/each}
{/if}
{#if others.length}
  <h2 class="mt-4 mb-1.25">{fitText.otherKinds}</h2>
  {#each others as item (item.id)}
    {@const part = entryOf(session.parts, item.part)}
    <div class="py-0.75 gap-2 flex flex-wrap items-center">
      <Pressed
        class={['card py-1.25! px-1.5! flex-[1_1_14rem] min-w-0', { on: session.selected === item.id }]}
        onclick={() => (session.selected = item.id)}
      >
        <b>{item.count ? `${item.count} × ` : ''}{item.label ?? part.name}</b>
        <span class="text-quiet">{part.summary ?? part.maker}</span>
      </Pressed>
      <Button
        class="act"
        onclick={() => takeOut(session, item.id)}
        aria-label={text.parts.takeOutLabel(part.name)}>{text.parts.takeOut}</Button
      >
    </div>
  {/each}
{/if}
{#if session.build.shelf.length}
  <h2 class="mt-4 mb-1.25">{text.parts.ready}</h2>
  {#each session.build.shelf as item (item.id)}
    <div class="py-0.75 gap-2 flex flex-wrap items-center">
      <span class="card py-1.25 px-1.5 flex-[1_1_14rem] min-w-0 bg-transparent text-ink text-left"
        ><b>{item.label ?? session.parts.get(item.part)?.name}</b>
        <span class="text-quiet">{session.parts.get(item.part)?.summary}</span></span
      ><Button class="act" onclick={() => back(item.id)}>{text.parts.fit}</Button>
    </div>
  {/each}
{/if}

<h2 class="mt-4 mb-1.25">{text.parts.addTitle}</h2>
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
    <li class="py-1.5 px-0.75 gap-3.25 border-b border-b-rule flex items-center">
      <span class="what flex-1 text-quiet"><b>{part.maker} {part.name}</b> {part.summary ?? ''}</span>
      <span class="font-mono text-small text-quiet max-md:hidden"
        >{part.sold?.from ?? ''}–{part.sold?.to ?? ''}</span
      >
      <Button class="act" onclick={() => addPart(session, part)} aria-label={text.parts.addLabel(part.name)}
        >{text.parts.add}</Button
      >
    </li>
  {:else}<li class="py-1.5 px-0.75 gap-3.25 border-b border-b-rule flex items-center">
      {text.parts.none(found.query)}
    </li>{/each}
</ul>

<style>
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

  :global(.card.on) {
    background: var(--sheet);
    border-left: 5px solid var(--ink);
  }
  :global(.card) b {
    font-size: 1.05rem;
  }

  .what b {
    color: var(--ink);
  }
</style>
