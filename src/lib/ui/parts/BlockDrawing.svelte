<script lang="ts">
  import type { Block, State } from '$lib/core/model';
  import { CELL, pitchOf } from './layout';
  import { pinAt, printedMark } from './printed';

  interface Props {
    block: Block;
    /** States as found and as chosen of the settings on this block. */
    found: State[];
    chosen: State[];
    /** States of settings that nobody looked at: where they usually stand. */
    assumed?: State[];
    /** Size of one pin cell. */
    cell?: number;
  }
  let { block, found, chosen, assumed = [], cell = CELL }: Props = $props();

  const labels = $derived(block.kind === 'header' ? (block.columnLabels ?? []) : []);
  const pitch = $derived(pitchOf(block, cell));

  /** Centre of a pin, counted down each column from the corner that holds pin 1. */
  function pin(n: number): [number, number] {
    if (block.kind !== 'header') return [0, 0];
    const [x, y] = pinAt(block, n);
    return [x * pitch + pitch / 2, y * cell + cell / 2];
  }

  const capsOf = (states: State[]) => states.flatMap((s) => ('caps' in s ? s.caps : []));
  const leversOf = (states: State[]) =>
    Object.assign({}, ...states.map((s) => ('switches' in s ? s.switches : {}))) as Record<
      string,
      'on' | 'off'
    >;
  const foundLevers = $derived(leversOf(found));
  const levers = $derived(leversOf(chosen));
  const assumedLevers = $derived(leversOf(assumed));
  const isBridged = (states: State[], n: number) =>
    states.some((s) => 'bridges' in s && s.bridges.includes(n));
  const same = (a: number[], b: number[]) =>
    Math.min(...a) === Math.min(...b) && Math.max(...a) === Math.max(...b);

  function box([a, b]: readonly [number, number]) {
    const [ax, ay] = pin(a);
    const [bx, by] = pin(b);
    return {
      x: Math.min(ax, bx) - 6,
      y: Math.min(ay, by) - 6,
      width: Math.abs(ax - bx) + 12,
      height: Math.abs(ay - by) + 12
    };
  }
</script>

