<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { placesOf, type Block, type State } from '$lib/core/model';
  import { switches as switchWords } from '$lib/words/en/screens/switches';
  import { pinAt, printedMark } from './printed';

  interface Props {
    block: Block;
    state: State | undefined;
    label: string;
    /** Left out: the drawing is only looked at. */
    change?: (state: State) => void;
    /** Dashed: as found. Yellow: chosen. */
    look?: 'found' | 'chosen';
    /** Where it is to stand; each switch is marked by whether it does. */
    wanted?: State | null;
  }
  let { block, state: drawn, label, change, look = 'chosen', wanted = null }: Props = $props();
  const CELL = 28;
  let first = $state(0);
  const caps = $derived(drawn && 'caps' in drawn ? drawn.caps : []);
  const levers = $derived(drawn && 'switches' in drawn ? drawn.switches : {});
  const bridges = $derived(drawn && 'bridges' in drawn ? drawn.bridges : []);
  const step = $derived(drawn && 'step' in drawn ? drawn.step : null);
  const goal = $derived(wanted && 'switches' in wanted ? wanted.switches : {});
  const pins = $derived(
    block.kind === 'header' ? Array.from({ length: block.rows * block.columns }, (_, i) => i + 1) : []
  );
  const names = $derived(block.kind === 'header' ? (block.columnLabels ?? []) : []);
  const pitch = $derived(Math.max(CELL, ...names.map((n) => n.length * 8 + 6)));
  const top = $derived(names.length ? 18 : 4);
  function at(n: number): [number, number] {
    if (block.kind !== 'header') return [0, 0];
    const [x, y] = pinAt(block, n);
    return [x * pitch + pitch / 2, top + y * CELL + CELL / 2];
  }
  const isOn = (n: number) => caps.some((c) => c.includes(n));

  /** The first pin is remembered, the second puts a cap on both; a pin under a cap lifts it. */
  function pin(n: number) {
    if (isOn(n)) change?.({ caps: caps.filter((c) => !c.includes(n)) });
    else if (first && first !== n && !isOn(first)) {
      change?.({ caps: [...caps, [Math.min(first, n), Math.max(first, n)]] });
      first = 0;
    } else first = first === n ? 0 : n;
  }
  /** Not known, on, off, and round again. */
  function lever(n: number) {
    const { [String(n)]: now, ...rest } = levers;
    change?.({
      switches: now === undefined ? { ...rest, [n]: 'on' } : now === 'on' ? { ...rest, [n]: 'off' } : rest
    });
  }
  const bridge = (n: number) =>
    change?.({ bridges: bridges.includes(n) ? bridges.filter((b) => b !== n) : [...bridges, n].sort() });
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
  /** What makes a mark a button, while something can be changed. */
  const button = (name: string, act: () => void, pressed?: boolean) =>
    change
      ? {
          role: 'button' as const,
          tabindex: 0,
          'aria-label': name,
          'aria-pressed': pressed,
          onclick: act,
          onkeydown: (e: KeyboardEvent) => key(e, act)
        }
      : { role: 'presentation' as const };
  const mark = (n: number) =>
    goal[n] === undefined ? '' : levers[n] === undefined ? '?' : levers[n] === goal[n] ? '=' : '≠';
</script>

