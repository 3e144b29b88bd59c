<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { KitDisk } from '$lib/core/disks';
  import type { DiskRecord } from '$lib/core/model';
  import { getBench } from '../context';
  import { text } from '../text';
  import { keepMedium, wholeNumber } from './record';

  /** Whatever stands in the setup, right or wrong: what it means is told beside it. */
  let { disk }: { disk: KitDisk } = $props();
  const words = text.disks;
  const { session } = getBench();
  const typed = $derived(disk.drive.item.disk?.setup);
  const most = { cylinders: 65_536, heads: 255, sectors: 63 } as const;
  const fields = ['cylinders', 'heads', 'sectors'] as const;
  let told = $state({ cylinders: '', heads: '', sectors: '' });
  let trouble = $state('');
  const save = (to: (old: DiskRecord) => DiskRecord) =>
    keepMedium(session, disk.drive.item, to, words.taken(disk.drive.title));

  function write(event: SubmitEvent) {
    event.preventDefault();
    const bad = fields.find((f) => wholeNumber(told[f], most[f]) === null);
    trouble = bad ? words.badNumber(words.fieldNames[bad], most[bad]) : '';
    if (bad) return;
    const [cylinders, heads, sectors] = fields.map((f) => wholeNumber(told[f], most[f])!);
    save((old) => ({ ...old, setup: { cylinders, heads, sectors, type: 'user' } }));
    told = { cylinders: '', heads: '', sectors: '' };
  }
</script>

{#if typed}
  <p>
    {words.typedNow}
    <b
      >{typed.type ? `${typed.type}: ` : ''}{typed.cylinders.toLocaleString('en')} × {typed.heads} × {typed.sectors}</b
    >
    <button class="plain" onclick={() => save(({ setup: _, ...old }) => old)}>{words.typedForget}</button>
  </p>
{/if}
<details>
  <summary>{words.typedOther}</summary>
  <form class="inline-form" onsubmit={write}>
    {#each fields as field (field)}
      <input
        bind:value={told[field]}
        aria-label={words.typedField(words.fieldNames[field])}
        placeholder={words.fieldNames[field]}
        inputmode="numeric"
        maxlength="7"
      />
    {/each}
    <Button type="submit" class="act">{words.typedSave}</Button>
  </form>
</details>
{#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}

<style>
  p {
    margin: 0.3rem 0;
  }
  summary {
    cursor: pointer;
  }
  .plain {
    border: 0;
    background: none;
    color: inherit;
    text-decoration: underline;
    cursor: pointer;
  }
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
</style>
