import type { ThemeConfig } from 'flowbite-svelte';

/**
 * Our look for the controls of the library, once: each gets a class of `app.css`, which stands above what the library
 * gives it (as `act` does on a button).
 */
export const theme: ThemeConfig = {
  accordionItem: { button: 'fold-head', content: 'fold-body' },
  table: { table: 'table-plain' },
  modal: { base: 'dialog', body: 'dialog-body' },
  progressbar: { base: 'bar', inside: 'bar-done' },
  toast: { base: 'told', content: 'told-words' },
  fileupload: { base: 'file-input', wrapper: 'contents' }
};
