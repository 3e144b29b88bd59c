<script lang="ts">
  import { page } from '$app/state';
  import { disksOf, type KitDisk } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import { translate, type Geometry } from '$lib/core/storage';
  import { getBench } from '$lib/ui/context';
  import Floppies from '$lib/ui/disks/Floppies.svelte';
  import Interfaces from '$lib/ui/disks/Interfaces.svelte';
  import Partitions from '$lib/ui/disks/Partitions.svelte';
  import ReadDisk from '$lib/ui/disks/ReadDisk.svelte';
  import Roms from '$lib/ui/disks/Roms.svelte';
  import Setup from '$lib/ui/disks/Setup.svelte';
  import Views from '$lib/ui/parts/Views.svelte';
  import { text } from '$lib/ui/text';

  const words = text.disks;
  const { session } = getBench();
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'setup');
  const all = $derived(disksOf(kitOf(session.build, session.parts, session.machine)));
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
{#if all.length > 1 && !['floppies', 'roms'].includes(view)}
  <p>
    <label
      >{words.pick}
      <select value={disk?.drive.item.id} onchange={(e) => (picked = e.currentTarget.value)}
        >{#each all as d (d.drive.item.id)}<option value={d.drive.item.id}>{d.drive.title}</option
          >{/each}</select
      ></label
    >
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
  select {
    padding: 0.3rem 2.2rem 0.3rem 0.5rem;
    border: 1px solid var(--ink);
  }
</style>
