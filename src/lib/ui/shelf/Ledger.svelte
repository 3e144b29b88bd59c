<script lang="ts">
  import { Button, Table } from 'flowbite-svelte';
  import type { DiskRecord } from '$lib/core/model';
  import MediumFacts from '../disks/MediumFacts.svelte';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { shelf as shelfText } from '$lib/words/en/screens/shelf';
  import { timeText } from '../time';

  /** A disk or card as a medium: its size, how it was made, and every machine and geometry it was tried in. */
  interface Props {
    record: DiskRecord | undefined;
    title: string;
    change: (next: DiskRecord) => void;
  }
  let { record, title, change }: Props = $props();
  const words = disksText;
  const tries = $derived(record?.tries ?? []);
  const save = (to: (old: DiskRecord) => DiskRecord) => change(to(record ?? { tries: [] }));
</script>

<h2 class="mt-4 mb-1.25">{words.ledger}</h2>
<MediumFacts {record} {title} where={shelfText.title} {save} />
{#if tries.length}
  <Table>
    <thead
      ><tr>
        {#each words.ledgerCols as col (col)}<th>{col}</th>{/each}<td></td>
      </tr></thead
    >
    <tbody>
      {#each tries as t (`${t.at} ${t.cylinders}`)}
        <tr>
          <td>{t.where}</td>
          <td class="font-mono">{t.cylinders}{t.heads && t.sectors ? ` × ${t.heads} × ${t.sectors}` : ''}</td>
          <td class:bad={t.result !== 'started'}>{words.results[t.result]}</td>
          <td><time class="text-quiet" datetime={t.at}>{timeText(t.at)}</time></td>
          <td
            ><Button
              class="cross"
              onclick={() => save((old) => ({ ...old, tries: old.tries.filter((x) => x.at !== t.at) }))}
              aria-label={words.removeTry(t.cylinders)}>×</Button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </Table>
{:else}<p class="quiet">{words.ledgerEmpty}</p>{/if}

<style>
  th,
  td {
    padding: 0.2rem 0.5rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: left;
  }

  .bad {
    color: var(--stop);
    font-weight: 700;
  }
</style>
