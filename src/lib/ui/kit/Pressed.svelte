<script lang="ts">
  import { Button, type ButtonProps } from 'flowbite-svelte';

  /** Something on the screen that is pressed as a whole (a row, a slot, a bank) and looks as it does anyway. */
  let { class: className, children, ...rest }: ButtonProps = $props();
</script>

<Button {...rest} {children} class={['pressed', className]} />
