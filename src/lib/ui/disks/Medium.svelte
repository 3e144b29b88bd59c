<script lang="ts">
  import { guardWords } from '$lib/words';
  import type { KitDisk } from '$lib/core/disks';
  import type { DiskRecord } from '$lib/core/model';
  import { onMount } from 'svelte';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import MediumFacts from './MediumFacts.svelte';
  import { keepMedium, mediumOnShelf } from './record';

  let { disk }: { disk: KitDisk } = $props();
  const words = disksText;
  const { session } = getBench();
  const record = $derived(disk.drive.item.disk);
  /** What the shelf knows of this very medium from other machines. */
  let elsewhere = $state.raw<DiskRecord | null>(null);
  onMount(async () => {
    const { specimen } = disk.drive.item;
    elsewhere = specimen ? ((await mediumOnShelf(specimen))?.item.medium ?? null) : null;
  });
  const others = $derived((elsewhere?.tries ?? []).filter((t) => t.where !== session.build.name));
  const save = (to: (old: DiskRecord) => DiskRecord, note: string) =>
    keepMedium(session, disk.drive.item, to, note);
</script>

<h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.guard}</h2>
{#each disk.verdicts as v (v.why)}<p class="verdict {v.grade}">{guardWords(v)}</p>{/each}
{#each others as t (t.at)}<p>
    {words.elsewhere(t.where, t.cylinders)} <b>{words.results[t.result]}</b>
  </p>{/each}
<MediumFacts
  {record}
  inherited={elsewhere?.made}
  title={disk.drive.title}
  where={session.build.name}
  {save}
/>

<style>
  p {
    margin: 0.25rem 0;
  }
  .verdict {
    padding-left: 0.7rem;
    border-left: 6px double var(--ink);
  }
  .verdict.stop {
    border-left: 7px solid var(--stop);
    font-weight: 650;
  }
</style>
