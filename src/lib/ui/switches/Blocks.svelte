<script lang="ts">
  import Pressed from '../kit/Pressed.svelte';
  import { kitOf } from '$lib/core/kit';
  import { handBlocks, required, unrecorded, withSettings } from '$lib/core/settings';
  import { getBench } from '../context';
  import { switches as words } from '$lib/words/en/screens/switches';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import BlockRow from './BlockRow.svelte';

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
  <section class="open py-2 px-3.5 border-2 border-ink mb-4 bg-sheet" aria-label={words.unrecorded}>
    <h2>{words.unrecorded}</h2>
    <ul class="flex flex-wrap gap-y-0.75 gap-x-4.75 mt-0.75">
      {#each open as u (`${u.item.id} ${u.block.id}`)}
        <li>
          <a class="py-0.75 inline-block text-ink underline-offset-[3px]" href="#{u.item.id}-{u.block.id}"
            >{u.title} <b class="font-mono">{u.block.label ?? u.block.id}</b>{#if u.begun}<i
                class="ml-1.25 text-quiet">{words.begun}</i
              >{/if}</a
          >
        </li>
      {/each}
    </ul>
  </section>
{:else if cards.length}<p class="quiet">{words.unrecordedNone}</p>{/if}
{#if !cards.length}<p>{words.none}</p>{/if}
{#each cards as { item, part, title, where, blocks } (item.id)}
  <article class="mb-5.5" aria-label={title}>
    <h2 class="gap-2.5 border-b-2 border-b-ink flex items-baseline pb-0.75 text-head">
      <Pressed onclick={() => (session.selected = item.id)}>{title}</Pressed>
      <span class="text-small font-normal text-quiet">{part.maker}{where ? `, ${where}` : ''}</span>
    </h2>
    {#each blocks as block (block.id)}
      <BlockRow {item} {part} {block} asked={asked.filter((r) => r.item === item.id)} />
    {/each}
  </article>
{/each}
