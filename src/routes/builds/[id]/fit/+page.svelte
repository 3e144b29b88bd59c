<script lang="ts">
  import { page } from '$app/state';
  import { getBench } from '$lib/ui/context';
  import Drives from '$lib/ui/fit/Drives.svelte';
  import FirstFile from '$lib/ui/fit/FirstFile.svelte';
  import Memory from '$lib/ui/fit/Memory.svelte';
  import Picture from '$lib/ui/fit/Picture.svelte';
  import Power from '$lib/ui/fit/Power.svelte';
  import Slots from '$lib/ui/fit/Slots.svelte';
  import Years from '$lib/ui/fit/Years.svelte';
  import Views from '$lib/ui/parts/Views.svelte';
  import { openByView } from '$lib/core/rules';
  import type { ShelfView } from '$lib/core/model';
  import { fit as fitText } from '$lib/words/en/screens/fit';

  let { data } = $props();
  const words = fitText;
  const { session } = getBench();
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'slots');
  const count = $derived(openByView(session.findings));
  const lent = $derived(
    session.build.items.flatMap((item) => {
      const thing = data.shelf.find((v: ShelfView) => v.item.id === item.specimen);
      return thing?.lentTo ? [{ title: thing.title, to: thing.lentTo }] : [];
    })
  );
</script>

<h1>{words.title}</h1>
<Views names={words.views} label={words.viewsLabel} {view} open={count} />
{#each lent as l (l.title)}<p class="py-1.5 px-3.25 border-l-6 border-l-stop bg-sheet" role="status">
    {words.lentText(l.title, l.to)}
  </p>{/each}
{#if view === 'slots'}<p class="mx-0 mt-0 mb-2.5 text-quiet">{words.lead}</p>
  <Slots shelf={data.shelf} />
{:else if view === 'memory'}<Memory modules={data.modules} shelf={data.shelf} />
{:else if view === 'picture'}<Picture />
{:else if view === 'drives'}<Drives />
{:else if view === 'power'}<Power />
{:else if view === 'time'}<Years />
{:else}<FirstFile shelf={data.shelf} parts={data.shelfParts} helpers={data.helpers} />{/if}
