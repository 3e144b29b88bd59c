<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Button, Radio, Range } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import type { Brief, Part } from '$lib/core/model';
  import type { Demand, Plan, Weights } from '$lib/core/planner';
  import { barWords, reasonWords } from '$lib/words';
  import Working from '../task/Working.svelte';
  import PartPick from '../parts/PartPick.svelte';
  import { brief as briefText, plan as planText } from '$lib/words/en/screens/brief';
  import PlanCard from './PlanCard.svelte';
  import type { Planning } from './planning.svelte';

  interface Props {
    planning: Planning;
    brief: Brief;
    /** Parts that stay: none, the board, or everything that is fitted. */
    keeps?: { board: string; all: string[] } | null;
    change: (brief: Brief) => void;
    take: (plan: Plan) => void;
    takeLabel: string;
  }
  let { planning, brief, keeps = null, change, take, takeLabel }: Props = $props();
  const words = planText;
  let keep = $state<'nothing' | 'board' | 'all'>('nothing');
  const fixed = $derived(!keeps || keep === 'nothing' ? [] : keep === 'board' ? [keeps.board] : keeps.all);
  const byId = $derived(new Map(planning.parts.map((p): [string, Part] => [p.id, p])));
  const nameOf = (id: string) => byId.get(id)?.name ?? id;
  const programName = (id: string) => brief.profiles.find((p) => p.id === id)?.name ?? id;
  const front = $derived(planning.front);

  onMount(() => () => planning.stop());

  function wordsOf(demand: Demand): string {
    const { dropWords } = words;
    if (demand.kind === 'strict') return dropWords.strict(brief.date ?? '');
    if (demand.kind === 'shelf') return dropWords.shelf;
    if (demand.kind === 'budget') return dropWords.budget(brief.budget ?? 0);
    if (demand.kind === 'fixed') return dropWords.fixed(nameOf(demand.part ?? ''));
    const wish = brief.wishes?.[demand.wish ?? -1];
    if (!wish) return '';
    const told =
      'part' in wish
        ? nameOf(wish.part)
        : 'count' in wish
          ? String(wish.count)
          : 'what' in wish
            ? briefText.haves[wish.what]
            : '';
    return `${briefText.wishKinds[wish.kind]}${told ? `: ${told}` : ''}`;
  }

  function drop(demands: readonly Demand[]) {
    const gone = new Set(demands.map((d) => d.wish));
    const { budget, ...rest } = brief;
    const has = (kind: Demand['kind']) => demands.some((d) => d.kind === kind);
    const next: Brief = {
      ...rest,
      ...(budget !== undefined && !has('budget') ? { budget } : {}),
      ...(has('strict') ? { strictness: 'convenient' as const } : {}),
      ...(has('shelf') ? { source: 'prefer-shelf' as const } : {}),
      wishes: (brief.wishes ?? []).filter((_, i) => !gone.has(i))
    };
    change(next);
    if (has('fixed')) keep = 'nothing';
    void planning.propose(next, has('fixed') ? [] : fixed);
  }
</script>

<div class="bar flex flex-wrap gap-y-2 gap-x-4 items-center">
  <Button class={front ? 'act' : 'act main'} onclick={() => planning.propose(brief, fixed)}>
    {words.propose}</Button
  >
  {#if keeps}
    <Radio name="keep" value="board" bind:group={keep}>{words.keepBoard}</Radio>
    <Radio name="keep" value="all" bind:group={keep}>{words.complete}</Radio>
    <Radio name="keep" value="nothing" bind:group={keep}>{words.keepNothing}</Radio>
  {/if}
</div>
<Fold class="my-2" title={words.weights}>
  {#each Object.entries(words.weight) as [id, name] (id)}
    <label class="my-0.75 gap-2 inline-grid grid-cols-[auto_8rem_1.5rem] items-center mr-4.75"
      >{name}
      <Range
        appearance="auto"
        size="sm"
        min="0"
        max="10"
        step="1"
        bind:value={planning.weights[id as keyof Weights]}
      />
      <output class="font-mono">{planning.weights[id as keyof Weights]}</output></label
    >
  {/each}
</Fold>

<div aria-live="polite">
  {#if planning.state !== 'idle'}
    <Working
      what={planning.state === 'loading' ? words.loading : words.working(planning.progress?.machines ?? 0)}
      done={planning.progress?.done ?? 0}
      seconds={planning.task.seconds}
      onstop={() => planning.stop()}
    />
  {/if}
  {#if planning.trouble}<p class="bad" role="alert">{planning.trouble}</p>{/if}
</div>

{#if front?.plans.length}
  <p class="my-1.5 text-quiet">{front.exact ? words.proved : words.stopped}</p>
  <div class="plans gap-3.5 grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] items-start">
    {#each front.plans as plan, i (i)}
      <PlanCard
        {plan}
        index={i}
        all={front.plans}
        partOf={(id) => byId.get(id)}
        programs={brief.profiles.length}
        nameOf={programName}
        take={() => take(plan)}
        {takeLabel}
        main={i === 0}
      />
    {/each}
  </div>
  <section class="why mt-4">
    <h3 class="mb-1.25 text-large">{words.whyNot}</h3>
    <PartPick
      id="why-part"
      label={words.whyHint}
      action={words.ask}
      pick={(part) => planning.whyNot(part.id, front.plans[0])}
    />
    {#if planning.why}
      {@const { why } = planning}
      <div class="answer py-2.5 px-3.5 border-l-8 border-l-ink mt-2.5 bg-sheet" role="status">
        <b>{nameOf(why.part)}</b>
        {#if why.barred}<p>{words.whyBarred} {barWords(why.barred)}</p>
        {:else if why.with}
          <p>{why.worse.length || why.better.length ? words.whyPossible : words.whySame}</p>
          <ul class="my-0.75 pl-4.5">
            {#each [...why.worse, ...why.better] as c (c.side)}<li>
                {words.whyWorse(words.sides[c.side], c.from, c.to)}
              </li>{/each}
          </ul>
          <Button class="act" onclick={() => take(why.with!)}>{words.takeWith}</Button>
        {:else}
          <p>{words.whyImpossible}</p>
          <ul class="my-0.75 pl-4.5">
            {#each why.reasons.slice(0, 4) as r, i (i)}<li>{reasonWords(r)}</li>{/each}
          </ul>
        {/if}
      </div>
    {/if}
  </section>
{:else if front}
  <section class="none py-2.5 px-3.5 border-l-8 border-l-stop mt-2.5 bg-sheet" role="status">
    <h3 class="mb-1.25 text-large">{front.exact ? words.none : words.noneSoFar}</h3>
    {#if front.drops.length}
      <p>{words.noneLead}</p>
      {#each front.drops as d, i (i)}
        <div
          class="py-1.5 border-b border-b-rule flex flex-wrap gap-y-2 gap-x-4 items-center justify-between"
        >
          <span>{d.demands.map(wordsOf).join(words.and)}</span>
          <Button class={i === 0 ? 'act main' : 'act'} onclick={() => drop(d.demands)}>{words.drop}</Button>
        </div>
      {/each}
    {:else}<p>{words.noDrops}</p>{/if}
    {#if front.reasons.length}
      <h4>{words.against}</h4>
      <ul class="my-0.75 pl-4.5">
        {#each front.reasons.slice(0, 5) as r, i (i)}<li>{reasonWords(r)}</li>{/each}
      </ul>
    {/if}
  </section>
{:else if planning.state === 'idle'}<p class="quiet my-1.5 mx-0">{words.noneYet}</p>{/if}
