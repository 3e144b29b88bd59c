<script lang="ts">
  import FileField from '../kit/FileField.svelte';
  import { entryWords, witnessWords } from '$lib/words';
  import { Textarea, Button, Table } from 'flowbite-svelte';
  import type { KitDisk } from '$lib/core/disks';
  import { SECTOR, type Geometry } from '$lib/core/storage';
  import {
    HexDumpError,
    blobSource,
    bytesSource,
    diagnose,
    readDisk,
    readHexDump,
    type DiskImage,
    type SectorSource
  } from '$lib/formats/disk';
  import { getBench } from '../context';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { bytesText, keepMedium } from './record';

  let { disk, geometry }: { disk: KitDisk | null; geometry: Geometry | null } = $props();
  const words = disksText;
  const { session } = getBench();
  let image = $state.raw<DiskImage | null>(null);
  let name = $state('');
  let dump = $state('');
  let problem = $state('');
  const found = $derived(image ? diagnose(image, geometry) : null);

  async function read(source: SectorSource, called: string) {
    problem = '';
    image = await readDisk(source);
    name = called;
  }
  async function open(event: Event) {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (file) await read(blobSource(file), file.name.slice(0, 120));
  }
  async function paste() {
    try {
      await read(bytesSource(readHexDump(dump), false), words.paste);
    } catch (error) {
      if (!(error instanceof HexDumpError)) throw error;
      problem = error.message;
    }
  }
  const chs = ({ c, h, s }: { c: number; h: number; s: number }) => `${c}/${h}/${s}`;
  function keep() {
    if (!disk || !found?.candidates[0]) return;
    const { heads, sectors } = found.candidates[0];
    const made = { heads, sectors, where: name.slice(0, 120), at: new Date().toISOString() };
    keepMedium(session, disk.drive.item, (old) => ({ ...old, made }), words.madeDone(disk.drive.title));
  }
</script>

<p class="lead">{words.readLead}</p>
<div class="my-1.5">
  <FileField words={words.openImage} accept=".img,.ima,.bin,.raw,.dsk,*/*" onchange={open} />
</div>
<label class="block"
  >{words.paste}
  <Textarea
    class="mx-0 block w-full mt-0.75 mb-1.5 font-normal font-mono leading-[1.25]"
    bind:value={dump}
    rows={4}
    spellcheck="false"
    maxlength={4000000}
  /></label
>
<Button class="act" onclick={paste} disabled={!dump.trim()}>{words.readDump}</Button>
{#if problem}<p class="bad" role="alert">{problem}</p>{/if}

{#if image && found}
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">
    {name}{image.bytes === null ? '' : `, ${bytesText(image.bytes)}`}
  </h2>
  <div aria-live="polite">
    {#if geometry && disk}<p class="lead">{words.against(disk.drive.title)}</p>{/if}
    {#each found.remarks as r, i (i)}<p class="remark {r.grade}">
        <b>{words.grades[r.grade]}</b>
        {r.text}
      </p>{:else}<p>
        <b>{words.allWell}</b>
      </p>{/each}
  </div>
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.geometry}</h2>
  {#if !found.candidates.length}<p>{words.noCandidate}</p>{/if}
  <ul>
    {#each found.candidates.slice(0, 4) as c (`${c.heads} ${c.sectors}`)}
      <li class="py-0.5">
        <b class:best={c.fits}>{words.candidate(c.heads, c.sectors)}</b>
        {c.fits ? words.fits : ''}
        {words.agree(c.agree.length)}{c.disagree.length
          ? `; ${words.disagree(c.disagree.map(witnessWords).join(', '))}`
          : ''}
      </li>
    {/each}
  </ul>
  {#if disk && found.made}<Button class="act" onclick={keep}>{words.useMade}</Button>{/if}
  {#if image.whole}<p>{words.whole}</p>{/if}
  {#if image.entries.length}
    <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.entries}</h2>
    <Table>
      <thead
        ><tr
          >{#each words.entryCols as col (col)}<th>{col}</th>{/each}</tr
        ></thead
      >
      <tbody>
        {#each image.entries.filter((e) => e.kind !== 'link') as e, i (i)}
          <tr>
            <td>{entryWords(e)}{e.active ? `, ${words.active}` : ''}</td>
            <td>{e.typeName}</td>
            <td class="font-mono">{chs(e.start)}</td>
            <td class="font-mono">{chs(e.end)}</td>
            <td class="font-mono">{e.lba.toLocaleString('en')}</td>
            <td>{bytesText(e.sectors * SECTOR)}</td>
          </tr>
        {/each}
      </tbody>
    </Table>
  {/if}
  {#if image.boots.length}
    <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.boots}</h2>
    <ul>
      {#each image.boots as b (b.lba)}
        <li class="py-0.5">
          <b>{b.fat ?? '?'}</b>
          {b.label || b.oem}, {words.candidate(b.heads, b.sectorsPerTrack)}, {words.clusters(
            b.clusters.toLocaleString('en'),
            (b.sectorsPerCluster * b.bytesPerSector) / 1024
          )}
        </li>
      {/each}
    </ul>
  {/if}
{/if}

<style>
  .remark {
    margin: 0.25rem 0;
    padding-left: 0.7rem;
    border-left: 6px double var(--rule);
  }
  .remark.stop,
  .remark.caution {
    border-left-color: var(--ink);
  }
  .best {
    padding: 0 0.4rem;
    background: var(--yellow);
    color: var(--on-yellow);
  }

  th,
  td {
    padding: 0.15rem 1rem 0.15rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: left;
  }
</style>
