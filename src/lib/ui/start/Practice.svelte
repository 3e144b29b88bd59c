<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { onDestroy } from 'svelte';
  import { Button, Label } from 'flowbite-svelte';
  import {
    beginCourse,
    dealt,
    eraOf,
    FAMILIES,
    familyPriors,
    isMended,
    modesOf,
    perform,
    repair,
    testsOf,
    titlesOf,
    type BenchTest,
    type Course,
    type Deal
  } from '$lib/core/diagnosis';
  import { kitOf } from '$lib/core/kit';
  import { chanceWords, componentWords, modeWords, startWords, testWords } from '$lib/words';
  import type { Judged, StartMessage, StartReply } from '$lib/workers/start';
  import { getBench } from '../context';
  import { practice as words } from '$lib/words/en/screens/practice';
  import { Task } from '../task/task.svelte';
  import Working from '../task/Working.svelte';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const titleOf = $derived(titlesOf(session.build, session.parts));
  let kind: keyof typeof words.kinds = $state('any');
  let course = $state.raw<Course | null>(null);
  let isTold = $state(false);
  let guess = $state('');
  let judged = $state.raw<Judged | null>(null);
  let trouble = $state('');
  const task = new Task<StartMessage, StartReply>({
    make: () => new Worker(new URL('../../workers/start.ts', import.meta.url), { type: 'module' })
  });
  onDestroy(() => task.close());

  const testsFor = ({ modes, out }: Course) =>
    testsOf(modes).filter((t) => t.id !== 'set-right' && (t.id !== 'put-back' || out.length > 0));
  const isOver = $derived(course !== null && (isTold || isMended(course)));
  const offered = $derived(course ? testsFor(course) : []);
  const components = $derived(
    course
      ? [...new Map(course.modes.map((m) => [m.component, m])).entries()].map(([id, m]) => ({
          value: id,
          name: componentWords(id, m, titleOf)
        }))
      : []
  );

  function begin() {
    const era = eraOf(kit);
    const modes = modesOf(kit, era, []);
    const x = Math.random();
    const deal: Deal = kind === 'any' ? (x < 0.6 ? 'one' : x < 0.9 ? 'two' : 'none') : kind;
    const usual = [...FAMILIES].sort((a, b) => familyPriors[era][b] - familyPriors[era][a])[0];
    const family = kit.firmware?.firmware?.beeps ?? usual;
    course = beginCourse(modes, dealt(modes, deal, Math.random), era, family, Math.random);
    [isTold, guess, judged, trouble] = [false, '', null, ''];
  }
  function end() {
    task.run(
      { kind: 'judge', course: JSON.parse(JSON.stringify(course)) as Course },
      (reply) => {
        if (reply.kind === 'judged') judged = reply.value;
        else trouble = words.broken;
        return false;
      },
      () => (trouble = words.broken)
    );
  }
  function step(next: Course) {
    course = next;
    if (isMended(next)) end();
  }
  const test = (on: Course, t: BenchTest) => step(perform(on, t, Math.random));
  function mend(on: Course) {
    const mode = on.modes.findIndex((m) => m.component === guess);
    if (mode >= 0) step(repair(on, mode, Math.random));
  }
  function tell() {
    isTold = true;
    end();
  }
  const named = ({ modes }: Course, faults: readonly number[]) =>
    faults.length ? faults.map((i) => modeWords(modes[i], titleOf)).join(' + ') : words.nothing;
</script>

<p class="lead">{words.lead}</p>
<div class="my-2.5 gap-2.5 flex flex-wrap items-end">
  <div class="min-w-52">
    <Label for="practice-kind">{words.kind}</Label>
    <OneOf
      id="practice-kind"
      items={Object.entries(words.kinds).map(([value, name]) => ({ value, name }))}
      bind:value={kind}
    />
  </div>
  <Button class="act main" onclick={begin}>{course ? words.again : words.begin}</Button>
</div>
{#if course}
  <div class="body gap-8 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-lg:gap-2 max-lg:grid-cols-1">
    <div>
      <h2 class="mt-4 mb-1.25">{words.notes}</h2>
      <ol class="pl-5.5 list-decimal" aria-live="polite">
        {#each course.notes as n, i (i)}<li class="py-0.5">{startWords(n, titleOf)}</li>{/each}
      </ol>
      <p class="font-bold text-head">{words.spent(course.minutes, course.tests)}</p>
      {#if isOver}
        {#if isMended(course)}<p class="font-bold text-head">{words.runs}</p>{/if}
        <p>{words.truth(named(course, course.hidden))}</p>
        {#if task.isRunning}<Working
            what={words.judging}
            seconds={task.seconds}
            onstop={() => task.stop()}
          />{/if}
        {#if judged}
          <p class="font-bold text-head">
            {words.compare(isMended(course), course.minutes, judged.minutes)}
          </p>
          <h2 class="mt-4 mb-1.25">{words.told}</h2>
          <ol class="pl-5.5 list-decimal">
            {#each judged.told as e (e.faults.join())}<li class="py-0.5">
                {named(course, e.faults)}, {chanceWords(e.p)}
              </li>{/each}
          </ol>
        {/if}
        {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
      {/if}
    </div>
    {#if !isOver}
      <div>
        <h2 class="mt-4 mb-1.25">{words.guess}</h2>
        <div class="my-2.5 gap-2.5 flex flex-wrap items-end">
          <div class="min-w-52">
            <Label for="practice-guess" class="sr-only">{words.choose}</Label>
            <OneOf
              id="practice-guess"
              items={[{ value: '', name: words.choose }, ...components]}
              bind:value={guess}
            />
          </div>
          <Button class="act" disabled={!guess} onclick={() => course && mend(course)}>{words.repair}</Button>
          <Button class="act" onclick={tell}>{words.giveUp}</Button>
        </div>
        <h2 class="mt-4 mb-1.25">{words.tests}</h2>
        <ul>
          {#each offered as t (t.id)}
            <li class="py-0.5">
              <Button class="act block! w-full" onclick={() => course && test(course, t)}>
                {testWords(t.id, titleOf).what} <small>{words.takes(t.minutes)}</small>
              </Button>
            </li>
          {/each}
        </ul>
      </div>
    {/if}
  </div>
{/if}
