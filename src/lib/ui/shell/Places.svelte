<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/words/en/screens';

  const places = Object.entries(text.places);
</script>

<!-- The places outside a build, on every page that is not one. -->
<nav class="gap-0.75 flex flex-wrap" aria-label={text.placesLabel}>
  {#each places as [path, name] (path)}
    <a
      class="py-1 px-2.5 border-b-3 border-b-transparent text-ink font-semibold no-underline hover:border-b-rule"
      href={path}
      aria-current={page.url.pathname === path ? 'page' : undefined}>{name}</a
    >
  {/each}
</nav>

<style>
  a[aria-current='page'] {
    font-weight: 750;
    border-bottom-color: var(--ink);
  }
</style>
