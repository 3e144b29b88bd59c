<script lang="ts">
  import { onDestroy, tick, untrack } from 'svelte';
  import { Button } from 'flowbite-svelte';
  import { page } from '$app/state';
  import { addStart, removeStart, startsOf, titlesOf, type MachineDiagnosis } from '$lib/core/diagnosis';
  import { railStops } from '$lib/core/rails';
  import type { Start } from '$lib/core/model';
  import { railStopWords, startWords } from '$lib/words';
  import { getBench } from '$lib/ui/context';
  import Views from '$lib/ui/parts/Views.svelte';
  import FirstPower from '$lib/ui/start/FirstPower.svelte';
  import Happened from '$lib/ui/start/Happened.svelte';
  import Intake from '$lib/ui/start/Intake.svelte';
  import Practice from '$lib/ui/start/Practice.svelte';
  import Rails from '$lib/ui/start/Rails.svelte';
  import Rehearsal from '$lib/ui/start/Rehearsal.svelte';
  import Rescue from '$lib/ui/start/Rescue.svelte';
  import Suspects from '$lib/ui/start/Suspects.svelte';
  import Trials from '$lib/ui/start/Trials.svelte';
  import { start as words } from '$lib/words/en/screens/start';
  import { timeText } from '$lib/ui/time';
  import { Task } from '$lib/ui/task/task.svelte';
  import Working from '$lib/ui/task/Working.svelte';
  import type { StartMessage, StartReply } from '$lib/workers/start';

  const { session } = getBench();
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  /** Before the first start the question is whether to switch on at all. */
  const started = $derived(startsOf(session.build).length > 0);
  const view = $derived(
    views.find((v) => v === page.url.searchParams.get('view')) ?? (started ? 'happened' : 'power')
  );
  const starts = $derived(startsOf(session.build));
  const titleOf = $derived(titlesOf(session.build, session.parts));
  const last = $derived(starts.at(-1)?.[1] ?? null);
  let found: MachineDiagnosis | null = $state.raw(null);
  let trouble = $state('');
  const task = new Task<StartMessage, StartReply>({
    make: () => new Worker(new URL('../../../../lib/workers/start.ts', import.meta.url), { type: 'module' })
  });
  onDestroy(() => task.close());

  $effect(() => {
    if (!last || view !== 'happened') return;
    trouble = '';
    const asked = JSON.parse(
      JSON.stringify({
        kind: 'diagnose',
        build: session.build,
        parts: session.partList,
        starts: starts.map(([, s]) => s)
      })
    ) as StartMessage;
    task.run(
      asked,
      (reply) => {
        if (reply.kind === 'diagnosis') found = reply.value;
        else trouble = words.broken;
        return false;
      },
      (why) => (trouble = why === 'too-long' ? words.tooLong : words.broken)
    );
  });

  /** What was done since the last start; null while there is none. */
  let after: string | null = $state(null);
  $effect(() => {
    const isFirst = !starts.some(([, s]) => !s.read);
    untrack(() => (after = isFirst ? null : (after ?? '')));
  });
  function note(start: Start) {
    session.change(addStart(session.build, start), words.noted);
    after = '';
  }
  const read = (test: string, wasThere: boolean) =>
    session.change(
      addStart(session.build, { at: new Date().toISOString(), read: { test, found: wasThere } }),
      words.readNoted
    );
  async function done(test: string) {
    // What was set right makes another machine of it: what was seen before no longer counts.
    after = test === 'listen' ? 'nothing' : test === 'set-right' ? '' : test;
    await tick();
    document.getElementById('start-since')?.focus();
    document.getElementById('start-since')?.scrollIntoView({ block: 'center' });
  }
  function remove(id: string) {
    session.change(removeStart(session.build, id), words.removed);
    if (!startsOf(session.build).length) found = null;
  }
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} />
<p class="mx-0 mt-0 mb-1.5 text-quiet">{words.lead}</p>
<p class="border-l-6 border-l-ink border-double mb-3.25 pl-2.5">{words.caution}</p>
{#if session.count('stop')}<p class="bad" role="alert">{words.stopFirst}</p>{/if}
{#each railStops(session.build) as s (s.plug)}<p class="bad" role="alert">{railStopWords(s)}</p>{/each}
{#if view === 'power'}
  <FirstPower />
{:else if view === 'rehearsal'}
  <Rehearsal />
{:else if view === 'intake'}
  <Intake />
{:else if view === 'rescue'}
  <Rescue />
{:else if view === 'practice'}
  <Practice />
{:else if view === 'rails'}
  <Rails />
{:else if view === 'trials'}
  <Trials />
{:else}
  <div
    class="body gap-8 grid grid-cols-[minmax(16rem,24rem)_minmax(0,1fr)] max-lg:gap-4.75 max-lg:grid-cols-1"
  >
    <div>
      <Happened {note} bind:after />
      {#if starts.length}
        <h2 class="mt-4 mb-1.25">{words.starts}</h2>
        <ul>
          {#each [...starts].reverse() as [id, s] (id)}
            <li class="border-b border-b-rule flex justify-between items-center">
              <span><small>{timeText(s.at)}</small> {startWords(s, titleOf)}</span>
              <Button class="act" aria-label={words.remove(timeText(s.at))} onclick={() => remove(id)}
                >×</Button
              >
            </li>
          {/each}
        </ul>
      {/if}
    </div>
    <div>
      {#if task.isRunning}<Working
          what={words.working}
          seconds={task.seconds}
          onstop={() => task.stop()}
        />{/if}
      {#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
      {#if !last}<p class="ask text-large">{words.ask}</p>{:else if found}
        {#if found.episode > 1}<p>{words.rests(found.episode)}</p>{/if}
        <Suspects {found} {read} {done} />
      {/if}
    </div>
  </div>
{/if}
