<script lang="ts">
  import { Table } from 'flowbite-svelte';
  import { VARIANTS, counted, variantsOf } from '$lib/core/boards';
  import { cardSteps, boardKiB, type Kit } from '$lib/core/kit';
  import type { MemoryFacts } from '$lib/core/model';
  import { capital, variantWords } from '$lib/words';
  import { memoryMap as words } from '$lib/words/en/screens/memory-map';

  let { kit, facts, totalKiB }: { kit: Kit; facts: MemoryFacts; totalKiB: number } = $props();
  const assumed = $derived(variantsOf(facts));
  const rows = $derived(
    VARIANTS.map((variant) => ({
      variant,
      isAssumed: assumed.includes(variant),
      ...counted(totalKiB, variant, { shadowKiB: facts.shadowKiB })
    }))
  );
  const cards = $derived(cardSteps(kit));
</script>

{#if cards.length}
  <h2 class="mt-4 mb-1.25">{words.cards.title}</h2>
  <ul>
    <li class="py-0.75 border-b border-b-rule">{words.cards.board(boardKiB(kit))}</li>
    {#each cards as c (`${c.card.item.id}${c.fn.id}`)}
      {@const from = c.startKiB ?? c.endsKiB}
      <li class="py-0.75 border-b border-b-rule" class:bad={c.fits !== 'behind'}>
        {c.isBackfill
          ? c.kib
            ? words.cards.fills(c.card.title, from, from + c.kib)
            : words.cards.fillsNothing(c.card.title)
          : words.cards.card(c.card.title, from, from + c.kib)}
        {c.startKiB !== null && !c.isSeen ? words.cards.unseen : ''}
        {c.fits === 'behind' ? '' : words.cards[c.fits]}
      </li>
    {/each}
  </ul>
{/if}
{#if totalKiB >= 1024}
  <h2 class="mt-4 mb-1.25">{words.variants.title}</h2>
  <Table>
    <thead>
      <tr>
        <th class="border-b-[1.5px] border-b-ink pr-2.75 text-left" scope="col">{words.variants.what}</th>
        <th class="border-b-[1.5px] border-b-ink pr-2.75 text-left" scope="col">{words.variants.count}</th>
        <th class="border-b-[1.5px] border-b-ink pr-2.75 text-left" scope="col">{words.variants.extended}</th>
        <th class="border-b-[1.5px] border-b-ink pr-2.75 text-left" scope="col">{words.variants.xms}</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as r (r.variant)}
        <tr class:assumed={r.isAssumed}>
          <td class="py-1 border-b border-b-rule pr-2.75 align-top"
            >{capital(variantWords[r.variant])}{r.isAssumed ? ` (${words.variants.assumed})` : ''}</td
          >
          <td class="py-1 border-b border-b-rule pr-2.75 align-top"><code>{r.count}</code></td>
          <td class="py-1 border-b border-b-rule pr-2.75 align-top"><code>{r.extended}</code></td>
          <td class="py-1 border-b border-b-rule pr-2.75 align-top"><code>{r.xms}</code></td>
        </tr>
      {/each}
    </tbody>
  </Table>
  <p class="quiet">{words.variants.note}</p>
{/if}

<style>
  .assumed td {
    font-weight: 650;
  }
</style>
