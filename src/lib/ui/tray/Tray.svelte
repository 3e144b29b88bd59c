<script lang="ts">
  import { page } from '$app/state';
  import { onMount } from 'svelte';
  import { placeOf } from '$lib/core/rules';
  import { getBench } from '../context';
  import { text } from '$lib/words/en/screens';
  import FindingRow from './FindingRow.svelte';

  const { session, planner } = getBench();
  const selectedPanel = () => import('./Selected.svelte');
  /** Loaded with the solver when the page has been drawn, so that they are there when the server is away. */
  const planPanel = () => import('./Plan.svelte');
  const whyPanel = () => import('./Why.svelte');
  onMount(() => {
    const timer = setTimeout(() => void Promise.all([planPanel(), whyPanel()]).catch(() => null), 1500);
    return () => clearTimeout(timer);
  });
  const stage = $derived(page.url.pathname.split('/')[3] ?? '');
  const serious = $derived(session.findings.filter((f) => f.severity !== 'note'));
  /** What belongs to the stage that is open comes first. */
  const here = $derived(serious.filter((f) => placeOf(f).stage === stage));
  const elsewhere = $derived(serious.filter((f) => placeOf(f).stage !== stage));
  let showsNotes = $state(false);
  const notes = $derived(session.findings.filter((f) => f.severity === 'note'));
</script>

<aside class="no-print" aria-label={text.tray.label}>
  <div class="stay">
    {#if planner.trouble}<p class="trouble" role="alert">{planner.trouble}</p>{/if}
    {#if planner.state === 'plan' || planner.state === 'working'}
      {#await planPanel() then { default: Plan }}<Plan />{/await}
    {/if}
    {#if planner.state === 'why' && planner.why}
      {#await whyPanel() then { default: Why }}<Why why={planner.why} />{/await}
    {/if}
    {#if planner.state !== 'plan'}
      <h2 class="eyebrow">{text.tray.inTheWay}</h2>
      {#each here as finding, i (finding.id)}<FindingRow {finding} open={i === 0} />{/each}
      {#if here.length && elsewhere.length}<h2 class="eyebrow">{text.tray.elsewhere}</h2>{/if}
      {#each elsewhere as finding, i (finding.id)}<FindingRow
          {finding}
          open={i === 0 && here.length === 0}
        />{/each}
      {#if !serious.length}
        {#if session.checked.status === 'clean'}
          <p class="clear"><span class="cap" aria-hidden="true"></span>{text.tray.nothingInTheWay}</p>
        {:else}<p class="clear">{text.tray.nothingFound(session.checked.hiding.length)}</p>{/if}
      {/if}
    {/if}
    {#await selectedPanel() then { default: Selected }}<Selected />{/await}
    {#if notes.length && planner.state !== 'plan'}
      <details bind:open={showsNotes}>
        <summary>{text.tray.notes(notes.length)}</summary>
        {#each showsNotes ? notes : [] as finding (finding.id)}<FindingRow {finding} />{/each}
      </details>
    {/if}
  </div>
</aside>

<style>
  /* In sight while the page scrolls. */
  .stay {
    position: sticky;
    top: 0;
    max-height: 100vh;
    padding: 0.9rem 1rem 2rem;
    overflow-y: auto;
  }
  aside {
    background: var(--sheet);
    border-left: 2px solid var(--ink);
    min-width: 0;
  }
  h2 {
    margin-bottom: 0.4rem;
  }
  .clear {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    margin: 0.4rem 0 1rem;
    font-size: 1.1rem;
    font-weight: 650;
  }
  .cap {
    width: 30px;
    height: 18px;
    background: var(--yellow);
    border: 1.5px solid var(--ink);
  }
  .trouble {
    margin: 0 0 0.7rem;
    padding-left: 0.6rem;
    border-left: 8px solid var(--stop);
  }
  details {
    margin-top: 1rem;
  }
  @media (max-width: 900px) {
    aside {
      border-left: 0;
      border-top: 2px solid var(--ink);
    }
    .stay {
      position: static;
      max-height: none;
    }
  }
</style>
