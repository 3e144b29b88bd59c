<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import { text } from '$lib/words/en/screens';
  import { dialogs } from '$lib/words/en/screens/dialogs';

  let { close }: { close: () => void } = $props();
</script>

<Modal
  class="py-4.75 px-5.5 w-fit!"
  size="none"
  dismissable={false}
  transitionParams={{ duration: 0 }}
  bind:open={() => true, (isOpen) => isOpen || close()}
  aria-labelledby="keys-title"
>
  <h2 class="mb-2.5 text-head" id="keys-title">{text.keysTitle}</h2>
  <dl class="grid grid-cols-[auto_1fr] gap-y-1.5 gap-x-4.75 mb-4">
    {#each dialogs.keys as [key, what] (key)}<dt class="font-mono font-bold">{key}</dt>
      <dd>{what}</dd>{/each}
  </dl>
  <Button class="act" onclick={close}>{text.close}</Button>
</Modal>
