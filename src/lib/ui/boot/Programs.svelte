<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Input } from 'flowbite-svelte';
  import {
    programSheets,
    withBoot,
    writeFiles,
    type Found,
    type ProgramSheet,
    type Reach
  } from '$lib/core/boot';
  import { kitOf } from '$lib/core/kit';
  import type { Tried } from '$lib/core/model';
  import { slowWays, startLabel, triedWords } from '$lib/words';
  import OwnProgram from '../brief/OwnProgram.svelte';
  import { getBench } from '../context';
  import { boot as words } from '$lib/words/en/screens/boot';
  import { timeText } from '../time';
  import { BootPlanner } from './planner.svelte';
  import Planning from './Planning.svelte';

  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const planner = new BootPlanner(() => ({ build: session.build, parts: session.partList }));
  const plan = $derived(typeof planner.plan === 'string' ? null : planner.plan);
  const names = $derived(plan ? writeFiles(kit, plan, startLabel).names : []);
  const sheets = $derived(programSheets(kit, plan));
  const startOf = (s: ProgramSheet): string => {
    const at = plan?.starts.findIndex((x) => x.configuration.id === s.start?.start) ?? -1;
    const verdict = s.start ? words.verdicts[s.start.verdict] : '';
    return plan && at >= 0 ? `${names[at]}, ${startLabel(plan.starts[at])}: ${verdict}` : verdict;
  };
  const hex = (n: number) => n.toString(16).toUpperCase();
  const told = (f: Found | null, say: (n: number) => string): string[] =>
    f ? [`${say(f.value)}${f.isSeen ? '' : ` ${words.unseen}`}`] : [];
  const soundOf = ({ setUp: { sound } }: ProgramSheet): string =>
    sound
      ? words.soundText(
          sound.card,
          [
            ...told(sound.port, (n) => words.port(hex(n))),
            ...told(sound.irq, words.irq),
            ...told(sound.dma, words.dma),
            ...told(sound.dma16, words.dma16)
          ].join(', ')
        )
      : words.noSound;
  const musicOf = ({ setUp }: ProgramSheet): string =>
    [setUp.fm ? words.fm : '', ...told(setUp.midi, (n) => words.midi(hex(n)))].filter(Boolean).join(', ') ||
    words.noMusic;
  const reachText = (name: string, reach: Reach) =>
    reach === 'none' ? '' : reach === 'here' ? name : `${name} ${words.noDriver}`;
  const inputOf = ({ setUp }: ProgramSheet): string =>
    [setUp.joystick ? words.joystick : '', reachText(words.mouse, setUp.mouse), reachText(words.cd, setUp.cd)]
      .filter(Boolean)
      .join(', ') || words.neither;

  let results = $state<Record<string, string>>({});
  let notes = $state<Record<string, string>>({});
  function note(id: string) {
    const result = results[id] as Tried['result'] | undefined;
    if (!result) return;
    const typed = (notes[id] ?? '').trim().slice(0, 400);
    const one: Tried = { at: new Date().toISOString(), result, ...(typed ? { note: typed } : {}) };
    const tried = session.build.boot?.tried ?? {};
    session.change(
      withBoot(session.build, { tried: { ...tried, [id]: [...(tried[id] ?? []), one].slice(-20) } }),
      words.triedNoted
    );
    results = { ...results, [id]: '' };
    notes = { ...notes, [id]: '' };
  }
</script>

<Planning {planner} />
<p class="quiet">{words.programsLead}</p>
{#if !sheets.length}<p>{words.programsNone}</p>
{:else}<p class="no-print"><Button class="act" onclick={() => print()}>{words.print}</Button></p>{/if}
<div class="no-print">
  <OwnProgram
    profiles={session.build.brief.profiles}
    add={(profile) =>
      session.change(
        {
          ...session.build,
          brief: { ...session.build.brief, profiles: [...session.build.brief.profiles, profile] }
        },
        words.programAdded(profile.name)
      )}
  />
</div>
<div class="cards gap-4 grid grid-cols-[repeat(auto-fit,minmax(22rem,1fr))] mt-2.5 max-sm:grid-cols-1">
  {#each sheets as s (s.profile.id)}
    <section class="px-3.5 border-[1.5px] border-ink pt-2 pb-3.25 bg-sheet break-inside-avoid">
      <h2 class="text-head">{s.profile.name}</h2>
      {#if s.profile.summary}<p class="quiet">{s.profile.summary}</p>{/if}
      <dl class="my-2 grid grid-cols-[7.5rem_minmax(0,1fr)]">
        <dt>{words.asks.start}</dt>
        <dd>{startOf(s)}</dd>
        <dt>{words.asks.speed}</dt>
        <dd>
          {#if s.speed}
            <b class:bad={s.speed.verdict !== 'fits'}>{words.speedVerdicts[s.speed.verdict]}</b>, {words.speedText(
              s.speed.index,
              s.speed.from,
              s.speed.to
            )}
            {#if s.speed.verdict === 'too-fast'}
              <span class="block"
                >{s.speed.slow.length ? words.slowBy(slowWays(s.speed.slow)) : words.noSlow}</span
              >
            {/if}
          {:else}{words.anySpeed}{/if}
        </dd>
        <dt>{words.asks.sound}</dt>
        <dd>{soundOf(s)}</dd>
        <dt>{words.asks.music}</dt>
        <dd>{musicOf(s)}</dd>
        <dt>{words.asks.input}</dt>
        <dd>{inputOf(s)}</dd>
        <dt>{words.asks.tried}</dt>
        <dd>
          {#each s.tried as t (t.at)}<span class="block"
              ><b>{triedWords[t.result]}</b>, {timeText(t.at)}{t.note ? `: ${t.note}` : ''}</span
            >{:else}{words.triedNever}{/each}
        </dd>
      </dl>
      <div class="try no-print gap-2 grid grid-cols-[minmax(0,1fr)_auto] max-sm:grid-cols-1">
        <OneOf
          aria-label="{words.triedAs} {s.profile.name}"
          items={[
            { value: '', name: words.triedAs },
            ...Object.entries(triedWords).map(([value, name]) => ({ value, name }))
          ]}
          bind:value={results[s.profile.id]}
        />
        <Input
          bind:value={notes[s.profile.id]}
          maxlength={400}
          placeholder={words.triedNote}
          aria-label="{words.triedNote} {s.profile.name}"
        />
        <Button class="act" disabled={!results[s.profile.id]} onclick={() => note(s.profile.id)}
          >{words.triedAdd}</Button
        >
      </div>
    </section>
  {/each}
</div>

<style>
  dt {
    color: var(--quiet);
  }
  dt,
  dd {
    margin: 0;
    padding: 0.2rem 0;
    border-top: 1px solid var(--rule);
  }

  .bad {
    color: var(--stop);
  }
  .try :global(> :first-child) {
    grid-column: 1 / -1;
  }
</style>
