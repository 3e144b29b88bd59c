<script lang="ts">
  import { scaleLinear } from 'd3';
  import { hex } from '$lib/core/model';
  import { lineText, type Line } from '$lib/core/resources';
  import type { LoomLine } from '$lib/core/solver';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';
  import { LEFT, columns, hangingRows } from './layout';

  const { session } = getBench();
  const cols = $derived(columns(session.machine.class));
  const right = $derived(cols[cols.length - 1].x + 12);

  // Cards answer from 100h on an AT and from 200h on an XT; higher numbers show at their alias.
  const low = $derived(session.machine.class === 'xt' ? 0x200 : 0x100);
  const ports = $derived(scaleLinear([low, 0x400], [LEFT, right]));
  const rows = $derived(
    session.groups
      .map((g) => ({
        title: g.slot ? g.title : text.lines.boardShort,
        ports: g.rows.flatMap((r) => r.ports.map((p) => ({ ...p, label: r.label })))
      }))
      .filter((g) => g.ports.length)
      .map((g) => ({
        ...g,
        drawn: g.ports.filter((p) => !isBeyond(p)),
        told: g.ports.filter(isBeyond).map((p) => text.lines.beyond(lineText(p), p.assigned))
      }))
  );
  const ticks = $derived(Array.from({ length: (0x400 - low) / 0x40 }, (_, i) => low + i * 0x40));
  const alias = (line: Line) => line.value & 0x3ff;
  const isAlias = (line: Line) => line.value > 0x3ff;
  /** Ports that no ISA card answers at, not even at an alias: they are told, not drawn. */
  const isBeyond = (line: Line) => isAlias(line) && (line.decode === 'pci' || alias(line) < low);
  const notes = (line: LoomLine): string[] => [
    ...(line.clash ? [text.lines.clash] : []),
    ...(line.assumed ? [text.lines.assumed] : [])
  ];

  const memory = $derived(scaleLinear([0xa0000, 0x100000], [LEFT, right]));
  const windows = $derived(
    session.groups
      .flatMap((g) =>
        g.rows.flatMap((r) =>
          r.windows.map((w) => ({
            ...w,
            label: w.use === 'rom' && !/ROM/.test(r.label) ? text.lines.rom(r.label) : r.label,
            title: g.title
          }))
        )
      )
      .filter((w) => w.value >= 0xa0000 && w.value < 0x100000)
      .sort((a, b) => a.value - b.value || b.length - a.length)
  );
  /** Windows that overlap go on lanes of their own. */
  const lanes = $derived.by(() => {
    const out: (typeof windows)[] = [];
    for (const w of windows) {
      const lane = out.find((l) =>
        l.every((o) => o.value + o.length <= w.value || w.value + w.length <= o.value)
      );
      if (lane) lane.push(w);
      else out.push([w]);
    }
    return out.length ? out : [[]];
  });
  const bios = $derived(session.machine.board.part.board?.bios?.base ?? 0xf0000);
  const PORT_ROW = 17;
  const portsBottom = $derived(22 + rows.length * PORT_ROW);
  const memTop = $derived(portsBottom + 38);
  const LANE = 26;
  /** About how wide a letter is, in a window and below it. */
  const [IN_WINDOW, BELOW] = [6.6, 6.4];
  /** Windows too narrow for their words, which hang below. */
  const below = $derived.by(() => {
    const hung = windows
      .filter((w) => memory(w.value + w.length) - memory(w.value) <= w.label.length * IN_WINDOW)
      .map((w) => {
        const said = text.lines.wide(w.label, w.width);
        return { w, said, x: memory(w.value) + 2, width: said.length * BELOW + 8 };
      });
    const rows = hangingRows(hung);
    return hung.map((h, i) => ({ ...h, row: rows[i] }));
  });
  const width = $derived(Math.max(right + 12, ...below.map((h) => h.x + h.width)));
  const rowsBelow = $derived(Math.max(1, ...below.map((h) => h.row)));
</script>

<svg
  class="block w-full max-w-[1500px] min-w-[640px]"
  viewBox="0 0 {width} {memTop + lanes.length * LANE + 26 + rowsBelow * 14}"
  role="img"
  aria-label="{text.lines.scales} {rows
    .map((r) => `${r.title}: ${r.ports.map((p) => [lineText(p), ...notes(p)].join(', ')).join('; ')}`)
    .join('. ')}"
