<script lang="ts">
  import { Button, Toast } from 'flowbite-svelte';
  import { text } from '$lib/words/en/screens';

  interface Props {
    /** What was deleted last. */
    name: string;
    bringBack: () => void;
  }
  let { name, bringBack }: Props = $props();
</script>

<Toast role="status" dismissable={false} transition={() => ({ duration: 0 })}>
  {text.deleted(name)}
  <Button class="act" onclick={bringBack}>{text.bringBack}</Button>
</Toast>
