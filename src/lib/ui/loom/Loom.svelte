<script lang="ts">
  import { tick } from 'svelte';
  import type { LoomMark, LoomRow } from '$lib/core/solver';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';
  import { struckWords, seatName } from '$lib/words';
  import { draggable } from './drag-later';
  import { LEFT, ROW, beside, columns, place, type Spot } from './layout';

  const { session, planner } = getBench();
  const cols = $derived(columns(session.machine.class));
  const layout = $derived(place(session.groups));
  const width = $derived(cols[cols.length - 1].x + 24);
  let said = $state('');
  let svg: SVGSVGElement;

  const clashing = $derived(
    new Set(
      layout.groups.flatMap((g) =>
        g.placed.flatMap(({ row }) => row.marks.filter((m) => m.clash).map((m) => `${m.resource}${m.value}`))
      )
    )
  );
  const xOf = (mark: LoomMark) => cols.find((c) => c.resource === mark.resource && c.value === mark.value)?.x;
  const placeOf = (mark: LoomMark) => xOf(mark) ?? 0;
  const words = text.lines;
  const lineName = (mark: LoomMark) =>
    words.lineName(
      mark.resource,
      cols.find((c) => c.resource === mark.resource && c.value === mark.value)?.label ?? String(mark.value)
    );
  const locked = (mark: LoomMark) => {
    const { via } = mark;
    return via !== undefined && (session.machine.find(via.item)?.item.locked.includes(via.setting) ?? false);
  };

  function describe(title: string, row: LoomRow, mark: LoomMark): string {
    const head = `${title}, ${row.label}, ${lineName(mark)}`;
    if (mark.state === 'struck')
      return `${head}: ${words.cannot(mark.struck ? struckWords(mark.struck) : '')}`;
    const facts =
      mark.state === 'cap'
        ? [
            mark.assumed ? words.assumed : words.setHere,
            mark.clash && words.clash,
            locked(mark) && words.locked,
            !mark.via && words.fixed
          ]
        : [words.could, mark.found && words.foundHere];
    return `${head}: ${facts.filter(Boolean).join(', ')}`;
  }

  const keyOf = (row: LoomRow, mark: LoomMark) =>
    `${row.item}/${row.function}/${mark.claim} ${mark.state === 'cap' ? 'cap' : `${mark.resource}${mark.value}`}`;
  const spots = $derived(
    layout.groups.flatMap((g) =>
      g.placed.flatMap(({ row, y }) =>
        row.marks.flatMap((mark): Spot[] => {
          const x = xOf(mark);
          return x === undefined ? [] : [{ key: keyOf(row, mark), x, y }];
        })
      )
    )
  );
  /** The one mark that Tab comes to; arrow keys go on from it. */
  let at = $state('');
  const stop = $derived(spots.some((s) => s.key === at) ? at : spots[0]?.key);
  const focus = (key: string) => svg.querySelector<SVGGElement>(`[data-key="${CSS.escape(key)}"]`)?.focus();

  function go(mark: LoomMark) {
    if (!mark.via) return;
    const { item, setting, position } = mark.via;
    session.item(item, (i) => ({ ...i, chosen: { ...i.chosen, [setting]: position } }), text.log.did.cap);
  }

  function press(row: LoomRow, mark: LoomMark) {
    session.selected = row.item;
    if (mark.state === 'ring') {
      go(mark);
      // The ring is a cap now, under another key.
      void tick().then(() => focus(keyOf(row, { ...mark, state: 'cap' })));
    } else if (mark.state === 'struck' && mark.via)
      planner.explain(mark.via.item, mark.via.setting, mark.via.position);
  }

  /** The next place to the left or right where the cap may go. */
  function neighbour(row: LoomRow, mark: LoomMark, way: 1 | -1): LoomMark | undefined {
    const x = placeOf(mark);
    return row.marks
      .filter((m) => m.claim === mark.claim && m.state === 'ring' && way * ((xOf(m) ?? x) - x) > 0)
      .sort((a, b) => way * (placeOf(a) - placeOf(b)))[0];
  }

  const ways: Record<string, 'left' | 'right' | 'up' | 'down'> = {
    ArrowLeft: 'left',
    ArrowRight: 'right',
    ArrowUp: 'up',
    ArrowDown: 'down'
  };

  function keys(event: KeyboardEvent, row: LoomRow, mark: LoomMark) {
    const { key } = event;
    if (key === 'Enter' || key === ' ') press(row, mark);
    else if (event.shiftKey && mark.state === 'cap' && (key === 'ArrowLeft' || key === 'ArrowRight')) {
      const next = neighbour(row, mark, key === 'ArrowRight' ? 1 : -1);
      if (next) go(next);
      else said = words.noFurther;
    } else if (key in ways) {
      const next = beside(spots, keyOf(row, mark), ways[key]);
      if (next) focus(next.key);
    } else if (key.toLowerCase() === 'l' && mark.state === 'cap' && mark.via) {
      const { item, setting } = mark.via;
      session.item(
        item,
        (i) => ({
          ...i,
          locked: i.locked.includes(setting) ? i.locked.filter((s) => s !== setting) : [...i.locked, setting]
        }),
        text.log.did.lock
      );
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  // While a cap is dragged the row it started from stays the measure.
  let start: { row: LoomRow; mark: LoomMark; marks: LoomMark[] } | null = null;
  let target: LoomMark | null = null;
  function over(row: LoomRow, mark: LoomMark, x: number) {
    start ??= {
      row,
      mark,
      marks: row.marks.filter((m) => m.claim === mark.claim && m.state !== 'struck' && m.via)
    };
    target = start.marks.reduce(
      (a, b) => (Math.abs(placeOf(b) - x) < Math.abs(placeOf(a) - x) ? b : a),
      start.mark
    );
    if (!target.via) return;
    if (target.value === start.mark.value) session.trial = null;
    else session.tryPosition(target.via.item, target.via.setting, target.via.position);
  }
  function drop(row: LoomRow, moved: boolean) {
    const began = start;
    const end = target;
    start = target = null;
    if (!moved || !began || !end) session.selected = row.item;
    else if (end.value !== began.mark.value) go(end);
    else session.trial = null;
  }
</script>

<svg
  class="block w-full max-w-[1500px] min-w-[640px] touch-pan-y"
  bind:this={svg}
  viewBox="0 0 {width} {layout.bottom + 4}"
  role="group"
  aria-label={words.loom}
>
  <text x={LEFT + 2} y="13" class="eyebrow-text">{words.interrupt}</text>
  <text x={(cols.find((c) => c.resource === 'dma')?.x ?? 0) - 12} y="13" class="eyebrow-text"
    >{words.dma}</text
  >
  {#each cols as col (col.resource + col.value)}
    {@const bad = clashing.has(col.resource + col.value)}
    <text
      x={col.x}
      y="32"
      text-anchor="middle"
      class="line-name font-bold text-[13.5px] font-mono fill-ink"
      class:bad>{col.label}</text
    >
    <line
      x1={col.x}
      x2={col.x}
      y1="38"
      y2={layout.bottom - 2}
      class="wire stroke-wire stroke-[1.4]"
      class:heavy={col.resource === 'dma' && col.value > 4}
      class:bad
    />
  {/each}
  {#each layout.groups as group (group.item)}
    <line x1="0" x2={width} y1={group.y} y2={group.y} class="rule stroke-rule stroke-[1.4]" />
    <text x="0" y={group.y + 16} class="font-bold text-[13.5px] font-sans [font-stretch:92%] fill-ink">
      {#if group.slot}<tspan class="slot font-mono">{group.slot}</tspan>{/if}<tspan dx={group.slot ? 7 : 0}
        >{group.slot ? group.title : words.board(group.title)}</tspan
      >
    </text>
    <text
      x={LEFT - 12}
      y={group.y + 16}
      text-anchor="end"
      class="seat font-normal text-[12px] font-sans fill-quiet">{group.seat ? seatName[group.seat] : ''}</text
    >
    {#each group.placed as { row, y } (row.function)}
      <text
        x={LEFT - 12}
        y={y + 5}
        text-anchor="end"
        class="label font-normal text-[14px] font-sans fill-ink"
        class:off={!row.on}>{row.label}{row.on ? '' : words.off}</text
      >
      {#each row.marks as mark (keyOf(row, mark))}
        {@const x = xOf(mark)}
        {#if x !== undefined}
          <g
            class="mark is-{mark.state}"
            class:clash={mark.clash}
            class:fixed={mark.state === 'cap' && !mark.via}
            class:assumed={mark.assumed}
            transform="translate({x} {y})"
            role="button"
            tabindex={keyOf(row, mark) === stop ? 0 : -1}
            aria-label={describe(group.title, row, mark)}
            data-key={keyOf(row, mark)}
            data-mark="{row.item}/{row.function}/{mark.resource}{mark.value}"
            onkeydown={(e) => keys(e, row, mark)}
            onclick={() => mark.state !== 'cap' && press(row, mark)}
            onfocus={() => {
              at = keyOf(row, mark);
              said = describe(group.title, row, mark);
            }}
            onpointerenter={() => (said = describe(group.title, row, mark))}
            {@attach mark.state === 'cap' && mark.via
              ? draggable(
                  (at) => over(row, mark, at),
                  (moved) => drop(row, moved)
                )
              : () => {}}
          >
            <rect x="-14" y={-ROW / 2} width="28" height={ROW} class="hit fill-transparent" />
            {#if mark.state === 'cap'}
              <rect
                x="-10"
                y="-7.5"
                width="20"
                height="15"
                class="body fill-yellow stroke-ink stroke-[1.6]"
              />
              {#if locked(mark)}<path
                  d="M-4 0 h8 v5 h-8 z M-2.5 0 v-2.5 a2.5 2.5 0 0 1 5 0 V0"
                  class="fill-none stroke-on-yellow stroke-[1.4]"
                />{/if}
            {:else}
              <circle r="5.2" class="dot fill-paper stroke-ink stroke-[1.6]" />
              {#if mark.found}<rect
                  x="-10"
                  y="-7.5"
                  width="20"
                  height="15"
                  class="found fill-none stroke-ink stroke-[1.3] [stroke-dasharray:3_2.4]"
                />{/if}
              {#if mark.state === 'struck'}<line x1="-6" y1="6" x2="6" y2="-6" class="strike" />{/if}
            {/if}
          </g>
        {/if}
      {/each}
    {/each}
  {/each}
  <line x1="0" x2={width} y1={layout.bottom} y2={layout.bottom} class="rule stroke-rule stroke-[1.4]" />
</svg>
<p class="min-h-6 mt-0.75 mb-1.25 text-quiet" aria-live="off">{said}</p>

<style>
  .line-name.bad {
    fill: var(--stop);
  }

  .wire.heavy {
    stroke: var(--ink);
    stroke-width: 2.6;
  }
  .wire.bad {
    stroke: var(--stop);
    stroke-width: 3.6;
  }

  .label.off {
    fill: var(--quiet);
  }
  .mark {
    cursor: pointer;
    outline: none;
  }
  .is-cap {
    cursor: grab;
  }
  .mark.fixed {
    cursor: default;
  }

  .mark:focus-visible .hit {
    stroke: var(--ink);
    stroke-width: 2.5;
  }

  .fixed .body {
    stroke-dasharray: none;
    stroke-width: 1.6;
  }
  .assumed .body {
    fill: var(--sheet);
    stroke-dasharray: 2.5 2.5;
  }
  .clash .body {
    stroke: var(--stop);
    stroke-width: 3.4;
  }

  .is-ring:hover .dot {
    fill: var(--yellow);
  }
  .is-struck .dot,
  .strike {
    stroke: var(--quiet);
    stroke-width: 1.2;
  }
</style>
