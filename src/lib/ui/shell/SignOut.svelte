<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { lastSaved } from '../record/pending';
  import { ask } from '../record/send';
  import { text } from '$lib/words/en/screens';

  async function out() {
    await ask('DELETE', '/session');
    // What was kept for the bench goes with the one who signs out.
    lastSaved.forgetAll();
    for (const name of await caches.keys()) if (name.startsWith('yj-pages')) await caches.delete(name);
    location.assign('/login');
  }
</script>

<Button class="act" onclick={out}>{text.login.out}</Button>
