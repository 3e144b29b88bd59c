<script lang="ts">
  import OneOf from '../kit/OneOf.svelte';
  import { Input, Button } from 'flowbite-svelte';
  import type { Wish } from '$lib/core/model';
  import { brief as briefText } from '$lib/words/en/screens/brief';
  import PartPick from '../parts/PartPick.svelte';

  interface Props {
    wishes: Wish[];
    partName: (id: string) => string;
    change: (wishes: Wish[]) => void;
  }
  let { wishes, partName, change }: Props = $props();
  const words = briefText;
  let kind = $state<Wish['kind']>('have');
  let count = $state(2);
  let what = $state<keyof typeof words.haves>('network');

  const wordsOf = (wish: Wish): string => {
    switch (wish.kind) {
      case 'keep':
        return words.wishText.keep(partName(wish.part));
      case 'never':
        return words.wishText.never(partName(wish.part));
      case 'spare-slots':
        return words.wishText.spare(wish.count);
      case 'have':
        return words.wishText.have(words.haves[wish.what]);
      default:
        return words.wishKinds[wish.kind];
    }
  };
  const add = (wish: Wish) => change([...wishes, wish]);
  function addPlain() {
    if (kind === 'spare-slots') add({ kind, count });
    else if (kind === 'have') add({ kind, what });
    else if (kind !== 'keep' && kind !== 'never') add({ kind });
  }
</script>

<ul class="mb-1.5">
  {#each wishes as wish, i (i)}
    <li class="py-0.5 gap-2.5 border-b border-b-rule flex items-center justify-between">
      <span>{wordsOf(wish)}</span>
      <Button
        class="act"
        onclick={() => change(wishes.filter((w) => w !== wish))}
        aria-label={words.dropWish(wordsOf(wish))}>×</Button
      >
    </li>
  {/each}
</ul>
<div class="gap-1.5 flex flex-wrap items-start">
  <label class="sr-only" for="wish-kind">{words.addWish}</label>
  <OneOf id="wish-kind" bind:value={kind}>
    {#each Object.entries(words.wishKinds) as [id, name] (id)}<option value={id}>{name}</option>{/each}
  </OneOf>
  {#if kind === 'spare-slots'}
    <label class="sr-only" for="wish-count">{words.wishCount}</label>
    <Input id="wish-count" type="number" min="1" max="8" bind:value={count} />
  {:else if kind === 'have'}
    <label class="sr-only" for="wish-what">{words.wishWhat}</label>
    <OneOf id="wish-what" bind:value={what}>
      {#each Object.entries(words.haves) as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </OneOf>
  {/if}
  {#if kind === 'keep' || kind === 'never'}
    {@const about = kind}
    <PartPick label={words.wishPart} pick={(part) => add({ kind: about, part: part.id })} />
  {:else}
    <Button class="act" onclick={addPlain}>{words.addWish}</Button>
  {/if}
</div>
