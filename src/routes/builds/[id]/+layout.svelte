<script lang="ts">
  import Bench from '$lib/ui/shell/Bench.svelte';
  import Broken from '$lib/ui/shell/Broken.svelte';
  let { data, children } = $props();
</script>

{#if data.broken}<Broken {...data.broken} />
{:else if data.record}
  {#key data.record.build.id}
    <Bench record={data.record} parts={data.parts}>{@render children()}</Bench>
  {/key}
{/if}
