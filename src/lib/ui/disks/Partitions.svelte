<script lang="ts">
  import { overrunWords, geometryFlawWords } from '$lib/words';
  import { sure } from '$lib/core/model';
  import { Checkbox, Input, Button, Table } from 'flowbite-svelte';
  import { wipeGate } from '$lib/core/boot';
  import { geometryOf, type KitDisk } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import {
    GeometryError,
    SECTOR,
    driveLetters,
    formatMinutesLeft,
    makesExtended,
    overrunsOf,
    sectorsOf,
    mostCylinders,
    partition,
    proposeSizes,
    toolDisplay,
    type PartitionPlan
  } from '$lib/core/storage';
  import { diskImage, imagePieces } from '$lib/formats/disk';
  import WipeGate from '../boot/WipeGate.svelte';
  import DataGate from '../start/DataGate.svelte';
  import { heldBack } from '$lib/core/rescue';
  import { getBench } from '../context';
  import { canSaveSparse, saveBlob, saveSparse } from '../save-as';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { bytesText, keepMedium } from './record';

  interface Props {
    disk: KitDisk;
    all: readonly KitDisk[];
    /** The drive is not in the build: its plan is tried and not kept. */
    isLook: boolean;
  }
  let { disk, all, isLook }: Props = $props();
  const words = disksText;
  const { session } = getBench();
  let width = $state(720);
  const W = $derived(Math.max(300, width));
  /** Drives without a geometry are not shown here. */
  const shapeOf = (d: KitDisk) => sure(geometryOf(d), 'drive geometry');
  const geometry = $derived(shapeOf(disk));
  const dos = $derived(disk.dos ?? 6.22);
  const fallback = $derived.by((): number[] => {
    try {
      return proposeSizes(geometry, dos);
    } catch (error) {
      if (!(error instanceof GeometryError)) throw error;
      return [];
    }
  });
  const planOf = (d: KitDisk, sizes: readonly number[]): PartitionPlan | string => {
    try {
      return partition(shapeOf(d), d.dos ?? 6.22, sizes);
    } catch (error) {
      if (!(error instanceof GeometryError)) throw error;
      return geometryFlawWords(error.flaw);
    }
  };
  /** While a boundary is dragged the sizes are only tried. */
  let trial = $state.raw<number[] | null>(null);
  /** Plan of a drive that is only looked at. */
  let loose = $state.raw<number[] | null>(null);
  const kept = $derived((isLook ? loose : disk.drive.item.disk?.plan) ?? fallback);
  const sizes = $derived(trial ?? kept);
  const plan = $derived(planOf(disk, sizes));
  const most = $derived(mostCylinders(geometry, dos));
  let files = $state('1000');
  const count = $derived(Math.max(0, Math.min(1_000_000, Math.round(Number(files.replace(/\D/g, ''))) || 0)));
  const x = (cylinder: number) => (cylinder / geometry.cylinders) * W;

  function save(next: number[] | null) {
    trial = null;
    loose = next;
    if (isLook) return;
    keepMedium(
      session,
      disk.drive.item,
      ({ plan: _, ...old }) => (next ? { ...old, plan: next } : old),
      words.planned
    );
  }
  /** The sizes with the end of one partition at a cylinder; the next one gives or takes, the last leaves free. */
  function moved(index: number, end: number): number[] {
    const out = [...kept];
    const from = out.slice(0, index).reduce((a, b) => a + b, 0);
    const after = index + 1 < out.length ? from + out[index] + out[index + 1] : geometry.cylinders;
    const limit = Math.min(after - (index + 1 < out.length ? 1 : 0), from + most);
    let size = Math.max(1, Math.min(limit - from, end - from));
    if (index + 1 < out.length) {
      const rest = after - from - size;
      if (rest > most) size += rest - most;
      out[index + 1] = after - from - size;
    }
    out[index] = size;
    return out;
  }
  function drag(index: number, event: PointerEvent) {
    const target = event.currentTarget as SVGGElement;
    const svg = target.ownerSVGElement!;
    target.setPointerCapture(event.pointerId);
    const cylinder = (e: PointerEvent) => {
      const box = svg.getBoundingClientRect();
      return Math.round(((e.clientX - box.left) / box.width) * geometry.cylinders);
    };
    const move = (e: Event) => (trial = moved(index, cylinder(e as PointerEvent)));
    const done = () => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', done);
      if (trial) save(trial);
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', done);
  }
  function key(index: number, event: KeyboardEvent) {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -16, PageUp: 16 }[event.key];
    if (!step) return;
    event.preventDefault();
    const end = kept.slice(0, index + 1).reduce((a, b) => a + b, 0);
    save(moved(index, end + step));
  }
  /** Floppies and drivers have letters too, under no name: a drive that is only looked at needs one. */
  const keyOf = (d: KitDisk) => d.drive.item.id || 'look';
  const left = $derived(geometry.cylinders - sizes.reduce((a, b) => a + b, 0));
  function addOne() {
    if (left > 0) return save([...kept, Math.min(left, most)]);
    const largest = kept.indexOf(Math.max(...kept));
    const half = Math.floor(kept[largest] / 2);
    if (half < 1) return;
    save(kept.flatMap((s, i) => (i === largest ? [s - half, half] : [s])));
  }
  const lettered = $derived(
    driveLetters(
      (isLook ? [disk] : all).flatMap((d) => {
        const g = geometryOf(d);
        if (!g) return [];
        const own = d === disk ? sizes : (d.drive.item.disk?.plan ?? safeSizes(d));
        const p = planOf(d, own);
        if (typeof p === 'string') return [];
        const name = (list: PartitionPlan['partitions']) =>
          list.map((q) => `${d.drive.title} ${bytesText(q.sectors * SECTOR)} ${q.fat.kind}`);
        return [
          {
            name: keyOf(d),
            primary: name(p.partitions.filter((q) => q.kind === 'primary')),
            logical: name(p.partitions.filter((q) => q.kind === 'logical'))
          }
        ];
      }),
      dos,
      session.build.items.flatMap((i) => {
        const part = session.parts.get(i.part);
        return part?.drive?.medium === 'optical' ? [i.label ?? part.name] : [];
      }),
      session.build.items.filter((i) => session.parts.get(i.part)?.drive?.interface === 'floppy').length
    )
  );
  function safeSizes(d: KitDisk): number[] {
    try {
      return proposeSizes(shapeOf(d), d.dos ?? 6.22);
    } catch {
      return [];
    }
  }
  /** Letters of the partitions of this disk, in their order. */
  const letterOf = (i: number) => lettered.filter((l) => l.disk === keyOf(disk))[i]?.letter ?? '';
  const tool = $derived(toolDisplay(disk.size?.total ?? 0));

  /** A drive that is only looked at is not wiped. */
  const gate = $derived(isLook ? null : wipeGate(kitOf(session.build, session.parts, session.machine)));
  const held = $derived(isLook ? null : heldBack(session.build, disk.drive.item.id));
  const isHeld = $derived((gate !== null && gate.wentOn === null) || (held !== null && !held.wayPast));
  let format = $state(true);
  let label = $state('');
  const isSparse = canSaveSparse();
  let saved = $state('');
  async function write() {
    if (typeof plan === 'string') return;
    const name = `${disk.drive.item.id || disk.drive.part.id}.img`;
    const image = diskImage(plan, { dos, format, ...(label.trim() ? { label } : {}) });
    saved = '';
    try {
      if (isSparse) saved = (await saveSparse(name, image)) ? words.written(name) : '';
      else {
        const pieces = [...imagePieces(image)] as BlobPart[];
        saveBlob(name, new Blob(pieces, { type: 'application/octet-stream' }));
        saved = words.written(name);
      }
    } catch (error) {
      saved = words.notWritten(error instanceof Error ? error.message : String(error));
    }
  }
  /** Partitions of the plan that end past the real end of the drive. */
  const overruns = $derived(
    disk.size && typeof plan !== 'string'
      ? overrunsOf(plan, disk.size.total ?? sectorsOf(disk.size.physical))
      : []
  );
  let percent = $state('');
  let minutes = $state('');
  const remaining = $derived.by(() => {
    try {
      return percent && minutes ? formatMinutesLeft(Number(percent), Number(minutes)) : null;
    } catch {
      return null;
    }
  });
