<script lang="ts">
  import Bench from '$lib/ui/shell/Bench.svelte';
  let { data, children } = $props();
</script>

{#if data.broken}
  {#await import('$lib/ui/shell/Broken.svelte') then { default: Broken }}<Broken {...data.broken} />{/await}
{:else if data.record}
  {#key data.record.build.id}
    <Bench record={data.record} parts={data.parts}>{@render children()}</Bench>
  {/key}
{/if}
