<script lang="ts">
  import { barredWords, clockReasonWords, nothingToTryWords, elementWords, wouldWords } from '$lib/words';
  import { byId } from '../../core/model';
  import { Button } from 'flowbite-svelte';
  import type { BoardTry, Notebook, Part, State } from '$lib/core/model';
  import {
    clockPlan,
    printedNumber,
    voltagePlan,
    elementsOf,
    guessesFor,
    nextTries,
    remaining,
    templatesOf,
    type ClockRating,
    type NextTry
  } from '$lib/core/puzzle';
  import { writeRow } from '$lib/core/settings';
  import BlockInput from '../parts/BlockInput.svelte';
  import { notebook as notebookText } from '$lib/words/en/screens/notebook';
  import { timeText } from '../time';

  interface Props {
    notebook: Notebook;
    parts: readonly Part[];
    change: (next: Notebook) => void;
  }
  let { notebook, parts, change }: Props = $props();
  const words = notebookText;
  const templates = $derived(templatesOf(parts));
  const elements = $derived(elementsOf(notebook));
  const guesses = $derived(guessesFor(notebook, templates));
  const left = $derived(remaining(guesses, elements, notebook.tries));
  const next = $derived(nextTries(notebook, left));
  const name = (subject: string) => words.facts[subject] ?? subject;

  /** The start that is being written down; it begins as the last one stood. */
  let states = $state.raw<Record<string, State>>({});
  let saw = $state.raw<Record<string, string>>({});
  let happened = $state<BoardTry['happened']>('not-noted');
  let note = $state('');
  let of = '';
  $effect.pre(() => {
    const key = `${notebook.id} ${notebook.tries.length}`;
    if (key === of) return;
    of = key;
    states = notebook.tries.at(-1)?.states ?? {};
    saw = {};
  });
  /** Values that the tables of the catalogue know for a fact, and those of the sources. */
  const valuesOf = (subject: string): string[] => [
    ...new Set([
      ...guesses.filter((g) => g.subject === subject).flatMap((g) => [...g.table.values()]),
      ...notebook.fragments.flatMap((f) => f.rows.filter((r) => r.subject === subject).map((r) => r.value))
    ])
  ];
  function add() {
    const one: BoardTry = {
      at: new Date().toISOString(),
      states,
      saw: Object.fromEntries(Object.entries(saw).filter(([, v]) => v !== '')),
      happened,
      ...(note.trim() ? { note: note.trim() } : {})
    };
    change({ ...notebook, tries: [...notebook.tries, one] });
    note = '';
    happened = 'not-noted';
  }
  const rowText = (t: BoardTry) =>
    notebook.blocks
      .flatMap((b) => (t.states[b.id] ? [`${b.label ?? b.id} ${writeRow(b, t.states[b.id])}`] : []))
      .join(' · ');
  function toText(t: NextTry): string {
    const element = elements[t.element];
    const state = element.states[t.to];
    const block = byId(notebook.blocks, element.block);
    return 'switches' in state ? Object.values(state.switches)[0].toUpperCase() : writeRow(block, state);
  }
  const open = $derived(
    notebook.subjects.map((subject) => ({ subject, ways: left.filter((g) => g.subject === subject) }))
  );
  /** What was read off the chip, as typed. */
  let typed = $state({ mhz: '', of: '' as '' | ClockRating['of'], multiplier: '', volts: '' });
  const number = (text: string): number | null => {
    const read = printedNumber(text);
    return read === 'unclear' ? null : read;
  };
  const isUnclear = (text: string) => printedNumber(text) === 'unclear';
  const rating = $derived.by((): ClockRating | null => {
    const read = number(typed.mhz);
    if (read === null || typed.of === '') return null;
    return { mhz: read, of: typed.of, multiplier: number(typed.multiplier) };
  });
  const plans = $derived(
    (
      [
        { subject: 'bus-mhz', plan: clockPlan(notebook, rating) },
        { subject: 'volts', plan: voltagePlan(notebook, number(typed.volts)) }
      ] as const
    ).filter((p) => p.plan.all.length)
  );
</script>

