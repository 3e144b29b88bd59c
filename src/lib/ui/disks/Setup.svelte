<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import type { KitDisk } from '$lib/core/disks';
  import type { DiskRecord } from '$lib/core/model';
  import {
    barriersOf,
    layers,
    nextGeometry,
    safeCylinders,
    sectorsOf,
    sizeWords,
    translate,
    type Geometry,
    type SetupChoice
  } from '$lib/core/storage';
  import { onMount } from 'svelte';
  import { getBench } from '../context';
  import { text } from '../text';
  import { timeText } from '../time';
  import { keepMedium, mediumOnShelf } from './record';
  import Ruler from './Ruler.svelte';

  let { disk }: { disk: KitDisk } = $props();
  const words = text.disks;
  const { session } = getBench();
  const size = $derived(disk.size!);
  const facts = $derived(disk.facts!);
  const record = $derived(disk.drive.item.disk);
  const found = $derived(barriersOf(size, facts, disk.dos));
  const total = $derived(size.total ?? sectorsOf(size.physical));
  const logical = $derived(translate(size.physical, facts.translation, total));
  let chosen = $state(0);
  const choice = $derived(disk.choices[Math.min(chosen, disk.choices.length - 1)] as SetupChoice | undefined);
  const typed = $derived(record?.setup);
  const typedGives = $derived(typed ? translate(plain(typed), facts.translation) : null);
  const tries = $derived(record?.tries ?? []);
  const next = $derived(nextGeometry(tries, size.physical.cylinders, safeCylinders(size, facts, disk.dos)));
  /** What the shelf knows of this very medium from other machines. */
  let elsewhere = $state.raw<DiskRecord | null>(null);
  onMount(async () => {
    const { specimen } = disk.drive.item;
    elsewhere = specimen ? ((await mediumOnShelf(specimen))?.item.medium ?? null) : null;
  });
  const others = $derived((elsewhere?.tries ?? []).filter((t) => t.where !== session.build.name));
  const n = (x: number) => x.toLocaleString('en');

  function plain({ cylinders, heads, sectors }: Geometry): Geometry {
    return { cylinders, heads: Math.min(16, heads), sectors };
  }
  const save = (to: (old: DiskRecord) => DiskRecord, note: string) =>
    keepMedium(session, disk.drive.item, to, note);
  const take = (c: SetupChoice) =>
    save((old) => ({ ...old, setup: { ...c.geometry!, type: c.type } }), words.taken(disk.drive.title));

  let cylinders = $state('');
  let result = $state<DiskRecord['tries'][number]['result']>('started');
  function addTry(event: SubmitEvent) {
    event.preventDefault();
    const count = Number(cylinders || next.cylinders);
    if (!Number.isInteger(count) || count < 1 || count > 65_536) return;
    const one = { at: new Date().toISOString(), where: session.build.name, cylinders: count, result };
    save((old) => ({ ...old, tries: [...old.tries, one] }), words.didTry(count));
    cylinders = '';
  }
  let heads = $state('');
  let sectors = $state('');
  function saveMade(event: SubmitEvent) {
    event.preventDefault();
    const [h, s] = [Number(heads), Number(sectors)];
    if (!(h >= 1 && h <= 256 && s >= 1 && s <= 63)) return;
    const made = { heads: h, sectors: s, where: session.build.name, at: new Date().toISOString() };
    save((old) => ({ ...old, made }), words.madeDone(disk.drive.title));
    heads = sectors = '';
  }
  const typedRows = (c: SetupChoice): [string, string][] => [
    [words.fields.type, c.type],
    [words.fields.cylinders, n(c.geometry!.cylinders)],
    [words.fields.heads, String(c.geometry!.heads)],
    [words.fields.precomp, c.precomp === 65_535 ? words.noPrecomp : String(c.precomp)],
    [words.fields.landing, String(c.landing)],
    [words.fields.sectors, String(c.geometry!.sectors)],
    [words.fields.mode, c.mode ?? '']
  ];
  const nameOf = (c: SetupChoice) => (c.id === 'type' ? words.typeNo(c.type) : words.choiceNames[c.id]);
</script>

