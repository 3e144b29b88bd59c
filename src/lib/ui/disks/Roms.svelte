<script lang="ts">
  import FileField from '../kit/FileField.svelte';
  import Fold from '../kit/Fold.svelte';
  import { Button } from 'flowbite-svelte';
  import { freeWindows } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import {
    MAX_ROM,
    compareRoms,
    crc32,
    fixChecksum,
    joinPair,
    readRom,
    splitPair,
    type RomReport
  } from '$lib/formats/rom';
  import { getBench } from '../context';
  import { saveAs } from '../save-as';
  import { disks as disksText } from '$lib/words/en/screens/disks';

  const words = disksText;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  interface Dump {
    name: string;
    data: Uint8Array;
    report: RomReport;
  }
  let one = $state.raw<Dump | null>(null);
  let two = $state.raw<Dump | null>(null);
  let problem = $state('');
  let burnt = $state('');
  const difference = $derived(one && two ? compareRoms(one.data, two.data) : null);
  const windows = $derived(one ? freeWindows(kit, one.report.header?.length || one.data.length) : []);
  const most = $derived(difference ? Math.max(1, ...difference.map) : 1);
  const hex = (n: number) => n.toString(16).toUpperCase();
  const n = (x: number) => x.toLocaleString('en');

  async function open(event: Event, which: 'one' | 'two') {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    problem = burnt = '';
    if (file.size > MAX_ROM) {
      problem = words.tooLarge;
      return;
    }
    const data = new Uint8Array(await file.arrayBuffer());
    const dump = { name: file.name.slice(0, 120), data, report: await readRom(data) };
    if (which === 'one') one = dump;
    else two = dump;
  }
  const save = (name: string, data: Uint8Array) => saveAs(name, 'application/octet-stream', data);
  const base = (name: string) => name.replace(/\.[^.]*$/, '');
  function attempt(work: () => void) {
    try {
      problem = '';
      work();
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      problem = error.message;
    }
  }
  function split({ name, data }: Dump) {
    const { even, odd } = splitPair(data);
    save(`${base(name)}.even.bin`, even);
    save(`${base(name)}.odd.bin`, odd);
  }
  /** The stand-in takes the bytes into its chip, reads them back and compares. */
  function burn({ data, report: { chip } }: Dump) {
    if (!chip) {
      problem = words.burnNo;
      return;
    }
    const held = data.slice();
    if (compareRoms(held, data).same) burnt = words.burnt(chip, hex(crc32(held)));
  }
</script>

<p class="lead">{words.romLead}</p>
<div class="row">
  <FileField words={words.openRom} onchange={(e) => open(e, 'one')} />
  {#if one}<FileField words={words.openSecond} onchange={(e) => open(e, 'two')} />{/if}
</div>
{#if problem}<p class="bad" role="alert">{problem}</p>{/if}
<div class="grid grid-cols-[repeat(auto-fit,minmax(20rem,1fr))] gap-y-0 gap-x-8">
  {#each [one, two].filter((d) => d !== null) as dump (dump)}
    {@const r = dump.report}
    <section>
      <h2 class="border-b-2 border-b-ink mt-4 mb-1.25 wrap-anywhere">{dump.name}</h2>
      <p>{words.bytes(n(r.bytes))}, {words.chip(r.chip)}</p>
      {#if r.header}<p>
          {words.header(n(r.header.length))},
          <b class:red={r.header.sum !== 0}>{r.header.sum === 0 ? words.sumRight : words.sumWrong}</b>
        </p>{/if}
      {#if r.system}<p>{words.system(r.system)}</p>{/if}
      {#each r.pci as image (image.at)}<p>{words.pci(image)}</p>{/each}
      {#if r.pnp}<p>{words.pnp(r.pnp.maker, r.pnp.product)}</p>{/if}
      {#each r.remarks as remark (remark)}<p class="bad">{remark}</p>{/each}
      <dl class="grid grid-cols-[5rem_minmax(0,1fr)] gap-y-0.5 gap-x-2.5">
        <dt>{words.crc}</dt>
        <dd class="font-normal text-small font-mono leading-[1.25] wrap-anywhere">{r.crc32}</dd>
        <dt>{words.sha}</dt>
        <dd class="font-normal text-small font-mono leading-[1.25] wrap-anywhere">{r.sha256}</dd>
      </dl>
      {#if r.strings.length}<Fold title={words.strings}>
          <p class="font-normal text-small font-mono leading-[1.25] wrap-anywhere">
            {r.strings.slice(0, 60).join(' · ')}
          </p>
        </Fold>{/if}
    </section>
  {/each}
</div>
{#if one}
  {@const rom = one}
  <p class="row">
    {#if one.report.header && one.report.header.sum !== 0}<Button
        class="act"
        onclick={() => attempt(() => save(`${base(rom.name)}.mended.bin`, fixChecksum(rom.data)))}
        >{words.fix}</Button
      >{/if}
    <Button class="act" onclick={() => attempt(() => split(rom))}>{words.splitSave}</Button>
    {#if two}{@const second = two}<Button
        class="act"
        onclick={() => attempt(() => save(`${base(rom.name)}.joined.bin`, joinPair(rom.data, second.data)))}
        >{words.joinSave}</Button
      >{/if}
  </p>
  {#if difference}
    <p>
      <b>{difference.same ? words.same : words.differ(n(difference.count), hex(difference.first ?? 0))}</b>
    </p>
    <svg class="w-full max-w-160" viewBox="0 0 640 34" role="img" aria-label={words.mapLabel}>
      {#each difference.map as count, i (i)}<rect
          x={i * 10}
          y="2"
          width="9"
          height="30"
          class="cell fill-sheet stroke-rule"
          class:on={count > 0}
          fill-opacity={count ? 0.35 + (0.65 * count) / most : 1}
        />{/each}
    </svg>
  {/if}
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25 wrap-anywhere">{words.windows}</h2>
  <p class="font-normal text-small font-mono leading-[1.25] wrap-anywhere">
    {windows.length ? windows.map((w) => `${hex(w)}h`).join('  ') : words.noWindow}
  </p>
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25 wrap-anywhere">{words.programmer}</h2>
  <p class="lead">{words.programmerNote}</p>
  <Button class="act" onclick={() => burn(rom)}>{words.burn}</Button>
  {#if burnt}<p role="status"><b>{burnt}</b></p>{/if}
{/if}

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    margin: 0.5rem 0;
  }

  p {
    margin: 0.2rem 0;
  }
  .red {
    color: var(--stop);
  }

  .cell.on {
    fill: var(--stop);
  }
</style>
