<script lang="ts">
  import Fold from '../kit/Fold.svelte';
  import { Input } from 'flowbite-svelte';
  import OneOf from '../kit/OneOf.svelte';
  import { featureLabel, featureValue } from '$lib/words';
  import { groups, type Feature, type Seen, type Value } from '$lib/core/identify';
  import { identify as identifyText } from '$lib/words/en/screens/catalogue';

  interface Props {
    features: readonly Feature[];
    seen: readonly Seen[];
    /** Values that a `which` feature takes on the known parts. */
    valuesOf: (feature: string) => string[];
    set: (feature: string, value: Value | null) => void;
  }
  let { features, seen, valuesOf, set }: Props = $props();
  const words = identifyText;
  const value = (id: string) => seen.find((s) => s.feature === id)?.value;
  let query = $state('');
  const shown = (f: Feature) =>
    value(f.id) !== undefined ||
    !query.trim() ||
    featureLabel(f).toLowerCase().includes(query.trim().toLowerCase());
</script>

<label for="look-query">{words.findFeature}</label>
<Input id="look-query" bind:value={query} autocomplete="off" />
{#each groups as group (group)}
  {@const own = features.filter((f) => f.group === group && shown(f))}
  {#if own.length}
    <Fold
      open={group === 'slots' ||
        group === 'sockets' ||
        own.some((f) => value(f.id) !== undefined) ||
        query !== ''}
      title={words.groups[group]}
    >
      <div class="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-y-0.75 gap-x-4">
        {#each own as f (f.id)}
          {#if f.kind === 'count'}
            <label class="count py-0.5 gap-2 border-b border-b-rule flex justify-between items-center"
              >{featureLabel(f)}
              <Input
                type="number"
                min="0"
                max="40"
                value={String(value(f.id) ?? '')}
                onchange={(e) =>
                  set(f.id, e.currentTarget.value === '' ? null : Number(e.currentTarget.value))}
              /></label
            >
          {:else if f.id === 'etched'}
            <label
              class="count wide py-0.5 gap-2 border-b border-b-rule flex justify-between items-center col-span-full"
              >{featureLabel(f)}
              <Input
                value={String(value(f.id) ?? '')}
                maxlength={40}
                onchange={(e) => set(f.id, e.currentTarget.value.trim() || null)}
              /></label
            >
          {:else if f.kind === 'which'}
            <label
              class="count wide py-0.5 gap-2 border-b border-b-rule flex justify-between items-center col-span-full"
              >{featureLabel(f)}
              <OneOf value={value(f.id) ?? ''} onchange={(e) => set(f.id, e.currentTarget.value || null)}>
                <option value="">{words.notLooked}</option>
                {#each valuesOf(f.id) as v (v)}<option value={v}>{featureValue(f, v)}</option>{/each}
              </OneOf></label
            >
          {:else}
            <label class="count py-0.5 gap-2 border-b border-b-rule flex justify-between items-center"
              >{featureLabel(f)}
              <OneOf
                value={value(f.id) === undefined ? '' : value(f.id) ? 'yes' : 'no'}
                onchange={(e) =>
                  set(f.id, e.currentTarget.value === '' ? null : e.currentTarget.value === 'yes')}
              >
                <option value="">{words.notLooked}</option>
                <option value="yes">{words.seen}</option>
                <option value="no">{words.notSeen}</option>
              </OneOf></label
            >
          {/if}
        {/each}
      </div>
    </Fold>
  {/if}
{/each}
