<script lang="ts">
  import { Button } from 'flowbite-svelte';

  interface Props {
    /** Names of the views by their key, in order. */
    names: Readonly<Record<string, string>>;
    label: string;
    view: string;
    /** What is open in each, where that counts. */
    open?: Readonly<Record<string, number>>;
  }
  let { names, label, view, open = {} }: Props = $props();
</script>

<!-- The views of one stage. Each has an address (back, reload, a window of its own), so they are links and no tabs. -->
<nav
  aria-label={label}
  class="no-print mx-0 border-b-2 border-b-ink flex flex-wrap gap-y-0.75 gap-x-1.25 mt-1.25 mb-3.25"
>
  {#each Object.entries(names) as [key, name] (key)}
    <Button
      class="pressed view py-1.5! px-2.75!"
      href="?view={key}"
      aria-current={key === view ? 'true' : undefined}
      data-sveltekit-noscroll
      >{name}{#if open[key]}<span class={['ml-1.5 font-[750]', key !== view && 'text-stop']}>{open[key]}</span
        >{/if}</Button
    >
  {/each}
</nav>

<style>
  nav :global(.view) {
    font-weight: 600;
  }
  nav :global(.view[aria-current]) {
    background: var(--ink);
    color: var(--sheet);
  }
</style>
