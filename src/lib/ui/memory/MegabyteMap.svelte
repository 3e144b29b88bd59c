<script lang="ts">
  import { scaleLinear } from 'd3';
  import {
    paragraphRange,
    type Conditional,
    type MemoryMap,
    type Piece,
    type UpperPlan
  } from '$lib/core/boot';
  import { useWords } from '$lib/words';
  import { memoryMap as words } from '$lib/words/en/screens/memory-map';

  interface Props {
    map: MemoryMap;
    plan: UpperPlan | null;
    maybe: readonly Conditional[];
    /** Where the frame may begin. */
    places: readonly number[];
    move: (frame: number) => void;
  }
  let { map, plan, maybe, places, move }: Props = $props();
  const K = 1024;
  const UPPER = 0xa0000;
  const END = 0x100000;
  const STRIP = { y: 22, h: 34 };
  const BIG = { y: 96, h: 104 };
  let width = $state(900);
  let svg: SVGSVGElement;
  const W = $derived(Math.max(320, width));
  const whole = $derived(
    scaleLinear()
      .domain([0, END])
      .range([1, W - 1])
  );
  const upper = $derived(
    scaleLinear()
      .domain([UPPER, END])
      .range([1, W - 1])
  );
  const segments = [0xa0000, 0xb0000, 0xc0000, 0xd0000, 0xe0000, 0xf0000];
  const box = (r: { from: number; to: number }) => ({
    x: upper(Math.max(UPPER, r.from)),
    width: Math.max(2, upper(Math.min(END, r.to)) - upper(Math.max(UPPER, r.from)))
  });
  const name = (p: Piece) => p.owner.thing?.name ?? p.owner.function;
  /** A label only where it has room: about eight pixels a letter. */
  const fits = (text: string, w: number) => text.length * 7.5 < w - 6;
  const frame = $derived(plan?.frame ?? null);

  function step(by: number) {
    if (!frame) return;
    const next = places[places.indexOf(frame.from) + by];
    if (next !== undefined) move(next);
  }
  function keys(event: KeyboardEvent) {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    step(by);
  }
  let dragging = $state(false);
  function drag(event: PointerEvent) {
    if (!dragging || !frame) return;
    const at = upper.invert(((event.clientX - svg.getBoundingClientRect().left) / svg.clientWidth) * W);
    const [nearest] = [...places].sort((a, b) => Math.abs(a + 0x8000 - at) - Math.abs(b + 0x8000 - at));
    if (nearest !== undefined && nearest !== frame.from) move(nearest);
  }
</script>

