<script lang="ts">
  import type { Snippet } from 'svelte';
  import { text } from '$lib/words/en/screens';
  import Mark from './Mark.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<header class="no-print py-2.25 px-4 gap-2.25 border-b-2 border-b-ink flex flex-wrap items-center bg-sheet">
  <a
    class="gap-2 flex items-center mr-2 text-ink text-head font-extrabold [font-stretch:85%] no-underline"
    href="/"><Mark /><span>{text.product}</span></a
  >
  {@render children()}
</header>
