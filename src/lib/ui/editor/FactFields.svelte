<script lang="ts">
  import type { Field } from '$lib/formats';
  import FactField from './FactField.svelte';
  import { withFact } from './fields';

  interface Props {
    /** What can be written down, one beside the other. */
    fields: readonly Field[];
    id: string;
    of: string;
    value: object;
    change: (value: Record<string, unknown>) => void;
  }
  let { fields, id, of, value, change }: Props = $props();
</script>

<div class="fields">
  {#each fields as field (field.key)}
    <FactField
      {field}
      id="{id}-{field.key}"
      {of}
      value={(value as Record<string, unknown>)[field.key]}
      change={(v) => change(withFact(value, field.key, v) ?? {})}
    />
  {/each}
</div>

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: 0.5rem 1rem;
    align-items: end;
    margin: 0.4rem 0;
  }
</style>
