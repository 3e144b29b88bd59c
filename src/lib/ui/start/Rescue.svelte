<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { onDestroy } from 'svelte';
  import { Button, Checkbox, Input, Label, Table } from 'flowbite-svelte';
  import {
    PASSES,
    READ_ORDER,
    adviceOf,
    channelTimes,
    floppyCounts,
    isImaged,
    mayStop,
    readStatus,
    rescueOf,
    seriesOf,
    withRescue
  } from '$lib/core/rescue';
  import { kitOf } from '$lib/core/kit';
  import { RESCUE_STATES, RescueDisk, type RescueState, keyIn } from '$lib/core/model';
  import { disksOf } from '$lib/core/disks';
  import { sectorsOf, sizeWords } from '$lib/core/storage';
  import {
    channelWords,
    passWords,
    readOrderWords,
    readStatusWords,
    rescueNever,
    rescueStates,
    rescueSteps,
    rungWords,
    spanWords
  } from '$lib/words';
  import { getBench } from '../context';
  import { rescue as words } from '$lib/words/en/screens/rescue';
  import { timeText } from '../time';
  import DataGate from './DataGate.svelte';

  const { session } = getBench();
  let now = $state(Date.now());
  const clock = setInterval(() => (now = Date.now()), 15_000);
  onDestroy(() => clearInterval(clock));
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const drives = $derived(kit.drives.filter((d) => ['hard', 'flash'].includes(d.part.drive?.medium ?? '')));
  let picked = $state('');
  const drive = $derived(drives.find((d) => d.item.id === picked) ?? drives[0] ?? null);
  const disk = $derived(drive ? rescueOf(session.build, drive.item.id) : {});
  const advice = $derived(adviceOf(disk));
  const series = $derived(seriesOf(disk));
  const stop = $derived(mayStop(disk));
  const sectors = $derived(drive ? sizeInSectors(drive.item.id) : null);
  function sizeInSectors(id: string): number | null {
    const size = disksOf(kit).find((d) => d.drive.item.id === id)?.size;
    return size ? (size.total ?? sectorsOf(size.physical)) : null;
  }
  const bytes = $derived(sectors === null ? null : sectors * 512);
  const readyMinutes = $derived(
    disk.readySince ? Math.max(0, Math.floor((now - Date.parse(disk.readySince)) / 60_000)) : null
  );

  let image = $state({ where: '', sha256: '', partial: false });
  let trouble = $state('');
  let typed = $state('');
  const status = $derived(typed.trim() ? readStatus(typed) : null);

  const set = (change: Parameters<typeof withRescue>[2]) => {
    if (drive) session.change(withRescue(session.build, drive.item.id, change), words.changed);
  };
  function noteStart(ready: boolean) {
    const at = new Date().toISOString();
    const starts = [...(disk.starts ?? []), { at, ready }].slice(-200);
    set({
      starts,
      readySince: ready ? at : undefined,
      ...(ready && !disk.state ? { state: 'ready' as const } : {})
    });
  }
  function saveImage(event: SubmitEvent) {
    event.preventDefault();
    trouble = '';
    const { where, sha256, partial } = $state.snapshot(image);
    if (!where.trim()) return void (trouble = words.noWhere);
    const told = {
      at: new Date().toISOString(),
      where: where.trim(),
      ...(sha256.trim() ? { sha256: sha256.trim() } : {}),
      ...(partial ? { partial } : {})
    };
    if (!RescueDisk.shape.image.safeParse(told).success) return void (trouble = words.badHash);
    set({ image: told });
    image = { where: '', sha256: '', partial: false };
  }
</script>

