<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Button } from 'flowbite-svelte';
  import type { DiskRecord } from '$lib/core/model';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import NumberForm from './NumberForm.svelte';

  interface Props {
    record: DiskRecord | undefined;
    /** How it was made as the shelf knows it, where the build does not. */
    inherited?: DiskRecord['made'];
    /** The thing itself, and where it is now. */
    title: string;
    where: string;
    save: (to: (old: DiskRecord) => DiskRecord, note: string) => void;
  }
  let { record, inherited, title, where, save }: Props = $props();
  const words = disksText;
  const made = $derived(record?.made ?? inherited);
  const real = $derived(record?.real);

  const forgetReal = () => save(({ real: _, ...old }) => old, words.realDone(title));
</script>

<p class="my-1">
  {words.real}
  {#if real}<b
      >{real.cylinders} × {real.heads} × {real.sectors}{real.total
        ? `, ${words.inAll(real.total.toLocaleString('en'))}`
        : ''}</b
    >
    <Button class="link" onclick={forgetReal}>{words.forgetReal}</Button>
  {:else}<span class="quiet">{words.asModel}</span>{/if}
</p>
<Fold title={words.realOther}>
  <NumberForm
    most={{ cylinders: 65_536, heads: 16, sectors: 255, total: 2 ** 48 }}
    optional={['total']}
    label={words.realField}
    button={words.saveReal}
    save={(real) => save((old) => ({ ...old, real }), words.realDone(title))}
  />
</Fold>
<p class="my-1">
  {words.made}
  {#if made}<b>{made.heads} {words.madeHeads}, {made.sectors} {words.madeSectors}</b>
    {made.where ? `${words.madeWhere} ${made.where}` : ''}{:else}<span class="quiet">{words.notKnown}</span
    >{/if}
</p>
<NumberForm
  most={{ heads: 256, sectors: 63 }}
  label={(name) => name}
  button={words.saveMade}
  save={(numbers) =>
    save(
      (old) => ({ ...old, made: { ...numbers, where, at: new Date().toISOString() } }),
      words.madeDone(title)
    )}
/>
