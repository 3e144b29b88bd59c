<script lang="ts">
  import { Label, Select } from 'flowbite-svelte';
  import { POWER_CHECKS, POWER_QUESTIONS, POWER_STOPS, checksUpTo, firstPower } from '$lib/core/diagnosis';
  import { getBench } from '../context';
  import { firstPower as words } from '../text/first-power';

  const { session } = getBench();
  const answers = $derived(session.build.firstPower ?? {});
  const told = $derived(firstPower(answers));
  const lifts = $derived(told.couldChange.filter((c) => c.levels[1] > told.level));
  const [low, high] = $derived(POWER_CHECKS[told.level].minutes);

  function answer(key: string, value: string) {
    const { [key]: _, ...rest } = answers;
    const next = value ? { ...rest, [key]: value } : rest;
    const { firstPower: __, ...build } = session.build;
    session.change(Object.keys(next).length ? { ...build, firstPower: next } : build, words.changed);
  }
</script>

<p class="quiet">{words.lead}</p>
<div class="body">
  <div class="ask">
    {#each POWER_QUESTIONS as q (q)}
      <div>
        <Label for="power-{q}">{words.questions[q].ask}</Label>
        <Select
          id="power-{q}"
          placeholder=""
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
      <Select
        id="power-stake"
        placeholder=""
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
    <p class="level">{words.level[told.level]}</p>
    <p>{words.score(told.score, told.least, told.most)} {words.minutes(low, high)}</p>
    {#each lifts as { question } (question)}
      <p class="lift">{words.couldLift(words.questions[question].ask)}</p>
    {/each}
    <h2>{words.stopsTitle}</h2>
    <ul class="stops">
      {#each POWER_STOPS as stop (stop)}<li>{words.stops[stop]}</li>{/each}
    </ul>
    <h2>{words.checksTitle}</h2>
    <ol>
      {#each checksUpTo(told.level) as check (check)}<li>{words.checks[check]}</li>{/each}
    </ol>
  </div>
</div>

<style>
  .body {
    display: grid;
    grid-template-columns: minmax(16rem, 24rem) minmax(0, 1fr);
    gap: 2rem;
  }
  .ask {
    display: grid;
    gap: 0.7rem;
    align-content: start;
  }
  .level {
    font-weight: 700;
    font-size: 1.5rem;
  }
  .lift {
    margin: 0.3rem 0;
    padding-left: 0.6rem;
    border-left: 6px double var(--ink);
  }
  .quiet {
    margin-bottom: 0.7rem;
    color: var(--quiet);
  }
  h2 {
    margin: 0.9rem 0 0.3rem;
    font-size: 1.1rem;
  }
  ol {
    margin: 0;
    padding-left: 1.4rem;
    list-style: decimal;
  }
  .stops {
    margin: 0;
    padding-left: 1.6rem;
    border-left: 8px solid var(--stop);
    list-style: disc;
  }
  li {
    padding: 0.15rem 0;
  }
  @media (max-width: 900px) {
    .body {
      grid-template-columns: minmax(0, 1fr);
      gap: 1rem;
    }
  }
</style>
