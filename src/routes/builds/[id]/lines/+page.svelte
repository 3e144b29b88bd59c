<script lang="ts">
  import Loom from '$lib/ui/loom/Loom.svelte';
  import { text } from '$lib/words/en/screens';
</script>

<h1>{text.lines.title}</h1>
<p class="lead">{text.lines.lead}</p>
<div class="scroll">
  <Loom />
  {#await import('$lib/ui/loom/Scales.svelte')}
    <p class="wait">{text.lines.wait}</p>
  {:then { default: Scales }}
    <Scales />
  {:catch}
    <p class="wait">{text.serverGone}</p>
  {/await}
</div>

<style>
  .lead {
    margin: 0 0 0.5rem;
    color: var(--quiet);
  }
  .wait {
    min-height: 22rem;
    color: var(--quiet);
  }
</style>
