<script lang="ts">
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

<!-- The views of one stage, as tabs that are links. -->
<nav
  aria-label={label}
  class="no-print mx-0 border-b-2 border-b-ink flex flex-wrap gap-y-0.75 gap-x-1.25 mt-1.25 mb-3.25"
>
  {#each Object.entries(names) as [key, name] (key)}
    <a
      class="py-1.5 px-2.75 text-ink font-semibold no-underline"
      href="?view={key}"
      aria-current={key === view ? 'true' : undefined}
      data-sveltekit-noscroll
      >{name}{#if open[key]}<span class="n ml-1.5 font-[750] text-stop">{open[key]}</span>{/if}</a
    >
  {/each}
</nav>

<style>
  a[aria-current] {
    background: var(--ink);
    color: var(--sheet);
  }

  a[aria-current] .n {
    color: inherit;
  }
</style>
