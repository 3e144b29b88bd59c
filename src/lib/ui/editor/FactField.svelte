<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Button, Checkbox, Input, Label } from 'flowbite-svelte';
  import { factLabel, factOption, facts as words } from '$lib/words/en/screens/facts';
  import type { Field } from '$lib/formats';
  import { withFact } from './fields';
  import FactField from './FactField.svelte';

  interface Props {
    field: Field;
    id: string;
    value: unknown;
    change: (value: unknown) => void;
    /** Of which the field is one: `cpu`, `drive`. */
    of?: string;
  }
  let { field, id, value, change, of = '' }: Props = $props();
  const label = $derived(field.key ? factLabel(of, field.key) : '');
  const list = $derived(Array.isArray(value) ? (value as unknown[]) : []);
  const items = $derived(
    field.type === 'choice'
      ? field.options.map((o) => ({ value: String(o), name: factOption(o) }))
      : field.type === 'yes-no'
        ? [
            { value: 'true', name: words.yes },
            { value: 'false', name: words.no }
          ]
        : []
  );
  const unknown = $derived(field.usual === undefined ? words.notKnown : words.usual(factOption(field.usual)));

  function chosen(text: string) {
    if (text === '') change(undefined);
    else if (field.type === 'yes-no') change(text === 'true');
    else if (field.type === 'choice') change(field.options.find((o) => String(o) === text));
  }
  function typed(text: string) {
    const plain = text.trim().replace(',', '.');
    if (plain === '') change(undefined);
    else if (field.type === 'number') change(Number.isFinite(Number(plain)) ? Number(plain) : plain);
    else change(text.trim());
  }
</script>

{#if field.type === 'group'}
  <fieldset class="my-1.5 px-2.75 border border-rule col-span-full pt-1.5 pb-2.75">
    {#if label}<legend class="px-1.25 font-[650]">{label}</legend>{/if}
    <div class="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-y-2.5 gap-x-4">
      {#each field.fields as part (part.key)}
        <FactField
          field={part}
          id="{id}-{part.key}"
          of={field.key || of}
          value={(value as Record<string, unknown> | undefined)?.[part.key]}
          change={(v) => change(withFact(value, part.key, v))}
        />
      {/each}
    </div>
  </fieldset>
{:else if field.type === 'list'}
  <fieldset class="my-1.5 px-2.75 border border-rule col-span-full pt-1.5 pb-2.75">
    <legend class="px-1.25 font-[650]">{label}</legend>
    {#each list as entry, i (i)}
      <div class="entry gap-2 flex items-end">
        <FactField
          field={field.item}
          id="{id}-{i}"
          of={field.key}
          value={entry}
          change={(v) => change(list.map((e, k) => (k === i ? (v ?? {}) : e)))}
        />
        <Button
          class="act"
          aria-label={words.removeEntry(label, i + 1)}
          onclick={() => change(list.length > 1 ? list.filter((_, k) => k !== i) : undefined)}>×</Button
        >
      </div>
    {/each}
    {#if list.length < field.most}
      <Button class="act" onclick={() => change([...list, field.item.type === 'group' ? {} : ''])}
        >{words.addEntry(label)}</Button
      >
    {/if}
  </fieldset>
{:else if field.type === 'choices'}
  <fieldset>
    <legend class="px-1.25 font-[650]">{label}{field.required ? words.needed : ''}</legend>
    <div class="flex flex-wrap gap-y-1.5 gap-x-3.5">
      {#each field.options as option (option)}
        <Checkbox
          checked={list.includes(option)}
          onchange={() => {
            const next = list.includes(option) ? list.filter((o) => o !== option) : [...list, option];
            change(next.length ? next : undefined);
          }}>{factOption(option)}</Checkbox
        >
      {/each}
    </div>
  </fieldset>
{:else}
  <div>
    <Label for={id}>{label}{field.required ? words.needed : ''}</Label>
    {#if field.type === 'number' || field.type === 'text'}
      <Input
        {id}
        value={value === undefined ? '' : String(value)}
        inputmode={field.type === 'number' ? 'decimal' : 'text'}
        maxlength={field.type === 'text' ? field.most : 14}
        placeholder={field.usual === undefined ? '' : words.usual(factOption(field.usual))}
        autocomplete="off"
        onchange={(e) => typed(e.currentTarget.value)}
      />
    {:else}
      <OneOf
        {id}
        items={[{ value: '', name: unknown }, ...items]}
        value={value === undefined ? '' : String(value)}
        onchange={(e) => chosen(e.currentTarget.value)}
      />
    {/if}
  </div>
{/if}

<style>
  .entry > :global(:first-child) {
    flex: 1;
  }
</style>
