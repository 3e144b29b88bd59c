<script lang="ts" generics="T">
  import { Select } from 'flowbite-svelte';
  import type { SelectProps } from 'flowbite-svelte';

  /** One of several, from a list that drops down: the control of the library, without an entry that says to choose. */
  let { value = $bindable(), children, class: className, ...rest }: SelectProps<T> = $props();
</script>

<Select {...rest} class={['pick', className]} placeholder="" bind:value {children} />
