<script lang="ts">
  import type { Chain, Plugged } from '$lib/core/cabling';
  import { disks as disksText } from '$lib/words/en/screens/disks';

  /** A cable with its plugs as it lies in the machine: controller, plugs, the twist, terminators. */
  let { chain }: { chain: Chain } = $props();
  const words = disksText;
  let width = $state(720);
  const W = $derived(Math.max(300, width));
  const WIRES = [0, 1, 2, 3, 4, 5, 6];
  const TOP = 44;
  const GAP = 6;
  const hasTwist = $derived(chain.ribbon === 'floppy-twist' || chain.ribbon === 'disk-twist');

  interface Node {
    key: string;
    name: string;
    below: string;
    isHost: boolean;
    isTerminated: boolean;
  }
  const node = (p: Plugged): Node => ({
    key: p.drive.item.id,
    name: p.drive.title,
    below: p.isOutside ? words.outside : words.plugNo(p.plug),
    isHost: false,
    isTerminated: p.terminated ?? p.want.terminated ?? false
  });
  const nodes = $derived.by((): Node[] => {
    const host: Node = {
      key: 'host',
      name: words.controller,
      below: '',
      isHost: true,
      isTerminated: chain.adapter ? (chain.adapter.terminated ?? chain.adapter.want) : false
    };
    const inside = chain.drives.filter((p) => !p.isOutside);
    const plugs =
      chain.family === 'scsi'
        ? inside.map(node)
        : [1, 2].map((n): Node => {
            const p = inside.find((d) => d.plug === n);
            return p
              ? node(p)
              : { key: `free-${n}`, name: '—', below: words.plugNo(n), isHost: false, isTerminated: false };
          });
    return [...chain.drives.filter((p) => p.isOutside).map(node), host, ...plugs];
  });
  const step = $derived((W - 60) / Math.max(1, nodes.length - 1));
  const x = (i: number) => 20 + i * step;
  const cut = (name: string) => {
    const most = Math.max(4, Math.floor(Math.min(step, 240) / 8));
    return name.length > most ? `${name.slice(0, most - 1)}…` : name;
  };
  const last = $derived(nodes.length - 1);
  /** The stretch before the last plug where lines change places. */
  const from = $derived(x(last) - step * 0.62);
  const to = $derived(x(last) - step * 0.28);
  const turned = (i: number) => (i >= 2 && i <= 5 ? 7 - i : i);
  const y = (i: number) => TOP + 7 + i * GAP;
  const anchor = (i: number) => (i === last ? 'end' : 'start');
  const textX = (i: number) => (i === last ? x(i) + 22 : x(i));
</script>

<div bind:clientWidth={width}>
  <svg
    class="block w-full max-w-224"
    viewBox="0 0 {W} 128"
    role="img"
    aria-label={words.chainLabel(chain.controller.title)}
  >
    {#each WIRES as i (i)}
      {#if hasTwist}
        <polyline
          points="{x(0)},{y(i)} {from},{y(i)} {to},{y(turned(i))} {x(last)},{y(turned(i))}"
          class="wire fill-none stroke-ink stroke-[1.4]"
          class:edge={i === 0}
        />
      {:else}<line
          x1={x(0)}
          x2={x(last)}
          y1={y(i)}
          y2={y(i)}
          class="wire fill-none stroke-ink stroke-[1.4]"
          class:edge={i === 0}
        />{/if}
    {/each}
    {#if chain.ribbon === 'end-terminator'}
      <rect
        x={x(last) + 30}
        y={TOP + 2}
        width="14"
        height="46"
        class="terminator fill-paper stroke-ink stroke-2"
      />
    {/if}
    <text
      x={x(0) - 4}
      y={y(0) + 5}
      text-anchor="end"
      class="note font-normal text-[13px] font-sans fill-quiet">1</text
    >
    {#if hasTwist}<text
        x={(from + to) / 2}
        y="118"
        text-anchor="middle"
        class="note font-normal text-[13px] font-sans fill-quiet"
        >{chain.ribbon === 'floppy-twist' ? '10–16' : '25–29'}</text
      >{/if}
    {#each nodes as n, i (n.key)}
      <rect x={x(i)} y={TOP} width="22" height="50" class={n.isHost ? 'host' : 'plug'} />
      {#if n.isTerminated}<rect
          x={x(i) + 4}
          y={TOP + 32}
          width="14"
          height="14"
          class="terminator fill-paper stroke-ink stroke-2"
        /><text
          x={x(i) + 11}
          y={TOP + 43}
          text-anchor="middle"
          class="font-extrabold text-[11px] font-sans fill-ink">T</text
        >{/if}
      <text
        x={textX(i)}
        y={i % 2 && step < 120 ? 20 : 36}
        text-anchor={anchor(i)}
        class="name font-bold text-[14px] font-sans fill-ink">{cut(n.name)}</text
      >
      <text
        x={textX(i)}
        y="110"
        text-anchor={anchor(i)}
        class="note font-normal text-[13px] font-sans fill-quiet">{n.below}</text
      >
    {/each}
  </svg>
</div>

<style>
  .wire.edge {
    stroke-width: 3.4;
  }
  .plug {
    fill: var(--ink);
  }
  .host {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2.5;
  }
</style>
