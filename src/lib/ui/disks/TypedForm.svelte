<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Button } from 'flowbite-svelte';
  import type { KitDisk } from '$lib/core/disks';
  import type { DiskRecord } from '$lib/core/model';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import NumberForm from './NumberForm.svelte';
  import { keepMedium } from './record';

  /** Whatever stands in the setup, right or wrong: what it means is told beside it. */
  let { disk }: { disk: KitDisk } = $props();
  const words = disksText;
  const { session } = getBench();
  const typed = $derived(disk.drive.item.disk?.setup);
  const save = (to: (old: DiskRecord) => DiskRecord) =>
    keepMedium(session, disk.drive.item, to, words.taken(disk.drive.title));
</script>

{#if typed}
  <p class="my-1.25">
    {words.typedNow}
    <b>{typed.type ? `${typed.type}: ` : ''}{typed.cylinders} × {typed.heads} × {typed.sectors}</b>
    <Button class="link" onclick={() => save(({ setup: _, ...old }) => old)}>{words.typedForget}</Button>
  </p>
{/if}
<Fold title={words.typedOther}>
  <NumberForm
    most={{ cylinders: 65_536, heads: 255, sectors: 63 }}
    label={words.typedField}
    button={words.typedSave}
    save={(numbers) => save((old) => ({ ...old, setup: { ...numbers, type: 'user' } }))}
  />
</Fold>
