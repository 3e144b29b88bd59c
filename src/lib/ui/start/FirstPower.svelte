<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Input, Label } from 'flowbite-svelte';
  import {
    POWER_CHECKS,
    POWER_QUESTIONS,
    firstPower,
    levelNow,
    notePower,
    openStops,
    powerSteps,
    type PowerStep
  } from '$lib/core/diagnosis';
  import { timeText } from '../time';
  import { getBench } from '../context';
  import { firstPower as words } from '$lib/words/en/screens/first-power';

  const { session } = getBench();
  const answers = $derived(session.build.firstPower ?? {});
  const told = $derived({ ...firstPower(answers), level: levelNow(session.build) });
  const lifts = $derived(told.couldChange.filter((c) => c.levels[1] > told.level));
  const steps = $derived(powerSteps(session.build));
  const blocking = $derived(openStops(steps).length);
  const left = $derived(
    steps.filter((s) => s.kind === 'check' && (s.state === 'open' || s.state === 'skipped')).length
  );
  let signing = $state('');
  let by = $state('');
  const [low, high] = $derived(POWER_CHECKS[told.level].minutes);

  function note(s: PowerStep, done: boolean) {
    const told = { at: new Date().toISOString(), done, ...(done || !by.trim() ? {} : { by: by.trim() }) };
    session.change(notePower(session.build, s.key, told), words.noted);
    signing = '';
  }
  function skip(event: SubmitEvent, s: PowerStep) {
    event.preventDefault();
    if (by.trim()) note(s, false);
  }
  const undo = (s: PowerStep) => session.change(notePower(session.build, s.key, null), words.noted);

  function answer(key: string, value: string) {
    const { [key]: _, ...rest } = answers;
    const next = value ? { ...rest, [key]: value } : rest;
    const { firstPower: __, ...build } = session.build;
    session.change(Object.keys(next).length ? { ...build, firstPower: next } : build, words.changed);
  }
</script>

{#snippet became(s: PowerStep)}
  {@const what = s.kind === 'stop' ? words.stops[s.id] : words.checks[s.id]}
  <span class="gap-1.5 flex flex-wrap items-center">
    {#if s.state === 'open'}
      <Button
        class="act"
        aria-label="{s.kind === 'stop' ? words.isOff : words.done}: {what}"
        onclick={() => note(s, true)}>{s.kind === 'stop' ? words.isOff : words.done}</Button
      >
      <Button
        class="act"
        aria-label="{words.skip}: {what}"
        aria-expanded={signing === s.key}
        onclick={() => (signing = signing === s.key ? '' : s.key)}>{words.skip}</Button
      >
    {:else}
      <b>{s.kind === 'stop' && s.state === 'done' ? words.ruledOut : words.states[s.state]}</b>
      {[s.by, s.at ? timeText(s.at) : ''].filter(Boolean).join(', ')}
      {#if s.state !== 'ran-since'}
        <Button class="act" aria-label="{words.undo}: {what}" onclick={() => undo(s)}>{words.undo}</Button>
      {/if}
    {/if}
    {#if signing === s.key && s.state === 'open'}
      <form class="gap-1.5 flex flex-wrap items-center" onsubmit={(e) => skip(e, s)}>
        <Label for="power-by">{words.by}</Label>
        <Input id="power-by" bind:value={by} maxlength={80} required />
        <Button type="submit" class="act">{words.skip}</Button>
      </form>
    {/if}
  </span>
{/snippet}

{#snippet all(kind: PowerStep['kind'])}
  {#each steps.filter((s) => s.kind === kind) as s (s.key)}
    <li class={s.state}>
      <div class="grid grid-cols-[minmax(0,1fr)_auto] gap-y-1.25 gap-x-4 items-center max-lg:grid-cols-1">
        {s.kind === 'stop' ? words.stops[s.id] : words.checks[s.id]}
        {@render became(s)}
      </div>
    </li>
  {/each}
{/snippet}

<p class="quiet mb-2.75">{words.lead}</p>
<div class="body gap-8 grid grid-cols-[minmax(16rem,24rem)_minmax(0,1fr)] max-lg:gap-4 max-lg:grid-cols-1">
  <div class="ask gap-2.75 grid content-start">
    {#each POWER_QUESTIONS as q (q)}
      <div>
        <Label for="power-{q}">{words.questions[q].ask}</Label>
        <OneOf
          id="power-{q}"
          items={[
            { value: '', name: words.notKnown },
            ...Object.entries(words.questions[q].answers).map(([value, name]) => ({ value, name }))
          ]}
          value={answers[q] ?? ''}
          onchange={(e) => answer(q, e.currentTarget.value)}
        />
      </div>
    {/each}
    <div>
      <Label for="power-stake">{words.stake.ask}</Label>
      <OneOf
        id="power-stake"
        items={[
          { value: '', name: words.stake.usual },
          { value: 'unique', name: words.stake.unique }
        ]}
        value={answers.stake ?? ''}
        onchange={(e) => answer('stake', e.currentTarget.value)}
      />
    </div>
  </div>
  <div aria-live="polite">
    <p class="level font-bold text-big">{words.level[told.level]}</p>
    <p>{words.score(told.score, told.least, told.most)} {words.minutes(low, high)}</p>
    {#each lifts as { question } (question)}
      <p class="my-1.25 border-l-6 border-l-ink border-double pl-2.5">
        {words.couldLift(words.questions[question].ask)}
      </p>
    {/each}
    <p class="verdict font-bold text-large" class:bad={blocking > 0}>
      {blocking ? words.notYet(blocking) : left ? words.checksLeft(left) : words.allDone}
    </p>
    <h2 class="mt-4 mb-1.25">{words.stopsTitle}</h2>
    <ul class="pl-5.5 list-disc">{@render all('stop')}</ul>
    <h2 class="mt-4 mb-1.25">{words.checksTitle}</h2>
    <ol class="pl-5.5 list-decimal">{@render all('check')}</ol>
  </div>
</div>

<style>
  .verdict.bad {
    padding-left: 0.6rem;
    border-left: 8px solid var(--stop);
  }

  li {
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--rule);
  }

  .done,
  .ran-since {
    color: var(--quiet);
  }
</style>