{#snippet lever(n: number, side: 'on' | 'off' | undefined, kind: string)}
  {#if side && block.kind === 'dip'}
    {@const isUp = (side === 'on') !== block.flipped}
    <rect x={(n - 1) * 15 + 5} y={isUp ? 4 : 13} width="9" height="9" class={kind} />
  {/if}
{/snippet}

{#if block.kind === 'header'}
  {#each labels as label, i (i)}
    <text
      x={pin(i * block.rows + 1)[0]}
      y="-4"
      text-anchor="middle"
      class="font-normal text-[10px] font-mono fill-ink">{label}</text
    >
  {/each}
  {#each Array.from({ length: block.rows * block.columns }, (_, i) => pin(i + 1)) as [x, y], i (i)}
    <rect x={x - 3.5} y={y - 3.5} width="7" height="7" class="fill-ink" />
  {/each}
  {#each capsOf(found) as pair, i (i)}
    {#if !capsOf(chosen).some((c) => same(c, pair))}<rect
        {...box(pair)}
        class="found fill-none stroke-ink stroke-[1.3] [stroke-dasharray:3_2]"
      />{/if}
  {/each}
  {#each capsOf(assumed) as pair, i (i)}<rect
      {...box(pair)}
      class="assumed fill-none stroke-quiet stroke-[1.5] [stroke-dasharray:1.5_2.5]"
    />{/each}
  {#each capsOf(chosen) as pair, i (i)}<rect
      {...box(pair)}
      class="fill-yellow stroke-ink stroke-[1.5]"
    />{/each}
{:else if block.kind === 'dip'}
  <rect x="0" y="0" width={block.switches * 15 + 4} height="34" class="body fill-ink" />
  {#each Array.from({ length: block.switches }, (_, i) => i + 1) as n (n)}
    <rect x={(n - 1) * 15 + 5} y="4" width="9" height="18" class="well fill-sheet" />
    {#if foundLevers[n] !== levers[n]}{@render lever(n, foundLevers[n], 'found')}{/if}
    {@render lever(n, assumedLevers[n], 'assumed')}
    {@render lever(n, levers[n], 'cap')}
    <text
      x={(n - 1) * 15 + 9.5}
      y="31"
      text-anchor="middle"
      class="font-normal text-[10px] font-mono fill-sheet">{n}</text
    >
  {/each}
  <text x={block.switches * 15 + 8} y="12" class="font-normal text-[10px] font-mono fill-ink"
    >{printedMark(block)}</text
  >
{:else if block.kind === 'rotary'}
  <circle cx="14" cy="14" r="13" class="body fill-ink" />
  {#each chosen as state, i (i)}{#if 'step' in state}<text
        x="14"
        y="18"
        text-anchor="middle"
        class="font-normal text-[10px] font-mono fill-sheet">{state.step.toString(16).toUpperCase()}</text
      >{/if}{/each}
  {#each assumed as state, i (i)}{#if 'step' in state}<text
        x="14"
        y="18"
        text-anchor="middle"
        class="font-normal text-[10px] font-mono fill-sheet">{state.step.toString(16).toUpperCase()}?</text
      >{/if}{/each}
{:else if block.kind === 'slide'}
  <rect x="0" y="0" width={block.steps * 12 + 6} height="14" class="body fill-ink" />
  {#each found as state, i (i)}{#if 'step' in state}<rect
        x={state.step * 12 + 4}
        y="2"
        width="10"
        height="10"
        class="found fill-none stroke-ink stroke-[1.3] [stroke-dasharray:3_2]"
      />{/if}{/each}
  {#each assumed as state, i (i)}{#if 'step' in state}<rect
        x={state.step * 12 + 4}
        y="2"
        width="10"
        height="10"
        class="assumed fill-none stroke-quiet stroke-[1.5] [stroke-dasharray:1.5_2.5]"
      />{/if}{/each}
  {#each chosen as state, i (i)}{#if 'step' in state}<rect
        x={state.step * 12 + 4}
        y="2"
        width="10"
        height="10"
        class="fill-yellow stroke-ink stroke-[1.5]"
      />{/if}{/each}
{:else if block.kind === 'resistor'}
  {#each Array.from({ length: block.packs }, (_, i) => i + 1) as n (n)}
    <rect x={(n - 1) * 34} y="0" width="30" height="12" class="socket fill-none stroke-ink stroke-[1.5]" />
    {#if isBridged(chosen, n)}<rect
        x={(n - 1) * 34 + 2}
        y="2"
        width="26"
        height="8"
        class="fill-yellow stroke-ink stroke-[1.5]"
      />{:else if isBridged(assumed, n)}<rect
        x={(n - 1) * 34 + 2}
        y="2"
        width="26"
        height="8"
        class="assumed fill-none stroke-quiet stroke-[1.5] [stroke-dasharray:1.5_2.5]"
      />{/if}
  {/each}
{:else if block.kind === 'solder'}
  {#each Array.from({ length: block.bridges }, (_, i) => i + 1) as n (n)}
    <rect x={(n - 1) * 16} y="0" width="5" height="10" class="fill-ink" /><rect
      x={(n - 1) * 16 + 7}
      y="0"
      width="5"
      height="10"
      class="fill-ink"
    />
    {#if isBridged(chosen, n)}<rect
        x={(n - 1) * 16 + 2}
        y="2"
        width="8"
        height="6"
        class="fill-yellow stroke-ink stroke-[1.5]"
      />{:else if isBridged(assumed, n)}<rect
        x={(n - 1) * 16 + 2}
        y="2"
        width="8"
        height="6"
        class="assumed fill-none stroke-quiet stroke-[1.5] [stroke-dasharray:1.5_2.5]"
      />{/if}
  {/each}
{/if}

<style>
  .well + .found {
    stroke: var(--ink);
  }
  @media print {
    .cap {
      fill: #fff;
      stroke: #000;
      stroke-width: 2.5;
    }
  }
</style>
