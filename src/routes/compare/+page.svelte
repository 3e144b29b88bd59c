<script lang="ts">
  import { Table } from 'flowbite-svelte';
  import OneOf from '$lib/ui/kit/OneOf.svelte';
  import { goto } from '$app/navigation';
  import type { Column as CoreColumn } from '$lib/core/compare';
  import type { Thing } from '$lib/core/model';
  import { mhz, the, type ToldFinding } from '$lib/words';
  import { sizeText } from '$lib/ui/fit/edit';
  import PlaceBar from '$lib/ui/shell/PlaceBar.svelte';
  import { text } from '$lib/words/en/screens';
  import { compare as compareText } from '$lib/words/en/screens/catalogue';

  let { data } = $props();
  const words = compareText;
  type Column = Omit<CoreColumn, 'worst'> & { worst: ToldFinding[] };
  const ids = $derived(data.columns.map((c: Column) => c.id));

  function choose(i: number, id: string) {
    const next = [0, 1, 2].map((n) => (n === i ? id : (ids[n] ?? ''))).filter(Boolean);
    void goto(`/compare?ids=${next.join(',')}`, { keepFocus: true, noScroll: true });
  }
  const list = (things: readonly Thing[]) => things.map(the).join(', ') || words.none;
  /** One row each: its name and what it says of a machine. */
  const rows: [keyof typeof words.rows, (c: Column) => string][] = [
    ['date', (c) => c.date ?? words.unknown],
    ['board', (c) => c.board],
    ['cpu', (c) => c.cpu ?? words.unknown],
    ['core', (c) => (c.coreMHz === null ? words.unknown : words.clock(mhz(c.coreMHz), c.isClockSeen))],
    ['speed', (c) => (c.speed === null ? words.unknown : words.clock(String(c.speed), c.isClockSeen))],
    ['memory', (c) => (c.totalKiB === null ? words.unknown : sizeText(c.totalKiB))],
    ['count', (c) => (c.countKiB === null ? words.unknown : sizeText(c.countKiB))],
    ['display', (c) => list(c.displays)],
    ['monitor', (c) => list(c.monitors)],
    ['audio', (c) => list(c.audio)],
    ['drives', (c) => list(c.drives)],
    ['slots', (c) => words.of(c.slots.used, c.slots.all)],
    ['youngest', (c) => (c.youngest === null ? words.unknown : String(c.youngest))],
    ['cost', (c) => String(c.cost)],
    ['moves', (c) => String(c.moves)],
    ['findings', (c) => words.findings(c.stops, c.clashes, c.cautions)]
  ];
  const differs = (of: (c: Column) => string) => new Set(data.columns.map(of)).size > 1;
</script>

<svelte:head><title>{words.title} · {text.product}</title></svelte:head>
<PlaceBar />
<main class="mx-auto py-5.5 px-4 max-w-[1240px]">
  <h1 class="text-huge">{words.title}</h1>
  <p class="lead">{words.lead}</p>
  <div class="pick my-3.25 gap-4 flex flex-wrap">
    {#each [0, 1, 2] as i (i)}
      <label
        >{words.pick(i + 1)}
        <OneOf class="block min-w-52" value={ids[i] ?? ''} onchange={(e) => choose(i, e.currentTarget.value)}>
          <option value="">{words.noMachine}</option>
          {#each data.list as b (b.id)}<option value={b.id}>{b.name}</option>{/each}
        </OneOf></label
      >
    {/each}
  </div>
  {#each data.left as l (l.name)}<p class="bad" role="status">{text.notRead(l.name, l.why)}</p>{/each}
  {#if data.columns.length < 2}<p>{words.choose}</p>{/if}
  {#if data.columns.length}
    <Table class="min-w-168 table-fixed">
      <thead>
        <tr>
          <th></th>
          {#each data.columns as c (c.id)}<th><a class="text-ink" href="/builds/{c.id}/fit">{c.name}</a></th
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each rows as [key, of] (key)}
          <tr class:differs={differs(of)}>
            <th scope="row">{words.rows[key]}</th>
            {#each data.columns as c (c.id)}<td class:bad={key === 'findings' && c.stops + c.clashes > 0}
                >{of(c)}</td
              >{/each}
          </tr>
        {/each}
        <tr>
          <th></th>
          {#each data.columns as c (c.id)}
            <td>
              <ul class="pl-4.5 text-stop">
                {#each c.worst as f (f.id)}<li>{f.title}</li>{/each}
              </ul>
            </td>
          {/each}
        </tr>
      </tbody>
    </Table>
  {/if}
</main>

<style>
  thead th {
    font-size: 1.3rem;
    text-align: left;
    border-bottom: 2px solid var(--ink);
  }

  thead th:first-child {
    width: min(12rem, 32vw);
  }
  th[scope='row'] {
    text-align: left;
    font-weight: 500;
    color: var(--quiet);
  }
  td,
  th {
    padding: 0.35rem 0.8rem 0.35rem 0;
    vertical-align: top;
    border-bottom: 1px solid var(--rule);
  }
  .differs td {
    font-weight: 700;
  }
  .bad {
    color: var(--stop);
  }
</style>
