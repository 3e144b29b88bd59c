<script lang="ts">
  import { page } from '$app/state';
  import { Button } from 'flowbite-svelte';
  import { clearTicks } from '$lib/core/settings';
  import { exportKinds, exported, type ExportKind } from '$lib/formats';
  import { getBench } from '$lib/ui/context';
  import Views from '$lib/ui/parts/Views.svelte';
  import { saveAs } from '$lib/ui/save-as';
  import Apart from '$lib/ui/sheet/Apart.svelte';
  import Cables from '$lib/ui/sheet/Cables.svelte';
  import Sheet from '$lib/ui/sheet/Sheet.svelte';
  import { switches as switchWords } from '$lib/words/en/screens/switches';
  import { sheet as sheetText } from '$lib/words/en/screens/sheet';

  const { session } = getBench();
  const words = sheetText;
  const views = Object.keys(words.views) as (keyof typeof words.views)[];
  const view = $derived(views.find((v) => v === page.url.searchParams.get('view')) ?? 'sheet');

  /** Made here, so that it also works while the server is away. */
  function save(kind: ExportKind) {
    const { content, media, name } = exported(session.build, session.parts, kind);
    saveAs(name, media, content);
  }
</script>

<div class="no-print gap-2 flex flex-wrap items-center mb-4">
  <h1 class="flex-1">{words.title}</h1>
  <Button class="act main" onclick={() => print()}>{words.print}</Button>
  {#if session.build.done}<Button
      class="act"
      onclick={() => session.change(clearTicks(session.build), switchWords.cleared)}>{words.clear}</Button
    >{/if}
  <span>{words.saveAs}</span>
  {#each exportKinds as kind (kind)}
    <Button class="act" onclick={() => save(kind)}>{words.kinds[kind]}</Button>
  {/each}
</div>
<Views names={words.views} label={words.viewsLabel} {view} />
{#if view === 'sheet'}<Sheet />{:else if view === 'cables'}<Cables />{:else}<Apart />{/if}
