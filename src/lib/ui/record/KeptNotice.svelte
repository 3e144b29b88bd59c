<script lang="ts" generics="T extends object">
  import { Button } from 'flowbite-svelte';
  import { and } from '$lib/words';
  import { kept as words } from '$lib/words/en/screens/kept';
  import type { KeptRecord } from './kept.svelte';

  interface Props {
    record: KeptRecord<T>;
    /** What the fields of the document are called. */
    names: Partial<Record<keyof T, string>>;
  }
  let { record, names }: Props = $props();
  const both = $derived(record.both ? (Object.keys(record.both) as (keyof T & string)[]) : []);
</script>

{#if record.trouble === 'away'}<p class="bad" role="alert">{words.away}</p>{/if}
{#if record.trouble === 'refused'}
  {#each record.lines as line (line)}<p class="bad" role="alert">{line}</p>{/each}
{/if}
{#if both.length}
  <div class="both py-2.5 px-3.25 border-3 border-stop" role="alert">
    <p>{words.both(and(both.map((key) => names[key] ?? key)))}</p>
    {#each both as key (key)}
      {@const mine = record.both?.[key]}
      {#if typeof mine === 'string' || typeof mine === 'number'}
        <p><b>{words.mine(names[key] ?? key)}</b> {mine}</p>
      {/if}
    {/each}
    <Button class="act main" onclick={() => record.useMine()}>{words.useMine}</Button>
    <Button class="act" onclick={() => record.useTheirs()}>{words.useTheirs}</Button>
  </div>
{/if}
<p class="sr-only" role="status">{record.isSaved ? words.saved : ''}</p>

<style>
  p {
    margin: 0.2rem 0;
  }
</style>
