<script lang="ts">
  import type { Block, State } from '$lib/core/model';
  import { text } from '../text';

  interface Props {
    block: Block;
    state: State | undefined;
    change: (state: State) => void;
  }
  let { block, state: drawn, change }: Props = $props();
  const CELL = 26;
  let first = $state(0);
  const caps = $derived(drawn && 'caps' in drawn ? drawn.caps : []);
  const levers = $derived(drawn && 'switches' in drawn ? drawn.switches : {});
  const pins = $derived(
    block.kind === 'header' ? Array.from({ length: block.rows * block.columns }, (_, i) => i + 1) : []
  );
  function at(n: number): [number, number] {
    if (block.kind !== 'header') return [0, 0];
    const [column, row] = [Math.floor((n - 1) / block.rows), (n - 1) % block.rows];
    const x = block.pin1.endsWith('right') ? block.columns - 1 - column : column;
    const y = block.pin1.startsWith('bottom') ? block.rows - 1 - row : row;
    return [x * CELL + CELL / 2, y * CELL + CELL / 2];
  }
  const isOn = (n: number) => caps.some((c) => c.includes(n));

  /** The first pin is remembered, the second puts a cap on both; a pin under a cap lifts it. */
  function pin(n: number) {
    if (isOn(n)) change({ caps: caps.filter((c) => !c.includes(n)) });
    else if (first && first !== n) {
      change({ caps: [...caps, [Math.min(first, n), Math.max(first, n)]] });
      first = 0;
    } else first = first === n ? 0 : n;
  }
  /** Not part of it, on, off, and round again. */
  function lever(n: number) {
    const { [String(n)]: now, ...rest } = levers;
    change({
      switches: now === undefined ? { ...rest, [n]: 'on' } : now === 'on' ? { ...rest, [n]: 'off' } : rest
    });
  }
  const box = ([a, b]: readonly [number, number]) => {
    const [[ax, ay], [bx, by]] = [at(a), at(b)];
    return {
      x: Math.min(ax, bx) - 10,
      y: Math.min(ay, by) - 10,
      width: Math.abs(ax - bx) + 20,
      height: Math.abs(ay - by) + 20
    };
  };
  const key = (event: KeyboardEvent, act: () => void) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    act();
  };
</script>

{#if block.kind === 'header'}
  <svg width={block.columns * CELL} height={block.rows * CELL} role="group" aria-label={text.editor.drawHint}>
    {#each caps as pair (pair.join())}<rect {...box(pair)} class="cap" />{/each}
    {#each pins as n (n)}
      {@const [x, y] = at(n)}
      <g
        role="button"
        tabindex="0"
        aria-pressed={isOn(n)}
        aria-label={String(n)}
        onclick={() => pin(n)}
        onkeydown={(e) => key(e, () => pin(n))}
      >
        <rect x={x - 12} y={y - 12} width="24" height="24" class="hit" class:first={first === n} />
        <rect x={x - 5} y={y - 5} width="10" height="10" class="pin" />
      </g>
    {/each}
  </svg>
{:else if block.kind === 'dip'}
  <svg width={block.switches * CELL + 6} height="58" role="group" aria-label={text.editor.drawHint}>
    <rect x="0" y="0" width={block.switches * CELL + 6} height="58" class="body" />
    {#each Array.from({ length: block.switches }, (_, i) => i + 1) as n (n)}
      {@const up = levers[n] === undefined ? null : (levers[n] === 'on') !== block.flipped}
      <g
        role="button"
        tabindex="0"
        aria-label="{n} {levers[n] ?? '–'}"
        onclick={() => lever(n)}
        onkeydown={(e) => key(e, () => lever(n))}
      >
        <rect x={(n - 1) * CELL + 7} y="6" width="18" height="34" class="well" />
        {#if up !== null}<rect
            x={(n - 1) * CELL + 7}
            y={up ? 6 : 23}
            width="18"
            height="17"
            class="cap"
          />{/if}
        <text x={(n - 1) * CELL + 16} y="53" text-anchor="middle">{n}</text>
      </g>
    {/each}
  </svg>
{/if}

<style>
  svg {
    max-width: 100%;
  }
  g {
    cursor: pointer;
  }
  g:focus-visible {
    outline: 3px solid var(--ink);
  }
  .hit {
    fill: transparent;
  }
  .first {
    stroke: var(--ink);
    stroke-width: 2;
    stroke-dasharray: 3 2;
  }
  .pin,
  .body {
    fill: var(--ink);
  }
  .well {
    fill: var(--sheet);
  }
  .cap {
    fill: var(--yellow);
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  text {
    font: 11px var(--font-mono);
    fill: var(--sheet);
  }
</style>