</script>

<p class="my-0.75 mx-0 text-quiet">{words.partLead}{disk.dos === null ? ` ${words.dosNone}` : ''}</p>
{#if typeof plan === 'string'}<p class="bad" role="alert">{plan}</p>{:else}
  <div class="bar max-w-240" bind:clientWidth={width}>
    <svg class="block w-full touch-none" viewBox="0 0 {W} 74" aria-label={words.barLabel} role="group">
      <rect x="0" y="1" width={W} height="72" class="free fill-paper stroke-rule [stroke-dasharray:4_3]" />
      {#each plan.partitions as p, i (p.lba)}
        {@const w = x(p.to + 1) - x(p.from)}
        <rect x={x(p.from)} y="1" width={w} height="72" class="part fill-sheet stroke-ink stroke-[1.6]" />
        {#if w > 40}<text
            x={x(p.from) + 10}
            y="44"
            class="letter font-extrabold text-[24px] font-sans fill-ink">{letterOf(i)}</text
          >{/if}
        {#if w > 130}
          <text class="font-semibold text-[13px] font-sans fill-ink" x={x(p.from) + 40} y="28"
            >{bytesText(p.sectors * SECTOR)} {p.kind}</text
          >
          <text x={x(p.from) + 40} y="46" class="small font-sans text-[11px] font-normal fill-quiet"
            >{words.cluster(`${p.fat.clusterBytes / 1024} KiB`, p.fat.kind)}</text
          >
          <text x={x(p.from) + 40} y="62" class="small font-sans text-[11px] font-normal fill-quiet"
            >{p.from}–{p.to}</text
          >
        {/if}
      {/each}
      {#each plan.partitions as p, i (p.lba)}
        <g
          role="slider"
          tabindex="0"
          aria-label={words.boundary(i + 1, p.to + 1)}
          aria-valuemin="1"
          aria-valuemax={geometry.cylinders}
          aria-valuenow={p.to + 1}
          onpointerdown={(e) => drag(i, e)}
          onkeydown={(e) => key(i, e)}
        >
          <rect
            x={Math.min(W - 14, x(p.to + 1) - 7)}
            y="0"
            width="14"
            height="74"
            class="fill-transparent cursor-ew-resize"
          />
          <line
            x1={Math.min(W - 1, x(p.to + 1))}
            x2={Math.min(W - 1, x(p.to + 1))}
            y1="0"
            y2="74"
            class="edge stroke-ink stroke-4 pointer-events-none"
          />
        </g>
      {/each}
    </svg>
  </div>
  <p class="my-2 flex flex-wrap gap-y-2 gap-x-4 items-center">
    {#if makesExtended(dos)}<Button class="act" onclick={addOne}>{words.addPart}</Button>{/if}
    <Button class="act" disabled={kept.length < 2} onclick={() => save(kept.slice(0, -1))}
      >{words.removePart}</Button
    >
    <Button class="act" onclick={() => save(null)}>{words.even}</Button>
    <label>{words.files} <Input bind:value={files} inputmode="numeric" maxlength={7} /></label>
  </p>
  <Table>
    <tbody>
      {#each plan.partitions as p, i (p.lba)}
        <tr>
          <th class="py-0.5 pr-4 text-left" scope="row">{letterOf(i)}:</th>
          <td class="py-0.5 pr-4 text-left">{bytesText(p.sectors * SECTOR)} {p.kind}, {p.from}–{p.to}</td>
          <td class="py-0.5 pr-4 text-left"
            >{words.cluster(`${p.fat.clusterBytes / 1024} KiB`, p.fat.kind)}</td
          >
          <td class="py-0.5 pr-4 text-left"
            >{words.waste((p.fat.wasteOf(count) / 1e6).toFixed(1), count.toLocaleString('en'))}</td
          >
        </tr>
      {/each}
    </tbody>
  </Table>
  {#if tool.shown !== tool.mib}<p>
      {words.tool(tool.shown.toLocaleString('en'), tool.mib.toLocaleString('en'))}
    </p>{/if}
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.letters}</h2>
  <ol class="flex flex-wrap gap-y-0.75 gap-x-5.5">
    {#each lettered as l (l.letter)}<li>
        <b class="font-mono">{l.letter}:</b>
        {l.floppy ? words.floppies[l.floppy] : l.what}
      </li>{/each}
  </ol>
  {#if all.length > 1}<p class="my-0.75 mx-0 text-quiet">{words.lettersNote}</p>{/if}
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.write}</h2>
  <p class="my-0.75 mx-0 text-quiet">{words.writeLead}</p>
  {#if !isLook}<DataGate item={disk.drive.item.id} title={disk.drive.title} asks />{/if}
  {#if gate}<WipeGate {gate} />{/if}
  {#if overruns.length}<p class="bad" role="alert">{words.overruns(overrunWords(overruns))}</p>{/if}
  <p class="my-2 flex flex-wrap gap-y-2 gap-x-4 items-center">
    <label><Checkbox bind:checked={format} /> {words.format}</label>
    <label>{words.label} <Input bind:value={label} maxlength={11} /></label>
    <Button class="act main" disabled={isHeld} onclick={write}
      >{words.writeNow(bytesText(geometry.cylinders * geometry.heads * geometry.sectors * SECTOR))}</Button
    >
  </p>
  <p role="status">{saved}</p>
  <p class="my-0.75 mx-0 text-quiet">{isSparse ? words.sparse : words.notSparse} {words.after}</p>
  <h2 class="border-b-2 border-b-ink mt-4 mb-1.25">{words.formatTime}</h2>
  <p class="my-2 flex flex-wrap gap-y-2 gap-x-4 items-center">
    <label><Input bind:value={percent} inputmode="numeric" maxlength={3} /> {words.percent}</label>
    <label><Input bind:value={minutes} inputmode="numeric" maxlength={4} /> {words.minutes}</label>
    {#if remaining !== null}<b>{words.left(remaining.toFixed(0))}</b>{/if}
  </p>
{/if}

<style>
  g:focus-visible {
    outline: 3px solid var(--ink);
  }
</style>
