<script lang="ts">
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { diskOfPart, disksOf, geometryOf } from '$lib/core/disks';
  import { kitOf, speaks } from '$lib/core/kit';
  import type { Part } from '$lib/core/model';
  import { dosVersions, sizeWords } from '$lib/core/storage';
  import { getBench } from '$lib/ui/context';
  import Floppies from '$lib/ui/disks/Floppies.svelte';
  import Interfaces from '$lib/ui/disks/Interfaces.svelte';
  import Partitions from '$lib/ui/disks/Partitions.svelte';
  import ReadDisk from '$lib/ui/disks/ReadDisk.svelte';
  import Roms from '$lib/ui/disks/Roms.svelte';
  import Setup from '$lib/ui/disks/Setup.svelte';
  import { hangOn } from '$lib/ui/fit/edit';
  import { ask } from '$lib/ui/record/send';
  import Views from '$lib/ui/parts/Views.svelte';
  import { disks as disksText } from '$lib/words/en/screens/disks';

  const words = disksText;
  const { session } = getBench();
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'setup');
  const LOOK = 'look/';
  const ROM = 'rom';
  /** A drive, BIOS, DOS or controller that is only looked at; the build stays as it is. */
  let biosId = $state('');
  let dosText = $state('');
  let byRom = $state(false);
  let picked = $state('');
  let profiles = $state.raw<Part[]>([]);
  let drives = $state.raw<Part[]>([]);
  onMount(async () => {
    const [bios, drive] = await Promise.all([
      ask<{ parts: Part[] }>('GET', '/parts?drawer=bios&limit=100'),
      ask<{ parts: Part[] }>('GET', '/parts?drawer=drive&limit=500')
    ]);
    if (bios.ok) profiles = bios.value.parts.filter((p) => p.firmware);
    if (drive.ok)
      drives = drive.value.parts
        .filter((p) => p.drive?.sectors && ['hard', 'flash'].includes(p.drive.medium))
        .sort((a, b) => sizeOf(a) - sizeOf(b));
  });
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const bios = $derived(profiles.find((p) => p.id === biosId)?.firmware?.disk);
  const whatIf = $derived({
    ...(bios ? { bios } : {}),
    ...(dosText ? { dos: Number(dosText) } : {}),
    ...(byRom ? { byRom } : {})
  });
  const sizeOf = (p: Part) => p.drive?.sectors ?? 0;
  const all = $derived(disksOf(kit, whatIf));
  const other = $derived(drives.find((p) => `${LOOK}${p.id}` === picked));
  const looked = $derived(view === 'setup' || view === 'partitions' ? other : undefined);
  const isLook = $derived(looked !== undefined);
  const disk = $derived(
    (looked ? diskOfPart(kit, looked, whatIf) : all.find((d) => d.drive.item.id === picked)) ?? all[0] ?? null
  );
  const controllers = $derived(
    disk ? kit.controllers.filter((c) => speaks(c, disk.drive.part.drive.interface)) : []
  );
  const keyOf = (c: { item: string; fn: { id: string } }) => `${c.item}/${c.fn.id}`;
  function chooseController(value: string) {
    byRom = value === ROM;
    const c = controllers.find((x) => keyOf(x) === value);
    if (c && disk && !isLook) hangOn(session, disk.drive.item.id, { to: c.item, function: c.fn.id });
  }
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} />
{#if view === 'setup' || view === 'partitions' || (all.length > 1 && (view === 'read' || view === 'interfaces'))}
  <div class="flex flex-wrap gap-y-1.5 gap-x-4.75 items-center">
    <label
      >{words.pick}
      <OneOf
        class="max-w-60!"
        value={isLook ? picked : (disk?.drive.item.id ?? '')}
        onchange={(e) => (picked = e.currentTarget.value)}
      >
        {#if !all.length}<option value="">{words.noneHere}</option>{/if}
        {#each all as d (d.drive.item.id)}<option value={d.drive.item.id}>{d.drive.title}</option>{/each}
        {#if view === 'setup' || view === 'partitions'}
          <optgroup label={words.others}>
            {#each drives as p (p.id)}<option value="{LOOK}{p.id}">{p.name}, {sizeWords(sizeOf(p))}</option
              >{/each}
          </optgroup>
        {/if}
      </OneOf></label
    >
    {#if disk && (view === 'setup' || view === 'partitions')}
      <label
        >{words.controllerOf}
        <OneOf
          class="max-w-60!"
          value={byRom ? ROM : disk.controller ? keyOf(disk.controller) : ''}
          onchange={(e) => chooseController(e.currentTarget.value)}
        >
          {#if !disk.controller}<option value="">{words.noController}</option>{/if}
          {#each controllers as c (keyOf(c))}<option value={keyOf(c)}>{c.title}</option>{/each}
          <option value={ROM}>{words.withRom}</option>
        </OneOf></label
      >
      <label
        >{words.bios}
        <OneOf class="max-w-60!" bind:value={biosId}>
          <option value="">{words.ofBuild(kit.firmware?.name ?? words.unknown)}</option>
          {#each profiles as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
        </OneOf></label
      >
      <label
        >{words.dos}
        <OneOf class="max-w-60!" bind:value={dosText}>
          <option value="">{words.ofBuild(session.build.brief.os ?? words.unknown)}</option>
          {#each dosVersions as v (v)}<option value={String(v)}>{v}</option>{/each}
        </OneOf></label
      >
      {#if biosId || dosText || byRom || isLook}<b class="py-0.5 px-2.5 border-2 border-ink border-dashed"
          >{words.whatIf}</b
        >{/if}
    {/if}
  </div>
{/if}
{#if view === 'floppies'}<Floppies />
{:else if view === 'roms'}<Roms />
{:else if view === 'read'}<ReadDisk {disk} geometry={disk ? geometryOf(disk) : null} />
{:else if view === 'interfaces'}
  {#key disk?.drive.item.id}<Interfaces {disk} />{/key}
{:else if !disk}<p>{words.none}</p>
{:else if !disk.size}<p>{words.noGeometry(disk.drive.title)}</p>
{:else if view === 'partitions'}
  {#key `${disk.drive.item.id} ${picked}`}<Partitions {disk} {all} {isLook} />{/key}
{:else if !disk.facts}<p>{words.noSetup}</p>
{:else}
  <p class="mx-0 mt-0 mb-1.5 text-quiet">{words.lead}</p>
  {#key `${disk.drive.item.id} ${picked}`}<Setup {disk} size={disk.size} facts={disk.facts} {isLook} />{/key}
{/if}
