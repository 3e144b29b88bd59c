<script lang="ts">
  import { page } from '$app/state';
  import Devices from '$lib/ui/boot/Devices.svelte';
  import OwnFiles from '$lib/ui/boot/OwnFiles.svelte';
  import Programs from '$lib/ui/boot/Programs.svelte';
  import Sizes from '$lib/ui/boot/Sizes.svelte';
  import Starts from '$lib/ui/boot/Starts.svelte';
  import Windows from '$lib/ui/boot/Windows.svelte';
  import Views from '$lib/ui/parts/Views.svelte';
  import { boot as words } from '$lib/words/en/screens/boot';

  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'plan');
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} />
{#if view === 'plan'}
  <p class="mx-0 mt-0 mb-2.5 text-quiet">{words.lead}</p>
  <Starts />
{:else if view === 'own'}<OwnFiles />
{:else if view === 'sizes'}<Sizes />
{:else if view === 'programs'}<Programs />
{:else if view === 'devices'}<Devices />
{:else}<Windows />{/if}
