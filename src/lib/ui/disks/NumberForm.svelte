<script lang="ts" generics="K extends 'cylinders' | 'heads' | 'sectors' | 'total'">
  import { Input, Button } from 'flowbite-svelte';
  import { disks as disksText } from '$lib/words/en/screens/disks';
  import { wholeNumber } from './record';

  /** A few whole numbers and a button; the first that is none is told, and nothing that was typed is lost. */
  interface Props {
    /** Fields in their order with the most that each takes. */
    most: Record<K, number>;
    /** Fields that may be left empty. */
    optional?: readonly NoInfer<K>[];
    label: (name: string) => string;
    button: string;
    save: (values: Record<K, number>) => void;
  }
  let { most, optional = [], label, button, save }: Props = $props();
  const words = disksText;
  const fields = $derived(Object.keys(most) as K[]);
  let told = $state<Partial<Record<K, string>>>({});
  let trouble = $state('');

  function write(event: SubmitEvent) {
    event.preventDefault();
    const typed = (field: K) => told[field]?.trim() ?? '';
    const wanted = fields.filter((f) => typed(f) || !optional.includes(f));
    const bad = wanted.find((f) => wholeNumber(typed(f), most[f]) === null);
    trouble = bad ? words.badNumber(words.fieldNames[bad], most[bad]) : '';
    if (bad) return;
    save(Object.fromEntries(wanted.map((f) => [f, wholeNumber(typed(f), most[f])])) as Record<K, number>);
    told = {};
  }
</script>

<form class="inline-form" onsubmit={write}>
  {#each fields as field (field)}
    <Input
      bind:value={told[field]}
      aria-label={label(words.fieldNames[field])}
      placeholder={words.fieldNames[field]}
      inputmode="numeric"
      maxlength={19}
    />
  {/each}
  <Button type="submit" class="act">{button}</Button>
</form>
{#if trouble}<p class="bad" role="alert">{trouble}</p>{/if}
