<script lang="ts">
  import Bench from '$lib/ui/shell/Bench.svelte';
  let { data, children } = $props();
</script>

{#key data.record.build.id}
  <Bench record={data.record} parts={data.parts}>{@render children()}</Bench>
{/key}
