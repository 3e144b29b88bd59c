<script lang="ts">
  import { BLOCK_KINDS, type Item, type Part, type State } from '$lib/core/model';
  import { foundPosition, isLookedAt, positionOf } from '$lib/core/resources';
  import { text } from '$lib/words/en/screens';
  import BlockDrawing from './BlockDrawing.svelte';
  import { headOf, layOut } from './layout';

  interface Props {
    part: Part;
    item: Item;
    /** The part as it is made, not one that somebody has: its defaults are no assumption. */
    isModel?: boolean;
  }
  let { part, item, isModel = false }: Props = $props();

  const drawn = $derived(part.blocks.filter((b) => BLOCK_KINDS[b.kind].byHand));
  const laid = $derived(layOut(drawn, 286, part.card ? 196 : 206));
  const W = $derived(laid.width);
  const H = $derived(laid.height);
  const isAssumed = (s: Part['settings'][number]) => !isModel && !isLookedAt(item, s.id);
  function states(block: string, which: 'found' | 'chosen' | 'assumed'): State[] {
    return part.settings
      .filter((s) => s.block === block && isAssumed(s) === (which === 'assumed'))
      .flatMap(
        (s) =>
          s.positions.find((p) => p.id === (which === 'found' ? foundPosition(item, s) : positionOf(item, s)))
            ?.state ?? []
      );
  }
</script>

{#if drawn.length}
  <svg
    class="block w-full bg-sheet"
    viewBox="0 -14 {W} {H + 18}"
    role="img"
    aria-label="{text.tray.drawing(part.name)}: {part.settings
      .map((s) => {
        const at = s.positions.find((p) => p.id === positionOf(item, s))?.label;
        return `${s.label} ${isAssumed(s) || at === undefined ? text.tray.notLooked : at}`;
      })
      .join('; ')}"
  >
    {#if part.card}
      <text x="4" y="-4" class="note font-normal text-[10px] font-sans fill-quiet">{text.tray.bracket}</text>
      <path
        d="M2 2 H{W - 2} V{H - 14} H{W - 40} V{H - 2} H46 V{H - 14} H2 Z"
        class="edge fill-sheet stroke-ink stroke-[1.6]"
      />
    {:else}
      <text x="4" y="-4" class="note font-normal text-[10px] font-sans fill-quiet">{text.tray.rearEdge}</text>
      <rect x="2" y="2" width={W - 4} height={H - 4} class="edge fill-sheet stroke-ink stroke-[1.6]" />
    {/if}
    {#each laid.spots as { block, x, y } (block.id)}
      <g transform="translate({x} {y})">
        <text x="0" y={-headOf(block)} class="name font-bold text-[11px] font-mono fill-ink"
          >{block.label ?? block.id}</text
        >
        <BlockDrawing
          {block}
          found={states(block.id, 'found')}
          chosen={states(block.id, 'chosen')}
          assumed={states(block.id, 'assumed')}
        />
      </g>
    {/each}
  </svg>
{:else}
  <p class="my-1.25 text-quiet">{text.tray.noDrawing}</p>
{/if}
