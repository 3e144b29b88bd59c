<script lang="ts">
  import { busName, clockNumber, mhz } from '$lib/words';
  import { hex, type Part } from '$lib/core/model';
  import { indexed, resources } from '$lib/core/catalogue';
  import { ratedFactor } from '$lib/core/boards';
  import { modesOf } from '$lib/core/video';
  import CardDrawing from '../parts/CardDrawing.svelte';
  import { sizeText } from '../fit/edit';
  import { catalogue as catalogueText, editor as editorText } from '$lib/words/en/screens/catalogue';
  import { fit as fitText } from '$lib/words/en/screens/fit';

  let { part }: { part: Part } = $props();
  const words = catalogueText;
  const names = words.factNames;
  const can = $derived(indexed(part).can);
  const item = $derived({ id: 'shown', part: part.id, asFound: {}, chosen: {}, locked: [] });
  const offered = (o: NonNullable<Part['board']>['busClock']): string =>
    (!o ? [] : Array.isArray(o) ? o : Object.values(o.values)).map(clockNumber).join(', ');
  const range = (low: number, high: number) => (low === high ? String(low) : `${low}–${high}`);

  /** What is known, one line each; what is not is left out. */
  const facts = $derived.by((): [string, string][] => {
    const { board, card, cpu, fpu, module, video, drive, monitor, supply, power, price, sold } = part;
    const out: [string, string | undefined][] = [
      [names.sold, sold && words.sold(sold.from, sold.to)],
      [names.price, price && words.price(price.low, price.high)],
      [names.bus, card && words.bus[card.bus]],
      [names.length, card?.lengthMm === undefined ? undefined : fitText.mm(card.lengthMm)],
      [names.fallback, card?.bus === 'isa16' ? words.fallback[card.fallback8] : undefined],
      [names.class, board?.class.toUpperCase()],
      [names.form, board?.form],
      [names.slots, board && board.slots.map((s) => busName[s.bus]).join(', ')],
      [names.socket, board?.cpuSocket && (board.cpuSocket.soldered ?? board.cpuSocket.accepts.join(', '))],
      [names.clock, board ? offered(board.busClock) : cpu ? `${clockNumber(cpu.busMHz)} × ${ratedFactor(cpu)} = ${mhz(cpu.coreMHz)}` : fpu && mhz(fpu.mhz)],
      [names.volts, cpu ? range(cpu.volts.low, cpu.volts.high) : board && offered(board.coreVolts)],
      [names.memory, board?.memory ? sizeText(board.memory.maxKiB) : module ? `${sizeText(module.kib)}, ${module.ns} ns, ${module.form}${module.chips ? `, ${module.chips}` : ''}` : video && sizeText(video.memoryKiB)],
      [names.modes, video && modesOf(video).map((m) => m.label).join(', ')],
      [names.interface, drive?.interface],
      [names.capacity, drive?.sectors ? `${Math.round((drive.sectors * 512) / 1e6)} MB` : drive?.floppyKiB ? `${drive.floppyKiB} KiB` : undefined],
      [names.inputs, monitor && `${monitor.inputs.map((i) => `${i.plug} ${i.signals.join(' ')}`).join(', ')}; ${monitor.horizontal.map((r) => range(r.low, r.high)).join(', ')} kHz; ${range(monitor.vertical.low, monitor.vertical.high)} Hz`],
      [names.rails, supply && `+5 V ${supply.rails.v5} A, +12 V ${supply.rails.v12} A, −5 V ${supply.rails.m5} A`],
      [names.power, power && [power.v5 && `+5 V ${power.v5} A`, power.v12 && `+12 V ${power.v12} A`, power.v3 && `+3.3 V ${power.v3} A`].filter(Boolean).join(', ')],
      [names.minus5, power?.minus5 ? words.yes : undefined]
    ];
    return out.filter((f): f is [string, string] => !!f[1]);
  });
  const lines = $derived(
    resources.flatMap((r) => {
      const list = [...can[r]].sort((a, b) => a - b);
      const digits = r === 'memory' ? 5 : 3;
      return list.length
        ? [{ r, shown: list.map((n) => (r === 'io' || r === 'memory' ? hex(n, digits) : String(n))).join(' ') }]
        : [];
    })
  );
  const sources = $derived([...part.evidence, ...part.settings.flatMap((s) => s.evidence ?? [])]);
</script>

<h2 class="text-head">{part.maker} {part.name}</h2>
{#if part.summary}<p>{part.summary}</p>{/if}
{#if part.card || part.board}<CardDrawing {part} {item} isModel />{/if}
<dl class="my-1.5 grid grid-cols-[7.5rem_minmax(0,1fr)] gap-y-0.5 gap-x-2.75">
  {#each facts as [name, value] (name)}<dt class="text-quiet">{name}</dt><dd class="wrap-anywhere">{value}</dd>{/each}
</dl>
{#if lines.length}
  <h3 class="mt-4 mb-1.25 text-large">{words.lines}</h3>
  <dl class="my-1.5 grid grid-cols-[7.5rem_minmax(0,1fr)] gap-y-0.5 gap-x-2.75">
    {#each lines as { r, shown } (r)}<dt class="text-quiet">{editorText.resources[r]}</dt><dd class="wrap-anywhere font-mono text-small">{shown}</dd>{/each}
  </dl>
{/if}
{#if part.settings.length}
  <h3 class="mt-4 mb-1.25 text-large">{words.settings}</h3>
  <dl class="my-1.5 grid grid-cols-[7.5rem_minmax(0,1fr)] gap-y-0.5 gap-x-2.75">
    {#each part.settings as s (s.id)}
      <dt class="text-quiet">{s.label}</dt>
      <dd class="wrap-anywhere">{s.known ? s.positions.map((p) => p.label).join(' · ') : editorText.unknown}</dd>
    {/each}
  </dl>
{/if}
{#if part.quirks.length}
  <h3 class="mt-4 mb-1.25 text-large">{words.quirks}</h3>
  <ul class="pl-4.5">{#each part.quirks as q (q)}<li>{q}</li>{/each}</ul>
{/if}
{#if sources.length}
  <h3 class="mt-4 mb-1.25 text-large">{words.evidence}</h3>
  <ul class="pl-4.5">
    {#each sources as e, i (i)}
      <li>
        {editorText.sources[e.source]}{e.says ? `: ${e.says}` : ''}{e.note ? ` (${e.note})` : ''}
        {#if e.held}<b>{editorText.held}</b>{/if}
      </li>
    {/each}
  </ul>
{/if}