<Ruler layers={layers(size, facts, disk.dos)} barriers={found} />
<section>
  <h2>{words.inTheWay}</h2>
  {#if !found.length}<p>{words.nothingInTheWay}</p>{/if}
  {#each found as b (b.id)}
    <div class="barrier" class:hang={b.symptom.includes('hang')}>
      <b>{b.who}: {sizeWords(b.sectors)}</b>
      <p>{words.expect(b.symptom)} {b.cause.charAt(0).toUpperCase()}{b.cause.slice(1)}.</p>
      <p class="quiet">{words.ways(b.ways.join(', '))}</p>
    </div>
  {/each}
</section>
<div class="two">
  <section>
    <h2>{words.type}</h2>
    {#if choice?.geometry}
      <dl class="typed">
        {#each typedRows(choice) as [name, value] (name)}<dt>{name}</dt>
          <dd>{value}</dd>{/each}
      </dl>
      <Button class="act main" onclick={() => take(choice)}>{words.take}</Button>
      <p class="quiet">{words.precompNote}</p>
    {/if}
    <h2>{words.choices}</h2>
    <ul class="choices">
      {#each disk.choices as c, i (`${c.id} ${c.type}`)}
        {@const isTyped =
          typed &&
          c.geometry &&
          typed.cylinders === c.geometry.cylinders &&
          typed.heads === c.geometry.heads &&
          typed.sectors === c.geometry.sectors}
        <li>
          {#if c.geometry}<label
              ><input type="radio" name="choice" checked={choice === c} onchange={() => (chosen = i)} />
              <b>{nameOf(c)}</b>
              {#if isTyped}<i class="cap">{words.isTyped}</i>{/if}</label
            >{:else}<b>{nameOf(c)}</b>{/if}
          {#if c.usable !== null}<span
              >{c.works ? words.usable(sizeWords(c.usable)) : words.hangs}{c.lost && c.works
                ? `; ${words.lost(sizeWords(c.lost))}`
                : ''}</span
            >{/if}
          <small>{words.costs(c.cost)}</small>
        </li>
      {/each}
    </ul>
  </section>
  <section>
    <h2>{words.addresses}</h2>
    <table>
      <thead
        ><tr
          ><td></td><th>{words.cols.c}</th><th>{words.cols.h}</th><th>{words.cols.s}</th><th
            >{words.cols.size}</th
          ></tr
        ></thead
      >
      <tbody>
        {#each [[words.driveSays, size.physical, total], [words.biosGives, logical.geometry, logical.usable], ...(typedGives ? [[words.typedGives, typedGives.geometry, typedGives.usable]] : [])] as [name, g, sectorsInAll] (name)}
          {@const geometry = g as Geometry}
          <tr>
            <th scope="row">{name}</th>
            <td>{n(geometry.cylinders)}</td>
            <td class:bad={geometry.heads === 256}>{geometry.heads}</td>
            <td>{geometry.sectors}</td>
            <td class="size">{sizeWords(sectorsInAll as number)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <h2>{words.tries}</h2>
    <ul class="tries">
      {#each tries as t, i (i)}<li>
          <code>{n(t.cylinders)}</code>
          <span class:bad={t.result !== 'started'}>{words.results[t.result]}</span>
          <time datetime={t.at}>{timeText(t.at)}</time>
          <button
            onclick={() =>
              save(
                (old) => ({ ...old, tries: old.tries.filter((x) => x !== t) }),
                words.removeTry(t.cylinders)
              )}
            aria-label={words.removeTry(t.cylinders)}>×</button
          >
        </li>{/each}
      <li class="next">
        <code>{next.cylinders === null ? '' : n(next.cylinders)}</code> <b>{words.next}:</b>
        {next.why}
      </li>
    </ul>
    <form onsubmit={addTry}>
      <input
        bind:value={cylinders}
        aria-label={words.cylinders}
        placeholder={next.cylinders === null ? words.cylinders : String(next.cylinders)}
        inputmode="numeric"
        maxlength="5"
      />
      <select bind:value={result} aria-label={words.result}
        >{#each Object.entries(words.results) as [id, label] (id)}<option value={id}>{label}</option
          >{/each}</select
      >
      <Button type="submit" class="act">{words.addTry}</Button>
    </form>
    <h2>{words.guard}</h2>
    {#each disk.verdicts as v (v.text)}<p class="verdict {v.grade}">{v.text}</p>{/each}
    {#each others as t (t.at)}<p>
        {words.elsewhere(t.where, n(t.cylinders))} <b>{words.results[t.result]}</b>
      </p>{/each}
    {#if elsewhere?.made && !record?.made}<p>
        {words.made}
        <b>{elsewhere.made.heads} {words.madeHeads}, {elsewhere.made.sectors} {words.madeSectors}</b>
        {elsewhere.made.where ? `${words.madeWhere} ${elsewhere.made.where}` : ''}
      </p>{/if}
    {#if record?.made}<p>
        {words.made}
        <b>{record.made.heads} {words.madeHeads}, {record.made.sectors} {words.madeSectors}</b>
        {record.made.where ? `${words.madeWhere} ${record.made.where}` : ''}
      </p>{/if}
    <form onsubmit={saveMade}>
      <span>{words.made}</span>
      <input
        bind:value={heads}
        aria-label={words.madeHeads}
        placeholder={words.madeHeads}
        inputmode="numeric"
        maxlength="3"
      />
      <input
        bind:value={sectors}
        aria-label={words.madeSectors}
        placeholder={words.madeSectors}
        inputmode="numeric"
        maxlength="2"
      />
      <Button type="submit" class="act">{words.saveMade}</Button>
    </form>
  </section>
</div>

<style>
  h2 {
    margin: 0.9rem 0 0.3rem;
    border-bottom: 2px solid var(--ink);
    font-size: 1.05rem;
  }
  p {
    margin: 0.15rem 0;
  }
  .quiet,
  small,
  time {
    color: var(--quiet);
  }
  .barrier {
    margin: 0.3rem 0;
    padding-left: 0.7rem;
    border-left: 6px double var(--ink);
  }
  .barrier.hang {
    border-left: 7px solid var(--stop);
  }
  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
    gap: 0 2rem;
  }
  .typed {
    display: grid;
    grid-template-columns: 11.5rem auto;
    gap: 0.1rem 0.8rem;
    margin: 0.2rem 0 0.5rem;
    font: 1.1rem var(--font-mono);
  }
  .typed dt {
    color: var(--quiet);
  }
  .typed dd {
    margin: 0;
    font-weight: 700;
  }
  ul {
    margin: 0.2rem 0;
    padding: 0;
    list-style: none;
  }
  .choices li {
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .choices span {
    margin-left: 0.6rem;
  }
  small {
    display: block;
    font-size: 0.9rem;
  }
  .cap {
    padding: 0 0.4rem;
    background: var(--yellow);
    color: var(--on-yellow);
    font-style: normal;
    font-weight: 650;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 0.15rem 0.5rem 0.15rem 0;
    text-align: right;
    font-weight: 500;
  }
  td {
    padding: 0.15rem 0.5rem 0.15rem 0;
    text-align: right;
    font: 1rem var(--font-mono);
  }
  .size {
    font-size: 0.85rem;
  }
  .bad {
    color: var(--stop);
    font-weight: 800;
  }
  .tries li {
    display: flex;
    gap: 0.7rem;
    align-items: baseline;
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .tries code {
    min-width: 4rem;
    text-align: right;
    font: 700 1.05rem var(--font-mono);
  }
  .tries button {
    min-width: 1.9rem;
    min-height: 1.9rem;
    margin-left: auto;
    border: 0;
    background: none;
    color: var(--quiet);
    font-size: 1.1rem;
    cursor: pointer;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    align-items: center;
    margin: 0.3rem 0;
  }
  input:not([type='radio']) {
    width: 8.5rem;
    padding: 0.3rem 0.5rem;
    border: 1px solid var(--ink);
  }
  select {
    padding: 0.3rem 2.2rem 0.3rem 0.5rem;
    border: 1px solid var(--ink);
  }
  .verdict {
    padding-left: 0.7rem;
    border-left: 6px double var(--ink);
  }
  .verdict.stop {
    border-left: 7px solid var(--stop);
    font-weight: 650;
  }
</style>
