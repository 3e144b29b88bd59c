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
<nav aria-label={label} class="no-print">
  {#each Object.entries(names) as [key, name] (key)}
    <a href="?view={key}" aria-current={key === view ? 'true' : undefined} data-sveltekit-noscroll
      >{name}{#if open[key]}<span class="n">{open[key]}</span>{/if}</a
    >
  {/each}
</nav>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.3rem;
    margin: 0.3rem 0 0.8rem;
    border-bottom: 2px solid var(--ink);
  }
  a {
    padding: 0.35rem 0.7rem;
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
  a[aria-current] {
    background: var(--ink);
    color: var(--sheet);
  }
  .n {
    margin-left: 0.4rem;
    font-weight: 750;
    color: var(--stop);
  }
  a[aria-current] .n {
    color: inherit;
  }
</style>
