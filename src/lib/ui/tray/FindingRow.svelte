<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import Fold from '../kit/Fold.svelte';
  import { placeOf } from '$lib/core/rules';
  import type { ToldFinding } from '$lib/words';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';

  let { finding, open = false }: { finding: ToldFinding; open?: boolean } = $props();
  const { session } = getBench();
  // What is folded away is not drawn: most of a long list is.
  // svelte-ignore state_referenced_locally
  let isOpen = $state(open);
  const items = $derived(
    [...new Set(finding.subjects.map((s) => s.item))].filter(
      (id) => id !== 'system' && id !== 'pnp' && session.machine.find(id)
    )
  );
</script>

<div class="finding {finding.severity}">
  <Fold bind:open={isOpen}>
    {#snippet head()}<span class="word text-small font-[650] text-quiet"
        >{text.tray.severity[finding.severity]}</span
      >
      <span class="title text-large font-[750] [font-stretch:90%]">{finding.title}</span>{/snippet}
    {#if isOpen}
      <p class="mt-0.5 mb-1.25 leading-[1.35]">{finding.sentence}</p>
      <p class="quiet mx-0 mt-0.5 mb-1.25 leading-[1.35] text-small">{finding.why}</p>
      {#if finding.severity === 'clash' && placeOf(finding).stage === 'lines' && finding.fixes.length === 0}
        <p class="mt-0.5 mb-1.25 leading-[1.35]">{text.tray.noSingleMove}</p>
      {/if}
      <div class="fixes gap-1.5 flex flex-wrap">
        {#each finding.fixes.slice(0, 4) as { label, fix }, i (i)}
          <Button class="act" onclick={() => session.fix(fix, label)}>{label}</Button>
        {/each}
        {#each items as item (item)}
          <Button class="act plain" onclick={() => (session.selected = item)}
            >{text.tray.show(session.machine.find(item)?.title ?? item)}</Button
          >
        {/each}
      </div>
    {/if}
  </Fold>
</div>

<style>
  .finding {
    margin-bottom: 0.4rem;
    padding-left: 0.7rem;
    border-left: 4px double var(--ink);
  }
  .stop,
  .clash {
    border-left: 6px solid var(--stop);
  }
  .note {
    border-left: 1px solid var(--rule);
  }

  .stop .word,
  .clash .word {
    color: var(--stop);
  }

  .fixes :global(.act) {
    padding: 0.2rem 0.5rem;
    font-size: 0.85rem;
  }
  .fixes :global(.plain) {
    border-style: dashed;
    font-weight: 500;
  }
</style>
