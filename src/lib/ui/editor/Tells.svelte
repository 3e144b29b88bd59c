<script lang="ts">
  import { Input } from 'flowbite-svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { FactId, type FactValue, type Part, type Setting } from '$lib/core/model';
  import { factOf, withTelling } from '$lib/core/own';
  import { tells as words } from '$lib/words/en/screens/catalogue';

  interface Props {
    part: Part;
    setting: Setting;
    change: (part: Part) => void;
  }
  let { part, setting, change }: Props = $props();
  const told = $derived(factOf(part, setting.id));
  const valueOf = (text: string): FactValue | undefined => {
    const plain = text.trim().replace(',', '.');
    if (!plain) return undefined;
    return Number.isFinite(Number(plain)) ? Number(plain) : plain.slice(0, 40);
  };
  function choose(fact: string) {
    const values = Object.fromEntries(
      setting.positions.map((p) => [p.id, told?.values[p.id] ?? valueOf(p.label) ?? p.label])
    );
    change(withTelling(part, setting.id, fact ? { fact: fact as FactId, values } : null));
  }
  function say(position: string, text: string) {
    if (!told) return;
    const { [position]: _, ...rest } = told.values;
    const value = valueOf(text);
    change(
      withTelling(part, setting.id, {
        fact: told.fact,
        values: value === undefined ? rest : { ...rest, [position]: value }
      })
    );
  }
</script>

<div class="my-0.75 flex flex-wrap gap-y-1.5 gap-x-3.25 items-center">
  <label
    >{words.label}
    <OneOf value={told?.fact ?? ''} onchange={(e) => choose(e.currentTarget.value)}>
      <option value="">{words.nothing}</option>
      {#each FactId.options as fact (fact)}<option value={fact}>{words.facts[fact]}</option>{/each}
    </OneOf></label
  >
  {#if told}
    {#each setting.positions as p (p.id)}
      <label
        >{p.label}
        <Input
          class="w-21! font-mono"
          value={String(told.values[p.id] ?? '')}
          onchange={(e) => say(p.id, e.currentTarget.value)}
        /></label
      >
    {/each}
  {/if}
</div>

<style>
</style>