<p class="lead">{words.lead}</p>
{#if !drive}
  <p>{words.none}</p>
{:else}
  {#if drives.length > 1}
    <div class="pick max-w-96">
      <Label for="rescue-drive">{words.drive}</Label>
      <OneOf
        id="rescue-drive"
        items={drives.map((d) => ({ value: d.item.id, name: d.title }))}
        value={drive.item.id}
        onchange={(e) => (picked = e.currentTarget.value)}
      />
    </div>
  {:else}<p class="name font-bold text-head">{drive.title}</p>{/if}
  <DataGate item={drive.item.id} title={drive.title} isHere />
  <div class="body gap-8 grid grid-cols-[minmax(16rem,24rem)_minmax(0,1fr)] max-lg:gap-4 max-lg:grid-cols-1">
    <div>
      <div>
        <Label for="rescue-unique">{words.unique}</Label>
        <OneOf
          id="rescue-unique"
          items={Object.entries(words.uniques).map(([value, name]) => ({ value, name }))}
          value={disk.unique ?? ''}
          onchange={(e) => set({ unique: keyIn(words.uniques, e.currentTarget.value) || undefined })}
        />
      </div>
      <fieldset class="gap-1.5 grid min-w-0 mt-3.25">
        <legend class="mb-1.25 font-[650]">{words.state}</legend>
        {#each RESCUE_STATES as s (s)}
          <Button
            class="act block!"
            aria-pressed={disk.state === s}
            onclick={() => set({ state: disk.state === s ? undefined : (s as RescueState) })}
            ><b>{rescueStates[s][0]}</b>
            <small class="font-normal text-small">{rescueStates[s][1]}</small></Button
          >
        {/each}
      </fieldset>
    </div>
    <div aria-live="polite">
      {#if stop === 'image-first'}<p class="bad">{words.imageFirst}</p>
      {:else if stop === 'risky'}<p class="bad">{words.risky}</p>{/if}
      {#if advice}
        <h2 class:off={advice.isOff}>{words.doThis}</h2>
        <ol class="list-decimal">
          {#each advice.steps as s (s)}<li>{rescueSteps[s]}</li>{/each}
        </ol>
        {#if advice.ladder.length}
          <h2>{words.ladder}</h2>
          <ol class="list-decimal">
            {#each advice.ladder as r (r)}<li>{rungWords[r]}</li>{/each}
          </ol>
          {#if disk.unique !== 'no'}<p>{words.gentle}</p>{/if}
          <p>{words.prepare}</p>
        {/if}
        {#if advice.never.length}
          <h2>{words.never}</h2>
          <ul class="list-disc">
            {#each advice.never as n (n)}<li>{rescueNever[n]}</li>{/each}
          </ul>
        {/if}
      {/if}
      <h2>{words.starts}</h2>
      <p class="gap-2 flex flex-wrap">
        <Button class="act" onclick={() => noteStart(true)}>{words.wasReady}</Button>
        <Button class="act" onclick={() => noteStart(false)}>{words.notReady}</Button>
        {#if disk.readySince}
          <Button class="act" onclick={() => set({ readySince: undefined })}>{words.isOff}</Button>
        {/if}
      </p>
      {#if readyMinutes !== null}<p class="window font-bold text-head">{words.readyFor(readyMinutes)}</p>{/if}
      {#if series.n}
        <p>
          {words.series(series.ready, series.n)}
          {series.again === null ? words.fewStarts : words.again(series.again)}
        </p>
      {/if}
      <h2>{words.image}</h2>
      {#if disk.image}
        <p>
          {words.saved(disk.image.where, timeText(disk.image.at))}
          {#if isImaged(disk)}<b>{words.safe}</b>{/if}
          <Button class="act" onclick={() => set({ image: undefined })}>{words.takeImage}</Button>
        </p>
      {/if}
      {#if !isImaged(disk)}
        <form class="gap-2 grid max-w-128" onsubmit={saveImage}>
          <div>
            <Label for="image-where">{words.where}</Label>
            <Input id="image-where" bind:value={image.where} maxlength={200} />
          </div>
          <div>
            <Label for="image-hash">{words.hash}</Label>
            <Input
              id="image-hash"
              class="mono"
              bind:value={image.sha256}
              maxlength={80}
              placeholder={words.hashHint}
              autocomplete="off"
            />
          </div>
          <Checkbox bind:checked={image.partial}>{words.partial}</Checkbox>
          {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
          <Button type="submit" class="act main">{words.save}</Button>
        </form>
      {/if}
      <h2>{words.channels}</h2>
      {#if bytes === null || sectors === null}<p>{words.noSize}</p>
      {:else}
        {@const { f360, f1440 } = floppyCounts(bytes)}
        <p>{words.channelsFor(sizeWords(sectors))}</p>
        <Table>
          <tbody>
            {#each channelTimes(bytes) as c (c.id)}
              <tr
                ><th class="pr-5.5 text-left font-normal" scope="row">{channelWords[c.id]}</th><td
                  class="font-mono">{spanWords(c.seconds)}</td
                ></tr
              >
            {/each}
          </tbody>
        </Table>
        <p>{words.floppies(f360, f1440)}</p>
      {/if}
      <p>{words.own}</p>
      <Fold title={words.order}>
        <ol class="list-decimal">
          {#each READ_ORDER as o (o)}<li>{readOrderWords[o]}</li>{/each}
        </ol>
      </Fold>
      <Fold title={words.passes}>
        <ol class="list-decimal">
          {#each PASSES as p (p)}<li>{passWords[p]}</li>{/each}
        </ol>
        <p>{words.stop}</p>
      </Fold>
      <Fold title={words.status}>
        <Label for="rescue-status" class="sr-only">{words.status}</Label>
        <Input
          id="rescue-status"
          bind:value={typed}
          maxlength={8}
          placeholder={words.statusHint}
          autocomplete="off"
        />
        {#if typed.trim()}<p role="status">
            {status ? readStatusWords[status.means] : words.noStatus(typed)}
          </p>{/if}
      </Fold>
      <Fold title={words.moving}>
        <p>{words.park}</p>
      </Fold>
    </div>
  </div>
{/if}

<style>
  h2 {
    margin: 1rem 0 0.3rem;
    font-size: 1.15rem;
  }
  h2:first-child {
    margin-top: 0;
  }
  ol,
  ul {
    margin: 0;
    padding-left: 1.4rem;
  }
</style>
