<script lang="ts">
  import { kitOf } from '$lib/core/kit';
  import { handBlocks, required, unrecorded, withSettings } from '$lib/core/settings';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import BlockRow from './BlockRow.svelte';

  const words = text.switches;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const asked = $derived(required(kit));
  const cards = $derived(
    withSettings(kit)
      .map(({ item, part, title, fitted }) => ({
        item,
        part,
        title,
        where: fitted.slot ? fitText.slot(fitted.slot.label ?? fitted.slot.id) : '',
        blocks: handBlocks(part)
      }))
      .filter((c) => c.blocks.length)
  );
  const open = $derived(
    cards.flatMap(({ item, part, title, blocks }) =>
      unrecorded(part, item)
        .filter((u) => blocks.includes(u.block))
        .map((u) => ({ ...u, item, title }))
    )
  );
</script>

{#if open.length}
  <section class="open" aria-label={words.unrecorded}>
    <h2>{words.unrecorded}</h2>
    <ul>
      {#each open as u (`${u.item.id} ${u.block.id}`)}
        <li>
          <a href="#{u.item.id}-{u.block.id}"
            >{u.title} <b>{u.block.label ?? u.block.id}</b>{#if u.begun}<i>{words.begun}</i>{/if}</a
          >
        </li>
      {/each}
    </ul>
  </section>
{:else if cards.length}<p class="quiet">{words.unrecordedNone}</p>{/if}
{#if !cards.length}<p>{words.none}</p>{/if}
{#each cards as { item, part, title, where, blocks } (item.id)}
  <article aria-label={title}>
    <h2>
      <button onclick={() => (session.selected = item.id)}>{title}</button>
      <span>{part.maker}{where ? `, ${where}` : ''}</span>
    </h2>
    {#each blocks as block (block.id)}
      <BlockRow {item} {part} {block} asked={asked.filter((r) => r.item === item.id)} />
    {/each}
  </article>
{/each}

<style>
  .open {
    margin-bottom: 1rem;
    padding: 0.5rem 0.9rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
  }
  .open h2 {
    font-size: 1rem;
  }
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1.2rem;
    margin: 0.2rem 0 0;
    padding: 0;
    list-style: none;
  }
  a {
    display: inline-block;
    padding: 0.2rem 0;
    color: var(--ink);
    text-underline-offset: 3px;
  }
  li b {
    font-family: var(--font-mono);
  }
  i {
    margin-left: 0.3rem;
    color: var(--quiet);
  }
  article {
    margin-bottom: 1.4rem;
  }
  article > h2 {
    display: flex;
    align-items: baseline;
    gap: 0.6rem;
    padding-bottom: 0.2rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.25rem;
  }
  article > h2 span {
    font-size: 0.95rem;
    font-weight: 400;
    color: var(--quiet);
  }
  h2 button {
    padding: 0;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    cursor: pointer;
  }
</style>
