<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/words/en/screens';
</script>

<svelte:head><title>{page.status} · {text.product}</title></svelte:head>
<main class="my-16 mx-auto px-4 max-w-160">
  <h1 class="text-huge">{page.status === 404 ? text.errorMissing : text.errorOther}</h1>
  <p>{page.error?.message}</p>
  <p><a class="py-1.5 inline-block text-ink underline" href="/">{text.backToBuilds}</a></p>
</main>
