<script lang="ts">
  import { scaleLinear } from 'd3';
  import { kitOf } from '$lib/core/kit';
  import { powerOf, railName } from '$lib/core/power';
  import { getBench } from '../context';
  import PartPick from '../parts/PartPick.svelte';
  import { catalogue as catalogueText } from '$lib/words/en/screens/catalogue';
  import { fit as fitText } from '$lib/words/en/screens/fit';
  import { setOne } from './edit';

  const words = fitText;
  const { session } = getBench();
  const W = 640;
  const LEFT = 74;
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const use = $derived(powerOf(kit));
  const rails = $derived(use.rails.filter((r) => r.rail !== 'v3' || r.amps > 0));
  const most = $derived(Math.max(4, use.start12, ...rails.flatMap((r) => [r.amps, r.limit ?? 0])));
  const x = $derived(scaleLinear([0, most * 1.06], [LEFT, W - 10]));
  const ticks = $derived(x.ticks(6));
  const amps = (n: number) => words.amps(Math.round(n * 10) / 10);
  /** The parts of a rail one after another. */
  const stacked = (shares: { title: string; amps: number; item: string }[]) => {
    let sum = 0;
    return shares.map((s) => {
      const from = sum;
      sum += s.amps;
      return { ...s, from };
    });
  };
  const sentence = $derived(
    rails
      .map(
        (r) =>
          `${railName(r.rail)}: ${words.takes(amps(r.amps))}${r.limit === null ? '' : `, ${words.gives(amps(r.limit))}`}`
      )
      .join('; ')
  );
</script>

<p class="lead">{words.powerLead}</p>
{#if kit.supply}<h2 class="text-head">{kit.supply.title}</h2>{:else}<p>{words.noSupply}</p>{/if}
<svg
  class="my-2 block w-full max-w-208"
  viewBox="0 0 {W} {rails.length * 78 + 26}"
  role="img"
  aria-label="{words.railsLabel}. {sentence}"
>
  {#each ticks as t (t)}
    <line x1={x(t)} x2={x(t)} y1="4" y2={rails.length * 78} class="stroke-rule" />
    <text
      x={x(t)}
      y={rails.length * 78 + 16}
      text-anchor="middle"
      class="n font-normal text-[11px] font-mono fill-quiet">{t}</text
    >
  {/each}
  {#each rails as r, i (r.rail)}
    <g transform="translate(0 {i * 78})">
      <text x={LEFT - 8} y="34" text-anchor="end" class="rail font-bold text-[14px] font-sans fill-ink"
        >{railName(r.rail)}</text
      >
      {#each stacked(r.shares) as s (s.item)}
        <rect
          x={x(s.from)}
          y="18"
          width={Math.max(0, x(s.from + s.amps) - x(s.from))}
          height="24"
          class="part fill-sheet stroke-ink stroke-[1.3]"
        />
        {#if x(s.amps) - x(0) > s.title.length * 6.4 + 8}
          <text x={x(s.from) + 4} y="34" class="in font-normal text-[12px] font-sans fill-ink">{s.title}</text
          >
        {/if}
      {/each}
      {#if r.rail === 'v12' && use.start12 > r.amps}
        <rect
          x={x(r.amps)}
          y="18"
          width={x(use.start12) - x(r.amps)}
          height="24"
          class="start fill-none stroke-ink stroke-[1.3] [stroke-dasharray:4_3]"
        />
        <text x={x(r.amps) + 2} y="13" class="in font-normal text-[12px] font-sans fill-ink"
          >{words.starting(amps(use.start12))}</text
        >
      {/if}
      {#if r.limit !== null}
        <line
          x1={x(r.limit)}
          x2={x(r.limit)}
          y1="6"
          y2="54"
          class="limit stroke-ink stroke-3"
          class:over={r.amps > r.limit}
        />
        <text
          x={x(r.limit) - 4}
          y="64"
          text-anchor="end"
          class="in font-normal text-[12px] font-sans fill-ink">{words.gives(amps(r.limit))}</text
        >
      {/if}
      <text x={LEFT} y="64" class="in text-[12px] font-sans fill-ink font-bold"
        >{words.takes(amps(r.amps))}</text
      >
    </g>
  {/each}
</svg>
<p>{words.leads(use.plugs.large, use.plugs.small)}</p>
<PartPick
  id="pick-supply"
  drawer="supply"
  label={words.addTo(catalogueText.drawers.supply)}
  action={words.choose}
  pick={(p) => setOne(session, 'supply', p)}
/>
<p class="border-l-6 border-l-stop mt-4 pl-2.75">{words.mains}</p>

<style>
  .limit.over {
    stroke: var(--stop);
    stroke-width: 5;
  }
</style>
