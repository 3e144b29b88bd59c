<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { text } from '$lib/words/en/screens';

  let { close }: { close: () => void } = $props();
  let box: HTMLDialogElement;
  onMount(() => box.showModal());
</script>

<dialog
  class="m-auto py-4.75 px-5.5 border-3 border-ink bg-sheet text-ink"
  bind:this={box}
  onclose={close}
  aria-labelledby="keys-title"
>
  <h2 class="mb-2.5 text-head" id="keys-title">{text.keysTitle}</h2>
  <dl class="grid grid-cols-[auto_1fr] gap-y-1.5 gap-x-4.75 mb-4">
    {#each text.keys as [key, what] (key)}<dt class="font-mono font-bold">{key}</dt>
      <dd>{what}</dd>{/each}
  </dl>
  <Button class="act" onclick={() => box.close()}>{text.close}</Button>
</dialog>
