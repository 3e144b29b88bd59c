<script lang="ts">
  import { floppyChains } from '$lib/core/disks';
  import { kitOf } from '$lib/core/kit';
  import { getBench } from '../context';
  import { text } from '../text';

  const words = text.disks;
  const { session } = getBench();
  const kit = $derived(kitOf(session.build, session.parts, session.machine));
  const chains = $derived(floppyChains(kit));
  const titleAt = (letter: string) => chains.find((c) => c.letter === letter)?.title ?? '—';
  /** Where each plug sits along the drawn cable. */
  const spots = $derived([
    { x: 20, label: words.controller, name: chains.length ? '' : '—' },
    { x: 300, label: words.before, name: titleAt('B') },
    { x: 600, label: words.behind, name: titleAt('A') }
  ]);
</script>

<p class="lead">{words.floppyLead}</p>
{#if !chains.length}<p>{words.noFloppy}</p>{:else}
  <svg viewBox="0 0 720 120" role="img" aria-label={words.cableLabel}>
    {#each [0, 1, 2, 3, 4, 5, 6] as i (i)}<line
        x1="46"
        x2="440"
        y1={40 + i * 6}
        y2={40 + i * 6}
        class="wire"
        class:red={i === 0}
      />
      <line
        x1="440"
        x2="500"
        y1={40 + i * 6}
        y2={i >= 2 && i <= 5 ? 40 + (7 - i) * 6 : 40 + i * 6}
        class="wire"
        class:red={i === 0}
      />
      <line x1="500" x2="610" y1={40 + i * 6} y2={40 + i * 6} class="wire" class:red={i === 0} />{/each}
    <text x="470" y="100" text-anchor="middle" class="note">{words.twist}</text>
    {#each spots as spot (spot.x)}
      <rect x={spot.x} y="32" width="26" height="52" class="plug" />
      <text x={spot.x} y="24" class="name">{spot.name}</text>
      <text x={spot.x} y="100" class="note">{spot.label}</text>
    {/each}
  </svg>
  <p class="lead">{words.cableNote} {words.boot}</p>
  {#each chains as c (c.item)}
    <section class:bad={c.failing}>
      <h2><code>{words.letter(c.letter)}</code> {c.title}</h2>
      <p class="verdict"><b>{c.failing ? words.failing(c.failing.what) : words.holds}</b></p>
      <ul>
        {#each c.links as l (l.what)}<li class:off={!l.ok}>
            <span aria-hidden="true">{l.ok ? '✓' : '✗'}</span>
            {l.text}
          </li>{/each}
      </ul>
      <p class="lead">{c.select}; {words.reads(c.reads.join(', '))}, {words.writes(c.writes.join(', '))}</p>
      {#each c.notes as note (note)}<p class="lead">{note}</p>{/each}
    </section>
  {/each}
{/if}

<style>
  .lead {
    color: var(--quiet);
  }
  svg {
    width: 100%;
    max-width: 48rem;
  }
  .wire {
    stroke: var(--ink);
    stroke-width: 1.4;
  }
  .wire.red {
    stroke: var(--stop);
    stroke-width: 2.6;
  }
  .plug {
    fill: var(--ink);
  }
  .name {
    font: 700 13px var(--font-sans);
    fill: var(--ink);
  }
  .note {
    font: 12px var(--font-sans);
    fill: var(--quiet);
  }
  section {
    margin: 0.8rem 0;
    padding-left: 0.8rem;
    border-left: 6px solid var(--rule);
  }
  section.bad {
    border-left-color: var(--stop);
  }
  h2 {
    font-size: 1.15rem;
  }
  code {
    font-family: var(--font-mono);
  }
  .bad .verdict {
    color: var(--stop);
  }
  p {
    margin: 0.15rem 0;
  }
  ul {
    margin: 0.2rem 0;
    padding: 0;
    list-style: none;
  }
  .off {
    font-weight: 700;
  }
</style>
