<script lang="ts">
  import { page } from '$app/state';
  import Views from '$lib/ui/parts/Views.svelte';
  import Blocks from '$lib/ui/switches/Blocks.svelte';
  import Clock from '$lib/ui/switches/Clock.svelte';
  import Moves from '$lib/ui/switches/Moves.svelte';
  import { switches as words } from '$lib/words/en/screens/switches';

  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'blocks');
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} />
{#if view === 'blocks'}
  <p class="mx-0 mt-0 mb-2.5 text-quiet">{words.lead}</p>
  <Blocks />
{:else if view === 'moves'}<Moves />
{:else}<Clock />{/if}