<div bind:clientWidth={width}>
  <svg
    class="block w-full touch-pan-y"
    bind:this={svg}
    viewBox="0 0 {W} 232"
    role="group"
    aria-label={words.upper}
    onpointermove={drag}
    onpointerup={() => (dragging = false)}
    onpointerleave={() => (dragging = false)}
  >
    <defs>
      <pattern
        id="map-display"
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="7" height="7" class="fill-sheet" /><rect width="2" height="7" class="mark fill-ink" />
      </pattern>
      <pattern id="map-ram" width="7" height="7" patternUnits="userSpaceOnUse">
        <rect width="7" height="7" class="fill-sheet" /><circle cx="3" cy="3" r="1.4" class="mark fill-ink" />
      </pattern>
    </defs>
    <text x="1" y="14" class="head">{words.whole}</text>
    <rect x="1" y={STRIP.y} width={W - 2} height={STRIP.h} class="fill-sheet stroke-ink stroke-[1.5]" />
    {#if map.conventional !== null}
      <rect
        x="1"
        y={STRIP.y}
        width={whole(map.conventional) - 1}
        height={STRIP.h}
        class="fill-paper stroke-ink stroke-[1.5]"
      />
      {#if fits(words.conventional(map.conventional / K), whole(map.conventional))}
        <text x="10" y={STRIP.y + 22}>{words.conventional(map.conventional / K)}</text>
      {/if}
    {/if}
    {#each map.pieces as p (`${p.from}${p.item}${p.owner.function}`)}
      <rect
        x={whole(p.from)}
        y={STRIP.y}
        width={Math.max(2, whole(p.to) - whole(p.from))}
        height={STRIP.h}
        class={p.use}
      />
    {/each}
    <path
      d="M{whole(UPPER)} {STRIP.y + STRIP.h} L1 {BIG.y} M{W - 1} {STRIP.y + STRIP.h} L{W - 1} {BIG.y}"
      class="fill-none stroke-quiet"
    />

    <rect x="1" y={BIG.y} width={W - 2} height={BIG.h} class="fill-sheet stroke-ink stroke-[1.5]" />
    {#each maybe as m (m.why)}
      <rect
        {...box(m)}
        y={BIG.y}
        height={BIG.h}
        class="fill-none stroke-quiet stroke-2 [stroke-dasharray:3_4]"
      />
      <text x={box(m).x + box(m).width / 2} y={BIG.y + BIG.h / 2 + 8} class="ask" text-anchor="middle">?</text
      >
    {/each}
    {#each plan?.regions ?? [] as r, i (r.from)}
      {@const b = box(r)}
      <rect {...b} y={BIG.y} height={BIG.h} class="region fill-paper stroke-ink stroke-[2.5]" />
      <text x={b.x + b.width / 2} y={BIG.y + 40} text-anchor="middle" class="number">{i + 1}</text>
      {#if fits(words.size((r.to - r.from) / K), b.width)}
        <text x={b.x + b.width / 2} y={BIG.y + 64} text-anchor="middle"
          >{words.size((r.to - r.from) / K)}</text
        >
      {/if}
    {/each}
    {#each map.pieces.filter((p) => p.to > UPPER) as p (`${p.from}${p.item}${p.owner.function}`)}
      {@const b = box(p)}
      <rect {...b} y={BIG.y} height={BIG.h} class={p.use} class:guess={p.sure === 'assumed'}>
        <title>{paragraphRange(p)}: {name(p)}, {useWords[p.use]}</title>
      </rect>
      {#if fits(name(p), b.width)}
        <text x={b.x + b.width / 2} y={BIG.y + BIG.h / 2 + 5} text-anchor="middle" class="on {p.use}"
          >{name(p)}</text
        >
      {/if}
    {/each}
    {#if frame}
      {@const b = box(frame)}
      <g
        class="jumper cursor-grab"
        role="slider"
        tabindex="0"
        aria-label={words.frameLabel}
        aria-valuemin={0}
        aria-valuemax={places.length - 1}
        aria-valuenow={places.indexOf(frame.from)}
        aria-valuetext={paragraphRange(frame)}
        onkeydown={keys}
        onpointerdown={(e) => {
          dragging = true;
          e.currentTarget.focus();
          e.preventDefault();
        }}
      >
        <rect {...b} y={BIG.y - 7} height={BIG.h + 14} />
        {#if fits(words.frame, b.width)}
          <text x={b.x + b.width / 2} y={BIG.y + BIG.h / 2 + 5} text-anchor="middle">{words.frame}</text>
        {/if}
      </g>
    {/if}
    {#each map.collisions.filter((c) => c.to > UPPER) as c (`${c.from}${c.a.item}${c.b.item}`)}
      <rect {...box(c)} y={BIG.y + BIG.h - 16} height="16" class="clash fill-stop" />
    {/each}
    {#each segments as s (s)}
      <line
        x1={upper(s)}
        x2={upper(s)}
        y1={BIG.y + BIG.h}
        y2={BIG.y + BIG.h + 8}
        class="fill-none stroke-quiet"
      />
      <text x={upper(s) + 3} y={BIG.y + BIG.h + 22} class="mono">{(s / 16).toString(16).toUpperCase()}</text>
    {/each}
  </svg>
</div>

<style>
  text {
    fill: var(--ink);
    font-size: 14px;
    font-weight: 600;
    pointer-events: none;
  }
  .head {
    font-size: 13px;
    font-weight: 500;
    fill: var(--quiet);
  }
  .mono {
    font-family: var(--font-mono);
    font-weight: 400;
  }
  .number {
    font-size: 30px;
    font-weight: 750;
  }
  .ask {
    font-size: 26px;
    fill: var(--quiet);
  }

  rect.display {
    fill: url(#map-display);
    stroke: var(--ink);
  }
  rect.ram,
  rect.frame {
    fill: url(#map-ram);
    stroke: var(--ink);
  }
  rect.rom,
  rect.bios {
    fill: var(--wire);
    stroke: var(--sheet);
  }
  rect.guess {
    stroke: var(--ink);
    stroke-width: 2.5;
    stroke-dasharray: 6 4;
  }
  .on.rom,
  .on.bios {
    fill: var(--sheet);
  }
  .on.display,
  .on.ram,
  .on.frame {
    paint-order: stroke;
    stroke: var(--sheet);
    stroke-width: 9px;
  }

  .jumper rect {
    fill: var(--yellow);
    stroke: var(--ink);
    stroke-width: 2;
  }
  .jumper text {
    fill: var(--on-yellow);
  }
  .jumper:focus-visible {
    outline: none;
  }
  .jumper:focus-visible rect {
    stroke-width: 5;
  }
</style>
