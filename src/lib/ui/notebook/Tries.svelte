<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { barredWords, clockReasonWords, nothingToTryWords, elementWords, wouldWords } from '$lib/words';
  import { byId } from '../../core/model';
  import { Input, Button } from 'flowbite-svelte';
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
  <section class="py-2 px-3.5 border-2 border-ink mb-3.25 bg-sheet">
    <h3 class="mb-1.25 text-large">{subject === 'volts' ? words.volts : words.clock}</h3>
    <div class="rating flex flex-wrap gap-y-1.25 gap-x-4">
      {#if subject === 'volts'}
        <label
          >{words.ratedVolts}
          <Input inputmode="decimal" bind:value={typed.volts} maxlength={12} />
          {words.unitVolts}</label
        >
      {:else}
        <label
          >{words.rating}
          <Input inputmode="decimal" bind:value={typed.mhz} maxlength={12} />
          {words.unitMhz}</label
        >
        <label
          >{words.ratingOf}
          <OneOf bind:value={typed.of}>
            <option value="">{words.ratingUnknown}</option>
            <option value="core">{words.ratingCore}</option>
            <option value="bus">{words.ratingBus}</option>
          </OneOf></label
        >
        <label
          >{words.multiplier}
          <Input inputmode="decimal" bind:value={typed.multiplier} maxlength={6} /></label
        >
      {/if}
    </div>
    {#if subject === 'volts' ? isUnclear(typed.volts) : isUnclear(typed.mhz) || isUnclear(typed.multiplier)}
      <p class="bad text-stop" role="alert">{words.ratingUnclear}</p>
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
    <ul class="my-0.75 pl-4.5 list-[square]">
      {#each plan.all as t (`${t.block} ${JSON.stringify(t.state)}`)}
        <li>
          <code class="font-normal text-small font-mono leading-[1.25]"
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

<section class="next py-2 px-3.5 border-2 border-ink mb-3.25 bg-sheet" aria-live="polite">
  <h3 class="mb-1.25 text-large">{words.next}</h3>
  {#if next.best}
    {@const { element, states: wanted } = next.best}
    <p class="quiet">{words.nextLead}</p>
    <p class="change gap-3.25 flex flex-wrap items-center text-head">
      <b>{words.change(elementWords(elements[element]), toText(next.best))}</b>
      <Button class="act main" onclick={() => (states = wanted)}>{words.setSo}</Button>
    </p>
    <ul class="my-0.75 pl-4.5 list-[square]">
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
  {#if next.barred.length}<p class="border-l-6 border-l-ink border-double pl-2.5">
      <b>{words.barred}:</b>
      {next.barred.map((b) => words.barredText(elementWords(b.element), barredWords[b.why])).join('; ')}
    </p>{/if}
</section>

<h3 class="mt-4 mb-1.25 text-large">{words.thisTry}</h3>
<div class="blocks flex flex-wrap gap-y-2.5 gap-x-6.5">
  {#each notebook.blocks as block (block.id)}
    <div>
      <b class="block font-mono">{block.label ?? block.id}</b>
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
<fieldset class="my-2 px-2.75 border border-rule flex flex-wrap gap-y-1.5 gap-x-4.75 pt-1.25 pb-2.5">
  <legend class="px-1.25 text-quiet">{words.saw}</legend>
  {#each notebook.subjects as subject (subject)}
    <label class="gap-1.5 flex items-center"
      >{name(subject)}
      {#if valuesOf(subject).length}
        <OneOf
          value={saw[subject] ?? ''}
          onchange={(e) => (saw = { ...saw, [subject]: e.currentTarget.value })}
        >
          <option value="">{words.notNoted}</option>
          {#each valuesOf(subject) as v (v)}<option value={v}>{v}</option>{/each}
        </OneOf>
      {:else}<Input
          value={saw[subject] ?? ''}
          oninput={(e) => (saw = { ...saw, [subject]: (e.currentTarget as HTMLInputElement).value })}
          maxlength={60}
        />{/if}</label
    >
  {/each}
  <label class="gap-1.5 flex items-center"
    >{words.happened}
    <OneOf bind:value={happened}>
      {#each Object.entries(words.outcomes) as [id, label] (id)}<option value={id}>{label}</option>{/each}
    </OneOf></label
  >
  <label class="gap-1.5 flex items-center">{words.notes} <Input bind:value={note} maxlength={400} /></label>
</fieldset>
<p><Button class="act" onclick={add} disabled={!Object.keys(states).length}>{words.addTry}</Button></p>

<ol class="tries my-1.5 pl-6 list-decimal">
  {#each notebook.tries as t, i (i)}
    <li class="py-0.75 border-b border-b-rule">
      <span class="mr-3.25"
        >{#if t.at}<time class="font-normal text-small font-mono leading-[1.25] text-quiet" datetime={t.at}
            >{timeText(t.at)}</time
          >{/if}
        <code class="font-normal text-small font-mono leading-[1.25]">{rowText(t)}</code></span
      >
      <span class="mr-3.25"
        >{Object.entries(t.saw)
          .map(([s, v]) => words.says(name(s), v))
          .join(', ')}
        {t.happened === 'not-noted' ? '' : words.outcomes[t.happened]}
        {t.note ?? ''}</span
      >
      <Button
        class="cross"
        onclick={() => change({ ...notebook, tries: notebook.tries.filter((x) => x !== t) })}
        aria-label={words.removeTry(i + 1)}>×</Button
      >
    </li>
  {/each}
</ol>

<h3 class="mt-4 mb-1.25 text-large">{words.left}</h3>
<dl class="grid grid-cols-[11rem_minmax(0,1fr)] gap-y-0.75 gap-x-3.25 max-md:grid-cols-1">
  {#each open as { subject, ways } (subject)}
    <dt class="font-[550]">{name(subject)}</dt>
    <dd>
      {#if !ways.length}<b class="bad text-stop">{words.noneLeft}</b>
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
  p {
    margin: 0.3rem 0;
  }
</style>
