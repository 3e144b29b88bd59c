<script lang="ts">
  import Fold from '../kit/Fold.svelte';
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

<aside
  class="no-print border-l-2 border-l-ink bg-sheet min-w-0 max-lg:border-t-2 max-lg:border-l-0 max-lg:border-t-ink"
  aria-label={text.tray.label}
>
  <div
    class="stay px-4 sticky top-0 max-h-screen pt-3.5 pb-8 overflow-y-auto max-lg:static max-lg:max-h-none"
  >
    {#if planner.trouble}<p class="border-l-8 border-l-stop mb-2.75 pl-2.5" role="alert">
        {planner.trouble}
      </p>{/if}
    {#if planner.state === 'plan' || planner.state === 'working'}
      {#await planPanel() then { default: Plan }}<Plan />{/await}
    {/if}
    {#if planner.state === 'why' && planner.why}
      {#await whyPanel() then { default: Why }}<Why why={planner.why} />{/await}
    {/if}
    {#if planner.state !== 'plan'}
      <h2 class="eyebrow mb-1.25">{text.tray.inTheWay}</h2>
      {#each here as finding, i (finding.id)}<FindingRow {finding} open={i === 0} />{/each}
      {#if here.length && elsewhere.length}<h2 class="eyebrow mb-1.25">{text.tray.elsewhere}</h2>{/if}
      {#each elsewhere as finding, i (finding.id)}<FindingRow
          {finding}
          open={i === 0 && here.length === 0}
        />{/each}
      {#if !serious.length}
        {#if session.checked.status === 'clean'}
          <p class="gap-2.5 flex items-center mt-1.5 mb-4 text-large font-[650]">
            <span class="border-[1.5px] border-ink w-[30px] h-[18px] bg-yellow" aria-hidden="true"
            ></span>{text.tray.nothingInTheWay}
          </p>
        {:else}<p class="gap-2.5 flex items-center mt-1.5 mb-4 text-large font-[650]">
            {text.tray.nothingFound(session.checked.hiding.length)}
          </p>{/if}
      {/if}
    {/if}
    {#await selectedPanel() then { default: Selected }}<Selected />{/await}
    {#if notes.length && planner.state !== 'plan'}
      <Fold class="mt-4" bind:open={showsNotes} title={text.tray.notes(notes.length)}>
        {#each showsNotes ? notes : [] as finding (finding.id)}<FindingRow {finding} />{/each}
      </Fold>
    {/if}
  </div>
</aside>
