<script lang="ts">
  import { layerWords } from '$lib/words';
  import { scaleLog } from 'd3';
  import { SECTOR, gates, type Barrier, type Layer } from '$lib/core/storage';
  import { disks as disksText } from '$lib/words/en/screens/disks';

  interface Props {
    layers: readonly Layer[];
    barriers: readonly Barrier[];
  }
  let { layers, barriers }: Props = $props();
  const words = disksText;
  /** Drawn in the pixels that there are, so that its words stay as large as the rest. */
  let width = $state(760);
  const W = $derived(Math.max(330, width));
  const LEFT = $derived(W < 500 ? 78 : 110);
  const TOP = 92;
  const ROW = 34;
  const x = $derived(
    scaleLog()
      .domain([16e6, 300e9])
      .range([LEFT, W - 10])
      .clamp(true)
  );
  const at = (sectors: number) => x(Math.max(16e6, sectors * SECTOR));
  const nearest = $derived(barriers[0]);
  const hit = (ids: readonly string[]) => ids.some((id) => barriers.some((b) => b.id === id));
  const first = (ids: readonly string[]) => nearest !== undefined && ids.includes(nearest.id);
  const H = $derived(TOP + layers.length * ROW + 6);
  /** Labels that have room beside each other; those of barriers in the way come first. */
  const labelled = $derived(
    [...gates]
      .sort((a, b) => Number(hit(b.ids)) - Number(hit(a.ids)))
      .reduce<number[]>(
        (kept, g) => (kept.every((k) => Math.abs(at(k) - at(g.sectors)) > 22) ? [...kept, g.sectors] : kept),
        []
      )
  );
  const ticks = $derived(W < 500 ? [16e6, 1e9, 100e9] : [16e6, 128e6, 1e9, 10e9, 100e9]);
  const tick = (n: number) => (n >= 1e9 ? `${n / 1e9} GB` : `${n / 1e6} MB`);
</script>

<div class="max-w-240" bind:clientWidth={width}>
  <svg class="block w-full" viewBox="0 0 {W} {H}" role="img" aria-label={words.rulerLabel}>
    {#each gates as gate (gate.label)}
      {@const gx = at(gate.sectors)}
      <line
        x1={gx}
        x2={gx}
        y1="58"
        y2={H - 4}
        class="gate stroke-rule stroke-[1.5]"
        class:hit={hit(gate.ids)}
        class:first={first(gate.ids)}
      />
      {#if labelled.includes(gate.sectors)}<text
          x={gx}
          y="54"
          transform="rotate(-35 {gx} 54)"
          class="label font-semibold text-[11px] font-sans fill-ink"
          class:red={hit(gate.ids)}>{gate.label}</text
        >{/if}
    {/each}
    <line x1={LEFT} x2={W - 10} y1="72" y2="72" class="stroke-ink" />
    {#each ticks as t (t)}<text
        x={x(t)}
        y="86"
        text-anchor="middle"
        class="font-normal text-[11px] font-mono fill-quiet">{tick(t)}</text
      >{/each}
    {#each layers as layer, i (layer.who)}
      {@const y = TOP + i * ROW}
      <text
        x={LEFT - 8}
        y={y + 17}
        text-anchor="end"
        class="who font-normal text-[13px] font-sans fill-ink"
        class:bold={layer.isShort}>{words.layers[layer.who]}</text
      >
      <rect
        x={LEFT}
        {y}
        width={Math.max(2, at(layer.sectors) - LEFT)}
        height="24"
        class="bar fill-sheet stroke-ink stroke-[1.4]"
        class:drive={layer.who === 'drive'}
        class:short={layer.isShort}
      />
      <text
        x={LEFT + 8}
        y={y + 17}
        class="in font-normal text-[12px] font-sans fill-ink"
        class:on={layer.who === 'drive'}>{layerWords(layer)}</text
      >
    {/each}
  </svg>
</div>

<style>
  .gate.hit {
    stroke: var(--stop);
  }
  .gate.first {
    stroke-width: 3.5;
  }

  .label.red {
    fill: var(--stop);
    font-weight: 800;
  }

  .bold {
    font-weight: 800;
  }

  .bar.drive {
    fill: var(--yellow);
  }
  .bar.short {
    stroke: var(--stop);
    stroke-width: 3;
  }

  .in.on {
    fill: var(--on-yellow);
  }
</style>
