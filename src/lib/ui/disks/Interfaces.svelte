<script lang="ts">
  import { interfaceWords, lowLevelSteps } from '$lib/words';
  import { Button, Table } from 'flowbite-svelte';
  import { interfaceNotes, interleaves, type KitDisk } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import type { Part, ShelfView } from '$lib/core/model';
  import { mayBeWiped } from '$lib/core/rescue';
  import { replacementRoutes, type Route } from '$lib/core/replace';
  import { tell } from '$lib/words';
  import { getBench } from '../context';
  import { ask } from '../record/send';
  import { text } from '$lib/words/en/screens';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import DataGate from '../start/DataGate.svelte';
  import Cabling from './Cabling.svelte';

  let { disk }: { disk: KitDisk | null } = $props();
  const words = disksText;
  const { session } = getBench();
  const SHOWN = 8;
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const notes = $derived(disk ? interfaceNotes(kit, disk.drive.item.id) : []);
  const isFree = $derived(disk !== null && mayBeWiped(session.build, disk.drive.item.id));
  const kind = $derived(disk?.drive.part.drive.interface);
  const isOld = $derived(kind === 'st506' || kind === 'rll' || kind === 'esdi');
  const since = $derived(session.machine.find(disk?.controller?.item ?? '')?.part.sold?.from ?? null);
  const steps = $derived(interleaves(disk?.size?.physical.sectors ?? 17, kit.facts.class === 'xt', since));
  let routes = $state.raw<Route[] | null>(null);
  let linesOpen = $state(false);
  let busy = $state(false);
  let trouble = $state('');

  async function seek(disk: KitDisk) {
    busy = true;
    trouble = '';
    const asked = await Promise.all([
      ask<{ parts: Part[] }>('GET', '/parts?drawer=drive&limit=500'),
      ask<{ parts: Part[] }>('GET', '/parts?drawer=disk&limit=500'),
      ask<{ items: ShelfView[] }>('GET', '/shelf?limit=500')
    ]);
    const [drives, cards, shelf] = asked;
    if (!drives.ok || !cards.ok || !shelf.ok) trouble = text.serverGone;
    else {
      const stock = new Map<string, number>();
      for (const v of shelf.value.items)
        if (!v.lentTo && v.item.condition !== 'faulty')
          stock.set(v.item.part, (stock.get(v.item.part) ?? 0) + 1);
      const offered = [...drives.value.parts, ...cards.value.parts].filter(
        (p) => p.id !== disk.drive.part.id
      );
      ({ routes, linesOpen } = replacementRoutes(
        session.build,
        session.parts,
        disk.drive.item.id,
        offered,
        stock
      ));
    }
    busy = false;
  }
</script>

<h2 class="first">{words.cabling}</h2>
<p class="lead">{words.cablingLead}</p>
<Cabling families={['ata', 'st506', 'scsi']} />
{#if disk}
  <h2>{words.interfaceOf(disk.drive.title)}</h2>
  <ul class="notes my-1.25">
    {#each notes as note (note.is)}<li class={note.grade}>{interfaceWords(note)}</li>{/each}
  </ul>
  {#if isOld}
    <h2>{words.interleave}</h2>
    <Table>
      <tbody>
        {#each steps as s (s.step)}<tr class:off={s.verdict !== 'fits'}>
            <th class="py-0.5 pr-4.75 text-left" scope="row">{s.step}:1</th>
            <td class="py-0.5 pr-4.75 text-left">{words.rate(Math.round(s.bytesPerSecond / 1000))}</td>
            <td class="py-0.5 pr-4.75 text-left">{words.verdicts[s.verdict]}</td>
          </tr>{/each}
      </tbody>
    </Table>
    <h2>{words.lowLevel}</h2>
    <p class="danger py-1 border-b border-b-rule">{words.lowLevelDanger}</p>
    <DataGate item={disk.drive.item.id} title={disk.drive.title} asks />
    {#if isFree}
      <ol class="my-1.25 pl-6.5 list-decimal">
        {#each lowLevelSteps as step (step)}<li>{step}</li>{/each}
      </ol>
    {:else}<p class="lead">{words.lowLevelLater}</p>{/if}
  {/if}
  <h2>{words.replace}</h2>
  <p class="lead">{words.replaceLead}</p>
  <Button class="act main" onclick={() => seek(disk)} disabled={busy}>{words.seek(disk.drive.title)}</Button>
  {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
  {#if routes}
    {#if linesOpen}<p class="lead">{words.linesOpen}</p>{/if}
    <ol class="routes my-1.25 pl-6.5 list-decimal">
      {#each routes.slice(0, SHOWN) as r (`${r.drive.id} ${r.card?.id ?? ''}`)}
        <li class="py-1 border-b border-b-rule" class:off={!r.linesFit || r.problems.length > 0}>
          <b>{r.drive.name}{r.card ? ` + ${r.card.name}` : ''}</b>
          <span
            >{r.card ? words.inSlot(r.slot ?? '') : words.onWhatIsThere}; {r.cost
              ? words.buyFor(r.cost)
              : words.onShelf}</span
          >
          {#if !r.linesFit}<small class="border-l-4 border-l-stop block pl-2.5">{words.noLines}</small>{/if}
          {#each r.problems.slice(0, 3) as p (p.id)}<small class="border-l-4 border-l-stop block pl-2.5"
              >{tell(p).title}</small
            >{/each}
        </li>
      {:else}<li class="py-1 border-b border-b-rule">{words.noRoute}</li>{/each}
    </ol>
  {/if}
{/if}

<style>
  .notes li {
    margin: 0.25rem 0;
    padding-left: 0.7rem;
    border-left: 6px solid var(--rule);
  }
  .notes .caution {
    border-left: 6px double var(--ink);
  }

  h2 {
    margin: 0.9rem 0 0.3rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.05rem;
  }
  .first {
    margin-top: 0.4rem;
  }

  .off {
    color: var(--quiet);
  }
</style>
