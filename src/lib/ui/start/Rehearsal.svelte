<script lang="ts">
  import { rehearse } from '$lib/core/diagnosis';
  import { kitOf } from '$lib/core/kit';
  import { messageWords, stageWords } from '$lib/words';
  import { getBench } from '../context';
  import { start as words } from '../text/start';

  const { session } = getBench();
  const strip = $derived(
    rehearse(kitOf(session.build, session.parts, session.machine), session.checked.findings)
  );
  const shown = $derived(
    strip.stages.filter(
      (s) =>
        s.because.length ||
        !['reset', 'fetch', 'rom', 'timer', 'controllers', 'setup', 'partition'].includes(s.stage)
    )
  );
  const isClear = $derived(strip.stages.every((s) => !s.because.length));
  /** The first stage at which it will surely stand: behind it nothing can be said. */
  const end = $derived(strip.stages.findIndex((s) => s.stops >= 0.5));
  const sentences = (id: string) =>
    session.findings.filter((f) => `finding-${f.rule}` === id).map((f) => f.sentence);
</script>

<p class="lead">{words.rehearsalLead}</p>
{#if !strip.family}<p class="quiet">{words.unknownOrder}</p>{/if}
<ol>
  {#each shown as s (s.stage)}
    {@const at = strip.stages.indexOf(s)}
    <li class:stop={s.stops >= 0.5} class:behind={end >= 0 && at > end}>
      <span class="time">{words.at(...s.from)}</span>
      <span>
        <b>{stageWords[s.stage]}</b>
        {#each s.because as mode (mode.id)}
          <em
            >{s.stops >= 0.5 ? words.stops : s.stops > 0 ? words.mayStop : words.says}{mode.effect.says
              ? `: ${messageWords[mode.effect.says]}`
              : ''}.</em
          >
          {#each sentences(mode.id) as sentence (sentence)}<span class="why">{sentence}</span>{/each}
        {/each}
      </span>
    </li>
  {/each}
</ol>
{#if isClear}<p class="quiet">{words.clear}</p>{/if}

<style>
  .lead,
  .quiet {
    color: var(--quiet);
  }
  ol {
    max-width: 60rem;
    margin: 0.6rem 0;
    padding: 0;
    list-style: none;
    border-left: 3px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: 9rem 1fr;
    gap: 0.8rem;
    padding: 0.35rem 0.7rem;
    border-bottom: 1px solid var(--rule);
  }
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
  em {
    display: block;
    font-style: normal;
    font-weight: 650;
  }
  .why {
    display: block;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 1fr;
      gap: 0.1rem;
    }
  }
</style>