{#each plans as { subject, plan } (subject)}
  <section class="plan">
    <h3>{subject === 'volts' ? words.volts : words.clock}</h3>
    <div class="rating">
      {#if subject === 'volts'}
        <label
          >{words.ratedVolts}
          <input inputmode="decimal" bind:value={typed.volts} maxlength="12" />
          {words.unitVolts}</label
        >
      {:else}
        <label
          >{words.rating}
          <input inputmode="decimal" bind:value={typed.mhz} maxlength="12" />
          {words.unitMhz}</label
        >
        <label
          >{words.ratingOf}
          <select bind:value={typed.of}>
            <option value="">{words.ratingUnknown}</option>
            <option value="core">{words.ratingCore}</option>
            <option value="bus">{words.ratingBus}</option>
          </select></label
        >
        <label
          >{words.multiplier}
          <input inputmode="decimal" bind:value={typed.multiplier} maxlength="6" /></label
        >
      {/if}
    </div>
    {#if subject === 'volts' ? isUnclear(typed.volts) : isUnclear(typed.mhz) || isUnclear(typed.multiplier)}
      <p class="bad" role="alert">{words.ratingUnclear}</p>
    {/if}
    <p class="why">
      {#if plan.next}
        {@const { block, state } = plan.next}
        <b
          >{byId(notebook.blocks, block).label}
          {writeRow(byId(notebook.blocks, block), state)}</b
        >
        <Button class="act" onclick={() => (states = { ...states, [block]: state })}>{words.setSo}</Button
        >{/if}
      {clockReasonWords(plan.why)}
    </p>
    <ul>
      {#each plan.all as t (`${t.block} ${JSON.stringify(t.state)}`)}
        <li>
          <code
            >{notebook.blocks.find((b) => b.id === t.block)?.label}
            {writeRow(byId(notebook.blocks, t.block), t.state)}</code
          >
          {words.range(t.low, t.high)}
          {t.happened ? words.outcomes[t.happened] : ''}
        </li>
      {/each}
    </ul>
  </section>
{/each}

<section class="next" aria-live="polite">
  <h3>{words.next}</h3>
  {#if next.best}
    {@const { element, states: wanted } = next.best}
    <p class="quiet">{words.nextLead}</p>
    <p class="change">
      <b>{words.change(elementWords(elements[element]), toText(next.best))}</b>
      <Button class="act main" onclick={() => (states = wanted)}>{words.setSo}</Button>
    </p>
    <ul>
      {#each next.best.would as w (w.subject)}<li>
          {words.would}
          {name(w.subject)}: {w.values.map((v) => words.wouldShow(wouldWords(v.value), v.guesses)).join(', ')}
        </li>{/each}
    </ul>
    {#if next.others.length}<p class="quiet">
        {words.others}
        {next.others.map((t) => words.change(elementWords(elements[t.element]), toText(t))).join('; ')}
      </p>{/if}
  {:else}<p>{next.done ? nothingToTryWords[next.done] : ''}</p>{/if}
  {#if next.barred.length}<p class="barred">
      <b>{words.barred}:</b>
      {next.barred.map((b) => words.barredText(elementWords(b.element), barredWords[b.why])).join('; ')}
    </p>{/if}
</section>

<h3>{words.thisTry}</h3>
<div class="blocks">
  {#each notebook.blocks as block (block.id)}
    <div>
      <b>{block.label ?? block.id}</b>
      <BlockInput
        {block}
        state={states[block.id]}
        label={block.label ?? block.id}
        change={(state) => (states = { ...states, [block.id]: state })}
        look="found"
      />
    </div>
  {/each}
</div>
<fieldset>
  <legend>{words.saw}</legend>
  {#each notebook.subjects as subject (subject)}
    <label
      >{name(subject)}
      {#if valuesOf(subject).length}
        <select
          value={saw[subject] ?? ''}
          onchange={(e) => (saw = { ...saw, [subject]: e.currentTarget.value })}
        >
          <option value="">{words.notNoted}</option>
          {#each valuesOf(subject) as v (v)}<option value={v}>{v}</option>{/each}
        </select>
      {:else}<input
          value={saw[subject] ?? ''}
          oninput={(e) => (saw = { ...saw, [subject]: e.currentTarget.value })}
          maxlength="60"
        />{/if}</label
    >
  {/each}
  <label
    >{words.happened}
    <select bind:value={happened}>
      {#each Object.entries(words.outcomes) as [id, label] (id)}<option value={id}>{label}</option>{/each}
    </select></label
  >
  <label>{words.notes} <input bind:value={note} maxlength="400" /></label>
</fieldset>
<p><Button class="act" onclick={add} disabled={!Object.keys(states).length}>{words.addTry}</Button></p>

<ol class="tries">
  {#each notebook.tries as t, i (i)}
    <li>
      <span
        >{#if t.at}<time datetime={t.at}>{timeText(t.at)}</time>{/if}
        <code>{rowText(t)}</code></span
      >
      <span
        >{Object.entries(t.saw)
          .map(([s, v]) => words.says(name(s), v))
          .join(', ')}
        {t.happened === 'not-noted' ? '' : words.outcomes[t.happened]}
        {t.note ?? ''}</span
      >
      <button
        onclick={() => change({ ...notebook, tries: notebook.tries.filter((x) => x !== t) })}
        aria-label={words.removeTry(i + 1)}>×</button
      >
    </li>
  {/each}
</ol>

<h3>{words.left}</h3>
<dl>
  {#each open as { subject, ways } (subject)}
    <dt>{name(subject)}</dt>
    <dd>
      {#if !ways.length}<b class="bad">{words.noneLeft}</b>
      {:else}<b>{words.leftText(ways.length)}</b>
        {#if ways.length <= 4}{ways
            .map((g) =>
              g.elements.length
                ? words.leftOne(g.from, g.elements.map((e) => elementWords(elements[e])).join(', '))
                : words.leftHere
            )
            .join('; ')}{/if}{/if}
    </dd>
  {/each}
</dl>

<style>
  h3 {
    margin: 1rem 0 0.3rem;
    font-size: 1.02rem;
  }
  .next,
  .plan {
    margin-bottom: 0.8rem;
    padding: 0.5rem 0.9rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
  }
  .next h3,
  .plan h3 {
    margin-top: 0;
  }
  .change {
    display: flex;
    flex-wrap: wrap;
    gap: 0.8rem;
    align-items: center;
    font-size: 1.25rem;
  }
  .barred {
    padding-left: 0.6rem;
    border-left: 6px double var(--ink);
  }
  p {
    margin: 0.3rem 0;
  }
  ul {
    margin: 0.2rem 0;
    padding-left: 1.1rem;
    list-style: square;
  }
  .rating {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1rem;
  }
  .rating input {
    width: 5rem;
  }
  .blocks {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1.6rem;
  }
  .blocks b {
    display: block;
    font-family: var(--font-mono);
  }
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1.2rem;
    margin: 0.5rem 0;
    padding: 0.3rem 0.7rem 0.6rem;
    border: 1px solid var(--rule);
  }
  legend {
    padding: 0 0.3rem;
    color: var(--quiet);
  }
  fieldset label {
    display: flex;
    gap: 0.4rem;
    align-items: center;
  }
  input,
  select {
    min-width: 0;
    padding: 0.25rem 0.45rem;
    border: 1px solid var(--rule);
  }
  select {
    padding-right: 2.2rem;
  }
  .tries {
    margin: 0.4rem 0;
    padding-left: 1.5rem;
    list-style: decimal;
  }
  .tries li {
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--rule);
  }
  .tries span {
    margin-right: 0.8rem;
  }
  .tries button {
    border: 0;
    background: none;
    color: var(--quiet);
    min-width: 1.9rem;
    min-height: 1.9rem;
    font-size: 1.1rem;
    cursor: pointer;
  }
  code,
  time {
    font: 0.88rem var(--font-mono);
  }
  time {
    color: var(--quiet);
  }
  dl {
    display: grid;
    grid-template-columns: 11rem minmax(0, 1fr);
    gap: 0.2rem 0.8rem;
  }
  dt {
    font-weight: 550;
  }
  .bad {
    color: var(--stop);
  }
  @media (max-width: 600px) {
    dl {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
