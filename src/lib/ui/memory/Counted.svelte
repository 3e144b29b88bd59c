<script lang="ts">
  import { Input, Label } from 'flowbite-svelte';
  import { fromCount, readSize } from '$lib/core/boards';
  import { variantWords } from '$lib/words';
  import { memoryMap as words } from '$lib/words/en/screens/memory-map';

  let { totalKiB }: { totalKiB: number } = $props();
  /** Fillings that boards of all classes have. */
  const usual = [
    256, 512, 640, 1024, 1664, 2048, 2688, 3072, 4096, 5120, 6144, 8192, 10_240, 12_288, 16_384, 20_480,
    24_576, 32_768, 49_152, 65_536
  ];
  let typed = $state('');
  const range = $derived(typed.trim() ? readSize(typed) : null);
  const ways = $derived(
    range ? fromCount(range.least, range.most, [totalKiB, ...usual].filter(Boolean)) : []
  );
  const own = $derived(ways.filter((w) => w.totalKiB === totalKiB));
  const others = $derived(ways.filter((w) => w.totalKiB !== totalKiB).slice(0, 6));
</script>

<section>
  <Label for="map-count">{words.counted}</Label>
  <Input id="map-count" class="max-w-72" bind:value={typed} placeholder={words.countHint} maxlength={40} />
  <div aria-live="polite">
    {#if typed.trim() && !range}
      <p class="bad my-1.5 mx-0">{words.badCount(typed)}</p>
    {:else if range}
      {#each own as w (`${w.variant}${w.countsFitted}`)}
        <p class="my-1.5"><b>{words.countFits(variantWords[w.variant], w.countsFitted)}</b></p>
      {/each}
      {#if !ways.length}<p class="my-1.5">{words.countNone}</p>{/if}
      {#if !own.length && others.length}
        <p class="my-1.5">{words.countLess(totalKiB)}</p>
        <ul class="pl-4.75 list-disc">
          {#each others as w (`${w.totalKiB}${w.variant}${w.countsFitted}`)}
            <li>{words.countOther(w.totalKiB, variantWords[w.variant], w.countsFitted)}</li>
          {/each}
        </ul>
      {/if}
    {/if}
  </div>
</section>
