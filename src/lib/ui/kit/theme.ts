import type { ThemeConfig } from 'flowbite-svelte';

/**
 * Our look for the controls of the library, once: each gets a class of `app.css`, which stands above what the library
 * gives it (as `act` does on a button).
 */
export const theme: ThemeConfig = {
  accordionItem: { button: 'fold-head', content: 'fold-body' },
  table: { div: 'overflow-x-auto', table: 'table-plain' },
  modal: { base: 'dialog', body: 'dialog-body' },
  progressbar: { base: 'progress', inside: 'progress-done' },
  spinner: 'size-6 animate-spin fill-yellow text-rule',
  toast: { base: 'toast', content: 'toast-words' },
  fileupload: { base: 'file-input', wrapper: 'contents' }
};
