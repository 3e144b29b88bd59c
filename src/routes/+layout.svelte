<script lang="ts">
  import { ThemeProvider } from 'flowbite-svelte';
  import '../app.css';
  let { children } = $props();
</script>

<!-- Without a theme every button would look for one in vain, which takes longer than the button. -->
<ThemeProvider theme={{}}>{@render children()}</ThemeProvider>
