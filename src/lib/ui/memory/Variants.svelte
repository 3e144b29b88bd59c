<script lang="ts">
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
  <h2>{words.cards.title}</h2>
  <ul>
    <li>{words.cards.board(boardKiB(kit))}</li>
    {#each cards as c (`${c.card.item.id}${c.fn.id}`)}
      {@const from = c.startKiB ?? c.endsKiB}
      <li class:bad={c.fits !== 'behind'}>
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
  <h2>{words.variants.title}</h2>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">{words.variants.what}</th>
          <th scope="col">{words.variants.count}</th>
          <th scope="col">{words.variants.extended}</th>
          <th scope="col">{words.variants.xms}</th>
        </tr>
      </thead>
      <tbody>
        {#each rows as r (r.variant)}
          <tr class:assumed={r.isAssumed}>
            <td>{capital(variantWords[r.variant])}{r.isAssumed ? ` (${words.variants.assumed})` : ''}</td>
            <td><code>{r.count}</code></td>
            <td><code>{r.extended}</code></td>
            <td><code>{r.xms}</code></td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="quiet">{words.variants.note}</p>
{/if}

<style>
  h2 {
    margin: 1rem 0 0.3rem;
    font-size: 1.1rem;
  }
  li {
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--rule);
  }
  th {
    padding-right: 0.7rem;
    text-align: left;
    border-bottom: 1.5px solid var(--ink);
  }
  td {
    padding: 0.25rem 0.7rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
  }
  .assumed td {
    font-weight: 650;
  }
</style>
