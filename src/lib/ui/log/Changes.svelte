<script lang="ts">
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
    <li>
      <b>{change.subject}</b>
      {change.what}
      <span class="value">{change.from}</span>
      <span class="arrow" aria-label={text.log.to}>→</span>
      <span class="value to">{change.to}</span>
    </li>
  {/each}
</ul>
{#if shown.length < changes.length}
  <button type="button" onclick={() => (all = true)}>{text.log.more(changes.length - shown.length)}</button>
{/if}

<style>
  li {
    padding: 0.1rem 0;
    overflow-wrap: anywhere;
  }
  .value {
    white-space: pre-line;
    color: var(--quiet);
  }
  .to {
    font-weight: 650;
    color: var(--ink);
  }
  button {
    padding: 0.2rem 0;
    border: 0;
    background: none;
    color: var(--ink);
    text-decoration: underline;
    cursor: pointer;
  }
</style>
