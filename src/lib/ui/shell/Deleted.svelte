<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { text } from '$lib/words/en/screens';

  interface Props {
    /** What was deleted last. */
    name: string;
    bringBack: () => void;
  }
  let { name, bringBack }: Props = $props();
</script>

<p role="status">
  {text.deleted(name)}
  <Button class="act" onclick={bringBack}>{text.bringBack}</Button>
</p>
