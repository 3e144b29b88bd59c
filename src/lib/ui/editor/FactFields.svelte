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

<div class="my-1.5 grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-y-2 gap-x-4 items-end">
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
