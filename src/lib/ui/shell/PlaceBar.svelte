<script lang="ts">
  import type { Snippet } from 'svelte';
  import Places from './Places.svelte';
  import ThemeSwitch from './ThemeSwitch.svelte';
  import TopBar from './TopBar.svelte';

  /** Buttons of one page, beside the theme switch. */
  let { children }: { children?: Snippet } = $props();
</script>

<TopBar>
  <Places />
  <span class="flex-1"></span>
  {@render children?.()}
  <ThemeSwitch />
</TopBar>
