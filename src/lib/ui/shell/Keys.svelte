<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';

  let { close }: { close: () => void } = $props();
  let box: HTMLDialogElement;
  const rows = [
    ['R', 'resolve: the fewest moves without a clash'],
    ['P', 'bench sheet'],
    ['/', 'search parts'],
    ['← →', 'on a cap: move it along its row'],
    ['↑ ↓', 'on a cap: go to the cap above or below'],
    ['L', 'on a cap: lock it where it is, or unlock'],
    ['Enter', 'on a ring: move the cap there; on a struck ring: why not?'],
    ['Ctrl Z, Ctrl Y', 'undo, redo'],
    ['Esc', 'leave a plan or an explanation']
  ];
  onMount(() => box.showModal());
</script>

<dialog bind:this={box} onclose={close} aria-labelledby="keys-title">
  <h2 id="keys-title">Keys</h2>
  <dl>
    {#each rows as [key, what] (key)}<dt>{key}</dt>
      <dd>{what}</dd>{/each}
  </dl>
  <Button class="act" onclick={() => box.close()}>Close</Button>
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
