<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Yellow Jumper</title></svelte:head>
<main>
  <h1>{page.status === 404 ? 'Not here' : 'That did not work'}</h1>
  <p>{page.error?.message}</p>
  <p><a href="/">Back to the builds</a></p>
</main>

<style>
  main {
    max-width: 40rem;
    margin: 4rem auto;
    padding: 0 1rem;
  }
  h1 {
    font-size: 2rem;
  }
  a {
    color: var(--ink);
    text-decoration: underline;
  }
</style>
