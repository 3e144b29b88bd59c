<script lang="ts">
  import type { Snippet } from 'svelte';
  import { text } from '$lib/words/en/screens';
  import Mark from './Mark.svelte';

  let { children }: { children: Snippet } = $props();
</script>

<header class="no-print">
  <a href="/"><Mark /><span>{text.product}</span></a>
  {@render children()}
</header>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.55rem;
    padding: 0.55rem 1rem;
    background: var(--sheet);
    border-bottom: 2px solid var(--ink);
  }
  a {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    margin-right: 0.5rem;
    color: var(--ink);
    font-size: 1.2rem;
    font-weight: 800;
    font-stretch: 85%;
    text-decoration: none;
  }
</style>
