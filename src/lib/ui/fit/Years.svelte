<script lang="ts">
  import { entryOf } from '../../core/model';
  import { scaleLinear } from 'd3';
  import { getBench } from '../context';
  import { fit as fitText } from '$lib/words/en/screens/fit';

  const words = fitText;
  const { session } = getBench();
  const W = 640;
  const LEFT = 150;
  const ROW = 24;
  const rows = $derived(
    [session.build.board, ...session.build.items]
      .flatMap((item) => {
        const { name, sold } = entryOf(session.parts, item.part);
        return sold ? [{ id: item.id, title: item.label ?? name, sold }] : [];
      })
      .sort((a, b) => a.sold.from - b.sold.from)
  );
  const date = $derived(session.build.brief.date);
  /** With its month, as a fraction of the year. */
  const now = $derived(
    date ? Number(date.slice(0, 4)) + (date.length > 4 ? (Number(date.slice(5, 7)) - 0.5) / 12 : 0.5) : null
  );
  const from = $derived(Math.min(now ?? 1990, ...rows.map((r) => r.sold.from)) - 1);
  const to = $derived(Math.max(now ?? 1990, ...rows.map((r) => r.sold.to ?? r.sold.from + 3)) + 2);
  const x = $derived(scaleLinear([from, to], [LEFT, W - 8]));
  const H = $derived(rows.length * ROW + 34);
</script>

<p class="lead">{words.timeLead}{date ? '' : ` ${words.noDate}`}</p>
<svg
  class="block w-full max-w-224"
  viewBox="0 0 {W} {H}"
  role="img"
  aria-label="{words.timeLabel}. {rows.map((r) => `${r.title} ${r.sold.from}–${r.sold.to ?? ''}`).join('; ')}"
>
  {#each x.ticks(8) as t (t)}
    <line x1={x(t)} x2={x(t)} y1="18" y2={H - 4} class="stroke-rule" />
    <text x={x(t)} y="13" text-anchor="middle" class="n font-normal text-[11px] font-mono fill-quiet"
      >{t}</text
    >
  {/each}
  {#each rows as r, i (r.id)}
    {@const end = r.sold.to === undefined ? to : r.sold.to + 1}
    {@const young = now !== null && r.sold.from > now}
    <g transform="translate(0 {22 + i * ROW})">
      <text x={LEFT - 8} y="14" text-anchor="end" class="name font-semibold text-[12px] font-sans fill-ink"
        >{r.title.slice(0, 22)}</text
      >
      <rect
        x={x(r.sold.from)}
        y="3"
        width={x(end) - x(r.sold.from)}
        height="14"
        class="fill-sheet stroke-ink stroke-[1.3]"
        class:young
      />
    </g>
  {/each}
  {#if now !== null}
    <line x1={x(now)} x2={x(now)} y1="16" y2={H - 2} class="now stroke-ink stroke-3" />
    <text x={x(now) + 5} y={H - 3} class="when font-bold text-[12px] font-sans fill-ink"
      >{words.now(date ?? '')}</text
    >
  {/if}
</svg>

<style>
  .young {
    stroke: var(--stop);
    stroke-width: 3;
  }
</style>
