<script lang="ts">
  import { ThemeProvider } from 'flowbite-svelte';
  import { theme } from '$lib/ui/kit/theme';
  import '../app.css';
  let { children } = $props();
</script>

<ThemeProvider {theme}>{@render children()}</ThemeProvider>
