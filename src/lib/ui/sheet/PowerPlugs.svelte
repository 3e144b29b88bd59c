<script lang="ts">
  import { sheet as sheetText } from '$lib/words/en/screens/sheet';

  /** Both plugs of an AT supply as they meet on the board: what each wire carries, and whether it is black. */
  const wires = ['PG', '+5', '+12', '−12', '0', '0', '0', '0', '−5', '+5', '+5', '+5'];
  const CELL = 40;
  const GAP = 18;
  const x = (i: number) => i * CELL + (i > 5 ? GAP : 0) + 4;
</script>

<svg
  class="w-full max-w-136"
  viewBox="0 0 {12 * CELL + GAP + 8} 118"
  role="img"
  aria-label={sheetText.plugsLabel}
>
  {#each ['P8', 'P9'] as name, i (name)}
    <text
      x={x(i * 6) + 3 * CELL}
      y="14"
      text-anchor="middle"
      class="name text-[12px] font-mono fill-ink font-bold">{name}</text
    >
    <rect x={x(i * 6) - 2} y="20" width={6 * CELL} height="40" class="plug fill-sheet stroke-ink stroke-2" />
  {/each}
  {#each wires as wire, i (i)}
    <rect x={x(i) + 9} y="52" width="16" height="40" class={wire === '0' ? 'black' : 'wire'} />
    <rect x={x(i) + 11} y="30" width="12" height="16" class="fill-none stroke-ink" />
    <text class="font-normal text-[12px] font-mono fill-ink" x={x(i) + 17} y="110" text-anchor="middle"
      >{wire === '0' ? '0 V' : wire}</text
    >
  {/each}
</svg>

<style>
  .wire {
    fill: var(--sheet);
    stroke: var(--ink);
  }
  .black {
    fill: var(--ink);
    stroke: var(--ink);
  }
</style>
