<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { Change } from '$lib/words';
  import { text } from '$lib/words/en/screens';

  let { changes, most }: { changes: readonly Change[]; most: number } = $props();
  let all = $state(false);
  const moving = $derived(changes.filter((c) => !c.isQuiet));
  const shown = $derived.by(() => {
    if (all || changes.length <= 2) return changes;
    const first = moving.length ? moving : changes;
    return first.length <= most + 1 ? first : first.slice(0, most);
  });
</script>

{#if changes.length === 0}<p>{text.log.nothing}</p>{/if}
<ul>
  {#each shown as change (change.key)}
    <li class="py-0.5 wrap-anywhere">
      <b>{change.subject}</b>
      {change.what}
      <span class="value whitespace-pre-line text-quiet">{change.from}</span>
      <span aria-label={text.log.to}>→</span>
      <span class="value to whitespace-pre-line font-[650] text-ink">{change.to}</span>
    </li>
  {/each}
</ul>
{#if shown.length < changes.length}
  <Button class="link" onclick={() => (all = true)}>{text.log.more(changes.length - shown.length)}</Button>
{/if}
