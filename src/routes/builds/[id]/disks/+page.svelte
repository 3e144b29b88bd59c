<script lang="ts">
  import { page } from '$app/state';
  import { onMount } from 'svelte';
  import { disksOf, type KitDisk } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import type { Part } from '$lib/core/model';
  import { translate, type Geometry } from '$lib/core/storage';
  import { getBench } from '$lib/ui/context';
  import Floppies from '$lib/ui/disks/Floppies.svelte';
  import Interfaces from '$lib/ui/disks/Interfaces.svelte';
  import Partitions from '$lib/ui/disks/Partitions.svelte';
  import ReadDisk from '$lib/ui/disks/ReadDisk.svelte';
  import Roms from '$lib/ui/disks/Roms.svelte';
  import Setup from '$lib/ui/disks/Setup.svelte';
  import { ask } from '$lib/ui/record/send';
  import Views from '$lib/ui/parts/Views.svelte';
  import { text } from '$lib/ui/text';

  const words = text.disks;
  const { session } = getBench();
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'setup');
  /** Another BIOS or DOS, looked at without changing the build. */
  let biosId = $state('');
  let dosText = $state('');
  let profiles = $state.raw<Part[]>([]);
  onMount(async () => {
    const reply = await ask<{ parts: Part[] }>('GET', '/parts?drawer=bios&limit=100');
    if (reply.ok) profiles = reply.value.parts.filter((p) => p.firmware);
  });
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const bios = $derived(profiles.find((p) => p.id === biosId)?.firmware?.disk);
  const all = $derived(
    disksOf(kit, { ...(bios ? { bios } : {}), ...(dosText ? { dos: Number(dosText) } : {}) })
  );
  const versions = ['2.1', '3.2', '3.3', '4', '5', '6.22', '7', '7.1'];
  let picked = $state('');
  const disk = $derived(all.find((d) => d.drive.item.id === picked) ?? all[0] ?? null);

  /** What INT 13h gives: of what is typed, else of the best choice, else of the drive itself under a ROM. */
  function geometryOf(d: KitDisk): Geometry | null {
    const typed = d.drive.item.disk?.setup;
    if (typed && d.facts) {
      const { cylinders, heads, sectors } = typed;
      return translate({ cylinders, heads: Math.min(16, heads), sectors }, d.facts.translation).geometry;
    }
    const best = d.choices.find((c) => c.works && c.logical);
    if (best) return best.logical;
    return d.size ? translate(d.size.physical, 'lba', d.size.total).geometry : null;
  }
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} />
{#if disk && (view === 'setup' || view === 'partitions' || view === 'read' || view === 'interfaces')}
  <p class="row">
    {#if all.length > 1}<label
        >{words.pick}
        <select value={disk.drive.item.id} onchange={(e) => (picked = e.currentTarget.value)}
          >{#each all as d (d.drive.item.id)}<option value={d.drive.item.id}>{d.drive.title}</option
            >{/each}</select
        ></label
      >{/if}
    {#if view === 'setup' || view === 'partitions'}
      <label
        >{words.bios}
        <select bind:value={biosId}>
          <option value="">{words.ofBuild(kit.firmware?.name ?? words.unknown)}</option>
          {#each profiles as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
        </select></label
      >
      <label
        >{words.dos}
        <select bind:value={dosText}>
          <option value="">{words.ofBuild(session.build.brief.os ?? words.unknown)}</option>
          {#each versions as v (v)}<option>{v}</option>{/each}
        </select></label
      >
      {#if biosId || dosText}<b>{words.whatIf}</b>{/if}
    {/if}
  </p>
{/if}
{#if view === 'floppies'}<Floppies />
{:else if view === 'roms'}<Roms />
{:else if view === 'read'}<ReadDisk {disk} geometry={disk ? geometryOf(disk) : null} />
{:else if !disk}<p>{words.none}</p>
{:else if view === 'interfaces'}
  {#key disk.drive.item.id}<Interfaces {disk} />{/key}
{:else if !disk.size}<p>{words.noGeometry(disk.drive.title)}</p>
{:else if view === 'partitions'}
  {#key disk.drive.item.id}<Partitions {disk} {all} {geometryOf} />{/key}
{:else if !disk.facts}<p>
    {disk.controller ? words.byRom(disk.controller.title) : words.noSetup}
  </p>
{:else}
  <p class="lead">{words.lead}</p>
  {#key disk.drive.item.id}<Setup {disk} />{/key}
{/if}

<style>
  h1 {
    font-size: 1.35rem;
  }
  .lead {
    margin: 0 0 0.4rem;
    color: var(--quiet);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1.2rem;
    align-items: center;
  }
  select {
    padding: 0.3rem 2.2rem 0.3rem 0.5rem;
    border: 1px solid var(--ink);
  }
</style>
