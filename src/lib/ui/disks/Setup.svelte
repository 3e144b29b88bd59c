<script lang="ts">
  import { barrierWords, capital, costWords, waysWords } from '$lib/words';
  import { Button, Radio, Table } from 'flowbite-svelte';
  import { choicesFor, sameShape, standing, typedOf, type KitDisk } from '$lib/core/disks';
  import {
    hangs,
    isForeign,
    layers,
    offered,
    sectorsOf,
    sizeWords,
    type DriveSize,
    type Geometry,
    type SetupChoice,
    type SetupFacts
  } from '$lib/core/storage';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import DataGate from '../start/DataGate.svelte';
  import { heldBack } from '$lib/core/rescue';
  import Medium from './Medium.svelte';
  import { keepMedium } from './record';
  import Ruler from './Ruler.svelte';
  import Tries from './Tries.svelte';
  import TypedForm from './TypedForm.svelte';

  interface Props {
    disk: KitDisk;
    size: DriveSize;
    facts: SetupFacts;
    /** The drive is not in the build: nothing can be written down of it. */
    isLook: boolean;
  }
  let { disk, size, facts, isLook }: Props = $props();
  const words = disksText;
  const { session } = getBench();
  const held = $derived(isLook ? null : heldBack(session.build, disk.drive.item.id));
  const isHeld = $derived(held !== null && !held.wayPast);
  const found = $derived(standing(disk));
  const choices = $derived(choicesFor(disk));
  const total = $derived(size.total ?? sectorsOf(size.physical));
  let chosen = $state(0);
  const choice = $derived(choices[Math.min(chosen, choices.length - 1)] as SetupChoice | undefined);
  const typed = $derived(typedOf(disk));
  /** What the typed geometry leaves of the drive. */
  const unused = $derived(typed ? total - (typed.total ?? sectorsOf(typed.physical)) : 0);
  const n = (x: number) => x.toLocaleString('en');

  interface Row {
    name: string;
    geometry: Geometry | null;
    sectors: number;
  }
  /** Every way in which an address is counted here, from the drive outwards. */
  const rows = $derived.by((): Row[] => {
    const own = offered(size.physical, facts, total, disk.dos);
    const out: Row[] = [
      { name: words.driveSays, geometry: size.byNumber ? null : size.physical, sectors: total },
      { name: facts.isRom ? words.romGives : words.biosGives, geometry: own.geometry, sectors: own.usable }
    ];
    if (typed) {
      const gives = offered(typed.physical, facts, typed.total);
      out.push({ name: words.typedGives, geometry: gives.geometry, sectors: gives.usable });
    }
    return out;
  });
  const take = (c: SetupChoice) =>
    keepMedium(
      session,
      disk.drive.item,
      (old) => (c.geometry ? { ...old, setup: { ...c.geometry, type: c.type } } : old),
      words.taken(disk.drive.title)
    );
  const typedRows = (c: SetupChoice): [string, string][] =>
    c.geometry
      ? [
          [words.fields.type, c.type],
          [words.fields.cylinders, String(c.geometry.cylinders)],
          [words.fields.heads, String(c.geometry.heads)],
          [words.fields.precomp, c.precomp === 65_535 ? words.noPrecomp : String(c.precomp)],
          [words.fields.landing, String(c.landing)],
          [words.fields.sectors, String(c.geometry.sectors)],
          [words.fields.mode, c.mode ?? '']
        ]
      : [[words.fields.type, c.type]];
  const nameOf = (c: SetupChoice) => (c.id === 'type' ? words.typeNo(c.type) : words.choiceNames[c.id]);
  const isTyped = (c: SetupChoice) =>
    typed !== null && c.geometry !== null && sameShape(typed.physical, c.geometry);
</script>

