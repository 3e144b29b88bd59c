<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { ask } from '../record/send';
  import { text } from '../text';

  async function out() {
    await ask('DELETE', '/session');
    location.assign('/login');
  }
</script>

<Button class="act" onclick={out}>{text.login.out}</Button>