{#if block.kind === 'header'}
  <svg
    class="max-w-full"
    width={block.columns * pitch + 4}
    height={block.rows * CELL + top + 4}
    role="group"
    aria-label={label}
  >
    {#each names as name, i (i)}<text x={at(i * block.rows + 1)[0]} y="12" text-anchor="middle" class="ink"
        >{name}</text
      >{/each}
    {#each caps as pair (pair.join())}<rect {...box(pair)} class={look} />{/each}
    {#each pins as n (n)}
      {@const [x, y] = at(n)}
      <g {...button(switchWords.pin(n, isOn(n)), () => pin(n), isOn(n))}>
        <rect
          x={x - 13}
          y={y - 13}
          width="26"
          height="26"
          class="fill-transparent"
          class:first={first === n}
        />
        <rect x={x - 5} y={y - 5} width="10" height="10" class="fill-ink" />
      </g>
    {/each}
  </svg>
{:else if block.kind === 'dip'}
  {@const count = block.switches}
  <svg class="max-w-full" width={count * CELL + 70} height={wanted ? 80 : 60} role="group" aria-label={label}>
    <rect x="0" y="0" width={count * CELL + 6} height="58" class="body fill-ink" />
    {#each Array.from({ length: count }, (_, i) => i + 1) as n (n)}
      {@const up = levers[n] === undefined ? null : (levers[n] === 'on') !== block.flipped}
      {@const x = (n - 1) * CELL}
      <g {...button(switchWords.lever(n, levers[n]), () => lever(n))}>
        <rect x={x + 7} y="6" width="20" height="34" class="fill-sheet" />
        {#if up !== null}<rect
            x={x + 7}
            y={up ? 6 : 23}
            width="20"
            height="17"
            class={look}
            class:solid={true}
          />
        {:else}<text x={x + 17} y="28" text-anchor="middle" class="ink big"
            >{look === 'found' ? '?' : '·'}</text
          >{/if}
        <text x={x + 17} y="53" text-anchor="middle">{n}</text>
      </g>
      {#if wanted}<text x={x + 17} y="76" text-anchor="middle" class="ink mark" class:off={mark(n) === '≠'}
          >{mark(n)}</text
        >{/if}
    {/each}
    <text x={count * CELL + 12} y={block.printed === 'OPEN' ? 36 : 18} class="ink">{printedMark(block)}</text>
  </svg>
{:else if block.kind === 'rotary' || block.kind === 'slide'}
  <OneOf
    aria-label={label}
    disabled={!change}
    value={step ?? ''}
    onchange={(e) => change?.({ step: Number(e.currentTarget.value) })}
  >
    {#if step === null}<option value="">?</option>{/if}
    {#each Array.from({ length: block.steps }, (_, i) => i) as n (n)}<option value={n}
        >{block.kind === 'slide'
          ? (block.stepLabels?.[n] ?? switchWords.place(n + 1))
          : n.toString(16).toUpperCase()}</option
      >{/each}
  </OneOf>
{:else if block.kind === 'solder' || block.kind === 'resistor'}
  <svg class="max-w-full" width={placesOf(block) * CELL + 4} height="44" role="group" aria-label={label}>
    {#each Array.from({ length: placesOf(block) }, (_, i) => i + 1) as n (n)}
      {@const x = (n - 1) * CELL}
      <g
        {...button(
          block.kind === 'solder' ? switchWords.bridge(n) : switchWords.pack(n),
          () => bridge(n),
          bridges.includes(n)
        )}
      >
        <rect x={x + 2} y="4" width="10" height="20" class="fill-ink" />
        <rect x={x + 15} y="4" width="10" height="20" class="fill-ink" />
        {#if bridges.includes(n)}<rect
            x={x + 4}
            y="8"
            width="19"
            height="12"
            class={look}
            class:solid={true}
          />{/if}
        <text x={x + 13} y="40" text-anchor="middle" class="ink">{n}</text>
      </g>
    {/each}
  </svg>
{/if}

<style>
  [role='button'] {
    cursor: pointer;
  }
  g:focus-visible {
    outline: 3px solid var(--ink);
  }

  .first {
    stroke: var(--ink);
    stroke-width: 2;
    stroke-dasharray: 3 2;
  }

  .chosen {
    fill: var(--yellow);
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  .found {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.2;
    stroke-dasharray: 4 2.5;
  }
  .found.solid {
    fill: var(--quiet);
    stroke: var(--ink);
  }
  text {
    font: 11px var(--font-mono);
    fill: var(--sheet);
  }
  .ink {
    fill: var(--ink);
    font-size: 12px;
  }
  .big {
    font-size: 17px;
    font-weight: 700;
  }
  .mark {
    font-size: 17px;
  }
  .off {
    fill: var(--stop);
    font-weight: 900;
    font-size: 20px;
  }
</style>