<Ruler layers={layers(size, facts, disk.dos, typed ?? undefined)} barriers={found} />
<section>
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.inTheWay}</h2>
  {#if !found.length}<p>
      {#if typed && isForeign(size, typed.physical)}{words.typedForeign(
          unused > 0 ? sizeWords(unused) : null
        )}
      {:else}{unused > 0 ? words.typedPasses(sizeWords(unused)) : words.nothingInTheWay}{/if}
      {#if disk.dos === null}{words.noSystem}{/if}
    </p>{/if}
  {#each found as b (b.id)}
    {@const { symptom, cause } = barrierWords(b)}
    <div class="barrier my-1.25 border-l-6 border-l-ink border-double pl-2.75" class:hang={hangs(b)}>
      <b>{capital(b.who)}: {sizeWords(b.sectors)}</b>
      <p>{words.expect(symptom)} {capital(cause)}.</p>
      {#if b.ways.length}<p class="quiet">{words.ways(waysWords(b.ways))}</p>{/if}
    </div>
  {/each}
</section>
{#if !isLook}<DataGate item={disk.drive.item.id} title={disk.drive.title} />{/if}
<div class="two grid grid-cols-[repeat(auto-fit,minmax(20rem,1fr))] gap-y-0 gap-x-8">
  <section>
    <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.type}</h2>
    {#if choice}
      <dl
        class="typed grid grid-cols-[11.5rem_auto] gap-y-0.5 gap-x-3.25 mt-0.75 mb-2 font-normal text-large font-mono leading-[1.25]"
      >
        {#each typedRows(choice) as [name, value] (name)}<dt class="text-quiet">{name}</dt>
          <dd class="font-bold">{value}</dd>{/each}
      </dl>
      {#if choice.geometry && isForeign(size, choice.geometry)}<p class="quiet mb-2">{words.foreign}</p>{/if}
      {#if choice.geometry && !isLook}
        <Button class="act main" disabled={isHeld} onclick={() => take(choice)}>{words.take}</Button>
      {/if}
      {#if !facts.isRom && !isLook}<TypedForm {disk} />{/if}
      {#if !size.byNumber && !size.translates && choice.geometry}<p class="quiet">{words.precompNote}</p>{/if}
      {#if facts.isRom}<p class="quiet">{words.byRom(disk.controller?.title ?? words.someRom)}</p>{/if}
    {/if}
    {#if !facts.isRom}
      <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.choices}</h2>
      <ul class="my-0.75">
        {#each choices as c, i (`${c.id} ${c.type}`)}
          <li class="py-1.25 border-b border-b-rule">
            {#if c.geometry}<Radio
                classes={{ label: 'inline-flex! gap-1' }}
                name="choice"
                value={i}
                group={Math.min(chosen, choices.length - 1)}
                onchange={() => (chosen = i)}
                ><b>{nameOf(c)}</b>
                {#if isTyped(c)}<i class="px-1.5 bg-yellow text-on-yellow not-italic font-[650]"
                    >{words.isTyped}</i
                  >{/if}</Radio
              >{:else}<b>{nameOf(c)}</b>{/if}
            {#if c.usable !== null}<span class="ml-2.5"
                >{c.works ? words.usable(sizeWords(c.usable)) : words.hangs}{c.lost && c.works
                  ? `; ${words.lost(sizeWords(c.lost))}`
                  : ''}</span
              >{/if}
            {#if c.works}<small class="text-quiet block text-small">{words.costs(costWords[c.cost])}</small
              >{/if}
          </li>
        {/each}
      </ul>
    {/if}
  </section>
  <section>
    <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.addresses}</h2>
    <Table>
      <thead
        ><tr
          ><td></td><th>{words.cols.c}</th><th>{words.cols.h}</th><th>{words.cols.s}</th><th
            >{words.cols.size}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each rows as { name, geometry, sectors } (name)}
          <tr>
            <th scope="row">{name}</th>
            {#if geometry}
              <td>{geometry.cylinders}</td>
              <td class:bad={geometry.heads === 256}>{geometry.heads}</td>
              <td>{geometry.sectors}</td>
            {:else}<td colspan="3">{words.blocks(n(sectors))}</td>{/if}
            <td class="size">{sizeWords(sectors)}</td>
          </tr>
        {/each}
      </tbody>
    </Table>
    {#if !isLook}
      {#if !facts.isRom}<Tries {disk} {size} {facts} />{/if}
      <Medium {disk} />
    {/if}
  </section>
</div>

<style>
  p {
    margin: 0.15rem 0;
  }

  .barrier.hang {
    border-left: 7px solid var(--stop);
  }

  th {
    padding: 0.15rem 0.5rem 0.15rem 0;
    text-align: right;
    font-weight: 500;
  }
  td {
    padding: 0.15rem 0.5rem 0.15rem 0;
    text-align: right;
    font: 1rem var(--font-mono);
  }
  .size {
    font-size: 0.85rem;
  }
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
</style>
