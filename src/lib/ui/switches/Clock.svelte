<script lang="ts">
  import { Table } from 'flowbite-svelte';
  import { byId } from '../../core/model';
  import {
    clockRows,
    clocksOf,
    families,
    isaClockOf,
    oscillatorFor,
    ratedFactor,
    tooFast,
    type ClockReading
  } from '$lib/core/boards';
  import { kitOf } from '$lib/core/kit';
  import { positionOf } from '$lib/core/resources';
  import { getBench } from '../context';
  import { mhz as inWords } from '$lib/words';
  import { switches as words } from '$lib/words/en/screens/switches';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const cpu = $derived(kit.cpu?.cpu);
  const item = $derived(session.build.board);
  const isSeen = (s: string) => s in item.asFound || s in item.chosen;
  const clocks = $derived(clocksOf(kit.board, kit.cpu, kit.at, isSeen));
  const isa = $derived(isaClockOf(kit.board, clocks.bus.value, kit.at, isSeen));
  const divisor = $derived(kit.facts.busDivisor);
  const by = $derived(
    divisor && !Array.isArray(divisor) ? divisor.values[kit.at('board', divisor.setting) ?? ''] : null
  );
  const rows = $derived(cpu ? clockRows(kit.board, cpu, clocks.code.value) : []);
  const told = $derived(kit.facts.busClock);
  const now = $derived(
    told && !Array.isArray(told) ? positionOf(item, byId(kit.board.settings, told.setting)) : undefined
  );
  const hasLocal = $derived(kit.facts.slots.some((s) => s.bus === 'vlb'));
  const bus = $derived(clocks.bus.value ?? cpu?.busMHz ?? null);
  const crystal = $derived(
    cpu && bus !== null && families[cpu.family].rank < 3 ? oscillatorFor(cpu.family, bus) : null
  );
  const mhz = (n: number | null) => (n === null ? words.unknown : inWords(n));
  /** What is printed on an oscillator has more digits. */
  const printed = (n: number) => `${Math.round(n * 1000) / 1000} MHz`;
  const verdicts: Record<ClockReading['verdict'], string> = {
    right: words.right2,
    'too-fast': words.tooFast,
    slower: words.slower,
    mistake: words.mistake
  };
  const gives = (r: ClockReading) =>
    r.unit === 'bus' ? `${mhz(r.coreMHz)} ${words.givesCore}` : `${mhz(r.busMHz)} ${words.givesBus}`;
  const isUnknown = $derived(kit.facts.clockUnit === 'unknown');
</script>

<p class="lead">{words.clockLead}</p>
{#if !cpu}<p>{words.noCpu}</p>
{:else}
  <p
    class="sum my-3.25 py-3.25 px-4 border-2 border-ink flex flex-wrap gap-y-1.5 gap-x-4.75 items-start bg-sheet"
  >
    <span
      ><b class="font-bold text-huge font-mono leading-[1.25]">{mhz(clocks.bus.value)}</b><i
        class="not-italic text-quiet">{words.bus}</i
      ></span
    >
    <span class="font-bold text-huge font-mono leading-[1.25]">×</span>
    <span
      ><b class="font-bold text-huge font-mono leading-[1.25]"
        >{clocks.factor === null ? words.unknown : Math.round(clocks.factor * 100) / 100}</b
      ><i class="not-italic text-quiet">{words.factor}</i></span
    >
    <span class="font-bold text-huge font-mono leading-[1.25]">=</span>
    <span class:bad={clocks.core !== null && tooFast(clocks.core, cpu.coreMHz)}
      ><b class="font-bold text-huge font-mono leading-[1.25]">{mhz(clocks.core)}</b><i
        class="not-italic text-quiet">{words.core}</i
      ></span
    >
  </p>
  <p>
    {kit.cpu?.name}: {words.ratedAs(mhz(cpu.busMHz), String(ratedFactor(cpu)), mhz(cpu.coreMHz))}
  </p>
  <dl class="grid grid-cols-[8rem_minmax(0,1fr)] gap-y-1.25 gap-x-3.25">
    <dt class="font-[550]">{words.volts}</dt>
    <dd>
      <b class="mr-2"
        >{clocks.volts.value === null || clocks.volts.unseen ? words.unknown : `${clocks.volts.value} V`}</b
      >
      {words.voltsMade(cpu.volts.low, cpu.volts.high)}
    </dd>
    <dt class="font-[550]">{words.isa}</dt>
    <dd>
      <b class="mr-2">{mhz(isa)}</b>
      {#if by && clocks.bus.value !== null}{words.divided(mhz(clocks.bus.value), String(by))}{/if}
    </dd>
    {#if hasLocal}<dt class="font-[550]">{words.local}</dt>
      <dd><b class="mr-2">{mhz(clocks.bus.value)}</b></dd>{/if}
    {#if crystal}<dt class="font-[550]">{words.crystal}</dt>
      <dd>
        {words.crystalText(printed(crystal.mhz), crystal.divisor)} = <b class="mr-2">{mhz(bus)}</b>
      </dd>{/if}
  </dl>
  {#if rows.length}
    <h2 class="mt-4">{words.table}</h2>
    {#if isUnknown}<p class="border-l-6 border-l-ink border-double pl-2.75">{words.unitUnknown}</p>{/if}
    <Table>
      <thead
        ><tr
          ><th>{words.printed}</th><th>{words.asBus}</th>{#if isUnknown}<th>{words.asCore}</th>{/if}</tr
        ></thead
      >
      <tbody>
        {#each rows as row (row.position)}
          <tr class:now={row.position === now}>
            <td
              ><b>{row.label}</b>{#if row.position === now}<i
                  class="px-1.5 ml-2 bg-yellow text-on-yellow not-italic font-[650]">{words.now}</i
                >{/if}</td
            >
            {#each row.readings as r (r.unit)}<td class={r.verdict}
                ><b>{gives(r)}</b> <span>{verdicts[r.verdict]}</span></td
              >{/each}
          </tr>
        {/each}
      </tbody>
    </Table>
  {/if}
{/if}
<p class="quiet mt-4">
  {words.sources} <a class="py-0.75 inline-block" href="/notebook">{words.notebook}</a>.
</p>

<style>
  .sum span {
    display: flex;
    flex-direction: column;
  }

  .bad b,
  .too-fast span,
  .mistake span {
    color: var(--stop);
    font-weight: 800;
  }

  th,
  td {
    padding: 0.35rem 0.8rem 0.35rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: left;
  }
  .now td {
    border-bottom: 2px solid var(--ink);
    border-top: 2px solid var(--ink);
  }

  .right span {
    font-weight: 800;
  }
</style>