>
  <defs>
    <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"
      ><line x1="0" x2="0" y1="0" y2="7" class="stroke-rule stroke-2" /></pattern
    >
  </defs>
  <text x="0" y="13" class="eyebrow-text">{text.lines.ports}</text>
  {#each ticks as tick (tick)}
    <line x1={ports(tick)} x2={ports(tick)} y1="18" y2={portsBottom} class="stroke-rule stroke-1" />
    <text x={ports(tick) + 3} y="13" class="font-normal text-[11px] font-mono fill-quiet"
      >{hex(tick).slice(0, -1)}</text
    >
  {/each}
  {#each rows as row, i (row.title + i)}
    {@const y = 22 + i * PORT_ROW}
    <text x={LEFT - 12} y={y + 12} text-anchor="end" class="label font-normal text-[13px] font-sans fill-ink"
      >{row.title}</text
    >
    {#each row.drawn as port, j (j)}
      <rect
        x={ports(alias(port))}
        {y}
        width={Math.max(3, ports(alias(port) + port.length) - ports(alias(port)))}
        height="12"
        class="port fill-yellow stroke-ink stroke-[1.1]"
        class:clash={port.clash}
        class:alias={isAlias(port)}
        class:assumed={port.assumed}
      >
        <title
          >{row.title}, {port.label}: {[
            lineText(port) + (isAlias(port) ? text.lines.alias(hex(alias(port))) : ''),
            ...notes(port)
          ].join(', ')}</title
        >
      </rect>
      {#if isAlias(port) && port.clash}<text
          x={ports(alias(port)) - 3}
          y={y + 11}
          text-anchor="end"
          class="font-normal text-[11px] font-mono fill-quiet">{hex(port.value)}</text
        >{/if}
    {/each}
    {#if row.told.length}<text x={LEFT + 4} y={y + 11} class="font-normal text-[12px] font-sans fill-quiet"
        >{row.told.join(', ')}</text
      >{/if}
  {/each}

  <text x="0" y={memTop - 6} class="eyebrow-text">{text.lines.memory}</text>
  {#each [0xa0000, 0xb0000, 0xc0000, 0xd0000, 0xe0000, 0xf0000] as tick (tick)}
    <text x={memory(tick) + 2} y={memTop - 6} class="font-normal text-[11px] font-mono fill-quiet"
      >{hex(tick, 5).slice(0, -1)}</text
    >
    <line
      x1={memory(tick)}
      x2={memory(tick)}
      y1={memTop}
      y2={memTop + lanes.length * LANE + 4}
      class="stroke-rule stroke-1"
    />
  {/each}
  {#each lanes as lane, i (i)}
    {@const y = memTop + i * LANE}
    <rect x={LEFT} {y} width={right - LEFT} height={LANE - 4} class="free" />
    {#if i === 0}
      <rect x={memory(bios)} {y} width={right - memory(bios)} height={LANE - 4} class="bios" />
      <text x={memory(bios) + 5} y={y + 15} class="in-bios"
        >{right - memory(bios) > 7 * text.lines.systemBios.length
          ? text.lines.systemBios
          : text.lines.bios}</text
      >
    {/if}
    {#each lane as w (w.item + w.function + w.index)}
      {@const wide = memory(w.value + w.length) - memory(w.value)}
      <rect
        x={memory(w.value)}
        {y}
        width={wide}
        height={LANE - 4}
        class="window fill-yellow stroke-ink stroke-[1.1]"
        class:clash={w.clash}
        class:assumed={w.assumed}
        ><title>{w.title}, {w.label}: {[lineText(w), ...notes(w)].join(', ')}</title></rect
      >
      {#if wide > w.label.length * IN_WINDOW}<text
          x={memory(w.value) + 4}
          y={y + 15}
          class="in-window font-normal text-[13px] font-sans fill-on-yellow"
          class:assumed={w.assumed}>{w.label}</text
        >{/if}
    {/each}
  {/each}
  {#each below as { w, said, x, row } (w.item + w.function + w.index)}
    {@const y = memTop + lanes.length * LANE + 13 + row * 14}
    <line x1={x} x2={x} y1={memTop + LANE - 4} y2={y} class="stroke-1 stroke-ink" />
    <text x={x + 4} {y} class="small font-normal font-sans fill-ink text-[12px]">{said}</text>
  {/each}
</svg>

<style>
  .in-bios {
    font: 12.5px var(--font-sans);
    fill: #fffdf6;
  }

  .port.alias {
    fill-opacity: 0.45;
  }
  .port.assumed,
  .window.assumed {
    fill: var(--sheet);
    stroke-dasharray: 2.5 2.5;
  }
  .in-window.assumed {
    fill: var(--ink);
  }
  .port.clash,
  .window.clash {
    stroke: var(--stop);
    stroke-width: 3;
  }
  .free {
    fill: url(#hatch);
    stroke: var(--ink);
    stroke-width: 1.2;
  }

  .bios {
    fill: #1a1a18;
    stroke: var(--ink);
    stroke-width: 1.2;
  }
</style>
