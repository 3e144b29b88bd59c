<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { text } from '$lib/words/en/screens';

  let { close }: { close: () => void } = $props();
  let box: HTMLDialogElement;
  onMount(() => box.showModal());
</script>

<dialog bind:this={box} onclose={close} aria-labelledby="keys-title">
  <h2 id="keys-title">{text.keysTitle}</h2>
  <dl>
    {#each text.keys as [key, what] (key)}<dt>{key}</dt>
      <dd>{what}</dd>{/each}
  </dl>
  <Button class="act" onclick={() => box.close()}>{text.close}</Button>
</dialog>

<style>
  dialog {
    margin: auto;
    padding: 1.2rem 1.4rem;
    border: 3px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
  }
  h2 {
    margin-bottom: 0.6rem;
    font-size: 1.3rem;
  }
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.4rem 1.2rem;
    margin-bottom: 1rem;
  }
  dt {
    font-family: var(--font-mono);
    font-weight: 700;
  }
</style>
