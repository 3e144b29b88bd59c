<script lang="ts">
  import { Accordion, AccordionItem } from 'flowbite-svelte';
  import type { Snippet } from 'svelte';
  import type { ClassValue } from 'svelte/elements';

  interface Props {
    /** What stands on it, open or not; in place of `title` where it is more than words. */
    head?: Snippet;
    title?: string;
    open?: boolean;
    class?: ClassValue;
    headClass?: string;
    children: Snippet;
  }
  let { head, title, open = $bindable(false), class: className, headClass, children }: Props = $props();
</script>

<!-- Several may be open, one inside another. -->
<Accordion multiple flush class={['fold', className]}>
  <AccordionItem headingTag="div" transitionType="none" bind:open classes={{ button: headClass }}>
    {#snippet header()}<span
        >{#if head}{@render head()}{:else}{title}{/if}</span
      >{/snippet}
    {#snippet arrowup()}{/snippet}
    {#snippet arrowdown()}{/snippet}
    {@render children()}
  </AccordionItem>
</Accordion>
