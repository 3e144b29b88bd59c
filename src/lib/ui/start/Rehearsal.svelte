<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { rehearse, type Rehearsed } from '$lib/core/diagnosis';
  import type { Finding } from '$lib/core/rules';
  import { and, messageWords, missingNames, stageWords, tell } from '$lib/words';
  import { getBench } from '../context';
  import { start as words } from '$lib/words/en/screens/start';

  const { session } = getBench();
  let which: 'found' | 'chosen' = $state('found');
  const told = $derived(rehearse(session.build, session.parts, which));
  const shown = $derived(
    told.stages.filter(
      (s) =>
        s.because.length ||
        !['reset', 'fetch', 'rom', 'timer', 'controllers', 'setup', 'partition'].includes(s.stage)
    )
  );
  const isClear = $derived(
    !told.forbidden.length && !told.misfits.length && told.stages.every((s) => !s.because.length)
  );
  /** The first stage at which it will surely stand: behind it nothing can be said. */
  const end = $derived(told.stages.findIndex((s) => s.stops >= 0.5));
  const unseen = $derived(
    session.checked.findings.flatMap((f) =>
      f.rule === 'setting.unseen' || f.rule === 'setting.unread' ? f.facts.settings : []
    ).length
  );

  function outcome(s: Rehearsed, effect: Rehearsed['because'][number]['effect']): string {
    const how =
      s.stops >= 0.5
        ? words.stops
        : effect.stops > 0
          ? words.mayStop
          : effect.says
            ? words.says
            : effect.dark
              ? words.dark
              : effect.isMissing
                ? words.lacks
                : words.goesOn;
    return `${how}${effect.says ? `: ${messageWords[effect.says]}` : ''}.`;
  }
</script>

{#snippet list(title: string, findings: Finding[])}
  {#if findings.length}
    <h2 class="mt-2.75 mb-1.25">{title}</h2>
    <ul class="pl-5.5 list-disc">
      {#each findings as f (f.id)}<li>{tell(f).sentence}</li>{/each}
    </ul>
  {/if}
{/snippet}

<p class="lead">{words.rehearsalLead}</p>
<div class="my-2 gap-2 flex" role="group" aria-label={words.which}>
  {#each ['found', 'chosen'] as const as w (w)}
    <Button class="act" aria-pressed={which === w} onclick={() => (which = w)}>{words.whiches[w]}</Button>
  {/each}
</div>
{#if told.forbidden.length}<section class="bad" role="alert">
    {@render list(words.forbidden, told.forbidden)}
  </section>{/if}
{@render list(words.misfits, told.misfits)}
{#if !told.family}<p class="quiet">{words.unknownOrder}</p>{/if}
<ol class="my-2.5 border-l-3 border-l-ink max-w-240">
  {#each shown as s (s.stage)}
    {@const at = told.stages.indexOf(s)}
    <li
      class="py-1.5 px-2.75 gap-3.25 border-b border-b-rule grid grid-cols-[9rem_1fr] max-md:gap-0.5 max-md:grid-cols-[1fr]"
      class:stop={s.stops >= 0.5}
      class:behind={end >= 0 && at > end}
    >
      <span class="time">{words.at(...s.from)}</span>
      <span>
        <b>{stageWords[s.stage]}</b>
        {#each s.because as { mode, effect } (mode.id)}
          <em class="block not-italic font-[650]">{outcome(s, effect)}</em>
          {#if mode.finding}<span class="why block">{tell(mode.finding).sentence}</span>{/if}
        {/each}
      </span>
    </li>
  {/each}
</ol>
{@render list(words.later, told.later)}
{#if isClear}<p class="quiet">{words.clear}</p>{/if}
{#if told.notEntered.length}
  <p class="quiet">{words.notEntered(and(told.notEntered.map((k) => missingNames[k])))}</p>
{/if}
{#if unseen}<p class="quiet">{words.unseen(unseen)}</p>{/if}

<style>
  .time {
    font-family: var(--font-mono);
    font-size: 0.9rem;
    color: var(--quiet);
  }
  .stop {
    border-left: 10px solid var(--stop);
  }
  .behind {
    color: var(--quiet);
    background: repeating-linear-gradient(135deg, transparent 0 9px, var(--rule) 9px 10px);
  }
</style>
