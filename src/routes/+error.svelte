<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/words/en/screens';
</script>

<svelte:head><title>{page.status} · {text.product}</title></svelte:head>
<main>
  <h1>{page.status === 404 ? text.errorMissing : text.errorOther}</h1>
  <p>{page.error?.message}</p>
  <p><a href="/">{text.backToBuilds}</a></p>
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
    display: inline-block;
    padding: 0.4rem 0;
    color: var(--ink);
    text-decoration: underline;
  }
</style>
