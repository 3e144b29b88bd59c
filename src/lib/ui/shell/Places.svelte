<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/words/en/screens';

  const places = Object.entries(text.places);
</script>

<!-- The places outside a build, on every page that is not one. -->
<nav aria-label={text.placesLabel}>
  {#each places as [path, name] (path)}
    <a href={path} aria-current={page.url.pathname === path ? 'page' : undefined}>{name}</a>
  {/each}
</nav>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem;
  }
  a {
    padding: 0.25rem 0.6rem;
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a:hover {
    border-bottom-color: var(--rule);
  }
  a[aria-current='page'] {
    font-weight: 750;
    border-bottom-color: var(--ink);
  }
</style>
