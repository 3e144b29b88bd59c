<script lang="ts">
  import Loom from '$lib/ui/loom/Loom.svelte';
  import { text } from '$lib/words/en/screens';
</script>

<h1>{text.lines.title}</h1>
<p class="mx-0 mt-0 mb-2 text-quiet">{text.lines.lead}</p>
<div class="scroll">
  <Loom />
  {#await import('$lib/ui/loom/Scales.svelte')}
    <p class="min-h-88 text-quiet">{text.lines.wait}</p>
  {:then { default: Scales }}
    <Scales />
  {:catch}
    <p class="min-h-88 text-quiet">{text.serverGone}</p>
  {/await}
</div>
