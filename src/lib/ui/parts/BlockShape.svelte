<script lang="ts">
  import { Checkbox, Input } from 'flowbite-svelte';
  import OneOf from '../kit/OneOf.svelte';
  import type { Block } from '$lib/core/model';
  import { editor as editorText } from '$lib/words/en/screens/catalogue';

  let { block, change }: { block: Block; change: (next: Block) => void } = $props();
  const words = editorText;
  const printed = ['ON', 'OPEN', 'CLOSED', '0/1', 'arrow'] as const;
  const number = (event: Event, most: number) =>
    Math.max(1, Math.min(most, Math.round(Number((event.currentTarget as HTMLInputElement).value)) || 1));
</script>

<!-- How large a block is, and how it is printed. -->
{#if block.kind === 'header'}
  <label
    >{words.rows}
    <Input
      type="number"
      min="1"
      max="4"
      value={block.rows}
      onchange={(e) => change({ ...block, rows: number(e, 4) })}
    /></label
  >
  <label
    >{words.columns}
    <Input
      type="number"
      min="1"
      max="40"
      value={block.columns}
      onchange={(e) => change({ ...block, columns: number(e, 40) })}
    /></label
  >
{:else if block.kind === 'dip'}
  <label
    >{words.switches}
    <Input
      type="number"
      min="1"
      max="16"
      value={block.switches}
      onchange={(e) => change({ ...block, switches: number(e, 16) })}
    /></label
  >
  <label
    >{words.printed}
    <OneOf
      value={block.printed}
      onchange={(e) => change({ ...block, printed: e.currentTarget.value as 'ON' })}
      >{#each printed as p (p)}<option value={p}>{p}</option>{/each}</OneOf
    ></label
  >
  <label
    ><Checkbox
      checked={block.flipped}
      onchange={(e) => change({ ...block, flipped: e.currentTarget.checked })}
    />
    {words.flipped}</label
  >
{:else if block.kind === 'rotary' || block.kind === 'slide'}
  {@const most = block.kind === 'slide' ? 6 : 32}
  <label
    >{words.places}
    <Input
      type="number"
      min="2"
      max={most}
      value={block.steps}
      onchange={(e) => change({ ...block, steps: Math.max(2, number(e, most)) })}
    /></label
  >
{:else if block.kind === 'solder'}
  <label
    >{words.bridges}
    <Input
      type="number"
      min="1"
      max="16"
      value={block.bridges}
      onchange={(e) => change({ ...block, bridges: number(e, 16) })}
    /></label
  >
{:else if block.kind === 'resistor'}
  <label
    >{words.packs}
    <Input
      type="number"
      min="1"
      max="6"
      value={block.packs}
      onchange={(e) => change({ ...block, packs: number(e, 6) })}
    /></label
  >
{/if}
