<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { onMount } from 'svelte';
  import { text } from '$lib/words/en/screens';

  let dark = $state(false);
  onMount(() => {
    dark = document.documentElement.classList.contains('dark');
  });

  function toggle() {
    dark = !dark;
    document.documentElement.classList.toggle('dark', dark);
    try {
      localStorage.setItem('yj-theme', dark ? 'dark' : 'light');
    } catch {
      // The theme then lasts until the page is left.
    }
  }
</script>

<Button class="act" onclick={toggle}>{dark ? text.day : text.lamp}</Button>
