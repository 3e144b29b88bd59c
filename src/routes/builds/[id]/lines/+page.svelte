<script lang="ts">
  import Loom from '$lib/ui/loom/Loom.svelte';
  import Scales from '$lib/ui/loom/Scales.svelte';
  import { text } from '$lib/ui/text';
</script>

<h1>{text.stages.lines}</h1>
<p class="lead">{text.linesLead}</p>
<div class="scroll">
  <Loom />
  <Scales />
</div>

<style>
  h1 {
    font-size: 1.35rem;
  }
  .lead {
    margin: 0 0 0.5rem;
    color: var(--quiet);
  }
  .scroll {
    overflow-x: auto;
  }
</style>
