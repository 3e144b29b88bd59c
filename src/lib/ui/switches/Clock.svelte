<script lang="ts">
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
  import { text } from '$lib/words/en/screens';

  const words = text.switches;
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
  const mhz = (n: number | null) => (n === null ? words.unknown : `${Math.round(n * 10) / 10} MHz`);
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
  <p class="sum">
    <span><b>{mhz(clocks.bus.value)}</b><i>{words.bus}</i></span>
    <span class="op">×</span>
    <span
      ><b>{clocks.factor === null ? words.unknown : Math.round(clocks.factor * 100) / 100}</b><i
        >{words.factor}</i
      ></span
    >
    <span class="op">=</span>
    <span class:bad={clocks.core !== null && tooFast(clocks.core, cpu.coreMHz)}
      ><b>{mhz(clocks.core)}</b><i>{words.core}</i></span
    >
  </p>
  <p>
    {kit.cpu?.name}: {words.ratedAs(mhz(cpu.busMHz), String(ratedFactor(cpu)), mhz(cpu.coreMHz))}
  </p>
  <dl>
    <dt>{words.volts}</dt>
    <dd>
      <b>{clocks.volts.value === null || clocks.volts.unseen ? words.unknown : `${clocks.volts.value} V`}</b>
      {words.voltsMade(cpu.volts.low, cpu.volts.high)}
    </dd>
    <dt>{words.isa}</dt>
    <dd>
      <b>{mhz(isa)}</b>
      {#if by && clocks.bus.value !== null}{words.divided(mhz(clocks.bus.value), String(by))}{/if}
    </dd>
    {#if hasLocal}<dt>{words.local}</dt>
      <dd><b>{mhz(clocks.bus.value)}</b></dd>{/if}
    {#if crystal}<dt>{words.crystal}</dt>
      <dd>{words.crystalText(printed(crystal.mhz), crystal.divisor)} = <b>{mhz(bus)}</b></dd>{/if}
  </dl>
  {#if rows.length}
    <h2>{words.table}</h2>
    {#if isUnknown}<p class="warn">{words.unitUnknown}</p>{/if}
    <table>
      <thead
        ><tr
          ><th>{words.printed}</th><th>{words.asBus}</th>{#if isUnknown}<th>{words.asCore}</th>{/if}</tr
        ></thead
      >
      <tbody>
        {#each rows as row (row.position)}
          <tr class:now={row.position === now}>
            <td
              ><b>{row.label}</b>{#if row.position === now}<i class="cap">{words.now}</i>{/if}</td
            >
            {#each row.readings as r (r.unit)}<td class={r.verdict}
                ><b>{gives(r)}</b> <span>{verdicts[r.verdict]}</span></td
              >{/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
{/if}
<p class="quiet foot">{words.sources} <a href="/notebook">{words.notebook}</a>.</p>

<style>
  .foot a {
    display: inline-block;
    padding: 0.2rem 0;
  }
  .foot {
    margin-top: 1rem;
  }
  .sum {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1.2rem;
    align-items: flex-start;
    margin: 0.8rem 0;
    padding: 0.8rem 1rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
  }
  .sum span {
    display: flex;
    flex-direction: column;
  }
  .sum b {
    font: 700 1.8rem var(--font-mono);
  }
  .sum i {
    font-style: normal;
    color: var(--quiet);
  }
  .op {
    font: 700 1.8rem var(--font-mono);
  }
  .bad b,
  .too-fast span,
  .mistake span {
    color: var(--stop);
    font-weight: 800;
  }
  dl {
    display: grid;
    grid-template-columns: 8rem minmax(0, 1fr);
    gap: 0.3rem 0.8rem;
  }
  dt {
    font-weight: 550;
  }
  dd b {
    margin-right: 0.5rem;
  }
  h2 {
    margin-top: 1.2rem;
    font-size: 1.1rem;
  }
  .warn {
    padding-left: 0.7rem;
    border-left: 6px double var(--ink);
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
  .cap {
    margin-left: 0.5rem;
    padding: 0 0.4rem;
    background: var(--yellow);
    color: var(--on-yellow);
    font-style: normal;
    font-weight: 650;
  }
  .right span {
    font-weight: 800;
  }
</style>
